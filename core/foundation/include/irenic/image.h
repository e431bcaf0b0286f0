// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <cassert>
#include <compare>
#include <cstddef>
#include <cstdint>
#include <cstring>
#include <memory>
#include <new>
#include <utility>

namespace irenic {

struct Size {
    int width = 0;
    int height = 0;
    bool operator==(const Size &) const = default;
    int64_t area() const { return int64_t(width) * height; }
};

/// Kinds of places, each counting pixels from another corner. A place of one kind is no place of another: it does not compile.
namespace places {
struct Stored;  ///< samples of a Frame, masked borders included
struct Active;  ///< of a DNG: from the corner of its active area
struct Upright; ///< the picture as it hangs on the wall: cropped, turned
struct Tile;    ///< from the corner of a plane at hand
} // namespace places

template <class Kind>
struct PointIn {
    int x = 0;
    int y = 0;
    auto operator<=>(const PointIn &) const = default;
    /// As pictures are read: by row, then column.
    static bool byRow(const PointIn &a, const PointIn &b) { return a.y != b.y ? a.y < b.y : a.x < b.x; }
};

/// Half-open rectangle of pixels: x .. x+width-1, y .. y+height-1.
template <class Kind>
struct RectIn {
    int x = 0;
    int y = 0;
    int width = 0;
    int height = 0;
    bool operator==(const RectIn &) const = default;
    int right() const { return x + width; }   ///< first column beyond
    int bottom() const { return y + height; } ///< first row beyond
    bool isEmpty() const { return width <= 0 || height <= 0; }
    Size size() const { return {width, height}; }
    PointIn<Kind> corner() const { return {x, y}; }
    PointIn<Kind> middle() const { return {x + width / 2, y + height / 2}; }
    RectIn grownBy(int px) const { return {x - px, y - px, width + 2 * px, height + 2 * px}; }
    RectIn movedBy(int dx, int dy) const { return {x + dx, y + dy, width, height}; }
    /// The same place, told from the corner of `whole`, and back.
    template <class Inner = places::Tile>
    RectIn<Inner> seenFrom(const RectIn &whole) const { return {x - whole.x, y - whole.y, width, height}; }
    template <class Outer>
    RectIn<Outer> placedIn(const RectIn<Outer> &whole) const { return {x + whole.x, y + whole.y, width, height}; }
    RectIn intersected(const RectIn &o) const
    {
        const int64_t l = std::max(x, o.x), t = std::max(y, o.y);
        const int64_t r = std::min(int64_t(x) + width, int64_t(o.x) + o.width), b = std::min(int64_t(y) + height, int64_t(o.y) + o.height);
        return {int(l), int(t), int(std::max<int64_t>(0, r - l)), int(std::max<int64_t>(0, b - t))};
    }
    bool contains(const RectIn &o) const
    {
        // Wide sums: a rectangle from a file may reach beyond what an int holds.
        return o.x >= x && o.y >= y && int64_t(o.x) + o.width <= int64_t(x) + width && int64_t(o.y) + o.height <= int64_t(y) + height;
    }
};

using PixelAt = PointIn<places::Stored>;
using Rect = RectIn<places::Stored>;
using ActiveRect = RectIn<places::Active>;
using UprightPoint = PointIn<places::Upright>;
using UprightRect = RectIn<places::Upright>;
using TileRect = RectIn<places::Tile>;

/// Borrowed rows of samples. `stride` counts samples, not bytes.
template <class T>
struct PlaneView {
    T *data = nullptr;
    ptrdiff_t stride = 0;
    int width = 0;
    int height = 0;

    T *row(int y) const
    {
        assert(y >= 0 && y < height);
        return data + y * stride;
    }
    T &at(int x, int y) const
    {
        assert(x >= 0 && x < width);
        return row(y)[x];
    }
    PlaneView cut(const TileRect &r) const
    {
        assert((TileRect{0, 0, width, height}.contains(r)));
        return {data + r.y * stride + r.x, stride, r.width, r.height};
    }
    operator PlaneView<const T>() const { return {data, stride, width, height}; }
};

/// For vectors whose contents are undefined until written, as Plane's are: no pass over them that nothing can stop.
template <class T>
struct Unfilled : std::allocator<T> {
    template <class U>
    struct rebind {
        using other = Unfilled<U>;
    };
    using std::allocator<T>::allocator;
    template <class U, class... Arguments>
    void construct(U *at, Arguments &&...arguments)
    {
        if constexpr (sizeof...(Arguments) == 0)
            ::new (static_cast<void *>(at)) U;
        else
            ::new (static_cast<void *>(at)) U(std::forward<Arguments>(arguments)...);
    }
};

/// Owned samples, rows aligned to 64 bytes and padded to a whole number of 64-byte blocks, so vector code
/// may run over the end of a row without a scalar tail. Contents are undefined until written.
template <class T>
class Plane
{
public:
    Plane() = default;
    explicit Plane(Size size) { reset(size); }
    Plane(Size size, T value)
    {
        reset(size);
        fill(value);
    }
    Plane(Plane &&) noexcept = default;
    Plane &operator=(Plane &&) noexcept = default;

    /// Takes a new size; keeps the memory where it is large enough. Contents become undefined.
    void reset(Size size)
    {
        const size_t needed = samplesFor(size);
        if (needed > m_capacity) {
            m_data.reset(static_cast<T *>(::operator new[](needed * sizeof(T), std::align_val_t(64))));
            m_capacity = needed;
        }
        m_size = size;
        m_stride = strideFor(size.width);
    }
    static size_t samplesFor(Size size) { return size_t(strideFor(size.width)) * size_t(std::max(size.height, 0)); } ///< that it takes, padding included
    size_t capacity() const { return m_capacity; }                                                                   ///< samples that it could hold
    void fill(T value) { std::fill_n(m_data.get(), size_t(m_stride) * m_size.height, value); }
    Plane clone() const
    {
        Plane copy(m_size);
        std::memcpy(copy.m_data.get(), m_data.get(), size_t(m_stride) * m_size.height * sizeof(T));
        return copy;
    }

    Size size() const { return m_size; }
    int width() const { return m_size.width; }
    int height() const { return m_size.height; }
    ptrdiff_t stride() const { return m_stride; }
    bool isEmpty() const { return m_size.area() == 0; }
    T *row(int y)
    {
        assert(y >= 0 && y < m_size.height);
        return m_data.get() + y * m_stride;
    }
    const T *row(int y) const
    {
        assert(y >= 0 && y < m_size.height);
        return m_data.get() + y * m_stride;
    }
    T &at(int x, int y) { return row(y)[x]; }
    const T &at(int x, int y) const { return row(y)[x]; }
    PlaneView<T> view() { return {m_data.get(), m_stride, m_size.width, m_size.height}; }
    PlaneView<const T> view() const { return {m_data.get(), m_stride, m_size.width, m_size.height}; }
    PlaneView<const T> constView() const { return view(); }

private:
    static ptrdiff_t strideFor(int width)
    {
        constexpr ptrdiff_t perBlock = 64 / ptrdiff_t(sizeof(T));
        return (width + perBlock - 1) / perBlock * perBlock;
    }
    struct Free {
        void operator()(T *p) const { ::operator delete[](p, std::align_val_t(64)); }
    };
    std::unique_ptr<T[], Free> m_data;
    size_t m_capacity = 0;
    Size m_size;
    ptrdiff_t m_stride = 0;
};

/// Index mirrored at the borders without repeating the border sample; -1 -> 1, size -> size - 2. Keeps the
/// parity of the index, and so the colour of a two-by-two pattern, as long as size >= 2.
inline int mirrored(int i, int size)
{
    if (size < 2)
        return 0;
    const int period = 2 * (size - 1);
    i = i % period;
    if (i < 0)
        i += period;
    return i < size ? i : period - i;
}

/// The last multiple of `to` that is not above `v`, which may be below 0.
inline int roundedDown(int v, int to)
{
    return v - ((v % to) + to) % to;
}

} // namespace irenic
