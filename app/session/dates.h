// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDateTime>
#include <QLocale>

#include <string>

namespace irenic {

/// Exif 2.3, DateTimeOriginal; invalid where a file does not say.
inline QDateTime dateOf(const std::string &exif)
{
    return QDateTime::fromString(QString::fromStdString(exif).left(19), QStringLiteral("yyyy:MM:dd HH:mm:ss"));
}

/// As people of the window's language write it; what is no date as it is.
inline QString dateWords(const std::string &exif)
{
    const QDateTime taken = dateOf(exif);
    return taken.isValid() ? QLocale().toString(taken, QLocale::ShortFormat) : QString::fromStdString(exif);
}

} // namespace irenic
