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

QString freeFile(const QString &folder, const QString &stem, const QString &ending)
{
    const auto isThere = [](const QString &file) {
        std::error_code ec;
        return std::filesystem::exists(std::filesystem::symlink_status(fileOf(file), ec));
    };
    QString file = folder + u'/' + stem + ending;
    for (int i = 2; isThere(file); ++i)
        file = QStringLiteral("%1/%2-%3%4").arg(folder, stem).arg(i).arg(ending);
    return file;
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
