// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/blind_round.h"

#include <QTest>

#include <cmath>
#include <map>
#include <random>
#include <set>

using namespace irenic;

class BlindRoundTest : public QObject
{
    Q_OBJECT
private slots:
    void everyTwoMeetOnceAtEveryPlace()
    {
        BlindRound round(4, 3, 77);
        QCOMPARE(round.total(), size_t(18));
        std::map<std::tuple<int, int, int>, int> met;
        int lowerLeft = 0;
        while (!round.isDone()) {
            const auto p = round.current();
            QVERIFY(p.left != p.right);
            ++met[{std::min(p.left, p.right), std::max(p.left, p.right), p.place}];
            lowerLeft += p.left < p.right;
            round.answer(BlindRound::Answer::NoDifference);
        }
        QCOMPARE(met.size(), size_t(18));
        QVERIFY2(lowerLeft > 2 && lowerLeft < 16, "sides are shuffled");
        QCOMPARE(round.asked(), size_t(18));
        round.takeBack();
        QVERIFY(!round.isDone());
    }

    void aSeedRepeatsTheRound()
    {
        BlindRound a(5, 2, 9), b(5, 2, 9), c(5, 2, 10);
        int differing = 0;
        while (!a.isDone()) {
            QVERIFY(a.current() == b.current());
            differing += !(a.current() == c.current());
            for (BlindRound *r : {&a, &b, &c})
                r->answer(BlindRound::Answer::Left);
        }
        QVERIFY(differing > 5);
    }

    void someoneWithATasteIsUnderstood()
    {
        // Picks by known worths under the model's own law; long enough, the worths come back.
        const double worth[4] = {-0.9, 0.6, 1.2, -0.9};
        std::mt19937_64 random(5);
        std::uniform_real_distribution<double> unit(0, 1);
        BlindRound round(4, 200, 3);
        while (!round.isDone()) {
            const auto p = round.current();
            const double left = 1 / (1 + std::exp(worth[p.right] - worth[p.left]));
            round.answer(unit(random) < left ? BlindRound::Answer::Left : BlindRound::Answer::Right);
        }
        const auto ranking = round.ranking();
        QCOMPARE(ranking.order[0].candidate, 2);
        QCOMPARE(ranking.order[1].candidate, 1);
        for (const auto &rank : ranking.order)
            QVERIFY2(std::abs(rank.worth - worth[rank.candidate]) < 0.3, qPrintable(QString::number(rank.worth))); // sigma about 0.09
        QVERIFY(ranking.sure > 0.99);
        QCOMPARE(ranking.pairsToSettle, 0);
    }

    void chanceIsNotTakenForTaste()
    {
        // Answers by coin: "settled" for either of two should come about as seldom as it says, 2 x 5 %.
        std::mt19937_64 random(11);
        int settled = 0;
        constexpr int kRounds = 2000;
        for (int i = 0; i < kRounds; ++i) {
            BlindRound round(2, 30, uint64_t(i));
            while (!round.isDone())
                round.answer(random() & 1 ? BlindRound::Answer::Left : BlindRound::Answer::Right);
            settled += round.ranking().sure >= BlindRound::kSettled;
        }
        QVERIFY2(settled > kRounds * 0.05 && settled < kRounds * 0.14, qPrintable(QString::number(settled)));
    }

    void morePairsSettleWhatTheySaidTheyWould()
    {
        BlindRound round(2, 6, 4);
        const auto answerBy = [&](int wins, int of) { // so many of so many for candidate 1
            for (int i = 0; i < of; ++i) {
                const auto p = round.current();
                const bool one = i < wins;
                round.answer((p.left == 1) == one ? BlindRound::Answer::Left : BlindRound::Answer::Right);
            }
        };
        answerBy(4, 6);
        auto r = round.ranking();
        QCOMPARE(r.order[0].candidate, 1);
        QCOMPARE(r.order[0].picked, 4);
        QVERIFY(r.sure > 0.6 && r.sure < BlindRound::kSettled);
        QVERIFY(r.pairsToSettle > 0);
        const int more = r.pairsToSettle;
        round.askMore(0, 1, more);
        answerBy(int(std::lround(more * 4.0 / 6)), more);
        r = round.ranking();
        QVERIFY2(std::abs(r.sure - BlindRound::kSettled) < 0.03, qPrintable(QString::number(r.sure)));
    }

    void noDifferenceAtAllIsLevel()
    {
        BlindRound round(3, 4, 4);
        while (!round.isDone())
            round.answer(BlindRound::Answer::NoDifference);
        const auto r = round.ranking();
        QVERIFY(std::abs(r.sure - 0.5) < 1e-6);
        QCOMPARE(r.pairsToSettle, -1);
        QCOMPARE(r.order[0].noDifference, 8);
    }
};

QTEST_APPLESS_MAIN(BlindRoundTest)
#include "blind_round_test.moc"
