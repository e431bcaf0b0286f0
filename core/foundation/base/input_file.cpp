// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/input_file.h"

#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

#include <cerrno>
#include <cstring>

#include <fcntl.h>
#include <sys/stat.h>
#include <unistd.h>

namespace irenic {

Error fileError(ErrorCode code, const std::filesystem::path &file, const std::string &what)
{
    return {code, textOf(file.filename()) + " " + sentence(what.c_str()) + ". " + sentence("The file was left as it is."), {}};
}

Result<InputFile> InputFile::open(const std::filesystem::path &file)
{
    // Not blocking: a pipe that nobody writes to would wait for ever.
    const int descriptor = ::open(file.c_str(), O_RDONLY | O_CLOEXEC | O_NONBLOCK | O_NOCTTY);
    if (descriptor < 0) {
        if (errno == ENOENT || errno == ENOTDIR)
            return fileError(ErrorCode::NotFound, file, visible("does not exist"));
        if (errno == ENXIO || errno == ENODEV)
            return fileError(ErrorCode::NotAPicture, file, visible("is no plain file"));
        return fileError(ErrorCode::NotFound, file, sentence("cannot be opened for reading (%1)", {std::strerror(errno)}));
    }
    InputFile opened(descriptor, 0);
    struct stat is = {};
    if (::fstat(descriptor, &is) != 0)
        return fileError(ErrorCode::NotFound, file, visible("cannot be opened for reading"));
    if (S_ISDIR(is.st_mode))
        return fileError(ErrorCode::NotAPicture, file, visible("is a folder, not a picture"));
    if (!S_ISREG(is.st_mode))
        return fileError(ErrorCode::NotAPicture, file, visible("is no plain file"));
    opened.m_bytes = uint64_t(is.st_size);
    return opened;
}

InputFile::~InputFile()
{
    if (m_descriptor >= 0)
        ::close(m_descriptor);
}

bool InputFile::read(uint64_t offset, void *to, size_t count) const
{
    auto *p = static_cast<char *>(to);
    while (count > 0) {
        const ssize_t n = ::pread(m_descriptor, p, count, off_t(offset));
        if (n < 0 && errno == EINTR)
            continue;
        if (n <= 0)
            return false;
        p += n;
        offset += uint64_t(n);
        count -= size_t(n);
    }
    return true;
}

Result<std::string> readWholeFile(const std::filesystem::path &file, uint64_t mostBytes)
{
    const Result<InputFile> in = InputFile::open(file);
    if (!in)
        return in.error();
    if (in.value().bytes() > mostBytes)
        return fileError(ErrorCode::BadParameter, file, visible("is too large to be what it should be"));
    std::string all(size_t(in.value().bytes()), '\0');
    if (!in.value().read(0, all.data(), all.size()))
        return fileError(ErrorCode::NotFound, file, visible("could not be read to its end"));
    return all;
}

Status readInBlocks(const std::filesystem::path &file, const std::stop_token &stop, const std::function<Status(const char *, size_t)> &take)
{
    constexpr size_t kBlock = 1 << 20;
    const Result<InputFile> in = InputFile::open(file);
    if (!in)
        return in.error();
    std::vector<char> block(kBlock);
    for (uint64_t at = 0; at < in.value().bytes();) {
        if (stop.stop_requested())
            return cancelledError();
        const size_t count = size_t(std::min<uint64_t>(kBlock, in.value().bytes() - at));
        if (!in.value().read(at, block.data(), count))
            return fileError(ErrorCode::NotFound, file, visible("could not be read to its end"));
        if (const Status s = take(block.data(), count); !s)
            return s;
        at += count;
    }
    return {};
}

} // namespace irenic
