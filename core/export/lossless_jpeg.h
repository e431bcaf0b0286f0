// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <cstddef>
#include <vector>

namespace irenic {

/// Lossless JPEG (ITU-T T.81, process 14, SOF3) of one tile of sensor samples, as DNG 1.4 wants it: two interleaved
/// components of a mosaic, or the three of full colour, so that each sample is predicted by its neighbour of the same colour to the
/// left (predictor 1), with
/// a Huffman table made for the tile. Debian's JPEG libraries do not write this process.
/// @param tile width a multiple of `components`, up to 65535 of each; height 1 .. 65535; any 16-bit values
std::vector<std::byte> encodeLosslessJpeg(PlaneView<const uint16_t> tile, int components = 2);

} // namespace irenic
