// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <array>
#include <mutex>
#include <stop_token>
#include <vector>

namespace irenic {

/// Samples that may be read, and are not looked at, beyond the end of a tile's rows: a wavelet step and a vector.
inline constexpr int kRowPaddingPx = 80;

/// The planes of a tile: of a sensor mosaic one, otherwise red, green and blue.
using TilePlanes = std::array<PlaneView<float>, 3>;

/// Working memory of one tile at a time, for one thread. Planes are lent and come back by themselves; they are reused from tile to tile,
/// because fresh pages cost more than the arithmetic on them.
class Scratch
{
public:
    /// A plane that goes back to its Scratch, which must outlive it.
    class Lent
    {
    public:
        Lent() = default;
        Lent(Lent &&other) noexcept : m_from(std::exchange(other.m_from, nullptr)), m_plane(std::move(other.m_plane)) {}
        Lent &operator=(Lent &&other) noexcept
        {
            giveBack();
            m_from = std::exchange(other.m_from, nullptr);
            m_plane = std::move(other.m_plane);
            return *this;
        }
        ~Lent() { giveBack(); }
        PlaneView<float> view() const { return m_plane ? m_plane->view() : PlaneView<float>(); }
        void fill(float value) { m_plane->fill(value); }

    private:
        friend class Scratch;
        Lent(Scratch *from, std::unique_ptr<Plane<float>> plane) : m_from(from), m_plane(std::move(plane)) {}
        void giveBack() noexcept
        {
            if (m_plane)
                m_from->m_free.push_back(std::move(m_plane)); // never allocates: see lend()
        }
        Scratch *m_from = nullptr;
        std::unique_ptr<Plane<float>> m_plane;
    };

    /// A plane of that size; contents undefined.
    Lent lend(Size size)
    {
        // The smallest that is large enough, or else the largest, so that sizes settle after a few tiles.
        const auto better = [&](const Plane<float> &a, const Plane<float> &b) {
            const size_t needed = Plane<float>::samplesFor(size);
            const bool fits = a.capacity() >= needed;
            return fits != (b.capacity() >= needed) ? fits : (a.capacity() < b.capacity()) == fits;
        };
        std::unique_ptr<Plane<float>> plane;
        if (m_free.empty()) {
            m_free.reserve(++m_planes);
            plane = std::make_unique<Plane<float>>();
        } else {
            const auto best = std::min_element(m_free.begin(), m_free.end(), [&](const auto &a, const auto &b) { return better(*a, *b); });
            plane = std::move(*best);
            m_free.erase(best);
        }
        plane->reset(size);
        return Lent(this, std::move(plane));
    }
    /// The same with kRowPaddingPx readable samples after every row.
    Lent lendPadded(Size size) { return lend({size.width + kRowPaddingPx, size.height}); }

    std::stop_token stop; ///< polled at least every 50 ms; once stopped, what a stage leaves is thrown away

    /// What is kept besides planes, known by its type.
    struct Extra {
        virtual ~Extra() = default;
    };
    /// From tile to tile; made by `make`, which answers a unique_ptr, where there is none yet.
    template <class T, class Make>
    T &extra(const Make &make) { return found<T>(m_extras, make); }
    /// As long as there is one, a method is asked for one tile again and again, with other strengths.
    class SameTile
    {
    public:
        explicit SameTile(Scratch &scratch) : m_scratch(scratch) { m_scratch.m_sameTile = true; }
        SameTile(const SameTile &) = delete;
        ~SameTile()
        {
            m_scratch.m_sameTile = false;
            m_scratch.m_ofTile.clear();
        }

    private:
        Scratch &m_scratch;
    };
    /// Likewise, for other strengths of the same tile; null where nobody said that there will be any.
    template <class T, class Make>
    T *ofTile(const Make &make) { return m_sameTile ? &found<T>(m_ofTile, make) : nullptr; }

private:
    using Extras = std::vector<std::unique_ptr<Extra>>;
    template <class T, class Make>
    static T &found(Extras &extras, const Make &make)
    {
        for (const auto &kept : extras)
            if (auto *same = dynamic_cast<T *>(kept.get()))
                return *same;
        std::unique_ptr<T> made = make();
        T &out = *made;
        extras.push_back(std::move(made));
        return out;
    }

    std::vector<std::unique_ptr<Plane<float>>> m_free;
    size_t m_planes = 0; ///< that there are, lent ones included
    bool m_sameTile = false;
    Extras m_extras, m_ofTile; // after the planes: what is kept may hold some
};

/// Lends each running tile a Scratch; holds as many as tiles ever ran at once.
class ScratchPool
{
public:
    class Lent
    {
    public:
        Lent(ScratchPool &pool, std::unique_ptr<Scratch> scratch) : m_pool(pool), m_scratch(std::move(scratch)) {}
        Lent(const Lent &) = delete;
        ~Lent()
        {
            const std::lock_guard lock(m_pool.m_mutex);
            m_pool.m_free.push_back(std::move(m_scratch));
        }
        Scratch &operator*() const { return *m_scratch; }

    private:
        ScratchPool &m_pool;
        std::unique_ptr<Scratch> m_scratch;
    };

    Lent lend(const std::stop_token &stop)
    {
        std::unique_ptr<Scratch> s;
        {
            const std::lock_guard lock(m_mutex);
            if (!m_free.empty()) {
                s = std::move(m_free.back());
                m_free.pop_back();
            }
        }
        if (!s)
            s = std::make_unique<Scratch>();
        s->stop = stop;
        return Lent(*this, std::move(s));
    }

private:
    std::mutex m_mutex;
    std::vector<std::unique_ptr<Scratch>> m_free;
};

/// Copies the rows of one plane to another of the same size.
inline void copyRows(PlaneView<const float> from, PlaneView<float> to)
{
    for (int y = 0; y < from.height; ++y)
        std::memcpy(to.row(y), from.row(y), size_t(from.width) * sizeof(float));
}

} // namespace irenic
