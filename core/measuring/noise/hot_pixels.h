// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/measure_noise.h"

namespace irenic {

/// Samples that stand far above their surroundings (hot) or below (dead), where light cannot: beyond every neighbour of their
/// own colour, while the neighbours of the other colours, a pixel away, show nothing. A star, however small,
/// spreads over those. Two that lie side by side are found where both are strong. How likely each is bad, a logistic regression says, and how many
/// such candidates of the frame are (see docs/engine.md, Measuring). Where other frames of the camera are known, their bad pixels are
/// found as soon as they show, and what never stood out in comparable ones is left alone. Sorted; fails only with Cancelled.
Result<std::vector<PixelAt>> findHotPixels(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run, const KnownCamera &known = {});

/// A sample that stands out from the eight of its colour around, as noise and detail do as well as bad pixels: what they have in common is that they
/// stay where they are from frame to frame.
struct Suspect {
    PixelAt at;
    bool dark = false; ///< below its neighbours
    bool operator==(const Suspect &) const = default;
};
/// The strongest of what their peers do, at most one in 500 samples. Sorted by row, then column; fails only with Cancelled.
Result<std::vector<Suspect>> findSuspects(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run);

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
