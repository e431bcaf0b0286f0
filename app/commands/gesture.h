// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDateTime>

namespace irenic {

/// Which steps of a control belong together and become one step of undo: those of one drag, and those that follow each other quickly.
class Gesture
{
public:
    int press() ///< a drag begins
    {
        static int last = 0;
        m_lastStep = now();
        return m_id = ++last;
    }
    int step() ///< of a key, or in the drag
    {
        if (m_id == 0 || now() - m_lastStep > kPauseMs)
            return press();
        m_lastStep = now();
        return m_id;
    }
    int id() const { return m_id; }

private:
    static constexpr qint64 kPauseMs = 900;
    static qint64 now() { return QDateTime::currentMSecsSinceEpoch(); }
    int m_id = 0;
    qint64 m_lastStep = 0;
};

} // namespace irenic
