// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"
#include "raw/libraw_levels.h"
#include "support/frames.h"

#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

class BlackTest : public QObject
{
    Q_OBJECT
private:
    QTemporaryDir m_dir;
    int m_count = 0;

    std::shared_ptr<const Frame> shotAndRead(const ShootOptions &o, Shot *out = nullptr)
    {
        Shot shot = shoot(flatScene({600, 400}, 0.01f, 0.01f, 0.01f), o).take();
        const auto file = m_dir.filePath(QStringLiteral("%1.dng").arg(m_count++)).toStdString();
        if (!writeShot(file, shot, o))
            return nullptr;
        if (out)
            *out = std::move(shot);
        return readFrame(file).take();
    }
    static bool believed(const Frame &frame)
    {
        return std::any_of(frame.warnings.begin(), frame.warnings.end(), [](const std::string &w) { return w.find("the border is believed") != std::string::npos; });
    }

private slots:
    void everyPartOfLibRawsBlackCounts()
    {
        auto colour = std::make_unique<libraw_colordata_t>();
        colour->black = 100;
        colour->maximum = 4095;
        for (unsigned i = 0; i < 4; ++i)
            colour->cblack[i] = i; // red, green, blue, second green
        const Levels plain = levelsOf(*colour, {0, 1, 3, 2});
        QCOMPARE(plain.blackAt(0, 0), 100.f);
        QCOMPARE(plain.blackAt(1, 0), 101.f);
        QCOMPARE(plain.blackAt(0, 1), 103.f);
        QCOMPARE(plain.blackAt(3, 5), 102.f);
        QCOMPARE(plain.white, 4095.f);
        colour->cblack[4] = 1; // a row of three: six columns until both repeat
        colour->cblack[5] = 3;
        for (unsigned i = 0; i < 3; ++i)
            colour->cblack[6 + i] = 10 * i;
        const Levels wide = levelsOf(*colour, {0, 1, 3, 2});
        QCOMPARE(wide.repeatCols, 6);
        for (int y = 0; y < 4; ++y)
            for (int x = 0; x < 12; ++x)
                QCOMPARE(wide.blackAt(x, y), plain.blackAt(x, y) + float(10 * (x % 3)));
        colour->linear_max[0] = 4000;
        QCOMPARE(levelsOf(*colour, {0, 1, 3, 2}).white, 4000.f);
        colour->cblack[4] = colour->cblack[5] = 4000000000u; // a file that lies
        QCOMPARE(levelsOf(*colour, {0, 1, 3, 2}).repeatCols, 2);
    }

    void theMaskedBorderIsBelieved_data()
    {
        QTest::addColumn<int>("iso");
        QTest::addColumn<QString>("pattern");
        for (const int iso : {400, 6400})
            for (const char *pattern : {"RGGB", "GBRG"})
                QTest::addRow("ISO %d %s", iso, pattern) << iso << pattern;
    }
    void theMaskedBorderIsBelieved()
    {
        QFETCH(int, iso);
        QFETCH(QString, pattern);
        ShootOptions o;
        o.iso = iso;
        o.borderPx = 41; // odd: the pattern is counted from the active area
        o.cfa = *CfaPattern::fromName(pattern.toStdString());
        o.faults.blackDrift = {20, 0, -3, 11};
        Shot shot;
        const auto frame = shotAndRead(o, &shot);
        QVERIFY(frame);
        QVERIFY(believed(*frame));
        const double read = shot.truth.readNoiseElectrons / shot.truth.fullWellElectrons * (kCameraWhite14 - kCameraBlack14);
        for (int place = 0; place < 4; ++place) {
            const double off = double(frame->levels.blackAt(place & 1, place >> 1)) - kCameraBlack14 - double(o.faults.blackDrift[size_t(place)]);
            QVERIFY2(std::abs(off) < 0.15 * read + 0.3, qPrintable(QStringLiteral("%1 off by %2").arg(place).arg(off)));
        }
        // What is made of it is told in the result's own levels.
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*frame).take());
        const auto target = std::filesystem::path(m_dir.filePath(QStringLiteral("clean-%1.dng").arg(m_count)).toStdString());
        const auto written = exportCleaned(Cleaner(frame, noise, Treatment{"wavelet", 1, 1}), *noise, target, {});
        QVERIFY2(written, written ? "" : written.error().userMessage.c_str());
        const auto again = readFrame(target).take();
        const float scale = again->levels.white / frame->levels.white;
        for (int place = 0; place < 4; ++place)
            QVERIFY(std::abs(again->levels.blackAt(place & 1, place >> 1) / scale - frame->levels.blackAt(place & 1, place >> 1)) < 0.01f);
    }

    /// A DNG that tells no black level at all has black at 0.
    void aLevelThatIsNotToldIsFoundAndTold()
    {
        ShootOptions o;
        o.iso = 1600;
        o.borderPx = 40;
        const Shot shot = shoot(flatScene({600, 400}, 0.01f, 0.01f, 0.01f), o).take();
        const auto file = m_dir.filePath("untold.dng");
        QVERIFY(writeShot(file.toStdString(), shot, o));
        QProcess editor;
        editor.start("exiftool", {"-overwrite_original", "-SubIFD:BlackLevel=", "-SubIFD:BlackLevelRepeatDim=", file});
        QVERIFY(editor.waitForFinished());
        const auto frame = readFrame(file.toStdString());
        QVERIFY(frame);
        QVERIFY(believed(*frame.value()));
        QVERIFY(std::abs(frame.value()->levels.blackAt(0, 0) - float(kCameraBlack14)) < 3);
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*frame.value()).take());
        const auto written = exportCleaned(Cleaner(frame.value(), noise, Treatment{"wavelet", 1, 1}), *noise, m_dir.filePath("untold-clean.dng").toStdString(), {});
        QVERIFY2(written, written ? "" : written.error().userMessage.c_str());
    }

    void nothingMovesWithoutNeed_data()
    {
        QTest::addColumn<int>("border");
        QTest::addColumn<double>("banding");
        QTest::addColumn<float>("drift");
        QTest::addRow("a right level") << 40 << 0.0 << 0.f;
        QTest::addRow("banding") << 40 << 1.0 << 0.f;
        QTest::addRow("no border") << 0 << 0.0 << 20.f;
        QTest::addRow("a border of few samples") << 12 << 0.0 << 20.f;
    }
    void nothingMovesWithoutNeed()
    {
        QFETCH(int, border);
        QFETCH(double, banding);
        QFETCH(float, drift);
        ShootOptions o;
        o.iso = 25600;
        o.borderPx = border;
        o.banding = banding;
        o.faults.blackDrift = {drift, 0, 0, 0};
        if (border == 12)
            o.cut = {0, 0, 100, 100};
        const auto frame = shotAndRead(o);
        QVERIFY(frame && !believed(*frame));
        QCOMPARE(frame->levels.blackAt(0, 0), float(kCameraBlack14));
        QCOMPARE(frame->levels.blackAt(1, 1), float(kCameraBlack14));
    }
};

QTEST_APPLESS_MAIN(BlackTest)
#include "black_test.moc"
