// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"
#include "irenic/measure_noise.h"
#include "noise/mosaic_spectrum.h"
#include "noise/spectrum.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

ShootOptions shotWith(double smoothing, int iso = 3200)
{
    ShootOptions o;
    o.iso = iso;
    o.banding = o.hotPixelsPerMillion = 0;
    o.faults.smoothing = smoothing;
    return o;
}

std::optional<BandNoise> spectrumOf(const Simulated &s)
{
    return measureMosaicSpectrum(*s.frame, s.noise->cells, {}, {}).take();
}

/// Correlation of smoothed white noise, from the filter's five taps.
double toldCorrelation(double w, int dx, int dy)
{
    const double middle = 1 - 4 * w, power = middle * middle + 4 * w * w;
    if (dx == 0 && dy == 0)
        return 1;
    return (dx + dy == 1 ? 2 * middle * w : dx == 1 && dy == 1 ? 2 * w * w
                                                               : w * w)
           / power;
}

} // namespace

class MosaicSpectrumTest : public QObject
{
    Q_OBJECT
private slots:
    void whiteNoiseIsCalledWhite_data()
    {
        QTest::addColumn<int>("scene");
        QTest::addColumn<int>("iso");
        for (const int scene : {0, 1, 2})
            for (const int iso : {200, 3200, 25600})
                QTest::addRow("scene %d, ISO %d", scene, iso) << scene << iso;
    }
    void whiteNoiseIsCalledWhite()
    {
        QFETCH(int, scene);
        QFETCH(int, iso);
        const Size size{600, 400};
        ShootOptions o = shotWith(0, iso);
        o.lensBlurPx = 1; // what a lens blurs is picture, not noise
        const Simulated s = simulate(scene == 0 ? slopeScene(size) : scene == 1 ? makeScene(size)
                                                                                : leavesScene(size),
                                     o);
        QVERIFY(!spectrumOf(s));
        QVERIFY(!measureNoise(*s.frame).value().spectrum);
    }

    void smoothingIsRead_data()
    {
        QTest::addColumn<double>("share");
        QTest::addColumn<bool>("textured");
        for (const double share : {0.04, 0.07, 0.1})
            for (const bool textured : share < 0.05 ? std::vector{false} : std::vector{false, true}) // texture hides a little of it
                QTest::addRow("%g%s", share, textured ? ", textured" : "") << share << textured;
    }
    void smoothingIsRead()
    {
        QFETCH(double, share);
        QFETCH(bool, textured);
        const Size size{600, 400};
        const Simulated s = simulate(textured ? leavesScene(size) : slopeScene(size), shotWith(share));
        const auto spectrum = spectrumOf(s);
        QVERIFY(spectrum);
        for (const auto &[dx, dy] : {std::pair{1, 0}, {0, 1}, {1, 1}}) {
            const double found = correlationOf(*spectrum, dx, dy), told = toldCorrelation(share, dx, dy);
            QVERIFY2(std::abs(found - told) < 0.09, qPrintable(QStringLiteral("%1 %2: %3, not %4").arg(dx).arg(dy).arg(found).arg(told)));
        }
        // The law is that of single samples, whatever was read to find it.
        const NoiseReport report = measureNoise(*s.frame).take();
        QVERIFY(report.spectrum);
        QVERIFY(report.confidenceReason.find("share their noise") != std::string::npos);
        for (const float signal : {0.05f, 0.2f, 0.4f}) {
            const auto above = std::lower_bound(s.truth.curve.begin(), s.truth.curve.end(), std::pair(signal, 0.f));
            const double ratio = double(report.cells[1].sigmaAt(above->first)) / std::sqrt(double(above->second));
            QVERIFY2(std::abs(ratio - 1) < 0.1, qPrintable(QStringLiteral("%1 at %2").arg(ratio).arg(double(signal))));
        }
    }

    void theBinomialFilterPassesWhatIsTold()
    {
        // Noise that is smoothed colour by colour, behind the filter: against the same of white noise.
        const Simulated smoothed = simulate(flatScene({400, 400}, 0.2f, 0.2f, 0.2f), shotWith(0.1)), white = simulate(flatScene({400, 400}, 0.2f, 0.2f, 0.2f), shotWith(0));
        const auto sigmas = [](const Frame &frame) {
            std::array<double, 4> level{};
            for (int y = 0; y < 400; ++y)
                for (int x = 0; x < 400; ++x)
                    level[size_t((x & 1) + 2 * (y & 1))] += double(frame.linearAt(x, y)) / 40000;
            const auto at = [&](int x, int y) { return double(frame.linearAt(x, y)) - level[size_t((x & 1) + 2 * (y & 1))]; };
            double single = 0, filtered = 0;
            for (int y = 4; y < 396; ++y)
                for (int x = 4; x < 396; ++x) {
                    double sum = 0;
                    for (int v = -1; v <= 1; ++v)
                        for (int u = -1; u <= 1; ++u)
                            sum += (2 - std::abs(u)) * (2 - std::abs(v)) * at(x + u, y + v);
                    single += at(x, y) * at(x, y);
                    filtered += sum * sum;
                }
            return std::sqrt(filtered / single);
        };
        const double told = sigmaBehindBinomial(*spectrumOf(smoothed)), seen = sigmas(*smoothed.frame) / sigmas(*white.frame);
        QVERIFY2(std::abs(told / seen - 1) < 0.06, qPrintable(QStringLiteral("%1, not %2").arg(told).arg(seen)));
    }

    void methodsHonourIt_data()
    {
        QTest::addColumn<QString>("method");
        for (const char *method : {"wavelet", "dct", "nlm", "bm3d"})
            QTest::newRow(method) << method;
    }
    void methodsHonourIt()
    {
        QFETCH(QString, method);
        const Simulated s = simulate(makeScene({400, 300}), shotWith(0.1, 6400));
        auto known = std::make_shared<NoiseReport>(measureNoise(*s.frame).take());
        QVERIFY(known->spectrum);
        auto ignored = std::make_shared<NoiseReport>(*known);
        ignored->spectrum.reset();
        ignored->pointSigma = 1;
        const auto errorOf = [&](const std::shared_ptr<const NoiseReport> &noise) {
            const auto cleaned = Cleaner(s.frame, noise, Treatment{method.toStdString(), 1, 1}).clean({0, 0, 400, 300});
            return meanSquare(cleaned.value().constView(), s.truth.clean.constView(), {8, 8, 384, 284});
        };
        const double with = errorOf(known), without = errorOf(ignored);
        QVERIFY2(with < (method == QLatin1String("nlm") ? 1.0 : 0.96) * without, qPrintable(QStringLiteral("%1 of %2").arg(with).arg(without)));
    }

    void tilesAndThreadsDoNotShow()
    {
        const Simulated s = simulate(leavesScene({400, 300}), shotWith(0.1, 6400));
        const NoiseReport report = measureNoise(*s.frame, RunContext{1, {}, {}}).take();
        QVERIFY(report.spectrum && report == measureNoise(*s.frame, RunContext{3, {}, {}}).take());
        const Cleaner cleaner(s.frame, std::make_shared<const NoiseReport>(report), Treatment{"dct", 1, 1});
        const Rect part{131, 77, 90, 60};
        QVERIFY(sameBits(cleaner.clean(part).value().constView(), cleaner.clean({0, 0, 400, 300}).value().constView().cut({part.x, part.y, part.width, part.height})));
    }

    void networksAreNotSuggestedThere()
    {
        const Simulated white = simulate(leavesScene({400, 300}), shotWith(0, 12800)), smoothed = simulate(leavesScene({400, 300}), shotWith(0.1, 12800));
        const Suggestion plain = suggestTreatment(measureNoise(*white.frame).value()), other = suggestTreatment(measureNoise(*smoothed.frame).value());
        QVERIFY(!findMethod(other.treatment.method)->expectsWhite);
        QVERIFY2(findMethod(plain.treatment.method)->expectsWhite, plain.treatment.method.c_str()); // where noise is white it would be
    }

    void smallFramesAndStopsAreObeyed()
    {
        QVERIFY(!spectrumOf(simulate(flatScene({100, 300}, 0.2f, 0.2f, 0.2f), shotWith(0.1))));
        std::stop_source stop;
        stop.request_stop();
        const Simulated s = simulate(flatScene({200, 200}, 0.2f, 0.2f, 0.2f), shotWith(0.1));
        QCOMPARE(measureMosaicSpectrum(*s.frame, s.noise->cells, {}, {1, stop.get_token(), {}}).error().code, ErrorCode::Cancelled);
    }
};

QTEST_APPLESS_MAIN(MosaicSpectrumTest)
#include "mosaic_spectrum_test.moc"
