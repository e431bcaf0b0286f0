// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/picture.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

class PictureTest : public QObject
{
    Q_OBJECT
private slots:
    void cacheAnswersTheSameBits()
    {
        ShootOptions o;
        o.borderPx = 7;
        const Simulated s = simulate(makeScene({300, 220}), o);
        const Cleaner cleaner(s.frame, s.noise, {});
        CleanCache cache;
        // Overlapping regions: parts come from the cache, parts are new.
        for (const Rect r : {Rect{20, 30, 100, 80}, Rect{60, 50, 150, 120}, Rect{7, 7, 300, 220}, Rect{250, 200, 57, 27}}) {
            const auto cached = cache.clean(cleaner, r, {});
            const auto fresh = cleaner.clean(r);
            QVERIFY(cached && fresh);
            QVERIFY(sameBits(cached.value().constView(), fresh.value().constView()));
        }
        const size_t held = cache.bytesHeld();
        QVERIFY(held >= 300 * 220 * 4);
        QVERIFY(cache.clean(cleaner, {20, 30, 200, 100}, {}));
        QCOMPARE(cache.bytesHeld(), held);
    }

    void cacheKeepsTreatmentsApart()
    {
        const Simulated s = simulate(makeScene({128, 128}), {});
        CleanCache cache;
        const Rect r{0, 0, 128, 128};
        const auto soft = cache.clean(Cleaner(s.frame, s.noise, {"wavelet", 0.5, 1}), r, {});
        const auto hard = cache.clean(Cleaner(s.frame, s.noise, {"wavelet", 2, 1}), r, {});
        QVERIFY(!sameBits(soft.value().constView(), hard.value().constView()));
        QVERIFY(sameBits(hard.value().constView(), Cleaner(s.frame, s.noise, {"wavelet", 2, 1}).clean(r).value().constView()));
    }

    void cacheStaysWithinItsBudget()
    {
        const Simulated s = simulate(makeScene({512, 256}), {});
        CleanCache cache(200 * 1024);
        for (const double strength : {0.5, 1.0, 1.5})
            QVERIFY(cache.clean(Cleaner(s.frame, s.noise, {"wavelet", strength, 1}), {0, 0, 512, 256}, {}));
        QVERIFY(cache.bytesHeld() <= 200 * 1024);
    }

    void aFrameThatLiesWhereADeadOneLayIsNotTakenForIt()
    {
        alignas(Frame) std::byte place[sizeof(Frame)];
        const auto there = [&](const Frame &f) {
            auto *copy = new (place) Frame(static_cast<const FrameFacts &>(f));
            copy->samples = f.samples.clone();
            return std::shared_ptr<const Frame>(copy, [](const Frame *dead) { dead->~Frame(); });
        };
        const Simulated first = simulate(makeScene({128, 128}), {}), second = simulate(makeScene({128, 128}), {.seed = 99});
        const Treatment t{"wavelet", 1, 1};
        CleanCache cache;
        const Rect r{0, 0, 128, 128};
        QVERIFY(cache.clean(Cleaner(there(*first.frame), first.noise, t), r, {}));
        const auto held = cache.bytesHeld();
        const auto after = cache.clean(Cleaner(there(*second.frame), second.noise, t), r, {});
        QVERIFY(sameBits(after.value().constView(), Cleaner(second.frame, second.noise, t).clean(r).value().constView()));
        QCOMPARE(cache.bytesHeld(), held);
    }

    void aRegionDevelopsAsTheWholeDoes()
    {
        const Simulated s = simulate(makeScene({160, 120}), {});
        const Cleaner cleaner(s.frame, s.noise, {});
        const auto whole = developRegion(cleaner, {0, 0, 160, 120}, {}, nullptr, {});
        const Rect r{31, 43, 77, 35};
        const auto part = developRegion(cleaner, r, {}, nullptr, {});
        QVERIFY(whole && part);
        for (int y = 0; y < r.height; ++y)
            QVERIFY(std::equal(part.value().row(y), part.value().row(y) + 3 * r.width, whole.value().row(y + r.y) + 3 * r.x));
    }

    void reducedBandsDoNotShow()
    {
        const Simulated s = simulate(makeScene({260, 900}), {});
        const Cleaner untreated(s.frame, s.noise, {"wavelet", 0, 0});
        const auto reduced = developReducedRegion(untreated, {0, 0, 260, 900}, 4, {}, nullptr, {});
        QVERIFY(reduced);
        QVERIFY((reduced.value().size == Size{65, 225}));
        const auto mosaic = untreated.clean({0, 0, 260, 900});
        const auto atOnce = Developer(*s.frame).developReduced(mosaic.value().view(), s.frame->cfa, 4, {});
        QCOMPARE(reduced.value().samples, atOnce.samples);
    }
};

QTEST_APPLESS_MAIN(PictureTest)
#include "picture_test.moc"
