// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/editing.h"

namespace irenic {

/// The open roll, how it is looked at, and every choice made on it. Widgets show it, and change it only by Editing. Lives in the window's thread.
class Session : public QObject
{
    Q_OBJECT
public:
    explicit Session(QObject *parent = nullptr);
    ~Session() override;

    Roll &roll() { return m_roll; }
    const Roll &roll() const { return m_roll; }
    Viewing &viewing() { return m_viewing; }
    const Viewing &viewing() const { return m_viewing; }
    Editing &editing() { return m_editing; }
    Shifts &shifts() { return m_shifts; }

    /// Adds frames that are not open yet, and looks at the first where none was; answers the indexes of the new ones.
    QList<int> addPaths(const QStringList &paths);
    /// All that a session file keeps. @param folder where it is going to lie
    SavedSession saved(const QString &folder) const;
    /// In place of what is open. Paths to be read; missing files are in the roll as such. @param folder where the file lay
    QStringList restore(const SavedSession &session, const QString &folder);

signals:
    void restored(); ///< everything is another

private:
    Roll m_roll;
    Viewing m_viewing{m_roll};
    Shifts m_shifts;
    Editing m_editing{m_roll, m_viewing, m_shifts};
};

} // namespace irenic
