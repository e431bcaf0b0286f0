// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/export_rendered.h"
#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <tiffio.h>

#include <QColorSpace>
#include <QColorTransform>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

struct ReadTiff {
    int bits = 0, format = 0, compression = 0;
    float dpi = 0;
    Size size;
    QByteArray icc;
    std::vector<double> samples; ///< 0..1
};

/// By LibTIFF alone.
ReadTiff readTiff(const std::filesystem::path &file)
{
    ReadTiff out;
    TIFF *tif = TIFFOpen(file.c_str(), "r");
    if (!tif)
        return out;
    uint32_t width = 0, height = 0, iccBytes = 0;
    uint16_t bits = 0, format = 0, compression = 0;
    void *icc = nullptr;
    TIFFGetField(tif, TIFFTAG_IMAGEWIDTH, &width);
    TIFFGetField(tif, TIFFTAG_IMAGELENGTH, &height);
    TIFFGetField(tif, TIFFTAG_BITSPERSAMPLE, &bits);
    TIFFGetFieldDefaulted(tif, TIFFTAG_SAMPLEFORMAT, &format);
    TIFFGetField(tif, TIFFTAG_COMPRESSION, &compression);
    TIFFGetField(tif, TIFFTAG_XRESOLUTION, &out.dpi);
    if (TIFFGetField(tif, TIFFTAG_ICCPROFILE, &iccBytes, &icc))
        out.icc = QByteArray(static_cast<const char *>(icc), iccBytes);
    std::vector<uint8_t> row(size_t(TIFFScanlineSize(tif)));
    for (uint32_t y = 0; y < height; ++y) {
        TIFFReadScanline(tif, row.data(), y);
        for (uint32_t i = 0; i < width * 3; ++i)
            out.samples.push_back(bits == 8 ? row[i] / 255.0 : bits == 16 ? reinterpret_cast<const uint16_t *>(row.data())[i] / 65535.0
                                                                          : double(reinterpret_cast<const float *>(row.data())[i]));
    }
    TIFFClose(tif);
    out.bits = bits;
    out.format = format;
    out.compression = compression;
    out.size = {int(width), int(height)};
    return out;
}

} // namespace

class ExportOptionsTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        ShootOptions o;
        o.iso = 800;
        const auto shot = shoot(makeScene({200, 150}), o);
        const QString file = m_dir.filePath("frame.dng");
        QVERIFY(writeShot(file.toStdString(), shot.value(), o));
        m_frame = readFrame(file.toStdString()).take();
        m_noise = std::make_shared<const NoiseReport>(measureNoise(*m_frame).take());
    }

    void tiffsAreWhatWasAskedFor_data()
    {
        QTest::addColumn<int>("bits");
        QTest::addColumn<int>("compression");
        QTest::addColumn<int>("profile");
        for (const int bits : {8, 16, 32})
            for (const auto compression : {TiffCompression::None, TiffCompression::Deflate, TiffCompression::Lzw})
                for (const auto profile : {OutputProfile::Srgb, OutputProfile::Wide, OutputProfile::Linear})
                    QTest::addRow("%d bits, %s, %s", bits, compressionName(compression), profileName(profile)) << bits << int(compression) << int(profile);
    }
    void tiffsAreWhatWasAskedFor()
    {
        QFETCH(int, bits);
        QFETCH(int, compression);
        QFETCH(int, profile);
        const QTemporaryDir out;
        ExportOptions options(ExportFormat::Tiff);
        options.bits = bits;
        options.compression = TiffCompression(compression);
        options.profile = OutputProfile(profile);
        options.dpi = 240;
        const auto target = out.filePath("x.tif").toStdString();
        const Cleaner cleaner(m_frame, m_noise, {"wavelet", 1, 1});
        const auto report = exportCleaned(cleaner, *m_noise, target, options);
        QVERIFY2(report.ok(), report.ok() ? "" : report.error().userMessage.c_str());
        const ReadTiff tiff = readTiff(target);
        QCOMPARE(tiff.bits, bits);
        QCOMPARE(tiff.format, bits == 32 ? SAMPLEFORMAT_IEEEFP : SAMPLEFORMAT_UINT);
        constexpr int kCompressions[] = {COMPRESSION_NONE, COMPRESSION_ADOBE_DEFLATE, COMPRESSION_LZW};
        QCOMPARE(tiff.compression, kCompressions[compression]);
        QCOMPARE(tiff.dpi, 240.f);
        // Read through its profile, the file shows what the screen shows: colours outside sRGB apart, which the screen cuts off.
        const QColorSpace space = QColorSpace::fromIccProfile(tiff.icc);
        QVERIFY(space.isValid());
        const QColorTransform toSrgb = space.transformationToColorSpace(QColorSpace::SRgb);
        const auto screen = encoded16(developRegion(cleaner, m_frame->crop, {}, nullptr, {}).value());
        QCOMPARE(tiff.size.width, screen.size.width);
        int compared = 0;
        double worst = 0;
        for (size_t i = 0; i < tiff.samples.size(); i += 3 * 17) {
            bool inside = true;
            for (size_t c = 0; c < 3; ++c)
                inside &= screen.samples[i + c] > 3000 && screen.samples[i + c] < 62000;
            if (!inside)
                continue;
            const auto level = [&](size_t c) { return quint16(std::clamp(std::lround(tiff.samples[i + c] * 65535), 0l, 65535l)); };
            const QRgba64 seen = toSrgb.map(qRgba64(level(0), level(1), level(2), 65535));
            const int got[3] = {seen.red(), seen.green(), seen.blue()};
            for (size_t c = 0; c < 3; ++c)
                worst = std::max(worst, std::abs(got[c] - double(screen.samples[i + c])) / 65535);
            ++compared;
        }
        QVERIFY(compared > 100);
        const bool dark8 = bits == 8 && OutputProfile(profile) == OutputProfile::Linear; // few steps in the dark, where the curve is steep
        QVERIFY2(worst < (dark8 ? 0.06 : bits == 8 ? 0.016
                                                   : 0.008),
                 qPrintable(QString::number(worst)));
    }

    void aWideProfileKeepsColoursThatSrgbCuts()
    {
        // A pure spectral-like green lies outside sRGB: there its red is below zero, in the wide profile it is not.
        const Simulated s = simulate(flatScene({64, 64}, -0.1f, 0.5f, -0.05f), {});
        const auto wide = developRegion(Cleaner(s.frame, s.noise, {"wavelet", 1, 1}), {16, 16, 32, 32}, {.primaries = Primaries::Wide}, nullptr, {});
        const auto narrow = developRegion(Cleaner(s.frame, s.noise, {"wavelet", 1, 1}), {16, 16, 32, 32}, {}, nullptr, {});
        double least[2] = {0, 0};
        for (size_t i = 0; i < wide.value().samples.size(); i += 3) {
            least[0] += double(narrow.value().samples[i]);
            least[1] += double(wide.value().samples[i]);
        }
        QVERIFY2(least[1] > least[0], qPrintable(QStringLiteral("%1 %2").arg(least[0]).arg(least[1])));
    }

    void renderingIsInTheFileAndNotInTheRaw()
    {
        const QTemporaryDir out;
        ExportOptions options(ExportFormat::Tiff);
        options.rendering.exposureEv = 1;
        const Cleaner cleaner(m_frame, m_noise, {"wavelet", 1, 1});
        QVERIFY(exportCleaned(cleaner, *m_noise, out.filePath("x.tif").toStdString(), options));
        const ReadTiff tiff = readTiff(out.filePath("x.tif").toStdString());
        const auto screen = encoded16(developRegion(cleaner, m_frame->crop, {.rendering = options.rendering}, nullptr, {}).value());
        for (size_t i = 0; i < tiff.samples.size(); ++i)
            QCOMPARE(std::lround(tiff.samples[i] * 65535), long(screen.samples[i])); // what the wall shows is what is written
        options.format = ExportFormat::Dng;
        QVERIFY(exportCleaned(cleaner, *m_noise, out.filePath("a.dng").toStdString(), options));
        QVERIFY(exportCleaned(cleaner, *m_noise, out.filePath("b.dng").toStdString(), ExportFormat::Dng));
        QVERIFY(sameBits(readFrame(out.filePath("a.dng").toStdString()).value()->samples.constView(), readFrame(out.filePath("b.dng").toStdString()).value()->samples.constView()));
    }

    void whatMakesNoSenseIsRefused()
    {
        ExportOptions options(ExportFormat::Tiff);
        options.bits = 12;
        QVERIFY(!validate(options));
        options.bits = 8;
        options.dpi = 0;
        QVERIFY(!validate(options));
        options.dpi = 72;
        QVERIFY(validate(options).ok());
        options.rendering.contrast = 3;
        QVERIFY(!validate(options));
    }

private:
    QTemporaryDir m_dir;
    std::shared_ptr<const Frame> m_frame;
    std::shared_ptr<const NoiseReport> m_noise;
};

QTEST_GUILESS_MAIN(ExportOptionsTest)
#include "export_options_test.moc"
