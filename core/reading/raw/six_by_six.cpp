// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/six_by_six.h"

#include "base/parallel.h"
#include "base/random.h"
#include "irenic/noise.h"
#include "irenic/parameter.h"
#include "law/noise_law.h"
#include "law/patch_floor.h"
#include "raw/dng_reader.h"

#include <libraw/libraw.h>

#include <atomic>
#include <cmath>

namespace irenic {

namespace {

constexpr int kPeriod = 6;
constexpr int kNeighbours = 6;
constexpr float kBadSigma = 7;    ///< from the median of its colour around
constexpr float kBeyondSigma = 4; ///< from the next of its colour around
constexpr float kBeyondRange = 1; ///< times what its colour spans around
constexpr float kBeyondPeers = 4; ///< times what the most of the 24 around stands out of its own colour
// LibRaw refuses less than 512 pixels, and works in tiles of 512 that leave seams where they meet: so it is given one such tile at a
// time, of which the middle is used. Its corner and its halo count whole patterns.
constexpr int kTilePx = 512, kCorePx = 438, kHaloPx = 36;
constexpr float kLightSigma = 3; ///< mean excess of the four direct neighbours, in sigma of it, that means real light

/// The nearest index of the same phase that is inside; size >= 6.
int inside(int i, int size)
{
    return i < 0 ? i + (kPeriod - 1 - i) / kPeriod * kPeriod : i < size ? i
                                                                        : i - (i - size + kPeriod) / kPeriod * kPeriod;
}

/// Where the nearest samples of the same colour lie, by place in the pattern.
using Neighbours = std::array<std::array<PixelAt, kNeighbours>, 36>;

uint8_t colourAt(const SixBySixPattern &p, int x, int y)
{
    const auto wrap = [](int i) { return ((i % kPeriod) + kPeriod) % kPeriod; };
    return p[size_t(wrap(y) * kPeriod + wrap(x))];
}

Neighbours neighboursOf(const SixBySixPattern &p)
{
    Neighbours all{};
    for (int y = 0; y < kPeriod; ++y)
        for (int x = 0; x < kPeriod; ++x) {
            std::vector<PixelAt> around;
            for (int dy = -3; dy <= 3; ++dy)
                for (int dx = -3; dx <= 3; ++dx)
                    if ((dx || dy) && colourAt(p, x + dx, y + dy) == colourAt(p, x, y))
                        around.push_back({dx, dy});
            std::stable_sort(around.begin(), around.end(), [](PixelAt a, PixelAt b) { return a.x * a.x + a.y * a.y < b.x * b.x + b.y * b.y; });
            std::copy_n(around.begin(), std::min<size_t>(kNeighbours, around.size()), all[size_t(y * kPeriod + x)].begin());
        }
    return all;
}

float signalAt(const SixBySixMosaic &m, int x, int y)
{
    const float black = m.black[colourAt(m.pattern, x, y)];
    return (float(m.active.at(x, y)) - black) / (m.white - black);
}

/// Signals of the mosaic, and what they become where a pixel is bad: the median of their colour around.
class Mender
{
public:
    Mender(const SixBySixMosaic &m, std::vector<NoiseModel> law) : m_pattern(m.pattern), m_law(std::move(law)), m_neighbours(neighboursOf(m.pattern)), m_signal({m.active.width, m.active.height})
    {
        for (int y = 0; y < m.active.height; ++y)
            for (int x = 0; x < m.active.width; ++x)
                m_signal.at(x, y) = signalAt(m, x, y);
    }

    float signal(int x, int y) const { return m_signal.at(x, y); }

    /// Replaces the samples of bad pixels; answers where. Fails only with Cancelled.
    Result<std::vector<PixelAt>> mend(const RunContext &run)
    {
        using Mended = std::pair<PixelAt, float>;
        const auto found = gathered<Mended>(m_signal.height(), run, [&](int y, std::vector<Mended> &row) {
            for (int x = 0; x < m_signal.width(); ++x)
                if (const auto other = mended(x, y))
                    row.push_back({{x, y}, *other});
        });
        if (!found)
            return found.error();
        std::vector<PixelAt> all;
        for (const auto &[at, other] : found.value()) {
            m_signal.at(at.x, at.y) = other;
            all.push_back(at);
        }
        return all;
    }

private:
    /// What stands in the place of a bad pixel; empty where it is none.
    std::optional<float> mended(int x, int y) const
    {
        const float here = m_signal.at(x, y);
        const auto around = neighbours(x, y);
        const auto [least, most] = std::minmax_element(around.begin(), around.end());
        if (here >= *least && here <= *most)
            return {};
        const float middle = medianOf(around), excess = here - middle, sigma = sigmaAt(x, y, middle);
        // Detail stands out, too, but not far beyond what lies around it.
        const float beyond = here > *most ? here - *most : *least - here;
        if (std::abs(excess) < kBadSigma * sigma || beyond < kBeyondSigma * sigma || beyond < kBeyondRange * (*most - *least))
            return {};
        // Light of a point, or its lack, shows in the neighbours as well, whatever their colours; and where there is sharp detail, others stand out, too.
        float light = 0, peers = 0;
        for (int v = y - 2; v <= y + 2; ++v)
            for (int u = x - 2; u <= x + 2; ++u) {
                if (u == x && v == y)
                    continue;
                const float z = standsOut(inside(u, m_signal.width()), inside(v, m_signal.height()));
                if (std::abs(u - x) + std::abs(v - y) == 1)
                    light += (excess > 0 ? z : -z) / 2;
                peers = std::max(peers, std::abs(z));
            }
        if (light > kLightSigma || std::abs(excess) < kBeyondPeers * peers * sigma)
            return {};
        return middle;
    }

    std::array<float, kNeighbours> neighbours(int x, int y) const
    {
        const auto &at = m_neighbours[size_t(y % kPeriod * kPeriod + x % kPeriod)];
        std::array<float, kNeighbours> v;
        for (size_t i = 0; i < v.size(); ++i)
            v[i] = m_signal.at(inside(x + at[i].x, m_signal.width()), inside(y + at[i].y, m_signal.height()));
        return v;
    }
    /// Over the median of its colour around, in sigma of the difference.
    float standsOut(int x, int y) const
    {
        constexpr float kOfDifference = 1.14f; // the median of six has an error, too
        const float level = medianOf(neighbours(x, y));
        return (m_signal.at(x, y) - level) / (kOfDifference * sigmaAt(x, y, level));
    }
    static float medianOf(std::array<float, kNeighbours> v)
    {
        std::sort(v.begin(), v.end());
        return (v[kNeighbours / 2 - 1] + v[kNeighbours / 2]) / 2;
    }
    float sigmaAt(int x, int y, float level) const { return m_law[colourAt(m_pattern, x, y)].sigmaAt(level); }

    SixBySixPattern m_pattern;
    std::vector<NoiseModel> m_law;
    Neighbours m_neighbours;
    Plane<float> m_signal;
};

/// As of a two-by-two mosaic: from squares of one colour, then below the texture.
Result<FlooredLaw> lawOf(const SixBySixMosaic &m, const RunContext &run)
{
    const Rect area{0, 0, m.active.width, m.active.height};
    const double step = 1.0 / double(m.white - m.black[1]), rounding = step * step / 12;
    const LawInput input{area, QuadSampling::sixBySix(m.pattern), LawInput::each([&m](int x, int y, size_t) { return signalAt(m, x, y); }), rounding, false, {}};
    const Result<NoiseLaw> law = measureNoiseLaw(input, stage(run, 0, 0.5));
    if (!law)
        return law.error();
    PatchInput patches{area, PatchSampling::sixBySix(m.pattern), {}, {}, {}};
    patches.values = [&m](PixelAt corner, float *linear) {
        for (int y = corner.y; y < corner.y + kPeriod; ++y)
            for (int x = corner.x; x < corner.x + kPeriod; ++x)
                *linear++ = signalAt(m, x, y);
    };
    Result<std::optional<FlooredLaw>> lowered = loweredToFloor(patches, law.value().cells, rounding, {}, stage(run, 0.5, 1));
    if (!lowered)
        return lowered.error();
    return lowered.value() ? *lowered.value() : FlooredLaw{law.value().cells, law.value().confidence};
}

/// LibRaw's interpolation on samples in memory: its own reading and scaling are passed by.
class Interpolator : public LibRaw
{
public:
    Interpolator(Size size, const SixBySixPattern &pattern) : m_pixels(size_t(size.area()) * 4)
    {
        imgdata.sizes.width = imgdata.sizes.iwidth = imgdata.sizes.raw_width = ushort(size.width);
        imgdata.sizes.height = imgdata.sizes.iheight = imgdata.sizes.raw_height = ushort(size.height);
        imgdata.idata.filters = 9;
        imgdata.idata.colors = 3;
        for (int y = 0; y < kPeriod; ++y)
            for (int x = 0; x < kPeriod; ++x)
                imgdata.idata.xtrans[y][x] = char(colourAt(pattern, x, y));
        for (int i = 0; i < 3; ++i)
            imgdata.color.rgb_cam[i][i] = 1;
        imgdata.image = reinterpret_cast<ushort(*)[4]>(m_pixels.data());
    }
    ~Interpolator() override { imgdata.image = nullptr; } // ours, not LibRaw's
    ushort *pixel(int x, int y) { return imgdata.image[size_t(y) * imgdata.sizes.width + size_t(x)]; }
    bool run()
    {
        try {
            xtrans_interpolate(1);
            return true;
        } catch (...) { // LibRaw throws enumerators
            return false;
        }
    }

private:
    std::vector<ushort> m_pixels;
};

/// Mosaic to full colour, with levels of its own.
class Demosaicing
{
public:
    Demosaicing(const SixBySixMosaic &m, std::filesystem::path file) : m_file(std::move(file)), m_pattern(m.pattern)
    {
        // Balanced, so that colours compare; with room below black for the deepest noise, and above for the strongest gain.
        const double largest = std::max({m.neutral[0], m.neutral[1], m.neutral[2]});
        for (size_t c = 0; c < 3; ++c)
            m_gain[c] = float(largest / m.neutral[c]);
        const float most = *std::max_element(m_gain.begin(), m_gain.end()), black = *std::max_element(m.black.begin(), m.black.end());
        const float room = black / (m.white - black);
        m_scale = 65535.f / (most * (1 + 2 * room));
        m_zero = room * most * m_scale;
        // One scale for all: what 16 bits hold of white, with the same room below black.
        const float stored = 65535 / (1 + 2 * room);
        m_black = std::round(room * stored);
        m_white = std::round(m_black + stored);
    }
    Levels levels() const
    {
        Levels l;
        l.black.assign(3, m_black);
        l.white = m_white;
        return l;
    }
    /// @param signal of a place of the mosaic
    /// Fails with Cancelled, or Unsupported where LibRaw gives up.
    template <class Signal>
    Result<Plane<uint16_t>> run(Size size, const Signal &signal, const RunContext &run) const
    {
        Plane<uint16_t> whole(size), colours({size.width * 3, size.height});
        const Status scaled = parallelFor(size.height, stage(run, 0, 0.3), [&](int y) {
            for (int x = 0; x < size.width; ++x)
                whole.at(x, y) = uint16_t(std::clamp(std::lround(signal(x, y) * m_gain[colourAt(m_pattern, x, y)] * m_scale + m_zero), 0l, 65535l));
        });
        if (!scaled)
            return scaled.error();
        std::atomic<bool> failed = false;
        const float range = m_white - m_black;
        const int across = (size.width + kCorePx - 1) / kCorePx, down = (size.height + kCorePx - 1) / kCorePx;
        const Status done = parallelFor(across * down, stage(run, 0.3, 1), [&](int i) {
            const Rect core = Rect{i % across * kCorePx, i / across * kCorePx, kCorePx, kCorePx}.intersected({0, 0, size.width, size.height});
            Interpolator interpolator({kTilePx, kTilePx}, m_pattern);
            for (int y = 0; y < kTilePx; ++y) {
                const uint16_t *row = whole.row(inside(core.y - kHaloPx + y, size.height));
                for (int x = 0; x < kTilePx; ++x) // the tile's corner counts whole patterns
                    interpolator.pixel(x, y)[colourAt(m_pattern, x, y)] = row[inside(core.x - kHaloPx + x, size.width)];
            }
            failed = !interpolator.run() || failed;
            for (int y = core.y; y < core.bottom(); ++y)
                for (int x = core.x; x < core.right(); ++x) {
                    const ushort *rgb = interpolator.pixel(x - core.x + kHaloPx, y - core.y + kHaloPx);
                    for (size_t c = 0; c < 3; ++c)
                        colours.at(x * 3 + int(c), y) = uint16_t(std::clamp(std::lround((float(rgb[c]) - m_zero) / (m_gain[c] * m_scale) * range + m_black), 0l, 65535l));
                }
        });
        if (!done)
            return done.error();
        if (failed)
            return fileError(ErrorCode::Unsupported, m_file, visible("has a six-by-six pattern that could not be demosaiced"));
        return colours;
    }

private:
    std::filesystem::path m_file; ///< for errors
    SixBySixPattern m_pattern;
    std::array<float, 3> m_gain{};
    float m_scale = 1, m_zero = 0, m_black = 0, m_white = 1;
};

/// The picture's tones, from dark to light, each in its mean colour: signals of red, green and blue.
std::vector<std::array<float, 3>> tonesOf(const SixBySixMosaic &m)
{
    constexpr int kTones = 48, kBlockPx = 2 * kPeriod, kMostBlocks = 40000;
    const int step = std::max(kBlockPx, int(std::sqrt(double(m.active.width) * m.active.height / kMostBlocks)) / kPeriod * kPeriod);
    std::vector<std::array<float, 3>> blocks;
    for (int y0 = 0; y0 + kBlockPx <= m.active.height; y0 += step)
        for (int x0 = 0; x0 + kBlockPx <= m.active.width; x0 += step) {
            std::array<float, 3> sum{}, count{};
            for (int y = y0; y < y0 + kBlockPx; ++y)
                for (int x = x0; x < x0 + kBlockPx; ++x) {
                    const size_t c = colourAt(m.pattern, x, y);
                    sum[c] += signalAt(m, x, y);
                    count[c] += 1;
                }
            for (size_t c = 0; c < 3; ++c)
                sum[c] /= count[c];
            if (std::max({sum[0], sum[1], sum[2]}) < kClipGuard)
                blocks.push_back(sum);
        }
    std::sort(blocks.begin(), blocks.end(), [](const auto &p, const auto &q) { return p[1] < q[1]; });
    std::vector<std::array<float, 3>> tones;
    const size_t count = std::min<size_t>(kTones, blocks.size());
    for (size_t t = 0; t < count; ++t) {
        const size_t first = t * blocks.size() / count, last = (t + 1) * blocks.size() / count;
        std::array<float, 3> mean{};
        for (size_t i = first; i < last; ++i)
            for (size_t c = 0; c < 3; ++c)
                mean[c] += std::max(blocks[i][c], 0.f) / float(last - first);
        tones.push_back(mean);
    }
    return tones;
}

/// NoiseBeforeColours::laidOver. `where` counts from the picture's corner, as the pattern does.
Result<Plane<float>> noiseLaidOver(const SixBySixPattern &pattern, const Demosaicing &demosaicing, const std::vector<NoiseModel> &law, Rect where, PlaneView<const float> signals, uint64_t seed, const RunContext &run)
{
    constexpr uint64_t kStream = 96; // of no other random number in the engine
    const auto before = [](int i) { return i - ((i % kPeriod) + kPeriod) % kPeriod; };
    const PixelAt corner{before(where.x), before(where.y)};
    const Size size{std::max(where.right() - corner.x, kPeriod), std::max(where.bottom() - corner.y, kPeriod)};
    const auto clean = [&](int x, int y) {
        const int sx = std::clamp(corner.x + x - where.x, 0, where.width - 1), sy = std::clamp(corner.y + y - where.y, 0, where.height - 1);
        return signals.at(3 * sx + colourAt(pattern, x, y), sy);
    };
    const Result<Plane<uint16_t>> without = demosaicing.run(size, clean, stage(run, 0, 0.5));
    const Result<Plane<uint16_t>> with = without ? demosaicing.run(
                                             size, [&](int x, int y) {
                                                 const float signal = clean(x, y);
                                                 return signal + law[colourAt(pattern, x, y)].sigmaAt(signal) * float(RandomAt(seed, kStream, corner.x + x, corner.y + y).gaussian());
                                             },
                                             stage(run, 0.5, 1))
                                                 : without.error();
    if (!with)
        return with.error();
    const Levels levels = demosaicing.levels();
    const float range = levels.white - levels.black[0];
    Plane<float> noise({3 * where.width, where.height});
    for (int y = 0; y < where.height; ++y)
        for (int i = 0; i < noise.width(); ++i) {
            const int at = 3 * (where.x - corner.x) + i, row = y + where.y - corner.y;
            noise.at(i, y) = (float(with.value().at(at, row)) - float(without.value().at(at, row))) / range;
        }
    return noise;
}

/// Puts the law into the frame, and what becomes of such noise when it is demosaiced.
Status keepNoiseOf(Frame &frame, const SixBySixMosaic &m, const FlooredLaw &law, std::vector<PixelAt> mended, const Demosaicing &demosaicing, const RunContext &run)
{
    const auto tones = tonesOf(m);
    if (tones.size() < 2)
        return {};
    constexpr Size kPicture{2 * kCorePx, 2 * kCorePx};
    // Tones run from the top to the bottom, so slowly that no step shows.
    const auto signal = [&](int x, int y) {
        const float at = float(y) / float(kPicture.height - 1) * float(tones.size() - 1);
        const size_t below = std::min(size_t(at), tones.size() - 2), c = colourAt(m.pattern, x, y);
        const float part = at - float(below), mean = tones[below][c] * (1 - part) + tones[below + 1][c] * part;
        return mean + law.cells[c].sigmaAt(mean) * float(RandomAt(0, 6, x, y).gaussian());
    };
    Result<Plane<uint16_t>> colours = demosaicing.run(kPicture, signal, run);
    if (!colours)
        return colours.error();
    auto alone = std::make_shared<Frame>(static_cast<const FrameFacts &>(frame));
    alone->active = alone->crop = {0, 0, kPicture.width, kPicture.height};
    alone->samples = colours.take();
    auto noise = std::make_shared<NoiseBeforeColours>();
    std::copy(law.cells.begin(), law.cells.end(), noise->law.begin());
    noise->confidence = law.confidence;
    noise->alone = std::move(alone);
    noise->laidOver = [pattern = m.pattern, demosaicing, cells = law.cells](Rect where, PlaneView<const float> signals, uint64_t seed, const RunContext &asked) {
        return noiseLaidOver(pattern, demosaicing, cells, where, signals, seed, asked);
    };
    noise->mended = std::move(mended);
    frame.beforeColours = std::move(noise);
    return {};
}

} // namespace

bool isKnown(const SixBySixPattern &pattern)
{
    // Greens in blocks of four and alone, so that every row and column holds all colours; from wherever it is counted, and with red
    // and blue exchanged. LibRaw's interpolation relies on nothing else.
    for (int dy = 0; dy < kPeriod; ++dy)
        for (int dx = 0; dx < kPeriod; ++dx)
            for (const bool exchanged : {false, true}) {
                bool same = true;
                for (int y = 0; y < kPeriod && same; ++y)
                    for (int x = 0; x < kPeriod && same; ++x) {
                        const uint8_t c = colourAt(kBenchSixBySix, x + dx, y + dy);
                        same = pattern[size_t(y * kPeriod + x)] == (exchanged ? 2 - c : c);
                    }
                if (same)
                    return true;
            }
    return false;
}

Status demosaicInto(Frame &frame, const SixBySixMosaic &m, const RunContext &run)
{
    const Size size{m.active.width, m.active.height};
    Result<FlooredLaw> law = lawOf(m, stage(run, 0, 0.25));
    if (!law)
        return law.error();
    const Demosaicing demosaicing(m, frame.file);
    frame.kind = FrameKind::Linear;
    frame.pattern = "six by six";
    frame.active = frame.crop = {0, 0, size.width, size.height};
    frame.levels = demosaicing.levels();
    Mender mender(m, law.value().cells);
    Result<std::vector<PixelAt>> bad = mender.mend(stage(run, 0.25, 0.4));
    if (!bad)
        return bad.error();
    Result<Plane<uint16_t>> colours = demosaicing.run(
        size, [&mender](int x, int y) { return mender.signal(x, y); }, stage(run, 0.4, 0.9));
    if (!colours)
        return colours.error();
    frame.samples = colours.take();
    return keepNoiseOf(frame, m, law.value(), bad.take(), demosaicing, stage(run, 0.9, 1));
}

} // namespace irenic
