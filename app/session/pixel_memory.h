// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cstddef>
#include <vector>

namespace irenic {

/// Which frames hold pixels. Those that were not looked at for longest are let go first, the one that is looked at never, so that a roll may be of any length.
class PixelMemory
{
public:
    void setBudget(size_t bytes) { m_budget = bytes; }
    void clear()
    {
        m_held.clear();
        m_lookedAt = -1;
    }
    void hold(int frame) ///< it has pixels now
    {
        m_held.insert(frame == m_lookedAt ? m_held.end() : m_held.begin(), frame);
    }
    void lookAt(int frame) ///< -1: at none
    {
        m_lookedAt = frame;
        if (std::erase(m_held, frame) > 0)
            m_held.push_back(frame);
    }
    void drop(int frame) { std::erase(m_held, frame); }
    /// The frame that is to let go of its pixels, or -1 while all have room. @param bytesOf what a frame holds, @param forOthers what else is held
    template <class BytesOf>
    int beyondBudget(size_t forOthers, BytesOf bytesOf) const
    {
        size_t held = forOthers;
        for (const int i : m_held)
            held += bytesOf(i);
        if (held <= m_budget || m_held.size() < 2)
            return -1;
        return m_held.front() == m_lookedAt ? m_held[1] : m_held.front();
    }
    /// Frames behind it have other numbers now.
    void noteTakenOut(int frame)
    {
        drop(frame);
        renumber([frame](int &i) { i -= i > frame; });
    }
    void notePutBack(int frame)
    {
        renumber([frame](int &i) { i += i >= frame; });
    }

private:
    template <class Change>
    void renumber(Change change)
    {
        for (int &i : m_held)
            change(i);
        change(m_lookedAt);
    }
    std::vector<int> m_held; ///< the latest looked at last
    int m_lookedAt = -1;
    size_t m_budget = size_t(3) << 29;
};

} // namespace irenic
