// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "frame/luminance.h"
#include "irenic/lens.h"

namespace irenic {

/// Undoes what a lens did to single samples: lateral chromatic aberration, by moving red and blue samples (Lanczos interpolation among
/// samples of the colour), and vignetting, by gain.
class SensorLens
{
public:
    SensorLens(const LensCorrection &lens, const FrameFacts &frame);
    int haloPx() const { return m_halo; }
    /// @param in  covers `tile` with at least haloPx() on each side
    /// @param out as many planes, of the tile
    void apply(const LinearTile &in, Rect tile, const TilePlanes &out) const;

private:
    float taken(const LinearTile &in, size_t plane, int x, int y, const LensCorrection::Polynomial &p) const;
    LensCorrection m_lens;
    CfaPattern m_cfa;
    double m_x, m_y, m_unit;
    int m_halo = 0;
};

/// Of the radius: no lens moves a colour farther, and a polynomial that was fitted to the crop says nothing far beyond it.
inline constexpr double kMostSideways = 0.02;

/// Middle and unit of the radii of a crop, in stored pixels.
struct LensGeometry {
    double x, y, unit;
    explicit LensGeometry(const Rect &crop);
};

inline double valueOf(const LensCorrection::Polynomial &p, double r)
{
    return p[0] + r * (p[1] + r * (p[2] + r * (p[3] + r * p[4])));
}

} // namespace irenic
