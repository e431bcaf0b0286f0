// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "raw/tiff_tree.h"

#include <QByteArray>

#include <map>

namespace irenic::test {

/// Writes a minimal uncompressed DNG by hand: one directory, samples in strips or tiles, either byte order.
struct HandMade {
    bool big = false;
    int bits = 16;
    int width = 40, height = 34;
    int rowsPerStrip = 34;
    int tileWidth = 0, tileHeight = 0;
    double black = 64, white = 4000;
    int perPixel = 1; ///< 3 makes a linear DNG
    int compression = 1;
    std::vector<QByteArray> pieces;                                ///< strips or tiles in place of the uncompressed ones
    std::vector<std::pair<uint16_t, std::vector<uint32_t>>> extra; ///< longs
    struct Entry {
        uint16_t type = TiffLong;
        uint32_t count = 0;  ///< as the entry claims
        QByteArray value;    ///< as it lies in the file
        int64_t offset = -1; ///< of the value, where it is not to be put anywhere
    };
    std::map<uint16_t, Entry> raw; ///< in place of, or beside, what a sound file would have

    template <class T>
    static Entry entry(TiffType type, const std::vector<T> &values, uint32_t perNumber = 1)
    {
        return {uint16_t(type), uint32_t(values.size() / perNumber), QByteArray(reinterpret_cast<const char *>(values.data()), qsizetype(values.size() * sizeof(T)))};
    }

    static uint16_t sample(int x, int y, int c = 0) { return uint16_t(70 + (x * 37 + y * 91 + c * 211) % 1500); }

    QByteArray bytes() const
    {
        QByteArray out;
        const auto put = [&](uint64_t v, int n) {
            for (int i = 0; i < n; ++i)
                out.append(char(v >> 8 * (big ? n - 1 - i : i)));
        };
        out.append(big ? "MM" : "II");
        put(42, 2);
        put(0, 4); // patched below
        const int tw = tileWidth ? tileWidth : width, th = tileWidth ? tileHeight : rowsPerStrip;
        std::vector<uint32_t> offsets, counts;
        for (const QByteArray &piece : pieces) {
            offsets.push_back(uint32_t(out.size()));
            counts.push_back(uint32_t(piece.size()));
            out.append(piece);
        }
        for (int y0 = 0; y0 < height && pieces.empty(); y0 += th)
            for (int x0 = 0; x0 < width; x0 += tw) {
                offsets.push_back(uint32_t(out.size()));
                const int rows = tileWidth ? th : std::min(th, height - y0);
                for (int y = y0; y < y0 + rows; ++y) {
                    uint32_t held = 0;
                    int have = 0;
                    for (int i = x0 * perPixel; i < (x0 + tw) * perPixel; ++i) {
                        const int x = i / perPixel;
                        const uint16_t v = x < width && y < height ? sample(x, y, i % perPixel) : 0;
                        if (bits == 16) {
                            put(v, 2);
                            continue;
                        }
                        held = held << bits | v;
                        for (have += bits; have >= 8; have -= 8)
                            out.append(char(held >> (have - 8)));
                    }
                    if (have > 0)
                        out.append(char(held << (8 - have)));
                }
                counts.push_back(uint32_t(out.size()) - offsets.back());
            }
        std::map<uint16_t, std::pair<int, std::vector<uint32_t>>> tags; // type, values
        const auto shorts = [&](uint16_t tag, std::vector<uint32_t> v) { tags[tag] = {3, v}; };
        const auto longs = [&](uint16_t tag, std::vector<uint32_t> v) { tags[tag] = {4, v}; };
        longs(TagNewSubFileType, {0});
        longs(TagImageWidth, {uint32_t(width)});
        longs(TagImageLength, {uint32_t(height)});
        shorts(TagBitsPerSample, std::vector<uint32_t>(size_t(perPixel), uint32_t(bits)));
        shorts(TagCompression, {uint32_t(compression)});
        shorts(TagPhotometric, {uint32_t(perPixel == 1 ? PhotometricCfa : PhotometricLinearRaw)});
        shorts(TagSamplesPerPixel, {uint32_t(perPixel)});
        longs(tileWidth ? TagTileOffsets : TagStripOffsets, offsets);
        longs(tileWidth ? TagTileByteCounts : TagStripByteCounts, counts);
        if (tileWidth) {
            longs(TagTileWidth, {uint32_t(tileWidth)});
            longs(TagTileLength, {uint32_t(tileHeight)});
        } else
            longs(TagRowsPerStrip, {uint32_t(rowsPerStrip)});
        if (perPixel == 1) {
            shorts(TagCfaRepeatPatternDim, {2, 2});
            tags[TagCfaPattern] = {1, {0, 1, 1, 2}};
        }
        tags[TagDngVersion] = {1, {1, 4, 0, 0}};
        longs(TagBlackLevel, perPixel == 1 ? std::vector<uint32_t>{uint32_t(black)} : std::vector<uint32_t>{uint32_t(black), uint32_t(black) + 2, uint32_t(black) + 5});
        longs(TagWhiteLevel, {uint32_t(white)});
        for (const auto &[tag, values] : extra)
            longs(tag, values);
        for (const auto &[tag, entry] : raw)
            tags[tag] = {entry.type, {}};
        // Values of more than four bytes go in front of the directory.
        std::map<uint16_t, uint32_t> placed;
        const auto sizeOf = [](int type) { return type == 1 ? 1 : type == 3 ? 2
                                                                            : 4; };
        for (const auto &[tag, entry] : raw) {
            placed[tag] = uint32_t(entry.offset >= 0 ? entry.offset : out.size());
            if (entry.offset < 0 && entry.value.size() > 4)
                out.append(entry.value);
        }
        for (const auto &[tag, value] : tags)
            if (int(value.second.size()) * sizeOf(value.first) > 4) {
                placed[tag] = uint32_t(out.size());
                for (const uint32_t v : value.second)
                    put(v, sizeOf(value.first));
            }
        const uint32_t at = uint32_t(out.size());
        put(tags.size(), 2);
        for (const auto &[tag, value] : tags) {
            put(tag, 2);
            put(uint64_t(value.first), 2);
            if (const auto own = raw.find(tag); own != raw.end()) {
                put(own->second.count, 4);
                if (own->second.offset < 0 && own->second.value.size() <= 4)
                    out.append(own->second.value.leftJustified(4, '\0'));
                else
                    put(placed[tag], 4);
                continue;
            }
            put(value.second.size(), 4);
            if (placed.contains(tag)) {
                put(placed[tag], 4);
                continue;
            }
            const qsizetype before = out.size();
            for (const uint32_t v : value.second)
                put(v, sizeOf(value.first));
            while (out.size() < before + 4)
                out.append('\0');
        }
        put(0, 4);
        QByteArray head;
        for (int i = 0; i < 4; ++i)
            head.append(char(at >> 8 * (big ? 3 - i : i)));
        out.replace(4, 4, head);
        return out;
    }
};

} // namespace irenic::test
