// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/clean.h"
#include "irenic/readings.h"

#include <filesystem>

namespace irenic {

enum class ExportFormat {
    Dng, ///< cleaned sensor samples, or a linear DNG where the frame is full colour already: still raw. Not for finished pictures
    Tiff, ///< rendered, 16 bits, sRGB with its profile embedded; a finished picture stays in its own encoding and profile
    Jpeg, ///< a proof of the same in 8 bits, dithered; colour at full size
    Png   ///< likewise, lossless
};
inline constexpr std::array kExportFormats{ExportFormat::Dng, ExportFormat::Tiff, ExportFormat::Jpeg, ExportFormat::Png};

const char *formatName(ExportFormat format);  ///< "dng", "tiff", "jpeg", "png"
const char *formatEnding(ExportFormat format); ///< ".dng", ".tif", ".jpg", ".png"
std::optional<ExportFormat> formatFromName(const std::string &name);
ExportFormat naturalFormat(const Frame &frame); ///< DNG, but TIFF for what is not raw

/// A file name from a template: {name} the source's name without its ending, {method}, {luminance}, {colour}, {iso},
/// {date} (YYYYMMDD). BadParameter where a brace holds anything else or the name would hold a slash.
Result<std::string> expandName(const std::string &nameTemplate, const Frame &frame, const Treatment &treatment);
inline constexpr const char *kDefaultNameTemplate = "{name}-clean";

/// The first of folder/name.ending, folder/name-2.ending, ... that is not taken.
std::filesystem::path freeName(const std::filesystem::path &folder, const std::string &name, ExportFormat format);

struct ExportReport {
    std::filesystem::path file;
    uint64_t bytes = 0;
    double seconds = 0;
};

/// Cleans a whole frame and writes it. The file appears under its name only after it was closed, opened again,
/// decoded and compared with what was meant; an existing file is never replaced, so no original can be.
/// A DNG keeps every tag of a DNG source that still holds; picture layout, levels (times a whole factor), noise tags and
/// preview are new. Fails with WriteFailed, Cancelled, or what reading back found; then nothing is left behind.
Result<ExportReport> exportCleaned(const Cleaner &cleaner, const NoiseReport &noise, const std::filesystem::path &target,
                                   ExportFormat format, const RunContext &run = {});

} // namespace irenic
