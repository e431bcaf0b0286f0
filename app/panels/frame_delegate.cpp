// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/frame_delegate.h"

#include "models/roll_model.h"
#include "models/sheet_model.h"

#include <QPainter>

namespace irenic {

namespace {

constexpr int kMargin = 8;
constexpr int kPictureHeight = 82, kThumbnailHeight = 36, kSheetPictureHeight = 94;
constexpr int kSheetGap = 12;
constexpr double kFullBar = 0.30; ///< noise, as a share of the mid-tone, that fills a bar

/// Told apart by shape, not hue: a solid bar for grain, a dashed one for colour.
void paintBar(QPainter *p, const QRect &line, const QString &label, int labelsPx, double noise, const QColor &ink, bool dashed)
{
    p->setPen(ink);
    p->drawText(line, Qt::AlignVCenter, label);
    const int left = line.x() + labelsPx, room = line.right() - left;
    const int length = std::clamp(int(noise / kFullBar * room), 2, room), y = line.center().y() - 2;
    if (!dashed) {
        p->fillRect(left, y, length, 6, ink);
        return;
    }
    for (int x = 0; x < length; x += 4)
        p->fillRect(left + x, y, 2, 6, ink);
}

} // namespace

FrameDelegate::FrameDelegate(Form drawn, QObject *parent) : QStyledItemDelegate(parent), form(drawn) {}

QSize FrameDelegate::sizeHint(const QStyleOptionViewItem &option, const QModelIndex &) const
{
    const int words = 4 * option.fontMetrics.height();
    switch (form) {
    case Form::Thumbnail: return {kThumbnailPx, kThumbnailHeight + kMargin};
    case Form::Sheet: return {kSheetPx, kSheetPictureHeight + words + kMargin + 8 + kSheetGap};
    case Form::Column: break;
    }
    return {120, kPictureHeight + words + 2 * kMargin + 10};
}

QString FrameDelegate::stateWords(const RollFrame &f)
{
    switch (f.state) {
    case RollFrame::State::Failed: return f.isMissing() ? tr("not found") : tr("not opened");
    case RollFrame::State::Reading: return f.frame ? tr("measuring") : tr("waiting");
    default: break;
    }
    return !f.exported.isEmpty() ? tr("exported") : f.keeper >= 0 ? tr("keeper %1").arg(trialLetter(f.keeper))
                                                                  : QString();
}

void FrameDelegate::paintPicture(QPainter *p, const QRect &place, const RollFrame &f, int number) const
{
    if (f.thumbnail.isNull()) {
        p->fillRect(place, tones.wall);
        p->setPen(tones.wallInk);
        p->drawText(place, Qt::AlignCenter, form == Form::Thumbnail ? QString::number(number) : f.state == RollFrame::State::Failed ? stateWords(f)
                                                                                                                                    : tr("waiting"));
        return;
    }
    if (form == Form::Sheet)
        p->fillRect(place, tones.wall); // as on the wall
    const QSize fitted = f.thumbnail.size().scaled(place.size(), Qt::KeepAspectRatio);
    const QRect target(place.center() - QPoint(fitted.width() / 2, fitted.height() / 2), fitted);
    p->setRenderHint(QPainter::SmoothPixmapTransform);
    p->drawImage(target, screen.of(f.thumbnail));
}

void FrameDelegate::paint(QPainter *p, const QStyleOptionViewItem &option, const QModelIndex &index) const
{
    const auto *f = index.data(RollModel::FrameRole).value<const RollFrame *>();
    if (!f)
        return;
    p->save();
    const bool chosen = option.state & QStyle::State_Selected, sheet = form == Form::Sheet;
    const QRect &r = option.rect;
    const QRect box = sheet ? r.adjusted(0, 0, -kSheetGap, -kSheetGap) : form == Form::Thumbnail ? r.adjusted(2, 1, -2, -1)
                                                                                                 : r.adjusted(4, 2, -4, -2);
    // Paper: neutral, like everything near a picture. On the sheet, what is chosen is inverted as a keeper's strip is.
    const QColor ground = sheet && chosen ? tones.darkPaper : tones.paper, ink = sheet ? (chosen ? tones.darkPaperInk : tones.paperInk) : chosen ? tones.paperInk
                                                                                                                                                 : tones.chromeInk;
    const int frames = sheet ? index.data(SheetModel::SeriesRole).toInt() : 1;
    if (frames > 1) // papers under this one, parted by a line of wall
        for (const int by : {6, 3, 0}) {
            p->fillRect(box.translated(by, by).adjusted(0, 0, 1, 1), tones.wall);
            p->fillRect(box.translated(by, by), ground);
        }
    if (sheet || chosen)
        p->fillRect(box, ground);
    const int margin = form == Form::Thumbnail ? 3 : sheet ? 7
                                                           : kMargin;
    const QRect picture(box.x() + margin, box.y() + margin, box.width() - 2 * margin, form == Form::Thumbnail ? box.height() - 2 * margin : sheet ? kSheetPictureHeight
                                                                                                                                                  : kPictureHeight);
    paintPicture(p, picture, *f, index.row() + 1);
    if (form == Form::Thumbnail)
        return p->restore();
    if (sheet && f->path == onWall) { // the notch of the column that has the keyboard
        p->setRenderHint(QPainter::Antialiasing);
        p->setPen(Qt::NoPen);
        p->setBrush(ground);
        p->drawPolygon(QPolygonF({{box.x() + 10.0, picture.bottom() + 1.0}, {box.x() + 17.0, picture.bottom() - 7.0}, {box.x() + 24.0, picture.bottom() + 1.0}}));
    }
    const int line = option.fontMetrics.height();
    QRect text(picture.x(), picture.bottom() + (sheet ? 3 : 4), picture.width(), line);
    p->setPen(ink);
    const QString state = f->state == RollFrame::State::Failed && !sheet ? QString() : stateWords(*f);
    const int taken = sheet && !state.isEmpty() ? option.fontMetrics.horizontalAdvance(state) + 6 : 0;
    QFont bold = option.font;
    bold.setWeight(QFont::DemiBold);
    p->setFont(bold);
    p->drawText(text, Qt::AlignVCenter, p->fontMetrics().elidedText(f->name(), Qt::ElideMiddle, text.width() - taken));
    p->setFont(option.font);
    if (sheet)
        p->drawText(text, Qt::AlignVCenter | Qt::AlignRight, state);
    text.translate(0, line);
    if (f->state == RollFrame::State::Failed) {
        p->drawText(text.adjusted(0, 0, 0, 2 * line), Qt::TextWordWrap, tr("See its tooltip for why."));
        return p->restore();
    }
    p->drawText(text, Qt::AlignVCenter, f->speedWords());
    if (frames > 1)
        p->drawText(text, Qt::AlignVCenter | Qt::AlignRight, tr("%n frames", nullptr, frames));
    else if (sheet && f->isNearnessKnown()) // once it was asked for
        p->drawText(text, Qt::AlignVCenter | Qt::AlignRight, f->nearnessDb() >= 0 ? tr("%L1 dB").arg(f->nearnessDb(), 0, 'f', 1) : tr("no estimate"));
    if (!f->isMeasured())
        return p->restore();
    if (!sheet)
        p->drawText(text, Qt::AlignVCenter | Qt::AlignRight, state);
    text.translate(0, line);
    constexpr int kLabelsPx = 46, kGapPx = 6;
    const int labels = std::max(kLabelsPx, std::max(option.fontMetrics.horizontalAdvance(tr("grain")), option.fontMetrics.horizontalAdvance(tr("colour"))) + kGapPx);
    paintBar(p, text, tr("grain"), labels, double(f->noise->luminanceNoise), ink, false);
    text.translate(0, line);
    paintBar(p, text, tr("colour"), labels, double(f->noise->colourNoise), ink, true);
    p->restore();
}

} // namespace irenic
