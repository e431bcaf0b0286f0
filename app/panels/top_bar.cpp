// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/top_bar.h"

#include "panels/spot_bar.h"
#include "panels/wall.h"
#include "session/dates.h"
#include "view/fitting_label.h"
#include "view/map_view.h"
#include "view/on_screen.h"

#include <QButtonGroup>
#include <QDoubleSpinBox>
#include <QHBoxLayout>
#include <QToolButton>

namespace irenic {

namespace {

QStringList exposureWords(const ShootingData &s)
{
    QStringList words;
    if (s.iso > 0)
        words << QObject::tr("ISO %1").arg(s.iso);
    if (s.exposureS > 0)
        words << (s.exposureS < 0.4 ? QObject::tr("1/%1 s").arg(qRound(1 / s.exposureS)) : QObject::tr("%1 s").arg(s.exposureS, 0, 'g', 3));
    if (s.fNumber > 0)
        words << QObject::tr("f/%1").arg(s.fNumber, 0, 'g', 3);
    if (s.focalLengthMm > 0)
        words << QObject::tr("%1 mm").arg(s.focalLengthMm, 0, 'g', 3);
    return words;
}

} // namespace

TopBar::TopBar(Session *session, QWidget *parent) : QWidget(parent), m_session(session)
{
    auto *row = new QHBoxLayout(this);
    row->setContentsMargins(14, 6, 14, 4);
    row->setSpacing(10);
    m_map = new MapView;
    row->addWidget(m_map);
    m_name = new FittingLabel;
    m_data = new FittingLabel;
    m_data->setObjectName(QStringLiteral("shootingData"));
    QFont bold = font();
    bold.setWeight(QFont::DemiBold);
    m_name->setFont(bold);
    for (FittingLabel *label : {m_name, m_data})
        label->setMinimumWidth(110); // beyond that they give way before the window grows
    auto *words = new QVBoxLayout;
    words->setSpacing(1);
    words->addStretch(1);
    words->addWidget(m_name);
    words->addWidget(m_data);
    words->addStretch(1);
    auto *lines = new QVBoxLayout;
    lines->setSpacing(2);
    auto *outer = row;
    row = new QHBoxLayout;
    row->setSpacing(10);
    row->addLayout(words, 1);
    auto *zooms = new QHBoxLayout;
    zooms->setSpacing(0);
    row->addLayout(zooms);
    m_zooms = new QButtonGroup(this);
    m_zooms->setExclusive(true);
    for (const double zoom : Wall::zoomLadder()) {
        auto *button = new QToolButton;
        button->setText(zoom == 0 ? tr("fit") : tr("%1 %").arg(zoom * 100));
        button->setCheckable(true);
        button->setAutoRaise(true);
        button->setObjectName(QStringLiteral("zoom-%1").arg(zoom * 100));
        button->setAccessibleName(zoom == 0 ? tr("Whole frame") : tr("Magnification %1 per cent").arg(zoom * 100));
        button->setToolTip(zoom == 0 ? tr("Show the whole frame (Ctrl+0)") : tr("One picture pixel on %1 screen pixels").arg(zoom));
        m_zooms->addButton(button, int(zoom * 100));
        zooms->addWidget(button);
    }
    row->addSpacing(10);
    auto *label = new QLabel(tr("push"));
    m_push = new QDoubleSpinBox;
    m_push->setObjectName(QStringLiteral("push"));
    m_push->setRange(-2, 6);
    m_push->setSingleStep(0.5);
    m_push->setDecimals(1);
    m_push->setSuffix(tr(" EV"));
    m_push->setAccessibleName(tr("Push, exposure lift for looking only"));
    m_push->setToolTip(tr("Lifts the exposure for looking only; exported files are not lifted (P, Shift+P)"));
    m_push->setKeyboardTracking(false);
    label->setBuddy(m_push);
    row->addWidget(label);
    row->addWidget(m_push);
    lines->addLayout(row);
    m_spots = new SpotBar(session);
    lines->addWidget(m_spots);
    outer->addLayout(lines, 1);
    connect(m_zooms, &QButtonGroup::idClicked, this, [this](int id) { emit zoomRequested(id / 100.0); });
    connect(m_push, &QDoubleSpinBox::valueChanged, &session->viewing(), &Viewing::setPushEv);
    connect(&session->viewing(), &Viewing::lookChanged, m_push, [this] { m_push->setValue(m_session->viewing().pushEv()); });
    connect(m_map, &MapView::placeRequested, this, [this](QPointF centre) {
        const double zoom = m_session->viewing().viewport().zoom;
        m_session->viewing().setViewport({zoom, centre});
    });
    const auto showZoom = [this] {
        const double zoom = m_session->viewing().viewport().zoom;
        QAbstractButton *on = Wall::zoomLadder().contains(zoom) ? m_zooms->button(int(zoom * 100)) : nullptr;
        m_zooms->setExclusive(false); // an output size is on none of them
        for (QAbstractButton *b : m_zooms->buttons())
            b->setChecked(b == on);
        m_zooms->setExclusive(true);
    };
    connect(&session->viewing(), &Viewing::viewportChanged, this, showZoom);
    connect(&session->viewing(), &Viewing::shownChanged, this, [this](ChoiceParts parts) {
        if (parts.testFlag(ChoicePart::Spots)) // on the map
            showFrame();
    });
    showZoom();
    showFrame();
}

void TopBar::setScreen(std::shared_ptr<const ScreenTransform> screen)
{
    m_screen = std::move(screen);
    showFrame();
}

void TopBar::setTones(const Tones &tones)
{
    m_spots->setTones(tones);
    QPalette p = palette();
    p.setColor(QPalette::WindowText, tones.wallInk);
    p.setColor(QPalette::Window, tones.wall);
    setAutoFillBackground(true);
    setPalette(p);
    // Sheets on leaves only: one on a parent puts back the palettes of all that is in it.
    for (QAbstractButton *b : m_zooms->buttons())
        b->setStyleSheet(QStringLiteral("QToolButton { color: %1; background: transparent; border: none; padding: 4px 6px; }"
                                        "QToolButton:hover { background: %2; color: %3; }"
                                        "QToolButton:checked { background: %4; color: %5; font-weight: 600; }"
                                        "QToolButton:focus { border: 1px solid %1; padding: 3px 5px; }")
                             .arg(tones.wallInk.name(), tones.chromeRaised.name(), tones.chromeInk.name(), tones.chosen.name(), tones.chosenInk.name()));
}

void TopBar::showFrame()
{
    const RollFrame *f = m_session->viewing().currentFrame();
    const bool ready = f && f->state == RollFrame::State::Ready;
    setEnabled(ready);
    if (!ready) {
        m_map->setPicture({}, {});
        m_name->setParts({f ? f->name() : QString()});
        m_data->setParts({});
        return;
    }
    const Size size = f->frame->uprightSize();
    m_map->setPicture(onScreen(f->thumbnail, m_screen.get()), {size.width, size.height});
    QList<QPoint> spots;
    for (const Spot &spot : f->spots)
        spots << spot.at;
    m_map->setSpots(spots);
    m_name->setParts({f->name()});
    const ShootingData &s = f->frame->shooting;
    m_data->setParts(exposureWords(s));
    const QString holds = f->frame->kind == FrameKind::Rendered ? tr("finished picture") : f->frame->pattern.empty() ? tr("linear, full colour")
                                                                                                                     : tr("pattern %1").arg(QString::fromStdString(f->frame->pattern));
    m_data->setToolTip(tr("%1 %2\n%3\n%4 x %5 pixels, %6 bits, %7\n%8")
                           .arg(QString::fromStdString(s.make), QString::fromStdString(s.model), QString::fromStdString(s.lens))
                           .arg(size.width)
                           .arg(size.height)
                           .arg(s.bitDepth)
                           .arg(holds, dateWords(s.dateTime)));
}

void TopBar::setVisibleRegion(const QRect &uprightPixels)
{
    m_map->setSeen(uprightPixels);
}

} // namespace irenic
