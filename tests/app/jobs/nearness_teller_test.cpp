// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/nearness.h"
#include "jobs/nearness_teller.h"
#include "support/frames.h"

#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>

#include <atomic>

using namespace irenic;
using namespace irenic::test;

class NearnessTellerTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        ShootOptions o = plainShot(6400);
        const Scene scene = makeScene({560, 432});
        const Simulated s = simulate(scene, o);
        auto sure = std::make_shared<NoiseReport>(*s.noise);
        sure->confidence = 1;
        m_subject = {m_dir.filePath("wren-01.dng"), s.frame, sure, {"wavelet", 1, 1}, {}};
        QVERIFY(writeShot(m_subject.path.toStdString(), shoot(scene, o).value(), o));
    }

    void itTellsOneAfterTheOther()
    {
        NearnessTeller teller;
        QSignalSpy told(&teller, &NearnessTeller::told);
        NearnessTeller::Subject gentle = m_subject, resting = m_subject;
        gentle.treatment.luminance = gentle.treatment.colour = 0.3;
        resting.frame = nullptr; // the file has the same samples
        teller.want({m_subject, gentle, resting});
        QTRY_COMPARE_WITH_TIMEOUT(told.size(), 3, kPatienceMs);
        QTRY_COMPARE_WITH_TIMEOUT(teller.waiting(), 0, kPatienceMs);
        const double known = nearnessAllOver(Cleaner(m_subject.frame, m_subject.noise, m_subject.treatment)).value()->db;
        QCOMPARE(told[0][3].toDouble(), known);
        QVERIFY2(told[1][3].toDouble() < known - 1, qPrintable(told[1][3].toString()));
        QVERIFY(told[1][1].value<Treatment>() == gentle.treatment);
        QCOMPARE(told[2][3].toDouble(), known);
    }

    /// Regions decide, too.
    void regionsTakePart()
    {
        NearnessTeller teller;
        QSignalSpy told(&teller, &NearnessTeller::told);
        NearnessTeller::Subject other = m_subject;
        Region all;
        all.luminance = all.colour = 0; // nothing is taken anywhere
        MaskPart part;
        part.kind = MaskPart::Kind::Painted; // nowhere
        all.parts = {part};
        all.inverted = true;
        other.regions = std::vector<Region>{all};
        teller.want({m_subject, other});
        QTRY_COMPARE_WITH_TIMEOUT(told.size(), 2, kPatienceMs);
        QVERIFY2(told[1][3].toDouble() < told[0][3].toDouble() - 1, qPrintable(told[1][3].toString()));
    }

    void whatCannotBeToldIsSaid()
    {
        NearnessTeller teller;
        QSignalSpy told(&teller, &NearnessTeller::told);
        NearnessTeller::Subject gone = m_subject, guess = m_subject;
        gone.frame = nullptr;
        gone.path = m_dir.filePath("gone.dng");
        auto noise = std::make_shared<NoiseReport>(*guess.noise);
        noise->confidence = 0;
        guess.noise = noise;
        teller.want({gone, guess});
        QTRY_COMPARE_WITH_TIMEOUT(told.size(), 2, kPatienceMs);
        QCOMPARE(told[0][3].toDouble(), -1.0);
        QCOMPARE(told[1][3].toDouble(), -1.0);
    }

    /// Whoever asks for all that is not known asks for what is being told, too.
    void nothingIsToldTwice()
    {
        NearnessTeller teller;
        QSignalSpy told(&teller, &NearnessTeller::told);
        NearnessTeller::Subject slow = m_subject, other = m_subject;
        slow.treatment.method = "unet-ensemble";
        teller.want({slow, other});
        QTRY_COMPARE_WITH_TIMEOUT(teller.waiting(), 2, kPatienceMs);
        for (int i = 0; i < 20 && told.isEmpty(); ++i) {
            QTest::qWait(10); // it has begun
            teller.want({slow, other});
        }
        QTRY_COMPARE_WITH_TIMEOUT(teller.waiting(), 0, kPatienceMs);
        QTRY_COMPARE_WITH_TIMEOUT(told.size(), 2, kPatienceMs);
    }

    void theLastWishCountsAndNobodyWaitsForTheRest()
    {
        constexpr int kMany = 2000;
        std::atomic<int> all = 0;
        {
            NearnessTeller teller;
            connect(
                &teller, &NearnessTeller::told, &teller, [&] { ++all; }, Qt::DirectConnection);
            QSignalSpy told(&teller, &NearnessTeller::told);
            NearnessTeller::Subject slow = m_subject;
            slow.treatment.method = "unet-ensemble";
            teller.want(std::list<NearnessTeller::Subject>(20, slow));
            teller.want({m_subject});
            QVERIFY(teller.waiting() <= 2);
            QTRY_VERIFY_WITH_TIMEOUT(!told.isEmpty() && told.last()[1].value<Treatment>() == m_subject.treatment, kPatienceMs);
            QVERIFY(told.size() <= 2);
            teller.want(std::list<NearnessTeller::Subject>(kMany, m_subject));
            QTRY_VERIFY_WITH_TIMEOUT(told.size() >= 2, kPatienceMs);
        }
        QVERIFY2(all < kMany / 2, qPrintable(QString::number(all))); // its end did not wait for them
    }

private:
    QTemporaryDir m_dir;
    NearnessTeller::Subject m_subject;
};

QTEST_GUILESS_MAIN(NearnessTellerTest)
#include "nearness_teller_test.moc"
