// SPDX-License-Identifier: GPL-3.0-or-later
#include "benches.h"
#include "chart.h"
#include "subject.h"

#include "frame/linearizer.h"
#include "irenic/camera.h"
#include "irenic/export.h"
#include "irenic/picture.h"
#include "irenic/readings.h"
#include "law/stabiliser.h"
#include "noise/hot_pixels.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>
#include <cstdlib>
#include <fstream>
#include <map>
#include <set>

namespace irenic::bench {

namespace {

struct Score : PictureQuality {
    Drift drift; ///< against the untreated picture
    double detailLost = 0;
    double seconds = 0; ///< to clean and develop
};

Result<RgbImage<float>> developed(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const Treatment &t)
{
    return developRegion(Cleaner(frame, noise, t), frame->crop, {}, nullptr, {});
}

/// The share of their light that stars of eight sigma keep, on a dark sky at that ISO, under a treatment.
double starsKept(int iso, const Treatment &t)
{
    constexpr int kSide = 480, kStepPx = 24;
    constexpr float kGround = 0.004f;
    ShootOptions o;
    o.iso = iso;
    o.hotPixelsPerMillion = 0;
    o.banding = 0;
    Scene sky{{kSide, kSide}, std::vector<float>(size_t(kSide) * kSide * 3, kGround)};
    const Result<Shot> dark = shoot(sky, o);
    if (!dark)
        return 0;
    std::vector<PixelAt> stars;
    for (int y = kStepPx; y < kSide - 10; y += kStepPx)
        for (int x = kStepPx; x < kSide - 10; x += kStepPx)
            stars.push_back({x + int(stars.size() % 2), y + int(stars.size() / 2 % 2)}); // on every cell of the pattern
    const auto lightAll = [&](float scale) {
        for (const PixelAt p : stars)
            for (size_t c = 0; c < 3; ++c)
                sky.rgb[(size_t(p.y) * kSide + size_t(p.x)) * 3 + c] = kGround + scale;
    };
    // One of known light tells how bright a scene must be for eight sigma at the star's place.
    lightAll(1);
    const Result<Shot> bright = shoot(sky, o);
    const float ground = dark.value().truth.clean.at(stars[0].x, stars[0].y);
    const float perUnit = bright.value().truth.clean.at(stars[0].x, stars[0].y) - ground;
    lightAll(8 * dark.value().truth.noise.sigmaAt(ground) / std::max(perUnit, 1e-9f));
    const Result<Shot> shot = shoot(sky, o);
    auto frame = std::make_shared<Frame>();
    frame->samples = shot.value().samples.clone();
    frame->active = frame->crop = shot.value().active;
    frame->levels.black = {kCameraBlack14};
    frame->levels.white = kCameraWhite14;
    auto noise = std::make_shared<NoiseReport>();
    noise->cells.fill(shot.value().truth.noise);
    const auto cleaned = Cleaner(frame, noise, t).clean(frame->active);
    double kept = 0, shone = 0;
    for (const PixelAt p : stars)
        for (int y = p.y - 2; y <= p.y + 2; ++y)
            for (int x = p.x - 2; x <= p.x + 2; ++x) {
                kept += double(cleaned.value().at(x, y)) - double(dark.value().truth.clean.at(x, y));
                shone += double(shot.value().truth.clean.at(x, y)) - double(dark.value().truth.clean.at(x, y));
            }
    return kept / shone;
}

bool writeFloats(const std::filesystem::path &file, const std::vector<float> &values)
{
    std::ofstream out(file, std::ios::binary);
    out.write(reinterpret_cast<const char *>(values.data()), std::streamsize(values.size() * sizeof(float)));
    return bool(out);
}

/// The four packed planes of a frame after the given treatment of its linear samples, one after the other.
template <class Sample>
std::vector<float> packed(const Frame &frame, const Sample &value)
{
    const Rect &a = frame.active;
    std::vector<float> planes;
    for (int cell = 0; cell < 4; ++cell)
        for (int y = cell >> 1; y < (a.height & ~1); y += 2)
            for (int x = cell & 1; x < (a.width & ~1); x += 2)
                planes.push_back(value(a.x + x, a.y + y));
    return planes;
}

/// Lets a program outside clean the packed, variance-stabilised planes (true law; hot pixels mended as for our own methods), and develops what it gives back. It is
/// called as COMMAND NOISY TRUTH WIDTH HEIGHT FOLDER and leaves NAME.f32 in the folder for every method that it tried, each
/// with its best setting for this frame. The way back is unbiased for planes without noise.
std::map<std::string, RgbImage<uint16_t>> outside(const std::string &command, const Subject &s, const std::filesystem::path &folder)
{
    const Stabiliser stabiliser(s.law);
    const Linearizer noisy(*s.frame), clean(*s.clean);
    std::error_code ec;
    std::filesystem::remove_all(folder, ec);
    std::filesystem::create_directories(folder, ec);
    const int width = s.frame->active.width / 2, height = s.frame->active.height / 2;
    const Rect &active = s.frame->active;
    const auto mirroredLinear = [&](int x, int y) { return noisy.linear(active.x + mirrored(x - active.x, active.width), active.y + mirrored(y - active.y, active.height)); };
    std::set<std::pair<int, int>> hot;
    for (const PixelAt p : s.noise->hotPixels)
        hot.emplace(p.x, p.y);
    writeFloats(folder / "noisy.in", packed(*s.frame, [&](int x, int y) { return stabiliser.forward(hot.contains({x, y}) ? mendedValue(mirroredLinear, x, y) : noisy.linear(x, y)); }));
    writeFloats(folder / "truth.in", packed(*s.frame, [&](int x, int y) { return stabiliser.forward(clean.linear(x, y)); }));
    const std::string line = command + " '" + (folder / "noisy.in").string() + "' '" + (folder / "truth.in").string() + "' " + std::to_string(width) + " "
                             + std::to_string(height) + " '" + folder.string() + "'";
    std::map<std::string, RgbImage<uint16_t>> images;
    if (std::system(line.c_str()) != 0)
        return images;
    for (const auto &entry : std::filesystem::directory_iterator(folder, ec)) {
        if (entry.path().extension() != ".f32")
            continue;
        std::vector<float> planes(size_t(width) * size_t(height) * 4);
        std::ifstream(entry.path(), std::ios::binary).read(reinterpret_cast<char *>(planes.data()), std::streamsize(planes.size() * sizeof(float)));
        const auto result = frameWith(*s.frame, [&](int x, int y) {
            const int u = std::clamp(x - active.x, 0, 2 * width - 1), v = std::clamp(y - active.y, 0, 2 * height - 1);
            return stabiliser.inverse(planes[size_t((u & 1) + 2 * (v & 1)) * size_t(width) * size_t(height) + size_t(v / 2) * size_t(width) + size_t(u / 2)], 1.f);
        });
        if (const auto image = developed(result, s.noise, {"wavelet", 0, 0}))
            images.emplace(entry.path().stem().string(), encoded16(image.value()));
    }
    std::filesystem::remove_all(folder, ec);
    return images;
}

struct Row {
    std::string scene;
    int iso;
    std::string method;
    double strength;
    Score score;
    NoiseLeft left;
    double starsKept;
};

void print(const Row &r, bool json)
{
    const Score &s = r.score;
    if (json)
        std::printf("%s\n", nlohmann::json{{"scene", r.scene}, {"iso", r.iso}, {"method", r.method}, {"strength", r.strength}, {"psnr", s.psnrDb}, {"ssim", s.ssim}, {"colourError", s.colourError}, {"luminanceLeft", r.left.luminance}, {"colourLeft", r.left.colour}, {"driftMedian", s.drift.median}, {"driftHigh", s.drift.high}, {"detailLost", s.detailLost}, {"starsKept", r.starsKept}, {"seconds", s.seconds}}.dump().c_str());
    else
        std::printf("| %s | %d | %s | %.2f | %.2f | %.4f | %.2f | %.3f | %.3f | %.2f | %.2f | %.2f | %.2f | %.2f |\n", r.scene.c_str(), r.iso, r.method.c_str(), r.strength, s.psnrDb, s.ssim, s.colourError,
                    r.left.luminance, r.left.colour, s.drift.median, s.drift.high, s.detailLost, r.starsKept, s.seconds);
    std::fflush(stdout);
}

/// Means over all frames: luma SSIM against strength, PSNR against time.
bool chart(const std::vector<Row> &rows, const std::string &file)
{
    Chart byStrength{"Luma SSIM by strength", "strength, multiples of the measured noise", "luma SSIM", false, {}}, byTime{"PSNR by time", "seconds a megapixel", "PSNR, dB", true, {}};
    for (const MethodInfo &method : methods()) {
        struct Sum {
            double ssim = 0, psnr = 0, seconds = 0;
            int n = 0;
        };
        std::map<double, Sum> sums;
        for (const Row &r : rows)
            if (r.method == method.id && r.strength > 0) {
                Sum &s = sums[r.strength];
                s.ssim += r.score.ssim;
                s.psnr += r.score.psnrDb;
                s.seconds += r.score.seconds;
                ++s.n;
            }
        if (sums.empty())
            continue;
        Chart::Line strength{method.label, {}}, time{method.label, {}};
        for (const auto &[x, s] : sums)
            strength.points.push_back({x, s.ssim / s.n});
        const auto best = std::max_element(sums.begin(), sums.end(), [](const auto &p, const auto &q) { return p.second.psnr < q.second.psnr; });
        time.points.push_back({best->second.seconds / best->second.n, best->second.psnr / best->second.n});
        byStrength.lines.push_back(strength);
        byTime.lines.push_back(time);
    }
    return writeCharts(file, {byStrength, byTime});
}

} // namespace

int quality(const QualityArguments &a)
{
    const auto folder = std::filesystem::temp_directory_path() / ("irenic-bench-" + std::to_string(getpid()));
    if (!a.json)
        std::printf("| scene | ISO | method | strength | PSNR dB | luma SSIM | colour error | luminance left | colour left | drift | drift 95 %% | detail lost | stars kept | s/MP |\n"
                    "|---|---|---|---|---|---|---|---|---|---|---|---|---|---|\n");
    std::vector<Row> rows;
    std::map<std::pair<int, std::string>, double> stars; // they do not depend on the scene
    for (const std::string &name : a.scenes) {
        const Result<Scene> scene = readScene(name);
        if (!scene) {
            std::fprintf(stderr, "irenic-bench: %s\n", scene.error().userMessage.c_str());
            return 1;
        }
        for (const int iso : a.isos) {
            const auto subject = makeSubject(scene.value(), iso, {a.underexposeEv, a.banding, a.trueLaw}, std::filesystem::temp_directory_path());
            if (!subject) {
                std::fprintf(stderr, "irenic-bench: %s\n", subject.error().userMessage.c_str());
                return 1;
            }
            const Subject &s = subject.value();
            const Treatment nothing{"wavelet", 0, 0};
            const auto truth = developed(s.clean, s.noise, nothing), untreated = developed(s.frame, s.noise, nothing);
            if (!truth || !untreated)
                return 1;
            const auto encodedTruth = encoded16(truth.value());
            const std::string stem = std::filesystem::path(name).stem().string();
            if (!a.outside.empty())
                for (const auto &[method, image] : outside(a.outside, s, folder))
                    print({stem, iso, method, 0, Score{pictureQuality(image, encodedTruth), {}, 0, 0}, {}, 0}, a.json);
            for (const MethodInfo &method : methods()) {
                if (!takesPart(a.methods, method.id))
                    continue;
                for (const double strength : a.strengths) {
                    const Treatment t{method.id, strength, strength};
                    const auto start = std::chrono::steady_clock::now();
                    const auto image = developed(s.frame, s.noise, t);
                    const std::chrono::duration<double> taken = std::chrono::steady_clock::now() - start;
                    if (!image)
                        return 1;
                    Row row{stem, iso, method.id, strength, Score{pictureQuality(encoded16(image.value()), encodedTruth), {}, 0, 0}, noiseLeftOnFlat(t), 0};
                    row.score.drift = driftBetween(untreated.value(), image.value());
                    row.score.detailLost = readingsAt(Cleaner(s.frame, s.noise, t), s.frame->crop, nullptr).value().detailLost;
                    row.score.seconds = taken.count() / (double(s.frame->crop.size().area()) * 1e-6);
                    auto &kept = stars[{iso, method.id + std::to_string(strength)}];
                    if (kept == 0)
                        kept = starsKept(iso, t);
                    row.starsKept = kept;
                    print(row, a.json);
                    rows.push_back(row);
                }
            }
        }
    }
    if (!a.chart.empty() && !chart(rows, a.chart)) {
        std::fprintf(stderr, "irenic-bench: %s could not be written.\n", a.chart.c_str());
        return 1;
    }
    return 0;
}

} // namespace irenic::bench
