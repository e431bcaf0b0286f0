// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/camera.h"

#include <cmath>

namespace irenic {

/// How "Tarn Bench-1" describes its own colours: matrices for standard light A and D65, white balanced for 4700 K.
ColourDescription benchCameraColour();

/// Undoes srgbEncoded().
inline float srgbDecoded(float v)
{
    return v <= 0.04045f ? v / 12.92f : std::pow((v + 0.055f) / 1.055f, 2.4f);
}

/// The numbers that the codes of a companding camera stand for, rising; empty where it does not compand.
std::vector<uint16_t> compandingTable(const ShootOptions &options);
/// The code whose number is nearest.
size_t compandedCode(const std::vector<uint16_t> &table, uint16_t value);

} // namespace irenic
