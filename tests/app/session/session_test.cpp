// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/session.h"
#include "support/frames.h"

#include <QSignalSpy>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

class SessionTest : public QObject
{
    Q_OBJECT
private slots:
    void init()
    {
        m_session = std::make_unique<Session>();
        m_session->addPaths({"/roll/one.dng", "/roll/two.dng"});
        const Simulated s = simulate(makeScene({128, 96}), {});
        for (const char *path : {"/roll/one.dng", "/roll/two.dng"})
            m_session->setReadingDone(path, s.frame, s.noise, {});
    }

    void framesAreAddedOnce()
    {
        QSignalSpy added(m_session.get(), &Session::framesAdded);
        QVERIFY(m_session->addPaths({"/roll/two.dng"}).isEmpty());
        QCOMPARE(m_session->addPaths({"/roll/two.dng", "/roll/three.dng"}).size(), 1);
        QCOMPARE(added.size(), 1);
        QCOMPARE(m_session->count(), 3);
    }

    void threeMethodsHangAtFirst()
    {
        const RollFrame &f = m_session->frame(0);
        QVERIFY(f.trials[1] == f.suggestion.treatment);
        QVERIFY(f.trials[0].method != f.trials[1].method && f.trials[1].method != f.trials[2].method && f.trials[2].method != f.trials[0].method);
        for (int t = 0; t < f.trialCount(); ++t)
            QVERIFY(!f.hasLeftSuggestion(t));
    }

    void aNewMethodBringsItsStrengthsUnlessSomebodyChoseThem()
    {
        m_session->changeMethod(0, "dct", {});
        m_session->changeMethod(0, "nlm", "wavelet");
        const Treatment own = suggestedFor("nlm", *m_session->frame(0).noise);
        QCOMPARE(m_session->frame(0).trials[0].luminance, own.luminance);
        QCOMPARE(m_session->frame(0).trials[0].colour, own.colour);
        QVERIFY(m_session->frame(0).trials[0].isMixed());
        QVERIFY(!m_session->frame(0).hasLeftSuggestion(0));
        QCOMPARE(m_session->undoStack()->undoText(), QStringLiteral("method of A"));
        m_session->changeStrength(0, false, 0.42);
        m_session->changeMethod(0, "bm3d", "bm3d"); // the same for both is not a mixture
        QCOMPARE(m_session->frame(0).trials[0].luminance, 0.42);
        QVERIFY(!m_session->frame(0).trials[0].isMixed());
        const int steps = m_session->undoStack()->count();
        m_session->changeMethod(0, "bm3d", {});
        QCOMPARE(m_session->undoStack()->count(), steps);
        m_session->undoStack()->undo();
        QCOMPARE(m_session->frame(0).trials[0].method, std::string("nlm"));
    }

    void changesUndoWithWords()
    {
        m_session->changeStrength(1, false, 0.42);
        QCOMPARE(m_session->frame(0).trials[1].luminance, 0.42);
        QCOMPARE(m_session->undoStack()->undoText(), QStringLiteral("luminance strength of B"));
        m_session->returnToSuggestion(1);
        QVERIFY(!m_session->frame(0).hasLeftSuggestion(1));
        m_session->undoStack()->undo();
        QCOMPARE(m_session->frame(0).trials[1].luminance, 0.42);
        m_session->undoStack()->undo();
        QVERIFY(!m_session->frame(0).hasLeftSuggestion(1));
        m_session->undoStack()->redo();
        QCOMPARE(m_session->frame(0).trials[1].luminance, 0.42);
    }

    void aDragIsOneStep()
    {
        for (int i = 1; i <= 20; ++i)
            m_session->changeStrength(2, true, 0.1 * i, 77);
        m_session->changeStrength(2, true, 0.3, 78);
        QCOMPARE(m_session->undoStack()->count(), 2);
        m_session->undoStack()->undo();
        QCOMPARE(m_session->frame(0).trials[2].colour, 2.0);
        m_session->undoStack()->undo();
        QVERIFY(!m_session->frame(0).hasLeftSuggestion(2));
    }

    void valuesStayOnTheScale()
    {
        m_session->changeStrength(0, false, 17);
        QCOMPARE(m_session->frame(0).trials[0].luminance, 3.0);
        m_session->changeStrength(0, false, -2);
        QCOMPARE(m_session->frame(0).trials[0].luminance, 0.0);
        m_session->setPushEv(9);
        QCOMPARE(m_session->pushEv(), 6.0);
        m_session->setViewport({2, {1.7, -3}});
        QCOMPARE(m_session->viewport().centre, QPointF(1, 0));
    }

    void keeperIsChosenAndTakenBack()
    {
        m_session->chooseKeeper(2);
        QCOMPARE(m_session->frame(0).keeper, 2);
        m_session->chooseKeeper(2);
        QCOMPARE(m_session->frame(0).keeper, -1);
        m_session->undoStack()->undo();
        QCOMPARE(m_session->frame(0).keeper, 2);
        QCOMPARE(m_session->frame(1).keeper, -1);
    }

    void undoGoesToTheFrameThatItChanges()
    {
        m_session->changeStrength(1, false, 0.5);
        m_session->setCurrent(1);
        m_session->undoStack()->undo();
        QCOMPARE(m_session->current(), 0);
    }

    void aFrameThatFailedTakesNoChanges()
    {
        m_session->addPaths({"/roll/bad.dng"});
        m_session->setReadingFailed("/roll/bad.dng", "bad.dng is empty.");
        m_session->setCurrent(2);
        m_session->changeStrength(1, false, 0.5);
        m_session->chooseKeeper(1);
        QCOMPARE(m_session->undoStack()->count(), 0);
        QCOMPARE(m_session->frame(2).problem, QStringLiteral("bad.dng is empty."));
    }

private:
    std::unique_ptr<Session> m_session;
};

QTEST_MAIN(SessionTest)
#include "session_test.moc"
