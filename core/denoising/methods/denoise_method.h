// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/scratch.h"
#include "irenic/frame.h"
#include "irenic/methods.h"
#include "irenic/noise.h"

#include <memory>
#include <vector>

namespace irenic {

/// What makes white equal in all colours of a stabilised mosaic. By place in a square of four with red at its top left: red, green, green, blue.
struct MosaicBalance {
    std::array<float, 4> ratio{1, 1, 1, 1};         ///< to multiply by
    std::array<float, 4> white{1e6, 1e6, 1e6, 1e6}; ///< where the sensor clips, before
};

/// What a method is given of one tile, variance-stabilised so that the noise of every sample has sigma 1; never NaN. Every row is
/// followed by kRowPaddingPx readable samples.
struct TileInput {
    std::array<PlaneView<const float>, 3> planes;  ///< the sensor mosaic alone, or red, green and blue
    CfaPattern cfa;                                ///< of a mosaic, as seen from its first sample
    const std::vector<BandNoise> *bands = nullptr; ///< of a full-colour tile; null for a mosaic
    const BandNoise *spectrum = nullptr;           ///< of every band of a mosaic; null where its noise is white
    const MosaicBalance *balance = nullptr;        ///< of a mosaic; null where nothing is known

    bool isMosaic() const { return !bands; }
    int width() const { return planes[0].width; }
    int height() const { return planes[0].height; }
    size_t planeCount() const { return isMosaic() ? 1 : 3; }
    /// The same tile with `px` less on every side.
    TileInput shrunkBy(int px) const
    {
        TileInput t = *this;
        for (size_t i = 0; i < planeCount(); ++i)
            t.planes[i] = planes[i].cut({px, px, width() - 2 * px, height() - 2 * px});
        t.cfa = cfa.shifted(px, px);
        return t;
    }
    static TileInput mosaic(PlaneView<const float> samples, CfaPattern cfa) { return {{samples, {}, {}}, cfa, nullptr, nullptr, nullptr}; }
};
/// One noise-reduction algorithm, already configured. Immutable, so one instance serves all threads.
class DenoiseMethod
{
public:
    virtual ~DenoiseMethod() = default;
    /// Context needed on every side of a tile, in sensor pixels.
    virtual int haloPx() const = 0;
    /// Side of the tiles that waste little on halos, and need neither much memory nor long to be stopped.
    virtual int bestTilePx() const { return 896; }
    /// @param in    tile plus haloPx() on each side
    /// @param where the tile's place in the frame, for grids that are anchored there and for nothing else
    /// @param out   the tile, as many planes as went in; never overlaps `in`. Of a mosaic by a method with MethodInfo::givesColours two more, for the two colours that
    ///              were not measured at a place, in the order red, green, blue: what a linear demosaicing (stages/colours.cpp) lacks of them, in balanced stabilised numbers
    /// Cannot fail: parameters were validated when the method was made.
    virtual void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const = 0;
};

/// Builds the method of a validated treatment.
std::unique_ptr<DenoiseMethod> makeMethod(const Treatment &treatment);

} // namespace irenic
