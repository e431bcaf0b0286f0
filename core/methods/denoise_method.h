// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/methods.h"
#include "irenic/noise.h"

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

    /// What a method keeps besides planes, known by its type, since two methods may share a Scratch.
    struct Extra {
        virtual ~Extra() = default;
    };
    /// Made by `make`, which answers a unique_ptr, where there is none yet.
    template <class T, class Make>
    T &extra(const Make &make)
    {
        for (const auto &kept : m_extras)
            if (auto *found = dynamic_cast<T *>(kept.get()))
                return *found;
        std::unique_ptr<T> made = make();
        T &out = *made;
        m_extras.push_back(std::move(made));
        return out;
    }

private:
    std::vector<std::unique_ptr<Plane<float>>> m_planes;
    std::vector<std::unique_ptr<Extra>> m_extras;
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

/// What a method is given of one tile, variance-stabilised so that the noise of every sample has sigma 1; never NaN. Every row is
/// followed by kRowPaddingPx readable samples.
struct TileInput {
    std::array<PlaneView<const float>, 3> planes; ///< the sensor mosaic alone, or red, green and blue
    CfaPattern cfa;                               ///< of a mosaic, as seen from its first sample
    const std::vector<BandNoise> *bands = nullptr; ///< of a full-colour tile; null for a mosaic

    bool isMosaic() const { return !bands; }
    int width() const { return planes[0].width; }
    int height() const { return planes[0].height; }
    size_t planeCount() const { return isMosaic() ? 1 : 3; }
    /// The same tile with `px` less on every side.
    TileInput shrunkBy(int px) const
    {
        TileInput t = *this;
        for (size_t i = 0; i < planeCount(); ++i)
            t.planes[i] = planes[i].cut({px, px, width() - 2 * px, height() - 2 * px});
        t.cfa = cfa.shifted(px, px);
        return t;
    }
    static TileInput mosaic(PlaneView<const float> samples, CfaPattern cfa) { return {{samples, {}, {}}, cfa, nullptr}; }
};
/// The cleaned tile: as many planes as went in.
using TileOutput = std::array<PlaneView<float>, 3>;

/// One noise-reduction algorithm, already configured. Immutable, so one instance serves all threads.
class DenoiseMethod
{
public:
    virtual ~DenoiseMethod() = default;
    /// Context needed on every side of a tile, in sensor pixels.
    virtual int haloPx() const = 0;
    /// Side of the tiles that waste little on halos, and need neither much memory nor long to be stopped.
    virtual int bestTilePx() const { return 640; }
    /// @param in    tile plus haloPx() on each side
    /// @param where the tile's place in the frame, for grids that are anchored there and for nothing else
    /// @param out   the tile; never overlaps `in`
    /// Cannot fail: parameters were validated when the method was made.
    virtual void denoiseTile(const TileInput &in, Rect where, const TileOutput &out, Scratch &scratch) const = 0;
};

/// Builds the method of a validated treatment.
std::unique_ptr<DenoiseMethod> makeMethod(const Treatment &treatment);

} // namespace irenic
