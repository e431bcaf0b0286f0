// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/wavelet/wavelet_kernels.h"

namespace irenic::wavelet::reference {

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

} // namespace irenic::wavelet::reference
