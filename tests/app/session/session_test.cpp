// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/session.h"
#include "support/frames.h"

#include <QSignalSpy>
#include <QTemporaryFile>
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

    void aFrameIsTakenOffAndPutBack()
    {
        const auto frame = m_session->frame(0).frame;
        m_session->setCurrent(1);
        m_session->changeParam(0, kLuminanceParam, 0.42);
        m_session->setCurrent(0);
        m_session->chooseKeeper(2);
        QSignalSpy roll(m_session.get(), &Session::rollChanged), wanted(m_session.get(), &Session::pixelsWanted), current(m_session.get(), &Session::currentChanged);
        m_session->takeOff(0);
        QCOMPARE(m_session->count(), 1);
        QCOMPARE(m_session->current(), 0);
        QCOMPARE(m_session->readyFrame()->path, QStringLiteral("/roll/two.dng"));
        QCOMPARE(m_session->readyFrame()->trials[0].luminance, 0.42);
        QCOMPARE(m_session->undoStack()->undoText(), QStringLiteral("taking one off the roll"));
        QCOMPARE(roll.size(), 1);
        QCOMPARE(current.size(), 1); // the number is the same, the frame is not
        QVERIFY(wanted.isEmpty());

        m_session->undoStack()->undo();
        QCOMPARE(m_session->currentFrame()->path, QStringLiteral("/roll/one.dng"));
        QCOMPARE(m_session->currentFrame()->keeper, 2);
        QCOMPARE(wanted.size(), 1); // its pixels were let go
        m_session->setAwake("/roll/one.dng", frame);
        QVERIFY(m_session->readyFrame());
        m_session->undoStack()->undo();
        QCOMPARE(m_session->readyFrame()->keeper, -1);
        m_session->undoStack()->undo();
        QVERIFY(m_session->frame(1).trials[0].luminance != 0.42);
        for (int i = 0; i < 3; ++i)
            m_session->undoStack()->redo();
        QCOMPARE(m_session->count(), 1);
        QCOMPARE(m_session->frame(0).trials[0].luminance, 0.42);
    }

    void theLastFrameLeavesAnEmptyRoll()
    {
        m_session->setCurrent(1);
        m_session->takeOff(1);
        QCOMPARE(m_session->current(), 0);
        m_session->takeOff(0);
        QCOMPARE(m_session->current(), -1);
        QVERIFY(!m_session->currentFrame() && m_session->trial() < 0);
        m_session->takeOff(0);
        QCOMPARE(m_session->undoStack()->count(), 2);
        m_session->undoStack()->undo();
        QCOMPARE(m_session->currentFrame()->path, QStringLiteral("/roll/one.dng"));
    }

    void aFileThatCameBackByItselfIsNotPutBackTwice()
    {
        m_session->takeOff(0);
        QCOMPARE(m_session->addPaths({"/roll/one.dng"}), QList<int>{1});
        QCOMPARE(m_session->undoStack()->count(), 0);
        QCOMPARE(m_session->count(), 2);
    }

    void aFileThatWasFoundIsNotPutBackTwice()
    {
        QTemporaryFile found;
        QVERIFY(found.open());
        m_session->addPaths({found.fileName()});
        m_session->takeOff(2);
        m_session->setCurrent(1);
        m_session->setMemoryBudget(1);
        m_session->makeRoom(1); // the first rests, and is not there when it is read again
        m_session->setReadingFailed("/roll/one.dng", "It is gone.");
        QCOMPARE(m_session->setFound("/roll/one.dng", found.fileName()), QStringList{found.fileName()});
        QCOMPARE(m_session->undoStack()->count(), 0);
        QCOMPARE(m_session->count(), 2);
    }

    void whatWasStillReadWhenTakenOffIsReadAnew()
    {
        m_session->addPaths({"/roll/three.dng"});
        QSignalSpy wanted(m_session.get(), &Session::readingWanted);
        m_session->takeOff(2);
        m_session->setOpened("/roll/three.dng", m_session->frame(0).frame); // what was under way ends, and nobody asks any more
        m_session->setReadingDone("/roll/three.dng", m_session->frame(0).frame, m_session->frame(0).noise, {});
        QCOMPARE(m_session->count(), 2);
        m_session->undoStack()->undo();
        QCOMPARE(wanted, (QList<QVariantList>{{QStringLiteral("/roll/three.dng")}}));
        m_session->setReadingDone("/roll/three.dng", m_session->frame(0).frame, m_session->frame(0).noise, {});
        QCOMPARE(m_session->frame(2).state, RollFrame::State::Ready);
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
        m_session->changeParam(0, kLuminanceParam, 0.42);
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
        m_session->changeParam(1, kLuminanceParam, 0.42);
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
            m_session->changeParam(2, kColourParam, 0.1 * i, 77);
        m_session->changeParam(2, kColourParam, 0.3, 78);
        QCOMPARE(m_session->undoStack()->count(), 2);
        m_session->undoStack()->undo();
        QCOMPARE(m_session->frame(0).trials[2].colour, 2.0);
        m_session->undoStack()->undo();
        QVERIFY(!m_session->frame(0).hasLeftSuggestion(2));
    }

    void valuesStayOnTheScale()
    {
        m_session->changeParam(0, kLuminanceParam, 17);
        QCOMPARE(m_session->frame(0).trials[0].luminance, 3.0);
        m_session->changeParam(0, kLuminanceParam, -2);
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

    void trialsComeGoAndMove()
    {
        Session &s = *m_session;
        s.chooseKeeper(1);
        const Treatment kept = s.frame(0).trials[1];
        s.addTrial({"dct", 0.5, 0.6}, 0); // before the others: the keeper moves along
        QCOMPARE(s.frame(0).trialCount(), 4);
        QCOMPARE(s.frame(0).keeper, 2);
        QCOMPARE(s.column(), 0);
        s.moveTrial(2, 3);
        QCOMPARE(s.frame(0).keeper, 3);
        QVERIFY(s.frame(0).trials[3] == kept);
        s.moveTrial(0, 3);
        QCOMPARE(s.frame(0).keeper, 2);
        s.removeTrial(0);
        QCOMPARE(s.frame(0).keeper, 1);
        QVERIFY(s.frame(0).trials[1] == kept);
        s.removeTrial(1);
        QCOMPARE(s.frame(0).keeper, -1);
        QCOMPARE(s.undoStack()->undoText(), QStringLiteral("removing trial B"));
        while (s.undoStack()->canUndo())
            s.undoStack()->undo();
        QCOMPARE(s.frame(0).trialCount(), kFirstTrials);
        QCOMPARE(s.frame(0).keeper, -1);
        while (s.undoStack()->canRedo())
            s.undoStack()->redo();
        QCOMPARE(s.frame(0).trialCount(), 2);
    }

    void thereIsAlwaysATrialAndNeverTooMany()
    {
        Session &s = *m_session;
        for (int i = 0; i < 20; ++i)
            s.addTrial({"dct", 0.1 * i, 1});
        QCOMPARE(s.frame(0).trialCount(), kMostTrials);
        QVERIFY(!s.canAddTrial());
        QCOMPARE(s.column(), kMostTrials - 1);
        for (int i = 0; i < 20; ++i)
            s.removeTrial(0);
        QCOMPARE(s.frame(0).trialCount(), 1);
        QCOMPARE(s.column(), 0); // the keyboard is on a column that is there
    }

    void spotsAreMarkedMovedNamedAndRemoved()
    {
        Session &s = *m_session;
        QCOMPARE(s.addSpot({200, 10}), -1); // outside the picture of 128 x 96
        QCOMPARE(s.addSpot({20, 30}), 0);
        QCOMPARE(s.addSpot({100, 80}, SpotKind::Edge), 1);
        QCOMPARE(s.frame(0).spots[1].words(), QStringLiteral("edge"));
        s.renameSpot(1, "  mast  ");
        QCOMPARE(s.frame(0).spots[1].words(), QStringLiteral("mast"));
        s.reorderSpot(1, 0);
        QCOMPARE(s.frame(0).spots[0].at, QPoint(100, 80));
        s.goToSpot(0);
        QCOMPARE(s.viewport().zoom, 2.0);
        QCOMPARE(s.spotAt(0), 0);
        QCOMPARE(s.lastSpot(), 0);
        s.moveSpot(0, {50, 50});
        QCOMPARE(s.spotAt(0), -1);
        s.removeSpot(0);
        QCOMPARE(s.frame(0).spots.size(), size_t(1));
        s.undoStack()->undo();
        s.undoStack()->undo();
        QCOMPARE(s.frame(0).spots[0].at, QPoint(100, 80));
        for (int i = 0; i < 20; ++i)
            s.addSpot({i, i});
        QCOMPARE(s.frame(0).spots.size(), size_t(kMostSpots));
    }

    void spotsAreCarriedToFramesOfTheSameSize()
    {
        Session &s = *m_session;
        s.addPaths({"/roll/small.dng"});
        const Simulated small = simulate(makeScene({64, 48}), {});
        s.setReadingDone("/roll/small.dng", small.frame, small.noise, {});
        s.addSpot({20, 30});
        QCOMPARE(s.carrySpots(), 1);
        QVERIFY(s.frame(1).spots == s.frame(0).spots);
        QVERIFY(s.frame(2).spots.empty());
        QCOMPARE(s.carrySpots(), 0); // there already
        QCOMPARE(s.current(), 0);
        s.undoStack()->undo();
        QVERIFY(s.frame(1).spots.empty());
    }

    void rowsLookAtSpotsThatNoOtherRowLooksAt()
    {
        Session &s = *m_session;
        for (const QPoint at : {QPoint(20, 20), QPoint(60, 40), QPoint(100, 80)})
            s.addSpot(at);
        s.goToSpot(1);
        s.setRowCount(3);
        QCOMPARE(s.rowCount(), 3);
        QCOMPARE(s.spotAt(0), 1);
        QCOMPARE(s.spotAt(1), 0);
        QCOMPARE(s.spotAt(2), 2);
        s.setRow(2);
        s.setViewport({4, {0.1, 0.1}});
        QCOMPARE(s.viewport(0).zoom, 4.0); // one magnification for all rows, a place for each
        QCOMPARE(s.spotAt(0), 1);
        QCOMPARE(s.spotAt(2), -1);
        s.setRowCount(99);
        QCOMPARE(s.rowCount(), kMostRows);
        s.setRowCount(1);
        QCOMPARE(s.row(), 0);
    }

    void oneTreatmentForAllFramesIsOneStep()
    {
        Session &s = *m_session;
        const Treatment t{"bm3d", 0.7, 0.9};
        QCOMPARE(s.treatAll(t), 2);
        for (int i = 0; i < 2; ++i)
            QVERIFY(s.frame(i).trials[size_t(s.frame(i).keeper)] == t);
        const int trials = s.frame(0).trialCount();
        s.treatAll(t); // again: it hangs already
        QCOMPARE(s.frame(0).trialCount(), trials);
        s.undoStack()->undo();
        s.undoStack()->undo();
        QCOMPARE(s.frame(1).keeper, -1);
        QCOMPARE(s.frame(1).trialCount(), kFirstTrials);
    }

    void undoGoesToTheFrameThatItChanges()
    {
        m_session->changeParam(1, kLuminanceParam, 0.5);
        m_session->setCurrent(1);
        m_session->undoStack()->undo();
        QCOMPARE(m_session->current(), 0);
    }

    void aFrameThatFailedTakesNoChanges()
    {
        m_session->addPaths({"/roll/bad.dng"});
        m_session->setReadingFailed("/roll/bad.dng", "bad.dng is empty.");
        m_session->setCurrent(2);
        m_session->changeParam(1, kLuminanceParam, 0.5);
        m_session->chooseKeeper(1);
        QCOMPARE(m_session->undoStack()->count(), 0);
        QCOMPARE(m_session->frame(2).problem, QStringLiteral("bad.dng is empty."));
    }

private:
    std::unique_ptr<Session> m_session;
};

QTEST_MAIN(SessionTest)
#include "session_test.moc"
