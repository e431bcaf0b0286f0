// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

namespace irenic {

/// What can be shown of a photograph at once, before its samples are read: a small picture that the file carries, and how it was taken.
struct Glimpse {
    std::vector<uint8_t> jpeg; ///< empty where the file carries none; as stored, to be turned by `orientation`
    int orientation = 1;       ///< Exif orientation, 1..8
    ShootingData shooting;
};

inline constexpr size_t kLargestGlimpse = size_t(8) << 20; ///< bytes; a larger picture is not a quick one

/// @param leastLongEdgePx of the carried pictures the smallest that has it, or the largest below
/// Fails with NotFound, or Unsupported where no metadata can be read from the file; it may be readable all the same.
Result<Glimpse> glimpseOf(const std::filesystem::path &file, int leastLongEdgePx = 320);

} // namespace irenic
