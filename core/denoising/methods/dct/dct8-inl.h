// SPDX-License-Identifier: GPL-3.0-or-later
// The orthonormal DCT-II of eight samples and its inverse, on eight vectors at once. Included once per target.
#if defined(IRENIC_DCT8_INL_H) == defined(HWY_TARGET_TOGGLE)
#ifdef IRENIC_DCT8_INL_H
#undef IRENIC_DCT8_INL_H
#else
#define IRENIC_DCT8_INL_H
#endif

#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace irenic::dct::HWY_NAMESPACE {

namespace hn = hwy::HWY_NAMESPACE;

// cos(k pi / 16) / 2, and 1 / sqrt 8 for the mean
constexpr float kC1 = 0.49039264f, kC2 = 0.46193977f, kC3 = 0.41573481f, kC4 = 0.35355339f, kC5 = 0.27778512f, kC6 = 0.19134172f, kC7 = 0.09754516f;

/// In place on eight vectors.
template <class D, class V>
HWY_INLINE void forward8(D d, V &x0, V &x1, V &x2, V &x3, V &x4, V &x5, V &x6, V &x7)
{
    const auto c1 = hn::Set(d, kC1), c2 = hn::Set(d, kC2), c3 = hn::Set(d, kC3), c4 = hn::Set(d, kC4), c5 = hn::Set(d, kC5), c6 = hn::Set(d, kC6), c7 = hn::Set(d, kC7);
    const auto s0 = hn::Add(x0, x7), s1 = hn::Add(x1, x6), s2 = hn::Add(x2, x5), s3 = hn::Add(x3, x4);
    const auto d0 = hn::Sub(x0, x7), d1 = hn::Sub(x1, x6), d2 = hn::Sub(x2, x5), d3 = hn::Sub(x3, x4);
    const auto e0 = hn::Add(s0, s3), e1 = hn::Add(s1, s2), e2 = hn::Sub(s0, s3), e3 = hn::Sub(s1, s2);
    x0 = hn::Mul(c4, hn::Add(e0, e1));
    x4 = hn::Mul(c4, hn::Sub(e0, e1));
    x2 = hn::MulAdd(c2, e2, hn::Mul(c6, e3));
    x6 = hn::MulSub(c6, e2, hn::Mul(c2, e3));
    x1 = hn::MulAdd(c1, d0, hn::MulAdd(c3, d1, hn::MulAdd(c5, d2, hn::Mul(c7, d3))));
    x3 = hn::MulSub(c3, d0, hn::MulAdd(c7, d1, hn::MulAdd(c1, d2, hn::Mul(c5, d3))));
    x5 = hn::MulAdd(c5, d0, hn::NegMulAdd(c1, d1, hn::MulAdd(c7, d2, hn::Mul(c3, d3))));
    x7 = hn::MulAdd(c7, d0, hn::NegMulAdd(c5, d1, hn::MulSub(c3, d2, hn::Mul(c1, d3))));
}

template <class D, class V>
HWY_INLINE void inverse8(D d, V &y0, V &y1, V &y2, V &y3, V &y4, V &y5, V &y6, V &y7)
{
    const auto c1 = hn::Set(d, kC1), c2 = hn::Set(d, kC2), c3 = hn::Set(d, kC3), c4 = hn::Set(d, kC4), c5 = hn::Set(d, kC5), c6 = hn::Set(d, kC6), c7 = hn::Set(d, kC7);
    const auto p = hn::Mul(c4, hn::Add(y0, y4)), q = hn::Mul(c4, hn::Sub(y0, y4));
    const auto r = hn::MulAdd(c2, y2, hn::Mul(c6, y6)), t = hn::MulSub(c6, y2, hn::Mul(c2, y6));
    const auto s0 = hn::Add(p, r), s3 = hn::Sub(p, r), s1 = hn::Add(q, t), s2 = hn::Sub(q, t);
    const auto d0 = hn::MulAdd(c1, y1, hn::MulAdd(c3, y3, hn::MulAdd(c5, y5, hn::Mul(c7, y7))));
    const auto d1 = hn::MulSub(c3, y1, hn::MulAdd(c7, y3, hn::MulAdd(c1, y5, hn::Mul(c5, y7))));
    const auto d2 = hn::MulAdd(c5, y1, hn::NegMulAdd(c1, y3, hn::MulAdd(c7, y5, hn::Mul(c3, y7))));
    const auto d3 = hn::MulAdd(c7, y1, hn::NegMulAdd(c5, y3, hn::MulSub(c3, y5, hn::Mul(c1, y7))));
    y0 = hn::Add(s0, d0);
    y7 = hn::Sub(s0, d0);
    y1 = hn::Add(s1, d1);
    y6 = hn::Sub(s1, d1);
    y2 = hn::Add(s2, d2);
    y5 = hn::Sub(s2, d2);
    y3 = hn::Add(s3, d3);
    y4 = hn::Sub(s3, d3);
}

/// In place on v[0], v[stride], ... v[7 * stride], each `Lanes(d)` floats.
template <bool kBack, class D>
HWY_INLINE void turn8(D d, float *HWY_RESTRICT v, size_t stride)
{
    auto x0 = hn::Load(d, v), x1 = hn::Load(d, v + stride), x2 = hn::Load(d, v + 2 * stride), x3 = hn::Load(d, v + 3 * stride);
    auto x4 = hn::Load(d, v + 4 * stride), x5 = hn::Load(d, v + 5 * stride), x6 = hn::Load(d, v + 6 * stride), x7 = hn::Load(d, v + 7 * stride);
    if constexpr (kBack)
        inverse8(d, x0, x1, x2, x3, x4, x5, x6, x7);
    else
        forward8(d, x0, x1, x2, x3, x4, x5, x6, x7);
    hn::Store(x0, d, v);
    hn::Store(x1, d, v + stride);
    hn::Store(x2, d, v + 2 * stride);
    hn::Store(x3, d, v + 3 * stride);
    hn::Store(x4, d, v + 4 * stride);
    hn::Store(x5, d, v + 5 * stride);
    hn::Store(x6, d, v + 6 * stride);
    hn::Store(x7, d, v + 7 * stride);
}

template <class D>
HWY_INLINE void forward8(D d, float *HWY_RESTRICT v, size_t stride)
{
    turn8<false>(d, v, stride);
}

template <class D>
HWY_INLINE void inverse8(D d, float *HWY_RESTRICT v, size_t stride)
{
    turn8<true>(d, v, stride);
}

} // namespace irenic::dct::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();
#endif
