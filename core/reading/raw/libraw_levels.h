// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <libraw/libraw.h>

namespace irenic {

/// Black and white as LibRaw tells them: a common black, one by colour, and a pattern of any size that is counted from the active area's corner (cblack[4] rows of cblack[5],
/// from cblack[6] on), all of which add up.
/// @param planes colour plane (0 to 3) of the two-by-two places, counted from the active area's corner. Of other patterns the same four times
Levels levelsOf(const libraw_colordata_t &colour, const std::array<int, 4> &planes);

} // namespace irenic
