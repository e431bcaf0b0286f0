// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"

#include "export/export_rendered.h"
#include "export/provenance.h"

#include <chrono>

namespace irenic {

double cleaningShare(const Cleaner &cleaner, ExportFormat format)
{
    // Seconds a megapixel for compressing, developing where that is asked for, and reading back; measured beside the methods' own.
    const bool mosaic = cleaner.frame().kind == FrameKind::Mosaic;
    const double rest = format == ExportFormat::Dng ? (mosaic ? 0.04 : 0.12) : format == ExportFormat::LinearDng ? 0.30 : 0.38;
    const Treatment &t = cleaner.treatment();
    if (t.isIdentity())
        return 0.05;
    double cleaning = findMethod(t.method)->secondsPerMegapixel;
    if (t.isMixed())
        cleaning += findMethod(t.colourMethod)->secondsPerMegapixel;
    if (!mosaic)
        cleaning *= 1.6; // six bands instead of four
    return cleaning / (cleaning + rest);
}

Result<ExportReport> exportCleaned(const Cleaner &cleaner, const NoiseReport &noise, const std::filesystem::path &target, const ExportOptions &options, const RunContext &run)
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
    const Status written = isStillRaw(options.format) ? writeCleanedDng(file, cleaner, noise, options, provenance, run) : writeRendered(file, cleaner, options, provenance, run);
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
