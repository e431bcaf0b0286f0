// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <map>
#include <mutex>

namespace irenic {

/// What is kept for frames, which themselves never change: one T for each frame as long as it lives. Shared by threads.
template <class T>
class PerFrame
{
public:
    /// Made by `make` when it is first asked for, once at a time for a frame; where that answers null it is tried again the next time.
    template <class Make>
    std::shared_ptr<T> of(const std::shared_ptr<const Frame> &frame, const Make &make)
    {
        const std::shared_ptr<Kept> kept = placeOf(frame);
        const std::lock_guard lock(kept->mutex);
        if (!kept->made)
            kept->made = make();
        return kept->made;
    }

private:
    struct Kept {
        std::mutex mutex;
        std::shared_ptr<T> made;
    };
    std::shared_ptr<Kept> placeOf(const std::shared_ptr<const Frame> &frame)
    {
        const std::lock_guard lock(m_mutex);
        std::erase_if(m_kept, [](const auto &entry) { return entry.first.expired(); });
        auto &kept = m_kept[frame];
        if (!kept)
            kept = std::make_shared<Kept>();
        return kept;
    }

    std::mutex m_mutex;
    std::map<std::weak_ptr<const Frame>, std::shared_ptr<Kept>, std::owner_less<>> m_kept;
};

} // namespace irenic
