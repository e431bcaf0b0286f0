// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "taste/blocks.h"

#include <bit>

namespace irenic::stages {

namespace {

/// Stored numbers to linear ones, mirrored at the border of the active area, which keeps the colour of a place, and with it its noise law.
class Linearise final : public Stage
{
public:
    explicit Linearise(const ChainFacts &facts) : m_facts(facts)
    {
        if (facts.takesNoise && facts.softensBlocks())
            m_softener.emplace(*facts.frame, facts.treatment.taste.blocks);
    }

    Traits traits() const override { return {m_softener ? "soften and linearise" : "linearise", Space::Linear, Space::Linear, 0, m_softener ? 0.62 : 0.004}; }
    std::string settings() const override
    {
        const Disturbance &d = m_facts.disturbance;
        return (m_softener ? settingsText({m_facts.treatment.taste.blocks}) : std::string()) + (d.amount != 0 ? "disturbed " + std::to_string(d.seed) + " " + settingsText({double(d.amount)}) : std::string()) + (d.of ? "of " + std::to_string(std::bit_cast<uintptr_t>(d.of.get())) : std::string());
    }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        tile.now = LentPlanes(scratch, m_facts.planes(), out);
        const Rect &a = m_facts.frame->active;
        const Rect inside = out.intersected(a);
        std::array<Plane<float>, 3> soft;
        if (m_softener)
            soft = softened(inside, scratch.stop);
        std::vector<int> columns(size_t(out.width));
        for (int x = 0; x < out.width; ++x)
            columns[size_t(x)] = a.x + mirrored(out.x + x - a.x, a.width);
        for (int y = 0; y < out.height; ++y) {
            const int sy = a.y + mirrored(out.y + y - a.y, a.height);
            for (size_t c = 0; c < m_facts.planes(); ++c) {
                float *o = tile.now.views[c].row(y);
                for (int x = 0; x < out.width; ++x)
                    o[x] = m_softener ? soft[c].at(columns[size_t(x)] - inside.x, sy - inside.y) : m_facts.untreated(columns[size_t(x)], sy, c);
            }
        }
    }

private:
    /// A JPEG's linear colours without its blocks, over a rectangle of the active area.
    std::array<Plane<float>, 3> softened(Rect region, const std::stop_token &stop) const
    {
        std::array<Plane<float>, 3> planes{Plane<float>(region.size()), Plane<float>(region.size()), Plane<float>(region.size())};
        m_softener->soften(region, {planes[0].view(), planes[1].view(), planes[2].view()}, stop);
        for (size_t c = 0; c < 3; ++c) {
            const std::vector<float> &decode = m_facts.frame->encoding->decode[c];
            for (int y = 0; y < region.height; ++y)
                for (float *v = planes[c].row(y), *end = v + region.width; v < end; ++v) {
                    const size_t i = std::min(size_t(*v), decode.size() - 2);
                    *v = decode[i] + (decode[i + 1] - decode[i]) * (*v - float(i));
                }
        }
        return planes;
    }

    const ChainFacts &m_facts;
    std::optional<BlockSoftener> m_softener;
};

} // namespace

std::unique_ptr<Stage> linearise(const ChainFacts &facts)
{
    return std::make_unique<Linearise>(facts);
}

} // namespace irenic::stages
