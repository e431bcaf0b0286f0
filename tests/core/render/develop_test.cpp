// SPDX-License-Identifier: GPL-3.0-or-later
#include "camera/bench_camera.h"
#include "colour/colour.h"
#include "irenic/develop.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

class DevelopTest : public QObject
{
    Q_OBJECT
private slots:
    void matricesInvert()
    {
        const Matrix3 m = *benchCameraColour().colourMatrix[0], one = multiplied(m, inverted(m));
        for (size_t i = 0; i < 9; ++i)
            QVERIFY(std::abs(one[i] - kIdentity[i]) < 1e-9);
        QVERIFY(inverted(Matrix3{}) == kIdentity);
    }
    void temperaturesOfKnownLights()
    {
        QVERIFY(std::abs(colourTemperature({0.4476, 0.4074}) - 2856) < 15); // standard light A
        QVERIFY(std::abs(colourTemperature({0.3127, 0.3290}) - 6504) < 15); // D65
        QVERIFY(std::abs(colourTemperature({0.3457, 0.3585}) - 5003) < 15); // D50
    }
    void whiteIsFoundFromTheNeutral()
    {
        const Chromaticity white = whiteOf(benchCameraColour());
        QVERIFY(std::abs(white.x - 0.3539) < 1e-4);
        QVERIFY(std::abs(white.y - 0.3607) < 1e-4);
        ColourDescription impossible = benchCameraColour();
        impossible.asShotNeutral = {1e-6, 1, 1e-6};
        const Chromaticity guess = whiteOf(impossible);
        QVERIFY(std::isfinite(guess.x) && std::isfinite(guess.y));
    }
    void adaptationCarriesWhiteToWhite()
    {
        const Chromaticity from{0.4476, 0.4074}, to{0.3127, 0.3290};
        const Vector3 v = multiplied(adaptation(from, to), xyzOf(from)), w = xyzOf(to);
        for (size_t i = 0; i < 3; ++i)
            QVERIFY(std::abs(v[i] - w[i]) < 1e-9);
    }

    void neutralStaysNeutralAndColoursComeBack()
    {
        // Through camera and developer, a colour under the balanced white returns adapted: greys stay grey.
        const ColourDescription colour = benchCameraColour();
        const Developer developer(colour);
        for (const auto &pattern : {"RGGB", "BGGR", "GRBG", "GBRG"}) {
            const CfaPattern cfa = *CfaPattern::fromName(pattern);
            Plane<float> mosaic({40, 36});
            for (int y = 0; y < 36; ++y)
                for (int x = 0; x < 40; ++x)
                    mosaic.at(x, y) = float(colour.asShotNeutral[size_t(cfa.at(x, y))] / 3);
            const auto out = developer.develop(mosaic.view(), cfa, {});
            QVERIFY((out.size == Size{16, 12}));
            for (const float v : out.samples)
                QVERIFY(std::abs(v - out.samples[0]) < 1e-5f);
            const auto reduced = developer.developReduced(mosaic.view(), cfa, 4, {});
            QVERIFY(std::abs(reduced.samples[0] - out.samples[0]) < 1e-5f && std::abs(reduced.samples[2] - out.samples[0]) < 1e-5f);
        }
    }

    void blownLightsAreWhite()
    {
        Plane<float> mosaic({32, 32}, 1.0f);
        const auto out = Developer(benchCameraColour()).develop(mosaic.view(), CfaPattern{}, {});
        for (const float v : out.samples)
            QVERIFY(std::abs(v - 1) < 1e-5f);
    }

    void demosaicIsExactOnRamps()
    {
        // A plane of one slope that all channels share has no colour differences to be wrong about.
        Plane<float> mosaic({44, 40});
        ColourDescription plain; // no matrix, equal balance
        for (int y = 0; y < 40; ++y)
            for (int x = 0; x < 44; ++x)
                mosaic.at(x, y) = 0.1f + 0.01f * float(x) + 0.005f * float(y);
        const auto out = Developer(plain).develop(mosaic.view(), CfaPattern{}, {});
        for (int y = 0; y < 16; ++y)
            for (int x = 0; x < 20; ++x)
                for (int c = 0; c < 3; ++c)
                    QVERIFY(std::abs(out.row(y)[x * 3 + c] - mosaic.at(x + Developer::kHaloPx, y + Developer::kHaloPx)) < 1e-5f);
    }

    void demosaicKeepsFineStripes_data()
    {
        QTest::addColumn<double>("noise");
        QTest::addColumn<double>("leastDb"); ///< over bilinear interpolation
        QTest::newRow("clean") << 0.0 << 3.0;
        QTest::newRow("noisy") << 0.03 << 1.0;
    }
    void demosaicKeepsFineStripes()
    {
        // Grey stripes of five pixels, slanted: their colour is known everywhere, and bilinear interpolation makes fringes of them.
        QFETCH(double, noise);
        QFETCH(double, leastDb);
        constexpr int kSide = 200, kInner = kSide - 2 * Developer::kHaloPx;
        const auto grey = [](int x, int y) { return 0.3 + 0.2 * std::sin(2 * M_PI * (x + 0.4 * y) / 5); };
        const Plane<float> n = gaussianPlane({kSide, kSide}, 8);
        for (const auto &pattern : {"RGGB", "BGGR", "GRBG", "GBRG"}) {
            const CfaPattern cfa = *CfaPattern::fromName(pattern);
            Plane<float> mosaic({kSide, kSide});
            for (int y = 0; y < kSide; ++y)
                for (int x = 0; x < kSide; ++x)
                    mosaic.at(x, y) = float(grey(x, y) + noise * double(n.at(x, y)));
            const auto out = Developer(ColourDescription{}).develop(mosaic.view(), cfa, {});
            double ours = 0, bilinear = 0;
            for (int y = 0; y < kInner; ++y)
                for (int x = 0; x < kInner; ++x)
                    for (int c = 0; c < 3; ++c) {
                        const int sx = x + Developer::kHaloPx, sy = y + Developer::kHaloPx;
                        double sum = 0, count = 0;
                        const int reach = cfa.at(sx, sy) == Colour(c) ? 0 : 1;
                        for (int v = -reach; v <= reach; ++v)
                            for (int u = -reach; u <= reach; ++u)
                                if (cfa.at(sx + u, sy + v) == Colour(c)) {
                                    sum += double(mosaic.at(sx + u, sy + v));
                                    ++count;
                                }
                        bilinear += std::pow(sum / count - grey(sx, sy), 2);
                        ours += std::pow(double(out.row(y)[3 * x + c]) - grey(sx, sy), 2);
                    }
            const double db = 10 * std::log10(bilinear / ours);
            QVERIFY2(db > leastDb, qPrintable(QStringLiteral("%1: %2 dB").arg(QString::fromLatin1(pattern)).arg(db)));
        }
    }

    void pushRollsOffAndReachesWhite()
    {
        ColourDescription plain;
        const auto grey = [&](float signal, double push) {
            Plane<float> mosaic({28, 28}, signal);
            return Developer(plain, push).develop(mosaic.view(), CfaPattern{}).samples[0];
        };
        QVERIFY(std::abs(grey(0.2f, 1) - 0.4f) < 1e-5f); // straight below the shoulder
        QVERIFY(std::abs(grey(1.0f, 3) - 1.0f) < 1e-5f);
        float last = 0;
        for (float s = 0.02f; s <= 1; s += 0.02f) {
            const float v = grey(s, 2);
            QVERIFY(v >= last && v <= 1.0001f);
            last = v;
        }
        QVERIFY(std::abs(grey(0.7f, 0) - 0.7f) < 1e-5f); // without push nothing is bent
    }

    void encodingFollowsTheStandard()
    {
        auto linear = RgbImage<float>::ofSize({4, 1});
        linear.samples = {0, 0.0031308f, 0.18f, 1, 0.5f, 2, -1, 0.001f, 0.25f, 0, 0, 0};
        const auto e8 = encoded8(linear);
        QCOMPARE(int(e8.samples[2]), 118); // IEC 61966-2-1: 0.18 -> 0.4613
        QCOMPARE(int(e8.samples[4]), 188);
        QCOMPARE(int(e8.samples[5]), 255);
        QCOMPARE(int(e8.samples[6]), 0);
        const auto e16 = encoded16(linear);
        QVERIFY(std::abs(e16.samples[1] / 65535.0 - 0.04045) < 1e-4);
    }

    void turningFollowsExif()
    {
        // A picture with its corners marked; where they go is what the Exif standard's table says of row 0 and column 0.
        auto in = RgbImage<uint8_t>::ofSize({3, 2});
        for (size_t i = 0; i < 6; ++i)
            in.samples[i * 3] = uint8_t(i); // 0 1 2 / 3 4 5
        const auto firstAndLast = [&](int orientation) {
            const auto out = turned(in, orientation);
            return std::pair{int(out.samples.front()), int(out.samples[(size_t(out.size.area()) - 1) * 3])};
        };
        QCOMPARE(firstAndLast(1), (std::pair{0, 5}));
        QCOMPARE(firstAndLast(2), (std::pair{2, 3}));
        QCOMPARE(firstAndLast(3), (std::pair{5, 0}));
        QCOMPARE(firstAndLast(4), (std::pair{3, 2}));
        QCOMPARE(firstAndLast(5), (std::pair{0, 5}));
        QCOMPARE(firstAndLast(6), (std::pair{3, 2})); // turned a quarter to the right
        QCOMPARE(firstAndLast(7), (std::pair{5, 0}));
        QCOMPARE(firstAndLast(8), (std::pair{2, 3}));
        QVERIFY((turned(in, 6).size == Size{2, 3}));
    }
};

QTEST_APPLESS_MAIN(DevelopTest)
#include "develop_test.moc"
