// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/card.h"

#include <QHBoxLayout>
#include <QLabel>
#include <QPushButton>
#include <QShowEvent>
#include <QVBoxLayout>

namespace irenic {

Card::Card(const QString &name, const QString &title, QWidget *panel, QWidget *parent) : QDockWidget(title, parent)
{
    setObjectName(name);
    setAutoFillBackground(true);
    m_title = new QWidget;
    m_title->setMinimumWidth(kLeastPx);
    auto *row = new QHBoxLayout(m_title);
    row->setContentsMargins(11, 8, 6, 2);
    row->setSpacing(0);
    auto *heading = new QLabel(title);
    QFont font = heading->font();
    font.setPointSizeF(font.pointSizeF() * 1.15);
    font.setWeight(QFont::DemiBold);
    heading->setFont(font);
    row->addWidget(heading, 1);
    row->addSpacing(8);
    const auto button = [&](const char *id, const QString &text, const QString &tip, bool checkable) {
        auto *b = new QPushButton(text);
        b->setObjectName(QLatin1String(id) + u'-' + name);
        b->setFlat(true);
        b->setCheckable(checkable);
        b->setFocusPolicy(Qt::TabFocus);
        b->setToolTip(tip);
        b->setAccessibleName(tr("%1: %2").arg(title, text));
        const int width = b->fontMetrics().horizontalAdvance(text) + 10;
        b->setFixedSize(width, b->fontMetrics().height() + 6);
        row->addWidget(b);
        return b;
    };
    m_pin = button("pin", tr("pin"), tr("Stays when another card is opened"), true);
    m_fold = button("fold", tr("fold"), tr("Only the title, until it is unfolded"), true);
    m_float = button("float", tr("float"), tr("A window of its own, on this screen or another; back by the same button"), true);
    const QPushButton *closes = button("close", tr("close"), tr("Puts the card away; its key brings it back"), false);
    setTitleBarWidget(m_title);
    setWidget(panel); // behind the title's buttons for whoever goes by Tab
    connect(m_fold, &QPushButton::toggled, this, &Card::setFolded);
    connect(m_float, &QPushButton::clicked, this, [this](bool on) { setFloating(on); });
    connect(closes, &QPushButton::clicked, this, &QDockWidget::close);
    connect(this, &QDockWidget::topLevelChanged, this, [this](bool floating) {
        m_float->setChecked(floating);
        emit trayChanged();
    });
    setTones(Tones::of(Tones::Wall::Mid));
}

void Card::setTones(const Tones &tones)
{
    setPalette(tones.paperPalette());
}

bool Card::isPinned() const
{
    return m_pin->isChecked();
}

void Card::setPinned(bool pinned)
{
    m_pin->setChecked(pinned);
}

bool Card::isFolded() const
{
    return m_fold->isChecked();
}

void Card::setFolded(bool folded)
{
    m_fold->setChecked(folded);
    widget()->setVisible(!folded);
    setMaximumHeight(folded ? m_title->sizeHint().height() : QWIDGETSIZE_MAX);
}

void Card::bringUp()
{
    setFolded(false);
    show();
    raise();
}

void Card::showEvent(QShowEvent *event)
{
    QDockWidget::showEvent(event);
    if (event->spontaneous())
        return;
    emit cameUp();
    emit trayChanged();
}

void Card::hideEvent(QHideEvent *event)
{
    QDockWidget::hideEvent(event);
    if (event->spontaneous())
        return;
    if (!isFloating())
        m_wantedPx = width();
    emit trayChanged();
}

} // namespace irenic
