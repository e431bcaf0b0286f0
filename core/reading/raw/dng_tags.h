// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "raw/tiff_tree.h"

#include <filesystem>

namespace irenic {

/// Holds every number of a directory that decides about the picture against its tag's range and count (TIFF 6.0, DNG 1.4): finite, and whole
/// where it counts or points. Everything that reads such a tag afterwards may rely on it. Refuses with Damaged, naming the tag.
Status checkNumbers(const std::filesystem::path &file, const TiffDirectory &directory);

} // namespace irenic
