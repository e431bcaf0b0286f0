// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/tile_grid.h"

#include <algorithm>
#include <cstdint>
#include <limits>

namespace irenic {

TileGrid tileGridFor(Size region, int tilePx, int haloPx, int threads)
{
    constexpr int kSmallestPx = 96;
    const int largest = tilePx + tilePx / 4;
    const auto parts = [](int length, int side) { return (length + side - 1) / side; };
    const auto mostParts = [&](int length) { return std::max(parts(length, largest), length / kSmallestPx); };
    TileGrid best;
    int64_t least = std::numeric_limits<int64_t>::max();
    // Few before many: of equals, the one with less halo.
    for (int down = parts(region.height, largest); down <= mostParts(region.height); ++down)
        for (int across = parts(region.width, largest); across <= mostParts(region.width); ++across) {
            const TileGrid grid{across, down, parts(region.width, across), parts(region.height, down)};
            if (parts(region.width, grid.width) < across || parts(region.height, grid.height) < down)
                continue; // the last would be empty
            const int64_t time = int64_t(parts(across * down, threads)) * (grid.width + 2 * haloPx) * (grid.height + 2 * haloPx);
            if (time < least) {
                least = time;
                best = grid;
            }
        }
    return best;
}

} // namespace irenic
