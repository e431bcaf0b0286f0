// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

namespace irenic {

/// Offsets that the sensor's electronics add to whole rows and whole columns, found from the frame alone.
///
/// Every sample is compared with the mean of its four neighbours of the same colour across the line, and counts by the noise and by the picture's
/// unrest around it: in the light photon noise hides banding, in texture the picture does. Of a line, sixteen stretches answer for
/// themselves; those that differ by more than noise are dropped, or make the line doubtful. What both halves of the lines have in common is banding; edges
/// of the picture rarely go through both. Each line is then drawn toward
/// zero by its standard error against how much lines differ at all (the linear minimum-mean-square-error estimate).
/// Offsets that change slowly from line to line are left alone: they could be the picture's, and they hold its means.
/// Fails only with Cancelled.
Result<Banding> measureBanding(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run);

} // namespace irenic
