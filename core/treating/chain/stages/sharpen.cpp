// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "taste/sharpen.h"

namespace irenic::stages {

namespace {

/// See Sharpener.
class Sharpen final : public Stage
{
public:
    explicit Sharpen(const ChainFacts &facts) : m_facts(facts), m_sharpener(facts.treatment.taste, facts.isMosaic()) {}

    Traits traits() const override { return {kSharpenStage, Space::Linear, Space::Linear, m_sharpener.haloPx(), 0.09}; }
    std::string settings() const override
    {
        const Taste &t = m_facts.treatment.taste;
        return m_facts.settingOfPlaces(&PlaceSettings::sharpen) + settingsText({t.radiusPx, t.smoothProtection, t.edgeProtection});
    }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const Rect all = tile.now.where;
        const Scratch::Lent share = scratch.lend(all.size());
        m_facts.variants.spread(tile.masks(all), &PlaceSettings::sharpen, share.view());
        const Scratch::Lent reached = tile.wantsSharpened ? scratch.lend(all.size()) : Scratch::Lent();
        m_sharpener.sharpen(tile.linear(), share.view(), m_facts.meanNoise, scratch.stop, reached.view());
        if (tile.wantsSharpened) {
            tile.sharpened = scratch.lend(out.size());
            copyRows(reached.view().cut(out.seenFrom(all)), tile.sharpened.view());
        }
        tile.cutTo(out);
    }

private:
    const ChainFacts &m_facts;
    Sharpener m_sharpener;
};

} // namespace

std::unique_ptr<Stage> sharpen(const ChainFacts &facts)
{
    return facts.variants.any(&PlaceSettings::sharpen) ? std::make_unique<Sharpen>(facts) : nullptr;
}

} // namespace irenic::stages
