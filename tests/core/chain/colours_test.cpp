// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean_cache.h"
#include "irenic/export.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "irenic/readings.h"
#include "support/frames.h"

#include <QTemporaryDir>
#include <QTest>

#include <numbers>

using namespace irenic;
using namespace irenic::test;

namespace {

const Treatment kColours{"unet-colour", 1, 1};
constexpr Size kScene{240, 200};

/// The same things in strong and in weak colours, fine enough that a demosaic has to guess.
Scene colourful(Size size)
{
    Scene scene = leavesScene(size);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            float *p = scene.rgb.data() + 3 * (size_t(y) * size_t(size.width) + size_t(x));
            const double turn = double(p[0]) * 9;
            for (int c = 0; c < 3; ++c)
                p[c] *= float(0.75 + 0.25 * std::cos(turn + c * 2 * std::numbers::pi / 3));
        }
    return scene;
}

Simulated shotAt(int iso, Size size = kScene)
{
    return simulate(colourful(size), plainShot(iso));
}

double psnrOf(const RgbImage<float> &picture, const RgbImage<float> &truth)
{
    return pictureQuality(encoded16(picture), encoded16(truth)).psnrDb;
}

} // namespace

/// Full colour from a method's own pass: Cleaner::cleanColours() and what is shown of it.
class ColoursTest : public QObject
{
    Q_OBJECT
private slots:
    void tilesAndThreadsDoNotShow()
    {
        const Simulated s = shotAt(3200);
        const Cleaner cleaner(s.frame, s.noise, kColours);
        QVERIFY(cleaner.givesColours());
        const Rect part{37, 21, 150, 130};
        const Plane<float> whole = cleaner.cleanColours(s.frame->active, {1, {}, {}}).take(), inTiles = cleaner.cleanColours(part, {3, {}, {}}, 48).take();
        QVERIFY(sameBits(inTiles.constView(), whole.constView().cut({3 * part.x, part.y, 3 * part.width, part.height})));
    }

    /// An export of samples holds what the picture holds at the places that the sensor measured, through a cache or without.
    void theSamplesAreAmongTheColours()
    {
        const Simulated s = shotAt(3200);
        LensCorrection lens;
        lens.lateral = true;
        lens.red = {1.003, 0, 0, 0, 0};
        for (const FrameEdits &edits : {FrameEdits{}, FrameEdits{nullptr, lens}}) {
            const Cleaner cleaner(s.frame, s.noise, kColours, edits);
            const Rect part{10, 5, 90, 75};
            const Plane<float> samples = cleaner.clean(part).take(), colours = cleaner.cleanColours(part).take();
            QCOMPARE(colours.width(), 3 * samples.width());
            const CfaPattern cfa = s.frame->cfa.shifted(part.x, part.y);
            for (int y = 0; y < part.height; ++y)
                for (int x = 0; x < part.width; ++x)
                    QVERIFY(samples.at(x, y) == colours.at(3 * x + int(cfa.at(x, y)), y));
            CleanCache cache;
            QVERIFY(sameBits(cache.cleanColours(cleaner, part, {}).value().constView(), colours.constView()));
            const size_t held = cache.bytesHeld();
            QVERIFY(sameBits(cache.clean(cleaner, part, {}).value().constView(), samples.constView()));
            QCOMPARE(cache.bytesHeld(), held); // taken from what is there
        }
    }

    void aPlaceWithoutStrengthKeepsItsSamples()
    {
        const Simulated s = shotAt(3200);
        Region spared;
        spared.name = "spared";
        spared.luminance = spared.colour = 0;
        MaskPart half;
        half.kind = MaskPart::Kind::Gradient;
        half.from = {100, 100}, half.to = {120, 100}; // left of it in full, right of it not at all
        spared.parts = {half};
        const auto regions = std::make_shared<const RegionSet>(s.frame, s.noise, std::vector<Region>{spared});
        const Cleaner cleaner(s.frame, s.noise, kColours, {regions, {}});
        QVERIFY(cleaner.givesColours());
        const Plane<float> now = cleaner.clean(s.frame->active).take(), before = Cleaner::untreated(s.frame).clean(s.frame->active).take();
        double left = 0, right = 0; // in sigmas
        for (int y = 20; y < now.height() - 20; ++y)
            for (int x = 20; x < now.width() - 20; ++x) {
                const double moved = std::abs(double(now.at(x, y)) - double(before.at(x, y))) / double(s.truth.noise.sigmaAt(before.at(x, y)));
                if (x < 95)
                    left = std::max(left, moved);
                if (x > 125)
                    right = std::max(right, moved);
            }
        QVERIFY2(left < 1e-3 && right > 1, qPrintable(QStringLiteral("moved by %1 sigma where it is spared, %2 elsewhere").arg(left).arg(right)));
        // Its colours are the network's all the same.
        const Plane<float> colours = cleaner.cleanColours(s.frame->active).take();
        for (int x = 20; x < 95; ++x)
            for (int c = 0; c < 3; ++c)
                QVERIFY(std::isfinite(colours.at(3 * x + c, 50)) && std::abs(colours.at(3 * x + c, 50) - now.at(x, 50)) < 1);
    }

    /// On nothing but noise the colours are even: no place of the pattern stands out, and the means stay.
    void aFlatFieldStaysFlat_data()
    {
        QTest::addColumn<float>("light");
        QTest::newRow("dark") << 0.004f;
        QTest::newRow("mid-tone") << 0.18f;
        QTest::newRow("light") << 0.6f;
    }
    void aFlatFieldStaysFlat()
    {
        QFETCH(float, light);
        const Simulated s = simulate(flatScene({400, 400}, light, 0.8f * light, 0.6f * light), plainShot(6400));
        const Rect middle = s.frame->active.grownBy(-40);
        const Plane<float> colours = Cleaner(s.frame, s.noise, kColours).cleanColours(middle).take(), noisy = Cleaner::untreated(s.frame).clean(middle).take();
        const CfaPattern cfa = s.frame->cfa.shifted(middle.x, middle.y);
        double mean[3][4] = {}, before[3] = {}, count[3] = {};
        for (int y = 0; y < middle.height; ++y)
            for (int x = 0; x < middle.width; ++x) {
                for (int c = 0; c < 3; ++c)
                    mean[c][(x & 1) + 2 * (y & 1)] += double(colours.at(3 * x + c, y)) * 4 / double(middle.size().area());
                before[int(cfa.at(x, y))] += double(noisy.at(x, y));
                count[int(cfa.at(x, y))] += 1;
            }
        for (int c = 0; c < 3; ++c) {
            const double was = before[c] / count[c], sigma = double(s.truth.noise.sigmaAt(float(was)));
            for (const double m : mean[c])
                QVERIFY2(std::abs(m - was) < 0.1 * sigma, qPrintable(QStringLiteral("%1 of colour %2, not %3; sigma %4").arg(m).arg(c).arg(was).arg(sigma)));
        }
    }

    /// Against the scene itself in full colour: nearer than the network's own samples demosaiced, without noise worth naming, and with it.
    void isNearerToTheSceneThanDemosaicedSamples_data()
    {
        QTest::addColumn<int>("iso");
        QTest::addColumn<double>("leastDb");
        QTest::newRow("ISO 100") << 100 << 0.5;
        QTest::newRow("ISO 1600") << 1600 << 0.5;
        QTest::newRow("ISO 12800") << 12800 << 0.1;
    }
    void isNearerToTheSceneThanDemosaicedSamples()
    {
        QFETCH(int, iso);
        QFETCH(double, leastDb);
        const Scene scene = colourful(kScene);
        const Simulated s = simulate(scene, plainShot(iso));
        const auto whole = wholeFrameOf(s, scene, plainShot(iso));
        const Rect part = s.frame->crop;
        const auto truth = developRegion(Cleaner::untreated(whole), part, {}, nullptr, {});
        const Cleaner cleaner(s.frame, s.noise, kColours);
        CleanCache cache;
        const double colours = psnrOf(developRegion(cleaner, part, {}, &cache, {}).value(), truth.value());
        const double samples = psnrOf(developSamples(cleaner, part, {}, &cache, {}).value(), truth.value());
        const double untreated = psnrOf(developRegion(Cleaner::untreated(s.frame), part, {}, nullptr, {}).value(), truth.value());
        QVERIFY2(colours > samples + leastDb && colours > untreated, qPrintable(QStringLiteral("%1 dB in full colour, %2 demosaiced, %3 untreated").arg(colours).arg(samples).arg(untreated)));
    }

    /// What a linear DNG and a TIFF are made of.
    void renderedFilesHoldTheColours()
    {
        const Simulated s = shotAt(1600);
        const Cleaner cleaner(s.frame, s.noise, kColours);
        const Rect part{20, 30, 60, 50};
        const auto colours = cleaner.cleanColours(part);
        const auto camera = demosaicRegion(cleaner, part, nullptr, {});
        QCOMPARE(camera.value().samples.size(), size_t(3 * part.size().area()));
        for (int y = 0; y < part.height; ++y)
            for (int x = 0; x < 3 * part.width; ++x)
                QVERIFY(camera.value().row(y)[x] == colours.value().at(x, y));
    }

    /// What is shown is what a file holds, of the colours as of any trial.
    void aTiffHoldsWhatIsShown()
    {
        const Simulated s = shotAt(1600);
        const Cleaner cleaner(s.frame, s.noise, kColours);
        const QTemporaryDir dir;
        const auto target = dir.filePath("x.tif").toStdString();
        const auto report = exportCleaned(cleaner, *s.noise, target, ExportOptions(ExportFormat::Tiff));
        QVERIFY2(report.ok(), report.ok() ? "" : report.error().userMessage.c_str());
        const auto file = readFrame(target);
        QVERIFY(file.ok());
        const auto shown = encoded16(developRegion(cleaner, s.frame->crop, {}, nullptr, {}).value());
        const Plane<uint16_t> &held = file.value()->samples;
        QCOMPARE(held.width(), 3 * shown.size.width);
        QCOMPARE(held.height(), shown.size.height);
        for (int y = 0; y < held.height(); ++y)
            QVERIFY(std::equal(shown.row(y), shown.row(y) + held.width(), held.row(y)));
    }

    /// Red and blue pictures of another size are brought to the green one's with all of their pixels.
    void lateralAberrationIsUndoneInTheColours()
    {
        ShootOptions straight = plainShot(400);
        straight.lensBlurPx = 1;
        ShootOptions bent = straight;
        bent.lateralRed = 5, bent.lateralBlue = -5;
        const Scene scene = colourful({480, 360});
        const Simulated s = simulate(scene, bent);
        const auto whole = wholeFrameOf(s, scene, straight);
        LensCorrection lens;
        lens.lateral = true;
        lens.red = {1.005, 0, 0, 0, 0}, lens.blue = {0.995, 0, 0, 0, 0};
        const Rect part = s.frame->crop.grownBy(-8);
        const auto truth = developRegion(Cleaner::untreated(whole), part, {}, nullptr, {});
        const auto seen = [&](const LensCorrection &l) { return psnrOf(developRegion(Cleaner(s.frame, s.noise, kColours, {nullptr, l}), part, {}, nullptr, {}).value(), truth.value()); };
        const double without = seen({}), with = seen(lens);
        QVERIFY2(with > without + 1.5, qPrintable(QStringLiteral("%1 dB, %2 without the correction").arg(with).arg(without)));
    }

    void onlyAMosaicByThatMethodAloneHasThem()
    {
        const Simulated s = shotAt(1600);
        QVERIFY(!Cleaner(s.frame, s.noise, {"unet", 1, 1}).givesColours());
        QVERIFY(!Cleaner(s.frame, s.noise, {"unet-colour", 1, 1, "wavelet"}).givesColours());
        QVERIFY(!Cleaner(s.frame, s.noise, {"unet-colour", 0, 0}).givesColours());
        QVERIFY(!Cleaner::untreated(s.frame).givesColours());
        const FullColour full = simulateFullColour(colourful({96, 96}), {1e-4f, 1e-6f}, false);
        auto noise = std::make_shared<NoiseReport>();
        noise->cells.fill({1e-4f, 1e-6f});
        QVERIFY(!Cleaner(full.frame, noise, carriedOut(kColours, FrameKind::Linear)).givesColours());
    }
};

QTEST_APPLESS_MAIN(ColoursTest)
#include "colours_test.moc"
