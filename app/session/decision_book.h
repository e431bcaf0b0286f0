// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/decisions.h"

#include <QObject>
#include <QString>

namespace irenic {

/// The user's decisions about frames, kept as a documented JSON file in the application's own data. A file that cannot be understood is left alone, and
/// nothing is kept.
class DecisionBook : public QObject
{
    Q_OBJECT
public:
    explicit DecisionBook(const QString &file, QObject *parent = nullptr);
    static QString usualFile();

    const Decisions &decisions() const { return m_decisions; }
    const QString &problem() const { return m_problem; } ///< why nothing is kept; usually empty
    Status note(const std::vector<Decision> &decisions);
    Status forget(const QList<int> &which);
    Status forgetAll();
    Status exportTo(const QString &file) const; ///< never in place of another

signals:
    void changed();

private:
    Status keep(const Decisions &decisions);

    QString m_file, m_problem;
    Decisions m_decisions;
};

} // namespace irenic
