// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"

namespace irenic {

/// Samples around a tile that evenBlotches() looks at.
inline constexpr int kBlotchHaloPx = 62;

/// Evens colours that wander over tens of pixels in deep shadow, coarser than what methods look at. The two colour differences of every
/// two-by-two cell, less their mean over 98 pixels, are averaged over 18: what is left there of noise has a known sigma, and so much of it as
/// does not rise clearly above that is taken off, so that red plus green plus blue stays.
/// @param cleaned stabilised planes, in place; right for samples at least kBlotchHaloPx from the border
/// @param amount  of every sample, 0 to 1
/// @param where   what the planes cover; cells are anchored at even places of the frame
/// @param stop    once it is requested, what is left is thrown away
void evenBlotches(const TilePlanes &cleaned, size_t count, CfaPattern cfa, Rect where, PlaneView<const float> amount, const std::stop_token &stop = {});

} // namespace irenic
