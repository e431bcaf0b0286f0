// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <cmath>

namespace irenic::test {

inline constexpr float kTolerance = 1e-5f; ///< of a noise sigma: a thousandth of what rounding to stored numbers costs

inline double largestDifference(PlaneView<const float> a, PlaneView<const float> b, TileRect where)
{
    double worst = 0;
    for (int y = where.y; y < where.bottom(); ++y)
        for (int x = where.x; x < where.right(); ++x)
            worst = std::max(worst, std::abs(double(a.at(x, y)) - double(b.at(x, y))));
    return worst;
}

} // namespace irenic::test
