// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/doubt.h"

#include "base/grid.h"
#include "irenic/picture.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

Simulated shotOf(const Scene &scene, int iso)
{
    ShootOptions o;
    o.iso = iso;
    o.seed = uint64_t(iso);
    return simulate(scene, o);
}

Plane<float> lumaOf(const Cleaner &cleaner, Rect region)
{
    const auto image = encoded16(developRegion(cleaner, region, {}, nullptr, {}).value());
    Plane<float> luma(image.size);
    for (int y = 0; y < luma.height(); ++y)
        for (int x = 0; x < luma.width(); ++x) {
            const uint16_t *p = image.row(y) + 3 * x;
            luma.at(x, y) = (0.299f * p[0] + 0.587f * p[1] + 0.114f * p[2]) / 65535;
        }
    return luma;
}

/// That of a pair is put in order, the larger with the event (area under the receiver operating characteristic, by ranks).
double areaUnderCurve(std::vector<std::pair<double, bool>> scored)
{
    std::sort(scored.begin(), scored.end());
    double ranks = 0, events = 0;
    for (size_t i = 0; i < scored.size(); ++i)
        if (scored[i].second) {
            ranks += double(i + 1);
            ++events;
        }
    return (ranks - events * (events + 1) / 2) / (events * (double(scored.size()) - events));
}

} // namespace

class DoubtTest : public QObject
{
    Q_OBJECT
private slots:
    void madeUpDetailIsDoubted_data()
    {
        QTest::addColumn<QString>("method");
        for (const char *method : {"wavelet", "dct", "bm3d", "unet"})
            QTest::newRow(method) << method;
    }
    /// Detail that the scene has is told from detail that chance has brought about, block by block.
    void madeUpDetailIsDoubted()
    {
        QFETCH(QString, method);
        const Simulated shot = shotOf(leavesScene({420, 420}), 12800);
        const Treatment t{method.toStdString(), 0.8, 0.8}; // some noise is left, and looks like detail
        if (!validate(t))
            QSKIP("The method's weights are not here.");
        const Rect region = shot.frame->active.grownBy(-24);
        const Cleaner cleaner(shot.frame, shot.noise, t);
        const Doubt d = doubtAt(cleaner, region, {}, nullptr).take();
        Plane<float> truth = lumaOf(Cleaner::untreated(cleanFrameOf(shot)), region), mean = truth.clone();
        boxMean(mean, 3);
        std::vector<std::pair<double, bool>> scored;
        int madeUp = 0;
        constexpr int kBlockPx = 12;
        for (int by = 0; by + kBlockPx <= truth.height(); by += kBlockPx)
            for (int bx = 0; bx + kBlockPx <= truth.width(); bx += kBlockPx) {
                double is = 0, was = 0, both = 0, doubt = 0;
                for (int y = by; y < by + kBlockPx; ++y)
                    for (int x = bx; x < bx + kBlockPx; ++x) {
                        const double a = double(d.detail.at(x, y)), b = double(truth.at(x, y) - mean.at(x, y));
                        is += a * a;
                        was += b * b;
                        both += a * b;
                        doubt += double(d.doubt.at(x, y));
                    }
                const double likeness = both / std::sqrt(is * was + 1e-12), rms = std::sqrt(is) / kBlockPx;
                if (rms < 1.0 / 255 || (likeness > 0.5 && likeness < 0.8)) // no detail, or neither
                    continue;
                scored.emplace_back(doubt, likeness <= 0.5);
                madeUp += likeness <= 0.5;
            }
        QVERIFY2(madeUp >= 10 && int(scored.size()) - madeUp >= 100, qPrintable(QString("%1 of %2 blocks are made up").arg(madeUp).arg(scored.size())));
        const double area = areaUnderCurve(scored);
        QVERIFY2(area >= 0.8, qPrintable(QString::number(area)));
    }

    void moreNoiseBringsMoreDoubt()
    {
        double last = 0;
        for (const int iso : {400, 3200, 25600}) {
            const Simulated shot = shotOf(leavesScene({256, 256}), iso);
            const Doubt d = doubtAt(Cleaner(shot.frame, shot.noise, {"dct", 1, 1}), shot.frame->active.grownBy(-24), {}, nullptr).take();
            QVERIFY2(d.share > 2 * last && d.share > 0, qPrintable(QString("%1 at ISO %2").arg(d.share).arg(iso)));
            QVERIFY(d.share < 1);
            last = d.share;
        }
    }

    void staysTheSameForAnyThreads()
    {
        const Simulated shot = shotOf(makeScene({320, 256}), 6400);
        const Cleaner cleaner(shot.frame, shot.noise, {"wavelet", 1, 1});
        const Rect region{40, 30, 150, 121};
        const Doubt one = doubtAt(cleaner, region, {}, nullptr, {1, {}, {}}).take(), three = doubtAt(cleaner, region, {}, nullptr, {3, {}, {}}).take();
        QVERIFY(sameBits(one.doubt.constView(), three.doubt.constView()) && sameBits(one.detail.constView(), three.detail.constView()));
        QCOMPARE(one.share, three.share);
        std::stop_source stop;
        stop.request_stop();
        QCOMPARE(doubtAt(cleaner, region, {}, nullptr, {1, stop.get_token(), {}}).error().code, ErrorCode::Cancelled);
    }

    /// Another picture's samples in place of a frame's own do what a frame with them would.
    void otherSamplesAreAFrameOfTheirOwn()
    {
        const Simulated shot = shotOf(makeScene({200, 160}), 6400), other = shotOf(leavesScene({200, 160}), 6400);
        const Rect all = shot.frame->active, region{33, 21, 90, 77};
        auto noise = std::make_shared<NoiseReport>(*shot.noise);
        noise->hotPixels.clear();
        noise->banding = {};
        const Treatment t{"dct", 1, 1};
        auto samples = Cleaner::untreated(other.frame).clean(all).take();
        const auto of = std::make_shared<const OtherSamples>(OtherSamples{all, std::move(samples)});
        const auto by = Cleaner(shot.frame, noise, t).disturbed({1, 0, of}).clean(region).take(), own = Cleaner(other.frame, noise, t).clean(region).take();
        QVERIFY(sameBits(by.constView(), own.constView()));
    }

    void whatIsShownIsTheDoubtfulDetailAlone()
    {
        const Simulated shot = shotOf(makeScene({320, 256}), 6400);
        const Cleaner cleaner(shot.frame, shot.noise, {"wavelet", 1, 1});
        const Rect region{40, 30, 150, 121};
        const auto shown = encoded8(developView(cleaner, region, 1, {0, Show::Doubt}, nullptr, {}).value());
        const Doubt d = doubtAt(cleaner, region, {}, nullptr).take();
        for (int y = 0; y < region.height; ++y)
            for (int x = 0; x < region.width; ++x) {
                const uint8_t *p = shown.row(y) + 3 * x;
                QVERIFY(p[0] == p[1] && p[1] == p[2]);
                const double meant = std::clamp(119 + 255 * double(kDoubtGain * d.doubt.at(x, y) * d.detail.at(x, y)), 0., 255.);
                QVERIFY(std::abs(double(p[0]) - meant) <= 1);
            }
        // From afar, and of pictures that nothing was done to, there is nothing to tell.
        const auto sameAsThePicture = [&](const Cleaner &c, int factor) {
            return developView(c, {40, 30, 152, 120}, factor, {0, Show::Doubt}, nullptr, {}).value().samples == developView(c, {40, 30, 152, 120}, factor, {}, nullptr, {}).value().samples;
        };
        QVERIFY(sameAsThePicture(cleaner, 2));
        QVERIFY(sameAsThePicture(Cleaner::untreated(shot.frame), 1));
        const FullColour finished = simulateFullColour(makeScene({220, 180}), {1.f / 900, 1e-5f}, true);
        QVERIFY(!whyNoDoubt(*finished.frame, *shot.noise).empty() && whyNoDoubt(*shot.frame, *shot.noise).empty());
    }
};

QTEST_GUILESS_MAIN(DoubtTest)
#include "doubt_test.moc"
