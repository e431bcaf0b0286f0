// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "taste/grain.h"

namespace irenic::stages {

namespace {

/// See keepGrain().
class Grain final : public Stage
{
public:
    explicit Grain(const ChainFacts &facts) : m_facts(facts)
    {
        if (facts.frame->kind != FrameKind::Rendered)
            for (size_t c = 0; c < 3; ++c)
                m_neutral[c] = float(facts.frame->colour.asShotNeutral[c]);
    }

    Traits traits() const override { return {"grain", Space::Linear, Space::Linear, kGrainHaloPx, 0.03}; }
    std::string settings() const override { return m_facts.settingOfPlaces(&PlaceSettings::grain); }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const Rect all = tile.now.where;
        const Scratch::Lent lentLuminance = scratch.lend(all.size()), lentShare = scratch.lend(all.size());
        noisyLuminance(tile.noisyOver(all), all, lentLuminance.view(), scratch);
        m_facts.variants.spread(tile.masks(all), &PlaceSettings::grain, lentShare.view());
        keepGrain(tile.linear(), lentLuminance.view(), lentShare.view(), m_facts.meanNoise, m_facts.frame->cfa.shifted(all.x, all.y), m_neutral);
        tile.cutTo(out);
    }

private:
    void noisyLuminance(const TileInput &noisy, Rect where, PlaneView<float> out, Scratch &scratch) const
    {
        const LentPlanes linear(scratch, m_facts.planes(), where);
        for (size_t c = 0; c < m_facts.planes(); ++c)
            for (int y = 0; y < where.height; ++y) {
                const auto pair = m_facts.stabilisersOfRow(c, where.y + y);
                for (int x = 0; x < where.width; ++x)
                    linear.views[c].row(y)[x] = pair[(where.x + x) & 1].algebraicInverse(noisy.planes[c].row(y)[x]);
            }
        luminanceOf({linear.views, m_facts.planes(), where}, out);
    }

    const ChainFacts &m_facts;
    std::array<float, 3> m_neutral{1, 1, 1};
};

} // namespace

std::unique_ptr<Stage> leaveGrain(const ChainFacts &facts)
{
    return facts.takesNoise && facts.variants.any(&PlaceSettings::grain) ? std::make_unique<Grain>(facts) : nullptr;
}

} // namespace irenic::stages
