// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/develop.h"

namespace irenic {

using Lab = std::array<double, 3>;

/// CIE L*a*b* under D65 of linear sRGB.
Lab labOf(const std::array<double, 3> &linearSrgb);

/// Colour difference CIEDE2000 (CIE 142-2001; Sharma, Wu and Dalal, Color Res. Appl. 30(1), 2005), unit weights.
double ciede2000(const Lab &a, const Lab &b);

/// How far the colours of places moved: CIEDE2000 of the means of blocks.
struct Drift {
    double median = 0;
    double high = 0; ///< 95th percentile
};
/// @param a, b linear pictures of one size, developed alike; smaller than a block, they are one
Drift driftBetween(const RgbImage<float> &a, const RgbImage<float> &b, int blockPx = 64);

/// How much of the picture went with the noise: the correlation of what was removed with the local structure of the result, over
/// luma. 0 for pure noise, 1 for a plain blur of a picture without noise; never below 0.
/// @param untreated, treated linear pictures of one size, developed alike
double detailLost(const RgbImage<float> &untreated, const RgbImage<float> &treated);

} // namespace irenic
