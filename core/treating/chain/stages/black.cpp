// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "law/censored.h"

#include <algorithm>

namespace irenic::stages {

namespace {

// These, and those below: two photographs of python3-skimage and a picture of one saturated blue, see docs/engine.md.
constexpr int kShareReachPx = 8; ///< what is missing is told from 17 x 17 samples
constexpr int kNearPx = 3;       ///< how a colour varies, from 7 x 7
constexpr float kFewestMissing = 3.5f / ((2 * kShareReachPx + 1) * (2 * kShareReachPx + 1));

/// By a table.
const CutNoise &cutNoiseAt(float missing)
{
    constexpr size_t kSteps = 1024;
    static const std::array<CutNoise, kSteps + 1> table = [] {
        std::array<CutNoise, kSteps + 1> t;
        for (size_t i = 0; i < t.size(); ++i)
            t[i] = cutNoiseOf(double(i) / kSteps);
        return t;
    }();
    return table[size_t(std::clamp(missing, 0.f, 1.f) * float(kSteps))];
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

    Traits traits() const override { return {"black", Space::Linear, Space::Linear, step() * kShareReachPx, 0.02}; }
    std::string settings() const override { return {}; }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const Rect all = tile.now.where;
        const Size most{(all.width + step() - 1) / step(), (all.height + step() - 1) / step()};
        const Planes p{scratch.lend(most), scratch.lend(most), scratch.lend(most), scratch.lend(most), scratch.lend(most), scratch.lend(most), scratch.lend(most)};
        for (size_t c = 0; c < m_facts.planes(); ++c)
            for (int y = 0; y < step(); ++y)
                for (int x = 0; x < step() && !scratch.stop.stop_requested(); ++x) {
                    const Samples of{all, {all.x + x, all.y + y}, step(), c};
                    if (read(of, p))
                        lower(of, tile.now.views[c], p);
                }
        tile.cutTo(out);
    }

private:
    /// Of one colour, of a mosaic those of one place of the pattern.
    struct Samples {
        Rect within;
        PixelAt first;
        int step;
        size_t channel;
        Size size() const { return {(within.right() - first.x + step - 1) / step, (within.bottom() - first.y + step - 1) / step}; }
    };
    struct Planes {
        Scratch::Lent untreated, square, missing, share, nearShare, near, varied;
        PlaneView<float> view(const Scratch::Lent &plane, const Samples &of) const { return plane.view().cut({0, 0, of.size().width, of.size().height}); }
    };

    int step() const { return m_facts.isMosaic() ? 2 : 1; }

    /// False where too little is missing to tell anything.
    bool read(const Samples &of, const Planes &p) const
    {
        const Rect &a = m_facts.frame->active;
        const Size size = of.size();
        const PlaneView<float> missing = p.view(p.missing, of), share = p.view(p.share, of);
        const auto rowOf = [&](int y) { return a.y + mirrored(of.first.y + of.step * y - a.y, a.height); };
        std::vector<int> columns(size_t(size.width));
        for (int x = 0; x < size.width; ++x)
            columns[size_t(x)] = a.x + mirrored(of.first.x + of.step * x - a.x, a.width);
        const int channels = int(m_facts.planes());
        bool any = false;
        for (int y = 0; y < size.height; ++y) {
            const uint16_t *stored = m_facts.frame->samples.row(rowOf(y)) + of.channel;
            for (int x = 0; x < size.width; ++x) {
                const bool isMissing = stored[channels * columns[size_t(x)]] == 0;
                missing.row(y)[x] = isMissing ? 1 : 0;
                any |= isMissing;
            }
        }
        if (!any)
            return false;
        sharesOf(missing, kShareReachPx, share);
        bool enough = false;
        for (int y = kShareReachPx; y < size.height - kShareReachPx; ++y)
            enough |= std::any_of(share.row(y) + kShareReachPx, share.row(y) + size.width - kShareReachPx, [](float s) { return s >= kFewestMissing; });
        if (!enough)
            return false;
        for (int y = 0; y < size.height; ++y) {
            float *untreated = p.untreated.view().row(y), *square = p.square.view().row(y);
            for (int x = 0; x < size.width; ++x) {
                untreated[x] = m_facts.untreated(columns[size_t(x)], rowOf(y), of.channel);
                square[x] = untreated[x] * untreated[x];
            }
        }
        return true;
    }

    void lower(const Samples &of, PlaneView<float> now, const Planes &p) const
    {
        constexpr float kTiny = 1e-12f, kBound = 0.8f, kFull = 1, kNone = 3; // in sigma: from kNone on an answer is not lowered
        const Size size = of.size();
        const PlaneView<float> untreated = p.view(p.untreated, of), square = p.view(p.square, of), missing = p.view(p.missing, of);
        const auto answerAt = [&](int x, int y) -> float & { return now.row(of.first.y - of.within.y + of.step * y)[of.first.x - of.within.x + of.step * x]; };
        sharesOf(missing, kNearPx, p.view(p.nearShare, of));
        boxMeanOf(untreated, kNearPx, p.view(p.near, of));
        boxMeanOf(square, kNearPx, p.view(p.varied, of));
        const PlaneView<float> taken = missing, meanTaken = square; // no longer needed as what they were
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x) {
                const float t = untreated.row(y)[x] - answerAt(x, y);
                taken.row(y)[x] = t * t;
            }
        boxMeanOf(taken, kNearPx, meanTaken);
        constexpr float kDark = 0.001f; // a law may say 0 at black itself
        const float most = m_facts.noise->modelAt(of.first.x, of.first.y, of.channel, m_facts.isMosaic()).sigmaAt(kDark);
        for (int y = kShareReachPx; y < size.height - kShareReachPx; ++y) {
            const float *share = p.share.view().row(y), *nearShare = p.nearShare.view().row(y), *near = p.near.view().row(y), *varied = p.varied.view().row(y);
            for (int x = kShareReachPx; x < size.width - kShareReachPx; ++x) {
                float &answer = answerAt(x, y);
                if (share[x] < kFewestMissing || !(answer < kNone * most))
                    continue;
                const float changed = meanTaken.row(y)[x] / std::max(varied[x] - near[x] * near[x], kTiny);
                if (changed > 1)
                    answer = near[x] + (answer - near[x]) / changed;
                const float weight = std::min(1.f, 4 * changed); // where no noise is taken nothing changes
                const CutNoise &nearby = cutNoiseAt(nearShare[x]);
                const float bound = most * std::max(0.f, nearby.signal + kBound);
                if (answer > bound)
                    answer += weight * std::clamp(kNone - answer / most, 0.f, 1.f) * (bound - answer);
                const float sigma = std::min(most, near[x] / nearby.stored);
                if (sigma > 0) {
                    const float lowered = std::max(0.f, answer - sigma * cutNoiseAt(share[x]).lift * std::clamp((kNone - answer / sigma) / (kNone - kFull), 0.f, 1.f));
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
    return facts.takesNoise && !facts.givesColours && isCutAtBlack(*facts.frame) ? std::make_unique<Black>(facts) : nullptr;
}

} // namespace irenic::stages
