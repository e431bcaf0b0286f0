// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "law/patch_floor.h"

namespace irenic {

class Linearizer;

/// A two-by-two mosaic, for measurePatchFloor(); keeps references to both.
/// @param censoredAt where nothing was, a patch with a stored 0 in it is left out
PatchInput patchInputOf(const Frame &frame, const Linearizer &levels, std::optional<double> censoredAt, const std::optional<BandNoise> &spectrum);
/// measurePatchFloor() of it.
Result<std::vector<FloorPoint>> measureNoiseFloor(const Frame &frame, const std::array<NoiseModel, 4> &law, std::optional<double> censoredAt, const std::optional<BandNoise> &spectrum, const RunContext &run);

} // namespace irenic
