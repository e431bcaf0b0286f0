// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <cstdio>
#include <filesystem>
#include <string>

#include <unistd.h>

namespace irenic::fuzz {

/// A file in memory of this process's own, with other contents at every run.
inline std::filesystem::path scratchFile(const char *ending, const void *bytes, size_t count)
{
    const std::string name = "/dev/shm/irenic-fuzz-" + std::to_string(::getpid()) + ending;
    if (FILE *f = std::fopen(name.c_str(), "wb")) {
        std::fwrite(bytes, 1, count, f);
        std::fclose(f);
    }
    return name;
}

} // namespace irenic::fuzz
