// SPDX-License-Identifier: GPL-3.0-or-later
#include "storage/process_mark.h"

#include "base/fnv.h"

#include <cstdint>
#include <cstdio>
#include <fstream>
#include <sstream>

#include <sys/stat.h>
#include <unistd.h>

namespace irenic {

namespace {

const std::string &machine()
{
    static const std::string name = [] {
        std::string boot;
        std::ifstream("/proc/sys/kernel/random/boot_id") >> boot;
        char host[256] = "";
        ::gethostname(host, sizeof host - 1);
        struct stat space = {};
        ::stat("/proc/self/ns/pid", &space);
        char hex[9];
        std::snprintf(hex, sizeof hex, "%08x", fnv1a(boot + host + std::to_string(space.st_ino)));
        return std::string(hex);
    }();
    return name;
}

/// When a process was started, in ticks since the machine was (proc(5), stat, field 22); empty where there is none.
std::string startOf(const std::string &pid)
{
    std::ifstream in("/proc/" + pid + "/stat");
    std::string all((std::istreambuf_iterator<char>(in)), {});
    const size_t name = all.rfind(')'); // the program's name may hold anything
    if (name == std::string::npos)
        return {};
    std::istringstream fields(all.substr(name + 1));
    std::string field;
    for (int i = 3; i <= 22; ++i)
        fields >> field;
    return field;
}

} // namespace

std::string ownMark()
{
    const std::string pid = std::to_string(::getpid());
    return machine() + "-" + pid + "-" + startOf(pid);
}

Writer writerOf(std::string_view mark)
{
    const size_t first = mark.find('-'), second = mark.find('-', first + 1);
    if (first == std::string_view::npos || second == std::string_view::npos || mark.substr(0, first) != machine())
        return Writer::Elsewhere;
    const std::string pid(mark.substr(first + 1, second - first - 1)), start(mark.substr(second + 1));
    if (pid.empty() || pid.find_first_not_of("0123456789") != std::string::npos)
        return Writer::Elsewhere;
    return startOf(pid) == start ? Writer::Alive : Writer::Gone;
}

mode_t newFileMode()
{
    std::ifstream status("/proc/self/status");
    for (std::string line; std::getline(status, line);)
        if (line.starts_with("Umask:"))
            return mode_t(0666 & ~std::stoul(line.substr(6), nullptr, 8));
    return 0600;
}

} // namespace irenic
