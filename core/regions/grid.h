// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <vector>

namespace irenic {

/// Means over (2 r + 1)^2 places, fewer at the border. In place of `plane`.
inline void boxMean(Plane<float> &plane, int r)
{
    const Size size = plane.size();
    std::vector<float> line;
    const auto pass = [&](float *data, int n, ptrdiff_t step) {
        line.assign(size_t(n), 0);
        double sum = 0;
        int a = 0, b = -1; // the window
        for (int i = 0; i < n; ++i) {
            for (; b < std::min(n - 1, i + r); ++b)
                sum += double(data[(b + 1) * step]);
            for (; a < i - r; ++a)
                sum -= double(data[a * step]);
            line[size_t(i)] = float(sum / (b - a + 1));
        }
        for (int i = 0; i < n; ++i)
            data[i * step] = line[size_t(i)];
    };
    for (int y = 0; y < size.height; ++y)
        pass(plane.row(y), size.width, 1);
    for (int x = 0; x < size.width; ++x)
        pass(plane.row(0) + x, size.height, plane.stride());
}

/// Between the middles of blocks, bilinear; the outermost go on beyond them.
/// @param x, y in blocks, 0 at the corner of the first
inline float sampleBlocks(const Plane<float> &plane, float x, float y)
{
    const auto node = [](float at, int n, int &i, float &f) {
        at = std::clamp(at - 0.5f, 0.f, float(n - 1));
        i = std::min(int(at), std::max(0, n - 2));
        f = n > 1 ? at - float(i) : 0;
    };
    int i = 0, j = 0;
    float u = 0, v = 0;
    node(x, plane.width(), i, u);
    node(y, plane.height(), j, v);
    const int in = std::min(i + 1, plane.width() - 1), jn = std::min(j + 1, plane.height() - 1);
    const float top = plane.at(i, j) + (plane.at(in, j) - plane.at(i, j)) * u, bottom = plane.at(i, jn) + (plane.at(in, jn) - plane.at(i, jn)) * u;
    return top + (bottom - top) * v;
}

} // namespace irenic
