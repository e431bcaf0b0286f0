// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"

namespace irenic {

inline constexpr MethodInfo kWaveletInfo{
    .id = "wavelet",
    .label = visible("Wavelet shrinkage"),
    .goodAt = visible("Quick and even; keeps grain fine and edges free of halos."),
    .cost = visible("About an eighth of a second a megapixel on two cores."),
    .secondsPerMegapixel = 0.13,
    .rank = 0,
    .fromNoise = 0,
    .why = visible("light, so the quickest method loses nothing that shows."),
    .lighter = "dct",
    .beside = "bm3d",
};

/// Undecimated wavelet shrinkage on the sensor mosaic itself.
///
/// The finest level is the Haar packet over every two-by-two window (see Packet). Each of its four planes is split by
/// an undecimated Haar transform with steps of 2, 4, 8 and 16 pixels, and each detail coefficient is shrunk by the Bayesian
/// rule for a locally stationary signal: x max(0, 1 - t / e), e being the mean energy of its 5 x 5 neighbours of the same
/// phase and t proportional to the noise variance.
/// Sources: Nason and Silverman 1995 (stationary transform); Mihcak, Kozintsev, Ramchandran and Moulin, IEEE
/// Signal Process. Lett. 6(12), 1999 (local shrinkage).
std::unique_ptr<DenoiseMethod> makeWavelet(const Treatment &treatment);

/// Threshold on the local energy at a strength, in noise variances. The optimum of the factor is flat between 1.3 and 1.7.
constexpr float waveletThreshold(double strength)
{
    return 1.5f * float(strength * strength);
}

} // namespace irenic
