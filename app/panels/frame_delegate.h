// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/on_screen.h"
#include "view/tones.h"

#include <QStyledItemDelegate>

namespace irenic {

struct RollFrame;

/// Draws a frame of a RollModel: in the roll's column, as one of a line of thumbnails, or as a paper of the contact sheet.
class FrameDelegate : public QStyledItemDelegate
{
    Q_OBJECT
public:
    enum class Form {
        Column,
        Thumbnail,
        Sheet,
    };
    static constexpr int kColumnPx = 160, kThumbnailPx = 62; ///< widths of the roll
    static constexpr int kSheetPx = 164;                     ///< of a paper, with the gap beside it

    FrameDelegate(Form drawn, QObject *parent);
    Form form;
    Tones tones = Tones::of(Tones::Wall::Mid);
    OnScreen screen;
    QString onWall; ///< path of the frame that hangs on the wall; marked on a contact sheet

    QSize sizeHint(const QStyleOptionViewItem &option, const QModelIndex &index) const override;
    void paint(QPainter *painter, const QStyleOptionViewItem &option, const QModelIndex &index) const override;
    /// "exported", "keeper B", "reading", ...; empty while nothing was decided.
    static QString stateWords(const RollFrame &frame);

private:
    void paintPicture(QPainter *p, const QRect &place, const RollFrame &frame, int number) const;
};

} // namespace irenic
