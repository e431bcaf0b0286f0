// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"
#include "methods/denoise_method.h"

namespace irenic {

/// Pixels around a sample that giveBackPointLights looks at.
inline constexpr int kPointLightReachPx = 8;

/// Gives back what a method took from points of light. Where the removed part, seen through a 3 x 3 binomial filter
/// (the matched filter of a star of one to two pixels), rises further above 0 than noise does, the removed
/// part within two pixels is laid over the result again. Of ten thousand samples of pure noise, one is touched. The same is
/// done around a sample that outshines, in the cleaned picture itself, everything of its colour four and six pixels away:
/// such a point has kept its core and lost its faint rim.
/// @param strength of the treatment: who asks for more than was measured wants fewer doubtful lights, so above 1 the
///        height asked for grows with it
/// @param noisy, cleaned stabilised mosaics of one size (noise sigma 1); `cleaned` is changed in place, right for
///        samples at least kPointLightReachPx from the border
void giveBackPointLights(PlaneView<const float> noisy, PlaneView<float> cleaned, float strength, Scratch &scratch);

} // namespace irenic
