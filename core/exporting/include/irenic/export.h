// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/clean.h"
#include "irenic/document.h"
#include "irenic/readings.h"

#include <filesystem>
#include <span>

namespace irenic {

enum class ExportFormat {
    Dng,      ///< cleaned sensor samples, or a linear DNG where the frame is full colour already: still raw. Not for finished pictures
    Tiff,     ///< rendered; see ExportOptions
    Jpeg,     ///< a proof of the same in 8 bits, dithered; colour at full size
    Png,      ///< likewise, lossless
    LinearDng ///< demosaiced, in the camera's own colours: still raw, for programs that do not know the sensor's pattern
};
inline constexpr std::array kExportFormats{ExportFormat::Dng, ExportFormat::Tiff, ExportFormat::Jpeg, ExportFormat::Png, ExportFormat::LinearDng};

const char *formatName(ExportFormat format);   ///< "dng", "tiff", "jpeg", "png", "linear-dng"
const char *formatEnding(ExportFormat format); ///< ".dng", ".tif", ".jpg", ".png", ".dng"
std::optional<ExportFormat> formatFromName(const std::string &name);
ExportFormat naturalFormat(const Frame &frame); ///< DNG, but TIFF for what is not raw
inline bool isStillRaw(ExportFormat format) { return format == ExportFormat::Dng || format == ExportFormat::LinearDng; }

enum class DngCompression : uint8_t {
    None,
    LosslessJpeg, ///< which every reader of DNGs knows
    JpegXl,       ///< without loss, too; of DNG 1.7, which few read yet
};
enum class TiffCompression : uint8_t {
    None,
    Deflate,
    Lzw,
};
/// The encoding of rendered files, embedded as an ICC profile.
enum class OutputProfile : uint8_t {
    Own,   ///< sRGB; a finished picture that is not rendered again keeps its own numbers and its own profile
    Srgb,  ///< IEC 61966-2-1
    Wide,  ///< primaries of ITU-R BT.2020, the curve of sRGB
    Linear ///< the same primaries, linear
};
const char *compressionName(DngCompression compression);  ///< "none", "jpeg", "jpeg-xl"
const char *compressionName(TiffCompression compression); ///< "none", "deflate", "lzw"
const char *profileName(OutputProfile profile);           ///< "own", "srgb", "wide", "linear"
std::optional<DngCompression> dngCompressionFromName(const std::string &name);
std::optional<TiffCompression> compressionFromName(const std::string &name);
std::optional<OutputProfile> profileFromName(const std::string &name);

/// What kind of file is to be written. `dng` is of DNGs; the rest, but for the request, of rendered files.
struct ExportOptions {
    ExportOptions(ExportFormat f = ExportFormat::Dng) : format(f) {}
    ExportFormat format;
    DngCompression dng = DngCompression::LosslessJpeg;
    Rendering rendering;
    OutputProfile profile = OutputProfile::Own;
    int bits = 16; ///< of a TIFF: 8 (dithered), 16, or 32 (floating point)
    TiffCompression compression = TiffCompression::Deflate;
    double dpi = 300;
    std::string request;     ///< kept in the file's provenance
    std::string askedMethod; ///< likewise; empty where the very method that was asked for cleaned
    bool operator==(const ExportOptions &) const = default;
};
/// BadParameter, naming the option and its range.
Status validate(const ExportOptions &options);

/// What a name can hold beside the frame and its treatment.
struct NameParts {
    std::string trial; ///< its letter; empty where there is none
    int counter = 1;
};
/// A file name from a template: {name} the source's name without its ending, {trial}, {method}, {luminance}, {colour}, {iso},
/// {date} (YYYYMMDD), {counter} (four digits). BadParameter where a brace holds anything else or the name would hold a slash.
Result<std::string> expandName(const std::string &nameTemplate, const Frame &frame, const Treatment &treatment, const NameParts &parts = {});
inline constexpr const char *kDefaultNameTemplate = "{name}-clean";

/// The first of folder/name.ending, folder/name-2.ending, ... that is not taken.
std::filesystem::path freeName(const std::filesystem::path &folder, const std::string &name, ExportFormat format);

struct ExportReport {
    std::filesystem::path file;
    std::filesystem::path sidecar; ///< of the result; empty where the original has none
    uint64_t bytes = 0;
    double seconds = 0;
    std::string verified; ///< how, in words
};

/// Cleans a whole frame and writes it. The file appears under its name only after it was closed, opened again,
/// decoded and compared with what was meant; an existing file is never replaced, so no original can be.
/// A DNG keeps every tag of a DNG source that still holds; picture layout, levels (times a whole factor), noise tags, XMP and
/// preview are new. Fails with WriteFailed, Taken, Cancelled, Unsupported (a file larger than its format can hold: said before anything is
/// computed), or what reading back found; then nothing is left behind.
Result<ExportReport> exportCleaned(const Cleaner &cleaner, const NoiseReport &noise, const std::filesystem::path &target,
                                   const ExportOptions &options, const RunContext &run = {}, CleanCache *cache = nullptr);

/// The XMP sidecar beside an original (NAME.xmp, or NAME.ENDING.xmp, in either case of letters); empty where there is none.
std::filesystem::path sidecarOf(const std::filesystem::path &original);
/// Copies it beside a result, under the result's name. Answers where to; empty where the original has none, or where that name is
/// taken already, which is left as it is.
Result<std::filesystem::path> copySidecar(const std::filesystem::path &original, const std::filesystem::path &result);

/// An export of this source, made on this request, that is there, whole and readable, under the name or the name with a number.
/// Nothing, too, where it was stopped.
std::optional<std::filesystem::path> findDone(const std::filesystem::path &folder, const std::string &name, ExportFormat format, const std::filesystem::path &source, const std::string &request,
                                              const RunContext &run = {});

} // namespace irenic
