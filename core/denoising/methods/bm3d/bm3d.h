// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"

namespace irenic {

inline constexpr MethodInfo kBm3dInfo{
    .id = "bm3d",
    .label = visible("BM3D"),
    .goodAt = visible("The classical best: keeps fine detail and cleans smooth tones well."),
    .cost = visible("About four times the wavelet's time."),
    .secondsPerMegapixel = 0.5,
    .rank = 2,
    .fromNoise = 0.06,
    .why = visible("heavy, where BM3D keeps the most detail and is worth its time."),
    .luminance = 0.9, // 0.1 dB above 1 on six photographs, and SSIM with it; see docs/engine.md
    .lighter = "wavelet",
    .beside = "nlm",
};

/// Block matching and collaborative filtering, both stages, on the packet of the sensor mosaic. Windows of 8 x 8 samples of
/// one phase are grouped with up to 15 of the same phase that look like them, and shrunk together: by hard threshold for the
/// basic estimate, by an empirical Wiener filter with that as its pilot for the final one. Groups are found on luminance (on
/// the noisy one for the first stage: choosing on a smoothed one picks windows whose noise is alike, and keeps it) and reused
/// for the three colour bands. The coarsest noise is cleaned by wavelet shrinkage afterwards.
/// Sources: Dabov, Foi, Katkovnik and Egiazarian, IEEE Trans. Image Process. 16(8), 2007; the same, "Color image denoising
/// via sparse 3D collaborative filtering with grouping constraint in luminance-chrominance space", ICIP 2007.
std::unique_ptr<DenoiseMethod> makeBm3d(const Treatment &treatment);

} // namespace irenic
