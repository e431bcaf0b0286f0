// SPDX-License-Identifier: GPL-3.0-or-later
#include "models/roll_model.h"

#include <QDir>

namespace irenic {

RollModel::RollModel(Session *session, QObject *parent) : QAbstractListModel(parent), m_session(session)
{
    connect(&session->roll(), &Roll::framesAdded, this, [this](int first, int count) {
        beginInsertRows({}, first, first + count - 1);
        endInsertRows();
    });
    const auto reset = [this] {
        beginResetModel();
        endResetModel();
    };
    connect(session, &Session::restored, this, reset);
    connect(&session->roll(), &Roll::rollChanged, this, reset);
    const auto tell = [this](int i) { emit dataChanged(index(i), index(i)); };
    connect(&session->roll(), &Roll::frameChanged, this, tell);
    connect(&session->roll(), &Roll::nearnessTold, this, tell);
    connect(&session->roll(), &Roll::choicesChanged, this, tell);
}

int RollModel::rowCount(const QModelIndex &parent) const
{
    return parent.isValid() ? 0 : m_session->roll().count();
}

QVariant RollModel::data(const QModelIndex &index, int role) const
{
    if (!index.isValid() || index.row() >= m_session->roll().count())
        return {};
    const RollFrame &f = m_session->roll().frame(index.row());
    switch (role) {
    case Qt::DisplayRole: return f.name();
    case FrameRole: return QVariant::fromValue(&f);
    case Qt::ToolTipRole:
        return f.state == RollFrame::State::Failed ? f.problem : QDir::toNativeSeparators(f.path);
    case Qt::AccessibleTextRole: {
        if (f.state == RollFrame::State::Failed)
            return tr("%1, not opened: %2").arg(f.name(), f.problem);
        if (f.state == RollFrame::State::Reading)
            return tr("%1, not measured yet").arg(f.name());
        QString text = tr("%1, %2, grain %3 %, colour noise %4 %").arg(f.name(), f.speedWords()).arg(100 * double(f.noise->luminanceNoise), 0, 'f', 0).arg(100 * double(f.noise->colourNoise), 0, 'f', 0);
        if (f.keeper >= 0)
            text += tr(", keeper %1").arg(trialLetter(f.keeper));
        return text;
    }
    default: return {};
    }
}

} // namespace irenic
