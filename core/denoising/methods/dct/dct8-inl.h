// SPDX-License-Identifier: GPL-3.0-or-later
// The orthonormal DCT-II of eight samples and its inverse, along eight vectors. Included once per target.
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

/// In place.
template <class D, class V>
HWY_INLINE void forward8(D d, V (&x)[8])
{
    const auto c1 = hn::Set(d, kC1), c2 = hn::Set(d, kC2), c3 = hn::Set(d, kC3), c4 = hn::Set(d, kC4), c5 = hn::Set(d, kC5), c6 = hn::Set(d, kC6), c7 = hn::Set(d, kC7);
    const auto s0 = hn::Add(x[0], x[7]), s1 = hn::Add(x[1], x[6]), s2 = hn::Add(x[2], x[5]), s3 = hn::Add(x[3], x[4]);
    const auto d0 = hn::Sub(x[0], x[7]), d1 = hn::Sub(x[1], x[6]), d2 = hn::Sub(x[2], x[5]), d3 = hn::Sub(x[3], x[4]);
    const auto e0 = hn::Add(s0, s3), e1 = hn::Add(s1, s2), e2 = hn::Sub(s0, s3), e3 = hn::Sub(s1, s2);
    x[0] = hn::Mul(c4, hn::Add(e0, e1));
    x[4] = hn::Mul(c4, hn::Sub(e0, e1));
    x[2] = hn::MulAdd(c2, e2, hn::Mul(c6, e3));
    x[6] = hn::MulSub(c6, e2, hn::Mul(c2, e3));
    x[1] = hn::MulAdd(c1, d0, hn::MulAdd(c3, d1, hn::MulAdd(c5, d2, hn::Mul(c7, d3))));
    x[3] = hn::MulSub(c3, d0, hn::MulAdd(c7, d1, hn::MulAdd(c1, d2, hn::Mul(c5, d3))));
    x[5] = hn::MulAdd(c5, d0, hn::NegMulAdd(c1, d1, hn::MulAdd(c7, d2, hn::Mul(c3, d3))));
    x[7] = hn::MulAdd(c7, d0, hn::NegMulAdd(c5, d1, hn::MulSub(c3, d2, hn::Mul(c1, d3))));
}

template <class D, class V>
HWY_INLINE void inverse8(D d, V (&y)[8])
{
    const auto c1 = hn::Set(d, kC1), c2 = hn::Set(d, kC2), c3 = hn::Set(d, kC3), c4 = hn::Set(d, kC4), c5 = hn::Set(d, kC5), c6 = hn::Set(d, kC6), c7 = hn::Set(d, kC7);
    const auto p = hn::Mul(c4, hn::Add(y[0], y[4])), q = hn::Mul(c4, hn::Sub(y[0], y[4]));
    const auto r = hn::MulAdd(c2, y[2], hn::Mul(c6, y[6])), t = hn::MulSub(c6, y[2], hn::Mul(c2, y[6]));
    const auto s0 = hn::Add(p, r), s3 = hn::Sub(p, r), s1 = hn::Add(q, t), s2 = hn::Sub(q, t);
    const auto d0 = hn::MulAdd(c1, y[1], hn::MulAdd(c3, y[3], hn::MulAdd(c5, y[5], hn::Mul(c7, y[7]))));
    const auto d1 = hn::MulSub(c3, y[1], hn::MulAdd(c7, y[3], hn::MulAdd(c1, y[5], hn::Mul(c5, y[7]))));
    const auto d2 = hn::MulAdd(c5, y[1], hn::NegMulAdd(c1, y[3], hn::MulAdd(c7, y[5], hn::Mul(c3, y[7]))));
    const auto d3 = hn::MulAdd(c7, y[1], hn::NegMulAdd(c5, y[3], hn::MulSub(c3, y[5], hn::Mul(c1, y[7]))));
    y[0] = hn::Add(s0, d0);
    y[7] = hn::Sub(s0, d0);
    y[1] = hn::Add(s1, d1);
    y[6] = hn::Sub(s1, d1);
    y[2] = hn::Add(s2, d2);
    y[5] = hn::Sub(s2, d2);
    y[3] = hn::Add(s3, d3);
    y[4] = hn::Sub(s3, d3);
}

} // namespace irenic::dct::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();
#endif
