// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"

#include "export/export_rendered.h"
#include "export/provenance.h"
#include "irenic/export_job.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

#include <chrono>

namespace irenic {

namespace {

/// Seconds a megapixel on two cores of a middling machine, measured.
struct Cost {
    double cleaning;
    double rest; ///< compressing, developing where that is asked for, and reading back
};

Cost costOf(const Cleaner &cleaner, ExportFormat format)
{
    const Frame &frame = cleaner.frame();
    const bool mosaic = frame.kind == FrameKind::Mosaic;
    const double rest = format == ExportFormat::Dng ? (mosaic ? 0.04 : 0.12) : format == ExportFormat::LinearDng ? 0.30
                                                                                                                 : 0.38;
    return {cleaner.expectedSeconds({1000, 1000}), rest};
}

/// A classical TIFF, a DNG among them, ends at four gigabytes, and Exiv2 edits those below two; JPEG's sides end at 65,500 pixels. Compression
/// might help, but that nobody knows before.
Status fitsFormat(const Frame &frame, const ExportOptions &options)
{
    const auto tooLarge = [&](const char *format, double bytes, const char *most, const char *way) {
        return Error{ErrorCode::Unsupported, sentence("%1 would be a %2 of %3 GB, and such files end at %4.", {textOf(frame.file.filename()), sentence(format), fixedNumber(bytes / 1e9, 1), most}) + " " + sentence(way) + " " + sentence("Nothing was written."), {}};
    };
    const double pixels = double(frame.crop.size().area());
    if (isStillRaw(options.format)) {
        const bool mosaic = frame.kind == FrameKind::Mosaic && options.format == ExportFormat::Dng;
        const double bytes = 2.0 * (mosaic ? double(std::max(frame.size().area(), frame.active.size().area())) : 3 * double(frame.active.size().area()));
        if (bytes > 4.2e9)
            return tooLarge(mosaic ? "DNG" : visible("linear DNG"), bytes, "4 GB", mosaic ? visible("Such a sensor cannot be kept in a DNG of this version.") : visible("A DNG of sensor samples takes a third of it."));
    } else if (options.format == ExportFormat::Tiff) {
        if (const double bytes = pixels * 3 * options.bits / 8; bytes > 2e9)
            return tooLarge("TIFF", bytes, "2 GB", visible("Fewer bits, or a DNG, would do."));
    } else if (options.format == ExportFormat::Jpeg && std::max(frame.crop.width, frame.crop.height) > 65500) {
        return Error{ErrorCode::Unsupported, sentence("%1 has more than 65,500 pixels along a side, which no JPEG can hold; a PNG can. Nothing was written.", {textOf(frame.file.filename())}), {}};
    }
    return {};
}

} // namespace

double cleaningShare(const Cleaner &cleaner, ExportFormat format)
{
    const Cost cost = costOf(cleaner, format);
    return std::max(0.05, cost.cleaning / (cost.cleaning + cost.rest));
}

double expectedSeconds(const Cleaner &cleaner, ExportFormat format, bool wasCleaned)
{
    constexpr double kReading = 0.04;
    const Cost cost = costOf(cleaner, format);
    return double(cleaner.frame().crop.size().area()) / 1e6 * (wasCleaned ? cost.rest : cost.cleaning + cost.rest + kReading);
}

Result<ExportReport> exportCleaned(const Cleaner &cleaner, const NoiseReport &noise, const std::filesystem::path &target, const ExportOptions &options, const RunContext &run, CleanCache *cache)
{
    const auto start = std::chrono::steady_clock::now();
    if (const Status s = validate(options); !s)
        return s.error();
    if (const Status s = fitsFormat(cleaner.frame(), options); !s)
        return s.error();
    Result<AtomicFile> created = AtomicFile::create(target);
    if (!created)
        return created.error();
    AtomicFile &file = created.value();
    const Provenance provenance = provenanceOf(cleaner, noise, options, run.stop);
    const Status written = isStillRaw(options.format) ? writeCleanedDng(file, cleaner, noise, options, provenance, cache, run) : writeRendered(file, cleaner, options, provenance, cache, run);
    if (!written)
        return written.error();
    if (run.stop.stop_requested())
        return cancelledError();
    if (const Status s = file.commit(); !s)
        return s.error();
    std::error_code ec;
    const std::chrono::duration<double> taken = std::chrono::steady_clock::now() - start;
    const char *verified = options.format == ExportFormat::Jpeg ? "read back, and close to what was meant" : "read back, and the same to the last bit";
    return ExportReport{target, {}, std::filesystem::file_size(target, ec), taken.count(), verified};
}

} // namespace irenic
