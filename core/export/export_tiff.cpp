// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/export_rendered.h"

#include "base/parallel.h"
#include "irenic/picture.h"
#include "render/profile.h"

#include <exiv2/exiv2.hpp>
#include <tiffio.h>

#include <cmath>
#include <set>

namespace irenic {

namespace {

using TiffHandle = std::unique_ptr<TIFF, void (*)(TIFF *)>;

TiffHandle openTiff(const std::filesystem::path &path, const char *mode)
{
    return {TIFFOpen(path.c_str(), mode), [](TIFF *t) {
                if (t)
                    TIFFClose(t);
            }};
}

bool writePixels(const std::filesystem::path &path, const RgbImage<uint16_t> &picture, const std::vector<uint8_t> &icc)
{
    // BigTIFF only where four gigabytes do not do; half of that leaves room for a bad compression.
    const TiffHandle tif = openTiff(path, picture.samples.size() * 2 > (size_t(1) << 31) ? "w8" : "w");
    if (!tif)
        return false;
    TIFFSetField(tif.get(), TIFFTAG_IMAGEWIDTH, uint32_t(picture.size.width));
    TIFFSetField(tif.get(), TIFFTAG_IMAGELENGTH, uint32_t(picture.size.height));
    TIFFSetField(tif.get(), TIFFTAG_BITSPERSAMPLE, 16);
    TIFFSetField(tif.get(), TIFFTAG_SAMPLESPERPIXEL, 3);
    TIFFSetField(tif.get(), TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_RGB);
    TIFFSetField(tif.get(), TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG);
    TIFFSetField(tif.get(), TIFFTAG_COMPRESSION, COMPRESSION_ADOBE_DEFLATE);
    TIFFSetField(tif.get(), TIFFTAG_PREDICTOR, PREDICTOR_HORIZONTAL);
    TIFFSetField(tif.get(), TIFFTAG_ZIPQUALITY, 3);
    TIFFSetField(tif.get(), TIFFTAG_ROWSPERSTRIP, 64);
    TIFFSetField(tif.get(), TIFFTAG_ORIENTATION, ORIENTATION_TOPLEFT);
    TIFFSetField(tif.get(), TIFFTAG_XRESOLUTION, 300.0);
    TIFFSetField(tif.get(), TIFFTAG_YRESOLUTION, 300.0);
    TIFFSetField(tif.get(), TIFFTAG_RESOLUTIONUNIT, RESUNIT_INCH);
    TIFFSetField(tif.get(), TIFFTAG_SOFTWARE, "Irenic " IRENIC_VERSION);
    TIFFSetField(tif.get(), TIFFTAG_ICCPROFILE, uint32_t(icc.size()), icc.data());
    std::vector<uint16_t> row(size_t(picture.size.width) * 3); // LibTIFF's predictor scribbles over what it is given
    for (int y = 0; y < picture.size.height; ++y) {
        std::copy_n(picture.row(y), row.size(), row.begin());
        if (TIFFWriteScanline(tif.get(), row.data(), uint32_t(y)) != 1)
            return false;
    }
    return TIFFFlush(tif.get()) == 1;
}

/// What a finished picture's own metadata hold of the photograph; where its pixels lie and how is another matter now.
void copyMetadata(const std::filesystem::path &from, Exiv2::Image &to)
{
    static const std::set<std::string> described{"ImageDescription", "Make", "Model", "Artist", "Copyright", "DateTime", "HostComputer", "Rating"};
    const auto source = Exiv2::ImageFactory::open(from.string());
    source->readMetadata();
    for (const Exiv2::Exifdatum &d : source->exifData())
        if (d.groupName() == "Photo" || d.groupName() == "GPSInfo" || (d.groupName() == "Image" && described.contains(d.tagName())))
            to.exifData().add(d);
    to.setIptcData(source->iptcData());
    to.setXmpData(source->xmpData());
    if (const auto it = to.xmpData().findKey(Exiv2::XmpKey("Xmp.tiff.Orientation")); it != to.xmpData().end())
        to.xmpData().erase(it); // the pixels were turned
}

bool readsBackAs(const std::filesystem::path &path, const RgbImage<uint16_t> &picture)
{
    const TiffHandle tif = openTiff(path, "r");
    uint32_t width = 0, height = 0;
    if (!tif || !TIFFGetField(tif.get(), TIFFTAG_IMAGEWIDTH, &width) || !TIFFGetField(tif.get(), TIFFTAG_IMAGELENGTH, &height)
        || width != uint32_t(picture.size.width) || height != uint32_t(picture.size.height)
        || TIFFScanlineSize(tif.get()) != tmsize_t(width) * 6)
        return false;
    std::vector<uint16_t> row(size_t(width) * 3);
    for (uint32_t y = 0; y < height; ++y)
        if (TIFFReadScanline(tif.get(), row.data(), y) != 1 || !std::equal(row.begin(), row.end(), picture.row(int(y))))
            return false;
    return true;
}

/// A finished picture stays in its own encoding.
Result<RgbImage<uint16_t>> cleanedPicture(const Cleaner &cleaner, const RunContext &run)
{
    const Result<CleanedSamples> cleaned = cleanForStorage(cleaner, run);
    if (!cleaned)
        return cleaned.error();
    auto picture = RgbImage<uint16_t>::ofSize(cleaner.frame().size());
    for (int y = 0; y < picture.size.height; ++y)
        std::copy_n(cleaned.value().samples.row(y), size_t(picture.size.width) * 3, picture.row(y));
    return turned(picture, cleaner.frame().orientation);
}

} // namespace

/// Shooting data as Exif; a failure costs the data, not the picture, so it counts as a failure.
bool writeExif(const std::filesystem::path &path, const Frame &frame)
{
    const ShootingData &s = frame.shooting;
    try {
        const auto image = Exiv2::ImageFactory::open(path.string());
        image->readMetadata();
        Exiv2::ExifData &exif = image->exifData();
        if (frame.kind == FrameKind::Rendered) {
            copyMetadata(frame.file, *image);
            image->writeMetadata();
            return true;
        }
        const auto text = [&](const char *key, const std::string &value) {
            if (!value.empty())
                exif[key] = value;
        };
        const auto rational = [&](const char *key, double value, int denominator) {
            if (value > 0)
                exif[key] = Exiv2::URational(uint32_t(std::lround(value * denominator)), uint32_t(denominator));
        };
        text("Exif.Image.Make", s.make);
        text("Exif.Image.Model", s.model);
        text("Exif.Image.DateTime", s.dateTime);
        text("Exif.Photo.DateTimeOriginal", s.dateTime);
        text("Exif.Photo.LensModel", s.lens);
        rational("Exif.Photo.ExposureTime", s.exposureS, 1000000);
        rational("Exif.Photo.FNumber", s.fNumber, 100);
        rational("Exif.Photo.FocalLength", s.focalLengthMm, 100);
        if (s.iso > 0)
            exif["Exif.Photo.ISOSpeedRatings"] = uint16_t(std::min(s.iso, 65535.0));
        exif["Exif.Photo.ExifVersion"] = "48 50 51 48";
        exif["Exif.Photo.FlashpixVersion"] = "48 49 48 48";
        exif["Exif.Photo.ColorSpace"] = uint16_t(1);
        image->writeMetadata();
        return true;
    } catch (const Exiv2::AnyError &) {
        return false;
    }
}

Result<RgbImage<uint16_t>> renderAll(const Cleaner &cleaner, const RunContext &run)
{
    if (cleaner.frame().kind == FrameKind::Rendered)
        return cleanedPicture(cleaner, run);
    const Rect crop = cleaner.frame().crop;
    auto picture = RgbImage<uint16_t>::ofSize(crop.size());
    const int bandRows = cleaner.bandRows();
    for (int top = 0; top < crop.height; top += bandRows) {
        const Rect band{crop.x, crop.y + top, crop.width, std::min(bandRows, crop.height - top)};
        const auto linear = developRegion(cleaner, band, {}, nullptr, stage(run, double(top) / crop.height, double(top + band.height) / crop.height));
        if (!linear)
            return linear.error();
        const auto encoded = encoded16(linear.value());
        std::copy(encoded.samples.begin(), encoded.samples.end(), picture.row(top));
    }
    return turned(picture, cleaner.frame().orientation);
}

std::vector<uint8_t> profileOf(const Frame &frame)
{
    return frame.kind == FrameKind::Rendered && !frame.encoding->profile.empty() ? frame.encoding->profile : srgbProfile();
}

Status writeRenderedTiff(AtomicFile &file, const Cleaner &cleaner, const RunContext &run)
{
    const Result<RgbImage<uint16_t>> picture = renderAll(cleaner, stage(run, 0, cleaningShare(cleaner, ExportFormat::Tiff)));
    if (!picture)
        return picture.error();
    if (const Status s = file.close(); !s)
        return s;
    TIFFSetWarningHandler(nullptr);
    TIFFSetErrorHandler(nullptr); // every call's answer is checked
    const Frame &frame = cleaner.frame();
    if (!writePixels(file.temporaryPath(), picture.value(), profileOf(frame)))
        return Error{ErrorCode::WriteFailed, file.target().string() + " was not written: the disk may be full. Nothing was left behind and the original is untouched.", {}};
    if (!writeExif(file.temporaryPath(), frame))
        return verifyError(file.target(), "the shooting data could not be added");
    if (!readsBackAs(file.temporaryPath(), picture.value()))
        return verifyError(file.target(), "its pixels differed");
    if (run.onProgress)
        run.onProgress(1);
    return {};
}

} // namespace irenic
