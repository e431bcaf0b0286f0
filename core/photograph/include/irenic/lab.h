// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

namespace irenic {

using Lab = std::array<double, 3>;

/// CIE L*a*b* under D65 of linear sRGB.
Lab labOf(const std::array<double, 3> &linearSrgb);

/// Colour difference CIEDE2000 (CIE 142-2001; Sharma, Wu and Dalal, Color Res. Appl. 30(1), 2005), unit weights.
double ciede2000(const Lab &a, const Lab &b);

} // namespace irenic
