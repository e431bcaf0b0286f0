// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/bm3d/bm3d_kernels.h"
#include "support/every_target.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr Size kSize{96, 90};

bm3d::Phases phasesOf(const Plane<float> &plane)
{
    bm3d::Phases p;
    p.fillFrom(plane.view(), plane.size());
    return p;
}

/// A weave with noise: many windows that are alike but never the same.
Plane<float> weave(uint64_t seed)
{
    Plane<float> p = gaussianPlane(kSize, seed, 30);
    for (int y = 0; y < kSize.height; ++y)
        for (int x = 0; x < kSize.width; ++x)
            p.at(x, y) += 6 * float(std::sin(x * 0.37) * std::cos(y * 0.21));
    return p;
}

double largestDifference(const bm3d::Phases &a, const bm3d::Phases &b)
{
    double worst = 0;
    for (int y = 0; y < kSize.height; ++y)
        for (int x = 0; x < kSize.width; ++x)
            worst = std::max(worst, std::abs(double(*a.at(x, y)) - double(*b.at(x, y))));
    return worst;
}

} // namespace

class Bm3dTest : public QObject
{
    Q_OBJECT
private slots:
    void phasesHoldEverySample()
    {
        const Plane<float> plane = gaussianPlane({37, 23}, 4);
        const bm3d::Phases p = phasesOf(plane);
        for (int y = 0; y < 23; ++y)
            for (int x = 0; x < 37; ++x)
                QCOMPARE(*p.at(x, y), plane.at(x, y));
        QCOMPARE(p.at(6, 4)[1], plane.at(8, 4)); // neighbours in memory are two pixels apart
    }

    void groupsMeetTheirReference_data()
    {
        QTest::addColumn<float>("limit");
        QTest::newRow("all that fit") << 1e6f;
        QTest::newRow("some") << 4.f;
        QTest::newRow("none but itself") << 1e-3f;
    }
    void groupsMeetTheirReference()
    {
        QFETCH(float, limit);
        const bm3d::Phases picture = phasesOf(weave(3));
        for (const auto &[x, y] : {std::pair{30, 30}, {33, 31}, {40, 35}, {47, 44}}) {
            const bm3d::Group fast = bm3d::findGroup(picture, x, y, limit), plain = bm3d::reference::findGroup(picture, x, y, limit);
            QCOMPARE(fast.count, plain.count);
            for (int i = 0; i < fast.count; ++i)
                QVERIFY(fast.at[size_t(i)] == plain.at[size_t(i)]);
            QVERIFY((fast.at[0] == std::array<int16_t, 2>{int16_t(x), int16_t(y)}));
        }
    }

    void filteringMeetsItsReference_data()
    {
        QTest::addColumn<int>("count");
        QTest::addColumn<bool>("wiener");
        for (const int count : {1, 2, 4, 8, 16})
            for (const bool wiener : {false, true})
                QTest::addRow("%d windows, %s", count, wiener ? "Wiener" : "hard") << count << wiener;
    }
    void filteringMeetsItsReference()
    {
        QFETCH(int, count);
        QFETCH(bool, wiener);
        const bm3d::Phases noisy = phasesOf(weave(3)), pilot = phasesOf(weave(8));
        bm3d::Group group = bm3d::findGroup(noisy, 41, 38, 1e6f);
        group.count = count;
        std::array<bm3d::Phases, 2> sum, weight;
        for (auto *set : {&sum, &weight})
            for (auto &p : *set) {
                p.reset(kSize);
                p.clear();
            }
        std::array<float, 64> noise; // not white
        for (size_t i = 0; i < 64; ++i)
            noise[i] = 0.5f + 0.02f * float(i * 7 % 64);
        const bm3d::Limits limits = bm3d::limitsOf(1.3f, noise);
        bm3d::filterGroup(group, noisy, wiener ? &pilot : nullptr, limits, sum[0], weight[0]);
        bm3d::reference::filterGroup(group, noisy, wiener ? &pilot : nullptr, limits, sum[1], weight[1]);
        QVERIFY2(largestDifference(weight[0], weight[1]) < 1e-5, qPrintable(QString::number(largestDifference(weight[0], weight[1]))));
        QVERIFY2(largestDifference(sum[0], sum[1]) < 1e-4, qPrintable(QString::number(largestDifference(sum[0], sum[1]))));
    }

    void weightsSpreadAsTheReferenceDoes()
    {
        const bm3d::Phases all = phasesOf(gaussianPlane(kSize, 5, 1));
        std::array<bm3d::Phases, 2> weight;
        for (auto &w : weight) {
            w.reset(kSize);
            w.clear();
            for (int y = 0; y < kSize.height - bm3d::kSpanPx; y += 3)
                for (int x = 0; x < kSize.width - bm3d::kSpanPx; x += 3)
                    *w.at(x, y) = std::abs(*all.at(x, y));
        }
        bm3d::spread(weight[0]);
        bm3d::reference::spread(weight[1]);
        QVERIFY2(largestDifference(weight[0], weight[1]) < 1e-5, qPrintable(QString::number(largestDifference(weight[0], weight[1]))));
    }

    // A window that is nothing but its mean comes back as that mean, whatever way it took.
    void flatWindowsKeepTheirMean()
    {
        const bm3d::Phases flat = phasesOf(Plane<float>(kSize, 0.25f));
        bm3d::Group group;
        group.count = 4;
        for (int16_t i = 0; i < 4; ++i)
            group.at[size_t(i)] = {int16_t(20 + 2 * i), 22};
        bm3d::Phases sum, weight;
        for (bm3d::Phases *p : {&sum, &weight}) {
            p->reset(kSize);
            p->clear();
        }
        bm3d::filterGroup(group, flat, nullptr, bm3d::limitsOf(3, BandNoise().dct), sum, weight);
        bm3d::spread(weight);
        QVERIFY(std::abs(*sum.at(34, 22) / *weight.at(34, 22) - 0.25f) < 1e-6f);
        QCOMPARE(*weight.at(34, 22), 4.f); // all four windows hold it, and none kept more than its mean
        QCOMPARE(*weight.at(35, 22), 0.f); // another phase
    }
};

int main(int argc, char **argv)
{
    return runForEveryTarget<Bm3dTest>(argc, argv);
}

#include "bm3d_test.moc"
