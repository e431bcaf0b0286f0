// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

namespace irenic {

/// Tiles of one size over a region; those at the right and bottom may be smaller.
struct TileGrid {
    int across = 1, down = 1;
    int width = 0, height = 0; ///< of a tile, pixels
};

/// The grid whose tiles are done first, where each takes as long as it is large with its halo and a thread takes one after the other.
/// @param tilePx sides are a quarter more at most
/// @param haloPx computed on every side of a tile
/// @param threads at least 1
TileGrid tileGridFor(Size region, int tilePx, int haloPx, int threads);

} // namespace irenic
