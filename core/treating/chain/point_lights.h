// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"
#include "methods/denoise_method.h"

namespace irenic {

/// Pixels around a sample that findPointLights looks at.
inline constexpr int kPointLightReachPx = 8;

/// Where points of light are of which a method took something, so that it may be given back. Where the removed part, seen through a 3 x 3 binomial filter
/// (the matched filter of a star of one to two pixels), rises further above 0 than noise does, the removed
/// part within two pixels is to be laid over the result again. Of ten thousand samples of pure noise, one is touched. The same is
/// done around a sample that outshines, in the cleaned picture itself, everything of its colour four and six pixels away:
/// such a point has kept its core and lost its faint rim, where a little is missing there too.
/// @param strength of the treatment: who asks for more than was measured wants fewer doubtful lights, so above 1 the
///        height asked for grows with it
/// @param noisy, cleaned stabilised mosaics, or luminances whose noise has sigma 1 behind that filter, of one size
/// @param weight the share of what was removed that is to be given back, 0 to 1; right for samples at least
///        kPointLightReachPx from the border. Untouched, and false answered, where there is none
bool findPointLights(PlaneView<const float> noisy, PlaneView<const float> cleaned, float strength, PlaneView<float> weight, Scratch &scratch);

} // namespace irenic
