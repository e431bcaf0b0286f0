// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/blind_view.h"

#include "session/paths.h"

#include <QCheckBox>
#include <QComboBox>
#include <QHBoxLayout>
#include <QHeaderView>
#include <QKeyEvent>
#include <QLabel>
#include <QPushButton>
#include <QRandomGenerator>
#include <QStackedWidget>
#include <QTableWidget>

namespace irenic {

namespace {

enum Page {
    Start,
    Pairs,
    Outcome,
};

QPushButton *button(const QString &text, const QString &name, const QString &tip = {})
{
    auto *b = new QPushButton(text);
    b->setObjectName(name);
    b->setToolTip(tip);
    b->setAutoDefault(false);
    b->setMinimumHeight(28);
    return b;
}

} // namespace

BlindView::BlindView(Session *session, PaneRenderer *renderer, QWidget *parent) : QWidget(parent), m_session(session)
{
    setObjectName(QStringLiteral("blindView"));
    setFocusPolicy(Qt::StrongFocus);
    m_left = new LivePane(renderer);
    m_right = new LivePane(renderer);
    m_left->setObjectName(QStringLiteral("blindLeft"));
    m_right->setObjectName(QStringLiteral("blindRight"));
    m_left->setAccessibleName(tr("Left picture"));
    m_right->setAccessibleName(tr("Right picture"));
    m_pages = new QStackedWidget;
    m_pages->addWidget(makeStartPage());
    m_pages->addWidget(makePairPage());
    m_pages->addWidget(makeResultPage());
    auto *column = new QVBoxLayout(this);
    column->setContentsMargins(14, 6, 14, 10);
    column->addWidget(m_pages);
    connect(&session->viewing(), &Viewing::currentChanged, this, [this] {
        if (isVisible())
            emit closed();
    });
}

QWidget *BlindView::makeStartPage()
{
    auto *page = new QWidget;
    auto *column = new QVBoxLayout(page);
    column->addStretch(1);
    auto *title = new QLabel(tr("A blind round"));
    QFont f = title->font();
    f.setPointSizeF(f.pointSizeF() * 1.6);
    title->setFont(f);
    m_startNote = new QLabel(tr("Two pictures at a time, shuffled, without names or readings. Pick the better one, or none. "
                                "At the end you learn which were which, and how sure the ranking is."));
    m_startNote->setWordWrap(true);
    m_startNote->setMaximumWidth(620);
    column->addWidget(title);
    column->addWidget(m_startNote);
    column->addSpacing(10);
    m_ticks = new QVBoxLayout;
    column->addLayout(m_ticks);
    column->addSpacing(6);
    auto *places = new QHBoxLayout;
    auto *label = new QLabel(tr("Places"));
    m_over = new QComboBox;
    m_over->setObjectName(QStringLiteral("blindOver"));
    label->setBuddy(m_over);
    places->addWidget(label);
    places->addWidget(m_over);
    places->addStretch(1);
    column->addLayout(places);
    auto *buttons = new QHBoxLayout;
    m_begin = button(tr("Begin"), QStringLiteral("blindBegin"));
    auto *back = button(tr("Back"), QStringLiteral("blindBack"), tr("Back to the wall (Esc)"));
    connect(m_begin, &QPushButton::clicked, this, [this] { begin(QRandomGenerator::global()->generate64()); });
    connect(back, &QPushButton::clicked, this, &BlindView::closed);
    buttons->addWidget(m_begin);
    buttons->addWidget(back);
    buttons->addStretch(1);
    column->addSpacing(8);
    column->addLayout(buttons);
    column->addStretch(2);
    return page;
}

QWidget *BlindView::makePairPage()
{
    auto *page = new QWidget;
    auto *column = new QVBoxLayout(page);
    column->setContentsMargins(0, 0, 0, 0);
    auto *pictures = new QHBoxLayout;
    pictures->setSpacing(14);
    pictures->addWidget(m_left, 1);
    pictures->addWidget(m_right, 1);
    column->addLayout(pictures, 1);
    for (LivePane *pane : {m_left, m_right}) {
        connect(pane, &PicturePane::panned, this, [this](QPointF centre) {
            for (LivePane *p : {m_left, m_right})
                p->setViewport({std::max(1.0, m_session->viewing().viewport().zoom), centre});
        });
    }
    auto *bar = new QHBoxLayout;
    m_count = new QLabel;
    const auto pick = [&](const QString &text, const QString &name, const QString &tip, BlindRound::Answer answered) {
        auto *b = button(text, name, tip);
        b->setMinimumWidth(130);
        connect(b, &QPushButton::clicked, this, [this, answered] { answer(answered); });
        bar->addWidget(b);
    };
    auto *back = button(tr("Take the last back"), QStringLiteral("blindTakeBack"), tr("Backspace"));
    connect(back, &QPushButton::clicked, this, &BlindView::takeBack);
    auto *stop = button(tr("Reveal now"), QStringLiteral("blindReveal"), tr("End the round here"));
    connect(stop, &QPushButton::clicked, this, &BlindView::showResult);
    bar->addWidget(m_count);
    bar->addStretch(1);
    pick(tr("Left is better"), QStringLiteral("blindPickLeft"), tr("Left arrow"), BlindRound::Answer::Left);
    pick(tr("No difference"), QStringLiteral("blindPickNone"), tr("Down arrow"), BlindRound::Answer::NoDifference);
    pick(tr("Right is better"), QStringLiteral("blindPickRight"), tr("Right arrow"), BlindRound::Answer::Right);
    bar->addStretch(1);
    bar->addWidget(back);
    bar->addWidget(stop);
    column->addLayout(bar);
    return page;
}

QWidget *BlindView::makeResultPage()
{
    auto *page = new QWidget;
    auto *column = new QVBoxLayout(page);
    m_verdict = new QLabel;
    m_verdict->setObjectName(QStringLiteral("blindVerdict"));
    m_verdict->setWordWrap(true);
    QFont f = m_verdict->font();
    f.setPointSizeF(f.pointSizeF() * 1.15);
    m_verdict->setFont(f);
    m_table = new QTableWidget(0, 4);
    m_table->setObjectName(QStringLiteral("blindTable"));
    m_table->setHorizontalHeaderLabels({tr("picture"), tr("picked"), tr("passed over"), tr("no difference")});
    m_table->verticalHeader()->setDefaultSectionSize(fontMetrics().height() + 10);
    m_table->horizontalHeader()->setSectionResizeMode(0, QHeaderView::Stretch);
    m_table->setEditTriggers(QAbstractItemView::NoEditTriggers);
    m_table->setSelectionMode(QAbstractItemView::NoSelection);
    m_table->setShowGrid(false);
    m_table->setMaximumWidth(760);
    auto *bar = new QHBoxLayout;
    m_keep = button({}, QStringLiteral("blindKeep"));
    connect(m_keep, &QPushButton::clicked, this, &BlindView::keepFirst);
    m_more = button({}, QStringLiteral("blindMore"));
    connect(m_more, &QPushButton::clicked, this, &BlindView::askMore);
    auto *back = button(tr("Back to the wall"), QStringLiteral("blindClose"), tr("Esc"));
    connect(back, &QPushButton::clicked, this, &BlindView::closed);
    for (QPushButton *b : {m_keep, m_more, back})
        bar->addWidget(b);
    bar->addStretch(1);
    column->addSpacing(20);
    column->addWidget(m_verdict);
    column->addSpacing(8);
    column->addWidget(m_table);
    column->addLayout(bar);
    column->addStretch(1);
    return page;
}

void BlindView::setTones(const Tones &tones)
{
    QPalette p = palette();
    p.setColor(QPalette::Window, tones.wall);
    p.setColor(QPalette::WindowText, tones.wallInk);
    setPalette(p);
    setAutoFillBackground(true);
    for (QWidget *w : findChildren<QWidget *>())
        if (qobject_cast<QLabel *>(w) || qobject_cast<QCheckBox *>(w) || qobject_cast<QStackedWidget *>(w))
            w->setPalette(p);
    m_left->setTones(tones);
    m_right->setTones(tones);
}

bool BlindView::isAsking() const
{
    return m_pages->currentIndex() == Pairs;
}

void BlindView::open()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f)
        return;
    m_candidates.clear();
    for (int t = 0; t < f->trialCount(); ++t)
        m_candidates.push_back({tr("%1  %2").arg(trialLetter(t), treatmentWords(f->trials[size_t(t)])), {f->frame, f->noise, f->trials[size_t(t)], f->edits()}, t});
    for (int g = 0; g < int(f->guests.size()); ++g)
        m_candidates.push_back({tr("Guest %1  %2").arg(g + 1).arg(fileText(f->guests[size_t(g)]->file.filename())), LivePane::untreated(f->guests[size_t(g)]->matched, nullptr)});
    qDeleteAll(m_boxes);
    m_boxes.clear();
    for (const Candidate &c : m_candidates) {
        auto *box = new QCheckBox(c.name);
        box->setChecked(true);
        box->setPalette(palette());
        connect(box, &QCheckBox::toggled, this, &BlindView::seeWhetherItCanBegin);
        m_ticks->addWidget(box);
        m_boxes << box;
    }
    m_over->clear();
    m_over->addItem(tr("the place in view"));
    if (!f->spots.empty())
        m_over->addItem(f->spots.size() == 1 ? tr("the spot") : tr("all %n spots", nullptr, int(f->spots.size())));
    m_round.reset();
    m_pages->setCurrentIndex(Start);
    seeWhetherItCanBegin();
}

void BlindView::seeWhetherItCanBegin()
{
    int ticked = 0;
    for (const QCheckBox *box : m_boxes)
        ticked += box->isChecked();
    m_begin->setEnabled(ticked >= 2);
    m_begin->setToolTip(ticked >= 2 ? QString() : tr("A round needs at least two pictures"));
}

void BlindView::begin(uint64_t seed)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    m_playing.clear();
    for (int i = 0; i < m_boxes.size(); ++i)
        if (m_boxes[i]->isChecked())
            m_playing.push_back(m_candidates[size_t(i)]);
    if (!f || m_playing.size() < 2)
        return;
    m_places.clear();
    if (m_over->currentIndex() == 1)
        for (const Spot &spot : f->spots)
            m_places.push_back({double(spot.at.x()) / f->pictureSize().width(), double(spot.at.y()) / f->pictureSize().height()});
    else
        m_places.push_back(m_session->viewing().viewport().centre);
    m_round = std::make_unique<BlindRound>(int(m_playing.size()), int(m_places.size()), seed);
    m_pages->setCurrentIndex(Pairs);
    setFocus();
    showPair();
}

void BlindView::showPair()
{
    if (m_round->isDone()) {
        showResult();
        return;
    }
    m_count->setText(tr("pair %1 of %2").arg(m_round->asked() + 1).arg(m_round->total()));
    const BlindRound::Pair &pair = m_round->current();
    const bool overSpots = m_places.size() > 1 || m_over->currentIndex() == 1;
    const double zoom = overSpots ? std::max(1.0, m_session->viewing().viewport().zoom) : m_session->viewing().viewport().zoom;
    for (const auto &[pane, candidate] : {std::pair{m_left, pair.left}, std::pair{m_right, pair.right}}) {
        pane->setViewport({zoom, m_places[size_t(pair.place)]});
        pane->setLook(m_session->viewing().look(m_playing[size_t(candidate)].trial < 0));
        // The other's pixels must not stand in while this one's are computed: they would give it away.
        pane->setContent({});
        pane->setContent(m_playing[size_t(candidate)].content);
    }
}

void BlindView::answer(BlindRound::Answer answer)
{
    if (!isAsking() || !m_left->isSettled() || !m_right->isSettled())
        return; // nobody can judge what is not there yet
    m_round->answer(answer);
    showPair();
}

void BlindView::takeBack()
{
    if (!isAsking())
        return;
    m_round->takeBack();
    showPair();
}

void BlindView::showResult()
{
    const BlindRound::Ranking r = m_round->ranking();
    const auto name = [&](size_t place) { return m_playing[size_t(r.order[place].candidate)].name; };
    m_table->setRowCount(int(r.order.size()));
    for (int row = 0; row < int(r.order.size()); ++row) {
        const auto &rank = r.order[size_t(row)];
        m_table->setItem(row, 0, new QTableWidgetItem(name(size_t(row))));
        int column = 1;
        for (const int n : {rank.picked, rank.passedOver, rank.noDifference}) {
            auto *item = new QTableWidgetItem(QString::number(n));
            item->setTextAlignment(Qt::AlignCenter);
            m_table->setItem(row, column++, item);
        }
    }
    const bool settled = r.sure >= BlindRound::kSettled;
    QString words;
    if (m_round->asked() == 0)
        words = tr("Nothing was picked.");
    else if (r.pairsToSettle < 0)
        words = tr("The first two are level: you could not tell them apart.");
    else
        words = tr("You preferred %1. That it is better than the next one is %2 % sure.").arg(name(0)).arg(std::min(99, qRound(100 * r.sure)));
    if (!settled && r.pairsToSettle > 0)
        words += r.pairsToSettle == 1 ? tr(" About one more pair would settle it.") : tr(" About %n more pairs would settle it.", nullptr, r.pairsToSettle);
    words += tr("\nRound %1, %n pairs.", nullptr, int(m_round->asked())).arg(m_round->seed());
    m_verdict->setText(words);
    const int trial = m_playing[size_t(r.order[0].candidate)].trial;
    m_keep->setText(trial >= 0 ? tr("Keep %1").arg(trialLetter(trial)) : tr("A guest cannot be kept"));
    m_keep->setEnabled(trial >= 0 && m_round->asked() > 0);
    constexpr int kMostMore = 20;
    const int more = std::clamp(r.pairsToSettle, 1, kMostMore);
    m_more->setVisible(!settled);
    m_more->setText(more == 1 ? tr("One more pair") : tr("%n more pairs", nullptr, more));
    m_pages->setCurrentIndex(Outcome);
}

QString BlindView::verdict() const
{
    return m_verdict->text();
}

void BlindView::askMore()
{
    const BlindRound::Ranking r = m_round->ranking();
    constexpr int kMostMore = 20;
    m_round->askMore(r.order[0].candidate, r.order[1].candidate, std::clamp(r.pairsToSettle, 1, kMostMore));
    m_pages->setCurrentIndex(Pairs);
    setFocus();
    showPair();
}

void BlindView::keepFirst()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    const int trial = m_playing[size_t(m_round->ranking().order[0].candidate)].trial;
    if (f && trial >= 0 && f->keeper != trial)
        m_session->editing().chooseKeeper(trial);
    emit closed();
}

void BlindView::keyPressEvent(QKeyEvent *event)
{
    if (event->key() == Qt::Key_Escape) {
        emit closed();
        return;
    }
    if (!isAsking()) {
        QWidget::keyPressEvent(event);
        return;
    }
    switch (event->key()) {
    case Qt::Key_Left: answer(BlindRound::Answer::Left); break;
    case Qt::Key_Right: answer(BlindRound::Answer::Right); break;
    case Qt::Key_Down: answer(BlindRound::Answer::NoDifference); break;
    case Qt::Key_Backspace: takeBack(); break;
    default: QWidget::keyPressEvent(event);
    }
}

} // namespace irenic
