// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/decisions.h"

#include <QTest>

using namespace irenic;

namespace {

/// Frames of one noise with these luminance ratios.
Decisions settled(const std::vector<double> &luminance, double noise = 0.09)
{
    Decisions d;
    for (size_t i = 0; i < luminance.size(); ++i)
        d.note({"wren-" + std::to_string(i) + ".dng", "2026-11-28", noise, "dct", luminance[i], 1, 0, 0});
    return d;
}

} // namespace

class DecisionsTest : public QObject
{
    Q_OBJECT
private slots:
    void agreementBeyondChanceIsOffered_data()
    {
        QTest::addColumn<QList<double>>("ratios");
        QTest::addColumn<double>("offered"); // 0: nothing
        // Of a two-sided sign test, all of five have a chance of 1/16, all of six of 1/32; one of eight to the other side has 9/128.
        QTest::newRow("five of five") << QList<double>{0.8, 0.8, 0.8, 0.8, 0.8} << 0.0;
        QTest::newRow("six of six") << QList<double>{0.8, 0.7, 0.8, 0.9, 0.85, 0.85} << 0.85;
        QTest::newRow("seven of eight") << QList<double>{0.8, 0.7, 0.8, 0.9, 0.8, 0.8, 0.8, 1.2} << 0.0;
        QTest::newRow("eight of nine") << QList<double>{1.2, 1.3, 1.4, 1.3, 1.3, 1.3, 1.4, 1.2, 0.9} << 1.3;
        QTest::newRow("as suggested") << QList<double>{1, 1, 1, 1, 1, 1, 1, 1, 1} << 0.0;
        QTest::newRow("both ways") << QList<double>{0.7, 1.3, 0.7, 1.3, 0.7, 1.3, 0.7, 1.3} << 0.0;
        QTest::newRow("too little to tell") << QList<double>{0.97, 0.97, 0.97, 0.97, 0.97, 0.97, 0.97} << 0.0;
        QTest::newRow("a few, and most as suggested") << QList<double>{0.7, 0.7, 0.7, 0.7, 0.7, 0.7, 1, 1, 1, 1, 1, 1, 1, 1} << 0.0;
    }
    void agreementBeyondChanceIsOffered()
    {
        QFETCH(QList<double>, ratios);
        QFETCH(double, offered);
        const auto start = settled({ratios.begin(), ratios.end()}).startFor(0.1);
        QCOMPARE(start.has_value(), offered > 0);
        if (!start)
            return;
        QVERIFY2(std::abs(start->luminance - offered) < 1e-9, qPrintable(QString::number(start->luminance)));
        QCOMPARE(start->colour, 1.0);
        QCOMPARE(start->frames, int(ratios.size()));
        QVERIFY(start->reason.find(std::to_string(ratios.size()) + " frames") != std::string::npos);
    }

    void framesOfOtherNoiseSayNothing()
    {
        const Decisions d = settled({0.8, 0.8, 0.8, 0.8, 0.8, 0.8, 0.8}, 0.09);
        QVERIFY(d.startFor(0.07) && d.startFor(0.119));
        QVERIFY(!d.startFor(0.05) && !d.startFor(0.13));
    }

    void grainAndDetailAreLearnedToo()
    {
        Decisions d;
        for (int i = 0; i < 7; ++i)
            d.note({"f" + std::to_string(i), "2026-11-28", 0.2, "bm3d", 1, 1, 0, 0.1 + 0.01 * i});
        const OwnStart start = d.startFor(0.3).value();
        QVERIFY(std::abs(start.grain - 0.15) < 1e-9);
        QCOMPARE(start.detail, 0.0);
        const Treatment t = start.from({"dct", 0.9, 1.1});
        QVERIFY(t.taste.grain == start.grain && t.luminance == 0.9 && t.colour == 1.1 && t.method == "dct");
        QCOMPARE((OwnStart{2, 4, 0, 0, 9, {}}.from({"dct", 0.9, 1.1}).colour), 3.0); // the scale's end
    }

    void aFrameCountsOnce()
    {
        Decisions d = settled({0.8, 0.8, 0.8, 0.8, 0.8, 0.8});
        QVERIFY(d.startFor(0.1));
        d.note({"wren-5.dng", "2026-11-29", 0.09, "dct", 1, 1, 0, 0}); // it was thought better of
        QCOMPARE(d.all().size(), size_t(6));
        QVERIFY(!d.startFor(0.1));
        d.forget(0);
        QCOMPARE(d.all().front().frame, std::string("wren-1.dng"));
        d.forgetAll();
        QVERIFY(d.all().empty());
    }

    void namesThatCamerasUseAgainAreOtherFrames()
    {
        Decisions d;
        d.note({"wren-0001.dng", "2026-11-28", 0.09, "dct", 0.8, 1, 0, 0});
        d.note({"wren-0001.dng", "2026-11-29", 0.05, "dct", 0.7, 1, 0, 0}); // another evening, less noise
        QCOMPARE(int(d.all().size()), 2);
        d.note({"wren-0001.dng", "2026-11-30", 0.0915, "dct", 0.9, 1, 0, 0}); // the first, measured a little otherwise
        QCOMPARE(int(d.all().size()), 2);
        QCOMPARE(d.all().back().luminance, 0.9);
        QCOMPARE(d.all().front().luminance, 0.7);
    }

    void aKeeperIsHeldAgainstTheSuggestion()
    {
        Treatment kept{"dct", 0.6, 1.5};
        kept.taste.grain = 0.2;
        const Decision d = decisionOf("/somewhere/else/wren-03.dng", 0.1, kept, {"dct", 0.8, 1}, "2026-11-29");
        QCOMPARE(d.frame, std::string("wren-03.dng"));
        QVERIFY(std::abs(d.luminance - 0.75) < 1e-12 && d.colour == 1.5 && d.grain == 0.2);
        QCOMPARE(decisionOf("a", 0.1, kept, {"dct", 0, 0}, "").luminance, 1.0); // nothing was suggested that it could leave
    }

    void documentsComeBackAndBadOnesAreRefused()
    {
        Decisions d = settled({0.8, 1.25});
        d.note({"p\u00e9niche.dng", "2026-11-29", 0.31, "bm3d", 0.5, 2, 0.25, 0.1});
        const std::string text = decisionsText(d);
        QVERIFY(decisionsFromText(text, "decisions.json").value() == d);
        const auto with = [&](const std::string &what, const std::string &other) {
            std::string changed = text;
            changed.replace(changed.find(what), what.size(), other);
            return changed;
        };
        for (const std::string &bad : {std::string(), std::string("[]"), with("irenic-decisions", "irenic-recipe"), with("\"version\": 1", "\"version\": 2"), with("\"luminance\": 0.8", "\"luminance\": -1"), with("\"luminance\": 0.8", "\"luminance\": \"x\""), with("\"grain\": 0.1", "\"grain\": 1e9"), text.substr(0, text.size() / 2)}) {
            const auto read = decisionsFromText(bad, "decisions.json");
            QVERIFY2(!read && read.error().userMessage.find("decisions.json") != std::string::npos, bad.c_str());
        }
    }
};

QTEST_GUILESS_MAIN(DecisionsTest)
#include "decisions_test.moc"
