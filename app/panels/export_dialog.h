// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "jobs/export_queue.h"
#include "session/session.h"

#include <QDialog>

class QCheckBox;
class QDialogButtonBox;
class QLabel;
class QLineEdit;
class QRadioButton;

namespace irenic {

/// Asks what to export, as what, where and under which names, and shows the names before anything is written.
class ExportDialog : public QDialog
{
    Q_OBJECT
public:
    ExportDialog(const Session &session, QWidget *parent = nullptr);
    /// What was asked for; empty until the dialog is accepted.
    QList<ExportJob> jobs() const;

private:
    QList<int> frames() const;
    QList<ExportFormat> formatsFor(const RollFrame &frame) const; ///< indexes of the frames to export
    void refresh();
    void chooseFolder();

    const Session &m_session;
    QRadioButton *m_thisFrame, *m_allKeepers;
    QCheckBox *m_dng, *m_tiff, *m_jpeg, *m_png;
    QLineEdit *m_folder, *m_name;
    QLabel *m_preview;
    QDialogButtonBox *m_buttons;
};

} // namespace irenic
