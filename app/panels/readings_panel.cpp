// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/readings_panel.h"

#include "view/plot.h"

#include <QComboBox>
#include <QGridLayout>
#include <QLabel>
#include <QPushButton>

#include <cmath>
#include <numeric>

namespace irenic {

namespace {

constexpr Qt::PenStyle kStrokes[] = {Qt::SolidLine, Qt::DashLine, Qt::DashDotLine, Qt::DashDotDotLine};

double stopsBelowClipping(double signal)
{
    return std::log2(std::max(signal, 1e-6));
}

} // namespace

ReadingsPanel::ReadingsPanel(Session *session, FrameMeasurer *measurer, QWidget *parent) : QScrollArea(parent), m_session(session), m_measurer(measurer)
{
    setObjectName(QStringLiteral("readingsPanel"));
    setFrameShape(QFrame::NoFrame);
    setWidgetResizable(true);
    setHorizontalScrollBarPolicy(Qt::ScrollBarAlwaysOff);
    setMinimumWidth(270);
    auto *page = new QWidget;
    setWidget(page);
    auto *column = new QVBoxLayout(page);
    column->setContentsMargins(10, 8, 10, 8);
    m_title = new QLabel;
    m_title->setWordWrap(true);
    column->addWidget(m_title);
    m_measure = new QPushButton(tr("Measure the whole frame"));
    m_measure->setObjectName(QStringLiteral("measureFrame"));
    connect(m_measure, &QPushButton::clicked, this, [this] { m_measurer->isMeasuring() ? m_measurer->stop() : measure(); });
    column->addWidget(m_measure);
    auto *grid = new QGridLayout;
    grid->setHorizontalSpacing(12);
    grid->setVerticalSpacing(2);
    const std::tuple<const char *, const char *, const char *> kFigures[] = {
        {"grain", QT_TR_NOOP("grain left"), QT_TR_NOOP("Luminance noise that is left on smooth parts, as a share of what was measured")},
        {"colour", QT_TR_NOOP("colour noise left"), QT_TR_NOOP("Colour noise that is left on smooth parts")},
        {"lost", QT_TR_NOOP("detail lost"), QT_TR_NOOP("How much picture went with the noise: 0 is none, 1 is nothing but picture")},
        {"doubt", QT_TR_NOOP("doubt"), QT_TR_NOOP("How much of the detail would be another one had the noise been another one: it may be made up (hold Q to see it)")},
        {"nearness", QT_TR_NOOP("nearness"), QT_TR_NOOP("Estimated likeness to the same picture without noise; the higher, the nearer")},
        {"drift", QT_TR_NOOP("colour drift"), QT_TR_NOOP("CIEDE2000 of the means of 64 x 64 pixels against the untreated frame: median, and the 95th percentile")},
        {"evenness", QT_TR_NOOP("evenness"), QT_TR_NOOP("Median over 95th percentile of the grain left, block by block: 100 % is even")},
        {"judged", QT_TR_NOOP("smooth share"), QT_TR_NOOP("Share of the frame that is smooth enough to tell noise from picture")},
        {"time", QT_TR_NOOP("time for the frame"), QT_TR_NOOP("Seconds that cleaning took, less what was known already")},
    };
    int line = 0;
    for (const auto &[name, words, help] : kFigures) {
        auto *label = new QLabel(tr(words));
        auto *value = new QLabel;
        value->setObjectName(QStringLiteral("figure-%1").arg(QLatin1String(name)));
        value->setAlignment(Qt::AlignRight);
        label->setToolTip(tr(help));
        value->setToolTip(tr(help));
        grid->addWidget(label, line, 0);
        grid->addWidget(value, line++, 1);
        m_figures.emplace_back(QLatin1String(name), value);
    }
    column->addLayout(grid);
    column->addSpacing(6);
    m_maps = new QComboBox;
    m_maps->setObjectName(QStringLiteral("maps"));
    m_maps->setAccessibleName(tr("What the map shows"));
    m_maps->setToolTip(tr("Noise that this trial left; how far it is from the picture without noise, as estimated; or where it is further from it than another trial that was measured"));
    connect(m_maps, &QComboBox::activated, this, [this] {
        m_nextWorst = 0;
        showMap();
    });
    column->addWidget(m_maps);
    m_map = new LeftoverView;
    column->addWidget(m_map);
    m_legend = new QLabel;
    m_legend->setWordWrap(true);
    column->addWidget(m_legend);
    auto *row = new QHBoxLayout;
    m_worst = new QPushButton(tr("Worst place"));
    m_worst->setObjectName(QStringLiteral("worstPlace"));
    m_worst->setToolTip(tr("Look at the first of the places that the map rings; again for the next (J)"));
    m_mark = new QPushButton(tr("Mark it"));
    m_mark->setObjectName(QStringLiteral("markWorst"));
    m_mark->setToolTip(tr("Make the worst place a spot"));
    row->addWidget(m_worst);
    row->addWidget(m_mark);
    column->addLayout(row);
    m_plot = new Plot(tr("brightness, EV against clipping"), tr("noise, % of clipping"), true);
    m_plot->setObjectName(QStringLiteral("noisePlot"));
    m_plot->setMinimumHeight(240);
    column->addWidget(m_plot);
    column->addStretch(1);
    connect(m_worst, &QPushButton::clicked, this, &ReadingsPanel::goToWorst);
    connect(m_mark, &QPushButton::clicked, this, &ReadingsPanel::markWorst);
    connect(m_map, &LeftoverView::placeRequested, this, [this](QPoint at) {
        const QSize size = m_session->viewing().currentFrame()->pictureSize();
        m_session->viewing().setViewport({std::max(1.0, m_session->viewing().viewport().zoom), {double(at.x()) / size.width(), double(at.y()) / size.height()}});
    });
    connect(&session->viewing(), &Viewing::shownChanged, this, &ReadingsPanel::showContents);
    connect(&session->viewing(), &Viewing::columnChanged, this, &ReadingsPanel::showContents);
    connect(measurer, &FrameMeasurer::progressChanged, this, [this] {
        m_measure->setText(m_measurer->isMeasuring() ? tr("Stop (%1 %)").arg(qRound(100 * m_measurer->fraction())) : tr("Measure the whole frame"));
    });
    connect(measurer, &FrameMeasurer::measured, this, [this] {
        showContents();
        if (std::exchange(m_goWhenMeasured, false))
            goToWorst();
    });
    showContents();
}

void ReadingsPanel::setTones(const Tones &tones)
{
    m_map->setTones(tones);
    m_plot->setTones(tones);
}

FrameMeasurer::Subject ReadingsPanel::subject(int trial) const
{
    const RollFrame *f = m_session->viewing().readyFrame();
    return f && trial >= 0 ? FrameMeasurer::Subject{f->frame, f->noise, f->trials[size_t(trial)], f->edits()} : FrameMeasurer::Subject{};
}

void ReadingsPanel::measure()
{
    if (const int trial = m_session->viewing().trial(); trial >= 0)
        m_measurer->measure(subject(trial));
}

void ReadingsPanel::showContents()
{
    const int trial = m_session->viewing().trial();
    const RollFrame *f = m_session->viewing().readyFrame();
    m_title->setText(trial < 0 ? tr("Choose a trial on the wall") : tr("%1  %2").arg(trialLetter(trial), treatmentWords(f->trials[size_t(trial)])));
    const auto map = trial < 0 ? nullptr : m_measurer->known(subject(trial));
    if (map != m_shown)
        m_nextWorst = 0;
    m_shown = map;
    m_measure->setEnabled(trial >= 0);
    m_worst->setEnabled(trial >= 0);
    fillMaps();
    showMap();
    for (const auto &[name, label] : m_figures) {
        QString text = QStringLiteral("\u2013");
        if (map && map->judged > 0 && name == u"grain")
            text = tr("%1 %").arg(100 * map->left.luminance, 0, 'f', 1);
        else if (map && map->judged > 0 && name == u"colour")
            text = tr("%1 %").arg(100 * map->left.colour, 0, 'f', 1);
        else if (map && name == u"lost")
            text = QLocale().toString(map->detailLost, 'f', 2);
        else if (map && map->doubt && name == u"doubt")
            text = tr("%1 %").arg(100 * *map->doubt, 0, 'f', 0);
        else if (map && map->nearness && name == u"nearness")
            text = map->nearness->errorDb < Nearness::kUnknownDb ? tr("%1 \u00b1 %2 dB").arg(map->nearness->db, 0, 'f', 1).arg(map->nearness->errorDb, 0, 'f', 1) : tr("too little is left to tell");
        else if (map && name == u"drift")
            text = tr("%1, %2").arg(map->drift.median, 0, 'f', 2).arg(map->drift.high, 0, 'f', 2);
        else if (map && map->judged > 0 && name == u"evenness")
            text = tr("%1 %").arg(100 * map->evenness, 0, 'f', 0);
        else if (map && name == u"judged")
            text = tr("%1 %").arg(100 * map->judged, 0, 'f', 0);
        else if (map && name == u"time")
            text = tr("%1 s").arg(map->seconds, 0, 'f', 1);
        else if (f && trial >= 0 && name == u"time")
            text = tr("about %1 s").arg(Cleaner(f->frame, f->noise, f->trials[size_t(trial)], f->edits()).expectedSeconds(f->frame->crop.size()), 0, 'f', 0);
        label->setText(text);
    }
    showPlot();
}

namespace {

constexpr int kLeft = -1, kError = -2; ///< maps; others are the number of the trial that is compared with

/// The value that few are above: a few odd blocks must not darken all the others.
float nearlyHighest(std::vector<float> values)
{
    if (values.empty())
        return 0;
    const auto at = values.begin() + ptrdiff_t(values.size() * 98 / 100);
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

/// Middles of the places with the highest values, apart from each other.
std::vector<PixelAt> highest(const ErrorMap &map, const std::vector<float> &values)
{
    constexpr size_t kMost = 5;
    std::vector<size_t> ranked(values.size());
    std::iota(ranked.begin(), ranked.end(), size_t(0));
    std::sort(ranked.begin(), ranked.end(), [&](size_t a, size_t b) { return values[a] != values[b] ? values[a] > values[b] : a < b; });
    std::vector<PixelAt> found;
    const int apart = 2 * std::max(map.area.width / map.grid.width, map.area.height / map.grid.height);
    for (const size_t i : ranked) {
        const PixelAt at = map.place(i).middle();
        if (std::none_of(found.begin(), found.end(), [&](const PixelAt &p) { return std::max(std::abs(p.x - at.x), std::abs(p.y - at.y)) < apart; }))
            found.push_back(at);
        if (found.size() == kMost)
            break;
    }
    return found;
}

} // namespace

/// Keeps what is chosen, where it is still there.
void ReadingsPanel::fillMaps()
{
    const QVariant chosen = m_maps->currentData();
    const QSignalBlocker quiet(m_maps);
    m_maps->clear();
    m_maps->addItem(tr("map: noise left"), kLeft);
    if (m_shown && !m_shown->error.square.empty()) {
        m_maps->addItem(tr("map: estimated error"), kError);
        const RollFrame *f = m_session->viewing().readyFrame();
        for (int t = 0; t < f->trialCount(); ++t)
            if (const auto other = m_measurer->known(subject(t)); t != m_session->viewing().trial() && other && other->error.grid == m_shown->error.grid)
                m_maps->addItem(tr("map: error against %1").arg(trialLetter(t)), t);
    }
    m_maps->setCurrentIndex(std::max(0, m_maps->findData(chosen)));
    m_maps->setEnabled(m_maps->count() > 1);
}

std::optional<LeftoverView::Field> ReadingsPanel::leftField() const
{
    LeftoverView::Field field{m_shown->blocks, m_shown->area, m_shown->luminance, {}, {}};
    std::vector<float> judged;
    std::copy_if(field.shade.begin(), field.shade.end(), std::back_inserter(judged), [](float v) { return v >= 0; });
    const float most = std::max(nearlyHighest(judged), 1e-6f);
    for (float &v : field.shade)
        v = v < 0 ? v : v / most;
    for (const auto &place : m_shown->worst)
        field.rings.push_back(place.where.middle());
    field.tip = [map = m_shown](size_t i) { return map->luminance[i] < 0 ? tr("nothing smooth here to tell") : tr("%1 % of the grain is left").arg(100 * double(map->luminance[i]), 0, 'f', 0); };
    m_legend->setText(tr("Black: no grain left. White: %1 %. Hatched: nothing smooth there. Rings: the worst places.").arg(100 * double(most), 0, 'f', 0));
    return field;
}

std::optional<LeftoverView::Field> ReadingsPanel::errorField() const
{
    const ErrorMap &error = m_shown->error;
    LeftoverView::Field field{error.grid, error.area, {}, {}, {}};
    for (size_t i = 0; i < error.square.size(); ++i)
        field.shade.push_back(error.rms(i));
    field.rings = highest(error, field.shade);
    const float most = std::max(nearlyHighest(field.shade), 1e-6f);
    for (float &v : field.shade)
        v /= most;
    field.tip = [map = m_shown](size_t i) { return tr("estimated error %1 of 255").arg(255 * double(map->error.rms(i)), 0, 'f', 1); };
    m_legend->setText(tr("How far this trial is from the picture without noise, as estimated. White: %1 of 255 steps. Rings: the worst places.").arg(255 * double(most), 0, 'f', 1));
    return field;
}

std::optional<LeftoverView::Field> ReadingsPanel::againstField(int other) const
{
    const auto map = m_measurer->known(subject(other));
    if (!map)
        return std::nullopt;
    const ErrorMap &here = m_shown->error, &there = map->error;
    LeftoverView::Field field{here.grid, here.area, {}, {}, {}};
    std::vector<float> size;
    for (size_t i = 0; i < here.square.size(); ++i) {
        field.shade.push_back(here.rms(i) - there.rms(i));
        size.push_back(std::abs(field.shade.back()));
    }
    field.rings = highest(here, size);
    const float most = std::max(nearlyHighest(size), 1e-6f);
    for (float &v : field.shade)
        v = std::clamp(0.5f + 0.5f * v / most, 0.f, 1.f);
    const QString name = trialLetter(other);
    field.tip = [mine = m_shown, map, name](size_t i) {
        const double by = 255 * double(mine->error.rms(i) - map->error.rms(i));
        return by > 0 ? tr("%1 of 255 further from the picture without noise than %2").arg(by, 0, 'f', 1).arg(name) : tr("%1 of 255 nearer to the picture without noise than %2").arg(-by, 0, 'f', 1).arg(name);
    };
    m_legend->setText(tr("Pale: further from the picture without noise than %1, as estimated. Dark: nearer. Middle grey: level. Rings: where the two differ most.").arg(name));
    return field;
}

void ReadingsPanel::showMap()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    m_legend->clear();
    std::optional<LeftoverView::Field> field;
    if (m_shown && f) {
        const int kind = m_maps->currentData().toInt();
        field = kind == kLeft ? leftField() : kind == kError ? errorField()
                                                             : againstField(kind);
    }
    m_map->setField(std::move(field), f ? f->frame : nullptr);
    m_mark->setEnabled(m_map->field() && !m_map->field()->rings.empty());
}

void ReadingsPanel::showPlot()
{
    QList<Plot::Line> lines;
    const RollFrame *f = m_session->viewing().readyFrame();
    if (f) {
        Plot::Line law{tr("law"), {}, Qt::DotLine, {}, false};
        // Of the mean of four cells of a mosaic, or of three colours: as the other lines are.
        const bool mosaic = f->frame->kind == FrameKind::Mosaic;
        for (int i = -10 * 2; i <= 0; ++i) {
            const float signal = std::exp2(float(i) / 2);
            double variance = 0;
            const size_t cells = mosaic ? 4 : 3;
            for (size_t c = 0; c < cells; ++c)
                variance += std::pow(double(f->noise->cells[c].sigmaAt(signal)), 2);
            law.points << QPointF(i / 2.0, 100 * std::sqrt(variance) / double(cells));
        }
        lines << law;
        bool untreatedShown = false;
        int stroke = 0;
        for (int t = 0; t < f->trialCount(); ++t) {
            const auto map = m_measurer->known(subject(t));
            if (!map)
                continue;
            Plot::Line untreated{tr("untreated"), {}, Qt::SolidLine, {}, true, 1}, treated{tr("after %1").arg(trialLetter(t)), {}, kStrokes[stroke++ % 4], {}, true, 2.4};
            for (const NoiseAt &at : map->curve) {
                untreated.points << QPointF(stopsBelowClipping(at.signal), 100 * at.untreated);
                treated.points << QPointF(stopsBelowClipping(at.signal), 100 * at.treated);
            }
            if (!std::exchange(untreatedShown, true))
                lines << untreated;
            lines << treated;
        }
    }
    m_plot->setLines(lines);
}

QString ReadingsPanel::figure(const QString &name) const
{
    for (const auto &[n, label] : m_figures)
        if (n == name)
            return label->text();
    return {};
}

QPoint ReadingsPanel::worstPlace(size_t i) const
{
    const UprightPoint up = m_session->viewing().currentFrame()->frame->uprightOf(m_map->field()->rings[i]);
    return {up.x, up.y};
}

void ReadingsPanel::goToWorst()
{
    if (m_session->viewing().trial() < 0)
        return;
    if (!m_shown) {
        m_goWhenMeasured = true;
        measure();
        return;
    }
    if (!m_map->field() || m_map->field()->rings.empty())
        return;
    const QPoint at = worstPlace(m_nextWorst);
    m_nextWorst = (m_nextWorst + 1) % m_map->field()->rings.size();
    const QSize size = m_session->viewing().currentFrame()->pictureSize();
    m_session->viewing().setViewport({std::max(2.0, m_session->viewing().viewport().zoom), {(at.x() + 0.5) / size.width(), (at.y() + 0.5) / size.height()}});
}

void ReadingsPanel::markWorst()
{
    if (m_map->field() && !m_map->field()->rings.empty())
        m_session->viewing().goToSpot(m_session->editing().addSpot(worstPlace(0), SpotKind::MostNoiseLeft));
}

} // namespace irenic
