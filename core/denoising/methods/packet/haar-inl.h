// SPDX-License-Identifier: GPL-3.0-or-later
// One row of an undecimated Haar step and of its adjoint. Included once per target.
#if defined(IRENIC_HAAR_INL_H) == defined(HWY_TARGET_TOGGLE)
#ifdef IRENIC_HAAR_INL_H
#undef IRENIC_HAAR_INL_H
#else
#define IRENIC_HAAR_INL_H
#endif

#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace irenic::packet::HWY_NAMESPACE {

namespace hn = hwy::HWY_NAMESPACE;

struct SplitRow {
    float *sum, *vertical, *horizontal, *diagonal;
};

/// From a row and the one `step` below it.
HWY_INLINE void splitRow(const float *a, const float *b, int step, int width, const SplitRow &out)
{
    const hn::ScalableTag<float> d;
    const auto half = hn::Set(d, 0.5f);
    for (int x = 0; x < width; x += int(hn::Lanes(d))) {
        const auto p = hn::LoadU(d, a + x), q = hn::LoadU(d, a + x + step);
        const auto r = hn::LoadU(d, b + x), t = hn::LoadU(d, b + x + step);
        const auto top = hn::Add(p, q), bottom = hn::Add(r, t);
        const auto topDiff = hn::Sub(p, q), bottomDiff = hn::Sub(r, t);
        hn::StoreU(hn::Mul(half, hn::Add(top, bottom)), d, out.sum + x);
        hn::StoreU(hn::Mul(half, hn::Sub(top, bottom)), d, out.vertical + x);
        hn::StoreU(hn::Mul(half, hn::Add(topDiff, bottomDiff)), d, out.horizontal + x);
        hn::StoreU(hn::Mul(half, hn::Sub(topDiff, bottomDiff)), d, out.diagonal + x);
    }
}

/// Which bands take part is known outside the loop, so each combination is a loop of its own. `above` is the row `step` above `here`.
template <bool kSum, bool kDetails, bool kAdd>
HWY_INLINE void joinRow(const SplitRow &here, const SplitRow &above, int step, int width, const float *add, float *out)
{
    const hn::ScalableTag<float> d;
    const auto eighth = hn::Set(d, 0.125f);
    for (int x = step; x < width; x += int(hn::Lanes(d))) {
        auto total = hn::Zero(d);
        // Window at (x, y) holds this sample top left, at (x - step, y) top right, and so on.
        const auto corners = [&](float *SplitRow::*band, auto combine) {
            const float *h = here.*band + x, *a = above.*band + x;
            total = hn::Add(total, combine(hn::LoadU(d, h), hn::LoadU(d, h - step), hn::LoadU(d, a), hn::LoadU(d, a - step)));
        };
        if constexpr (kSum)
            corners(&SplitRow::sum, [](auto tl, auto tr, auto bl, auto br) { return hn::Add(hn::Add(tl, tr), hn::Add(bl, br)); });
        if constexpr (kDetails) {
            corners(&SplitRow::vertical, [](auto tl, auto tr, auto bl, auto br) { return hn::Sub(hn::Add(tl, tr), hn::Add(bl, br)); });
            corners(&SplitRow::horizontal, [](auto tl, auto tr, auto bl, auto br) { return hn::Sub(hn::Add(tl, bl), hn::Add(tr, br)); });
            corners(&SplitRow::diagonal, [](auto tl, auto tr, auto bl, auto br) { return hn::Sub(hn::Add(tl, br), hn::Add(tr, bl)); });
        }
        total = hn::Mul(total, eighth);
        if constexpr (kAdd)
            total = hn::Add(total, hn::LoadU(d, add + x));
        hn::StoreU(total, d, out + x);
    }
}

} // namespace irenic::packet::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();
#endif
