// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/random.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

class ShootTest : public QObject
{
    Q_OBJECT
private slots:
    void poissonHasItsMeanAndVariance_data()
    {
        QTest::addColumn<double>("mean");
        for (const double mean : {0.2, 3.0, 9.9, 10.1, 80.0, 5000.0})
            QTest::addRow("%g", mean) << mean;
    }
    void poissonHasItsMeanAndVariance()
    {
        QFETCH(double, mean);
        constexpr int n = 200000;
        double sum = 0, square = 0;
        for (int i = 0; i < n; ++i) {
            const double v = RandomAt(1, 2, i, 0).poisson(mean);
            QVERIFY(v >= 0 && v == std::floor(v));
            sum += v;
            square += v * v;
        }
        const double m = sum / n, variance = square / n - m * m;
        QVERIFY2(std::abs(m - mean) < 5 * std::sqrt(mean / n), qPrintable(QString::number(m)));
        QVERIFY2(std::abs(variance / mean - 1) < 5 * std::sqrt((2 + 1 / mean) / n), qPrintable(QString::number(variance)));
    }

    void noiseFollowsTheLawThatIsTold_data()
    {
        QTest::addColumn<int>("iso");
        QTest::addColumn<float>("level");
        for (const int iso : {800, 12800, 51200})
            for (const float level : {0.f, 0.05f, 0.6f})
                QTest::addRow("ISO %d, level %g", iso, double(level)) << iso << level;
    }
    void noiseFollowsTheLawThatIsTold()
    {
        QFETCH(int, iso);
        QFETCH(float, level);
        ShootOptions o;
        o.iso = iso;
        o.banding = 0;
        o.hotPixelsPerMillion = 0;
        const Simulated s = simulate(flatScene({300, 300}, level, level, level), o);
        for (int cell = 0; cell < 4; ++cell) {
            double sum = 0, square = 0;
            int n = 0;
            const float clean = s.truth.clean.at(cell & 1, cell >> 1);
            for (int y = cell >> 1; y < 300; y += 2)
                for (int x = cell & 1; x < 300; x += 2, ++n) {
                    const double d = double(s.frame->linearAt(x, y)) - double(clean);
                    sum += d;
                    square += d * d;
                }
            const double sigma = double(s.truth.noise.sigmaAt(clean));
            QVERIFY(std::abs(sum / n) < 5 * sigma / std::sqrt(n));
            QVERIFY2(std::abs(square / n / (sigma * sigma) - 1) < 0.06, qPrintable(QString::number(square / n / (sigma * sigma))));
        }
    }

    void sameSeedSameBits()
    {
        ShootOptions o;
        const Scene scene = makeScene({130, 90});
        const auto one = shoot(scene, o, {1, {}, {}}), two = shoot(scene, o, {2, {}, {}});
        QVERIFY(sameBits(one.value().samples.constView(), two.value().samples.constView()));
        o.seed = 2;
        QVERIFY(!sameBits(one.value().samples.constView(), shoot(scene, o).value().samples.constView()));
    }

    void rowsAndColumnsBandAsTold()
    {
        ShootOptions o;
        o.banding = 2;
        o.hotPixelsPerMillion = 0;
        const Simulated s = simulate(flatScene({400, 400}, 0, 0, 0), o);
        const double read = s.truth.readNoiseElectrons / s.truth.fullWellElectrons;
        double square = 0;
        for (int y = 0; y < 400; ++y) {
            double row = 0;
            for (int x = 0; x < 400; ++x)
                row += double(s.frame->linearAt(x, y));
            square += row / 400 * row / 400;
        }
        QVERIFY(std::abs(std::sqrt(square / 400) / (2 * read) - 1) < 0.2);
    }

    void theLensLosesLightTowardsTheCorners()
    {
        ShootOptions o;
        o.vignettingEv = 1.5;
        const Shot shot = shoot(flatScene({401, 301}, 0.4f, 0.4f, 0.4f), o).take();
        ShootOptions plain;
        const Shot whole = shoot(flatScene({401, 301}, 0.4f, 0.4f, 0.4f), plain).take();
        const auto lostEv = [&](int x, int y) { return std::log2(double(whole.truth.clean.at(x, y)) / double(shot.truth.clean.at(x, y))); };
        QVERIFY(std::abs(lostEv(200, 150)) < 1e-3);
        QVERIFY(std::abs(lostEv(0, 0) - 1.5) < 1e-3 && std::abs(lostEv(400, 300) - 1.5) < 1e-3);
        QVERIFY(std::abs(lostEv(100, 75) - 1.5 / 4) < 1e-2); // half way out: a quarter
    }

    void theLensDrawsColoursInDifferentSizes()
    {
        // A grey spot far from the middle: its image lies further out in red, nearer in blue.
        Scene scene = flatScene({801, 401}, 0.02f, 0.02f, 0.02f);
        for (int y = 190; y <= 210; ++y)
            for (int x = 690; x <= 710; ++x)
                for (size_t c = 0; c < 3; ++c)
                    scene.rgb[size_t(y * 801 + x) * 3 + c] = 0.8f;
        ShootOptions o;
        o.lateralRed = 4;
        o.lateralBlue = -3;
        const Shot shot = shoot(scene, o).take();
        const auto centre = [&](Colour colour) {
            double sum = 0, weighted = 0, floor = 1e9;
            for (int y = 150; y < 250; ++y)
                for (int x = 640; x < 760; ++x)
                    if (o.cfa.at(x, y) == colour)
                        floor = std::min(floor, double(shot.truth.clean.at(x, y)));
            for (int y = 150; y < 250; ++y)
                for (int x = 640; x < 760; ++x)
                    if (o.cfa.at(x, y) == colour) {
                        const double v = double(shot.truth.clean.at(x, y)) - floor;
                        sum += v;
                        weighted += v * x;
                    }
            return weighted / sum;
        };
        const double green = centre(Colour::Green), out = 700 - 400;
        QVERIFY(std::abs(green - 700) < 0.1);
        QVERIFY2(std::abs(centre(Colour::Red) - green - out * 0.004) < 0.15, qPrintable(QString::number(centre(Colour::Red) - green)));
        QVERIFY2(std::abs(centre(Colour::Blue) - green + out * 0.003) < 0.15, qPrintable(QString::number(centre(Colour::Blue) - green)));
        o.lateralRed = 9;
        QVERIFY(!shoot(scene, o).ok());
    }

    void wrongSettingsAreRefused()
    {
        const Scene scene = flatScene({64, 64}, 0.1f, 0.1f, 0.1f);
        const auto refused = [&](auto change) {
            ShootOptions o;
            change(o);
            return !shoot(scene, o);
        };
        QVERIFY(refused([](ShootOptions &o) { o.iso = 7; }));
        QVERIFY(refused([](ShootOptions &o) { o.bits = 13; }));
        QVERIFY(refused([](ShootOptions &o) { o.borderPx = -1; }));
        QVERIFY(refused([](ShootOptions &o) { o.orientation = 9; }));
        QVERIFY(refused([](ShootOptions &o) { o.lensBlurPx = 30; }));
        QVERIFY(refused([](ShootOptions &o) { o.cut = {60, 60, 20, 20}; }));
        QVERIFY(!refused([](ShootOptions &) {}));
    }

    void theProgramWritesFrameAndTruth()
    {
        const QTemporaryDir dir;
        QFile pfm(dir.filePath("scene.pfm"));
        QVERIFY(pfm.open(QIODevice::WriteOnly));
        pfm.write("PF\n96 64\n-1.0\n");
        const Scene scene = makeScene({96, 64});
        for (int y = 63; y >= 0; --y)
            pfm.write(reinterpret_cast<const char *>(scene.at(0, y)), 96 * 12);
        pfm.close();
        const QStringList arguments{dir.filePath("scene.pfm"), "--iso", "6400", "--seed", "9", "--pattern", "GBRG", "--truth", dir.filePath("truth")};
        const Ran first = run("irenic-shoot", arguments + QStringList{"--out", dir.filePath("a.dng")});
        QVERIFY2(first.status == 0, first.err.constData());
        QVERIFY(QFile::exists(dir.filePath("truth.json")) && QFile::exists(dir.filePath("truth.tif")));
        const auto frame = readFrame(dir.filePath("a.dng").toStdString());
        QVERIFY(frame);
        ShootOptions o;
        o.iso = 6400;
        o.seed = 9;
        o.cfa = *CfaPattern::fromName("GBRG");
        QVERIFY(sameBits(frame.value()->samples.constView(), shoot(scene, o).value().samples.constView()));
        const Ran again = run("irenic-shoot", {dir.filePath("scene.pfm"), "--out", dir.filePath("a.dng")});
        QVERIFY2(again.status != 0 && again.err.contains("already there"), "never replaces a file");
        QVERIFY(run("irenic-shoot", {dir.filePath("none.pfm"), "--out", dir.filePath("b.dng")}).status != 0);
        QVERIFY(run("irenic-shoot", {dir.filePath("truth.json"), "--out", dir.filePath("b.dng")}).status != 0);
        QProcess validator;
        validator.start("exiftool", {"-validate", "-warning", "-error", "-a", "-s3", dir.filePath("a.dng")});
        QVERIFY(validator.waitForFinished());
        QCOMPARE(validator.readAllStandardOutput().trimmed(), QByteArray("OK"));
    }
};

QTEST_GUILESS_MAIN(ShootTest)
#include "shoot_test.moc"
