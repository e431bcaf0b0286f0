// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/contact_sheet.h"

#include "session/series.h"

#include <QButtonGroup>
#include <QHBoxLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QLineEdit>
#include <QListView>
#include <QMenu>
#include <QPushButton>
#include <QScrollArea>
#include <QScrollBar>
#include <QSet>
#include <QToolButton>

namespace irenic {

namespace {

constexpr int kCardPx = 236;

QString spanWords(double least, double most, int decimals)
{
    const QString from = QString::number(least, 'f', decimals), to = QString::number(most, 'f', decimals);
    return from == to ? from : QObject::tr("%1 to %2").arg(from, to);
}

} // namespace

ContactSheet::ContactSheet(Session *session, QWidget *parent) : QWidget(parent), m_session(session), m_roll(session), m_model(session)
{
    setObjectName(QStringLiteral("contactSheet"));
    setAutoFillBackground(true);
    m_model.setSourceModel(&m_roll);
    m_paper = new FrameDelegate(FrameDelegate::Form::Sheet, this);
    m_grid = new QListView;
    m_grid->setObjectName(QStringLiteral("grid"));
    m_grid->setAccessibleName(tr("Contact sheet"));
    m_grid->setModel(&m_model);
    m_grid->setItemDelegate(m_paper);
    m_grid->setViewMode(QListView::IconMode);
    m_grid->setMovement(QListView::Static);
    m_grid->setResizeMode(QListView::Adjust);
    m_grid->setUniformItemSizes(true);
    m_grid->setLayoutMode(QListView::SinglePass);
    m_grid->setSelectionMode(QAbstractItemView::ExtendedSelection);
    m_grid->setVerticalScrollMode(QAbstractItemView::ScrollPerPixel);
    m_grid->setFrameShape(QFrame::NoFrame);
    m_grid->setEditTriggers(QAbstractItemView::NoEditTriggers);
    auto *right = new QVBoxLayout;
    right->setContentsMargins(14, 0, 0, 0);
    right->setSpacing(8);
    right->addWidget(makeBar());
    right->addWidget(m_grid, 1);
    auto *row = new QHBoxLayout(this);
    row->setContentsMargins(0, 0, 0, 0);
    row->setSpacing(0);
    row->addWidget(m_card = makeCard());
    row->addLayout(right, 1);
    connect(m_grid, &QListView::activated, this, [this](const QModelIndex &at) { emit hangWanted(m_model.mapToSource(at).row()); });
    connect(m_grid->selectionModel(), &QItemSelectionModel::selectionChanged, this, &ContactSheet::showChosen);
    const auto soon = [this] {
        if (isVisible())
            m_soon.start(); // hundreds may change in a second
    };
    connect(&session->roll(), &Roll::frameChanged, this, soon);
    connect(&session->roll(), &Roll::nearnessTold, this, soon);
    connect(&session->roll(), &Roll::choicesChanged, this, soon);
    connect(&session->viewing(), &Viewing::currentChanged, this, soon);
    m_soon.setSingleShot(true);
    m_soon.setInterval(60);
    connect(&m_soon, &QTimer::timeout, this, [this] {
        showCounts();
        showChosen();
    });
    m_still.setSingleShot(true);
    m_still.setInterval(150);
    connect(&m_still, &QTimer::timeout, this, &ContactSheet::tellInView);
    connect(m_grid->verticalScrollBar(), &QScrollBar::valueChanged, &m_still, qOverload<>(&QTimer::start));
    connect(&m_model, &QAbstractItemModel::layoutChanged, &m_still, qOverload<>(&QTimer::start));
    const auto anew = [this] {
        showCounts();
        showChosen();
    };
    connect(&session->roll(), &Roll::rollChanged, this, anew);
    connect(session, &Session::restored, this, anew);
    setTones(Tones::of(Tones::Wall::Mid));
}

QWidget *ContactSheet::makeBar()
{
    auto *bar = new QWidget;
    auto *row = new QHBoxLayout(bar);
    row->setContentsMargins(0, 8, 14, 0);
    row->setSpacing(2);
    m_title = new QLabel;
    QFont bold = m_title->font();
    bold.setWeight(QFont::DemiBold);
    m_title->setFont(bold);
    row->addWidget(m_title);
    row->addSpacing(14);
    const auto choice = [&](QButtonGroup *group, int id, const QString &text, const QString &name, const QString &tip) {
        auto *b = new QToolButton;
        b->setText(text);
        b->setObjectName(name);
        b->setAccessibleName(tip);
        b->setToolTip(tip);
        b->setCheckable(true);
        b->setAutoRaise(true);
        group->addButton(b, id);
        row->addWidget(b);
    };
    m_orders = new QButtonGroup(this);
    using Order = SheetModel::Order;
    choice(m_orders, int(Order::Roll), tr("as opened"), QStringLiteral("byRoll"), tr("In the order of the roll"));
    choice(m_orders, int(Order::Name), tr("name"), QStringLiteral("byName"), tr("By name"));
    choice(m_orders, int(Order::Time), tr("time"), QStringLiteral("byTime"), tr("By the time of the exposure"));
    choice(m_orders, int(Order::Iso), tr("ISO"), QStringLiteral("byIso"), tr("By sensitivity"));
    choice(m_orders, int(Order::Noise), tr("noise"), QStringLiteral("byNoise"), tr("The noisiest first"));
    m_orders->button(int(Order::Roll))->setChecked(true);
    choice(m_orders, int(Order::Nearness), tr("nearness"), QStringLiteral("byNearness"), tr("The furthest from the picture without noise first, as estimated of each with its keeper, or its suggestion"));
    connect(m_orders, &QButtonGroup::idClicked, this, [this](int id) {
        m_model.setOrder(SheetModel::Order(id));
        showCounts();
    });
    row->addSpacing(10);
    m_seriesAsOne = new QToolButton;
    m_seriesAsOne->setText(tr("series as one"));
    m_seriesAsOne->setObjectName(QStringLiteral("seriesAsOne"));
    m_seriesAsOne->setToolTip(tr("One paper for every series; what is done to it is done to all of its frames"));
    m_seriesAsOne->setCheckable(true);
    m_seriesAsOne->setAutoRaise(true);
    connect(m_seriesAsOne, &QToolButton::toggled, this, [this](bool one) {
        const QList<int> before = chosen();
        m_model.setSeriesAsOne(one);
        choose(before);
        showCounts();
        showChosen();
    });
    row->addWidget(m_seriesAsOne);
    row->addSpacing(10);
    m_words = new QLineEdit;
    m_words->setObjectName(QStringLiteral("words"));
    m_words->setAccessibleName(tr("Words of name, camera, lens or ISO"));
    m_words->setPlaceholderText(tr("name, camera, ISO"));
    m_words->setClearButtonEnabled(true);
    m_words->setMaximumWidth(170);
    connect(m_words, &QLineEdit::textChanged, this, [this](const QString &words) {
        m_model.setWords(words);
        showCounts();
    });
    row->addWidget(m_words, 1);
    row->addStretch(1);
    m_onlys = new QButtonGroup(this);
    using Only = SheetModel::Only;
    choice(m_onlys, int(Only::All), {}, QStringLiteral("onlyAll"), tr("All frames"));
    choice(m_onlys, int(Only::Undecided), {}, QStringLiteral("onlyUndecided"), tr("Frames without a keeper or an export"));
    choice(m_onlys, int(Only::Exported), {}, QStringLiteral("onlyExported"), tr("Frames that were exported"));
    choice(m_onlys, int(Only::Warnings), {}, QStringLiteral("onlyWarnings"), tr("Frames whose file is odd in something"));
    choice(m_onlys, int(Only::Failed), {}, QStringLiteral("onlyFailed"), tr("Frames that could not be opened"));
    m_onlys->button(int(Only::All))->setChecked(true);
    connect(m_onlys, &QButtonGroup::idClicked, this, [this](int id) {
        m_model.setOnly(SheetModel::Only(id));
        showCounts();
    });
    return bar;
}

QWidget *ContactSheet::makeCard()
{
    auto *card = new QWidget;
    card->setAutoFillBackground(true);
    auto *column = new QVBoxLayout(card);
    column->setContentsMargins(12, 10, 12, 10);
    column->setSpacing(4);
    auto *head = new QHBoxLayout;
    m_count = new QLabel;
    m_count->setObjectName(QStringLiteral("chosenCount"));
    QFont large = m_count->font();
    large.setPointSizeF(large.pointSizeF() * 1.15);
    large.setWeight(QFont::DemiBold);
    m_count->setFont(large);
    head->addWidget(m_count, 1);
    const auto button = [&](const QString &text, const QString &name, const QString &tip, auto run) {
        auto *b = new QPushButton(text);
        b->setObjectName(name);
        b->setToolTip(tip);
        connect(b, &QPushButton::clicked, this, run);
        return b;
    };
    m_none = button(tr("none"), QStringLiteral("chooseNone"), tr("Choose no frame"), [this] { m_grid->clearSelection(); });
    head->addWidget(m_none);
    column->addLayout(head);
    m_summary = new QLabel;
    m_summary->setObjectName(QStringLiteral("chosenSummary"));
    m_summary->setWordWrap(true);
    m_summary->setAlignment(Qt::AlignTop | Qt::AlignLeft);
    m_summary->setMinimumHeight(3 * m_summary->fontMetrics().lineSpacing());
    column->addWidget(m_summary);
    m_series = button(tr("Choose the whole series"), QStringLiteral("series"), tr("Frames of the same camera and lens, taken within %1 seconds of one another").arg(kSeriesGapS), [this] { chooseSeries(); });
    column->addWidget(m_series);
    m_joined = new QPushButton(tr("Make or part a series"));
    m_joined->setObjectName(QStringLiteral("seriesMenu"));
    auto *joined = new QMenu(m_joined);
    joined->setToolTipsVisible(true);
    m_joined->setMenu(joined);
    const auto join = [this, joined](const QString &text, const QString &name, const QString &tip, auto run) {
        QAction *a = joined->addAction(text, this, [this, run] {
            const int frames = run(m_session->editing(), chosen());
            emit told(frames == 0 ? tr("Nothing to change.") : frames == 1 ? tr("One frame has another series now.")
                                                                           : tr("%n frames have another series now.", nullptr, frames));
        });
        a->setObjectName(name);
        a->setToolTip(tip);
        return a;
    };
    m_join = join(tr("One series of these"), QStringLiteral("makeSeries"), tr("Whatever their times say"), [](Editing &e, const QList<int> &frames) { return e.makeSeries(frames); });
    join(tr("No series"), QStringLiteral("partSeries"), tr("Each by itself"), [](Editing &e, const QList<int> &frames) { return e.partSeries(frames); });
    join(tr("As their times tell"), QStringLiteral("seriesByTime"), tr("Frames of the same camera and lens, taken within %1 seconds of one another").arg(kSeriesGapS), [](Editing &e, const QList<int> &frames) { return e.partSeries(frames, true); });
    column->addWidget(m_joined);
    const auto heading = [&](const QString &text) {
        auto *line = new QFrame;
        line->setFrameShape(QFrame::HLine);
        line->setFrameShadow(QFrame::Plain);
        column->addSpacing(4);
        column->addWidget(line);
        auto *label = new QLabel(text);
        QFont bold = label->font();
        bold.setWeight(QFont::DemiBold);
        label->setFont(bold);
        label->setWordWrap(true);
        column->addWidget(label);
        return label;
    };
    heading(tr("Treat them"));
    const auto treated = [this](int frames) { emit told(frames == 1 ? tr("One frame has its keeper now.") : tr("%n frames have their keepers now.", nullptr, frames)); };
    m_suggestions = button(tr("Each by its own suggestion"), QStringLiteral("treatSuggestions"), tr("The suggestion becomes the keeper of every chosen frame"), [this, treated] {
        treated(m_session->editing().treat(
            chosen(), [](const RollFrame &f) { return f.suggestion.treatment; }, tr("treating frames by their suggestions")));
    });
    m_alike = button({}, QStringLiteral("treatAlike"), tr("That trial becomes the keeper of every chosen frame"), [this, treated] {
        const RollFrame *f = m_session->viewing().readyFrame();
        if (!f)
            return;
        const Treatment t = f->trials[size_t(f->keeper >= 0 ? f->keeper : std::max(0, m_session->viewing().trial()))];
        treated(m_session->editing().treat(
            chosen(), [t](const RollFrame &) { return t; }, tr("treating frames alike")));
    });
    m_recipe = new QPushButton(tr("By a recipe"));
    m_recipe->setObjectName(QStringLiteral("treatRecipe"));
    m_recipes = new QMenu(m_recipe);
    m_recipe->setMenu(m_recipes);
    connect(m_recipes, &QMenu::aboutToShow, this, [this] { emit recipesWanted(m_recipes); });
    for (QPushButton *b : {m_suggestions, m_alike, m_recipe})
        column->addWidget(b);
    m_from = heading({});
    const auto carried = [this](int frames) { emit told(frames == 0 ? tr("No other chosen frame takes it.") : frames == 1 ? tr("One other frame has it now.")
                                                                                                                          : tr("%n other frames have it now.", nullptr, frames)); };
    m_spots = button(tr("Spots"), QStringLiteral("carrySpots"), tr("To chosen frames of the same size, in place of theirs"), [this, carried] { carried(m_session->editing().carrySpots(chosen())); });
    m_rendering = button(tr("Rendering"), QStringLiteral("carryRendering"), tr("White balance, exposure and the rest of the rendering"), [this, carried] { carried(m_session->editing().carryRendering(chosen())); });
    m_lens = button(tr("Lens"), QStringLiteral("carryLens"), tr("Lens corrections, to chosen frames of the same size"), [this, carried] { carried(m_session->editing().carryLens(chosen())); });
    auto *carry = new QHBoxLayout;
    for (QPushButton *b : {m_spots, m_rendering, m_lens})
        carry->addWidget(b);
    column->addLayout(carry);
    heading(tr("Hand on"));
    m_export = button(tr("Export..."), QStringLiteral("exportChosen"), tr("Each with its keeper, or its suggestion where it has none (Ctrl+E)"), [this] { emit exportWanted(chosen()); });
    m_clean = button(tr("Quick clean"), QStringLiteral("cleanChosen"), tr("Each with its suggestion, as the last export was"), [this] { emit cleanWanted(chosen()); });
    m_off = button(tr("Take off the roll"), QStringLiteral("offChosen"), tr("The files stay where they are; undo puts them back"), [this] {
        const auto frames = chosen();
        m_session->editing().takeOff(frames);
        emit told(frames.size() == 1 ? tr("One frame is off the roll; its file stays. Undo puts it back.") : tr("%n frames are off the roll; their files stay. Undo puts them back.", nullptr, int(frames.size())));
    });
    for (QPushButton *b : {m_export, m_clean, m_off})
        column->addWidget(b);
    column->addStretch(1);
    auto *hints = new QLabel(tr("Enter: hang on the wall\nShift: up to here   Ctrl: one more\nCtrl+A: all   Esc: back to the wall"));
    hints->setWordWrap(true);
    column->addWidget(hints);
    auto *scroll = new QScrollArea;
    scroll->setObjectName(QStringLiteral("chosenCard"));
    scroll->setWidget(card);
    scroll->setWidgetResizable(true);
    scroll->setFrameShape(QFrame::NoFrame);
    scroll->setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    scroll->setFixedWidth(kCardPx);
    return scroll;
}

QList<int> ContactSheet::chosen() const
{
    QList<int> frames;
    for (const QModelIndex &at : m_grid->selectionModel()->selectedIndexes())
        frames << m_model.framesOf(at);
    std::sort(frames.begin(), frames.end());
    return frames;
}

void ContactSheet::choose(const QList<int> &frames)
{
    QItemSelection selection;
    QSet<int> rows; // of a series several frames have one
    for (const int i : frames)
        if (const QModelIndex at = m_model.indexOf(i); at.isValid() && !rows.contains(at.row())) {
            rows << at.row();
            selection.select(at, at);
        }
    m_grid->selectionModel()->select(selection, QItemSelectionModel::ClearAndSelect);
}

void ContactSheet::chooseSeries()
{
    choose(seriesOf(m_session->roll(), chosen()));
}

QStringList ContactSheet::shownNames() const
{
    QStringList names;
    for (int row = 0; row < m_model.rowCount(); ++row)
        names << m_model.index(row, 0).data().toString();
    return names;
}

void ContactSheet::open()
{
    showCounts();
    if (const QModelIndex at = m_model.indexOf(m_session->viewing().current()); at.isValid()) {
        m_grid->selectionModel()->setCurrentIndex(at, chosen().isEmpty() ? QItemSelectionModel::ClearAndSelect : QItemSelectionModel::NoUpdate);
        m_grid->scrollTo(at);
    }
    showChosen();
    m_grid->setFocus();
    m_still.start();
}

void ContactSheet::tellInView()
{
    QStringList paths;
    const QRect seen = m_grid->viewport()->rect();
    for (int row = 0; row < m_model.rowCount(); ++row) {
        const QModelIndex at = m_model.index(row, 0);
        if (m_grid->visualRect(at).intersects(seen))
            paths << m_session->roll().frame(m_model.mapToSource(at).row()).path;
    }
    emit inView(paths);
}

void ContactSheet::askNearness()
{
    QList<int> frames;
    for (int row = 0; row < m_model.rowCount() && m_model.order() == SheetModel::Order::Nearness; ++row)
        for (const int i : m_model.framesOf(m_model.index(row, 0)))
            if (const RollFrame &f = m_session->roll().frame(i); f.isMeasured() && !f.isNearnessKnown())
                frames << i;
    if (frames.isEmpty() && m_toCome == 0) // as before
        return;
    m_toCome = int(frames.size());
    emit nearnessWanted(frames);
}

void ContactSheet::showCounts()
{
    askNearness();
    const int shown = m_model.frameCount(), all = m_session->roll().count();
    m_title->setText(shown == all ? (all == 1 ? tr("one frame") : tr("%n frames", nullptr, all)) : tr("%1 of %2 frames").arg(shown).arg(all));
    if (m_toCome > 0)
        m_title->setText(tr("%1, %2 to come").arg(m_title->text()).arg(m_toCome));
    using Only = SheetModel::Only;
    const std::pair<Only, QString> words[] = {{Only::All, tr("all")}, {Only::Undecided, tr("undecided")}, {Only::Exported, tr("exported")}, {Only::Warnings, tr("warnings")}, {Only::Failed, tr("failed")}};
    for (const auto &[only, text] : words) {
        const int n = m_model.countOf(only);
        m_onlys->button(int(only))->setText(only == Only::All ? text : tr("%1: %2").arg(text).arg(n));
        m_onlys->button(int(only))->setVisible(n > 0 || only == Only::All || m_onlys->button(int(only))->isChecked() || only == Only::Undecided);
    }
}

void ContactSheet::showChosen()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    m_paper->onWall = m_session->viewing().currentFrame() ? m_session->viewing().currentFrame()->path : QString();
    const QList<int> frames = chosen();
    m_count->setText(frames.isEmpty() ? tr("No frame chosen") : frames.size() == 1 ? tr("One frame chosen")
                                                                                   : tr("%n frames chosen", nullptr, int(frames.size())));
    double iso[2] = {1e9, 0}, grain[2] = {1e9, 0}, colour[2] = {1e9, 0};
    const auto span = [](double(&of)[2], double v) {
        of[0] = std::min(of[0], v);
        of[1] = std::max(of[1], v);
    };
    int measured = 0, others = 0;
    for (const int i : frames) {
        const RollFrame &one = m_session->roll().frame(i);
        others += i != m_session->viewing().current();
        if (!one.isMeasured())
            continue;
        ++measured;
        if (one.frame->shooting.iso > 0)
            span(iso, one.frame->shooting.iso);
        span(grain, 100 * double(one.noise->luminanceNoise));
        span(colour, 100 * double(one.noise->colourNoise));
    }
    QStringList lines;
    if (iso[1] > 0)
        lines << tr("ISO %1").arg(spanWords(iso[0], iso[1], 0));
    if (measured > 0)
        lines << tr("grain %1 %").arg(spanWords(grain[0], grain[1], 0)) << tr("colour noise %1 %").arg(spanWords(colour[0], colour[1], 0));
    else if (!frames.isEmpty())
        lines << tr("not measured yet");
    m_summary->setText(frames.isEmpty() ? tr("Click papers to choose frames, and say here what is to be done with them.") : lines.join(u'\n'));
    const int trial = !f ? -1 : f->keeper >= 0 ? f->keeper
                                               : std::max(0, m_session->viewing().trial());
    m_alike->setText(f ? tr("All like %1 of %2").arg(trialLetter(trial), f->name()) : tr("All like a trial"));
    m_from->setText(f ? tr("Carry over from %1").arg(f->name()) : tr("Carry over"));
    for (QPushButton *b : {m_suggestions, m_recipe})
        b->setEnabled(measured > 0);
    m_alike->setEnabled(measured > 0 && f);
    for (QPushButton *b : {m_spots, m_rendering, m_lens})
        b->setEnabled(others > 0 && f);
    for (QPushButton *b : {m_export, m_clean, m_off, m_none})
        b->setEnabled(!frames.isEmpty());
    m_joined->setEnabled(measured > 0);
    m_join->setEnabled(measured > 1);
    m_series->setEnabled(!frames.isEmpty() && !m_model.seriesAsOne()); // otherwise it is chosen already
    m_grid->viewport()->update();
}

void ContactSheet::setScreen(std::shared_ptr<const ScreenTransform> screen)
{
    m_paper->screen.setScreen(std::move(screen));
    m_grid->viewport()->update();
}

void ContactSheet::setTones(const Tones &tones)
{
    m_paper->tones = tones;
    QPalette wall = tones.palette();
    for (const auto role : {QPalette::Window, QPalette::Base, QPalette::Button})
        wall.setColor(role, tones.wall);
    for (const auto role : {QPalette::WindowText, QPalette::Text, QPalette::ButtonText, QPalette::PlaceholderText, QPalette::Link})
        wall.setColor(role, tones.wallInk);
    setPalette(wall);
    const QPalette paper = tones.paperPalette();
    m_card->setPalette(paper);
    m_grid->viewport()->update();
}

QSize ContactSheet::minimumSizeHint() const
{
    return isHidden() ? QSize(1, 1) : QWidget::minimumSizeHint();
}

void ContactSheet::keyPressEvent(QKeyEvent *event)
{
    if (event->key() == Qt::Key_Escape)
        emit closed();
    else
        QWidget::keyPressEvent(event);
}

} // namespace irenic
