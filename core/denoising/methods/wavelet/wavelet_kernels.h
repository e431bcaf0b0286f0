// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

/// The inner loops of the wavelet method. Vector code, chosen for the processor at run time; the plain versions
/// in namespace reference say what they compute. All planes of a call have the same stride and are padded as
/// Plane is; values beyond the stated widths are overwritten with rubbish.
namespace irenic::wavelet {

inline constexpr int kWindowReachPx = 4; ///< of the 5 x 5 neighbours at a spacing of two

/// Rows that shrinkScale() works in: those of the three details that are still needed, and those shrunk.
constexpr int scaleRows(int step)
{
    return 3 * (2 * kWindowReachPx + 1) + 3 * (step + 1) + 1;
}

/// One scale in one walk over memory: an undecimated Haar step (see packet::split), its details shrunk, and joined again.
/// @param size   of what the step gives; `in` is larger by `step`
/// @param sum    for x < width, y < height
/// @param detail what the shrunk details say of each sample, right for x and y in [step + 4, size - 4)
/// @param rows   at least scaleRows(step) rows, as wide as `in`
void shrinkScale(PlaneView<const float> in, int step, float threshold, Size size, PlaneView<float> sum, PlaneView<float> detail, PlaneView<float> rows);

namespace reference {
/// band x max(0, 1 - threshold / energy) for x in [4, width - 4), y likewise; energy is the mean square of the 5 x 5 samples
/// around at a spacing of two pixels.
void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out);
} // namespace reference

} // namespace irenic::wavelet
