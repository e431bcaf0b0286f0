// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <span>

namespace irenic {

/// A file that appears under its name whole or not at all. Written under a temporary name in the same folder, synced,
/// and renamed by commit(), which never replaces a file that is already there. Without commit() nothing is left.
class AtomicFile
{
public:
    static Result<AtomicFile> create(const std::filesystem::path &target);
    AtomicFile(AtomicFile &&other) noexcept;
    AtomicFile &operator=(AtomicFile &&) = delete;
    ~AtomicFile();

    const std::filesystem::path &temporaryPath() const { return m_temporary; }
    const std::filesystem::path &target() const { return m_target; }
    uint64_t position() const { return m_position; } ///< bytes appended so far

    Status append(std::span<const std::byte> bytes);
    Status overwrite(uint64_t offset, std::span<const std::byte> bytes);
    /// Syncs and closes the descriptor, so that others may write or verify the temporary file by its name.
    Status close();
    /// Gives the file its name. WriteFailed where the name is taken by now.
    Status commit();

private:
    AtomicFile(std::filesystem::path target, std::filesystem::path temporary, int descriptor);
    Error failure(int errorNumber) const;

    std::filesystem::path m_target, m_temporary;
    int m_descriptor = -1;
    uint64_t m_position = 0;
};

} // namespace irenic
