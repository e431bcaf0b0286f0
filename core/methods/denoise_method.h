// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/methods.h"

#include <memory>
#include <mutex>
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

private:
    std::vector<std::unique_ptr<Plane<float>>> m_planes;
};

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
    /// @param in    tile plus haloPx() on each side: the sensor mosaic, variance-stabilised so that the noise of
    ///              every sample has sigma 1; never NaN. Every row is followed by kRowPaddingPx readable samples
    /// @param cfa   the colour pattern as seen from the first sample of `in`
    /// @param out   the tile; never overlaps `in`
    /// Cannot fail: parameters were validated when the method was made.
    virtual void denoiseTile(PlaneView<const float> in, CfaPattern cfa, PlaneView<float> out, Scratch &scratch) const = 0;
};

/// Builds the method of a validated treatment.
std::unique_ptr<DenoiseMethod> makeMethod(const Treatment &treatment);

} // namespace irenic
