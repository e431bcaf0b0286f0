// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/read_frame.h"
#include "irenic/text.h"
#include "support/frames.h"
#include "support/hostile.h"

#include <QDir>
#include <QJsonDocument>
#include <QJsonObject>
#include <QTemporaryDir>
#include <QTest>

#include <fcntl.h>
#include <sys/resource.h>
#include <sys/stat.h>
#include <sys/wait.h>
#include <unistd.h>

using namespace irenic;
using namespace irenic::test;

namespace {

struct Ended {
    int status = -1; ///< -1: by a signal
    long peakKb = 0;
    QByteArray out, err;
};

QByteArray contents(const std::string &file)
{
    QFile f(QString::fromStdString(file));
    return f.open(QIODevice::ReadOnly) ? f.readAll() : QByteArray();
}

/// The command line under a limit of 8 GB of memory, with every byte of its arguments as it is.
Ended runLimited(const QTemporaryDir &dir, const std::vector<std::string> &arguments)
{
    const std::string out = dir.filePath("stdout").toStdString(), err = dir.filePath("stderr").toStdString();
    std::vector<char *> argv{const_cast<char *>("irenic-cli")};
    for (const std::string &a : arguments)
        argv.push_back(const_cast<char *>(a.c_str()));
    argv.push_back(nullptr);
    const pid_t child = ::fork();
    if (child == 0) {
#if !defined(__SANITIZE_ADDRESS__) && !defined(__SANITIZE_THREAD__) // whose shadow takes terabytes of addresses
        const rlimit limit{rlim_t(8) << 30, rlim_t(8) << 30};
        ::setrlimit(RLIMIT_AS, &limit);
#endif
        ::dup2(::open(out.c_str(), O_CREAT | O_TRUNC | O_WRONLY, 0600), 1);
        ::dup2(::open(err.c_str(), O_CREAT | O_TRUNC | O_WRONLY, 0600), 2);
        ::execv(IRENIC_BIN "/irenic-cli", argv.data());
        ::_exit(127);
    }
    int status = 0;
    rusage usage{};
    ::wait4(child, &status, 0, &usage);
    return {WIFEXITED(status) ? WEXITSTATUS(status) : -1, usage.ru_maxrss, contents(out), contents(err)};
}

void put(const std::string &file, const QByteArray &bytes)
{
    QFile f(QString::fromStdString(file));
    QVERIFY(f.open(QIODevice::WriteOnly) && f.write(bytes) == bytes.size());
}

} // namespace

class HostileCliTest : public QObject
{
    Q_OBJECT
private slots:
    void oneSentenceAndLittleMemory_data()
    {
        QTest::addColumn<QByteArray>("bytes");
        for (const Hostile &h : hostileFiles())
            QTest::newRow(h.name) << h.bytes;
    }
    void oneSentenceAndLittleMemory()
    {
        QFETCH(QByteArray, bytes);
        const QTemporaryDir dir;
        const std::string file = dir.filePath(QString::fromLatin1(QTest::currentDataTag())).toStdString();
        put(file, bytes);
        const Ended e = runLimited(dir, {"measure", file, "--json"});
        QCOMPARE(e.status, 1);
        QVERIFY2(e.err.count('\n') == 1 && e.err.contains("The file was left as it is."), e.err.constData());
        QVERIFY(QJsonDocument::fromJson(e.out.trimmed()).object().contains("error"));
#if !defined(__SANITIZE_ADDRESS__) && !defined(__SANITIZE_THREAD__)
        QVERIFY2(e.peakKb < 300 << 10, qPrintable(QString::number(e.peakKb))); // the program alone takes about 60 MB
#endif
        QCOMPARE(contents(file), bytes);
    }

    void aBatchGoesOnAfterEachOfThem()
    {
        const QTemporaryDir dir;
        std::vector<std::string> arguments{"measure", "--json"};
        for (const Hostile &h : hostileFiles()) {
            put(dir.filePath(h.name).toStdString(), h.bytes);
            arguments.push_back(dir.filePath(h.name).toStdString());
        }
        const std::string pipe = dir.filePath("pipe.dng").toStdString();
        QCOMPARE(::mkfifo(pipe.c_str(), 0600), 0);
        arguments.push_back(pipe);
        const std::string sound = dir.filePath("sound.dng").toStdString();
        put(sound, HandMade{.width = 200, .height = 160, .rowsPerStrip = 160}.bytes());
        arguments.push_back(sound);
        const Ended e = runLimited(dir, arguments);
        QCOMPARE(e.status, 1);
        const QList<QByteArray> lines = e.out.trimmed().split('\n');
        QCOMPARE(size_t(lines.size()), arguments.size() - 2);
        QVERIFY2(QJsonDocument::fromJson(lines.last()).object().contains("noise"), lines.last().constData());
    }

    void namesAreBytesAndComeBack()
    {
        const QTemporaryDir dir;
        const std::string folder = dir.path().toStdString(), name = "Sch\xe4rfe \xff\xfe.dng", file = folder + "/" + name;
        HandMade made{.width = 200, .height = 160, .rowsPerStrip = 160};
        made.raw[TagMake] = {TiffAscii, 7, QByteArray("M\xfcller", 7)};
        made.raw[TagDateTime] = {TiffAscii, 4, QByteArray("\xff\xfe\x80", 4)};
        const QByteArray bytes = made.bytes();
        const int d = ::open(file.c_str(), O_CREAT | O_WRONLY, 0600);
        QCOMPARE(::write(d, bytes.constData(), size_t(bytes.size())), ssize_t(bytes.size()));
        ::close(d);
        const Ended e = runLimited(dir, {"clean", file, "--out", folder + "/o\xfft", "--method", "wavelet", "--json"});
        QVERIFY2(e.status == 0, e.err.constData());
        const QJsonObject line = QJsonDocument::fromJson(e.out.trimmed()).object();
        QCOMPARE(pathOf(line["file"].toString().toStdString()).native(), file);
        const std::filesystem::path result = pathOf(line["out"].toString().toStdString());
        QCOMPARE(result.native(), folder + "/o\xfft/Sch\xe4rfe \xff\xfe-clean.dng");
        QVERIFY(std::filesystem::is_regular_file(result));
        const Ended measured = runLimited(dir, {"measure", result.native(), "--json"});
        const QJsonObject told = QJsonDocument::fromJson(measured.out.trimmed()).object();
        QVERIFY2(told["camera"].toString().startsWith("Müller"), measured.out.constData());
        QVERIFY(readFrame(result).value()->shooting.make == "Müller");
    }
};

QTEST_GUILESS_MAIN(HostileCliTest)
#include "hostile_cli_test.moc"
