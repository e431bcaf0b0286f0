// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/random.h"
#include "chain/point_lights.h"
#include "colour/colour.h"
#include "irenic/clean.h"
#include "irenic/develop.h"
#include "irenic/measure_noise.h"
#include "irenic/readings.h"
#include "law/stabiliser.h"
#include "support/frames.h"

#include <QTest>

#include <thread>

using namespace irenic;
using namespace irenic::test;

namespace {

/// Linear sRGB of block means of a mosaic, from the top left, unclipped.
std::vector<std::array<double, 3>> blockColours(PlaneView<const float> mosaic, CfaPattern cfa, const ColourDescription &colour, int block)
{
    const CameraToSrgb c = cameraToSrgb(colour);
    std::vector<std::array<double, 3>> out;
    for (int y0 = 0; y0 + block <= mosaic.height; y0 += block)
        for (int x0 = 0; x0 + block <= mosaic.width; x0 += block) {
            Vector3 sum{};
            std::array<int, 3> n{};
            for (int y = y0; y < y0 + block; ++y)
                for (int x = x0; x < x0 + block; ++x) {
                    const size_t k = size_t(cfa.at(x, y));
                    sum[k] += double(mosaic.at(x, y));
                    ++n[k];
                }
            for (size_t k = 0; k < 3; ++k)
                sum[k] *= c.balance[k] / n[k];
            const Vector3 rgb = multiplied(c.matrix, sum);
            out.push_back({rgb[0], rgb[1], rgb[2]});
        }
    return out;
}

Drift driftOf(const std::vector<std::array<double, 3>> &a, const std::vector<std::array<double, 3>> &b)
{
    std::vector<double> d;
    for (size_t i = 0; i < a.size(); ++i)
        d.push_back(ciede2000(labOf(a[i]), labOf(b[i])));
    std::sort(d.begin(), d.end());
    return {d[d.size() / 2], d[d.size() * 95 / 100]};
}

/// Every method at the measured strength, and two of them mixed.
std::vector<Treatment> everyTreatment()
{
    std::vector<Treatment> all;
    for (const MethodInfo &m : methods())
        all.push_back({m.id, 1, 1, {}});
    all.push_back({"dct", 1.2, 0.9, "wavelet"});
    all.push_back({"bm3d", 1, 1, "wavelet"});
    return all;
}

QString nameOf(const Treatment &t)
{
    return QString::fromStdString(t.isMixed() ? t.method + " with colours by " + t.colourMethod : t.method);
}

double psnrOf(PlaneView<const float> a, PlaneView<const float> truth, Rect where)
{
    return -10 * std::log10(meanSquare(a, truth, where));
}

} // namespace

Q_DECLARE_METATYPE(irenic::Treatment)

class CleanTest : public QObject
{
    Q_OBJECT
    static void everyTreatmentARow()
    {
        QTest::addColumn<Treatment>("treatment");
        for (const Treatment &t : everyTreatment())
            QTest::addRow("%s", qPrintable(nameOf(t))) << t;
    }
private slots:
    void sameBitsForAnyTilingAndThreads_data()
    {
        QTest::addColumn<Treatment>("treatment");
        QTest::addColumn<int>("tilePx");
        QTest::addColumn<int>("threads");
        for (const Treatment &t : everyTreatment()) {
            QTest::addRow("%s, 61 px tiles, 2 threads", qPrintable(nameOf(t))) << t << 61 << 2;
            QTest::addRow("%s, 128 px tiles, 1 thread", qPrintable(nameOf(t))) << t << 128 << 1;
            QTest::addRow("%s, its own tiles, 2 threads", qPrintable(nameOf(t))) << t << 0 << 2;
        }
        QTest::addRow("16 px tiles") << Treatment{} << 16 << 2;
    }
    void sameBitsForAnyTilingAndThreads()
    {
        QFETCH(Treatment, treatment);
        QFETCH(int, tilePx);
        QFETCH(int, threads);
        ShootOptions o;
        o.iso = 12800;
        o.borderPx = 5; // an odd active area reaches the phase code
        o.hotPixelsPerMillion = 400;
        const Simulated s = simulate(makeScene({203, 151}), o); // odd sizes reach the edge code
        const Cleaner cleaner(s.frame, s.noise, treatment);
        const auto whole = cleaner.clean(s.frame->active, {1, {}, {}}, 4096);
        const auto tiled = cleaner.clean(s.frame->active, {threads, {}, {}}, tilePx);
        QVERIFY(whole && tiled);
        QVERIFY(sameBits(tiled.value().constView(), whole.value().constView()));
    }

    void previewIsExport()
    {
        ShootOptions o;
        o.iso = 6400;
        o.hotPixelsPerMillion = 400;
        const Simulated s = simulate(makeScene({230, 170}), o);
        const Cleaner cleaner(s.frame, s.noise, {"wavelet", 1.3, 0.8});
        const auto stored = cleanForStorage(cleaner);
        QVERIFY(stored);
        QCOMPARE(stored.value().scale, 4);
        const auto whole = cleaner.clean(s.frame->active);
        for (const Rect region : {Rect{0, 0, 1, 1}, Rect{17, 33, 100, 41}, Rect{201, 140, 29, 30}, Rect{0, 169, 230, 1}}) {
            const auto part = cleaner.clean(region);
            QVERIFY(part);
            QVERIFY(sameBits(part.value().constView(), whole.value().constView().cut(region.seenFrom(s.frame->active))));
            for (int y = 0; y < region.height; ++y)
                for (int x = 0; x < region.width; ++x) {
                    const double meant = double(part.value().at(x, y)) * (kCameraWhite14 - kCameraBlack14) + kCameraBlack14;
                    QVERIFY(std::abs(stored.value().samples.at(region.x + x, region.y + y) - std::clamp(meant * 4, 0.0, 65535.0)) <= 0.51);
                }
        }
    }

    void zeroIsIdentity()
    {
        ShootOptions o;
        o.bits = 12;
        o.borderPx = 3;
        o.hotPixelsPerMillion = 2000;
        const Simulated s = simulate(makeScene({90, 80}), o);
        const auto stored = cleanForStorage(Cleaner(s.frame, s.noise, {"wavelet", 0, 0}));
        QVERIFY(stored);
        QCOMPARE(stored.value().scale, 1);
        QVERIFY(sameBits(stored.value().samples.constView(), s.frame->samples.constView()));
    }

    void maskedBordersPassThrough()
    {
        ShootOptions o;
        o.borderPx = 12;
        const Simulated s = simulate(makeScene({120, 100}), o);
        const auto stored = cleanForStorage(Cleaner(s.frame, s.noise, {}));
        QVERIFY(stored);
        for (int x = 0; x < s.frame->samples.width(); ++x)
            QCOMPARE(int(stored.value().samples.at(x, 4)), s.frame->samples.at(x, 4) * stored.value().scale);
    }

    void meansStay_data()
    {
        QTest::addColumn<Treatment>("treatment");
        QTest::addColumn<int>("iso");
        QTest::addColumn<double>("under");
        for (const Treatment &t : everyTreatment()) {
            QTest::addRow("%s, ISO 1600", qPrintable(nameOf(t))) << t << 1600 << 0.0;
            QTest::addRow("%s, ISO 51200", qPrintable(nameOf(t))) << t << 51200 << 0.0;
            QTest::addRow("%s, ISO 12800, three stops under", qPrintable(nameOf(t))) << t << 12800 << 3.0;
        }
    }
    void meansStay()
    {
        QFETCH(Treatment, treatment);
        QFETCH(int, iso);
        QFETCH(double, under);
        ShootOptions o;
        o.iso = iso;
        o.underexposeEv = under;
        o.hotPixelsPerMillion = 0;
        o.banding = 0;
        const Simulated s = simulate(makeScene({768, 768}), o);
        const auto cleaned = Cleaner(s.frame, s.noise, treatment).clean(s.frame->active);
        const auto untreated = Cleaner(s.frame, s.noise, {"wavelet", 0, 0}).clean(s.frame->active);
        const auto colours = [&](PlaneView<const float> p) { return blockColours(p, s.frame->cfa, s.frame->colour, 64); };
        const auto truth = colours(s.truth.clean.view()), before = colours(untreated.value().view()), after = colours(cleaned.value().view());
        const Drift noisy = driftOf(before, truth), result = driftOf(after, truth), change = driftOf(after, before);
        const QString figures = QStringLiteral("untreated %1 / %2, cleaned %3 / %4, between %5").arg(noisy.median).arg(noisy.high).arg(result.median).arg(result.high).arg(change.median);
        QVERIFY2(result.median <= noisy.median + 0.05, qPrintable(figures));
        QVERIFY2(result.high <= noisy.high + 0.15, qPrintable(figures));
        // Where 64 x 64 samples hold so much noise that their mean is off by more than half a unit, a clean picture must
        // leave that mean by part of it.
        QVERIFY2(change.median <= std::max(0.2, 0.57 * noisy.median), qPrintable(figures));
    }

    void noiseGoesAndThePictureStays_data() { everyTreatmentARow(); }
    void noiseGoesAndThePictureStays()
    {
        QFETCH(Treatment, treatment);
        // Gains over the untreated samples in dB: what the method owes at each place. Gaussian smoothing that takes
        // the same noise from the gradient loses the texture altogether.
        ShootOptions o;
        o.iso = 12800;
        const Simulated s = simulate(makeScene({640, 480}), o);
        const auto cleaned = Cleaner(s.frame, s.noise, treatment).clean(s.frame->active);
        const auto untreated = Cleaner(s.frame, s.noise, {"wavelet", 0, 0}).clean(s.frame->active);
        const auto gain = [&](Rect r) {
            return psnrOf(cleaned.value().view(), s.truth.clean.view(), r) - psnrOf(untreated.value().view(), s.truth.clean.view(), r);
        };
        QVERIFY2(gain({20, 10, 600, 120}) > 15, "gradient");
        QVERIFY2(gain({20, 250, 600, 80}) > 12, "patches of colour with edges");
        QVERIFY2(gain({20, 340, 600, 120}) > 9, "darkness");
        const double texture = gain({20, 150, 600, 80});
        QVERIFY2(texture > 1, qPrintable(QStringLiteral("texture near the limit of resolution: %1").arg(texture)));
    }

    void noGridOnSoftEdges_data() { everyTreatmentARow(); }
    void noGridOnSoftEdges()
    {
        QFETCH(Treatment, treatment);
        // The two greens of a cell must not drift apart where luminance slopes and strong settings flatten colour.
        Scene slope = flatScene({256, 256}, 0, 0, 0);
        for (int y = 0; y < 256; ++y)
            for (int x = 0; x < 256; ++x)
                for (size_t c = 0; c < 3; ++c)
                    slope.rgb[(size_t(y) * 256 + size_t(x)) * 3 + c] = float((0.35 + 0.3 * std::sin(x * 0.10) * std::cos(y * 0.07)) * (c == 0 ? 1.0 : c == 1 ? 0.8
                                                                                                                                                             : 0.5));
        ShootOptions o;
        o.iso = 12800;
        o.banding = 0;
        const Simulated s = simulate(slope, o);
        for (const double strength : {1.0, 2.0, 3.0}) {
            const auto cleaned = Cleaner(s.frame, s.noise, {treatment.method, strength, strength, treatment.colourMethod}).clean(s.frame->active);
            double error = 0, signal = 0;
            for (int y = 16; y < 240; y += 2)
                for (int x = 16; x < 240; x += 2) {
                    const auto greens = [&](const Plane<float> &p) { return double(p.at(x + 1, y)) - double(p.at(x, y + 1)); };
                    error += std::pow(greens(cleaned.value()) - greens(s.truth.clean), 2);
                    signal += double(s.truth.clean.at(x + 1, y));
                }
            const double relative = std::sqrt(error / (112 * 112)) / (signal / (112 * 112));
            // Noise of this frame is 10 % of the mid-tone in one sample, 14 % in a difference of two.
            // At strength 1 a fifth of the noise is left; beyond it, nothing but what the slope itself would leave. Means over
            // places that look alike keep a little fine grain at any strength.
            QVERIFY2(relative < (strength > 1 && treatment.method != "nlm" ? 0.015 : 0.03), qPrintable(QStringLiteral("strength %1: %2").arg(strength).arg(relative)));
        }
    }

    void smallLightsLive_data() { everyTreatmentARow(); }
    void smallLightsLive()
    {
        QFETCH(Treatment, treatment);
        ShootOptions o;
        o.iso = 12800;
        o.banding = 0;
        o.hotPixelsPerMillion = 0;
        o.lensBlurPx = 0.7;
        const float ground = 0.02f;
        const Result<Shot> ground32 = shoot(flatScene({32, 32}, ground, ground, ground), o);
        const ShotTruth &law = ground32.value().truth;
        // A blurred point peaks at 1 / (2 pi sigma^2) of its sum; the colour of the place it falls on sees its own share.
        const auto scenePeak = [&](PixelAt p) {
            const float here = law.clean.at(8 + (p.x & 1), 8 + (p.y & 1));
            return 8 * law.noise.sigmaAt(here) / 0.325f / (here / ground);
        };
        Scene sky = flatScene({480, 480}, ground, ground, ground);
        std::vector<PixelAt> stars;
        for (int y = 24; y < 470; y += 24)
            for (int x = 24; x < 470; x += 24) {
                stars.push_back({x + int(stars.size() % 2), y + int(stars.size() / 2 % 2)}); // on every cell of the pattern
                for (size_t c = 0; c < 3; ++c)
                    sky.rgb[(size_t(stars.back().y) * 480 + size_t(stars.back().x)) * 3 + c] += scenePeak(stars.back());
            }
        const Simulated s = simulate(sky, o);
        auto measured = std::make_shared<NoiseReport>(measureNoise(*s.frame).value());
        const auto cleaned = Cleaner(s.frame, measured, treatment).clean(s.frame->active);
        double kept = 0, shone = 0;
        const Simulated dark = simulate(flatScene({480, 480}, ground, ground, ground), o);
        for (const PixelAt p : stars)
            for (int y = p.y - 2; y <= p.y + 2; ++y)
                for (int x = p.x - 2; x <= p.x + 2; ++x) {
                    kept += double(cleaned.value().at(x, y)) - double(dark.truth.clean.at(x, y));
                    shone += double(s.truth.clean.at(x, y)) - double(dark.truth.clean.at(x, y));
                }
        QVERIFY2(kept / shone > 0.85 && kept / shone < 1.1, qPrintable(QString::number(kept / shone)));
    }

    /// Noise is given back where a point of light lost something, not wherever a texture has a crest.
    void crestsThatKeptTheirLightStayClean_data()
    {
        QTest::addColumn<float>("lost");
        QTest::addColumn<double>("least");
        QTest::addColumn<double>("most");
        QTest::newRow("nothing lost") << 0.f << 0.0 << 0.35;
        QTest::newRow("a third of eight sigma lost") << 0.33f << 0.9 << 1.0;
    }
    void crestsThatKeptTheirLightStayClean()
    {
        QFETCH(float, lost);
        QFETCH(double, least);
        QFETCH(double, most);
        const Size size{640, 480};
        Plane<float> noisy(size), cleaned(size, 0.f), weight(size, 0.f);
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x)
                noisy.at(x, y) = float(RandomAt(5, 1, x, y).gaussian());
        std::vector<PixelAt> crests;
        for (int y = 16; y < size.height - 16; y += 16)
            for (int x = 16; x < size.width - 16; x += 16) {
                crests.push_back({x, y});
                for (int v = -1; v <= 1; ++v)
                    for (int u = -1; u <= 1; ++u) {
                        const float light = 8.f / float((1 + std::abs(u)) * (1 + std::abs(v)));
                        noisy.at(x + u, y + v) += light;
                        cleaned.at(x + u, y + v) = (1 - lost) * light;
                    }
            }
        Scratch scratch;
        findPointLights(noisy.constView(), cleaned.constView(), 1, weight.view(), scratch);
        double given = 0;
        for (const PixelAt p : crests)
            given += double(weight.at(p.x, p.y)) / double(crests.size());
        QVERIFY2(given >= least && given <= most, qPrintable(QString::number(given)));
    }

    void hotPixelsAreMended()
    {
        ShootOptions o;
        o.iso = 6400;
        o.hotPixelsPerMillion = 600;
        const Simulated s = simulate(flatScene({400, 300}, 0.2f, 0.2f, 0.2f), o);
        QVERIFY(s.truth.hotPixels.size() > 30);
        const auto cleaned = Cleaner(s.frame, s.noise, {}).clean(s.frame->active);
        for (const PixelAt p : s.truth.hotPixels) {
            const double off = std::abs(double(cleaned.value().at(p.x, p.y)) - double(s.truth.clean.at(p.x, p.y)));
            QVERIFY(off < 2.5 * double(s.truth.noise.sigmaAt(0.2f)));
        }
    }

    void stabiliserComesBackUnbiased()
    {
        const NoiseModel noise{1 / 100.f, 2.5e-4f};
        const Stabiliser t(noise);
        for (const float z : {-0.05f, -0.001f, 0.f, 0.01f, 0.3f, 0.9f}) {
            QVERIFY(std::abs(t.inverse(t.forward(z), 0) - z) < 1e-4f); // nothing removed: the sample itself
            QVERIFY(t.forward(z) < t.forward(z + 1e-3f));
        }
        // All noise removed: the mean of stabilised noisy samples comes back as the clean signal.
        for (const float signal : {0.02f, 0.1f, 0.5f}) {
            double mean = 0, square = 0;
            const Plane<float> g = gaussianPlane({200, 200}, 4);
            for (int y = 0; y < 200; ++y)
                for (int x = 0; x < 200; ++x) {
                    const double f = double(t.forward(signal + noise.sigmaAt(signal) * g.at(x, y)));
                    mean += f;
                    square += f * f;
                }
            mean /= 40000;
            const double variance = square / 40000 - mean * mean;
            QVERIFY2(std::abs(variance - 1) < 0.12, qPrintable(QString::number(variance)));
            const double back = double(t.inverse(float(mean), float(variance)));
            QVERIFY2(std::abs(back - double(signal)) < 0.02 * double(signal) + 0.0006, qPrintable(QString::number(back)));
        }
    }

    void cancelLeavesNothing_data() { everyTreatmentARow(); }
    void cancelLeavesNothing()
    {
        QFETCH(Treatment, treatment);
        const Simulated s = simulate(makeScene({1600, 1200}), {});
        const Cleaner cleaner(s.frame, s.noise, treatment);
        std::stop_source stop;
        std::thread stopper([&] {
            std::this_thread::sleep_for(std::chrono::milliseconds(40));
            stop.request_stop();
        });
        const auto result = cleaner.clean(s.frame->active, {1, stop.get_token(), {}});
        stopper.join();
        if (result)
            QSKIP("finished before it could be stopped");
        QCOMPARE(result.error().code, ErrorCode::Cancelled);
    }
};

QTEST_APPLESS_MAIN(CleanTest)
#include "clean_test.moc"
