// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "raw/tiff_tree.h"

namespace irenic {

/// Exif, GPS, description and XMP of a file that is no DNG, as entries of one. Maker notes stay behind: they hold offsets into their own
/// file. Adds nothing where the file's metadata cannot be read.
void addForeignMetadata(const std::filesystem::path &file, TiffDirectory &main);

} // namespace irenic
