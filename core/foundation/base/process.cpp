// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/process.h"

#include <csignal>

namespace irenic {

void prepareProcess()
{
    std::signal(SIGXFSZ, SIG_IGN);
}

} // namespace irenic
