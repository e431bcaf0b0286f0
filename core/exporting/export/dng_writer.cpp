// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/dng_writer.h"

#include "base/parallel.h"
#include "export/jpeg_xl.h"
#include "export/lossless_jpeg.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

namespace irenic {

namespace {

constexpr int kTilePx = 256;
/// LibRaw up to 0.20 misreads two-component tiles of exactly half the picture's width; such pictures get others.
constexpr int kOtherTileWidthPx = 272;

/// Writes a directory and what hangs below it; answers where it begins.
class TreeWriter
{
public:
    explicit TreeWriter(AtomicFile &file) : m_file(file) {}

    Status write(TiffDirectory directory, uint64_t &where)
    {
        for (auto [below, tag] : {std::pair{&directory.subDirectories, TagSubIfds}, std::pair{&directory.exif, TagExifIfd}, std::pair{&directory.gps, TagGpsIfd}}) {
            std::vector<double> offsets;
            for (const TiffDirectory &sub : *below) {
                uint64_t at = 0;
                if (const Status s = write(sub, at); !s)
                    return s;
                offsets.push_back(double(at));
            }
            if (!offsets.empty())
                directory.setNumbers(uint16_t(tag), TiffLong, offsets);
        }
        std::vector<std::byte> table, values;
        const uint64_t valuesAt = (m_file.position() + 1) & ~uint64_t(1);
        put<uint16_t>(table, uint16_t(directory.entries.size()));
        for (const TiffEntry &e : directory.entries) {
            put<uint16_t>(table, e.tag);
            put<uint16_t>(table, e.type);
            put<uint32_t>(table, e.count);
            if (e.bytes.size() <= 4) {
                std::vector<std::byte> inPlace = e.bytes;
                inPlace.resize(4);
                table.insert(table.end(), inPlace.begin(), inPlace.end());
            } else {
                put<uint32_t>(table, uint32_t(valuesAt + values.size()));
                values.insert(values.end(), e.bytes.begin(), e.bytes.end());
                values.resize((values.size() + 1) & ~size_t(1)); // TIFF 6.0: values begin on a word
            }
        }
        put<uint32_t>(table, 0);
        if (const Status s = pad(); !s)
            return s;
        if (const Status s = m_file.append(values); !s)
            return s;
        where = m_file.position();
        return m_file.append(table);
    }

    Status pad()
    {
        const std::byte zero{};
        return m_file.position() % 2 ? m_file.append({&zero, 1}) : Status();
    }

private:
    template <class T>
    static void put(std::vector<std::byte> &out, T value)
    {
        const auto *p = reinterpret_cast<const std::byte *>(&value);
        out.insert(out.end(), p, p + sizeof(T));
    }
    AtomicFile &m_file;
};

Status writePreview(AtomicFile &file, const RgbImage<uint8_t> &preview, TiffDirectory &main)
{
    main.setNumber(TagNewSubFileType, TiffLong, 1);
    main.setNumber(TagImageWidth, TiffLong, preview.size.width);
    main.setNumber(TagImageLength, TiffLong, preview.size.height);
    main.setNumbers(TagBitsPerSample, TiffShort, std::array{8.0, 8.0, 8.0});
    main.setNumber(TagCompression, TiffShort, CompressionNone);
    main.setNumber(TagPhotometric, TiffShort, PhotometricRgb);
    main.setNumber(TagSamplesPerPixel, TiffShort, 3);
    main.setNumber(TagPlanarConfiguration, TiffShort, 1);
    main.setNumber(TagRowsPerStrip, TiffLong, preview.size.height);
    main.setNumber(TagStripOffsets, TiffLong, double(file.position()));
    main.setNumber(TagStripByteCounts, TiffLong, double(preview.samples.size()));
    return file.append(std::as_bytes(std::span(preview.samples)));
}

/// The tile at pixel (x0, y0), of full size; what lies beyond the picture repeats the last samples of the same colour, or, of fields, the last one.
Plane<uint16_t> tileOf(PlaneView<const uint16_t> samples, int perPixel, int x0, int y0, int width, bool ofFields)
{
    Plane<uint16_t> tile({width * perPixel, kTilePx});
    const auto inside = [ofFields](int i, int size) { return i < size ? i : ofFields ? size - 1
                                                                                     : size - 2 + ((i ^ size) & 1); };
    for (int y = 0; y < kTilePx; ++y)
        for (int x = 0; x < width; ++x)
            std::copy_n(samples.row(inside(y0 + y, samples.height)) + inside(x0 + x, samples.width / perPixel) * perPixel, perPixel, tile.row(y) + x * perPixel);
    return tile;
}

/// The four colours of a mosaic apart, as DNG 1.7's interleave factors of 2 have it: what belongs together lies together, and packs better.
Plane<uint16_t> fieldsOf(PlaneView<const uint16_t> samples)
{
    Plane<uint16_t> out({samples.width, samples.height});
    const auto place = [](int i, int size) { return i / 2 + (i % 2) * ((size + 1) / 2); };
    for (int y = 0; y < samples.height; ++y) {
        uint16_t *to = out.row(place(y, samples.height));
        for (int x = 0; x < samples.width; ++x)
            to[place(x, samples.width)] = samples.row(y)[x];
    }
    return out;
}

/// Tiles of lossless JPEG or JPEG XL.
Status writeTiles(AtomicFile &file, PlaneView<const uint16_t> samples, int perPixel, bool jpegXl, TiffDirectory &raw, const RunContext &run)
{
    Plane<uint16_t> fields;
    if (jpegXl && perPixel == 1) {
        fields = fieldsOf(samples);
        samples = fields.constView();
        raw.setNumber(TagRowInterleaveFactor, TiffLong, 2);
        raw.setNumber(TagColumnInterleaveFactor, TiffLong, 2);
    }
    if (jpegXl)
        raw.setNumber(TagJxlDistance, TiffFloat, 0);
    const int pixels = samples.width / perPixel, width = pixels == 2 * kTilePx ? kOtherTileWidthPx : kTilePx;
    const int across = (pixels + width - 1) / width, down = (samples.height + kTilePx - 1) / kTilePx;
    std::vector<double> offsets, counts;
    for (int j = 0; j < down; ++j) {
        std::vector<std::vector<std::byte>> tiles(static_cast<size_t>(across));
        const Status done = parallelFor(across, stage(run, double(j) / down, double(j + 1) / down), [&](int i) {
            const Plane<uint16_t> tile = tileOf(samples, perPixel, i * width, j * kTilePx, width, !fields.isEmpty());
            tiles[size_t(i)] = jpegXl ? encodeJpegXl(tile.constView(), perPixel) : encodeLosslessJpeg(tile.constView(), perPixel == 1 ? 2 : perPixel, perPixel == 1 ? 2 : 1);
        });
        if (!done)
            return done;
        for (auto &tile : tiles) {
            if (tile.empty())
                return Error{ErrorCode::WriteFailed, sentence("%1 was not written: the picture could not be coded.", {textOf(file.target())}), {}};
            offsets.push_back(double(file.position()));
            counts.push_back(double(tile.size()));
            tile.resize((tile.size() + 1) & ~size_t(1));
            if (const Status s = file.append(tile); !s)
                return s;
        }
    }
    raw.setNumber(TagCompression, TiffShort, jpegXl ? CompressionJpegXl : CompressionJpeg);
    raw.setNumbers(TagBitsPerSample, TiffShort, std::vector<double>(size_t(perPixel), 16));
    raw.setNumber(TagTileWidth, TiffLong, width);
    raw.setNumber(TagTileLength, TiffLong, kTilePx);
    raw.setNumbers(TagTileOffsets, TiffLong, offsets);
    raw.setNumbers(TagTileByteCounts, TiffLong, counts);
    return {};
}

Status writeStrip(AtomicFile &file, PlaneView<const uint16_t> samples, int perPixel, int bits, TiffDirectory &raw, const RunContext &run)
{
    raw.setNumber(TagCompression, TiffShort, CompressionNone);
    raw.setNumbers(TagBitsPerSample, TiffShort, std::vector<double>(size_t(perPixel), bits));
    raw.setNumber(TagRowsPerStrip, TiffLong, samples.height);
    raw.setNumber(TagStripOffsets, TiffLong, double(file.position()));
    const size_t rowBytes = (size_t(samples.width) * size_t(bits) + 7) / 8;
    raw.setNumber(TagStripByteCounts, TiffLong, double(rowBytes * size_t(samples.height)));
    std::vector<std::byte> row(rowBytes);
    for (int y = 0; y < samples.height; ++y) {
        if (run.stop.stop_requested())
            return cancelledError();
        if (bits == 16) {
            std::memcpy(row.data(), samples.row(y), rowBytes);
        } else {
            uint32_t held = 0;
            int have = 0;
            size_t at = 0;
            for (int x = 0; x < samples.width; ++x) {
                held = held << bits | samples.row(y)[x];
                for (have += bits; have >= 8; have -= 8)
                    row[at++] = std::byte(held >> (have - 8));
            }
            if (have > 0)
                row[at] = std::byte(held << (8 - have));
        }
        if (const Status s = file.append(row); !s)
            return s;
    }
    return {};
}

} // namespace

void removePictureLayout(TiffDirectory &directory)
{
    for (const uint16_t tag : {254, 255, 256, 257, 258, 259, 262, 266, 273, 277, 278, 279, 284, 317, 322, 323, 324, 325, 330, 339, 347, 512,
                               513, 514, 519, 520, 521, 529, 530, 531, 532, 34665, 34853, int(TagPreviewColorSpace), 50966, 50967, 50968, 50969, 50971, int(TagSubTileBlockSize),
                               int(TagRowInterleaveFactor), int(TagColumnInterleaveFactor), int(TagJxlDistance), int(TagJxlEffort), int(TagJxlDecodeSpeed)})
        directory.erase(tag);
}

Status writeDng(AtomicFile &file, const DngContents &contents, const RunContext &run)
{
    TiffDirectory main = contents.main, raw = contents.raw;
    removePictureLayout(main);
    removePictureLayout(raw);
    raw.exif.clear();
    raw.gps.clear();
    raw.subDirectories.clear();
    const auto header = std::array<std::byte, 8>{std::byte('I'), std::byte('I'), std::byte(42)};
    if (const Status s = file.append(header); !s)
        return s;
    TreeWriter tree(file);
    Status s = writePreview(file, contents.preview, main);
    if (s)
        s = tree.pad();
    if (s)
        s = contents.compression == DngCompression::None ? writeStrip(file, contents.samples, contents.perPixel, contents.bits, raw, run)
                                                         : writeTiles(file, contents.samples, contents.perPixel, contents.compression == DngCompression::JpegXl, raw, run);
    if (!s)
        return s;
    raw.setNumber(TagNewSubFileType, TiffLong, 0);
    const int columns = contents.samples.width / contents.perPixel;
    raw.setNumber(TagImageWidth, TiffLong, columns);
    raw.setNumber(TagImageLength, TiffLong, contents.samples.height);
    raw.setNumber(TagPhotometric, TiffShort, contents.perPixel == 1 ? PhotometricCfa : PhotometricLinearRaw);
    raw.setNumber(TagSamplesPerPixel, TiffShort, contents.perPixel);
    raw.setNumber(TagPlanarConfiguration, TiffShort, 1);
    main.subDirectories = {raw};
    uint64_t where = 0;
    if (const Status written = tree.write(main, where); !written)
        return written;
    if (file.position() > 0xffffffffu)
        return Error{ErrorCode::WriteFailed, sentence("%1 would be larger than the four gigabytes that a DNG may have.", {textOf(file.target())}), {}};
    const uint32_t first = uint32_t(where);
    return file.overwrite(4, std::as_bytes(std::span(&first, 1)));
}

} // namespace irenic
