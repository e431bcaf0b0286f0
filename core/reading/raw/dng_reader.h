// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/budget.h"
#include "base/input_file.h"
#include "irenic/frame.h"
#include "raw/tiff_tree.h"

namespace irenic {

/// Turns the directories of a DNG into a Frame: checks them against DNG 1.0 to 1.7 and the file's size before any sample is decoded, then decodes what
/// decodeSamples() reads. Floats and integers of more than 16 bits are rounded to 16, with white as high as the brightest sample allows. Of several raw
/// pictures the main one is read and the others are named. What opcode lists describe: see takeDescribed(). LibRaw is not asked: it misreads tiled
/// uncompressed files and some tilings of lossless ones (a picture twice as wide as its tiles), and reports success where samples are missing.
Result<std::shared_ptr<const Frame>> readDng(const std::filesystem::path &file, const TiffTree &tree,
                                             const RunContext &run);

/// Raw files of other kinds, decoded and described by LibRaw; those with full colour at every place become linear frames.
Result<std::shared_ptr<const Frame>> readWithLibRaw(const std::filesystem::path &file, const RunContext &run);

/// Refuses samples that cannot be a photograph (constant, or half of the rows dead) and returns a warning
/// where only some rows are; empty where all is well. `perPixel` samples a pixel.
Result<std::string> judgeSamples(const std::filesystem::path &file, PlaneView<const uint16_t> active, int perPixel = 1);

bool isUsable(const Matrix3 &matrix); ///< finite, and tells three colours apart

std::string lowerEnding(const std::filesystem::path &file); ///< ".dng", whatever case the file has it in

} // namespace irenic
