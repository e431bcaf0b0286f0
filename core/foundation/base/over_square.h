// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

namespace irenic {

/// For every place at least `r` from the border: the answer of `pick` over (2 r + 1)^2 samples (lowest, highest, sum), across and then down,
/// in the same order at every place. `out` may be `in`.
template <class Pick>
void overSquare(PlaneView<const float> in, int r, PlaneView<float> out, const Pick &pick)
{
    Plane<float> across({in.width, in.height});
    for (int y = 0; y < in.height; ++y) {
        const float *i = in.row(y);
        float *a = across.row(y);
        std::copy_n(i, in.width, a);
        for (int k = 1; k <= r; ++k)
            for (int x = r; x < in.width - r; ++x)
                a[x] = pick(a[x], pick(i[x - k], i[x + k]));
    }
    for (int y = 0; y < in.height; ++y) {
        float *o = out.row(y);
        std::copy_n(across.row(y), in.width, o);
        if (y < r || y >= in.height - r)
            continue;
        for (int k = 1; k <= r; ++k) {
            const float *a = across.row(y - k), *b = across.row(y + k);
            for (int x = 0; x < in.width; ++x)
                o[x] = pick(o[x], pick(a[x], b[x]));
        }
    }
}

} // namespace irenic
