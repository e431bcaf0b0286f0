// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/noise.h"

namespace irenic {

/// A region as figures are taken from it: luminance and two colour differences, each with noise of sigma 1 where the law holds, and
/// the linear signal. One sample for every window of two by two pixels.
struct AnalysisPlanes {
    static constexpr int kStepPx = 2;
    Plane<float> luminance, redBlue, greenness;
    Plane<float> linear;             ///< mean of the colours, 1 = clipping
    Plane<float> law;                ///< variance of `linear` by the noise law
    std::array<Plane<float>, 3> rgb; ///< linear camera red, green, blue
};

/// @param linear samples of `region`, Frame::channels() a pixel, as Cleaner::clean answers them
/// @param region stored coordinates; with even corner and size
AnalysisPlanes analysisPlanes(const Frame &frame, const NoiseReport &noise, PlaneView<const float> linear, Rect region);

/// The largest rectangle inside `r` that analysisPlanes takes.
Rect analysable(Rect r);

} // namespace irenic
