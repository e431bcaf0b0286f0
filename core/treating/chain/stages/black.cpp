// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace irenic::stages {

namespace {

constexpr int kReachPx = 8; ///< what is missing is told from 17 x 17 samples
constexpr int kNearPx = 3;  ///< how a colour varies, from 7 x 7
constexpr float kFewestMissing = 3.5f / ((2 * kReachPx + 1) * (2 * kReachPx + 1));

/// Of Gaussian noise of sigma 1 about `mean`, of which everything below 0 was stored as 0: the mean of what is stored. Source: Foi, Signal Process. 89(12), 2009.
double storedMean(double mean)
{
    return mean * std::erfc(-mean / std::numbers::sqrt2) / 2 + std::exp(-mean * mean / 2) / std::sqrt(2 * std::numbers::pi);
}

/// The mean, in sigma, of noise of which that share lies below 0.
double meanWhere(double missing)
{
    double low = -4, high = 4;
    for (int i = 0; i < 40; ++i) {
        const double middle = (low + high) / 2;
        (std::erfc(middle / std::numbers::sqrt2) / 2 > missing ? low : high) = middle;
    }
    return low;
}

/// What the share of missing samples tells of a place, in sigma of the noise.
struct Missing {
    float signal;   ///< below 0 where most are missing
    float perSigma; ///< mean of what is stored
    float lift;     ///< by how much that is above the signal, or above black where the signal is below
};

const Missing &missingOf(float share)
{
    constexpr size_t kSteps = 1024;
    static const std::array<Missing, kSteps + 1> table = [] {
        std::array<Missing, kSteps + 1> t;
        for (size_t i = 0; i < t.size(); ++i) {
            const double signal = meanWhere(double(i) / kSteps), stored = storedMean(signal);
            t[i] = {float(signal), float(stored), float(stored - std::max(0.0, signal))};
        }
        return t;
    }();
    return table[size_t(std::clamp(share, 0.f, 1.f) * float(kSteps))];
}

/// How many of (2 r + 1)^2 samples that are 0 or 1 are 1, as a share; right at least r from the border. Running sums of whole numbers are exact, so that tiles do not show.
void sharesOf(PlaneView<const float> ones, int r, PlaneView<float> out)
{
    std::vector<float> columns(size_t(ones.width), 0.f);
    const float all = float((2 * r + 1) * (2 * r + 1));
    for (int y = 0; y < ones.height; ++y) {
        const float *in = ones.row(y), *gone = y > 2 * r ? ones.row(y - 2 * r - 1) : nullptr;
        for (int x = 0; x < ones.width; ++x)
            columns[size_t(x)] += in[x] - (gone ? gone[x] : 0);
        if (y < 2 * r)
            continue;
        float *o = out.row(y - r), sum = 0;
        for (int x = 0; x < ones.width; ++x) {
            sum += columns[size_t(x)] - (x > 2 * r ? columns[size_t(x - 2 * r - 1)] : 0);
            if (x >= 2 * r)
                o[x - r] = sum / all;
        }
    }
}

/// Where numbers below black are missing, the mean of the noise lies above the signal: without it, saturated colours and deep shadows would come out paler than they are. How
/// many are missing around a sample tells by how much. And what is done to luminance there must not come back as noise of a colour that is at black nearly everywhere: an answer
/// that differs from the untreated samples by more than they vary is drawn towards their mean, and one that is brighter than so many missing samples allow is held there.
class Black final : public Stage
{
public:
    explicit Black(const ChainFacts &facts) : m_facts(facts) {}

    Traits traits() const override { return {"black", Space::Linear, Space::Linear, kReachPx, 0.02}; }
    std::string settings() const override { return {}; }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const Size all = tile.now.where.size();
        const Planes p{scratch.lend(all), scratch.lend(all), scratch.lend(all), scratch.lend(all), scratch.lend(all), scratch.lend(all), scratch.lend(all)};
        for (size_t c = 0; c < m_facts.planes() && !scratch.stop.stop_requested(); ++c)
            if (read(tile.now.where, c, p))
                lower(c, out, tile.now.views[c], p);
        tile.cutTo(out);
    }

private:
    struct Planes {
        Scratch::Lent untreated, square, missing, share, nearShare, near, varied;
    };

    /// False where too little is missing to tell anything.
    bool read(Rect all, size_t c, const Planes &p) const
    {
        const Rect &a = m_facts.frame->active;
        bool any = false;
        std::vector<int> column(size_t(all.width));
        for (int x = 0; x < all.width; ++x)
            column[size_t(x)] = a.x + mirrored(all.x + x - a.x, a.width);
        for (int y = 0; y < all.height; ++y) {
            const uint16_t *stored = m_facts.frame->samples.row(a.y + mirrored(all.y + y - a.y, a.height)) + c;
            float *missing = p.missing.view().row(y);
            for (int x = 0; x < all.width; ++x) {
                const bool isMissing = stored[3 * column[size_t(x)]] == 0;
                missing[x] = isMissing ? 1 : 0;
                any |= isMissing;
            }
        }
        if (!any)
            return false;
        sharesOf(p.missing.view(), kReachPx, p.share.view());
        bool enough = false;
        for (int y = kReachPx; y < all.height - kReachPx; ++y)
            enough |= std::any_of(p.share.view().row(y) + kReachPx, p.share.view().row(y) + all.width - kReachPx, [](float share) { return share >= kFewestMissing; });
        if (!enough)
            return false;
        for (int y = 0; y < all.height; ++y) {
            const int sy = a.y + mirrored(all.y + y - a.y, a.height);
            float *untreated = p.untreated.view().row(y), *square = p.square.view().row(y);
            for (int x = 0; x < all.width; ++x) {
                untreated[x] = m_facts.untreated(column[size_t(x)], sy, c);
                square[x] = untreated[x] * untreated[x];
            }
        }
        return true;
    }

    void lower(size_t c, Rect out, PlaneView<float> now, const Planes &p) const
    {
        constexpr float kTiny = 1e-12f, kBound = 0.8f, kFull = 1, kNone = 3; // in sigma: from kNone on an answer is not lowered
        sharesOf(p.missing.view(), kNearPx, p.nearShare.view());
        boxMeanOf(p.untreated.view(), kNearPx, p.near.view());
        boxMeanOf(p.square.view(), kNearPx, p.varied.view());
        const PlaneView<float> taken = p.missing.view(), meanTaken = p.square.view(); // no longer needed as what they were
        for (int y = 0; y < now.height; ++y)
            for (int x = 0; x < now.width; ++x)
                taken.row(y)[x] = (p.untreated.view().row(y)[x] - now.row(y)[x]) * (p.untreated.view().row(y)[x] - now.row(y)[x]);
        boxMeanOf(taken, kNearPx, meanTaken);
        constexpr float kDark = 0.001f; // a law may say 0 at black itself
        const float most = m_facts.noise->cells[c].sigmaAt(kDark);
        for (int y = kReachPx; y < kReachPx + out.height; ++y) {
            const float *share = p.share.view().row(y), *nearShare = p.nearShare.view().row(y), *near = p.near.view().row(y), *varied = p.varied.view().row(y);
            for (int x = kReachPx; x < kReachPx + out.width; ++x) {
                float &answer = now.row(y)[x];
                if (share[x] < kFewestMissing || !(answer < kNone * most))
                    continue;
                const float changed = meanTaken.row(y)[x] / std::max(varied[x] - near[x] * near[x], kTiny);
                if (changed > 1)
                    answer = near[x] + (answer - near[x]) / changed;
                const float weight = std::min(1.f, 4 * changed); // where no noise is taken nothing changes
                const Missing &nearby = missingOf(nearShare[x]);
                const float bound = most * std::max(0.f, nearby.signal + kBound);
                if (answer > bound)
                    answer += weight * std::clamp(kNone - answer / most, 0.f, 1.f) * (bound - answer);
                const float sigma = std::min(most, near[x] / nearby.perSigma);
                if (sigma > 0) {
                    const float lowered = std::max(0.f, answer - sigma * missingOf(share[x]).lift * std::clamp((kNone - answer / sigma) / (kNone - kFull), 0.f, 1.f));
                    answer += weight * (lowered - answer);
                }
            }
        }
    }

    const ChainFacts &m_facts;
};

} // namespace

std::unique_ptr<Stage> lowerBlack(const ChainFacts &facts)
{
    return facts.takesNoise && !facts.isMosaic() && isCutAtBlack(*facts.frame) ? std::make_unique<Black>(facts) : nullptr;
}

} // namespace irenic::stages
