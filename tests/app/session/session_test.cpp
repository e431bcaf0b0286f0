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

    void trialsAreALadderAroundTheSuggestion()
    {
        const RollFrame &f = m_session->frame(0);
        QVERIFY(f.trials[0].luminance < f.trials[1].luminance && f.trials[1].luminance < f.trials[2].luminance);
        QVERIFY(!f.hasLeftSuggestion(1));
        QVERIFY(f.hasLeftSuggestion(0));
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
        QCOMPARE(m_session->frame(0).trials[2].colour, 1.6);
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
