// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/banding.h"
#include "support/frames.h"

#include <QTest>

using namespace irenic;
using namespace irenic::test;

namespace {

struct LineErrors {
    double rows, columns; ///< variance over the lines of the mean error of a line
};

/// How far the means of the dark part of rows and columns stand off the truth, after taking `banding` off. Lines without a
/// dark part are left out: there photon noise hides what little banding adds.
LineErrors errorsOf(const Simulated &s, const Banding &banding)
{
    const int w = s.frame->samples.width(), h = s.frame->samples.height();
    const double dark = double(s.truth.noise.readVariance / s.truth.noise.shotGain);
    std::vector<double> rows(static_cast<size_t>(h)), columns(static_cast<size_t>(w)), inRow(static_cast<size_t>(h)), inColumn(static_cast<size_t>(w));
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            const double clean = double(s.truth.clean.at(x, y));
            if (clean > 0.4 * dark)
                continue;
            const double e = double(s.frame->linearAt(x, y)) - double(banding.at(x, y)) - clean;
            rows[size_t(y)] += e;
            columns[size_t(x)] += e;
            ++inRow[size_t(y)];
            ++inColumn[size_t(x)];
        }
    const auto meanSquareOf = [](const std::vector<double> &v, const std::vector<double> &n) {
        double sum = 0, lines = 0;
        for (size_t i = 0; i < v.size(); ++i)
            if (n[i] > 150) {
                sum += v[i] / n[i] * v[i] / n[i];
                ++lines;
            }
        return lines > 0 ? sum / lines : 0.0;
    };
    return {meanSquareOf(rows, inRow), meanSquareOf(columns, inColumn)};
}

} // namespace

class BandingTest : public QObject
{
    Q_OBJECT
private slots:
    void offsetsAreFoundAndTakenOff_data()
    {
        QTest::addColumn<double>("strength");
        QTest::addColumn<double>("under");
        QTest::addColumn<double>("mostLeft"); ///< share of the lines' variance
        QTest::newRow("strong, three stops under") << 0.6 << 3.0 << 0.5;
        QTest::newRow("usual, three stops under") << 0.25 << 3.0 << 0.6;
        QTest::newRow("strong, a stop and a half under") << 0.6 << 1.5 << 0.5;
    }
    void offsetsAreFoundAndTakenOff()
    {
        QFETCH(double, strength);
        QFETCH(double, under);
        QFETCH(double, mostLeft);
        ShootOptions o;
        o.iso = 12800;
        o.underexposeEv = under;
        o.banding = strength;
        o.hotPixelsPerMillion = 0;
        const Simulated s = simulate(makeScene({1800, 1560}), o);
        const auto banding = measureBanding(*s.frame, s.noise->cells, {});
        QVERIFY(banding);
        const LineErrors before = errorsOf(s, {}), after = errorsOf(s, banding.value());
        const QString figures = QStringLiteral("rows %1, columns %2 of what was").arg(after.rows / before.rows).arg(after.columns / before.columns);
        QVERIFY2(after.rows < mostLeft * before.rows && after.columns < mostLeft * before.columns, qPrintable(figures));
        const double share = double(banding.value().rowSigma) / (strength * double(s.truth.noise.sigmaAt(0)));
        QVERIFY2(share > 0.6 && share < 1.4, qPrintable(QString::number(share)));
    }

    /// Hardly anything dark, and detail everywhere.
    void ordinaryPicturesTellItToo()
    {
        ShootOptions o;
        o.iso = 12800;
        o.banding = 0.5;
        o.hotPixelsPerMillion = 0;
        const Scene leaves = leavesScene({1600, 1000});
        const Simulated s = simulate(leaves, o);
        const Banding banding = measureBanding(*s.frame, s.noise->cells, {}).take();
        QVERIFY(!banding.rows.empty());
        const double share = double(banding.rowSigma) / (o.banding * double(s.truth.noise.sigmaAt(0)));
        QVERIFY2(share > 0.6 && share < 1.4, qPrintable(QString::number(share)));
        // Against the offsets themselves, which the shot without them tells: the same seed has the same noise otherwise.
        o.banding = 0;
        const Simulated none = simulate(leaves, o);
        double before = 0, after = 0;
        for (int y = 0; y < 1000; ++y) {
            double mean = 0;
            for (int x = 0; x < 1600; ++x)
                mean += double(s.frame->linearAt(x, y) - none.frame->linearAt(x, y)) / 1600;
            before += mean * mean;
            after += std::pow(mean - double(banding.rows[size_t(y)]), 2);
        }
        QVERIFY2(after < 0.6 * before, qPrintable(QString::number(after / before)));
        const Banding found = measureBanding(*none.frame, none.noise->cells, {}).take();
        QCOMPARE(found.rowSigma, 0.f);
        QVERIFY(found.rows.empty());
    }

    void theSameAnswerOnAnyNumberOfThreads()
    {
        ShootOptions o;
        o.iso = 12800;
        o.banding = 0.5;
        const Simulated s = simulate(makeScene({1600, 203}), o); // rows that sixteen parts do not share evenly
        const Banding one = measureBanding(*s.frame, s.noise->cells, {1, {}, {}}).take();
        QVERIFY(one.rowSigma > 0);
        QVERIFY(one == measureBanding(*s.frame, s.noise->cells, {3, {}, {}}).take());
    }

    void aFrameWithoutBandingIsLeftAlone_data()
    {
        QTest::addColumn<int>("iso");
        for (const int iso : {800, 6400, 51200})
            QTest::addRow("ISO %d", iso) << iso;
    }
    void aFrameWithoutBandingIsLeftAlone()
    {
        QFETCH(int, iso);
        ShootOptions o;
        o.iso = iso;
        o.banding = 0;
        const Simulated s = simulate(makeScene({1800, 1560}), o);
        const auto banding = measureBanding(*s.frame, s.noise->cells, {});
        QVERIFY(banding);
        for (const auto *lines : {&banding.value().rows, &banding.value().columns})
            if (!lines->empty()) {
                double sum = 0;
                for (const float offset : *lines)
                    sum += double(offset) * double(offset);
                // Lines of the picture in its darkest parts may be taken for banding, but less than usual banding would add.
                const double share = std::sqrt(sum / double(lines->size())) / double(s.truth.noise.sigmaAt(0));
                QVERIFY2(share < 0.25, qPrintable(QString::number(share)));
            }
    }

    void linesOfThePictureStay()
    {
        // Such lines cannot be told from banding for certain; what is taken of them must stay below the noise of one sample.
        // Planks: straight level lines, faint and strong, across nearly all of the frame.
        Scene planks = flatScene({1800, 1536}, 0.2f, 0.15f, 0.1f);
        for (int y = 0; y < 1536; ++y)
            for (int x = 0; x < 1600; ++x)
                for (size_t c = 0; c < 3; ++c)
                    planks.rgb[(size_t(y) * 1800 + size_t(x)) * 3 + c] *= y % 96 < 3 ? 0.3f : 1 + 0.08f * float(std::sin(y * 1.9) + std::sin(y * 0.83));
        ShootOptions o;
        o.iso = 6400;
        o.banding = 0.25;
        const Simulated s = simulate(planks, o);
        const auto banding = measureBanding(*s.frame, s.noise->cells, {});
        QVERIFY(banding);
        double taken = 0;
        for (const float offset : banding.value().rows)
            taken = std::max(taken, std::abs(double(offset)));
        QVERIFY2(taken < double(s.truth.noise.sigmaAt(0.1f)), qPrintable(QString::number(taken)));
    }

    void smallFramesHaveNone()
    {
        const Simulated s = simulate(makeScene({900, 700}), {});
        const auto banding = measureBanding(*s.frame, s.noise->cells, {});
        QVERIFY(banding && banding.value().rows.empty() && banding.value().columns.empty());
    }
};

QTEST_APPLESS_MAIN(BandingTest)
#include "banding_test.moc"
