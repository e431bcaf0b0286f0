// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/process.h"
#include "irenic/read_frame.h"
#include "jobs/images.h"
#include "support/frames.h"
#include "support/hostile.h"
#include "support/windows.h"

#include "session/paths.h"
#include "window/guest_pinning.h"

#include <QMessageBox>
#include <QPushButton>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTimer>
#include <QUrl>

#include <fcntl.h>
#include <sys/resource.h>
#include <sys/stat.h>
#include <unistd.h>

using namespace irenic;
using namespace irenic::test;

namespace {

/// No file may grow beyond so many bytes while it lives: a full disk, for this process alone.
class FullDisk
{
public:
    explicit FullDisk(rlim_t bytes)
    {
        ::getrlimit(RLIMIT_FSIZE, &m_before);
        const rlimit limit{bytes, m_before.rlim_max};
        ::setrlimit(RLIMIT_FSIZE, &limit);
    }
    ~FullDisk() { ::setrlimit(RLIMIT_FSIZE, &m_before); }

private:
    rlimit m_before{};
};

void put(const std::filesystem::path &file, const QByteArray &bytes)
{
    const int d = ::open(file.c_str(), O_CREAT | O_TRUNC | O_WRONLY, 0600);
    QCOMPARE(::write(d, bytes.constData(), size_t(bytes.size())), ssize_t(bytes.size()));
    ::close(d);
}

} // namespace

/// What was decided is never lost, and no file ends the window.
class ReliabilityTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase() { startAfresh(); }
    void init()
    {
        forgetAll();
        m_dir = std::make_unique<QTemporaryDir>();
        const ShootOptions o{.iso = 3200};
        const Shot shot = shoot(makeScene({300, 220}), o).take();
        QVERIFY(writeShot(path("scene.dng"), shot, o));
        m_window = shownWindow();
        QVERIFY(m_window);
    }
    void cleanup() { m_window.reset(); }

    void theWindowOutlivesEveryHostileFile()
    {
        QStringList files;
        for (const Hostile &h : hostileFiles()) {
            put(path(h.name), h.bytes);
            files << fileText(path(h.name));
        }
        QCOMPARE(::mkfifo(path("pipe.dng").c_str(), 0600), 0);
        files << fileText(path("pipe.dng")) << fileText(path("scene.dng"));
        m_window->open(files);
        const auto done = [&] {
            for (int i = 0; i < session()->roll().count(); ++i)
                if (session()->roll().frame(i).state == RollFrame::State::Reading)
                    return false;
            return session()->roll().count() == files.size();
        };
        QVERIFY(QTest::qWaitFor(done, kPatienceMs));
        for (int i = 0; i + 1 < files.size(); ++i) {
            const RollFrame &f = session()->roll().frame(i);
            QVERIFY2(f.state == RollFrame::State::Failed && f.problem.contains("The file was left as it is"), qPrintable(f.path + ": " + f.problem));
        }
        QCOMPARE(int(session()->roll().frame(int(files.size()) - 1).state), int(RollFrame::State::Ready));
    }

    void aNameThatIsNoTextIsOpenedExportedAndKept()
    {
        const std::filesystem::path odd = path("Sch\xe4rfe \xff.dng");
        std::filesystem::rename(path("scene.dng"), odd);
        // As a file manager drops it.
        const QList<QUrl> dropped{QUrl::fromEncoded("file://" + QByteArray::fromStdString(m_dir->path().toStdString()) + "/Sch%E4rfe%20%FF.dng")};
        const QStringList texts = fileTexts(dropped);
        QCOMPARE(texts.size(), 1);
        QVERIFY(fileOf(texts.first()) == odd);
        QVERIFY(hang(m_window.get(), texts));
        ExportJob job;
        job.source = odd;
        job.folder = m_dir->path().toStdString();
        job.treatment = {"wavelet", {}, 1.0, 1.0};
        m_window->exportQueue()->add(job);
        QTRY_COMPARE_WITH_TIMEOUT(m_window->exportQueue()->count(QueuedJob::State::Done), 1, kPatienceMs);
        QVERIFY(std::filesystem::is_regular_file(path("Sch\xe4rfe \xff-clean.dng")));
        const SavedSession saved = sessionFromText(sessionText(session()->saved(m_dir->path())), "x").take();
        QVERIFY(saved.frames[0].file == odd);
        QVERIFY(saved.frames[0].exported.at(0) == path("Sch\xe4rfe \xff-clean.dng"));
    }

    void guestsOfAMissingDriveStayInTheSession()
    {
        const std::filesystem::path guest = path("guest.dng"), away = path("away.dng");
        std::filesystem::copy_file(path("scene.dng"), guest);
        QVERIFY(hang(m_window.get(), {fileText(path("scene.dng"))}));
        m_window->guests()->pin({fileText(guest)});
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(0).guests.size(), size_t(1), kPatienceMs);
        const QString file = m_dir->filePath("roll" + SessionKeeper::ending());
        QVERIFY(m_window->keeper()->saveAs(file));
        const auto guestsIn = [&] {
            QFile f(file);
            return f.open(QIODevice::ReadOnly) ? sessionFromText(f.readAll().toStdString(), "x").take().frames[0].guests.size() : size_t(99);
        };
        QCOMPARE(guestsIn(), size_t(1));
        // The drive is away at the next start, and something else is decided meanwhile.
        std::filesystem::rename(guest, away);
        m_window = shownWindow();
        m_window->openSession(file);
        QTRY_COMPARE_WITH_TIMEOUT(int(session()->roll().frame(0).state), int(RollFrame::State::Ready), kPatienceMs);
        QTRY_VERIFY_WITH_TIMEOUT(!session()->roll().frame(0).lostGuests.isEmpty(), kPatienceMs);
        QVERIFY(session()->roll().frame(0).guests.empty());
        session()->editing().chooseKeeper(0);
        QVERIFY(m_window->keeper()->keep());
        QCOMPARE(guestsIn(), size_t(1));
        // Quitting before anything was read keeps it, too.
        m_window = shownWindow();
        m_window->openSession(file);
        m_window.reset();
        QCOMPARE(guestsIn(), size_t(1));
        // And when the drive is back, the guest hangs again.
        std::filesystem::rename(away, guest);
        m_window = shownWindow();
        m_window->openSession(file);
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(0).guests.size(), size_t(1), kPatienceMs);
        QVERIFY(session()->editing().undoStack()->isClean() && !session()->editing().undoStack()->canUndo()); // no step of undo
        // One that will not come back can be taken down, and that undone.
        std::filesystem::rename(guest, away);
        m_window = shownWindow();
        m_window->openSession(file);
        QAction *takeDown = m_window->findChild<QAction *>("unpinLost");
        QVERIFY(takeDown && !takeDown->isEnabled());
        QTRY_VERIFY_WITH_TIMEOUT(takeDown->isEnabled(), kPatienceMs);
        takeDown->trigger();
        QVERIFY(session()->roll().frame(0).guestFiles.isEmpty());
        QVERIFY(!takeDown->isEnabled());
        session()->editing().undoStack()->undo();
        QCOMPARE(session()->roll().frame(0).guestFiles.size(), 1);
    }

    void guestsOfARestingFrameComeBackWithIt()
    {
        for (const char *name : {"second.dng", "guest.dng"})
            std::filesystem::copy_file(path("scene.dng"), path(name));
        QVERIFY(hang(m_window.get(), {fileText(path("scene.dng")), fileText(path("second.dng"))}));
        m_window->guests()->pin({fileText(path("guest.dng"))});
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(0).guests.size(), size_t(1), kPatienceMs);
        const std::weak_ptr<const Guest> held = session()->roll().frame(0).guests[0];
        session()->roll().setMemoryBudget(1);
        session()->viewing().setCurrent(1);
        session()->roll().makeRoom(1);
        QCOMPARE(int(session()->roll().frame(0).state), int(RollFrame::State::Resting));
        QTRY_VERIFY_WITH_TIMEOUT(held.expired(), kPatienceMs); // panes let go of it, too
        QCOMPARE(session()->saved(m_dir->path()).frames[0].guests.size(), size_t(1));
        session()->roll().setMemoryBudget(size_t(1) << 30);
        session()->viewing().setCurrent(0);
        QTRY_COMPARE_WITH_TIMEOUT(session()->roll().frame(0).guests.size(), size_t(1), kPatienceMs);
        session()->editing().undoStack()->undo();
        QCOMPARE(session()->roll().frame(0).guests.size(), size_t(0));
        session()->editing().undoStack()->redo();
        QCOMPARE(session()->roll().frame(0).guests.size(), size_t(1));
    }

    void closingOnAFullDiskIsSaid()
    {
        QVERIFY(hang(m_window.get(), {fileText(path("scene.dng"))}));
        SessionKeeper *keeper = m_window->keeper();
        QVERIFY(keeper->keep());
        const QString file = keeper->file();
        const QByteArray before = contents(file);
        session()->editing().chooseKeeper(1);
        {
            const FullDisk full(400);
            QSignalSpy failed(keeper, &SessionKeeper::failed);
            QTRY_VERIFY_WITH_TIMEOUT(failed.count() > 0, kPatienceMs); // by itself, a second after the change
            // Closing asks; whoever says no stays.
            QString asked;
            QTimer answer;
            connect(&answer, &QTimer::timeout, this, [&] {
                if (auto *box = qobject_cast<QMessageBox *>(qApp->activeModalWidget())) {
                    asked = box->text();
                    box->button(QMessageBox::No)->click();
                }
            });
            answer.start(20);
            QVERIFY(!m_window->close());
            QVERIFY2(asked.contains("could not be kept"), qPrintable(asked));
            QCOMPARE(contents(file), before); // the last one is whole
        }
        QVERIFY(keeper->keep());
        QCOMPARE(sessionFromText(contents(file).toStdString(), "x").value().frames[0].keeper, 1);
    }

    void aQueueThatCannotBeKeptIsSaidOnce()
    {
        const QTemporaryDir kept;
        ExportQueue queue;
        queue.keepIn(kept.path());
        queue.setPaused(true);
        QSignalSpy failed(&queue, &ExportQueue::keepingFailed);
        ExportJob job;
        job.source = path("scene.dng");
        job.folder = m_dir->path().toStdString();
        {
            const FullDisk full(400); // locks must be written
            queue.add(job);
            queue.add(job);
            QCOMPARE(failed.count(), 1);
            QVERIFY(failed[0][0].toString().contains("could not be kept"));
        }
        queue.add(job);
        QFile file(kept.filePath("queue-1.json"));
        QVERIFY(file.open(QIODevice::ReadOnly));
        QCOMPARE(queueFromText(file.readAll().toStdString(), "x").value().size(), size_t(3));
    }

    /// The list of a process that is gone lies on disk until all of it lies in one's own.
    void anotherProcessesQueueIsNotLostOnAFullDisk()
    {
        const QTemporaryDir kept;
        const auto entry = [&](const char *name) {
            QueuedJob q;
            q.job.source = path(name);
            q.job.folder = m_dir->path().toStdString();
            return q;
        };
        const auto list = [&](int i, const QByteArray &bytes) { put(std::filesystem::path(kept.filePath(QStringLiteral("queue-%1.json").arg(i)).toStdString()), bytes); };
        list(1, QByteArray::fromStdString(queueText({entry("a.dng")})));
        list(2, QByteArray::fromStdString(queueText({entry("b.dng"), entry("c.dng")})));
        {
            const FullDisk full(400); // locks must be written
            ExportQueue queue;
            QCOMPARE(queue.keepIn(kept.path()), 3);
            ExportQueue other; // nobody else takes them meanwhile
            QCOMPARE(other.keepIn(kept.path()), 0);
        }
        ExportQueue later;
        QCOMPARE(later.keepIn(kept.path()), 3);
        QVERIFY(!QFile::exists(kept.filePath("queue-2.json")));
    }

    void whatALaterVersionLeftIsNeverReplaced()
    {
        const QTemporaryDir kept;
        for (int i = 0; i < 3; ++i) {
            put(std::filesystem::path(kept.filePath("queue-1.json").toStdString()), QByteArray("{\"format\":\"irenic-queue\",\"version\":") + char('7' + i) + QByteArray(",\"jobs\":[]}"));
            ExportQueue queue;
            QCOMPARE(queue.keepIn(kept.path()), 0);
        }
        QCOMPARE(QDir(kept.path()).entryList({"*.unread*"}).size(), 3);
    }

    /// A picture of the comparison never takes the place of a file, least of all of an original.
    void aComparisonReplacesNothing()
    {
        const QByteArray original = contents(m_dir->filePath("scene.dng"));
        const QImage image(20, 20, QImage::Format_RGB32);
        const Status s = writeNewPng(m_dir->filePath("scene.dng"), image);
        QVERIFY(!s && s.error().code == ErrorCode::Taken);
        QCOMPARE(contents(m_dir->filePath("scene.dng")), original);
        QVERIFY(writeNewPng(m_dir->filePath("new.png"), image));
        QCOMPARE(QImage(m_dir->filePath("new.png")).size(), image.size());
        QCOMPARE(freeFile(m_dir->path(), "new", ".png"), m_dir->filePath("new-2.png")); // so another name is proposed
        QCOMPARE(freeFile(m_dir->path(), "other", ".png"), m_dir->filePath("other.png"));
    }

    /// Taken off and put back while it is read: the second reading changes nothing of a frame that is there.
    void aSecondReadingLeavesAReadyFrameAsItIs()
    {
        QVERIFY(hang(m_window.get(), {fileText(path("scene.dng"))}));
        const auto before = session()->roll().frame(0).frame;
        session()->roll().setOpened(session()->roll().frame(0).path, readFrame(path("scene.dng")).take());
        QCOMPARE(session()->roll().frame(0).frame, before);
        session()->roll().setReadingFailed(session()->roll().frame(0).path, "gone");
        QCOMPARE(int(session()->roll().frame(0).state), int(RollFrame::State::Ready));
    }

private:
    Session *session() { return m_window->session(); }
    std::filesystem::path path(const char *name) const { return std::filesystem::path(m_dir->path().toStdString()) / name; }
    static QByteArray contents(const QString &file)
    {
        QFile f(file);
        return f.open(QIODevice::ReadOnly) ? f.readAll() : QByteArray();
    }
    std::unique_ptr<QTemporaryDir> m_dir;
    std::unique_ptr<MainWindow> m_window;
};

int main(int argc, char **argv)
{
    prepareProcess();
    QApplication app(argc, argv);
    ReliabilityTest test;
    return QTest::qExec(&test, argc, argv);
}
#include "reliability_test.moc"
