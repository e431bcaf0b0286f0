// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "taste/detail.h"

namespace irenic::stages {

namespace {

/// Lays structure that the methods took over the cleaned samples.
class Detail final : public Stage
{
public:
    explicit Detail(const ChainFacts &facts) : m_facts(facts)
    {
        for (const PlaceSettings &p : facts.variants.settings())
            if (p.detail > 0 && std::none_of(m_finders.begin(), m_finders.end(), [&](const auto &d) { return d.first == p.detail; }))
                m_finders.emplace_back(p.detail, DetailFinder(p.detail));
    }

    Traits traits() const override { return {"detail", Space::Stabilised, Space::Stabilised, m_finders.front().second.haloPx(), 0.38 * double(m_finders.size())}; } // of one method, all alike
    std::string settings() const override { return m_facts.settingOfPlaces(&PlaceSettings::detail); }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const size_t n = m_facts.planes();
        const Rect wide = out.grownBy(traits().haloPx);
        const TilePlanes cleaned = tile.now.over(wide);
        TileInput removed = tile.noisyOver(wide);
        const LentPlanes taken(scratch, n, wide), found(scratch, n, out);
        for (size_t c = 0; c < n; ++c) {
            for (int y = 0; y < wide.height; ++y)
                for (int x = 0; x < wide.width; ++x)
                    taken.views[c].row(y)[x] = removed.planes[c].row(y)[x] - cleaned[c].row(y)[x];
            removed.planes[c] = taken.views[c];
        }
        tile.cutTo(out);
        const Scratch::Lent lentShare = scratch.lend(out.size());
        const PlaneView<float> share = lentShare.view();
        for (const auto &[amount, finder] : m_finders) {
            m_facts.variants.shareOf(tile.masks(out), &PlaceSettings::detail, amount, share);
            if (!anyAbove0(share) || scratch.stop.stop_requested())
                continue;
            finder.find(removed, out, found.views, scratch);
            for (size_t c = 0; c < n; ++c)
                for (int y = 0; y < out.height; ++y)
                    for (int x = 0; x < out.width; ++x)
                        tile.now.views[c].row(y)[x] += finder.share() * share.row(y)[x] * found.views[c].row(y)[x];
        }
    }

private:
    const ChainFacts &m_facts;
    std::vector<std::pair<double, DetailFinder>> m_finders; ///< one for every amount that some place asks for
};

} // namespace

std::unique_ptr<Stage> giveBackDetail(const ChainFacts &facts)
{
    return facts.takesNoise && facts.variants.any(&PlaceSettings::detail) ? std::make_unique<Detail>(facts) : nullptr;
}

} // namespace irenic::stages
