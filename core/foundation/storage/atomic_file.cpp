// SPDX-License-Identifier: GPL-3.0-or-later
#include "storage/atomic_file.h"

#include "base/abandonable.h"
#include "irenic/document.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "storage/process_mark.h"

#include <cerrno>
#include <chrono>
#include <cstring>
#include <fstream>
#include <thread>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

namespace irenic {

namespace {

// .irenic-MARK-XXXXXX.part, and .irenic-claim-DIGEST; see process_mark.h
constexpr std::string_view kTemporaryBegin = ".irenic-", kTemporaryEnd = ".part", kClaimBegin = ".irenic-claim-";
/// What a process on another machine has not touched for so long, it has left behind.
constexpr std::chrono::hours kForeignAge{24};
constexpr std::chrono::minutes kClaimAge{1}; ///< a claim lasts for a rename

std::filesystem::path folderOf(const std::filesystem::path &target)
{
    return target.parent_path().empty() ? "." : target.parent_path();
}

bool isOlderThan(const std::filesystem::path &file, std::chrono::seconds age)
{
    std::error_code ec;
    const auto written = std::filesystem::last_write_time(file, ec);
    return !ec && std::filesystem::file_time_type::clock::now() - written > age;
}

bool wasLeft(std::string_view mark, const std::filesystem::path &file, std::chrono::seconds foreignAge)
{
    const Writer writer = writerOf(mark);
    return writer == Writer::Gone || (writer == Writer::Elsewhere && isOlderThan(file, foreignAge));
}

/// The right to give a file its name where the file system can neither link nor rename without replacing (some network drives): a file
/// that only one process can make. Every program of ours asks for it there.
class Claim
{
public:
    explicit Claim(const std::filesystem::path &target)
        : m_file(folderOf(target) / (std::string(kClaimBegin) + std::to_string(std::hash<std::string>()(target.filename().string()))))
    {
        for (int i = 0; i < 40 && !m_held; ++i) {
            if (const int d = ::open(m_file.c_str(), O_CREAT | O_EXCL | O_WRONLY | O_CLOEXEC, 0600); d >= 0) {
                const std::string mark = ownMark();
                m_held = ::write(d, mark.data(), mark.size()) == ssize_t(mark.size());
                ::close(d);
                if (!m_held)
                    ::unlink(m_file.c_str());
                return;
            }
            if (errno != EEXIST)
                return;
            std::string mark;
            std::ifstream(m_file) >> mark;
            if (wasLeft(mark, m_file, kClaimAge))
                ::unlink(m_file.c_str());
            else
                std::this_thread::sleep_for(std::chrono::milliseconds(50));
        }
        errno = EEXIST;
    }
    ~Claim()
    {
        if (m_held)
            ::unlink(m_file.c_str());
    }
    Claim(const Claim &) = delete;
    Claim &operator=(const Claim &) = delete;
    bool isHeld() const { return m_held; } ///< errno says why not

private:
    std::filesystem::path m_file;
    bool m_held = false;
};

/// Gives a file another name, which is not taken; false with errno otherwise.
bool renamedWithoutReplacing(const std::filesystem::path &from, const std::filesystem::path &to)
{
    // link() refuses a name that is taken, which rename() would replace.
    if (::link(from.c_str(), to.c_str()) == 0) {
        ::unlink(from.c_str());
        return true;
    }
    if (errno == EEXIST)
        return false;
    if (::renameat2(AT_FDCWD, from.c_str(), AT_FDCWD, to.c_str(), RENAME_NOREPLACE) == 0)
        return true;
    if (errno != EINVAL && errno != ENOSYS && errno != EOPNOTSUPP)
        return false;
    const Claim claim(to);
    if (!claim.isHeld())
        return false;
    struct stat there = {};
    if (::lstat(to.c_str(), &there) == 0) {
        errno = EEXIST;
        return false;
    }
    return ::rename(from.c_str(), to.c_str()) == 0;
}

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
    const std::string what = errorNumber == ENOSPC || errorNumber == EDQUOT                                                 ? visible("the disk is full")
                             : errorNumber == EACCES || errorNumber == EPERM                                                ? visible("the folder may not be written to")
                             : errorNumber == EROFS                                                                         ? visible("the drive is read-only")
                             : errorNumber == ENAMETOOLONG                                                                  ? visible("the name is too long")
                             : errorNumber == ENOENT                                                                        ? visible("the folder does not exist")
                             : errorNumber == EEXIST                                                                        ? visible("a file of that name is already there")
                             : errorNumber == EFBIG                                                                         ? visible("the file would be larger than this drive or this account allows")
                             : errorNumber == EIO || errorNumber == ESTALE || errorNumber == ENODEV || errorNumber == ENXIO ? visible("the drive does not answer any more")
                                                                                                                            : std::strerror(errorNumber);
    return {errorNumber == EEXIST ? ErrorCode::Taken : ErrorCode::WriteFailed, sentence("%1 was not written: %2. Nothing was left behind and the original is untouched.", {textOf(m_target), sentence(what.c_str())}), {}};
}

Result<AtomicFile> AtomicFile::create(const std::filesystem::path &target, bool replacing)
{
    const std::filesystem::path folder = folderOf(target);
    sweep(folder);
    std::string name = (folder / (std::string(kTemporaryBegin) + ownMark() + "-XXXXXX" + std::string(kTemporaryEnd))).string();
    const int descriptor = ::mkostemps(name.data(), int(kTemporaryEnd.size()), O_CLOEXEC);
    if (descriptor < 0)
        return AtomicFile(target, {}, -1).failure(errno);
    AtomicFile file(target, name, descriptor);
    // A name that the file system will refuse should be known before the work, not after it.
    std::error_code ec;
    if (target.filename().string().size() > 255)
        return file.failure(ENAMETOOLONG);
    if (!replacing && std::filesystem::exists(std::filesystem::symlink_status(target, ec)))
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

namespace {

/// A descriptor of its own for a sync that may be left alone.
struct Synced {
    int descriptor;
    int problem = 0;
    explicit Synced(int of) : descriptor(::fcntl(of, F_DUPFD_CLOEXEC, 0)) {}
    Synced(const Synced &) = delete;
    ~Synced() { ::close(descriptor); }
};

} // namespace

Status AtomicFile::settle(const std::stop_token &stop)
{
    const int there = ::open(m_temporary.c_str(), O_RDWR | O_CLOEXEC);
    if (there < 0)
        return failure(errno);
    ::close(std::exchange(m_descriptor, there));
    ::fchmod(m_descriptor, newFileMode()); // some drives have no modes
    if (!stop.stop_possible()) {
        m_settled = ::fsync(m_descriptor) == 0;
        return m_settled ? Status() : failure(errno);
    }
    const auto synced = std::make_shared<Synced>(m_descriptor);
    const auto sync = [synced]() -> Status {
        synced->problem = ::fsync(synced->descriptor) == 0 ? 0 : errno;
        return {};
    };
    if (const Status s = abandonable(stop, textOf(m_target.filename()), sync, [] {}); !s)
        return s;
    m_settled = synced->problem == 0;
    return m_settled ? Status() : failure(synced->problem);
}

namespace {

bool renamedReplacing(const std::filesystem::path &from, const std::filesystem::path &to)
{
    return ::rename(from.c_str(), to.c_str()) == 0;
}

} // namespace

Status AtomicFile::commit()
{
    return named(renamedWithoutReplacing);
}

Status AtomicFile::commitReplacing()
{
    return named(renamedReplacing);
}

Status AtomicFile::named(bool (*rename)(const std::filesystem::path &, const std::filesystem::path &))
{
    if (!m_settled)
        if (const Status s = settle(); !s)
            return s;
    if (!rename(m_temporary, m_target))
        return failure(errno);
    m_temporary.clear();
    if (const int d = ::open(folderOf(m_target).c_str(), O_RDONLY | O_DIRECTORY | O_CLOEXEC); d >= 0) {
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
        const std::string name = it->path().filename().string();
        if (!name.starts_with(kTemporaryBegin) || !name.ends_with(kTemporaryEnd) || name.size() <= kTemporaryBegin.size() + kTemporaryEnd.size())
            continue;
        const auto middle = std::string_view(name).substr(kTemporaryBegin.size(), name.size() - kTemporaryBegin.size() - kTemporaryEnd.size());
        const auto mark = middle.substr(0, middle.rfind('-')); // version 0.1 wrote none
        std::error_code plain;
        if (it->is_regular_file(plain) && wasLeft(mark, it->path(), kForeignAge) && ::unlink(it->path().c_str()) == 0)
            ++swept;
    }
    return swept;
}

Status replaceDocument(const std::filesystem::path &target, const std::string &text)
{
    // A link stays one, and the file keeps its mode.
    std::error_code ec;
    const auto canonical = std::filesystem::canonical(target, ec);
    const std::filesystem::path &real = ec ? target : canonical;
    Result<AtomicFile> file = AtomicFile::create(real, true);
    if (!file)
        return file.error();
    if (const Status s = file.value().append(std::as_bytes(std::span(text))); !s)
        return s;
    if (const Status s = file.value().settle(); !s)
        return s;
    if (const auto before = std::filesystem::status(real, ec); std::filesystem::exists(before))
        std::filesystem::permissions(file.value().temporaryPath(), before.permissions(), ec);
    return file.value().commitReplacing();
}

Status writeNewFile(const std::filesystem::path &target, std::span<const std::byte> bytes)
{
    Result<AtomicFile> file = AtomicFile::create(target);
    if (!file)
        return file.error();
    if (const Status s = file.value().append(bytes); !s)
        return s;
    return file.value().commit();
}

} // namespace irenic
