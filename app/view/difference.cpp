// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/difference.h"

#include <array>
#include <cmath>

namespace irenic {

namespace {

QImage inSrgb(const PaneImage &picture)
{
    return (picture.plain.isNull() ? picture.image : picture.plain).convertToFormat(QImage::Format_RGB32);
}

} // namespace

PaneImage differenceOf(const PaneImage &picture, const PaneImage &other, double gain)
{
    if (picture.image.isNull() || picture.region != other.region || picture.reduction != other.reduction || picture.image.size() != other.image.size())
        return {};
    std::array<int, 511> grey; // by the difference, from -255
    for (int d = -255; d <= 255; ++d)
        grey[size_t(d + 255)] = std::clamp(int(std::lround(128 + gain * d)), 0, 255);
    const QImage a = inSrgb(picture), b = inSrgb(other);
    PaneImage out{QImage(a.size(), QImage::Format_RGB32), picture.region, picture.reduction};
    for (int y = 0; y < a.height(); ++y) {
        const auto *from = reinterpret_cast<const QRgb *>(a.constScanLine(y)), *less = reinterpret_cast<const QRgb *>(b.constScanLine(y));
        auto *to = reinterpret_cast<QRgb *>(out.image.scanLine(y));
        for (int x = 0; x < a.width(); ++x)
            to[x] = qRgb(grey[size_t(qRed(from[x]) - qRed(less[x]) + 255)], grey[size_t(qGreen(from[x]) - qGreen(less[x]) + 255)], grey[size_t(qBlue(from[x]) - qBlue(less[x]) + 255)]);
    }
    return out;
}

} // namespace irenic
