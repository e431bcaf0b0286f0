// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/status_line.h"

#include "jobs/export_queue.h"
#include "view/durations.h"

#include <QDesktopServices>
#include <QLabel>
#include <QProgressBar>
#include <QPushButton>
#include <QUrl>

namespace irenic {

StatusLine::StatusLine(const ExportQueue *queue, QWidget *parent) : QStatusBar(parent), m_queue(queue)
{
    setSizeGripEnabled(false);
    setContentsMargins(8, 0, 8, 0);
    m_settled = new QLabel;
    m_settled->setObjectName(QStringLiteral("settled"));
    m_settled->setMinimumWidth(150);
    m_message = new QLabel;
    m_message->setObjectName(QStringLiteral("message"));
    m_reveal = new QPushButton(tr("Show in folder"));
    m_reveal->setFlat(true);
    m_reveal->hide();
    connect(m_reveal, &QPushButton::clicked, this, [this] { QDesktopServices::openUrl(QUrl::fromLocalFile(m_folder)); });
    m_progress = new QProgressBar;
    m_progress->setFixedWidth(120);
    m_progress->setMaximumHeight(10);
    m_progress->setTextVisible(false);
    m_progress->setRange(0, 1000);
    m_progress->hide();
    m_exports = new QLabel;
    m_exports->setObjectName(QStringLiteral("queue"));
    m_screen = new QLabel;
    m_screen->setObjectName(QStringLiteral("screen"));
    m_screen->setContentsMargins(12, 0, 0, 0);
    addWidget(m_settled);
    addWidget(m_message, 1);
    for (QWidget *w : {static_cast<QWidget *>(m_reveal), static_cast<QWidget *>(m_progress), static_cast<QWidget *>(m_exports), static_cast<QWidget *>(m_screen)})
        addPermanentWidget(w);
    connect(queue, &ExportQueue::changed, this, &StatusLine::showQueue);
    connect(queue, &ExportQueue::progressed, this, &StatusLine::showQueue);
}

void StatusLine::setSettled(const QString &words)
{
    m_settled->setText(words);
}

void StatusLine::setScreen(const QString &words)
{
    m_screen->setText(words);
}

void StatusLine::say(const QString &text, const QString &folderToReveal)
{
    m_said = text;
    m_message->setText(m_pointed.isEmpty() ? text : m_pointed);
    m_message->setToolTip(text);
    m_folder = folderToReveal;
    m_reveal->setVisible(!folderToReveal.isEmpty());
}

void StatusLine::setNotes(QWidget *notes)
{
    insertWidget(1, notes);
}

void StatusLine::setPointed(const QString &words)
{
    m_pointed = words;
    m_message->setText(words.isEmpty() ? m_said : words);
}

void StatusLine::setTones(const Tones &tones)
{
    setStyleSheet(QStringLiteral("QStatusBar { background: %1; } QStatusBar::item { border: none; }").arg(tones.chrome.name()));
    m_progress->setStyleSheet(QStringLiteral("QProgressBar { border: 1px solid %1; background: %2; } QProgressBar::chunk { background: %3; }")
                                  .arg(tones.chromeInk.name(), tones.chrome.name(), tones.accent.name()));
}

void StatusLine::showQueue()
{
    const bool busy = m_queue->isBusy();
    m_progress->setVisible(busy);
    if (!busy) {
        const int over = m_queue->overCount(), waiting = m_queue->waitingCount();
        m_exports->setText(waiting > 0 ? tr("queue: paused, %1 waiting").arg(waiting) : over == 0 ? QString()
                                                                                    : over == 1   ? tr("queue: done, 1 file")
                                                                                                  : tr("queue: done, %n files", nullptr, over));
        return;
    }
    const double left = m_queue->secondsLeft();
    const int total = int(m_queue->entries().size());
    QString text = tr("queue: %1 of %2").arg(m_queue->overCount() + 1).arg(total);
    if (left >= 0)
        text += tr(", about %1 left").arg(durationWords(left));
    m_exports->setText(text);
    m_progress->setValue(int(1000 * (m_queue->overCount() + m_queue->fraction()) / std::max(1, total)));
}

} // namespace irenic
