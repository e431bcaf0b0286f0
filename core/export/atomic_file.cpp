// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/atomic_file.h"

#include <cerrno>
#include <cstring>
#include <chrono>
#include <fcntl.h>
#include <sys/file.h>
#include <sys/stat.h>
#include <unistd.h>

namespace irenic {

namespace {

constexpr const char *kTemporaryBegin = ".irenic-", *kTemporaryEnd = ".part";
/// A file that was just made may not be locked yet.
constexpr std::chrono::seconds kYoung{10};

} // namespace

AtomicFile::AtomicFile(std::filesystem::path target, std::filesystem::path temporary, int descriptor)
    : m_target(std::move(target)), m_temporary(std::move(temporary)), m_descriptor(descriptor)
{
}

AtomicFile::AtomicFile(AtomicFile &&other) noexcept
    : m_target(std::move(other.m_target)), m_temporary(std::exchange(other.m_temporary, {})),
      m_descriptor(std::exchange(other.m_descriptor, -1)), m_position(other.m_position), m_settled(other.m_settled)
{
}

AtomicFile::~AtomicFile()
{
    if (m_descriptor >= 0)
        ::close(m_descriptor);
    if (!m_temporary.empty())
        ::unlink(m_temporary.c_str());
}

Error AtomicFile::failure(int errorNumber) const
{
    const std::string what = errorNumber == ENOSPC || errorNumber == EDQUOT ? "the disk is full"
                           : errorNumber == EACCES || errorNumber == EPERM  ? "the folder may not be written to"
                           : errorNumber == EROFS                           ? "the drive is read-only"
                           : errorNumber == ENAMETOOLONG                    ? "the name is too long"
                           : errorNumber == ENOENT                          ? "the folder does not exist"
                           : errorNumber == EEXIST                          ? "a file of that name is already there"
                           : errorNumber == EFBIG                           ? "the file would be larger than this drive or this account allows"
                           : errorNumber == EIO || errorNumber == ESTALE || errorNumber == ENODEV || errorNumber == ENXIO ? "the drive does not answer any more"
                                                                            : std::strerror(errorNumber);
    return {errorNumber == EEXIST ? ErrorCode::Taken : ErrorCode::WriteFailed, m_target.string() + " was not written: " + what + ". Nothing was left behind and the original is untouched.", {}};
}

Result<AtomicFile> AtomicFile::create(const std::filesystem::path &target)
{
    std::filesystem::path folder = target.parent_path();
    if (folder.empty())
        folder = ".";
    sweep(folder);
    std::string name = (folder / (std::string(kTemporaryBegin) + "XXXXXX" + kTemporaryEnd)).string();
    const int descriptor = ::mkostemps(name.data(), 5, O_CLOEXEC);
    if (descriptor < 0)
        return AtomicFile(target, {}, -1).failure(errno);
    ::flock(descriptor, LOCK_SH | LOCK_NB);
    ::fchmod(descriptor, 0644);
    AtomicFile file(target, name, descriptor);
    // A name that the file system will refuse should be known before the work, not after it.
    std::error_code ec;
    if (target.filename().string().size() > 255)
        return file.failure(ENAMETOOLONG);
    if (std::filesystem::exists(std::filesystem::symlink_status(target, ec)))
        return file.failure(EEXIST);
    return file;
}

Status AtomicFile::append(std::span<const std::byte> bytes)
{
    if (const Status s = overwrite(m_position, bytes); !s)
        return s;
    m_position += bytes.size();
    return {};
}

Status AtomicFile::overwrite(uint64_t offset, std::span<const std::byte> bytes)
{
    m_settled = false;
    while (!bytes.empty()) {
        const ssize_t n = ::pwrite(m_descriptor, bytes.data(), bytes.size(), off_t(offset));
        if (n < 0 && errno == EINTR)
            continue;
        if (n <= 0)
            return failure(n < 0 ? errno : ENOSPC);
        bytes = bytes.subspan(size_t(n));
        offset += uint64_t(n);
    }
    return {};
}

Status AtomicFile::settle()
{
    const int there = ::open(m_temporary.c_str(), O_RDWR | O_CLOEXEC);
    if (there < 0)
        return failure(errno);
    ::flock(there, LOCK_SH | LOCK_NB); // shared, so that it is never without a lock: sweep() wants it alone
    ::close(std::exchange(m_descriptor, there));
    ::fchmod(m_descriptor, 0644);
    m_settled = ::fsync(m_descriptor) == 0;
    return m_settled ? Status() : failure(errno);
}

Status AtomicFile::commit()
{
    if (!m_settled)
        if (const Status s = settle(); !s)
            return s;
    // link() refuses a name that is taken, which rename() would replace; file systems without hard links get the
    // kernel's own refusing rename.
    if (::link(m_temporary.c_str(), m_target.c_str()) == 0)
        ::unlink(m_temporary.c_str());
    else if (errno == EEXIST || ::renameat2(AT_FDCWD, m_temporary.c_str(), AT_FDCWD, m_target.c_str(), RENAME_NOREPLACE) != 0)
        return failure(errno);
    m_temporary.clear();
    const auto folder = m_target.parent_path();
    if (const int d = ::open(folder.empty() ? "." : folder.c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC); d >= 0) {
        ::fsync(d); // the name itself must survive a power cut
        ::close(d);
    }
    return {};
}

int AtomicFile::sweep(const std::filesystem::path &folder)
{
    int swept = 0;
    std::error_code ec;
    for (std::filesystem::directory_iterator it(folder, ec), end; !ec && it != end; it.increment(ec)) {
        const auto entry = *it;
        const std::string name = entry.path().filename().string();
        if (!name.starts_with(kTemporaryBegin) || !name.ends_with(kTemporaryEnd) || !entry.is_regular_file(ec))
            continue;
        if (std::filesystem::file_time_type::clock::now() - entry.last_write_time(ec) < kYoung)
            continue;
        const int descriptor = ::open(entry.path().c_str(), O_RDONLY | O_CLOEXEC);
        if (descriptor < 0)
            continue;
        if (::flock(descriptor, LOCK_EX | LOCK_NB) == 0 && ::unlink(entry.path().c_str()) == 0)
            ++swept;
        ::close(descriptor);
    }
    return swept;
}

} // namespace irenic
