// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/targets.h"
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "methods/bm3d/bm3d_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "methods/bm3d/bm3d_kernels.h"
#include "methods/dct/dct8-inl.h"
#include "methods/reciprocal-inl.h"

#include <algorithm>
#include <bit>
#include <cmath>

HWY_BEFORE_NAMESPACE();
namespace irenic::bm3d::HWY_NAMESPACE {

#if HWY_TARGET == HWY_SCALAR // nothing to shuffle
using reference::filterGroup;
using reference::findGroup;
using reference::spread;
#else

namespace hn = hwy::HWY_NAMESPACE;
using irenic::HWY_NAMESPACE::reciprocal;
using D = hn::CappedTag<float, 16>;
using V = hn::Vec<D>;
constexpr size_t kLanes = hn::MaxLanes(D());
constexpr size_t kWindow = size_t(kSide) * kSide;

/// Windows that may be among the nearest. Their number is raised without order and cut back to the nearest at times.
struct Nearest {
    static constexpr size_t kMost = 2 * kMaxGroup;
    size_t count = 0;
    float limit; ///< what lies beyond cannot be among the nearest
    HWY_ALIGN float distance[kMost + kLanes];
    HWY_ALIGN int32_t place[kMost + kLanes]; ///< number of the window, row by row: of equals, the first is nearest

    template <class DI>
    void add(V distances, hn::Vec<DI> places, DI di)
    {
        const D d;
        const auto near = hn::Le(distances, hn::Set(d, limit));
        hn::CompressStore(distances, near, d, distance + count);
        count += hn::CompressStore(places, hn::RebindMask(di, near), di, place + count);
        if (count >= kMost)
            cut();
    }
    /// Leaves the nearest, nearest first; tells how many.
    size_t cut()
    {
        // Distances are never negative, so that their order is the order of their bits.
        std::array<uint64_t, kMost + kLanes> keys;
        for (size_t i = 0; i < count; ++i)
            keys[i] = uint64_t(std::bit_cast<uint32_t>(distance[i])) << 32 | uint32_t(place[i]);
        const size_t kept = std::min(count, size_t(kMaxGroup));
        if (kept == 0)
            return 0;
        std::nth_element(keys.begin(), keys.begin() + ptrdiff_t(kept) - 1, keys.begin() + ptrdiff_t(count));
        std::sort(keys.begin(), keys.begin() + ptrdiff_t(kept));
        for (size_t i = 0; i < kept; ++i) {
            distance[i] = std::bit_cast<float>(uint32_t(keys[i] >> 32));
            place[i] = int32_t(uint32_t(keys[i]));
        }
        if (kept == kMaxGroup)
            limit = distance[kMaxGroup - 1];
        return count = kept;
    }
};

Group findGroup(const Phases &picture, int x, int y, float limit)
{
    const D d;
    const hn::RebindToSigned<D> di;
    const ptrdiff_t stride = picture.stride();
    float wanted[kWindow];
    for (int v = 0; v < kSide; ++v)
        std::copy_n(picture.at(x, y) + v * stride, kSide, wanted + v * kSide);
    Nearest nearest;
    nearest.limit = std::nextafter(limit * float(kWindow), 0.f);
    // From the middle outward: what is near lies there, and soon nothing else is looked at to its end.
    for (int row = 0; row < 2 * kSearchCells; ++row) {
        const int j = row % 2 ? -(row + 1) / 2 : row / 2;
        const float *from = picture.at(x - kSearchPx, y + 2 * j);
        for (int i = 0; i < 2 * kSearchCells; i += int(kLanes)) {
            auto total = hn::Zero(d);
            const auto worst = hn::Set(d, nearest.limit);
            bool beyond = false;
            for (int v = 0; v < kSide && !beyond; ++v) {
                const float *line = from + v * stride + i, *w = wanted + v * kSide;
                auto even = hn::Zero(d);
                for (int u = 0; u < kSide; u += 2) {
                    const auto a = hn::Sub(hn::LoadU(d, line + u), hn::Set(d, w[u])), b = hn::Sub(hn::LoadU(d, line + u + 1), hn::Set(d, w[u + 1]));
                    even = hn::MulAdd(a, a, even);
                    total = hn::MulAdd(b, b, total);
                }
                total = hn::Add(total, even);
                beyond = v % 2 == 1 && hn::AllFalse(d, hn::Le(total, worst));
            }
            if (!beyond)
                nearest.add(total, hn::Iota(di, (j + kSearchCells) * 2 * kSearchCells + i), di);
        }
    }
    Group group;
    group.at[0] = {int16_t(x), int16_t(y)}; // before its equals
    group.count = 1;
    constexpr int kItself = 2 * kSearchCells * kSearchCells + kSearchCells;
    const size_t count = nearest.cut();
    for (size_t i = 0; i < count && group.count < kMaxGroup; ++i)
        if (const int place = nearest.place[i]; place != kItself)
            group.at[size_t(group.count++)] = {int16_t(x + 2 * (place % (2 * kSearchCells)) - kSearchPx), int16_t(y + 2 * (place / (2 * kSearchCells)) - kSearchPx)};
    group.count = int(std::bit_floor(unsigned(group.count)));
    return group;
}

// A group lies row by row of the windows: row v of every window, one after another, then row v + 1. Each part of a row is a
// vector: two windows' where it has 16 lanes, one window's where it has 8, half a window's where it has 4.
constexpr size_t kPerVector = kLanes > kSide ? kLanes / kSide : 1; ///< windows in a vector
constexpr size_t kParts = kLanes < kSide ? kSide / kLanes : 1;     ///< vectors in a row of a window
static_assert(kLanes == 4 || kLanes == 8 || kLanes == 16);

/// One row of a vector's windows; a half that does not exist is left out.
HWY_INLINE V loadRow(const float *first, const float *second)
{
    const D d;
    if constexpr (kPerVector == 2) {
        const hn::Half<D> half;
        return hn::Combine(d, hn::LoadU(half, second), hn::LoadU(half, first));
    } else {
        return hn::LoadU(d, first);
    }
}

/// Rows become columns, in each 4 x 4 block of lanes, and the blocks change places.
HWY_INLINE void transpose4(V &a, V &b, V &c, V &e)
{
    const D d;
    const hn::Repartition<double, D> dd;
    const auto ab = hn::InterleaveLower(d, a, b), ce = hn::InterleaveLower(d, c, e);
    const auto AB = hn::InterleaveUpper(d, a, b), CE = hn::InterleaveUpper(d, c, e);
    a = hn::BitCast(d, hn::InterleaveLower(dd, hn::BitCast(dd, ab), hn::BitCast(dd, ce)));
    b = hn::BitCast(d, hn::InterleaveUpper(dd, hn::BitCast(dd, ab), hn::BitCast(dd, ce)));
    c = hn::BitCast(d, hn::InterleaveLower(dd, hn::BitCast(dd, AB), hn::BitCast(dd, CE)));
    e = hn::BitCast(d, hn::InterleaveUpper(dd, hn::BitCast(dd, AB), hn::BitCast(dd, CE)));
}

/// The eight rows of a vector's windows.
struct Rows {
    V r[kParts][kSide];

    void transpose()
    {
        for (auto &part : r) {
            transpose4(part[0], part[1], part[2], part[3]);
            transpose4(part[4], part[5], part[6], part[7]);
        }
        for (size_t i = 0; i < 4; ++i) {
            V &a = r[0][i + 4], &b = r[kParts - 1][i];
            if constexpr (kParts == 2) {
                std::swap(a, b);
            } else {
                const V above = b, below = a;
                b = hn::OddEvenBlocks(hn::SwapAdjacentBlocks(below), above);
                a = hn::OddEvenBlocks(below, hn::SwapAdjacentBlocks(above));
            }
        }
    }
    void forward()
    {
        for (auto &p : r)
            dct::HWY_NAMESPACE::forward8(D(), p);
    }
    void inverse()
    {
        for (auto &p : r)
            dct::HWY_NAMESPACE::inverse8(D(), p);
    }
};

/// The DCT of each window: coefficient (k, j), k along columns, at row j and place k, since nothing asks for the other way round.
HWY_INLINE void loadTransformed(const Group &group, const Phases &from, float *HWY_RESTRICT stack)
{
    const D d;
    const size_t count = size_t(group.count), rowLength = std::max(count, kPerVector) * kSide;
    for (size_t m = 0; m < count; m += kPerVector) {
        const float *first = from.at(group.at[m][0], group.at[m][1]), *second = first;
        if (kPerVector == 2 && m + 1 < count)
            second = from.at(group.at[m + 1][0], group.at[m + 1][1]);
        Rows w;
        for (size_t v = 0; v < kSide; ++v)
            for (size_t p = 0; p < kParts; ++p)
                w.r[p][v] = loadRow(first + ptrdiff_t(v) * from.stride() + p * kLanes, second + ptrdiff_t(v) * from.stride());
        w.forward();
        w.transpose();
        w.forward();
        for (size_t v = 0; v < kSide; ++v)
            for (size_t p = 0; p < kParts; ++p)
                hn::Store(w.r[p][v], d, stack + v * rowLength + m * kSide + p * kLanes);
    }
}

/// Walsh-Hadamard across `kCount` windows, unscaled, of one part of their rows.
template <size_t kCount>
struct Across {
    static constexpr size_t kVectors = kCount > kPerVector ? kCount / kPerVector : 1;
    V v[kVectors];

    void load(const float *HWY_RESTRICT from)
    {
        const D d;
        for (size_t m = 0; m < kVectors; ++m)
            v[m] = hn::Load(d, from + m * kParts * kLanes);
    }
    void store(float *HWY_RESTRICT to) const
    {
        const D d;
        for (size_t m = 0; m < kVectors; ++m)
            hn::Store(v[m], d, to + m * kParts * kLanes);
    }
    void turn()
    {
        const D d;
        if constexpr (kPerVector == 2 && kCount > 1) {
            const auto one = hn::Set(d, 1.f), sign = hn::ConcatUpperLower(d, hn::Neg(one), one);
            for (V &x : v)
                x = hn::MulAdd(x, sign, hn::ConcatLowerUpper(d, x, x));
        }
        for (size_t half = 1; half < kVectors; half *= 2)
            for (size_t block = 0; block < kVectors; block += 2 * half)
                for (size_t m = block; m < block + half; ++m) {
                    const V a = v[m], b = v[m + half];
                    v[m] = hn::Add(a, b);
                    v[m + half] = hn::Sub(a, b);
                }
    }
};

/// Shrinks the transformed windows across the group and turns them back across it. Returns the sum of the squared gains, the mean's left out.
template <size_t kCount, bool kWiener>
HWY_NOINLINE float shrink(float *HWY_RESTRICT stack, const float *HWY_RESTRICT pilot, const Limits &limits)
{
    const D d;
    const auto one = hn::Set(d, 1.f), tiny = hn::Set(d, 1e-20f);
    const auto size = hn::Set(d, float(kCount)); // coefficients are its root too large, since the transform across was not scaled
    constexpr size_t kRow = std::max(kCount, kPerVector) * kSide;
    const auto first = hn::FirstN(d, 1);
    auto kept = hn::Zero(d);
    for (size_t v = 0; v < kSide; ++v)
        for (size_t p = 0; p < kParts; ++p) {
            const size_t at = v * kRow + p * kLanes;
            const bool withMean = v == 0 && p == 0;
            Across<kCount> c;
            c.load(stack + at);
            c.turn();
            const float *limit = limits.data() + v * kSide + p * kLanes;
            const V bound = hn::Mul(size, loadRow(limit, limit));
            const V mean = c.v[0];
            if constexpr (kWiener) {
                Across<kCount> q;
                q.load(pilot + at);
                q.turn();
                for (size_t m = 0; m < Across<kCount>::kVectors; ++m) {
                    const auto energy = hn::Mul(q.v[m], q.v[m]);
                    auto gain = hn::Mul(energy, reciprocal(d, hn::Add(hn::Add(energy, bound), tiny)));
                    if (withMean && m == 0)
                        gain = hn::IfThenZeroElse(first, gain);
                    kept = hn::MulAdd(gain, gain, kept);
                    c.v[m] = hn::Mul(gain, c.v[m]);
                }
            } else {
                for (size_t m = 0; m < Across<kCount>::kVectors; ++m) {
                    auto gain = hn::IfThenElseZero(hn::Gt(hn::Mul(c.v[m], c.v[m]), bound), one);
                    if (withMean && m == 0)
                        gain = hn::IfThenZeroElse(first, gain);
                    kept = hn::Add(kept, gain);
                    c.v[m] = hn::Mul(gain, c.v[m]);
                }
            }
            if (withMean)
                c.v[0] = hn::IfThenElse(first, mean, c.v[0]);
            c.turn();
            c.store(stack + at);
        }
    if constexpr (kCount < kPerVector)
        kept = hn::ConcatLowerLower(d, hn::Zero(d), kept);
    return hn::GetLane(hn::SumOfLanes(d, kept));
}

template <bool kWiener>
float shrinkAny(size_t count, float *HWY_RESTRICT stack, const float *HWY_RESTRICT pilot, const Limits &limits)
{
    switch (count) {
    case 16: return shrink<16, kWiener>(stack, pilot, limits);
    case 8: return shrink<8, kWiener>(stack, pilot, limits);
    case 4: return shrink<4, kWiener>(stack, pilot, limits);
    case 2: return shrink<2, kWiener>(stack, pilot, limits);
    default: return shrink<1, kWiener>(stack, pilot, limits);
    }
}

/// Where no coefficient but the mean is left, windows are that mean.
HWY_INLINE void addMean(const Group &group, float mean, Phases &sum)
{
    const hn::CappedTag<float, kSide> d;
    const auto value = hn::Set(d, mean);
    for (size_t m = 0; m < size_t(group.count); ++m) {
        float *to = sum.at(group.at[m][0], group.at[m][1]);
        for (ptrdiff_t v = 0; v < kSide; ++v)
            for (size_t i = 0; i < kSide; i += hn::MaxLanes(d))
                hn::StoreU(hn::Add(value, hn::LoadU(d, to + v * sum.stride() + i)), d, to + v * sum.stride() + i);
    }
}

void filterGroup(const Group &group, const Phases &noisy, const Phases *pilot, const Limits &limits, Phases &sum, Phases &weight)
{
    const D d;
    const size_t count = size_t(group.count), rowLength = std::max(count, kPerVector) * kSide;
    HWY_ALIGN float c[kMaxGroup * kWindow];
    loadTransformed(group, noisy, c);
    float kept;
    if (pilot) {
        HWY_ALIGN float p[kMaxGroup * kWindow];
        loadTransformed(group, *pilot, p);
        kept = shrinkAny<true>(count, c, p, limits);
    } else {
        kept = shrinkAny<false>(count, c, nullptr, limits);
    }
    const float share = 1 / (1 + kept), scale = share / float(count); // the mean of the group always stays
    for (size_t m = 0; m < count; ++m)
        *weight.at(group.at[m][0], group.at[m][1]) += share;
    if (kept == 0)
        return addMean(group, c[0] * scale / float(kSide), sum);
    const ptrdiff_t stride = sum.stride();
    for (size_t m = 0; m < count; m += kPerVector) {
        Rows window;
        for (size_t v = 0; v < kSide; ++v)
            for (size_t p = 0; p < kParts; ++p)
                window.r[p][v] = hn::Load(d, c + v * rowLength + m * kSide + p * kLanes);
        window.inverse();
        window.transpose();
        window.inverse();
        const auto add = [&](auto lanes, auto samples, size_t v, float *to) { hn::StoreU(hn::MulAdd(hn::Set(lanes, scale), samples, hn::LoadU(lanes, to + ptrdiff_t(v) * stride)), lanes, to + ptrdiff_t(v) * stride); };
        float *first = sum.at(group.at[m][0], group.at[m][1]);
        if constexpr (kPerVector == 2) {
            const hn::Half<D> half;
            for (size_t v = 0; v < kSide; ++v)
                add(half, hn::LowerHalf(half, window.r[0][v]), v, first);
            if (count == 1)
                break;
            float *second = sum.at(group.at[m + 1][0], group.at[m + 1][1]);
            for (size_t v = 0; v < kSide; ++v)
                add(half, hn::UpperHalf(half, window.r[0][v]), v, second);
        } else {
            for (size_t v = 0; v < kSide; ++v)
                for (size_t p = 0; p < kParts; ++p)
                    add(d, window.r[p][v], v, first + p * kLanes);
        }
    }
}

void spread(Phases &weight)
{
    const D d;
    constexpr int lanes = int(kLanes);
    // From the end back to the beginning, so that what is read was not yet changed.
    for (int phase = 0; phase < 4; ++phase) {
        const PlaneView<float> plane = weight.plane(phase);
        for (int y = 0; y < plane.height; ++y) {
            float *row = plane.row(y);
            for (int step = 1; step < kSide; step *= 2) {
                int x = plane.width - lanes;
                for (; x >= step; x -= lanes)
                    hn::StoreU(hn::Add(hn::LoadU(d, row + x), hn::LoadU(d, row + x - step)), d, row + x);
                for (x += lanes - 1; x >= step; --x)
                    row[x] += row[x - step];
            }
        }
        for (int step = 1; step < kSide; step *= 2)
            for (int y = plane.height - 1; y >= step; --y) {
                float *row = plane.row(y);
                const float *above = plane.row(y - step);
                for (int x = 0; x < plane.width; x += lanes)
                    hn::StoreU(hn::Add(hn::LoadU(d, row + x), hn::LoadU(d, above + x)), d, row + x);
            }
    }
}

#endif
} // namespace irenic::bm3d::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic::bm3d {

HWY_EXPORT(findGroup);
HWY_EXPORT(filterGroup);
HWY_EXPORT(spread);

Group findGroup(const Phases &picture, int x, int y, float limit)
{
    // clang-format off
    return HWY_DYNAMIC_DISPATCH(findGroup)(picture, x, y, limit);
    // clang-format on
}

void filterGroup(const Group &group, const Phases &noisy, const Phases *pilot, const Limits &limits, Phases &sum, Phases &weight)
{
    // clang-format off
    HWY_DYNAMIC_DISPATCH(filterGroup)(group, noisy, pilot, limits, sum, weight);
    // clang-format on
}

void spread(Phases &weight)
{
    // clang-format off
    HWY_DYNAMIC_DISPATCH(spread)(weight);
    // clang-format on
}

} // namespace irenic::bm3d
#endif
