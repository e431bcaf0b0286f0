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

namespace reference {
void split(PlaneView<const float> in, int step, Size size, const Split &out);
void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out);
void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out);
} // namespace reference

} // namespace irenic::wavelet
