// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"
#include "methods/wavelet/scales.h"

namespace irenic {

inline constexpr MethodInfo kDctInfo{
    .id = "dct",
    .label = visible("Sliding DCT"),
    .goodAt = visible("Crisp lines and weaves; quick."),
    .cost = visible("About twice the wavelet's time."),
    .secondsPerMegapixel = 0.28,
    .rank = 1,
    .fromNoise = 0.03,
    .why = visible("moderate, where sliding DCT keeps as much detail as slower methods."),
    .lighter = "wavelet",
    .beside = "bm3d",
};

/// Sliding-window DCT shrinkage on the packet of the sensor mosaic: windows of 8 x 8 samples of one phase, first by hard
/// threshold, then by an empirical Wiener filter with that as its pilot, each window weighed by how few coefficients it
/// needed. What is coarser than a window is cleaned by wavelet shrinkage.
/// Sources: Yaroslavsky, Egiazarian and Astola, Proc. SPIE 4304, 2001 (sliding DCT); Guleryuz, IEEE Trans. Image Process.
/// 16(12), 2007 (weights); Ghael, Sayeed and Baraniuk, Proc. SPIE 3169, 1997 (empirical Wiener filter).
std::unique_ptr<DenoiseMethod> makeDct(const Treatment &treatment);

/// What the other methods use of it: one band cleaned in place, noise of sigma 1.
struct DctBand {
    float hardThreshold;   ///< noise sigma; 0 leaves the band as it is
    float wienerThreshold; ///< noise sigma; 0 leaves the Wiener pass out
    int rowStep;           ///< rows from one row of windows to the next; they are anchored to the frame
};
int reachPx(const DctBand &settings);
void shrinkDct(PlaneView<float> band, const BandNoise &noise, Size size, int rowInFrame, const DctBand &settings, Scratch &scratch);

/// Luminance cleaned for its slope alone, which methods take out of the colours before they clean them.
DctBand slopeBand(double luminanceStrength);

/// Scales coarser than a window of the DCT, cleaned by wavelet shrinkage wherever the finer ones are cleaned otherwise.
inline constexpr Scales kCoarseScales{3, 4};

} // namespace irenic
