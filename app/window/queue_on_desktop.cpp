// SPDX-License-Identifier: GPL-3.0-or-later
#include "window/queue_on_desktop.h"

#include "jobs/export_queue.h"

#include <QDBusConnection>
#include <QDBusMessage>
#include <QDBusPendingCallWatcher>
#include <QDBusPendingReply>
#include <QWidget>

namespace irenic {

QueueOnDesktop::QueueOnDesktop(ExportQueue *queue, QWidget *window) : QObject(window), m_queue(queue), m_window(window)
{
    connect(queue, &ExportQueue::changed, this, &QueueOnDesktop::follow);
    connect(queue, &ExportQueue::progressed, this, &QueueOnDesktop::showProgress);
    connect(queue, &ExportQueue::finished, this, &QueueOnDesktop::tellEnd);
}

void QueueOnDesktop::follow()
{
    const bool busy = m_queue->isBusy();
    if (busy && !m_busy) {
        m_since.start();
        m_doneBefore = m_queue->count(QueuedJob::State::Done);
        m_failedBefore = m_queue->count(QueuedJob::State::Failed);
        m_busy = true;
        stayAwake();
    } else if (!busy && (m_queue->waitingCount() == 0 || m_queue->isPaused())) {
        m_busy = false;
        m_awake = {};
    }
    showProgress();
}

void QueueOnDesktop::stayAwake()
{
    QDBusMessage wish = QDBusMessage::createMethodCall(QStringLiteral("org.freedesktop.login1"), QStringLiteral("/org/freedesktop/login1"), QStringLiteral("org.freedesktop.login1.Manager"), QStringLiteral("Inhibit"));
    wish.setArguments({QStringLiteral("sleep:idle"), QStringLiteral("Irenic"), tr("Photographs are being exported"), QStringLiteral("block")});
    auto *answer = new QDBusPendingCallWatcher(QDBusConnection::systemBus().asyncCall(wish), this);
    connect(answer, &QDBusPendingCallWatcher::finished, this, [this](QDBusPendingCallWatcher *w) {
        w->deleteLater();
        const QDBusPendingReply<QDBusUnixFileDescriptor> reply = *w;
        if (!reply.isError() && m_busy)
            m_awake = reply.value();
    });
}

void QueueOnDesktop::showProgress()
{
    const double over = m_queue->overCount(), all = double(m_queue->entries().size());
    const double share = all > 0 ? (over + (m_queue->isBusy() ? m_queue->fraction() : 0)) / all : 0.0;
    const int percent = m_queue->isBusy() ? int(100 * share) : -1;
    if (percent == m_shownPercent) // exports tell of every tile
        return;
    m_shownPercent = percent;
    QDBusMessage state = QDBusMessage::createSignal(QStringLiteral("/app/irenic/Irenic"), QStringLiteral("com.canonical.Unity.LauncherEntry"), QStringLiteral("Update"));
    state.setArguments({QStringLiteral("application://app.irenic.Irenic.desktop"),
                        QVariantMap{{QStringLiteral("progress"), share}, {QStringLiteral("progress-visible"), m_queue->isBusy()}}});
    QDBusConnection::sessionBus().send(state);
}

void QueueOnDesktop::tellEnd()
{
    const int done = m_queue->count(QueuedJob::State::Done) - m_doneBefore, failed = m_queue->count(QueuedJob::State::Failed) - m_failedBefore;
    if (!m_since.isValid() || m_since.elapsed() < m_longMs || m_window->isActiveWindow() || done + failed <= 0)
        return;
    QDBusMessage note = QDBusMessage::createMethodCall(QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("/org/freedesktop/Notifications"), QStringLiteral("org.freedesktop.Notifications"), QStringLiteral("Notify"));
    const QString written = done == 1 ? tr("One file was written and verified.") : tr("%n files were written and verified.", nullptr, done);
    const QString words = failed == 0 ? written : tr("%1 %2 failed; the Queue card says why.").arg(written).arg(failed);
    note.setArguments({QStringLiteral("Irenic"), 0u, QStringLiteral("app.irenic.Irenic"), tr("The queue is done"), words, QStringList(), QVariantMap{{QStringLiteral("desktop-entry"), QStringLiteral("app.irenic.Irenic")}}, -1});
    QDBusConnection::sessionBus().asyncCall(note);
}

} // namespace irenic
