// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QObject>
#include <QString>

#include <cmath>

namespace irenic {

/// "4 s", "12 min", "3 h 5 min".
inline QString durationWords(double seconds)
{
    const qint64 s = qint64(std::ceil(seconds)), minutes = (s + 59) / 60;
    if (s < 90)
        return QObject::tr("%1 s").arg(s);
    return minutes < 90 ? QObject::tr("%1 min").arg(minutes) : QObject::tr("%1 h %2 min").arg(minutes / 60).arg(minutes % 60);
}

} // namespace irenic
