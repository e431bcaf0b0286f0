// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export_job.h"
#include "irenic/read_frame.h"
#include "support/frames.h"
#include "support/hostile.h"

#include <QElapsedTimer>
#include <QTemporaryDir>
#include <QTest>

#include <sys/socket.h>
#include <sys/stat.h>
#include <sys/un.h>
#include <unistd.h>

using namespace irenic;
using namespace irenic::test;

namespace {

std::filesystem::path written(const QTemporaryDir &dir, const QString &name, const QByteArray &bytes)
{
    QFile f(dir.filePath(name));
    return f.open(QIODevice::WriteOnly) && f.write(bytes) == bytes.size() ? std::filesystem::path(f.fileName().toStdString()) : std::filesystem::path();
}

} // namespace

/// Files that lie, and names and kinds of files that nobody expects.
class HostileTest : public QObject
{
    Q_OBJECT
private slots:
    void everyOneIsRefusedByName_data()
    {
        QTest::addColumn<QByteArray>("bytes");
        for (const Hostile &h : hostileFiles())
            QTest::newRow(h.name) << h.bytes;
    }
    void everyOneIsRefusedByName()
    {
        QFETCH(QByteArray, bytes);
        const QTemporaryDir dir;
        const QString name = QString::fromLatin1(QTest::currentDataTag());
        const auto frame = readFrame(written(dir, name, bytes));
        QVERIFY2(!frame, "it was opened");
        QVERIFY2(frame.error().userMessage.starts_with(name.toStdString()), frame.error().userMessage.c_str());
        QVERIFY2(frame.error().userMessage.find("memory than there is") == std::string::npos, "it was refused by running out of memory, not beforehand");
        QVERIFY(frame.error().code == ErrorCode::Damaged || frame.error().code == ErrorCode::Unsupported || frame.error().code == ErrorCode::NotAPicture);
    }

    void theTagIsNamed()
    {
        const QTemporaryDir dir;
        const auto frame = readFrame(written(dir, "x.dng", detail::dngWith({{TagBaselineExposure, HandMade::entry<int32_t>(TiffSRational, {2147483647, 1}, 2)}})));
        QVERIFY(!frame);
        QVERIFY2(frame.error().userMessage.find("BaselineExposure") != std::string::npos, frame.error().userMessage.c_str());
    }

    /// The same builder makes a sound file, so that the rows above are refused for what they say of themselves.
    void aSoundOneOpensAndOddButLegalTypesDo_data()
    {
        QTest::addColumn<QByteArray>("bytes");
        QTest::addColumn<double>("black");
        QTest::newRow("sound") << HandMade().bytes() << 64.0;
        QTest::newRow("black as undefined") << detail::dngWith({{TagBlackLevel, {TiffUndefined, 1, QByteArray(1, 60)}}}) << 60.0;
        QTest::newRow("black as a byte") << detail::dngWith({{TagBlackLevel, {TiffByte, 1, QByteArray(1, 60)}}}) << 60.0;
        QTest::newRow("black as a signed short") << detail::dngWith({{TagBlackLevel, HandMade::entry<int16_t>(TiffSShort, {60})}}) << 60.0;
        QTest::newRow("black as a signed long below 0") << detail::dngWith({{TagBlackLevel, HandMade::entry<int32_t>(TiffSLong, {-6})}}) << -6.0;
        QTest::newRow("black as a fraction") << detail::dngWith({{TagBlackLevel, HandMade::entry<uint32_t>(TiffRational, {4294967295u, 67108864u}, 2)}}) << 4294967295.0 / 67108864;
        QTest::newRow("black as a double") << detail::dngWith({{TagBlackLevel, HandMade::entry<double>(TiffDouble, {60.25})}}) << 60.25;
        QTest::newRow("text without a byte") << detail::dngWith({{TagMake, {TiffAscii, 0, {}}}, {TagModel, {TiffAscii, 0, {}}}}) << 64.0; // found by fuzzing
        QTest::newRow("deltas as undefined") << detail::dngWith({{TagBlackLevelDeltaH, {TiffUndefined, 40, QByteArray(40, 0)}}}) << 64.0;
    }
    void aSoundOneOpensAndOddButLegalTypesDo()
    {
        QFETCH(QByteArray, bytes);
        QFETCH(double, black);
        const QTemporaryDir dir;
        const auto file = written(dir, "sound.dng", bytes);
        const auto frame = readFrame(file);
        QVERIFY2(frame, frame ? "" : frame.error().userMessage.c_str());
        QVERIFY(std::abs(double(frame.value()->levels.blackAt(0, 0)) - black) < 1e-4);
        // Cleaned, so that levels are scaled up to 16 bits: black goes along, whatever type it had, and is read back.
        ExportJob job;
        job.source = file;
        job.folder = dir.path().toStdString();
        job.treatment = {"wavelet", {}, 1.0, 1.0};
        const auto done = runExportJob(job, nullptr, nullptr);
        QVERIFY2(done, done ? "" : done.error().userMessage.c_str());
        const auto back = readFrame(done.value().report.file);
        QVERIFY(back);
        const double scale = double(back.value()->levels.white) / double(frame.value()->levels.white);
        QVERIFY(scale >= 2 && scale == std::floor(scale));
        QVERIFY2(std::abs(double(back.value()->levels.blackAt(0, 0)) - black * scale) < 1e-3 * scale, "black and white were not scaled alike");
    }

    void pipesSocketsAndDevicesDoNotMakeItWait()
    {
        const QTemporaryDir dir;
        const std::string pipe = dir.filePath("pipe.dng").toStdString(), socketName = dir.filePath("socket.dng").toStdString(), link = dir.filePath("zero.dng").toStdString();
        QCOMPARE(::mkfifo(pipe.c_str(), 0600), 0);
        const int s = ::socket(AF_UNIX, SOCK_STREAM, 0);
        sockaddr_un at{};
        at.sun_family = AF_UNIX;
        std::copy_n(socketName.c_str(), std::min(socketName.size() + 1, sizeof at.sun_path), at.sun_path);
        QCOMPARE(::bind(s, reinterpret_cast<sockaddr *>(&at), sizeof at), 0);
        QCOMPARE(::symlink("/dev/zero", link.c_str()), 0);
        QElapsedTimer timer;
        timer.start();
        for (const std::string &file : {pipe, socketName, link}) {
            const auto frame = readFrame(file);
            QVERIFY(!frame);
            QVERIFY2(frame.error().userMessage.find("no plain file") != std::string::npos, frame.error().userMessage.c_str());
        }
        QVERIFY(timer.elapsed() < kPatienceMs);
        ::close(s);
    }
};

QTEST_APPLESS_MAIN(HostileTest)
#include "hostile_test.moc"
