// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/readings.h"
#include "support/frames.h"

#include <QTest>

#include <numeric>

using namespace irenic;
using namespace irenic::test;

class HistogramTest : public QObject
{
    Q_OBJECT
private slots:
    void everySampleIsCountedOnce_data()
    {
        QTest::addColumn<QString>("pattern");
        for (const char *pattern : {"RGGB", "BGGR", "GRBG", "GBRG"})
            QTest::newRow(pattern) << pattern;
    }
    void everySampleIsCountedOnce()
    {
        QFETCH(QString, pattern);
        ShootOptions o;
        o.iso = 1600;
        o.cfa = *CfaPattern::fromName(pattern.toStdString());
        const Simulated s = simulate(makeScene({600, 400}), o);
        const Histogram h = histogramOf(*s.frame);
        for (size_t c = 0; c < 3; ++c) {
            const double inBins = std::accumulate(h.share[c].begin(), h.share[c].end(), 0.0);
            QVERIFY2(inBins + h.black[c] + h.clipped[c] > 0.999 && inBins + h.black[c] + h.clipped[c] < 1 + 1e-9, qPrintable(QString::number(inBins)));
        }
    }

    void aFlatFieldStandsAtItsBrightness()
    {
        // The lowest sensitivity, so that noise spreads it over little; each colour at what the camera makes of the card.
        ShootOptions o;
        o.iso = 100;
        o.banding = 0;
        o.hotPixelsPerMillion = 0;
        for (const float light : {0.5f, 0.1f, 0.02f}) {
            const Simulated s = simulate(flatScene({300, 200}, light, light, light), o);
            const Histogram h = histogramOf(*s.frame);
            for (size_t c = 0; c < 3; ++c) {
                double clean = 0;
                for (int i = 0; i < 4; ++i)
                    if (size_t(s.frame->cfa.at(i & 1, i >> 1)) == c)
                        clean = double(s.truth.clean.at(100 + (i & 1), 100 + (i >> 1)));
                double mean = 0, share = 0;
                for (size_t bin = 0; bin < Histogram::kBins; ++bin) {
                    mean += h.share[c][bin] * (Histogram::kFirstEv + (double(bin) + 0.5) * Histogram::kStepEv);
                    share += h.share[c][bin];
                }
                QVERIFY2(std::abs(mean / share - std::log2(clean)) < 0.15, qPrintable(QStringLiteral("%1 against %2 EV").arg(mean / share).arg(std::log2(clean))));
            }
        }
    }

    void blownAndBlackSamplesAreToldApart()
    {
        Scene scene = flatScene({400, 200}, 6, 6, 6);
        for (int y = 0; y < 200; ++y)
            for (int x = 0; x < 200; ++x)
                for (size_t c = 0; c < 3; ++c)
                    scene.rgb[size_t(y * 400 + x) * 3 + c] = 0;
        ShootOptions o;
        o.banding = 0;
        const Histogram h = histogramOf(*simulate(scene, o).frame);
        for (size_t c = 0; c < 3; ++c) {
            QVERIFY2(std::abs(h.clipped[c] - 0.5) < 0.02, qPrintable(QString::number(h.clipped[c])));
            // Without light, noise alone: half of it at or below black, rounding included a little more.
            QVERIFY2(h.black[c] > 0.24 && h.black[c] < 0.33, qPrintable(QString::number(h.black[c])));
        }
    }

    void fullColourHasItsOwn()
    {
        const FullColour f = simulateFullColour(flatScene({200, 200}, 0.4f, 0.2f, 0.1f), {1.f / 50000, 1e-8f}, false);
        const Histogram h = histogramOf(*f.frame);
        std::array<size_t, 3> top{};
        for (size_t c = 0; c < 3; ++c)
            top[c] = size_t(std::max_element(h.share[c].begin(), h.share[c].end()) - h.share[c].begin());
        QVERIFY(top[0] > top[1] && top[1] > top[2]);
    }

    void aFlatFieldTellsWhatATreatmentLeaves()
    {
        // Stronger leaves less, in either channel; off leaves all.
        const NoiseLeft off = noiseLeftOnFlat({"dct", 0, 0}), weak = noiseLeftOnFlat({"dct", 0.5, 0.5}), strong = noiseLeftOnFlat({"dct", 1, 1});
        QCOMPARE(off.luminance, 1.0);
        QVERIFY(weak.luminance < off.luminance && strong.luminance < weak.luminance && strong.colour < weak.colour);
        // Asked again, the same answer, from what is known.
        QVERIFY(noiseLeftOnFlat({"dct", 0.5, 0.5}) == weak);
    }
};

QTEST_APPLESS_MAIN(HistogramTest)
#include "histogram_test.moc"
