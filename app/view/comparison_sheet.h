// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QImage>
#include <QStringList>

#include <vector>

namespace irenic {

/// A comparison as a picture to be sent to a colleague: rows and columns of pictures on the grey of the wall, each with its words on
/// paper, and what it is of.
struct ComparisonSheet {
    struct Cell {
        QImage image;
        QString caption;
    };
    QString title;                       ///< frame, place, magnification
    QStringList rowNames;                ///< empty, or one a row
    std::vector<std::vector<Cell>> rows; ///< all of one length
    QString footer;

    /// Pictures are drawn pixel for pixel, at the size that they have.
    QImage draw(const Tones &tones = Tones::of(Tones::Wall::Mid)) const;
};

/// The picture `factor` times as large, every pixel a square.
QImage magnified(const QImage &image, int factor);

} // namespace irenic
