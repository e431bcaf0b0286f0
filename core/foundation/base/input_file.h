// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <cstddef>
#include <cstdint>
#include <filesystem>
#include <vector>

namespace irenic {

/// "NAME what. The file was left as it is."
Error fileError(ErrorCode code, const std::filesystem::path &file, const std::string &what);

/// A plain file, open for reading. Never waits: pipes, sockets and devices are refused (NotAPicture), and so are folders.
class InputFile
{
public:
    static Result<InputFile> open(const std::filesystem::path &file);
    InputFile(InputFile &&other) noexcept : m_descriptor(std::exchange(other.m_descriptor, -1)), m_bytes(other.m_bytes) {}
    InputFile &operator=(InputFile &&) = delete;
    ~InputFile();

    uint64_t bytes() const { return m_bytes; } ///< its size when it was opened
    /// Fills `to` from `offset` on; false where the file ends before or the drive does not answer. From any thread.
    bool read(uint64_t offset, void *to, size_t count) const;
    int descriptor() const { return m_descriptor; }

private:
    InputFile(int descriptor, uint64_t bytes) : m_descriptor(descriptor), m_bytes(bytes) {}
    int m_descriptor;
    uint64_t m_bytes;
};

/// All of a file, where it is no larger than `mostBytes` (BadParameter otherwise).
Result<std::string> readWholeFile(const std::filesystem::path &file, uint64_t mostBytes);

/// Another file's bytes to the end, block by block; stops with Cancelled. Fails with the read's Error or what `take` answers.
Status readInBlocks(const std::filesystem::path &file, const std::stop_token &stop, const std::function<Status(const char *, size_t)> &take);

} // namespace irenic
