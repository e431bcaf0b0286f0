// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

/// The Haar packet over every two-by-two window of the sensor mosaic: its sum is luminance, its three differences are
/// the colour signals of the pattern together with the finest detail. Vector code, chosen for the processor at run
/// time; the plain versions in namespace reference say what is computed. All planes of a call have the same stride and
/// are padded as Plane is; values beyond the stated widths are overwritten with rubbish.
namespace irenic::packet {

/// One undecimated Haar step. For every (x, y) with x < width, y < height, from the samples p at x and x + step,
/// y and y + step: sum, vertical, horizontal and diagonal difference, each halved, so white noise keeps its sigma.
struct Split {
    PlaneView<float> sum, vertical, horizontal, diagonal;
};
void split(PlaneView<const float> in, int step, Size size, const Split &out);
/// The sum alone.
void splitSum(PlaneView<const float> in, int step, Size size, PlaneView<float> out);

/// Adjoint of split, over 4: what the four windows that hold a sample say of it, averaged. For x in
/// [step, width), y in [step, height). Details whose views are empty count as zero; `add` (may be empty) is added.
void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out);

/// What the slope of luminance alone puts into the vertical and horizontal differences of the finest packet, because
/// the samples of a two-by-two cell lie a pixel apart: added, `sign` times, to both bands for x in [2, width - 2), y
/// likewise. The slope is taken by (1 2 0 -2 -1) one way and (1 2 1) the other: wide enough to leave fine texture to
/// the differences themselves, which hold it better (0.1 to 0.4 dB on textured frames against a plain difference).
inline constexpr int kGradientReachPx = 2;
void addLuminanceGradient(PlaneView<const float> sum, float sign, Size size, const Split &bands);

/// Where the colours of a two-by-two pattern lie, counted from the first sample of a tile.
struct Phase {
    int greenParity; ///< windows with (x + y) % 2 == greenParity have their greens top right and bottom left
    int redRow;      ///< y % 2 of the rows that hold red
};

/// Turns the three differences of every window, in place, so that all windows mean the same: `vertical` becomes
/// (red - blue) / sqrt 2, `horizontal` the upper green minus the lower over sqrt 2, `diagonal` (red + blue - greens) / 2.
/// For x < width, y < height. turnDifferencesBack undoes it.
void turnDifferences(Phase phase, Size size, const Split &bands);
void turnDifferencesBack(Phase phase, Size size, const Split &bands);

namespace reference {
void turnDifferences(Phase phase, Size size, const Split &bands);
void turnDifferencesBack(Phase phase, Size size, const Split &bands);
void addLuminanceGradient(PlaneView<const float> sum, float sign, Size size, const Split &bands);
void split(PlaneView<const float> in, int step, Size size, const Split &out);
void splitSum(PlaneView<const float> in, int step, Size size, PlaneView<float> out);
void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out);
} // namespace reference

} // namespace irenic::packet
