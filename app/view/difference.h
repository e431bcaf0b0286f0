// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/picture_pane.h"

namespace irenic {

/// What two pictures of one place differ by, amplified, around mid grey: 128 + gain * (picture - other) for each colour, as shown (sRGB).
/// A null image where they do not show the same pixels.
PaneImage differenceOf(const PaneImage &picture, const PaneImage &other, double gain);

/// The same, with what it was made of, so that it is made once.
struct Difference {
    Difference(const PaneImage &picture, const PaneImage &other, double g) : of(picture.image.cacheKey()), from(other.image.cacheKey()), gain(g), shown(differenceOf(picture, other, g)) {}
    bool isOf(const PaneImage &picture, const PaneImage &other, double g) const { return of == picture.image.cacheKey() && from == other.image.cacheKey() && gain == g && shown.region == picture.region; }
    qint64 of, from;
    double gain;
    PaneImage shown;
};

} // namespace irenic
