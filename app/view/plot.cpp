// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/plot.h"

#include <QtCharts/QChart>
#include <QtCharts/QLegend>
#include <QtCharts/QLineSeries>
#include <QtCharts/QLogValueAxis>
#include <QtCharts/QValueAxis>

#include <QGraphicsLayout>
#include <QToolTip>

#include <cmath>

namespace irenic {

Plot::Plot(const QString &across, const QString &up, bool logarithmic, QWidget *parent) : QChartView(parent), m_logarithmic(logarithmic)
{
    setFrameShape(QFrame::NoFrame);
    setRenderHint(QPainter::Antialiasing);
    setMinimumSize(220, 170);
    chart()->setMargins({2, 2, 2, 2});
    chart()->layout()->setContentsMargins(0, 0, 0, 0);
    chart()->setBackgroundRoundness(0);
    chart()->legend()->setAlignment(Qt::AlignBottom);
    chart()->legend()->setMarkerShape(QLegend::MarkerShapeFromSeries);
    auto *x = new QValueAxis;
    x->setLabelFormat(QStringLiteral("%d"));
    m_across = x;
    if (logarithmic) {
        auto *y = new QLogValueAxis;
        y->setBase(10);
        y->setLabelFormat(QStringLiteral("%g"));
        y->setMinorTickCount(-1);
        m_up = y;
    } else {
        auto *y = new QValueAxis;
        y->setLabelFormat(QStringLiteral("%g"));
        m_up = y;
    }
    m_across->setTitleText(across);
    m_up->setTitleText(up);
    chart()->addAxis(m_across, Qt::AlignBottom);
    chart()->addAxis(m_up, Qt::AlignLeft);
    setAccessibleName(tr("%1 against %2").arg(up, across));
    setTones(m_tones);
}

void Plot::setTones(const Tones &tones)
{
    m_tones = tones;
    setBackgroundBrush(tones.paper);
    chart()->setBackgroundBrush(tones.paper);
    chart()->legend()->setLabelColor(tones.paperInk);
    chart()->legend()->setFont(font());
    QColor grid = tones.paperInk;
    grid.setAlphaF(0.18f);
    for (QAbstractAxis *axis : {m_across, m_up}) {
        axis->setLabelsColor(tones.paperInk);
        axis->setTitleBrush(tones.paperInk);
        axis->setLinePen(QPen(tones.paperInk, 1));
        axis->setGridLinePen(QPen(grid, 1));
        axis->setMinorGridLineVisible(false);
        axis->setLabelsFont(font());
        axis->setTitleFont(font());
    }
    setLines(m_lines);
}

void Plot::setLines(const QList<Line> &lines)
{
    m_lines = lines;
    chart()->removeAllSeries();
    fitAxes();
    for (const Line &line : lines) {
        auto *series = new QLineSeries;
        series->setName(line.name);
        series->setPen(QPen(line.colour.isValid() ? line.colour : m_tones.paperInk, line.widthPx, line.stroke));
        series->setPointsVisible(line.marked);
        for (const QPointF &p : line.points)
            if (!m_logarithmic || p.y() > 0)
                series->append(p);
        chart()->addSeries(series);
        series->attachAxis(m_across);
        series->attachAxis(m_up);
        connect(series, &QLineSeries::hovered, this, [this, name = line.name](const QPointF &at, bool on) {
            if (on)
                QToolTip::showText(QCursor::pos(), tr("%1\n%2: %3\n%4: %5").arg(name, m_across->titleText()).arg(at.x(), 0, 'f', 1).arg(m_up->titleText()).arg(at.y(), 0, 'g', 3), this);
        });
    }
}

/// To whole numbers around what is there.
void Plot::fitAxes()
{
    double left = 1e9, right = -1e9, low = 1e9, high = -1e9;
    for (const Line &line : m_lines)
        for (const QPointF &p : line.points) {
            left = std::min(left, p.x());
            right = std::max(right, p.x());
            high = std::max(high, p.y());
            if (!m_logarithmic || p.y() > 0)
                low = std::min(low, p.y());
        }
    if (left > right || low > high)
        return;
    left = std::floor(left);
    right = std::max(left + 1, std::ceil(right));
    m_across->setRange(left, right);
    auto *x = static_cast<QValueAxis *>(m_across);
    x->setTickType(QValueAxis::TicksDynamic);
    x->setTickAnchor(0);
    x->setTickInterval(right - left > 8 ? 2 : 1);
    if (m_logarithmic)
        m_up->setRange(std::pow(10, std::floor(std::log10(low))), std::pow(10, std::ceil(std::log10(high))));
    else
        m_up->setRange(0, high * 1.05);
}

} // namespace irenic
