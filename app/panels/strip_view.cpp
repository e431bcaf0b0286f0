// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/strip_view.h"

#include "session/series.h"

#include <QComboBox>
#include <QDoubleSpinBox>
#include <QGridLayout>
#include <QKeyEvent>
#include <QLabel>
#include <QPushButton>
#include <QSpinBox>

namespace irenic {

namespace {

constexpr int kRungGapPx = 8;
constexpr int kCaptionMarginPx = 4;
constexpr int kLeadingPx = 4; ///< marks come from a taller face; never by what is shown, or pictures would change their size with it
constexpr int kMostRead = 25; ///< cells whose nearness is told: each takes half a second or more

double onLadder(double from, double to, int steps, int i)
{
    const double v = steps > 1 ? from + (to - from) * i / (steps - 1) : from;
    return std::clamp(std::round(v * 100) / 100, 0.0, 3.0);
}

} // namespace

std::vector<StripView::Cell> StripView::cellsFor(Kind kind, const Treatment &about, const NoiseReport &noise, FrameKind frame, double from, double to, int steps, int *across)
{
    std::vector<Cell> cells;
    const auto value = [&](int i) { return onLadder(from, to, steps, i); };
    const auto number = [](double v) { return QLocale().toString(v, 'f', 2); };
    switch (kind) {
    case Kind::Both:
    case Kind::Luminance:
    case Kind::Colour:
        for (int i = 0; i < steps; ++i) {
            Treatment t = about;
            if (kind != Kind::Colour)
                t.luminance = value(i);
            if (kind != Kind::Luminance)
                t.colour = value(i);
            cells.push_back({t, (kind == Kind::Both ? tr("both %1 x") : kind == Kind::Colour ? tr("colour %1 x")
                                                                                             : tr("luminance %1 x"))
                                    .arg(number(value(i)))});
        }
        *across = steps;
        break;
    case Kind::Ring:
        for (int row = 0; row < steps; ++row)
            for (int i = 0; i < steps; ++i) {
                Treatment t = about;
                t.luminance = value(i);
                t.colour = value(row);
                cells.push_back({t, tr("lum %1   col %2").arg(number(t.luminance), number(t.colour))});
            }
        *across = steps;
        break;
    case Kind::Methods:
        for (int row = 0; row < steps; ++row)
            for (const MethodInfo *m : methodsFor(frame)) {
                Treatment t = suggestedFor(m->id, noise);
                t.luminance = std::clamp(t.luminance * value(row), 0.0, 3.0);
                t.colour = std::clamp(t.colour * value(row), 0.0, 3.0);
                cells.push_back({t, tr("%1\n%2 x suggested").arg(tr(m->label), number(value(row)))});
            }
        *across = int(methodsFor(frame).size());
        break;
    case Kind::Sequence: break; // of other frames
    }
    return cells;
}

StripView::StripView(Session *session, PaneRenderer *renderer, QWidget *parent) : QWidget(parent), m_session(session), m_renderer(renderer)
{
    setObjectName(QStringLiteral("stripView"));
    setFocusPolicy(Qt::StrongFocus);
    auto *column = new QVBoxLayout(this);
    column->setContentsMargins(14, 4, 14, 8);
    auto *bar = new QHBoxLayout;
    m_kinds = new QComboBox;
    m_kinds->setObjectName(QStringLiteral("stripKind"));
    m_kinds->setAccessibleName(tr("What changes from picture to picture"));
    m_kinds->addItems({tr("Test strip: both strengths"), tr("Test strip: luminance"), tr("Test strip: colour"), tr("Ring-around: luminance x colour"), tr("Ring-around: methods x strengths"), tr("Frames before and after")});
    bar->addWidget(m_kinds);
    const auto strength = [&](const QString &words, const QString &name) {
        auto *label = new QLabel(words);
        auto *field = new QDoubleSpinBox;
        field->setRange(0, 3);
        field->setSingleStep(0.1);
        field->setSuffix(tr(" x"));
        field->setObjectName(name);
        field->setKeyboardTracking(false);
        label->setBuddy(field);
        bar->addSpacing(6);
        bar->addWidget(label);
        bar->addWidget(field);
        m_ladder << label << field;
        connect(field, &QDoubleSpinBox::valueChanged, this, &StripView::hang);
        return field;
    };
    m_from = strength(tr("from"), QStringLiteral("stripFrom"));
    m_to = strength(tr("to"), QStringLiteral("stripTo"));
    auto *label = new QLabel(tr("steps"));
    m_steps = new QSpinBox;
    m_steps->setObjectName(QStringLiteral("stripSteps"));
    m_steps->setRange(2, 9);
    label->setBuddy(m_steps);
    bar->addSpacing(6);
    bar->addWidget(label);
    bar->addWidget(m_steps);
    m_ladder << label << m_steps;
    bar->addStretch(1);
    const auto button = [&](const QString &text, const QString &name, const QString &tip, auto run) {
        auto *b = new QPushButton(text);
        b->setObjectName(name);
        b->setToolTip(tip);
        b->setAutoDefault(false);
        connect(b, &QPushButton::clicked, this, run);
        bar->addWidget(b);
        return b;
    };
    m_use = button(tr("Use it"), QStringLiteral("stripUse"), tr("The trial takes the picked setting (Enter)"), &StripView::usePicked);
    m_add = button(tr("As a trial"), QStringLiteral("stripAdd"), tr("The picked setting becomes a trial of its own (N)"), &StripView::addPicked);
    button(tr("Back"), QStringLiteral("stripBack"), tr("Back to the wall (Esc)"), &StripView::closed);
    column->addLayout(bar);
    m_sheet = new QWidget;
    m_sheet->setMinimumSize(1, 1); // its pictures follow the window, and never hold it open
    column->addWidget(m_sheet, 1);
    m_curve = new LadderCurve;
    m_curve->setObjectName(QStringLiteral("nearnessCurve"));
    m_curve->setAccessibleName(tr("Nearness of each picture of the strip"));
    m_curve->setToolTip(tr("How near each comes to the picture without noise, as estimated, dB; the mark is the nearest"));
    column->addWidget(m_curve);
    connect(m_kinds, &QComboBox::activated, this, [this](int i) { open(Kind(i)); });
    connect(m_steps, &QSpinBox::valueChanged, this, &StripView::hang);
    connect(&session->viewing(), &Viewing::viewportChanged, this, [this] {
        for (int i = 0; isVisible() && i < cellCount(); ++i)
            m_panes[size_t(i)]->setViewport(viewportOf(m_cells[size_t(i)]));
    });
    connect(&session->viewing(), &Viewing::lookChanged, this, [this] {
        for (int i = 0; isVisible() && i < cellCount(); ++i)
            m_panes[size_t(i)]->setLook(lookOf(m_cells[size_t(i)]));
    });
    connect(&session->roll(), &Roll::frameChanged, this, [this](int frame) {
        for (int i = 0; isVisible() && i < cellCount(); ++i)
            if (const RollFrame &f = m_session->roll().frame(frame); m_cells[size_t(i)].frame == frame && f.state == RollFrame::State::Ready && f.frame != m_panes[size_t(i)]->content().frame)
                return hang(); // its pixels are there
    });
    const auto leave = [this] {
        if (isVisible())
            emit closed();
    };
    connect(&session->viewing(), &Viewing::currentChanged, this, leave);
    connect(&session->roll(), &Roll::rollChanged, this, leave); // frames have other numbers
}

void StripView::setTones(const Tones &tones)
{
    m_tones = tones;
    QPalette p = palette();
    p.setColor(QPalette::Window, tones.wall);
    p.setColor(QPalette::WindowText, tones.wallInk);
    setPalette(p);
    m_sheet->setPalette(p);
    setAutoFillBackground(true);
    for (QLabel *label : findChildren<QLabel *>())
        label->setPalette(p);
    for (LivePane *pane : m_panes)
        pane->setTones(tones);
    m_curve->setTones(tones);
    showPicked();
}

QString StripView::caption(int i) const
{
    return m_captions[size_t(i)]->text();
}

QString StripView::title() const
{
    const RollFrame *f = m_session->viewing().readyFrame();
    return f ? tr("%1, %2").arg(f->name(), m_kinds->currentText()) : QString();
}

void StripView::open(Kind kind)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f)
        return;
    m_kind = kind;
    m_trial = std::max(0, m_session->viewing().trial());
    m_picked = -1;
    const bool sequence = kind == Kind::Sequence;
    m_use->setText(sequence ? tr("Go to it") : tr("Use it for %1").arg(trialLetter(m_trial)));
    m_use->setToolTip(sequence ? tr("The picked frame hangs, at this place (Enter)") : tr("The trial takes the picked setting (Enter)"));
    m_kinds->setCurrentIndex(int(kind));
    for (QWidget *w : m_ladder)
        w->setVisible(!sequence);
    m_add->setVisible(!sequence);
    if (sequence) {
        const QList<int> frames = sequenceOf(*m_session);
        for (const int i : frames)
            m_session->roll().wake(i);
        m_picked = int(frames.indexOf(m_session->viewing().current()));
    } else {
        suggestLadder();
    }
    hang();
}

QList<int> StripView::sequenceOf(const Session &session)
{
    const Roll &roll = session.roll();
    const int current = session.viewing().current();
    QList<int> all;
    for (const QList<int> &series : allSeries(roll))
        if (series.contains(current))
            all = series;
    if (all.isEmpty())
        for (int i = 0; i < roll.count(); ++i)
            all << i;
    const auto sizeOf = [&](int i) { return roll.frame(i).pictureSize(); };
    all.erase(std::remove_if(all.begin(), all.end(), [&](int i) { return roll.frame(i).state == RollFrame::State::Failed || sizeOf(i) != sizeOf(current); }), all.end());
    const int from = std::max(0, std::min(int(all.indexOf(current)) - kMostOfSequence / 2, int(all.size()) - kMostOfSequence));
    return all.mid(from, kMostOfSequence);
}

std::vector<StripView::Cell> StripView::sequenceCells() const
{
    std::vector<Cell> cells;
    const Viewing &viewing = m_session->viewing();
    const RollFrame &here = *viewing.readyFrame();
    const QSize size = here.pictureSize();
    for (const int i : sequenceOf(*m_session)) {
        const RollFrame &f = m_session->roll().frame(i);
        Cell cell{{}, {}, i, {}};
        const int trial = i == viewing.current() ? m_trial : f.keeper >= 0 ? f.keeper
                                                                           : std::min(m_trial, f.trialCount() - 1);
        if (trial >= 0)
            cell.treatment = f.trials[size_t(trial)];
        cell.caption = tr("%1\n%2").arg(f.name(), trial < 0 || !f.isMeasured() ? tr("is being read") : tr("%1  %2").arg(trialLetter(trial), treatmentWords(cell.treatment)));
        if (const auto shift = i == viewing.current() ? std::nullopt : m_session->shifts().between(here, f))
            cell.shift = {double(shift->x()) / size.width(), double(shift->y()) / size.height()};
        cells.push_back(cell);
    }
    return cells;
}

const RollFrame &StripView::frameOf(const Cell &cell) const
{
    return m_session->roll().frame(cell.frame < 0 ? m_session->viewing().current() : cell.frame);
}

LivePane::Content StripView::contentOf(const Cell &cell) const
{
    const RollFrame &f = frameOf(cell);
    return f.state == RollFrame::State::Ready ? LivePane::Content{f.frame, f.noise, cell.treatment, f.edits()} : LivePane::Content{};
}

Viewport StripView::viewportOf(const Cell &cell) const
{
    const Viewport here = m_session->viewing().viewport();
    return {here.zoom, here.centre + cell.shift};
}

Look StripView::lookOf(const Cell &cell) const
{
    Look look = m_session->viewing().look();
    look.rendering = frameOf(cell).rendering;
    return look;
}

void StripView::lookThere(const Cell &cell, double zoom, QPointF centre)
{
    m_session->viewing().setViewport({zoom, centre - cell.shift});
}

/// A ladder about what the trial has now.
void StripView::suggestLadder()
{
    const Treatment &t = m_session->viewing().readyFrame()->trials[size_t(m_trial)];
    const bool ring = m_kind == Kind::Ring || m_kind == Kind::Methods;
    const double about = m_kind == Kind::Methods ? 1 : m_kind == Kind::Colour ? t.colour
                                                                              : t.luminance,
                 reach = ring ? 0.4 : 0.6;
    for (QWidget *w : {static_cast<QWidget *>(m_from), static_cast<QWidget *>(m_to), static_cast<QWidget *>(m_steps)})
        w->blockSignals(true);
    m_from->setValue(std::max(0.0, about - reach));
    m_to->setValue(std::min(3.0, about + reach));
    m_steps->setValue(ring ? 3 : 5);
    for (QWidget *w : {static_cast<QWidget *>(m_from), static_cast<QWidget *>(m_to), static_cast<QWidget *>(m_steps)})
        w->blockSignals(false);
}

void StripView::hang()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f || m_trial >= f->trialCount())
        return;
    if (m_kind == Kind::Sequence) {
        m_cells = sequenceCells();
        m_across = std::max(1, cellCount());
    } else {
        m_cells = cellsFor(m_kind, f->trials[size_t(m_trial)], *f->noise, f->frame->kind, m_from->value(), m_to->value(), m_steps->value(), &m_across);
    }
    while (m_panes.size() > m_cells.size()) {
        delete m_panes.back();
        delete m_captions.back();
        m_panes.pop_back();
        m_captions.pop_back();
    }
    while (m_panes.size() < m_cells.size()) {
        const int i = int(m_panes.size());
        auto *pane = new LivePane(m_renderer, m_sheet);
        pane->setObjectName(QStringLiteral("cell-%1").arg(i));
        pane->setMinimumSize(60, 50);
        pane->setTones(m_tones);
        connect(pane, &PicturePane::picked, this, [this, i] { pick(i); });
        connect(pane, &PicturePane::panned, this, [this, i](QPointF centre) { lookThere(m_cells[size_t(i)], m_session->viewing().viewport().zoom, centre); });
        connect(pane, &PicturePane::zoomRequested, this, [this, i, pane](int steps, QPointF at) {
            const double now = m_session->viewing().viewport().zoom, zoom = std::clamp(steps > 0 ? std::max(0.5, now * 2) : now / 2, 0.5, 8.0);
            lookThere(m_cells[size_t(i)], zoom, pane->centreKeeping(pane->pictureAt(at), at, zoom));
        });
        connect(pane, &PicturePane::placeActivated, this, [this, i] {
            pick(i);
            usePicked();
        });
        connect(pane, &LivePane::stateChanged, this, &StripView::settledChanged);
        connect(pane, &LivePane::stateChanged, this, &StripView::showNearness);
        connect(pane, &LivePane::readingsChanged, this, &StripView::showNearness);
        m_panes.push_back(pane);
        auto *caption = new QLabel(m_sheet);
        caption->setAlignment(Qt::AlignCenter);
        caption->setAutoFillBackground(true);
        m_captions.push_back(caption);
    }
    m_tellsNearness = m_kind != Kind::Sequence && cellCount() <= kMostRead && whyNoNearness(*f->frame, *f->noise).empty();
    m_curve->setVisible(isLadder() && m_tellsNearness);
    delete m_grid;
    m_grid = new QGridLayout(m_sheet);
    m_grid->setContentsMargins(0, 0, 0, 0);
    m_grid->setSizeConstraint(QLayout::SetNoConstraint);
    m_grid->setHorizontalSpacing(kRungGapPx);
    m_grid->setVerticalSpacing(2);
    for (int i = 0; i < cellCount(); ++i) {
        LivePane *pane = m_panes[size_t(i)];
        pane->setAccessibleName(QString(m_cells[size_t(i)].caption).replace(u'\n', u' '));
        pane->setViewport(viewportOf(m_cells[size_t(i)]));
        pane->setLook(lookOf(m_cells[size_t(i)]));
        pane->setUrgency(i);
        pane->setWantsReadings(m_tellsNearness);
        pane->setContent(contentOf(m_cells[size_t(i)]));
        m_grid->addWidget(pane, i / m_across * 2, i % m_across);
        m_grid->addWidget(m_captions[size_t(i)], i / m_across * 2 + 1, i % m_across);
        m_grid->setRowStretch(i / m_across * 2, 1);
        pane->show();
        m_captions[size_t(i)]->show();
    }
    if (m_picked >= cellCount())
        m_picked = -1;
    resizeEvent(nullptr);
    showNearness();
    showPicked();
    emit settledChanged();
}

void StripView::hideEvent(QHideEvent *event)
{
    if (!event->spontaneous())
        for (LivePane *p : m_panes)
            p->setContent({}); // pixels of several frames
}

void StripView::resizeEvent(QResizeEvent *)
{
    const int width = std::max(60, (m_sheet->width() - (m_across - 1) * kRungGapPx) / std::max(1, m_across));
    for (LivePane *p : m_panes)
        p->setFixedWidth(width);
    showCaptions();
}

void StripView::showCaptions()
{
    if (m_panes.empty())
        return;
    const int width = m_panes[0]->width();
    QFont widest = font();
    widest.setWeight(QFont::DemiBold); // as it is once picked
    const QFontMetrics metrics(widest);
    for (size_t i = 0; i < std::min(m_cells.size(), m_captions.size()); ++i) {
        QStringList lines = m_cells[i].caption.split(u'\n');
        if (m_tellsNearness)
            lines << (i < m_nearness.size() ? m_nearness[i] : QString());
        for (QString &line : lines)
            line = metrics.elidedText(line, Qt::ElideRight, width - 2 * kCaptionMarginPx);
        m_captions[i]->setText(lines.join(u'\n'));
        m_captions[i]->setFixedHeight(int(lines.size()) * (metrics.height() + kLeadingPx) + 6);
    }
}

/// Under every picture; for a ladder, as a curve, too.
void StripView::showNearness()
{
    if (!m_tellsNearness || m_panes.size() != m_cells.size())
        return;
    std::vector<std::optional<Nearness>> nearness;
    std::vector<std::optional<LadderCurve::Point>> points;
    for (const LivePane *p : m_panes) {
        const auto &n = p->readings() ? p->readings()->nearness : std::nullopt;
        nearness.push_back(n);
        points.push_back(n && n->errorDb < Nearness::kUnknownDb ? std::optional(LadderCurve::Point{n->db, n->errorDb}) : std::nullopt);
    }
    const auto standings = standingsOf(nearness);
    m_nearness.assign(m_cells.size(), QString());
    for (size_t i = 0; i < m_cells.size(); ++i) {
        if (!points[i])
            continue;
        m_nearness[i] = tr("%1 dB").arg(points[i]->value, 0, 'f', 1);
        if (standings[i])
            m_nearness[i] += u' ' + standingMark(*standings[i]) + (standings[i]->isNearest ? tr(" nearest") : QString());
    }
    m_curve->setPoints(points);
    showCaptions();
}

bool StripView::allSettled() const
{
    return !m_panes.empty() && std::all_of(m_panes.begin(), m_panes.end(), [](const LivePane *p) { return p->isSettled(); });
}

void StripView::pick(int cell)
{
    if (cell < 0 || cell >= cellCount())
        return;
    m_picked = cell;
    showPicked();
}

void StripView::pickBeside(int dx, int dy)
{
    if (cellCount() == 0)
        return;
    const int now = std::max(0, m_picked), x = now % m_across + (m_picked < 0 ? 0 : dx), y = now / m_across + (m_picked < 0 ? 0 : dy);
    if (x >= 0 && x < m_across && y >= 0 && y * m_across + x < cellCount())
        pick(y * m_across + x);
}

/// The picked cell's caption is inverted, as a keeper's strip is.
void StripView::showPicked()
{
    for (int i = 0; i < int(m_captions.size()); ++i) {
        const Tones t = i == m_picked ? m_tones.invertedPaper() : m_tones;
        QPalette p = palette();
        p.setColor(QPalette::Window, t.paper);
        p.setColor(QPalette::WindowText, t.paperInk);
        QLabel *caption = m_captions[size_t(i)];
        caption->setPalette(p);
        QFont f = font();
        f.setWeight(i == m_picked ? QFont::DemiBold : QFont::Normal);
        caption->setFont(f);
    }
    m_use->setEnabled(m_picked >= 0);
    m_add->setEnabled(m_picked >= 0 && m_session->editing().canAddTrial());
}

void StripView::usePicked()
{
    if (m_picked < 0)
        return;
    if (m_kind == Kind::Sequence) {
        const Cell there = m_cells[size_t(m_picked)];
        const Viewport at = viewportOf(there);
        emit closed();
        m_session->viewing().setCurrent(there.frame);
        m_session->viewing().setViewport(at);
        return;
    }
    const bool methodsToo = m_kind == Kind::Methods;
    m_session->editing().changeTreatment(m_trial, m_cells[size_t(m_picked)].treatment, (methodsToo ? tr("setting of %1 from the ring-around") : tr("strengths of %1 from the strip")).arg(trialLetter(m_trial)));
    emit closed();
}

void StripView::addPicked()
{
    if (m_picked < 0 || m_kind == Kind::Sequence)
        return;
    m_session->editing().addTrial(m_cells[size_t(m_picked)].treatment);
    emit closed();
}

void StripView::keyPressEvent(QKeyEvent *event)
{
    switch (event->key()) {
    case Qt::Key_Left: pickBeside(-1, 0); break;
    case Qt::Key_Right: pickBeside(1, 0); break;
    case Qt::Key_Up: pickBeside(0, -1); break;
    case Qt::Key_Down: pickBeside(0, 1); break;
    case Qt::Key_Return:
    case Qt::Key_Enter: usePicked(); break;
    case Qt::Key_N: addPicked(); break;
    case Qt::Key_Escape: emit closed(); break;
    default: QWidget::keyPressEvent(event);
    }
}

} // namespace irenic
