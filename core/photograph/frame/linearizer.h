// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <algorithm>
#include <cmath>

namespace irenic {

/// Signals below black were stored as black: half of the noise there is missing.
inline bool isCutAtBlack(const Frame &frame)
{
    return frame.kind == FrameKind::Rendered || *std::min_element(frame.levels.black.begin(), frame.levels.black.end()) <= 0;
}

/// Stored numbers to linear signal and back, with the level pattern worked out once per frame.
/// Coordinates are those of Frame::samples. Keeps a reference to the frame.
class Linearizer
{
public:
    explicit Linearizer(const Frame &frame) : m_frame(frame), m_kind(frame.kind), m_encoding(frame.encoding.get())
    {
        const Levels &l = frame.levels;
        if (m_kind != FrameKind::Mosaic) {
            for (size_t c = 0; c < 3; ++c) {
                m_black[c] = l.black[std::min(c, l.black.size() - 1)];
                m_range[c] = l.white - m_black[c];
            }
            return;
        }
        m_plain = l.repeatRows <= 2 && l.repeatCols <= 2 && l.deltaRow.empty() && l.deltaColumn.empty();
        const auto black = l.blackOfCell();
        for (int y = 0; y < 2; ++y)
            for (int x = 0; x < 2; ++x) {
                const float b = black[size_t(((x - frame.active.x) & 1) + 2 * ((y - frame.active.y) & 1))];
                m_black[y * 2 + x] = b;
                m_range[y * 2 + x] = l.white - b;
            }
    }
    /// `channel` is 0 for a mosaic; red, green, blue otherwise.
    float black(int x, int y, int channel = 0) const
    {
        if (m_kind != FrameKind::Mosaic)
            return m_black[channel];
        return m_plain ? m_black[(y & 1) * 2 + (x & 1)] : m_frame.levels.blackAt(x - m_frame.active.x, y - m_frame.active.y);
    }
    float range(int x, int y, int channel = 0) const { return m_range[m_kind == FrameKind::Mosaic ? (y & 1) * 2 + (x & 1) : channel]; }
    float linear(int x, int y, int channel = 0) const
    {
        switch (m_kind) {
        case FrameKind::Linear: return (float(m_frame.samples.at(3 * x + channel, y)) - m_black[channel]) / m_range[channel];
        case FrameKind::Rendered: return m_encoding->decode[size_t(channel)][m_frame.samples.at(3 * x + channel, y)];
        default: return (float(m_frame.samples.at(x, y)) - black(x, y)) / range(x, y);
        }
    }
    /// The number that is stored for a linear value, its levels multiplied by `scale`.
    uint16_t stored(float linear, int x, int y, int channel, int scale) const
    {
        if (m_kind == FrameKind::Rendered)
            return m_encoding->encoded(linear, size_t(channel));
        return uint16_t(std::clamp(std::lround((linear * range(x, y, channel) + black(x, y, channel)) * float(scale)), 0l, 65535l));
    }

private:
    const Frame &m_frame;
    FrameKind m_kind;
    const Encoding *m_encoding;
    bool m_plain = true;
    float m_black[4]{};
    float m_range[4]{};
};

} // namespace irenic
