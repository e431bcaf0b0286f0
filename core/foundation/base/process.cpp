// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/process.h"

#include <csignal>

namespace irenic {

void prepareProcess()
{
    std::signal(SIGXFSZ, SIG_IGN);
}

std::filesystem::path besideProgram(const std::filesystem::path &below)
{
    std::error_code ec;
    return std::filesystem::read_symlink("/proc/self/exe", ec).parent_path().parent_path() / below;
}

} // namespace irenic
