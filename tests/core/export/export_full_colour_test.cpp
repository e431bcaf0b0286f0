// SPDX-License-Identifier: GPL-3.0-or-later
// What is handed on of full colour: linear DNGs, and finished pictures in their own encoding.
#include "irenic/export_job.h"
#include "irenic/measure_noise.h"
#include "irenic/provenance.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <libraw/libraw.h>
#include <tiffio.h>

#include <QColorSpace>
#include <QDir>
#include <QImage>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

std::filesystem::path in(const QTemporaryDir &dir, const char *name)
{
    return dir.filePath(QString::fromLatin1(name)).toStdString();
}

std::shared_ptr<const NoiseReport> measured(const Frame &frame)
{
    return std::make_shared<const NoiseReport>(measureNoise(frame).take());
}

} // namespace

class ExportFullColourTest : public QObject
{
    Q_OBJECT
private slots:
    void sixBySixBecomesALinearDng()
    {
        const QTemporaryDir dir;
        ShootOptions o;
        o.sixBySix = true;
        o.iso = 6400;
        o.orientation = 6;
        const auto source = in(dir, "six.dng");
        QVERIFY(writeShot(source, shoot(makeScene({480, 360}), o).value(), o));
        const auto frame = readFrame(source);
        QVERIFY(frame);
        const auto noise = measured(*frame.value());
        const Cleaner cleaner(frame.value(), noise, {"wavelet", 1, 1, {}});
        const auto report = exportCleaned(cleaner, *noise, in(dir, "clean.dng"), ExportFormat::Dng);
        QVERIFY2(report.ok(), report.ok() ? "" : report.error().userMessage.c_str());
        const QString file = QString::fromStdString(report.value().file.string());
        QProcess validator;
        validator.start("exiftool", {"-validate", "-warning", "-error", "-a", "-s3", file});
        validator.waitForFinished(60000);
        QCOMPARE(QString::fromUtf8(validator.readAllStandardOutput()).trimmed(), QStringLiteral("OK"));
        // What concerns colour and picture is the source's; what concerned its mosaic is gone.
        const QStringList same{"Make", "Model", "UniqueCameraModel", "Orientation", "ColorMatrix1", "ColorMatrix2", "AsShotNeutral", "ISO", "ExposureTime", "LensModel", "DateTimeOriginal"};
        QCOMPARE(exifOf(file, same), exifOf(QString::fromStdString(source.string()), same));
        QVERIFY(exifOf(file, {"CFAPattern2", "CFARepeatPatternDim", "CFAPlaneColor"}).isEmpty());
        QVERIFY(exifOf(file, {"SubIFD:PhotometricInterpretation"}).value(0).endsWith("34892"));
        // Samples by an independent decoder.
        const auto stored = cleanForStorage(cleaner);
        LibRaw raw;
        QCOMPARE(raw.open_file(file.toLocal8Bit().constData()), 0);
        QCOMPARE(raw.unpack(), 0);
        QVERIFY(raw.imgdata.rawdata.color3_image || raw.imgdata.rawdata.color4_image);
        const size_t step = raw.imgdata.rawdata.color3_image ? 3 : 4;
        const ushort *pixels = raw.imgdata.rawdata.color3_image ? raw.imgdata.rawdata.color3_image[0] : raw.imgdata.rawdata.color4_image[0];
        const size_t pitch = raw.imgdata.sizes.raw_pitch / (2 * step);
        for (int y = 0; y < 360; ++y)
            for (int x = 0; x < 480; ++x)
                for (int c = 0; c < 3; ++c)
                    QCOMPARE(pixels[(size_t(y) * pitch + size_t(x)) * step + size_t(c)], stored.value().samples.at(x * 3 + c, y));
        // And as a source of its own: a linear DNG is read, measured and handed on again, unchanged where nothing is asked for.
        const auto again = readFrame(report.value().file);
        QVERIFY(again);
        QCOMPARE(int(again.value()->kind), int(FrameKind::Linear));
        QVERIFY(sameBits(again.value()->samples.constView(), stored.value().samples.constView()));
        const auto noise2 = measured(*again.value());
        QVERIFY(exportCleaned(Cleaner(again.value(), noise2, {"bm3d", 0, 0, {}}), *noise2, in(dir, "same.dng"), ExportFormat::Dng));
        const auto third = readFrame(in(dir, "same.dng"));
        QVERIFY(third);
        QVERIFY(sameBits(third.value()->samples.constView(), again.value()->samples.constView()));
        QCOMPARE(third.value()->levels.white, again.value()->levels.white);
        QVERIFY(third.value()->levels.black == again.value()->levels.black);
    }

    /// A network hands full colour on to another method: JSON, name and XMP say which, beside what was asked for.
    void aResultTellsWhichMethodStoodIn()
    {
        const QTemporaryDir dir;
        ShootOptions o;
        o.sixBySix = true;
        ExportJob job;
        job.source = in(dir, "six.dng");
        QVERIFY(writeShot(job.source, shoot(makeScene({240, 180}), o).value(), o));
        job.folder = dir.path().toStdString();
        job.treatment = {"unet", {}, 1.0, 1.0};
        job.nameTemplate = "{name}-{method}";
        const auto done = runExportJob(job, nullptr, nullptr);
        QVERIFY2(done, done ? "" : done.error().userMessage.c_str());
        const std::string stoodIn = findMethod("unet")->fullColour;
        QVERIFY(stoodIn != "unet");
        QCOMPARE(done.value().treatment.method, stoodIn);
        QCOMPARE(done.value().askedMethod, std::string("unet"));
        QVERIFY(!done.value().note.empty());
        QCOMPARE(done.value().report.file.filename().string(), "six-" + stoodIn + ".dng");
        const auto told = readProvenance(done.value().report.file);
        QVERIFY(told);
        QCOMPARE(told.value().treatment.method, stoodIn);
        QCOMPARE(told.value().askedMethod, std::string("unet"));
        // The same request finds it there, and tells no less; a mosaic gets the very method.
        const ExportOutcome there = runExportJob(job, nullptr, nullptr).value();
        QVERIFY(there.skipped);
        QCOMPARE(there.askedMethod, std::string("unet"));
        QVERIFY2(there.note.find("in its place") != std::string::npos && there.note.find("there already") != std::string::npos, there.note.c_str());
        QVERIFY(carriedOut({"unet", 1, 1}, FrameKind::Mosaic) == (Treatment{"unet", 1, 1}));
        QVERIFY(!carriedOut({"wavelet", 1, 1, "unet"}, FrameKind::Linear).isMixed() || stoodIn != "wavelet");
    }

    /// What no TIFF or DNG can hold is said before anything is computed, let alone written.
    void filesTooLargeForTheirFormatAreRefusedBeforehand()
    {
        const QTemporaryDir dir;
        auto frame = std::make_shared<Frame>(); // without pixels: nothing may touch them
        frame->file = "huge.dng";
        frame->active = frame->crop = {0, 0, 60000, 40000};
        const auto noise = std::make_shared<const NoiseReport>();
        const Cleaner cleaner(frame, noise, {"wavelet", 0, 0});
        for (const ExportFormat format : {ExportFormat::Dng, ExportFormat::LinearDng, ExportFormat::Tiff}) {
            const auto report = exportCleaned(cleaner, *noise, in(dir, "huge.out"), format);
            QVERIFY(!report);
            QCOMPARE(int(report.error().code), int(ErrorCode::Unsupported));
            QVERIFY2(report.error().userMessage.find("huge.dng") == 0 && report.error().userMessage.find("GB") != std::string::npos, report.error().userMessage.c_str());
        }
        QVERIFY(QDir(dir.path()).isEmpty());
    }

    void aFinishedPictureStaysInItsEncoding()
    {
        const QTemporaryDir dir;
        QImage image(300, 200, QImage::Format_RGBX64);
        for (int y = 0; y < 200; ++y)
            for (int x = 0; x < 300; ++x)
                image.setPixelColor(x, y, QColor::fromRgba64(quint16(9000 + x * 100 + (x * 7 + y * 13) % 400), quint16(12000 + y * 150 + (x * 11 + y * 5) % 300), quint16(20000 + (x * 3 + y * 17) % 500)));
        image.setColorSpace(QColorSpace(QColorSpace::DisplayP3));
        QVERIFY(image.save(dir.filePath("wide.png")));
        const auto frame = readFrame(in(dir, "wide.png"));
        QVERIFY(frame);
        const auto noise = measured(*frame.value());
        QCOMPARE(int(naturalFormat(*frame.value())), int(ExportFormat::Tiff));
        // Not raw, so no DNG, and nothing is left of the attempt.
        const auto refused = exportCleaned(Cleaner(frame.value(), noise, {}), *noise, in(dir, "no.dng"), ExportFormat::Dng);
        QVERIFY(!refused);
        QVERIFY(refused.error().userMessage.find("wide.png") != std::string::npos && refused.error().userMessage.find("TIFF") != std::string::npos);
        QCOMPARE(QDir(dir.path()).entryList(QDir::Files).size(), 1);
        const auto report = exportCleaned(Cleaner(frame.value(), noise, {"wavelet", 0, 0, {}}), *noise, in(dir, "same.tif"), ExportFormat::Tiff);
        QVERIFY2(report.ok(), report.ok() ? "" : report.error().userMessage.c_str());
        const auto back = readFrame(in(dir, "same.tif"));
        QVERIFY(back);
        QVERIFY(sameBits(back.value()->samples.constView(), frame.value()->samples.constView()));
        QVERIFY(back.value()->encoding->profile == frame.value()->encoding->profile);
    }

    void metadataOfAJpegGoAlongAndItIsTurned()
    {
        const QTemporaryDir dir;
        QImage image(120, 80, QImage::Format_RGB888);
        for (int y = 0; y < 80; ++y)
            for (int x = 0; x < 120; ++x)
                image.setPixel(x, y, qRgb(40 + x, 60 + y + (x * y) % 7, 90 + (x * 5 + y * 3) % 11));
        QVERIFY(image.save(dir.filePath("upright.jpg"), nullptr, 95));
        QProcess writer;
        writer.start("exiftool", {"-overwrite_original", "-n", "-Orientation=6", "-Make=Tarn", "-Model=Bench-1", "-ISO=12800", "-FNumber=2.8", "-Artist=Nobody", "-GPSLatitude=54.1",
                                  "-GPSLatitudeRef=N", "-XMP:Rating=3", "-IPTC:Keywords=boat", dir.filePath("upright.jpg")});
        QVERIFY(writer.waitForFinished(60000) && writer.exitCode() == 0);
        const auto frame = readFrame(in(dir, "upright.jpg"));
        QVERIFY(frame);
        QCOMPARE(frame.value()->shooting.iso, 12800.0);
        QVERIFY((frame.value()->uprightSize() == Size{80, 120}));
        const auto noise = measured(*frame.value());
        QVERIFY(exportCleaned(Cleaner(frame.value(), noise, {}), *noise, in(dir, "out.tif"), ExportFormat::Tiff));
        const QStringList tags{"Make", "Model", "ISO", "FNumber", "Artist", "GPSLatitude", "Rating", "Keywords"};
        QCOMPARE(exifOf(dir.filePath("out.tif"), tags), exifOf(dir.filePath("upright.jpg"), tags));
        const auto back = readFrame(in(dir, "out.tif"));
        QVERIFY(back);
        QCOMPARE(back.value()->orientation, 1);
        QVERIFY((back.value()->size() == Size{80, 120}));
        QCOMPARE(back.value()->shooting.bitDepth, 16);
    }
};

QTEST_GUILESS_MAIN(ExportFullColourTest)
#include "export_full_colour_test.moc"
