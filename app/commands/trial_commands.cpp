// SPDX-License-Identifier: GPL-3.0-or-later
#include "commands/trial_commands.h"

namespace irenic {

SetTreatment::SetTreatment(Session &session, int index, int trial, const Treatment &after, const QString &text, int dragId)
    : QUndoCommand(text), m_session(session), m_index(index), m_trial(trial), m_dragId(dragId),
      m_before(session.frame(index).trials[size_t(trial)]), m_after(after)
{
}

bool SetTreatment::mergeWith(const QUndoCommand *other)
{
    const auto *next = static_cast<const SetTreatment *>(other);
    if (next->m_index != m_index || next->m_trial != m_trial)
        return false;
    m_after = next->m_after;
    setObsolete(m_after == m_before);
    return true;
}

SetKeeper::SetKeeper(Session &session, int index, int trial)
    : QUndoCommand(trial < 0 ? QObject::tr("taking back the keeper") : QObject::tr("choosing %1 as keeper").arg(trialLetter(trial))),
      m_session(session), m_index(index), m_before(session.frame(index).keeper), m_after(trial)
{
}

} // namespace irenic
