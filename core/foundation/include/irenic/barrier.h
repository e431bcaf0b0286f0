// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

namespace irenic {

/// What the exception that is being handled means, as an Error about `subject` (a file's name, or what was being done): memory ran out,
/// or a library gave up. Only to be called from a catch clause.
Error errorInFlight(const std::string &subject);

/// Runs `body`, which answers a Result or a Status, and turns whatever is thrown out of it into its Error. Stands at every boundary
/// beyond which nobody could say which file was at fault: readers, jobs, workers, documents.
template <class Body>
auto behindBarrier(const std::string &subject, const Body &body) -> decltype(body())
{
    try {
        return body();
    } catch (...) {
        return errorInFlight(subject);
    }
}

} // namespace irenic
