// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

#include <functional>
#include <optional>
#include <vector>

namespace irenic {

/// Patches in which the noise is read below the texture: all begin on the same place of the sensor's pattern.
struct PatchSampling {
    int sidePx;                ///< of a patch: 8, or 6
    int unitPx;                ///< patches begin at multiples of it
    std::vector<uint8_t> cell; ///< colour, or cell of the pattern, of each sample; by row, then column

    static PatchSampling twoByTwo();                                       ///< 8 x 8 samples of four cells
    static PatchSampling sixBySix(const std::array<uint8_t, 36> &colours); ///< 6 x 6 samples of three colours
};

struct PatchInput {
    Rect area; ///< patches begin at its corner
    PatchSampling sampling;
    /// Linear signals of the patch at that corner, row by row; NaN where the number stored says nothing.
    std::function<void(PixelAt corner, float *linear)> values;
    std::optional<double> censoredAt;  ///< signals below it were stored as it
    std::optional<BandNoise> spectrum; ///< of noise that neighbours of one colour share, which is made white first; of 8 x 8 samples alone
};

/// The noise of one tone of a mosaic, read below its texture.
struct FloorPoint {
    std::array<double, 4> mean; ///< of each cell of the pattern, as stored
    double ratio;               ///< the noise's variance over what the law says, of what is stored of either
    size_t patches;             ///< that it was read from
    double agreeing;            ///< share of the directions that hold no more than it: 1 where there is nothing but noise, near 0 where texture is everywhere
};

/// Reads each tone in the directions in which patches, weighed by `law`, hold least. Texture, which is alike from sample to sample and from colour to colour, lies in some of
/// the directions; white noise lies in all alike. Directions come from one half of the frame (a checkerboard), the variance along them from the
/// other, so that the choice does not bias what is read; calm patches are chosen by the directions that are not read. Source: the least eigenvalues of patches' covariance,
/// as in Pyatykh, Hesser, Zheng, "Image noise level estimation by principal component analysis", IEEE Trans. Image Process. 22(2), 2013, and Chen,
/// Zhu, Heng, "An efficient statistical method for image noise level estimation", ICCV 2015; halves and tones are ours.
/// Where noise is censored, calm patches are those that lost most of it: there all patches of a tone are read.
/// Empty where the frame is too small. Fails only with Cancelled.
Result<std::vector<FloorPoint>> measurePatchFloor(const PatchInput &input, const std::vector<NoiseModel> &law, const RunContext &run);

struct FlooredLaw {
    std::vector<NoiseModel> cells;
    double confidence; ///< by how many directions agree with the floor
};

/// Lowers the law to what patches hold in their calmest directions: texture can only have raised it. Empty where the frame is too small; fails only with Cancelled.
/// @param varianceFloor no law is lower in the dark
/// @param readVariance known in the dark; then only the slope is looked for
Result<std::optional<FlooredLaw>> loweredToFloor(const PatchInput &input, const std::vector<NoiseModel> &law, double varianceFloor, std::optional<double> readVariance, const RunContext &run);

/// Whether part of the noise about a signal is missing.
inline bool reachesBlack(double mean, double sigma, std::optional<double> censoredAt)
{
    return censoredAt && mean - *censoredAt < 3 * sigma;
}

} // namespace irenic
