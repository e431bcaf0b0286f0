// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/hot_pixels.h"

#include "base/parallel.h"
#include "frame/linearizer.h"

#include <functional>
#include <limits>
#include <optional>
#include <span>

namespace irenic {

namespace {

// What a candidate must show at the least: it stands out by so many sigma from the median of its colour around, ...
constexpr float kHotSigma = 6.2f;
constexpr float kOverNext = 4.2f;      // ... and sigma from the next of its colour around: a lone tail is not enough,
constexpr float kOverActivity = 4.f;   // ... times the mean unrest of the 5 x 5 around,
constexpr float kOverPeers = 1.5f;     // ... times what samples of its colour nearby stand out by
constexpr float kMostLightSigma = 5.f; // and its neighbours of other colours no more than so far
constexpr int kPeersReach = 4;         // of its colour, either way
constexpr size_t kPeersLeftOut = 2;    // the largest, which may be bad themselves
constexpr int kUnrestReach = 8;        // likewise
constexpr float kUnrestShare = 0.95f;  // of the samples, that stand out less

// Log-odds that a candidate is bad: a logistic regression on 16,055 candidates, of which 18 % were bad, in 19 photographs of python3-skimage at
// ISO 100 to 25600 with a lens blur of 0 and 0.4 pixels.
constexpr float kConstant = -3.23f;
constexpr float kOfNext = 2.55f;      // ln of sigma beyond the next of its colour
constexpr float kOfExcess = -0.86f;   // ln of sigma from the median of its colour
constexpr float kOfPeers = 1.68f;     // ln of how much farther it stands out than its peers
constexpr float kOfActivity = -1.06f; // ln of the unrest of the 5 x 5 around, in sigma
constexpr float kOfUnrest = -1.54f;   // ln of what kUnrestShare of a wider surrounding stands out by, in sigma
constexpr float kOfLight = -1.13f;    // sigma of light in the other colours around
constexpr float kLeastLight = -1.f;   // less says no more
constexpr double kLearnedShare = 0.18;
// In a frame where more of the candidates are detail than there, or fewer, the odds are others.
constexpr double kLearnedWeight = 3; // candidates that the learned share counts as
constexpr double kMostRise = 1.5;    // of the log-odds: where bad pixels abound, stars still are none
constexpr double kBadFrom = 0.3;     // log-odds
// One of a pair has a neighbour that is bad, too, which happens rarely; edges and lines happen often.
constexpr float kPairSigma = 16.f, kPartnerSigma = 8.f, kPairLightSigma = 2.f, kPairRarer = 4.f;

constexpr float kSuspectSigma = 3.5f; // of noise alone, one sample in some 3,000 stands out so far
constexpr int kSuspectsPer = 500;     // samples one at the most
constexpr float kKnownSigma = 2.f;    // where a pixel known to be bad shows
constexpr int kEnoughFrames = 4;      // comparable ones, from which on a pixel that never stood out is not bad

class Detector
{
public:
    Detector(const Frame &frame, const std::array<NoiseModel, 4> &cells) : m_frame(frame), m_levels(frame), m_cells(cells)
    {
        if (!frame.levels.deltaRow.empty() || !frame.levels.deltaColumn.empty())
            return;
        for (int cell = 0; cell < 4; ++cell)
            for (int tone = 0; tone < kTones; ++tone) {
                const float range = m_levels.range(cell & 1, cell >> 1), signal = (float(tone * kTone) - m_levels.black(cell & 1, cell >> 1)) / range;
                const NoiseModel &law = cells[size_t(cell)];
                m_least.below[size_t(cell)][size_t(tone)] = int(0.99f * kOverNext * law.sigmaAt(signal) * range);
                // The noise of what lies below, which is less than this sample's own: found by halving.
                float low = std::min(signal, 0.f) - kOverNext * law.sigmaAt(0), high = signal;
                for (int i = 0; i < 30; ++i) {
                    const float middle = (low + high) / 2;
                    (middle + kOverNext * law.sigmaAt(middle) < signal ? low : high) = middle;
                }
                m_least.above[size_t(cell)][size_t(tone)] = int(0.99f * (signal - high) * range);
            }
    }

    struct Candidate {
        PixelAt at;
        float odds; ///< natural logarithm, that it is bad rather than detail
    };
    void row(int y, std::vector<Candidate> &found) const
    {
        everyOutstanding(y, m_least, [&](int x, int sign) {
            if (const auto odds = oddsOf(x, y, sign))
                found.push_back({{x, y}, *odds});
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
    /// By how much, in stored numbers, a sample must lie beyond the next of its colour, by its place of the pattern and its own tone; 0 at first. What
    /// lies closer is no candidate.
    static constexpr int kTones = 256, kTone = 65536 / kTones;
    struct Least {
        std::array<std::array<int, kTones>, 4> above{}, below{};
    };
    /// Of a row, what the cheap test leaves: `take(x, sign)` at most once a sample. It asks for more than seven of its colour's eight neighbours, above
    /// (sign 1) or below (-1), by `least`; nearly all samples fail.
    template <class Take>
    void everyOutstanding(int y, const Least &least, const Take &take) const
    {
        const Rect &a = m_frame.active;
        const auto width = size_t(a.width);
        std::vector<uint16_t> padded[3], high(width), low(width);
        for (int k = 0; k < 3; ++k) {
            padded[k].resize(width + 4);
            const uint16_t *row = m_frame.samples.row(a.y + mirrored(y - a.y + 2 * (k - 1), a.height)) + a.x;
            std::copy_n(row, width, padded[k].begin() + 2);
            for (int i = 0; i < 2; ++i) {
                padded[k][size_t(i)] = row[mirrored(i - 2, a.width)];
                padded[k][width + 2 + size_t(i)] = row[mirrored(a.width + i, a.width)];
            }
        }
        secondOf(padded[0].data(), padded[1].data(), padded[2].data(), width, high.data(), low.data());
        const uint16_t *here = padded[1].data() + 2;
        for (int x = 0; x < a.width; ++x) {
            const auto cell = size_t(((a.x + x) & 1) + 2 * (y & 1)), tone = size_t(here[x] / kTone);
            if (here[x] - least.above[cell][tone] > high[size_t(x)])
                take(a.x + x, 1);
            else if (here[x] + least.below[cell][tone] < low[size_t(x)])
                take(a.x + x, -1);
        }
    }
    /// The second largest and the second smallest of each one's eight neighbours; rows begin two samples before. Without branches, for the compiler's
    /// vectors.
    static void secondOf(const uint16_t *top, const uint16_t *middle, const uint16_t *bottom, size_t width, uint16_t *high, uint16_t *low)
    {
        for (size_t x = 0; x < width; ++x) {
            uint16_t largest = top[x], smallest = top[x], second = 0, secondLow = 65535;
            const auto with = [&](uint16_t v) {
                second = std::max(second, std::min(largest, v));
                largest = std::max(largest, v);
                secondLow = std::min(secondLow, std::max(smallest, v));
                smallest = std::min(smallest, v);
            };
            with(top[x + 2]);
            with(top[x + 4]);
            with(middle[x]);
            with(middle[x + 4]);
            with(bottom[x]);
            with(bottom[x + 2]);
            with(bottom[x + 4]);
            high[x] = second;
            low[x] = secondLow;
        }
    }
    float linear(int x, int y) const
    {
        const Rect &a = m_frame.active;
        if (x >= a.x && x < a.right() && y >= a.y && y < a.bottom())
            return m_levels.linear(x, y);
        return m_levels.linear(a.x + mirrored(x - a.x, a.width), a.y + mirrored(y - a.y, a.height));
    }
    float sigmaAt(int x, int y, float signal) const { return m_cells[size_t((x & 1) + 2 * (y & 1))].sigmaAt(signal); }
    /// Of hot (sign 1) or dead (-1); what is stuck at a value is one or the other by its surroundings. Nothing where it is no candidate.
    std::optional<float> oddsOf(int x, int y, int sign) const
    {
        const auto at = [this](int px, int py) { return linear(px, py); };
        const float median = mendedValue(at, x, y), here = linear(x, y), excess = float(sign) * (here - median);
        const float sigma = std::max(sigmaAt(x, y, median), 1e-10f);
        if (excess < kHotSigma * sigma)
            return {};
        std::array<float, 8> around; // of its colour, times the sign, rising
        size_t n = 0;
        for (int dy = -2; dy <= 2; dy += 2)
            for (int dx = -2; dx <= 2; dx += 2)
                if (dx || dy)
                    around[n++] = float(sign) * linear(x + dx, y + dy);
        std::sort(around.begin(), around.end());
        const auto beyond = [&](float from) { return (float(sign) * here - from) / std::max(sigmaAt(x, y, float(sign) * from), 1e-10f); };
        const bool strong = excess > kPairSigma * sigma;
        const bool partnerOfItsColour = strong && around[7] - around[6] > kPartnerSigma * sigmaAt(x, y, float(sign) * around[6]);
        const float next = beyond(partnerOfItsColour ? around[6] : around[7]);
        if (next < kOverNext)
            return {};
        const float unrestHere = activity(x, y);
        if (excess < kOverActivity * unrestHere)
            return {};
        const float peers = std::max(peersStandOut(x, y, sign), 1e-3f * excess);
        if (excess < kOverPeers * peers)
            return {};
        const Light seen = light(x, y, sign);
        const bool partnerOfAnother = strong && seen.partner > kPartnerSigma && seen.withoutPartner < kPairLightSigma;
        const float shown = partnerOfAnother ? seen.withoutPartner : seen.all;
        if (shown > kMostLightSigma)
            return {};
        return kConstant + kOfNext * std::log(next) + kOfExcess * std::log(excess / sigma) + kOfPeers * std::log(excess / peers) + kOfActivity * std::log(std::max(unrestHere / sigma, 1e-3f)) + kOfUnrest * std::log(unrest(x, y)) + kOfLight * std::max(shown, kLeastLight) - (partnerOfItsColour || partnerOfAnother ? kPairRarer : 0);
    }
    /// What kUnrestShare of the samples of its colour in a wide surrounding stand out by at the most, in sigma of theirs.
    float unrest(int x, int y) const
    {
        const Rect &a = m_frame.active;
        std::vector<float> out;
        for (int dy = -kUnrestReach; dy <= kUnrestReach; ++dy)
            for (int dx = -kUnrestReach; dx <= kUnrestReach; ++dx)
                if (std::max(std::abs(dx), std::abs(dy)) > 1 && a.contains({x + 2 * dx, y + 2 * dy, 1, 1}))
                    out.push_back(std::abs(standsOutBy(x + 2 * dx, y + 2 * dy)));
        if (out.empty())
            return 1;
        const auto at = out.begin() + ptrdiff_t(float(out.size() - 1) * kUnrestShare);
        std::nth_element(out.begin(), at, out.end());
        return std::max(*at, 0.1f);
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
            std::array<float, 8> v;
            v.fill(std::numeric_limits<float>::infinity());
            size_t n = 0;
            for (int dy = -2 + (phase >> 1); dy <= 2; dy += 2)
                for (int dx = -2 + (phase & 1); dx <= 2; dx += 2)
                    if (dx || dy)
                        v[n++] = linear(x + dx, y + dy);
            std::sort(v.begin(), v.end());
            const float middle = (v[n / 2] + v[(n - 1) / 2]) / 2;
            for (size_t i = 0; i < n; ++i) {
                sum += std::abs(v[i] - middle);
                largest = std::max(largest, std::abs(v[i] - middle));
            }
        }
        return (sum - largest) / 23;
    }
    /// How far the four direct neighbours lie to the same side of their own colours farther out, in sigma.
    struct Light {
        float all;            ///< together
        float partner;        ///< the one that does most so
        float withoutPartner; ///< the other three together
    };
    Light light(int x, int y, int sign) const
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
        return {inSigma(sum, variance), most, inSigma(sum - excessOfMost, variance - varianceOfMost)};
    }

    const Frame &m_frame;
    const Linearizer m_levels;
    const std::array<NoiseModel, 4> &m_cells;
    Least m_least;
};

/// What is to be added to the log-odds of candidates where the share of bad ones among them is another than the learned one: found by turns from
/// the odds and the odds from it (Saerens, Latinne and Decaestecker 2002).
double shiftOfOdds(std::span<const Detector::Candidate> candidates)
{
    const auto logit = [](double share) { return std::log(share / (1 - share)); };
    double share = kLearnedShare;
    for (int round = 0; round < 50; ++round) {
        double bad = kLearnedWeight * kLearnedShare;
        for (const auto &c : candidates)
            bad += 1 / (1 + std::exp(-(double(c.odds) + logit(share) - logit(kLearnedShare))));
        const double next = bad / (kLearnedWeight + double(candidates.size()));
        const bool settled = std::abs(next - share) < 1e-5;
        share = next;
        if (settled)
            break;
    }
    return std::min(logit(share) - logit(kLearnedShare), kMostRise);
}

} // namespace

Result<std::vector<PixelAt>> findHotPixels(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run, const KnownCamera &known)
{
    const Detector detector(frame, cells);
    auto found = gathered<Detector::Candidate>(frame.active.height, run, [&](int i, auto &row) { detector.row(frame.active.y + i, row); });
    if (!found)
        return found.error();
    std::vector<Detector::Candidate> candidates = found.take();
    if (known.comparableFrames >= kEnoughFrames)
        std::erase_if(candidates, [&](const Detector::Candidate &c) { return !std::binary_search(known.stoodOut.begin(), known.stoodOut.end(), c.at, PixelAt::byRow); });
    const double shift = shiftOfOdds(candidates);
    std::vector<PixelAt> all;
    for (const auto &c : candidates)
        if (double(c.odds) + shift > kBadFrom)
            all.push_back(c.at);
    const auto own = ptrdiff_t(all.size());
    const Rect &a = frame.active;
    std::copy_if(known.bad.begin(), known.bad.end(), std::back_inserter(all), [&](const PixelAt &p) {
        return a.contains({p.x, p.y, 1, 1}) && std::abs(detector.standsOutBy(p.x, p.y)) > kKnownSigma;
    });
    std::inplace_merge(all.begin(), all.begin() + own, all.end(), PixelAt::byRow);
    all.erase(std::unique(all.begin(), all.end()), all.end());
    return all;
}

Result<std::vector<Suspect>> findSuspects(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run)
{
    const Detector detector(frame, cells);
    const auto graded = gathered<Detector::Graded>(frame.active.height, run, [&](int i, auto &row) { detector.suspects(frame.active.y + i, row); });
    if (!graded)
        return graded.error();
    const std::vector<Detector::Graded> &all = graded.value();
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
