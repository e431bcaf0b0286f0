// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <array>
#include <cstdint>
#include <memory>
#include <string>
#include <vector>

namespace irenic {

/// Colours of sRGB to the numbers that a screen of an ICC profile must get to show them: relative colorimetric, with black-point compensation (LittleCMS), in
/// sixteen bits, dithered to eight. Immutable, from any thread.
class ScreenTransform
{
public:
    /// Unsupported where the profile cannot be read or is not one of an RGB screen.
    static Result<std::shared_ptr<const ScreenTransform>> from(const std::vector<uint8_t> &profile);
    ~ScreenTransform();

    const std::string &name() const { return m_name; } ///< the profile's description
    /// One row of linear sRGB, three floats a pixel (cut off at 0 and 1), to three bytes a pixel.
    /// @param x,y of the first pixel: the dither's pattern is the same for the same place
    void showRow(const float *linear, int count, int x, int y, uint8_t *out) const;
    /// Encoded sRGB of eight bits, without dither: for the greys of the interface and for small pictures.
    std::array<uint8_t, 3> shown(std::array<uint8_t, 3> srgb) const;
    void showEncoded(const uint8_t *srgb, int count, uint8_t *out) const;

private:
    ScreenTransform() = default;
    bool hasCurves() const { return !m_curves[0].empty(); }
    void *m_transform = nullptr; ///< cmsHTRANSFORM of 16 bits, which evaluates every stage: tables that LittleCMS makes beforehand are up to five steps off in the dark
    /// Of profiles that are curves and a matrix, the same ten times as fast: linear sRGB to the screen's, and encoded values over the square root of linear ones.
    std::array<float, 9> m_matrix{};
    std::array<std::vector<float>, 3> m_curves;
    std::string m_name;
};

} // namespace irenic
