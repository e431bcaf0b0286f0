// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/develop.h"

namespace irenic {

/// Turns a developed picture (linear sRGB) into another side of it; see Show. Not for Show::Removed.
void showOnly(RgbImage<float> &linear, Show show);

/// Turns an untreated picture into what a treatment took from it. Both of one size, developed alike.
void showRemoved(RgbImage<float> &untreated, const RgbImage<float> &treated);

/// Detail by how much of it is in doubt.
/// @param detail of encoded luma, about 0
/// @param doubt  0 to 1
void showDoubt(RgbImage<float> &picture, const Plane<float> &detail, const Plane<float> &doubt);

/// Lays a veil over what sharpening passes over.
/// @param reach one weight a pixel, thrice: 1 where it works in full
void showSpared(RgbImage<float> &picture, const RgbImage<float> &reach);

/// Turns a picture into what an output makes of it, or lays stripes over what lies outside of its colours; Cancelled where it was stopped.
/// @param corner of the picture in its own pixels, at this reduction: the stripes of neighbouring parts meet
Status showProof(RgbImage<float> &picture, const SoftProof &proof, bool outside, PixelAt corner, const RunContext &run);

} // namespace irenic
