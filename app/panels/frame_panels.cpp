// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/frame_panels.h"

#include "irenic/readings.h"
#include "session/dates.h"
#include "view/plot.h"

#include <QFormLayout>
#include <QLabel>

namespace irenic {

HistogramPanel::HistogramPanel(Session *session, QWidget *parent) : QWidget(parent), m_session(session)
{
    setObjectName(QStringLiteral("histogramPanel"));
    auto *column = new QVBoxLayout(this);
    m_plot = new Plot(tr("brightness, EV against clipping"), tr("% of samples"), false);
    m_ends = new QLabel;
    m_ends->setWordWrap(true);
    column->addWidget(m_plot, 1);
    column->addWidget(m_ends);
    connect(&session->viewing(), &Viewing::shownChanged, this, [this](ChoiceParts parts) {
        if (parts == kAllParts)
            showContents();
    });
}

void HistogramPanel::setTones(const Tones &tones)
{
    m_plot->setTones(tones);
}

void HistogramPanel::showEvent(QShowEvent *event)
{
    QWidget::showEvent(event);
    showContents();
}

void HistogramPanel::showContents()
{
    const RollFrame *f = m_session->viewing().readyFrame();
    const std::shared_ptr<const Frame> of = f ? f->frame : nullptr;
    if (!isVisible() || (of && of == m_of.lock()))
        return;
    m_of = of;
    if (!of) {
        m_plot->setLines({});
        m_ends->clear();
        return;
    }
    const Histogram h = histogramOf(*of);
    QList<Plot::Line> lines;
    const std::tuple<QString, QColor, Qt::PenStyle> kColours[] = {{tr("red"), QColor(140, 52, 44), Qt::DashLine}, {tr("green"), QColor(40, 92, 52), Qt::SolidLine}, {tr("blue"), QColor(44, 66, 140), Qt::DotLine}};
    for (size_t c = 0; c < 3; ++c) {
        Plot::Line line{std::get<0>(kColours[c]), {}, std::get<2>(kColours[c]), std::get<1>(kColours[c]), false};
        for (size_t bin = 0; bin < Histogram::kBins; ++bin)
            if (const double ev = Histogram::kFirstEv + (double(bin) + 0.5) * Histogram::kStepEv; ev > -12)
                line.points << QPointF(ev, 100 * h.share[c][bin]);
        lines << line;
    }
    m_plot->setLines(lines);
    const auto percent = [](double share) { return QLocale().toString(100 * share, 'f', share < 0.001 ? 2 : 1); };
    m_ends->setText(tr("clipped: red %1 %, green %2 %, blue %3 %\nat or below black: %4 %, %5 %, %6 %")
                        .arg(percent(h.clipped[0]), percent(h.clipped[1]), percent(h.clipped[2]), percent(h.black[0]), percent(h.black[1]), percent(h.black[2])));
}

ShootingPanel::ShootingPanel(Session *session, QWidget *parent) : QWidget(parent), m_session(session)
{
    setObjectName(QStringLiteral("shootingPanel"));
    m_form = new QFormLayout(this);
    m_form->setHorizontalSpacing(14);
    m_form->setVerticalSpacing(2);
    connect(&session->viewing(), &Viewing::shownChanged, this, [this](ChoiceParts parts) {
        if (parts == kAllParts)
            showContents();
    });
    showContents();
}

QString ShootingPanel::text() const
{
    QStringList all;
    for (const auto &[name, value] : m_lines)
        all << name + QStringLiteral(": ") + value;
    return all.join(u'\n');
}

void ShootingPanel::showContents()
{
    while (m_form->rowCount() > 0)
        m_form->removeRow(0);
    m_lines.clear();
    const RollFrame *f = m_session->viewing().readyFrame();
    if (!f)
        return;
    const ShootingData &s = f->frame->shooting;
    const auto add = [this](const QString &name, const QString &value) {
        if (!value.trimmed().isEmpty())
            m_lines.append({name, value});
    };
    const auto text = [](const std::string &v) { return QString::fromStdString(v); };
    add(tr("file"), text(f->frame->file.filename().string()));
    add(tr("camera"), text(s.make + " " + s.model));
    add(tr("lens"), text(s.lens));
    add(tr("taken"), dateWords(s.dateTime));
    add(tr("ISO"), s.iso > 0 ? QString::number(s.iso) : QString());
    add(tr("shutter"), s.exposureS <= 0 ? QString() : s.exposureS < 0.4 ? tr("1/%1 s").arg(qRound(1 / s.exposureS))
                                                                        : tr("%1 s").arg(s.exposureS));
    add(tr("aperture"), s.fNumber > 0 ? tr("f/%1").arg(s.fNumber) : QString());
    add(tr("focal length"), s.focalLengthMm > 0 ? tr("%1 mm").arg(s.focalLengthMm) : QString());
    add(tr("size"), tr("%1 x %2 pixels").arg(f->pictureSize().width()).arg(f->pictureSize().height()));
    add(tr("depth"), tr("%1 bits").arg(s.bitDepth));
    add(tr("pattern"), text(f->frame->pattern));
    add(tr("grain"), tr("%1 % of the mid-tone").arg(100 * double(f->noise->luminanceNoise), 0, 'f', 1));
    add(tr("colour noise"), tr("%1 %").arg(100 * double(f->noise->colourNoise), 0, 'f', 1));
    add(tr("noise law"), tr("variance %1 x signal + %2").arg(double(f->noise->cells[1].shotGain), 0, 'g', 3).arg(double(f->noise->cells[1].readVariance), 0, 'g', 3));
    add(tr("certainty"), text(f->noise->confidenceReason));
    for (const std::string &warning : f->frame->warnings)
        add(tr("note"), text(warning));
    for (const auto &[name, value] : m_lines) {
        auto *label = new QLabel(value);
        label->setWordWrap(true);
        label->setTextInteractionFlags(Qt::TextSelectableByMouse);
        m_form->addRow(name, label);
    }
}

} // namespace irenic
