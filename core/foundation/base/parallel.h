// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

namespace irenic {

int availableThreads(); ///< that a call with RunContext::threads 0 uses

/// Calls body(0) .. body(count - 1), each once, in no promised order, on run.threads threads (the caller's
/// among them). Fails only with Cancelled, after every started call has returned.
Status parallelFor(int count, const RunContext &run, const std::function<void(int)> &body);

/// A context for one stage of a longer call: same threads and stop, progress mapped to [from, to].
RunContext stage(const RunContext &run, double from, double to);

} // namespace irenic
