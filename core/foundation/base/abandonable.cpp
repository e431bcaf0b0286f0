// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/abandonable.h"

#include "irenic/barrier.h"

#include <condition_variable>
#include <list>
#include <mutex>
#include <thread>

namespace irenic {

namespace {

/// Threads that nobody waits for any more but the end of the process.
class LeftAlone
{
public:
    void add(std::thread thread)
    {
        const std::lock_guard lock(m_mutex);
        m_threads.push_back(std::move(thread));
    }
    ~LeftAlone()
    {
        for (std::thread &t : m_threads)
            t.join();
    }

private:
    std::mutex m_mutex;
    std::list<std::thread> m_threads;
};

struct Call {
    std::mutex mutex;
    std::condition_variable changed;
    std::optional<Status> ended;
    bool abandoned = false;
};

} // namespace

Status abandonable(const std::stop_token &stop, const std::string &subject, std::function<Status()> body, std::function<void()> afterwards)
{
    static LeftAlone leftAlone;
    if (stop.stop_requested())
        return cancelledError();
    const auto call = std::make_shared<Call>();
    std::thread thread([call, subject, body = std::move(body), afterwards = std::move(afterwards)] {
        const Status status = behindBarrier(subject, body);
        std::unique_lock lock(call->mutex);
        call->ended = status;
        call->changed.notify_all();
        const bool alone = call->abandoned;
        lock.unlock();
        if (alone)
            (void)behindBarrier(subject, [&]() -> Status { afterwards(); return {}; });
    });
    const std::stop_callback wake(stop, [&call] {
        const std::lock_guard lock(call->mutex);
        call->changed.notify_all();
    });
    std::unique_lock lock(call->mutex);
    call->changed.wait(lock, [&] { return call->ended || stop.stop_requested(); });
    if (call->ended) {
        lock.unlock();
        thread.join();
        return *call->ended;
    }
    call->abandoned = true;
    lock.unlock();
    leftAlone.add(std::move(thread));
    return cancelledError();
}

} // namespace irenic
