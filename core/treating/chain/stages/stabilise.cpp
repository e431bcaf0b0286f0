// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

namespace irenic::stages {

namespace {

/// Makes the noise of every sample have sigma 1 (see Stabiliser), and keeps the samples as they are for those who compare with them.
class Stabilise final : public Stage
{
public:
    explicit Stabilise(const ChainFacts &facts) : m_facts(facts) {}

    Traits traits() const override { return {"stabilise", Space::Linear, Space::Stabilised, 0, 0.004}; }
    std::string settings() const override { return {}; }

    void run(Tile &tile, Rect out, Scratch &) const override
    {
        for (size_t c = 0; c < m_facts.planes(); ++c)
            for (int y = 0; y < out.height; ++y) {
                const auto pair = m_facts.stabilisersOfRow(c, out.y + y);
                float *v = tile.now.views[c].row(y);
                for (int x = 0; x < out.width; ++x)
                    v[x] = pair[(out.x + x) & 1].forward(v[x]);
            }
        tile.noisy = std::move(tile.now);
    }

private:
    const ChainFacts &m_facts;
};

} // namespace

std::unique_ptr<Stage> stabilise(const ChainFacts &facts)
{
    return facts.takesNoise ? std::make_unique<Stabilise>(facts) : nullptr;
}

} // namespace irenic::stages
