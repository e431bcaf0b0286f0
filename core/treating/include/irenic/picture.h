// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/clean_cache.h"
#include "irenic/develop.h"

namespace irenic {

/// Develops part of a treated frame at full size. Linear sRGB.
/// @param region inside Frame::active, coordinates of Frame::samples
/// @param cache  may be null
Result<RgbImage<float>> developRegion(const Cleaner &cleaner, Rect region, const Look &look, CleanCache *cache, const RunContext &run);

/// The same of a mosaic's samples alone, as the next program gets them: demosaiced, whether or not the method gives full colour.
Result<RgbImage<float>> developSamples(const Cleaner &cleaner, Rect region, const Look &look, CleanCache *cache, const RunContext &run);

/// Part of a treated mosaic in the camera's own colours: linear, 1 = clipping, neither balanced nor clipped.
Result<RgbImage<float>> demosaicRegion(const Cleaner &cleaner, Rect region, CleanCache *cache, const RunContext &run);

/// developRegion() at a whole reduction (even, >= 2): see Developer::developReduced. Computed in bands, so memory stays small.
Result<RgbImage<float>> developReducedRegion(const Cleaner &cleaner, Rect region, int factor, const Look &look, CleanCache *cache,
                                             const RunContext &run);

/// What the screen shows of a region, `look.show` included, ready to be encoded. `factor` 1 is full size.
Result<RgbImage<float>> developView(const Cleaner &cleaner, Rect region, int factor, const Look &look, CleanCache *cache, const RunContext &run);

/// The exposure at which the middle of the frame's tones is a middle tone, as far as no more than a hundredth of the picture blows.
double automaticExposureEv(const std::shared_ptr<const Frame> &frame, const Rendering &rendering);

} // namespace irenic
