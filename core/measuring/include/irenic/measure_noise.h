// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

namespace irenic {

/// Measures the noise law of each cell of the pattern, or of each colour, and finds bad pixels and banding, from the frame alone;
/// of full-colour frames also how the noise of neighbours hangs together.
/// Fails only with Cancelled, or BadParameter where the frame is too small (under 16 x 16).
Result<NoiseReport> measureNoise(const Frame &frame, const RunContext &run = {});

} // namespace irenic
