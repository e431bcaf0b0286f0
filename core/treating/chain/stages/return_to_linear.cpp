// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

namespace irenic::stages {

namespace {

constexpr int kEnergyReachPx = 8; ///< the removed energy is averaged over 17 x 17 samples

/// Mean of squares over 17 x 17 samples, for samples at least kEnergyReachPx from the border: direct row sums of direct
/// column sums by doubling (2, 4, 8, 16, 17), so the order of additions is the same at every place.
void meanEnergy(PlaneView<const float> removed, PlaneView<float> sums, PlaneView<float> out)
{
    const Size size{removed.width, removed.height};
    std::vector<float> line(size_t(size.width)), wide(size_t(size.width));
    for (int y = 0; y < size.height; ++y) {
        const float *r = removed.row(y);
        for (int x = 0; x < size.width; ++x)
            line[size_t(x)] = r[x] * r[x];
        float *s = sums.row(y);
        std::copy(line.begin(), line.end(), wide.begin());
        for (int step = 1; step < 16; step *= 2)
            for (int x = 0; x + step < size.width; ++x)
                wide[size_t(x)] += wide[size_t(x + step)];
        for (int x = kEnergyReachPx; x < size.width - kEnergyReachPx; ++x)
            s[x] = wide[size_t(x - kEnergyReachPx)] + line[size_t(x + kEnergyReachPx)];
    }
    for (int y = kEnergyReachPx; y < size.height - kEnergyReachPx; ++y) {
        std::fill(line.begin(), line.end(), 0.f);
        for (int k = -kEnergyReachPx; k <= kEnergyReachPx; ++k) {
            const float *s = sums.row(y + k);
            for (int x = kEnergyReachPx; x < size.width - kEnergyReachPx; ++x)
                line[size_t(x)] += s[x];
        }
        float *o = out.row(y);
        for (int x = kEnergyReachPx; x < size.width - kEnergyReachPx; ++x)
            o[x] = line[size_t(x)] * (1.f / 289);
    }
}

/// Back to linear samples, with the local mean kept by what was really removed around each (see Stabiliser).
class ReturnToLinear final : public Stage
{
public:
    explicit ReturnToLinear(const ChainFacts &facts) : m_facts(facts) {}

    Traits traits() const override { return {"return to linear", Space::Stabilised, Space::Linear, kEnergyReachPx, 0.012}; }
    std::string settings() const override { return {}; }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const Rect all = tile.now.where;
        const TileInput noisy = tile.noisyOver(all);
        const Scratch::Lent lentRemoved = scratch.lend(all.size()), lentSums = scratch.lend(all.size()), lentEnergy = scratch.lend(all.size());
        const PlaneView<float> removed = lentRemoved.view(), energy = lentEnergy.view();
        for (size_t c = 0; c < m_facts.planes() && !scratch.stop.stop_requested(); ++c) {
            const PlaneView<const float> before = noisy.planes[c];
            const PlaneView<float> after = tile.now.views[c];
            for (int y = 0; y < all.height; ++y)
                for (int x = 0; x < all.width; ++x)
                    removed.row(y)[x] = before.row(y)[x] - after.row(y)[x];
            meanEnergy(removed, lentSums.view(), energy);
            for (int y = 0; y < out.height; ++y) {
                const auto pair = m_facts.stabilisersOfRow(c, out.y + y);
                float *v = after.row(y + kEnergyReachPx) + kEnergyReachPx;
                const float *e = energy.row(y + kEnergyReachPx) + kEnergyReachPx;
                for (int x = 0; x < out.width; ++x)
                    v[x] = pair[(out.x + x) & 1].inverse(v[x], e[x]);
            }
        }
        tile.cutTo(out);
    }

private:
    const ChainFacts &m_facts;
};

} // namespace

std::unique_ptr<Stage> returnToLinear(const ChainFacts &facts)
{
    return facts.takesNoise ? std::make_unique<ReturnToLinear>(facts) : nullptr;
}

} // namespace irenic::stages
