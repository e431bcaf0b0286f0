// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/image.h"
#include "irenic/readings.h"

namespace irenic {

double haloShare(PlaneView<const float> before, PlaneView<const float> sharp, float sigma)
{
    constexpr int kReachPx = 5; // over which an edge is one
    constexpr float kStrong = 20;
    std::vector<float> over;
    for (int y = kReachPx; y < before.height - kReachPx; ++y)
        for (int x = kReachPx; x < before.width - kReachPx; ++x) {
            float low = before.row(y)[x], high = low;
            for (int v = -kReachPx; v <= kReachPx; ++v)
                for (int u = -kReachPx; u <= kReachPx; ++u) {
                    low = std::min(low, before.row(y + v)[x + u]);
                    high = std::max(high, before.row(y + v)[x + u]);
                }
            if (high - low > kStrong * sigma)
                over.push_back(std::max({0.f, sharp.row(y)[x] - high, low - sharp.row(y)[x]}) / (high - low));
        }
    if (over.empty())
        return 0;
    const auto at = over.begin() + ptrdiff_t(over.size() * 95 / 100);
    std::nth_element(over.begin(), at, over.end());
    return double(*at);
}

} // namespace irenic
