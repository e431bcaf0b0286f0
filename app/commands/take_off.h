// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/editing.h"

#include <QUndoCommand>

namespace irenic {

/// A frame leaves the roll. The command keeps what was decided about it, without its pixels.
class TakeOff : public QUndoCommand
{
public:
    TakeOff(Editing &editing, int index, const QString &name) : QUndoCommand(QObject::tr("taking %1 off the roll").arg(name)), m_editing(editing), m_index(index) {}
    void redo() override { m_frame = m_editing.takeOut(m_index); }
    void undo() override { m_editing.putBack(m_index, std::move(m_frame)); }

private:
    Editing &m_editing;
    int m_index;
    std::unique_ptr<RollFrame> m_frame;
};

} // namespace irenic
