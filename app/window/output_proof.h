// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/soft_proof.h"

#include <QObject>

class QWidget;

namespace irenic {

struct Settings;
class Viewing;

/// The output whose colours are looked at: its ICC profile, chosen once and remembered, and whether its white is shown, too.
class OutputProof : public QObject
{
    Q_OBJECT
public:
    /// As the settings say, and kept there from now on.
    OutputProof(Viewing *viewing, Settings *settings, QObject *parent = nullptr);

    void choose(const QString &file); ///< sRGB where empty; one that cannot be used says so by problem(), and the last one stays
    void chooseFile(QWidget *over);
    void setPaper(bool paper);
    bool isSrgb() const { return m_file.isEmpty(); }
    bool showsPaper() const { return m_paper; }
    QString name() const; ///< the profile's description, or the name of its file

signals:
    void changed();
    void problem(const QString &words);

private:
    /// False where there is no such output.
    bool use(const QString &file, bool paper);

    Viewing *m_viewing;
    Settings *m_settings;
    QString m_file; ///< in use; another than the settings' where that is away today
    bool m_paper = false;
    std::shared_ptr<const SoftProof> m_proof; ///< null: sRGB
};

} // namespace irenic
