// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <condition_variable>
#include <cstdint>
#include <mutex>

namespace irenic::cli {

/// Room for so many bytes at once; what is larger waits until it is alone.
class Room
{
public:
    explicit Room(uint64_t bytes) : m_bytes(bytes) {}
    void take(uint64_t bytes)
    {
        std::unique_lock lock(m_mutex);
        m_freed.wait(lock, [&] { return m_taken == 0 || m_taken + bytes <= m_bytes; });
        m_taken += bytes;
    }
    void giveBack(uint64_t bytes)
    {
        const std::lock_guard lock(m_mutex);
        m_taken -= bytes;
        m_freed.notify_all();
    }

private:
    std::mutex m_mutex;
    std::condition_variable m_freed;
    uint64_t m_bytes, m_taken = 0;
};

} // namespace irenic::cli
