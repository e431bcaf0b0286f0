// SPDX-License-Identifier: GPL-3.0-or-later
#include "panels/region_tool.h"

#include "jobs/mask_renderer.h"

#include <cmath>

namespace irenic {

RegionTool::RegionTool(Session *session, Wall *wall, QObject *parent) : QObject(parent), m_session(session), m_wall(wall)
{
    connect(wall, &Wall::strokeBegan, this, &RegionTool::begin);
    connect(wall, &Wall::strokeMoved, this, &RegionTool::move);
    connect(wall, &Wall::strokeEnded, this, &RegionTool::end);
    connect(wall, &Wall::placePicked, this, [this](QPoint at, const void *owner) {
        const RollFrame *f = m_session->viewing().readyFrame();
        if (owner != this || !m_picking || !f)
            return;
        setPicking(false);
        emit picked(storedPoint(*f, QPointF(at) + QPointF(0.5, 0.5)));
    });
}

void RegionTool::setPart(const std::optional<MaskPart::Kind> &kind)
{
    m_kind = kind;
    apply();
}

void RegionTool::takeUp()
{
    m_erasing = false;
    m_painting = m_kind == MaskPart::Kind::Painted;
    m_picking = m_kind == MaskPart::Kind::Colour;
    apply(true);
}

void RegionTool::layDown()
{
    m_painting = m_erasing = m_picking = false;
    apply();
}

void RegionTool::setBrush(const Brush &brush)
{
    m_brush = brush;
    apply();
}

void RegionTool::setPainting(bool painting, bool erasing)
{
    m_painting = painting;
    m_erasing = painting && erasing;
    apply(true);
}

void RegionTool::setPicking(bool picking)
{
    m_picking = picking;
    apply(true);
}

/// @param asked for just now; a gradient's line is there by itself, and waits while something else has the pointer
void RegionTool::apply(bool asked)
{
    m_painting = m_painting && m_kind == MaskPart::Kind::Painted;
    m_picking = m_picking && m_kind == MaskPart::Kind::Colour;
    const PaneTool tool = m_painting ? PaneTool::Brush : m_picking                        ? PaneTool::Pick
                                                     : m_kind == MaskPart::Kind::Gradient ? PaneTool::Line
                                                                                          : PaneTool::Move;
    if (tool == PaneTool::Move)
        m_wall->leaveTool(this);
    else
        m_wall->claimTool({this, tool, m_brush.radiusPx}, asked && tool != PaneTool::Line);
    emit changed();
}

void RegionTool::begin(QPointF at, double pressure)
{
    const RollFrame *f = m_session->viewing().readyFrame();
    m_points.clear();
    if (!f || !m_kind)
        return;
    if (m_brush.radiusPx < 1) // one pixel, and not parts of four
        at = QPointF(std::floor(at.x()) + 0.5, std::floor(at.y()) + 0.5);
    m_points.push_back(storedPoint(*f, at, pressure));
}

void RegionTool::move(QPointF at, double pressure)
{
    if (const RollFrame *f = m_session->viewing().readyFrame(); f && !m_points.empty())
        m_points.push_back(storedPoint(*f, at, pressure));
}

void RegionTool::end()
{
    if (m_points.empty() || !m_kind)
        return;
    std::vector<StrokePoint> points = std::exchange(m_points, {});
    if (m_kind == MaskPart::Kind::Painted) {
        emit stroked({float(m_brush.radiusPx), float(m_brush.hardness), float(m_brush.flow), m_erasing, std::move(points)});
    } else if (m_kind == MaskPart::Kind::Gradient && points.size() > 1) {
        points.front().pressure = points.back().pressure = 1;
        emit lined(points.front(), points.back());
    }
}

} // namespace irenic
