// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

namespace irenic {

/// Samples that stand far above their surroundings (hot) or below (dead), where light cannot: beyond every neighbour of their
/// own colour, while the neighbours of the other colours, a pixel away, show nothing. A star, however small,
/// spreads over those. Two that lie side by side are found where both are strong. Sorted; fails only with Cancelled.
Result<std::vector<PixelAt>> findHotPixels(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run);

/// What a mended pixel becomes: the median of its eight neighbours of the same colour.
/// `sample(x, y)` must answer up to two pixels around.
template <class Sample>
float mendedValue(const Sample &sample, int x, int y);

} // namespace irenic

#include <algorithm>

template <class Sample>
float irenic::mendedValue(const Sample &sample, int x, int y)
{
    float v[8] = {sample(x - 2, y - 2), sample(x, y - 2), sample(x + 2, y - 2), sample(x - 2, y),
                  sample(x + 2, y), sample(x - 2, y + 2), sample(x, y + 2), sample(x + 2, y + 2)};
    std::sort(v, v + 8);
    return (v[3] + v[4]) / 2;
}
