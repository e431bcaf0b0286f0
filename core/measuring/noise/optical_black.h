// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

#include <optional>

namespace irenic {

/// What the masked border of a sensor tells: samples that no light reached.
struct OpticalBlack {
    double readVariance = 0; ///< signal squared, row and column offsets left out
    double level = 0;        ///< their mean, in signal; 0 where the stated black level is right
    size_t samples = 0;
};

/// Reads the masked areas that the file names, or else what lies outside the active area. Empty where there is too little of
/// it, or where it is not dark, or flat (some cameras fill it with a constant).
std::optional<OpticalBlack> measureOpticalBlack(const Frame &frame);

} // namespace irenic
