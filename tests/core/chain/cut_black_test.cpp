// SPDX-License-Identifier: GPL-3.0-or-later
// Pictures whose numbers end at black: half of the noise there is missing, and its mean is no signal.
#include "chain/chain.h"
#include "irenic/clean.h"
#include "irenic/develop.h"
#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "law/censored.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr Size kSize{384, 288};

constexpr Rect kSaturated{kSize.width / 2 + 16, 32, kSize.width / 2 - 48, kSize.height - 64};

/// Fine texture, at the right of one hue whose red lies outside what sRGB can show.
Scene saturatedScene()
{
    Scene s = leavesScene(kSize);
    for (int y = 0; y < kSize.height; ++y)
        for (int x = kSize.width / 2; x < kSize.width; ++x) {
            float *rgb = s.rgb.data() + (ptrdiff_t(y) * kSize.width + x) * 3;
            rgb[0] *= 0.25f, rgb[1] *= 1.5f, rgb[2] *= 1.8f;
        }
    return s;
}

RgbImage<uint16_t> shown(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const Treatment &t, Rect where)
{
    return encoded16(developRegion(Cleaner(frame, noise, t), where, {}, nullptr, {}).value());
}

/// A shadow of less light than the sensor's noise, of a camera that stores no number below black.
Simulated cutShadow()
{
    Scene scene = slopeScene(kSize);
    for (float &v : scene.rgb)
        v *= 0.005f;
    ShootOptions o = plainShot(12800);
    o.faults.clippedBlack = true;
    return simulate(scene, o);
}

/// Of red, of 1.
struct Reds {
    double mean = 0, meanSquare = 0;
};

Reds redsOff(const RgbImage<uint16_t> &picture, const RgbImage<uint16_t> &truth)
{
    Reds r;
    for (size_t i = 0; i < picture.samples.size(); i += 3) {
        const double off = (double(picture.samples[i]) - double(truth.samples[i])) / 65535;
        r.mean += off, r.meanSquare += off * off;
    }
    r.mean *= 3 / double(picture.samples.size()), r.meanSquare *= 3 / double(picture.samples.size());
    return r;
}

Chain chainOf(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise)
{
    return Chain(std::make_shared<const ChainFacts>(frame, noise, Treatment{"wavelet", 0.8, 0.8}, FrameEdits()));
}

} // namespace

class CutBlackTest : public QObject
{
    Q_OBJECT
private slots:
    /// What is missing tells the rest: against noise that was drawn and cut.
    void theShareThatIsMissingTellsTheSignal_data()
    {
        QTest::addColumn<double>("signal");
        for (const double signal : {-1.5, -0.5, 0.0, 0.7, 2.0})
            QTest::addRow("%+.1f", signal) << signal;
    }
    void theShareThatIsMissingTellsTheSignal()
    {
        QFETCH(double, signal);
        const Plane<float> noise = gaussianPlane({600, 600}, 3, float(signal));
        double missing = 0, stored = 0;
        for (int y = 0; y < noise.height(); ++y)
            for (int x = 0; x < noise.width(); ++x)
                missing += noise.at(x, y) < 0, stored += double(std::max(0.f, noise.at(x, y)));
        missing /= double(noise.size().area()), stored /= double(noise.size().area());
        const CutNoise told = cutNoiseOf(missing);
        constexpr double kSampling = 0.02;
        QVERIFY2(std::abs(double(told.signal) - signal) < kSampling && std::abs(double(told.stored) - stored) < kSampling, qPrintable(QStringLiteral("%1 for %2, stored %3 for %4").arg(double(told.signal)).arg(signal).arg(double(told.stored)).arg(stored)));
        QVERIFY(std::abs(double(told.lift) - (stored - std::max(0.0, signal))) < 2 * kSampling);
    }

    /// Where a region's strengths are 0 the samples are those of the file, whatever is missing there.
    void whereNothingIsTakenNothingIsLowered()
    {
        const FinishedPair pair = finishedPair(saturatedScene(), 1600, "a.tif", {92, 0});
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*pair.noisy).take());
        Region region;
        region.name = "kept";
        region.luminance = region.colour = 0;
        MaskPart part;
        part.strokes.push_back({120, 1, 1, false, {{280, 130, 1}}});
        region.parts.push_back(part);
        const Cleaner cleaner(pair.noisy, noise, {"wavelet", 0.8, 0.8}, {std::make_shared<const RegionSet>(pair.noisy, noise, std::vector{region}), {}});
        const Rect inside{270, 120, 24, 24}, outside{230, 20, 24, 24};
        const auto changed = [&](Rect where) {
            const Plane<float> treated = cleaner.clean(where).take(), untreated = Cleaner::untreated(pair.noisy).clean(where).take();
            float most = 0;
            for (int y = 0; y < treated.height(); ++y)
                for (int x = 0; x < treated.width(); ++x)
                    most = std::max(most, std::abs(treated.at(x, y) - untreated.at(x, y)));
            return most;
        };
        const QString seen = QStringLiteral("%1 inside, %2 outside").arg(double(changed(inside))).arg(double(changed(outside)));
        QVERIFY2(changed(inside) < 1e-6f, qPrintable(seen)); // there and back by the stabiliser
        QVERIFY2(changed(outside) > 1e-3f, qPrintable(seen));
    }

    void saturatedColoursStayPure_data()
    {
        QTest::addColumn<QString>("method");
        QTest::addColumn<QString>("file");
        for (const MethodInfo *m : methodsFor(FrameKind::Rendered))
            QTest::addRow("%s, TIFF", m->id) << m->id << "a.tif";
        QTest::newRow("wavelet, JPEG") << "wavelet"
                                       << "a.jpg";
    }
    void saturatedColoursStayPure()
    {
        QFETCH(QString, method);
        QFETCH(QString, file);
        const FinishedPair pair = finishedPair(saturatedScene(), 1600, file, {92, 0});
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*pair.noisy).take());
        const auto truth = shown(pair.clean, noise, kNoTreatment, kSaturated);
        const Reds noisy = redsOff(shown(pair.noisy, noise, kNoTreatment, kSaturated), truth);
        const Reds treated = redsOff(shown(pair.noisy, noise, {method.toStdString(), 0.8, 0.8}, kSaturated), truth);
        const QString seen = QStringLiteral("red is off by %1 in the mean, %2 untreated; square %3, %4").arg(treated.mean).arg(noisy.mean).arg(treated.meanSquare).arg(noisy.meanSquare);
        QVERIFY2(noisy.mean > 0, qPrintable(seen));                                                                 // or nothing was cut
        QVERIFY2(treated.mean < 1.4 * noisy.mean && treated.meanSquare < 1.7 * noisy.meanSquare, qPrintable(seen)); // what methods leave of luminance's texture lifts it by three times as much
    }

    void pointsOfLightOnBlackStay()
    {
        Scene night = slopeScene(kSize);
        for (float &v : night.rgb)
            v = std::max(0.f, v - 0.3f) * 0.1f;
        constexpr int kBlackPx = kSize.width / 3;
        std::vector<PixelAt> stars;
        for (int y = 24; y < kSize.height - 24; y += 32)
            for (int x = 24; x < kBlackPx; x += 32) {
                stars.push_back({x, y});
                for (int v = -1; v <= 1; ++v)
                    for (int u = -1; u <= 1; ++u)
                        std::fill_n(night.rgb.begin() + (ptrdiff_t(y + v) * kSize.width + x + u) * 3, 3, u == 0 && v == 0 ? 0.4f : 0.2f);
            }
        const FinishedPair pair = finishedPair(night, 1600, "a.tif", {92, 0});
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*pair.noisy).take());
        const Size border{(kSize.width - pair.noisy->crop.width) / 2, (kSize.height - pair.noisy->crop.height) / 2}; // which cameras leave off
        const auto mean = [&](const Treatment &t) {
            const RgbImage<float> linear = developRegion(Cleaner(pair.noisy, noise, t), pair.noisy->crop, {}, nullptr, {}).value();
            double atStars = 0, sky = 0;
            for (const PixelAt &p : stars)
                atStars += double(linear.row(p.y - border.height)[3 * (p.x - border.width) + 1]) / double(stars.size());
            constexpr int kRows = 8; // above the first stars
            for (int y = 0; y < kRows; ++y)
                for (int x = 0; x < kBlackPx; ++x)
                    sky += double(linear.row(y)[3 * x + 1]) / (kBlackPx * kRows);
            return std::pair(atStars, sky);
        };
        const auto [before, skyBefore] = mean(kNoTreatment);
        const auto [after, skyAfter] = mean({"wavelet", 0.8, 0.8});
        const QString seen = QStringLiteral("stars %1 to %2, sky %3 to %4").arg(before).arg(after).arg(skyBefore).arg(skyAfter);
        QVERIFY2(after > 0.8 * before, qPrintable(seen));
        QVERIFY2(skyAfter < 0.8 * skyBefore, qPrintable(seen));
    }

    /// A raw file that keeps nothing below black: the mean of a shadow comes nearer to what it is without noise.
    void shadowsOfRawFilesAreNotLifted_data()
    {
        QTest::addColumn<QString>("method");
        for (const MethodInfo *m : methodsFor(FrameKind::Mosaic))
            if (!m->givesColours) // whose samples are not lowered: its colours would not be
                QTest::newRow(m->id) << m->id;
    }
    void shadowsOfRawFilesAreNotLifted()
    {
        QFETCH(QString, method);
        const Simulated shot = cutShadow();
        const Cleaner cleaner(shot.frame, shot.noise, {method.toStdString(), 1, 1});
        const Rect where = shot.frame->active.grownBy(-32);
        const Plane<float> treated = cleaner.clean(where).take();
        double truth = 0, before = 0, after = 0;
        for (int y = 0; y < where.height; ++y)
            for (int x = 0; x < where.width; ++x) {
                truth += double(shot.truth.clean.at(where.x + x, where.y + y));
                before += double(shot.frame->linearAt(where.x + x, where.y + y));
                after += double(treated.at(x, y));
            }
        const QString seen = QStringLiteral("%1, of which %2 is true; %3 untreated").arg(after).arg(truth).arg(before);
        QVERIFY2(before > 1.2 * truth, qPrintable(seen));
        QVERIFY2(std::abs(after - truth) < 0.4 * (before - truth), qPrintable(seen));
    }

    void tilesOfRawFilesDoNotShow()
    {
        const Simulated shot = cutShadow();
        const Cleaner cleaner(shot.frame, shot.noise, {"wavelet", 1, 1});
        const Rect whole = shot.frame->active, part{101, 67, 91, 80};
        const Plane<float> all = cleaner.clean(whole).take(), cut = cleaner.clean(part).take();
        QVERIFY(sameBits(cut.constView(), all.constView().cut({part.x - whole.x, part.y - whole.y, part.width, part.height})));
    }

    void tilesDoNotShow()
    {
        const FinishedPair pair = finishedPair(saturatedScene(), 1600, "a.tif", {92, 0});
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*pair.noisy).take());
        const Treatment t{"wavelet", 0.8, 0.8};
        const auto whole = shown(pair.noisy, noise, t, pair.noisy->crop);
        const Rect part{101, 67, 90, 80};
        const auto cut = shown(pair.noisy, noise, t, part);
        for (int y = 0; y < part.height; ++y)
            QVERIFY(std::equal(cut.row(y), cut.row(y) + 3 * part.width, whole.row(part.y + y - pair.noisy->crop.y) + 3 * (part.x - pair.noisy->crop.x)));
    }

    void whereNegativeNumbersAreKeptNothingIsLowered()
    {
        const FinishedPair pair = finishedPair(saturatedScene(), 1600, "a.tif", {92, 0});
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*pair.noisy).take());
        QVERIFY(chainOf(pair.noisy, noise).has("black"));
        const FullColour linear = simulateFullColour(saturatedScene(), {1.f / 1500, 4e-6f}, false);
        QVERIFY(!chainOf(linear.frame, noise).has("black"));
        const Simulated mosaic = simulate(saturatedScene(), plainShot(1600));
        QVERIFY(!chainOf(mosaic.frame, mosaic.noise).has("black"));
    }
};

QTEST_APPLESS_MAIN(CutBlackTest)
#include "cut_black_test.moc"
