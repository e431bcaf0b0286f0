// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/wall.h"

#include <QGridLayout>
#include <QLabel>
#include <QResizeEvent>
#include <QScrollArea>
#include <QScrollBar>

namespace irenic {

namespace {

constexpr int kMarginPx = 14, kColumnGapPx = 10;

} // namespace

Wall::Wall(Session *session, PaneRenderer *renderer, QWidget *parent) : QWidget(parent), m_session(session), m_renderer(renderer)
{
    setObjectName(QStringLiteral("wall"));
    auto *column = new QVBoxLayout(this);
    column->setContentsMargins(0, 0, 0, 0);
    m_scroll = new QScrollArea;
    m_scroll->setFrameShape(QFrame::NoFrame);
    m_scroll->setWidgetResizable(true);
    m_scroll->setVerticalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    m_scroll->setFocusPolicy(Qt::NoFocus);
    for (QScrollBar *bar : {m_scroll->horizontalScrollBar(), m_scroll->verticalScrollBar()})
        bar->setAccessibleName(tr("Further columns of the wall"));
    m_sheet = new QWidget;
    m_scroll->setWidget(m_sheet);
    column->addWidget(m_scroll);
    connect(&session->viewing(), &Viewing::shownChanged, this, &Wall::showParts);
    connect(&session->viewing(), &Viewing::viewportChanged, this, [this] {
        for (const Column &c : m_columns)
            for (size_t row = 0; row < c.cells.size(); ++row)
                c.cells[row].pane->setViewport(m_session->viewing().viewport(int(row)));
        showRows();
        emit visibleRegionChanged();
    });
    connect(&session->viewing(), &Viewing::rowsChanged, this, [this] {
        if (m_columns.empty() || int(m_columns[0].cells.size()) != rowCount())
            refresh();
        showStates();
        emit visibleRegionChanged();
    });
    connect(&session->viewing(), &Viewing::lookChanged, this, &Wall::showContents);
    connect(&session->viewing(), &Viewing::columnChanged, this, [this](int active) {
        for (int c = 0; c < columnCount(); ++c)
            strip(c)->setHasKeyboard(c == active);
        if (active < columnCount())
            m_scroll->ensureWidgetVisible(strip(active), kMarginPx, 0);
    });
    setTones(m_tones);
    refresh();
}

const QList<double> &Wall::zoomLadder()
{
    static const QList<double> ladder{0, 0.5, 1, 2, 3, 4, 8};
    return ladder;
}

void Wall::setTones(const Tones &tones)
{
    m_tones = tones;
    QPalette p = palette();
    p.setColor(QPalette::Window, tones.wall);
    p.setColor(QPalette::WindowText, tones.wallInk);
    setPalette(p);
    setAutoFillBackground(true);
    for (QWidget *w : {static_cast<QWidget *>(m_scroll), m_scroll->viewport(), m_sheet})
        w->setPalette(p);
    for (const Column &c : m_columns) {
        c.strip->setTones(tones);
        for (const Cell &cell : c.cells) {
            cell.pane->setTones(tones);
            cell.caption->setPalette(p);
        }
    }
}

void Wall::claimTool(const ToolClaims::Claim &claim, bool first)
{
    m_tools.set(claim, first);
    handOutTool();
}

void Wall::leaveTool(const void *owner)
{
    m_tools.leave(owner);
    handOutTool();
}

void Wall::handOutTool()
{
    const ToolClaims::Claim top = m_tools.top();
    for (const Column &c : m_columns)
        for (const Cell &cell : c.cells) {
            cell.pane->setTool(top.tool);
            cell.pane->setBrush(top.brushPx);
        }
    emit toolChanged();
}

void Wall::setOverlay(int row, const PaneImage &overlay)
{
    for (const Column &c : m_columns)
        if (row < int(c.cells.size()))
            c.cells[size_t(row)].pane->setOverlay(overlay);
}

QRect Wall::visibleRegion(int row, int *reduction) const
{
    return pane(m_untreatedShown ? 0 : 1, row)->visibleRegion(reduction);
}

Wall::Cell Wall::makeCell(int row)
{
    Cell cell;
    cell.pane = new LivePane(m_renderer, m_sheet);
    cell.pane->setTones(m_tones);
    cell.pane->setViewport(m_session->viewing().viewport(row));
    cell.caption = new QLabel(m_sheet);
    cell.caption->setObjectName(QStringLiteral("paneState"));
    cell.caption->setPalette(palette());
    cell.caption->setFixedHeight(fontMetrics().height() + 2);
    LivePane *pane = cell.pane;
    const auto take = [this, pane] {
        m_session->viewing().setColumn(columnOf(pane));
        m_session->viewing().setRow(rowOf(pane));
    };
    connect(pane, &PicturePane::picked, this, take);
    connect(pane, &PicturePane::panned, this, [this, pane](QPointF centre) { m_session->viewing().setViewport(rowOf(pane), {m_session->viewing().viewport().zoom, centre}); });
    connect(pane, &PicturePane::zoomRequested, this, [this, pane](int steps, QPointF at) { zoomAbout(steps, at, pane); });
    pane->setTool(m_tools.top().tool);
    pane->setBrush(m_tools.top().brushPx);
    connect(pane, &PicturePane::strokeBegan, this, &Wall::strokeBegan);
    connect(pane, &PicturePane::strokeMoved, this, &Wall::strokeMoved);
    connect(pane, &PicturePane::strokeEnded, this, &Wall::strokeEnded);
    connect(pane, &PicturePane::placePicked, this, [this](QPointF at) { emit placePicked(QPoint(int(at.x()), int(at.y())), m_tools.top().owner); });
    connect(pane, &PicturePane::pointedAt, this, [this, pane](QPointF at) { emit pointedAt(at, rowOf(pane)); });
    connect(pane, &PicturePane::pointedAway, this, &Wall::pointedAway);
    connect(pane, &PicturePane::marked, this, [this](QPointF at) { emit spotMarked(QPoint(int(at.x()), int(at.y()))); });
    connect(pane, &PicturePane::menuRequested, this, [this, take](QPointF at, QPoint global) {
        take();
        emit paneMenuRequested(QPoint(int(at.x()), int(at.y())), global);
    });
    connect(pane, &PicturePane::placeActivated, this, [this, pane](QPointF at) {
        const QSize size = m_session->viewing().currentFrame()->pictureSize();
        const bool whole = m_session->viewing().viewport().zoom == 0;
        m_session->viewing().setViewport(rowOf(pane), {whole ? 2.0 : 0.0, {at.x() / size.width(), at.y() / size.height()}});
    });
    connect(pane, &PicturePane::geometryChanged, this, [this, pane] {
        if (!m_columns.empty() && columnOf(pane) == 0)
            emit visibleRegionChanged();
    });
    connect(pane, &LivePane::stateChanged, this, [this] {
        showHeld();
        showStates();
        emit settledChanged();
    });
    connect(pane, &LivePane::readingsChanged, this, &Wall::showStates);
    return cell;
}

int Wall::columnOf(const QObject *pane) const
{
    for (int c = 0; c < columnCount(); ++c)
        for (const Cell &cell : m_columns[size_t(c)].cells)
            if (cell.pane == pane)
                return c;
    return 0;
}

int Wall::rowOf(const QObject *pane) const
{
    for (const Column &c : m_columns)
        for (size_t row = 0; row < c.cells.size(); ++row)
            if (c.cells[row].pane == pane)
                return int(row);
    return 0;
}

void Wall::setPace(double pace)
{
    m_pace = pace;
    for (const Column &c : m_columns)
        c.strip->setPace(pace);
}

Wall::Column Wall::makeColumn(CaptionStrip::Of of, int number)
{
    Column column;
    column.strip = new CaptionStrip(of, number, m_sheet);
    column.strip->setTones(m_tones);
    column.strip->setPace(m_pace);
    connectStrip(column.strip, of, number);
    return column;
}

void Wall::connectStrip(CaptionStrip *strip, CaptionStrip::Of of, int number)
{
    connect(strip, &CaptionStrip::picked, this, [this, strip] {
        for (int c = 0; c < columnCount(); ++c)
            if (m_columns[size_t(c)].strip == strip)
                m_session->viewing().setColumn(c);
    });
    connect(strip, &CaptionStrip::menuRequested, this, &Wall::stripMenuRequested);
    if (of != CaptionStrip::Of::Trial)
        return;
    connect(strip, &CaptionStrip::sparingHeld, this, [this, number](bool held) {
        m_spared = held ? std::optional(number) : std::nullopt;
        showContents();
    });
    connect(strip, &CaptionStrip::changed, this, [this, number](const TreatmentParam *param, double value, int dragId) {
        m_session->viewing().setColumn(1 + number);
        m_session->editing().changeParam(number, *param, value, dragId);
    });
    connect(strip, &CaptionStrip::pageChosen, this, &Wall::setPage);
    connect(strip, &CaptionStrip::methodChosen, this, [this, number](const QString &method, const QString &colours) {
        m_session->viewing().setColumn(1 + number);
        m_session->editing().changeMethod(number, method.toStdString(), colours.toStdString());
    });
    connect(strip, &CaptionStrip::suggestionRequested, m_session, [this, number] { m_session->editing().returnToSuggestion(number); });
    connect(strip, &CaptionStrip::ownStartRequested, m_session, [this, number] { m_session->editing().startFromOwnTaste(number); });
    connect(strip, &CaptionStrip::keeperToggled, m_session, [this, number] { m_session->editing().chooseKeeper(number); });
}

void Wall::hangColumns()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    const int trials = f ? f->trialCount() : m_trials > 0 ? m_trials
                                                          : kFirstTrials,
              guests = f ? int(f->guests.size()) : 0;
    const int before = columnCount(), rowsBefore = m_columns.empty() ? 0 : int(m_columns[0].cells.size());
    const bool trialsChanged = trials != m_trials;
    if (before != 1 + trials + guests || rowsBefore != rowCount()) { // what stands in for others may go
        m_standInPlace = m_standIn = -1;
        m_differenceFrom.reset();
        showHeld();
        emit columnsHung();
        emit shownChanged();
    }
    const auto takeDown = [](Column &c) {
        for (Cell &cell : c.cells) {
            delete cell.pane;
            delete cell.caption;
        }
        delete c.strip;
    };
    if (trialsChanged) // guests come after the trials; theirs are made again, which costs little
        while (columnCount() > std::max(1, std::min(1 + trials, 1 + m_trials))) {
            takeDown(m_columns.back());
            m_columns.pop_back();
        }
    while (columnCount() > 1 + trials + guests) {
        takeDown(m_columns.back());
        m_columns.pop_back();
    }
    while (columnCount() < 1 + trials + guests) {
        const int c = columnCount();
        m_columns.push_back(c == 0 ? makeColumn(CaptionStrip::Of::Untreated, 0) : c <= trials ? makeColumn(CaptionStrip::Of::Trial, c - 1)
                                                                                              : makeColumn(CaptionStrip::Of::Guest, c - 1 - trials));
    }
    m_trials = trials;
    for (int c = 0; c < columnCount(); ++c) {
        auto &cells = m_columns[size_t(c)].cells;
        while (int(cells.size()) > rowCount()) {
            delete cells.back().pane;
            delete cells.back().caption;
            cells.pop_back();
        }
        while (int(cells.size()) < rowCount())
            cells.push_back(makeCell(int(cells.size())));
        for (size_t row = 0; row < cells.size(); ++row) {
            cells[row].pane->setObjectName(row == 0 ? QStringLiteral("pane-%1").arg(c) : QStringLiteral("pane-%1-%2").arg(c).arg(row));
            cells[row].pane->setAccessibleName(tr("Picture, %1, row %2").arg(columnName(c)).arg(row + 1));
        }
        strip(c)->setHasKeyboard(c == m_session->viewing().column());
    }
    if (trialsChanged || before != columnCount() || rowsBefore != rowCount() || !m_grid)
        layOut();
}

void Wall::layOut()
{
    delete m_grid; // widgets stay
    m_grid = new QGridLayout(m_sheet);
    m_grid->setHorizontalSpacing(kColumnGapPx);
    m_grid->setVerticalSpacing(1);
    const bool many = rowCount() > 1;
    int at = 0;
    for (int c = 0; c < columnCount(); ++c) {
        const bool hangs = c > 0 || m_untreatedShown;
        const Column &column = m_columns[size_t(c)];
        for (int row = 0; row < rowCount(); ++row) {
            const Cell &cell = column.cells[size_t(row)];
            cell.pane->setMinimumHeight(many ? 60 : 120);
            cell.pane->setVisible(hangs);
            cell.caption->setVisible(hangs && many);
            if (!hangs)
                continue;
            m_grid->addWidget(cell.pane, 2 * row, at);
            m_grid->addWidget(cell.caption, 2 * row + 1, at);
        }
        column.strip->setFolded(many && !m_unfolded);
        column.strip->setVisible(hangs);
        if (hangs)
            m_grid->addWidget(column.strip, 2 * rowCount(), at++, Qt::AlignTop);
    }
    for (int row = 0; row < rowCount(); ++row)
        m_grid->setRowStretch(2 * row, 1);
    m_grid->setColumnStretch(at, 1); // what is left over goes to the right
    fit();
}

/// Panes of exactly one width show exactly the same pixels.
void Wall::fit()
{
    if (!m_grid)
        return;
    const int hanging = columnCount() - !m_untreatedShown;
    const int width = std::max(kLeastColumnPx, (m_scroll->width() - 2 * kMarginPx - (hanging - 1) * kColumnGapPx) / std::max(1, hanging));
    m_grid->setContentsMargins(kMarginPx, 6, kMarginPx, 10);
    for (const Column &c : m_columns) {
        c.strip->setFixedWidth(width);
        for (const Cell &cell : c.cells) {
            cell.pane->setFixedWidth(width);
            cell.caption->setFixedWidth(width);
        }
    }
}

void Wall::resizeEvent(QResizeEvent *event)
{
    QWidget::resizeEvent(event);
    fit();
}

void Wall::setPage(CaptionStrip::Page page)
{
    m_page = page;
    showPage();
    showStates();
    emit pageChanged();
}

void Wall::showPage()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (m_page == CaptionStrip::Page::Tones && f && m_histogram.first.lock() != f->frame)
        m_histogram = {f->frame, histogramOf(*f->frame)};
    for (int c = 1; c <= m_trials && c < columnCount(); ++c) {
        strip(c)->setPage(m_page);
        strip(c)->setHistogram(f && m_histogram.first.lock() == f->frame ? m_histogram.second : std::nullopt);
    }
    for (int c = 0; c < columnCount() && m_trials > 0; ++c)
        strip(c)->setPageRows(strip(1)->pageRows());
}

void Wall::setUntreatedShown(bool shown)
{
    if (shown == m_untreatedShown)
        return;
    m_untreatedShown = shown;
    layOut();
    emit settledChanged();
}

void Wall::setUnfolded(bool unfolded)
{
    m_unfolded = unfolded;
    layOut();
    for (const Column &c : m_columns)
        c.strip->showFrame(m_session->viewing().currentFrame());
}

LivePane::Content Wall::contentOf(int column) const
{
    const RollFrame *f = m_session->viewing().currentFrame();
    if (!f || !f->frame || f->state == RollFrame::State::Failed || f->state == RollFrame::State::Resting)
        return {};
    // Untreated pixels can be seen as soon as there are some; trials wait for the noise to be measured.
    LivePane::Content untreated = LivePane::untreated(f->frame, f->noise, f->edits());
    untreated.truth = f->truth();
    if (column == 0)
        return untreated;
    if (f->state != RollFrame::State::Ready)
        return {};
    if (column > f->trialCount())
        return LivePane::untreated(f->guests[size_t(column - 1 - f->trialCount())]->matched, nullptr);
    if (m_untreatedHeld && !m_untreatedShown)
        return untreated;
    return {f->frame, f->noise, f->trials[size_t(column - 1)], f->edits(), untreated.truth};
}

void Wall::refresh()
{
    hangColumns();
    for (const Column &c : m_columns)
        c.strip->showFrame(m_session->viewing().currentFrame());
    const RollFrame *f = m_session->viewing().readyFrame();
    m_shown = f ? Shown{f->trials, f->keeper} : Shown();
    showPage();
    showContents();
    showStates();
    emit visibleRegionChanged();
    emit settledChanged();
}

/// A step of a slider shows in one strip, and in the panes above it.
void Wall::showParts(ChoiceParts parts)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    constexpr ChoiceParts kOfAllStrips = ChoicePart::Guests | ChoicePart::Regions | ChoicePart::Lens;
    if (!f || f->trialCount() != int(m_shown.trials.size()) || parts.testAnyFlags(kOfAllStrips))
        return refresh();
    for (int t = 0; t < f->trialCount(); ++t)
        if (f->trials[size_t(t)] != m_shown.trials[size_t(t)] || (f->keeper == t) != (m_shown.keeper == t))
            strip(1 + t)->showFrame(f);
    m_shown = {f->trials, f->keeper};
    showContents();
    showStates();
    emit settledChanged();
}

void Wall::showContents()
{
    const RollFrame *f = m_session->viewing().currentFrame();
    const bool failed = f && f->state == RollFrame::State::Failed;
    if (m_spared && *m_spared >= m_trials) // its strip was taken down while the handle was held
        m_spared.reset();
    Look own = m_session->viewing().look(), guests = m_session->viewing().look(true);
    own.show = m_heldShow.value_or(own.show);
    guests.show = own.show;
    for (int c = 0; c < columnCount(); ++c)
        for (int row = 0; row < int(m_columns[size_t(c)].cells.size()); ++row) {
            LivePane *p = m_columns[size_t(c)].cells[size_t(row)].pane;
            p->setMessage(!f ? QString() : failed                                          ? (c == 0 && row == 0 ? f->problem : QString())
                                       : f->state == RollFrame::State::Ready               ? tr("computing")
                                       : f->frame && f->state == RollFrame::State::Reading ? tr("measuring its noise")
                                                                                           : tr("reading"));
            p->setUrgency((c == m_session->viewing().column() ? 0 : c + 1) + (row == m_session->viewing().row() ? 0 : 20));
            p->setWantsReadings(c <= m_trials && (c > 0 || (f && f->truth())));
            Look look = c > m_trials ? guests : own;
            if (m_spared && c == *m_spared + 1)
                look.show = Show::Spared;
            p->setLook(look);
            p->setContent(contentOf(c));
        }
    showHeld();
}

void Wall::showStates()
{
    const int active = m_session->viewing().row();
    std::vector<std::optional<PlaceReadings>> readings;
    std::vector<std::optional<Nearness>> nearness;
    double seconds = 0;
    for (int c = 1; c <= m_trials; ++c) {
        const Column &column = m_columns[size_t(c)];
        readings.push_back(active < int(column.cells.size()) ? column.cells[size_t(active)].pane->readings() : std::nullopt);
        nearness.push_back(readings.back() ? readings.back()->nearness : std::nullopt);
        seconds = std::max(seconds, column.strip->exportSeconds());
    }
    const std::vector<std::optional<Standing>> standings = standingsOf(nearness);
    ReadingScale scale = ReadingScale::over(readings, seconds);
    if (const RollFrame *f = m_session->viewing().readyFrame()) {
        scale.hasTruth = f->truth() != nullptr;
        scale.hasHalo = m_page == CaptionStrip::Page::Sharpen;
    }
    for (int c = 0; c < columnCount(); ++c) {
        const Column &column = m_columns[size_t(c)];
        for (const Cell &cell : column.cells)
            cell.caption->setText(cell.pane->stateWords());
        if (active >= int(column.cells.size()))
            continue;
        const LivePane *p = column.cells[size_t(active)].pane;
        column.strip->setStatus(p->stateWords(), p->isSettled());
        column.strip->setReadings(p->readings(), c > 0 && c <= m_trials ? standings[size_t(c - 1)] : std::nullopt, scale);
    }
    showRows();
}

/// Names the rows, in the captions of the first column that hangs.
void Wall::showRows()
{
    if (rowCount() < 2 || columnCount() < 2)
        return;
    const Column &first = m_columns[m_untreatedShown ? 0 : 1];
    for (int row = 0; row < std::min(rowCount(), int(first.cells.size())); ++row) {
        const Cell &cell = first.cells[size_t(row)];
        const QString name = rowName(row), state = cell.pane->stateWords();
        cell.caption->setText(name.isEmpty() ? state : state.isEmpty() ? name
                                                                       : tr("%1   %2").arg(name, state));
        for (const Column &c : m_columns) {
            QFont font = this->font();
            font.setWeight(row == m_session->viewing().row() ? QFont::DemiBold : QFont::Normal);
            c.cells[size_t(row)].caption->setFont(font);
        }
    }
}

QString Wall::columnName(int column) const
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (column == 0)
        return tr("Untreated");
    if (column > m_trials)
        return tr("Guest %1").arg(column - m_trials);
    return f && column <= f->trialCount() ? tr("%1  %2").arg(trialLetter(column - 1), treatmentWords(f->trials[size_t(column - 1)])) : trialLetter(column - 1);
}

QString Wall::rowName(int row) const
{
    const int spot = m_session->viewing().spotAt(row);
    return spot < 0 ? QString() : tr("%1 %2").arg(spot + 1).arg(m_session->viewing().currentFrame()->spots[size_t(spot)].words());
}

void Wall::setUntreatedHeld(bool held)
{
    const bool before = m_untreatedHeld;
    m_untreatedHeld = held;
    if (!m_untreatedShown) { // no picture of it hangs that could be borrowed
        if (held != before)
            showContents();
        return;
    }
    showHeld();
}

void Wall::setStandIn(int place, int column)
{
    m_standInPlace = place;
    m_standIn = column;
    showHeld();
    emit shownChanged();
}

void Wall::setDifference(std::optional<int> from, double gain)
{
    m_differenceFrom = from;
    m_differenceGain = gain;
    showHeld();
    emit shownChanged();
}

void Wall::strengthenDifference(int from)
{
    setDifference(from, m_differenceGain >= 16 ? 2 : 2 * m_differenceGain);
}

/// What is painted in place of a pane's own picture: the untreated pixels while they are held, another column's, or a difference.
void Wall::showHeld()
{
    for (int c = 0; c < columnCount(); ++c) {
        auto &cells = m_columns[size_t(c)].cells;
        for (size_t row = 0; row < cells.size(); ++row) {
            static const PaneImage kNone;
            const auto of = [&](int column) { // rows are hung column by column
                const auto &others = m_columns[size_t(column)].cells;
                return row < others.size() ? &others[row].pane->image() : &kNone;
            };
            const PaneImage *held = nullptr;
            std::shared_ptr<const Difference> difference;
            if (m_untreatedHeld && m_untreatedShown && c > 0) {
                held = of(0);
            } else if (c == m_standInPlace && m_standIn != c) {
                held = of(m_standIn);
            } else if (m_differenceFrom && *m_differenceFrom != c) {
                const PaneImage &own = *of(c), &other = *of(*m_differenceFrom);
                difference = cells[row].difference;
                if (!difference || !difference->isOf(own, other, m_differenceGain))
                    difference = std::make_shared<const Difference>(own, other, m_differenceGain);
                held = &difference->shown;
            }
            cells[row].pane->setHeldImage(held);
            cells[row].difference = difference;
        }
    }
}

void Wall::setHeldShow(std::optional<Show> show)
{
    if (show == m_heldShow)
        return;
    m_heldShow = show;
    showContents();
}

bool Wall::isSettled(int column) const
{
    return pane(column)->isSettled();
}

int Wall::settledCount() const
{
    int n = 0;
    for (int c = m_untreatedShown ? 0 : 1; c < columnCount(); ++c)
        for (const Cell &cell : m_columns[size_t(c)].cells)
            n += cell.pane->isSettled();
    return n;
}

bool Wall::allRead() const
{
    for (int c = m_untreatedShown ? 0 : 1; c < columnCount(); ++c)
        for (const Cell &cell : m_columns[size_t(c)].cells)
            if (!cell.pane->isSettled() || !cell.pane->isRead())
                return false;
    return paneCount() > 0;
}

int Wall::paneCount() const
{
    return (columnCount() - !m_untreatedShown) * rowCount();
}

QRect Wall::visibleRegion() const
{
    int reduction = 1;
    return pane(m_untreatedShown ? 0 : 1)->visibleRegion(&reduction);
}

QPoint Wall::middle() const
{
    return visibleRegion().center();
}

void Wall::zoomTo(double zoom)
{
    m_session->viewing().setViewport({zoom, m_session->viewing().viewport().centre});
}

void Wall::zoomBy(int steps)
{
    const PicturePane *p = pane(m_untreatedShown ? 0 : 1);
    zoomAbout(steps, QPointF(p->width(), p->height()) / 2, p);
}

void Wall::zoomAbout(int steps, QPointF at, const PicturePane *pane)
{
    const auto &ladder = zoomLadder();
    const double now = m_session->viewing().viewport().zoom;
    // From between two rungs, such as an output size, to the next one.
    auto i = ladder.indexOf(now);
    if (i < 0) {
        const auto above = std::upper_bound(ladder.begin(), ladder.end(), now) - ladder.begin();
        i = steps > 0 ? above - 1 : above;
    }
    const double zoom = ladder[std::clamp<qsizetype>(i + steps, 0, ladder.size() - 1)];
    if (zoom != now)
        m_session->viewing().setViewport(rowOf(pane), {zoom, pane->centreKeeping(pane->pictureAt(at), at, zoom)});
}

} // namespace irenic
