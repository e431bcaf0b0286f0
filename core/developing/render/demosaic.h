// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

namespace irenic {

/// Pixels of mosaic that demosaic() looks at around a pixel; even, so that the pattern keeps its phase.
inline constexpr int kDemosaicHaloPx = 12;

/// Full colour of a two-by-two mosaic by directional linear minimum mean square-error estimation of the colour differences:
/// along rows and along columns the difference of green and the line's other colour is interpolated, smoothed, and weighed by
/// how much of it is signal; the two estimates are joined by their expected errors. What noise is left counts as error, so it makes
/// no mazes. Source: Zhang and Wu, IEEE Trans. Image Process. 14(12), 2005. Depends on nothing but the samples around a pixel.
/// @param mosaic  white-balanced linear samples of the region and kDemosaicHaloPx around it
/// @param cfa     the pattern at the corner of the region
/// @param rgb     three interleaved floats a pixel, rows without padding; the region's size
void demosaic(PlaneView<const float> mosaic, CfaPattern cfa, float *rgb);

} // namespace irenic
