// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "frame/luminance.h"
#include "irenic/noise.h"

namespace irenic {

/// Samples around a tile that keepGrain() looks at.
inline constexpr int kGrainHaloPx = 14;

/// Leaves a share of the luminance noise in a cleaned tile as grain. What was removed from luminance is freed of everything coarser than 9
/// pixels (fine), held to the strength that noise has there (even: where an edge was lost, no more of it comes back than of noise), and
/// laid over all colours in proportion to the colour of the place (neutral).
/// @param noisyLuminance luminanceOf() the untreated tile, of the same place
/// @param share          0 to 1, of every sample
/// @param noise          law of the mean sample
/// @param neutral        camera colours of grey, which take over where the place is too dark to have a colour
void keepGrain(const LinearTile &cleaned, PlaneView<const float> noisyLuminance, PlaneView<const float> share, const NoiseModel &noise, CfaPattern cfa,
               const std::array<float, 3> &neutral);

} // namespace irenic
