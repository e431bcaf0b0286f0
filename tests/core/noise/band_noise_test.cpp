// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/band_noise.h"

#include "irenic/clean.h"
#include "irenic/measure_noise.h"
#include "methods/packet/packet.h"
#include "raw/tiff_tree.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr NoiseModel kDim{1.0f / 1500, 4e-6f}, kBright{1.0f / 40000, 1e-7f};

double psnr(const Plane<float> &rgb, const FullColour &truth)
{
    double sum = 0;
    for (int y = 0; y < rgb.height(); ++y)
        for (int x = 0; x < rgb.width(); ++x)
            sum += std::pow(double(rgb.at(x, y) - truth.clean[size_t(x % 3)].at(x / 3, y)), 2);
    return -10 * std::log10(sum / double(rgb.size().area()));
}

std::shared_ptr<const Frame> withIso(const Frame &frame, double iso)
{
    auto f = std::make_shared<Frame>();
    f->kind = frame.kind;
    f->samples = frame.samples.clone();
    f->active = f->crop = frame.active;
    f->levels = frame.levels;
    f->colour = frame.colour;
    f->encoding = frame.encoding;
    f->shooting.iso = iso;
    return f;
}

} // namespace

/// The noise of full colour, told from texture.
class BandNoiseTest : public QObject
{
    Q_OBJECT
private slots:
    /// The same noise over a scene of large shapes and over one with detail everywhere: the spectrum is the noise's in both.
    void textureDoesNotChangeTheSpectrum()
    {
        std::array<BandNoises, 2> found;
        std::array<NoiseModel, 4> law;
        law.fill(kDim);
        for (size_t i = 0; i < 2; ++i) {
            const FullColour f = simulateFullColour(i == 0 ? flatScene({700, 600}, 0.25f, 0.25f, 0.25f) : leavesScene({700, 600}), kDim, true);
            found[i] = measureBandNoise(*f.frame, law, Holds::Picture, {}).take();
        }
        QVERIFY2(found[0].noiseShare > 0.8, qPrintable(QString::number(found[0].noiseShare)));
        for (const size_t b : {0, 4, 5}) { // luminance and the two colour differences, which hold what is coarser than a pixel
            const double ratio = double(found[1].bands[b].sigma / found[0].bands[b].sigma);
            QVERIFY2(ratio > 0.6 && ratio < 2.2, qPrintable(QStringLiteral("band %1: %2").arg(b).arg(ratio)));
        }
    }

    /// What is suggested may do little, but no harm.
    void theSuggestionIsNotWorseThanNothing_data()
    {
        QTest::addColumn<bool>("bright");
        QTest::addColumn<bool>("leaves");
        QTest::addColumn<bool>("blurred");
        for (const bool bright : {false, true})
            for (const bool leaves : {false, true})
                for (const bool blurred : {false, true})
                    QTest::addRow("%s light, %s, %s noise", bright ? "much" : "little", leaves ? "leaves" : "shapes", blurred ? "blurred" : "white") << bright << leaves << blurred;
    }
    void theSuggestionIsNotWorseThanNothing()
    {
        QFETCH(bool, bright);
        QFETCH(bool, leaves);
        QFETCH(bool, blurred);
        const FullColour f = simulateFullColour(leaves ? leavesScene({500, 400}) : makeScene({500, 400}), bright ? kBright : kDim, blurred);
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*f.frame).take());
        const double before = psnr(Cleaner::untreated(f.frame).clean(f.frame->crop).value(), f);
        const Suggestion suggestion = suggestTreatment(*noise);
        const double after = psnr(Cleaner(f.frame, noise, suggestion.treatment).clean(f.frame->crop).value(), f);
        QVERIFY2(after > before - 0.2, qPrintable(QStringLiteral("%1 dB, was %2; confidence %3, strength %4").arg(after).arg(before).arg(noise->confidence).arg(suggestion.treatment.luminance)));
        if (!bright)
            QVERIFY2(after > before + (leaves ? 0.05 : 1.5), qPrintable(QStringLiteral("%1 dB, was %2; confidence %3").arg(after).arg(before).arg(noise->confidence)));
    }

    void littleCertaintySuggestsLess()
    {
        NoiseReport sure;
        sure.cells.fill(kDim);
        sure.luminanceNoise = 0.1f;
        sure.colourNoise = 0.1f;
        sure.confidence = 1;
        NoiseReport unsure = sure;
        unsure.confidence = 0.2;
        const Suggestion of1 = suggestTreatment(sure), of02 = suggestTreatment(unsure);
        QCOMPARE(of02.treatment.method, of1.treatment.method);
        QVERIFY(of02.treatment.luminance < 0.7 * of1.treatment.luminance);
        QVERIFY(of02.treatment.colour < of1.treatment.colour);
        QVERIFY(of02.treatment.colour > of02.treatment.luminance); // colour noise hides less of the picture
        QVERIFY(QString::fromStdString(of02.reason).contains("little certainty"));
        QVERIFY(!QString::fromStdString(of1.reason).contains("little certainty"));
    }

    void withoutCertaintyLuminanceFollowsTheIso()
    {
        NoiseReport unsure;
        unsure.bands.resize(6);
        unsure.luminanceNoise = unsure.colourNoise = 0.1f;
        unsure.confidence = 0;
        const auto at = [&](float usual) {
            unsure.usualShare = usual;
            return suggestTreatment(unsure).treatment;
        };
        QVERIFY(at(0.1f).luminance < at(0.4f).luminance && at(0.4f).luminance <= at(1).luminance && at(1).luminance <= 0.35);
        QVERIFY(at(0).luminance <= 0.1); // nobody knows
        QCOMPARE(at(1).method, std::string("bm3d"));
        QVERIFY(at(1).colour <= 0.1);
    }

    /// What sees noise for itself, as far as its answer was found to be noise, where measuring does better by nothing.
    void withoutCertaintyTheSuggestionFollowsTheEstimate()
    {
        NoiseReport noise;
        noise.bands.resize(6);
        noise.luminanceNoise = noise.colourNoise = 0.05f;
        noise.confidence = 0.5;
        noise.usualShare = 0.7f;
        noise.nearestLuminance = 0.36f;
        noise.nearestColours = 0.52f;
        noise.seesNearer = true;
        const Treatment unsure = suggestTreatment(noise).treatment;
        QCOMPARE(unsure.method, std::string("unet-colour"));
        QCOMPARE(unsure.luminance, 0.35);
        QCOMPARE(unsure.colour, 0.5);
        noise.nearestLuminance = 0.02f; // it takes hardly anything but texture
        QCOMPARE(suggestTreatment(noise).treatment.method, std::string("dct"));
        const double more = suggestTreatment(noise).treatment.luminance;
        noise.confidence = 0.1;
        const double least = suggestTreatment(noise).treatment.luminance; // nor does another method
        QVERIFY2(least > 0 && least <= 0.1 && more > 3 * least, qPrintable(QStringLiteral("%1, %2").arg(least).arg(more)));
        noise.nearestLuminance = 0.36f;
        noise.confidence = 0.9;
        noise.seesNearer = false;
        QCOMPARE(suggestTreatment(noise).treatment.method, std::string("dct"));
        QCOMPARE(suggestedFor("unet-colour", noise).luminance, 0.35); // where it was chosen all the same
        noise.luminanceNoise = 0.1f;
        QCOMPARE(suggestTreatment(noise).treatment.method, std::string("bm3d"));
        noise.seesNearer = true; // BM3D was found to take more picture than noise
        QCOMPARE(suggestTreatment(noise).treatment.method, std::string("unet-colour"));
    }

    /// Where the file's own law takes the place of the measured one, the spectrum is told in its units: the noise of a band is the same by any law.
    void theSpectrumFollowsTheLawThatIsTaken()
    {
        const FullColour f = simulateFullColour(makeScene({500, 400}), kDim, true);
        std::array<double, 2> noise;
        for (const size_t i : {0, 1}) {
            const auto told = withIso(*f.frame, 10); // at which no sensor has so much: the measurement is doubted
            auto tags = std::make_shared<SourceTags>();
            const double factor = i == 0 ? 1 : 4;
            tags->raw.setNumbers(TagNoiseProfile, TiffDouble, std::array{double(kDim.shotGain) * factor, double(kDim.readVariance) * factor});
            std::const_pointer_cast<Frame>(told)->source = tags;
            const NoiseReport report = measureNoise(*told).take();
            QVERIFY(std::abs(double(report.cells[1].shotGain / kDim.shotGain) / factor - 1) < 1e-3); // it was taken
            noise[i] = double(report.bands[0].sigma) * double(report.cells[1].sigmaAt(0.2f));
        }
        QVERIFY2(std::abs(noise[1] / noise[0] - 1) < 0.35, qPrintable(QString::number(noise[1] / noise[0])));
    }

    /// Ten per cent of noise at ISO 100 is none of a sensor.
    void moreNoiseThanASensorHasIsDoubted()
    {
        const FullColour f = simulateFullColour(makeScene({500, 400}), kDim, true);
        const double atHighIso = measureNoise(*withIso(*f.frame, 12800)).value().confidence, atLowIso = measureNoise(*withIso(*f.frame, 100)).value().confidence;
        QVERIFY2(atLowIso < 0.7 * atHighIso, qPrintable(QStringLiteral("%1, %2").arg(atLowIso).arg(atHighIso)));
    }

    /// Three times what sensors usually have at the ISO: of a picture that is fine texture everywhere much of it is texture; of a calm one it is noise.
    void anUncertainMeasurementIsHeldAgainstTheIso()
    {
        const auto loweredBy = [](const Scene &scene) {
            const FullColour f = simulateFullColour(scene, kDim, true);
            const NoiseReport alone = measureNoise(*withIso(*f.frame, 0)).take();
            const double usual = double(alone.luminanceNoise) / 3, iso = double(alone.midSignal) * 50000 * 100 * usual * usual;
            const NoiseReport held = measureNoise(*withIso(*f.frame, iso)).take();
            return double(alone.cells[1].sigmaAt(alone.midSignal) / held.cells[1].sigmaAt(alone.midSignal));
        };
        const double texture = loweredBy(leavesScene({700, 600})), calm = loweredBy(flatScene({700, 600}, 0.25f, 0.25f, 0.25f));
        QVERIFY2(texture > 1.3, qPrintable(QString::number(texture)));
        QVERIFY2(calm < 1.1, qPrintable(QString::number(calm)));
    }
};

QTEST_APPLESS_MAIN(BandNoiseTest)
#include "band_noise_test.moc"
