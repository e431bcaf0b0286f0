// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "noise/hot_pixels.h"

namespace irenic::stages {

namespace {

/// Bad pixels, and their mirror images beyond the border, are replaced from the frame's own samples.
class Mend final : public Stage
{
public:
    explicit Mend(const ChainFacts &facts) : m_facts(facts) {}

    Traits traits() const override { return {"mend", Space::Linear, Space::Linear, 0, 0.001}; }
    std::string settings() const override { return {}; }

    void run(Tile &tile, Rect out, Scratch &) const override
    {
        const Rect &a = m_facts.frame->active;
        const auto linear = [&](int x, int y) {
            const int u = mirrored(x - a.x, a.width), v = mirrored(y - a.y, a.height);
            return m_facts.untreated(a.x + u, a.y + v, 0) - m_facts.noise->banding.at(u, v);
        };
        const Rect inside = out.intersected(a);
        const int spill = std::max({inside.x - out.x, inside.y - out.y, out.right() - inside.right(), out.bottom() - inside.bottom(), 0});
        const Rect near = inside.grownBy(spill).intersected(a);
        const auto &hot = m_facts.noise->hotPixels;
        auto it = std::lower_bound(hot.begin(), hot.end(), near.y, [](const PixelAt &p, int y) { return p.y < y; });
        for (; it != hot.end() && it->y < near.bottom(); ++it) {
            if (it->x < near.x || it->x >= near.right())
                continue;
            const float value = mendedValue(linear, it->x, it->y);
            const int ys[3] = {it->y, 2 * a.y - it->y, 2 * (a.bottom() - 1) - it->y};
            const int xs[3] = {it->x, 2 * a.x - it->x, 2 * (a.right() - 1) - it->x};
            for (const int y : ys)
                for (const int x : xs)
                    if (x >= out.x && x < out.right() && y >= out.y && y < out.bottom())
                        tile.now.views[0].at(x - out.x, y - out.y) = value;
        }
    }

private:
    const ChainFacts &m_facts;
};

} // namespace

std::unique_ptr<Stage> mendPixels(const ChainFacts &facts)
{
    if (!facts.takesNoise || !facts.isMosaic() || facts.noise->hotPixels.empty())
        return nullptr;
    return std::make_unique<Mend>(facts);
}

} // namespace irenic::stages
