// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/export_rendered.h"
#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <QColorSpace>
#include <QDir>
#include <QImage>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

class ExportProofTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        ShootOptions o;
        o.iso = 3200;
        o.orientation = 6;
        const auto shot = shoot(makeScene({420, 300}), o);
        const QString file = m_dir.filePath("frame.dng");
        QVERIFY(writeShot(file.toStdString(), shot.value(), o));
        m_frame = readFrame(file.toStdString()).take();
        m_noise = std::make_shared<const NoiseReport>(measureNoise(*m_frame).take());
    }

    void proofsShowTheTreatedFrame_data()
    {
        QTest::addColumn<int>("format");
        QTest::addColumn<double>("mostStray"); ///< mean, in steps of 8 bits
        QTest::newRow("jpeg") << int(ExportFormat::Jpeg) << 2.0;
        QTest::newRow("png") << int(ExportFormat::Png) << 0.36; // dither by one step costs a third
    }
    void proofsShowTheTreatedFrame()
    {
        QFETCH(int, format);
        QFETCH(double, mostStray);
        const QTemporaryDir out;
        const Cleaner cleaner(m_frame, m_noise, {"dct", 1, 1});
        const auto target = freeName(out.path().toStdString(), "proof", ExportFormat(format));
        const auto report = exportCleaned(cleaner, *m_noise, target, ExportFormat(format));
        QVERIFY2(report.ok(), report.ok() ? "" : report.error().userMessage.c_str());
        // Another reader sees it upright and in sRGB, as the screen's developer makes it.
        const QString file = QString::fromStdString(target.string());
        const QImage seen(file);
        QCOMPARE(seen.size(), QSize(300, 420));
        QCOMPARE(seen.colorSpace().primaries(), QColorSpace::Primaries::SRgb);
        const auto meant = turned(developRegion(cleaner, m_frame->crop, {}, nullptr, {}).value(), 6);
        const auto encoded = encoded16(meant);
        double stray = 0, bias = 0;
        for (int y = 0; y < seen.height(); ++y)
            for (int x = 0; x < seen.width(); ++x) {
                const QRgb p = seen.pixel(x, y);
                const int got[3] = {qRed(p), qGreen(p), qBlue(p)};
                for (int c = 0; c < 3; ++c) {
                    const double d = got[c] - encoded.row(y)[3 * x + c] / 257.0;
                    stray += std::abs(d);
                    bias += d;
                }
            }
        const double n = 3.0 * seen.width() * seen.height();
        QVERIFY2(stray / n < mostStray, qPrintable(QString::number(stray / n)));
        QVERIFY2(std::abs(bias / n) < 0.1, qPrintable(QString::number(bias / n)));
        const QStringList exif = exifOf(file, {"ISO", "Model", "ColorSpaceData", "ProfileDescription"});
        QVERIFY2(exif.join('\n').contains("3200") && exif.join('\n').contains("Bench-1"), qPrintable(exif.join('\n')));
        QVERIFY(!exif.filter("ProfileDescription").isEmpty());
        // Nothing is replaced.
        QVERIFY(!exportCleaned(cleaner, *m_noise, target, ExportFormat(format)).ok());
    }

    void ditherKeepsSmoothTonesSmooth()
    {
        // A ramp of less than two steps of 8 bits over 512 pixels: rounding would make one hard edge of it.
        auto ramp = RgbImage<uint16_t>::ofSize({512, 64});
        for (int y = 0; y < 64; ++y)
            for (int x = 0; x < 512; ++x)
                for (int c = 0; c < 3; ++c)
                    ramp.row(y)[3 * x + c] = uint16_t(100 * 257 + x);
        const auto dithered = dithered8(ramp).take();
        double worst = 0;
        for (int x0 = 0; x0 < 512; x0 += 32) {
            double mean = 0, meant = 0;
            for (int y = 0; y < 64; ++y)
                for (int x = x0; x < x0 + 32; ++x) {
                    mean += dithered.row(y)[3 * x];
                    meant += ramp.row(y)[3 * x] / 257.0;
                    QCOMPARE(dithered.row(y)[3 * x], dithered.row(y)[3 * x + 1]); // grey stays grey
                }
            worst = std::max(worst, std::abs(mean - meant) / (64 * 32));
        }
        QVERIFY2(worst < 0.06, qPrintable(QString::number(worst)));   // sigma 0.011 at most
        QVERIFY(dithered8(ramp).value().samples == dithered.samples); // the same every time
        auto ends = RgbImage<uint16_t>::ofSize({64, 8});
        for (size_t i = 0; i < ends.samples.size(); ++i)
            ends.samples[i] = i % 2 ? 65535 : 0;
        const auto kept = dithered8(ends).take();
        for (size_t i = 0; i < kept.samples.size(); ++i)
            QCOMPARE(int(kept.samples[i]), i % 2 ? 255 : 0);
    }

    void stoppingLeavesNothing()
    {
        const QTemporaryDir out;
        std::stop_source stop;
        stop.request_stop();
        for (const ExportFormat format : {ExportFormat::Jpeg, ExportFormat::Png}) {
            const auto report = exportCleaned(Cleaner(m_frame, m_noise, {"dct", 1, 1}), *m_noise, out.filePath("x.img").toStdString(), format, {0, stop.get_token(), {}});
            QCOMPARE(int(report.error().code), int(ErrorCode::Cancelled));
        }
        QVERIFY(QDir(out.path()).entryList(QDir::Files | QDir::Hidden).isEmpty());
    }

    void everyFormatHasItsNames()
    {
        for (const ExportFormat format : kExportFormats) {
            QCOMPARE(int(*formatFromName(formatName(format))), int(format));
            if (format != ExportFormat::LinearDng) // whose ending is that of another
                QCOMPARE(int(*formatFromName(formatEnding(format) + 1)), int(format));
        }
        QVERIFY(!formatFromName("bmp"));
    }

private:
    QTemporaryDir m_dir;
    std::shared_ptr<const Frame> m_frame;
    std::shared_ptr<const NoiseReport> m_noise;
};

QTEST_MAIN(ExportProofTest)
#include "export_proof_test.moc"
