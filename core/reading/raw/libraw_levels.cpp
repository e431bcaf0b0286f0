// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/libraw_levels.h"

#include <numeric>

namespace irenic {

Levels levelsOf(const libraw_colordata_t &colour, const std::array<int, 4> &planes)
{
    constexpr unsigned kLargest = 64; // a side; LibRaw has room for about 4096 numbers
    const unsigned *pattern = colour.cblack + 6, rows = colour.cblack[4], columns = colour.cblack[5];
    const bool patterned = rows > 0 && columns > 0 && rows <= kLargest && columns <= kLargest && rows * columns <= LIBRAW_CBLACK_SIZE - 6;
    Levels levels;
    levels.repeatRows = int(std::lcm(2u, patterned ? rows : 2u));
    levels.repeatCols = int(std::lcm(2u, patterned ? columns : 2u));
    levels.black.clear();
    for (int y = 0; y < levels.repeatRows; ++y)
        for (int x = 0; x < levels.repeatCols; ++x) {
            const unsigned own = colour.cblack[planes[size_t((x & 1) + 2 * (y & 1))]];
            levels.black.push_back(float(colour.black + own + (patterned ? pattern[unsigned(y) % rows * columns + unsigned(x) % columns] : 0)));
        }
    levels.white = float(colour.linear_max[0] > 0 ? colour.linear_max[0] : colour.maximum);
    return levels;
}

} // namespace irenic
