// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <filesystem>
#include <memory>

namespace Exiv2 {
class Image;
class ExifData;
} // namespace Exiv2

namespace irenic {

/// Of what exported files tell of themselves; see docs/exports.md.
inline constexpr const char *kProvenanceNamespace = "urn:irenic:provenance:1#", *kProvenancePrefix = "irenic";

/// Makes Exiv2's XMP safe between threads, and knows our namespace to it; may be called any number of times. Every use of Exiv2 begins here.
void prepareXmp();

/// A picture's metadata, read. Throws what Exiv2 throws, which may be more than its own classes: callers catch std::exception. A name that is no
/// plain file throws, too.
std::shared_ptr<Exiv2::Image> openMetadata(const std::filesystem::path &file);

/// How a picture was taken, as its Exif data says; empty and 0 where it does not.
ShootingData shootingOf(const Exiv2::ExifData &exif);
int orientationOf(const Exiv2::ExifData &exif); ///< 1..8

} // namespace irenic
