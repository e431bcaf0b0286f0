// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

namespace irenic {

/// Where what one picture shows lies in another.
struct PictureShift {
    double dx = 0, dy = 0; ///< pixels further right and down
    double likeness = 0;   ///< of tones and edges there, 1 is the same picture
    bool isSure() const { return likeness >= 0.4; }
};

/// By how much a camera was moved between two exposures: up to a quarter of either side, told to a fraction of a pixel. The exposure does not matter. A texture that repeats, with
/// little else beside it, may be found a period off. Meant for small pictures, a few hundred pixels wide.
/// @param from, to encoded luminance, any range, of the same size; otherwise nothing is alike
PictureShift shiftBetween(PlaneView<const float> from, PlaneView<const float> to);

} // namespace irenic
