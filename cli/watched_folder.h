// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <chrono>
#include <filesystem>
#include <map>
#include <stop_token>
#include <thread>
#include <vector>

namespace irenic::cli {

/// Photographs that arrive in a folder, each once: what lies there at the beginning, what is closed after writing or moved in (inotify), and, where nothing
/// tells of it (drives of other machines), what a look every few seconds finds and has not grown since the last.
class WatchedFolder
{
public:
    static Result<WatchedFolder> open(const std::filesystem::path &folder);
    WatchedFolder(WatchedFolder &&other) noexcept;
    WatchedFolder &operator=(WatchedFolder &&) = delete;
    ~WatchedFolder();

    /// That came since the last call, by name.
    std::vector<std::filesystem::path> arrived();
    /// Until something may have come, a few seconds have passed, or it is stopped.
    void wait(const std::stop_token &stop);

private:
    WatchedFolder() = default;
    struct Seen {
        std::filesystem::file_time_type time;
        uintmax_t bytes = 0;
        bool given = false;                          ///< to the caller
        std::chrono::steady_clock::time_point since; ///< when it was first seen like this
    };
    std::filesystem::path m_folder;
    std::map<std::filesystem::path, Seen> m_seen;
    bool m_first = true;
    int m_inotify = -1, m_wake = -1;
};

/// While it lives, SIGINT and SIGTERM request a stop, so that nothing half-written stays; a second signal ends the process. One at a time.
class StopBySignal
{
public:
    explicit StopBySignal(std::stop_source &stop);
    ~StopBySignal();

private:
    std::thread m_waits;
};

} // namespace irenic::cli
