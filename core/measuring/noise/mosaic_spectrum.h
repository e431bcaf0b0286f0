// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

#include <optional>

namespace irenic {

/// How the noise of a mosaic's samples of one colour spreads over frequencies, where neighbours share it: some cameras smooth before they store, and coding with loss does the
/// same. Read from each green against the four others around it, in which most of the picture cancels, in windows of 16 x 16 samples that red and blue show to be calm. The fine texture that
/// is left in it makes noise look finer than it is, never coarser: so it is not taken for shared noise. Empty where noise is white, as it mostly is, where windows are too few
/// to tell, and in frames of fewer than 128 pixels a side.
/// @param law up to a factor
/// @param censoredAt as in LawInput: windows that reach down there are left out
/// Fails only with Cancelled.
Result<std::optional<BandNoise>> measureMosaicSpectrum(const Frame &frame, const std::array<NoiseModel, 4> &law, std::optional<double> censoredAt, const RunContext &run);

/// Behind the filter (1 2 1) both ways over a mosaic, sigma of such noise over that of white noise.
double sigmaBehindBinomial(const BandNoise &spectrum);
/// The variance of diagonal differences of four samples of a colour over that of single ones.
double shareInDiagonals(const BandNoise &spectrum);

} // namespace irenic
