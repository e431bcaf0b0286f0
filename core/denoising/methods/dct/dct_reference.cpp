// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/dct/dct_kernels.h"

#include <array>
#include <cmath>

namespace irenic::dct::reference {

namespace {

using Window = std::array<std::array<double, kSide>, kSide>;

/// The textbook's double sum.
Window transformed(const Window &in, bool inverse)
{
    const auto basis = [](int k, int n) { return std::cos(M_PI * (2 * n + 1) * k / (2.0 * kSide)) * std::sqrt((k == 0 ? 1.0 : 2.0) / kSide); };
    Window out{};
    for (int j = 0; j < kSide; ++j)
        for (int i = 0; i < kSide; ++i)
            for (int v = 0; v < kSide; ++v)
                for (int u = 0; u < kSide; ++u)
                    out[size_t(j)][size_t(i)] += in[size_t(v)][size_t(u)] * (inverse ? basis(v, j) * basis(u, i) : basis(j, v) * basis(i, u));
    return out;
}

Window windowAt(PlaneView<const float> plane, int x, int y)
{
    Window w{};
    for (int v = 0; v < kSide; ++v)
        for (int u = 0; u < kSide; ++u)
            w[size_t(v)][size_t(u)] = double(plane.at(x + 2 * u, y + 2 * v));
    return w;
}

} // namespace

void shrinkWindows(PlaneView<const float> band, PlaneView<const float> pilot, float threshold, const std::array<float, 64> &noise, int firstRow, int rowStep, Size size,
                   PlaneView<float> sum, PlaneView<float> weight)
{
    for (int y = firstRow; y < size.height - kReachPx; y += rowStep)
        for (int x = 0; x < size.width - kReachPx; ++x) {
            Window w = transformed(windowAt(band, x, y), false);
            const Window p = pilot.data ? transformed(windowAt(pilot, x, y), false) : w;
            double kept = 0;
            for (int v = 0; v < kSide; ++v)
                for (int u = 0; u < kSide; ++u) {
                    const double q = p[size_t(v)][size_t(u)];
                    const double limit = double(threshold) * double(noise[size_t(v * kSide + u)]);
                    double gain = pilot.data ? q * q / (q * q + limit * limit) : std::abs(q) > limit ? 1
                                                                                                     : 0;
                    if (u + v == 0)
                        gain = 1;
                    w[size_t(v)][size_t(u)] *= gain;
                    kept += gain * gain;
                }
            w = transformed(w, true);
            for (int v = 0; v < kSide; ++v)
                for (int u = 0; u < kSide; ++u) {
                    sum.at(x + 2 * u, y + 2 * v) += float(w[size_t(v)][size_t(u)] / kept);
                    weight.at(x + 2 * u, y + 2 * v) += float(1 / kept);
                }
        }
}

} // namespace irenic::dct::reference
