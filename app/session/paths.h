// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/text.h"

#include <QList>
#include <QString>
#include <QUrl>

namespace irenic {

/// Photographs and results are called by the text of irenic/text.h throughout the window, since a QString cannot hold every name that a file
/// may have. Qt's own file classes understand it where the name is UTF-8; what must work with any name goes through fileOf().
inline QString fileText(const std::filesystem::path &file) { return QString::fromStdString(textOf(file)); }
inline std::filesystem::path fileOf(const QString &text) { return pathOf(text.toStdString()); }
bool isFile(const QString &text);
bool isFolder(const QString &text);
/// "STEM.ENDING" in a folder, or the first of "STEM-2.ENDING", ... that nothing has: what is to be proposed where nothing is ever replaced.
QString freeFile(const QString &folder, const QString &stem, const QString &ending);
/// Those of local files, with every byte of their names.
QStringList fileTexts(const QList<QUrl> &urls);

} // namespace irenic
