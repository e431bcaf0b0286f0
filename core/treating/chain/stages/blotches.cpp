// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "taste/blotches.h"

namespace irenic::stages {

namespace {

/// See irenic::evenBlotches(); in the shadows alone.
class Blotches final : public Stage
{
public:
    explicit Blotches(const ChainFacts &facts) : m_facts(facts) {}

    Traits traits() const override { return {"blotches", Space::Stabilised, Space::Stabilised, kBlotchHaloPx, 0.065}; }
    std::string settings() const override { return settingsText({m_facts.treatment.taste.blotches}); }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const Rect all = tile.now.where;
        const Scratch::Lent lent = scratch.lend(all.size());
        const PlaneView<float> share = lent.view();
        RegionSet::brightness(*m_facts.frame, {all.x, all.y}, 1, share);
        for (int y = 0; y < all.height; ++y)
            for (int x = 0; x < all.width; ++x)
                share.row(y)[x] = float(m_facts.treatment.taste.blotches) * toneWeights(share.row(y)[x])[0];
        irenic::evenBlotches(tile.now.views, m_facts.planes(), m_facts.frame->cfa.shifted(all.x, all.y), all, share, scratch.stop);
        tile.cutTo(out);
    }

private:
    const ChainFacts &m_facts;
};

} // namespace

std::unique_ptr<Stage> evenBlotches(const ChainFacts &facts)
{
    return facts.takesNoise && facts.treatment.taste.blotches > 0 ? std::make_unique<Blotches>(facts) : nullptr;
}

} // namespace irenic::stages
