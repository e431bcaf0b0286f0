// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"
#include "methods/wavelet/wavelet.h"
#include "methods/wavelet/wavelet_kernels.h"
#include "support/frames.h"

#include <hwy/highway.h>
#include <hwy/targets.h>

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr float kTolerance = 1e-5f; ///< of a noise sigma: a thousandth of what rounding to stored numbers costs

double largestDifference(PlaneView<const float> a, PlaneView<const float> b, Rect where)
{
    double worst = 0;
    for (int y = where.y; y < where.bottom(); ++y)
        for (int x = where.x; x < where.right(); ++x)
            worst = std::max(worst, std::abs(double(a.at(x, y)) - double(b.at(x, y))));
    return worst;
}

} // namespace

class WaveletTest : public QObject
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
        std::array<Plane<float>, 4> fast, plain;
        for (auto *set : {&fast, &plain})
            for (auto &p : *set)
                p = Plane<float>(whole, 0.f);
        const auto splitOf = [](std::array<Plane<float>, 4> &p) { return wavelet::Split{p[0].view(), p[1].view(), p[2].view(), p[3].view()}; };
        wavelet::split(in.view(), step, size, splitOf(fast));
        wavelet::reference::split(in.view(), step, size, splitOf(plain));
        for (size_t i = 0; i < 4; ++i)
            QVERIFY(largestDifference(fast[i].view(), plain[i].view(), {0, 0, width, 23}) < kTolerance);

        Plane<float> a(whole, 0.f), b(whole, 0.f);
        wavelet::join(splitOf(plain), step, size, in.view(), a.view());
        wavelet::reference::join(splitOf(plain), step, size, in.view(), b.view());
        QVERIFY(largestDifference(a.view(), b.view(), {step, step, std::max(0, width - step), 23 - step}) < kTolerance);

        wavelet::shrink(plain[1].view(), 1.5f, size, a.view());
        wavelet::reference::shrink(plain[1].view(), 1.5f, size, b.view());
        QVERIFY(largestDifference(a.view(), b.view(), {4, 4, std::max(0, width - 8), 15}) < kTolerance);

        std::array<Plane<float>, 4> other;
        for (size_t i = 0; i < 4; ++i)
            other[i] = plain[i].clone();
        wavelet::addLuminanceGradient(in.view(), -1, size, splitOf(plain));
        wavelet::reference::addLuminanceGradient(in.view(), -1, size, splitOf(other));
        for (const int parity : {0, 1}) {
            wavelet::turnDifferences(parity, size, splitOf(plain));
            wavelet::reference::turnDifferences(parity, size, splitOf(other));
            for (size_t i = 1; i < 3; ++i)
                QVERIFY(largestDifference(plain[i].view(), other[i].view(), {2, 2, std::max(0, width - 4), 19}) < kTolerance);
        }
        wavelet::turnDifferencesBack(1, size, splitOf(plain));
        wavelet::reference::turnDifferencesBack(1, size, splitOf(other));
        for (size_t i = 1; i < 3; ++i)
            QVERIFY(largestDifference(plain[i].view(), other[i].view(), {2, 2, std::max(0, width - 4), 19}) < kTolerance);
    }

    void everyProcessorPathAgrees()
    {
        const auto clean = [] {
            const auto method = makeWavelet({});
            const int h = method->haloPx();
            const Plane<float> in = gaussianPlane({40 + 2 * h + kRowPaddingPx, 40 + 2 * h}, 9, 30);
            Plane<float> out({40, 40});
            Scratch scratch;
            method->denoiseTile(in.view().cut({0, 0, 40 + 2 * h, 40 + 2 * h}), CfaPattern{}, out.view(), scratch);
            return out;
        };
        const Plane<float> best = clean();
        int tried = 0;
        for (const uint32_t target : {HWY_SSSE3, HWY_SSE4, HWY_AVX2, HWY_AVX3}) {
            if (!(hwy::SupportedTargets() & target))
                continue;
            hwy::DisableTargets(~(target | HWY_STATIC_TARGET));
            const Plane<float> other = clean();
            hwy::DisableTargets(0);
            QVERIFY(largestDifference(best.view(), other.view(), {0, 0, 40, 40}) < 1e-3);
            ++tried;
        }
        QVERIFY(tried > 0);
    }

    void splitAndJoinLoseNothing()
    {
        const Size whole{120 + kRowPaddingPx, 60}, size{110, 50};
        const Plane<float> in = gaussianPlane(whole, 3);
        std::array<Plane<float>, 4> p;
        for (auto &q : p)
            q = Plane<float>(whole, 0.f);
        const wavelet::Split s{p[0].view(), p[1].view(), p[2].view(), p[3].view()};
        Plane<float> out(whole, 0.f);
        for (const int step : {1, 2, 4, 8}) {
            wavelet::split(in.view(), step, size, s);
            wavelet::join(s, step, size, {}, out.view());
            QVERIFY(largestDifference(in.view(), out.view(), {step, step, 100 - step, 40 - step}) < kTolerance);
        }
    }

    void strengthGovernsWhatIsLeft()
    {
        // Invariant: more strength never leaves more noise, luminance and colour each for itself.
        double last = 2;
        for (const double s : {0.1, 0.25, 0.5, 0.75, 1.0, 1.5, 2.0, 3.0}) {
            const double left = noiseLeftOnFlat({"wavelet", s, 1}).luminance;
            QVERIFY2(left < last, qPrintable(QString::number(s)));
            last = left;
        }
        last = 2;
        for (const double s : {0.1, 0.25, 0.5, 0.75, 1.0, 1.5, 2.0, 3.0}) {
            const double left = noiseLeftOnFlat({"wavelet", 1, s}).colour;
            QVERIFY(left < last);
            last = left;
        }
        const NoiseLeft asMeasured = noiseLeftOnFlat({});
        QVERIFY2(asMeasured.luminance < 0.25 && asMeasured.colour < 0.25, qPrintable(QStringLiteral("%1 %2").arg(asMeasured.luminance).arg(asMeasured.colour)));
        const NoiseLeft colourOnly = noiseLeftOnFlat({"wavelet", 0, 1});
        // Finest luminance and colour share the pattern's highest frequencies, so colour takes a part of the finest grain.
        QVERIFY2(colourOnly.luminance > 0.6 && colourOnly.colour < 0.5, qPrintable(QStringLiteral("%1 %2").arg(colourOnly.luminance).arg(colourOnly.colour)));
    }

    void settingsOutOfRangeAreRefusedByName()
    {
        QVERIFY(validate({"wavelet", 3, 0}));
        for (const Treatment &t : {Treatment{"wavelet", -0.1, 1}, Treatment{"wavelet", 3.01, 1}, Treatment{"wavelet", std::nan(""), 1}}) {
            QCOMPARE(validate(t).error().code, ErrorCode::BadParameter);
            QVERIFY(validate(t).error().userMessage.find("luminance") != std::string::npos);
        }
        QVERIFY(validate({"wavelet", 1, 7}).error().userMessage.find("colour") != std::string::npos);
        QVERIFY(validate({"fog", 1, 1}).error().userMessage.find("wavelet") != std::string::npos);
    }
};

QTEST_APPLESS_MAIN(WaveletTest)
#include "wavelet_test.moc"
