// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "models/roll_model.h"
#include "panels/frame_delegate.h"
#include "view/tones.h"

#include <QListView>

namespace irenic {

class ScreenTransform;

/// The roll: the open frames in a narrow column, each with its picture, sensitivity, measured noise and keeper.
class RollPanel : public QListView
{
    Q_OBJECT
public:
    RollPanel(Session *session, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    void setNarrow(bool narrow); ///< a line of thumbnails
    bool isNarrow() const;
    void setScreen(std::shared_ptr<const ScreenTransform> screen);

signals:
    void menuRequested(QPoint globalPoint); ///< of the current frame

protected:
    void contextMenuEvent(QContextMenuEvent *event) override;
    void currentChanged(const QModelIndex &current, const QModelIndex &previous) override;

private:
    Session *m_session;
    RollModel m_model;
    FrameDelegate *m_paper;
};

} // namespace irenic
