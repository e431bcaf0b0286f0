// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/export_choices.h"

#include <QFrame>

#include <stop_token>

class QLabel;
class QPushButton;

namespace irenic {

/// One frame that another program sent, and the button that sends it back: the bar under the wall of a window that was started for this. The trial with
/// the keyboard goes, or the keeper, cleaned as the last export was; beside what was sent, or in its place where that was asked for.
class HandBack : public QFrame
{
    Q_OBJECT
public:
    /// @param inPlace the result takes the place of the very file that was sent, at once and whole, if nobody changed that meanwhile: a TIFF, JPEG or PNG
    HandBack(Session *session, const QString &file, bool inPlace, QWidget *parent = nullptr);
    ~HandBack() override;
    /// What the process answers: 0 once a file went back, 1 while none did.
    int exitStatus() const { return m_result.isEmpty() ? 1 : 0; }
    QString result() const { return m_result; } ///< the file that went back; empty while there is none

signals:
    void handedBack(const QString &file);
    void leftUnchanged();

private:
    void tellState();
    void send();
    void finish(const Result<ExportOutcome> &outcome);

    Session *m_session;
    QString m_file, m_result;
    bool m_inPlace, m_busy = false;
    std::filesystem::file_time_type m_asSent{};
    std::stop_source m_stop;
    QLabel *m_words;
    QPushButton *m_send, *m_leave;
};

} // namespace irenic
