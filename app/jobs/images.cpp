// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/images.h"

#include "irenic/export.h"
#include "irenic/sentence.h"
#include "session/paths.h"

#include <QBuffer>

namespace irenic {

Status writeNewPng(const QString &file, const QImage &image)
{
    QBuffer png;
    png.open(QIODevice::WriteOnly);
    if (!image.save(&png, "PNG"))
        return Error{ErrorCode::WriteFailed, sentence("%1 was not written: the picture could not be coded.", {textOf(fileOf(file))}), {}};
    return writeNewFile(fileOf(file), std::as_bytes(std::span(png.data().constData(), size_t(png.data().size()))));
}

QImage toImage(const RgbImage<uint8_t> &rgb)
{
    // 32 bits a pixel: the only format that Qt scales without converting every line again.
    QImage image(rgb.size.width, rgb.size.height, QImage::Format_RGB32);
    for (int y = 0; y < rgb.size.height; ++y) {
        const uint8_t *p = rgb.row(y);
        auto *line = reinterpret_cast<QRgb *>(image.scanLine(y));
        for (int x = 0; x < rgb.size.width; ++x, p += 3)
            line[x] = qRgb(p[0], p[1], p[2]);
    }
    return image;
}

QImage uprightImage(const QImage &stored, int orientation)
{
    const auto rotated = [](const QImage &image, int degrees) { return image.transformed(QTransform().rotate(degrees)); };
    switch (orientation) {
    case 2: return stored.mirrored(true, false);
    case 3: return stored.mirrored(true, true);
    case 4: return stored.mirrored(false, true);
    case 5: return rotated(stored.mirrored(false, true), 90);
    case 6: return rotated(stored, 90);
    case 7: return rotated(stored.mirrored(true, false), 90);
    case 8: return rotated(stored, 270);
    default: return stored;
    }
}

} // namespace irenic
