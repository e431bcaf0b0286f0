// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

#include <QUndoCommand>

namespace irenic {

/// A frame leaves the roll. The command keeps what was decided about it, without its pixels.
class TakeOff : public QUndoCommand
{
public:
    TakeOff(Session &session, int index) : QUndoCommand(QObject::tr("taking %1 off the roll").arg(session.frame(index).name())), m_session(session), m_index(index) {}
    void redo() override { m_frame = m_session.takeOut(m_index); }
    void undo() override { m_session.putBack(m_index, std::move(m_frame)); }

private:
    Session &m_session;
    int m_index;
    std::unique_ptr<RollFrame> m_frame;
};

} // namespace irenic
