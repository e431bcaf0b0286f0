// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <span>
#include <stop_token>

namespace irenic {

/// A file that appears under its name whole or not at all. Written under a temporary name in the same folder, synced,
/// and renamed by commit(), which never replaces a file that is already there. Without commit() nothing is left; what a process
/// that was killed left behind is cleared away by the next create() in that folder. Such a file is known by its name, which tells whose it is
/// (process_mark.h): a process of this machine that is gone, or one of another that has not touched it for a day. Neither locks nor hard
/// links are needed, which network drives may lack. Modes follow the umask.
class AtomicFile
{
public:
    /// Taken where the name is, unless that is to be replaced.
    static Result<AtomicFile> create(const std::filesystem::path &target, bool replacing = false);
    AtomicFile(AtomicFile &&other) noexcept;
    AtomicFile &operator=(AtomicFile &&) = delete;
    ~AtomicFile();

    const std::filesystem::path &temporaryPath() const { return m_temporary; }
    const std::filesystem::path &target() const { return m_target; }
    uint64_t position() const { return m_position; } ///< bytes appended so far

    Status append(std::span<const std::byte> bytes);
    Status overwrite(uint64_t offset, std::span<const std::byte> bytes);
    /// Syncs what lies under the temporary name by now: libraries that write by name may have put another file there. Afterwards it may
    /// be verified, and is written to no more but by overwrite(). A sync cannot be stopped: where `stop` is requested first it is left alone, and Cancelled is answered.
    Status settle(const std::stop_token &stop = {});
    /// Settles where that was not done, and gives the file its name. Taken where another has it by now.
    Status commit();
    /// The same in place of what has the name: for documents of our own alone, whose last version this is to follow.
    Status commitReplacing();

    /// What the system's error means for the target, as a sentence.
    Error failure(int errorNumber) const;
    /// Takes away what killed processes left in a folder; answers how many files that were.
    static int sweep(const std::filesystem::path &folder);

private:
    Status named(bool (*rename)(const std::filesystem::path &, const std::filesystem::path &));
    AtomicFile(std::filesystem::path target, std::filesystem::path temporary, int descriptor);

    std::filesystem::path m_target, m_temporary;
    int m_descriptor = -1;
    uint64_t m_position = 0;
    bool m_settled = false;
};

} // namespace irenic
