// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QStatusBar>

class QLabel;
class QProgressBar;
class QPushButton;

namespace irenic {

class ExportQueue;

/// The line below everything: whether the pictures are settled, the last message, and how far exports are.
class StatusLine : public QStatusBar
{
    Q_OBJECT
public:
    explicit StatusLine(const ExportQueue *queue, QWidget *parent = nullptr);

    void setSettled(const QString &words);
    /// @param folderToReveal with a button that opens it; empty for none
    void say(const QString &text, const QString &folderToReveal = {});
    void setPointed(const QString &words); ///< about what is under the pointer, in place of the message; empty: the message again
    void setNotes(QWidget *notes);         ///< before the message; its own
    void setScreen(const QString &words);  ///< whose profile the pictures are shown through
    QString folderToReveal() const { return m_folder; }
    void setTones(const Tones &tones);

private:
    void showQueue();

    const ExportQueue *m_queue;
    QLabel *m_settled, *m_message, *m_exports, *m_screen;
    QPushButton *m_reveal;
    QProgressBar *m_progress;
    QString m_folder, m_said, m_pointed;
};

} // namespace irenic
