// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/develop.h"
#include "render/surroundings.h"

namespace irenic {

/// Linear samples of a region as they are stored; Frame::channels() a pixel. Fails only with Cancelled.
/// @param region inside Frame::active
Result<Plane<float>> linearSamples(const Frame &frame, Rect region, const RunContext &run);

/// Whole blocks of a region (see Developer::developReduced), band by band, so that no more than `bandRows` rows of samples are held.
/// @param samplesOf linear samples of a band
Result<RgbImage<float>> developInBands(const Frame &frame, const Developer &developer, Rect region, int factor, int bandRows, const RunContext &run,
                                       const std::function<Result<Plane<float>>(Rect)> &samplesOf);

/// A frame that nothing was done to, as shot, at a whole reduction (even, >= 2): see Developer::developReduced. Fails only with Cancelled.
Result<RgbImage<float>> developUntreated(const Frame &frame, Rect region, int factor, const RunContext &run);

/// Made when they are first asked for, and kept for as long as the frame lives; null where it was stopped.
std::shared_ptr<const Surroundings> surroundingsOf(const std::shared_ptr<const Frame> &frame, const RunContext &run);

} // namespace irenic
