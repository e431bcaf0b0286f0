// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"

namespace irenic {

inline constexpr MethodInfo kUnetInfo{
    .id = "unet",
    .label = "Residual U-Net",
    .goodAt = "Fine lines, lettering and irregular texture; a network that learned from procedural pictures alone. Finished pictures and six-by-six sensors get BM3D instead.",
    .cost = "About twice the wavelet's time.",
    .secondsPerMegapixel = 0.35,
    .fullColour = "bm3d",
    .expectsWhite = true,
    .answersOnce = true,
    .rank = 3,
    .fromNoise = 0.045,
    .why = "heavy, where the residual U-Net keeps the most detail, in less time than BM3D.",
    .lighter = "wavelet",
    .beside = "bm3d",
    .alias = "learned",
};

/// A compact residual U-Net on the four packed planes of a two-by-two sensor, trained on procedural scenes and the sensor's law alone
/// (training/). It is told the noise and answers what it takes for noise. Without biases, so that its answer grows with its input.
/// Strengths up to 1 take that share of what it took for noise, each of its own part; beyond 1 it is told more noise, a sixth more at 3 (the ensemble: a twelfth).
/// Sources: Ronneberger, Fischer and Brox, MICCAI 2015 (U-Net); Zhang, Zuo, Chen, Meng and Zhang, IEEE Trans. Image Process. 26(7), 2017
/// (residual learning); Mohan, Kadkhodaie, Simoncelli and Fernandez-Granda, ICLR 2020 (without biases).
std::unique_ptr<DenoiseMethod> makeUnet(const Treatment &treatment);

inline constexpr MethodInfo kUnetEnsembleInfo{
    .id = "unet-ensemble",
    .label = "U-Net self-ensemble",
    .goodAt = "The export of a picture that matters: a network three times as large is asked four times, with the frame turned and with rows for columns, and the mean of its answers is taken. Finished pictures and six-by-six sensors get BM3D instead.",
    .cost = "Ten times the residual U-Net's time, five times BM3D's.",
    .secondsPerMegapixel = 3.5,
    .fullColour = "bm3d",
    .expectsWhite = true,
    .answersOnce = true,
    .lighter = "wavelet",
    .beside = "bm3d",
};

/// A larger network's answers to four views of the frame (as it is, turned by half a turn, and both with rows for columns), and of these the mean: what each gets wrong in
/// its own way cancels in part. Source: Timofte, Rothe and Van Gool, CVPR 2016 (enhanced prediction, since called geometric self-ensemble).
std::unique_ptr<DenoiseMethod> makeUnetEnsemble(const Treatment &treatment);

/// The weights of each are there and whole.
Status unetIsReady();
Status unetEnsembleIsReady();

} // namespace irenic
