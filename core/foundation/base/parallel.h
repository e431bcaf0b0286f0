// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <algorithm>
#include <vector>

namespace irenic {

int availableThreads(); ///< that a call with RunContext::threads 0 uses

/// Calls body(0) .. body(count - 1), each once, in no promised order, on run.threads threads (the caller's
/// among them). Fails only with Cancelled, after every started call has returned.
Status parallelFor(int count, const RunContext &run, const std::function<void(int)> &body);

/// What body(0, list) .. body(count - 1, list) append to their lists, in this order whatever the threads. Fails only with Cancelled.
template <class T, class Body>
Result<std::vector<T>> gathered(int count, const RunContext &run, const Body &body)
{
    std::vector<std::vector<T>> lists(size_t(std::max(0, count)));
    const Status done = parallelFor(int(lists.size()), run, [&](int i) { body(i, lists[size_t(i)]); });
    if (!done)
        return done.error();
    std::vector<T> all;
    for (auto &list : lists) {
        all.insert(all.end(), list.begin(), list.end());
        list = {};
    }
    return all;
}

/// A context for one stage of a longer call: same threads and stop, progress mapped to [from, to].
RunContext stage(const RunContext &run, double from, double to);

} // namespace irenic
