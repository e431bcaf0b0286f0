// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

namespace irenic {

/// The meaning of a rendered picture's numbers by its ICC profile (RGB, or grey where `channels` is 1); sRGB without one.
/// Where the profile is more than curves and a matrix, or cannot be read, the curves of the answer are empty.
Encoding encodingOf(const std::vector<uint8_t> &profile, int channels);

/// Converts interleaved RGB samples from a profile to sRGB, in place, relative colorimetric; false where that cannot be done.
bool convertToSrgb(const std::vector<uint8_t> &profile, Plane<uint16_t> &samples);

} // namespace irenic
