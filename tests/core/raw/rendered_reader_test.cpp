// SPDX-License-Identifier: GPL-3.0-or-later
// Finished pictures, as other programs write them: Qt's writers and LibTIFF stand for those.
#include "colour/profile.h"
#include "irenic/develop.h"
#include "irenic/frame.h"
#include "irenic/measure_noise.h"
#include "irenic/noise.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <tiffio.h>

#include <QColorSpace>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

/// 61 x 47 pixels, every one of another colour; odd sizes reach the edges of tiles and strips.
QImage testImage(QImage::Format format)
{
    QImage image(61, 47, QImage::Format_RGBA64);
    for (int y = 0; y < image.height(); ++y)
        for (int x = 0; x < image.width(); ++x)
            image.setPixelColor(x, y, QColor::fromRgba64(quint16(x * 1000 + 300), quint16(y * 1300 + 500), quint16((x + y) * 550 + 700)));
    return image.convertToFormat(format);
}

struct TiffWish {
    const char *name;
    int bits = 16;
    int planar = PLANARCONFIG_CONTIG;
    int compression = COMPRESSION_NONE;
    bool tiled = false;
    bool big = false;
    int extra = 0;
    int channels = 3;
    bool floats = false;
};

uint16_t wanted(int x, int y, int c)
{
    return uint16_t(x * 900 + y * 37 + c * 5000 + 100);
}

void writeTiff(const QString &file, const TiffWish &w, uint32_t width, uint32_t height)
{
    TIFF *t = TIFFOpen(qPrintable(file), w.big ? "wb" : "wl");
    const int perPixel = w.channels + w.extra;
    TIFFSetField(t, TIFFTAG_IMAGEWIDTH, width);
    TIFFSetField(t, TIFFTAG_IMAGELENGTH, height);
    TIFFSetField(t, TIFFTAG_BITSPERSAMPLE, w.floats ? 32 : w.bits);
    TIFFSetField(t, TIFFTAG_SAMPLEFORMAT, w.floats ? SAMPLEFORMAT_IEEEFP : SAMPLEFORMAT_UINT);
    TIFFSetField(t, TIFFTAG_SAMPLESPERPIXEL, perPixel);
    TIFFSetField(t, TIFFTAG_PHOTOMETRIC, w.channels == 1 ? PHOTOMETRIC_MINISBLACK : PHOTOMETRIC_RGB);
    TIFFSetField(t, TIFFTAG_PLANARCONFIG, w.planar);
    TIFFSetField(t, TIFFTAG_COMPRESSION, w.compression);
    if (w.extra) {
        const uint16_t kind[1] = {EXTRASAMPLE_UNASSALPHA};
        TIFFSetField(t, TIFFTAG_EXTRASAMPLES, 1, kind);
    }
    const int planes = w.planar == PLANARCONFIG_SEPARATE ? perPixel : 1, perPiece = w.planar == PLANARCONFIG_SEPARATE ? 1 : perPixel;
    const uint32_t side = 16;
    const auto fill = [&](std::vector<uint8_t> &bytes, uint32_t x0, uint32_t y0, uint32_t across, uint32_t down, int plane) {
        bytes.clear();
        for (uint32_t y = y0; y < y0 + down; ++y)
            for (uint32_t x = x0; x < x0 + across; ++x)
                for (int c = 0; c < perPiece; ++c) {
                    const uint16_t v = x < width && y < height ? wanted(int(x), int(y), plane + c) : uint16_t(0);
                    const float f = float(v) / 65535;
                    const uint8_t narrow = uint8_t(v / 257);
                    const auto *p = w.floats ? reinterpret_cast<const uint8_t *>(&f) : w.bits == 16 ? reinterpret_cast<const uint8_t *>(&v)
                                                                                                    : &narrow;
                    bytes.insert(bytes.end(), p, p + (w.floats ? 4 : w.bits / 8));
                }
    };
    std::vector<uint8_t> bytes;
    if (w.tiled) {
        TIFFSetField(t, TIFFTAG_TILEWIDTH, side);
        TIFFSetField(t, TIFFTAG_TILELENGTH, side);
        for (int plane = 0; plane < planes; ++plane)
            for (uint32_t y = 0; y < height; y += side)
                for (uint32_t x = 0; x < width; x += side) {
                    fill(bytes, x, y, side, side, plane);
                    TIFFWriteTile(t, bytes.data(), x, y, 0, uint16_t(plane));
                }
    } else {
        TIFFSetField(t, TIFFTAG_ROWSPERSTRIP, 7);
        for (int plane = 0; plane < planes; ++plane)
            for (uint32_t y = 0; y < height; ++y) {
                fill(bytes, 0, y, width, 1, plane);
                TIFFWriteScanline(t, bytes.data(), y, uint16_t(plane));
            }
    }
    TIFFClose(t);
}

bool mentions(const Frame &f, const char *word)
{
    return std::any_of(f.warnings.begin(), f.warnings.end(), [&](const std::string &w) { return w.find(word) != std::string::npos; });
}

} // namespace

namespace {

/// Every sample is the image's, but for a border and a tolerance (of 65535).
void compare(const Frame &f, const QImage &image, int borderPx, int tolerance)
{
    for (int y = borderPx; y < image.height() - borderPx; ++y)
        for (int x = borderPx; x < image.width() - borderPx; ++x) {
            const QRgba64 p = image.pixelColor(x, y).rgba64();
            const int got[3] = {f.samples.at(x * 3, y), f.samples.at(x * 3 + 1, y), f.samples.at(x * 3 + 2, y)}, meant[3] = {p.red(), p.green(), p.blue()};
            for (int c = 0; c < 3; ++c)
                QVERIFY2(std::abs(got[c] - meant[c]) <= tolerance, qPrintable(QStringLiteral("%1 %2: %3 %4").arg(x).arg(y).arg(got[c]).arg(meant[c])));
        }
}

} // namespace

class RenderedReaderTest : public QObject
{
    Q_OBJECT
private slots:
    void picturesOfEveryKind_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<int>("format");
        QTest::addColumn<int>("bits");
        QTest::addColumn<int>("tolerance"); ///< of 65535
        QTest::newRow("PNG, 8 bits") << "p8.png" << int(QImage::Format_RGB888) << 8 << 0;
        QTest::newRow("PNG, 16 bits") << "p16.png" << int(QImage::Format_RGBX64) << 16 << 0;
        QTest::newRow("PNG, transparent") << "pa.png" << int(QImage::Format_RGBA8888) << 8 << 0;
        QTest::newRow("JPEG") << "j.jpg" << int(QImage::Format_RGB888) << 8 << 3000;
        QTest::newRow("JPEG by another ending") << "j.jpeg" << int(QImage::Format_RGB888) << 8 << 3000;
    }
    void picturesOfEveryKind()
    {
        QFETCH(QString, name);
        QFETCH(int, format);
        QFETCH(int, bits);
        QFETCH(int, tolerance);
        const QTemporaryDir dir;
        const QImage image = testImage(QImage::Format(format));
        QVERIFY(image.save(dir.filePath(name), nullptr, 98));
        const auto frame = readFrame(dir.filePath(name).toStdString());
        QVERIFY2(frame.ok(), frame.ok() ? "" : frame.error().userMessage.c_str());
        const Frame &f = *frame.value();
        QCOMPARE(int(f.kind), int(FrameKind::Rendered));
        QCOMPARE(f.shooting.bitDepth, bits);
        QVERIFY((f.size() == Size{61, 47}));
        QCOMPARE(mentions(f, "transparency"), name == "pa.png");
        compare(f, image, 0, tolerance);
        // sRGB without a profile: IEC 61966-2-1 puts the middle of the scale at 0.2140.
        QVERIFY(std::abs(double(f.encoding->decode[0][32768]) - 0.21404) < 2e-4);
    }

    void picturesByOtherTools_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QString>("tool");
        QTest::addColumn<QStringList>("arguments"); ///< before the file that is read, or before -o
        QTest::addColumn<int>("tolerance");
        QTest::addColumn<int>("bits");
        QTest::newRow("JPEG XL without loss, 16 bits") << "a.jxl"
                                                       << "cjxl" << QStringList{"-d", "0"} << 0 << 16;
        QTest::newRow("JPEG XL with loss") << "b.jxl"
                                           << "cjxl" << QStringList{"-d", "0.3"} << 2500 << 16;
        QTest::newRow("HEIC") << "c.heic"
                              << "heif-enc" << QStringList{"-q", "98"} << 6000 << 8;
        QTest::newRow("AVIF") << "d.avif"
                              << "heif-enc" << QStringList{"-A", "-q", "98"} << 6000 << 8;
    }
    void picturesByOtherTools()
    {
        QFETCH(QString, name);
        QFETCH(QString, tool);
        QFETCH(QStringList, arguments);
        QFETCH(int, tolerance);
        QFETCH(int, bits);
        const QTemporaryDir dir;
        // Smooth, or what is coded with loss tells nothing.
        const QImage image = testImage(bits == 16 ? QImage::Format_RGBX64 : QImage::Format_RGB888).copy(0, 0, 60, 46);
        const QString source = dir.filePath("s.png"), file = dir.filePath(name);
        QVERIFY(image.save(source));
        QCOMPARE(QProcess::execute(tool, tool == "cjxl" ? QStringList{source, file} + arguments : arguments + QStringList{source, "-o", file}), 0);
        const auto frame = readFrame(file.toStdString());
        QVERIFY2(frame.ok(), frame.ok() ? "" : frame.error().userMessage.c_str());
        const Frame &f = *frame.value();
        QCOMPARE(int(f.kind), int(FrameKind::Rendered));
        QCOMPARE(f.shooting.bitDepth, bits);
        QVERIFY((f.size() == Size{60, 46}));
        compare(f, image, 1, tolerance);
    }
    void codePointsTellTheProfile()
    {
        // ITU-T H.273: P3 with D65 and the curve of sRGB. Pure red of P3 lies outside sRGB: more than 1, and green below 0.
        const Encoding e = encodingOf(profileOfCodePoints(12, 13), 3);
        QVERIFY(!e.decode[0].empty());
        QVERIFY(std::abs(double(e.decode[0][32768]) - 0.21404) < 5e-4);
        QVERIFY(std::abs(e.toSrgb[0] - 1.2249) < 3e-3 && std::abs(e.toSrgb[3] + 0.0420) < 3e-3); // SMPTE EG 432-1 to IEC 61966-2-1
        QVERIFY(profileOfCodePoints(9, 16).empty());                                             // PQ
        QVERIFY(profileOfCodePoints(1, 18).empty());                                             // HLG
    }
    void whatElseAFileHoldsIsTold()
    {
        const QTemporaryDir dir;
        const QString file = dir.filePath("pages.tif");
        writeTiff(file, wishes()[0], 61, 47);
        TIFF *t = TIFFOpen(qPrintable(file), "a");
        QVERIFY(t);
        std::vector<uint8_t> grey(32 * 32, 99);
        TIFFSetField(t, TIFFTAG_IMAGEWIDTH, 32);
        TIFFSetField(t, TIFFTAG_IMAGELENGTH, 32);
        TIFFSetField(t, TIFFTAG_BITSPERSAMPLE, 8);
        TIFFSetField(t, TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_MINISBLACK);
        QVERIFY(TIFFWriteEncodedStrip(t, 0, grey.data(), tmsize_t(grey.size())) > 0);
        TIFFClose(t);
        const auto frame = readFrame(file.toStdString());
        QVERIFY(frame);
        QVERIFY(mentions(*frame.value(), "several pictures"));
    }
    void whatIsForInksIsRefused()
    {
        const QTemporaryDir dir;
        const QString file = dir.filePath("inks.tif");
        TIFF *t = TIFFOpen(qPrintable(file), "w");
        QVERIFY(t);
        std::vector<uint8_t> inks(32 * 32 * 4, 99);
        TIFFSetField(t, TIFFTAG_IMAGEWIDTH, 32);
        TIFFSetField(t, TIFFTAG_IMAGELENGTH, 32);
        TIFFSetField(t, TIFFTAG_BITSPERSAMPLE, 8);
        TIFFSetField(t, TIFFTAG_SAMPLESPERPIXEL, 4);
        TIFFSetField(t, TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_SEPARATED);
        QVERIFY(TIFFWriteEncodedStrip(t, 0, inks.data(), tmsize_t(inks.size())) > 0);
        TIFFClose(t);
        const auto frame = readFrame(file.toStdString());
        QVERIFY(!frame);
        QVERIFY(frame.error().userMessage.find("CMYK") != std::string::npos);
    }

    void tiffsOfEveryLayout_data()
    {
        QTest::addColumn<int>("index");
        for (size_t i = 0; i < wishes().size(); ++i)
            QTest::newRow(wishes()[i].name) << int(i);
    }
    void tiffsOfEveryLayout()
    {
        QFETCH(int, index);
        const TiffWish &w = wishes()[size_t(index)];
        const QTemporaryDir dir;
        writeTiff(dir.filePath("t.tif"), w, 61, 47);
        const auto frame = readFrame(dir.filePath("t.tif").toStdString());
        QVERIFY2(frame.ok(), frame.ok() ? "" : frame.error().userMessage.c_str());
        const Frame &f = *frame.value();
        QCOMPARE(int(f.kind), int(FrameKind::Rendered));
        for (int y = 0; y < 47; ++y)
            for (int x = 0; x < 61; ++x)
                for (int c = 0; c < 3; ++c) {
                    const uint16_t v = wanted(x, y, w.channels == 1 ? 0 : c);
                    QCOMPARE(int(f.samples.at(x * 3 + c, y)), w.bits == 8 ? v / 257 * 257 : int(v));
                }
        QCOMPARE(mentions(f, "extra channels"), w.extra > 0);
        QCOMPARE(mentions(f, "rounded"), w.floats);
    }

    void profilesAreFollowed()
    {
        // The same numbers in a wide profile mean stronger colours; seen in sRGB they must come out as Qt's own conversion has them.
        const QTemporaryDir dir;
        QImage image = testImage(QImage::Format_RGBX64);
        image.setColorSpace(QColorSpace(QColorSpace::AdobeRgb));
        QVERIFY(image.save(dir.filePath("wide.png")));
        const auto frame = readFrame(dir.filePath("wide.png").toStdString());
        QVERIFY(frame);
        QVERIFY(!frame.value()->encoding->profile.empty());
        const QImage srgb = image.convertedToColorSpace(QColorSpace(QColorSpace::SRgb));
        const Developer developer(*frame.value());
        for (int y = 5; y < 47; y += 10)
            for (int x = 5; x < 61; x += 10) {
                Plane<float> one({3, 1});
                for (int c = 0; c < 3; ++c)
                    one.at(c, 0) = frame.value()->linearAt(x, y, c);
                const auto shown = encoded16(developer.develop(one.view(), {}));
                const QRgba64 p = srgb.pixelColor(x, y).rgba64();
                const int meant[3] = {p.red(), p.green(), p.blue()};
                for (size_t c = 0; c < 3; ++c)
                    if (meant[c] > 1500 && meant[c] < 64000) // what lies outside sRGB is cut off here and there
                        QVERIFY2(std::abs(int(shown.samples[c]) - meant[c]) < 500, qPrintable(QStringLiteral("%1 %2").arg(shown.samples[c]).arg(meant[c])));
            }
    }

    void encodingComesBackExactly()
    {
        const Encoding e = encodingOf({}, 3);
        for (int v = 0; v < 65536; v += 7)
            QCOMPARE(int(e.encoded(e.decode[0][size_t(v)], 0)), v);
        QCOMPARE(int(e.encoded(-1, 0)), 0);
        QCOMPARE(int(e.encoded(2, 0)), 65535);
    }

    void badFilesAreRefusedInWords_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<QByteArray>("bytes");
        const QTemporaryDir dir;
        const auto bytesOf = [&](const QString &name) {
            QFile f(dir.filePath(name));
            return f.open(QIODevice::ReadOnly) ? f.readAll() : QByteArray();
        };
        testImage(QImage::Format_RGB888).save(dir.filePath("a.png"));
        testImage(QImage::Format_RGB888).save(dir.filePath("a.jpg"));
        QProcess::execute("cjxl", {dir.filePath("a.png"), dir.filePath("a.jxl"), "-d", "0"});
        QProcess::execute("heif-enc", {dir.filePath("a.png"), "-o", dir.filePath("a.heic")});
        writeTiff(dir.filePath("a.tif"), wishes()[0], 61, 47);
        for (const char *name : {"a.png", "a.jpg", "a.tif", "a.jxl", "a.heic"}) {
            const QByteArray whole = bytesOf(name);
            QTest::addRow("%s, head only", name) << name << whole.left(12);
            QTest::addRow("%s, half of it", name) << name << whole.left(whole.size() / 3);
        }
        QImage(8, 8, QImage::Format_RGB888).save(dir.filePath("tiny.png"));
        QTest::newRow("too small") << "tiny.png" << bytesOf("tiny.png");
        QImage flat(64, 64, QImage::Format_RGB888);
        flat.fill(Qt::gray);
        flat.save(dir.filePath("flat.png"));
        QTest::newRow("one flat value") << "flat.png" << bytesOf("flat.png");
    }
    void badFilesAreRefusedInWords()
    {
        QFETCH(QString, name);
        QFETCH(QByteArray, bytes);
        const QTemporaryDir dir;
        QFile f(dir.filePath(name));
        QVERIFY(f.open(QIODevice::WriteOnly) && f.write(bytes) == bytes.size());
        f.close();
        const auto frame = readFrame(f.fileName().toStdString());
        // A JPEG that breaks off is opened with a warning where most of it is there.
        if (frame) {
            QVERIFY(mentions(*frame.value(), "damaged"));
            return;
        }
        QVERIFY2(frame.error().userMessage.find(name.toStdString()) != std::string::npos, frame.error().userMessage.c_str());
    }

    void noiseOfAPictureIsMeasuredAndARawAdvised()
    {
        // Linear light with a known law, encoded as sRGB in 16 bits.
        const FullColour truth = simulateFullColour(makeScene({900, 700}), {1.0f / 800, 1e-5f}, true);
        QImage image(900, 700, QImage::Format_RGBX64);
        RgbImage<float> linear = RgbImage<float>::ofSize({900, 700});
        for (int y = 0; y < 700; ++y)
            for (int x = 0; x < 2700; ++x)
                linear.row(y)[x] = truth.frame->linearAt(x / 3, y, x % 3);
        const auto encoded = encoded16(linear);
        for (int y = 0; y < 700; ++y)
            for (int x = 0; x < 900; ++x)
                image.setPixelColor(x, y, QColor::fromRgba64(encoded.row(y)[x * 3], encoded.row(y)[x * 3 + 1], encoded.row(y)[x * 3 + 2]));
        const QTemporaryDir dir;
        QVERIFY(image.save(dir.filePath("noisy.png")));
        const auto frame = readFrame(dir.filePath("noisy.png").toStdString());
        QVERIFY(frame);
        const auto noise = measureNoise(*frame.value());
        QVERIFY(noise);
        for (const float signal : {0.1f, 0.3f, 0.6f}) {
            const double ratio = double(noise.value().cells[1].sigmaAt(signal)) / std::sqrt(double(signal) / 800 + 1e-5);
            QVERIFY2(std::abs(ratio - 1) < 0.15, qPrintable(QString::number(ratio)));
        }
        QVERIFY(noise.value().confidenceReason.find("raw file would do better") != std::string::npos);
    }

private:
    static const std::vector<TiffWish> &wishes()
    {
        static const std::vector<TiffWish> all{
            {"16 bits, strips"},
            {"8 bits, deflate", 8, PLANARCONFIG_CONTIG, COMPRESSION_ADOBE_DEFLATE},
            {"16 bits, LZW, tiles", 16, PLANARCONFIG_CONTIG, COMPRESSION_LZW, true},
            {"16 bits, big-endian", 16, PLANARCONFIG_CONTIG, COMPRESSION_NONE, false, true},
            {"16 bits, planes", 16, PLANARCONFIG_SEPARATE},
            {"8 bits, planes in tiles", 8, PLANARCONFIG_SEPARATE, COMPRESSION_NONE, true},
            {"16 bits with transparency", 16, PLANARCONFIG_CONTIG, COMPRESSION_NONE, false, false, 1},
            {"grey", 16, PLANARCONFIG_CONTIG, COMPRESSION_NONE, false, false, 0, 1},
            {"floats", 16, PLANARCONFIG_CONTIG, COMPRESSION_NONE, false, false, 0, 3, true},
        };
        return all;
    }
};

QTEST_GUILESS_MAIN(RenderedReaderTest)
#include "rendered_reader_test.moc"
