// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"

#include "export/export_rendered.h"
#include "export/provenance.h"
#include "irenic/export_job.h"
#include "pipeline/variants.h"

#include <chrono>

namespace irenic {

namespace {

/// Seconds a megapixel on two cores of a middling machine, measured.
struct Cost {
    double cleaning;
    double rest; ///< compressing, developing where that is asked for, and reading back
};

constexpr double kSharpening = 0.12; // seconds a megapixel

Cost costOf(const Frame &frame, const Treatment &t, ExportFormat format)
{
    const bool mosaic = frame.kind == FrameKind::Mosaic;
    const double rest = format == ExportFormat::Dng ? (mosaic ? 0.04 : 0.12) : format == ExportFormat::LinearDng ? 0.30 : 0.38;
    if (t.isIdentity())
        return {0, rest};
    const double cleaning = secondsPerMegapixel(t.method, frame.kind) + (t.isMixed() ? secondsPerMegapixel(t.colourMethod, frame.kind) : 0);
    const double runs = double(Variants(t, nullptr).list().size()); // one for every pair of strengths
    const double sharpening = t.taste.sharpen > 0 ? kSharpening : 0, detail = t.taste.detail > 0 ? secondsPerMegapixel("dct", FrameKind::Mosaic) : 0;
    return {runs * cleaning + sharpening + detail, rest};
}

} // namespace

double cleaningShare(const Cleaner &cleaner, ExportFormat format)
{
    const Cost cost = costOf(cleaner.frame(), cleaner.treatment(), format);
    return std::max(0.05, cost.cleaning / (cost.cleaning + cost.rest));
}

double expectedSeconds(const Frame &frame, const Treatment &treatment, ExportFormat format, bool wasCleaned)
{
    constexpr double kReading = 0.04;
    const Cost cost = costOf(frame, treatment, format);
    return double(frame.crop.size().area()) / 1e6 * (wasCleaned ? cost.rest : cost.cleaning + cost.rest + kReading);
}

Result<ExportReport> exportCleaned(const Cleaner &cleaner, const NoiseReport &noise, const std::filesystem::path &target, const ExportOptions &options, const RunContext &run, CleanCache *cache)
{
    const auto start = std::chrono::steady_clock::now();
    if (const Status s = validate(options); !s)
        return s.error();
    prepareXmp();
    Result<AtomicFile> created = AtomicFile::create(target);
    if (!created)
        return created.error();
    AtomicFile &file = created.value();
    const Provenance provenance = provenanceOf(cleaner, noise, options.request);
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
