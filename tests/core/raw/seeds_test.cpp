// SPDX-License-Identifier: GPL-3.0-or-later
#include <QDir>
#include <QTest>

extern "C" {
int replay_pictures(const uint8_t *, size_t);
int replay_dng_tags(const uint8_t *, size_t);
int replay_lossless_jpeg(const uint8_t *, size_t);
int replay_documents(const uint8_t *, size_t);
int replay_opcodes(const uint8_t *, size_t);
}

using Replay = int (*)(const uint8_t *, size_t);
Q_DECLARE_METATYPE(Replay)

/// What fuzzing found once stays found: each seed goes through the fuzzer that it came from, which ends the process where something is wrong.
class SeedsTest : public QObject
{
    Q_OBJECT
private slots:
    void nothingIsWrong_data()
    {
        QTest::addColumn<Replay>("replay");
        QTest::addColumn<QString>("file");
        const struct {
            const char *kind;
            Replay replay;
        } fuzzers[] = {{"pictures", replay_pictures}, {"dng_tags", replay_dng_tags}, {"lossless_jpeg", replay_lossless_jpeg}, {"documents", replay_documents}, {"opcodes", replay_opcodes}};
        for (const auto &fuzzer : fuzzers) {
            int seeds = 0;
            for (const char *folder : {"", "corpus-"})
                for (const QFileInfo &info : QDir(QStringLiteral(IRENIC_SOURCE "/tests/seeds/%1%2").arg(QLatin1String(folder), QLatin1String(fuzzer.kind))).entryInfoList(QDir::Files)) {
                    QTest::addRow("%s %s", fuzzer.kind, qPrintable(info.fileName())) << fuzzer.replay << info.filePath();
                    ++seeds;
                }
            QVERIFY2(seeds > 0, fuzzer.kind);
        }
    }
    void nothingIsWrong()
    {
        QFETCH(Replay, replay);
        QFETCH(QString, file);
        QFile f(file);
        QVERIFY(f.open(QIODevice::ReadOnly));
        const QByteArray bytes = f.readAll();
        QVERIFY(!bytes.isEmpty());
        QCOMPARE(replay(reinterpret_cast<const uint8_t *>(bytes.constData()), size_t(bytes.size())), 0);
    }
};

QTEST_APPLESS_MAIN(SeedsTest)
#include "seeds_test.moc"
