// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

namespace irenic::stages {

namespace {

/// Takes the measured offsets off whole rows and columns.
class Banding final : public Stage
{
public:
    explicit Banding(const ChainFacts &facts) : m_facts(facts) {}

    Traits traits() const override { return {"banding", Space::Linear, Space::Linear, 0, 0.001}; }
    std::string settings() const override { return {}; }

    void run(Tile &tile, Rect out, Scratch &) const override
    {
        const Rect &a = m_facts.frame->active;
        for (int y = 0; y < out.height; ++y) {
            const int sy = mirrored(out.y + y - a.y, a.height);
            float *v = tile.now.views[0].row(y);
            for (int x = 0; x < out.width; ++x)
                v[x] -= m_facts.noise->banding.at(mirrored(out.x + x - a.x, a.width), sy);
        }
    }

private:
    const ChainFacts &m_facts;
};

} // namespace

std::unique_ptr<Stage> takeOffBanding(const ChainFacts &facts)
{
    const irenic::Banding &banding = facts.noise->banding;
    if (!facts.takesNoise || !facts.isMosaic() || (banding.rows.empty() && banding.columns.empty()))
        return nullptr;
    return std::make_unique<Banding>(facts);
}

} // namespace irenic::stages
