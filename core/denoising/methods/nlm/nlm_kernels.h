// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <array>
#include <cstdlib>
#include <span>
#include <vector>

/// Weighted means over places that look alike. Vector code with the plain version in namespace reference; planes as in
/// packet_kernels.h.
namespace irenic::nlm {

inline constexpr int kPatchReachPx = 1;   ///< places are compared by the 3 x 3 windows around, which see 4 x 4 samples
inline constexpr int kBlockHeightPx = 48; ///< regions of this height waste nothing

struct Settings {
    int searchPx;                        ///< places up to this far away, both ways, take part
    std::array<float, 4> guideWeights;   ///< of the guides in the distance; they sum to 1
    float bias;                          ///< the distance that noise alone makes; it is taken off
    float luminanceSpread, colourSpread; ///< distance beyond `bias` over which a weight falls to 1 / e; 0 leaves the bands as they are
};

/// A band, its mean, and the weights that it goes by.
struct Band {
    PlaneView<const float> samples;
    PlaneView<float> mean;
    bool isColour;
};
inline constexpr size_t kMostBands = 6;

inline int reachPx(const Settings &s) { return s.searchPx + kPatchReachPx; }

/// Where the places lie that take part, but for the place itself: row by row. Immediate neighbours share samples with it, and so its
/// noise, and are left out.
struct Offset {
    int x, y;
};
inline std::vector<Offset> offsets(const Settings &s)
{
    std::vector<Offset> all;
    for (int y = -s.searchPx; y <= s.searchPx; ++y)
        for (int x = -s.searchPx; x <= s.searchPx; ++x)
            if (std::abs(x) > 1 || std::abs(y) > 1)
                all.push_back({x, y});
    return all;
}

/// For every (x, y) of `where`, each band's mean over itself and the places that take part, with weights
/// (1 - t / 4)^4, 0 from t = 4 on, where t = max(0, distance - bias) / spread: close to exp(-t), but zero where it no longer
/// matters. The distance is the mean square difference of the guides' surroundings, by guideWeights.
/// @param bands  four or six
/// @param guides what places are compared by; may be the bands themselves. The fourth is not read where it weighs nothing
void average(std::span<const Band> bands, const std::array<PlaneView<const float>, 4> &guides, const Settings &settings, TileRect where);

namespace reference {
void average(std::span<const Band> bands, const std::array<PlaneView<const float>, 4> &guides, const Settings &settings, TileRect where);
} // namespace reference

} // namespace irenic::nlm
