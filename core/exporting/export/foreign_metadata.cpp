// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/foreign_metadata.h"

#include "raw/metadata.h"

#include <exiv2/exiv2.hpp>

#include <bit>
#include <set>

namespace irenic {

namespace {

std::optional<TiffEntry> entryOf(const Exiv2::Exifdatum &d)
{
    const auto type = d.typeId() == Exiv2::comment ? Exiv2::undefined : d.typeId();
    if (type < Exiv2::unsignedByte || type > Exiv2::tiffDouble || d.size() == 0)
        return std::nullopt;
    TiffEntry e{d.tag(), uint16_t(type), 0, std::vector<std::byte>(d.size())};
    d.copy(reinterpret_cast<Exiv2::byte *>(e.bytes.data()), std::endian::native == std::endian::little ? Exiv2::littleEndian : Exiv2::bigEndian);
    e.count = uint32_t(e.bytes.size() / size_t(tiffTypeSize(e.type)));
    return e;
}

} // namespace

void addForeignMetadata(const std::filesystem::path &file, TiffDirectory &main)
{
    constexpr uint16_t kInteroperability = 40965;
    static const std::set<uint16_t> kDescribing{TagImageDescription, TagArtist, TagCopyright, TagDateTime};
    try {
        const auto image = openMetadata(file);
        TiffDirectory exif, gps;
        for (const Exiv2::Exifdatum &d : image->exifData()) {
            const auto entry = entryOf(d);
            if (!entry)
                continue;
            if (d.groupName() == "Photo" && d.tag() != TagMakerNote && d.tag() != kInteroperability)
                exif.set(*entry);
            else if (d.groupName() == "GPSInfo")
                gps.set(*entry);
            else if (d.groupName() == "Image" && kDescribing.contains(d.tag()))
                main.set(*entry);
        }
        if (!exif.entries.empty())
            main.exif = {exif};
        if (!gps.entries.empty())
            main.gps = {gps};
        if (const std::string packet = image->xmpPacket(); !packet.empty())
            main.setBytes(TagXmp, TiffByte, std::as_bytes(std::span(packet)));
    } catch (const std::exception &) {
        main.exif.clear();
        main.gps.clear();
    }
}

} // namespace irenic
