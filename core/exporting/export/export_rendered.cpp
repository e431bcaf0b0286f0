// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/export_rendered.h"

#include "base/abandonable.h"
#include "base/parallel.h"
#include "export/output_profile.h"
#include "irenic/parameter.h"
#include "irenic/picture.h"
#include "irenic/text.h"

#include <cerrno>

#include <unistd.h>

namespace irenic {

namespace {

Look lookOf(const ExportOptions &options)
{
    const bool wide = options.profile == OutputProfile::Wide || options.profile == OutputProfile::Linear;
    return {0, Show::Picture, options.rendering, wide ? Primaries::Wide : Primaries::Srgb};
}

/// A finished picture in its own encoding.
Result<RgbImage<uint16_t>> cleanedPicture(const Cleaner &cleaner, CleanCache *cache, const RunContext &run)
{
    const Frame &frame = cleaner.frame();
    if (cleaner.edits().lens.changesPicture()) {
        const auto linear = demosaicRegion(cleaner, frame.crop, cache, run);
        if (!linear)
            return linear.error();
        auto straight = RgbImage<uint16_t>::ofSize(frame.crop.size());
        const Status encoded = parallelFor(straight.size.height, {run.threads, run.stop, {}, run.background}, [&](int y) {
            for (int i = 0; i < 3 * straight.size.width; ++i)
                straight.row(y)[i] = frame.encoding->encoded(linear.value().row(y)[i], size_t(i % 3));
        });
        if (!encoded)
            return encoded.error();
        return turned(std::move(straight), frame.orientation, run);
    }
    const Result<CleanedSamples> cleaned = cleanForStorage(cleaner, run, cache);
    if (!cleaned)
        return cleaned.error();
    auto picture = RgbImage<uint16_t>::ofSize(frame.size());
    for (int y = 0; y < picture.size.height; ++y)
        std::copy_n(cleaned.value().samples.row(y), size_t(picture.size.width) * 3, picture.row(y));
    return turned(std::move(picture), frame.orientation, run);
}

template <class T>
void encodeInto(const RgbImage<float> &linear, bool straight, T *out)
{
    if constexpr (std::is_same_v<T, uint16_t>) {
        if (!straight) {
            const auto encoded = encoded16(linear);
            std::copy(encoded.samples.begin(), encoded.samples.end(), out);
            return;
        }
        std::transform(linear.samples.begin(), linear.samples.end(), out, [](float v) { return uint16_t(std::clamp(v, 0.f, 1.f) * 65535 + 0.5f); });
    } else {
        std::transform(linear.samples.begin(), linear.samples.end(), out, [straight](float v) { return straight ? v : srgbEncoded(v); });
    }
}

Result<PictureFile> pictureFile(const Cleaner &cleaner, const ExportOptions &options, CleanCache *cache, const RunContext &run)
{
    const std::vector<uint8_t> profile = profileOf(cleaner.frame(), options);
    if (options.format == ExportFormat::Tiff && options.bits == 32) {
        Result<RgbImage<float>> picture = renderAll<float>(cleaner, options, cache, run);
        if (!picture)
            return picture.error();
        return tiffFile(picture.take(), options, profile);
    }
    Result<RgbImage<uint16_t>> picture = renderAll<uint16_t>(cleaner, options, cache, run);
    if (!picture)
        return picture.error();
    if (options.format == ExportFormat::Tiff && options.bits != 8)
        return tiffFile(picture.take(), options, profile);
    const Result<RgbImage<uint8_t>> dithered = dithered8(picture.value(), run);
    if (!dithered)
        return dithered.error();
    return options.format == ExportFormat::Tiff ? tiffFile(dithered.value(), options, profile) : options.format == ExportFormat::Jpeg ? jpegProof(dithered.value(), options, profile)
                                                                                                                                      : pngProof(dithered.value(), options, profile);
}

} // namespace

bool keepsEncoding(const Frame &frame, const ExportOptions &options)
{
    return frame.kind == FrameKind::Rendered && options.profile == OutputProfile::Own && options.rendering.isNeutral() && options.bits != 32;
}

template <class T>
Result<RgbImage<T>> renderAll(const Cleaner &cleaner, const ExportOptions &options, CleanCache *cache, const RunContext &run)
{
    if constexpr (std::is_same_v<T, uint16_t>)
        if (keepsEncoding(cleaner.frame(), options))
            return cleanedPicture(cleaner, cache, run);
    const Rect crop = cleaner.frame().crop;
    auto picture = RgbImage<T>::ofSize(crop.size());
    const int bandRows = cleaner.bandRows();
    for (int top = 0; top < crop.height; top += bandRows) {
        const Rect band{crop.x, crop.y + top, crop.width, std::min(bandRows, crop.height - top)};
        const auto linear = developRegion(cleaner, band, lookOf(options), cache, stage(run, double(top) / crop.height, double(top + band.height) / crop.height));
        if (!linear)
            return linear.error();
        const Status encoded = parallelFor(band.height, {run.threads, run.stop, {}, run.background}, [&](int y) {
            RgbImage<float> row = RgbImage<float>::ofSize({band.width, 1});
            std::copy_n(linear.value().row(y), 3 * band.width, row.row(0));
            encodeInto(row, options.profile == OutputProfile::Linear, picture.row(top + y));
        });
        if (!encoded)
            return encoded.error();
    }
    return turned(std::move(picture), cleaner.frame().orientation, run);
}

template Result<RgbImage<uint16_t>> renderAll(const Cleaner &, const ExportOptions &, CleanCache *, const RunContext &);
template Result<RgbImage<float>> renderAll(const Cleaner &, const ExportOptions &, CleanCache *, const RunContext &);

std::vector<uint8_t> profileOf(const Frame &frame, const ExportOptions &options)
{
    return keepsEncoding(frame, options) && !frame.encoding->profile.empty() ? frame.encoding->profile : outputProfile(options.profile);
}

Status writeRendered(AtomicFile &file, const Cleaner &cleaner, const ExportOptions &options, const Provenance &provenance, CleanCache *cache, const RunContext &run)
{
    const Result<PictureFile> picture = pictureFile(cleaner, options, cache, stage(run, 0, cleaningShare(cleaner, options.format)));
    if (!picture)
        return picture.error();
    errno = 0;
    const bool written = picture.value().write(file.temporaryPath(), run.stop);
    if (run.stop.stop_requested())
        return cancelledError();
    if (!written)
        return file.failure(errno ? errno : EIO);
    // Exiv2 writes the whole file again, which takes a while and cannot be stopped.
    const auto addMetadata = [path = file.temporaryPath(), target = file.target(), frame = cleaner.sharedFrame(), options, size = picture.value().size, provenance]() -> Status {
        return writeMetadata(path, *frame, options, size, provenance) ? Status() : verifyError(target, visible("the shooting data could not be added"));
    };
    if (const Status s = abandonable(run.stop, textOf(file.target()), addMetadata, [path = file.temporaryPath()] { ::unlink(path.c_str()); }); !s)
        return s;
    if (const Status s = file.settle(run.stop); !s)
        return s;
    const bool same = picture.value().readsBack(file.temporaryPath(), run.stop);
    if (run.stop.stop_requested())
        return cancelledError();
    if (!same)
        return verifyError(file.target(), visible("its pixels differed"));
    if (const Result<Provenance> told = readProvenance(file.temporaryPath()); !told || !(told.value() == provenance))
        return verifyError(file.target(), visible("what it tells of its making differed"));
    if (run.onProgress)
        run.onProgress(1);
    return {};
}

} // namespace irenic
