// SPDX-License-Identifier: GPL-3.0-or-later
// Every way in which DNG 1.0 to 1.7 lets samples be stored. Written by LibTIFF where it can, by libjxl and libjpeg, else by hand.
#include "base/half.h"
#include "irenic/export_job.h"
#include "irenic/read_frame.h"
#include "raw/dng_samples.h"
#include "raw/tiff_tree.h"
#include "support/frames.h"
#include "support/hand_made.h"
#include "support/jpeg.h"

#include <QFile>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

#include <cstdio>

#include <jxl/encode.h>
// After the standard headers, which it wants.
#include <jpeglib.h>
#include <tiffio.h>
#include <zlib.h>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr int kWidth = 40, kHeight = 34;

std::filesystem::path written(const QTemporaryDir &dir, const char *name, const QByteArray &bytes)
{
    QFile f(dir.filePath(QString::fromLatin1(name)));
    return f.open(QIODevice::WriteOnly) && f.write(bytes) == bytes.size() ? std::filesystem::path(f.fileName().toStdString()) : std::filesystem::path();
}

/// A file as LibTIFF writes it: an independent hand.
struct Written {
    const char *mode = "w"; ///< with "b" for big-endian
    int bits = 16, planes = 1;
    bool isFloat = false, tiled = false, apart = false;
    int compression = COMPRESSION_ADOBE_DEFLATE, predictor = PREDICTOR_NONE;
    int photometric = 0; ///< 0: a mosaic of one plane, full colour of three

    /// What is stored at a place: integers from 0 to 4000, floats from -0.02 to 3.
    double value(int x, int y, int c) const
    {
        const int v = HandMade::sample(x, y, c);
        if (isFloat)
            return x == 3 && y == 3 ? -0.02 : double(v) / 512; // a binary fraction of at most ten places
        return bits == 8 ? v % 256 : bits == 32 ? v * 1048576.0
                                                : v;
    }
    void put(std::vector<uint8_t> &to, double v) const
    {
        if (isFloat && bits == 32) {
            const float f = float(v);
            to.insert(to.end(), reinterpret_cast<const uint8_t *>(&f), reinterpret_cast<const uint8_t *>(&f) + 4);
            return;
        }
        uint32_t n = uint32_t(std::max(0.0, v));
        if (isFloat) { // sign, exponent, fraction
            const float f = float(v);
            uint32_t b;
            std::memcpy(&b, &f, 4);
            const int exponent = int(b >> 23 & 255) - 127;
            n = bits == 16 ? (b >> 31 << 15) | uint32_t(exponent + 15) << 10 | (b >> 13 & 1023) : (b >> 31 << 23) | uint32_t(exponent + 63) << 16 | (b >> 7 & 65535);
        }
        for (int i = 0; i < bits / 8; ++i)
            to.push_back(uint8_t(n >> 8 * i));
    }
    bool write(const std::filesystem::path &file) const
    {
        TIFF *t = TIFFOpen(file.c_str(), mode);
        if (!t)
            return false;
        TIFFSetField(t, TIFFTAG_IMAGEWIDTH, kWidth);
        TIFFSetField(t, TIFFTAG_IMAGELENGTH, kHeight);
        TIFFSetField(t, TIFFTAG_BITSPERSAMPLE, bits);
        TIFFSetField(t, TIFFTAG_SAMPLESPERPIXEL, planes);
        TIFFSetField(t, TIFFTAG_SAMPLEFORMAT, isFloat ? SAMPLEFORMAT_IEEEFP : SAMPLEFORMAT_UINT);
        TIFFSetField(t, TIFFTAG_COMPRESSION, compression);
        if (predictor != PREDICTOR_NONE)
            TIFFSetField(t, TIFFTAG_PREDICTOR, predictor);
        TIFFSetField(t, TIFFTAG_PLANARCONFIG, apart ? PLANARCONFIG_SEPARATE : PLANARCONFIG_CONTIG);
        TIFFSetField(t, TIFFTAG_PHOTOMETRIC, photometric ? photometric : planes == 1 ? PHOTOMETRIC_CFA
                                                                                     : 34892);
        const uint8_t version[4] = {1, 4, 0, 0}, pattern[4] = {0, 1, 1, 2};
        const uint16_t two[2] = {2, 2};
        TIFFSetField(t, TIFFTAG_DNGVERSION, version);
        if (planes == 1 && photometric == 0) {
            TIFFSetField(t, TIFFTAG_CFAREPEATPATTERNDIM, two);
            TIFFSetField(t, TIFFTAG_CFAPATTERN, 4, pattern);
        }
        const int w = tiled ? 16 : kWidth, h = tiled ? 32 : 10;
        if (tiled) {
            TIFFSetField(t, TIFFTAG_TILEWIDTH, w);
            TIFFSetField(t, TIFFTAG_TILELENGTH, h);
        } else {
            TIFFSetField(t, TIFFTAG_ROWSPERSTRIP, h);
        }
        bool good = true;
        for (int plane = 0; plane < (apart ? planes : 1); ++plane)
            for (int y0 = 0; y0 < kHeight; y0 += h)
                for (int x0 = 0; x0 < kWidth; x0 += w) {
                    std::vector<uint8_t> bytes;
                    for (int y = y0; y < (tiled ? y0 + h : std::min(y0 + h, kHeight)); ++y)
                        for (int x = x0; x < x0 + w; ++x)
                            for (int c = apart ? plane : 0; c < (apart ? plane + 1 : planes); ++c)
                                put(bytes, x < kWidth && y < kHeight ? value(x, y, c) : 0);
                    const auto size = tmsize_t(bytes.size());
                    good = good && (tiled ? TIFFWriteEncodedTile(t, TIFFComputeTile(t, uint32_t(x0), uint32_t(y0), 0, uint16_t(plane)), bytes.data(), size) : TIFFWriteEncodedStrip(t, TIFFComputeStrip(t, uint32_t(y0), uint16_t(plane)), bytes.data(), size)) == size;
                }
        TIFFClose(t);
        return good;
    }
};

QByteArray deflated(const QByteArray &bytes)
{
    uLongf length = compressBound(uLong(bytes.size()));
    QByteArray out(qsizetype(length), '\0');
    compress(reinterpret_cast<Bytef *>(out.data()), &length, reinterpret_cast<const Bytef *>(bytes.constData()), uLong(bytes.size()));
    return out.left(qsizetype(length));
}

/// @param distance of lossy coding; 0 keeps every bit
template <class T>
QByteArray jpegXl(const std::vector<T> &samples, int width, int height, int channels, int bits, float distance, bool isFloat = false)
{
    JxlEncoder *e = JxlEncoderCreate(nullptr);
    JxlBasicInfo info;
    JxlEncoderInitBasicInfo(&info);
    info.xsize = uint32_t(width);
    info.ysize = uint32_t(height);
    info.num_color_channels = uint32_t(channels);
    info.bits_per_sample = uint32_t(bits);
    info.exponent_bits_per_sample = isFloat ? (bits == 16 ? 5 : 8) : 0;
    info.uses_original_profile = JXL_TRUE;
    JxlEncoderSetBasicInfo(e, &info);
    JxlColorEncoding colour;
    JxlColorEncodingSetToLinearSRGB(&colour, channels == 1);
    JxlEncoderSetColorEncoding(e, &colour);
    JxlEncoderFrameSettings *s = JxlEncoderFrameSettingsCreate(e, nullptr);
    JxlEncoderSetFrameLossless(s, distance == 0);
    JxlEncoderSetFrameDistance(s, distance);
    const JxlPixelFormat format{uint32_t(channels), std::is_same_v<T, float> ? JXL_TYPE_FLOAT : JXL_TYPE_UINT16, JXL_NATIVE_ENDIAN, 0};
    QByteArray out(1 << 20, '\0');
    if (JxlEncoderAddImageFrame(s, &format, samples.data(), samples.size() * sizeof(T)) != JXL_ENC_SUCCESS)
        return {};
    JxlEncoderCloseInput(e);
    auto *next = reinterpret_cast<uint8_t *>(out.data());
    size_t left = size_t(out.size());
    const bool done = JxlEncoderProcessOutput(e, &next, &left) == JXL_ENC_SUCCESS;
    JxlEncoderDestroy(e);
    return done ? out.left(out.size() - qsizetype(left)) : QByteArray();
}

/// A sequential JPEG of twelve bits, by the formulas of ITU-T T.81: every sample of its own component, steps of 1, codes of eight and nine bits.
QByteArray jpegOf12Bits(const std::vector<uint16_t> &samples, int width, int height, int channels, int restart)
{
    QByteArray out = QByteArray::fromHex("ffd8ffee000e41646f626500640000000000"); // Adobe's marker: no colour differences
    const auto put = [&](std::initializer_list<int> bytes) {
        for (const int b : bytes)
            out.append(char(b));
    };
    put({0xff, 0xdb, 0, 67, 0});
    for (int i = 0; i < 64; ++i)
        put({1});
    put({0xff, 0xc1, 0, 8 + 3 * channels, 12, height >> 8, height & 255, width >> 8, width & 255, channels});
    for (int c = 0; c < channels; ++c)
        put({c + 1, 0x11, 0});
    put({0xff, 0xc4, 0, 2 + 17 + 16, 0x00, 0, 0, 0, 0, 16, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0, 0});
    for (int i = 0; i < 16; ++i)
        put({i});
    put({0xff, 0xc4, (2 + 17 + 256) >> 8, (2 + 17 + 256) & 255, 0x10, 0, 0, 0, 0, 0, 0, 0, 128, 128, 0, 0, 0, 0, 0, 0, 0});
    for (int i = 0; i < 256; ++i)
        put({i});
    if (restart > 0)
        put({0xff, 0xdd, 0, 4, restart >> 8, restart & 255});
    put({0xff, 0xda, 0, 6 + 2 * channels, channels});
    for (int c = 0; c < channels; ++c)
        put({c + 1, 0});
    put({0, 63, 0});
    static constexpr int zigzag[64] = {0, 1, 8, 16, 9, 2, 3, 10, 17, 24, 32, 25, 18, 11, 4, 5, 12, 19, 26, 33, 40, 48, 41, 34, 27, 20, 13, 6, 7, 14, 21, 28,
                                       35, 42, 49, 56, 57, 50, 43, 36, 29, 22, 15, 23, 30, 37, 44, 51, 58, 59, 52, 45, 38, 31, 39, 46, 53, 60, 61, 54, 47, 55, 62, 63};
    uint64_t held = 0;
    int have = 0;
    const auto bits = [&](uint32_t v, int n) {
        held = held << n | v;
        for (have += n; have >= 8; have -= 8) {
            const int b = int(held >> (have - 8) & 255);
            put({b});
            if (b == 255)
                put({0});
        }
    };
    const auto code = [&](bool ac, int symbol) { ac ? symbol < 128 ? bits(uint32_t(symbol), 8) : bits(uint32_t(symbol) + 128, 9) : bits(uint32_t(symbol), 5); };
    const auto number = [&](int v, int size) { bits(uint32_t(v < 0 ? v + (1 << size) - 1 : v), size); };
    const auto sizeOf = [](int v) {
        int size = 0;
        for (v = std::abs(v); v; v >>= 1)
            ++size;
        return size;
    };
    std::vector<int> last(size_t(channels), 0);
    int units = 0, marker = 0;
    for (int by = 0; by < height; by += 8)
        for (int bx = 0; bx < width; bx += 8) {
            if (restart > 0 && units == restart) {
                if (have > 0)
                    bits(0xff >> have, 8 - have);
                put({0xff, 0xd0 + marker});
                marker = (marker + 1) & 7;
                units = 0;
                std::fill(last.begin(), last.end(), 0);
            }
            ++units;
            for (int c = 0; c < channels; ++c) {
                int q[64];
                for (int v = 0; v < 8; ++v)
                    for (int u = 0; u < 8; ++u) {
                        double sum = 0;
                        for (int y = 0; y < 8; ++y)
                            for (int x = 0; x < 8; ++x) {
                                const int sx = std::min(bx + x, width - 1), sy = std::min(by + y, height - 1);
                                sum += (samples[size_t((sy * width + sx) * channels + c)] - 2048.0) * std::cos((2 * x + 1) * u * M_PI / 16) * std::cos((2 * y + 1) * v * M_PI / 16);
                            }
                        q[v * 8 + u] = int(std::lround(sum / 4 * (u ? 1 : std::sqrt(0.5)) * (v ? 1 : std::sqrt(0.5))));
                    }
                const int difference = q[0] - last[size_t(c)];
                last[size_t(c)] = q[0];
                code(false, sizeOf(difference));
                number(difference, sizeOf(difference));
                int zeros = 0;
                for (int i = 1; i < 64; ++i) {
                    const int v = q[zigzag[i]];
                    if (v == 0) {
                        ++zeros;
                        continue;
                    }
                    for (; zeros > 15; zeros -= 16)
                        code(true, 0xf0);
                    code(true, zeros << 4 | sizeOf(v));
                    number(v, sizeOf(v));
                    zeros = 0;
                }
                if (zeros > 0)
                    code(true, 0);
            }
        }
    if (have > 0)
        bits(0xff >> have, 8 - have);
    put({0xff, 0xd9});
    return out;
}

std::vector<uint16_t> samplesOf(const HandMade &h, double scale = 1)
{
    std::vector<uint16_t> all;
    for (int y = 0; y < h.height; ++y)
        for (int x = 0; x < h.width; ++x)
            for (int c = 0; c < h.perPixel; ++c)
                all.push_back(uint16_t(std::lround(HandMade::sample(x, y, c) * scale)));
    return all;
}

/// Every stored sample is the one that was written.
void compareSamples(const Frame &f, const HandMade &h)
{
    for (int y = 0; y < h.height; ++y)
        for (int x = 0; x < h.width; ++x)
            for (int c = 0; c < h.perPixel; ++c)
                QCOMPARE(f.samples.at(x * h.perPixel + c, y), HandMade::sample(x, y, c));
}

} // namespace

Q_DECLARE_METATYPE(Written)

class DngKindsTest : public QObject
{
    Q_OBJECT
private slots:
    void byLibTiff_data()
    {
        QTest::addColumn<Written>("kind");
        QTest::newRow("deflate, strips") << Written{};
        QTest::newRow("deflate of old, tiles") << Written{.tiled = true, .compression = COMPRESSION_DEFLATE};
        QTest::newRow("deflate, predictor 2") << Written{.predictor = PREDICTOR_HORIZONTAL};
        QTest::newRow("deflate, predictor 2, big-endian") << Written{.mode = "wb", .predictor = PREDICTOR_HORIZONTAL};
        QTest::newRow("deflate, predictor 2, three colours, tiles") << Written{.planes = 3, .tiled = true, .predictor = PREDICTOR_HORIZONTAL};
        QTest::newRow("8 bits, predictor 2") << Written{.bits = 8, .predictor = PREDICTOR_HORIZONTAL};
        QTest::newRow("32 bits, uncompressed") << Written{.bits = 32, .compression = COMPRESSION_NONE};
        QTest::newRow("32 bits, predictor 2, big-endian") << Written{.mode = "wb", .bits = 32, .predictor = PREDICTOR_HORIZONTAL};
        QTest::newRow("16-bit floats, uncompressed") << Written{.isFloat = true, .compression = COMPRESSION_NONE};
        QTest::newRow("16-bit floats, predictor 3") << Written{.isFloat = true, .predictor = PREDICTOR_FLOATINGPOINT};
        QTest::newRow("24-bit floats, predictor 3") << Written{.bits = 24, .planes = 3, .isFloat = true, .tiled = true, .predictor = PREDICTOR_FLOATINGPOINT};
        QTest::newRow("32-bit floats, predictor 3") << Written{.bits = 32, .planes = 3, .isFloat = true, .tiled = true, .predictor = PREDICTOR_FLOATINGPOINT};
        QTest::newRow("32-bit floats, uncompressed, big-endian") << Written{.mode = "wb", .bits = 32, .isFloat = true, .compression = COMPRESSION_NONE};
        QTest::newRow("colours one after the other, strips") << Written{.planes = 3, .apart = true};
        QTest::newRow("colours one after the other, tiles, uncompressed") << Written{.planes = 3, .tiled = true, .apart = true, .compression = COMPRESSION_NONE};
    }
    void byLibTiff()
    {
        QFETCH(Written, kind);
        const QTemporaryDir dir;
        const std::filesystem::path file = dir.filePath("kind.dng").toStdString();
        QVERIFY(kind.write(file));
        const auto read = readFrame(file);
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        const Frame &f = *read.value();
        QCOMPARE(f.size().width, kWidth);
        // As linear values: floats as they are, integers as shares of white.
        const double white = kind.isFloat ? 1 : std::exp2(kind.bits) - 1, step = kind.isFloat || kind.bits > 16 ? 3.2 / 65535 : 1e-6;
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                for (int c = 0; c < kind.planes; ++c)
                    QVERIFY2(std::abs(double(f.linearAt(x, y, c)) - kind.value(x, y, c) / white) <= step, qPrintable(QStringLiteral("%1,%2: %3 in place of %4").arg(x).arg(y).arg(double(f.linearAt(x, y, c))).arg(kind.value(x, y, c) / white)));
    }
    void lightsOfFloatsAreKept()
    {
        const QTemporaryDir dir;
        const std::filesystem::path file = dir.filePath("float.dng").toStdString();
        QVERIFY((Written{.bits = 32, .isFloat = true, .compression = COMPRESSION_NONE}.write(file)));
        const auto read = readFrame(file).take();
        const Frame &f = *read;
        QVERIFY2(f.linearAt(3, 3) < -0.019f, qPrintable(QString::number(double(f.linearAt(3, 3))))); // below black
        double brightest = 0;
        for (int x = 0; x < kWidth; ++x)
            brightest = std::max(brightest, double(f.linearAt(x, 20)));
        QVERIFY(brightest > 2.5); // above white
    }
    void halvesAndFloatsOf24Bits()
    {
        QCOMPARE(halfToFloat(0x3c00), 1.f);
        QCOMPARE(halfToFloat(0xc000), -2.f);
        QCOMPARE(halfToFloat(0x7bff), 65504.f);              // IEEE 754: the largest
        QCOMPARE(halfToFloat(0x0001), std::ldexp(1.f, -24)); // and the smallest
        QVERIFY(std::isinf(halfToFloat(0x7c00)) && std::isnan(halfToFloat(0x7e00)));
        QCOMPARE(float24ToFloat(0x3f0000), 1.f);
        QCOMPARE(float24ToFloat(0xc00000), -2.f);
        QCOMPARE(float24ToFloat(0x000001), std::ldexp(1.f, -78));
    }
    void predictorsAtADistance_data()
    {
        QTest::addColumn<int>("predictor");
        QTest::addColumn<int>("distance");
        QTest::newRow("X2") << int(PredictorHorizontalX2) << 2;
        QTest::newRow("X4") << int(PredictorHorizontalX4) << 4;
    }
    void predictorsAtADistance()
    {
        QFETCH(int, predictor);
        QFETCH(int, distance);
        HandMade h;
        h.compression = CompressionDeflate;
        h.extra.push_back({uint16_t(TagPredictor), {uint32_t(predictor)}});
        QByteArray rows;
        for (int y = 0; y < h.height; ++y)
            for (int x = 0; x < h.width; ++x) {
                const int v = HandMade::sample(x, y) - (x >= distance ? HandMade::sample(x - distance, y) : 0);
                rows.append(char(v & 255)).append(char(v >> 8 & 255));
            }
        h.pieces = {deflated(rows)};
        const QTemporaryDir dir;
        const auto read = readFrame(written(dir, "x.dng", h.bytes()));
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        compareSamples(*read.value(), h);
    }
    void floatPredictorsAtADistance()
    {
        // 16-bit floats of the samples over 1024, told by the second one before: bytes of a row apart, the upper ones first.
        HandMade h;
        h.compression = CompressionDeflate;
        h.extra = {{uint16_t(TagPredictor), {uint32_t(PredictorFloatX2)}}, {uint16_t(TagSampleFormat), {3}}, {uint16_t(TagWhiteLevel), {1}}, {uint16_t(TagBlackLevel), {0}}};
        QByteArray all;
        for (int y = 0; y < h.height; ++y) {
            QByteArray row(2 * h.width, '\0');
            for (int x = 0; x < h.width; ++x) {
                const int v = HandMade::sample(x, y) & ~7; // ten bits of fraction are enough
                int exponent = 0;
                while ((v >> exponent) > 1)
                    ++exponent;
                const int bits = (exponent - 10 + 15) << 10 | (((v << 10) >> exponent) & 1023);
                row[x] = char(bits >> 8);
                row[h.width + x] = char(bits & 255);
            }
            for (qsizetype i = row.size() - 1; i >= 2; --i)
                row[i] = char(row[i] - row[i - 2]);
            all.append(row);
        }
        h.pieces = {deflated(all)};
        const QTemporaryDir dir;
        const auto read = readFrame(written(dir, "x.dng", h.bytes()));
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        for (int y = 0; y < h.height; ++y)
            for (int x = 0; x < h.width; ++x)
                QVERIFY(std::abs(double(read.value()->linearAt(x, y)) - (HandMade::sample(x, y) & ~7) / 1024.0) < 2e-4);
    }
    void jpegXlWithoutLoss_data()
    {
        QTest::addColumn<int>("perPixel");
        QTest::addColumn<int>("bits");
        QTest::newRow("mosaic, 16 bits") << 1 << 16;
        QTest::newRow("mosaic, 12 bits") << 1 << 12;
        QTest::newRow("three colours, 16 bits") << 3 << 16;
    }
    void jpegXlWithoutLoss()
    {
        QFETCH(int, perPixel);
        QFETCH(int, bits);
        HandMade h;
        h.bits = bits;
        h.perPixel = perPixel;
        h.compression = CompressionJpegXl;
        h.pieces = {jpegXl(samplesOf(h, 65535 / (std::exp2(bits) - 1)), h.width, h.height, perPixel, bits, 0)};
        QVERIFY(!h.pieces[0].isEmpty());
        const QTemporaryDir dir;
        const auto read = readFrame(written(dir, "xl.dng", h.bytes()));
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        compareSamples(*read.value(), h);
        QCOMPARE(read.value()->compression, std::string("JPEG XL"));
    }
    /// DNG 1.7: a mosaic whose four colours lie apart, which packs better.
    void wovenJpegXl()
    {
        HandMade h;
        h.compression = CompressionJpegXl;
        h.extra = {{uint16_t(TagRowInterleaveFactor), {2}}, {uint16_t(TagColumnInterleaveFactor), {2}}};
        std::vector<uint16_t> fields;
        for (int y = 0; y < h.height; ++y)
            for (int x = 0; x < h.width; ++x) {
                const int v = y < h.height / 2 ? 2 * y : 2 * (y - h.height / 2) + 1, u = x < h.width / 2 ? 2 * x : 2 * (x - h.width / 2) + 1;
                fields.push_back(HandMade::sample(u, v));
            }
        h.pieces = {jpegXl(fields, h.width, h.height, 1, 16, 0)};
        const QTemporaryDir dir;
        const auto read = readFrame(written(dir, "woven.dng", h.bytes()));
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        compareSamples(*read.value(), h);
    }
    void lossyJpegXlComesNear()
    {
        HandMade h;
        h.perPixel = 3;
        h.compression = CompressionJpegXl;
        std::vector<float> smooth;
        for (int y = 0; y < h.height; ++y)
            for (int x = 0; x < h.width; ++x)
                for (int c = 0; c < 3; ++c)
                    smooth.push_back(float(0.2 + 0.01 * x + 0.005 * y + 0.05 * c));
        h.bits = 16;
        h.extra = {{uint16_t(TagSampleFormat), {3}}, {uint16_t(TagBlackLevel), {0, 0, 0}}, {uint16_t(TagWhiteLevel), {1}}};
        h.raw[TagJxlDistance] = HandMade::entry(TiffFloat, std::vector<float>{0.5f});
        h.pieces = {jpegXl(smooth, h.width, h.height, 3, 16, 0.5f, true)};
        QVERIFY(!h.pieces[0].isEmpty());
        const QTemporaryDir dir;
        const auto read = readFrame(written(dir, "xl.dng", h.bytes()));
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        for (int y = 0; y < h.height; ++y)
            for (int x = 0; x < h.width; ++x)
                for (int c = 0; c < 3; ++c)
                    QVERIFY(std::abs(read.value()->linearAt(x, y, c) - smooth[size_t((y * h.width + x) * 3 + c)]) < 0.01f);
        QCOMPARE(read.value()->compression, std::string("lossy JPEG XL"));
        QVERIFY(read.value()->warnings.back().find("with loss") != std::string::npos);
    }
    void lossyJpegAndItsTable()
    {
        // Eight bits a square root of the light, and the table that undoes it.
        HandMade h;
        h.perPixel = 3;
        h.bits = 8;
        h.compression = CompressionLossyJpeg;
        std::vector<uint8_t> smooth;
        for (int y = 0; y < h.height; ++y)
            for (int x = 0; x < h.width; ++x)
                for (int c = 0; c < 3; ++c)
                    smooth.push_back(uint8_t(60 + 3 * x + y + 10 * c));
        h.pieces = {jpeg(smooth, h.width, h.height, 3, 98)};
        std::vector<uint16_t> table;
        for (int i = 0; i < 256; ++i)
            table.push_back(uint16_t(std::lround(std::pow(i / 255.0, 2) * 65535)));
        h.raw[TagLinearizationTable] = HandMade::entry(TiffShort, table);
        h.extra = {{uint16_t(TagBlackLevel), {0, 0, 0}}, {uint16_t(TagWhiteLevel), {65535}}};
        const QTemporaryDir dir;
        const auto read = readFrame(written(dir, "lossy.dng", h.bytes()));
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        for (int y = 0; y < h.height; ++y)
            for (int x = 0; x < h.width; ++x)
                for (int c = 0; c < 3; ++c)
                    QVERIFY(std::abs(std::sqrt(double(read.value()->linearAt(x, y, c))) - smooth[size_t((y * h.width + x) * 3 + c)] / 255.0) < 5 / 255.0);
        QCOMPARE(read.value()->compression, std::string("lossy JPEG"));
    }
    void lossyJpegOf12Bits_data()
    {
        QTest::addColumn<int>("perPixel");
        QTest::addColumn<int>("restart");
        QTest::newRow("mosaic") << 1 << 0;
        QTest::newRow("three colours") << 3 << 0;
        QTest::newRow("three colours, with restarts") << 3 << 4;
    }
    void lossyJpegOf12Bits()
    {
        QFETCH(int, perPixel);
        QFETCH(int, restart);
        HandMade h;
        h.bits = 12;
        h.perPixel = perPixel;
        h.compression = CompressionLossyJpeg;
        h.pieces = {jpegOf12Bits(samplesOf(h), h.width, h.height, perPixel, restart)};
        const QTemporaryDir dir;
        const auto read = readFrame(written(dir, "twelve.dng", h.bytes()));
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        // Steps of 1 in sixty-four frequencies: a sample is off by no more than two.
        for (int y = 0; y < h.height; ++y)
            for (int x = 0; x < h.width; ++x)
                for (int c = 0; c < perPixel; ++c)
                    QVERIFY(std::abs(int(read.value()->samples.at(x * perPixel + c, y)) - int(HandMade::sample(x, y, c))) <= 2);
        // And cut off at any place it is refused, or what is left is a whole picture.
        const QByteArray whole = h.pieces[0];
        for (qsizetype n = 4; n < whole.size(); n += 97) {
            h.pieces = {whole.left(n)};
            const auto cut = readFrame(written(dir, qPrintable(QString::number(n)), h.bytes()));
            QVERIFY2(!cut.ok() || n > whole.size() - 16, qPrintable(QString::number(n)));
        }
    }
    void aDngMadeOfOneIsWholeAgain()
    {
        // Of a JPEG XL source: lossless JPEG, the version that its readers must know lowered again, nothing left of the old storage.
        ShootOptions o;
        const Shot shot = shoot(makeScene({96, 64}), o).take();
        HandMade h;
        h.width = shot.samples.width();
        h.height = h.rowsPerStrip = shot.samples.height();
        h.compression = CompressionJpegXl;
        std::vector<uint16_t> samples;
        for (int y = 0; y < h.height; ++y)
            samples.insert(samples.end(), shot.samples.row(y), shot.samples.row(y) + h.width);
        h.white = 16383;
        h.black = 512;
        h.pieces = {jpegXl(samples, h.width, h.height, 1, 16, 0)};
        h.extra.push_back({uint16_t(TagRowInterleaveFactor), {1}});
        h.raw[TagDngBackwardVersion] = HandMade::entry(TiffByte, std::vector<uint8_t>{1, 7, 0, 0});
        const QTemporaryDir dir;
        ExportJob job;
        job.source = written(dir, "xl.dng", h.bytes());
        job.folder = job.source.parent_path();
        job.treatment = WantedTreatment{.method = "wavelet", .luminance = 0, .colour = 0};
        job.again = true;
        const auto done = runExportJob(job, nullptr, nullptr);
        QVERIFY2(done.ok(), done.ok() ? "" : done.error().userMessage.c_str());
        const auto again = readFrame(done.value().report.file);
        QVERIFY(again.ok());
        QCOMPARE(again.value()->compression, std::string("lossless JPEG"));
        QVERIFY(sameBits(again.value()->samples.constView(), readFrame(job.source).value()->samples.constView()));
        const QString file = QString::fromStdString(done.value().report.file.string());
        QVERIFY(exifOf(file, {"DNGBackwardVersion"}).value(0).endsWith("1 4 0 0"));
        QVERIFY(exifOf(file, {"RowInterleaveFactor"}).isEmpty());
    }
    /// Written as JPEG XL the samples are the same, and whoever does not know DNG 1.7 is told; the library's own program reads a tile.
    void aDngIsWrittenAsJpegXl_data()
    {
        QTest::addColumn<bool>("linear");
        QTest::newRow("mosaic") << false;
        QTest::newRow("linear") << true;
    }
    void aDngIsWrittenAsJpegXl()
    {
        QFETCH(bool, linear);
        const QTemporaryDir dir;
        ShootOptions o;
        o.iso = 1600;
        const Shot shot = shoot(makeScene({610, 402}), o).take(); // no whole number of tiles
        ExportJob job;
        job.source = dir.filePath("shot.dng").toStdString();
        QVERIFY(writeShot(job.source, shot, o));
        job.folder = dir.path().toStdString();
        job.treatment = WantedTreatment{.method = "wavelet", .luminance = 1, .colour = 1};
        job.format = linear ? ExportFormat::LinearDng : ExportFormat::Dng;
        job.again = true;
        std::vector<std::filesystem::path> files;
        for (const DngCompression compression : {DngCompression::LosslessJpeg, DngCompression::JpegXl}) {
            job.options.dng = compression;
            const auto done = runExportJob(job, nullptr, nullptr);
            QVERIFY2(done.ok(), done.ok() ? "" : done.error().userMessage.c_str());
            files.push_back(done.value().report.file);
        }
        const auto usual = readFrame(files[0]).take(), small = readFrame(files[1]).take();
        QCOMPARE(small->compression, std::string("JPEG XL"));
        QVERIFY(sameBits(small->samples.constView(), usual->samples.constView()));
        QVERIFY(small->crop == usual->crop && small->levels.white == usual->levels.white && small->levels.black == usual->levels.black);
        QVERIFY(double(std::filesystem::file_size(files[1])) < 1.1 * double(std::filesystem::file_size(files[0]))); // though its tiles are filled up
        const QString file = QString::fromStdString(files[1].string());
        QVERIFY(exifOf(file, {"DNGVersion"}).value(0).endsWith("1 7 1 0") && exifOf(file, {"DNGBackwardVersion"}).value(0).endsWith("1 7 1 0"));
        const TiffTree tree = readTiffTree(files[1]).take();
        const TiffDirectory &raw = tree.chain.front().subDirectories.front();
        QCOMPARE(int(raw.number(TagCompression, 0)), int(CompressionJpegXl));
        QCOMPARE(raw.number(TagJxlDistance, -1), 0.0);
        QCOMPARE(raw.number(TagRowInterleaveFactor, 1), linear ? 1.0 : 2.0);
        // The first tile: of a mosaic the samples of one colour.
        QFile bytes(file), tile(dir.filePath("tile.jxl"));
        QVERIFY(bytes.open(QIODevice::ReadOnly) && bytes.seek(qint64(raw.numbers(TagTileOffsets).front())) && tile.open(QIODevice::WriteOnly));
        QByteArray stream = bytes.read(qint64(raw.numbers(TagTileByteCounts).front()));
        QVERIFY(stream.startsWith("\xff\x0a")); // a bare codestream
        QVERIFY(tile.write(stream) == stream.size());
        tile.close();
        QCOMPARE(QProcess::execute("djxl", {tile.fileName(), dir.filePath("tile.png")}), 0);
        const QImage decoded(dir.filePath("tile.png"));
        QCOMPARE(decoded.size(), QSize(256, 256));
        const QImage deep = decoded.convertToFormat(linear ? QImage::Format_RGBX64 : QImage::Format_Grayscale16);
        for (int y = 0; y < 200; y += 3)
            for (int x = 0; x < 256; ++x) {
                const auto *row = reinterpret_cast<const uint16_t *>(deep.constScanLine(y));
                if (linear)
                    QCOMPARE(row[4 * x + 1], usual->samples.at(3 * x + 1, y));
                else
                    QCOMPARE(row[x], usual->samples.at(2 * x, 2 * y));
            }
    }
    void aSensorWithoutFiltersIsGrey()
    {
        const QTemporaryDir dir;
        const std::filesystem::path file = dir.filePath("grey.dng").toStdString();
        Written grey{.tiled = true};
        grey.photometric = 34892;
        QVERIFY(grey.write(file));
        const auto read = readFrame(file);
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        QCOMPARE(int(read.value()->kind), int(FrameKind::Linear));
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                for (int c = 0; c < 3; ++c)
                    QCOMPARE(double(read.value()->samples.at(3 * x + c, y)), grey.value(x, y, 0));
        // Measured, treated, written and read again it stays grey.
        ExportJob job;
        job.source = file;
        job.folder = file.parent_path();
        job.treatment = WantedTreatment{.method = "wavelet"};
        const auto done = runExportJob(job, nullptr, nullptr);
        QVERIFY2(done.ok(), done.ok() ? "" : done.error().userMessage.c_str());
        const auto again = readFrame(done.value().report.file).value();
        for (int y = 0; y < kHeight; ++y)
            for (int x = 0; x < kWidth; ++x)
                QVERIFY(std::abs(again->samples.at(3 * x, y) - again->samples.at(3 * x + 1, y)) <= 1 && std::abs(again->samples.at(3 * x, y) - again->samples.at(3 * x + 2, y)) <= 1);
    }
    void theMainPictureIsRead()
    {
        // An enhanced picture beside the mosaic: TIFF subfile type 16. Written as directories of one chain by LibTIFF.
        const QTemporaryDir dir;
        const std::filesystem::path file = dir.filePath("two.dng").toStdString();
        QVERIFY(Written{}.write(file));
        TIFF *t = TIFFOpen(file.c_str(), "a");
        QVERIFY(t);
        TIFFSetField(t, TIFFTAG_SUBFILETYPE, 16);
        TIFFSetField(t, TIFFTAG_IMAGEWIDTH, 64);
        TIFFSetField(t, TIFFTAG_IMAGELENGTH, 48);
        TIFFSetField(t, TIFFTAG_BITSPERSAMPLE, 16);
        TIFFSetField(t, TIFFTAG_SAMPLESPERPIXEL, 3);
        TIFFSetField(t, TIFFTAG_PHOTOMETRIC, 34892);
        TIFFSetField(t, TIFFTAG_ROWSPERSTRIP, 48);
        std::vector<uint16_t> grey(64 * 48 * 3, 700);
        QVERIFY(TIFFWriteEncodedStrip(t, 0, grey.data(), tmsize_t(grey.size() * 2)) > 0);
        TIFFClose(t);
        const auto read = readFrame(file);
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        QCOMPARE(int(read.value()->kind), int(FrameKind::Mosaic));
        const auto &w = read.value()->warnings;
        QVERIFY(std::any_of(w.begin(), w.end(), [](const std::string &s) { return s.find("another raw picture") != std::string::npos; }));
    }
    void whatCannotBeIsRefusedInWords_data()
    {
        QTest::addColumn<int>("compression");
        QTest::addColumn<QByteArray>("piece");
        QTest::addColumn<QString>("word");
        QTest::newRow("an unknown compression") << 34713 << QByteArray("12345678") << "34713";
        QTest::newRow("deflate that is none") << int(CompressionDeflate) << QByteArray(3000, 'x') << "cannot be unpacked";
        QTest::newRow("JPEG XL that is none") << int(CompressionJpegXl) << QByteArray(3000, 'x') << "JPEG XL";
        QTest::newRow("JPEG XL of another size") << int(CompressionJpegXl) << jpegXl(std::vector<uint16_t>(20 * 20, 9), 20, 20, 1, 16, 0) << "does not fit its place";
        QTest::newRow("a JPEG of another size") << int(CompressionLossyJpeg) << jpeg(std::vector<uint8_t>(20 * 20, 9), 20, 20, 1, 90) << "does not fit its place";
        QTest::newRow("too little for its size") << int(CompressionDeflate) << QByteArray("x") << "too short";
    }
    void whatCannotBeIsRefusedInWords()
    {
        QFETCH(int, compression);
        QFETCH(QByteArray, piece);
        QFETCH(QString, word);
        HandMade h;
        h.compression = compression;
        h.pieces = {piece};
        const QTemporaryDir dir;
        const auto read = readFrame(written(dir, "no.dng", h.bytes()));
        QVERIFY(!read.ok());
        QVERIFY2(QString::fromStdString(read.error().userMessage).contains(word), read.error().userMessage.c_str());
    }
};

QTEST_GUILESS_MAIN(DngKindsTest)
#include "dng_kinds_test.moc"
