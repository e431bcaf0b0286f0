// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/read_frame.h"

namespace irenic {

/// A rendition of a frame made elsewhere, laid over it for viewing.
struct Guest {
    std::filesystem::path file;
    /// The rendition on the grid of the upright reference, FrameKind::Rendered in sRGB, matched in exposure and white balance; mid
    /// grey where the rendition has nothing. To be shown untreated.
    std::shared_ptr<const Frame> matched;
    double scale = 1;                       ///< pixels of the reference per pixel of the rendition
    int dx = 0, dy = 0;                     ///< where the rendition's corner lies in the upright reference
    double exposureEv = 0;                  ///< by how much the rendition was lifted for viewing
    std::array<double, 3> balance{1, 1, 1}; ///< further gains of red, green, blue; green is 1
    double likeness = 0;                    ///< correlation of the two, 1 is the same picture
    std::string words;                      ///< what was done to match it, in a sentence
};

/// Reads and matches a TIFF, JPEG, PNG or DNG that shows the same frame: the same size, scaled, or cropped, its corner anywhere
/// that keeps it inside the frame or at most kMostShiftPx beyond.
/// Fails as readFrame() does, with Unsupported where it does not look like the frame (kLeastLikeness) or memory does not do to match it, or Cancelled.
Result<Guest> readGuest(const std::filesystem::path &file, const std::shared_ptr<const Frame> &reference, const RunContext &run = {});

inline constexpr size_t kGuestBytesAPixel = 60; ///< of the reference, that matching takes at its peak; a matched guest keeps six
inline constexpr int kMostShiftPx = 64;
inline constexpr double kLeastLikeness = 0.5;

} // namespace irenic
