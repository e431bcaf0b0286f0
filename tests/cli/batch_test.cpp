// SPDX-License-Identifier: GPL-3.0-or-later
// Many files at once, and those that arrive while somebody looks on.
#include "irenic/read_frame.h"
#include "support/frames.h"

#include <QDir>
#include <QElapsedTimer>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

#include <csignal>

using namespace irenic;
using namespace irenic::test;

class BatchTest : public QObject
{
    Q_OBJECT
private slots:
    void init()
    {
        m_dir = std::make_unique<QTemporaryDir>();
        QVERIFY(QDir().mkpath(path("in")));
        QVERIFY(QDir().mkpath(path("made")));
        for (int i = 0; i < 5; ++i) {
            ShootOptions o;
            o.iso = 1600;
            o.seed = uint64_t(i + 1);
            QVERIFY(writeShot(path(QStringLiteral("made/%1.dng").arg(i)).toStdString(), shoot(makeScene({200, 150}), o).value(), o));
        }
    }

    void framesAtOnceAreTheSameFrames()
    {
        QStringList files;
        for (int i = 0; i < 5; ++i)
            files << path(QStringLiteral("made/%1.dng").arg(i));
        files << path("made/nowhere.dng");
        const Ran one = run("irenic-cli", QStringList{"clean", "--method", "wavelet", "--name", "{counter}", "--out", path("one")} + files);
        const Ran many = run("irenic-cli", QStringList{"clean", "--method", "wavelet", "--name", "{counter}", "--jobs", "3", "--out", path("many")} + files);
        QCOMPARE(one.status, 1); // one of them is not there
        QCOMPARE(many.status, 1);
        QVERIFY(many.err.contains("nowhere.dng"));
        QCOMPARE(many.out.count('\n'), one.out.count('\n'));
        QCOMPARE(QDir(path("many")).entryList(QDir::Files), QDir(path("one")).entryList(QDir::Files));
        QCOMPARE(QDir(path("one")).entryList(QDir::Files).size(), 5);
        for (const QString &name : QDir(path("one")).entryList(QDir::Files))
            QVERIFY(sameBits(readFrame(path("one/" + name).toStdString()).value()->samples.constView(), readFrame(path("many/" + name).toStdString()).value()->samples.constView()));
        const Ran quiet = run("irenic-cli", QStringList{"clean", "--method", "wavelet", "--quiet", "--out", path("quiet")} + files.first(2));
        QCOMPARE(quiet.status, 0);
        QVERIFY(quiet.out.isEmpty() && quiet.err.isEmpty());
    }
    void whatArrivesIsCleanedOnce()
    {
        QVERIFY(QFile::copy(path("made/0.dng"), path("in/0.dng"))); // there already
        QProcess watch;
        watch.start(QStringLiteral(IRENIC_BIN "/irenic-cli"), {"watch", path("in"), "--method", "wavelet", "--subfolder", "clean", "--json"});
        QTRY_VERIFY_WITH_TIMEOUT(QFile::exists(path("in/clean/0-clean.dng")), kPatienceMs);
        // Moved in, as a whole; and written in two halves.
        QVERIFY(QFile::copy(path("made/1.dng"), path("moving.tmp")) && QFile::rename(path("moving.tmp"), path("in/1.dng")));
        QFile from(path("made/2.dng")), to(path("in/2.dng"));
        QVERIFY(from.open(QIODevice::ReadOnly) && to.open(QIODevice::WriteOnly));
        const QByteArray bytes = from.readAll();
        QVERIFY(to.write(bytes.first(bytes.size() / 2)) > 0 && to.flush());
        QTRY_VERIFY_WITH_TIMEOUT(QFile::exists(path("in/clean/1-clean.dng")), kPatienceMs);
        QVERIFY(to.write(bytes.sliced(bytes.size() / 2)) > 0);
        to.close();
        QTRY_VERIFY_WITH_TIMEOUT(QFile::exists(path("in/clean/2-clean.dng")), kPatienceMs);
        QTest::qWait(200);
        ::kill(pid_t(watch.processId()), SIGTERM);
        QVERIFY(watch.waitForFinished(kPatienceMs));
        QCOMPARE(watch.exitStatus(), QProcess::NormalExit);
        QCOMPARE(watch.exitCode(), 0); // nothing failed, the half file was not tried
        QCOMPARE(watch.readAllStandardOutput().count("\"written\":true"), 3);
    }
    void aRestartDoesNothingTwice()
    {
        for (int i = 0; i < 3; ++i)
            QVERIFY(QFile::copy(path(QStringLiteral("made/%1.dng").arg(i)), path(QStringLiteral("in/%1.dng").arg(i))));
        const QStringList arguments{"watch", path("in"), "--once", "--method", "wavelet", "--beside", "--json"};
        const Ran first = run("irenic-cli", arguments);
        QCOMPARE(first.status, 0);
        QCOMPARE(first.out.count("\"written\":true"), 3);
        const QStringList there = QDir(path("in")).entryList(QDir::Files);
        QCOMPARE(there.size(), 6);
        // What was written beside the originals is no original.
        const Ran second = run("irenic-cli", arguments);
        QCOMPARE(second.status, 0);
        QCOMPARE(second.out.count("\"written\":true"), 0);
        QCOMPARE(QDir(path("in")).entryList(QDir::Files), there);
    }
    void aFolderThatIsNotThereIsSaid()
    {
        const Ran r = run("irenic-cli", {"watch", path("nowhere"), "--out", path("out")});
        QCOMPARE(r.status, 2);
        QVERIFY(r.err.contains("nowhere"));
    }
    void interruptedNothingHalfWrittenStays()
    {
        QProcess clean;
        QStringList files;
        for (int i = 0; i < 5; ++i)
            files << path(QStringLiteral("made/%1.dng").arg(i));
        clean.start(QStringLiteral(IRENIC_BIN "/irenic-cli"), QStringList{"clean", "--method", "bm3d", "--out", path("out")} + files);
        QTRY_VERIFY_WITH_TIMEOUT(!QDir(path("out")).entryList(QDir::Files).isEmpty(), kPatienceMs);
        ::kill(pid_t(clean.processId()), SIGINT);
        QVERIFY(clean.waitForFinished(kPatienceMs));
        QCOMPARE(clean.exitStatus(), QProcess::NormalExit);
        for (const QString &name : QDir(path("out")).entryList(QDir::Files | QDir::Hidden))
            QVERIFY2(readFrame(path("out/" + name).toStdString()).ok(), qPrintable(name));
    }

private:
    QString path(const QString &name) const { return m_dir->filePath(name); }
    std::unique_ptr<QTemporaryDir> m_dir;
};

QTEST_GUILESS_MAIN(BatchTest)
#include "batch_test.moc"
