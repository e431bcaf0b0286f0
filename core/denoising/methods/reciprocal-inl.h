// SPDX-License-Identifier: GPL-3.0-or-later
// Included once per target.
#if defined(IRENIC_RECIPROCAL_INL_H) == defined(HWY_TARGET_TOGGLE)
#ifdef IRENIC_RECIPROCAL_INL_H
#undef IRENIC_RECIPROCAL_INL_H
#else
#define IRENIC_RECIPROCAL_INL_H
#endif

#include <hwy/highway.h>

HWY_BEFORE_NAMESPACE();
namespace irenic::HWY_NAMESPACE {

namespace hn = hwy::HWY_NAMESPACE;

/// 1 / x to the last bit or two, where a division would take longer than everything around it. For x that is no denormal.
template <class D, class V>
HWY_INLINE V reciprocal(D d, V x)
{
#if HWY_ARCH_X86 && HWY_TARGET != HWY_SCALAR
    const auto near = hn::ApproximateReciprocal(x);
    return hn::Mul(near, hn::NegMulAdd(x, near, hn::Set(d, 2.f)));
#else
    return hn::Div(hn::Set(d, 1.f), x);
#endif
}

} // namespace irenic::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();
#endif
