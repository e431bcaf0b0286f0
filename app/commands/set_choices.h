// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/editing.h"

#include <QUndoCommand>

namespace irenic {

/// Any change of what was decided about a frame. Commands with the same drag id (not 0) on one frame merge.
class SetChoices : public QUndoCommand
{
public:
    /// @param reveal undoing and redoing goes to that frame, since what they change must be seen
    SetChoices(Editing &editing, int index, const Choices &before, Choices after, const QString &text, int dragId, bool reveal = true)
        : QUndoCommand(text), m_editing(editing), m_index(index), m_dragId(dragId), m_reveal(reveal), m_before(before), m_after(std::move(after))
    {
    }
    void undo() override { m_editing.apply(m_index, m_before, m_reveal); }
    void redo() override { m_editing.apply(m_index, m_after, m_reveal); }
    int id() const override { return m_dragId > 0 ? m_dragId : -1; }
    bool mergeWith(const QUndoCommand *other) override
    {
        const auto *next = static_cast<const SetChoices *>(other);
        if (next->m_index != m_index)
            return false;
        m_after = next->m_after;
        setObsolete(m_after == m_before);
        return true;
    }

private:
    Editing &m_editing;
    int m_index, m_dragId;
    bool m_reveal;
    Choices m_before, m_after;
};

} // namespace irenic
