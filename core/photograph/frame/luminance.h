// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/scratch.h"

namespace irenic {

/// Linear planes of a tile, with a border of their own: the sensor mosaic alone, or red, green and blue.
struct LinearTile {
    TilePlanes planes;
    size_t count = 1;
    Rect where; ///< what they cover, in stored pixels
    bool isMosaic() const { return count == 1; }
};

/// Luminance of linear planes: of a mosaic by the filter (1 2 1) both ways, which every colour pattern passes with the weights 1 2 1 of red,
/// green and blue; of full colour with the same weights. Of the outermost samples of a mosaic it repeats that next to them.
void luminanceOf(const LinearTile &in, PlaneView<float> out);

/// Sigma of that luminance's noise over the mean sigma of its samples.
inline float luminanceSigmaShare(bool mosaic)
{
    return mosaic ? 0.375f : 0.61f;
}

/// Means of (2 r + 1)^2 samples, right at least r from the border; in the same order of additions at every place.
void boxMeanOf(PlaneView<const float> in, int r, PlaneView<float> out);

} // namespace irenic
