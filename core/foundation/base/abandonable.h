// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

namespace irenic {

/// For calls into libraries that cannot be stopped: runs `body` on a thread of its own and answers what it answers. Where `stop` is requested first
/// it answers Cancelled at once, and the thread goes on alone; `afterwards` is then called on it once `body` has ended. Both must own all that they touch. Threads that go
/// on are waited for when the process ends. An exception out of `body` becomes an Error about `subject`.
Status abandonable(const std::stop_token &stop, const std::string &subject, std::function<Status()> body, std::function<void()> afterwards);

} // namespace irenic
