// SPDX-License-Identifier: GPL-3.0-or-later
#include "camera/bench_camera.h"

#include "export/export_rendered.h"
#include "irenic/text.h"
#include "raw/metadata.h"
#include "storage/atomic_file.h"

#include <exiv2/exiv2.hpp>

#include <cmath>

namespace irenic {

namespace {

/// As shot, in linear sRGB; without the border by which the rest is developed.
RgbImage<float> developedShot(const Shot &shot, const ShootOptions &o)
{
    const Rect &a = shot.active;
    const float black = float(o.black()), range = float(o.white()) - black;
    Plane<float> linear({a.width, a.height});
    for (int y = 0; y < a.height; ++y)
        for (int x = 0; x < a.width; ++x)
            linear.at(x, y) = (float(shot.samples.at(a.x + x, a.y + y)) - black - o.blackOffsets[size_t((x & 1) + 2 * (y & 1))]) / range;
    return Developer(benchCameraColour()).develop(linear.constView(), o.cfa.shifted(Developer::kHaloPx, Developer::kHaloPx));
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

/// Shares of encoded values and of 3 v^2 - 2 v^3, colour by colour.
void raiseContrast(RgbImage<float> &picture, float share)
{
    for (float &linear : picture.samples) {
        const float v = srgbEncoded(linear);
        linear = srgbDecoded(v + share * (v * v * (3 - 2 * v) - v));
    }
}

/// As cameras write it, which say nothing of a profile: sRGB.
bool writePicture(const std::filesystem::path &path, const RgbImage<float> &picture, bool jpeg, int quality)
{
    if (jpeg)
        return writeJpeg(path, encoded8(picture), {}, {.quality = quality, .colourAtFullSize = false}, {});
    ExportOptions plain(ExportFormat::Tiff);
    plain.compression = TiffCompression::None;
    return tiffFile(encoded16(picture), plain, {}).write(path, {});
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
    if (finish.quality < 1 || finish.quality > 100 || !(finish.sharpening >= 0 && finish.sharpening <= 3) || !(finish.contrast >= 0 && finish.contrast <= 1))
        return refuse("The quality must lie between 1 and 100, the sharpening between 0 and 3, the contrast between 0 and 1.");
    if (options.sixBySix || std::min(shot.active.width, shot.active.height) < 4 * Developer::kHaloPx)
        return refuse("Finished pictures are made of two-by-two shots of 48 x 48 pixels and more.");
    Result<AtomicFile> target = AtomicFile::create(file);
    if (!target)
        return target.error();
    RgbImage<float> picture = developedShot(shot, options);
    if (finish.contrast > 0)
        raiseContrast(picture, float(finish.contrast));
    if (finish.sharpening > 0)
        sharpen(picture, finish.sharpening);
    const auto &path = target.value().temporaryPath();
    if (!writePicture(path, picture, jpeg, finish.quality) || !describeFile(path, options))
        return Error{ErrorCode::WriteFailed, textOf(file) + " could not be written.", {}};
    return target.value().commit();
}

} // namespace irenic
