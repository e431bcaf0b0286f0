// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "chain/point_lights.h"

namespace irenic::stages {

namespace {

/// Lays what was taken from points of light over the result again.
class PointLights final : public Stage
{
public:
    explicit PointLights(const ChainFacts &facts) : m_facts(facts) {}

    Traits traits() const override { return {"points of light", Space::Stabilised, Space::Stabilised, kPointLightReachPx + 1, 0.01}; }
    std::string settings() const override { return settingsText({m_facts.strongest()}); }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const Rect all = tile.now.where;
        const TilePlanes &cleaned = tile.now.views;
        const TileInput noisy = tile.noisyOver(all);
        const Scratch::Lent lent = scratch.lend(all.size());
        const PlaneView<float> weight = lent.view();
        if (find(noisy, cleaned, weight, scratch))
            for (size_t c = 0; c < m_facts.planes(); ++c)
                for (int y = 0; y < all.height; ++y)
                    for (int x = 0; x < all.width; ++x)
                        cleaned[c].row(y)[x] += weight.row(y)[x] * (noisy.planes[c].row(y)[x] - cleaned[c].row(y)[x]);
        tile.cutTo(out);
    }

private:
    bool find(const TileInput &noisy, const TilePlanes &cleaned, PlaneView<float> weight, Scratch &scratch) const
    {
        const float strength = float(m_facts.strongest());
        if (m_facts.isMosaic() && m_facts.noise->pointSigma == 1)
            return findPointLights(noisy.planes[0], cleaned[0], strength, weight, scratch);
        const Size size{weight.width, weight.height};
        const Scratch::Lent lentBefore = scratch.lend(size), lentAfter = scratch.lend(size);
        const PlaneView<float> before = lentBefore.view(), after = lentAfter.view();
        const float scale = 1 / m_facts.noise->pointSigma;
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x) {
                float b = 0, a = 0;
                for (size_t c = 0; c < m_facts.planes(); ++c) {
                    b += noisy.planes[c].row(y)[x];
                    a += cleaned[c].row(y)[x];
                }
                before.row(y)[x] = b * scale;
                after.row(y)[x] = a * scale;
            }
        return findPointLights(before, after, strength, weight, scratch);
    }

    const ChainFacts &m_facts;
};

} // namespace

std::unique_ptr<Stage> giveBackPointLights(const ChainFacts &facts)
{
    return facts.takesNoise ? std::make_unique<PointLights>(facts) : nullptr;
}

} // namespace irenic::stages
