// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/packet/packet.h"
#include "support/every_target.h"
#include "support/frames.h"
#include "support/planes.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

using Four = std::array<Plane<float>, 4>;

Four zeroes(Size size)
{
    return {Plane<float>(size, 0.f), Plane<float>(size, 0.f), Plane<float>(size, 0.f), Plane<float>(size, 0.f)};
}

packet::Split splitOf(Four &p)
{
    return {p[0].view(), p[1].view(), p[2].view(), p[3].view()};
}

} // namespace

class PacketTest : public QObject
{
    Q_OBJECT
private slots:
    void kernelsMeetTheirReference_data()
    {
        QTest::addColumn<int>("width");
        QTest::addColumn<int>("step");
        for (const int width : {9, 16, 17, 31, 33, 64, 71})
            for (const int step : {1, 2, 8})
                QTest::addRow("%d wide, step %d", width, step) << width << step;
    }
    void kernelsMeetTheirReference()
    {
        QFETCH(int, width);
        QFETCH(int, step);
        const Size size{width, 23}, whole{width + step + kRowPaddingPx, 23 + step};
        const Plane<float> in = gaussianPlane(whole, 5, 3);
        Four fast = zeroes(whole), plain = zeroes(whole);
        packet::split(in.view(), step, size, splitOf(fast));
        packet::reference::split(in.view(), step, size, splitOf(plain));
        for (size_t i = 0; i < 4; ++i)
            QVERIFY(largestDifference(fast[i].view(), plain[i].view(), {0, 0, width, 23}) < kTolerance);
        packet::splitSum(in.view(), step, size, fast[0].view());
        QVERIFY(largestDifference(fast[0].view(), plain[0].view(), {0, 0, width, 23}) < kTolerance);

        Plane<float> a(whole, 0.f), b(whole, 0.f);
        const TileRect inner{step, step, std::max(0, width - step), 23 - step};
        packet::join(splitOf(plain), step, size, in.view(), a.view());
        packet::reference::join(splitOf(plain), step, size, in.view(), b.view());
        QVERIFY(largestDifference(a.view(), b.view(), inner) < kTolerance);
        packet::join({plain[0].view(), {}, {}, {}}, step, size, {}, a.view());
        packet::reference::join({plain[0].view(), {}, {}, {}}, step, size, {}, b.view());
        QVERIFY(largestDifference(a.view(), b.view(), inner) < kTolerance);

        for (size_t i = 0; i < 4; ++i)
            fast[i] = plain[i].clone();
        packet::addLuminanceGradient(in.view(), -1, size, splitOf(fast));
        packet::reference::addLuminanceGradient(in.view(), -1, size, splitOf(plain));
        const TileRect calm{2, 2, std::max(0, width - 4), 19};
        for (const packet::Phase phase : {packet::Phase{0, 0}, {0, 1}, {1, 0}, {1, 1}}) {
            packet::turnDifferences(phase, size, splitOf(fast));
            packet::reference::turnDifferences(phase, size, splitOf(plain));
            for (size_t i = 1; i < 4; ++i)
                QVERIFY(largestDifference(fast[i].view(), plain[i].view(), calm) < kTolerance);
            packet::turnDifferencesBack(phase, size, splitOf(fast));
            packet::reference::turnDifferencesBack(phase, size, splitOf(plain));
            for (size_t i = 1; i < 4; ++i)
                QVERIFY(largestDifference(fast[i].view(), plain[i].view(), calm) < kTolerance);
        }
    }

    void splitAndJoinLoseNothing()
    {
        const Size whole{120 + kRowPaddingPx, 60}, size{110, 50};
        const Plane<float> in = gaussianPlane(whole, 3);
        Four p = zeroes(whole);
        Plane<float> out(whole, 0.f);
        for (const int step : {1, 2, 4, 8}) {
            packet::split(in.view(), step, size, splitOf(p));
            packet::join(splitOf(p), step, size, {}, out.view());
            QVERIFY(largestDifference(in.view(), out.view(), {step, step, 100 - step, 40 - step}) < kTolerance);
        }
    }

    void coloursMeanTheSameInEveryWindow_data()
    {
        QTest::addColumn<QString>("pattern");
        for (const char *p : {"RGGB", "BGGR", "GRBG", "GBRG"})
            QTest::newRow(p) << p;
    }
    void coloursMeanTheSameInEveryWindow()
    {
        QFETCH(QString, pattern);
        const CfaPattern cfa = *CfaPattern::fromName(pattern.toStdString());
        constexpr float red = 7, green = 5, blue = 2; // a flat colour
        Plane<float> mosaic({40 + kRowPaddingPx, 30}, 0.f);
        for (int y = 0; y < 30; ++y)
            for (int x = 0; x < 40; ++x)
                mosaic.at(x, y) = cfa.at(x, y) == Colour::Red ? red : cfa.at(x, y) == Colour::Green ? green
                                                                                                    : blue;
        const PlaneView<const float> in = mosaic.constView().cut({0, 0, 40, 30});
        Scratch scratch;
        Packet packet(TileInput::mosaic(in, cfa), scratch);
        packet.openDetails(packet.bands()[0].samples);
        const PlaneView<float> redBlue = packet.bands()[1].samples, cross = packet.bands()[2].samples, greens = packet.bands()[3].samples;
        for (int y = 3; y < 26; ++y)
            for (int x = 3; x < 36; ++x) {
                QVERIFY(std::abs(packet.bands()[0].samples.at(x, y) - (red + 2 * green + blue) / 2) < 1e-4f);
                QVERIFY(std::abs(redBlue.at(x, y) - (red - blue) / std::sqrt(2.f)) < 1e-4f);
                QVERIFY(std::abs(cross.at(x, y) - (red + blue - 2 * green) / 2) < 1e-4f);
                QVERIFY(std::abs(greens.at(x, y)) < 1e-4f);
            }
        packet.closeDetails(packet.bands()[0].samples);
        Plane<float> out({20, 10});
        packet.close({out.view(), {}, {}});
        QVERIFY(largestDifference(out.view(), in.cut({10, 10, 20, 10}), {0, 0, 20, 10}) < 1e-4);
    }

    void fullColourComesBackAndItsBandsHaveUnitNoise()
    {
        const Size whole{300 + kRowPaddingPx, 300};
        const std::array<Plane<float>, 3> planes{gaussianPlane(whole, 1, 9), gaussianPlane(whole, 2, 5), gaussianPlane(whole, 3, 7)};
        std::vector<BandNoise> noise(Packet::kMostBands);
        noise[4].sigma = 0.5f;
        TileInput in{{}, {}, &noise};
        for (size_t i = 0; i < 3; ++i)
            in.planes[i] = planes[i].constView().cut({0, 0, 300, 300});
        Scratch scratch;
        Packet packet(in, scratch);
        QCOMPARE(packet.bands().size(), Packet::kMostBands);
        // White noise of sigma 1 in every colour has sigma 1 in every band, divided by what the band's is said to be.
        const std::array<float, 6> means{21 * 2 / std::sqrt(3.f), 0, 0, 0, 2 / std::sqrt(2.f) / 0.5f, 6 / std::sqrt(6.f)};
        for (size_t b = 0; b < 6; ++b) {
            double square = 0;
            for (int y = 0; y < 299; ++y)
                for (int x = 0; x < 299; ++x)
                    square += std::pow(double(packet.bands()[b].samples.at(x, y)) - double(means[b]), 2) / (299.0 * 299.0);
            QVERIFY2(std::abs(std::sqrt(square) - (b == 4 ? 2.0 : 1.0)) < 0.03, qPrintable(QStringLiteral("band %1: %2").arg(b).arg(std::sqrt(square))));
        }
        Plane<float> slope = gaussianPlane(whole, 4);
        packet.openDetails(slope.view());
        packet.closeDetails(slope.view());
        std::array<Plane<float>, 3> out{Plane<float>({280, 280}), Plane<float>({280, 280}), Plane<float>({280, 280})};
        packet.close({out[0].view(), out[1].view(), out[2].view()});
        for (size_t i = 0; i < 3; ++i)
            QVERIFY(largestDifference(out[i].view(), in.planes[i].cut({10, 10, 280, 280}), {0, 0, 280, 280}) < 1e-4);
    }
};

int main(int argc, char **argv)
{
    return runForEveryTarget<PacketTest>(argc, argv);
}

#include "packet_test.moc"
