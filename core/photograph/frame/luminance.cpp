// SPDX-License-Identifier: GPL-3.0-or-later
#include "frame/luminance.h"

namespace irenic {

void luminanceOf(const LinearTile &in, PlaneView<float> out)
{
    if (!in.isMosaic()) {
        for (int y = 0; y < out.height; ++y)
            for (int x = 0; x < out.width; ++x)
                out.row(y)[x] = (in.planes[0].row(y)[x] + 2 * in.planes[1].row(y)[x] + in.planes[2].row(y)[x]) / 4;
        return;
    }
    const PlaneView<float> m = in.planes[0];
    std::vector<float> line(size_t(m.width));
    for (int y = 0; y < m.height; ++y) {
        const int row = std::clamp(y, 1, m.height - 2);
        const float *a = m.row(row - 1), *b = m.row(row), *c = m.row(row + 1);
        for (int x = 0; x < m.width; ++x)
            line[size_t(x)] = (a[x] + 2 * b[x] + c[x]) / 16;
        float *o = out.row(y);
        for (int x = 1; x < m.width - 1; ++x)
            o[x] = line[size_t(x) - 1] + 2 * line[size_t(x)] + line[size_t(x) + 1];
        o[0] = o[1];
        o[m.width - 1] = o[m.width - 2];
    }
}

void boxMeanOf(PlaneView<const float> in, int r, PlaneView<float> out)
{
    Plane<float> across({in.width, in.height});
    const float share = 1.f / float((2 * r + 1) * (2 * r + 1));
    for (int y = 0; y < in.height; ++y) {
        const float *i = in.row(y);
        float *a = across.row(y);
        std::fill_n(a, in.width, 0.f);
        for (int k = -r; k <= r; ++k)
            for (int x = r; x < in.width - r; ++x)
                a[x] += i[x + k];
    }
    for (int y = r; y < in.height - r; ++y) {
        float *o = out.row(y);
        std::fill_n(o, in.width, 0.f);
        for (int k = -r; k <= r; ++k) {
            const float *a = across.row(y + k);
            for (int x = r; x < in.width - r; ++x)
                o[x] += a[x];
        }
        for (int x = r; x < in.width - r; ++x)
            o[x] *= share;
    }
}

} // namespace irenic
