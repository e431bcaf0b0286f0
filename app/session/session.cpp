// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/session.h"

namespace irenic {

Session::Session(QObject *parent) : QObject(parent)
{
    connect(&m_roll, &Roll::pathComes, this, [this](const QString &path) { m_editing.notePathComes(path); });
    connect(&m_roll, &Roll::frameReady, &m_viewing, &Viewing::followFrame);
    connect(&m_roll, &Roll::frameReady, this, [this](int frame) { m_editing.letFollow(frame); });
}

Session::~Session() = default;

QList<int> Session::addPaths(const QStringList &paths)
{
    const QList<int> added = m_roll.add(paths);
    if (m_viewing.current() < 0 && m_roll.count() > 0)
        m_viewing.setCurrent(0);
    return added;
}

SavedSession Session::saved(const QString &folder) const
{
    SavedSession s;
    s.frames = m_roll.saved(folder);
    m_viewing.save(s);
    return s;
}

QStringList Session::restore(const SavedSession &session, const QString &folder)
{
    m_editing.forgetSteps();
    m_roll.clear();
    m_viewing.restore(session);
    emit restored();
    const QStringList toRead = m_roll.restore(session.frames, folder);
    m_viewing.tellRestored(session.current);
    return toRead;
}

} // namespace irenic
