// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/budget.h"
#include "base/input_file.h"
#include "irenic/frame.h"
#include "raw/tiff_tree.h"

namespace irenic {

/// Turns the directories of a DNG into a Frame: checks them against DNG 1.4 and the file's size before any
/// sample is decoded, then decodes uncompressed samples (8 to 16 bits, packed or not) and lossless JPEG, in strips or
/// tiles, either byte order. LibRaw is not asked: it misreads tiled uncompressed files and some tilings of lossless
/// ones (a picture twice as wide as its tiles), and reports success where samples are missing.
Result<std::shared_ptr<const Frame>> readDng(const std::filesystem::path &file, const TiffTree &tree,
                                             const RunContext &run);

/// Raw files of other kinds, decoded and described by LibRaw.
Result<std::shared_ptr<const Frame>> readWithLibRaw(const std::filesystem::path &file, const RunContext &run);

/// Refuses samples that cannot be a photograph (constant, or half of the rows dead) and returns a warning
/// where only some rows are; empty where all is well. `perPixel` samples a pixel.
Result<std::string> judgeSamples(const std::filesystem::path &file, PlaneView<const uint16_t> active, int perPixel = 1);

bool isUsable(const Matrix3 &matrix); ///< finite, and tells three colours apart

std::string lowerEnding(const std::filesystem::path &file); ///< ".dng", whatever case the file has it in

} // namespace irenic
