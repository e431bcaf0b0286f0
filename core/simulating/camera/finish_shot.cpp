// SPDX-License-Identifier: GPL-3.0-or-later
#include "camera/bench_camera.h"

#include "colour/colour.h"
#include "irenic/develop.h"
#include "irenic/text.h"
#include "raw/jpeg_errors.h"
#include "raw/metadata.h"
#include "storage/atomic_file.h"

#include <exiv2/exiv2.hpp>
#include <tiffio.h>

#include <cmath>

namespace irenic {

namespace {

/// As shot, in linear sRGB; without a mosaic's two outermost pixels, which have no neighbours to be developed by.
RgbImage<float> developedShot(const Shot &shot, const ShootOptions &o)
{
    const Rect &a = shot.active;
    const int halo = Developer::kHaloPx;
    const Rect inner = Rect{0, 0, a.width, a.height}.grownBy(-halo);
    const float black = float(o.black()), range = float(o.white()) - black;
    Plane<float> linear({a.width, a.height});
    for (int y = 0; y < a.height; ++y)
        for (int x = 0; x < a.width; ++x)
            linear.at(x, y) = (float(shot.samples.at(a.x + x, a.y + y)) - black - o.blackOffsets[size_t((x & 1) + 2 * (y & 1))]) / range;
    return Developer(benchCameraColour()).develop(linear.view().cut({0, 0, a.width, a.height}), o.cfa.shifted(inner.x, inner.y));
}

/// Adds again what a blur takes away.
void sharpen(RgbImage<float> &picture, double amount)
{
    constexpr float kTap[3] = {0.25f, 0.5f, 0.25f};
    const RgbImage<float> from = picture;
    const int width = picture.size.width, height = picture.size.height;
    for (int y = 0; y < height; ++y)
        for (int x = 0; x < width * 3; ++x) {
            float blurred = 0;
            for (int v = -1; v <= 1; ++v)
                for (int u = -1; u <= 1; ++u)
                    blurred += kTap[u + 1] * kTap[v + 1] * from.row(std::clamp(y + v, 0, height - 1))[std::clamp(x + 3 * u, x % 3, (width - 1) * 3 + x % 3)];
            float &value = picture.row(y)[x];
            value = std::clamp(value + float(amount) * (value - blurred), 0.f, 1.f);
        }
}

/// Everything between setjmp and the encoder's return, with nothing in it that has a destructor.
bool writeRows(jpeg_compress_struct &info, JpegErrors &errors, FILE *out, const RgbImage<uint8_t> &picture, int quality)
{
    if (setjmp(errors.away))
        return false;
    jpeg_create_compress(&info);
    jpeg_stdio_dest(&info, out);
    info.image_width = JDIMENSION(picture.size.width);
    info.image_height = JDIMENSION(picture.size.height);
    info.input_components = 3;
    info.in_color_space = JCS_RGB;
    jpeg_set_defaults(&info);
    jpeg_set_quality(&info, quality, TRUE);
    jpeg_start_compress(&info, TRUE);
    for (int y = 0; y < picture.size.height; ++y) {
        JSAMPROW row[1] = {const_cast<JSAMPROW>(picture.row(y))};
        jpeg_write_scanlines(&info, row, 1);
    }
    jpeg_finish_compress(&info);
    return true;
}

bool writeJpeg(const std::filesystem::path &path, const RgbImage<uint8_t> &picture, int quality)
{
    FILE *out = std::fopen(path.c_str(), "wb");
    if (!out)
        return false;
    jpeg_compress_struct info{};
    JpegErrors errors;
    info.err = &errors;
    const bool written = writeRows(info, errors, out, picture, quality);
    jpeg_destroy_compress(&info);
    return std::fclose(out) == 0 && written;
}

bool writeTiff(const std::filesystem::path &path, const RgbImage<uint16_t> &picture)
{
    TIFF *tif = TIFFOpen(path.c_str(), "w");
    if (!tif)
        return false;
    TIFFSetField(tif, TIFFTAG_IMAGEWIDTH, uint32_t(picture.size.width));
    TIFFSetField(tif, TIFFTAG_IMAGELENGTH, uint32_t(picture.size.height));
    TIFFSetField(tif, TIFFTAG_BITSPERSAMPLE, 16);
    TIFFSetField(tif, TIFFTAG_SAMPLESPERPIXEL, 3);
    TIFFSetField(tif, TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_RGB);
    TIFFSetField(tif, TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG);
    TIFFSetField(tif, TIFFTAG_ROWSPERSTRIP, 64);
    bool written = true;
    for (int y = 0; y < picture.size.height && written; ++y)
        written = TIFFWriteScanline(tif, const_cast<uint16_t *>(picture.row(y)), uint32_t(y)) == 1;
    written = TIFFFlush(tif) == 1 && written;
    TIFFClose(tif);
    return written;
}

bool describeFile(const std::filesystem::path &path, const ShootOptions &o)
{
    try {
        prepareXmp();
        const auto image = openMetadata(path);
        image->readMetadata();
        Exiv2::ExifData &exif = image->exifData();
        exif["Exif.Image.Make"] = "Tarn";
        exif["Exif.Image.Model"] = "Bench-1";
        exif["Exif.Photo.ISOSpeedRatings"] = uint16_t(std::min(o.iso, 65535));
        exif["Exif.Photo.DateTimeOriginal"] = o.dateTime;
        image->writeMetadata();
        return true;
    } catch (const std::exception &) {
        return false;
    }
}

} // namespace

Status writeFinished(const std::filesystem::path &file, const Shot &shot, const ShootOptions &options, const FinishOptions &finish)
{
    const auto refuse = [](const char *what) { return Error{ErrorCode::BadParameter, what, {}}; };
    const bool jpeg = file.extension() == ".jpg";
    if (!jpeg && file.extension() != ".tif")
        return refuse("A finished picture is a .jpg or a .tif.");
    if (finish.quality < 1 || finish.quality > 100 || !(finish.sharpening >= 0 && finish.sharpening <= 3))
        return refuse("The quality must lie between 1 and 100, the sharpening between 0 and 3.");
    if (options.sixBySix || std::min(shot.active.width, shot.active.height) < 4 * Developer::kHaloPx)
        return refuse("Finished pictures are made of two-by-two shots of 48 x 48 pixels and more.");
    Result<AtomicFile> target = AtomicFile::create(file);
    if (!target)
        return target.error();
    RgbImage<float> picture = developedShot(shot, options);
    if (finish.sharpening > 0)
        sharpen(picture, finish.sharpening);
    const auto &path = target.value().temporaryPath();
    if (!(jpeg ? writeJpeg(path, encoded8(picture), finish.quality) : writeTiff(path, encoded16(picture))) || !describeFile(path, options))
        return Error{ErrorCode::WriteFailed, textOf(file) + " could not be written.", {}};
    return target.value().commit();
}

} // namespace irenic
