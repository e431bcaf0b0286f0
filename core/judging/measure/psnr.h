// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cmath>

namespace irenic {

/// Peak signal-to-noise ratio of a mean square difference, 1 being white; at most 100 dB, which is the same to within 16 bits.
inline double psnrDb(double square)
{
    constexpr double kLeastSquare = 1e-10;
    return -10 * std::log10(std::max(square, kLeastSquare));
}

} // namespace irenic
