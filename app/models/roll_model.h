// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

#include <QAbstractListModel>

namespace irenic {

/// The roll as a list: one row a frame.
class RollModel : public QAbstractListModel
{
    Q_OBJECT
public:
    enum Role {
        FrameRole = Qt::UserRole + 1,
    }; ///< const RollFrame *, valid until the model changes

    explicit RollModel(Session *session, QObject *parent = nullptr);
    int rowCount(const QModelIndex &parent = {}) const override;
    /// Qt::DisplayRole the name, Qt::ToolTipRole the path or what is wrong, Qt::AccessibleTextRole all in words.
    QVariant data(const QModelIndex &index, int role) const override;

private:
    Session *m_session;
};

} // namespace irenic

Q_DECLARE_METATYPE(const irenic::RollFrame *)
