// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/opcode_list.h"

#include "base/parallel.h"
#include "frame/linearizer.h"
#include "irenic/sentence.h"
#include "irenic/shading.h"

#include <bit>
#include <cmath>
#include <set>

namespace irenic {

namespace {

constexpr size_t kHeaderBytes = 16;
constexpr uint32_t kMostOpcodes = 4096;
constexpr size_t kMostBadPixels = 1 << 20;
constexpr double kMostGain = 1000;
constexpr int kMostOverAll = 64; ///< opcodes that take time for every sample: four gain maps, three curves, a line each way are usual

/// Numbers of an opcode's data, one after the other; not a number, or 0, past the end.
class Numbers
{
public:
    explicit Numbers(std::span<const std::byte> bytes) : m_bytes(bytes) {}
    uint32_t whole()
    {
        return uint32_t(take(4));
    }
    float single() { return std::bit_cast<float>(uint32_t(take(4))); }
    double real() { return std::bit_cast<double>(take(8)); }
    uint16_t half() { return uint16_t(take(2)); }
    size_t left() const { return m_bytes.size(); }
    bool ranOut() const { return m_ranOut; }

private:
    uint64_t take(size_t n)
    {
        if (m_bytes.size() < n) {
            m_ranOut = true;
            m_bytes = {};
            return 0;
        }
        uint64_t v = 0;
        for (size_t i = 0; i < n; ++i)
            v = v << 8 | uint64_t(m_bytes[i]);
        m_bytes = m_bytes.subspan(n);
        return v;
    }
    std::span<const std::byte> m_bytes;
    bool m_ranOut = false;
};

/// Where an opcode counts (DNG 1.4, chapter 7, area specification), in stored pixels.
struct Area {
    Rect rect;
    int plane = 0, planes = 1, rowPitch = 1, columnPitch = 1;
    bool isUsable = false;
};

Area areaFrom(Numbers &n, const Rect &active)
{
    uint32_t v[8];
    for (uint32_t &x : v)
        x = n.whole();
    Area a;
    for (const uint32_t x : v)
        if (x > 1u << 20)
            return a;
    const ActiveRect told{int(v[1]), int(v[0]), int(v[3]) - int(v[1]), int(v[2]) - int(v[0])};
    a.rect = told.placedIn(active).intersected(active);
    a.plane = int(v[4]);
    a.planes = int(v[5]);
    a.rowPitch = int(v[6]);
    a.columnPitch = int(v[7]);
    a.isUsable = !n.ranOut() && told.width > 0 && told.height > 0 && a.planes >= 1 && a.rowPitch >= 1 && a.columnPitch >= 1;
    return a;
}

bool isCurveOrLine(uint32_t id)
{
    return id == OpcodeMapTable || id == OpcodeMapPolynomial || (id >= OpcodeDeltaPerRow && id <= OpcodeScalePerColumn);
}

std::optional<Shading::Map> mapFrom(const Opcode &o, const Rect &active)
{
    Numbers n(o.data);
    const Area area = areaFrom(n, active);
    Shading::Map m;
    const uint32_t rows = n.whole(), columns = n.whole();
    m.spacingV = n.real();
    m.spacingH = n.real();
    m.originV = n.real();
    m.originH = n.real();
    const uint32_t planes = n.whole();
    if (!area.isUsable || rows < 1 || columns < 1 || planes < 1 || rows > 65535 || columns > 65535 || planes > 16 || uint64_t(rows) * columns * planes * 4 > n.left())
        return std::nullopt;
    for (const double v : {m.spacingV, m.spacingH, m.originV, m.originH})
        if (!(std::abs(v) < 1e6))
            return std::nullopt;
    m.area = area.rect;
    m.plane = area.plane;
    m.planes = area.planes;
    m.rowPitch = area.rowPitch;
    m.columnPitch = area.columnPitch;
    m.rows = int(rows);
    m.columns = int(columns);
    m.mapPlanes = int(planes);
    m.gains.resize(size_t(rows) * columns * planes);
    for (float &g : m.gains) {
        g = n.single();
        if (!(g >= 0 && double(g) <= kMostGain))
            return std::nullopt;
    }
    return m;
}

std::optional<Shading::Radial> radialFrom(const Opcode &o)
{
    Numbers n(o.data);
    Shading::Radial r;
    double most = 0;
    for (double &k : r.k) {
        k = n.real();
        most += std::abs(k);
    }
    r.x = n.real();
    r.y = n.real();
    const bool usable = !n.ranOut() && most < kMostGain && r.x >= 0 && r.x <= 1 && r.y >= 0 && r.y <= 1;
    return usable ? std::optional(r) : std::nullopt;
}

std::optional<DescribedWarp> warpFrom(const Opcode &o)
{
    Numbers n(o.data);
    DescribedWarp w;
    w.isFisheye = o.id == OpcodeWarpFisheye;
    const uint32_t planes = n.whole();
    if (planes != 1 && planes != 3)
        return std::nullopt;
    for (uint32_t p = 0; p < planes; ++p) {
        std::array<double, 6> k{};
        for (size_t i = 0; i < (w.isFisheye ? 4u : 6u); ++i)
            k[i] = n.real();
        w.planes.push_back(k);
    }
    w.x = n.real();
    w.y = n.real();
    for (size_t p = 0; p < w.planes.size(); ++p)
        for (int i = 0; i <= 20; ++i)
            if (!(std::abs(w.source(i / 20.0, p)) < 4))
                return std::nullopt;
    return n.ranOut() || !(w.x >= 0 && w.x <= 1 && w.y >= 0 && w.y <= 1) ? std::nullopt : std::optional(w);
}

/// FixBadPixelsList; places count stored pixels, as the list goes before the active area is cut out.
bool listBad(const Opcode &o, Frame &frame)
{
    Numbers n(o.data);
    n.whole(); // the pattern's phase, which is known
    const uint32_t points = n.whole(), rects = n.whole();
    if (uint64_t(points) * 8 + uint64_t(rects) * 16 > n.left())
        return false;
    const Rect whole{0, 0, frame.size().width, frame.size().height};
    const auto add = [&](int x, int y) {
        if (whole.contains({x, y, 1, 1}) && frame.badPixels.size() < kMostBadPixels)
            frame.badPixels.push_back({x, y});
    };
    for (uint32_t i = 0; i < points; ++i) {
        const uint32_t y = n.whole(), x = n.whole();
        if (x < 65536 && y < 65536)
            add(int(x), int(y));
    }
    for (uint32_t i = 0; i < rects && frame.badPixels.size() < kMostBadPixels; ++i) {
        const uint32_t top = n.whole(), left = n.whole(), bottom = n.whole(), right = n.whole();
        if (std::max({top, left, bottom, right}) >= 65536)
            continue;
        const Rect r = Rect{int(left), int(top), int(right) - int(left), int(bottom) - int(top)}.intersected(whole);
        for (int y = r.y; y < r.bottom() && frame.badPixels.size() < kMostBadPixels; ++y)
            for (int x = r.x; x < r.right(); ++x)
                add(x, y);
    }
    return true;
}

/// FixBadPixelsConstant: every sample of that number.
bool listConstant(const Opcode &o, Frame &frame)
{
    Numbers n(o.data);
    const uint32_t constant = n.whole();
    if (n.ranOut())
        return false;
    const Rect &a = frame.active;
    for (int y = a.y; y < a.bottom(); ++y)
        for (int x = a.x; x < a.right(); ++x)
            if (frame.samples.at(x, y) == constant && frame.badPixels.size() < kMostBadPixels)
                frame.badPixels.push_back({x, y});
    return true;
}

/// Linear samples of the active area, to be changed by opcodes of the second list and stored again.
class LinearSamples
{
public:
    LinearSamples(Frame &frame, const RunContext &run) : m_frame(frame), m_run{run.threads, run.stop, {}, run.background}, m_n(frame.channels()), m_values({frame.samples.width(), frame.samples.height()})
    {
        const Linearizer levels(frame);
        m_values.fill(0);
        m_done = parallelFor(frame.active.height, m_run, [&](int row) {
            const int y = frame.active.y + row;
            for (int x = frame.active.x; x < frame.active.right(); ++x)
                for (int c = 0; c < m_n; ++c)
                    at(x, y, c) = levels.linear(x, y, c);
        });
    }
    float &at(int x, int y, int c) { return m_values.at(x * m_n + c, y); }

    template <class Change>
    void everywhere(const Area &a, const Change &change)
    {
        const int rows = (a.rect.height + a.rowPitch - 1) / a.rowPitch;
        m_done = parallelFor(rows, m_run, [&](int row) {
            const int y = a.rect.y + row * a.rowPitch;
            for (int x = a.rect.x; x < a.rect.right(); x += a.columnPitch)
                for (int c = a.plane; c < std::min(m_n, a.plane + a.planes); ++c)
                    change(at(x, y, c), row, (x - a.rect.x) / a.columnPitch);
        });
    }

    Status done() const { return m_done; } ///< Cancelled where it was stopped

    bool apply(const Opcode &o)
    {
        Numbers n(o.data);
        if (o.id == OpcodeGainMap) {
            const auto map = mapFrom(o, m_frame.active);
            if (!map)
                return false;
            Shading shading(m_frame.active);
            shading.add(*map);
            const Rect &a = m_frame.active;
            m_done = parallelFor(a.height, m_run, [&](int row) {
                const CfaPattern cfa = m_frame.cfa.shifted(a.x, a.y + row);
                shading.multiply(&at(a.x, a.y + row, 0), a.width, {a.x, a.y + row}, m_n == 1 ? &cfa : nullptr);
            });
            return true;
        }
        const Area area = areaFrom(n, m_frame.active);
        const uint32_t count = n.whole();
        if (!area.isUsable || n.ranOut())
            return false;
        if (o.id == OpcodeMapTable) {
            if (count < 1 || count > 65536 || count * 2 > n.left())
                return false;
            std::vector<float> table(count);
            for (float &v : table)
                v = float(n.half()) / 65535;
            everywhere(area, [&](float &v, int, int) { v = table[std::min<size_t>(size_t(std::lround(std::clamp(v, 0.f, 1.f) * 65535)), count - 1)]; });
            return true;
        }
        if (o.id == OpcodeMapPolynomial) {
            if (count > 8)
                return false;
            std::vector<double> k(count + 1);
            for (double &v : k)
                v = n.real();
            if (n.ranOut() || !std::all_of(k.begin(), k.end(), [](double v) { return std::abs(v) < 1e6; }))
                return false;
            everywhere(area, [&](float &v, int, int) {
                const double x = std::clamp(double(v), 0.0, 1.0);
                double sum = 0;
                for (size_t i = k.size(); i-- > 0;)
                    sum = sum * x + k[i];
                v = float(std::clamp(sum, 0.0, 1.0));
            });
            return true;
        }
        if (uint64_t(count) * 4 > n.left() || count < 1)
            return false;
        std::vector<float> line(count);
        for (float &v : line) {
            v = n.single();
            if (!(std::abs(double(v)) <= kMostGain))
                return false;
        }
        const bool rows = o.id == OpcodeDeltaPerRow || o.id == OpcodeScalePerRow, deltas = o.id == OpcodeDeltaPerRow || o.id == OpcodeDeltaPerColumn;
        everywhere(area, [&](float &v, int row, int column) {
            const float t = line[std::min<size_t>(size_t(rows ? row : column), count - 1)];
            v = deltas ? v + t : v * t;
        });
        return true;
    }

    /// As 16-bit numbers, with room below black where there was noise.
    void store()
    {
        const bool roomBelow = std::any_of(m_frame.levels.black.begin(), m_frame.levels.black.end(), [](float b) { return b > 0; });
        constexpr float kWhite = 65535;
        const float black = roomBelow ? 512 : 0;
        Levels &l = m_frame.levels;
        l = {};
        l.black.assign(m_frame.kind == FrameKind::Mosaic ? 1 : 3, black);
        l.white = kWhite;
        m_done = parallelFor(m_values.height(), m_run, [&](int y) {
            std::transform(m_values.row(y), m_values.row(y) + m_values.width(), m_frame.samples.row(y),
                           [black](float v) { return uint16_t(std::clamp(std::lround(v * (kWhite - black) + black), 0l, 65535l)); });
        });
    }

private:
    Frame &m_frame;
    const RunContext m_run;
    Status m_done;
    int m_n;
    Plane<float> m_values;
};

void tellLevels(const Levels &l, TiffDirectory &raw)
{
    raw.setNumbers(TagBlackLevelRepeatDim, TiffShort, std::array{1.0, 1.0});
    raw.setLevels(TagBlackLevel, std::vector<double>(l.black.begin(), l.black.end()));
    raw.setLevels(TagWhiteLevel, std::vector<double>(l.black.size(), double(l.white)));
    raw.erase(TagBlackLevelDeltaH);
    raw.erase(TagBlackLevelDeltaV);
    raw.erase(TagNoiseProfile); // it was that of other numbers
}

} // namespace

uint32_t opcodeNumber(std::span<const std::byte> bytes, size_t at)
{
    uint32_t v = 0;
    for (size_t i = 0; i < 4 && at + 4 <= bytes.size(); ++i)
        v = v << 8 | uint32_t(bytes[at + i]);
    return v;
}

std::string opcodeName(uint32_t id)
{
    static constexpr const char *names[] = {"WarpRectilinear", "WarpFisheye", "FixVignetteRadial", "FixBadPixelsConstant", "FixBadPixelsList", "TrimBounds", "MapTable",
                                            "MapPolynomial", "GainMap", "DeltaPerRow", "DeltaPerColumn", "ScalePerRow", "ScalePerColumn"};
    return id >= 1 && id <= std::size(names) ? names[id - 1] : "opcode " + std::to_string(id);
}

std::optional<std::vector<Opcode>> opcodesIn(std::span<const std::byte> list)
{
    const uint32_t count = opcodeNumber(list, 0);
    std::vector<Opcode> all;
    size_t at = 4;
    if (list.size() < 4 || count > kMostOpcodes)
        return std::nullopt;
    for (uint32_t i = 0; i < count; ++i) {
        if (list.size() - at < kHeaderBytes)
            return std::nullopt;
        const uint32_t bytes = opcodeNumber(list, at + 12);
        if (list.size() - at - kHeaderBytes < bytes)
            return std::nullopt;
        const auto whole = list.subspan(at, kHeaderBytes + bytes);
        all.push_back({opcodeNumber(whole, 0), opcodeNumber(whole, 8), whole, whole.subspan(kHeaderBytes)});
        at += whole.size();
    }
    return all;
}

std::vector<std::byte> opcodeList(std::span<const std::vector<std::byte>> entries)
{
    std::vector<std::byte> out;
    if (entries.empty())
        return out;
    for (int shift = 24; shift >= 0; shift -= 8)
        out.push_back(std::byte(entries.size() >> shift & 0xff));
    for (const auto &e : entries)
        out.insert(out.end(), e.begin(), e.end());
    return out;
}

Status takeDescribed(Frame &frame, SourceTags &tags, const RunContext &run)
{
    auto shading = std::make_shared<Shading>(frame.active);
    std::set<std::string> leftOut;
    int overAll = 0;
    for (const uint16_t tag : {TagOpcodeList1, TagOpcodeList2, TagOpcodeList3}) {
        const TiffEntry *found = tags.raw.find(tag);
        if (!found)
            continue;
        const std::vector<std::byte> bytes = found->bytes;
        const auto all = opcodesIn(bytes);
        if (!all) {
            frame.warnings.push_back(sentence("One of the file's lists of corrections cannot be read and is not shown."));
            continue;
        }
        size_t applied = 0; // of the second list: all up to the last curve
        if (tag == TagOpcodeList2)
            for (size_t i = 0; i < all->size(); ++i)
                if (isCurveOrLine((*all)[i].id))
                    applied = i + 1;
        if (applied > 0) {
            LinearSamples samples(frame, run);
            for (size_t i = 0; i < applied && samples.done(); ++i)
                if (++overAll > kMostOverAll || !samples.apply((*all)[i]))
                    leftOut.insert(opcodeName((*all)[i].id));
            if (samples.done())
                samples.store();
            if (const Status s = samples.done(); !s)
                return s;
            tellLevels(frame.levels, tags.raw);
            std::vector<std::vector<std::byte>> rest;
            for (size_t i = applied; i < all->size(); ++i)
                rest.emplace_back((*all)[i].whole.begin(), (*all)[i].whole.end());
            rest.empty() ? tags.raw.erase(tag) : tags.raw.setBytes(tag, TiffUndefined, opcodeList(rest));
            frame.warnings.push_back(sentence("The file describes a curve or lines over its samples; they were applied on reading, and a DNG made of it holds linear samples."));
        }
        for (size_t i = applied; i < all->size(); ++i) {
            const Opcode &o = (*all)[i];
            bool understood = false;
            if (o.id != OpcodeWarpRectilinear && o.id != OpcodeWarpFisheye && ++overAll > kMostOverAll) {
                leftOut.insert(opcodeName(o.id));
                continue;
            }
            if (o.id == OpcodeGainMap && tag != TagOpcodeList1) {
                if (auto map = mapFrom(o, frame.active)) {
                    map->ofColours = tag == TagOpcodeList3;
                    shading->add(std::move(*map));
                    understood = true;
                }
            } else if (o.id == OpcodeFixVignetteRadial && tag != TagOpcodeList1) {
                if (const auto radial = radialFrom(o)) {
                    shading->add(*radial);
                    understood = true;
                }
            } else if ((o.id == OpcodeWarpRectilinear || o.id == OpcodeWarpFisheye) && tag == TagOpcodeList3 && !frame.warp) {
                if (const auto warp = warpFrom(o)) {
                    frame.warp = std::make_shared<const DescribedWarp>(*warp);
                    understood = true;
                }
            } else if (o.id == OpcodeFixBadPixelsList && frame.kind == FrameKind::Mosaic) {
                understood = listBad(o, frame);
            } else if (o.id == OpcodeFixBadPixelsConstant && frame.kind == FrameKind::Mosaic) {
                understood = listConstant(o, frame);
            }
            if (!understood)
                leftOut.insert(opcodeName(o.id));
        }
    }
    std::sort(frame.badPixels.begin(), frame.badPixels.end(), PixelAt::byRow);
    frame.badPixels.erase(std::unique(frame.badPixels.begin(), frame.badPixels.end()), frame.badPixels.end());
    if (!shading->isEmpty())
        frame.shading = std::move(shading);
    if (!leftOut.empty()) {
        std::string names;
        for (const std::string &name : leftOut)
            names += (names.empty() ? "" : ", ") + name;
        frame.warnings.push_back(sentence("The file describes corrections that are kept in a DNG but not shown: %1.", {names}));
    }
    return {};
}

} // namespace irenic
