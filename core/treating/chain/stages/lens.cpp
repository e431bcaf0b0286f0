// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "lens/sensor_lens.h"

namespace irenic::stages {

namespace {

constexpr int kRowsAtOnce = 64; // between two looks at whether to stop

/// See SensorLens.
class Lens final : public Stage
{
public:
    explicit Lens(const ChainFacts &facts) : m_facts(facts), m_lens(facts.edits.lens, *facts.frame) {}

    Traits traits() const override { return {"lens", Space::Linear, Space::Linear, m_lens.haloPx(), m_facts.edits.lens.lateral ? 0.14 : 0.02}; }
    std::string settings() const override
    {
        const LensCorrection &l = m_facts.edits.lens;
        std::string text;
        if (l.lateral)
            text += "lateral" + settingsText(l.red) + settingsText(l.blue);
        if (l.vignetting)
            text += "vignetting" + settingsText(l.falloff);
        return text;
    }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        LentPlanes corrected(scratch, tile.now.count(), out);
        for (int y = 0; y < out.height && !scratch.stop.stop_requested(); y += kRowsAtOnce) {
            const Rect rows{out.x, out.y + y, out.width, std::min(kRowsAtOnce, out.height - y)};
            m_lens.apply(tile.linear(), rows, corrected.over(rows));
        }
        tile.now = std::move(corrected);
    }

private:
    const ChainFacts &m_facts;
    SensorLens m_lens;
};

} // namespace

std::unique_ptr<Stage> correctLens(const ChainFacts &facts)
{
    return facts.edits.lens.changesSamples() ? std::make_unique<Lens>(facts) : nullptr;
}

} // namespace irenic::stages
