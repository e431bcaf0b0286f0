// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

namespace irenic::stages {

namespace {

/// Lays the cleaned samples over the untreated ones.
class Mix final : public Stage
{
public:
    explicit Mix(const ChainFacts &facts) : m_facts(facts) {}

    Traits traits() const override { return {"mix", Space::Linear, Space::Linear, 0, 0.012}; }
    std::string settings() const override { return settingsText({m_facts.treatment.taste.mix}); }

    void run(Tile &tile, Rect out, Scratch &) const override
    {
        const Rect &a = m_facts.frame->active;
        const float share = float(1 - m_facts.treatment.taste.mix);
        for (int y = 0; y < out.height; ++y) {
            const int sy = a.y + mirrored(out.y + y - a.y, a.height);
            for (int x = 0; x < out.width; ++x) {
                const int sx = a.x + mirrored(out.x + x - a.x, a.width);
                for (size_t c = 0; c < m_facts.planes(); ++c) {
                    float &v = tile.now.views[c].row(y)[x];
                    v += share * (m_facts.untreated(sx, sy, c) - v);
                }
            }
        }
    }

private:
    const ChainFacts &m_facts;
};

} // namespace

std::unique_ptr<Stage> mixUntreated(const ChainFacts &facts)
{
    return facts.takesNoise && facts.treatment.taste.mix < 1 ? std::make_unique<Mix>(facts) : nullptr;
}

} // namespace irenic::stages
