// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

namespace irenic {

/// The law of an ordinary sensor: 24 x 36 mm with 24 megapixels. Smaller ones have more noise.
/// @param iso above 0
inline NoiseModel usualLaw(double iso)
{
    constexpr double kFullWell = 50000, kReadElectrons = 3; // at ISO 100
    const double electrons = kFullWell * 100 / iso;         // of a signal of 1
    return {float(1 / electrons), float(kReadElectrons * kReadElectrons / (electrons * electrons))};
}

} // namespace irenic
