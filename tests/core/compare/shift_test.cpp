// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/shift.h"
#include "support/frames.h"

#include <QTest>

#include <random>

using namespace irenic;
using namespace irenic::test;

/// Hand-held exposures of one scene: cut from a larger one at known places, lifted, and with noise of their own.
class ShiftTest : public QObject
{
    Q_OBJECT
private slots:
    void theShiftIsFound_data()
    {
        QTest::addColumn<int>("dx");
        QTest::addColumn<int>("dy");
        QTest::addColumn<double>("ev");
        QTest::addColumn<double>("noise");
        QTest::newRow("on a tripod") << 0 << 0 << 0.0 << 0.0;
        QTest::newRow("on a tripod, bracketed and noisy") << 0 << 0 << -2.0 << 0.05;
        QTest::newRow("a little") << 3 << -2 << 0.0 << 0.02;
        QTest::newRow("far, bracketed") << -41 << 29 << 2.0 << 0.02;
        QTest::newRow("far, noisy") << 52 << -33 << 0.0 << 0.05;
    }
    void theShiftIsFound()
    {
        QFETCH(int, dx);
        QFETCH(int, dy);
        QFETCH(double, ev);
        QFETCH(double, noise);
        const Scene scene = leavesScene({420, 340});
        const Plane<float> from = seen(scene, 66, 66, 0, noise, 1), to = seen(scene, 66 - dx, 66 - dy, ev, noise, 2);
        const PictureShift s = shiftBetween(from.view(), to.view());
        QVERIFY2(std::abs(s.dx - dx) < 0.5 && std::abs(s.dy - dy) < 0.5, qPrintable(QStringLiteral("%1 %2").arg(s.dx).arg(s.dy)));
        QVERIFY2(s.isSure(), qPrintable(QString::number(s.likeness)));
    }

    void fractionsOfAPixelAreTold()
    {
        const Scene scene = leavesScene({840, 640});
        const auto half = [&](int x, int y) {
            const Plane<float> large = seen(scene, x, y, 0, 0, 1, {560, 400});
            Plane<float> out(Size{280, 200});
            for (int v = 0; v < 200; ++v)
                for (int u = 0; u < 280; ++u)
                    out.at(u, v) = (large.at(2 * u, 2 * v) + large.at(2 * u + 1, 2 * v) + large.at(2 * u, 2 * v + 1) + large.at(2 * u + 1, 2 * v + 1)) / 4;
            return out;
        };
        const PictureShift s = shiftBetween(half(60, 60).view(), half(53, 65).view());
        QVERIFY2(std::abs(s.dx - 3.5) < 0.3 && std::abs(s.dy + 2.5) < 0.3, qPrintable(QStringLiteral("%1 %2").arg(s.dx).arg(s.dy)));
    }

    void anotherPictureIsNotAlike()
    {
        const Plane<float> a = seen(makeScene({420, 340}), 66, 66, 0, 0.02, 1), b = seen(leavesScene({420, 340}), 66, 66, 0, 0.02, 2);
        QVERIFY(!shiftBetween(a.view(), b.view()).isSure());
        const Plane<float> flat(Size{288, 208}, 0.5f), small(Size{144, 104}, 0.5f);
        QVERIFY(!shiftBetween(a.view(), flat.view()).isSure());
        QVERIFY(!shiftBetween(flat.view(), flat.view()).isSure());
        QVERIFY(!shiftBetween(a.view(), small.view()).isSure());
        QVERIFY(!shiftBetween({}, {}).isSure());
    }

private:
    /// What a camera sees that points at (x, y): encoded, clipped, with that sigma of noise.
    static Plane<float> seen(const Scene &scene, int x, int y, double ev, double sigma, uint64_t seed, Size size = {288, 208})
    {
        Plane<float> out(size);
        std::mt19937_64 engine(seed);
        std::normal_distribution<double> noise(0, sigma);
        for (int v = 0; v < size.height; ++v)
            for (int u = 0; u < size.width; ++u) {
                const float *p = scene.rgb.data() + 3 * (size_t(y + v) * size_t(scene.size.width) + size_t(x + u));
                const double light = std::exp2(ev) * double(0.2126f * p[0] + 0.7152f * p[1] + 0.0722f * p[2]);
                out.at(u, v) = float(std::clamp(std::sqrt(std::clamp(light, 0.0, 1.0)) + (sigma > 0 ? noise(engine) : 0), 0.0, 1.0));
            }
        return out;
    }
};

QTEST_GUILESS_MAIN(ShiftTest)
#include "shift_test.moc"
