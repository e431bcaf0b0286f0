// SPDX-License-Identifier: GPL-3.0-or-later
#include "watched_folder.h"

#include "irenic/read_frame.h"
#include "irenic/text.h"

#include <algorithm>
#include <csignal>

#include <poll.h>
#include <sys/eventfd.h>
#include <sys/inotify.h>
#include <unistd.h>

namespace irenic::cli {

namespace {

constexpr int kLookEveryMs = 5000;
int signalled = -1; ///< an eventfd, which a handler may write to

void raise(int eventfd, uint64_t what)
{
    (void)!::write(eventfd, &what, sizeof what);
}

extern "C" void noteSignal(int signal)
{
    std::signal(signal, SIG_DFL);
    raise(signalled, 2);
}

} // namespace

Result<WatchedFolder> WatchedFolder::open(const std::filesystem::path &folder)
{
    std::error_code ec;
    if (!std::filesystem::is_directory(folder, ec))
        return Error{ErrorCode::NotFound, "The folder " + textOf(folder) + " is not there; nothing was done.", {}};
    WatchedFolder w;
    w.m_folder = folder;
    w.m_inotify = ::inotify_init1(IN_CLOEXEC | IN_NONBLOCK); // without it the looks every few seconds must do
    w.m_wake = ::eventfd(0, EFD_CLOEXEC | EFD_NONBLOCK);
    if (w.m_inotify >= 0)
        ::inotify_add_watch(w.m_inotify, folder.c_str(), IN_CLOSE_WRITE | IN_MOVED_TO);
    return w;
}

WatchedFolder::WatchedFolder(WatchedFolder &&other) noexcept : m_folder(std::move(other.m_folder)), m_seen(std::move(other.m_seen)), m_first(other.m_first), m_inotify(std::exchange(other.m_inotify, -1)), m_wake(std::exchange(other.m_wake, -1)) {}

WatchedFolder::~WatchedFolder()
{
    for (const int fd : {m_inotify, m_wake})
        if (fd >= 0)
            ::close(fd);
}

std::vector<std::filesystem::path> WatchedFolder::arrived()
{
    // Names that were closed or moved in are whole.
    std::vector<std::filesystem::path> whole;
    alignas(inotify_event) char buffer[16384];
    for (ssize_t n; m_inotify >= 0 && (n = ::read(m_inotify, buffer, sizeof buffer)) > 0;)
        for (ssize_t at = 0; at < n;) {
            const auto *event = reinterpret_cast<const inotify_event *>(buffer + at);
            if (event->len > 0)
                whole.push_back(m_folder / event->name);
            at += ssize_t(sizeof(inotify_event) + event->len);
        }
    std::vector<std::filesystem::path> out;
    std::error_code ec;
    for (const auto &entry : std::filesystem::directory_iterator(m_folder, ec)) {
        const std::filesystem::path &file = entry.path();
        if (!(looksLikeRaw(file) || looksRendered(file)) || textOf(file.filename()).front() == '.' || !entry.is_regular_file(ec))
            continue;
        Seen now{entry.last_write_time(ec), entry.file_size(ec), false, std::chrono::steady_clock::now()};
        if (ec)
            continue;
        const auto known = m_seen.find(file);
        const bool closed = std::find(whole.begin(), whole.end(), file) != whole.end();
        const bool same = known != m_seen.end() && known->second.time == now.time && known->second.bytes == now.bytes;
        if (same && known->second.given)
            continue;
        if (same)
            now.since = known->second.since;
        const bool rests = std::chrono::steady_clock::now() - now.since >= std::chrono::milliseconds(kLookEveryMs);
        now.given = closed || rests || m_first;
        m_seen[file] = now;
        if (now.given)
            out.push_back(file);
    }
    m_first = false;
    std::sort(out.begin(), out.end());
    return out;
}

void WatchedFolder::wait(const std::stop_token &stop)
{
    const std::stop_callback wake(stop, [this] { raise(m_wake, 1); });
    pollfd fds[2] = {{m_inotify, POLLIN, 0}, {m_wake, POLLIN, 0}};
    ::poll(fds, 2, kLookEveryMs);
}

StopBySignal::StopBySignal(std::stop_source &stop)
{
    signalled = ::eventfd(0, EFD_CLOEXEC);
    m_waits = std::thread([&stop] {
        uint64_t what = 0;
        if (::read(signalled, &what, sizeof what) == sizeof what && what >= 2)
            stop.request_stop();
    });
    for (const int signal : {SIGINT, SIGTERM})
        std::signal(signal, noteSignal);
}

StopBySignal::~StopBySignal()
{
    for (const int signal : {SIGINT, SIGTERM})
        std::signal(signal, SIG_DFL);
    raise(signalled, 1);
    m_waits.join();
    ::close(std::exchange(signalled, -1));
}

} // namespace irenic::cli
