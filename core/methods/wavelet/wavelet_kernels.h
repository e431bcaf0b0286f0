// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

/// The inner loops of the wavelet method. Vector code, chosen for the processor at run time; the plain versions
/// in namespace reference say what they compute. All planes of a call have the same stride and are padded as
/// Plane is; values beyond the stated widths are overwritten with rubbish.
namespace irenic::wavelet {

/// One undecimated Haar step. For every (x, y) with x < width, y < height, from the samples p at x and x + step,
/// y and y + step: sum, vertical, horizontal and diagonal difference, each halved, so white noise keeps its sigma.
struct Split {
    PlaneView<float> sum, vertical, horizontal, diagonal;
};
void split(PlaneView<const float> in, int step, Size size, const Split &out);

/// Shrinks band to band x max(0, 1 - threshold / energy) for x in [4, width - 4), y likewise; energy is the mean
/// square of the 5 x 5 samples around at a spacing of two pixels.
void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out);

/// Adjoint of split, over 4: what the four windows that hold a sample say of it, averaged. For x in
/// [step, width), y in [step, height). Bands whose view is empty count as zero; `add` (may be empty) is added.
void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out);

/// What the slope of luminance alone puts into the vertical and horizontal differences of the finest packet, because
/// the samples of a two-by-two cell lie a pixel apart: added, `sign` times, to both bands for x in [2, width - 2), y
/// likewise. The slope is taken by (1 2 0 -2 -1) one way and (1 2 1) the other: wide enough to leave fine texture to
/// the differences themselves, which hold it better (0.1 to 0.4 dB on textured frames against a plain difference).
inline constexpr int kGradientReachPx = 2;
void addLuminanceGradient(PlaneView<const float> sum, float sign, Size size, const Split &bands);

/// Turns the vertical and horizontal differences v, h of every window, in place: `vertical` becomes red minus blue and
/// `horizontal` green minus green, up to sign. Windows with their greens on the rising diagonal get (v + h) / sqrt 2 and
/// (v - h) / sqrt 2, the others the same two the other way round. turnDifferencesBack undoes it.
/// @param greenParity windows with (x + y) % 2 == greenParity have their greens top right and bottom left
void turnDifferences(int greenParity, Size size, const Split &bands);
void turnDifferencesBack(int greenParity, Size size, const Split &bands);

namespace reference {
void turnDifferences(int greenParity, Size size, const Split &bands);
void turnDifferencesBack(int greenParity, Size size, const Split &bands);
void addLuminanceGradient(PlaneView<const float> sum, float sign, Size size, const Split &bands);
void split(PlaneView<const float> in, int step, Size size, const Split &out);
void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out);
void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out);
} // namespace reference

} // namespace irenic::wavelet
