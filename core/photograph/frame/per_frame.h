// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <map>
#include <mutex>

namespace irenic {

/// What is kept for frames, which themselves never change: one T for each frame as long as it lives, made when it is first asked for.
/// Shared by threads; a T looks after its own locks.
template <class T>
class PerFrame
{
public:
    std::shared_ptr<T> of(const std::shared_ptr<const Frame> &frame)
    {
        const std::lock_guard lock(m_mutex);
        std::erase_if(m_kept, [](const auto &entry) { return entry.first.expired(); });
        auto &kept = m_kept[frame];
        if (!kept)
            kept = std::make_shared<T>();
        return kept;
    }

private:
    std::mutex m_mutex;
    std::map<std::weak_ptr<const Frame>, std::shared_ptr<T>, std::owner_less<>> m_kept;
};

} // namespace irenic
