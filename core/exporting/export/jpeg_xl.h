// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <cstddef>
#include <vector>

namespace irenic {

/// A JPEG XL codestream (ISO/IEC 18181-1) without loss of one tile, as DNG 1.7 wants it: bare, not in a container. By libjxl; empty where that gives up.
/// @param channels 1 of grey, or 3; tile.width is a multiple
std::vector<std::byte> encodeJpegXl(PlaneView<const uint16_t> tile, int channels);

} // namespace irenic
