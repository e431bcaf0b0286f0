// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/series.h"
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
            m_session->roll().setReadingDone(path, s.frame, s.noise, {});
    }

    void framesAreAddedOnce()
    {
        QSignalSpy added(&m_session->roll(), &Roll::framesAdded);
        QVERIFY(m_session->addPaths({"/roll/two.dng"}).isEmpty());
        QCOMPARE(m_session->addPaths({"/roll/two.dng", "/roll/three.dng"}).size(), 1);
        QCOMPARE(added.size(), 1);
        QCOMPARE(m_session->roll().count(), 3);
    }

    void aFrameIsTakenOffAndPutBack()
    {
        const auto frame = m_session->roll().frame(0).frame;
        m_session->viewing().setCurrent(1);
        m_session->editing().changeParam(0, kLuminanceParam, 0.42);
        m_session->viewing().setCurrent(0);
        m_session->editing().chooseKeeper(2);
        QSignalSpy roll(&m_session->roll(), &Roll::rollChanged), wanted(&m_session->roll(), &Roll::pixelsWanted), current(&m_session->viewing(), &Viewing::currentChanged);
        m_session->editing().takeOff(0);
        QCOMPARE(m_session->roll().count(), 1);
        QCOMPARE(m_session->viewing().current(), 0);
        QCOMPARE(m_session->viewing().readyFrame()->path, QStringLiteral("/roll/two.dng"));
        QCOMPARE(m_session->viewing().readyFrame()->trials[0].luminance, 0.42);
        QCOMPARE(m_session->editing().undoStack()->undoText(), QStringLiteral("taking one off the roll"));
        QCOMPARE(roll.size(), 1);
        QCOMPARE(current.size(), 1); // the number is the same, the frame is not
        QVERIFY(wanted.isEmpty());

        m_session->editing().undoStack()->undo();
        QCOMPARE(m_session->viewing().currentFrame()->path, QStringLiteral("/roll/one.dng"));
        QCOMPARE(m_session->viewing().currentFrame()->keeper, 2);
        QCOMPARE(wanted.size(), 1); // its pixels were let go
        m_session->roll().setAwake("/roll/one.dng", frame);
        QVERIFY(m_session->viewing().readyFrame());
        m_session->editing().undoStack()->undo();
        QCOMPARE(m_session->viewing().readyFrame()->keeper, -1);
        m_session->editing().undoStack()->undo();
        QVERIFY(m_session->roll().frame(1).trials[0].luminance != 0.42);
        for (int i = 0; i < 3; ++i)
            m_session->editing().undoStack()->redo();
        QCOMPARE(m_session->roll().count(), 1);
        QCOMPARE(m_session->roll().frame(0).trials[0].luminance, 0.42);
    }

    void theLastFrameLeavesAnEmptyRoll()
    {
        m_session->viewing().setCurrent(1);
        m_session->editing().takeOff(1);
        QCOMPARE(m_session->viewing().current(), 0);
        m_session->editing().takeOff(0);
        QCOMPARE(m_session->viewing().current(), -1);
        QVERIFY(!m_session->viewing().currentFrame() && m_session->viewing().trial() < 0);
        m_session->editing().takeOff(0);
        QCOMPARE(m_session->editing().undoStack()->count(), 2);
        m_session->editing().undoStack()->undo();
        QCOMPARE(m_session->viewing().currentFrame()->path, QStringLiteral("/roll/one.dng"));
    }

    void aFileThatCameBackByItselfIsNotPutBackTwice()
    {
        m_session->editing().takeOff(0);
        QCOMPARE(m_session->addPaths({"/roll/one.dng"}), QList<int>{1});
        QCOMPARE(m_session->editing().undoStack()->count(), 0);
        QCOMPARE(m_session->roll().count(), 2);
    }

    void aFileThatWasFoundIsNotPutBackTwice()
    {
        QTemporaryFile found;
        QVERIFY(found.open());
        m_session->addPaths({found.fileName()});
        m_session->editing().takeOff(2);
        m_session->viewing().setCurrent(1);
        m_session->roll().setMemoryBudget(1);
        m_session->roll().makeRoom(1); // the first rests, and is not there when it is read again
        m_session->roll().setReadingFailed("/roll/one.dng", "It is gone.");
        QCOMPARE(m_session->roll().setFound("/roll/one.dng", found.fileName()), QStringList{found.fileName()});
        QCOMPARE(m_session->editing().undoStack()->count(), 0);
        QCOMPARE(m_session->roll().count(), 2);
    }

    void whatWasStillReadWhenTakenOffIsReadAnew()
    {
        m_session->addPaths({"/roll/three.dng"});
        QSignalSpy wanted(&m_session->roll(), &Roll::readingWanted);
        m_session->editing().takeOff(2);
        m_session->roll().setOpened("/roll/three.dng", m_session->roll().frame(0).frame); // what was under way ends, and nobody asks any more
        m_session->roll().setReadingDone("/roll/three.dng", m_session->roll().frame(0).frame, m_session->roll().frame(0).noise, {});
        QCOMPARE(m_session->roll().count(), 2);
        m_session->editing().undoStack()->undo();
        QCOMPARE(wanted, (QList<QVariantList>{{QStringLiteral("/roll/three.dng")}}));
        m_session->roll().setReadingDone("/roll/three.dng", m_session->roll().frame(0).frame, m_session->roll().frame(0).noise, {});
        QCOMPARE(m_session->roll().frame(2).state, RollFrame::State::Ready);
    }

    void threeMethodsHangAtFirst()
    {
        const RollFrame &f = m_session->roll().frame(0);
        QVERIFY(f.trials[1] == f.suggestion.treatment);
        QVERIFY(f.trials[0].method != f.trials[1].method && f.trials[1].method != f.trials[2].method && f.trials[2].method != f.trials[0].method);
        for (int t = 0; t < f.trialCount(); ++t)
            QVERIFY(!f.hasLeftSuggestion(t));
    }

    void aNewMethodBringsItsStrengthsUnlessSomebodyChoseThem()
    {
        m_session->editing().changeMethod(0, "dct", {});
        m_session->editing().changeMethod(0, "nlm", "wavelet");
        const Treatment own = suggestedFor("nlm", *m_session->roll().frame(0).noise);
        QCOMPARE(m_session->roll().frame(0).trials[0].luminance, own.luminance);
        QCOMPARE(m_session->roll().frame(0).trials[0].colour, own.colour);
        QVERIFY(m_session->roll().frame(0).trials[0].isMixed());
        QVERIFY(!m_session->roll().frame(0).hasLeftSuggestion(0));
        QCOMPARE(m_session->editing().undoStack()->undoText(), QStringLiteral("method of A"));
        m_session->editing().changeParam(0, kLuminanceParam, 0.42);
        m_session->editing().changeMethod(0, "bm3d", "bm3d"); // the same for both is not a mixture
        QCOMPARE(m_session->roll().frame(0).trials[0].luminance, 0.42);
        QVERIFY(!m_session->roll().frame(0).trials[0].isMixed());
        const int steps = m_session->editing().undoStack()->count();
        m_session->editing().changeMethod(0, "bm3d", {});
        QCOMPARE(m_session->editing().undoStack()->count(), steps);
        m_session->editing().undoStack()->undo();
        QCOMPARE(m_session->roll().frame(0).trials[0].method, std::string("nlm"));
    }

    void changesUndoWithWords()
    {
        m_session->editing().changeParam(1, kLuminanceParam, 0.42);
        QCOMPARE(m_session->roll().frame(0).trials[1].luminance, 0.42);
        QCOMPARE(m_session->editing().undoStack()->undoText(), QStringLiteral("luminance strength of B"));
        m_session->editing().returnToSuggestion(1);
        QVERIFY(!m_session->roll().frame(0).hasLeftSuggestion(1));
        m_session->editing().undoStack()->undo();
        QCOMPARE(m_session->roll().frame(0).trials[1].luminance, 0.42);
        m_session->editing().undoStack()->undo();
        QVERIFY(!m_session->roll().frame(0).hasLeftSuggestion(1));
        m_session->editing().undoStack()->redo();
        QCOMPARE(m_session->roll().frame(0).trials[1].luminance, 0.42);
    }

    void aDragIsOneStep()
    {
        for (int i = 1; i <= 20; ++i)
            m_session->editing().changeParam(2, kColourParam, 0.1 * i, 77);
        m_session->editing().changeParam(2, kColourParam, 0.3, 78);
        QCOMPARE(m_session->editing().undoStack()->count(), 2);
        m_session->editing().undoStack()->undo();
        QCOMPARE(m_session->roll().frame(0).trials[2].colour, 2.0);
        m_session->editing().undoStack()->undo();
        QVERIFY(!m_session->roll().frame(0).hasLeftSuggestion(2));
    }

    void valuesStayOnTheScale()
    {
        m_session->editing().changeParam(0, kLuminanceParam, 17);
        QCOMPARE(m_session->roll().frame(0).trials[0].luminance, 3.0);
        m_session->editing().changeParam(0, kLuminanceParam, -2);
        QCOMPARE(m_session->roll().frame(0).trials[0].luminance, 0.0);
        m_session->viewing().setPushEv(9);
        QCOMPARE(m_session->viewing().pushEv(), 6.0);
        m_session->viewing().setViewport({2, {1.7, -3}});
        QCOMPARE(m_session->viewing().viewport().centre, QPointF(1, 0));
    }

    void keeperIsChosenAndTakenBack()
    {
        m_session->editing().chooseKeeper(2);
        QCOMPARE(m_session->roll().frame(0).keeper, 2);
        m_session->editing().chooseKeeper(2);
        QCOMPARE(m_session->roll().frame(0).keeper, -1);
        m_session->editing().undoStack()->undo();
        QCOMPARE(m_session->roll().frame(0).keeper, 2);
        QCOMPARE(m_session->roll().frame(1).keeper, -1);
    }

    void trialsComeGoAndMove()
    {
        Session &s = *m_session;
        s.editing().chooseKeeper(1);
        const Treatment kept = s.roll().frame(0).trials[1];
        s.editing().addTrial({"dct", 0.5, 0.6}, 0); // before the others: the keeper moves along
        QCOMPARE(s.roll().frame(0).trialCount(), 4);
        QCOMPARE(s.roll().frame(0).keeper, 2);
        QCOMPARE(s.viewing().column(), 1);
        s.editing().moveTrial(2, 3);
        QCOMPARE(s.roll().frame(0).keeper, 3);
        QVERIFY(s.roll().frame(0).trials[3] == kept);
        s.editing().moveTrial(0, 3);
        QCOMPARE(s.roll().frame(0).keeper, 2);
        s.editing().removeTrial(0);
        QCOMPARE(s.roll().frame(0).keeper, 1);
        QVERIFY(s.roll().frame(0).trials[1] == kept);
        s.editing().removeTrial(1);
        QCOMPARE(s.roll().frame(0).keeper, -1);
        QCOMPARE(s.editing().undoStack()->undoText(), QStringLiteral("removing trial B"));
        while (s.editing().undoStack()->canUndo())
            s.editing().undoStack()->undo();
        QCOMPARE(s.roll().frame(0).trialCount(), kFirstTrials);
        QCOMPARE(s.roll().frame(0).keeper, -1);
        while (s.editing().undoStack()->canRedo())
            s.editing().undoStack()->redo();
        QCOMPARE(s.roll().frame(0).trialCount(), 2);
    }

    void thereIsAlwaysATrialAndNeverTooMany()
    {
        Session &s = *m_session;
        for (int i = 0; i < 20; ++i)
            s.editing().addTrial({"dct", 0.1 * i, 1});
        QCOMPARE(s.roll().frame(0).trialCount(), kMostTrials);
        QVERIFY(!s.editing().canAddTrial());
        QCOMPARE(s.viewing().column(), kMostTrials);
        for (int i = 0; i < 20; ++i)
            s.editing().removeTrial(0);
        QCOMPARE(s.roll().frame(0).trialCount(), 1);
        QCOMPARE(s.viewing().column(), 1); // the keyboard is on a column that is there
    }

    void aChangeTellsWhatItChanged()
    {
        QSignalSpy changed(&m_session->roll(), &Roll::choicesChanged);
        const auto last = [&] { return changed.last().at(1).value<ChoiceParts>(); };
        Editing &e = m_session->editing();
        e.changeParam(1, kColourParam, 0.35);
        QCOMPARE(last(), ChoicePart::Trials);
        e.chooseKeeper(1);
        QCOMPARE(last(), ChoicePart::Keeper);
        e.removeTrial(1);
        QCOMPARE(last(), ChoicePart::Trials | ChoicePart::Keeper);
        e.addSpot({9, 9});
        QCOMPARE(last(), ChoicePart::Spots);
        Rendering brighter = m_session->roll().frame(0).rendering;
        brighter.exposureEv = 1;
        e.changeRendering(brighter, {});
        QCOMPARE(last(), ChoicePart::Rendering);
        e.changeRegions({Region()}, {});
        QCOMPARE(last(), ChoicePart::Regions);
        LensCorrection fringes;
        fringes.fringes = 0.5;
        e.changeLens(fringes, {});
        QCOMPARE(last(), ChoicePart::Lens);
        e.undoStack()->undo();
        QCOMPARE(last(), ChoicePart::Lens);
        QCOMPARE(changed.size(), 8);
        QCOMPARE(changed.last().at(0).toInt(), 0);
    }

    void stepsOfUndoShareTheRegions()
    {
        Region painted;
        painted.parts.emplace_back();
        m_session->editing().changeRegions({painted}, {});
        const Region *held = &m_session->roll().frame(0).regions->front();
        for (int i = 0; i < 20; ++i)
            m_session->editing().changeParam(i % 3, kLuminanceParam, 0.3 + 0.01 * i);
        QCOMPARE(&m_session->roll().frame(0).regions->front(), held);
        while (m_session->editing().undoStack()->index() > 1)
            m_session->editing().undoStack()->undo();
        QCOMPARE(&m_session->roll().frame(0).regions->front(), held);
        m_session->editing().undoStack()->undo();
        QVERIFY(m_session->roll().frame(0).regions->empty());
    }

    void aSeriesIsMadeAndPartedByHand()
    {
        Editing &e = m_session->editing();
        const Roll &roll = m_session->roll();
        QVERIFY(allSeries(roll).empty()); // their times are not known
        QCOMPARE(e.makeSeries({0, 1}), 2);
        QCOMPARE(allSeries(roll), (std::vector<QList<int>>{{0, 1}}));
        QCOMPARE(seriesOf(roll, {1}), (QList<int>{0, 1}));
        e.undoStack()->undo();
        QVERIFY(allSeries(roll).empty());
        e.undoStack()->redo();
        QCOMPARE(e.partSeries({0}), 1);
        QVERIFY(allSeries(roll).empty());
        QCOMPARE(e.partSeries({0}), 0); // nothing to do, and no step of undo
        QCOMPARE(e.undoStack()->count(), 2);
        m_session->addPaths({"/roll/three.dng"});
        QCOMPARE(e.makeSeries({1, 2}), 1); // one that is still being read is passed over
    }

    void aSeriesByHandIsNotThatOfTheTimes()
    {
        Session s;
        const auto taken = [&](const QString &path, const char *at) {
            auto frame = std::make_shared<Frame>(static_cast<const FrameFacts &>(*m_session->roll().frame(0).frame));
            frame->shooting.dateTime = at;
            s.addPaths({path});
            s.roll().setReadingDone(path, frame, m_session->roll().frame(0).noise, {});
        };
        taken("/roll/a.dng", "2025:09:14 06:10:00");
        taken("/roll/b.dng", "2025:09:14 06:10:02");
        taken("/roll/c.dng", "2025:09:14 06:10:04");
        taken("/roll/d.dng", "2025:09:14 09:00:00");
        QCOMPARE(allSeries(s.roll()), (std::vector<QList<int>>{{0, 1, 2}}));
        s.editing().makeSeries({3, 0});
        QCOMPARE(allSeries(s.roll()), (std::vector<QList<int>>{{0, 3}, {1, 2}}));
        s.editing().partSeries({2});
        QCOMPARE(allSeries(s.roll()), (std::vector<QList<int>>{{0, 3}}));
        QCOMPARE(s.editing().partSeries({0, 1, 2, 3}, true), 3);
        QCOMPARE(allSeries(s.roll()), (std::vector<QList<int>>{{0, 1, 2}}));
    }

    /// Three frames of one scene, the second by hand and the third of something else.
    void spotsFollowTheSeries()
    {
        const Scene scene = leavesScene({200, 160});
        const auto thumbnail = [&](int x, int y) {
            QImage image(144, 108, QImage::Format_RGB888);
            for (int v = 0; v < image.height(); ++v)
                for (int u = 0; u < image.width(); ++u) {
                    const float *p = scene.at(x + u, y + v);
                    image.setPixel(u, v, qRgb(int(255 * std::sqrt(std::min(1.f, p[0]))), int(255 * std::sqrt(std::min(1.f, p[1]))), int(255 * std::sqrt(std::min(1.f, p[2])))));
                }
            return image;
        };
        QImage another(144, 108, QImage::Format_RGB888);
        another.fill(Qt::gray);
        Session s;
        const Simulated shot = simulate(makeScene({576, 432}), {});
        const auto frame = std::make_shared<Frame>(static_cast<const FrameFacts &>(*shot.frame));
        frame->shooting.dateTime = "2025:09:14 06:10:00";
        const QImage pictures[] = {thumbnail(20, 20), thumbnail(15, 23), another};
        const QTemporaryDir dir;
        QStringList paths;
        for (const char *name : {"a.dng", "b.dng", "c.dng", "d.dng"}) { // a session looks whether they are there
            paths << dir.filePath(QString::fromLatin1(name));
            QVERIFY(QFile(paths.last()).open(QIODevice::WriteOnly));
        }
        const QString late = paths.takeLast();
        s.addPaths(paths);
        for (int i = 0; i < 3; ++i)
            s.roll().setReadingDone(paths[i], frame, shot.noise, pictures[i], {{SpotKind::Edge, {10 + i, 10}}});
        Editing &e = s.editing();
        e.makeSeries({0, 1, 2});
        e.setSpotsFollow(true);
        const auto spots = [&](int frame) { return s.roll().frame(frame).spots; };
        const auto isNear = [](QPoint at, QPoint wanted) { return (at - wanted).manhattanLength() <= 4; }; // half a pixel of the thumbnails either way
        e.addSpot({200, 160});
        QCOMPARE(spots(0).size(), size_t(2));
        QCOMPARE(spots(1).size(), size_t(2));
        QVERIFY2(isNear(spots(1)[1].at, {220, 148}), qPrintable(QStringLiteral("%1 %2").arg(spots(1)[1].at.x()).arg(spots(1)[1].at.y())));
        QCOMPARE(spots(2).size(), size_t(1));
        QCOMPARE(spots(2)[0].at, QPoint(12, 10)); // it shows something else
        e.renameSpot(1, "cleat");
        QCOMPARE(spots(1)[1].name, QStringLiteral("cleat"));
        e.moveSpot(1, {575, 0}); // follows as far as the picture goes
        QVERIFY(QRect(0, 0, 576, 432).contains(spots(1)[1].at));
        e.undoStack()->undo();
        QVERIFY(isNear(spots(1)[1].at, {220, 148}));
        s.viewing().setCurrent(1); // and the other way round
        e.removeSpot(0);
        QCOMPARE(spots(0).size(), size_t(1));
        QVERIFY(isNear(spots(0)[0].at, {200, 160}));
        // One that is read later takes them, too, and no step of undo; one about which a session decided keeps its own.
        e.partSeries({0, 1, 2}, true); // by their times again, which are the same
        const int steps = e.undoStack()->count();
        const auto read = [&](const QString &path) { s.roll().setReadingDone(path, frame, shot.noise, thumbnail(20, 20), {{SpotKind::Edge, {99, 99}}}); };
        s.addPaths({late});
        read(late);
        QCOMPARE(spots(3).size(), size_t(1));
        QVERIFY(isNear(spots(3)[0].at, {200, 160}));
        QCOMPARE(e.undoStack()->count(), steps);
        SavedSession kept = s.saved(dir.path());
        kept.frames[3].spots = {{"edge", 7, 8, ""}};
        s.restore(kept, dir.path());
        paths << late;
        for (const QString &path : std::as_const(paths))
            read(path);
        QCOMPARE(spots(3).size(), size_t(1));
        QCOMPARE(spots(3)[0].at, QPoint(7, 8));
        e.setSpotsFollow(false);
        e.addSpot({9, 9});
        QCOMPARE(spots(0).size(), size_t(1));
    }

    void spotsAreMarkedMovedNamedAndRemoved()
    {
        Session &s = *m_session;
        QCOMPARE(s.editing().addSpot({200, 10}), -1); // outside the picture of 128 x 96
        QCOMPARE(s.editing().addSpot({20, 30}), 0);
        QCOMPARE(s.editing().addSpot({100, 80}, SpotKind::Edge), 1);
        QCOMPARE(s.roll().frame(0).spots[1].words(), QStringLiteral("edge"));
        s.editing().renameSpot(1, "  mast  ");
        QCOMPARE(s.roll().frame(0).spots[1].words(), QStringLiteral("mast"));
        s.editing().reorderSpot(1, 0);
        QCOMPARE(s.roll().frame(0).spots[0].at, QPoint(100, 80));
        s.viewing().goToSpot(0);
        QCOMPARE(s.viewing().viewport().zoom, 2.0);
        QCOMPARE(s.viewing().spotAt(0), 0);
        QCOMPARE(s.viewing().lastSpot(), 0);
        s.editing().moveSpot(0, {50, 50});
        QCOMPARE(s.viewing().spotAt(0), -1);
        s.editing().removeSpot(0);
        QCOMPARE(s.roll().frame(0).spots.size(), size_t(1));
        s.editing().undoStack()->undo();
        s.editing().undoStack()->undo();
        QCOMPARE(s.roll().frame(0).spots[0].at, QPoint(100, 80));
        for (int i = 0; i < 20; ++i)
            s.editing().addSpot({i, i});
        QCOMPARE(s.roll().frame(0).spots.size(), size_t(kMostSpots));
    }

    void spotsAreCarriedToFramesOfTheSameSize()
    {
        Session &s = *m_session;
        s.addPaths({"/roll/small.dng"});
        const Simulated small = simulate(makeScene({64, 48}), {});
        s.roll().setReadingDone("/roll/small.dng", small.frame, small.noise, {});
        s.editing().addSpot({20, 30});
        QCOMPARE(s.editing().carrySpots(), 1);
        QVERIFY(s.roll().frame(1).spots == s.roll().frame(0).spots);
        QVERIFY(s.roll().frame(2).spots.empty());
        QCOMPARE(s.editing().carrySpots(), 0); // there already
        QCOMPARE(s.viewing().current(), 0);
        s.editing().undoStack()->undo();
        QVERIFY(s.roll().frame(1).spots.empty());
    }

    void rowsLookAtSpotsThatNoOtherRowLooksAt()
    {
        Session &s = *m_session;
        for (const QPoint at : {QPoint(20, 20), QPoint(60, 40), QPoint(100, 80)})
            s.editing().addSpot(at);
        s.viewing().goToSpot(1);
        s.viewing().setRowCount(3);
        QCOMPARE(s.viewing().rowCount(), 3);
        QCOMPARE(s.viewing().spotAt(0), 1);
        QCOMPARE(s.viewing().spotAt(1), 0);
        QCOMPARE(s.viewing().spotAt(2), 2);
        s.viewing().setRow(2);
        s.viewing().setViewport({4, {0.1, 0.1}});
        QCOMPARE(s.viewing().viewport(0).zoom, 4.0); // one magnification for all rows, a place for each
        QCOMPARE(s.viewing().spotAt(0), 1);
        QCOMPARE(s.viewing().spotAt(2), -1);
        s.viewing().setRowCount(99);
        QCOMPARE(s.viewing().rowCount(), kMostRows);
        s.viewing().setRowCount(1);
        QCOMPARE(s.viewing().row(), 0);
    }

    void oneTreatmentForAllFramesIsOneStep()
    {
        Session &s = *m_session;
        const Treatment t{"bm3d", 0.7, 0.9};
        QCOMPARE(s.editing().treatAll(t), 2);
        for (int i = 0; i < 2; ++i)
            QVERIFY(s.roll().frame(i).trials[size_t(s.roll().frame(i).keeper)] == t);
        const int trials = s.roll().frame(0).trialCount();
        s.editing().treatAll(t); // again: it hangs already
        QCOMPARE(s.roll().frame(0).trialCount(), trials);
        s.editing().undoStack()->undo();
        s.editing().undoStack()->undo();
        QCOMPARE(s.roll().frame(1).keeper, -1);
        QCOMPARE(s.roll().frame(1).trialCount(), kFirstTrials);
    }

    void undoGoesToTheFrameThatItChanges()
    {
        m_session->editing().changeParam(1, kLuminanceParam, 0.5);
        m_session->viewing().setCurrent(1);
        m_session->editing().undoStack()->undo();
        QCOMPARE(m_session->viewing().current(), 0);
    }

    void aFrameThatFailedTakesNoChanges()
    {
        m_session->addPaths({"/roll/bad.dng"});
        m_session->roll().setReadingFailed("/roll/bad.dng", "bad.dng is empty.");
        m_session->viewing().setCurrent(2);
        m_session->editing().changeParam(1, kLuminanceParam, 0.5);
        m_session->editing().chooseKeeper(1);
        QCOMPARE(m_session->editing().undoStack()->count(), 0);
        QCOMPARE(m_session->roll().frame(2).problem, QStringLiteral("bad.dng is empty."));
    }

private:
    std::unique_ptr<Session> m_session;
};

QTEST_MAIN(SessionTest)
#include "session_test.moc"
