// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/nearness.h"

#include "irenic/clean.h"
#include "irenic/clean_cache.h"
#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "irenic/readings.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

struct Known {
    Simulated shot;
    std::shared_ptr<const Frame> clean; ///< without noise
    Rect region;                        ///< that is looked at
};

Known known(const Scene &scene, int iso, double hotPixelsPerMillion = 0)
{
    ShootOptions o;
    o.iso = iso;
    o.seed = uint64_t(iso);
    o.banding = 0;
    o.hotPixelsPerMillion = hotPixelsPerMillion;
    Known k{simulate(scene, o), {}, {}};
    auto sure = std::make_shared<NoiseReport>(*k.shot.noise);
    sure->confidence = 1;
    k.shot.noise = sure;
    k.clean = cleanFrameOf(k.shot);
    k.region = k.shot.frame->active.grownBy(-16);
    return k;
}

Cleaner cleanerOf(const Known &k, const Treatment &t)
{
    return Cleaner(k.shot.frame, k.shot.noise, t);
}

double trueDb(const Known &k, const Cleaner &cleaner)
{
    const auto got = developSamples(cleaner, k.region, {}, nullptr, {}), clean = developRegion(Cleaner::untreated(k.clean), k.region, {}, nullptr, {});
    return pictureQuality(encoded16(got.value()), encoded16(clean.value())).psnrDb;
}

Nearness estimated(const Known &k, const Cleaner &cleaner, uint64_t seed = 1)
{
    return nearnessOf(riskAt(cleaner, k.region, nullptr, {}, seed).value(), *k.shot.noise).value();
}

} // namespace

class NearnessTest : public QObject
{
    Q_OBJECT
private slots:
    void aWrongLawIsNoticed_data()
    {
        QTest::addColumn<double>("factor"); // of sigma
        QTest::newRow("a fifth too high") << 1.2;
        QTest::newRow("a fifth too low") << 1 / 1.2;
        QTest::newRow("right") << 1.0;
    }
    /// However sure the law says that it is: smooth parts tell, and the error of every figure grows.
    void aWrongLawIsNoticed()
    {
        QFETCH(double, factor);
        Known k = known(makeScene({480, 400}), 6400);
        k.region = {16, 16, 448, 128}; // with the gradient, the only smooth part
        const auto right = k.shot.noise;
        auto wrong = std::make_shared<NoiseReport>(*right);
        for (NoiseModel &law : wrong->cells) {
            law.shotGain *= float(factor * factor);
            law.readVariance *= float(factor * factor);
        }
        const Treatment t{"wavelet", 0.8 / factor, 0.8 / factor}; // the same to the samples
        const RiskSums sums = riskAt(Cleaner(k.shot.frame, wrong, t), k.region, nullptr).value();
        QVERIFY2(sums.judged >= 3, qPrintable(QString::number(sums.judged)));
        QVERIFY2(std::abs(sums.overLaw / sums.judged - 1 / (factor * factor)) < 0.07, qPrintable(QString::number(sums.overLaw / sums.judged)));
        const double error = nearnessOf(sums, *wrong)->errorDb, usual = estimated(k, Cleaner(k.shot.frame, right, {"wavelet", 0.8, 0.8})).errorDb;
        QCOMPARE(nearnessOf(sums, *wrong)->overLaw > 0, factor != 1);
        if (factor == 1)
            QVERIFY2(std::abs(error - usual) < 1e-6, qPrintable(QString::number(error)));
        else
            QVERIFY2(error > 1.2 * usual, qPrintable(QString("%1 and %2 dB").arg(error).arg(usual)));
        // Between trials, too: what was told apart before is level now.
        std::vector<std::optional<Nearness>> sure, unsure;
        for (const double strength : {0.8, 0.5}) {
            sure.push_back(estimated(k, Cleaner(k.shot.frame, right, {"wavelet", strength, strength})));
            unsure.push_back(nearnessOf(riskAt(Cleaner(k.shot.frame, wrong, {"wavelet", strength / factor, strength / factor}), k.region, nullptr).value(), *wrong));
        }
        const double before = standingsOf(sure)[1]->errorDb, after = standingsOf(unsure)[1]->errorDb;
        QVERIFY2(factor == 1 ? std::abs(after - before) < 1e-6 : after > 1.5 * before, qPrintable(QString("%1 and %2 dB").arg(after).arg(before)));
    }

    /// Place by place, against the truth.
    void theMapTellsWhere()
    {
        const Known k = known(makeScene({640, 448}), 12800);
        const Frame &frame = *k.shot.frame;
        const Cleaner full = cleanerOf(k, {"wavelet", 1, 1}), none = cleanerOf(k, {"wavelet", 0.05, 0.05});
        const ErrorMap map = errorMap(full, nullptr).take(), noisy = errorMap(none, nullptr, {3, {}, {}}).take();
        QVERIFY(map.grid.width >= 8 && map.grid.height >= 5);
        QVERIFY(map == errorMap(full, nullptr, {1, {}, {}}).take());
        const auto clean = developRegion(Cleaner::untreated(k.clean), frame.crop, {}, nullptr, {}).take();
        const auto rmsAt = [&](const Cleaner &c, Rect r) {
            const auto got = developRegion(c, r, {}, nullptr, {}).take();
            double sum = 0;
            for (int y = 0; y < r.height; ++y)
                for (int x = 0; x < 3 * r.width; ++x) {
                    const double d = double(srgbEncoded(std::clamp(got.row(y)[x], 0.f, 1.f)) - srgbEncoded(std::clamp(clean.row(y + r.y - frame.crop.y)[x + 3 * (r.x - frame.crop.x)], 0.f, 1.f)));
                    sum += d * d;
                }
            return std::sqrt(sum / (3. * r.width * r.height));
        };
        double off = 0, all = 0;
        int worse = 0;
        for (size_t i = 0; i < map.square.size(); ++i) {
            QVERIFY(frame.crop.contains(map.place(i)));
            worse += noisy.rms(i) > map.rms(i);
            off += std::abs(double(noisy.rms(i)) - rmsAt(none, map.place(i)));
            all += rmsAt(none, map.place(i));
        }
        QVERIFY2(worse > int(map.square.size()) * 9 / 10, qPrintable(QString::number(worse)));
        QVERIFY2(off < 0.1 * all, qPrintable(QString("%1 of %2").arg(off).arg(all)));
    }

    void isThatOfTheTruth_data()
    {
        QTest::addColumn<int>("iso");
        QTest::addColumn<double>("within");
        QTest::newRow("1600") << 1600 << 0.4;
        QTest::newRow("12800") << 12800 << 0.7;
    }
    /// Of every method at two strengths, and the order of those that differ.
    void isThatOfTheTruth()
    {
        QFETCH(int, iso);
        QFETCH(double, within);
        const Known k = known(leavesScene({320, 320}), iso, 200); // bad pixels are no noise
        std::vector<std::pair<double, double>> all;
        for (const MethodInfo &m : methods())
            for (const double strength : {0.5, 1.0}) {
                const Treatment t{m.id, strength, strength};
                if (!validate(t) || m.secondsPerMegapixel > 5)
                    continue;
                const Cleaner cleaner = cleanerOf(k, t);
                const double truth = trueDb(k, cleaner), estimate = estimated(k, cleaner).db;
                QVERIFY2(std::abs(estimate - truth) < within, qPrintable(QString("%1 at %2: %3 dB estimated, %4 true").arg(m.id).arg(strength).arg(estimate).arg(truth)));
                all.emplace_back(truth, estimate);
            }
        QVERIFY(all.size() >= 8);
        for (const auto &a : all)
            for (const auto &b : all)
                if (a.first > b.first + 0.3)
                    QVERIFY2(a.second > b.second, qPrintable(QString("%1 and %2 dB estimated, %3 and %4 true").arg(a.second).arg(b.second).arg(a.first).arg(b.first)));
    }

    void everythingThatChangesTheAnswerCounts_data()
    {
        QTest::addColumn<QString>("what");
        QTest::addColumn<double>("value");
        QTest::addColumn<double>("within");
        QTest::newRow("off") << "luminance" << 0.0 << 0.35;
        QTest::newRow("mix") << "mix" << 0.5 << 0.35;
        QTest::newRow("grain") << "grain" << 0.8 << 0.35;
        QTest::newRow("detail") << "detail" << 1.0 << 0.35;
        QTest::newRow("tones") << "luminance-midtones" << 0.0 << 0.35;
        QTest::newRow("sharpening") << "sharpen" << 2.0 << 0.7; // half of its harm is missed: it steepens what slopes are read from
    }
    void everythingThatChangesTheAnswerCounts()
    {
        QFETCH(QString, what);
        QFETCH(double, value);
        QFETCH(double, within);
        const Known k = known(leavesScene({320, 320}), 12800);
        Treatment t{"wavelet", 1.6, 1.6};
        findParam(what.toStdString())->of(t) = value;
        if (what == "luminance")
            t.colour = 0;
        const Cleaner cleaner = cleanerOf(k, t), plain = cleanerOf(k, {"wavelet", 1.6, 1.6});
        const double truth = trueDb(k, cleaner) - trueDb(k, plain), estimate = estimated(k, cleaner).db - estimated(k, plain).db;
        QVERIFY(std::abs(truth) > 0.1);
        QVERIFY2(std::abs(estimate - truth) < within && estimate * truth > 0, qPrintable(QString("%1 dB estimated, %2 true").arg(estimate).arg(truth)));
    }

    void theBestMixIsThatOfTheTruth_data()
    {
        QTest::addColumn<QString>("method");
        QTest::addColumn<double>("strength");
        QTest::newRow("too much") << "dct" << 2.5;
        QTest::newRow("far too much") << "wavelet" << 3.0;
        QTest::newRow("little") << "wavelet" << 0.5; // all of it is best
    }
    void theBestMixIsThatOfTheTruth()
    {
        QFETCH(QString, method);
        QFETCH(double, strength);
        const Known k = known(leavesScene({320, 320}), 1600);
        Treatment t{method.toStdString(), strength, strength};
        const Nearness n = estimated(k, cleanerOf(k, t));
        double best = 0, bestDb = 0, fullDb = 0;
        for (double mix = 0.05; mix < 1.01; mix += 0.05) {
            t.taste.mix = std::min(mix, 1.0);
            fullDb = trueDb(k, cleanerOf(k, t));
            if (fullDb > bestDb) {
                bestDb = fullDb;
                best = t.taste.mix;
            }
        }
        QVERIFY2(std::abs(n.bestMix - best) <= 0.1, qPrintable(QString("%1 estimated, %2 true").arg(n.bestMix).arg(best)));
        QVERIFY2(std::abs(n.bestDb - n.db - (bestDb - fullDb)) < 0.25, qPrintable(QString("%1 dB estimated, %2 true").arg(n.bestDb - n.db).arg(bestDb - fullDb)));
        QVERIFY(strength < 1 || bestDb > fullDb + 0.2);
    }

    void isTheSameForAnyThreadsAndThroughACache()
    {
        const Known k = known(leavesScene({300, 260}), 6400);
        const Cleaner cleaner = cleanerOf(k, {"dct", 1, 1});
        const RiskSums one = riskAt(cleaner, k.region, nullptr, {1}).value();
        CleanCache cache;
        QCOMPARE(riskAt(cleaner, k.region, nullptr, {3}).value(), one);
        QCOMPARE(riskAt(cleaner, k.region, &cache, {2}).value(), one);
        QCOMPARE(riskAt(cleaner, k.region, &cache, {2}).value(), one);
    }

    /// Which moves and scales samples that the estimate holds against each other.
    void whatIsUndoneOfTheLensIsNoError()
    {
        const Known k = known(leavesScene({200, 200}), 6400);
        LensCorrection lens;
        lens.lateral = lens.vignetting = true;
        lens.red = {1.01, 0, 0, 0, 0};
        lens.falloff = {-0.4, 0, 0};
        const Treatment t{"wavelet", 1, 1};
        const Cleaner corrected(k.shot.frame, k.shot.noise, t, {nullptr, lens});
        QVERIFY(corrected.identity() != cleanerOf(k, t).identity());
        QCOMPARE(riskAt(corrected, k.region, nullptr).value(), riskAt(cleanerOf(k, t), k.region, nullptr).value());
    }

    void anotherProbeTellsTheSame()
    {
        const Known k = known(leavesScene({400, 400}), 6400);
        const Cleaner cleaner = cleanerOf(k, {"wavelet", 1, 1});
        const Nearness a = estimated(k, cleaner, 1), b = estimated(k, cleaner, 2);
        QVERIFY(a.db != b.db);
        QVERIFY2(std::abs(a.db - b.db) < 3 * a.errorDb && std::abs(a.db - b.db) < 0.3, qPrintable(QString("%1 and %2").arg(a.db).arg(b.db)));
    }

    /// Whose law is doubtful says so, by more than it is off where the law is.
    void doubtOfTheLawIsTold()
    {
        Known k = known(leavesScene({400, 400}), 6400);
        const double truth = trueDb(k, cleanerOf(k, {"wavelet", 0.5, 0.5}));
        const Nearness sure = estimated(k, cleanerOf(k, {"wavelet", 0.5, 0.5}));
        auto wrong = std::make_shared<NoiseReport>(*k.shot.noise);
        for (NoiseModel &m : wrong->cells) {
            m.shotGain *= 1.44f;
            m.readVariance *= 1.44f;
        }
        wrong->confidence = 0.3;
        k.shot.noise = wrong;
        const Cleaner cleaner(k.shot.frame, wrong, {"wavelet", 0.5, 0.5});
        const Nearness doubtful = estimated(k, cleaner);
        QVERIFY(doubtful.errorDb > 2 * sure.errorDb);
        QVERIFY2(std::abs(doubtful.db - trueDb(k, cleaner)) < 2 * doubtful.errorDb, qPrintable(QString("%1 +- %2, true %3 (%4)").arg(doubtful.db).arg(doubtful.errorDb).arg(trueDb(k, cleaner)).arg(truth)));
    }

    void noiseThatNeighboursShare_data()
    {
        QTest::addColumn<bool>("sixBySix"); // else smoothed in the camera
        QTest::newRow("six by six") << true;
        QTest::newRow("smoothed") << false;
    }
    /// Demosaiced before anything was measured, or smoothed by the camera.
    void noiseThatNeighboursShare()
    {
        QFETCH(bool, sixBySix);
        ShootOptions o;
        o.iso = 6400;
        o.banding = 0;
        o.hotPixelsPerMillion = 0;
        o.sixBySix = sixBySix;
        o.faults.smoothing = sixBySix ? 0 : 0.1;
        const Scene scene = leavesScene({480, 400});
        QTemporaryDir dir;
        const auto read = [&](const Shot &shot, const ShootOptions &as) {
            const std::filesystem::path file = dir.filePath("shot.dng").toStdString();
            std::filesystem::remove(file);
            return writeShot(file, shot, as) ? readFrame(file).value() : nullptr;
        };
        const Shot shot = shoot(scene, o).take();
        const auto frame = read(shot, o);
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*frame).take());
        ShootOptions still = o;
        still.faults = {};
        Known k{{}, read(withoutNoise(shot, o), still), {}};
        k.shot.frame = frame;
        k.shot.noise = noise;
        k.region = frame->crop.grownBy(-Developer::kHaloPx);
        QVERIFY(sixBySix ? frame->kind == FrameKind::Linear : noise->spectrum.has_value());
        std::vector<std::pair<double, double>> trials; // true and estimated
        for (const Treatment &t : {Treatment{"wavelet", 0.3, 0.3}, Treatment{"wavelet", 1, 1}, Treatment{"dct", 0.6, 0.6}, Treatment{"nlm", 1, 1}, Treatment{"bm3d", 1, 1}}) {
            const Cleaner cleaner = cleanerOf(k, t);
            const Nearness n = estimated(k, cleaner);
            const double truth = trueDb(k, cleaner);
            QVERIFY2(std::abs(n.db - truth) < std::max(1.0, 2 * n.errorDb) && n.errorDb < 3, qPrintable(QString("%1 %2: %3 +- %4, true %5").arg(t.method.c_str()).arg(t.luminance).arg(n.db).arg(n.errorDb).arg(truth)));
            QVERIFY(riskAt(cleaner, k.region, nullptr, {1, {}, {}}).value() == riskAt(cleaner, k.region, nullptr, {3, {}, {}}).value());
            trials.emplace_back(truth, n.db);
        }
        int apart = 0;
        for (const auto &a : trials)
            for (const auto &b : trials)
                if (a.first > b.first + 0.5) {
                    ++apart;
                    QVERIFY2(a.second > b.second, qPrintable(QString("%1, %2").arg(a.first).arg(b.first)));
                }
        QVERIFY(apart >= 4);
        // Without what the sensor's samples told, a frame of such colours cannot be judged.
        auto other = *noise;
        other.luminanceNoise = 0.02f;
        QVERIFY(!whyNoNearness(*frame, other).empty());
        if (sixBySix) {
            other = *noise;
            other.beforeColours = false;
            QVERIFY(!whyNoNearness(*frame, other).empty());
        }
    }

    void saysWhereItCannotKnow()
    {
        const Known k = known(leavesScene({96, 96}), 1600);
        const Frame &frame = *k.shot.frame;
        NoiseReport noise = *k.shot.noise;
        noise.confidence = 1;
        QVERIFY(whyNoNearness(frame, noise).empty());
        noise.confidence = 0.01;
        QVERIFY(!whyNoNearness(frame, noise).empty());
        noise.confidence = 0.2; // enough where noise is white
        QVERIFY(whyNoNearness(frame, noise).empty());
        noise.spectrum.emplace();
        QVERIFY(!whyNoNearness(frame, noise).empty());
        const Cleaner shared(k.shot.frame, std::make_shared<NoiseReport>(noise), {"wavelet", 1, 1});
        QVERIFY(!nearnessOf(riskAt(shared, k.region, nullptr).value(), noise));
        const FullColour full = simulateFullColour(leavesScene({96, 96}), {1e-3f, 1e-5f}, false);
        QVERIFY(!whyNoNearness(*full.frame, *k.shot.noise).empty());
        // Nothing but border.
        QCOMPARE(riskAt(cleanerOf(k, {"wavelet", 1, 1}), {frame.active.x, frame.active.y, 10, 10}, nullptr).value(), RiskSums{});
    }

    void stops()
    {
        const Known k = known(leavesScene({96, 96}), 1600);
        std::stop_source stop;
        stop.request_stop();
        const auto risk = riskAt(cleanerOf(k, {"wavelet", 1, 1}), k.region, nullptr, {0, stop.get_token(), {}});
        QVERIFY(!risk);
        QCOMPARE(risk.error().code, ErrorCode::Cancelled);
    }

    void placesLieInTheCropAndApart()
    {
        Frame frame;
        for (const Size size : {Size{40, 40}, Size{600, 500}, Size{6000, 4000}}) {
            frame.active = {8, 4, size.width + 10, size.height + 10};
            frame.crop = {13, 9, size.width, size.height};
            const std::vector<Rect> places = placesAllOver(frame);
            QVERIFY(!places.empty());
            for (size_t i = 0; i < places.size(); ++i) {
                QVERIFY(frame.crop.contains(places[i]));
                for (size_t j = 0; j < i; ++j)
                    QVERIFY(places[i].intersected(places[j]).isEmpty());
            }
        }
    }

    void trialsStandInOrder()
    {
        const auto nearness = [](double square, double ofLaw) { return std::optional(Nearness{-10 * std::log10(square), 0, 0.3, square, 1, 0, ofLaw}); };
        const auto alone = standingsOf({nearness(1e-4, 0), std::nullopt});
        QVERIFY(!alone[0] && !alone[1]);
        const auto s = standingsOf({nearness(2e-4, 0), std::nullopt, nearness(1e-4, 0), nearness(1.005e-4, 0), nearness(1.2e-4, -3e-5)});
        QVERIFY(s[2]->isNearest && s[2]->behindDb == 0 && !s[2]->isLevel());
        QVERIFY(!s[1]);
        QVERIFY(std::abs(s[0]->behindDb - 3.0103) < 1e-3 && !s[0]->isLevel()); // twice the square
        QVERIFY(s[3]->isLevel());
        QVERIFY(s[4]->isLevel() && s[4]->behindDb > 0.7); // were the law a little lower, it would be the nearest
    }
};

QTEST_GUILESS_MAIN(NearnessTest)
#include "nearness_test.moc"
