// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/abandonable.h"

#include "irenic/barrier.h"

#include <QTest>

#include <atomic>
#include <future>
#include <new>
#include <stdexcept>

using namespace irenic;

class AbandonableTest : public QObject
{
    Q_OBJECT
private slots:
    void itAnswersWhatTheBodyAnswers()
    {
        std::atomic<int> afterwards = 0;
        const auto count = [&] { ++afterwards; };
        QVERIFY(abandonable(
            {}, "x", [] { return Status(); }, count));
        const Status failed = abandonable(
            {}, "x", [] { return Status(Error{ErrorCode::Damaged, "no good", {}}); }, count);
        QVERIFY(!failed);
        QCOMPARE(failed.error().userMessage, std::string("no good"));
        QCOMPARE(afterwards.load(), 0); // for what was left alone only
    }

    void whatIsThrownNamesTheSubject_data()
    {
        QTest::addColumn<int>("kind");
        QTest::addColumn<QString>("words");
        QTest::newRow("no memory") << 0 << "more memory than there is";
        QTest::newRow("sizes") << 1 << "claims sizes that cannot be";
        QTest::newRow("a library's reason") << 2 << "a library gave up (odd)";
        QTest::newRow("no exception class") << 3 << "without a reason";
    }
    void whatIsThrownNamesTheSubject()
    {
        QFETCH(int, kind);
        QFETCH(QString, words);
        const auto raise = [kind]() -> Status {
            switch (kind) {
            case 0: throw std::bad_alloc();
            case 1: throw std::length_error("vector");
            case 2: throw std::runtime_error("odd");
            default: throw 7;
            }
        };
        for (const Status &s : {behindBarrier("wren.dng", raise), abandonable({}, "wren.dng", raise, [] {})}) {
            QVERIFY(!s);
            QVERIFY2(s.error().userMessage.starts_with("wren.dng ") && s.error().userMessage.find(words.toStdString()) != std::string::npos, s.error().userMessage.c_str());
            QVERIFY(s.error().userMessage.find("Nothing was changed.") != std::string::npos);
        }
    }

    /// The body does not end before it is let go, so an answer before that is the answer of one who did not wait.
    void aStopLeavesTheBodyAloneAndIsFollowedByTheCleanUp()
    {
        std::stop_source stop;
        std::promise<void> begun, letGo, cleaned;
        std::atomic<bool> bodyEnded = false;
        auto cleanedUp = cleaned.get_future();
        auto answer = std::async(std::launch::async, [&] {
            return abandonable(
                stop.get_token(), "x", [&] {
                begun.set_value();
                letGo.get_future().wait();
                bodyEnded = true;
                return Status(); }, [&] { bodyEnded ? cleaned.set_value() : cleaned.set_exception(std::make_exception_ptr(std::logic_error("too early"))); });
        });
        begun.get_future().wait();
        stop.request_stop();
        const Status s = answer.get();
        QVERIFY(!s);
        QCOMPARE(int(s.error().code), int(ErrorCode::Cancelled));
        QVERIFY(!bodyEnded);
        letGo.set_value();
        cleanedUp.get(); // throws where it came before the body's end
    }

    void afterAStopNothingBegins()
    {
        std::stop_source stop;
        stop.request_stop();
        bool begun = false;
        QVERIFY(!abandonable(
            stop.get_token(), "x", [&] { begun = true; return Status(); }, [] {}));
        QVERIFY(!begun);
    }
};

QTEST_APPLESS_MAIN(AbandonableTest)
#include "abandonable_test.moc"
