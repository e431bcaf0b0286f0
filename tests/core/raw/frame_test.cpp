// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/frame.h"
#include "irenic/read_frame.h"

#include <QFile>
#include <QTemporaryDir>
#include <QTest>

using namespace irenic;

class FrameTest : public QObject
{
    Q_OBJECT
private slots:
    void patternsKnowTheirNamesAndShifts()
    {
        const auto rggb = *CfaPattern::fromName("rggb");
        QCOMPARE(rggb.shifted(1, 0).name(), std::string("GRBG"));
        QCOMPARE(rggb.shifted(0, 1).name(), std::string("GBRG"));
        QCOMPARE(rggb.shifted(-1, -1).name(), std::string("BGGR"));
        QVERIFY(rggb.shifted(2, -4) == rggb);
        QVERIFY(!CfaPattern::fromName("RRGB"));
        QVERIFY(!CfaPattern::fromName("RGBG")); // greens in a column
        QVERIFY(!CfaPattern::fromName("six"));
    }
    void blackFollowsPatternAndDeltas()
    {
        Levels l;
        l.repeatRows = 2;
        l.repeatCols = 2;
        l.black = {10, 20, 30, 40};
        l.deltaRow = {0, 1, 2};
        l.deltaColumn = {0, 0.5f};
        QCOMPARE(l.blackAt(0, 0), 10.f);
        QCOMPARE(l.blackAt(1, 1), 41.5f);
        QCOMPARE(l.blackAt(2, 2), 12.f);
        QCOMPARE(l.blackAt(-1, -1), 40.f); // a masked border keeps the phase and has no deltas
    }
    void mirroringKeepsParity()
    {
        for (int size : {2, 3, 16, 17})
            for (int i = -40; i < 60; ++i) {
                const int m = mirrored(i, size);
                QVERIFY(m >= 0 && m < size);
                QVERIFY2(((m - i) & 1) == 0, "a mirrored sample has the colour of the place it stands in for");
            }
        QCOMPARE(mirrored(-1, 5), 1);
        QCOMPARE(mirrored(5, 5), 3);
    }
    void rawFilesAreFoundByName()
    {
        const QTemporaryDir dir;
        for (const char *name : {"b.DNG", "a.nef", "notes.txt", "c.jpg"}) {
            QFile f(dir.filePath(QString::fromLatin1(name)));
            QVERIFY(f.open(QIODevice::WriteOnly));
        }
        const auto files = photographsIn(dir.path().toStdString());
        QVERIFY(files);
        QCOMPARE(files.value().size(), size_t(2));
        QCOMPARE(files.value()[0].filename().string(), std::string("a.nef"));
        QVERIFY(!photographsIn(dir.filePath("nowhere").toStdString()));
    }
};

QTEST_APPLESS_MAIN(FrameTest)
#include "frame_test.moc"
