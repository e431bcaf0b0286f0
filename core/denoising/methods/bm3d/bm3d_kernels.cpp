// SPDX-License-Identifier: GPL-3.0-or-later
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "methods/bm3d/bm3d_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "methods/bm3d/bm3d_kernels.h"
#include "methods/dct/dct8-inl.h"

#include <bit>

HWY_BEFORE_NAMESPACE();
namespace irenic::bm3d::HWY_NAMESPACE {

namespace hn = hwy::HWY_NAMESPACE;
using D = hn::CappedTag<float, 8>; ///< a row of a window is one vector, or a whole number of them
constexpr size_t kWindow = size_t(kSide) * kSide;

/// The nearest windows so far, nearest first; of equals, the one that was met first.
struct Nearest {
    Group group;
    std::array<float, kMaxGroup> distance;
    float limit;

    void add(float d, int x, int y)
    {
        int i = group.count < kMaxGroup ? group.count++ : kMaxGroup - 1;
        for (; i > 0 && distance[size_t(i) - 1] > d; --i) {
            distance[size_t(i)] = distance[size_t(i) - 1];
            group.at[size_t(i)] = group.at[size_t(i) - 1];
        }
        distance[size_t(i)] = d;
        group.at[size_t(i)] = {int16_t(x), int16_t(y)};
        if (group.count == kMaxGroup)
            limit = std::min(limit, distance[kMaxGroup - 1]);
    }
};

Group findGroup(const Phases &picture, int x, int y, float limit)
{
    const D d;
    const int lanes = int(hn::Lanes(d));
    const ptrdiff_t stride = picture.stride();
    float wanted[kWindow];
    for (int v = 0; v < kSide; ++v)
        std::copy_n(picture.at(x, y) + v * stride, kSide, wanted + v * kSide);
    Nearest nearest{{}, {}, limit * float(kWindow)};
    nearest.add(-1.f, x, y); // before all others, also before its equals
    HWY_ALIGN float distances[2 * kSearchCells + 8];
    for (int j = -kSearchCells; j < kSearchCells; ++j) {
        const int cy = y + 2 * j, cx = x - kSearchPx;
        const float *from = picture.at(cx, cy);
        for (int i = 0; i < 2 * kSearchCells; i += lanes) {
            auto total = hn::Zero(d);
            const auto worst = hn::Set(d, nearest.limit);
            for (int v = 0; v < kSide; ++v) {
                const float *row = from + v * stride + i, *w = wanted + v * kSide;
                auto even = hn::Zero(d);
                for (int u = 0; u < kSide; u += 2) {
                    const auto a = hn::Sub(hn::LoadU(d, row + u), hn::Set(d, w[u])), b = hn::Sub(hn::LoadU(d, row + u + 1), hn::Set(d, w[u + 1]));
                    even = hn::MulAdd(a, a, even);
                    total = hn::MulAdd(b, b, total);
                }
                total = hn::Add(total, even);
                // Most windows are out after a few rows.
                if ((v == 1 || v == 3) && hn::AllFalse(d, hn::Lt(total, worst)))
                    break;
            }
            if (hn::AllFalse(d, hn::Lt(total, worst)))
                continue;
            hn::Store(total, d, distances);
            for (int k = 0; k < lanes; ++k)
                if (distances[k] < nearest.limit && !(cy == y && cx + 2 * (i + k) == x))
                    nearest.add(distances[k], cx + 2 * (i + k), cy);
        }
    }
    nearest.group.count = int(std::bit_floor(unsigned(nearest.group.count)));
    return nearest.group;
}

/// cosines[n * 8 + k]: sample n of basis k, so that a row of coefficients is a sum of rows of this; transposed for the way back.
struct Cosines {
    HWY_ALIGN float forward[kWindow];
    HWY_ALIGN float backward[kWindow];
    Cosines()
    {
        constexpr float c[8] = {dct::HWY_NAMESPACE::kC4, dct::HWY_NAMESPACE::kC1, dct::HWY_NAMESPACE::kC2, dct::HWY_NAMESPACE::kC3,
                                dct::HWY_NAMESPACE::kC4, dct::HWY_NAMESPACE::kC5, dct::HWY_NAMESPACE::kC6, dct::HWY_NAMESPACE::kC7};
        for (int n = 0; n < kSide; ++n)
            for (int k = 0; k < kSide; ++k) {
                // cos((2 n + 1) k pi / 16), folded back to the first quadrant
                const int angle = (2 * n + 1) * k % 32, folded = angle > 16 ? 32 - angle : angle;
                const float value = k == 0 ? c[0] : folded == 8 ? 0.f
                                                : folded < 8    ? (folded == 0 ? 0.5f : c[folded])
                                                                : -(folded == 16 ? 0.5f : c[16 - folded]);
                forward[n * kSide + k] = value;
                backward[k * kSide + n] = value;
            }
    }
};

/// Rows of one window times a matrix, in place.
HWY_INLINE void rowsTimes(const float *HWY_RESTRICT matrix, float *HWY_RESTRICT window)
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    for (size_t v = 0; v < kSide; ++v) {
        float row[kSide];
        std::copy_n(window + v * kSide, kSide, row);
        for (size_t i = 0; i < kSide; i += lanes) {
            auto even = hn::Mul(hn::Set(d, row[0]), hn::Load(d, matrix + i)), odd = hn::Mul(hn::Set(d, row[1]), hn::Load(d, matrix + kSide + i));
            for (size_t x = 2; x < kSide; x += 2) {
                even = hn::MulAdd(hn::Set(d, row[x]), hn::Load(d, matrix + x * kSide + i), even);
                odd = hn::MulAdd(hn::Set(d, row[x + 1]), hn::Load(d, matrix + (x + 1) * kSide + i), odd);
            }
            hn::Store(hn::Add(even, odd), d, window + v * kSide + i);
        }
    }
}

/// Walsh-Hadamard across the windows, unscaled.
HWY_INLINE void across(float *HWY_RESTRICT stack, size_t count)
{
    const D d;
    for (size_t half = 1; half < count; half *= 2)
        for (size_t block = 0; block < count; block += 2 * half)
            for (size_t m = block; m < block + half; ++m)
                for (size_t i = 0; i < kWindow; i += hn::Lanes(d)) {
                    float *a = stack + m * kWindow + i, *b = stack + (m + half) * kWindow + i;
                    const auto p = hn::Load(d, a), q = hn::Load(d, b);
                    hn::Store(hn::Add(p, q), d, a);
                    hn::Store(hn::Sub(p, q), d, b);
                }
}

HWY_INLINE void loadTransformed(const Group &group, const Phases &from, const Cosines &cosines, float *HWY_RESTRICT stack)
{
    const D d;
    const size_t lanes = hn::Lanes(d), count = size_t(group.count);
    for (size_t m = 0; m < count; ++m) {
        const float *source = from.at(group.at[m][0], group.at[m][1]);
        float *window = stack + m * kWindow;
        for (ptrdiff_t v = 0; v < kSide; ++v)
            for (size_t i = 0; i < kSide; i += lanes)
                hn::Store(hn::LoadU(d, source + v * from.stride() + ptrdiff_t(i)), d, window + size_t(v) * kSide + i);
        for (size_t i = 0; i < kSide; i += lanes)
            dct::HWY_NAMESPACE::forward8(d, window + i, kSide);
        rowsTimes(cosines.forward, window);
    }
    across(stack, count);
}

void filterGroup(const Group &group, const Phases &noisy, const Phases *pilot, float threshold, const std::array<float, 64> &noise, Phases &sum, Phases &weight)
{
    static const Cosines cosines;
    const D d;
    const size_t lanes = hn::Lanes(d), count = size_t(group.count), total = count * kWindow;
    HWY_ALIGN float c[kMaxGroup * kWindow];
    HWY_ALIGN float p[kMaxGroup * kWindow];
    loadTransformed(group, noisy, cosines, c);
    const float mean = c[0];
    // Coefficients are sqrt(count) too large, since the transform across was not scaled.
    const auto one = hn::Set(d, 1.f), tiny = hn::Set(d, 1e-20f);
    HWY_ALIGN float limits[kWindow];
    for (size_t i = 0; i < kWindow; ++i)
        limits[i] = threshold * threshold * float(count) * (noise[i] * noise[i]);
    auto kept = hn::Zero(d);
    if (pilot) {
        loadTransformed(group, *pilot, cosines, p);
        for (size_t i = 0; i < total; i += lanes) {
            const auto q = hn::Load(d, p + i), energy = hn::Mul(q, q);
            const auto gain = hn::Div(energy, hn::Add(hn::Add(energy, hn::Load(d, limits + i % kWindow)), tiny));
            kept = hn::MulAdd(gain, gain, kept);
            hn::Store(hn::Mul(gain, hn::Load(d, c + i)), d, c + i);
        }
    } else {
        for (size_t i = 0; i < total; i += lanes) {
            const auto v = hn::Load(d, c + i);
            const auto stays = hn::Gt(hn::Mul(v, v), hn::Load(d, limits + i % kWindow));
            kept = hn::Add(kept, hn::IfThenElseZero(stays, one));
            hn::Store(hn::IfThenElseZero(stays, v), d, c + i);
        }
    }
    // The mean of the group always stays; that counts as one kept, at least.
    const float most = std::max(1.f, hn::GetLane(hn::SumOfLanes(d, kept)));
    c[0] = mean;
    across(c, count);
    const float w = 1 / most;
    const auto scale = hn::Set(d, w / float(count)), share = hn::Set(d, w);
    for (size_t m = 0; m < count; ++m) {
        float *window = c + m * kWindow;
        rowsTimes(cosines.backward, window);
        for (size_t i = 0; i < kSide; i += lanes)
            dct::HWY_NAMESPACE::inverse8(d, window + i, kSide);
        float *to = sum.at(group.at[m][0], group.at[m][1]), *ws = weight.at(group.at[m][0], group.at[m][1]);
        for (ptrdiff_t v = 0; v < kSide; ++v)
            for (size_t i = 0; i < kSide; i += lanes) {
                float *t = to + v * sum.stride() + ptrdiff_t(i), *o = ws + v * weight.stride() + ptrdiff_t(i);
                hn::StoreU(hn::MulAdd(scale, hn::Load(d, window + size_t(v) * kSide + i), hn::LoadU(d, t)), d, t);
                hn::StoreU(hn::Add(share, hn::LoadU(d, o)), d, o);
            }
    }
}

} // namespace irenic::bm3d::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic::bm3d {

HWY_EXPORT(findGroup);
HWY_EXPORT(filterGroup);

Group findGroup(const Phases &picture, int x, int y, float limit)
{
    // clang-format off
    return HWY_DYNAMIC_DISPATCH(findGroup)(picture, x, y, limit);
    // clang-format on
}

void filterGroup(const Group &group, const Phases &noisy, const Phases *pilot, float threshold, const std::array<float, 64> &noise, Phases &sum, Phases &weight)
{
    // clang-format off
    HWY_DYNAMIC_DISPATCH(filterGroup)(group, noisy, pilot, threshold, noise, sum, weight);
    // clang-format on
}

} // namespace irenic::bm3d
#endif
