// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/spot_bar.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QLabel>
#include <QScrollArea>
#include <QSpinBox>
#include <QToolButton>

#include <utility>

namespace irenic {

namespace {

constexpr Show kShows[] = {Show::Picture, Show::Removed, Show::Luminance, Show::Colour, Show::Spared, Show::Clipping, Show::Proof, Show::Outside, Show::Doubt};

} // namespace

QString SpotBar::showWords(Show show)
{
    switch (show) {
    case Show::Picture: return tr("picture");
    case Show::Removed: return tr("removed");
    case Show::Luminance: return tr("luminance only");
    case Show::Colour: return tr("colour only");
    case Show::Spared: return tr("spared by sharpening");
    case Show::Clipping: return tr("clipping");
    case Show::Proof: return tr("soft proof");
    case Show::Outside: return tr("out of gamut");
    case Show::Doubt: return tr("doubt");
    }
    return {};
}

SpotBar::SpotBar(Session *session, QWidget *parent) : QWidget(parent), m_session(session)
{
    auto *row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(6);
    m_scroll = new QScrollArea;
    m_scroll->setFrameShape(QFrame::NoFrame);
    m_scroll->setWidgetResizable(true);
    m_scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_scroll->setFocusPolicy(Qt::NoFocus);
    m_scroll->setFixedHeight(fontMetrics().height() + 12);
    m_tabs = new QWidget;
    m_row = new QHBoxLayout(m_tabs);
    m_row->setContentsMargins(0, 0, 0, 0);
    m_row->setSpacing(2);
    m_add = new QToolButton;
    m_add->setObjectName(QStringLiteral("markSpot"));
    m_add->setText(tr("+"));
    m_add->setAutoRaise(true);
    m_add->setAccessibleName(tr("Mark a spot"));
    m_add->setToolTip(tr("Mark a spot in the middle of the view (S); Shift and click marks one on a picture"));
    connect(m_add, &QToolButton::clicked, this, &SpotBar::markRequested);
    m_row->addWidget(m_add);
    m_row->addStretch(1);
    m_scroll->setWidget(m_tabs);
    row->addWidget(m_scroll, 1);
    m_show = new QComboBox;
    m_show->setObjectName(QStringLiteral("show"));
    m_show->setAccessibleName(tr("Side of the pictures that is shown"));
    m_show->setToolTip(tr("Which side of every picture is shown; hold R, L, O, X, Q or the comma for a moment of it"));
    for (const Show show : kShows)
        m_show->addItem(showWords(show));
    auto *label = new QLabel(tr("rows"));
    m_rows = new QSpinBox;
    m_rows->setObjectName(QStringLiteral("rows"));
    m_rows->setRange(1, kMostRows);
    m_rows->setAccessibleName(tr("Rows of places"));
    m_rows->setToolTip(tr("How many places hang at once, one a row"));
    label->setBuddy(m_rows);
    row->addWidget(m_show);
    row->addSpacing(8);
    row->addWidget(label);
    row->addWidget(m_rows);
    connect(m_show, &QComboBox::activated, this, [this](int i) { m_session->viewing().setShow(kShows[i]); });
    connect(m_rows, &QSpinBox::valueChanged, &session->viewing(), &Viewing::setRowCount);
    connect(&session->viewing(), &Viewing::lookChanged, this, [this] { m_show->setCurrentIndex(int(std::find(std::begin(kShows), std::end(kShows), m_session->viewing().look().show) - std::begin(kShows))); });
    connect(&session->viewing(), &Viewing::rowsChanged, this, [this] {
        const QSignalBlocker quiet(m_rows);
        m_rows->setValue(m_session->viewing().rowCount());
        showCurrent();
    });
    connect(&session->viewing(), &Viewing::viewportChanged, this, &SpotBar::showCurrent);
    connect(&session->viewing(), &Viewing::shownChanged, this, [this](ChoiceParts parts) {
        if (parts.testFlag(ChoicePart::Spots))
            showSpots();
    });
    showSpots();
}

void SpotBar::setTones(const Tones &tones)
{
    QPalette p = palette();
    p.setColor(QPalette::WindowText, tones.wallInk);
    p.setColor(QPalette::Window, tones.wall);
    for (QWidget *w : {static_cast<QWidget *>(this), static_cast<QWidget *>(m_scroll), m_scroll->viewport(), m_tabs})
        w->setPalette(p);
    m_sheet = QStringLiteral("QToolButton { color: %1; background: transparent; border: none; padding: 3px 7px; }"
                             "QToolButton:hover { background: %2; color: %3; }"
                             "QToolButton:checked { background: %4; color: %5; font-weight: 600; }"
                             "QToolButton:focus { border: 1px solid %1; padding: 2px 6px; }")
                  .arg(tones.wallInk.name(), tones.chromeRaised.name(), tones.chromeInk.name(), tones.chosen.name(), tones.chosenInk.name());
    for (QToolButton *b : findChildren<QToolButton *>())
        b->setStyleSheet(m_sheet);
}

void SpotBar::showSpots()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    setEnabled(f != nullptr);
    const int count = f ? int(f->spots.size()) : 0;
    while (m_buttons.size() > count)
        delete m_buttons.takeLast();
    while (m_buttons.size() < count) {
        auto *button = new QToolButton;
        const int spot = int(m_buttons.size());
        button->setObjectName(QStringLiteral("spot-%1").arg(spot + 1));
        button->setCheckable(true);
        button->setAutoRaise(true);
        button->setContextMenuPolicy(Qt::CustomContextMenu);
        button->setStyleSheet(m_sheet);
        connect(button, &QToolButton::clicked, this, [this, spot] {
            m_session->viewing().goToSpot(spot);
            showCurrent();
        });
        connect(button, &QWidget::customContextMenuRequested, this, [this, spot, button](QPoint at) { emit spotMenuRequested(spot, button->mapToGlobal(at)); });
        m_row->insertWidget(spot, button);
        m_buttons.append(button);
    }
    for (int i = 0; i < count; ++i) {
        const Spot &spot = f->spots[size_t(i)];
        m_buttons[i]->setAccessibleName(tr("Spot %1, %2").arg(i + 1).arg(spot.words()));
        m_buttons[i]->setToolTip(tr("%1 (%2)").arg(spot.name.isEmpty() ? tr(infoOf(spot.kind).help) : spot.name).arg(i + 1));
    }
    m_add->setVisible(count < kMostSpots);
    showCurrent();
    fitWords();
}

void SpotBar::showCurrent()
{
    const int at = m_session->viewing().spotAt(m_session->viewing().row());
    for (int i = 0; i < m_buttons.size(); ++i)
        m_buttons[i]->setChecked(i == at);
    if (std::exchange(m_current, at) != at) // not while a picture is dragged
        fitWords();
    if (at >= 0 && at < m_buttons.size())
        m_scroll->ensureWidgetVisible(m_buttons[at], 20, 0);
}

/// Every tab has words, shortened where there is little room; where that is not enough, the current one has, and the others keep their digits.
void SpotBar::fitWords()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || size_t(m_buttons.size()) != f->spots.size())
        return;
    constexpr int kWidestPx = 112;
    for (const int widestPx : {kWidestPx, 84, 64, 48}) {
        int needed = m_add->isHidden() ? 0 : m_add->sizeHint().width();
        for (int i = 0; i < m_buttons.size(); ++i) {
            m_buttons[i]->setText(tr("%1 %2").arg(i + 1).arg(fontMetrics().elidedText(f->spots[size_t(i)].words(), Qt::ElideRight, m_buttons[i]->isChecked() ? kWidestPx : widestPx)));
            needed += m_buttons[i]->sizeHint().width() + m_row->spacing();
        }
        if (needed <= m_scroll->viewport()->width())
            return;
    }
    for (int i = 0; i < m_buttons.size(); ++i)
        if (!m_buttons[i]->isChecked())
            m_buttons[i]->setText(QString::number(i + 1));
}

void SpotBar::resizeEvent(QResizeEvent *event)
{
    QWidget::resizeEvent(event);
    fitWords();
}

} // namespace irenic
