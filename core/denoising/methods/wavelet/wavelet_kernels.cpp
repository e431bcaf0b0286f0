// SPDX-License-Identifier: GPL-3.0-or-later
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "methods/wavelet/wavelet_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "methods/wavelet/wavelet_kernels.h"

#include <vector>

HWY_BEFORE_NAMESPACE();
namespace irenic::wavelet::HWY_NAMESPACE {

namespace hn = hwy::HWY_NAMESPACE;
using D = hn::ScalableTag<float>;

void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out)
{
    const D d;
    const int lanes = int(hn::Lanes(d));
    // Column sums of five squares, then row sums of five of those: direct sums, since running ones would carry
    // rounding from tile to tile.
    std::vector<float> sums(size_t(size.width + 2 * lanes));
    const auto scaled = hn::Set(d, threshold * 25.f), tiny = hn::Set(d, 1e-20f), one = hn::Set(d, 1.f), zero = hn::Zero(d);
    for (int y = 4; y < size.height - 4; ++y) {
        const float *r0 = band.row(y - 4), *r1 = band.row(y - 2), *r2 = band.row(y), *r3 = band.row(y + 2), *r4 = band.row(y + 4);
        for (int x = 0; x < size.width; x += lanes) {
            const auto v0 = hn::LoadU(d, r0 + x), v1 = hn::LoadU(d, r1 + x), v2 = hn::LoadU(d, r2 + x), v3 = hn::LoadU(d, r3 + x), v4 = hn::LoadU(d, r4 + x);
            auto s = hn::Mul(v0, v0);
            s = hn::MulAdd(v1, v1, s);
            s = hn::MulAdd(v2, v2, s);
            s = hn::MulAdd(v3, v3, s);
            s = hn::MulAdd(v4, v4, s);
            hn::StoreU(s, d, sums.data() + x);
        }
        float *o = out.row(y);
        for (int x = 4; x < size.width - 4; x += lanes) {
            const float *c = sums.data() + x;
            auto e = hn::Add(hn::LoadU(d, c - 4), hn::LoadU(d, c - 2));
            e = hn::Add(e, hn::LoadU(d, c));
            e = hn::Add(e, hn::LoadU(d, c + 2));
            e = hn::Add(e, hn::LoadU(d, c + 4));
            const auto gain = hn::Max(zero, hn::Sub(one, hn::Div(scaled, hn::Max(e, tiny))));
            hn::StoreU(hn::Mul(hn::LoadU(d, r2 + x), gain), d, o + x);
        }
    }
}

} // namespace irenic::wavelet::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic::wavelet {

HWY_EXPORT(shrink);

// clang-format off
void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out) { HWY_DYNAMIC_DISPATCH(shrink)(band, threshold, size, out); }
// clang-format on

} // namespace irenic::wavelet
#endif
