// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

namespace irenic {

/// Reads a photograph: raw files of two-by-two and six-by-six sensors, full-colour raws, DNGs of every kind (docs/formats.md), and pictures
/// (TIFF, JPEG, PNG, JPEG XL, HEIF, AVIF). Fails with NotFound, NotAPicture (no picture that can be read), Damaged (missing, cut off, contradictory) or
/// Unsupported (a layout that this version does not know); every message names the file.
Result<std::shared_ptr<const Frame>> readFrame(const std::filesystem::path &file, const RunContext &run = {});

/// Photographs of a folder by their names, sorted; not searched deeper. Where there are raw files, they alone: pictures beside them
/// are their renditions.
Result<std::vector<std::filesystem::path>> photographsIn(const std::filesystem::path &folder);

bool looksLikeRaw(const std::filesystem::path &file);  ///< by its ending
bool looksRendered(const std::filesystem::path &file); ///< likewise: TIFF, JPEG, PNG, JPEG XL, HEIF or AVIF
std::vector<std::string> readableCameras();            ///< whose own raw files this build's LibRaw reads, by name; DNGs of any other camera are read, too
std::string rawLibraryVersion();                       ///< of LibRaw

} // namespace irenic
