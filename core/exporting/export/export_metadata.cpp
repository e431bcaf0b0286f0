// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/export_rendered.h"

#include "export/provenance.h"
#include "raw/metadata.h"

#include <exiv2/exiv2.hpp>

#include <cmath>
#include <set>

namespace irenic {

namespace {

/// What the source's own metadata hold of the photograph; where its pixels lie and how is another matter now.
void copyMetadata(const Frame &frame, Exiv2::Image &to)
{
    static const std::set<std::string> kDescribing{"ImageDescription", "Make", "Model", "Artist", "Copyright", "DateTime", "HostComputer", "Rating"};
    // Of a raw's XMP only what describes the photograph: how another program would develop it has been done by now, or not asked for.
    static const std::set<std::string> kPublic{"dc", "xmp", "xmpRights", "xmpMM", "iptc", "iptcExt", "plus", "exif", "exifEX", "tiff", "mwg-rs", "mwg-kw"};
    // Properties of the IPTC Photo Metadata Standard, and keywords in their tree, which live in namespaces of programs beside what these programs do to a raw.
    static const std::set<std::string> kPublicNames{"AuthorsPosition", "CaptionWriter", "Category", "City", "Country", "Credit", "DateCreated", "Headline", "Instructions", "Source",
                                                    "State", "SupplementalCategories", "TransmissionReference", "Urgency", "hierarchicalSubject", "TagsList"};
    const auto source = openMetadata(frame.file);
    const bool wasRaw = frame.kind != FrameKind::Rendered;
    for (const Exiv2::Exifdatum &d : source->exifData())
        if ((d.groupName() == "Photo" && !(wasRaw && d.tagName() == "MakerNote")) || d.groupName() == "GPSInfo" || (d.groupName() == "Image" && kDescribing.contains(d.tagName())))
            to.exifData().add(d);
    to.setIptcData(source->iptcData());
    for (const Exiv2::Xmpdatum &d : source->xmpData())
        if ((!wasRaw || kPublic.contains(d.groupName()) || kPublicNames.contains(d.tagName())) && d.key() != "Xmp.tiff.Orientation") // the pixels were turned
            to.xmpData().add(d);
}

/// What a decoder knows where the source's metadata do not tell or cannot be read.
void fillIn(const ShootingData &s, Exiv2::ExifData &exif)
{
    const auto missing = [&](const char *key) { return exif.findKey(Exiv2::ExifKey(key)) == exif.end(); };
    const auto text = [&](const char *key, const std::string &value) {
        if (!value.empty() && missing(key))
            exif[key] = value;
    };
    const auto rational = [&](const char *key, double value, int denominator) {
        if (value > 0 && missing(key))
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
    if (s.iso > 0 && missing("Exif.Photo.ISOSpeedRatings"))
        exif["Exif.Photo.ISOSpeedRatings"] = uint16_t(std::min(s.iso, 65535.0));
    text("Exif.Photo.ExifVersion", "48 50 51 48");
    text("Exif.Photo.FlashpixVersion", "48 49 48 48");
}

} // namespace

bool writeMetadata(const std::filesystem::path &path, const Frame &frame, const ExportOptions &options, Size size, const Provenance &provenance)
{
    try {
        const auto image = openMetadata(path);
        Exiv2::ExifData &exif = image->exifData();
        try {
            copyMetadata(frame, *image);
        } catch (const std::exception &) {
            // A source that Exiv2 cannot read: what the decoder knows must do.
        }
        fillIn(frame.shooting, exif);
        if (!keepsEncoding(frame, options)) {
            constexpr uint16_t kSrgb = 1, kUncalibrated = 65535;
            exif["Exif.Photo.ColorSpace"] = options.profile == OutputProfile::Own || options.profile == OutputProfile::Srgb ? kSrgb : kUncalibrated;
        }
        if (exif.findKey(Exiv2::ExifKey("Exif.Photo.ColorSpace")) == exif.end())
            exif["Exif.Photo.ColorSpace"] = frame.encoding && frame.encoding->profile.empty() ? uint16_t(1) : uint16_t(65535); // sRGB, or as its profile says
        exif["Exif.Photo.PixelXDimension"] = uint32_t(size.width);
        exif["Exif.Photo.PixelYDimension"] = uint32_t(size.height);
        if (options.format != ExportFormat::Tiff) // LibTIFF has said so already
            exif["Exif.Image.Software"] = std::string("Irenic ") + IRENIC_VERSION;
        addProvenance(image->xmpData(), provenance);
        image->writeMetadata();
        return true;
    } catch (const std::exception &) {
        return false;
    }
}

} // namespace irenic
