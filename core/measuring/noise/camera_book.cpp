// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/camera_book.h"

#include "base/fnv.h"
#include "frame/linearizer.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "noise/hot_pixels.h"
#include "noise/noise_json.h"

#include <cctype>

namespace irenic {

namespace {

constexpr const char *kFormat = "irenic-camera";
constexpr int kVersion = 1;
constexpr size_t kMostFrames = 64;   // a document holds; the oldest go first
constexpr size_t kMostMaps = 12;     // lists of what stands out, some 40 KB each
constexpr int kGrid = 8;             // of the picture's outline, cells a side
constexpr double kSamePicture = 0.9; // correlation of outlines
constexpr double kFlat = 2;          // steps of an outline's spread below which there is no picture

struct Record {
    std::string picture; ///< digest of its samples: a frame counts once
    std::array<int, kGrid * kGrid> outline{};
    double iso = 0, exposureS = 0, white = 0;
    int bits = 0;
    double confidence = 0;         ///< of the law
    std::vector<NoiseModel> law;   ///< by place in the pattern; empty where the frame is not sure
    std::vector<Suspect> suspects; ///< empty where the frame was not searched
};

struct Page {
    std::string make, model, pattern;
    Size size;
    std::vector<Record> frames; ///< oldest first
};

/// FNV-1a over some of the rows.
std::string digestOf(const Frame &frame)
{
    constexpr int kRowStep = 61;
    Fnv1a<uint64_t> hash;
    for (int y = 0; y < frame.samples.height(); y += kRowStep)
        for (int x = 0; x < frame.samples.width(); ++x)
            hash.add(frame.samples.at(x, y));
    char text[17];
    std::snprintf(text, sizeof text, "%016llx", static_cast<unsigned long long>(hash.value()));
    return text;
}

/// How bright the picture is where: square roots of means over a coarse grid, the brightest 255.
std::array<int, kGrid * kGrid> outlineOf(const Frame &frame)
{
    const Linearizer levels(frame);
    const Rect &a = frame.active;
    std::array<double, kGrid * kGrid> mean{};
    for (int cell = 0; cell < kGrid * kGrid; ++cell) {
        const int x0 = a.x + a.width * (cell % kGrid) / kGrid, x1 = a.x + a.width * (cell % kGrid + 1) / kGrid;
        const int y0 = a.y + a.height * (cell / kGrid) / kGrid, y1 = a.y + a.height * (cell / kGrid + 1) / kGrid;
        const int step = std::max(1, (x1 - x0) / 32) | 1; // odd: all places of the pattern
        double sum = 0;
        int n = 0;
        for (int y = y0; y < y1; y += step)
            for (int x = x0; x < x1; x += step, ++n)
                sum += double(levels.linear(x, y));
        mean[size_t(cell)] = std::sqrt(std::max(0.0, sum / std::max(1, n)));
    }
    const double most = std::max(*std::max_element(mean.begin(), mean.end()), 1e-6);
    std::array<int, kGrid * kGrid> outline{};
    std::transform(mean.begin(), mean.end(), outline.begin(), [&](double m) { return int(std::lround(255 * m / most)); });
    return outline;
}

bool showTheSame(const std::array<int, kGrid * kGrid> &a, const std::array<int, kGrid * kGrid> &b)
{
    const double n = kGrid * kGrid;
    double ma = 0, mb = 0, aa = 0, bb = 0, ab = 0;
    for (size_t i = 0; i < a.size(); ++i) {
        ma += a[i] / n;
        mb += b[i] / n;
    }
    for (size_t i = 0; i < a.size(); ++i) {
        aa += (a[i] - ma) * (a[i] - ma);
        bb += (b[i] - mb) * (b[i] - mb);
        ab += (a[i] - ma) * (b[i] - mb);
    }
    return std::min(aa, bb) > n * kFlat * kFlat && ab > kSamePicture * std::sqrt(aa * bb);
}

/// Places as one rising number each, its last bit the sign, written as differences.
Json toJson(const std::vector<Suspect> &suspects, int width)
{
    Json j = Json::array();
    int64_t last = 0;
    for (const Suspect &s : suspects) {
        const int64_t at = (int64_t(s.at.y) * width + s.at.x) * 2 + (s.dark ? 1 : 0);
        j.push_back(at - last);
        last = at;
    }
    return j;
}

std::vector<Suspect> suspectsFrom(const std::vector<double> &steps, Size size, const JsonReader &json)
{
    std::vector<Suspect> all;
    double at = 0;
    for (const double step : steps) {
        at += step;
        if (!(step >= 0) || at != std::floor(at) || at / 2 >= double(size.area())) {
            json.fail("suspects");
            return {};
        }
        const int64_t place = int64_t(at) / 2;
        all.push_back({{int(place % size.width), int(place / size.width)}, (int64_t(at) & 1) != 0});
    }
    return all;
}

std::string textOfPage(const Page &page)
{
    Json frames = Json::array();
    for (const Record &r : page.frames) {
        Json j{{"picture", r.picture}, {"outline", r.outline}, {"iso", r.iso}, {"exposureS", r.exposureS}, {"bits", r.bits}, {"white", r.white}};
        if (!r.law.empty()) {
            j["law"] = toJson(r.law);
            j["confidence"] = r.confidence;
        }
        if (!r.suspects.empty())
            j["suspects"] = toJson(r.suspects, page.size.width);
        frames.push_back(j);
    }
    return jsonText(Json{{"format", kFormat}, {"version", kVersion}, {"make", page.make}, {"model", page.model}, {"width", page.size.width}, {"height", page.size.height}, {"pattern", page.pattern}, {"frames", frames}}) + "\n";
}

Record recordFrom(const JsonReader &json, Size size)
{
    Record r;
    r.picture = json.text("picture");
    const std::vector<double> outline = json.numbers("outline");
    if (outline.size() == r.outline.size())
        std::transform(outline.begin(), outline.end(), r.outline.begin(), [](double v) { return int(std::clamp(v, 0.0, 255.0)); });
    else
        json.fail("outline");
    r.iso = json.number("iso", 1, 1e9);
    r.exposureS = json.number("exposureS", 0, 1e9);
    r.bits = json.whole("bits", 0, 32);
    r.white = json.number("white", 1, 65535);
    if (json.has("law")) {
        for (const JsonReader &pair : json.array("law"))
            r.law.push_back(modelFrom(pair, json, "law"));
        if (r.law.size() != 4 || std::any_of(r.law.begin(), r.law.end(), [](const NoiseModel &m) { return !(m.shotGain > 0); }))
            json.fail("law");
        r.confidence = json.number("confidence", 0, 1);
    }
    if (json.has("suspects"))
        r.suspects = suspectsFrom(json.numbers("suspects"), size, json);
    return r;
}

Result<Page> readPage(const std::filesystem::path &document)
{
    const Result<std::string> text = documentText(document, visible("camera's page"));
    if (!text)
        return text.error();
    return fromDocument<Page>(text.value(), textOf(document.filename()), kFormat, visible("camera's page"), kVersion, [](const JsonReader &json) {
        Page page{json.text("make"), json.text("model"), json.text("pattern"), {json.whole("width", 16, 1 << 20), json.whole("height", 16, 1 << 20)}, {}};
        for (const JsonReader &frame : json.array("frames")) {
            if (!json.status())
                break;
            page.frames.push_back(recordFrom(frame, page.size));
        }
        return page;
    });
}

bool canBeKnown(const Frame &frame)
{
    return frame.kind == FrameKind::Mosaic && frame.shooting.iso >= 1 && !(frame.shooting.make + frame.shooting.model).empty();
}

/// The middle one of the laws, by its sigma in the mid-tones.
std::array<NoiseModel, 4> pooled(std::vector<std::vector<NoiseModel>> laws)
{
    const auto sigma = [](const std::vector<NoiseModel> &law) {
        double sum = 0;
        for (const NoiseModel &m : law)
            sum += std::log(double(m.sigmaAt(0.02f)) * double(m.sigmaAt(0.2f)));
        return sum;
    };
    // Texture only raises a law: of an even count the lower of the two in the middle.
    const auto middle = laws.begin() + ptrdiff_t((laws.size() - 1) / 2);
    std::nth_element(laws.begin(), middle, laws.end(), [&](const auto &a, const auto &b) { return sigma(a) < sigma(b); });
    std::array<NoiseModel, 4> law;
    std::copy(middle->begin(), middle->end(), law.begin());
    return law;
}

/// What several pictures have in common.
void mapBadPixels(const std::vector<const Record *> &frames, const Frame &frame, KnownCamera &known)
{
    known.mapFrames = int(frames.size());
    const auto rank = [](const Suspect &s) { return std::tuple(s.at.y, s.at.x, s.dark); };
    std::vector<Suspect> all;
    for (const Record *r : frames) {
        all.insert(all.end(), r->suspects.begin(), r->suspects.end());
        // A bad pixel's charge grows with time, and its number with the gain.
        if (r->exposureS >= frame.shooting.exposureS / 2 && r->iso >= frame.shooting.iso / 2) {
            ++known.comparableFrames;
            for (const Suspect &s : r->suspects)
                known.stoodOut.push_back(s.at);
        }
    }
    std::sort(all.begin(), all.end(), [&](const Suspect &a, const Suspect &b) { return rank(a) < rank(b); });
    // Of one detail in 500 samples, chance brings two of four frames, or three of twelve, to one place in two samples of 100,000 and of a
    // million; there it would also have to stand out in the frame at hand. Asking for four of twelve found 71 and not 77 % (ISO 1600, docs/camera-book.md).
    const ptrdiff_t least = frames.size() <= 4 ? 2 : 3;
    for (auto it = all.begin(); it != all.end();) {
        const auto end = std::find_if(it, all.end(), [&](const Suspect &s) { return !(s == *it); });
        if (end - it >= least && (known.bad.empty() || !(known.bad.back() == it->at)))
            known.bad.push_back(it->at);
        it = end;
    }
    std::sort(known.stoodOut.begin(), known.stoodOut.end(), PixelAt::byRow);
    known.stoodOut.erase(std::unique(known.stoodOut.begin(), known.stoodOut.end()), known.stoodOut.end());
}

} // namespace

std::filesystem::path CameraBook::documentOf(const Frame &frame) const
{
    // Readable, and safe as a name; a digest tells apart what looks alike.
    const std::string whole = frame.shooting.make + "\n" + frame.shooting.model + "\n" + std::to_string(frame.size().width) + " " + std::to_string(frame.size().height) + " " + frame.pattern;
    std::string name;
    for (const char c : (frame.shooting.make + " " + frame.shooting.model).substr(0, 60))
        name += std::isalnum(uint8_t(c)) && uint8_t(c) < 128 ? c : '-';
    char digest[16];
    std::snprintf(digest, sizeof digest, "-%08x", fnv1a(whole));
    return m_folder / (name + digest + ".json");
}

KnownCamera CameraBook::about(const Frame &frame) const
{
    KnownCamera known;
    if (!canBeKnown(frame))
        return known;
    const Result<Page> page = readPage(documentOf(frame));
    if (!page || page.value().make != frame.shooting.make || page.value().model != frame.shooting.model || !(page.value().size == frame.size()) || page.value().pattern != frame.pattern)
        return known;
    const std::string picture = digestOf(frame);
    const auto outline = outlineOf(frame);
    std::vector<std::vector<NoiseModel>> laws;
    std::vector<const Record *> maps;
    for (const Record &r : page.value().frames) {
        if (r.picture == picture)
            continue;
        if (!r.law.empty() && r.iso == frame.shooting.iso && r.bits == frame.shooting.bitDepth && r.white == double(frame.levels.white))
            laws.push_back(r.law);
        if (!r.suspects.empty() && !showTheSame(r.outline, outline))
            maps.push_back(&r);
    }
    known.lawFrames = int(laws.size());
    if (!laws.empty())
        known.cells = pooled(std::move(laws));
    if (maps.size() >= 2)
        mapBadPixels(maps, frame, known);
    return known;
}

Status CameraBook::learn(const Frame &frame, const NoiseReport &report, const RunContext &run)
{
    if (!canBeKnown(frame))
        return {};
    const std::filesystem::path document = documentOf(frame);
    Result<Page> read = readPage(document);
    if (!read && read.error().code != ErrorCode::NotFound)
        return read.error();
    Page page = read ? read.take() : Page{frame.shooting.make, frame.shooting.model, frame.pattern, frame.size(), {}};
    Record record{digestOf(frame), outlineOf(frame), frame.shooting.iso, std::clamp(frame.shooting.exposureS, 0.0, 1e9), double(frame.levels.white), frame.shooting.bitDepth, 0, {}, {}};
    const auto isKnown = [&](const Record &r) { return r.picture == record.picture; };
    if (std::any_of(page.frames.begin(), page.frames.end(), isKnown))
        return {};
    if (report.lawFrames == 0 && report.confidence >= kSureOfLaw) {
        record.law.assign(report.cells.begin(), report.cells.end());
        record.confidence = report.confidence;
    }
    const bool isNewPicture = std::none_of(page.frames.begin(), page.frames.end(), [&](const Record &r) { return !r.suspects.empty() && showTheSame(r.outline, record.outline); });
    if (isNewPicture) {
        Result<std::vector<Suspect>> suspects = findSuspects(frame, report.cells, run);
        if (!suspects)
            return suspects.error();
        record.suspects = suspects.take();
    }
    if (record.law.empty() && record.suspects.empty())
        return {};
    page.frames.push_back(std::move(record));
    size_t maps = 0;
    for (auto r = page.frames.rbegin(); r != page.frames.rend(); ++r)
        if (!r->suspects.empty() && ++maps > kMostMaps)
            r->suspects.clear();
    std::erase_if(page.frames, [](const Record &r) { return r.law.empty() && r.suspects.empty(); });
    if (page.frames.size() > kMostFrames)
        page.frames.erase(page.frames.begin(), page.frames.end() - ptrdiff_t(kMostFrames));
    std::error_code ec;
    std::filesystem::create_directories(m_folder, ec);
    return replaceDocument(document, textOfPage(page));
}

std::vector<CameraBook::Camera> CameraBook::cameras() const
{
    std::vector<Camera> all;
    std::error_code ec;
    for (auto it = std::filesystem::directory_iterator(m_folder, ec); !ec && it != std::filesystem::directory_iterator(); it.increment(ec)) {
        if (it->path().extension() != ".json")
            continue;
        const Result<Page> page = readPage(it->path());
        if (!page)
            continue;
        Camera c{it->path(), page.value().make, page.value().model, page.value().pattern, page.value().size, int(page.value().frames.size()), 0, {}};
        for (const Record &r : page.value().frames) {
            c.maps += r.suspects.empty() ? 0 : 1;
            if (!r.law.empty())
                c.isos.push_back(int(std::lround(r.iso)));
        }
        std::sort(c.isos.begin(), c.isos.end());
        c.isos.erase(std::unique(c.isos.begin(), c.isos.end()), c.isos.end());
        all.push_back(std::move(c));
    }
    std::sort(all.begin(), all.end(), [](const Camera &a, const Camera &b) { return std::tie(a.make, a.model, a.document) < std::tie(b.make, b.model, b.document); });
    return all;
}

std::string CameraBook::Camera::name() const
{
    const bool isTwice = model.rfind(make, 0) == 0;
    return (isTwice ? model : make + " " + model) + ", " + std::to_string(size.width) + " x " + std::to_string(size.height) + (pattern.empty() ? "" : ", " + pattern);
}

Status CameraBook::forget(const Camera &camera)
{
    std::error_code ec;
    if (std::filesystem::remove(camera.document, ec))
        return {};
    return Error{ec ? ErrorCode::WriteFailed : ErrorCode::NotFound, ec ? sentence("%1 cannot be removed: %2.", {textOf(camera.document.filename()), ec.message()}) : sentence("%1 is not there any more.", {textOf(camera.document.filename())}), {}};
}

} // namespace irenic
