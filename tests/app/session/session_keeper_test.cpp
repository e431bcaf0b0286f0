// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/session_keeper.h"
#include "support/frames.h"

#include <QDir>
#include <QSettings>
#include <QSignalSpy>
#include <QStandardPaths>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;
using namespace irenic::test;

/// A session on disk, with frames that are "read" by the test itself.
class SessionKeeperTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        QStandardPaths::setTestModeEnabled(true);
        QCoreApplication::setOrganizationName("irenic");
        QCoreApplication::setApplicationName("irenic-keeper-test");
        m_shot = simulate(makeScene({400, 300}), {});
    }
    void init()
    {
        QSettings().clear();
        m_dir = std::make_unique<QTemporaryDir>();
        for (const char *name : {"a.dng", "b.dng"})
            touch(path(name));
    }

    void everythingIsThereAgain()
    {
        Session before;
        SessionKeeper keeper(&before, path("kept"));
        before.addPaths({path("a.dng"), path("b.dng")});
        read(before, path("a.dng"));
        decide(before);
        QVERIFY(keeper.keep().ok());
        QVERIFY(keeper.file().startsWith(path("kept")) && !keeper.isNamed());
        const SavedSession saved = before.saved(m_dir->path());

        Session after;
        SessionKeeper other(&after, path("kept"));
        QStringList toRead;
        QVERIFY(other.open(copyOf(keeper.file()), &toRead).ok());
        QCOMPARE(toRead, (QStringList{path("a.dng"), path("b.dng")}));
        QVERIFY2(after.saved(m_dir->path()) == saved, "also while nothing is read yet");
        QSignalSpy guests(&after.roll(), &Roll::guestsWanted);
        read(after, path("a.dng"));
        QVERIFY(after.saved(m_dir->path()) == saved);
        QCOMPARE(after.roll().frame(0).trials, before.roll().frame(0).trials);
        QCOMPARE(after.roll().frame(0).spots, before.roll().frame(0).spots);
        QCOMPARE(after.roll().frame(0).series, Choices::kNoSeries);
        QCOMPARE(after.viewing().column(), before.viewing().column());
        QVERIFY(after.viewing().viewport() == before.viewing().viewport());
        QVERIFY(after.viewing().look() == before.viewing().look() && after.viewing().pushEv() == 1.5);
        QCOMPARE(after.editing().undoStack()->count(), 0);
        QVERIFY(guests.isEmpty());
    }

    void itIsKeptByItselfSoonAfterAChange()
    {
        Session session;
        SessionKeeper keeper(&session, path("kept"));
        QTest::qWait(50);
        QVERIFY(keeper.file().isEmpty()); // nothing is open: nothing to keep
        session.addPaths({path("a.dng")});
        QTRY_VERIFY_WITH_TIMEOUT(QFile::exists(keeper.file()), kPatienceMs); // it is written beside the thread that decides on its name
        const auto kept = [&] { return sessionFromText(contentsOf(keeper.file()).toStdString(), "kept").take(); };
        QCOMPARE(kept().frames.size(), size_t(1));
        read(session, path("a.dng"));
        session.editing().chooseKeeper(2);
        QTRY_COMPARE_WITH_TIMEOUT(kept().frames[0].keeper, 2, kPatienceMs);
        session.editing().undoStack()->undo();
        QTRY_COMPARE_WITH_TIMEOUT(kept().frames[0].keeper, -1, kPatienceMs);
    }

    void aSecondWindowGoesOnInACopy()
    {
        Session first, second;
        SessionKeeper one(&first, path("kept")), two(&second, path("kept"));
        first.addPaths({path("a.dng")});
        QVERIFY(one.saveAs(path("roll.irenic-session.json")).ok());
        QVERIFY(one.isNamed());
        QVERIFY(two.last().isEmpty()); // a living window has it
        QStringList toRead;
        QSignalSpy opened(&two, &SessionKeeper::opened);
        QVERIFY(two.open(one.file(), &toRead).ok());
        QCOMPARE(opened.value(0).value(0).toBool(), true);
        QVERIFY(two.file() != one.file() && !two.isNamed());
        second.addPaths({path("b.dng")});
        QVERIFY(two.keep().ok());
        first.viewing().setPushEv(3);
        QVERIFY(one.keep().ok());
        const auto ofOne = sessionFromText(contentsOf(one.file()).toStdString(), "one").take(), ofTwo = sessionFromText(contentsOf(two.file()).toStdString(), "two").take();
        QCOMPARE(ofOne.frames.size(), size_t(1));
        QCOMPARE(ofOne.pushEv, 3.0);
        QCOMPARE(ofTwo.frames.size(), size_t(2));
        QCOMPARE(ofTwo.pushEv, 0.0);
        QVERIFY(!two.saveAs(one.file()).ok());
    }

    void aLockOfNobodyMakesNoCopy()
    {
        QString file, lock;
        {
            Session session;
            SessionKeeper keeper(&session, path("kept"));
            session.addPaths({path("a.dng")});
            QVERIFY(keeper.keep().ok());
            file = keeper.file();
            const QDir locks(path("kept/locks"));
            QCOMPARE(locks.entryList(QDir::Files).size(), 1);
            lock = locks.filePath(locks.entryList(QDir::Files).front());
        }
        QVERIFY(!QFile::exists(lock));
        QFile left(lock); // by one that was killed before it wrote down who it is
        QVERIFY(left.open(QIODevice::WriteOnly));
        left.close();
        Session session;
        SessionKeeper keeper(&session, path("kept"));
        QSignalSpy opened(&keeper, &SessionKeeper::opened);
        QStringList toRead;
        QVERIFY(keeper.open(file, &toRead).ok());
        QCOMPARE(opened.value(0).value(0).toBool(), false);
        QCOMPARE(keeper.file(), file);
    }

    void theLastOneIsOfferedOnceItsWindowIsGone()
    {
        QString file;
        {
            Session session;
            SessionKeeper keeper(&session, path("kept"));
            session.addPaths({path("a.dng")});
            QVERIFY(keeper.keep().ok());
            file = keeper.file();
        }
        Session session;
        const SessionKeeper keeper(&session, path("kept"));
        QCOMPARE(keeper.last(), file);
    }

    void whatIsNoSessionIsNeitherOpenedNorReplaced()
    {
        Session session;
        SessionKeeper keeper(&session, path("kept"));
        session.addPaths({path("a.dng")});
        const QByteArray before = contentsOf(path("b.dng"));
        const Status saved = keeper.saveAs(path("b.dng"));
        QVERIFY(!saved.ok() && saved.error().userMessage.find("b.dng") != std::string::npos);
        QCOMPARE(contentsOf(path("b.dng")), before);
        QVERIFY(keeper.file().isEmpty());
        QStringList toRead;
        QVERIFY(!keeper.open(path("b.dng"), &toRead).ok());
        QVERIFY(!keeper.open(path("nowhere.json"), &toRead).ok());
        QCOMPARE(session.roll().count(), 1); // and what was open is as it was
        QVERIFY(toRead.isEmpty());
    }

    void aFolderThatCannotBeWrittenIsSaid()
    {
        Session session;
        SessionKeeper keeper(&session, path("a.dng/within"));
        session.addPaths({path("a.dng")});
        const Status kept = keeper.keep();
        QVERIFY(!kept.ok() && kept.error().userMessage.find("Ctrl+S") != std::string::npos);
        QVERIFY(keeper.file().isEmpty());
    }

    void missingFramesKeepWhatWasDecidedAndAreFoundTogether()
    {
        Session before;
        SessionKeeper keeper(&before, path("kept"));
        before.addPaths({path("a.dng"), path("b.dng")});
        read(before, path("a.dng"));
        read(before, path("b.dng"));
        decide(before);
        QVERIFY(keeper.keep().ok());
        const QString copy = copyOf(keeper.file());
        QVERIFY(QDir(m_dir->path()).mkpath("elsewhere"));
        for (const char *name : {"a.dng", "b.dng"})
            QVERIFY(QFile::rename(path(name), path("elsewhere/") + name));

        Session after;
        SessionKeeper other(&after, path("kept"));
        QStringList toRead;
        QVERIFY(other.open(copy, &toRead).ok());
        QVERIFY(toRead.isEmpty());
        QVERIFY(after.roll().frame(0).isMissing() && after.roll().frame(1).isMissing());
        QVERIFY(after.roll().frame(0).problem.contains("a.dng"));
        QVERIFY(other.keep().ok());
        QCOMPARE(sessionFromText(contentsOf(copy).toStdString(), "copy").take().frames[0].trials.size(), size_t(4));
        QCOMPARE(after.roll().setFound(path("a.dng"), path("elsewhere/a.dng")), (QStringList{path("elsewhere/a.dng"), path("elsewhere/b.dng")}));
        read(after, path("elsewhere/a.dng"));
        QCOMPARE(after.roll().frame(0).trials, before.roll().frame(0).trials);
        QCOMPARE(after.roll().frame(0).keeper, before.roll().frame(0).keeper);
    }

    /// What a six-by-six frame keeps of its noise is pixels, too: they count, and go with the others.
    void aRestingFrameKeepsNoPixelsOfItsNoise()
    {
        const auto sixBySix = std::make_shared<Frame>(static_cast<const FrameFacts &>(*m_shot.frame));
        sixBySix->samples = m_shot.frame->samples.clone();
        const auto before = std::make_shared<NoiseBeforeColours>();
        before->alone = m_shot.frame;
        sixBySix->beforeColours = before;
        Session session;
        session.roll().setMemoryBudget(400 * 300 * 2 * 2 + 400 * 300); // two frames, not three
        session.addPaths({path("a.dng"), path("b.dng")});
        read(session, path("a.dng"));
        session.roll().setReadingDone(path("b.dng"), sixBySix, m_shot.noise, {}, {});
        QCOMPARE(session.roll().frame(1).state, RollFrame::State::Resting);
        QVERIFY(!session.roll().frame(1).frame->beforeColours);
    }

    void framesThatRestKeepTheirChoicesAndWake()
    {
        Session session;
        session.roll().setMemoryBudget(400 * 300 * 2 + 400 * 300); // one of them, not two
        session.addPaths({path("a.dng"), path("b.dng")});
        read(session, path("a.dng"));
        decide(session);
        read(session, path("b.dng"));
        QCOMPARE(session.roll().frame(1).state, RollFrame::State::Resting);
        QVERIFY(session.roll().frame(1).frame->samples.isEmpty());
        QCOMPARE(session.roll().frame(1).pictureSize(), QSize(400, 300));
        QSignalSpy wanted(&session.roll(), &Roll::pixelsWanted);
        session.viewing().setCurrent(1);
        QCOMPARE(wanted.value(0).value(0).toString(), path("b.dng"));
        QVERIFY(!session.viewing().readyFrame());
        session.roll().setAwake(path("b.dng"), m_shot.frame);
        QVERIFY(session.viewing().readyFrame());
        QCOMPARE(session.roll().frame(0).state, RollFrame::State::Resting);
        QCOMPARE(session.roll().frame(0).keeper, 3);
        session.viewing().setCurrent(0);
        session.roll().setReadingFailed(path("a.dng"), "gone"); // the drive went away meanwhile
        QVERIFY(session.roll().frame(0).isMissing());
        QCOMPARE(session.saved(m_dir->path()).frames[0].trials.size(), size_t(4));
    }

private:
    QString path(const QString &name) const { return m_dir->filePath(name); }
    static void touch(const QString &file)
    {
        QFile f(file);
        QVERIFY(f.open(QIODevice::WriteOnly) && f.write("raw") == 3);
    }
    static QByteArray contentsOf(const QString &file)
    {
        QFile f(file);
        return f.open(QIODevice::ReadOnly) ? f.readAll() : QByteArray();
    }
    QString copyOf(const QString &file) const
    {
        const QString copy = path("copy.irenic-session.json");
        QFile::copy(file, copy);
        return copy;
    }
    void read(Session &session, const QString &file) { session.roll().setReadingDone(file, m_shot.frame, m_shot.noise, {}, {{SpotKind::Edge, {30, 40}}}); }
    static void decide(Session &session)
    {
        session.editing().addTrial({"nlm", 0.4, 1.7, "wavelet"});
        session.editing().chooseKeeper(3);
        session.editing().partSeries({0});
        session.editing().renameSpot(session.editing().addSpot({100, 50}), "knot");
        session.editing().changeRendering({.white = {3400, -2}, .exposureEv = 0.5, .contrast = 0.25}, "rendering");
        session.viewing().setViewport({2, {0.25, 0.75}});
        session.viewing().setRowCount(2);
        session.viewing().setPushEv(1.5);
        session.roll().noteExported(session.roll().frame(0).path, "/out/a.dng");
    }

    Simulated m_shot;
    std::unique_ptr<QTemporaryDir> m_dir;
};

QTEST_GUILESS_MAIN(SessionKeeperTest)
#include "session_keeper_test.moc"
