// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"

namespace irenic {

inline constexpr MethodInfo kNlmInfo{
    .id = "nlm",
    .label = visible("Non-local means"),
    .goodAt = visible("Repeating texture such as weave and rope; leaves a little fine grain."),
    .cost = visible("About three times the wavelet's time."),
    .secondsPerMegapixel = 0.45,
    .luminance = 0.85,
    .colour = 1.25,
    .luminanceOfFullColour = 0.7,
    .lighter = "wavelet",
    .beside = "bm3d",
};

/// Non-local means on the packet of the sensor mosaic: every sample becomes a mean over the places around whose
/// surroundings look alike, with one set of weights for luminance and colour. The coarsest noise is cleaned by wavelet
/// shrinkage afterwards.
/// Sources: Buades, Coll and Morel, Multiscale Model. Simul. 4(2), 2005; Goossens, Luong, Pizurica and Philips, LNLA 2008
/// (weights that end; the noise's own distance taken off).
std::unique_ptr<DenoiseMethod> makeNlm(const Treatment &treatment);

} // namespace irenic
