// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"

namespace irenic {

/// The scales of an undecimated Haar transform of one band of a packet: scale i compares samples 2 << i pixels apart.
struct Scales {
    int first; ///< finest scale that is cleaned; finer ones pass as they are
    int count; ///< scales in all, so the coarsest cleaned is count - 1; at most BandNoise::kScales
};

/// How far the samples of a cleaned band look to each side.
int reachPx(Scales scales);

/// Shrinks the detail of the given scales in place by the Bayesian rule of the wavelet method (see makeWavelet), for
/// noise of sigma 1. Of `size` samples, those at least reachPx() from every border are right afterwards.
/// @param noise     how much noise the scales hold beside each other
/// @param threshold on the local energy, in noise variances
void shrinkScales(PlaneView<float> band, const BandNoise &noise, Size size, Scales scales, float threshold, Scratch &scratch);

} // namespace irenic
