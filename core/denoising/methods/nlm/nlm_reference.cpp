// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/nlm/nlm_kernels.h"

#include <cmath>

namespace irenic::nlm::reference {

void average(std::span<const Band> bands, const std::array<PlaneView<const float>, 4> &guides, const Settings &s, TileRect where)
{
    constexpr int side = 2 * kPatchReachPx + 1;
    const std::vector<Offset> others = offsets(s);
    for (int y = where.y; y < where.bottom(); ++y)
        for (int x = where.x; x < where.right(); ++x) {
            std::array<double, kMostBands> sum{}, total{};
            for (size_t k = 0; k <= others.size(); ++k) {
                const bool itself = k == 0;
                const auto [i, j] = itself ? Offset{0, 0} : others[k - 1];
                double distance = 0;
                for (size_t b = 0; b < 4 && s.guideWeights[b] > 0; ++b)
                    for (int v = -kPatchReachPx; v <= kPatchReachPx; ++v)
                        for (int u = -kPatchReachPx; u <= kPatchReachPx; ++u)
                            distance += double(s.guideWeights[b]) * std::pow(double(guides[b].at(x + u, y + v) - guides[b].at(x + i + u, y + j + v)), 2) / (side * side);
                for (size_t b = 0; b < bands.size(); ++b) {
                    const double spread = double(bands[b].isColour ? s.colourSpread : s.luminanceSpread);
                    const double t = spread > 0 ? std::max(0.0, distance - double(s.bias)) / spread : itself ? 0
                                                                                                             : 4;
                    const double w = std::pow(std::max(0.0, 1 - t / 4), 4);
                    sum[b] += w * double(bands[b].samples.at(x + i, y + j));
                    total[b] += w;
                }
            }
            for (size_t b = 0; b < bands.size(); ++b)
                bands[b].mean.at(x, y) = float(sum[b] / total[b]);
        }
}

} // namespace irenic::nlm::reference
