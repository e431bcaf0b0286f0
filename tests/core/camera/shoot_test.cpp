// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/random.h"
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <libraw/libraw.h>

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

    void faultsHaveTheVarianceThatIsTold_data()
    {
        QTest::addColumn<SensorFaults>("faults");
        QTest::addColumn<float>("level");
        const auto add = [](const char *name, float level, auto change) {
            SensorFaults f;
            change(f);
            QTest::newRow(name) << f << level;
        };
        add("response", 0.6f, [](SensorFaults &f) { f.responseSpread = 0.05; });
        add("dark current", 0.002f, [](SensorFaults &f) { f.darkElectrons = 40; });
        add("companded", 0.3f, [](SensorFaults &f) { f.compandedBits = 8; });
        add("smoothed", 0.3f, [](SensorFaults &f) { f.smoothing = 0.1; });
        add("two gains, low", 0.02f, [](SensorFaults &f) { f.dualGain = true; });
        add("two gains, high", 0.4f, [](SensorFaults &f) { f.dualGain = true; });
        add("knee", 0.9f, [](SensorFaults &f) { f.knee = 0.4; });
    }
    void faultsHaveTheVarianceThatIsTold()
    {
        QFETCH(SensorFaults, faults);
        QFETCH(float, level);
        ShootOptions o;
        o.iso = 800;
        o.banding = o.hotPixelsPerMillion = 0;
        o.faults = faults;
        const Simulated s = simulate(flatScene({400, 400}, level, level, level), o);
        double sum = 0, square = 0;
        const double clean = double(s.truth.clean.at(1, 0));
        for (int y = 4; y < 396; y += 2)
            for (int x = 5; x < 396; x += 2) {
                const double d = double(s.frame->linearAt(x, y)) - clean;
                sum += d;
                square += d * d;
            }
        const double n = 196.0 * 196, variance = square / n - sum * sum / (n * n);
        const auto &curve = s.truth.curve;
        const auto above = std::upper_bound(curve.begin(), curve.end(), std::pair(float(clean), 0.f));
        const double share = (clean - double((above - 1)->first)) / double(above->first - (above - 1)->first), told = double((above - 1)->second) * (1 - share) + double(above->second) * share;
        QVERIFY2(std::abs(variance / told - 1) < 0.06, qPrintable(QStringLiteral("%1 of %2").arg(variance).arg(told)));
        QVERIFY(std::abs(sum / n) < 5 * std::sqrt(told / n) + 0.01 * clean);
    }

    void faultsLieWhereTheyBelong()
    {
        // Every one against the same shot without it: what differs, where, by how much.
        ShootOptions o;
        o.iso = 400;
        o.banding = o.hotPixelsPerMillion = 0;
        o.borderPx = 32;
        const Scene scene = flatScene({400, 300}, 0.3f, 0.3f, 0.3f);
        const Shot plain = shoot(scene, o).take();
        const auto mean = [&](auto change, Rect where, int phaseX = -1, int phaseY = -1, int rowStep = 0) {
            ShootOptions with = o;
            change(with.faults);
            const Shot shot = shoot(scene, with).take();
            double sum = 0;
            int n = 0;
            for (int y = where.y; y < where.bottom(); ++y)
                for (int x = where.x; x < where.right(); ++x)
                    if ((phaseX < 0 || (x & 1) == phaseX) && (phaseY < 0 || (y & 1) == phaseY) && (rowStep == 0 || (y - 32) % rowStep == 0)) {
                        sum += double(shot.samples.at(x, y)) - double(plain.samples.at(x, y));
                        ++n;
                    }
            return sum / n;
        };
        const Rect lit{32, 32, 400, 300}, masked{0, 0, 32, 332};
        const double green = double(plain.truth.clean.at(33, 32)) * (kCameraWhite14 - kCameraBlack14);
        const auto drift = [](SensorFaults &f) { f.blackDrift = {0, 12, 0, 0}; };
        QVERIFY(std::abs(mean(drift, lit, 1, 0) - 12) < 0.1 && std::abs(mean(drift, lit, 0, 0)) < 0.1 && std::abs(mean(drift, masked, 1, 0) - 12) < 0.1);
        const auto imbalance = [](SensorFaults &f) { f.greenImbalance = 0.05; };
        QVERIFY2(std::abs(mean(imbalance, lit, 0, 1) / (0.05 * green) - 1) < 0.1, qPrintable(QString::number(mean(imbalance, lit, 0, 1))));
        QVERIFY(std::abs(mean(imbalance, lit, 1, 0)) < 1);
        const auto stripes = [](SensorFaults &f) { f.phaseStripes = 0.2; };
        QVERIFY(std::abs(mean(stripes, lit, 1, 0, 12) / (-0.2 * green) - 1) < 0.1);
        QVERIFY(std::abs(mean(stripes, {32, 33, 400, 11})) < 1);
        const auto glow = [](SensorFaults &f) { f.glowElectrons = 2000; };
        QVERIFY(mean(glow, {422, 322, 10, 10}) > 200 && std::abs(mean(glow, {32, 32, 40, 40})) < 5 && std::abs(mean(glow, masked)) < 0.5);
        const auto rows = [](SensorFaults &f) { f.rowDrift = 8; };
        const double read = plain.truth.readNoiseElectrons / plain.truth.fullWellElectrons * (kCameraWhite14 - kCameraBlack14);
        QVERIFY(std::abs(mean(rows, {0, 300, 432, 32}) - mean(rows, {0, 0, 432, 32}) - 8 * read * 300 / 332) < 0.05 * read);
        const auto telegraph = [](SensorFaults &f) { f.telegraphPerMillion = 20000; };
        ShootOptions flickering = o;
        for (const std::optional<uint64_t> sensor : {std::optional<uint64_t>(5), std::optional<uint64_t>()}) { // a sensor of its own, or one with each seed
            telegraph(flickering.faults);
            flickering.sensorSeed = sensor;
            const Shot one = shoot(scene, flickering).take();
            flickering.faults = {};
            const Shot without = shoot(scene, flickering).take();
            int moved = 0;
            for (int y = 32; y < 332; ++y)
                for (int x = 32; x < 432; ++x)
                    moved += std::abs(int(one.samples.at(x, y)) - int(without.samples.at(x, y))) > 2.5 * read;
            QVERIFY2(moved > 1000 && moved < 1400, qPrintable(QString::number(moved))); // half of 2400
            QCOMPARE(int(one.truth.hotPixels.size()), moved);
        }
    }

    void cornersAreBlurredMore()
    {
        Scene dots = flatScene({401, 301}, 0.01f, 0.01f, 0.01f);
        for (const auto &[x, y] : {std::pair{200, 150}, {20, 16}})
            for (size_t c = 0; c < 3; ++c)
                dots.rgb[size_t(y * 401 + x) * 3 + c] = 20;
        ShootOptions o;
        o.cornerBlurPx = 2;
        const Shot shot = shoot(dots, o).take();
        QVERIFY(shot.truth.clean.at(200, 150) > 3 * shot.truth.clean.at(20, 16));
    }

    void clippedAndCompandedFilesAreReadAlike()
    {
        const QTemporaryDir dir;
        const Scene scene = makeScene({300, 200});
        for (const auto &[clipped, bits, lossless] : {std::tuple{true, 0, true}, {false, 10, false}, {true, 8, true}, {false, 12, false}}) {
            ShootOptions o;
            o.faults.clippedBlack = clipped;
            o.faults.compandedBits = bits;
            o.lossless = lossless;
            const Shot shot = shoot(scene, o).take();
            const auto file = dir.filePath(QStringLiteral("%1-%2.dng").arg(clipped).arg(bits)).toStdString();
            QVERIFY(writeShot(file, shot, o));
            const auto frame = readFrame(file);
            QVERIFY(frame);
            QVERIFY(sameBits(frame.value()->samples.constView(), shot.samples.constView()));
            QCOMPARE(frame.value()->levels.black[0], clipped ? 0.f : float(kCameraBlack14));
            QCOMPARE(frame.value()->levels.white, float(clipped ? kCameraWhite14 - kCameraBlack14 : kCameraWhite14));
            LibRaw raw; // somebody else's reader
            QCOMPARE(raw.open_file(file.c_str()), int(LIBRAW_SUCCESS));
            QCOMPARE(raw.unpack(), int(LIBRAW_SUCCESS));
            for (int y = 0; y < 200; y += 7)
                for (int x = 0; x < 300; x += 3)
                    QVERIFY2(raw.imgdata.rawdata.raw_image[size_t(y) * raw.imgdata.sizes.raw_pitch / 2 + size_t(x)] == shot.samples.at(x, y), qPrintable(QStringLiteral("%1 %2 %3: %4 %5 %6").arg(clipped).arg(bits).arg(lossless).arg(x).arg(y).arg(raw.imgdata.sizes.raw_pitch)));
        }
    }

    void finishedPicturesLookLikeTheScene()
    {
        const QTemporaryDir dir;
        ShootOptions o;
        o.iso = 200;
        const Scene scene = flatScene({200, 150}, 0.2f, 0.2f, 0.2f);
        const Shot shot = shoot(scene, o).take();
        for (const QString name : {"a.jpg", "a.tif"}) {
            const auto file = dir.filePath(name).toStdString();
            QVERIFY(writeFinished(file, shot, o, {}));
            const auto frame = readFrame(file);
            QVERIFY(frame);
            QVERIFY(frame.value()->kind == FrameKind::Rendered);
            QCOMPARE(frame.value()->shooting.iso, 200.0);
            const float red = frame.value()->linearAt(60, 60, 0), green = frame.value()->linearAt(60, 60, 1);
            QVERIFY2(green > 0.12f && green < 0.3f && std::abs(red / green - 1) < 0.5f, qPrintable(QStringLiteral("%1 %2").arg(double(red)).arg(double(green))));
            QVERIFY(!writeFinished(file, shot, o, {})); // never replaces
        }
        QVERIFY(!writeFinished(dir.filePath("a.png").toStdString(), shot, o, {}));
        // A camera's curve: dark gets darker, light lighter, black and white stay.
        const Shot slope = shoot(slopeScene({200, 150}), o).take();
        const auto greens = [&](const QString &name, double contrast) {
            const auto file = dir.filePath(name).toStdString();
            const auto frame = writeFinished(file, slope, o, {90, 0, contrast}) ? readFrame(file).take() : nullptr;
            return std::array{frame->linearAt(12, 60, 1), frame->linearAt(frame->samples.width() / 3 - 12, 60, 1)};
        };
        const auto plain = greens("p.tif", 0), curved = greens("c.tif", 0.7);
        QVERIFY2(curved[0] < 0.9f * plain[0] && curved[0] > 0 && curved[1] > 1.05f * plain[1] && curved[1] <= 1, qPrintable(QStringLiteral("%1 %2, %3 %4").arg(double(plain[0])).arg(double(curved[0])).arg(double(plain[1])).arg(double(curved[1]))));
        QVERIFY(!writeFinished(dir.filePath("b.jpg").toStdString(), shot, o, {90, 0.5, 1.5}));
        QVERIFY(!writeFinished(dir.filePath("b.jpg").toStdString(), shot, o, {0, 0.5}));
        QVERIFY(!QFile::exists(dir.filePath("b.jpg")));
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
        QVERIFY(refused([](ShootOptions &o) { o.cornerBlurPx = -1; }));
        QVERIFY(refused([](ShootOptions &o) { o.faults.responseSpread = 0.5; }));
        QVERIFY(refused([](ShootOptions &o) { o.faults.darkElectrons = -1; }));
        QVERIFY(refused([](ShootOptions &o) { o.faults.blackDrift[2] = 500; }));
        QVERIFY(refused([](ShootOptions &o) { o.faults.compandedBits = 7; }));
        QVERIFY(refused([](ShootOptions &o) { o.faults.smoothing = 0.3; }));
        QVERIFY(refused([](ShootOptions &o) { o.faults.knee = std::nan(""); }));
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
        // Faults and a finished picture, by their flags.
        const Ran faulty = run("irenic-shoot", {dir.filePath("scene.pfm"), "--out", dir.filePath("f.dng"), "--companded", "10", "--black-drift", "4,0,0,-4", "--smoothing", "0.05", "--finished", dir.filePath("f.jpg"), "--quality", "80"});
        QVERIFY2(faulty.status == 0, faulty.err.constData());
        QVERIFY(readFrame(dir.filePath("f.dng").toStdString()) && readFrame(dir.filePath("f.jpg").toStdString()));
        QVERIFY(run("irenic-shoot", {dir.filePath("scene.pfm"), "--out", dir.filePath("g.dng"), "--companded", "3"}).status != 0);
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
