// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QDBusUnixFileDescriptor>
#include <QElapsedTimer>
#include <QObject>

class QWidget;

namespace irenic {

class ExportQueue;

/// What a desktop gets to know of the queue, as far as it has somebody to tell: the machine does not go to sleep while exports run (login1's Inhibit), the
/// taskbar shows how far they are, and a long queue that is done while nobody looks is told by a notification (Desktop Notifications Specification).
class QueueOnDesktop : public QObject
{
    Q_OBJECT
public:
    QueueOnDesktop(ExportQueue *queue, QWidget *window);

    static constexpr qint64 kLongMs = 30000; ///< of a queue whose end is told
    void setLongMs(qint64 ms) { m_longMs = ms; }

private:
    void follow();
    void stayAwake();
    void showProgress();
    void tellEnd();

    ExportQueue *m_queue;
    QWidget *m_window;
    QDBusUnixFileDescriptor m_awake; ///< while it is open the machine stays awake
    QElapsedTimer m_since;
    bool m_busy = false;
    int m_doneBefore = 0, m_failedBefore = 0;
    int m_shownPercent = -1; ///< of the taskbar; -1: nothing
    qint64 m_longMs = kLongMs;
};

} // namespace irenic
