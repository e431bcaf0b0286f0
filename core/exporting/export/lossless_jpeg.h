// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <cstddef>
#include <vector>

namespace irenic {

/// Lossless JPEG (ITU-T T.81, process 14, SOF3) of one tile of sensor samples, as DNG 1.4 wants it: two interleaved
/// components of a mosaic, or the three of full colour, so that each sample is predicted by neighbours of the same colour, with
/// a Huffman table made for the tile. Of the seven predictors the one is taken that an estimate over every eighth line finds smallest.
/// Debian's JPEG libraries do not write this process.
/// @param tile width a multiple of `components`, up to 65535 of each; height 1 .. 65535; any 16-bit values
/// @param rowsPerLine rows of the tile that make one line of the JPEG, a divisor of the height: 2 for a mosaic, whose samples have their
///        own colour two rows above. The samples' order in the file stays the same, so that readers need not know
/// @param predictor 1 .. 7, or 0 to choose
std::vector<std::byte> encodeLosslessJpeg(PlaneView<const uint16_t> tile, int components = 2, int rowsPerLine = 1, int predictor = 0);

} // namespace irenic
