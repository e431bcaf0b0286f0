// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/packet/packet_kernels.h"

#include <cmath>

namespace irenic::packet::reference {

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

void splitSum(PlaneView<const float> in, int step, Size size, PlaneView<float> out)
{
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            out.at(x, y) = (in.at(x, y) + in.at(x + step, y) + in.at(x, y + step) + in.at(x + step, y + step)) / 2;
}

void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out)
{
    const auto corners = [step](const PlaneView<float> &band, int x, int y, float tr, float bl, float br) {
        return band.data ? band.at(x, y) + tr * band.at(x - step, y) + bl * band.at(x, y - step) + br * band.at(x - step, y - step) : 0.f;
    };
    for (int y = step; y < size.height; ++y)
        for (int x = step; x < size.width; ++x)
            out.at(x, y) = (corners(in.sum, x, y, 1, 1, 1) + corners(in.vertical, x, y, 1, -1, -1) + corners(in.horizontal, x, y, -1, 1, -1)
                            + corners(in.diagonal, x, y, -1, -1, 1))
                               / 8
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

void turnDifferences(Phase phase, Size size, const Split &bands)
{
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            float &v = bands.vertical.at(x, y), &h = bands.horizontal.at(x, y);
            const float plus = (v + h) * std::sqrt(0.5f), minus = (v - h) * std::sqrt(0.5f);
            const bool rising = ((x + y) & 1) == phase.greenParity, redOnTop = (y & 1) == phase.redRow;
            v = (rising ? plus : minus) * (redOnTop ? 1.f : -1.f);
            h = rising ? minus : plus;
            bands.diagonal.at(x, y) *= rising ? 1.f : -1.f;
        }
}

void turnDifferencesBack(Phase phase, Size size, const Split &bands)
{
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            float &v = bands.vertical.at(x, y), &h = bands.horizontal.at(x, y);
            const bool rising = ((x + y) & 1) == phase.greenParity, redOnTop = (y & 1) == phase.redRow;
            const float redBlue = redOnTop ? v : -v;
            const float plus = rising ? redBlue : h, minus = rising ? h : redBlue;
            v = (plus + minus) * std::sqrt(0.5f);
            h = (plus - minus) * std::sqrt(0.5f);
            bands.diagonal.at(x, y) *= rising ? 1.f : -1.f;
        }
}

} // namespace irenic::packet::reference
