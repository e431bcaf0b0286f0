// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/parallel.h"

#include <tbb/parallel_for.h>
#include <tbb/task_arena.h>

#include <atomic>
#include <mutex>
#include <thread>
#include <vector>

namespace irenic {

namespace {

#ifdef __SANITIZE_THREAD__
/// Debian's TBB is built without the thread sanitizer, which would take every hand-over between its threads for a race.
void spread(int count, const RunContext &run, const std::function<void(int)> &one)
{
    std::atomic<int> next = 0;
    std::exception_ptr thrown;
    std::mutex mutex;
    std::vector<std::thread> threads;
    for (int t = 0; t < (run.threads > 0 ? run.threads : availableThreads()); ++t)
        threads.emplace_back([&] {
            try {
                for (int i = next++; i < count; i = next++)
                    one(i);
            } catch (...) {
                const std::lock_guard lock(mutex);
                thrown = std::current_exception();
            }
        });
    for (std::thread &t : threads)
        t.join();
    if (thrown)
        std::rethrow_exception(thrown);
}
#else
void spread(int count, const RunContext &run, const std::function<void(int)> &one)
{
    tbb::task_arena arena(run.threads > 0 ? run.threads : tbb::task_arena::automatic, 1,
                          run.background ? tbb::task_arena::priority::low : tbb::task_arena::priority::normal);
    arena.execute([&] { tbb::parallel_for(0, count, one, tbb::simple_partitioner()); });
}
#endif

} // namespace

int availableThreads()
{
    return tbb::this_task_arena::max_concurrency();
}

Status parallelFor(int count, const RunContext &run, const std::function<void(int)> &body)
{
    int done = 0;
    std::mutex progressMutex;
    const auto one = [&](int i) {
        if (run.stop.stop_requested())
            return;
        body(i);
        if (run.onProgress) {
            const std::lock_guard lock(progressMutex);
            run.onProgress(double(++done) / count);
        }
    };
    if (run.threads == 1 || count == 1) {
        for (int i = 0; i < count; ++i)
            one(i);
    } else {
        spread(count, run, one);
    }
    if (run.stop.stop_requested())
        return cancelledError();
    return {};
}

RunContext stage(const RunContext &run, double from, double to)
{
    RunContext part{run.threads, run.stop, {}, run.background};
    if (run.onProgress)
        part.onProgress = [whole = run.onProgress, from, to](double f) { whole(from + (to - from) * f); };
    return part;
}

} // namespace irenic
