// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

namespace irenic {

/// Stored numbers to linear signal and back, with the level pattern worked out once per frame.
/// Coordinates are those of Frame::samples. Keeps a reference to the frame.
class Linearizer
{
public:
    explicit Linearizer(const Frame &frame) : m_frame(frame)
    {
        const Levels &l = frame.levels;
        m_plain = l.repeatRows <= 2 && l.repeatCols <= 2 && l.deltaRow.empty() && l.deltaColumn.empty();
        const auto black = l.blackOfCell();
        for (int y = 0; y < 2; ++y)
            for (int x = 0; x < 2; ++x) {
                const float b = black[size_t(((x - frame.active.x) & 1) + 2 * ((y - frame.active.y) & 1))];
                m_black[y * 2 + x] = b;
                m_range[y * 2 + x] = l.white - b;
            }
    }
    float black(int x, int y) const
    {
        return m_plain ? m_black[(y & 1) * 2 + (x & 1)] : m_frame.levels.blackAt(x - m_frame.active.x, y - m_frame.active.y);
    }
    float range(int x, int y) const { return m_range[(y & 1) * 2 + (x & 1)]; }
    float linear(int x, int y) const { return (float(m_frame.samples.at(x, y)) - black(x, y)) / range(x, y); }

private:
    const Frame &m_frame;
    bool m_plain;
    float m_black[4];
    float m_range[4];
};

} // namespace irenic
