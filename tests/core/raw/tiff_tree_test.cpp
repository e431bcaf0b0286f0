// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/tiff_tree.h"

#include <QFile>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;

namespace {

/// Writes bytes given as text of hexadecimal pairs.
std::filesystem::path fileOf(const QTemporaryDir &dir, const QByteArray &hex, const char *name = "x.tif")
{
    QFile f(dir.filePath(QString::fromLatin1(name)));
    if (!f.open(QIODevice::WriteOnly))
        return {};
    f.write(QByteArray::fromHex(hex));
    return f.fileName().toStdString();
}

} // namespace

class TiffTreeTest : public QObject
{
    Q_OBJECT
private slots:
    void readsBothByteOrders()
    {
        const QTemporaryDir dir;
        // One directory: width 300 (short), a rational 1/3 stored behind the directory.
        const auto little = fileOf(dir, "49492a0008000000"
                                        "0200"
                                        "0001030001000000"
                                        "2c010000"
                                        "1a01050001000000"
                                        "26000000"
                                        "00000000"
                                        "0100000003000000",
                                   "little.tif");
        const auto big = fileOf(dir, "4d4d002a00000008"
                                     "0002"
                                     "0100000300000001"
                                     "012c0000"
                                     "011a000500000001"
                                     "00000026"
                                     "00000000"
                                     "0000000100000003",
                                "big.tif");
        for (const auto &file : {little, big}) {
            const auto tree = readTiffTree(file);
            QVERIFY2(tree.ok(), tree.ok() ? "" : tree.error().userMessage.c_str());
            QCOMPARE(tree.value().chain.size(), size_t(1));
            const TiffDirectory &d = tree.value().chain.front();
            QCOMPARE(d.number(TagImageWidth, 0), 300.0);
            QCOMPARE(d.number(TagXResolution, 0), 1.0 / 3);
            QCOMPARE(d.number(TagImageLength, -7), -7.0);
        }
    }

    void refusesMalformedFiles_data()
    {
        QTest::addColumn<QByteArray>("hex");
        QTest::newRow("empty") << QByteArray();
        QTest::newRow("text") << QByteArray("48656c6c6f20776f726c64");
        QTest::newRow("header only") << QByteArray("49492a00");
        QTest::newRow("directory beyond the end") << QByteArray("49492a00ff000000");
        QTest::newRow("no directory") << QByteArray("49492a0000000000");
        QTest::newRow("directory cut off") << QByteArray("49492a0008000000"
                                                         "0200"
                                                         "00010300010000002c010000");
        QTest::newRow("loop in the chain") << QByteArray("49492a0008000000"
                                                         "0100"
                                                         "0001030001000000"
                                                         "2c010000"
                                                         "08000000");
        QTest::newRow("sub-directory that is its own parent") << QByteArray("49492a0008000000"
                                                                            "0100"
                                                                            "4a01040001000000"
                                                                            "08000000"
                                                                            "00000000");
        QTest::newRow("value beyond the end") << QByteArray("49492a0008000000"
                                                            "0100"
                                                            "0001030000010000"
                                                            "f0ffff00"
                                                            "00000000");
        QTest::newRow("count that overflows") << QByteArray("49492a0008000000"
                                                            "0100"
                                                            "00010500ffffffff"
                                                            "08000000"
                                                            "00000000");
        QTest::newRow("no entries") << QByteArray("49492a0008000000"
                                                  "0000"
                                                  "00000000");
        QTest::newRow("BigTIFF") << QByteArray("49492b000800000010000000000000000000");
    }
    void refusesMalformedFiles()
    {
        QFETCH(QByteArray, hex);
        const QTemporaryDir dir;
        const auto tree = readTiffTree(fileOf(dir, hex, "bad.dng"));
        QVERIFY(!tree);
        QVERIFY2(tree.error().userMessage.starts_with("bad.dng "), "the message names the file");
    }

    void foldersAndMissingFilesAreNamed()
    {
        const QTemporaryDir dir;
        QCOMPARE(readTiffTree(dir.path().toStdString()).error().code, ErrorCode::NotAPicture);
        QCOMPARE(readTiffTree(dir.filePath("no.dng").toStdString()).error().code, ErrorCode::NotFound);
    }

    void setKeepsOrderAndReplaces()
    {
        TiffDirectory d;
        d.setNumber(TagWhiteLevel, TiffLong, 4095);
        d.setText(TagMake, "Tarn");
        d.setNumber(TagWhiteLevel, TiffLong, 16383);
        d.setRationals(TagBaselineExposure, TiffSRational, std::array{-1.5}, 100);
        QCOMPARE(d.entries.size(), size_t(3));
        QVERIFY(std::is_sorted(d.entries.begin(), d.entries.end(), [](const auto &a, const auto &b) { return a.tag < b.tag; }));
        QCOMPARE(d.number(TagWhiteLevel, 0), 16383.0);
        QCOMPARE(d.number(TagBaselineExposure, 0), -1.5);
        QCOMPARE(d.text(TagMake), std::string("Tarn"));
        d.erase(TagMake);
        QVERIFY(!d.find(TagMake));
    }
};

QTEST_APPLESS_MAIN(TiffTreeTest)
#include "tiff_tree_test.moc"
