// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/comparison_sheet.h"

#include <QTest>

using namespace irenic;

class ComparisonSheetTest : public QObject
{
    Q_OBJECT
private slots:
    void picturesAreDrawnPixelForPixel()
    {
        QImage a(40, 30, QImage::Format_RGB32), b(40, 30, QImage::Format_RGB32);
        for (int y = 0; y < 30; ++y)
            for (int x = 0; x < 40; ++x) {
                a.setPixel(x, y, qRgb(x * 6, y * 8, 7));
                b.setPixel(x, y, qRgb(9, x * 5, y * 3));
            }
        ComparisonSheet sheet;
        sheet.title = "wren-03";
        sheet.rows = {{{a, "A"}, {b, "B"}}, {{b, "A"}, {a, "B"}}};
        const QImage drawn = sheet.draw();
        // Each picture is somewhere in it, to the bit, twice.
        const auto found = [&](const QImage &part) {
            int n = 0;
            for (int y = 0; y + part.height() <= drawn.height(); ++y)
                for (int x = 0; x + part.width() <= drawn.width(); ++x)
                    if (drawn.pixel(x, y) == part.pixel(0, 0) && drawn.pixel(x + 39, y + 29) == part.pixel(39, 29) && drawn.copy(x, y, 40, 30) == part)
                        ++n;
            return n;
        };
        QCOMPARE(found(a), 2);
        QCOMPARE(found(b), 2);
        QCOMPARE(QColor(drawn.pixel(1, 1)), Tones::of(Tones::Wall::Mid).wall);
    }

    void wordsAreThere()
    {
        ComparisonSheet sheet;
        sheet.rows = {{{QImage(120, 60, QImage::Format_RGB32), "A  BM3D"}}};
        sheet.rows[0][0].image.fill(Qt::white);
        const QImage plain = sheet.draw();
        sheet.rows[0][0].caption = "A  BM3D\ngrain left 12 %";
        QVERIFY2(sheet.draw().height() > plain.height(), "a second line has room");
        sheet.title = QString(80, u'x');
        QVERIFY2(sheet.draw().width() > plain.width(), "a long title has room");
        sheet.rowNames = QStringList{"1 shadow"};
        const QImage named = sheet.draw();
        sheet.rowNames = QStringList{"2 edge"};
        QVERIFY(sheet.draw() != named);
    }

    void magnifyingKeepsPixelsSquare()
    {
        QImage in(3, 2, QImage::Format_RGB32);
        for (int i = 0; i < 6; ++i)
            in.setPixel(i % 3, i / 3, qRgb(40 * i, 3, 250 - 40 * i));
        const QImage out = magnified(in, 4);
        QCOMPARE(out.size(), QSize(12, 8));
        for (int y = 0; y < 8; ++y)
            for (int x = 0; x < 12; ++x)
                QCOMPARE(out.pixel(x, y), in.pixel(x / 4, y / 4));
        QCOMPARE(magnified(in, 1), in);
    }
};

QTEST_MAIN(ComparisonSheetTest)
#include "comparison_sheet_test.moc"
