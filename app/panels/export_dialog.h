// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/recipe.h"
#include "session/export_choices.h"

#include <QDialog>

class QButtonGroup;
class QCheckBox;
class QComboBox;
class QDialogButtonBox;
class QLabel;
class QLineEdit;
class QSpinBox;

namespace irenic {

/// Asks what to export, as what, where and under which names, and shows the names and the time it will take before anything is written.
class ExportDialog : public QDialog
{
    Q_OBJECT
public:
    /// @param pace seconds taken on this machine over seconds expected, see ExportQueue::ratio()
    /// @param chosen frames of a contact sheet that are to be exported; none: it is about the current one to begin with
    ExportDialog(const Session &session, const std::vector<Recipe> &recipes, double pace, const QList<int> &chosen = {}, QWidget *parent = nullptr);
    /// What was asked for; empty until the dialog is accepted.
    std::vector<ExportRequest> requests() const;

public slots:
    void accept() override;

private:
    ExportChoices choices() const;
    QWidget *makeFrames();
    QWidget *makeFormats();
    QWidget *makeRendered();
    QWidget *makePlace();
    void refresh();
    void chooseFolder();
    bool settleClashes(); ///< asks, where that is wanted; false where the user turned back

    const Session &m_session;
    std::vector<WantedTreatment> m_alikes; ///< of m_alike's lines
    const std::vector<Recipe> &m_recipes;
    ExportChoices m_start;
    std::optional<ExportJob::Clash> m_answer; ///< to the question about clashes
    double m_pace;
    QButtonGroup *m_who, *m_where;
    QComboBox *m_alike, *m_dngCompression, *m_bits, *m_compression, *m_profile, *m_clash;
    QCheckBox *m_sameNoise, *m_dng, *m_linear, *m_tiff, *m_jpeg, *m_png, *m_sidecar;
    QSpinBox *m_dpi;
    QLineEdit *m_subfolder, *m_folder, *m_name;
    QLabel *m_preview, *m_time, *m_note, *m_samplesAlone;
    QDialogButtonBox *m_buttons;
};

} // namespace irenic
