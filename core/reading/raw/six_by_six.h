// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

namespace irenic {

/// Colours of a six-by-six sensor pattern, by row, then column: 0 red, 1 green, 2 blue.
using SixBySixPattern = std::array<uint8_t, 36>;

/// What a six-by-six sensor delivers, before demosaicing.
struct SixBySixMosaic {
    PlaneView<const uint16_t> active; ///< the exposed part
    SixBySixPattern pattern;          ///< as seen from its first sample
    std::array<float, 3> black;       ///< red, green, blue, in stored numbers
    float white;
    Vector3 neutral; ///< camera response to white; demosaicing compares colours
};

/// The pattern of the simulated "Tarn Bench-X".
inline constexpr SixBySixPattern kBenchSixBySix{1, 2, 1, 1, 0, 1, 0, 1, 0, 2, 1, 2, 1, 2, 1, 1, 0, 1, 1, 0, 1, 1, 2, 1, 2, 1, 2, 0, 1, 0, 1, 0, 1, 1, 2, 1};

/// True where the pattern is one that LibRaw can demosaic.
bool isKnown(const SixBySixPattern &pattern);

/// Makes full colour of it and puts that into the frame: kind, samples, active, crop (left whole) and levels. Bad pixels are
/// mended first, since afterwards they are no longer single. Done by LibRaw's interpolation (one pass: three are no better on
/// noise and take twice as long), on samples with room below black, so that noise is not clipped there.
/// Fails with Cancelled, or Unsupported where LibRaw gives up.
Status demosaicInto(Frame &frame, const SixBySixMosaic &mosaic, const RunContext &run);

} // namespace irenic
