// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "panels/wall.h"

namespace irenic {

/// What the pointer does on the wall to the part of a region that is chosen: paints it and takes away from it, draws its line, or picks its colour.
class RegionTool : public QObject
{
    Q_OBJECT
public:
    struct Brush {
        double radiusPx = 60, hardness = 0.5, flow = 1;
    };
    RegionTool(Session *session, Wall *wall, QObject *parent);

    void setPart(const std::optional<MaskPart::Kind> &kind); ///< nothing: none is chosen, or none is seen
    void takeUp();                                           ///< what that part is made with; it was added just now
    void layDown();                                          ///< brush and picker
    void setBrush(const Brush &brush);
    void setPainting(bool painting, bool erasing = false);
    void setPicking(bool picking);
    bool isPainting() const { return m_painting; }
    bool isErasing() const { return m_painting && m_erasing; }
    bool isPicking() const { return m_picking; }

signals:
    void changed();                             ///< which of these it does
    void stroked(const irenic::Stroke &stroke); ///< all in stored coordinates
    void lined(irenic::StrokePoint from, irenic::StrokePoint to);
    void picked(irenic::StrokePoint at);

private:
    void begin(QPointF at, double pressure);
    void move(QPointF at, double pressure);
    void end();
    void apply(bool asked = false);

    Session *m_session;
    Wall *m_wall;
    std::optional<MaskPart::Kind> m_kind;
    Brush m_brush;
    bool m_painting = false, m_erasing = false, m_picking = false;
    std::vector<StrokePoint> m_points; ///< of the stroke being made
};

} // namespace irenic
