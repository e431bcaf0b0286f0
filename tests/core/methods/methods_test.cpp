// SPDX-License-Identifier: GPL-3.0-or-later
// What holds for every method alike.
#include "irenic/clean.h"
#include "irenic/export.h"
#include "irenic/measure_noise.h"
#include "methods/denoise_method.h"
#include "support/frames.h"
#include "support/planes.h"

#include <hwy/highway.h>
#include <hwy/targets.h>

#include <QElapsedTimer>
#include <QTest>

#include <thread>

using namespace irenic;
using namespace irenic::test;

namespace {

/// One tile of `side` pixels out of a larger plane.
Plane<float> cleanedTile(const Treatment &treatment, int side, const std::stop_token &stop = {})
{
    const auto method = makeMethod(treatment);
    const int h = method->haloPx();
    const Plane<float> in = gaussianPlane({side + 2 * h + kRowPaddingPx, side + 2 * h}, 9, 30);
    Plane<float> out({side, side});
    Scratch scratch;
    scratch.stop = stop;
    method->denoiseTile(TileInput::mosaic(in.view().cut({0, 0, side + 2 * h, side + 2 * h}), {}), {h, h, side, side}, {out.view(), {}, {}}, scratch);
    return out;
}

} // namespace

class MethodsTest : public QObject
{
    Q_OBJECT
    static void everyMethodARow()
    {
        QTest::addColumn<QString>("id");
        for (const MethodInfo &m : methods())
            QTest::newRow(m.id) << m.id;
    }
private slots:
    void everyProcessorPathAgrees_data() { everyMethodARow(); }
    void everyProcessorPathAgrees()
    {
        QFETCH(QString, id);
        const Treatment t{id.toStdString(), 1, 1, {}};
        const Plane<float> best = cleanedTile(t, 40);
        int tried = 0;
        for (const uint32_t target : {uint32_t(HWY_STATIC_TARGET), uint32_t(HWY_SSE4), uint32_t(HWY_AVX2), uint32_t(HWY_AVX3)}) {
            if (!(hwy::SupportedTargets() & target))
                continue;
            hwy::DisableTargets(~(target | HWY_STATIC_TARGET));
            const Plane<float> other = cleanedTile(t, 40);
            hwy::DisableTargets(0);
            // A coefficient at its threshold may fall either way: a hundredth of the noise, under a sample step.
            QVERIFY2(largestDifference(best.view(), other.view(), {0, 0, 40, 40}) < 0.02, qPrintable(QString::number(target)));
            ++tried;
        }
        QVERIFY(tried > 0);
    }

    void strengthGovernsWhatIsLeft_data() { everyMethodARow(); }
    void strengthGovernsWhatIsLeft()
    {
        // Invariant: more strength never leaves more noise, luminance and colour each for itself.
        QFETCH(QString, id);
        const std::string method = id.toStdString();
        double last = 2;
        for (const double s : {0.1, 0.25, 0.5, 0.75, 1.0, 1.5, 2.0, 3.0}) {
            const double left = noiseLeftOnFlat({method, s, 1, {}}).luminance;
            QVERIFY2(left <= last, qPrintable(QStringLiteral("%1: %2 after %3").arg(s).arg(left).arg(last)));
            last = left;
        }
        last = 2;
        for (const double s : {0.1, 0.25, 0.5, 0.75, 1.0, 1.5, 2.0, 3.0}) {
            const double left = noiseLeftOnFlat({method, 1, s, {}}).colour;
            QVERIFY2(left <= last, qPrintable(QStringLiteral("%1: %2 after %3").arg(s).arg(left).arg(last)));
            last = left;
        }
        const NoiseLeft asMeasured = noiseLeftOnFlat({method, 1, 1, {}});
        QVERIFY2(asMeasured.luminance < 0.25 && asMeasured.colour < 0.25, qPrintable(QStringLiteral("%1 %2").arg(asMeasured.luminance).arg(asMeasured.colour)));
        // Finest luminance and colour share the pattern's highest frequencies, so each takes a part of the other's.
        const NoiseLeft colourOnly = noiseLeftOnFlat({method, 0, 1, {}}), luminanceOnly = noiseLeftOnFlat({method, 1, 0, {}});
        QVERIFY2(colourOnly.luminance > 0.6 && colourOnly.colour < 0.5, qPrintable(QStringLiteral("%1 %2").arg(colourOnly.luminance).arg(colourOnly.colour)));
        QVERIFY2(luminanceOnly.luminance < 0.6 && luminanceOnly.colour > 0.6, qPrintable(QStringLiteral("%1 %2").arg(luminanceOnly.luminance).arg(luminanceOnly.colour)));
    }

    void mixingWithItselfChangesNothing()
    {
        // Not mixed by name; but luminance of one and colours of the other lie between the two.
        const Plane<float> a = cleanedTile({"wavelet", 1, 1, "wavelet"}, 64), b = cleanedTile({"wavelet", 1, 1, {}}, 64);
        QVERIFY(sameBits(a.constView(), b.constView()));
        // A luminance cleaned hard and colours hardly, and the other way round: each reading follows its own method.
        const NoiseLeft crossed = noiseLeftOnFlat({"bm3d", 1, 0.3, "wavelet"}), plain = noiseLeftOnFlat({"bm3d", 1, 1, {}}), weak = noiseLeftOnFlat({"wavelet", 1, 0.3, {}});
        QVERIFY2(std::abs(crossed.colour - weak.colour) < 0.1, qPrintable(QStringLiteral("%1 %2").arg(crossed.colour).arg(weak.colour)));
        QVERIFY2(crossed.luminance > plain.luminance && crossed.luminance < 0.6, qPrintable(QStringLiteral("%1 %2").arg(crossed.luminance).arg(plain.luminance)));
    }

    void aStoppedTileIsCutShort_data() { everyMethodARow(); }
    void aStoppedTileIsCutShort()
    {
        // A tile of the method's own size costs far more than one that finds itself stopped; as a ratio, since machines
        // differ: the share that is still done is what a stopped export has to wait for.
        QFETCH(QString, id);
        const Treatment t{id.toStdString(), 1, 1, {}};
        const auto seconds = [&](const std::stop_token &token) {
            QElapsedTimer timer;
            timer.start();
            cleanedTile(t, 384, token);
            return double(timer.nsecsElapsed()) * 1e-9;
        };
        std::stop_source stopped;
        stopped.request_stop();
        const double whole = seconds({}), cut = seconds(stopped.get_token());
        QVERIFY2(cut < 0.8 * whole, qPrintable(QStringLiteral("%1 of %2 s").arg(cut).arg(whole)));
    }

    void theSuggestionFollowsTheNoise_data()
    {
        QTest::addColumn<float>("grain");
        QTest::addColumn<QString>("method");
        QTest::addColumn<QString>("word");
        QTest::addColumn<bool>("fullColour");
        QTest::addColumn<double>("confidence");
        QTest::newRow("light") << 0.012f << "wavelet"
                               << "1 %" << false << 1.0;
        QTest::newRow("moderate") << 0.042f << "dct"
                                  << "4 %" << false << 1.0;
        QTest::newRow("between, where the network leads") << 0.05f << "unet"
                                                          << "5 %" << false << 1.0;
        QTest::newRow("between, in full colour") << 0.05f << "dct"
                                                 << "5 %" << true << 1.0;
        QTest::newRow("heavy") << 0.172f << "unet"
                               << "17 %" << false << 1.0;
        QTest::newRow("heavy, in full colour") << 0.172f << "bm3d"
                                               << "17 %" << true << 1.0;
        QTest::newRow("heavy, in full colour, hardly known") << 0.172f << "unet-colour"
                                                             << "17 %" << true << 0.1;
        QTest::newRow("light, in full colour, hardly known") << 0.012f << "wavelet"
                                                             << "1 %" << true << 0.1;
    }
    void theSuggestionFollowsTheNoise()
    {
        QFETCH(float, grain);
        QFETCH(QString, method);
        QFETCH(QString, word);
        NoiseReport noise;
        noise.luminanceNoise = grain;
        noise.colourNoise = grain * 1.3f;
        QFETCH(double, confidence);
        noise.confidence = confidence;
        noise.usualShare = 0.7f;
        QFETCH(bool, fullColour);
        if (fullColour) {
            noise.bands.resize(1);
            noise.nearestLuminance = noise.nearestColours = 0.4f;
            noise.seesNearer = confidence < 0.75;
        }
        const Suggestion s = suggestTreatment(noise);
        QCOMPARE(s.treatment.method, method.toStdString());
        QVERIFY(validate(s.treatment));
        QVERIFY(QString::fromStdString(s.reason).contains(word) && s.reason.ends_with("."));
        for (const MethodInfo &m : methods())
            QVERIFY(validate(suggestedFor(m.id, noise)) && suggestedFor(m.id, noise).method == m.id);
    }

    /// Of a mosaic whose texture passes for noise: no more is taken than a sensor can have at that ISO.
    void littleCertaintyIsHeldAgainstTheIso()
    {
        NoiseReport noise;
        noise.luminanceNoise = 0.1f;
        const auto luminance = [&](double confidence, float usual) {
            noise.confidence = confidence;
            noise.usualShare = usual;
            return suggestedFor("dct", noise).luminance;
        };
        QVERIFY2(luminance(0.4, 0.2f) <= 0.1, qPrintable(QString::number(luminance(0.4, 0.2f))));
        QVERIFY(luminance(0.4, 0.5f) > luminance(0.4, 0.2f) && luminance(0.4, 0.5f) < luminance(0.4, 1));
        QCOMPARE(luminance(0.4, 0.8f), luminance(0.4, 0)); // a little more than usual is nothing strange; without an ISO nothing is known
        QCOMPARE(luminance(0.9, 0.2f), luminance(0.9, 1)); // measured well
    }

    void textureEverywhereIsNotWorseForTheSuggestion_data()
    {
        QTest::addColumn<int>("iso");
        for (const int iso : {100, 200, 400})
            QTest::addRow("ISO %d", iso) << iso;
    }
    void textureEverywhereIsNotWorseForTheSuggestion()
    {
        QFETCH(int, iso);
        ShootOptions o = plainShot(iso);
        o.lensBlurPx = 0;
        Scene grain = leavesScene({480, 360});
        const Plane<float> texture = gaussianPlane(grain.size, 1);
        for (int y = 0; y < grain.size.height; ++y)
            for (int x = 0; x < grain.size.width; ++x)
                for (int c = 0; c < 3; ++c)
                    grain.rgb[size_t((y * grain.size.width + x) * 3 + c)] *= std::max(0.1f, 1 + 0.04f * texture.at(x, y));
        const Simulated shot = simulate(grain, o);
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*shot.frame).take());
        const Treatment suggested = suggestTreatment(*noise).treatment;
        const Rect where = shot.frame->active.grownBy(-16);
        const Plane<float> before = Cleaner::untreated(shot.frame).clean(where).take(), after = Cleaner(shot.frame, noise, suggested).clean(where).take();
        const auto truth = shot.truth.clean.constView().cut({where.x, where.y, where.width, where.height});
        const Rect all{0, 0, where.width, where.height};
        const double was = meanSquare(before.constView(), truth, all), is = meanSquare(after.constView(), truth, all);
        QVERIFY2(is <= was, qPrintable(QStringLiteral("%1 at %2/%3, certainty %4, usual share %5: square %6, was %7").arg(suggested.method.c_str()).arg(suggested.luminance).arg(suggested.colour).arg(noise->confidence).arg(double(noise->usualShare)).arg(is).arg(was)));
    }

    /// A frame in full colour, which a network of mosaics hands on, is told the time of the one that cleans it.
    void whatIsHandedOnIsToldTheTimeItTakes()
    {
        for (const char *method : {"unet", "unet-ensemble"}) {
            QCOMPARE(secondsPerMegapixel(method, FrameKind::Linear), secondsPerMegapixel("unet-colour", FrameKind::Linear));
            QVERIFY(secondsPerMegapixel(method, FrameKind::Mosaic) != secondsPerMegapixel("unet-colour", FrameKind::Mosaic));
        }
        QCOMPARE(methodsFor(FrameKind::Mosaic).size(), methods().size());
        QCOMPARE(methodsFor(FrameKind::Linear).size(), methods().size() - 2);
        for (const MethodInfo &m : methods())
            QVERIFY2(m.fullColour || m.secondsInFullColour > 0 || secondsPerMegapixel(m.id, FrameKind::Linear) > m.secondsPerMegapixel, m.id);
    }

    void settingsOutOfRangeAreRefusedByName()
    {
        QVERIFY(validate(Treatment{"wavelet", 3, 0, {}}));
        for (const Treatment &t : {Treatment{"wavelet", -0.1, 1, {}}, Treatment{"wavelet", 3.01, 1, {}}, Treatment{"wavelet", std::nan(""), 1, {}}}) {
            QCOMPARE(validate(t).error().code, ErrorCode::BadParameter);
            QVERIFY(validate(t).error().userMessage.find("luminance") != std::string::npos);
        }
        QVERIFY(validate(Treatment{"wavelet", 1, 7, {}}).error().userMessage.find("colour") != std::string::npos);
        for (const Treatment &t : {Treatment{"fog", 1, 1, {}}, Treatment{"wavelet", 1, 1, "fog"}}) {
            QVERIFY(validate(t).error().userMessage.find("fog") != std::string::npos);
            QVERIFY(validate(t).error().userMessage.find("bm3d") != std::string::npos);
        }
    }
};

QTEST_APPLESS_MAIN(MethodsTest)
#include "methods_test.moc"
