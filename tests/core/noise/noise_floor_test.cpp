// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/noise_floor.h"

#include "irenic/measure_noise.h"
#include "raw/tiff_tree.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

std::array<NoiseModel, 4> fourTimes(const NoiseModel &law, float variance = 1)
{
    std::array<NoiseModel, 4> cells;
    cells.fill({law.shotGain * variance, law.readVariance * variance});
    return cells;
}

/// Gratings of every direction and size down to three pixels, finer ones fainter, all over the frame.
Scene gratings(Size size)
{
    Scene s = flatScene(size, 0, 0, 0);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            double v = 0.3;
            for (int k = 1; k <= 30; ++k) {
                const double frequency = 0.33 * k / 30, angle = 2.4 * k;
                v += 0.012 / k * 3 * std::sin(2 * M_PI * frequency * (x * std::cos(angle) + y * std::sin(angle)) + k * k);
            }
            std::fill_n(s.rgb.begin() + (ptrdiff_t(y) * size.width + x) * 3, 3, float(v));
        }
    return s;
}

} // namespace

/// The noise below the texture.
class NoiseFloorTest : public QObject
{
    Q_OBJECT
private slots:
    void noiseAloneIsReadAsItIs_data()
    {
        QTest::addColumn<float>("variance"); ///< of the law that is given, over the truth
        QTest::newRow("true law") << 1.f;
        QTest::newRow("law of twice the sigma") << 4.f;
    }
    void noiseAloneIsReadAsItIs()
    {
        QFETCH(float, variance);
        const Simulated s = simulate(slopeScene({800, 600}), plainShot(6400));
        const auto points = measureNoiseFloor(*s.frame, fourTimes(s.truth.noise, variance), {}, {}, {});
        QVERIFY(points.value().size() >= 8);
        double mean = 0;
        for (const FloorPoint &p : points.value()) {
            mean += p.ratio * double(variance) / double(points.value().size());
            QVERIFY2(std::abs(p.ratio * double(variance) - 1) < 0.2, qPrintable(QString::number(p.ratio)));
            QVERIFY(p.agreeing > 0.9);
        }
        QVERIFY2(std::abs(mean - 1) < 0.02, qPrintable(QString::number(mean)));
    }

    /// Detail down to half a pixel all over the frame, and a lens that blurs nothing.
    void textureEverywhereDoesNotRaiseTheLaw_data()
    {
        QTest::addColumn<int>("iso");
        for (const int iso : {1600, 6400, 25600})
            QTest::addRow("ISO %d", iso) << iso;
    }
    void textureEverywhereDoesNotRaiseTheLaw()
    {
        QFETCH(int, iso);
        ShootOptions o = plainShot(iso);
        o.lensBlurPx = 0;
        const Simulated s = simulate(leavesScene({1000, 800}), o);
        const NoiseReport report = measureNoise(*s.frame).take();
        std::vector<double> ratios;
        for (const NoiseModel &cell : report.cells)
            for (const float signal : {0.05f, 0.1f, 0.2f, 0.3f})
                ratios.push_back(double(cell.sigmaAt(signal) / s.truth.noise.sigmaAt(signal)));
        std::sort(ratios.begin(), ratios.end());
        const double median = ratios[ratios.size() / 2];
        QVERIFY2(median > 0.95 && median < 1.05, qPrintable(QString::number(median)));
    }

    void certaintyFallsWhereTextureIsEverywhere()
    {
        ShootOptions o = plainShot(400);
        o.lensBlurPx = 0;
        const double sure = measureNoise(*simulate(slopeScene({800, 600}), o).frame).value().confidence, unsure = measureNoise(*simulate(gratings({800, 600}), o).frame).value().confidence;
        QVERIFY2(sure > 0.9, qPrintable(QString::number(sure)));
        QVERIFY2(unsure < sure - 0.1, qPrintable(QString::number(unsure)));
    }

    /// Texture only ever raises what is measured, so a file's own law that is lower is believed where there is next to nothing but texture; one that is far too low is not, where there is not.
    void aLowerProfileIsBelievedWhereTextureIsEverywhere()
    {
        ShootOptions o = plainShot(100);
        o.lensBlurPx = 0;
        const Simulated textured = simulate(gratings({800, 600}), o), calm = simulate(slopeScene({800, 600}), o);
        const auto told = [](const Simulated &s, float factor) {
            auto f = std::make_shared<Frame>();
            f->samples = s.frame->samples.clone();
            f->active = f->crop = s.frame->active;
            f->cfa = s.frame->cfa;
            f->levels = s.frame->levels;
            f->colour = s.frame->colour;
            auto tags = std::make_shared<SourceTags>();
            tags->raw.setNumbers(TagNoiseProfile, TiffDouble, std::array{double(s.truth.noise.shotGain * factor), double(s.truth.noise.readVariance * factor)});
            f->source = tags;
            return measureNoise(*f).take();
        };
        const NoiseReport alone = measureNoise(*textured.frame).take(), believed = told(textured, 1);
        const float truth = textured.truth.noise.sigmaAt(0.15f);
        QVERIFY2(alone.cells[1].sigmaAt(0.15f) > 1.1f * truth, qPrintable(QString::number(double(alone.cells[1].sigmaAt(0.15f) / truth)))); // or there is nothing to be believed
        QVERIFY2(std::abs(believed.cells[1].sigmaAt(0.15f) / truth - 1) < 0.01f, believed.confidenceReason.c_str());
        QVERIFY(believed.confidence > alone.confidence);
        const NoiseReport stubborn = told(calm, 0.1f);
        QVERIFY2(std::abs(stubborn.cells[1].sigmaAt(0.15f) / calm.truth.noise.sigmaAt(0.15f) - 1) < 0.05f, stubborn.confidenceReason.c_str());
    }

    void framesTooSmallForItHaveNone()
    {
        const Simulated s = simulate(slopeScene({100, 100}), plainShot(1600));
        QVERIFY(measureNoiseFloor(*s.frame, fourTimes(s.truth.noise), {}, {}, {}).value().empty());
    }

    void stopIsObeyed()
    {
        const Simulated s = simulate(slopeScene({400, 300}), plainShot(1600));
        std::stop_source stop;
        stop.request_stop();
        QCOMPARE(measureNoiseFloor(*s.frame, fourTimes(s.truth.noise), {}, {}, {1, stop.get_token(), {}}).error().code, ErrorCode::Cancelled);
    }
};

QTEST_APPLESS_MAIN(NoiseFloorTest)
#include "noise_floor_test.moc"
