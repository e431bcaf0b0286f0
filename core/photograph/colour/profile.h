// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

namespace irenic {

/// The meaning of a rendered picture's numbers by its ICC profile (RGB, or grey where `channels` is 1); sRGB without one.
/// Where the profile is more than curves and a matrix, or cannot be read, the curves of the answer are empty.
Encoding encodingOf(const std::vector<uint8_t> &profile, int channels);

/// Converts interleaved RGB samples from a profile to sRGB, in place, relative colorimetric; false where that cannot be done.
bool convertToSrgb(const std::vector<uint8_t> &profile, Plane<uint16_t> &samples);

/// An ICC profile of a picture that tells its colours by code points of ITU-T H.273 (AVIF, HEIF): primaries 1 (BT.709), 9 (BT.2020) and 12 (P3 with D65), transfers
/// 1 and 6 (BT.709), 4 (a power of 2.2), 8 (linear) and 13 (sRGB). Empty for any other, such as those whose white has no fixed brightness.
std::vector<uint8_t> profileOfCodePoints(int primaries, int transfer);

} // namespace irenic
