// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "measure/analysis_planes.h"

#include <vector>

namespace irenic {

/// What is left in one block, as ratios of sigma to the measured noise. Only smooth blocks are judged: elsewhere nobody can tell
/// noise from picture.
struct BlockNoise {
    Rect where; ///< stored coordinates
    bool smooth = false;
    float coarse = 0;      ///< variance of the untreated luminance's 4 x 4 means; 1 for white noise, more where there is faint picture
    float luminance = 0;   ///< what is left of luminance noise
    float colour = 0;      ///< what is left of colour noise
    float signal = 0;      ///< mean linear signal
    float sigmaBefore = 0; ///< of the linear signal, untreated
    float sigmaAfter = 0;  ///< treated
    float sigmaLaw = 0;    ///< as the noise law has it
};

inline constexpr int kPlaceBlockSamples = 32; ///< side of a block, in samples of AnalysisPlanes, for the readings of a place
inline constexpr int kMapBlockSamples = 16;   ///< for the map of a frame: more blocks are smooth, but slow blotches go uncounted

/// Whole blocks over two readings of one region, untreated and treated. A slope across a block is picture and is taken off; what
/// remains in the treated one is noise left. A block is smooth where the untreated one holds, at two scales, no more than noise.
/// @param side  of a block, in samples
/// @param white whether neighbouring samples' noise is independent; that of full colour hangs together
std::vector<BlockNoise> blockNoise(const AnalysisPlanes &untreated, const AnalysisPlanes &treated, Rect region, int side, bool white);

/// That of a block's means of 4 x 4, about the plane of best fit, times their number of samples: of noise that neighbours do not share the same as the block's own.
double coarseVariance(PlaneView<const float> block);

/// Variance about the plane of best fit of a block, over the degrees of freedom that are left.
double varianceAboutSlope(PlaneView<const float> block);

} // namespace irenic
