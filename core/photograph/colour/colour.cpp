// SPDX-License-Identifier: GPL-3.0-or-later
#include "colour/colour.h"

#include <cmath>

namespace irenic {

namespace {

constexpr Chromaticity kD50{0.3457, 0.3585};
constexpr Chromaticity kD65{0.3127, 0.3290};
constexpr Matrix3 kBradford{0.8951, 0.2664, -0.1614, -0.7502, 1.7135, 0.0367, 0.0389, -0.0685, 1.0296};

Matrix3 mixed(const Matrix3 &a, const Matrix3 &b, double shareOfB)
{
    Matrix3 m;
    for (size_t i = 0; i < 9; ++i)
        m[i] = a[i] * (1 - shareOfB) + b[i] * shareOfB;
    return m;
}

/// Share of the second illuminant at a temperature: linear in inverse temperature between the two.
double shareOfSecond(const ColourDescription &c, double kelvin)
{
    const double t1 = temperatureOfIlluminant(c.illuminants[0]), t2 = temperatureOfIlluminant(c.illuminants[1]);
    if (t1 <= 0 || t2 <= 0 || t1 == t2)
        return 0;
    return std::clamp((1 / kelvin - 1 / t1) / (1 / t2 - 1 / t1), 0.0, 1.0);
}

template <class T>
T atWhite(const std::array<std::optional<T>, 2> &pair, double share, const T &otherwise)
{
    if (pair[0] && pair[1])
        return mixed(*pair[0], *pair[1], share);
    return pair[0] ? *pair[0] : pair[1] ? *pair[1]
                                        : otherwise;
}

} // namespace

Matrix3 multiplied(const Matrix3 &a, const Matrix3 &b)
{
    Matrix3 m{};
    for (size_t r = 0; r < 3; ++r)
        for (size_t c = 0; c < 3; ++c)
            m[r * 3 + c] = a[r * 3] * b[c] + a[r * 3 + 1] * b[3 + c] + a[r * 3 + 2] * b[6 + c];
    return m;
}

Vector3 multiplied(const Matrix3 &m, const Vector3 &v)
{
    return {m[0] * v[0] + m[1] * v[1] + m[2] * v[2], m[3] * v[0] + m[4] * v[1] + m[5] * v[2], m[6] * v[0] + m[7] * v[1] + m[8] * v[2]};
}

Matrix3 diagonal(const Vector3 &v)
{
    return {v[0], 0, 0, 0, v[1], 0, 0, 0, v[2]};
}

Matrix3 inverted(const Matrix3 &m)
{
    const double c0 = m[4] * m[8] - m[5] * m[7], c1 = m[5] * m[6] - m[3] * m[8], c2 = m[3] * m[7] - m[4] * m[6];
    const double det = m[0] * c0 + m[1] * c1 + m[2] * c2;
    if (std::abs(det) < 1e-12)
        return kIdentity;
    return {c0 / det, (m[2] * m[7] - m[1] * m[8]) / det, (m[1] * m[5] - m[2] * m[4]) / det,
            c1 / det, (m[0] * m[8] - m[2] * m[6]) / det, (m[2] * m[3] - m[0] * m[5]) / det,
            c2 / det, (m[1] * m[6] - m[0] * m[7]) / det, (m[0] * m[4] - m[1] * m[3]) / det};
}

Vector3 xyzOf(Chromaticity c)
{
    return {c.x / c.y, 1, (1 - c.x - c.y) / c.y};
}

double colourTemperature(Chromaticity c)
{
    const double n = (c.x - 0.3320) / (0.1858 - c.y);
    return std::clamp(((449 * n + 3525) * n + 6823.3) * n + 5520.33, 1500.0, 40000.0);
}

double temperatureOfIlluminant(int exifCode)
{
    switch (exifCode) {
    case 3:
    case 17: return 2856; // tungsten, standard light A
    case 24: return 3200; // studio tungsten
    case 2:
    case 14: return 4200; // fluorescent, cool white
    case 12: return 6400;
    case 13: return 5000;
    case 15: return 3450;
    case 18: return 4874; // standard light B
    case 19: return 6774; // standard light C
    case 1:
    case 4:
    case 9:
    case 20: return 5500; // daylight, flash, fine weather, D55
    case 10:
    case 21: return 6504; // cloudy, D65
    case 11:
    case 22: return 7504; // shade, D75
    case 23: return 5003; // D50
    default: return 0;
    }
}

Matrix3 xyzToCamera(const ColourDescription &colour, Chromaticity white)
{
    const double share = shareOfSecond(colour, colourTemperature(white));
    const Matrix3 cm = atWhite(colour.colourMatrix, share, inverted(kSrgbToXyz));
    const Matrix3 cc = atWhite(colour.cameraCalibration, share, kIdentity);
    return multiplied(diagonal(colour.analogBalance), multiplied(cc, cm));
}

Chromaticity whiteOf(const ColourDescription &colour)
{
    Chromaticity white = kD50;
    for (int round = 0; round < 30; ++round) {
        const Vector3 xyz = multiplied(inverted(xyzToCamera(colour, white)), colour.asShotNeutral);
        const double sum = xyz[0] + xyz[1] + xyz[2];
        // A neutral that no light can have: daylight is the least surprising answer.
        if (!(sum > 0) || !(xyz[1] > 0) || !(xyz[0] > 0))
            return kD65;
        const Chromaticity next{xyz[0] / sum, xyz[1] / sum};
        const bool settled = std::abs(next.x - white.x) + std::abs(next.y - white.y) < 1e-7;
        white = next;
        if (settled)
            break;
    }
    return white;
}

Matrix3 adaptation(Chromaticity from, Chromaticity to)
{
    const Vector3 a = multiplied(kBradford, xyzOf(from)), b = multiplied(kBradford, xyzOf(to));
    const Vector3 ratio{std::clamp(b[0] / a[0], 0.1, 10.0), std::clamp(b[1] / a[1], 0.1, 10.0), std::clamp(b[2] / a[2], 0.1, 10.0)};
    return multiplied(inverted(kBradford), multiplied(diagonal(ratio), kBradford));
}

CameraToSrgb cameraToSrgb(const ColourDescription &colour)
{
    CameraToSrgb result;
    const Vector3 &n = colour.asShotNeutral;
    const double largest = std::max({n[0], n[1], n[2]});
    result.balance = {largest / n[0], largest / n[1], largest / n[2]};
    if (!colour.colourMatrix[0] && !colour.colourMatrix[1]) {
        result.matrix = kIdentity;
        return result;
    }
    const Chromaticity white = whiteOf(colour);
    // XYZ of balanced camera values, adapted from the scene's white straight to sRGB's D65.
    const Matrix3 cameraToXyz = multiplied(inverted(xyzToCamera(colour, white)), diagonal(n));
    Matrix3 m = multiplied(inverted(kSrgbToXyz), multiplied(adaptation(white, kD65), cameraToXyz));
    for (size_t r = 0; r < 3; ++r) {
        const double sum = m[r * 3] + m[r * 3 + 1] + m[r * 3 + 2];
        if (!(std::abs(sum) > 1e-6)) { // a description that makes white black or nothing: shown as sRGB
            result.matrix = kIdentity;
            return result;
        }
        for (size_t c = 0; c < 3; ++c)
            m[r * 3 + c] /= sum;
    }
    result.matrix = m;
    return result;
}

} // namespace irenic
