// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/picture_pane.h"

namespace irenic {

/// What two pictures of one place differ by, amplified, around mid grey: 128 + gain * (picture - other) for each colour, as shown (sRGB).
/// A null image where they do not show the same pixels.
PaneImage differenceOf(const PaneImage &picture, const PaneImage &other, double gain);

} // namespace irenic
