// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "support/hand_made.h"

#include <QList>

#include <limits>

namespace irenic::test {

/// A file made to do harm.
struct Hostile {
    const char *name; ///< tells what is wrong
    QByteArray bytes;
};

namespace detail {

inline QByteArray bigEndian(uint32_t v)
{
    return QByteArray(1, char(v >> 24)) + char(v >> 16) + char(v >> 8) + char(v);
}

inline uint32_t crc(const QByteArray &bytes)
{
    uint32_t c = 0xffffffffu;
    for (const char b : bytes) {
        c ^= uint8_t(b);
        for (int i = 0; i < 8; ++i)
            c = c >> 1 ^ (c & 1 ? 0xedb88320u : 0);
    }
    return ~c;
}

inline QByteArray pngChunk(const char *type, const QByteArray &data)
{
    const QByteArray body = QByteArray(type) + data;
    return bigEndian(uint32_t(data.size())) + body + bigEndian(crc(body));
}

/// A PNG whose header claims that size; its data are a few bytes.
inline QByteArray pngOf(uint32_t width, uint32_t height, char bits = 16, char type = 2)
{
    const QByteArray header = bigEndian(width) + bigEndian(height) + bits + type + QByteArray(3, '\0');
    return QByteArray("\x89PNG\r\n\x1a\n") + pngChunk("IHDR", header) + pngChunk("IDAT", QByteArray::fromHex("789c6360000000020001")) + pngChunk("IEND", {});
}

/// A baseline or progressive JPEG whose header claims that size.
inline QByteArray jpegOf(uint16_t width, uint16_t height, bool progressive)
{
    QByteArray out = QByteArray::fromHex("ffd8ffdb004300") + QByteArray(64, 1);
    out += QByteArray::fromHex(progressive ? "ffc2001108" : "ffc0001108");
    out += char(height >> 8), out += char(height), out += char(width >> 8), out += char(width);
    out += QByteArray::fromHex("03011100021100031100");
    out += QByteArray::fromHex("ffc4001400010000000000000000000000000000000000");
    out += QByteArray::fromHex("ffda000c03010002000300003f00") + QByteArray(20, '\0') + QByteArray::fromHex("ffd9");
    return out;
}

/// A classical TIFF of RGB with that size and a strip of `strip` bytes.
inline QByteArray tiffOf(uint32_t width, uint32_t height, uint16_t compression, uint32_t rowsPerStrip, const QByteArray &strip)
{
    HandMade d;
    d.width = d.height = 16;
    d.rowsPerStrip = 16;
    d.raw[TagImageWidth] = HandMade::entry<uint32_t>(TiffLong, {width});
    d.raw[TagImageLength] = HandMade::entry<uint32_t>(TiffLong, {height});
    d.raw[TagPhotometric] = HandMade::entry<uint16_t>(TiffShort, {2});
    d.raw[TagSamplesPerPixel] = HandMade::entry<uint16_t>(TiffShort, {3});
    d.raw[TagBitsPerSample] = HandMade::entry<uint16_t>(TiffShort, {16, 16, 16});
    d.raw[TagCompression] = HandMade::entry<uint16_t>(TiffShort, {compression});
    d.raw[TagRowsPerStrip] = HandMade::entry<uint32_t>(TiffLong, {rowsPerStrip});
    d.raw[TagStripByteCounts] = HandMade::entry<uint32_t>(TiffLong, {uint32_t(strip.size())});
    QByteArray bytes = d.bytes();
    // The tag of a DNG becomes one that nobody knows.
    bytes.replace(QByteArray::fromHex("12c6"), QByteArray::fromHex("12fe"));
    return bytes;
}

/// A lossless JPEG whose frame claims that size; every code is a bit long.
inline QByteArray losslessOf(uint16_t width, uint16_t height)
{
    const auto pair = [](uint16_t v) { return QByteArray(1, char(v >> 8)) + char(v); };
    return QByteArray::fromHex("ffd8ffc4001400") + QByteArray::fromHex("0100000000000000000000000000000000") // one code, of category 0
           + QByteArray::fromHex("ffc3000b10") + pair(height) + pair(width) + QByteArray::fromHex("01001100") + QByteArray::fromHex("ffda0008010000010000") + QByteArray(500, '\0')
           + QByteArray::fromHex("ffd9");
}

inline QByteArray dngWith(const std::map<uint16_t, HandMade::Entry> &raw)
{
    HandMade d;
    d.raw = raw;
    return d.bytes();
}

} // namespace detail

/// Small files that claim, contradict, or point at what cannot be: each must be refused in a sentence that names it.
inline QList<Hostile> hostileFiles()
{
    using namespace detail;
    const auto longs = [](const std::vector<uint32_t> &v) { return HandMade::entry<uint32_t>(TiffLong, v); };
    const auto shorts = [](const std::vector<uint16_t> &v) { return HandMade::entry<uint16_t>(TiffShort, v); };
    const auto floats = [](const std::vector<float> &v) { return HandMade::entry<float>(TiffFloat, v); };
    const auto signedFractions = [](const std::vector<int32_t> &v) { return HandMade::entry<int32_t>(TiffSRational, v, 2); };
    const auto fractions = [](const std::vector<uint32_t> &v) { return HandMade::entry<uint32_t>(TiffRational, v, 2); };
    constexpr float kNan = std::numeric_limits<float>::quiet_NaN(), kInf = std::numeric_limits<float>::infinity();
    QList<Hostile> all{
        {"png-of-a-million-squared.png", pngOf(1000000, 1000000)},
        {"png-of-65535-squared.png", pngOf(65535, 65535)},
        {"png-of-20000-squared.png", pngOf(20000, 20000, 8, 0)},
        {"jpeg-of-65500-squared.jpg", jpegOf(65500, 65500, false)},
        {"jpeg-progressive-of-65500-squared.jpg", jpegOf(65500, 65500, true)},
        {"tiff-of-60000-squared.tif", tiffOf(60000, 60000, 8, 60000, QByteArray(64, '\0'))},
        {"tiff-of-60000-squared-lzw.tif", tiffOf(60000, 60000, 5, 1, QByteArray(64, '\0'))},
        {"crop-near-int-max.dng", dngWith({{TagDefaultCropOrigin, longs({2147483000, 2147483000})}, {TagDefaultCropSize, longs({2147483000, 2147483000})}})},
        {"exposure-of-two-billion.dng", dngWith({{TagBaselineExposure, signedFractions({2147483647, 1})}})},
        {"exposure-of-no-number.dng", dngWith({{TagBaselineExposure, signedFractions({1, 0})}})},
        {"black-of-no-number.dng", dngWith({{TagBlackLevel, floats({kNan})}})},
        {"black-infinite.dng", dngWith({{TagBlackLevel, floats({-kInf})}})},
        {"delta-of-no-number.dng", dngWith({{TagBlackLevelDeltaV, floats(std::vector<float>(34, kNan))}})},
        {"matrix-of-no-number.dng", dngWith({{TagColorMatrix1, floats(std::vector<float>(9, kNan))}})},
        {"pattern-dim-of-no-number.dng", dngWith({{TagCfaRepeatPatternDim, floats({kNan, kNan})}})},
        {"black-dim-of-no-number.dng", dngWith({{TagBlackLevelRepeatDim, floats({kNan, kNan})}})},
        {"byte-counts-of-no-number.dng", dngWith({{TagStripByteCounts, floats({kNan})}})},
        {"offset-below-nothing.dng", dngWith({{TagStripOffsets, HandMade::entry<int32_t>(TiffSLong, {-2000000})}, {TagStripByteCounts, floats({2002720.f})}})},
        {"neutral-of-nothing.dng", dngWith({{TagAsShotNeutral, fractions({0, 1, 0, 1, 0, 1})}})},
        {"white-below-black.dng", dngWith({{TagWhiteLevel, longs({10})}})},
        {"width-of-four-billion.dng", dngWith({{TagImageWidth, longs({4294967295u})}})},
        {"rows-of-no-number.dng", dngWith({{TagRowsPerStrip, floats({kNan})}})},
        {"directory-by-a-float.dng", dngWith({{TagSubIfds, floats({8.f})}})},
        {"bits-of-no-number.dng", dngWith({{TagBitsPerSample, floats({kNan})}})},
        {"active-area-of-no-number.dng", dngWith({{TagActiveArea, floats({kNan, 0, 34, 40})}})},
    };
    { // a picture of 8.6 GB from strips that all lie at one place
        const int rows = 65535;
        HandMade d;
        d.raw = {{TagImageWidth, longs({65535})}, {TagImageLength, longs({uint32_t(rows)})}, {TagRowsPerStrip, longs({1})}, {TagStripOffsets, longs(std::vector<uint32_t>(size_t(rows), 8))}, {TagStripByteCounts, longs(std::vector<uint32_t>(size_t(rows), 131070))}};
        all.append({"strips-at-one-place.dng", d.bytes()});
    }
    { // 4,000 entries that each cover the whole file
        HandMade d;
        for (int i = 0; i < 3900; ++i)
            d.raw[uint16_t(10000 + i)] = {TiffByte, 45000, {}, 8};
        all.append({"entries-of-the-whole-file.dng", d.bytes()});
    }
    { // a frame far larger than its tile
        HandMade d;
        const QByteArray jpeg = losslessOf(32000, 32000);
        d.raw = {{TagCompression, shorts({7})}, {TagStripByteCounts, longs({uint32_t(jpeg.size())})}};
        QByteArray bytes = d.bytes();
        bytes.replace(8, jpeg.size(), jpeg);
        all.append({"lossless-frame-beyond-its-tile.dng", bytes});
    }
    return all;
}

} // namespace irenic::test
