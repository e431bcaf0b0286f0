// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/hot_pixels.h"

#include "base/parallel.h"
#include "frame/linearizer.h"

#include <functional>

namespace irenic {

namespace {

// Set on simulated frames: 95 % of pixels that are truly 8 sigma hot pass in calm surroundings; of fine detail, one in 14,000 samples at most.
constexpr float kHotSigma = 6.2f;    // from the median of its colour around
constexpr float kOverNext = 4.2f;    // sigma beyond the next of its colour around: a lone tail is not enough
constexpr float kOverPeers = 2.5f;   // times what samples of its colour nearby stand out by: where many do, it is texture, or noise larger than the law says
constexpr int kPeersReach = 4;       // of its colour, either way
constexpr size_t kPeersLeftOut = 2;  // the largest, which may be bad themselves
constexpr float kOverActivity = 8.f; // times the mean unrest of the 5 x 5 around: texture is not hot
// Excess of the other colours around that means real light, or an edge: in sigma, and as a share of what stands out.
constexpr float kLightSigma = 3.0f, kSurelyDark = 1.5f, kLightShare = 0.15f;
// One of a pair has a neighbour that is bad too. Light of that strength would show in the other three, too.
constexpr float kPairSigma = 16.f, kPartnerSigma = 8.f, kPairLightSigma = 2.f;

constexpr float kSuspectSigma = 3.5f; // of noise alone, one sample in some 3,000 stands out so far
constexpr int kSuspectsPer = 500;     // samples one at the most
constexpr float kKnownSigma = 2.f;    // where a pixel known to be bad shows
constexpr int kEnoughFrames = 4;      // comparable ones, from which on a pixel that never stood out is not bad

class Detector
{
public:
    Detector(const Frame &frame, const std::array<NoiseModel, 4> &cells) : m_frame(frame), m_levels(frame), m_cells(cells)
    {
        // What the dark's noise alone asks for, in stored numbers: nothing that passes isBad() lies closer to the next of its colour.
        const bool plain = frame.levels.deltaRow.empty() && frame.levels.deltaColumn.empty();
        for (int cell = 0; cell < 4; ++cell)
            m_least[size_t(cell)] = plain ? int(0.99f * kOverNext * cells[size_t(cell)].sigmaAt(0) * m_levels.range(cell & 1, cell >> 1)) : 0;
    }

    void row(int y, std::vector<PixelAt> &found) const
    {
        everyOutstanding(y, m_least, [&](int x, int sign) {
            if (isBad(x, y, sign))
                found.push_back({x, y});
        });
    }

    struct Graded {
        Suspect suspect;
        float grade; ///< by how far it stands out, of what its peers do
    };
    void suspects(int y, std::vector<Graded> &found) const
    {
        everyOutstanding(y, {}, [&](int x, int sign) {
            if (const float by = float(sign) * standsOutBy(x, y); by > kSuspectSigma) {
                // Among others that stand out as far it is one more detail.
                const float peers = peersStandOut(x, y, sign) / std::max(sigmaAt(x, y, linear(x, y)), 1e-10f);
                found.push_back({{{x, y}, sign < 0}, by / std::max(peers, 1.f)});
            }
        });
    }

    /// From the median of its colour around, in sigma of the noise there.
    float standsOutBy(int x, int y) const
    {
        const float median = mendedValue([this](int px, int py) { return linear(px, py); }, x, y);
        return (linear(x, y) - median) / std::max(sigmaAt(x, y, median), 1e-10f);
    }

private:
    /// Of a row, what the cheap test leaves: `take(x, sign)` at most once a sample.
    template <class Take>
    void everyOutstanding(int y, const std::array<int, 4> &leasts, const Take &take) const
    {
        const Rect &a = m_frame.active;
        const bool inner = y >= a.y + 2 && y < a.bottom() - 2;
        const uint16_t *rows[3] = {inner ? m_frame.samples.row(y - 2) : nullptr, m_frame.samples.row(y), inner ? m_frame.samples.row(y + 2) : nullptr};
        for (int x = a.x; x < a.right(); ++x) {
            const int least = leasts[size_t((x & 1) + 2 * (y & 1))];
            const auto standsOut = [&](int sign) {
                return inner && x >= a.x + 2 && x < a.right() - 2 ? outstanding(sign, least, rows[1][x], [&](int dx, int dy) { return int(rows[1 + dy / 2][x + dx]); })
                                                                  : outstanding(sign, least, rows[1][x], [&](int dx, int dy) { return int(stored(x + dx, y + dy)); });
            };
            if (standsOut(1))
                take(x, 1);
            else if (standsOut(-1))
                take(x, -1);
        }
    }
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
    /// The cheap test that nearly all samples fail: above (sign 1) or below (-1) seven of its colour's eight neighbours, by `least`.
    template <class Neighbour>
    static bool outstanding(int sign, int least, int value, const Neighbour &neighbour)
    {
        static constexpr int steps[8][2] = {{-2, 0}, {2, 0}, {0, -2}, {0, 2}, {-2, -2}, {2, 2}, {2, -2}, {-2, 2}};
        const int v = sign * value - least;
        int others = 0;
        for (const auto &[dx, dy] : steps)
            if (v <= sign * neighbour(dx, dy) && ++others > 1)
                return false;
        return true;
    }
    float sigmaAt(int x, int y, float signal) const { return m_cells[size_t((x & 1) + 2 * (y & 1))].sigmaAt(signal); }
    /// Hot (sign 1) or dead (-1); what is stuck at a value is one or the other by its surroundings.
    bool isBad(int x, int y, int sign) const
    {
        const auto at = [this](int px, int py) { return linear(px, py); };
        const float median = mendedValue(at, x, y), here = linear(x, y), excess = float(sign) * (here - median);
        const float sigma = sigmaAt(x, y, median);
        if (excess < kHotSigma * sigma)
            return false;
        std::array<float, 8> around; // of its colour, times the sign, rising
        size_t n = 0;
        for (int dy = -2; dy <= 2; dy += 2)
            for (int dx = -2; dx <= 2; dx += 2)
                if (dx || dy)
                    around[n++] = float(sign) * linear(x + dx, y + dy);
        std::sort(around.begin(), around.end());
        const auto beyond = [&](float from) { return float(sign) * here - from > kOverNext * sigmaAt(x, y, float(sign) * from); };
        const bool strong = excess > kPairSigma * sigma;
        const bool partnerOfItsColour = strong && around[7] - around[6] > kPartnerSigma * sigmaAt(x, y, float(sign) * around[6]);
        if (!beyond(partnerOfItsColour ? around[6] : around[7]))
            return false;
        return excess > kOverActivity * activity(x, y) && !showsLight(x, y, sign, strong, excess) && excess > kOverPeers * peersStandOut(x, y, sign);
    }
    /// By how much the samples of its colour nearby stand out from their own eight neighbours; the largest left out.
    float peersStandOut(int x, int y, int sign) const
    {
        const auto at = [this](int px, int py) { return linear(px, py); };
        std::array<float, (2 * kPeersReach + 1) * (2 * kPeersReach + 1)> out;
        size_t n = 0;
        for (int dy = -kPeersReach; dy <= kPeersReach; ++dy)
            for (int dx = -kPeersReach; dx <= kPeersReach; ++dx)
                if (std::max(std::abs(dx), std::abs(dy)) > 1) // its neighbours have it among theirs
                    out[n++] = float(sign) * (linear(x + 2 * dx, y + 2 * dy) - mendedValue(at, x + 2 * dx, y + 2 * dy));
        std::nth_element(out.begin(), out.begin() + kPeersLeftOut, out.begin() + ptrdiff_t(n), std::greater<>());
        return out[kPeersLeftOut];
    }
    /// Mean absolute deviation of the 24 samples around from their own colours' medians; the largest left out, since a partner may be
    /// among them.
    float activity(int x, int y) const
    {
        float sum = 0, largest = 0;
        for (int phase = 0; phase < 4; ++phase) {
            float v[9];
            int n = 0;
            for (int dy = -2 + (phase >> 1); dy <= 2; dy += 2)
                for (int dx = -2 + (phase & 1); dx <= 2; dx += 2)
                    if (dx || dy)
                        v[n++] = linear(x + dx, y + dy);
            std::sort(v, v + n);
            const float middle = (v[n / 2] + v[(n - 1) / 2]) / 2;
            for (int i = 0; i < n; ++i) {
                sum += std::abs(v[i] - middle);
                largest = std::max(largest, std::abs(v[i] - middle));
            }
        }
        return (sum - largest) / 23;
    }
    /// True where the four direct neighbours lie to the same side of their own colours further out, by more than noise does, or by a part of what
    /// stands out that a lens would have spread there. Of a strong one, one neighbour may be bad as well; then the other three must be all the quieter.
    bool showsLight(int x, int y, int sign, bool strong, float standsOut) const
    {
        float sum = 0, variance = 0, most = 0, excessOfMost = 0, varianceOfMost = 0;
        static constexpr int steps[4][2] = {{1, 0}, {-1, 0}, {0, 1}, {0, -1}};
        for (const auto &[dx, dy] : steps) {
            const int nx = x + dx, ny = y + dy;
            const float a = linear(nx + 2 * dx, ny + 2 * dy), b = linear(nx + 2 * dy, ny + 2 * dx), c = linear(nx - 2 * dy, ny - 2 * dx);
            const float around = std::max(std::min(a, b), std::min(std::max(a, b), c)); // the median: an edge nearby is not light
            const float sigma = sigmaAt(nx, ny, around), excess = float(sign) * (linear(nx, ny) - around);
            const float v = sigma * sigma * 1.45f; // one sample and a median of three
            sum += excess;
            variance += v;
            if (excess > most * sigma) {
                most = excess / std::max(sigma, 1e-10f);
                excessOfMost = excess;
                varianceOfMost = v;
            }
        }
        const auto inSigma = [](float e, float v) { return e / std::sqrt(std::max(v, 1e-20f)); };
        const float sd = std::sqrt(variance);
        if (sum < std::min(kLightSigma * sd, kSurelyDark * sd + kLightShare * standsOut))
            return false;
        return !(strong && most > kPartnerSigma && inSigma(sum - excessOfMost, variance - varianceOfMost) < kPairLightSigma);
    }

    const Frame &m_frame;
    const Linearizer m_levels;
    const std::array<NoiseModel, 4> &m_cells;
    std::array<int, 4> m_least{};
};

} // namespace

Result<std::vector<PixelAt>> findHotPixels(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run, const KnownCamera &known)
{
    const Detector detector(frame, cells);
    std::vector<std::vector<PixelAt>> rows(size_t(frame.active.height));
    const Status done = parallelFor(frame.active.height, run,
                                    [&](int i) { detector.row(frame.active.y + i, rows[size_t(i)]); });
    if (!done)
        return done.error();
    std::vector<PixelAt> all;
    for (const auto &row : rows)
        std::copy_if(row.begin(), row.end(), std::back_inserter(all), [&](const PixelAt &p) {
            return known.comparableFrames < kEnoughFrames || std::binary_search(known.stoodOut.begin(), known.stoodOut.end(), p, PixelAt::byRow);
        });
    const ptrdiff_t found = ptrdiff_t(all.size());
    const Rect &a = frame.active;
    std::copy_if(known.bad.begin(), known.bad.end(), std::back_inserter(all), [&](const PixelAt &p) {
        return a.contains({p.x, p.y, 1, 1}) && std::abs(detector.standsOutBy(p.x, p.y)) > kKnownSigma;
    });
    std::inplace_merge(all.begin(), all.begin() + found, all.end(), PixelAt::byRow);
    all.erase(std::unique(all.begin(), all.end()), all.end());
    return all;
}

Result<std::vector<Suspect>> findSuspects(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run)
{
    const Detector detector(frame, cells);
    std::vector<std::vector<Detector::Graded>> rows(size_t(frame.active.height));
    const Status done = parallelFor(frame.active.height, run,
                                    [&](int i) { detector.suspects(frame.active.y + i, rows[size_t(i)]); });
    if (!done)
        return done.error();
    std::vector<Detector::Graded> all;
    for (const auto &row : rows)
        all.insert(all.end(), row.begin(), row.end());
    const size_t most = size_t(frame.active.size().area() / kSuspectsPer);
    float least = 0;
    if (all.size() > most) {
        std::vector<float> grades;
        for (const auto &g : all)
            grades.push_back(g.grade);
        std::nth_element(grades.begin(), grades.begin() + ptrdiff_t(most), grades.end(), std::greater<>());
        least = grades[most];
    }
    std::vector<Suspect> suspects;
    for (const auto &g : all)
        if (g.grade > least)
            suspects.push_back(g.suspect);
    return suspects;
}

} // namespace irenic
