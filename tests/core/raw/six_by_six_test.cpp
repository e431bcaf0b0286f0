// SPDX-License-Identifier: GPL-3.0-or-later
#include "camera/bench_camera.h"
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"
#include "raw/six_by_six.h"
#include "support/frames.h"

#include <libraw/libraw.h>

#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

std::shared_ptr<const Frame> shotAndRead(const Scene &scene, ShootOptions o, const QTemporaryDir &dir)
{
    o.sixBySix = true;
    const std::filesystem::path file = dir.filePath(QStringLiteral("six-%1.dng").arg(o.seed)).toStdString();
    const auto shot = shoot(scene, o);
    if (!shot || !writeShot(file, shot.value(), o))
        return nullptr;
    const auto frame = readFrame(file);
    return frame ? frame.value() : nullptr;
}

} // namespace

class SixBySixTest : public QObject
{
    Q_OBJECT
private slots:
    void onlyKnownPatternsAreTaken()
    {
        QVERIFY(isKnown(kBenchSixBySix));
        SixBySixPattern shifted, swapped = kBenchSixBySix, wrong = kBenchSixBySix;
        for (int y = 0; y < 6; ++y)
            for (int x = 0; x < 6; ++x)
                shifted[size_t(y * 6 + x)] = kBenchSixBySix[size_t((y + 4) % 6 * 6 + (x + 1) % 6)];
        for (uint8_t &c : swapped)
            c = uint8_t(2 - c);
        QVERIFY(isKnown(shifted) && isKnown(swapped));
        std::swap(wrong[0], wrong[1]); // as many of each colour, in other places
        QVERIFY(!isKnown(wrong));
        QVERIFY(!isKnown(SixBySixPattern{}));
    }

    void theMosaicIsWhatLibRawReads()
    {
        // The camera's file by an independent reader: samples and pattern.
        ShootOptions o;
        o.sixBySix = true;
        const QTemporaryDir dir;
        const std::filesystem::path file = dir.filePath("six.dng").toStdString();
        const auto shot = shoot(makeScene({330, 270}), o);
        QVERIFY(writeShot(file, shot.value(), o));
        LibRaw raw;
        QCOMPARE(raw.open_file(file.c_str()), 0);
        QCOMPARE(raw.unpack(), 0);
        QCOMPARE(int(raw.imgdata.idata.filters), 9);
        for (int y = 0; y < 6; ++y)
            for (int x = 0; x < 6; ++x)
                QCOMPARE(int(raw.imgdata.idata.xtrans[y][x]), int(kBenchSixBySix[size_t(y * 6 + x)]));
        for (int y = 0; y < 270; ++y)
            for (int x = 0; x < 330; ++x)
                QCOMPARE(raw.imgdata.rawdata.raw_image[y * raw.imgdata.sizes.raw_pitch / 2 + x], shot.value().samples.at(x, y));
    }

    void coloursComeBackEverywhere()
    {
        // At low ISO, without a lens's blur to speak of: smooth areas have the scene's colours, from border to border and where the
        // tiles of the interpolation meet (multiples of 438 pixels).
        const ShootOptions o = plainShot(100);
        const QTemporaryDir dir;
        const Scene scene = flatScene({900, 520}, 0.4f, 0.25f, 0.12f);
        const auto frame = shotAndRead(scene, o, dir);
        QVERIFY(frame);
        QCOMPARE(int(frame->kind), int(FrameKind::Linear));
        QCOMPARE(frame->pattern, std::string("six by six"));
        QVERIFY((frame->size() == Size{900, 520}));
        const auto plain = shoot(scene, o);
        for (int c = 0; c < 3; ++c) {
            // The truth at the first places of each colour of a two-by-two pattern.
            const double truth = double(plain.value().truth.clean.at(c == 0 ? 0 : 1, c == 2 ? 1 : 0));
            double worst = 0, sum = 0;
            PixelAt where;
            for (int y = 0; y < 520; ++y)
                for (int x = 0; x < 900; ++x) {
                    const double v = double(frame->linearAt(x, y, c));
                    if (std::abs(v - truth) > worst) {
                        worst = std::abs(v - truth);
                        where = {x, y};
                    }
                    sum += v;
                }
            QVERIFY2(std::abs(sum / (900.0 * 520) / truth - 1) < 0.002, qPrintable(QString::number(sum / (900.0 * 520) / truth)));
            QVERIFY2(worst < 0.1 * truth + 0.01, qPrintable(QStringLiteral("colour %1: %2 of %3 at %4 %5").arg(c).arg(worst).arg(truth).arg(where.x).arg(where.y)));
        }
    }

    void noiseBelowBlackIsKept()
    {
        // A capped lens: half the samples lie below black, and their mean is black.
        ShootOptions o;
        o.iso = 12800;
        o.hotPixelsPerMillion = 0;
        const QTemporaryDir dir;
        const auto frame = shotAndRead(flatScene({560, 530}, 0, 0, 0), o, dir);
        QVERIFY(frame);
        for (int c = 0; c < 3; ++c) {
            double sum = 0, square = 0;
            int below = 0;
            for (int y = 0; y < 530; ++y)
                for (int x = 0; x < 560; ++x) {
                    const double v = double(frame->linearAt(x, y, c));
                    sum += v;
                    square += v * v;
                    below += v < 0;
                }
            const double n = 560 * 530, sigma = std::sqrt(square / n);
            QVERIFY2(std::abs(sum / n) < 0.05 * sigma, qPrintable(QStringLiteral("%1, sigma %2").arg(sum / n).arg(sigma)));
            QVERIFY2(std::abs(below / n - 0.5) < 0.05, qPrintable(QString::number(below / n)));
        }
    }

    void badPixelsAreMendedAndStarsAreNot()
    {
        ShootOptions o;
        o.iso = 3200;
        o.hotPixelsPerMillion = 0;
        const QTemporaryDir dir;
        const Scene dark = flatScene({560, 530}, 0.02f, 0.02f, 0.02f);
        const auto calm = shotAndRead(dark, o, dir);
        o.hotPixelsPerMillion = 400;
        o.seed = 2;
        const auto hot = shotAndRead(dark, o, dir);
        QVERIFY(calm && hot);
        const auto brightest = [](const Frame &f) {
            std::vector<float> v;
            for (int y = 0; y < 530; ++y)
                for (int x = 0; x < 560 * 3; ++x)
                    v.push_back(f.linearAt(x / 3, y, x % 3));
            std::nth_element(v.begin(), v.end() - 60, v.end()); // of some 120 hot ones
            return v[v.size() - 60];
        };
        const auto mended = measureNoise(*hot).value().hotPixels;
        const auto bad = shoot(dark, o).value().truth.hotPixels;
        QVERIFY2(mended.size() > bad.size() / 2 && double(mended.size()) < 1.1 * double(bad.size()), qPrintable(QStringLiteral("%1 of %2").arg(mended.size()).arg(bad.size())));
        QVERIFY(std::is_sorted(mended.begin(), mended.end(), PixelAt::byRow));
        QVERIFY2(brightest(*hot) < 1.15f * brightest(*calm), qPrintable(QStringLiteral("%1 %2").arg(double(brightest(*hot))).arg(double(brightest(*calm)))));
        Scene sky = dark;
        for (int y = 40; y < 500; y += 23)
            for (int x = 40; x < 520; x += 23)
                for (int c = 0; c < 3; ++c)
                    sky.rgb[(size_t(y) * 560 + size_t(x)) * 3 + size_t(c)] = 0.8f;
        o.hotPixelsPerMillion = 0;
        o.lensBlurPx = 0.7;
        o.seed = 3;
        const auto starry = shotAndRead(sky, o, dir);
        const auto truth = shoot(sky, o);
        double flux = 0, meant = 0;
        for (int y = 40; y < 500; y += 23)
            for (int x = 40; x < 520; x += 23)
                for (int v = -3; v <= 3; ++v)
                    for (int u = -3; u <= 3; ++u) {
                        flux += double(starry->linearAt(x + u, y + v, 1)) - 0.02 * 1; // green sees nearly all of grey
                        meant += double(sky.at(x + u, y + v)[1]) - 0.02;
                    }
        QVERIFY2(flux > 0.8 * meant, qPrintable(QString::number(flux / meant)));
    }

    /// Detail everywhere, and a lens that blurs nothing: after demosaicing such a picture's noise cannot be told from it, before it can.
    void theLawIsReadBelowTexture_data()
    {
        QTest::addColumn<int>("iso");
        for (const int iso : {1600, 6400, 25600})
            QTest::addRow("ISO %d", iso) << iso;
    }
    void theLawIsReadBelowTexture()
    {
        QFETCH(int, iso);
        ShootOptions o = plainShot(iso);
        o.lensBlurPx = 0;
        o.sixBySix = true;
        const Scene scene = leavesScene({1000, 800});
        const QTemporaryDir dir;
        const auto frame = shotAndRead(scene, o, dir);
        QVERIFY(frame && frame->beforeColours);
        const auto shot = shoot(scene, o);
        std::vector<double> ratios;
        for (const NoiseModel &law : frame->beforeColours->law)
            for (const float signal : {0.05f, 0.1f, 0.2f, 0.3f})
                ratios.push_back(double(law.sigmaAt(signal) / shot.value().truth.noise.sigmaAt(signal)));
        std::sort(ratios.begin(), ratios.end());
        QVERIFY2(ratios.front() > 0.85 && ratios.back() < 1.15, qPrintable(QStringLiteral("%1 to %2").arg(ratios.front()).arg(ratios.back())));
        QVERIFY2(std::abs(ratios[ratios.size() / 2] - 1) < 0.06, qPrintable(QString::number(ratios[ratios.size() / 2])));
    }

    /// What is measured of full colour is what noise has become there: held against the pixels of a flat field.
    void noiseAfterDemosaicingIsAsMeasured()
    {
        ShootOptions o = plainShot(6400);
        const QTemporaryDir dir;
        const Size size{900, 800};
        const auto flat = shotAndRead(flatScene(size, 0.3f, 0.2f, 0.1f), o, dir);
        o.seed = 2;
        o.lensBlurPx = 0;
        const auto leaves = shotAndRead(leavesScene(size), o, dir);
        QVERIFY(flat && leaves);
        const NoiseReport ofFlat = measureNoise(*flat).take(), ofLeaves = measureNoise(*leaves).take();
        for (int c = 0; c < 3; ++c) {
            double sum = 0, squares = 0; // of differences over four pixels, beyond what neighbours share
            for (int y = 0; y < size.height; ++y)
                for (int x = 0; x + 4 < size.width; ++x) {
                    const double d = double(flat->linearAt(x + 4, y, c) - flat->linearAt(x, y, c));
                    sum += double(flat->linearAt(x, y, c));
                    squares += d * d / 2;
                }
            const double n = double(size.height) * (size.width - 4), sigma = std::sqrt(squares / n);
            const double measured = double(ofFlat.cells[size_t(c)].sigmaAt(float(sum / n)));
            QVERIFY2(std::abs(measured / sigma - 1) < 0.08, qPrintable(QStringLiteral("colour %1: %2").arg(c).arg(measured / sigma)));
        }
        QCOMPARE(ofFlat.bands.size(), ofLeaves.bands.size());
        for (size_t b = 0; b < ofFlat.bands.size(); ++b) // texture leaves no trace
            QVERIFY2(std::abs(ofLeaves.bands[b].sigma / ofFlat.bands[b].sigma - 1) < 0.15f, qPrintable(QStringLiteral("band %1: %2, %3").arg(b).arg(double(ofFlat.bands[b].sigma)).arg(double(ofLeaves.bands[b].sigma))));
        QVERIFY(ofFlat.confidence > 0.9);
    }

    void smallOnesAndStopsAreHandled()
    {
        ShootOptions o;
        const QTemporaryDir dir;
        QVERIFY(shotAndRead(makeScene({48, 36}), o, dir));
        o.sixBySix = true;
        const auto shot = shoot(makeScene({600, 520}), o);
        Frame frame;
        frame.colour = benchCameraColour();
        const SixBySixMosaic mosaic{shot.value().samples.view(), kBenchSixBySix, {512, 512, 512}, 16383, frame.colour.asShotNeutral};
        std::stop_source stop;
        stop.request_stop();
        QCOMPARE(demosaicInto(frame, mosaic, {1, stop.get_token(), {}}).error().code, ErrorCode::Cancelled);
        Frame one, two;
        one.colour = two.colour = frame.colour;
        QVERIFY(demosaicInto(one, mosaic, {1, {}, {}}) && demosaicInto(two, mosaic, {2, {}, {}}));
        QVERIFY(sameBits(one.samples.constView(), two.samples.constView()));
    }
};

QTEST_APPLESS_MAIN(SixBySixTest)
#include "six_by_six_test.moc"
