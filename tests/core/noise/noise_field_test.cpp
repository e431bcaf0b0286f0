// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"
#include "noise/mosaic_spectrum.h"
#include "noise/noise_field.h"
#include "noise/spectrum.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

class NoiseFieldTest : public QObject
{
    Q_OBJECT
private slots:
    /// Of a camera that smooths: samples of a colour resemble each other as the filter's five taps say, those of other colours not at all.
    void isAsMuchAlikeAsWasMeasured()
    {
        ShootOptions o;
        o.iso = 6400;
        o.banding = o.hotPixelsPerMillion = 0;
        o.faults.smoothing = 0.1;
        const Simulated s = simulate(slopeScene({600, 400}), o);
        NoiseReport noise = *s.noise;
        noise.spectrum = measureMosaicSpectrum(*s.frame, s.noise->cells, {}, {}).take();
        QVERIFY(noise.spectrum && isNoiseShared(*s.frame, noise));
        QVERIFY(!isNoiseShared(*s.frame, *s.noise));
        noise.cells.fill({0, 1e-4f}); // sigma of a hundredth everywhere
        const Rect where{10, 6, 300, 280};
        const Plane<float> grey(where.size(), 0.2f);
        const Plane<float> field = sharedNoise(*s.frame, noise, where, grey.constView(), 1, {}).take();
        const auto mean = [&](int dx, int dy) {
            double sum = 0;
            for (int y = 0; y + dy < where.height; ++y)
                for (int x = 0; x + dx < where.width; ++x)
                    sum += double(field.at(x, y)) * double(field.at(x + dx, y + dy));
            return sum / double((where.width - dx) * (where.height - dy)) / 1e-4;
        };
        const double w = 0.1, middle = 1 - 4 * w, told = 2 * middle * w / (middle * middle + 4 * w * w);
        QVERIFY2(std::abs(mean(0, 0) - 1) < 0.03, qPrintable(QString::number(mean(0, 0))));
        QVERIFY2(std::abs(mean(2, 0) - told) < 0.06 && std::abs(mean(0, 2) - told) < 0.06, qPrintable(QString("%1 and %2, not %3").arg(mean(2, 0)).arg(mean(0, 2)).arg(told)));
        for (const PixelAt apart : {PixelAt{1, 0}, PixelAt{0, 1}, PixelAt{1, 1}})
            QVERIFY2(std::abs(mean(apart.x, apart.y)) < 0.02, qPrintable(QString::number(mean(apart.x, apart.y))));
        // Any part of it is the same.
        const Plane<float> small(Size{40, 30}, 0.2f), part = sharedNoise(*s.frame, noise, {where.x + 51, where.y + 33, 40, 30}, small.constView(), 1, {}).take();
        QVERIFY(sameBits(part.constView(), field.constView().cut({51, 33, 40, 30})));
        QVERIFY(!sameBits(part.constView(), sharedNoise(*s.frame, noise, {where.x + 51, where.y + 33, 40, 30}, small.constView(), 2, {}).value().constView()));
    }

    /// Of a six-by-six sensor: as much in each colour as the same shot has of it, and as much of it shared by two colours.
    void isThatOfTheSensorDemosaiced()
    {
        ShootOptions o;
        o.iso = 6400;
        o.banding = o.hotPixelsPerMillion = 0;
        o.sixBySix = true;
        QTemporaryDir dir;
        const auto read = [&](const Shot &shot) {
            const std::filesystem::path file = dir.filePath("shot.dng").toStdString();
            std::filesystem::remove(file);
            return writeShot(file, shot, o) ? readFrame(file).value() : nullptr;
        };
        const Shot shot = shoot(slopeScene({600, 400}), o).take();
        const auto noisy = read(shot), clean = read(withoutNoise(shot, o));
        const NoiseReport noise = measureNoise(*noisy).take();
        const Rect where{50, 61, 301, 250};
        const Plane<float> signal = Cleaner::untreated(clean).clean(where).take(), is = Cleaner::untreated(noisy).clean(where).take();
        const Plane<float> field = sharedNoise(*noisy, noise, where, signal.constView(), 1, {}).take();
        std::array<std::array<double, 3>, 3> of{}, truth{};
        for (int y = 0; y < where.height; ++y)
            for (int x = 0; x < where.width; ++x)
                for (size_t c = 0; c < 3; ++c)
                    for (size_t d = 0; d < 3; ++d) {
                        const int i = 3 * x + int(c), j = 3 * x + int(d);
                        of[c][d] += double(field.at(i, y)) * double(field.at(j, y));
                        truth[c][d] += double(is.at(i, y) - signal.at(i, y)) * double(is.at(j, y) - signal.at(j, y));
                    }
        for (size_t c = 0; c < 3; ++c) {
            QVERIFY2(std::abs(of[c][c] / truth[c][c] - 1) < 0.12, qPrintable(QString("colour %1: %2").arg(c).arg(of[c][c] / truth[c][c])));
            const size_t d = (c + 1) % 3;
            const auto shared = [&](const auto &m) { return m[c][d] / std::sqrt(m[c][c] * m[d][d]); };
            QVERIFY2(std::abs(shared(of) - shared(truth)) < 0.06, qPrintable(QString("%1 and %2: %3, not %4").arg(c).arg(d).arg(shared(of)).arg(shared(truth))));
        }
        std::stop_source stop;
        stop.request_stop();
        QCOMPARE(sharedNoise(*noisy, noise, where, signal.constView(), 1, {1, stop.get_token(), {}}).error().code, ErrorCode::Cancelled);
    }
};

QTEST_GUILESS_MAIN(NoiseFieldTest)
#include "noise_field_test.moc"
