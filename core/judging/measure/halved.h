// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

namespace irenic {

/// Means of two by two samples; an odd last row or column is left out.
inline Plane<float> halved(PlaneView<const float> in)
{
    Plane<float> out({in.width / 2, in.height / 2});
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            out.at(x, y) = (in.at(2 * x, 2 * y) + in.at(2 * x + 1, 2 * y) + in.at(2 * x, 2 * y + 1) + in.at(2 * x + 1, 2 * y + 1)) / 4;
    return out;
}

} // namespace irenic
