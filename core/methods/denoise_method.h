// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/methods.h"

#include <memory>
#include <mutex>
#include <stop_token>
#include <vector>

namespace irenic {

/// Samples that may be read, and are not looked at, beyond the end of a tile's rows: a wavelet step and a vector.
inline constexpr int kRowPaddingPx = 80;

/// Working planes of one tile. Reused from tile to tile, because fresh pages cost more than the arithmetic on them.
class Scratch
{
public:
    /// Plane i of at least this size; contents undefined.
    Plane<float> &plane(size_t i, Size size)
    {
        while (m_planes.size() <= i)
            m_planes.push_back(std::make_unique<Plane<float>>());
        m_planes[i]->reset(size);
        return *m_planes[i];
    }

    std::stop_token stop; ///< polled at least every 50 ms; once stopped, what a method leaves is thrown away

    /// What a method keeps besides planes; it knows its own by dynamic_cast and replaces what is not.
    struct Extra {
        virtual ~Extra() = default;
    };
    std::unique_ptr<Extra> &extra() { return m_extra; }

private:
    std::vector<std::unique_ptr<Plane<float>>> m_planes;
    std::unique_ptr<Extra> m_extra;
};

/// Copies the rows of one plane to another of the same size.
inline void copyRows(PlaneView<const float> from, PlaneView<float> to)
{
    for (int y = 0; y < from.height; ++y)
        std::memcpy(to.row(y), from.row(y), size_t(from.width) * sizeof(float));
}

/// Lends each running tile a Scratch; holds as many as tiles ever ran at once.
class ScratchPool
{
public:
    std::unique_ptr<Scratch> take()
    {
        const std::lock_guard lock(m_mutex);
        if (m_free.empty())
            return std::make_unique<Scratch>();
        auto s = std::move(m_free.back());
        m_free.pop_back();
        return s;
    }
    void give(std::unique_ptr<Scratch> s)
    {
        const std::lock_guard lock(m_mutex);
        m_free.push_back(std::move(s));
    }

private:
    std::mutex m_mutex;
    std::vector<std::unique_ptr<Scratch>> m_free;
};

/// One noise-reduction algorithm, already configured. Immutable, so one instance serves all threads.
class DenoiseMethod
{
public:
    virtual ~DenoiseMethod() = default;
    /// Context needed on every side of a tile, in sensor pixels.
    virtual int haloPx() const = 0;
    /// Side of the tiles that waste little on halos and still fit the caches.
    virtual int bestTilePx() const { return 640; }
    /// @param in    tile plus haloPx() on each side: the sensor mosaic, variance-stabilised so that the noise of
    ///              every sample has sigma 1; never NaN. Every row is followed by kRowPaddingPx readable samples
    /// @param cfa   the colour pattern as seen from the first sample of `in`
    /// @param where the tile's place in the frame, for grids that are anchored there and for nothing else
    /// @param out   the tile; never overlaps `in`
    /// Cannot fail: parameters were validated when the method was made.
    virtual void denoiseTile(PlaneView<const float> in, CfaPattern cfa, Rect where, PlaneView<float> out, Scratch &scratch) const = 0;
};

/// Builds the method of a validated treatment.
std::unique_ptr<DenoiseMethod> makeMethod(const Treatment &treatment);

} // namespace irenic
