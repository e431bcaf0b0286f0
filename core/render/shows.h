// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/develop.h"

namespace irenic {

/// Turns a developed picture (linear sRGB) into another side of it; see Show. Not for Show::Removed.
void showOnly(RgbImage<float> &linear, Show show);

/// Turns an untreated picture into what a treatment took from it. Both of one size, developed alike.
void showRemoved(RgbImage<float> &untreated, const RgbImage<float> &treated);

} // namespace irenic
