// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"

namespace irenic {

inline constexpr MethodInfo kWaveletInfo{"wavelet", "Wavelet shrinkage", "Quick and even; keeps grain fine and edges free of halos.",
                                         "About a tenth of a second a megapixel on two cores."};

/// Undecimated wavelet shrinkage on the sensor mosaic itself.
///
/// The finest level is a Haar packet over every two-by-two window: its sum is luminance, and its three
/// differences are the colour signals of the pattern together with the finest detail, so luminance and colour
/// part without demosaicing and without a grid of two pixels being left over. Each of the four planes is then
/// split by an undecimated Haar transform with steps of 2, 4, 8, ... pixels, and each detail coefficient is
/// shrunk by the Bayesian rule for a locally stationary signal: x max(0, 1 - t / e), e being the mean energy of
/// its 5 x 5 neighbours of the same phase and t proportional to the noise variance. The differences are shrunk after
/// the gradient of the cleaned luminance was taken out of them, and get it back afterwards.
/// Sources: Nason and Silverman 1995 (stationary transform); Mihcak, Kozintsev, Ramchandran and Moulin, IEEE
/// Signal Process. Lett. 6(12), 1999 (local shrinkage); Alleysson, Suesstrunk and Herault, IEEE Trans. Image
/// Process. 14(4), 2005 (the mosaic as luminance plus modulated colour).
std::unique_ptr<DenoiseMethod> makeWavelet(const Treatment &treatment);

inline constexpr int kWaveletLuminanceLevels = 4;
inline constexpr int kWaveletColourLevels = 4;
/// Threshold on the local energy at strength 1, in noise variances. The optimum is flat between 1.3 and 1.7.
inline constexpr float kWaveletThreshold = 1.5f;

/// The same for the difference of the two greens, as a multiple of the colour threshold.
inline constexpr float kWaveletGreenFactor = 1.0f;

} // namespace irenic
