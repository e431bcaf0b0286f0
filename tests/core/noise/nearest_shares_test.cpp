// SPDX-License-Identifier: GPL-3.0-or-later
// How much of what a network takes is said to come nearest to the clean picture, against pictures whose clean one is known.
#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "irenic/readings.h"
#include "noise/nearest_shares.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

std::shared_ptr<const NoiseReport> measured(const std::shared_ptr<const Frame> &frame)
{
    return std::make_shared<const NoiseReport>(measureNoise(*frame).take());
}

std::shared_ptr<Frame> copyOf(const Frame &frame)
{
    auto copy = std::make_shared<Frame>(static_cast<const FrameFacts &>(frame));
    copy->samples = frame.samples.clone();
    return copy;
}

/// Peak signal-to-noise ratio of the developed picture.
double qualityOf(const FinishedPair &pair, const std::shared_ptr<const NoiseReport> &noise, const Treatment &t)
{
    const auto developed = [&](const std::shared_ptr<const Frame> &frame, const Treatment &as) { return encoded16(developRegion(Cleaner(frame, noise, as), frame->crop, {}, nullptr, {}).value()); };
    return pictureQuality(developed(pair.noisy, t), developed(pair.clean, kNoTreatment)).psnrDb;
}

Treatment byNetwork(double luminance, double colour)
{
    return {"unet-colour", luminance, colour};
}

} // namespace

class NearestSharesTest : public QObject
{
    Q_OBJECT
private slots:
    void theEstimateIsNearTheBest_data()
    {
        QTest::addColumn<bool>("leaves");
        QTest::addColumn<int>("iso");
        QTest::addColumn<QString>("name");
        QTest::addColumn<double>("sharpening");
        for (const bool leaves : {false, true})
            for (const int iso : {800, 6400}) {
                QTest::addRow("%s, ISO %d, TIFF", leaves ? "leaves" : "shapes", iso) << leaves << iso << "a.tif" << 0.0;
                QTest::addRow("%s, ISO %d, JPEG", leaves ? "leaves" : "shapes", iso) << leaves << iso << "a.jpg" << 0.5;
            }
    }
    void theEstimateIsNearTheBest()
    {
        QFETCH(bool, leaves);
        QFETCH(int, iso);
        QFETCH(QString, name);
        QFETCH(double, sharpening);
        constexpr Size kSize{480, 360};
        const FinishedPair pair = finishedPair(leaves ? leavesScene(kSize) : makeScene(kSize), iso, name, {92, sharpening});
        const auto noise = measured(pair.noisy);
        QVERIFY(noise->nearestLuminance >= 0 && noise->nearestLuminance <= 1 && noise->nearestColours >= 0 && noise->nearestColours <= 1);
        const auto both = [](double share) { return byNetwork(share, share); };
        const double untreated = qualityOf(pair, noise, kNoTreatment), at = qualityOf(pair, noise, both(double(noise->nearestLuminance)));
        double best = untreated, bestShare = 0;
        for (const double share : {0.1, 0.25, 0.4, 0.6, 0.8, 1.0})
            if (const double q = qualityOf(pair, noise, both(share)); q > best)
                best = q, bestShare = share;
        const QString seen = QStringLiteral("%1 dB at %2; %3 at %4, %5 untreated").arg(at).arg(double(noise->nearestLuminance)).arg(best).arg(bestShare).arg(untreated);
        QVERIFY2(at >= untreated - 0.02, qPrintable(seen));
        QVERIFY2(at - untreated >= 0.6 * (best - untreated) - 0.05, qPrintable(seen));
        const double asSuggested = qualityOf(pair, noise, byNetwork(double(noise->nearestLuminance), double(noise->nearestColours)));
        QVERIFY2(asSuggested - untreated >= 0.6 * (best - untreated) - 0.05, qPrintable(QStringLiteral("%1 with colours at %2; ").arg(asSuggested).arg(double(noise->nearestColours)) + seen));
    }

    /// Of two pictures with the same noise: what is no noise must not be taken for it.
    void textureLowersTheShare()
    {
        const Size size{480, 360};
        const auto shareOf = [](const Scene &scene) { return measured(finishedPair(scene, 1600, "a.tif", {92, 0}).noisy)->nearestLuminance; };
        const float calm = shareOf(slopeScene(size)), leaves = shareOf(leavesScene(size));
        QVERIFY2(calm > 0.6f && leaves < 0.75f * calm, qPrintable(QStringLiteral("%1, leaves %2").arg(double(calm)).arg(double(leaves))));
    }

    /// A phone's HEIF of ten bits is as sharpened as a JPEG; a TIFF of sixteen is not.
    void tenBitsAreAFinishedPicture()
    {
        const auto pair = finishedPair(leavesScene({480, 360}), 800, "a.tif", {92, 0});
        const auto shareAt = [&](int bits) {
            const auto frame = copyOf(*pair.noisy);
            frame->shooting.bitDepth = bits;
            return measured(frame)->nearestLuminance;
        };
        const float eight = shareAt(8), ten = shareAt(10), sixteen = shareAt(16);
        QVERIFY2(ten > 1.1f * sixteen && std::abs(ten - eight) < 0.05f, qPrintable(QStringLiteral("%1, %2, %3").arg(double(eight)).arg(double(ten)).arg(double(sixteen))));
    }

    /// Where measuring is sure, BM3D is held against the estimate: it stays where it helps, and leaves where texture was measured for noise.
    void bm3dLeavesWhereItTakesMorePictureThanNoise()
    {
        const auto frame = finishedPair(slopeScene({480, 360}), 6400, "a.tif", {92, 0}).noisy;
        NoiseReport report = measureNoise(*frame).take();
        QVERIFY2(report.confidence >= kSureOfLaw && !report.seesNearer, qPrintable(QString::number(report.confidence)));
        const FinishedPair leaves = finishedPair(leavesScene({480, 360}), 400, "a.tif", {92, 0});
        NoiseReport raised = measureNoise(*leaves.noisy).take();
        for (NoiseModel &m : raised.cells) // texture, measured for noise
            m = {m.shotGain * 4, m.readVariance * 4};
        raised.luminanceNoise *= 2;
        raised.confidence = 1;
        const auto shares = nearestShares(*leaves.noisy, raised, {});
        QVERIFY(shares && shares.value());
        const auto noise = std::make_shared<const NoiseReport>(raised);
        const double untreated = qualityOf(leaves, noise, kNoTreatment), after = qualityOf(leaves, noise, {"bm3d", 0.8, 0.8});
        QVERIFY2(after < untreated, qPrintable(QStringLiteral("%1 dB, was %2").arg(after).arg(untreated)));
        QVERIFY(shares.value()->isNearer);
    }

    void whoeverMeasuresGetsTheSame()
    {
        const auto frame = finishedPair(leavesScene({480, 360}), 1600, "a.tif", {92, 0}).noisy;
        const NoiseReport one = measureNoise(*frame, RunContext{1}).take();
        for (const int threads : {2, 3})
            QVERIFY(measureNoise(*frame, RunContext{threads}).value() == one);
    }

    /// An export whose treatment is decided asks for no suggestion: all but the shares is the same.
    void whatIsDecidedNeedsNoSuggestion()
    {
        const auto frame = finishedPair(leavesScene({480, 360}), 1600, "a.tif", {92, 0}).noisy;
        NoiseReport whole = measureNoise(*frame).take();
        const NoiseReport without = measureNoise(*frame, {}, {}, Asked::WithoutSuggestion).take();
        QVERIFY(whole.nearestLuminance >= 0 && without.nearestLuminance < 0);
        whole.nearestLuminance = without.nearestLuminance, whole.nearestColours = without.nearestColours;
        whole.seesNearer = without.seesNearer;
        QVERIFY(whole == without);
    }

    void nothingIsSaidWhereNothingIsKnown()
    {
        const auto small = finishedPair(makeScene({160, 160}), 1600, "a.tif", {92, 0}).noisy;
        QVERIFY(measured(small)->nearestLuminance < 0);
        const auto mosaic = simulate(makeScene({320, 240}), plainShot(1600)).frame;
        QVERIFY(measured(mosaic)->nearestLuminance < 0);
        const auto clipped = copyOf(*finishedPair(makeScene({240, 240}), 1600, "a.tif", {92, 0}).noisy);
        for (int y = 0; y < clipped->samples.height(); ++y)
            std::fill_n(clipped->samples.row(y), clipped->samples.width(), uint16_t(65535));
        QVERIFY(measured(clipped)->nearestLuminance < 0);
    }

    /// Without an ISO the measured noise is what there is to go by; a picture is still not made worse.
    void withoutAnIsoLessIsTaken()
    {
        FinishedPair pair = finishedPair(leavesScene({480, 360}), 3200, "a.tif", {92, 0});
        const auto unknown = copyOf(*pair.noisy);
        unknown->shooting.iso = 0;
        pair.noisy = unknown;
        const auto noise = measured(pair.noisy);
        QVERIFY(noise->nearestLuminance > 0);
        QVERIFY(qualityOf(pair, noise, byNetwork(double(noise->nearestLuminance), double(noise->nearestLuminance))) > qualityOf(pair, noise, kNoTreatment));
    }

    void stops()
    {
        const auto frame = finishedPair(makeScene({480, 360}), 1600, "a.tif", {92, 0}).noisy;
        const NoiseReport report = measureNoise(*frame).take();
        std::stop_source stopped;
        stopped.request_stop();
        const auto shares = nearestShares(*frame, report, {0, stopped.get_token()});
        QVERIFY(!shares && shares.error().code == ErrorCode::Cancelled);
    }
};

QTEST_APPLESS_MAIN(NearestSharesTest)
#include "nearest_shares_test.moc"
