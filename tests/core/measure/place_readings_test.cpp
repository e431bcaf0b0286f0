// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "irenic/readings.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

/// Noise left by the truth: root mean square error of two-by-two luminance means after over before, over a flat field, where
/// every cell counts by its own sigma. Independent of how the readings find it.
double trueLuminanceLeft(const Simulated &s, const Plane<float> &cleaned, Rect region)
{
    double before = 0, after = 0;
    for (int y = 0; y + 1 < region.height; y += 2)
        for (int x = 0; x + 1 < region.width; x += 2) {
            double b = 0, a = 0;
            for (int i = 0; i < 4; ++i) {
                const int u = x + (i & 1), v = y + (i >> 1), fx = region.x + u, fy = region.y + v;
                const float clean = s.truth.clean.at(fx, fy), sigma = s.truth.noise.sigmaAt(clean);
                b += double((s.frame->linearAt(fx, fy) - clean) / sigma);
                a += double((cleaned.at(u, v) - clean) / sigma);
            }
            before += b * b;
            after += a * a;
        }
    return std::sqrt(after / before);
}

} // namespace

class PlaceReadingsTest : public QObject
{
    Q_OBJECT
private slots:
    void noiseLeftIsWhatTheTruthSays_data()
    {
        QTest::addColumn<QString>("method");
        QTest::addColumn<double>("strength");
        QTest::addColumn<double>("light");
        for (const char *method : {"wavelet", "dct", "nlm"})
            for (const double strength : {0.4, 0.7, 1.0})
                QTest::addRow("%s %.1f, middle tone", method, strength) << method << strength << 0.2;
        QTest::newRow("wavelet, dark") << "wavelet" << 0.7 << 0.01;
        QTest::newRow("off") << "wavelet" << 0.0 << 0.2;
    }
    void noiseLeftIsWhatTheTruthSays()
    {
        QFETCH(QString, method);
        QFETCH(double, strength);
        QFETCH(double, light);
        ShootOptions o;
        o.iso = 12800;
        o.banding = 0;
        o.hotPixelsPerMillion = 0;
        const Simulated s = simulate(flatScene({512, 512}, float(light), float(light), float(light)), o);
        const Cleaner cleaner(s.frame, s.noise, {method.toStdString(), strength, strength});
        const Rect region{64, 64, 384, 384};
        const auto cleaned = cleaner.clean(region);
        const double expected = trueLuminanceLeft(s, cleaned.value(), region);
        const auto r = readingsAt(cleaner, region, nullptr);
        QVERIFY(r.ok() && r.value().left);
        QVERIFY2(std::abs(r.value().left->luminance - expected) < 0.1 * expected + 0.01, qPrintable(QStringLiteral("read %1, true %2").arg(r.value().left->luminance).arg(expected)));
        QVERIFY2(r.value().detailLost < 0.1, qPrintable(QStringLiteral("nothing but noise was there to lose: %1").arg(r.value().detailLost)));
    }

    void readingsFollowTheStrength()
    {
        ShootOptions o;
        o.iso = 12800;
        const Simulated s = simulate(makeScene({640, 640}), o);
        const Rect texture = placeAround(*s.frame, {320, 260}), gradient = placeAround(*s.frame, {320, 128});
        QCOMPARE(gradient.width, kPlacePx);
        double lastLeft = 2, lastLost = -1;
        for (const double strength : {0.0, 0.5, 1.0, 2.0}) {
            const Cleaner cleaner(s.frame, s.noise, {"wavelet", strength, strength});
            const auto smooth = readingsAt(cleaner, gradient, nullptr), fine = readingsAt(cleaner, texture, nullptr);
            QVERIFY(smooth.value().left);
            QVERIFY(smooth.value().left->luminance < lastLeft);
            if (strength == 0)
                QVERIFY(std::abs(smooth.value().left->luminance - 1) < 0.05 && fine.value().detailLost == 0 && smooth.value().drift == 0);
            QVERIFY2(fine.value().detailLost > lastLost, qPrintable(QString::number(fine.value().detailLost)));
            lastLeft = smooth.value().left->luminance;
            lastLost = fine.value().detailLost;
            QVERIFY(smooth.value().drift < 1);
        }
    }

    void aPlaceWithoutASmoothPartSaysSo()
    {
        Scene rough = flatScene({320, 320}, 0.3f, 0.3f, 0.3f);
        for (int y = 0; y < 320; ++y)
            for (int x = 0; x < 320; ++x)
                for (int c = 0; c < 3; ++c)
                    rough.rgb[size_t(y * 320 + x) * 3 + size_t(c)] = (x / 5 + y / 5) % 2 ? 0.5f : 0.1f;
        const Simulated s = simulate(rough, {});
        const Cleaner cleaner(s.frame, s.noise, {"wavelet", 1, 1});
        QVERIFY(!readingsAt(cleaner, {16, 16, 256, 256}, nullptr).value().left);
    }

    void thePlaceLiesInsideTheFrameWhateverItsTurn()
    {
        for (int orientation = 1; orientation <= 8; ++orientation) {
            ShootOptions o;
            o.orientation = orientation;
            o.borderPx = 6;
            const Simulated s = simulate(flatScene({420, 300}, 0.2f, 0.2f, 0.2f), o);
            for (const UprightPoint at : {UprightPoint{0, 0}, {299, 299}, {150, 20}})
                QVERIFY(s.frame->crop.contains(placeAround(*s.frame, at)));
        }
    }

    void theMapFindsWhereNoiseWasLeft()
    {
        // A sensor whose law is believed too low in the dark: thresholds leave noise in the dark patch, and nowhere else.
        Scene scene = flatScene({896, 640}, 0.3f, 0.3f, 0.3f);
        const Rect dark{448, 256, 384, 320};
        for (int y = dark.y; y < dark.bottom(); ++y)
            for (int x = dark.x; x < dark.right(); ++x)
                for (size_t c = 0; c < 3; ++c)
                    scene.rgb[size_t(y * 896 + x) * 3 + c] = 0.002f;
        ShootOptions o;
        o.iso = 25600;
        o.banding = 0;
        o.hotPixelsPerMillion = 0;
        Simulated s = simulate(scene, o);
        NoiseReport believed = *s.noise;
        for (NoiseModel &cell : believed.cells)
            cell.readVariance *= 0.85f;
        const Cleaner cleaner(s.frame, std::make_shared<const NoiseReport>(believed), {"wavelet", 0.9, 0.9});
        CleanCache cache;
        std::vector<double> progress;
        RunContext run;
        run.onProgress = [&](double p) { progress.push_back(p); };
        const auto found = leftoverMap(cleaner, &cache, run);
        QVERIFY(found.ok());
        const LeftoverMap &map = found.value();
        QCOMPARE(map.luminance.size(), size_t(map.blocks.area()));
        QVERIFY(!map.worst.empty());
        double inside = 0, outside = 0;
        int insides = 0, outsides = 0;
        for (int i = 0; i < int(map.luminance.size()); ++i) {
            const Rect block{map.area.x + i % map.blocks.width * map.blockPx, map.area.y + i / map.blocks.width * map.blockPx, map.blockPx, map.blockPx};
            if (map.luminance[size_t(i)] < 0)
                continue;
            const bool in = dark.contains(block);
            (in ? inside : outside) += double(map.luminance[size_t(i)]);
            ++(in ? insides : outsides);
        }
        QVERIFY(insides > 8 && outsides > 40);
        QVERIFY2(inside / insides > 1.15 * outside / outsides, qPrintable(QStringLiteral("%1 in the dark, %2 elsewhere").arg(inside / insides).arg(outside / outsides)));
        QVERIFY2(dark.grownBy(64).contains(map.worst[0].where), qPrintable(QStringLiteral("%1, %2").arg(map.worst[0].where.x).arg(map.worst[0].where.y)));
        QVERIFY(map.worst[0].left > 1.1);
        QVERIFY(map.evenness < 0.95);
        QVERIFY(map.judged > 0.8);
        QVERIFY(std::is_sorted(progress.begin(), progress.end()) && progress.back() == 1.0);
        QVERIFY(cache.bytesHeld() > 0);
        // The curve: untreated noise is the sensor's own, at both brightnesses, and the treated below it.
        QVERIFY(map.curve.size() >= 2);
        for (const NoiseAt &at : {map.curve.front(), map.curve.back()}) {
            const double law = double(s.truth.noise.sigmaAt(float(at.signal))) / 2; // mean of four cells
            QVERIFY2(std::abs(at.untreated / law - 1) < 0.06, qPrintable(QStringLiteral("%1 against %2").arg(at.untreated).arg(law)));
            QVERIFY(at.treated < 0.5 * at.untreated);
        }
        QVERIFY(map.curve.front().signal < map.curve.back().signal);
        // It stops when told to.
        std::stop_source stop;
        stop.request_stop();
        QCOMPARE(int(leftoverMap(cleaner, nullptr, {0, stop.get_token(), {}}).error().code), int(ErrorCode::Cancelled));
    }

    void fullColourIsReadToo()
    {
        const FullColour f = simulateFullColour(flatScene({400, 300}, 0.3f, 0.3f, 0.3f), {1.f / 500, 1e-5f}, true);
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*f.frame).take());
        const auto r = readingsAt(Cleaner(f.frame, noise, {"dct", 1, 1}), {20, 20, 256, 256}, nullptr);
        QVERIFY(r.value().left && r.value().left->luminance < 0.5);
        const auto map = leftoverMap(Cleaner(f.frame, noise, {"dct", 0, 0}), nullptr);
        QVERIFY2(std::abs(map.value().left.luminance - 1) < 0.2, qPrintable(QString::number(map.value().left.luminance)));
    }
};

QTEST_APPLESS_MAIN(PlaceReadingsTest)
#include "place_readings_test.moc"
