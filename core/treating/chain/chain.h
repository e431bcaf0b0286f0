// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "chain/stage.h"

namespace irenic {

/// Time that stages took, for benchmarks.
struct StageTime {
    std::string name;
    double seconds = 0;
    double megapixels = 0; ///< that it computed, halos of later stages included
};

/// The stages that treat a frame, in order. What it is, what it costs and how far it looks all come from them; a new step is one
/// file in stages/ and one line in chain.cpp. Immutable.
class Chain
{
public:
    explicit Chain(std::shared_ptr<const ChainFacts> facts);

    const ChainFacts &facts() const { return *m_facts; }
    std::span<const std::unique_ptr<Stage>> stages() const { return m_stages; }
    /// Without stages: every sample stays as it is.
    bool isIdentity() const { return m_stages.empty(); }
    const ChainIdentity &identity() const { return m_identity; }
    bool has(const char *name) const;
    bool givesColours() const { return has(kColoursStage); }

    int haloPx() const { return m_haloPx; }
    int bestTilePx() const { return m_bestTilePx; }
    /// Of two cores of a middling machine, for a region in tiles of that size, their halos included.
    double secondsPerMegapixel() const;

    /// Treats one tile of the frame.
    /// @param last  name of the stage to end with; null: all
    /// @param times to be added to, one for every stage; may be null
    /// The samples in `tile.now`, red, green and blue of a mosaic, too, where it givesColours() and all stages ran; once stopped, they may be anything.
    void run(Tile &tile, Rect where, Scratch &scratch, const char *last = nullptr, std::vector<StageTime> *times = nullptr) const;

private:
    std::shared_ptr<const ChainFacts> m_facts;
    std::vector<std::unique_ptr<Stage>> m_stages;
    std::vector<Stage::Traits> m_traits;
    ChainIdentity m_identity;
    int m_haloPx = 0, m_bestTilePx = 0;
};

} // namespace irenic
