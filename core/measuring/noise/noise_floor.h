// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

#include <optional>

namespace irenic {

/// The noise of one tone of a mosaic, read below its texture.
struct FloorPoint {
    std::array<double, 4> mean; ///< of each cell of the pattern, as stored
    double ratio;               ///< the noise's variance over what the law says, of what is stored of either
    size_t patches;             ///< that it was read from
    double agreeing;            ///< share of the directions that hold no more than it: 1 where there is nothing but noise, near 0 where texture is everywhere
};

/// Reads each tone in the directions in which patches of 8 x 8 samples, weighed by `law`, hold least. Texture, which is alike from sample to sample and
/// from colour to colour, lies in some of the 64 directions; white noise lies in all alike. Directions come from one half of the frame (a
/// checkerboard), the variance along them from the other, so that the choice does not bias what is read; calm patches are chosen by the directions that are
/// not read. Source: the least eigenvalues of patches' covariance, as in Pyatykh, Hesser, Zheng, "Image noise level estimation by principal component
/// analysis", IEEE Trans. Image Process. 22(2), 2013, and Chen, Zhu, Heng, "An efficient statistical method for image noise level estimation", ICCV 2015; halves
/// and tones are ours.
/// Where noise is censored, calm patches are those that lost most of it: there all patches of a tone are read.
/// @param censoredAt signals below it were stored as it; where nothing was, a patch with a stored 0 in it is left out
/// @param spectrum of noise that neighbours of one colour share, which is made white first; empty where it is
/// Empty where the frame is too small. Fails only with Cancelled.
Result<std::vector<FloorPoint>> measureNoiseFloor(const Frame &frame, const std::array<NoiseModel, 4> &law, std::optional<double> censoredAt, const std::optional<BandNoise> &spectrum, const RunContext &run);
/// Whether part of the noise about a signal is missing.
inline bool reachesBlack(double mean, double sigma, std::optional<double> censoredAt)
{
    return censoredAt && mean - *censoredAt < 3 * sigma;
}

} // namespace irenic
