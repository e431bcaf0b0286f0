// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/clean_cache.h"
#include "irenic/develop.h"

#include <string>

namespace irenic {

/// Which detail of a treated picture would be another one had the noise been another one: it may be made up. The treated picture is taken for the scene,
/// photographed again with the measured noise, and treated again, twice; where the answers part from it, its detail depends on the noise.
struct Doubt {
    Plane<float> detail; ///< encoded luma (ITU-R BT.601) less its mean over 7 x 7 pixels; of the treated picture
    Plane<float> doubt;  ///< 0 where detail stays, 1 where none of it does, or where there is hardly any; by the energies of change and of detail over 9 x 9 pixels
    double share = 0;    ///< how much of the detail, by its size, is in doubt; 0 to 1, 0 where there is none
};

/// Why there is nothing to be told of a frame, as a sentence; empty where there is.
std::string whyNoDoubt(const Frame &frame, const NoiseReport &noise);

/// At full size, developed as shot. Only where whyNoDoubt() is empty. Same bits for any threads. Fails with Cancelled; of six-by-six sensors also with Unsupported, where LibRaw gives up.
/// @param region  stored coordinates, inside Frame::active
/// @param cache   may be null; what is photographed again is not kept there
Result<Doubt> doubtAt(const Cleaner &treated, Rect region, const Look &look, CleanCache *cache, const RunContext &run = {});

} // namespace irenic
