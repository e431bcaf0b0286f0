// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/readings.h"

#include "frame/linearizer.h"

namespace irenic {

Histogram histogramOf(const Frame &frame)
{
    constexpr int64_t kSamplesWanted = 400'000;
    const Linearizer levels(frame);
    const int n = frame.channels();
    const Rect &a = frame.crop;
    // An odd step meets every colour of the pattern.
    const int step = int(std::max<int64_t>(1, int64_t(std::sqrt(double(a.size().area()) / double(kSamplesWanted))))) | 1;
    Histogram h;
    std::array<int64_t, 3> counted{};
    for (int y = a.y; y < a.bottom(); y += step)
        for (int x = a.x; x < a.right(); x += step)
            for (int c = 0; c < n; ++c) {
                const size_t colour = n == 3 ? size_t(c) : size_t(frame.cfa.at(x, y));
                const double signal = double(levels.linear(x, y, c));
                ++counted[colour];
                if (signal >= 1) {
                    h.clipped[colour] += 1;
                } else if (signal <= 0) {
                    h.black[colour] += 1;
                } else if (const double bin = (std::log2(signal) - Histogram::kFirstEv) / Histogram::kStepEv; bin >= 0) {
                    h.share[colour][std::min(size_t(bin), Histogram::kBins - 1)] += 1;
                }
            }
    for (size_t c = 0; c < 3; ++c) {
        const double scale = counted[c] > 0 ? 1.0 / double(counted[c]) : 0;
        h.clipped[c] *= scale;
        h.black[c] *= scale;
        for (double &v : h.share[c])
            v *= scale;
    }
    return h;
}

} // namespace irenic
