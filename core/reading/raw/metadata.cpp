// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/metadata.h"

#include "base/input_file.h"
#include "irenic/text.h"

#include <exiv2/exiv2.hpp>

#include <mutex>
#include <stdexcept>

namespace irenic {

namespace {

double numberOf(const Exiv2::ExifData &exif, const char *key)
{
    const auto it = exif.findKey(Exiv2::ExifKey(key));
    const double v = it == exif.end() || it->count() == 0 ? 0.0 : double(it->toFloat());
    return v > 0 && v < 1e9 ? v : 0.0;
}

} // namespace

ShootingData shootingOf(const Exiv2::ExifData &exif)
{
    const auto text = [&](const char *key) {
        const auto it = exif.findKey(Exiv2::ExifKey(key));
        return it == exif.end() ? std::string() : utf8Text(it->toString());
    };
    ShootingData s;
    s.make = text("Exif.Image.Make");
    s.model = text("Exif.Image.Model");
    s.lens = text("Exif.Photo.LensModel");
    s.software = text("Exif.Image.Software");
    s.dateTime = text("Exif.Photo.DateTimeOriginal");
    if (s.dateTime.empty())
        s.dateTime = text("Exif.Image.DateTime");
    s.iso = numberOf(exif, "Exif.Photo.ISOSpeedRatings");
    s.exposureS = numberOf(exif, "Exif.Photo.ExposureTime");
    s.fNumber = numberOf(exif, "Exif.Photo.FNumber");
    s.focalLengthMm = numberOf(exif, "Exif.Photo.FocalLength");
    return s;
}

int orientationOf(const Exiv2::ExifData &exif)
{
    const double orientation = numberOf(exif, "Exif.Image.Orientation");
    return orientation >= 1 && orientation <= 8 ? int(orientation) : 1;
}

void prepareXmp()
{
    static std::once_flag once;
    std::call_once(once, [] {
        static std::recursive_mutex mutex;
        Exiv2::XmpParser::initialize([](void *m, bool lock) { lock ? static_cast<std::recursive_mutex *>(m)->lock() : static_cast<std::recursive_mutex *>(m)->unlock(); }, &mutex);
        Exiv2::XmpProperties::registerNs(kProvenanceNamespace, kProvenancePrefix);
#ifdef EXV_ENABLE_BMFF
        Exiv2::enableBMFF(); // HEIF, AVIF, JPEG XL in boxes
#endif
        Exiv2::LogMsg::setLevel(Exiv2::LogMsg::mute); // what matters comes as an exception
    });
}

std::shared_ptr<Exiv2::Image> openMetadata(const std::filesystem::path &file)
{
    prepareXmp();
    if (const auto plain = InputFile::open(file); !plain)
        throw std::runtime_error(plain.error().userMessage);
    const std::shared_ptr<Exiv2::Image> image(Exiv2::ImageFactory::open(file.string()).release());
    image->readMetadata();
    return image;
}

} // namespace irenic
