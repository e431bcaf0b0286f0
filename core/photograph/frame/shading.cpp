// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/shading.h"

#include "irenic/frame.h"

#include <cmath>

namespace irenic {

namespace {

/// Two neighbours on a grid of `points` and the share of the second.
struct Between {
    int first, second;
    float share;
    Between(double place, double origin, double spacing, int points)
    {
        const double at = spacing > 0 ? std::clamp((place - origin) / spacing, 0.0, double(points - 1)) : 0.0;
        first = int(at);
        second = std::min(first + 1, points - 1);
        share = float(at - first);
    }
};

float mapGain(const Shading::Map &m, const Between &v, const Between &h, int colour)
{
    const int plane = std::min(colour - m.plane, m.mapPlanes - 1);
    const auto at = [&](int row, int column) { return m.gains[(size_t(row) * size_t(m.columns) + size_t(column)) * size_t(m.mapPlanes) + size_t(plane)]; };
    const float top = at(v.first, h.first) + h.share * (at(v.first, h.second) - at(v.first, h.first));
    const float bottom = at(v.second, h.first) + h.share * (at(v.second, h.second) - at(v.second, h.first));
    return top + v.share * (bottom - top);
}

double radialGain(const Shading::Radial &radial, const Rect &active, PixelAt p)
{
    const double cx = radial.x * active.width, cy = radial.y * active.height;
    const double farX = std::max(cx, active.width - cx), farY = std::max(cy, active.height - cy);
    const double dx = p.x - active.x + 0.5 - cx, dy = p.y - active.y + 0.5 - cy;
    const double r2 = (dx * dx + dy * dy) / (farX * farX + farY * farY);
    double sum = 0;
    for (size_t i = 5; i-- > 0;)
        sum = (sum + radial.k[i]) * r2;
    return 1 + sum;
}

} // namespace

float Shading::gainAt(PixelAt p, int colour, bool isMosaic) const
{
    float gain = 1;
    for (const Map &m : m_maps) {
        const int channel = isMosaic && !m.ofColours ? 0 : colour;
        if (p.x < m.area.x || p.y < m.area.y || p.x >= m.area.right() || p.y >= m.area.bottom() || (p.y - m.area.y) % m.rowPitch != 0 || (p.x - m.area.x) % m.columnPitch != 0
            || channel < m.plane || channel >= m.plane + m.planes)
            continue;
        const Between v((p.y - m_active.y + 0.5) / m_active.height, m.originV, m.spacingV, m.rows), h((p.x - m_active.x + 0.5) / m_active.width, m.originH, m.spacingH, m.columns);
        gain *= mapGain(m, v, h, channel);
    }
    for (const Radial &radial : m_radials)
        gain *= float(radialGain(radial, m_active, p));
    return gain;
}

void Shading::multiply(float *samples, int count, PixelAt corner, const CfaPattern *cfa) const
{
    const auto inside = [](int i, int from, int size) { return from + mirrored(i - from, size); };
    const int y = inside(corner.y, m_active.y, m_active.height), channels = cfa ? 1 : 3;
    for (const Map &m : m_maps) {
        // As gainAt(), but for what a row has in common.
        if (y < m.area.y || y >= m.area.bottom() || (y - m.area.y) % m.rowPitch != 0)
            continue;
        const Between v((y - m_active.y + 0.5) / m_active.height, m.originV, m.spacingV, m.rows);
        for (int i = 0; i < count; ++i) {
            const int x = inside(corner.x + i, m_active.x, m_active.width);
            if (x < m.area.x || x >= m.area.right() || (m.columnPitch > 1 && (x - m.area.x) % m.columnPitch != 0))
                continue;
            const Between h((x - m_active.x + 0.5) / m_active.width, m.originH, m.spacingH, m.columns);
            for (int c = 0; c < channels; ++c) {
                const int channel = !cfa ? c : m.ofColours ? int(cfa->at(i, 0))
                                                           : 0;
                if (channel >= m.plane && channel < m.plane + m.planes)
                    samples[channels * i + c] *= mapGain(m, v, h, channel);
            }
        }
    }
    for (const Radial &radial : m_radials)
        for (int i = 0; i < count; ++i) {
            const auto gain = float(radialGain(radial, m_active, {inside(corner.x + i, m_active.x, m_active.width), y}));
            for (int c = 0; c < channels; ++c)
                samples[channels * i + c] *= gain;
        }
}

double DescribedWarp::source(double r, size_t colour) const
{
    const auto &k = planes[std::min(colour, planes.size() - 1)];
    if (isFisheye) {
        const double t = std::atan(r), t2 = t * t;
        return t * (k[0] + t2 * (k[1] + t2 * (k[2] + t2 * k[3])));
    }
    const double r2 = r * r;
    return r * (k[0] + r2 * (k[1] + r2 * (k[2] + r2 * k[3])));
}

} // namespace irenic
