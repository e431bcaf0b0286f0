// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/parallel.h"

#include <QTest>

#include <atomic>
#include <chrono>
#include <thread>

using namespace irenic;

class ParallelTest : public QObject
{
    Q_OBJECT
private slots:
    void everyIndexOnce_data()
    {
        QTest::addColumn<int>("count");
        QTest::addColumn<int>("threads");
        for (const int count : {0, 1, 2, 97})
            for (const int threads : {0, 1, 2, 5})
                QTest::addRow("%d items, %d threads", count, threads) << count << threads;
    }
    void everyIndexOnce()
    {
        QFETCH(int, count);
        QFETCH(int, threads);
        std::vector<std::atomic<int>> seen(size_t(count) + 1);
        QVERIFY(parallelFor(count, {threads, {}, {}}, [&](int i) { ++seen[size_t(i)]; }));
        for (int i = 0; i < count; ++i)
            QCOMPARE(seen[size_t(i)].load(), 1);
        QCOMPARE(seen.back().load(), 0);
    }
    void progressNeverFallsAndEndsAtOne()
    {
        std::vector<double> told;
        QVERIFY(parallelFor(50, {2, {}, [&](double f) { told.push_back(f); }}, [](int) {}));
        QCOMPARE(told.size(), size_t(50));
        QVERIFY(std::is_sorted(told.begin(), told.end()));
        QCOMPARE(told.back(), 1.0);
    }
    void stopEndsEarly()
    {
        std::stop_source source;
        std::atomic<int> calls = 0;
        const Status s = parallelFor(1000, {1, source.get_token(), {}}, [&](int i) {
            ++calls;
            if (i == 10)
                source.request_stop();
        });
        QVERIFY(!s);
        QCOMPARE(s.error().code, ErrorCode::Cancelled);
        QCOMPARE(calls.load(), 11);
    }
    void stageMapsProgress()
    {
        std::vector<double> told;
        const RunContext whole{1, {}, [&](double f) { told.push_back(f); }};
        stage(whole, 0.5, 0.75).onProgress(0.5);
        QCOMPARE(told, std::vector<double>{0.625});
        QVERIFY(!stage({}, 0, 1).onProgress);
    }
};

QTEST_APPLESS_MAIN(ParallelTest)
#include "parallel_test.moc"
