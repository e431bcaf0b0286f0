// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"
#include "irenic/readings.h"
#include "raw/tiff_tree.h"
#include "support/frames.h"
#include "support/libraw.h"

#include <tiffio.h>

#include <QDir>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

struct Source {
    std::filesystem::path file;
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise;
};

Source shootInto(const QTemporaryDir &dir, ShootOptions o, Size size = {420, 300})
{
    Source s;
    s.file = dir.filePath("original.dng").toStdString();
    o.hotPixelsPerMillion = 300;
    const auto shot = shoot(makeScene(size), o);
    if (!writeShot(s.file, shot.value(), o))
        return s;
    s.frame = readFrame(s.file).take();
    s.noise = std::make_shared<const NoiseReport>(measureNoise(*s.frame).take());
    return s;
}

QString validatorSays(const QString &file)
{
    QProcess p;
    p.start("exiftool", {"-validate", "-warning", "-error", "-a", "-s3", file});
    p.waitForFinished(60000);
    return QString::fromUtf8(p.readAllStandardOutput()).trimmed();
}

} // namespace

class ExportTest : public QObject
{
    Q_OBJECT
private slots:
    void dngKeepsEverythingElse_data()
    {
        QTest::addColumn<QString>("pattern");
        QTest::addColumn<int>("bits");
        QTest::addColumn<int>("border");
        QTest::addColumn<int>("orientation");
        QTest::newRow("RGGB, 14 bits") << "RGGB" << 14 << 0 << 1;
        QTest::newRow("BGGR, 12 bits, masked border") << "BGGR" << 12 << 16 << 1;
        QTest::newRow("GRBG, turned right") << "GRBG" << 14 << 0 << 6;
        QTest::newRow("GBRG, odd border, turned left") << "GBRG" << 14 << 7 << 8;
    }
    void dngKeepsEverythingElse()
    {
        QFETCH(QString, pattern);
        QFETCH(int, bits);
        QFETCH(int, border);
        QFETCH(int, orientation);
        ShootOptions o;
        o.iso = 12800;
        o.cfa = *CfaPattern::fromName(pattern.toStdString());
        o.bits = bits;
        o.borderPx = border;
        o.orientation = orientation;
        o.blackOffsets = {1, 0.5f, 0, 2};
        const QTemporaryDir dir;
        const Source s = shootInto(dir, o);
        QVERIFY(s.frame);
        const Cleaner cleaner(s.frame, s.noise, {});
        const std::filesystem::path target = dir.filePath("clean.dng").toStdString();
        double last = 0;
        const auto report = exportCleaned(cleaner, *s.noise, target, ExportFormat::Dng, {0, {}, [&](double f) {
                                                                                             QVERIFY(f >= last - 1e-9 && f <= 1 + 1e-9);
                                                                                             last = f;
                                                                                         }});
        QVERIFY2(report.ok(), report.ok() ? "" : report.error().userMessage.c_str());
        QCOMPARE(report.value().bytes, uint64_t(std::filesystem::file_size(target)));
        const QString file = QString::fromStdString(target.string());
        QCOMPARE(validatorSays(file), QStringLiteral("OK"));

        // Tag by tag, by an independent reader.
        const QStringList same{"Make", "Model", "UniqueCameraModel", "Orientation", "ColorMatrix1", "ColorMatrix2", "CalibrationIlluminant1", "CalibrationIlluminant2",
                               "AnalogBalance", "AsShotNeutral", "BaselineExposure", "ActiveArea", "DefaultCropOrigin", "DefaultCropSize", "MaskedAreas", "CFAPattern2",
                               "CFARepeatPatternDim", "CFAPlaneColor", "BlackLevelRepeatDim", "DefaultScale", "ISO", "ExposureTime", "FNumber", "FocalLength", "LensModel", "DateTimeOriginal"};
        QCOMPARE(exifOf(file, same), exifOf(QString::fromStdString(s.file.string()), same));
        QVERIFY(exifOf(file, {"OriginalRawFileName"}).value(0).endsWith("original.dng"));
        QVERIFY(!exifOf(file, {"NoiseProfile"}).isEmpty());
        QVERIFY(!exifOf(file, {"NoiseReductionApplied"}).isEmpty());

        // Samples and levels, by an independent decoder.
        const Result<CleanedSamples> stored = cleanForStorage(cleaner);
        const CleanedSamples &meant = stored.value();
        QCOMPARE(meant.scale, bits == 14 ? 4 : 16);
        LibRaw raw;
        QCOMPARE(raw.open_file(target.c_str()), 0);
        QCOMPARE(raw.unpack(), 0);
        QCOMPARE(int(raw.imgdata.sizes.raw_width), meant.samples.width());
        for (int y = 0; y < meant.samples.height(); ++y)
            for (int x = 0; x < meant.samples.width(); ++x)
                QCOMPARE(raw.imgdata.rawdata.raw_image[y * raw.imgdata.sizes.raw_pitch / 2 + x], meant.samples.at(x, y));
        const auto back = readFrame(target);
        QVERIFY(back);
        QCOMPARE(back.value()->levels.white, s.frame->levels.white * float(meant.scale));
        for (size_t i = 0; i < 4; ++i)
            QCOMPARE(back.value()->levels.black[i], s.frame->levels.black[i] * float(meant.scale));
        QVERIFY(back.value()->cfa == s.frame->cfa);
    }

    void zeroStrengthsGiveTheOriginalBack()
    {
        const QTemporaryDir dir;
        ShootOptions o;
        o.bits = 12;
        const Source s = shootInto(dir, o);
        const std::filesystem::path target = dir.filePath("same.dng").toStdString();
        QVERIFY(exportCleaned(Cleaner(s.frame, s.noise, {"wavelet", 0, 0}), *s.noise, target, ExportFormat::Dng));
        const auto back = readFrame(target);
        QVERIFY(back);
        QVERIFY(sameBits(back.value()->samples.constView(), s.frame->samples.constView()));
        QCOMPARE(back.value()->levels.white, s.frame->levels.white);
        QVERIFY(back.value()->levels.black == s.frame->levels.black);
    }

    void tagsOfTheSourceSurvive()
    {
        // Tags that Irenic knows nothing of, an opcode list and a copyright among them, come through to the last bit.
        const QTemporaryDir dir;
        const Source s = shootInto(dir, {});
        auto tags = std::make_shared<SourceTags>(*s.frame->source);
        const QByteArray opcodes = QByteArray::fromHex("00000001"
                                                       "00000003"
                                                       "01030000"
                                                       "00000000"
                                                       "00000004"
                                                       "deadbeef");
        tags->raw.setBytes(TagOpcodeList3, TiffUndefined, std::as_bytes(std::span(opcodes.constData(), size_t(opcodes.size()))));
        tags->main.setText(TagCopyright, "The boatshed");
        tags->main.setRationals(TagForwardMatrix1, TiffSRational, std::array{0.5, 0.25, 0.125, 0.0625, 1.0 / 3, 0.1, 0.2, 0.3, 0.4}, 9999);
        tags->main.exif.front().setText(42033, "12345-6"); // BodySerialNumber
        auto frame = std::make_shared<Frame>();
        frame->file = s.frame->file;
        frame->samples = s.frame->samples.clone();
        frame->active = s.frame->active;
        frame->crop = s.frame->crop;
        frame->cfa = s.frame->cfa;
        frame->levels = s.frame->levels;
        frame->colour = s.frame->colour;
        frame->colour.forwardMatrix[0] = Matrix3{0.5, 0.25, 0.125, 0.0625, 1.0 / 3, 0.1, 0.2, 0.3, 0.4};
        frame->source = tags;
        const std::filesystem::path target = dir.filePath("tags.dng").toStdString();
        QVERIFY(exportCleaned(Cleaner(frame, s.noise, {}), *s.noise, target, ExportFormat::Dng));
        const auto back = readFrame(target);
        QVERIFY(back);
        const SourceTags &got = *back.value()->source;
        QVERIFY(got.raw.find(TagOpcodeList3)->bytes == tags->raw.find(TagOpcodeList3)->bytes);
        QVERIFY(got.main.find(TagForwardMatrix1)->bytes == tags->main.find(TagForwardMatrix1)->bytes);
        QCOMPARE(got.main.text(TagCopyright), std::string("The boatshed"));
        QCOMPARE(got.main.exif.front().text(42033), std::string("12345-6"));
    }

    void tiffIsRenderedWithProfileAndData()
    {
        const QTemporaryDir dir;
        ShootOptions o;
        o.orientation = 6;
        const Source s = shootInto(dir, o);
        const Cleaner cleaner(s.frame, s.noise, {});
        const std::filesystem::path target = dir.filePath("clean.tif").toStdString();
        const auto report = exportCleaned(cleaner, *s.noise, target, ExportFormat::Tiff);
        QVERIFY2(report.ok(), report.ok() ? "" : report.error().userMessage.c_str());
        TIFF *tif = TIFFOpen(target.c_str(), "r");
        QVERIFY(tif);
        uint32_t width = 0, height = 0, iccBytes = 0;
        uint16_t bits = 0;
        void *icc = nullptr;
        TIFFGetField(tif, TIFFTAG_IMAGEWIDTH, &width);
        TIFFGetField(tif, TIFFTAG_IMAGELENGTH, &height);
        TIFFGetField(tif, TIFFTAG_BITSPERSAMPLE, &bits);
        QVERIFY(TIFFGetField(tif, TIFFTAG_ICCPROFILE, &iccBytes, &icc));
        QCOMPARE(width, 300u); // turned upright
        QCOMPARE(height, 420u);
        QCOMPARE(int(bits), 16);
        QVERIFY(iccBytes > 300);
        // The middle grey patch of the scene comes out as the scene's linear 0.5 under the camera's exposure, neutral to the camera's white.
        TIFFClose(tif);
        const QStringList data = exifOf(QString::fromStdString(target.string()), {"ISO", "FNumber", "LensModel", "DateTimeOriginal", "Make"});
        QCOMPARE(data.size(), 5);
    }

    void anExistingFileIsNeverReplaced()
    {
        const QTemporaryDir dir;
        const Source s = shootInto(dir, {});
        const auto before = std::filesystem::last_write_time(s.file);
        const auto report = exportCleaned(Cleaner(s.frame, s.noise, {}), *s.noise, s.file, ExportFormat::Dng);
        QVERIFY(!report);
        QCOMPARE(report.error().code, ErrorCode::Taken);
        QCOMPARE(std::filesystem::last_write_time(s.file), before);
        QCOMPARE(QDir(dir.path()).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot), QStringList{"original.dng"});
        QCOMPARE(freeName(s.file.parent_path(), "original", ExportFormat::Dng).filename().string(), std::string("original-2.dng"));
    }

    void cancellingLeavesNothing()
    {
        const QTemporaryDir dir;
        const Source s = shootInto(dir, {});
        for (const double at : {0.05, 0.5, 0.8}) {
            std::stop_source stop;
            const auto report = exportCleaned(Cleaner(s.frame, s.noise, {}), *s.noise, dir.filePath("c.dng").toStdString(), ExportFormat::Dng, {1, stop.get_token(), [&](double f) {
                                                                                                                                                    if (f >= at)
                                                                                                                                                        stop.request_stop();
                                                                                                                                                }});
            QVERIFY(!report);
            QCOMPARE(report.error().code, ErrorCode::Cancelled);
            QCOMPARE(QDir(dir.path()).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot), QStringList{"original.dng"});
        }
    }

    void namesAreFilledIn()
    {
        Frame f;
        f.file = "/somewhere/wren-03.dng";
        f.shooting.iso = 12800;
        f.shooting.dateTime = "2031:10:18 23:47:30";
        const Treatment t{"wavelet", 1.25, 0.5};
        QCOMPARE(expandName("{name}-clean", f, t).value(), std::string("wren-03-clean"));
        QCOMPARE(expandName("{date}_{name}_{method}_{luminance}_{colour}_{iso}", f, t).value(), std::string("20311018_wren-03_wavelet_1.25_0.5_12800"));
        QCOMPARE(expandName("{trial}{counter}", f, t, {"C", 7}).value(), std::string("C0007"));
        for (const char *bad : {"{nme}", "a/b", "", "{name", ".."})
            QVERIFY2(!expandName(bad, f, t), bad);
    }

    void colourOfTheExportIsTheOriginals()
    {
        // LibRaw develops original and export with the same settings; colours of 64 x 64 blocks must agree (CIEDE2000).
        const QTemporaryDir dir;
        ShootOptions o;
        o.iso = 1600;
        o.banding = 0;
        const Source s = shootInto(dir, o, {900, 700});
        const std::filesystem::path target = dir.filePath("clean.dng").toStdString();
        QVERIFY(exportCleaned(Cleaner(s.frame, s.noise, {}), *s.noise, target, ExportFormat::Dng));
        constexpr int kBlockPx = 64, kLinear = 0;
        const auto a = developedBlocks(s.file, kBlockPx, 0, kLinear), b = developedBlocks(target, kBlockPx, 0, kLinear);
        QVERIFY(a.size() > 60);
        QCOMPARE(a.size(), b.size());
        const auto shareOf = [](std::array<double, 3> v) { return std::array{v[0] / 65535, v[1] / 65535, v[2] / 65535}; };
        std::vector<double> differences;
        for (size_t i = 0; i < a.size(); ++i)
            differences.push_back(ciede2000(labOf(shareOf(a[i])), labOf(shareOf(b[i]))));
        std::sort(differences.begin(), differences.end());
        const double median = differences[differences.size() / 2], high = differences[differences.size() * 95 / 100];
        QVERIFY2(median <= 0.3 && high <= 1.0, qPrintable(QStringLiteral("median %1, 95th percentile %2").arg(median).arg(high)));
        qInfo("CIEDE2000 of blocks: median %.3f, 95th percentile %.3f", median, high);
    }
};

QTEST_GUILESS_MAIN(ExportTest)
#include "export_test.moc"
