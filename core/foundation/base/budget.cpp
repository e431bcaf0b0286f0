// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/budget.h"

#include "base/input_file.h"
#include "irenic/sentence.h"

#include <algorithm>
#include <fstream>
#include <limits>

#include <sys/resource.h>
#include <unistd.h>

namespace irenic {

namespace {

constexpr uint64_t kPixelsAByte = 200, kSmallPixels = 4'000'000;

/// The limit of the control group that the process runs in (version 2, or 1 where it is the only one).
uint64_t groupLimit()
{
    for (const char *file : {"/sys/fs/cgroup/memory.max", "/sys/fs/cgroup/memory/memory.limit_in_bytes"}) {
        uint64_t bytes = 0;
        if (std::ifstream in(file); in >> bytes)
            return bytes;
    }
    return std::numeric_limits<uint64_t>::max();
}

std::string gigabytes(double bytes)
{
    return std::to_string(std::max<int64_t>(1, int64_t(bytes / 1e9 + 0.5))) + " GB";
}

} // namespace

uint64_t memoryBudget()
{
    uint64_t least = uint64_t(sysconf(_SC_PHYS_PAGES)) * uint64_t(sysconf(_SC_PAGESIZE)) / 4 * 3;
    least = std::min(least, groupLimit() / 4 * 3);
    rlimit limit{};
    if (getrlimit(RLIMIT_AS, &limit) == 0 && limit.rlim_cur != RLIM_INFINITY)
        least = std::min<uint64_t>(least, limit.rlim_cur / 2);
    return least;
}

Status ReadBudget::allows(const std::filesystem::path &file, uint64_t width, uint64_t height, double bytesAPixel) const
{
    const double pixels = double(width) * double(height);
    if (pixels > double(std::max(kSmallPixels, fileBytes * kPixelsAByte)))
        return fileError(ErrorCode::Damaged, file, sentence("claims %1 x %2 pixels in %3 bytes, which no photograph does", {std::to_string(width), std::to_string(height), std::to_string(fileBytes)}));
    if (const double needed = pixels * bytesAPixel, budget = double(memoryBudget()); needed > budget)
        return fileError(ErrorCode::Unsupported, file, sentence("is too large: opening it takes about %1 of memory, and %2 may be used here", {gigabytes(needed), gigabytes(budget)}));
    return {};
}

} // namespace irenic
