// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/random.h"
#include "irenic/measure_noise.h"
#include "irenic/noise.h"
#include "law/censored.h"
#include "law/line_fit.h"
#include "noise/optical_black.h"
#include "raw/tiff_tree.h"
#include "support/frames.h"

#include <QTest>

#include <algorithm>

using namespace irenic;
using namespace irenic::test;

namespace {

/// Median over the tones of the relative error of the predicted sigma, worst of the four cells.
double sigmaError(const NoiseReport &measured, const NoiseModel &truth)
{
    double worst = 0;
    for (const NoiseModel &cell : measured.cells) {
        std::vector<double> errors;
        for (int i = 0; i <= 64; ++i)
            errors.push_back(std::abs(double(cell.sigmaAt(float(i) / 64)) / double(truth.sigmaAt(float(i) / 64)) - 1));
        std::nth_element(errors.begin(), errors.begin() + 32, errors.end());
        worst = std::max(worst, errors[32]);
    }
    return worst;
}

} // namespace

class MeasureNoiseTest : public QObject
{
    Q_OBJECT
    /// The same frame from a DNG that tells its noise.
    static std::shared_ptr<const Frame> withProfile(const Frame &frame, const NoiseModel &law, double factor)
    {
        auto f = std::make_shared<Frame>();
        f->samples = frame.samples.clone();
        f->active = f->crop = frame.active;
        f->cfa = frame.cfa;
        f->levels = frame.levels;
        f->colour = frame.colour;
        auto tags = std::make_shared<SourceTags>();
        tags->raw.setNumbers(TagNoiseProfile, TiffDouble, std::array{double(law.shotGain) * factor, double(law.readVariance) * factor});
        f->source = tags;
        return f;
    }
private slots:
    void lawIsFoundFromTheFrameAlone_data()
    {
        QTest::addColumn<int>("iso");
        QTest::addColumn<QString>("pattern");
        QTest::addColumn<int>("bits");
        QTest::addColumn<double>("under");
        QTest::addColumn<double>("banding");
        QTest::newRow("ISO 800, RGGB") << 800 << "RGGB" << 14 << 0.0 << 0.25;
        QTest::newRow("ISO 3200, BGGR") << 3200 << "BGGR" << 14 << 0.0 << 0.25;
        QTest::newRow("ISO 12800, GRBG, 12 bits") << 12800 << "GRBG" << 12 << 0.0 << 0.25;
        QTest::newRow("ISO 51200, GBRG") << 51200 << "GBRG" << 14 << 0.0 << 0.25;
        QTest::newRow("ISO 3200, three stops under") << 3200 << "RGGB" << 14 << 3.0 << 0.25;
        QTest::newRow("ISO 6400, strong banding") << 6400 << "RGGB" << 14 << 0.0 << 1.0;
        QTest::newRow("ISO 1600, overexposed") << 1600 << "RGGB" << 14 << -1.5 << 0.25;
    }
    void lawIsFoundFromTheFrameAlone()
    {
        QFETCH(int, iso);
        QFETCH(QString, pattern);
        QFETCH(int, bits);
        QFETCH(double, under);
        QFETCH(double, banding);
        ShootOptions o;
        o.iso = iso;
        o.cfa = *CfaPattern::fromName(pattern.toStdString());
        o.bits = bits;
        o.underexposeEv = under;
        o.banding = banding;
        const Simulated s = simulate(makeScene({1200, 900}), o);
        const auto report = measureNoise(*s.frame);
        QVERIFY(report);
        const double error = sigmaError(report.value(), s.truth.noise);
        QVERIFY2(error < 0.10, qPrintable(QString::number(error)));
        QVERIFY(report.value().confidence > 0.4);
    }

    void theSameAnswerOnAnyNumberOfThreads()
    {
        const Simulated s = simulate(makeScene({400, 300}), {});
        QVERIFY(measureNoise(*s.frame, RunContext{1, {}, {}}).value() == measureNoise(*s.frame, RunContext{2, {}, {}}).value());
    }

    void hotPixelsAreFound_data()
    {
        QTest::addColumn<int>("iso");
        for (const int iso : {1600, 12800, 51200})
            QTest::addRow("ISO %d", iso) << iso;
    }
    void hotPixelsAreFound()
    {
        QFETCH(int, iso);
        ShootOptions o;
        o.iso = iso;
        o.hotPixelsPerMillion = 300;
        const Simulated s = simulate(makeScene({1200, 900}), o);
        const auto report = measureNoise(*s.frame);
        QVERIFY(report);
        const auto &found = report.value().hotPixels;
        QVERIFY(std::is_sorted(found.begin(), found.end(), PixelAt::byRow));
        const auto inTexture = [](PixelAt p) { return p.y > 0.28 * 900 && p.y < 0.52 * 900; };
        int strong = 0, hits = 0;
        for (size_t i = 0; i < s.truth.hotPixels.size(); ++i) {
            const PixelAt p = s.truth.hotPixels[i];
            // The striped band is texture finer than a hot pixel; everywhere else it must stand out.
            const float clean = s.truth.clean.at(p.x, p.y);
            if (s.truth.hotSignal[i] < 8 * s.truth.noise.sigmaAt(clean) || clean + s.truth.hotSignal[i] > 1 || inTexture(p))
                continue;
            ++strong;
            hits += std::find(found.begin(), found.end(), p) != found.end();
        }
        // The band's crests stand alone among their own colour, by construction; elsewhere nothing may be mistaken.
        const auto wrong = std::count_if(found.begin(), found.end(), [&](PixelAt p) {
            return std::find(s.truth.hotPixels.begin(), s.truth.hotPixels.end(), p) == s.truth.hotPixels.end() && !inTexture(p);
        });
        QVERIFY(strong > 20);
        QVERIFY2(hits >= 0.95 * strong, qPrintable(QStringLiteral("%1 of %2").arg(hits).arg(strong)));
        QVERIFY2(double(wrong) < 1200 * 900 / 1e5, qPrintable(QString::number(wrong)));
    }

    /// Detail as fine as lenses let through, and as sharp as the pixels: bright specks, dark gaps, edges.
    void fineDetailIsNotHot_data()
    {
        QTest::addColumn<int>("iso");
        QTest::addColumn<double>("blur");
        for (const int iso : {400, 1600, 6400}) {
            QTest::addRow("ISO %d", iso) << iso << 0.6;
            QTest::addRow("ISO %d, sharp to the pixel", iso) << iso << 0.0;
        }
    }
    void fineDetailIsNotHot()
    {
        QFETCH(int, iso);
        QFETCH(double, blur);
        ShootOptions o;
        o.iso = iso;
        o.lensBlurPx = blur;
        o.hotPixelsPerMillion = 25;
        constexpr Size size{800, 600};
        const Simulated s = simulate(leavesScene(size), o);
        const auto report = measureNoise(*s.frame);
        QVERIFY(report);
        const auto &found = report.value().hotPixels;
        const auto wrong = std::count_if(found.begin(), found.end(), [&](PixelAt p) {
            return std::find(s.truth.hotPixels.begin(), s.truth.hotPixels.end(), p) == s.truth.hotPixels.end();
        });
        QVERIFY2(double(wrong) <= double(size.area()) / 1e5, qPrintable(QString::number(wrong)));
    }

    void deadStuckAndPairedPixelsAreFound()
    {
        ShootOptions o;
        o.iso = 6400;
        o.hotPixelsPerMillion = 0;
        const Simulated s = simulate(flatScene({600, 400}, 0.25f, 0.25f, 0.25f), o);
        auto frame = std::make_shared<Frame>();
        frame->samples = s.frame->samples.clone();
        frame->active = frame->crop = s.frame->active;
        frame->cfa = s.frame->cfa;
        frame->levels = s.frame->levels;
        frame->colour = s.frame->colour;
        std::vector<PixelAt> bad;
        const auto set = [&](int x, int y, uint16_t v) {
            frame->samples.at(x, y) = v;
            bad.push_back({x, y});
        };
        const auto place = [&](int i) { return PixelAt{20 + i % 18 * 31, 20 + i / 18 * 29}; };
        for (int i = 0; i < 200; ++i) {
            const auto [x, y] = place(i);
            switch (i % 5) {
            case 0: set(x, y, kCameraBlack14); break; // dead
            case 1: set(x, y, 14000); break;          // stuck
            case 2:
                set(x, y, 15000);
                set(x + 2, y, 14200);
                break; // a pair of one colour
            case 3:
                set(x, y, 15000);
                set(x, y + 1, 14500);
                break; // a pair of two colours
            case 4:
                set(x + 1, y, kCameraBlack14);
                set(x, y, 15500);
                break; // hot beside dead
            }
        }
        const auto report = measureNoise(*frame);
        QVERIFY(report);
        const auto &found = report.value().hotPixels;
        const auto hits = std::count_if(bad.begin(), bad.end(), [&](PixelAt p) { return std::find(found.begin(), found.end(), p) != found.end(); });
        QVERIFY2(double(hits) > 0.95 * double(bad.size()), qPrintable(QStringLiteral("%1 of %2").arg(hits).arg(bad.size())));
        QVERIFY2(found.size() < size_t(hits) + 3, qPrintable(QString::number(found.size())));
    }

    void maskedBordersTellTheNoiseInTheDark()
    {
        // A frame without any dark tone: only its border knows the read noise.
        ShootOptions o;
        o.iso = 25600;
        o.borderPx = 40;
        o.banding = 1; // rows and columns do not count
        const Simulated s = simulate(flatScene({700, 500}, 0.6f, 0.6f, 0.6f), o);
        const auto black = measureOpticalBlack(*s.frame);
        QVERIFY(black);
        const double truth = double(s.truth.noise.readVariance);
        QVERIFY2(std::abs(black->readVariance / truth - 1) < 0.05, qPrintable(QString::number(black->readVariance / truth)));
        QVERIFY(std::abs(black->level) < 0.2 * std::sqrt(truth));
        const auto report = measureNoise(*s.frame);
        QVERIFY(report.value().maskedSamples > 10000);
        QVERIFY(std::abs(double(report.value().cells[0].readVariance) / truth - 1) < 0.05);
        QVERIFY(std::abs(double(report.value().cells[0].shotGain / s.truth.noise.shotGain) - 1) < 0.05);
        QVERIFY(!measureOpticalBlack(*simulate(flatScene({300, 200}, 0.6f, 0.6f, 0.6f), {}).frame)); // without a border nothing is told
    }

    void theFilesOwnProfileIsHeldAgainstTheMeasurement_data()
    {
        QTest::addColumn<double>("factor"); ///< of the true variance
        QTest::addColumn<QString>("words");
        QTest::newRow("agrees") << 1.0 << "agrees";
        QTest::newRow("says too little") << 0.25 << "times what the file says";
        QTest::newRow("says too much") << 9.0 << "times as much";
    }
    void theFilesOwnProfileIsHeldAgainstTheMeasurement()
    {
        QFETCH(double, factor);
        QFETCH(QString, words);
        ShootOptions o;
        o.iso = 6400;
        const Simulated s = simulate(makeScene({900, 700}), o);
        const auto told = withProfile(*s.frame, s.truth.noise, factor);
        const auto report = measureNoise(*told);
        QVERIFY2(QString::fromStdString(report.value().confidenceReason).contains(words), report.value().confidenceReason.c_str());
        QVERIFY(std::abs(double(report.value().profileRatio) - 1 / std::sqrt(factor)) < 0.1 / std::sqrt(factor));
        QVERIFY(report.value().cells == measureNoise(*s.frame).value().cells); // the measurement is used
        // Where nothing can be measured, the file is believed.
        ShootOptions white = o;
        white.underexposeEv = -6;
        const Simulated blown = simulate(flatScene({128, 128}, 1, 1, 1), white);
        const auto believed = measureNoise(*withProfile(*blown.frame, s.truth.noise, factor));
        QVERIFY(std::abs(double(believed.value().cells[0].shotGain) / (double(s.truth.noise.shotGain) * factor) - 1) < 1e-3);
    }

    void starsAreNotHotPixels()
    {
        Scene sky = flatScene({400, 300}, 0.01f, 0.01f, 0.012f);
        int stars = 0;
        for (int y = 20; y < 290; y += 18)
            for (int x = 20; x < 390; x += 18, ++stars)
                for (int c = 0; c < 3; ++c)
                    sky.rgb[(size_t(y) * 400 + size_t(x)) * 3 + size_t(c)] = 0.8f;
        ShootOptions o;
        o.hotPixelsPerMillion = 0;
        o.lensBlurPx = 0.7; // a star of one to two pixels
        const auto report = measureNoise(*simulate(sky, o).frame);
        QVERIFY(report);
        QVERIFY2(report.value().hotPixels.size() * 100 < size_t(stars) * 5, qPrintable(QString::number(report.value().hotPixels.size())));
    }

    void smallAndFlatFramesGetAnAnswer()
    {
        const Simulated tiny = simulate(flatScene({64, 64}, 0.3f, 0.3f, 0.3f), {});
        QVERIFY(measureNoise(*tiny.frame));
        QVERIFY(measureNoise(*simulate(flatScene({18, 16}, 0.3f, 0.3f, 0.3f), {}).frame));
        const Simulated blackOnly = simulate(flatScene({128, 128}, 0, 0, 0), {});
        const auto dark = measureNoise(*blackOnly.frame);
        QVERIFY(dark);
        const double ratio = double(dark.value().cells[0].sigmaAt(0)) / double(blackOnly.truth.noise.sigmaAt(0));
        QVERIFY2(std::abs(ratio - 1) < 0.1, qPrintable(QString::number(ratio)));
        ShootOptions white;
        white.underexposeEv = -6; // every sample clips
        const auto blown = measureNoise(*simulate(flatScene({128, 128}, 1, 1, 1), white).frame);
        QVERIFY(blown);
        QCOMPARE(blown.value().confidence, 0.0);
    }

    void stopIsObeyed()
    {
        std::stop_source stop;
        stop.request_stop();
        QCOMPARE(measureNoise(*simulate(makeScene({200, 200}), {}).frame, {1, stop.get_token(), {}}).error().code, ErrorCode::Cancelled);
    }

    void clippedNoiseIsWorkedOut_data()
    {
        QTest::addColumn<double>("mean");
        for (const double mean : {-0.5, 0.0, 0.6, 2.0, 7.0})
            QTest::addRow("%g sigma", mean) << mean;
    }
    void clippedNoiseIsWorkedOut()
    {
        QFETCH(double, mean);
        constexpr double kSigma = 0.003;
        constexpr int n = 400000;
        double sum = 0, square = 0;
        for (int i = 0; i < n; ++i) {
            const double v = std::max(0.0, kSigma * (mean + RandomAt(4, 5, i, 0).gaussian()));
            sum += v;
            square += v * v;
        }
        const Moments stored{sum / n, square / n - sum * sum / n / n};
        const auto whole = wholeMoments(stored);
        QVERIFY(whole);
        QVERIFY2(std::abs(std::sqrt(whole->variance) / kSigma - 1) < 0.02, qPrintable(QString::number(std::sqrt(whole->variance) / kSigma)));
        QVERIFY(std::abs(whole->mean / kSigma - mean) < 0.03);
        if (mean < 0)
            return; // light is not negative
        // The law tells the same from the other side.
        const StoredNoise law({0, float(kSigma * kSigma)}, 0.0);
        QVERIFY(std::abs(double(law.sigmaAt(float(stored.mean))) / std::sqrt(stored.variance) - 1) < 0.02);
        QVERIFY(std::abs(double(law.signalAt(float(stored.mean))) / kSigma - mean) < 0.03);
        const StoredNoise plain({1e-3f, 1e-5f}, std::nullopt);
        QCOMPARE(plain.sigmaAt(0.1f), NoiseModel({1e-3f, 1e-5f}).sigmaAt(0.1f));
        QCOMPARE(plain.signalAt(0.1f), 0.1f);
    }
    void nothingIsSaidOfWhatIsAlmostAllClipped()
    {
        QVERIFY(!wholeMoments({0.001, 0.0001}));
        QVERIFY(!wholeMoments({0, 0}));
    }

    void sensorsFaultsLeaveTheLaw_data()
    {
        QTest::addColumn<SensorFaults>("faults");
        QTest::addColumn<double>("dark"); // by how much sigma may be off in the dark, either way
        const auto add = [](const char *name, double dark, auto change) {
            SensorFaults f;
            change(f);
            QTest::newRow(name) << f << dark;
        };
        add("clipped at black", 0.2, [](SensorFaults &f) { f.clippedBlack = true; });
        add("clipped and companded", 0.2, [](SensorFaults &f) { f.clippedBlack = true, f.compandedBits = 10; });
        add("companded to eight bits", 0.12, [](SensorFaults &f) { f.compandedBits = 8; });
        add("black rises down the rows", 0.7, [](SensorFaults &f) { f.rowDrift = 3; });
        add("pixels differ", 0.12, [](SensorFaults &f) { f.responseSpread = 0.01; });
    }
    void sensorsFaultsLeaveTheLaw()
    {
        QFETCH(SensorFaults, faults);
        QFETCH(double, dark);
        // A night: most of the frame holds next to nothing, a part of it a slope up to bright lights.
        Scene night = flatScene({700, 500}, 0.0005f, 0.0005f, 0.0005f);
        for (int y = 300; y < 500; ++y)
            for (int x = 0; x < 700; ++x)
                std::fill_n(night.rgb.begin() + (ptrdiff_t(y) * 700 + x) * 3, 3, 0.6f * float(x) / 700);
        ShootOptions o;
        o.iso = 12800;
        o.banding = o.hotPixelsPerMillion = 0;
        o.faults = faults;
        const Simulated s = simulate(night, o);
        const NoiseReport found = measureNoise(*s.frame).take();
        const auto told = [&](float signal) { return std::lower_bound(s.truth.curve.begin(), s.truth.curve.end(), std::pair(signal, 0.f)); };
        for (const NoiseModel &cell : found.cells) {
            for (const float signal : {0.1f, 0.3f}) {
                const auto at = told(signal);
                const double ratio = double(cell.sigmaAt(at->first)) / std::sqrt(double(at->second));
                QVERIFY2(std::abs(ratio - 1) < 0.1, qPrintable(QStringLiteral("%1 at %2").arg(ratio).arg(double(signal))));
            }
            const double ratio = double(cell.sigmaAt(0)) / std::sqrt(double(told(0)->second));
            QVERIFY2(std::abs(ratio - 1) < dark, qPrintable(QStringLiteral("%1 in the dark").arg(ratio)));
        }
    }

    void lineFitPassesOverTexture()
    {
        std::vector<LinePoint> points;
        for (int i = 0; i < 30; ++i) {
            const double x = i / 30.0, y = 4e-4 * x + 2e-6;
            points.push_back({x, i % 3 == 0 ? y * 3 : y, 60}); // every third tone holds only texture
        }
        const LineFit fit = fitNoiseLine(points, 1e-10);
        QVERIFY(std::abs(fit.slope / 4e-4 - 1) < 0.03);
        QVERIFY(std::abs(fit.intercept / 2e-6 - 1) < 0.2);
    }
};

QTEST_APPLESS_MAIN(MeasureNoiseTest)
#include "measure_noise_test.moc"
