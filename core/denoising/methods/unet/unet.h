// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"

#include <limits>

namespace irenic {

inline constexpr MethodInfo kUnetInfo{
    .id = "unet",
    .label = visible("Residual U-Net"),
    .goodAt = visible("Fine lines, lettering and irregular texture; a network that learned from procedural pictures alone. Of two-by-two sensors; other frames get U-Net in full colour instead."),
    .cost = visible("About twice the wavelet's time."),
    .secondsPerMegapixel = 0.35,
    .fullColour = "unet-colour",
    .expectsWhite = true,
    .answersOnce = true,
    .rank = 3,
    .fromNoise = 0.045,
    .why = visible("heavy, where the residual U-Net keeps the most detail, in less time than BM3D."),
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
    .label = visible("U-Net self-ensemble"),
    .goodAt = visible("The export of a picture that matters: a network three times as large is asked four times, with the frame turned and with rows for columns, and the mean of its answers is taken. Of two-by-two sensors; other frames get U-Net in full colour instead."),
    .cost = visible("Ten times the residual U-Net's time, five times BM3D's."),
    .secondsPerMegapixel = 3.5,
    .fullColour = "unet-colour",
    .expectsWhite = true,
    .answersOnce = true,
    .lighter = "wavelet",
    .beside = "bm3d",
};

/// A larger network's answers to four views of the frame (as it is, turned by half a turn, and both with rows for columns), and of these the mean: what each gets wrong in
/// its own way cancels in part. Source: Timofte, Rothe and Van Gool, CVPR 2016 (enhanced prediction, since called geometric self-ensemble).
std::unique_ptr<DenoiseMethod> makeUnetEnsemble(const Treatment &treatment);

inline constexpr MethodInfo kUnetColourInfo{
    .id = "unet-colour",
    .label = visible("U-Net in full colour"),
    .goodAt = visible("Pictures that are developed here: one pass answers the sensor's samples and, in place of demosaicing them, the colours. A mosaic DNG gets the samples alone. Frames in full colour (linear ones, six-by-six sensors, finished pictures) have a network of their own, which sees noise where it cannot be measured."),
    .cost = visible("About three times the residual U-Net's time."),
    .secondsPerMegapixel = 1.2,
    .secondsInFullColour = 1.2,
    .coloursFromNoise = 0.02,
    .expectsWhite = true,
    .answersOnce = true,
    .givesColours = true,
    .rank = 4, // of frames in full colour
    .fromNoiseInFullColour = 0.02,
    .why = visible("hard to measure in full colour, where the network sees noise for itself."),
    .seesNoise = true,
    .lighter = "wavelet",
    .beside = "bm3d",
};

/// The second generation (training/full_colour.py): white is made equal in all colours, the network is told the noise of each and how far black and white are, and
/// answers what it takes for noise in the samples and what a linear demosaicing of the clean ones lacks. Strengths as makeUnet()'s.
/// Sources: as makeUnet(); Gharbi, Chaurasia, Paris and Durand, ACM Trans. Graph. 35(6), 2016 (demosaicing and denoising by one network).
std::unique_ptr<DenoiseMethod> makeUnetColour(const Treatment &treatment);

/// Of frames that have full colour already: linear, six-by-six, finished pictures (training/finished.py). It is told what was measured of their noise, and was trained on
/// measurements that are wrong: it takes what looks like noise. makeUnetColour() hands such frames to it.
/// @param reachPx even; where it is less than the network's own, answers near the edge of a tile are a little off, and a small tile takes a fraction of the time
std::unique_ptr<DenoiseMethod> makeUnetFinished(const Treatment &treatment, int reachPx = std::numeric_limits<int>::max());

/// The weights of each are there and whole.
Status unetColourIsReady();
Status unetIsReady();
Status unetEnsembleIsReady();

} // namespace irenic
