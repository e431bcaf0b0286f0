// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/develop.h"

#include <QImage>
#include <QRect>

namespace irenic {

/// As a PNG under a name that nothing has yet; fails as writeNewFile() does.
Status writeNewPng(const QString &file, const QImage &image);
QImage toImage(const RgbImage<uint8_t> &rgb);               ///< a deep copy
QImage uprightImage(const QImage &stored, int orientation); ///< turned as an Exif orientation asks
inline QRect toQRect(const UprightRect &r) { return {r.x, r.y, r.width, r.height}; }
inline UprightRect toUpright(const QRect &r) { return {r.x(), r.y(), r.width(), r.height()}; }

} // namespace irenic
