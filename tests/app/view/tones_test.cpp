// SPDX-License-Identifier: GPL-3.0-or-later
#include "view/tones.h"
#include "window/start.h"

#include <QApplication>
#include <QFontDatabase>
#include <QFontMetricsF>
#include <QTest>

#include <cmath>

using namespace irenic;

class TonesTest : public QObject
{
    Q_OBJECT
private slots:
    void textCanBeRead_data()
    {
        QTest::addColumn<int>("wall");
        QTest::newRow("dim") << int(Tones::Wall::Dim);
        QTest::newRow("mid") << int(Tones::Wall::Mid);
        QTest::newRow("pale") << int(Tones::Wall::Pale);
    }
    void textCanBeRead()
    {
        QFETCH(int, wall);
        const Tones t = Tones::of(Tones::Wall(wall)), k = t.invertedPaper();
        const auto readable = [](const QColor &ink, const QColor &ground, const char *what) {
            const double c = contrastOf(ink, ground);
            if (c < 4.5)
                qWarning("%s: %.2f", what, c);
            return c >= 4.5;
        };
        QVERIFY(readable(t.wallInk, t.wall, "wall"));
        QVERIFY(readable(t.chromeInk, t.chrome, "chrome"));
        QVERIFY(readable(t.chromeInk, t.chromeRaised, "raised"));
        QVERIFY(readable(t.chosenInk, t.chosen, "chosen"));
        QVERIFY(readable(t.paperInk, t.paper, "paper"));
        QVERIFY(readable(t.paperFaint, t.paper, "faint"));
        QVERIFY(readable(k.paperInk, k.paper, "keeper"));
        QVERIFY(readable(k.paperFaint, k.paper, "keeper, faint"));
    }

    void everythingNearAPictureIsNeutral_data() { textCanBeRead_data(); }
    void everythingNearAPictureIsNeutral()
    {
        QFETCH(int, wall);
        const Tones t = Tones::of(Tones::Wall(wall));
        for (const Tones &tones : {t, t.invertedPaper()})
            for (const QColor &c : {tones.wall, tones.wallInk, tones.chrome, tones.chromeInk, tones.chromeRaised, tones.chosen, tones.chosenInk, tones.paper, tones.paperInk, tones.paperFaint, tones.paperLine})
                QVERIFY(c.red() == c.green() && c.green() == c.blue());
    }

    void wallsHaveTheirLightness()
    {
        const auto lightness = [](const QColor &c) { // CIE L* of a neutral sRGB grey
            const double v = c.redF(), linear = v <= 0.04045 ? v / 12.92 : std::pow((v + 0.055) / 1.055, 2.4);
            return 116 * std::cbrt(linear) - 16;
        };
        QVERIFY(std::abs(lightness(Tones::of(Tones::Wall::Dim).wall) - 25) < 0.6);
        QVERIFY(std::abs(lightness(Tones::of(Tones::Wall::Mid).wall) - 50) < 0.6);
        QVERIFY(std::abs(lightness(Tones::of(Tones::Wall::Pale).wall) - 75) < 0.6);
    }

    void contrastFollowsTheStandard()
    {
        QVERIFY(std::abs(contrastOf(Qt::black, Qt::white) - 21) < 1e-6); // WCAG 2.1: the two ends
        QVERIFY(std::abs(contrastOf(QColor(119, 119, 119), Qt::white) - 4.48) < 0.01);
    }

    void figuresAreOfOneWidth()
    {
        prepareApplication(*qApp);
        QVERIFY(QFontDatabase::families().contains("Lato"));
        for (const auto weight : {QFont::Normal, QFont::DemiBold, QFont::Bold}) {
            QFont f("Lato", 11);
            f.setWeight(weight);
            const QFontMetricsF m(f);
            for (char16_t d = u'1'; d <= u'9'; ++d)
                QVERIFY(std::abs(m.horizontalAdvance(QChar(d)) - m.horizontalAdvance(u'0')) < 0.01);
        }
    }
};

QTEST_MAIN(TonesTest)
#include "tones_test.moc"
