// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "view/tones.h"

#include <QtCharts/QChartView>

class QLogValueAxis;
class QValueAxis;

namespace irenic {

/// A line plot with axes, units and a legend, whose values can be read by pointing at them. Lines differ by stroke, not by colour
/// alone.
class Plot : public QChartView
{
    Q_OBJECT
public:
    struct Line {
        QString name;
        QList<QPointF> points;
        Qt::PenStyle stroke = Qt::SolidLine;
        QColor colour;       ///< invalid: the ink
        bool marked = false; ///< points are drawn
        double widthPx = 1.6;
    };

    /// @param logarithmic of the upright axis
    Plot(const QString &across, const QString &up, bool logarithmic, QWidget *parent = nullptr);
    void setTones(const Tones &tones);
    void setLines(const QList<Line> &lines);
    const QList<Line> &lines() const { return m_lines; }
    QSize sizeHint() const override { return {320, 220}; }

private:
    void fitAxes();

    QAbstractAxis *m_across, *m_up;
    bool m_logarithmic;
    QList<Line> m_lines;
    Tones m_tones = Tones::of(Tones::Wall::Mid);
};

} // namespace irenic
