// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <array>
#include <stop_token>

/// Shrinkage of windows of 8 x 8 samples at a spacing of two pixels (one phase of the mosaic), in the domain of their
/// orthonormal DCT. Vector code with the plain version in namespace reference; planes as in packet_kernels.h.
namespace irenic::dct {

inline constexpr int kSide = 8;
inline constexpr int kReachPx = 2 * (kSide - 1); ///< from the first sample of a window to its last

/// Every window whose first sample is (x, y), 0 <= x < width - kReachPx, y = firstRow + i * rowStep, is transformed, shrunk,
/// transformed back and added to `sum`, times a weight; the weights are added to `weight`. Both start at zero. A sample's
/// mean is right where all windows that hold it were looked at.
/// @param pilot a cleaner picture of the same, or empty. Without, coefficients below `threshold` go (but for the mean) and
///              a window weighs 1 / (coefficients kept). With, each is multiplied by p^2 / (p^2 + threshold^2), p being the
///              pilot's (the empirical Wiener filter), and the window weighs 1 / (sum of the squared factors)
/// @param stop      once stopped, the rest of the rows is left out
/// @param threshold in noise sigma
/// @param noise     the noise of every coefficient, by row, then column: 1 where it is white
void shrinkWindows(PlaneView<const float> band, PlaneView<const float> pilot, float threshold, const std::array<float, 64> &noise, int firstRow, int rowStep, Size size,
                   PlaneView<float> sum, PlaneView<float> weight, const std::stop_token &stop = {});

namespace reference {
void shrinkWindows(PlaneView<const float> band, PlaneView<const float> pilot, float threshold, const std::array<float, 64> &noise, int firstRow, int rowStep, Size size,
                   PlaneView<float> sum, PlaneView<float> weight);
} // namespace reference

} // namespace irenic::dct
