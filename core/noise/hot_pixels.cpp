// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/hot_pixels.h"

#include "base/parallel.h"
#include "raw/linearizer.h"

namespace irenic {

namespace {

// Set on simulated frames: 97 % of pixels that are truly 8 sigma hot pass in calm surroundings.
constexpr float kHotSigma = 6.2f;       // above the median of its colour around
constexpr float kOverHighest = 4.2f;    // sigma above the highest of its colour around: a lone tail is not enough
constexpr float kOverActivity = 3.5f;   // times the mean unrest of the 5 x 5 around: texture is not hot
constexpr float kLightSigma = 3.0f;     // excess of the other colours around, in sigma, that means real light

class Detector
{
public:
    Detector(const Frame &frame, const std::array<NoiseModel, 4> &cells) : m_frame(frame), m_levels(frame), m_cells(cells) {}

    void row(int y, std::vector<PixelAt> &found) const
    {
        const Rect &a = m_frame.active;
        for (int x = a.x; x < a.right(); ++x)
            if (standsAlone(x, y) && isHot(x, y))
                found.push_back({x, y});
    }

private:
    uint16_t stored(int x, int y) const
    {
        const Rect &a = m_frame.active;
        return m_frame.samples.at(a.x + mirrored(x - a.x, a.width), a.y + mirrored(y - a.y, a.height));
    }
    float linear(int x, int y) const
    {
        const Rect &a = m_frame.active;
        return m_levels.linear(a.x + mirrored(x - a.x, a.width), a.y + mirrored(y - a.y, a.height));
    }
    /// The cheap test that all but a ninth of the samples fail.
    bool standsAlone(int x, int y) const
    {
        const uint16_t v = m_frame.samples.at(x, y);
        return v > stored(x - 2, y) && v > stored(x + 2, y) && v > stored(x, y - 2) && v > stored(x, y + 2)
            && v > stored(x - 2, y - 2) && v > stored(x + 2, y + 2) && v > stored(x + 2, y - 2) && v > stored(x - 2, y + 2);
    }
    bool isHot(int x, int y) const
    {
        const auto at = [this](int px, int py) { return linear(px, py); };
        const float median = mendedValue(at, x, y);
        const float sigma = m_cells[size_t((x & 1) + 2 * (y & 1))].sigmaAt(median);
        const float excess = linear(x, y) - median;
        if (excess < kHotSigma * sigma)
            return false;
        float highest = median;
        for (int dy = -2; dy <= 2; dy += 2)
            for (int dx = -2; dx <= 2; dx += 2)
                if (dx || dy)
                    highest = std::max(highest, linear(x + dx, y + dy));
        return linear(x, y) - highest > kOverHighest * m_cells[size_t((x & 1) + 2 * (y & 1))].sigmaAt(highest)
            && excess > kOverActivity * activity(x, y) && otherColoursExcess(x, y) < kLightSigma;
    }
    /// Mean absolute deviation of the 24 samples around from their own colours' medians.
    float activity(int x, int y) const
    {
        float sum = 0;
        for (int phase = 0; phase < 4; ++phase) {
            float v[9];
            int n = 0;
            for (int dy = -2 + (phase >> 1); dy <= 2; dy += 2)
                for (int dx = -2 + (phase & 1); dx <= 2; dx += 2)
                    if (dx || dy)
                        v[n++] = linear(x + dx, y + dy);
            std::sort(v, v + n);
            const float middle = (v[n / 2] + v[(n - 1) / 2]) / 2;
            for (int i = 0; i < n; ++i)
                sum += std::abs(v[i] - middle);
        }
        return sum / 24;
    }
    /// How far the four direct neighbours stand above their own colour further out, in sigma of that sum.
    float otherColoursExcess(int x, int y) const
    {
        float sum = 0, variance = 0;
        static constexpr int steps[4][2] = {{1, 0}, {-1, 0}, {0, 1}, {0, -1}};
        for (const auto &[dx, dy] : steps) {
            const int nx = x + dx, ny = y + dy;
            const float a = linear(nx + 2 * dx, ny + 2 * dy), b = linear(nx + 2 * dy, ny + 2 * dx), c = linear(nx - 2 * dy, ny - 2 * dx);
            const float around = std::max(std::min(a, b), std::min(std::max(a, b), c)); // the median: an edge nearby is not light
            const float sigma = m_cells[size_t((nx & 1) + 2 * (ny & 1))].sigmaAt(around);
            sum += linear(nx, ny) - around;
            variance += sigma * sigma * 1.45f; // one sample and a median of three
        }
        return sum / std::sqrt(std::max(variance, 1e-20f));
    }

    const Frame &m_frame;
    const Linearizer m_levels;
    const std::array<NoiseModel, 4> &m_cells;
};

} // namespace

Result<std::vector<PixelAt>> findHotPixels(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run)
{
    const Detector detector(frame, cells);
    std::vector<std::vector<PixelAt>> rows(size_t(frame.active.height));
    const Status done = parallelFor(frame.active.height, run,
                                    [&](int i) { detector.row(frame.active.y + i, rows[size_t(i)]); });
    if (!done)
        return done.error();
    std::vector<PixelAt> all;
    for (const auto &row : rows)
        all.insert(all.end(), row.begin(), row.end());
    return all;
}

} // namespace irenic
