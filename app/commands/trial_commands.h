// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

#include <QUndoCommand>

namespace irenic {

/// Sets a trial's treatment. Commands with the same drag id (not 0) on the same trial merge.
class SetTreatment : public QUndoCommand
{
public:
    SetTreatment(Session &session, int index, int trial, const Treatment &after, const QString &text, int dragId);
    void undo() override { m_session.applyTreatment(m_index, m_trial, m_before); }
    void redo() override { m_session.applyTreatment(m_index, m_trial, m_after); }
    int id() const override { return m_dragId > 0 ? m_dragId : -1; }
    bool mergeWith(const QUndoCommand *other) override;

private:
    Session &m_session;
    int m_index, m_trial, m_dragId;
    Treatment m_before, m_after;
};

class SetKeeper : public QUndoCommand
{
public:
    SetKeeper(Session &session, int index, int trial);
    void undo() override { m_session.applyKeeper(m_index, m_before); }
    void redo() override { m_session.applyKeeper(m_index, m_after); }

private:
    Session &m_session;
    int m_index, m_before, m_after;
};

} // namespace irenic
