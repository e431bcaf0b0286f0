// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <cstdint>

namespace irenic {

/// IEEE 754 half precision.
inline float halfToFloat(uint16_t bits)
{
    const int exponent = bits >> 10 & 31, fraction = bits & 1023;
    const float size = exponent == 31  ? (fraction ? NAN : INFINITY)
                       : exponent == 0 ? std::ldexp(float(fraction), -24)
                                       : std::ldexp(float(1024 + fraction), exponent - 25);
    return bits & 0x8000 ? -size : size;
}

} // namespace irenic
