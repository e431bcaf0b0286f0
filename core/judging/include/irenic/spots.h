// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/noise.h"

#include <span>
#include <vector>

namespace irenic {

/// What a place in a frame is looked at for.
enum class SpotKind : uint8_t {
    Own,
    Shadow,
    PlainTone,
    Texture,
    TextureBesideSmooth,
    Edge,
    PointLights,
    StrongColour,
    Corner,
    MostNoiseLeft,
};

struct SpotKindInfo {
    SpotKind kind;
    const char *id;    ///< as in sessions and on the command line
    const char *label; ///< as on the spot's tab
    const char *help;
};
std::span<const SpotKindInfo> spotKinds();
const SpotKindInfo &infoOf(SpotKind kind);

struct ProposedSpot {
    SpotKind kind;
    UprightPoint at;
};

/// Places worth looking at, at most one of a kind and none where the frame has nothing of it, apart from each other: found from
/// block statistics of the stabilised samples, where everything beyond noise of sigma 1 is picture. In the order of SpotKind,
/// MostNoiseLeft aside, which asks for a treatment (see leftoverMap()). Fails only with Cancelled.
Result<std::vector<ProposedSpot>> proposeSpots(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const RunContext &run = {});

} // namespace irenic
