// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/roll_panel.h"

#include <QContextMenuEvent>
#include <QScrollBar>

namespace irenic {

RollPanel::RollPanel(Session *session, QWidget *parent) : QListView(parent), m_session(session), m_model(session)
{
    setObjectName(QStringLiteral("roll"));
    setAccessibleName(tr("Roll"));
    setModel(&m_model);
    setItemDelegate(m_paper = new FrameDelegate(FrameDelegate::Form::Column, this));
    setFrameShape(QFrame::NoFrame);
    setVerticalScrollMode(ScrollPerPixel);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setFixedWidth(FrameDelegate::kColumnPx);
    setUniformItemSizes(true);
    setEditTriggers(NoEditTriggers);
    connect(&session->viewing(), &Viewing::currentChanged, this, [this](int index) { setCurrentIndex(m_model.index(index)); });
}

bool RollPanel::isNarrow() const
{
    return m_paper->form == FrameDelegate::Form::Thumbnail;
}

void RollPanel::setNarrow(bool narrow)
{
    if (narrow == isNarrow())
        return;
    m_paper->form = narrow ? FrameDelegate::Form::Thumbnail : FrameDelegate::Form::Column;
    setFixedWidth(narrow ? FrameDelegate::kThumbnailPx : FrameDelegate::kColumnPx);
    scheduleDelayedItemsLayout();
    scrollTo(currentIndex());
}

void RollPanel::setScreen(std::shared_ptr<const ScreenTransform> screen)
{
    m_paper->screen.setScreen(std::move(screen));
    viewport()->update();
}

void RollPanel::setTones(const Tones &tones)
{
    m_paper->tones = tones;
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
        m_session->viewing().setCurrent(current.row());
}

} // namespace irenic
