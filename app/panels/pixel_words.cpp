// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/pixel_words.h"

#include <QColor>
#include <QCoreApplication>

namespace irenic {

QString pixelWords(const RollFrame &f, QPoint upright, const QList<std::pair<QString, QColor>> &shown)
{
    const auto tr = [](const char *text) { return QCoreApplication::translate("PixelWords", text); };
    const QSize size = f.pictureSize();
    if (!f.frame || f.frame->samples.width() == 0 || !QRect(QPoint(), size).contains(upright))
        return {};
    const PixelAt at = f.frame->storedOf(UprightPoint{upright.x(), upright.y()});
    QStringList words{tr("%1, %2").arg(upright.x()).arg(upright.y())};
    const int channels = f.frame->channels();
    QStringList stored, linear, sigma;
    for (int c = 0; c < channels; ++c) {
        const float signal = f.frame->linearAt(at.x, at.y, c);
        stored << QString::number(f.frame->samples.at(at.x * channels + c, at.y));
        linear << QLocale().toString(double(signal), 'f', 4);
        if (f.noise)
            sigma << QLocale().toString(double(f.noise->modelAt(at.x, at.y, size_t(c), channels == 1).sigmaAt(signal)), 'f', 4);
    }
    QString sensor = tr("stored %1").arg(stored.join(u' '));
    if (f.frame->kind == FrameKind::Mosaic && f.frame->cfa.isBayer())
        sensor += QStringLiteral(" (%1)").arg(QLatin1Char("RGB"[size_t(f.frame->cfa.at(at.x, at.y))]));
    words << sensor << (sigma.isEmpty() ? tr("linear %1").arg(linear.join(u' ')) : tr("linear %1 \u00b1 %2").arg(linear.join(u' '), sigma.join(u' ')));
    for (const auto &[name, colour] : shown)
        if (colour.isValid())
            words << tr("%1 %2 %3 %4").arg(name).arg(colour.red()).arg(colour.green()).arg(colour.blue());
    return words.join(QStringLiteral("    "));
}

} // namespace irenic
