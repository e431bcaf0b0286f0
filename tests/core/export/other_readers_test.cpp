// SPDX-License-Identifier: GPL-3.0-or-later
// What is written, read by programs that share no code with it: the pixels by a decoder of its own for every kind, and all metadata, field by field.
#include "irenic/export.h"
#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <QJsonArray>
#include <QJsonDocument>
#include <QJsonObject>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

QByteArray outputOf(const QString &program, const QStringList &arguments)
{
    QProcess p;
    p.start(program, arguments);
    return p.waitForFinished(120000) && p.exitCode() == 0 ? p.readAllStandardOutput() : QByteArray();
}

/// By libavcodec's own decoders of TIFF, DNG, lossless JPEG, JPEG and PNG.
QByteArray decoded(const QString &file, const char *format)
{
    return outputOf("ffmpeg", {"-v", "error", "-i", file, "-frames:v", "1", "-f", "rawvideo", "-pix_fmt", format, "-"});
}

QByteArray widened(const QByteArray &eight)
{
    QByteArray out;
    for (const char v : eight)
        out.append(v).append(v); // v * 257
    return out;
}

/// Sixteen bits a sample, in this machine's order, by another program's reading of LibTIFF, libpng and libjpeg.
QByteArray magicked(const QString &file)
{
    return outputOf("gm", {"convert", file, "-depth", "16", "-endian", "LSB", "RGB:-"});
}

struct Source {
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise;
};

/// Once for all that is asked of it.
const Source &openedSource(const QString &file)
{
    static std::map<QString, Source> known;
    Source &s = known[file];
    if (s.frame)
        return s;
    if (auto frame = readFrame(file.toStdString()))
        s.frame = frame.take();
    if (s.frame)
        s.noise = std::make_shared<const NoiseReport>(measureNoise(*s.frame).take());
    return s;
}

QJsonObject metadataOf(const QString &file)
{
    return QJsonDocument::fromJson(outputOf("exiftool", {"-json", "-n", "-G1", "-a", "-struct", file})).array().at(0).toObject();
}

/// Of how and where samples are stored, and what was done to them: another matter in every file.
bool isOfStorage(const QString &key)
{
    static const QStringList groups{"ExifTool", "System", "File", "Composite", "SubIFD", "IFD1", "ICC_Profile", "ICC-header", "PNG", "PNG-pHYs", "JFIF", "XMP-irenic"};
    static const QStringList names{"SourceFile", "ImageWidth", "ImageHeight", "ExifImageWidth", "ExifImageHeight", "BitsPerSample", "Compression", "PhotometricInterpretation", "SamplesPerPixel",
                                   "PlanarConfiguration", "RowsPerStrip", "StripOffsets", "StripByteCounts", "Predictor", "SampleFormat", "SubfileType", "ThumbnailTIFF", "PreviewTIFF", "XResolution",
                                   "YResolution", "ResolutionUnit", "YCbCrPositioning", "Software", "XMPToolkit", "ColorSpace", "InteropIndex", "InteropVersion"};
    return groups.contains(key.section(':', 0, 0)) || key.startsWith("ICC") || names.contains(key.section(':', -1));
}

/// Of raw alone: how its colours are to be developed.
bool isOfRaw(const QString &key)
{
    static const QStringList names{"DNGVersion", "DNGBackwardVersion", "UniqueCameraModel", "ColorMatrix1", "ColorMatrix2", "CalibrationIlluminant1", "CalibrationIlluminant2", "AnalogBalance",
                                   "AsShotNeutral", "BaselineExposure"};
    return names.contains(key.section(':', -1));
}

/// All that photographers, cameras and archives say of a picture.
QStringList everyField()
{
    return {"-overwrite_original", "-n", "-q", "-q", "-Make=Tarn", "-Model=Bench-1", "-LensModel=Tarn 35", "-LensInfo=35 35 1.4 1.4", "-LensSerialNumber=L7", "-SerialNumber=00042",
            "-ExifIFD:ISO=12800", "-ExifIFD:SensitivityType=2", "-RecommendedExposureIndex=12800", "-FNumber=2.8", "-ExposureTime=0.004", "-ExposureProgram=2", "-ExposureCompensation=-0.67",
            "-MeteringMode=5", "-Flash=16", "-FocalLength=35", "-FocalLengthIn35mmFormat=52", "-SubjectDistance=2.5", "-BrightnessValue=1.25", "-SceneCaptureType=0", "-ExifIFD:WhiteBalance=1",
            "-Artist=Nobody at all", "-Copyright=(c) nobody", "-ImageDescription=A boat in a shed", "-UserComment=tide low", "-ExifIFD:OwnerName=Nobody", "-ExifIFD:ImageUniqueID=0123456789abcdef",
            "-DateTimeOriginal=2031:10:18 23:41:07", "-CreateDate=2031:10:18 23:41:07", "-ModifyDate=2031:10:19 08:00:00", "-OffsetTimeOriginal=+02:00", "-SubSecTimeOriginal=42",
            "-GPSLatitude=54.1", "-GPSLatitudeRef=N", "-GPSLongitude=3.2", "-GPSLongitudeRef=W", "-GPSAltitude=12", "-GPSAltitudeRef=0", "-GPSTimeStamp=21:41:07", "-GPSDateStamp=2031:10:18",
            "-XMP:Rating=3", "-XMP:Label=Green", "-XMP-dc:Subject=boat", "-XMP-dc:Subject=wren", "-XMP-dc:Title=Halcyon Wren", "-XMP-dc:Creator=Nobody", "-XMP-dc:Description-de=Ein Boot im Schuppen",
            "-XMP:City=Shedby", "-XMP:Country=Nowhere", "-XMP:Headline=Wren found", "-XMP:Credit=Nobody", "-XMP-xmpRights:Marked=true", "-XMP-iptcCore:Location=Slip 4",
            "-XMP-iptcExt:PersonInImage=Nobody", "-HierarchicalSubject=birds|wren", "-IPTC:Keywords=boat", "-IPTC:Caption-Abstract=A boat", "-IPTC:By-line=Nobody", "-IPTC:City=Shedby"};
}

} // namespace

class OtherReadersTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        QVERIFY(m_dir.isValid());
        ShootOptions o;
        o.iso = 3200;
        // Whole tiles: libavcodec takes no part of one.
        QVERIFY(writeShot(path("raw.dng").toStdString(), shoot(makeScene({768, 256}), o).value(), o));
        outputOf("exiftool", everyField() << path("raw.dng"));
        const Source &raw = openedSource(path("raw.dng"));
        QVERIFY(raw.frame && raw.noise);
        const Cleaner untreated(raw.frame, raw.noise, {"wavelet", 0, 0});
        for (const auto &[name, format] : {std::pair{"picture.tif", ExportFormat::Tiff}, {"picture.jpg", ExportFormat::Jpeg}, {"picture.png", ExportFormat::Png}}) {
            QVERIFY(exportCleaned(untreated, *raw.noise, path(name).toStdString(), format));
            QVERIFY(outputOf("exiftool", {"-overwrite_original", "-q", "-q", "-all=", "-tagsfromfile", "@", "-icc_profile", path(name)}).isEmpty());
            outputOf("exiftool", everyField() << path(name));
        }
        for (const char *name : {"raw.dng", "picture.tif", "picture.jpg", "picture.png"})
            QVERIFY2(metadataOf(path(name)).size() > 60, name);
    }

    void mosaicsAreDecodedAlike_data()
    {
        QTest::addColumn<int>("compression");
        QTest::newRow("uncompressed") << int(DngCompression::None);
        QTest::newRow("lossless JPEG") << int(DngCompression::LosslessJpeg);
    }
    void mosaicsAreDecodedAlike()
    {
        QFETCH(int, compression);
        const Source &raw = openedSource(path("raw.dng"));
        ExportOptions options(ExportFormat::Dng);
        options.dng = DngCompression(compression);
        const QString file = path(QStringLiteral("mosaic-%1.dng").arg(compression));
        QVERIFY(exportCleaned(Cleaner(raw.frame, raw.noise, {}), *raw.noise, file.toStdString(), options));
        const auto ours = readFrame(file.toStdString());
        QVERIFY(ours);
        const QByteArray theirs = decoded(file, "bayer_rggb16le");
        const auto &samples = ours.value()->samples;
        QCOMPARE(theirs.size(), qsizetype(samples.width()) * samples.height() * 2);
        // That decoder takes off black, spreads what is left over sixteen bits, and since its seventh version balances the colours: one gain for each.
        const double black = double(ours.value()->levels.black[0]), spread = 65535 / (double(ours.value()->levels.white) - black);
        const auto *their = reinterpret_cast<const uint16_t *>(theirs.constData());
        double theirSum[4]{}, ourSum[4]{}, farthest = 0;
        const auto each = [&](const auto &look) {
            for (int y = 0; y < samples.height(); ++y)
                for (int x = 0; x < samples.width(); ++x)
                    look(size_t(x & 1) + 2 * size_t(y & 1), double(their[y * samples.width() + x]), (samples.at(x, y) - black) * spread);
        };
        each([&](size_t place, double theirs, double ours) {
            if (ours > 0 && theirs < 65535) {
                theirSum[place] += theirs;
                ourSum[place] += ours;
            }
        });
        for (size_t place = 0; place < 4; ++place)
            QVERIFY(theirSum[place] > 0.999 * ourSum[place]); // a gain of 1 or more
        each([&](size_t place, double theirs, double ours) { farthest = std::max(farthest, std::abs(theirs - std::clamp(theirSum[place] / ourSum[place] * ours, 0.0, 65535.0))); });
        QVERIFY2(farthest < 2, qPrintable(QString::number(farthest)));
    }

    void picturesAreDecodedAlike_data()
    {
        QTest::addColumn<QString>("name");
        QTest::addColumn<int>("format");
        QTest::addColumn<int>("compression");
        QTest::addColumn<int>("bits");
        for (const auto &[compression, words] : {std::pair{TiffCompression::None, "uncompressed"}, {TiffCompression::Deflate, "deflate"}, {TiffCompression::Lzw, "LZW"}})
            for (const int bits : {8, 16})
                QTest::addRow("TIFF, %s, %d bits", words, bits) << QStringLiteral("%1-%2.tif").arg(int(compression)).arg(bits) << int(ExportFormat::Tiff) << int(compression) << bits;
        QTest::newRow("PNG") << QStringLiteral("proof.png") << int(ExportFormat::Png) << 0 << 8;
        QTest::newRow("JPEG") << QStringLiteral("proof.jpg") << int(ExportFormat::Jpeg) << 0 << 8;
    }
    void picturesAreDecodedAlike()
    {
        QFETCH(QString, name);
        QFETCH(int, format);
        QFETCH(int, compression);
        QFETCH(int, bits);
        const Source &raw = openedSource(path("raw.dng"));
        const Cleaner cleaner(raw.frame, raw.noise, {});
        ExportOptions options{ExportFormat(format)};
        options.compression = TiffCompression(compression);
        options.bits = bits == 8 && options.format != ExportFormat::Tiff ? 16 : bits;
        const QString file = path(name);
        QVERIFY(exportCleaned(cleaner, *raw.noise, file.toStdString(), options));
        const auto developed = developRegion(cleaner, raw.frame->crop, {}, nullptr, {}).take();
        const QByteArray one = bits == 8 ? widened(decoded(file, "rgb24")) : decoded(file, "rgb48le"), other = magicked(file);
        QCOMPARE(one.size(), qsizetype(developed.samples.size()) * 2);
        QCOMPARE(other.size(), one.size());
        // Eight bits are dithered by up to a step; a JPEG loses a little more, nothing in the mean.
        const double most = options.format == ExportFormat::Jpeg ? 0.15 : bits == 8 ? 1.01 / 255
                                                                                    : 1.0 / 65535;
        for (const QByteArray &theirs : {one, other}) {
            const auto *their = reinterpret_cast<const uint16_t *>(theirs.constData());
            double farthest = 0, sum = 0;
            for (size_t i = 0; i < developed.samples.size(); ++i) {
                const double away = their[i] / 65535.0 - double(srgbEncoded(developed.samples[i]));
                farthest = std::max(farthest, std::abs(away));
                sum += away;
            }
            QVERIFY2(farthest <= most, qPrintable(QString::number(farthest)));
            const double mean = sum / double(developed.samples.size());
            QVERIFY2(std::abs(mean) < (options.format == ExportFormat::Jpeg ? 1e-3 : 2e-4), qPrintable(QString::number(mean)));
        }
    }

    void everyFieldGoesAlong_data()
    {
        QTest::addColumn<QString>("source");
        QTest::addColumn<int>("format");
        for (const char *source : {"raw.dng", "picture.tif", "picture.jpg", "picture.png"})
            for (const ExportFormat format : kExportFormats)
                if (!isStillRaw(format) || QByteArray(source) == "raw.dng")
                    QTest::addRow("%s to %s", source, formatName(format)) << QString::fromLatin1(source) << int(format);
    }
    void everyFieldGoesAlong()
    {
        QFETCH(QString, source);
        QFETCH(int, format);
        const Source &s = openedSource(path(source));
        QVERIFY(s.frame && s.noise);
        const QString file = path(QStringLiteral("out-%1-%2").arg(source).arg(format)) + QString::fromLatin1(formatEnding(ExportFormat(format)));
        QVERIFY(exportCleaned(Cleaner(s.frame, s.noise, {}), *s.noise, file.toStdString(), ExportFormat(format)));
        const QJsonObject before = metadataOf(path(source)), after = metadataOf(file);
        const bool stillRaw = isStillRaw(ExportFormat(format));
        int compared = 0;
        QStringList lost;
        for (const QString &key : before.keys()) {
            if (isOfStorage(key) || (!stillRaw && isOfRaw(key)) || (key == "IFD0:Orientation" && before.value(key).toInt() == 1))
                continue;
            ++compared;
            if (before.value(key) != after.value(key))
                lost << QStringLiteral("%1: %2, was %3").arg(key, after.value(key).toVariant().toString(), before.value(key).toVariant().toString());
        }
        QVERIFY2(lost.isEmpty(), qPrintable(lost.join('\n')));
        QVERIFY2(compared > 60, qPrintable(QString::number(compared)));
        // And nothing is made up.
        QStringList added;
        for (const QString &key : after.keys())
            if (!before.contains(key) && !isOfStorage(key))
                added << key;
        for (const char *expected : {"IFD0:OriginalRawFileName", "IFD0:Orientation", "ExifIFD:FlashpixVersion", "ExifIFD:ExifVersion"})
            added.removeAll(QString::fromLatin1(expected));
        QVERIFY2(added.isEmpty(), qPrintable(added.join('\n')));
    }

private:
    QString path(const QString &name) const { return m_dir.filePath(name); }

    QTemporaryDir m_dir;
};

QTEST_GUILESS_MAIN(OtherReadersTest)
#include "other_readers_test.moc"
