// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/document.h"
#include "irenic/export_job.h"
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"
#include "irenic/session_file.h"
#include "storage/process_mark.h"
#include "support/frames.h"

#include <QDir>
#include <QElapsedTimer>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

#include <csignal>
#include <random>
#include <thread>

using namespace irenic;
using namespace irenic::test;

namespace {

QStringList everything(const QString &folder)
{
    return QDir(folder).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot, QDir::Name);
}

/// Runs the command line some times at once; how each ended, and what they wrote.
struct Race {
    QList<int> statuses;
    int written = 0, skipped = 0;
    QByteArray errors;
};

Race race(int processes, const QStringList &arguments, bool withoutLinks)
{
    QProcessEnvironment environment = QProcessEnvironment::systemEnvironment();
    if (withoutLinks)
        environment.insert("LD_PRELOAD", IRENIC_NO_LINKS);
    std::vector<std::unique_ptr<QProcess>> all;
    for (int i = 0; i < processes; ++i) {
        all.push_back(std::make_unique<QProcess>());
        all.back()->setProcessEnvironment(environment);
        all.back()->start(QStringLiteral(IRENIC_BIN "/irenic-cli"), arguments);
    }
    Race r;
    for (const auto &p : all) {
        if (!p->waitForFinished(kPatienceMs))
            p->kill();
        r.statuses << (p->exitStatus() == QProcess::NormalExit ? p->exitCode() : -1);
        const QByteArray out = p->readAllStandardOutput();
        r.written += int(out.count("\"written\":true"));
        r.skipped += int(out.count("\"skipped\":true"));
        r.errors += p->readAllStandardError();
    }
    return r;
}

} // namespace

/// Processes and threads that want the same at the same moment.
class RacesTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase()
    {
        const ShootOptions o{.iso = 6400, .seed = 3};
        m_source = m_dir.filePath("frame.dng");
        QVERIFY(writeShot(m_source.toStdString(), shoot(makeScene({240, 160}), o).value(), o));
    }

    void twoProcessesAndOneName_data()
    {
        QTest::addColumn<QString>("clash");
        QTest::addColumn<bool>("withoutLinks");
        for (const char *clash : {"number", "skip"})
            for (const bool without : {false, true})
                QTest::addRow("%s%s", clash, without ? ", no hard links" : "") << QString::fromLatin1(clash) << without;
    }
    void twoProcessesAndOneName()
    {
#if defined(__SANITIZE_ADDRESS__) || defined(__SANITIZE_THREAD__)
        QSKIP("what is preloaded must come after the sanitizer's own library");
#endif
        QFETCH(QString, clash);
        QFETCH(bool, withoutLinks);
        for (int round = 0; round < 6; ++round) {
            const QTemporaryDir out;
            // The same export twice: one writes it, the other finds it there, by whichever rule.
            const Race same = race(2, {"clean", m_source, "--out", out.path(), "--method", "wavelet", "--luminance", "1", "--colour", "1", "--clash", clash, "--threads", "1", "--json"}, withoutLinks);
            QVERIFY2(same.statuses == (QList<int>{0, 0}), same.errors.constData());
            QCOMPARE(same.written, 1);
            QCOMPARE(same.skipped, 1);
            QCOMPARE(everything(out.path()), QStringList{"frame-clean.dng"});
        }
    }

    void otherExportsGetOtherNumbers()
    {
        const QTemporaryDir out;
        std::vector<std::thread> threads;
        std::atomic<int> failed = 0;
        for (int i = 0; i < 4; ++i)
            threads.emplace_back([&, i] {
                ExportJob job;
                job.source = m_source.toStdString();
                job.folder = out.path().toStdString();
                job.treatment = {"wavelet", {}, 0.25 * (i + 1), 1.0};
                failed += !runExportJob(job, nullptr, nullptr, {1, {}, {}});
            });
        for (std::thread &t : threads)
            t.join();
        QCOMPARE(failed.load(), 0);
        QCOMPARE(everything(out.path()), (QStringList{"frame-clean-2.dng", "frame-clean-3.dng", "frame-clean-4.dng", "frame-clean.dng"}));
    }

    void oneCacheServesManyThreads()
    {
        const auto frame = readFrame(m_source.toStdString()).take();
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*frame).take());
        const Cleaner cleaner(frame, noise, {"wavelet", 1, 1});
        const auto alone = cleanForStorage(cleaner, {1, {}, {}});
        CleanCache cache;
        std::vector<std::thread> threads;
        std::atomic<int> other = 0;
        for (int i = 0; i < 4; ++i)
            threads.emplace_back([&] {
                const auto got = cleanForStorage(cleaner, {2, {}, {}}, &cache);
                other += !got || !sameBits(got.value().samples.constView(), alone.value().samples.constView());
            });
        for (std::thread &t : threads)
            t.join();
        QCOMPARE(other.load(), 0);
    }

    /// Parts of processes that live elsewhere are theirs for a day.
    void partsOfOthersAreLeftAlone()
    {
        const QTemporaryDir out;
        const auto part = [&](const std::string &mark, int hours) {
            const std::filesystem::path file = out.filePath(QString::fromStdString(".irenic-" + mark + "abcd" + std::to_string(hours) + ".part")).toStdString();
            QFile(QString::fromStdString(file.string())).open(QIODevice::WriteOnly);
            std::filesystem::last_write_time(file, std::filesystem::file_time_type::clock::now() - std::chrono::hours(hours));
            return QString::fromStdString(file.filename().string());
        };
        const std::string mine = ownMark(), machine = mine.substr(0, mine.find('-'));
        QStringList kept{part(mine + "-", 100), part("0badcafe-77-5-", 20), part("", 20)};
        kept.sort();
        part(machine + "-1-1234567890123-", 0); // of a process that is gone
        part("0badcafe-78-5-", 30);
        part("", 30); // as version 0.1 called them
        QCOMPARE(sweepUnfinished(out.path().toStdString()), 3);
        QCOMPARE(everything(out.path()), kept);
    }

    /// Whoever saves is killed at any moment: what lies there is the last version or the one before, whole.
    void aDocumentThatIsKilledWhileSavedStaysWhole()
    {
        const QTemporaryDir dir;
        const std::filesystem::path file = dir.filePath("roll.irenic-session.json").toStdString();
        const auto text = [](int frames) {
            SavedSession s;
            for (int i = 0; i < frames; ++i)
                s.frames.push_back({.file = "/roll/frame-" + std::to_string(i) + ".dng"});
            s.current = 0;
            return sessionText(s);
        };
        // Killed within a few times what saving takes here: disks differ, and sanitizers are slow.
        constexpr int kSaved = 5;
        QElapsedTimer saving;
        saving.start();
        for (int i = 0; i < kSaved; ++i)
            QVERIFY(replaceDocument(file, text(400)));
        const auto longestUs = unsigned(std::max<int64_t>(8000, 4 * saving.nsecsElapsed() / kSaved / 1000));
        QVERIFY(replaceDocument(file, text(1)));
        std::mt19937 random(5);
        size_t most = 0;
        for (int i = 0; i < 200; ++i) {
            const pid_t child = ::fork();
            if (child == 0) {
                for (int n = 1;; n = n % 400 + 37)
                    (void)replaceDocument(file, text(n));
            }
            ::usleep(useconds_t(500 + random() % longestUs));
            ::kill(child, SIGKILL);
            ::waitpid(child, nullptr, 0);
            const auto read = documentText(file, "session");
            QVERIFY(read);
            const auto session = sessionFromText(read.value(), "it");
            QVERIFY2(session, session ? "" : session.error().userMessage.c_str());
            most = std::max(most, session.value().frames.size());
        }
        QVERIFY2(most > 1, "nothing was ever saved: the test tells nothing");
        QVERIFY(replaceDocument(file, text(2))); // sweeps what the killed ones left
        QCOMPARE(everything(dir.path()), QStringList{"roll.irenic-session.json"});
    }

    void aFolderThatVanishesIsAnErrorAndNoCrash_data()
    {
        QTest::addColumn<QString>("format");
        for (const ExportFormat f : kExportFormats)
            QTest::newRow(formatName(f)) << QString::fromLatin1(formatName(f));
    }
    void aFolderThatVanishesIsAnErrorAndNoCrash()
    {
        QFETCH(QString, format);
        const QTemporaryDir out;
        ExportJob job;
        job.source = m_source.toStdString();
        job.folder = out.filePath("drive").toStdString();
        job.treatment = {"wavelet", {}, 1.0, 1.0};
        job.format = formatFromName(format.toStdString());
        const auto done = runExportJob(job, nullptr, nullptr, {1, {}, [&](double) { std::filesystem::remove_all(job.folder); }});
        QVERIFY(!done);
        QVERIFY2(done.error().userMessage.find("was not written") != std::string::npos, done.error().userMessage.c_str());
        QVERIFY(readFrame(m_source.toStdString()).ok());
    }

    void theTargetMayLieOnAnotherFileSystem()
    {
        QTemporaryDir other("/dev/shm/irenic-test-XXXXXX");
        if (!other.isValid())
            QSKIP("there is no second file system here");
        ExportJob job;
        job.source = m_source.toStdString();
        job.folder = other.path().toStdString();
        job.treatment = {"wavelet", {}, 1.0, 1.0};
        QVERIFY(runExportJob(job, nullptr, nullptr));
        QCOMPARE(everything(other.path()), QStringList{"frame-clean.dng"});
    }

    /// The disk is full at every place in a file, one after the other.
    void aWriteThatFailsAnywhereLeavesNothing_data()
    {
        QTest::addColumn<QString>("format");
        for (const ExportFormat f : kExportFormats)
            QTest::newRow(formatName(f)) << QString::fromLatin1(formatName(f));
    }
    void aWriteThatFailsAnywhereLeavesNothing()
    {
#ifdef __SANITIZE_THREAD__
        QSKIP("the sanitizer's run time needs files of its own");
#endif
        QFETCH(QString, format);
        const QStringList arguments{"clean", m_source, "--method", "wavelet", "--luminance", "1", "--colour", "1", "--format", format, "--threads", "1", "--out"};
        const QTemporaryDir whole;
        const Ran sound = run("irenic-cli", arguments + QStringList{whole.path()});
        QVERIFY2(sound.status == 0, sound.err.constData());
        const qint64 bytes = QFileInfo(whole.filePath(everything(whole.path()).first())).size();
        for (const double share : {0.0, 0.02, 0.3, 0.6, 0.9, 0.999}) {
            const QTemporaryDir out;
            QProcess p;
            p.setChildProcessModifier([limit = rlim_t(double(bytes) * share)] {
                const rlimit most{limit, limit};
                ::setrlimit(RLIMIT_FSIZE, &most); // SIGXFSZ, too, is to be borne
            });
            p.start(QStringLiteral(IRENIC_BIN "/irenic-cli"), arguments + QStringList{out.path()});
            QVERIFY(p.waitForFinished(kPatienceMs));
            const QByteArray error = p.readAllStandardError();
            QVERIFY2(p.exitStatus() == QProcess::NormalExit && p.exitCode() == 1, error.constData());
            QVERIFY2(error.contains("was not written") && error.count('\n') == 1, error.constData());
            QVERIFY2(everything(out.path()).isEmpty(), qPrintable(everything(out.path()).join(u' ')));
        }
    }

private:
    QTemporaryDir m_dir;
    QString m_source;
};

QTEST_GUILESS_MAIN(RacesTest)
#include "races_test.moc"
