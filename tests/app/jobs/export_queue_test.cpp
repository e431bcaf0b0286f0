// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/read_frame.h"
#include "jobs/export_queue.h"
#include "support/frames.h"

#include <QCoreApplication>
#include <QDir>
#include <QProcess>
#include <QRandomGenerator>
#include <QSignalSpy>
#include <QTemporaryDir>
#include <QTest>

#include <csignal>

using namespace irenic;
using namespace irenic::test;

namespace {

using State = QueuedJob::State;
constexpr auto kChild = "IRENIC_TEST_QUEUE"; ///< folder of the queue; set in the process that is going to be killed

ExportJob jobOf(const QString &source, const QString &folder, const QString &name = QStringLiteral("{name}-clean"))
{
    ExportJob job;
    job.source = source.toStdString();
    job.treatment = {"wavelet", {}, 1.0, 1.0};
    job.folder = folder.toStdString();
    job.nameTemplate = name.toStdString();
    return job;
}

QStringList allIn(const QString &folder)
{
    return QDir(folder).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot, QDir::Name);
}

/// Does what waits in a folder's queue, and ends.
int runChild(int argc, char **argv)
{
    QCoreApplication app(argc, argv);
    ExportQueue queue;
    QObject::connect(&queue, &ExportQueue::finished, &app, &QCoreApplication::quit, Qt::QueuedConnection);
    if (queue.keepIn(qEnvironmentVariable(kChild)) == 0)
        return 0;
    queue.setPaused(false);
    return app.exec();
}

} // namespace

class ExportQueueTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        for (int i = 0; i < 3; ++i) {
            const ShootOptions o{.iso = 3200, .seed = uint64_t(i + 1)};
            QVERIFY(writeShot(shot(i).toStdString(), shoot(makeScene({240, 160}), o).value(), o));
        }
        QFile bad(m_dir.filePath("bad.dng"));
        QVERIFY(bad.open(QIODevice::WriteOnly) && bad.write("words") == 5);
    }

    void theOrderCanBeChangedAndOneBadFrameIsPassedOver()
    {
        const QTemporaryDir out;
        ExportQueue queue;
        queue.setPaused(true);
        QSignalSpy exported(&queue, &ExportQueue::exported), failed(&queue, &ExportQueue::failed), finished(&queue, &ExportQueue::finished);
        for (int i = 0; i < 3; ++i)
            queue.add(jobOf(shot(i), out.path()));
        queue.add(jobOf(m_dir.filePath("bad.dng"), out.path()));
        QVERIFY(!queue.isBusy());
        const int last = queue.entries()[2].id;
        queue.move(last, -10);
        queue.move(queue.entries()[3].id, -1);
        QCOMPARE(queue.entries().front().id, last);
        queue.setPaused(false);
        QTRY_COMPARE_WITH_TIMEOUT(finished.count(), 1, kPatienceMs);
        QCOMPARE(failed.count(), 1);
        QVERIFY(failed[0][1].toString().contains("bad.dng"));
        QStringList order;
        for (const auto &signal : exported)
            order << QFileInfo(signal[1].toString()).fileName();
        QCOMPARE(order, (QStringList{"frame-2-clean.dng", "frame-0-clean.dng", "frame-1-clean.dng"}));
        QCOMPARE(allIn(out.path()), (QStringList{"frame-0-clean.dng", "frame-1-clean.dng", "frame-2-clean.dng"}));
        const QString report = queue.report();
        QVERIFY(report.startsWith("3 written, 0 there already, 1 failed"));
        QVERIFY(report.contains("the same to the last bit") && report.contains(out.filePath("frame-1-clean.dng")));
        queue.clearOver();
        QVERIFY(queue.entries().empty());
        QCOMPARE(allIn(out.path()).size(), 3);
    }

    void aFrameIsCleanedOnceForAllItsFormats()
    {
        const QTemporaryDir out;
        ExportQueue queue;
        queue.setPaused(true);
        QSignalSpy finished(&queue, &ExportQueue::finished);
        ExportJob tiff = jobOf(shot(0), out.path()), other = jobOf(shot(0), out.path(), QStringLiteral("other")), next = jobOf(shot(1), out.path());
        tiff.format = ExportFormat::Tiff;
        other.treatment.luminance = 0.5;
        for (const ExportJob &job : {jobOf(shot(0), out.path()), tiff, other, next})
            queue.add(job);
        queue.setPaused(false);
        QTRY_COMPARE_WITH_TIMEOUT(finished.count(), 1, kPatienceMs);
        QCOMPARE(queue.count(State::Done), 4);
        QList<bool> cleaned;
        for (const auto &e : queue.entries())
            cleaned << e.wasCleaned;
        QCOMPARE(cleaned, (QList<bool>{false, true, false, false}));
    }

    /// What is only written says nothing of how long the others will take.
    void whatWasSeenTeachesNoTimes()
    {
        const QTemporaryDir out;
        const auto frame = readFrame(shot(0).toStdString()).value();
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*frame).take());
        CleanCache seen;
        ExportQueue queue;
        queue.setSeen(&seen);
        QSignalSpy finished(&queue, &ExportQueue::finished);
        const ExportJob job = jobOf(shot(0), out.path());
        QVERIFY(seen.clean(Cleaner(frame, noise, job.treatment.resolved(*frame, *noise, naturalFormat(*frame))), frame->active, {}).ok());
        queue.add(job, frame, noise, 1000);
        QTRY_COMPARE_WITH_TIMEOUT(finished.count(), 1, kPatienceMs);
        QCOMPARE(queue.count(State::Done), 1);
        QCOMPARE(queue.ratio(), 1.0);
        ExportJob other = jobOf(shot(0), out.path(), QStringLiteral("other"));
        other.treatment.luminance = 0.5;
        queue.add(other, frame, noise, 1000);
        QTRY_COMPARE_WITH_TIMEOUT(finished.count(), 2, kPatienceMs);
        QVERIFY(queue.ratio() < 0.5);
    }

    void whatFailedCanBeTriedAgain()
    {
        const QTemporaryDir out;
        const QString late = out.filePath("late.dng");
        ExportQueue queue;
        QSignalSpy finished(&queue, &ExportQueue::finished);
        queue.add(jobOf(late, out.path()));
        QTRY_COMPARE_WITH_TIMEOUT(finished.count(), 1, kPatienceMs);
        QCOMPARE(queue.count(State::Failed), 1);
        QVERIFY(QFile::copy(shot(0), late)); // the drive is back
        queue.retryFailed();
        QTRY_COMPARE_WITH_TIMEOUT(finished.count(), 2, kPatienceMs);
        QCOMPARE(queue.count(State::Done), 1);
        QVERIFY(queue.entries().front().words.find("to the last bit") != std::string::npos);
    }

    void cancellingLeavesNothingBehind()
    {
        const QTemporaryDir out;
        ExportQueue queue;
        QSignalSpy finished(&queue, &ExportQueue::finished);
        const ShootOptions o{.iso = 6400};
        const QString large = out.filePath("large.dng");
        QVERIFY(writeShot(large.toStdString(), shoot(makeScene({2400, 1800}), o).value(), o));
        ExportJob slow = jobOf(large, out.path());
        slow.treatment.method = "bm3d";
        queue.add(slow);
        queue.add(jobOf(shot(0), out.path()));
        queue.add(jobOf(shot(1), out.path()));
        QTRY_VERIFY_WITH_TIMEOUT(queue.fraction() > 0, kPatienceMs);
        QVERIFY(queue.secondsLeft(queue.entries()[0]) > 0 || queue.fraction() <= 0.1);
        queue.cancel(queue.entries()[1].id);
        queue.cancel(queue.entries()[0].id);
        QTRY_COMPARE_WITH_TIMEOUT(finished.count(), 1, kPatienceMs);
        QCOMPARE(queue.count(State::Cancelled), 2);
        QCOMPARE(allIn(out.path()), (QStringList{"frame-1-clean.dng", "large.dng"}));
    }

    void theTimeLeftIsLearntFromWhatWasDone()
    {
        const QTemporaryDir out;
        ExportQueue queue;
        QSignalSpy finished(&queue, &ExportQueue::finished);
        queue.add(jobOf(shot(0), out.path()), {}, {}, 1000); // as if it had been foretold a thousand seconds
        QTRY_COMPARE_WITH_TIMEOUT(finished.count(), 1, kPatienceMs);
        const double taken = queue.entries()[0].seconds;
        QVERIFY(std::abs(queue.ratio() - taken / 1000) < 1e-9);
        queue.setPaused(true);
        queue.add(jobOf(shot(1), out.path()), {}, {}, 2000);
        QVERIFY(std::abs(queue.secondsLeft() - 2 * taken) < 1e-6);
        queue.add(jobOf(shot(2), out.path())); // nothing foretold: as long as the others took
        QVERIFY(std::abs(queue.secondsLeft() - 3 * taken) < 1e-6);
    }

    void twoProcessesKeepTheirOwnQueues()
    {
        const QTemporaryDir kept, out;
        auto first = std::make_unique<ExportQueue>();
        QCOMPARE(first->keepIn(kept.path()), 0);
        first->setPaused(true);
        first->add(jobOf(shot(0), out.path()));
        ExportQueue second;
        QCOMPARE(second.keepIn(kept.path()), 0); // what lives is left alone
        first.reset();
        ExportQueue third;
        QCOMPARE(third.keepIn(kept.path()), 1); // what is gone is taken over
        QVERIFY(third.isPaused() && !third.isBusy());
        QCOMPARE(third.entries().front().job.source.string(), shot(0).toStdString());
    }

    /// Killed between making the lock and writing down whose it is.
    void aLockOfNobodyHoldsNothing()
    {
        const QTemporaryDir kept, out;
        {
            ExportQueue queue;
            queue.keepIn(kept.path());
            queue.setPaused(true);
            queue.add(jobOf(shot(0), out.path()));
        }
        QVERIFY(allIn(kept.path()).contains("queue-1.json"));
        QFile lock(kept.filePath("queue-1.json.lock"));
        QVERIFY(lock.open(QIODevice::WriteOnly));
        lock.close();
        ExportQueue queue;
        QCOMPARE(queue.keepIn(kept.path()), 1);
        ExportQueue other; // and now it has an owner
        QCOMPARE(other.keepIn(kept.path()), 0);
    }

    void aQueueThatCannotBeReadIsPutAside()
    {
        const QTemporaryDir kept;
        const QByteArray later = "{\"format\":\"irenic-queue\",\"version\":99,\"jobs\":[]}";
        QFile file(kept.filePath("queue-1.json"));
        QVERIFY(file.open(QIODevice::WriteOnly) && file.write(later) == later.size());
        file.close();
        ExportQueue queue;
        QCOMPARE(queue.keepIn(kept.path()), 0);
        QFile aside(kept.filePath("queue-1.json.unread"));
        QVERIFY(aside.open(QIODevice::ReadOnly));
        QCOMPARE(aside.readAll(), later);
    }

    /// Power goes again and again while thirty frames are exported: every file there is whole, none is lost, none is made twice.
    void nothingIsLostWhereTheProcessIsKilled()
    {
        constexpr int kFrames = 30;
        const int kills = qEnvironmentVariable("IRENIC_TEST_KILLS", "40").toInt(); // of which many come before anything has begun
        const QTemporaryDir kept, out;
        {
            ExportQueue queue;
            queue.keepIn(kept.path());
            queue.setPaused(true);
            for (int i = 0; i < kFrames; ++i) {
                ExportJob job = jobOf(shot(i % 3), out.path(), QStringLiteral("frame-%1").arg(i, 2, 10, QChar('0')));
                if (i % 5 == 4)
                    job.format = ExportFormat::Tiff;
                job.again = true; // as an export from the window
                queue.add(job);
            }
        }
        QProcess child;
        QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
        environment.insert(kChild, kept.path());
        child.setProcessEnvironment(environment);
        child.setProcessChannelMode(QProcess::ForwardedErrorChannel);
        QRandomGenerator random(7);
        const auto check = [&](bool all) {
            int whole = 0;
            for (const QString &name : allIn(out.path())) {
                if (name.startsWith(QStringLiteral(".irenic-")) && !all)
                    continue; // unfinished, under no name of its own
                const auto frame = readFrame(out.filePath(name).toStdString());
                QVERIFY2(frame.ok(), frame.ok() ? "" : frame.error().userMessage.c_str());
                QVERIFY2(name.size() == 12, qPrintable(name)); // frame-NN.xxx: no frame-NN-2.dng
                ++whole;
            }
            if (all)
                QCOMPARE(whole, kFrames);
        };
        int killed = 0;
        for (int i = 0; i < kills; ++i) {
            child.start(QCoreApplication::applicationFilePath(), QStringList());
            QVERIFY(child.waitForStarted());
            if (!child.waitForFinished(random.bounded(5, 200))) {
                ::kill(pid_t(child.processId()), SIGKILL);
                ++killed;
                QVERIFY(child.waitForFinished());
            }
            check(false);
        }
        QVERIFY2(killed >= 5, "too quick to be killed: the test tells nothing");
        child.start(QCoreApplication::applicationFilePath(), QStringList());
        QVERIFY(child.waitForFinished(kPatienceMs));
        QCOMPARE(child.exitStatus(), QProcess::NormalExit);
        ExportQueue rest;
        QCOMPARE(rest.keepIn(kept.path()), 0);
        for (const QString &name : allIn(out.path())) // swept by whoever writes there next, once it is old enough to be nobody's
            if (name.startsWith(QStringLiteral(".irenic-")))
                QVERIFY(QFile::remove(out.filePath(name)));
        check(true);
    }

private:
    QString shot(int i) const { return m_dir.filePath(QStringLiteral("frame-%1.dng").arg(i)); }
    QTemporaryDir m_dir;
};

int main(int argc, char **argv)
{
    if (qEnvironmentVariableIsSet(kChild))
        return runChild(argc, argv);
    QCoreApplication app(argc, argv);
    ExportQueueTest test;
    return QTest::qExec(&test, argc, argv);
}
#include "export_queue_test.moc"
