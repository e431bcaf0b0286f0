// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"
#include "jobs/frame_measurer.h"
#include "support/frames.h"

#include <QSignalSpy>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

class FrameMeasurerTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        ShootOptions o;
        o.iso = 6400;
        const Simulated s = simulate(makeScene({900, 700}), o);
        m_subject = {s.frame, s.noise, {"dct", 1, 1}};
    }

    void whatIsMeasuredStaysKnown()
    {
        CleanCache cache;
        FrameMeasurer measurer(&cache);
        QSignalSpy measured(&measurer, &FrameMeasurer::measured), progress(&measurer, &FrameMeasurer::progressChanged);
        QVERIFY(!measurer.known(m_subject));
        measurer.measure(m_subject);
        QVERIFY(measurer.isMeasuring());
        QTRY_COMPARE_WITH_TIMEOUT(measured.size(), 1, kPatienceMs);
        QVERIFY(!measurer.isMeasuring());
        QVERIFY(progress.size() > 2);
        const auto map = measurer.known(m_subject);
        QVERIFY(map);
        QCOMPARE(map->left.luminance, leftoverMap(Cleaner(m_subject.frame, m_subject.noise, m_subject.treatment), nullptr).value().left.luminance);
        // Again: at once, and the same one.
        measurer.measure(m_subject);
        QCOMPARE(measured.size(), 2);
        QCOMPARE(measurer.known(m_subject), map);
        FrameMeasurer::Subject other = m_subject;
        other.treatment.luminance = 0.5;
        QVERIFY(!measurer.known(other));
    }

    void theLastWishCounts()
    {
        CleanCache cache;
        FrameMeasurer measurer(&cache);
        QSignalSpy measured(&measurer, &FrameMeasurer::measured);
        FrameMeasurer::Subject slow = m_subject;
        slow.treatment.method = "bm3d";
        measurer.measure(slow);
        measurer.measure(m_subject);
        QTRY_COMPARE_WITH_TIMEOUT(measured.size(), 1, kPatienceMs);
        QVERIFY(measurer.known(m_subject));
        QVERIFY2(!measurer.known(slow), "it was stopped");
    }

    void stoppedMeansNothingMore()
    {
        CleanCache cache;
        FrameMeasurer measurer(&cache);
        QSignalSpy measured(&measurer, &FrameMeasurer::measured);
        FrameMeasurer::Subject slow = m_subject;
        slow.treatment.method = "bm3d";
        measurer.measure(slow);
        measurer.stop();
        QVERIFY(!measurer.isMeasuring());
        QTest::qWait(300);
        QCOMPARE(measured.size(), 0);
        QVERIFY(!measurer.known(slow));
    }

private:
    FrameMeasurer::Subject m_subject;
};

QTEST_GUILESS_MAIN(FrameMeasurerTest)
#include "frame_measurer_test.moc"
