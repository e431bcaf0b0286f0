// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/words.h"

#include <QObject>

namespace irenic {

QString trialLetter(int trial)
{
    return QString(QChar(u'A' + trial));
}

QString treatmentWords(const Treatment &t)
{
    const QString label = QObject::tr(findMethod(t.method)->label);
    const QString methods = t.isMixed() ? QObject::tr("%1 + %2").arg(label, QObject::tr(findMethod(t.colourMethod)->label)) : label;
    return QObject::tr("%1  %2 / %3").arg(methods).arg(t.luminance, 0, 'f', 2).arg(t.colour, 0, 'f', 2);
}

QString standingMark(const Standing &standing)
{
    return standing.isNearest ? QStringLiteral("\u25c6") : standing.isLevel() ? QStringLiteral("\u25c7")
                                                                              : QStringLiteral("\u25bd%L1").arg(standing.behindDb, 0, 'f', 1);
}

} // namespace irenic
