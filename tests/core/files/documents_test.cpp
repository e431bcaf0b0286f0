// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export_job.h"
#include "irenic/session_file.h"

#include <QFile>
#include <QTemporaryDir>
#include <QTest>

#include <fstream>

using namespace irenic;

namespace {

/// The first block of JSON of a page of the documentation.
std::string exampleOf(const QString &page)
{
    QFile file(QStringLiteral(IRENIC_SOURCE) + "/docs/" + page);
    if (!file.open(QIODevice::ReadOnly))
        return {};
    const QString text = file.readAll();
    const qsizetype from = text.indexOf("```json\n") + 8, to = text.indexOf("```", from);
    return from >= 8 && to > from ? text.mid(from, to - from).toStdString() : std::string();
}

SavedSession someSession()
{
    SavedFrame f;
    f.file = "/roll/wren-01.dng";
    f.beside = "wren-01.dng";
    f.decided = true;
    f.trials = {{"wavelet", 0.5, 1}, {"bm3d", 1, 1.25, "dct"}};
    f.keeper = 1;
    f.spots = {{"edge", 12, 3400, ""}, {"own", 0, 0, "the \"knot\""}};
    f.guests = {"/roll/other.tif"};
    f.rendering = {.white = {3400, -2.5}, .exposureEv = 1.5, .shadows = 0.25, .contrast = -0.5, .localContrast = 1};
    f.exported = {"/roll/clean/wren-01-clean.dng"};
    SavedFrame unread;
    unread.file = "/roll/wren-02.dng";
    unread.beside = "../wren-02.dng";
    SavedSession s;
    s.frames = {f, unread};
    s.current = 0;
    s.column = -1;
    s.zoom = 2;
    s.rows = {{0.25, 0.75}, {1, 0}};
    s.row = 1;
    s.pushEv = -1.5;
    return s;
}

} // namespace

/// What is kept on disk comes back as it was, is as its documentation says, and is refused where it cannot be.
class DocumentsTest : public QObject
{
    Q_OBJECT
private slots:
    void aSessionComesBackAsItWas()
    {
        const SavedSession s = someSession();
        const auto back = sessionFromText(sessionText(s), "kept");
        QVERIFY2(back.ok(), back.ok() ? "" : back.error().userMessage.c_str());
        QVERIFY(back.value() == s);
        QVERIFY(sessionFromText(sessionText({}), "kept").value() == SavedSession());
    }

    void sessionsAreAsDocumented()
    {
        const std::string example = exampleOf("sessions.md");
        const auto read = sessionFromText(example, "the page");
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        QCOMPARE(QString::fromStdString(sessionText(read.value())), QString::fromStdString(example));
        QVERIFY(read.value().frames.size() > 1 && read.value().frames[0].trials.size() > 1 && !read.value().frames[0].spots.empty());
    }

    void whatIsNoSessionIsRefused_data()
    {
        QTest::addColumn<QByteArray>("from"); // in the text of a good one
        QTest::addColumn<QByteArray>("to");
        QTest::addColumn<QString>("says");
        QTest::newRow("cut off") << QByteArray("\"current\"") << QByteArray("\"cur") << "is not a session";
        QTest::newRow("another format") << QByteArray("irenic-session") << QByteArray("irenic-recipe") << "is not a session";
        QTest::newRow("later version") << QByteArray("\"version\": 1") << QByteArray("\"version\": 2") << "later version";
        QTest::newRow("unknown method") << QByteArray("wavelet") << QByteArray("magic") << "magic";
        QTest::newRow("keeper that is not there") << QByteArray("\"keeper\": 1") << QByteArray("\"keeper\": 2") << "keeper";
        QTest::newRow("current that is not there") << QByteArray("\"current\": 0") << QByteArray("\"current\": 2") << "current";
        QTest::newRow("white too warm") << QByteArray("3400.0") << QByteArray("34.0") << "temperature";
        QTest::newRow("zoom in words") << QByteArray("\"zoom\": 2.0") << QByteArray("\"zoom\": \"2\"") << "zoom";
        QTest::newRow("row that is not there") << QByteArray("\"row\": 1") << QByteArray("\"row\": 2") << "row";
        QTest::newRow("place of one number") << QByteArray("0.25,") << QByteArray("") << "rows";
    }
    void whatIsNoSessionIsRefused()
    {
        QFETCH(QByteArray, from);
        QFETCH(QByteArray, to);
        QFETCH(QString, says);
        QByteArray text = QByteArray::fromStdString(sessionText(someSession()));
        const qsizetype at = from == "0.25," ? text.lastIndexOf(from) : text.indexOf(from);
        QVERIFY(at >= 0);
        text = from == "\"current\"" ? text.left(at) + to : text.replace(at, from.size(), to);
        const auto read = sessionFromText(text.toStdString(), "odd.json");
        QVERIFY(!read.ok());
        const QString message = QString::fromStdString(read.error().userMessage);
        QVERIFY2(message.contains(says) && message.contains("odd.json"), qPrintable(message));
    }

    void aFolderThatWasMovedIsFollowed()
    {
        const QTemporaryDir dir;
        SavedFrame f;
        f.file = dir.filePath("before/frame.dng").toStdString();
        f.beside = "../frames/frame.dng";
        QVERIFY(f.found(dir.filePath("session").toStdString()).empty());
        QVERIFY(QDir(dir.path()).mkpath("frames") && QDir(dir.path()).mkpath("session"));
        std::ofstream(dir.filePath("frames/frame.dng").toStdString()) << "x";
        QCOMPARE(f.found(dir.filePath("session").toStdString()).string(), dir.filePath("frames/frame.dng").toStdString());
        QVERIFY(QDir(dir.path()).mkpath("before"));
        std::ofstream(dir.filePath("before/frame.dng").toStdString()) << "x";
        QCOMPARE(f.found(dir.filePath("session").toStdString()), f.file);
    }

    void aQueueComesBackAndWhatRanWaits()
    {
        QueuedJob all;
        all.job.source = "/roll/a.dng";
        all.job.treatment = {"bm3d", "dct", 0.5, 1.25};
        all.job.folder = "/out";
        all.job.nameTemplate = "{name}-{trial}-{counter}";
        all.job.parts = {"C", 17};
        all.job.format = ExportFormat::Tiff;
        all.job.options.dng = DngCompression::JpegXl;
        all.job.options.rendering.exposureEv = -1;
        all.job.options.profile = OutputProfile::Wide;
        all.job.options.bits = 32;
        all.job.options.compression = TiffCompression::Lzw;
        all.job.options.dpi = 240;
        all.job.clash = ExportJob::Clash::Skip;
        all.job.sidecar = false;
        all.job.again = true;
        all.job.seriesNoise = {{1e-4f, 2e-6f}, {1e-4f, 2e-6f}};
        all.job.decided = DecidedNoise{{{{1e-4f, 2e-6f}, {1.1e-4f, 2e-6f}, {1.1e-4f, 2e-6f}, {1e-4f, 3e-6f}}}, {{7, 3}, {1, 9}}, 0.8, 5, 2};
        QueuedJob running;
        running.job.source = "/roll/b.dng";
        running.job.again = true;
        running.job.options.dng = DngCompression::None;
        running.state = QueuedJob::State::Running;
        QueuedJob done;
        done.state = QueuedJob::State::Done;
        done.words = "read back";
        done.result = "/out/b.dng";
        done.seconds = 1.5;
        const std::string text = queueText({all, running, done});
        const auto back = queueFromText(text, "queue");
        QVERIFY2(back.ok(), back.ok() ? "" : back.error().userMessage.c_str());
        const auto &q = back.value();
        QCOMPARE(q.size(), size_t(3));
        QVERIFY(q[0].job.treatment == all.job.treatment && q[0].job.options == all.job.options && q[0].job.seriesNoise == all.job.seriesNoise && q[0].job.decided == all.job.decided);
        QVERIFY(q[0].job.format == all.job.format && q[0].job.clash == all.job.clash && !q[0].job.sidecar && q[0].job.again);
        QCOMPARE(q[0].job.parts.trial + std::to_string(q[0].job.parts.counter) + q[0].job.nameTemplate + q[0].job.folder.string(), std::string("C17{name}-{trial}-{counter}/out"));
        QCOMPARE(int(q[1].state), int(QueuedJob::State::Waiting));
        QVERIFY2(!q[1].job.again, "it may have been finished: it is not to be done twice");
        QVERIFY(!q[1].job.format && q[1].job.treatment == WantedTreatment());
        QVERIFY(q[2].state == QueuedJob::State::Done && q[2].words == done.words && q[2].result == done.result && q[2].seconds == done.seconds);
        QVERIFY(!queueFromText(sessionText(someSession()), "queue").ok());
    }

    void queuesAreAsDocumented()
    {
        const std::string example = exampleOf("exports.md");
        const auto read = queueFromText(example, "the page");
        QVERIFY2(read.ok(), read.ok() ? "" : read.error().userMessage.c_str());
        QCOMPARE(QString::fromStdString(queueText(read.value())), QString::fromStdString(example));
    }
};

QTEST_APPLESS_MAIN(DocumentsTest)
#include "documents_test.moc"
