// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/picture.h"
#include "irenic/readings.h"
#include "render/white.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

RgbImage<float> developed(const Simulated &s, const Rendering &rendering, Rect region = {})
{
    return developRegion(Cleaner(s.frame, s.noise, {"wavelet", 0, 0}), region.isEmpty() ? s.frame->crop : region, {.rendering = rendering}, nullptr, {}).take();
}

std::array<double, 3> meanOf(const RgbImage<float> &image, Rect r)
{
    std::array<double, 3> sum{};
    for (int y = r.y; y < r.bottom(); ++y)
        for (int x = r.x; x < r.right(); ++x)
            for (size_t c = 0; c < 3; ++c)
                sum[c] += double(image.row(y)[3 * x + int(c)]) / double(r.size().area());
    return sum;
}

ShootOptions quiet()
{
    ShootOptions o;
    o.iso = 100;
    o.hotPixelsPerMillion = 0;
    o.banding = 0;
    return o;
}

} // namespace

class RenderingTest : public QObject
{
    Q_OBJECT
private slots:
    void lightsHaveTheirPublishedTemperatures_data()
    {
        QTest::addColumn<double>("x");
        QTest::addColumn<double>("y");
        QTest::addColumn<double>("kelvin");
        QTest::addColumn<double>("duv"); ///< thousandths
        // CIE 15:2018 for the chromaticities; correlated temperatures and Duv as ANSI C78.377 and CIE state them.
        QTest::newRow("A") << 0.44757 << 0.40745 << 2856.0 << 0.0;
        QTest::newRow("D50") << 0.34567 << 0.35850 << 5003.0 << 3.2;
        QTest::newRow("D65") << 0.31272 << 0.32903 << 6504.0 << 3.2;
        QTest::newRow("F2") << 0.37208 << 0.37529 << 4230.0 << 1.8;
    }
    void lightsHaveTheirPublishedTemperatures()
    {
        QFETCH(double, x);
        QFETCH(double, y);
        QFETCH(double, kelvin);
        QFETCH(double, duv);
        const White w = whiteAt({x, y});
        QVERIFY2(std::abs(w.temperatureK / kelvin - 1) < 0.006, qPrintable(QString::number(w.temperatureK)));
        QVERIFY2(std::abs(w.tint - duv) < 0.4, qPrintable(QString::number(w.tint)));
        const Chromaticity back = chromaticityOf(w);
        QVERIFY(std::abs(back.x - x) < 2e-5 && std::abs(back.y - y) < 2e-5);
    }

    void theOwnLightChangesNothing()
    {
        const Simulated s = simulate(makeScene({160, 120}), quiet());
        Rendering r;
        r.white = asShotWhite(*s.frame);
        const auto a = developed(s, {}), b = developed(s, r);
        for (size_t i = 0; i < a.samples.size(); ++i)
            QVERIFY2(std::abs(a.samples[i] - b.samples[i]) < 2e-3f, qPrintable(QStringLiteral("%1 %2").arg(double(a.samples[i])).arg(double(b.samples[i]))));
    }

    void aPickedGreyBecomesNeutral_data()
    {
        QTest::addColumn<float>("red");
        QTest::addColumn<float>("blue");
        QTest::newRow("lamplight") << 0.30f << 0.09f;
        QTest::newRow("dusk") << 0.12f << 0.30f;
    }
    void aPickedGreyBecomesNeutral()
    {
        QFETCH(float, red);
        QFETCH(float, blue);
        const Simulated s = simulate(flatScene({128, 96}, red, 0.18f, blue), quiet());
        const auto white = whiteFromGrey(*s.frame, {40, 30, 32, 32});
        QVERIFY(white);
        QCOMPARE(white->temperatureK<asShotWhite(*s.frame).temperatureK, red> blue); // redder light is of lower temperature
        const auto before = meanOf(developed(s, {}), {40, 30, 32, 32}), after = meanOf(developed(s, {.white = *white}), {40, 30, 32, 32});
        QVERIFY(std::abs(before[0] / before[2] - 1) > 0.5);
        QVERIFY2(std::abs(after[0] / after[1] - 1) < 0.01 && std::abs(after[2] / after[1] - 1) < 0.01, qPrintable(QStringLiteral("%1 %2 %3").arg(after[0]).arg(after[1]).arg(after[2])));
        // Black and blown places tell nothing.
        const Simulated dark = simulate(flatScene({128, 96}, 0, 0, 0), quiet()), blown = simulate(flatScene({128, 96}, 9, 9, 9), quiet());
        QVERIFY(!whiteFromGrey(*dark.frame, {40, 30, 32, 32}));
        QVERIFY(!whiteFromGrey(*blown.frame, {40, 30, 32, 32}));
    }

    void exposureIsInStops()
    {
        const Simulated s = simulate(flatScene({96, 96}, 0.05f, 0.05f, 0.05f), quiet());
        const double before = meanOf(developed(s, {}), {20, 20, 40, 40})[1];
        for (const double ev : {-2.0, 1.0, 2.0})
            QVERIFY(std::abs(meanOf(developed(s, {.exposureEv = ev}), {20, 20, 40, 40})[1] / before / std::exp2(ev) - 1) < 1e-3);
    }

    void contrastTurnsAboutMidGrey()
    {
        const auto toneAt = [](float light, double contrast) {
            const Simulated s = simulate(flatScene({64, 64}, light, light, light), quiet());
            return meanOf(developed(s, {.contrast = contrast}), {16, 16, 32, 32})[1];
        };
        QVERIFY(std::abs(toneAt(0.18f, 0.6) - toneAt(0.18f, 0)) < 0.01);
        QVERIFY(toneAt(0.05f, 0.6) < 0.8 * toneAt(0.05f, 0));
        QVERIFY(toneAt(0.5f, 0.6) > 1.1 * toneAt(0.5f, 0));
        QVERIFY(toneAt(0.05f, -0.6) > 1.2 * toneAt(0.05f, 0));
        QVERIFY(toneAt(0.5f, -0.6) < toneAt(0.5f, 0));
    }

    void shadowsLiftWhatLiesInTheDarkAlone()
    {
        // Left half dark, right half bright.
        Scene scene = flatScene({512, 256}, 0.5f, 0.5f, 0.5f);
        for (int y = 0; y < 256; ++y)
            for (int x = 0; x < 256; ++x)
                std::fill_n(scene.rgb.begin() + (ptrdiff_t(y) * 512 + x) * 3, 3, 0.012f);
        const Simulated s = simulate(scene, quiet());
        const auto before = developed(s, {}), after = developed(s, {.shadows = 0.5});
        const Rect dark{60, 60, 100, 100}, bright{350, 60, 100, 100};
        QVERIFY(meanOf(after, dark)[1] > 1.7 * meanOf(before, dark)[1]);
        QVERIFY(std::abs(meanOf(after, bright)[1] / meanOf(before, bright)[1] - 1) < 0.01);
        // No halo: the bright side stays what it is close to the edge, too.
        const Rect edge{262, 60, 6, 100};
        QVERIFY2(std::abs(meanOf(after, edge)[1] / meanOf(before, edge)[1] - 1) < 0.08, qPrintable(QString::number(meanOf(after, edge)[1] / meanOf(before, edge)[1])));
    }

    void localContrastActsOnDetailAndNotOnTone()
    {
        Scene scene = flatScene({512, 384}, 0, 0, 0);
        for (int y = 0; y < 384; ++y)
            for (int x = 0; x < 512; ++x)
                std::fill_n(scene.rgb.begin() + (ptrdiff_t(y) * 512 + x) * 3, 3, 0.15f * (1 + 0.2f * std::sin(float(x) * 0.35f)));
        const Simulated s = simulate(scene, quiet());
        const auto swing = [&](const Rendering &r, double &mean) {
            const auto image = developed(s, r);
            double low = 1, high = 0;
            mean = meanOf(image, {100, 100, 300, 200})[1];
            for (int x = 100; x < 400; ++x) {
                const double v = meanOf(image, {x, 100, 1, 100})[1];
                low = std::min(low, v);
                high = std::max(high, v);
            }
            return std::log2(high / low);
        };
        double meanBefore = 0, meanAfter = 0;
        const double before = swing({}, meanBefore), after = swing({.localContrast = 0.8}, meanAfter);
        QVERIFY2(after > 1.3 * before, qPrintable(QStringLiteral("%1 %2").arg(before).arg(after)));
        QVERIFY(std::abs(meanAfter / meanBefore - 1) < 0.03);
    }

    void tilesAndTreatmentsSeeTheSameSurroundings()
    {
        const Simulated s = simulate(makeScene({420, 300}), {});
        const Rendering r{.shadows = 0.7, .localContrast = 0.6};
        const auto whole = developed(s, r);
        const Rect part{101, 77, 90, 64};
        const auto cut = developed(s, r, part);
        for (int y = 0; y < part.height; ++y)
            QVERIFY(std::memcmp(cut.row(y), whole.row(part.y + y) + part.x * 3, size_t(part.width) * 3 * sizeof(float)) == 0);
        // Reduced pictures agree with the mean of full ones.
        const auto small = developReducedRegion(Cleaner(s.frame, s.noise, {"wavelet", 0, 0}), s.frame->crop, 4, {.rendering = r}, nullptr, {}).take();
        double stray = 0;
        for (int y = 10; y < small.size.height - 10; ++y)
            for (int x = 10; x < small.size.width - 10; ++x)
                stray += std::abs(double(small.row(y)[3 * x + 1]) - meanOf(whole, {4 * x, 4 * y, 4, 4})[1]);
        QVERIFY2(stray / double(small.size.area()) < 0.02, qPrintable(QString::number(stray / double(small.size.area()))));
    }

    void automaticBrightnessBringsDarkFramesUp()
    {
        ShootOptions o = quiet();
        o.underexposeEv = 3;
        const Simulated dark = simulate(makeScene({420, 300}), o), right = simulate(makeScene({420, 300}), quiet());
        const double lift = automaticExposureEv(dark.frame, {}), little = automaticExposureEv(right.frame, {});
        QVERIFY2(lift - little > 2 && lift - little < 3.5, qPrintable(QStringLiteral("%1 %2").arg(lift).arg(little)));
    }

    void controlsOutOfRangeAreRefused()
    {
        QVERIFY(validate(Rendering()).ok());
        QVERIFY(!validate(Rendering{.white = {500, 0}}));
        QVERIFY(!validate(Rendering{.white = {5000, 90}}));
        QVERIFY(!validate(Rendering{.exposureEv = std::nan("")}));
        const Status s = validate(Rendering{.shadows = 2});
        QVERIFY(!s && s.error().userMessage.find("shadows") != std::string::npos);
    }
};

QTEST_APPLESS_MAIN(RenderingTest)
#include "rendering_test.moc"
