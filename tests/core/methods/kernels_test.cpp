// SPDX-License-Identifier: GPL-3.0-or-later
// The inner loops of wavelet shrinkage, sliding DCT and non-local means against their plain versions.
#include "methods/dct/dct_kernels.h"
#include "methods/denoise_method.h"
#include "methods/nlm/nlm_kernels.h"
#include "methods/packet/packet_kernels.h"
#include "methods/wavelet/scales.h"
#include "methods/wavelet/wavelet_kernels.h"
#include "support/every_target.h"
#include "support/frames.h"
#include "support/planes.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

class KernelsTest : public QObject
{
    Q_OBJECT
private slots:
    void waveletScale_data() { widths(); }
    void waveletScale()
    {
        QFETCH(int, width);
        for (const int step : {2, 8}) {
            const Size size{width, 40}, whole{width + step + kRowPaddingPx, size.height + step};
            const Plane<float> in = gaussianPlane(whole, 5, 0.7f);
            Plane<float> sum(whole, 0.f), detail(whole, 0.f), rows({whole.width, wavelet::scaleRows(step)}, 0.f);
            wavelet::shrinkScale(in.view(), step, 1.5f, size, sum.view(), detail.view(), rows.view());
            std::vector<Plane<float>> p;
            for (int i = 0; i < 8; ++i)
                p.emplace_back(whole, 0.f);
            packet::reference::split(in.view(), step, size, {p[0].view(), p[1].view(), p[2].view(), p[3].view()});
            for (size_t b = 1; b < 4; ++b)
                wavelet::reference::shrink(p[b].view(), 1.5f, size, p[b + 3].view());
            packet::reference::join({{}, p[4].view(), p[5].view(), p[6].view()}, step, size, {}, p[7].view());
            QVERIFY(largestDifference(sum.view(), p[0].view(), {0, 0, width, size.height}) < kTolerance);
            const TileRect right{step + 4, step + 4, std::max(0, width - step - 8), size.height - step - 8};
            QVERIFY(largestDifference(detail.view(), p[7].view(), right) < kTolerance);
        }
    }

    void coarseScalesLeaveTheFineOnesAlone()
    {
        // Cleaning from the third scale on takes what cleaning all scales takes there, and nothing of the finer ones.
        const Size size{420, 400}, whole{420 + kRowPaddingPx, 400};
        const Plane<float> noise = gaussianPlane(whole, 8);
        Plane<float> coarse = noise.clone();
        Scratch scratch;
        const Scales scales{3, 4};
        shrinkScales(coarse.view(), {}, size, scales, 1.5f, scratch);
        const int r = reachPx(scales);
        const TileRect inside{r, r, size.width - 2 * r, size.height - 2 * r};
        double pixel = 0, mean = 0, meanBefore = 0;
        int blocks = 0;
        for (int y = inside.y; y + 32 <= inside.bottom(); y += 32)
            for (int x = inside.x; x + 32 <= inside.right(); x += 32, ++blocks) {
                double now = 0, before = 0;
                for (int v = 0; v < 32; ++v)
                    for (int u = 0; u < 32; ++u) {
                        now += double(coarse.at(x + u, y + v));
                        before += double(noise.at(x + u, y + v));
                        pixel += std::pow(double(coarse.at(x + u, y + v)), 2);
                    }
                mean += now * now;
                meanBefore += before * before;
            }
        QVERIFY2(mean < 0.75 * meanBefore, qPrintable(QString::number(mean / meanBefore)));
        QVERIFY2(pixel / (blocks * 1024.0) > 0.95, qPrintable(QString::number(pixel / (blocks * 1024.0))));
    }

    void slidingDct_data() { widths(); }
    void slidingDct()
    {
        QFETCH(int, width);
        const Size size{width, 31}, whole{width + kRowPaddingPx, 31};
        const Plane<float> in = gaussianPlane(whole, 5, 9), pilot = gaussianPlane(whole, 6, 9);
        std::array<float, 64> noise; // not white
        for (size_t i = 0; i < 64; ++i)
            noise[i] = 0.5f + 0.02f * float(i * 7 % 64);
        for (const bool wiener : {false, true}) {
            const PlaneView<const float> guide = wiener ? pilot.constView() : PlaneView<const float>{};
            std::array<Plane<float>, 2> sum{Plane<float>(whole, 0.f), Plane<float>(whole, 0.f)}, weight{Plane<float>(whole, 0.f), Plane<float>(whole, 0.f)};
            dct::shrinkWindows(in.view(), guide, 1.3f, noise, 1, 3, size, sum[0].view(), weight[0].view());
            dct::reference::shrinkWindows(in.view(), guide, 1.3f, noise, 1, 3, size, sum[1].view(), weight[1].view());
            // Left of the last window's first sample nothing from beyond the width reaches.
            const TileRect sure{0, 0, std::max(0, width - dct::kReachPx), 31};
            QVERIFY(largestDifference(weight[0].view(), weight[1].view(), sure) < 1e-5);
            QVERIFY(largestDifference(sum[0].view(), sum[1].view(), sure) < 1e-4);
        }
    }

    void nonLocalMeans_data() { widths(); }
    void nonLocalMeans()
    {
        QFETCH(int, width);
        const nlm::Settings settings{4, {0.5f, 0.25f, 0.125f, 0.125f}, 1.6f, 0.9f, 1.4f};
        const int r = nlm::reachPx(settings);
        const Size whole{width + 2 * r + kRowPaddingPx, 20 + 2 * r};
        std::array<Plane<float>, 4> planes{gaussianPlane(whole, 1), gaussianPlane(whole, 2), gaussianPlane(whole, 3), gaussianPlane(whole, 4)};
        const std::array<PlaneView<const float>, 4> guides{planes[0].view(), planes[1].view(), planes[2].view(), planes[3].view()};
        const auto compare = [&](const nlm::Settings &s, size_t count) {
            std::array<Plane<float>, 6> a, b;
            std::vector<nlm::Band> fast, plain;
            for (size_t i = 0; i < count; ++i) {
                a[i] = Plane<float>(whole, 0.f);
                b[i] = a[i].clone();
                fast.push_back({guides[i % 4], a[i].view(), i == 1 || i > 3});
                plain.push_back({guides[i % 4], b[i].view(), i == 1 || i > 3});
            }
            const TileRect where{r, r, width, 20};
            nlm::average(fast, guides, s, where);
            nlm::reference::average(plain, guides, s, where);
            double worst = 0;
            for (size_t i = 0; i < count; ++i)
                worst = std::max(worst, largestDifference(a[i].view(), b[i].view(), where));
            return worst;
        };
        nlm::Settings oneWeight = settings, coloursAlone = settings, threeGuides = settings;
        oneWeight.colourSpread = oneWeight.luminanceSpread;
        coloursAlone.colourSpread = 0;
        threeGuides.guideWeights = {0.5f, 0.25f, 0.25f, 0};
        for (const nlm::Settings &s : {settings, oneWeight, coloursAlone, threeGuides})
            for (const size_t count : {4, 6})
                QVERIFY(compare(s, count) < 1e-4);
    }

private:
    static void widths()
    {
        QTest::addColumn<int>("width");
        for (const int width : {9, 16, 17, 31, 33, 64, 140})
            QTest::addRow("%d wide", width) << width;
    }
};

int main(int argc, char **argv)
{
    return runForEveryTarget<KernelsTest>(argc, argv);
}

#include "kernels_test.moc"
