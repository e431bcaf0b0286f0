// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/develop.h"

namespace irenic {

inline constexpr int kFringeHaloPx = 18; ///< even, so that a colour pattern keeps its phase

/// Takes coloured fringes off strong edges: red and blue light that was focused elsewhere than green, or spilt. Light that mixes across an
/// edge lies, as red minus green and blue minus green, between what the two sides have; what lies beyond near an edge is a fringe.
/// Places are left alone where no calm ground darker and brighter than they lies around them: thin coloured lines, lettering, texture.
/// @param colours linear, in the camera's own colours, with kFringeHaloPx on each side, which the answer lacks
/// @param balance gains under which grey is grey
/// @param amount  share of the fringe that goes, 0 to 1
RgbImage<float> withoutFringes(const RgbImage<float> &colours, const std::array<float, 3> &balance, float amount);

} // namespace irenic
