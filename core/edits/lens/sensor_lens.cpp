// SPDX-License-Identifier: GPL-3.0-or-later
#include "lens/sensor_lens.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kLobes = 3;
constexpr int kSteps = 256; ///< of the radius, for the halo: a polynomial of the fifth degree hardly moves between two

float lanczos(float x)
{
    constexpr float pi = 3.14159265358979f;
    if (std::abs(x) < 1e-6f)
        return 1;
    if (std::abs(x) >= kLobes)
        return 0;
    return kLobes * std::sin(pi * x) * std::sin(pi * x / kLobes) / (pi * pi * x * x);
}

} // namespace

LensGeometry::LensGeometry(const Rect &crop) : x(crop.x + crop.width / 2.0), y(crop.y + crop.height / 2.0), unit(std::max(1.0, std::hypot(crop.width, crop.height) / 2)) {}

SensorLens::SensorLens(const LensCorrection &lens, const FrameFacts &frame) : m_lens(lens), m_cfa(frame.cfa)
{
    const LensGeometry g(frame.crop);
    m_x = g.x;
    m_y = g.y;
    m_unit = g.unit;
    if (!lens.lateral)
        return;
    // Radii are of the crop; samples are moved in all of the active area, which may reach far beyond it (crop modes of cameras).
    const Rect &a = frame.active;
    const double far = std::hypot(std::max(m_x - a.x, a.right() - m_x), std::max(m_y - a.y, a.bottom() - m_y)) / m_unit;
    double farthest = 0;
    for (int i = 0; i <= kSteps; ++i) {
        const double r = far * i / kSteps;
        for (const auto *p : {&lens.red, &lens.blue})
            farthest = std::max(farthest, std::min(std::abs(valueOf(*p, r) - 1), kMostSideways) * r * m_unit);
    }
    m_halo = int(std::ceil(farthest)) + (frame.kind == FrameKind::Mosaic ? 2 : 1) * kLobes + 2;
}

/// What a sample of red or blue would be, had its light not been bent aside.
float SensorLens::taken(const LinearTile &in, size_t plane, int x, int y, const LensCorrection::Polynomial &p) const
{
    const int step = in.isMosaic() ? 2 : 1;
    const double dx = x + 0.5 - m_x, dy = y + 0.5 - m_y;
    const double r = std::hypot(dx, dy) / m_unit, factor = std::clamp(valueOf(p, r) - 1, -kMostSideways, kMostSideways);
    const double ux = dx * factor / step, uy = dy * factor / step; // in samples of the colour
    const int i = int(std::floor(ux)), j = int(std::floor(uy));
    const float fx = float(ux - i), fy = float(uy - j);
    float wx[2 * kLobes], wy[2 * kLobes], sumX = 0, sumY = 0;
    for (int k = 0; k < 2 * kLobes; ++k) {
        sumX += wx[k] = lanczos(fx - float(k - kLobes + 1));
        sumY += wy[k] = lanczos(fy - float(k - kLobes + 1));
    }
    const PlaneView<float> from = in.planes[plane];
    float sum = 0;
    for (int v = 0; v < 2 * kLobes; ++v) {
        const float *row = from.row(y - in.where.y + step * (j + v - kLobes + 1)) + (x - in.where.x) + step * (i - kLobes + 1);
        float line = 0;
        for (int u = 0; u < 2 * kLobes; ++u)
            line += wx[u] * row[u * step];
        sum += wy[v] * line;
    }
    return sum / (sumX * sumY);
}

void SensorLens::apply(const LinearTile &in, Rect tile, const TilePlanes &out) const
{
    const int n = int(in.count);
    const int dx = tile.x - in.where.x, dy = tile.y - in.where.y;
    for (int y = 0; y < tile.height; ++y)
        for (int x = 0; x < tile.width; ++x) {
            float gain = 1;
            if (m_lens.vignetting) {
                const double px = tile.x + x + 0.5 - m_x, py = tile.y + y + 0.5 - m_y, r2 = (px * px + py * py) / (m_unit * m_unit);
                gain = float(1 / std::max(0.05, 1 + r2 * (m_lens.falloff[0] + r2 * (m_lens.falloff[1] + r2 * m_lens.falloff[2]))));
            }
            for (int c = 0; c < n; ++c) {
                const Colour colour = in.isMosaic() ? m_cfa.at(tile.x + x, tile.y + y) : Colour(c);
                const float v = m_lens.lateral && colour != Colour::Green ? taken(in, size_t(c), tile.x + x, tile.y + y, colour == Colour::Red ? m_lens.red : m_lens.blue)
                                                                          : in.planes[size_t(c)].row(y + dy)[x + dx];
                out[size_t(c)].row(y)[x] = v * gain;
            }
        }
}

} // namespace irenic
