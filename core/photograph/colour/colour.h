// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

namespace irenic {

Matrix3 multiplied(const Matrix3 &a, const Matrix3 &b);
Vector3 multiplied(const Matrix3 &m, const Vector3 &v);
Matrix3 diagonal(const Vector3 &v);
Matrix3 inverted(const Matrix3 &m); ///< the identity where there is no inverse

inline constexpr Matrix3 kIdentity{1, 0, 0, 0, 1, 0, 0, 0, 1};
/// Linear sRGB to CIE XYZ under its own white, D65 (IEC 61966-2-1).
inline constexpr Matrix3 kSrgbToXyz{0.4124564, 0.3575761, 0.1804375, 0.2126729, 0.7151522, 0.0721750, 0.0193339, 0.1191920, 0.9503041};

struct Chromaticity {
    double x = 0.3127;
    double y = 0.3290;
};
Vector3 xyzOf(Chromaticity c); ///< at Y = 1

/// Correlated colour temperature in kelvin (McCamy, Color Res. Appl. 17(2), 1992).
double colourTemperature(Chromaticity c);
/// Temperature of an Exif LightSource code; 0 where it has none.
double temperatureOfIlluminant(int exifCode);

/// The matrix from XYZ to camera for a white: the two colour matrices interpolated by inverse temperature
/// (DNG 1.4, chapter 6), with calibration and analog balance.
Matrix3 xyzToCamera(const ColourDescription &colour, Chromaticity white);

/// The white of the scene, found from the camera neutral by iteration (DNG 1.4, chapter 6).
Chromaticity whiteOf(const ColourDescription &colour);

/// Bradford adaptation from one white to another.
Matrix3 adaptation(Chromaticity from, Chromaticity to);

/// White-balanced camera values (neutral = 1, 1, 1; the channel that clips last also clips at 1) to linear sRGB.
struct CameraToSrgb {
    Vector3 balance; ///< what each channel is multiplied by; smallest is 1
    Matrix3 matrix;  ///< rows sum to 1, so neutral stays neutral
};
CameraToSrgb cameraToSrgb(const ColourDescription &colour);

} // namespace irenic
