// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/six_by_six.h"

#include "base/parallel.h"
#include "law/noise_law.h"
#include "raw/dng_reader.h"

#include <libraw/libraw.h>

#include <atomic>
#include <cmath>
#include <cstdlib>

namespace irenic {

namespace {

constexpr int kSide = 6;
constexpr int kNeighbours = 6;
constexpr float kBadSigma = 7; ///< from the median of its colour around
// LibRaw refuses less than 512 pixels, and works in tiles of 512 that leave seams where they meet: so it is given one such tile at a
// time, of which the middle is used. Its corner and its halo count whole patterns.
constexpr int kTilePx = 512, kCorePx = 438, kHaloPx = 36;
constexpr float kLightSigma = 3; ///< mean excess of the four direct neighbours, in sigma of it, that means real light

/// The nearest index of the same phase that is inside; size >= 6.
int inside(int i, int size)
{
    return i < 0 ? i + (kSide - 1 - i) / kSide * kSide : i < size ? i
                                                                  : i - (i - size + kSide) / kSide * kSide;
}

/// Where the nearest samples of the same colour lie, by place in the pattern.
using Neighbours = std::array<std::array<PixelAt, kNeighbours>, 36>;

uint8_t colourAt(const SixBySixPattern &p, int x, int y)
{
    const auto wrap = [](int i) { return ((i % kSide) + kSide) % kSide; };
    return p[size_t(wrap(y) * kSide + wrap(x))];
}

Neighbours neighboursOf(const SixBySixPattern &p)
{
    Neighbours all{};
    for (int y = 0; y < kSide; ++y)
        for (int x = 0; x < kSide; ++x) {
            std::vector<PixelAt> around;
            for (int dy = -3; dy <= 3; ++dy)
                for (int dx = -3; dx <= 3; ++dx)
                    if ((dx || dy) && colourAt(p, x + dx, y + dy) == colourAt(p, x, y))
                        around.push_back({dx, dy});
            std::stable_sort(around.begin(), around.end(), [](PixelAt a, PixelAt b) { return a.x * a.x + a.y * a.y < b.x * b.x + b.y * b.y; });
            std::copy_n(around.begin(), std::min<size_t>(kNeighbours, around.size()), all[size_t(y * kSide + x)].begin());
        }
    return all;
}

/// Signals of the mosaic, and what they become where a pixel is bad: the median of their colour around.
class Mender
{
public:
    Mender(const SixBySixMosaic &m, std::vector<NoiseModel> law) : m_pattern(m.pattern), m_law(std::move(law)), m_neighbours(neighboursOf(m.pattern)), m_signal({m.active.width, m.active.height})
    {
        for (int y = 0; y < m.active.height; ++y)
            for (int x = 0; x < m.active.width; ++x) {
                const float black = m.black[colourAt(m.pattern, x, y)];
                m_signal.at(x, y) = (float(m.active.at(x, y)) - black) / (m.white - black);
            }
    }

    float mended(int x, int y) const
    {
        const float here = m_signal.at(x, y);
        const auto around = neighbours(x, y);
        const auto [least, most] = std::minmax_element(around.begin(), around.end());
        if (here >= *least && here <= *most)
            return here;
        const float middle = medianOf(around), excess = here - middle;
        if (std::abs(excess) < kBadSigma * sigmaAt(x, y, middle))
            return here;
        // Light of a point, or its lack, shows in the neighbours as well, whatever their colours.
        float sum = 0, variance = 0;
        static constexpr int steps[4][2] = {{1, 0}, {-1, 0}, {0, 1}, {0, -1}};
        for (const auto &[dx, dy] : steps) {
            const int u = inside(x + dx, m_signal.width()), v = inside(y + dy, m_signal.height());
            const float level = medianOf(neighbours(u, v)), s = sigmaAt(u, v, level);
            sum += (m_signal.at(u, v) - level) * (excess > 0 ? 1.f : -1.f);
            variance += 1.3f * s * s;
        }
        return sum > kLightSigma * std::sqrt(variance) ? here : middle;
    }

private:
    std::array<float, kNeighbours> neighbours(int x, int y) const
    {
        const auto &at = m_neighbours[size_t(y % kSide * kSide + x % kSide)];
        std::array<float, kNeighbours> v;
        for (size_t i = 0; i < v.size(); ++i)
            v[i] = m_signal.at(inside(x + at[i].x, m_signal.width()), inside(y + at[i].y, m_signal.height()));
        return v;
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

Result<std::vector<NoiseModel>> lawOf(const SixBySixMosaic &m, const RunContext &run)
{
    const auto value = [&m](int x, int y, size_t c) { return (float(m.active.at(x, y)) - m.black[c]) / (m.white - m.black[c]); };
    const double step = 1.0 / double(m.white - m.black[1]);
    const LawInput input{{0, 0, m.active.width, m.active.height}, QuadSampling::sixBySix(m.pattern), LawInput::each(value), step * step / 12, false, {}};
    Result<NoiseLaw> law = measureNoiseLaw(input, run);
    if (!law)
        return law.error();
    return std::move(law.value().cells);
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
        for (int y = 0; y < kSide; ++y)
            for (int x = 0; x < kSide; ++x)
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

} // namespace

bool isKnown(const SixBySixPattern &pattern)
{
    // Greens in blocks of four and alone, so that every row and column holds all colours; from wherever it is counted, and with red
    // and blue exchanged. LibRaw's interpolation relies on nothing else.
    for (int dy = 0; dy < kSide; ++dy)
        for (int dx = 0; dx < kSide; ++dx)
            for (const bool exchanged : {false, true}) {
                bool same = true;
                for (int y = 0; y < kSide && same; ++y)
                    for (int x = 0; x < kSide && same; ++x) {
                        const uint8_t c = colourAt(kBenchSixBySix, x + dx, y + dy);
                        same = pattern[size_t(y * kSide + x)] == (exchanged ? 2 - c : c);
                    }
                if (same)
                    return true;
            }
    return false;
}

Status demosaicInto(Frame &frame, const SixBySixMosaic &m, const RunContext &run)
{
    const Size size{m.active.width, m.active.height};
    Result<std::vector<NoiseModel>> law = lawOf(m, stage(run, 0, 0.2));
    if (!law)
        return law.error();
    const Mender mender(m, law.take());
    // Balanced, so that colours compare; with room below black for the deepest noise, and above for the strongest gain.
    const double largest = std::max({m.neutral[0], m.neutral[1], m.neutral[2]});
    std::array<float, 3> gain;
    for (size_t c = 0; c < 3; ++c)
        gain[c] = float(largest / m.neutral[c]);
    const float most = *std::max_element(gain.begin(), gain.end());
    const float room = *std::max_element(m.black.begin(), m.black.end()) / (m.white - *std::max_element(m.black.begin(), m.black.end()));
    const float scale = 65535.f / (most * (1 + 2 * room)), zero = room * most * scale;
    frame.kind = FrameKind::Linear;
    frame.pattern = "six by six";
    frame.active = frame.crop = {0, 0, size.width, size.height};
    frame.levels = {};
    // One scale for all: what 16 bits hold of white, with the same room below black.
    const float stored = 65535 / (1 + 2 * room);
    frame.levels.black.assign(3, std::round(room * stored));
    frame.levels.white = std::round(frame.levels.black[0] + stored);
    const float range = frame.levels.white - frame.levels.black[0];
    frame.samples.reset({size.width * 3, size.height});
    // What LibRaw is given: mended, balanced, with room below black.
    Plane<uint16_t> whole(size);
    const Status mended = parallelFor(size.height, stage(run, 0.2, 0.4), [&](int y) {
        for (int x = 0; x < size.width; ++x)
            whole.at(x, y) = uint16_t(std::clamp(std::lround(mender.mended(x, y) * gain[colourAt(m.pattern, x, y)] * scale + zero), 0l, 65535l));
    });
    if (!mended)
        return mended;
    std::atomic<bool> failed = false;
    const int across = (size.width + kCorePx - 1) / kCorePx, down = (size.height + kCorePx - 1) / kCorePx;
    const Status done = parallelFor(across * down, stage(run, 0.4, 1), [&](int i) {
        const Rect core = Rect{i % across * kCorePx, i / across * kCorePx, kCorePx, kCorePx}.intersected({0, 0, size.width, size.height});
        Interpolator interpolator({kTilePx, kTilePx}, m.pattern);
        for (int y = 0; y < kTilePx; ++y) {
            const uint16_t *row = whole.row(inside(core.y - kHaloPx + y, size.height));
            for (int x = 0; x < kTilePx; ++x) // the tile's corner counts whole patterns
                interpolator.pixel(x, y)[colourAt(m.pattern, x, y)] = row[inside(core.x - kHaloPx + x, size.width)];
        }
        failed = !interpolator.run() || failed;
        for (int y = core.y; y < core.bottom(); ++y)
            for (int x = core.x; x < core.right(); ++x) {
                const ushort *rgb = interpolator.pixel(x - core.x + kHaloPx, y - core.y + kHaloPx);
                for (size_t c = 0; c < 3; ++c)
                    frame.samples.at(x * 3 + int(c), y) =
                        uint16_t(std::clamp(std::lround((float(rgb[c]) - zero) / (gain[c] * scale) * range + frame.levels.black[0]), 0l, 65535l));
            }
    });
    if (!done)
        return done;
    if (failed)
        return fileError(ErrorCode::Unsupported, frame.file, "has a six-by-six pattern that could not be demosaiced");
    return {};
}

} // namespace irenic
