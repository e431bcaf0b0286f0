// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/readings.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

/// A picture from a grey value at every place.
template <class Grey>
RgbImage<float> pictureOf(Size size, const Grey &grey)
{
    auto image = RgbImage<float>::ofSize(size);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            for (int c = 0; c < 3; ++c)
                image.row(y)[3 * x + c] = float(grey(x, y));
    return image;
}

double weave(int x, int y)
{
    return 0.3 + 0.1 * std::sin(x * 0.9) * std::sin(y * 0.7);
}

} // namespace

class ReadingsTest : public QObject
{
    Q_OBJECT
private slots:
    void ciede2000MeetsPublishedPairs()
    {
        // Sharma, Wu and Dalal 2005, table 1: pairs 1, 7, 13, 17, 24, 30 and 34.
        QVERIFY(std::abs(ciede2000({50, 2.6772, -79.7751}, {50, 0, -82.7485}) - 2.0425) < 1e-4);
        QVERIFY(std::abs(ciede2000({50, 0, 0}, {50, -1, 2}) - 2.3669) < 1e-4);
        QVERIFY(std::abs(ciede2000({50, -0.001, 2.49}, {50, 0.0011, -2.49}) - 4.7461) < 1e-4);
        QVERIFY(std::abs(ciede2000({50, 2.5, 0}, {73, 25, -18}) - 27.1492) < 1e-4);
        QVERIFY(std::abs(ciede2000({50, 2.5, 0}, {50, 3.2592, 0.3350}) - 1.0000) < 1e-4);
        QVERIFY(std::abs(ciede2000({22.7233, 20.0904, -46.6940}, {23.0331, 14.9730, -42.5619}) - 2.0373) < 1e-4);
        QVERIFY(std::abs(ciede2000({2.0776, 0.0795, -1.1350}, {0.9033, -0.0636, -0.5514}) - 0.9082) < 1e-4);
    }

    void driftIsThatOfTheMeans()
    {
        // Noise that leaves means alone is no drift; a change of all reds by a twentieth is the same everywhere.
        const Plane<float> noise = gaussianPlane({256, 192}, 4);
        const auto plain = pictureOf({256, 192}, [](int, int) { return 0.3; });
        const auto noisy = pictureOf({256, 192}, [&](int x, int y) { return 0.3 + 0.02 * double(noise.at(x, y)); });
        QVERIFY(driftBetween(plain, noisy).high < 0.1);
        auto redder = plain;
        for (size_t i = 0; i < redder.samples.size(); i += 3)
            redder.samples[i] *= 1.05f;
        const double expected = ciede2000(labOf({0.3, 0.3, 0.3}), labOf({0.315, 0.3, 0.3}));
        QVERIFY(std::abs(driftBetween(plain, redder).median - expected) < 1e-3 && std::abs(driftBetween(plain, redder).high - expected) < 1e-3);
        QVERIFY(driftBetween(pictureOf({20, 20}, weave), pictureOf({20, 20}, weave)).median == 0);
    }

    void detailLostTellsNoiseFromTexture()
    {
        const Size size{300, 300};
        const auto plane = [&](auto value) {
            Plane<float> out(size);
            for (int y = 0; y < size.height; ++y)
                for (int x = 0; x < size.width; ++x)
                    out.at(x, y) = float(value(x, y));
            return out;
        };
        const auto lost = [](const Plane<float> &before, const Plane<float> &after, double covariance) { return detailLost(before.view(), after.view(), covariance); };
        const Plane<float> noise = gaussianPlane(size, 6);
        const auto threads = [](int x, int y) { return 30 * weave(x, y); };
        const auto clean = plane(threads), noisy = plane([&](int x, int y) { return threads(x, y) + double(noise.at(x, y)); });
        QVERIFY2(lost(noisy, clean, 0) < 0.05, qPrintable(QString::number(lost(noisy, clean, 0))));         // only noise went
        QVERIFY(lost(clean, plane([&](int x, int y) { return 9 + 0.5 * (threads(x, y) - 9); }), 0) > 0.95); // half of the weave, and nothing else
        const double some = lost(noisy, plane([&](int x, int y) { return 9 + 0.7 * (threads(x, y) - 9); }), 0);
        QVERIFY2(some > 0.05 && some < 0.7, qPrintable(QString::number(some)));
        // Half of the noise is left: what was taken is like what stayed, and yet no picture went.
        const auto halfNoise = plane([&](int x, int y) { return threads(x, y) + 0.5 * double(noise.at(x, y)); });
        QVERIFY2(lost(noisy, halfNoise, 0.25) < 0.02, qPrintable(QString::number(lost(noisy, halfNoise, 0.25))));
        QCOMPARE(lost(clean, clean, 0), 0.0);
    }

    void halosAreTheShareBeyondTheRange()
    {
        Plane<float> before({60, 60}), sharp({60, 60});
        for (int y = 0; y < 60; ++y)
            for (int x = 0; x < 60; ++x) {
                before.row(y)[x] = x < 30 ? 10 : 60;
                sharp.row(y)[x] = x < 30 ? (x > 24 ? 8 : 10) : (x < 35 ? 62 : 60); // 2 of 50 beyond, as far as the edge is seen
            }
        QVERIFY(std::abs(haloShare(before.view(), sharp.view(), 1) - 0.04) < 1e-6);
        QCOMPARE(haloShare(before.view(), before.view(), 1), 0.0);
        QCOMPARE(haloShare(before.view(), sharp.view(), 10), 0.0); // no strong edge, next to that noise
    }
};

QTEST_APPLESS_MAIN(ReadingsTest)
#include "readings_test.moc"
