// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/paths.h"

namespace irenic {

bool isFile(const QString &text)
{
    std::error_code ec;
    return std::filesystem::is_regular_file(fileOf(text), ec);
}

bool isFolder(const QString &text)
{
    std::error_code ec;
    return std::filesystem::is_directory(fileOf(text), ec);
}

QStringList fileTexts(const QList<QUrl> &urls)
{
    QStringList texts;
    for (const QUrl &url : urls)
        if (url.isLocalFile())
            texts << fileText(QByteArray::fromPercentEncoding(url.path(QUrl::FullyEncoded).toLatin1()).toStdString());
    return texts;
}

} // namespace irenic
