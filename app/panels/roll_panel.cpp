// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/roll_panel.h"

#include "view/on_screen.h"

#include <QContextMenuEvent>
#include <QPainter>
#include <QScrollBar>
#include <QStyledItemDelegate>

namespace irenic {

namespace {

constexpr int kMargin = 8;
constexpr int kPictureHeight = 82;
constexpr double kFullBar = 0.30; ///< noise, as a share of the mid-tone, that fills a bar

class FrameDelegate : public QStyledItemDelegate
{
public:
    explicit FrameDelegate(QObject *parent) : QStyledItemDelegate(parent) {}
    Tones tones = Tones::of(Tones::Wall::Mid);
    OnScreen screen;

    QSize sizeHint(const QStyleOptionViewItem &option, const QModelIndex &) const override
    {
        return {120, kPictureHeight + 4 * option.fontMetrics.height() + 2 * kMargin + 10};
    }

    void paint(QPainter *p, const QStyleOptionViewItem &option, const QModelIndex &index) const override
    {
        const auto *f = index.data(RollModel::FrameRole).value<const RollFrame *>();
        const bool chosen = option.state & QStyle::State_Selected;
        const QRect box = option.rect.adjusted(4, 2, -4, -2);
        const QColor ink = chosen ? tones.paperInk : tones.chromeInk;
        if (chosen)
            p->fillRect(box, tones.paper); // paper: neutral, like everything near a picture
        const QRect picture(box.x() + kMargin, box.y() + kMargin, box.width() - 2 * kMargin, kPictureHeight);
        if (f->thumbnail.isNull()) {
            p->fillRect(picture, tones.wall);
            p->setPen(tones.wallInk);
            p->drawText(picture, Qt::AlignCenter, f->state == RollFrame::State::Failed ? f->isMissing() ? tr("not found") : tr("not opened") : tr("reading"));
        } else {
            const QSize fitted = f->thumbnail.size().scaled(picture.size(), Qt::KeepAspectRatio);
            const QRect target(picture.center() - QPoint(fitted.width() / 2, fitted.height() / 2), fitted);
            p->setRenderHint(QPainter::SmoothPixmapTransform);
            p->drawImage(target, screen.of(f->thumbnail));
        }
        const int line = option.fontMetrics.height();
        QRect text(picture.x(), picture.bottom() + 4, picture.width(), line);
        p->setPen(ink);
        QFont bold = option.font;
        bold.setWeight(QFont::DemiBold);
        p->setFont(bold);
        p->drawText(text, Qt::AlignVCenter, p->fontMetrics().elidedText(f->name(), Qt::ElideMiddle, text.width()));
        p->setFont(option.font);
        text.translate(0, line);
        if (f->state == RollFrame::State::Failed) {
            p->drawText(text.adjusted(0, 0, 0, 2 * line), Qt::TextWordWrap, tr("See its tooltip for why."));
            return;
        }
        if (!f->isMeasured())
            return;
        p->drawText(text, Qt::AlignVCenter, f->speedWords());
        if (!f->exported.isEmpty())
            p->drawText(text, Qt::AlignVCenter | Qt::AlignRight, tr("exported"));
        else if (f->keeper >= 0)
            p->drawText(text, Qt::AlignVCenter | Qt::AlignRight, tr("keeper %1").arg(trialLetter(f->keeper)));
        text.translate(0, line);
        paintBar(p, text, tr("grain"), double(f->noise->luminanceNoise), ink, false);
        text.translate(0, line);
        paintBar(p, text, tr("colour"), double(f->noise->colourNoise), ink, true);
    }

private:
    /// Told apart by shape, not hue: a solid bar for grain, a dashed one for colour.
    static void paintBar(QPainter *p, const QRect &line, const QString &label, double noise, const QColor &ink, bool dashed)
    {
        p->setPen(ink);
        p->drawText(line, Qt::AlignVCenter, label);
        const int left = line.x() + 46, room = line.right() - left;
        const int length = std::clamp(int(noise / kFullBar * room), 2, room), y = line.center().y() - 2;
        if (!dashed) {
            p->fillRect(left, y, length, 6, ink);
            return;
        }
        for (int x = 0; x < length; x += 4)
            p->fillRect(left + x, y, 2, 6, ink);
    }
};

} // namespace

RollPanel::RollPanel(Session *session, QWidget *parent) : QListView(parent), m_session(session), m_model(session)
{
    setObjectName(QStringLiteral("roll"));
    setAccessibleName(tr("Roll"));
    setModel(&m_model);
    setItemDelegate(new FrameDelegate(this));
    setFrameShape(QFrame::NoFrame);
    setVerticalScrollMode(ScrollPerPixel);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFixedWidth(160);
    setUniformItemSizes(true);
    setEditTriggers(NoEditTriggers);
    connect(session, &Session::currentChanged, this, [this](int index) { setCurrentIndex(m_model.index(index)); });
}

void RollPanel::setScreen(std::shared_ptr<const ScreenTransform> screen)
{
    static_cast<FrameDelegate *>(itemDelegate())->screen.setScreen(std::move(screen));
    viewport()->update();
}

void RollPanel::setTones(const Tones &tones)
{
    static_cast<FrameDelegate *>(itemDelegate())->tones = tones;
    QPalette p = palette();
    p.setColor(QPalette::Base, tones.chrome);
    setPalette(p);
    verticalScrollBar()->setStyleSheet(QStringLiteral("QScrollBar { width: 7px; background: %1; } QScrollBar::handle { background: %2; min-height: 30px; }"
                                                      "QScrollBar::add-line, QScrollBar::sub-line { height: 0; } QScrollBar::add-page, QScrollBar::sub-page { background: none; }")
                                           .arg(tones.chrome.name(), tones.chrome.darker(125).name()));
    viewport()->update();
}

void RollPanel::contextMenuEvent(QContextMenuEvent *event)
{
    const QModelIndex at = indexAt(event->pos());
    if (!at.isValid())
        return;
    setCurrentIndex(at);
    emit menuRequested(event->globalPos());
}

void RollPanel::currentChanged(const QModelIndex &current, const QModelIndex &previous)
{
    QListView::currentChanged(current, previous);
    if (current.isValid())
        m_session->setCurrent(current.row());
}

} // namespace irenic
