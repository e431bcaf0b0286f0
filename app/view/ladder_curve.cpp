// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/ladder_curve.h"

#include <QPainter>

#include <algorithm>

namespace irenic {

namespace {

constexpr double kMarkPx = 4, kDotPx = 2.5, kEdgePx = 8;
constexpr double kLeastSpan = 0.5; ///< dB: smaller differences may look small

} // namespace

LadderCurve::LadderCurve(QWidget *parent) : QWidget(parent)
{
    setSizePolicy(QSizePolicy::Ignored, QSizePolicy::Fixed);
}

QSize LadderCurve::sizeHint() const
{
    return {200, 3 * fontMetrics().height() + 6};
}

void LadderCurve::setTones(const Tones &tones)
{
    m_tones = tones;
    update();
}

void LadderCurve::setPoints(const std::vector<std::optional<Point>> &points)
{
    m_points = points;
    update();
}

int LadderCurve::best() const
{
    int best = -1, known = 0;
    for (int i = 0; i < int(m_points.size()); ++i)
        if (const auto &p = m_points[size_t(i)]) {
            ++known;
            if (best < 0 || p->value > m_points[size_t(best)]->value)
                best = i;
        }
    return known < 2 ? -1 : best;
}

void LadderCurve::paintEvent(QPaintEvent *)
{
    QPainter p(this);
    p.fillRect(rect(), m_tones.paper);
    p.setPen(m_tones.paperFaint);
    const int chosen = best();
    if (chosen < 0) {
        p.drawText(rect().adjusted(8, 0, -8, 0), Qt::AlignLeft | Qt::AlignVCenter, tr("nearness: computing"));
        return;
    }
    double low = m_points[size_t(chosen)]->value, high = low;
    for (const auto &point : m_points)
        if (point)
            low = std::min(low, point->value);
    const double span = std::max(high - low, kLeastSpan);
    const auto at = [&](size_t i) {
        return QPointF((double(i) + 0.5) * width() / double(m_points.size()), kEdgePx + (high - m_points[i]->value) / span * (height() - 2 * kEdgePx));
    };
    p.setRenderHint(QPainter::Antialiasing);
    QPolygonF line;
    for (size_t i = 0; i < m_points.size(); ++i)
        if (m_points[i])
            line << at(i);
    p.setPen(QPen(m_tones.paperInk, 1.4));
    p.drawPolyline(line);
    p.setBrush(m_tones.paperInk);
    for (size_t i = 0; i < m_points.size(); ++i) {
        if (!m_points[i])
            continue;
        const QPointF c = at(i);
        if (int(i) == chosen)
            p.drawPolygon(QPolygonF({c + QPointF(0, -kMarkPx - 1), c + QPointF(kMarkPx + 1, 0), c + QPointF(0, kMarkPx + 1), c + QPointF(-kMarkPx - 1, 0)}));
        else
            p.drawEllipse(c, kDotPx, kDotPx);
    }
}

} // namespace irenic
