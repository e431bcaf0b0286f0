// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/loupe.h"

#include <QComboBox>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QMouseEvent>
#include <QPainter>
#include <QPushButton>

#include <cmath>

namespace irenic {

namespace {

constexpr int kLinePx = 7; ///< wide enough to be taken hold of; only its middle is drawn
constexpr int kGapPx = 8;

/// The wipe line: black within white, seen on any picture.
class WipeLine : public QWidget
{
public:
    using QWidget::QWidget;

protected:
    void paintEvent(QPaintEvent *) override
    {
        QPainter p(this);
        const bool upright = height() > width();
        const int middle = (upright ? width() : height()) / 2;
        p.fillRect(upright ? QRect(middle - 1, 0, 3, height()) : QRect(0, middle - 1, width(), 3), Qt::white);
        p.fillRect(upright ? QRect(middle, 0, 1, height()) : QRect(0, middle, width(), 1), Qt::black);
    }
};

} // namespace

Loupe::Loupe(Session *session, PaneRenderer *renderer, QWidget *parent) : QWidget(parent), m_session(session)
{
    setObjectName(QStringLiteral("loupe"));
    setFocusPolicy(Qt::StrongFocus);
    auto *column = new QVBoxLayout(this);
    column->setContentsMargins(14, 4, 14, 8);
    auto *bar = new QHBoxLayout;
    const auto choice = [&](const QString &name, const QString &words) {
        auto *box = new QComboBox;
        box->setObjectName(name);
        box->setAccessibleName(words);
        box->setMinimumWidth(200);
        connect(box, &QComboBox::activated, this, &Loupe::showContents);
        return box;
    };
    m_firstChoice = choice(QStringLiteral("loupeFirst"), tr("First picture"));
    m_secondChoice = choice(QStringLiteral("loupeSecond"), tr("Second picture"));
    m_ways = new QComboBox;
    m_ways->setObjectName(QStringLiteral("loupeWay"));
    m_ways->setAccessibleName(tr("How the two pictures are shown"));
    m_ways->addItems({tr("wipe across"), tr("wipe down"), tr("side by side")});
    connect(m_ways, &QComboBox::activated, this, [this](int i) { setWay(Way(i)); });
    auto *swapButton = new QPushButton(tr("Swap"));
    swapButton->setObjectName(QStringLiteral("loupeSwap"));
    swapButton->setToolTip(tr("The two change places (Q)"));
    swapButton->setAutoDefault(false);
    connect(swapButton, &QPushButton::clicked, this, &Loupe::swap);
    m_state = new QLabel;
    auto *back = new QPushButton(tr("Back"));
    back->setObjectName(QStringLiteral("loupeBack"));
    back->setToolTip(tr("Back to the wall (Esc)"));
    back->setAutoDefault(false);
    connect(back, &QPushButton::clicked, this, &Loupe::closed);
    bar->addWidget(m_firstChoice);
    bar->addWidget(swapButton);
    bar->addWidget(m_secondChoice);
    bar->addSpacing(8);
    bar->addWidget(m_ways);
    bar->addStretch(1);
    bar->addWidget(m_state);
    bar->addWidget(back);
    column->addLayout(bar);
    m_table = new QWidget;
    column->addWidget(m_table, 1);
    m_second = new LivePane(renderer, m_table);
    m_first = new LivePane(renderer, m_table);
    m_first->setObjectName(QStringLiteral("loupePane-1"));
    m_second->setObjectName(QStringLiteral("loupePane-2"));
    m_line = new WipeLine(m_table);
    m_line->installEventFilter(this);
    for (LivePane *pane : {m_first, m_second}) {
        connect(pane, &PicturePane::panned, this, [this](QPointF centre) { m_session->viewing().setViewport({m_session->viewing().viewport().zoom, centre}); });
        connect(pane, &PicturePane::zoomRequested, this, [this, pane](int steps, QPointF at) {
            const double now = pane->scale(), zoom = std::clamp(steps > 0 ? std::exp2(std::floor(std::log2(now) + 1)) : std::exp2(std::ceil(std::log2(now) - 1)), 0.5, 8.0);
            const bool out = steps < 0 && now <= 0.5;
            m_session->viewing().setViewport({out ? 0 : zoom, pane->centreKeeping(pane->pictureAt(at), at, zoom)});
        });
        connect(pane, &LivePane::stateChanged, this, [this] {
            m_state->setText(allSettled() ? tr("settled") : tr("computing"));
            emit settledChanged();
        });
    }
    connect(&session->viewing(), &Viewing::viewportChanged, this, [this] {
        m_first->setViewport(m_session->viewing().viewport());
        m_second->setViewport(m_session->viewing().viewport());
    });
    connect(&session->viewing(), &Viewing::lookChanged, this, &Loupe::showContents);
    connect(&session->viewing(), &Viewing::shownChanged, this, [this] {
        if (isVisible()) {
            fillChoices();
            showContents();
        }
    });
}

void Loupe::setTones(const Tones &tones)
{
    QPalette p = palette();
    p.setColor(QPalette::Window, tones.wall);
    p.setColor(QPalette::WindowText, tones.wallInk);
    setPalette(p);
    setAutoFillBackground(true);
    m_table->setPalette(p);
    m_state->setPalette(p);
    m_first->setTones(tones);
    m_second->setTones(tones);
}

/// Keeps what was chosen, where it is still there.
void Loupe::fillChoices()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    QStringList words{tr("Untreated")};
    for (int t = 0; f && t < f->trialCount(); ++t)
        words << tr("%1  %2").arg(trialLetter(t), treatmentWords(f->trials[size_t(t)]));
    for (int g = 0; f && g < int(f->guests.size()); ++g)
        words << tr("Guest %1").arg(g + 1);
    for (QComboBox *box : {m_firstChoice, m_secondChoice}) {
        const int now = box->currentIndex();
        box->clear();
        box->addItems(words);
        box->setCurrentIndex(std::clamp(now, 0, int(words.size()) - 1));
    }
}

void Loupe::open()
{
    fillChoices();
    m_firstChoice->setCurrentIndex(0);
    m_secondChoice->setCurrentIndex(std::clamp(m_session->viewing().column(), 1, m_secondChoice->count() - 1));
    showContents();
    arrange();
}

LivePane::Content Loupe::contentOf(int choice) const
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f)
        return {};
    if (choice <= 0)
        return LivePane::untreated(f->frame, f->noise, f->edits());
    if (choice <= f->trialCount())
        return {f->frame, f->noise, f->trials[size_t(choice - 1)], f->edits()};
    return LivePane::untreated(f->guests[size_t(choice - 1 - f->trialCount())]->matched, nullptr);
}

void Loupe::showContents()
{
    m_first->setAccessibleName(m_firstChoice->currentText());
    m_second->setAccessibleName(m_secondChoice->currentText());
    for (const auto &[pane, box] : {std::pair{m_first, m_firstChoice}, std::pair{m_second, m_secondChoice}}) {
        pane->setViewport(m_session->viewing().viewport());
        const RollFrame *f = m_session->viewing().readyFrame();
        pane->setLook(m_session->viewing().look(f && box->currentIndex() > f->trialCount()));
        pane->setContent(contentOf(box->currentIndex()));
    }
}

void Loupe::setWay(Way way)
{
    m_way = way;
    m_ways->setCurrentIndex(int(way));
    arrange();
}

void Loupe::setWipe(double share)
{
    m_wipe = std::clamp(share, 0.0, 1.0);
    arrange();
}

void Loupe::swap()
{
    const int first = m_firstChoice->currentIndex();
    m_firstChoice->setCurrentIndex(m_secondChoice->currentIndex());
    m_secondChoice->setCurrentIndex(first);
    showContents();
}

/// Both lie on top of each other, and the first is cut off at the line; or they lie side by side.
void Loupe::arrange()
{
    const QRect all = m_table->rect();
    m_line->setVisible(m_way != Way::SideBySide);
    if (m_way == Way::SideBySide) {
        const int width = (all.width() - kGapPx) / 2;
        m_first->clearMask();
        m_first->setGeometry(0, 0, width, all.height());
        m_second->setGeometry(width + kGapPx, 0, width, all.height());
        return;
    }
    m_first->setGeometry(all);
    m_second->setGeometry(all);
    if (m_way == Way::WipeAcross) {
        const int at = int(std::lround(m_wipe * all.width()));
        m_first->setMask(QRegion(0, 0, std::max(1, at), all.height()));
        m_line->setGeometry(at - kLinePx / 2, 0, kLinePx, all.height());
        m_line->setCursor(Qt::SplitHCursor);
    } else {
        const int at = int(std::lround(m_wipe * all.height()));
        m_first->setMask(QRegion(0, 0, all.width(), std::max(1, at)));
        m_line->setGeometry(0, at - kLinePx / 2, all.width(), kLinePx);
        m_line->setCursor(Qt::SplitVCursor);
    }
    m_line->raise();
}

void Loupe::resizeEvent(QResizeEvent *event)
{
    QWidget::resizeEvent(event);
    layout()->activate();
    arrange();
}

bool Loupe::eventFilter(QObject *watched, QEvent *event)
{
    if (watched == m_line && event->type() == QEvent::MouseMove) {
        const QPointF at = m_table->mapFromGlobal(static_cast<QMouseEvent *>(event)->globalPosition());
        setWipe(m_way == Way::WipeAcross ? at.x() / std::max(1, m_table->width()) : at.y() / std::max(1, m_table->height()));
        return true;
    }
    return QWidget::eventFilter(watched, event);
}

void Loupe::keyPressEvent(QKeyEvent *event)
{
    constexpr double kStep = 0.02;
    switch (event->key()) {
    case Qt::Key_Left:
    case Qt::Key_Up: setWipe(m_wipe - kStep); break;
    case Qt::Key_Right:
    case Qt::Key_Down: setWipe(m_wipe + kStep); break;
    case Qt::Key_Q: swap(); break;
    case Qt::Key_V: setWay(Way((int(m_way) + 1) % 3)); break;
    case Qt::Key_Escape: emit closed(); break;
    default: QWidget::keyPressEvent(event);
    }
}

} // namespace irenic
