// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

/// The inner loops of the wavelet method. Vector code, chosen for the processor at run time; the plain versions
/// in namespace reference say what they compute. All planes of a call have the same stride and are padded as
/// Plane is; values beyond the stated widths are overwritten with rubbish.
namespace irenic::wavelet {

/// Shrinks band to band x max(0, 1 - threshold / energy) for x in [4, width - 4), y likewise; energy is the mean
/// square of the 5 x 5 samples around at a spacing of two pixels.
void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out);

namespace reference {
void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out);
} // namespace reference

} // namespace irenic::wavelet
