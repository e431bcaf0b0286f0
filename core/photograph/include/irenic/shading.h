// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <array>
#include <vector>

namespace irenic {

struct CfaPattern;

/// Uneven light that a file describes, and by what linear samples are to be multiplied where the picture is looked at (DNG 1.4, chapter 7, GainMap and
/// FixVignetteRadial). Samples that stay sensor samples keep it as a description. Immutable.
class Shading
{
public:
    /// Gains on a grid over the active area, bilinear between its points, constant beyond them.
    struct Map {
        Rect area;                                ///< where it counts; stored pixels
        int plane = 0, planes = 1;                ///< of colours, the first and how many; 0 and 1 of a mosaic
        int rowPitch = 1, columnPitch = 1;        ///< counted from the area's corner
        int rows = 1, columns = 1, mapPlanes = 1; ///< of the grid; the last plane stands for all that follow
        double originV = 0, originH = 0;          ///< of the first point, in heights and widths of the active area
        double spacingV = 1, spacingH = 1;        ///< likewise
        std::vector<float> gains;                 ///< rows x columns x mapPlanes
        bool ofColours = false;                   ///< to be applied after demosaicing: of a mosaic, by the colour of each sample
        bool operator==(const Map &) const = default;
    };
    /// 1 + k0 r^2 + k1 r^4 + ... + k4 r^10; r is 1 in the corner that is farthest from the centre.
    struct Radial {
        std::array<double, 5> k{};
        double x = 0.5, y = 0.5; ///< of the centre, in widths and heights of the active area
        bool operator==(const Radial &) const = default;
    };

    explicit Shading(const Rect &active) : m_active(active) {}
    void add(Map map) { m_maps.push_back(std::move(map)); }
    void add(const Radial &radial) { m_radials.push_back(radial); }
    bool isEmpty() const { return m_maps.empty() && m_radials.empty(); }
    bool operator==(const Shading &) const = default;

    /// Multiplies linear samples of `count` pixels of one row; places beyond the active area count as mirrored at its border.
    /// @param samples one a pixel of a mosaic, three otherwise
    /// @param corner  of the first pixel, in stored pixels
    /// @param cfa     of a mosaic: pattern at the first pixel; null where there are three colours a pixel
    void multiply(float *samples, int count, PixelAt corner, const CfaPattern *cfa) const;
    float gainAt(PixelAt place, int colour, bool isMosaic) const; ///< of one sample

private:
    Rect m_active;
    std::vector<Map> m_maps;
    std::vector<Radial> m_radials;
};

/// Lines that a file says the lens bent, to be taken from elsewhere after demosaicing (DNG 1.4, chapter 7, WarpRectilinear and WarpFisheye).
struct DescribedWarp {
    bool isFisheye = false;
    std::vector<std::array<double, 6>> planes; ///< kr0 to kr3, kt0, kt1 of every colour, or of all
    double x = 0.5, y = 0.5;                   ///< of the centre, in widths and heights of the active area
    bool operator==(const DescribedWarp &) const = default;
    /// Where light of a colour that belongs at `r` fell, without the tangential part; 1 is the corner that is farthest from the centre.
    double source(double r, size_t colour) const;
};

} // namespace irenic
