// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/wavelet/wavelet_kernels.h"

#include <cmath>

namespace irenic::wavelet::reference {

void split(PlaneView<const float> in, int step, Size size, const Split &out)
{
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const float tl = in.at(x, y), tr = in.at(x + step, y), bl = in.at(x, y + step), br = in.at(x + step, y + step);
            out.sum.at(x, y) = (tl + tr + bl + br) / 2;
            out.vertical.at(x, y) = (tl + tr - bl - br) / 2;
            out.horizontal.at(x, y) = (tl - tr + bl - br) / 2;
            out.diagonal.at(x, y) = (tl - tr - bl + br) / 2;
        }
}

void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out)
{
    for (int y = 4; y < size.height - 4; ++y)
        for (int x = 4; x < size.width - 4; ++x) {
            float energy = 0;
            for (int dy = -4; dy <= 4; dy += 2)
                for (int dx = -4; dx <= 4; dx += 2)
                    energy += band.at(x + dx, y + dy) * band.at(x + dx, y + dy) / 25;
            out.at(x, y) = band.at(x, y) * std::max(0.f, 1 - threshold / std::max(energy, 1e-20f));
        }
}

void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out)
{
    const auto corners = [step](const PlaneView<float> &band, int x, int y, float tr, float bl, float br) {
        return band.data ? band.at(x, y) + tr * band.at(x - step, y) + bl * band.at(x, y - step) + br * band.at(x - step, y - step) : 0.f;
    };
    for (int y = step; y < size.height; ++y)
        for (int x = step; x < size.width; ++x)
            out.at(x, y) = (corners(in.sum, x, y, 1, 1, 1) + corners(in.vertical, x, y, 1, -1, -1) + corners(in.horizontal, x, y, -1, 1, -1)
                            + corners(in.diagonal, x, y, -1, -1, 1)) / 8
                         + (add.data ? add.at(x, y) : 0.f);
}

void addLuminanceGradient(PlaneView<const float> sum, float sign, Size size, const Split &bands)
{
    static constexpr float slope[5] = {1, 2, 0, -2, -1}, smooth[3] = {1, 2, 1};
    for (int y = 2; y < size.height - 2; ++y)
        for (int x = 2; x < size.width - 2; ++x) {
            float vertical = 0, horizontal = 0;
            for (int i = -2; i <= 2; ++i)
                for (int j = -1; j <= 1; ++j) {
                    vertical += slope[i + 2] * smooth[j + 1] * sum.at(x + j, y + i);
                    horizontal += slope[i + 2] * smooth[j + 1] * sum.at(x + i, y + j);
                }
            bands.vertical.at(x, y) += sign * vertical / 64;
            bands.horizontal.at(x, y) += sign * horizontal / 64;
        }
}

void turnDifferences(int greenParity, Size size, const Split &bands)
{
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            float &v = bands.vertical.at(x, y), &h = bands.horizontal.at(x, y);
            const float plus = (v + h) * std::sqrt(0.5f), minus = (v - h) * std::sqrt(0.5f);
            const bool rising = ((x + y) & 1) == greenParity;
            v = rising ? plus : minus;
            h = rising ? minus : plus;
        }
}

void turnDifferencesBack(int greenParity, Size size, const Split &bands)
{
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            float &v = bands.vertical.at(x, y), &h = bands.horizontal.at(x, y);
            const bool rising = ((x + y) & 1) == greenParity;
            const float plus = rising ? v : h, minus = rising ? h : v;
            v = (plus + minus) * std::sqrt(0.5f);
            h = (plus - minus) * std::sqrt(0.5f);
        }
}

} // namespace irenic::wavelet::reference
