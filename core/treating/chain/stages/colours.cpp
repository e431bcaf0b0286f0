// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

namespace irenic::stages {

namespace {

constexpr int kReachPx = 2; ///< of the linear demosaicing: greens of the neighbours of neighbours

/// Full colour from the samples, whatever was done to them since, and from what the method said that they lack: demosaiced linearly, by colour differences of
/// stabilised and balanced numbers, as in training/full_colour.py. What was measured at a place stays as it is.
class Colours final : public Stage
{
public:
    explicit Colours(const ChainFacts &facts) : m_facts(facts)
    {
        std::array<NoiseModel, 3> laws{};
        for (int y = 0; y < 2; ++y)
            for (int x = 0; x < 2; ++x) {
                const auto c = size_t(facts.frame->cfa.at(x, y));
                const NoiseModel &cell = facts.noise->cells[size_t(x + 2 * y)];
                const float share = c == size_t(Colour::Green) ? 0.5f : 1;
                laws[c].shotGain += share * cell.shotGain;
                laws[c].readVariance += share * cell.readVariance;
            }
        for (const NoiseModel &law : laws)
            m_laws.emplace_back(law);
    }

    Traits traits() const override { return {kColoursStage, Space::Linear, Space::Linear, kReachPx, 0.03}; }
    std::string settings() const override { return {}; }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const Rect wide = out.grownBy(kReachPx), near = out.grownBy(1);
        const Scratch::Lent lentRoots = scratch.lend(wide.size()), lentDifferences = scratch.lend(near.size());
        const PlaneView<float> roots = lentRoots.view(), differences = lentDifferences.view();
        const CfaPattern cfa = m_facts.frame->cfa;
        for (int y = 0; y < wide.height && !scratch.stop.stop_requested(); ++y)
            for (int x = 0; x < wide.width; ++x) {
                const auto c = size_t(cfa.at(wide.x + x, wide.y + y));
                roots.row(y)[x] = m_laws[c].forward(tile.now.views[0].row(y)[x]) * ratio(c);
            }
        const auto greenAround = [&](int x, int y) { return (roots.row(y)[x - 1] + roots.row(y)[x + 1] + roots.row(y - 1)[x] + roots.row(y + 1)[x]) / 4; };
        for (int y = 0; y < near.height && !scratch.stop.stop_requested(); ++y)
            for (int x = 0; x < near.width; ++x)
                differences.row(y)[x] = cfa.at(near.x + x, near.y + y) == Colour::Green ? 0 : roots.row(y + 1)[x + 1] - greenAround(x + 1, y + 1);
        LentPlanes colours(scratch, 3, out);
        const TilePlanes lacking = tile.lacking.over(out);
        for (int y = 0; y < out.height && !scratch.stop.stop_requested(); ++y)
            for (int x = 0; x < out.width; ++x) {
                const Colour own = cfa.at(out.x + x, out.y + y);
                const auto at = [&](int u, int v) { return differences.row(y + 1 + v)[x + 1 + u]; };
                const float across = (at(-1, 0) + at(1, 0)) / 2, along = (at(0, -1) + at(0, 1)) / 2, diagonal = (at(-1, -1) + at(1, -1) + at(-1, 1) + at(1, 1)) / 4;
                size_t other = 0;
                for (size_t c = 0; c < 3; ++c) {
                    float &o = colours.views[c].row(y)[x];
                    if (c == size_t(own)) {
                        o = tile.now.views[0].row(y + kReachPx)[x + kReachPx];
                        continue;
                    }
                    float root = lacking[other++].row(y)[x];
                    if (own == Colour::Green)
                        root += roots.row(y + kReachPx)[x + kReachPx] + (size_t(cfa.at(out.x + x + 1, out.y + y)) == c ? across : along);
                    else
                        root += greenAround(x + kReachPx, y + kReachPx) + (c == size_t(Colour::Green) ? 0 : diagonal);
                    o = m_laws[c].algebraicInverse(root / ratio(c));
                }
            }
        tile.now = std::move(colours);
    }

private:
    float ratio(size_t colour) const { return colour == size_t(Colour::Red) ? m_facts.balance.ratio[0] : colour == size_t(Colour::Blue) ? m_facts.balance.ratio[3]
                                                                                                                                        : 1; }

    const ChainFacts &m_facts;
    std::vector<Stabiliser> m_laws; ///< of red, green and blue
};

} // namespace

std::unique_ptr<Stage> giveColours(const ChainFacts &facts)
{
    return facts.givesColours ? std::make_unique<Colours>(facts) : nullptr;
}

} // namespace irenic::stages
