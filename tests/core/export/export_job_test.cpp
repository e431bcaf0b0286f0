// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export_job.h"
#include "irenic/measure_noise.h"
#include "irenic/nearness.h"
#include "irenic/provenance.h"
#include "irenic/read_frame.h"
#include "irenic/recipe.h"
#include "raw/tiff_tree.h"
#include "storage/atomic_file.h"
#include "support/frames.h"
#include "support/libraw.h"

#include <QDir>
#include <QFile>
#include <QProcess>
#include <QTemporaryDir>
#include <QTest>

#include <csignal>
#include <filesystem>
#include <sys/mount.h>
#include <sys/resource.h>
#include <sys/wait.h>
#include <unistd.h>

using namespace irenic;
using namespace irenic::test;

namespace {

QStringList everything(const QString &folder)
{
    return QDir(folder).entryList(QDir::AllEntries | QDir::Hidden | QDir::NoDotAndDotDot);
}

void put(const QString &file, const QByteArray &bytes)
{
    QFile f(file);
    QVERIFY(f.open(QIODevice::WriteOnly) && f.write(bytes) == bytes.size());
}

QString toolSays(const QStringList &arguments)
{
    QProcess p;
    p.start("exiftool", arguments);
    p.waitForFinished(kPatienceMs);
    return QString::fromUtf8(p.readAllStandardOutput()).trimmed();
}

} // namespace

class ExportJobTest : public QObject
{
    Q_OBJECT
private slots:
    void initTestCase() { QVERIFY(shootInto("wren-01.dng", {})); }
    void init() { m_out = std::make_unique<QTemporaryDir>(); }

    void anExportTellsHowItWasMade_data()
    {
        QTest::addColumn<int>("format");
        for (const ExportFormat f : kExportFormats)
            QTest::addRow("%s", formatName(f)) << int(f);
    }
    void anExportTellsHowItWasMade()
    {
        QFETCH(int, format);
        ExportJob job = jobFor("wren-01.dng");
        job.treatment = WantedTreatment::exactly({"dct", 0.7, 1.2, "wavelet"});
        job.format = ExportFormat(format);
        const auto outcome = runExportJob(job, nullptr, nullptr);
        QVERIFY2(outcome.ok(), outcome.ok() ? "" : outcome.error().userMessage.c_str());
        const auto told = readProvenance(outcome.value().report.file);
        QVERIFY2(told.ok(), told.ok() ? "" : told.error().userMessage.c_str());
        QVERIFY(told.value().treatment == Treatment({"dct", 0.7, 1.2, "wavelet"}));
        QCOMPARE(told.value().source, std::string("wren-01.dng"));
        QCOMPARE(told.value().sourceBytes, uint64_t(std::filesystem::file_size(job.source)));
        QVERIFY(told.value().noise.find("luminanceNoise") != std::string::npos);
        // The trial can be had back from the file.
        const auto recipe = readRecipe(outcome.value().report.file);
        QVERIFY(recipe.ok() && recipe.value().treatment == told.value().treatment);
        // Another reader finds the same words.
        const QString file = QString::fromStdString(outcome.value().report.file.string());
        QCOMPARE(toolSays({"-s3", "-XMP-irenic:ColourMethod", file}), QStringLiteral("wavelet"));
        if (isStillRaw(ExportFormat(format)))
            QCOMPARE(toolSays({"-validate", "-warning", "-error", "-a", "-s3", file}), QStringLiteral("OK"));
        QVERIFY(!readProvenance(job.source)); // the original tells nothing of it
    }

    void foreignXmpStays()
    {
        ExportJob job = jobFor("wren-01.dng");
        const QString source = m_out->filePath("with.dng");
        QVERIFY(QFile::copy(QString::fromStdString(job.source.string()), source));
        toolSays({"-overwrite_original", "-XMP-dc:Subject=ketch", "-XMP-xmp:Rating=4", "-GPSLatitude=54.5", "-GPSLatitudeRef=N", source});
        job.source = source.toStdString();
        for (const ExportFormat format : {ExportFormat::Dng, ExportFormat::Tiff}) {
            job.format = format;
            const auto outcome = runExportJob(job, nullptr, nullptr);
            QVERIFY(outcome.ok());
            const QString said = toolSays({"-s3", "-n", "-XMP-dc:Subject", "-XMP-xmp:Rating", "-GPS:GPSLatitude", "-XMP-irenic:Method", QString::fromStdString(outcome.value().report.file.string())});
            QCOMPARE(said, QStringLiteral("ketch\n4\n54.5\n%1").arg(QString::fromStdString(outcome.value().treatment.method)));
        }
    }

    /// Where the choice is left to a noisy frame, files of colours get the network that answers colours, and mosaics the quicker one for samples.
    void whatIsSuggestedGoesByTheFile_data()
    {
        QTest::addColumn<int>("format");
        QTest::addColumn<bool>("clippedBlack");
        QTest::addColumn<QString>("method");
        for (const ExportFormat f : kExportFormats)
            QTest::addRow("%s", formatName(f)) << int(f) << false << (f == ExportFormat::Dng ? "" : "unet-colour");
        QTest::newRow("tiff of a mosaic that ends at black") << int(ExportFormat::Tiff) << true << "";
    }
    void whatIsSuggestedGoesByTheFile()
    {
        QFETCH(int, format);
        QFETCH(bool, clippedBlack);
        QFETCH(QString, method);
        ShootOptions options = plainShot(6400);
        options.faults.clippedBlack = clippedBlack;
        const Simulated shot = simulate(makeScene({320, 256}), options);
        NoiseReport measured = measureNoise(*shot.frame).take();
        QVERIFY(tellNearest(measured, shot.frame).ok());
        if (method.isEmpty())
            method = QString::fromStdString(suggestTreatment(measured).treatment.method);
        const auto noise = std::make_shared<const NoiseReport>(measured);
        ExportJob job = jobFor("wren-01.dng"); // whose pixels are not asked for
        job.format = ExportFormat(format);
        const auto outcome = runExportJob(job, shot.frame, noise, {}, true);
        QVERIFY2(outcome.ok(), outcome.ok() ? "" : outcome.error().userMessage.c_str());
        QCOMPARE(QString::fromStdString(outcome.value().treatment.method), method);
        QCOMPARE(outcome.value().reason.find("The file holds colours") != std::string::npos, method == "unet-colour");
        job.treatment.method = "unet"; // by name it is what was asked for
        const auto named = runExportJob(job, shot.frame, noise, {}, true);
        QCOMPARE(named.value().treatment.method, std::string("unet"));
    }

    void linearDngIsDemosaicedAndOfTheSameColour()
    {
        ExportJob job = jobFor("wren-01.dng");
        job.treatment = WantedTreatment::exactly({"wavelet", 1, 1});
        job.format = ExportFormat::LinearDng;
        const auto linear = runExportJob(job, nullptr, nullptr);
        QVERIFY2(linear.ok(), linear.ok() ? "" : linear.error().userMessage.c_str());
        const auto back = readFrame(linear.value().report.file);
        QVERIFY(back.ok());
        QCOMPARE(int(back.value()->kind), int(FrameKind::Linear));
        const auto source = readFrame(job.source).take();
        QVERIFY(back.value()->uprightSize() == source->uprightSize());
        // An independent decoder develops both alike but for its own demosaicing.
        job.format = ExportFormat::Dng;
        const auto mosaic = runExportJob(job, nullptr, nullptr);
        constexpr int kBlockPx = 32, kInsetPx = 16;
        const auto a = developedBlocks(linear.value().report.file, kBlockPx, kInsetPx), b = developedBlocks(mosaic.value().report.file, kBlockPx, kInsetPx);
        QVERIFY(!a.empty());
        QCOMPARE(a.size(), b.size());
        for (size_t i = 0; i < a.size(); ++i)
            for (size_t c = 0; c < 3; ++c)
                QVERIFY2(std::abs(a[i][c] - b[i][c]) < 0.02 * b[i][c] + 120, qPrintable(QStringLiteral("%1 %2").arg(a[i][c]).arg(b[i][c])));
    }

    void doneIsDone()
    {
        ExportJob job = jobFor("wren-01.dng");
        const auto first = runExportJob(job, nullptr, nullptr), second = runExportJob(job, nullptr, nullptr);
        QVERIFY(first.ok() && second.ok());
        QVERIFY(!first.value().skipped && second.value().skipped);
        QCOMPARE(second.value().report.file, first.value().report.file);
        // Another original under the same name is no excuse, nor is a damaged result.
        ShootOptions o;
        o.seed = 77;
        QVERIFY(shootInto("other.dng", o));
        ExportJob other = jobFor("other.dng");
        other.nameTemplate = "wren-01-clean";
        const auto third = runExportJob(other, nullptr, nullptr);
        QVERIFY(third.ok() && !third.value().skipped);
        QVERIFY(third.value().report.file.filename() == "wren-01-clean-2.dng");
        std::filesystem::resize_file(first.value().report.file, std::filesystem::file_size(first.value().report.file) / 2);
        const auto fourth = runExportJob(job, nullptr, nullptr);
        QVERIFY(fourth.ok() && !fourth.value().skipped);
        QVERIFY(fourth.value().report.file.filename() == "wren-01-clean-3.dng");
    }

    void aSidecarGoesAlongUnderTheNewName_data()
    {
        QTest::addColumn<QString>("sidecar");
        QTest::addColumn<QString>("becomes");
        QTest::newRow("by stem") << "s.xmp"
                                 << "s-clean.xmp";
        QTest::newRow("by whole name") << "s.dng.xmp"
                                       << "s-clean.dng.xmp";
        QTest::newRow("in capitals") << "s.XMP"
                                     << "s-clean.XMP";
    }
    void aSidecarGoesAlongUnderTheNewName()
    {
        QFETCH(QString, sidecar);
        QFETCH(QString, becomes);
        const QString source = m_out->filePath("s.dng");
        QVERIFY(QFile::copy(m_dir.filePath("wren-01.dng"), source));
        put(m_out->filePath(sidecar), "<x:xmpmeta/>");
        ExportJob job = jobFor("wren-01.dng");
        job.source = source.toStdString();
        const auto outcome = runExportJob(job, nullptr, nullptr);
        QVERIFY(outcome.ok());
        QCOMPARE(QString::fromStdString(outcome.value().report.sidecar.filename().string()), becomes);
        QFile copied(m_out->filePath(becomes));
        QVERIFY(copied.open(QIODevice::ReadOnly));
        QCOMPARE(copied.readAll(), QByteArray("<x:xmpmeta/>"));
        job.again = true;
        job.sidecar = false;
        QVERIFY(runExportJob(job, nullptr, nullptr).value().report.sidecar.empty());
        // A sidecar that is there under the new name is somebody's and stays.
        put(m_out->filePath("t-clean.xmp"), "mine");
        QVERIFY(QFile::copy(source, m_out->filePath("t.dng")));
        put(m_out->filePath("t.xmp"), "other");
        job.source = m_out->filePath("t.dng").toStdString();
        job.sidecar = true;
        QVERIFY(runExportJob(job, nullptr, nullptr).value().report.sidecar.empty());
        QFile mine(m_out->filePath("t-clean.xmp"));
        QVERIFY(mine.open(QIODevice::ReadOnly));
        QCOMPARE(mine.readAll(), QByteArray("mine"));
    }

    void anOriginalIsSafeUnderAnyOfItsNames()
    {
        // The result would take the name of a link to the original.
        ExportJob job = jobFor("wren-01.dng");
        const QByteArray before = bytesOf(m_dir.filePath("wren-01.dng"));
        QVERIFY(QFile::link(m_dir.filePath("wren-01.dng"), m_out->filePath("wren-01-clean.dng")));
        std::filesystem::create_hard_link(job.source, m_out->filePath("wren-01-clean-2.dng").toStdString());
        const auto outcome = runExportJob(job, nullptr, nullptr);
        QVERIFY(outcome.ok());
        QCOMPARE(outcome.value().report.file.filename().string(), std::string("wren-01-clean-3.dng"));
        QCOMPARE(bytesOf(m_dir.filePath("wren-01.dng")), before);
        job.clash = ExportJob::Clash::Skip;
        job.again = true;
        QVERIFY(runExportJob(job, nullptr, nullptr).value().skipped);
        QCOMPARE(bytesOf(m_dir.filePath("wren-01.dng")), before);
    }

    /// Every format of one frame, cleaned once; then the same frame cleaned otherwise.
    void aFrameIsCleanedOnceForAllItsFormats()
    {
        ExportMemory memory;
        const auto written = [&](ExportJob job, ExportMemory *m, const char *name) {
            job.nameTemplate = name;
            return runExportJob(job, nullptr, nullptr, {}, false, m);
        };
        for (const double strength : {1.0, 0.6}) {
            ExportJob job = jobFor("wren-01.dng");
            job.treatment = {"dct", {}, strength, strength};
            job.treatment.taste.sharpen = 0.5;
            bool first = true;
            for (const ExportFormat format : kExportFormats) {
                job.format = format;
                const auto one = written(job, &memory, "once-{luminance}"), other = written(job, nullptr, "anew-{luminance}");
                QVERIFY(one.ok() && other.ok() && !one.value().skipped && !other.value().skipped);
                QCOMPARE(one.value().wasCleaned, !first);
                QVERIFY(!other.value().wasCleaned);
                first = false;
                const auto got = readFrame(one.value().report.file), meant = readFrame(other.value().report.file);
                QVERIFY(got.ok() && meant.ok());
                QVERIFY(sameBits(got.value()->samples.constView(), meant.value()->samples.constView()));
            }
        }
    }

    /// What the screen showed is not computed again; what it showed by another law, or only a little of, is.
    void whatWasSeenIsNotCleanedAgain()
    {
        const auto frame = readFrame(m_dir.filePath("wren-01.dng").toStdString()).value();
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*frame).take());
        ExportJob job = jobFor("wren-01.dng");
        job.treatment = {"dct", {}, 0.8, 0.9};
        const Cleaner cleaner(frame, noise, {"dct", 0.8, 0.9});
        const Rect all = frame->active;
        CleanCache little, seen;
        QVERIFY(little.clean(cleaner, {all.x, all.y, 64, 64}, {}).ok());
        QVERIFY(seen.clean(cleaner, all, {}).ok());
        QVERIFY(little.shareHeld(cleaner, all) < 0.5);
        QCOMPARE(seen.shareHeld(cleaner, all), 1.0);
        const auto written = [&](ExportJob j, CleanCache *cache, const char *name) {
            j.nameTemplate = name;
            const auto done = runExportJob(j, frame, noise, {}, false, nullptr, cache);
            if (!done)
                qWarning("%s", done.error().userMessage.c_str());
            return done.value();
        };
        const auto again = written(job, nullptr, "again"), taken = written(job, &seen, "taken"), partly = written(job, &little, "partly");
        QVERIFY(!again.wasSeen && !partly.wasSeen && taken.wasSeen);
        const auto meant = readFrame(again.report.file), got = readFrame(taken.report.file);
        QVERIFY(sameBits(got.value()->samples.constView(), meant.value()->samples.constView()));
        job.seriesNoise.assign(noise->cells.begin(), noise->cells.end());
        for (NoiseModel &m : job.seriesNoise)
            m.readVariance *= 4;
        QVERIFY(!written(job, &seen, "series").wasSeen);
    }

    void aSeriesIsTreatedByOneLaw()
    {
        ShootOptions o;
        o.seed = 5;
        QVERIFY(shootInto("second.dng", o));
        ExportJob job = jobFor("second.dng");
        const auto own = runExportJob(job, nullptr, nullptr);
        const NoiseReport first = measureNoise(*readFrame(m_dir.filePath("wren-01.dng").toStdString()).value()).take();
        job.seriesNoise.assign(first.cells.begin(), first.cells.end());
        const auto alike = runExportJob(job, nullptr, nullptr);
        QVERIFY(own.ok() && alike.ok() && !alike.value().skipped);
        // The law is the first frame's, the bad pixels are the frame's own.
        const auto frame = readFrame(job.source).take();
        auto noise = std::make_shared<NoiseReport>(measureNoise(*frame).take());
        noise->cells = first.cells;
        const auto meant = cleanForStorage(Cleaner(frame, noise, alike.value().treatment));
        QVERIFY(sameBits(readFrame(alike.value().report.file).value()->samples.constView(), meant.value().samples.constView()));
    }

    void whatWasDecidedWithOtherFramesIsUsedAsItIs()
    {
        ExportJob job = jobFor("wren-01.dng");
        job.treatment = {"wavelet", {}, 1.0, 1.0};
        const auto own = runExportJob(job, nullptr, nullptr);
        const auto frame = readFrame(job.source).take();
        DecidedNoise decided;
        decided.cells.fill({2e-4f, 3e-6f});
        decided.hotPixels = {{20, 12}, {33, 41}};
        decided.confidence = 0.75;
        job.decided = decided;
        const auto done = runExportJob(job, nullptr, nullptr);
        QVERIFY(own.ok() && done.ok() && !done.value().skipped); // another request than the first
        const auto noise = std::make_shared<const NoiseReport>(measureNoise(*frame, decided).take());
        QVERIFY(noise->hotPixels == decided.hotPixels);
        const auto meant = cleanForStorage(Cleaner(frame, noise, done.value().treatment));
        QVERIFY(sameBits(readFrame(done.value().report.file).value()->samples.constView(), meant.value().samples.constView()));
        const auto again = runExportJob(job, nullptr, nullptr);
        QVERIFY(again.ok() && again.value().skipped);
    }

    void aFullDiskLeavesNothing()
    {
        const QString disk = m_out->filePath("disk");
        QVERIFY(QDir().mkdir(disk));
        if (::mount("tmpfs", disk.toUtf8().constData(), "tmpfs", 0, "size=120k") != 0)
            QSKIP("needs the right to mount a small file system");
        for (const ExportFormat format : kExportFormats) {
            ExportJob job = jobFor("wren-01.dng");
            job.folder = disk.toStdString();
            job.format = format;
            job.options.compression = TiffCompression::None;
            put(disk + "/filler", QByteArray(60 << 10, 'x'));
            const auto outcome = runExportJob(job, nullptr, nullptr);
            const QStringList left = everything(disk);
            QFile::remove(disk + "/filler");
            if (format == ExportFormat::Jpeg && outcome.ok()) { // may be small enough
                std::filesystem::remove(outcome.value().report.file);
                continue;
            }
            if (outcome.ok() || left != QStringList{"filler"} || outcome.error().userMessage.find("the disk is full") == std::string::npos) {
                ::umount(disk.toUtf8().constData());
                QFAIL(qPrintable(QStringLiteral("%1: %2, %3").arg(formatName(format), outcome.ok() ? "written" : outcome.error().userMessage.c_str(), left.join(u' '))));
            }
        }
        ::umount(disk.toUtf8().constData());
    }

    void aFileTooLargeIsToldAndLeavesNothing()
    {
        // In a process of its own, which may write no more than 50 KB to a file.
        const pid_t child = ::fork();
        if (child == 0) {
            ::signal(SIGXFSZ, SIG_IGN);
            const rlimit limit{50 << 10, 50 << 10};
            ::setrlimit(RLIMIT_FSIZE, &limit);
            const auto frame = readFrame(m_dir.filePath("wren-01.dng").toStdString(), {1, {}, {}});
            auto file = AtomicFile::create(m_out->filePath("x.dng").toStdString());
            const std::vector<std::byte> bytes(100 << 10);
            const Status s = file.value().append(bytes);
            const bool told = !s && s.error().userMessage.find("larger than") != std::string::npos;
            {
                const AtomicFile gone = std::move(file.value());
            }
            ::_exit(told && frame.ok() ? 0 : 1);
        }
        int status = -1;
        ::waitpid(child, &status, 0);
        QCOMPARE(status, 0);
        QVERIFY(everything(m_out->path()).isEmpty());
    }

    void whatAKilledProcessLeftIsClearedAway()
    {
        const pid_t child = ::fork();
        if (child == 0) {
            auto file = AtomicFile::create(m_out->filePath("x.dng").toStdString());
            (void)file.value().append(std::vector<std::byte>(1000));
            ::kill(::getpid(), SIGKILL);
        }
        int status = 0;
        ::waitpid(child, &status, 0);
        QVERIFY(WIFSIGNALED(status));
        const QStringList left = everything(m_out->path());
        QCOMPARE(left.size(), 1);
        const auto old = std::filesystem::file_time_type::clock::now() - std::chrono::hours(100);
        // One that is being written is nobody's to clear away, however old.
        auto living = AtomicFile::create(m_out->filePath("y.dng").toStdString());
        QVERIFY(living.ok());
        QCOMPARE(everything(m_out->path()).size(), 1); // create() has swept
        std::filesystem::last_write_time(living.value().temporaryPath(), old);
        QCOMPARE(sweepUnfinished(m_out->path().toStdString()), 0);
        QVERIFY(living.value().commit());
        QCOMPARE(everything(m_out->path()), QStringList{"y.dng"});
    }

    void aReadOnlyFolderIsTold()
    {
        if (::geteuid() == 0)
            QSKIP("the administrator may write anywhere");
        QVERIFY(QFile::setPermissions(m_out->path(), QFile::ReadOwner | QFile::ExeOwner));
        const auto outcome = runExportJob(jobFor("wren-01.dng"), nullptr, nullptr);
        QFile::setPermissions(m_out->path(), QFile::ReadOwner | QFile::WriteOwner | QFile::ExeOwner);
        QVERIFY(!outcome && outcome.error().userMessage.find("may not be written") != std::string::npos);
    }

    void aSourceThatIsGoneIsNamed()
    {
        ExportJob job = jobFor("gone.dng");
        const auto outcome = runExportJob(job, nullptr, nullptr);
        QVERIFY(!outcome && outcome.error().userMessage.find("gone.dng") != std::string::npos);
        QVERIFY(everything(m_out->path()).isEmpty());
    }

private:
    bool shootInto(const char *name, ShootOptions o)
    {
        o.iso = 6400;
        const auto shot = shoot(makeScene({300, 220}), o);
        return shot && writeShot(m_dir.filePath(name).toStdString(), shot.value(), o).ok();
    }
    ExportJob jobFor(const char *name) const
    {
        ExportJob job;
        job.source = m_dir.filePath(name).toStdString();
        job.folder = m_out->path().toStdString();
        return job;
    }
    static QByteArray bytesOf(const QString &file)
    {
        QFile f(file);
        return f.open(QIODevice::ReadOnly) ? f.readAll() : QByteArray();
    }
    QTemporaryDir m_dir;
    std::unique_ptr<QTemporaryDir> m_out;
};

QTEST_GUILESS_MAIN(ExportJobTest)
#include "export_job_test.moc"
