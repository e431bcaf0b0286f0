// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/optical_black.h"

#include "frame/linearizer.h"
#include "raw/masked_border.h"

namespace irenic {

namespace {

constexpr size_t kFewestSquares = 1000;
constexpr double kDarkEnough = 0.05;

} // namespace

std::optional<OpticalBlack> measureOpticalBlack(const Frame &frame)
{
    if (frame.kind != FrameKind::Mosaic)
        return std::nullopt;
    const Linearizer levels(frame);
    std::vector<double> diagonals;
    double sum = 0;
    size_t count = 0;
    for (const Rect &r : maskedAreasOf(frame))
        for (int y = r.y; y + 3 <= r.bottom(); y += 4)
            for (int x = r.x; x + 3 <= r.right(); x += 4)
                for (int cell = 0; cell < 4; ++cell) {
                    const int cx = x + (cell & 1), cy = y + (cell >> 1);
                    if (cx + 2 >= r.right() || cy + 2 >= r.bottom())
                        continue;
                    const double v[4] = {double(levels.linear(cx, cy)), double(levels.linear(cx + 2, cy)), double(levels.linear(cx, cy + 2)), double(levels.linear(cx + 2, cy + 2))};
                    diagonals.push_back((v[0] - v[1] - v[2] + v[3]) / 2);
                    sum += v[0] + v[1] + v[2] + v[3];
                    count += 4;
                }
    if (diagonals.size() < kFewestSquares || std::abs(sum / double(count)) > kDarkEnough)
        return std::nullopt;
    // Hot pixels are left out: what lies beyond four sigma by the median.
    std::vector<double> sizes(diagonals.size());
    std::transform(diagonals.begin(), diagonals.end(), sizes.begin(), [](double d) { return std::abs(d); });
    const auto middle = sizes.begin() + std::ptrdiff_t(sizes.size() / 2);
    std::nth_element(sizes.begin(), middle, sizes.end());
    const double limit = 4 * *middle / 0.6745 + 1e-9;
    double squares = 0;
    size_t kept = 0;
    for (const double d : diagonals)
        if (std::abs(d) <= limit) {
            squares += d * d;
            ++kept;
        }
    const double variance = squares / double(kept);
    if (variance < 1e-12)
        return std::nullopt;
    return OpticalBlack{variance, sum / double(count), count};
}

} // namespace irenic
