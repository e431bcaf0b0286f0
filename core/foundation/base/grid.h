// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <vector>

namespace irenic {

/// Means over (2 r + 1)^2 places, fewer at the border. In place of `plane`.
inline void boxMean(Plane<float> &plane, int r)
{
    const Size size = plane.size();
    std::vector<float> line(size_t(size.width));
    for (int y = 0; y < size.height; ++y) {
        float *data = plane.row(y);
        double sum = 0, share = 0;
        int a = 0, b = -1; // the window
        for (int i = 0; i < size.width; ++i) {
            const int before = b - a;
            for (; b < std::min(size.width - 1, i + r); ++b)
                sum += double(data[b + 1]);
            for (; a < i - r; ++a)
                sum -= double(data[a]);
            if (b - a != before)
                share = 1.0 / (b - a + 1);
            line[size_t(i)] = float(sum * share);
        }
        std::copy(line.begin(), line.end(), data);
    }
    // Down: all columns at once.
    const Plane<float> across = plane.clone();
    std::vector<double> sums(size_t(size.width), 0.0);
    int a = 0, b = -1;
    for (int y = 0; y < size.height; ++y) {
        for (; b < std::min(size.height - 1, y + r); ++b)
            for (int x = 0; x < size.width; ++x)
                sums[size_t(x)] += double(across.row(b + 1)[x]);
        for (; a < y - r; ++a)
            for (int x = 0; x < size.width; ++x)
                sums[size_t(x)] -= double(across.row(a)[x]);
        const double share = 1.0 / (b - a + 1);
        for (int x = 0; x < size.width; ++x)
            plane.row(y)[x] = float(sums[size_t(x)] * share);
    }
}

/// A place between two of `n` blocks in a line: the lower one, the next, and how far on it is.
struct BlockPlace {
    int low = 0, high = 0;
    float share = 0;
    /// @param at in blocks, 0 at the corner of the first; beyond the outermost middles they go on
    BlockPlace(float at, int n)
    {
        at = std::clamp(at - 0.5f, 0.f, float(n - 1));
        low = std::min(int(at), std::max(0, n - 2));
        high = std::min(low + 1, n - 1);
        share = n > 1 ? at - float(low) : 0;
    }
};

/// Bilinear.
inline float sampleBlocks(const Plane<float> &plane, const BlockPlace &x, const BlockPlace &y)
{
    const float *a = plane.row(y.low), *b = plane.row(y.high);
    const float top = a[x.low] + (a[x.high] - a[x.low]) * x.share, bottom = b[x.low] + (b[x.high] - b[x.low]) * x.share;
    return top + (bottom - top) * y.share;
}

} // namespace irenic
