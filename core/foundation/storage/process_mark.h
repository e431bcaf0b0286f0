// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <string_view>

#include <sys/types.h>

namespace irenic {

/// This process, as it can be written into a file's name: "1a2b3c4d-1234-567890", a digest of the machine's boot and of the group of
/// processes that see each other (pid namespace), the process's number, and when it was started.
std::string ownMark();

enum class Writer {
    Alive,
    Gone,
    Elsewhere,
}; ///< the last: on another machine, or in another container
/// Whether the process that wrote a mark lives. Locks on files would tell, too, but not over every network.
Writer writerOf(std::string_view mark);

mode_t newFileMode(); ///< 0666 less the process's umask, which is looked up without touching it

} // namespace irenic
