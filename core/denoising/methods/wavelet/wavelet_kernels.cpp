// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/targets.h"
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "methods/wavelet/wavelet_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "methods/packet/haar-inl.h"
#include "methods/reciprocal-inl.h"
#include "methods/wavelet/wavelet_kernels.h"

#include <array>

HWY_BEFORE_NAMESPACE();
namespace irenic::wavelet::HWY_NAMESPACE {

namespace hn = hwy::HWY_NAMESPACE;
using irenic::HWY_NAMESPACE::reciprocal;
using D = hn::ScalableTag<float>;

/// One row of a band from the rows 4 and 2 above, its own, and those 2 and 4 below. Column sums of five squares, then sums of
/// five of those along the row: direct ones, since running sums would carry rounding from tile to tile.
HWY_INLINE void shrinkRow(const std::array<const float *, 5> &r, float threshold, int width, float *HWY_RESTRICT columns, float *HWY_RESTRICT out)
{
    const D d;
    const int lanes = int(hn::Lanes(d));
    const auto scaled = hn::Set(d, threshold * 25.f), tiny = hn::Set(d, 1e-20f), one = hn::Set(d, 1.f), zero = hn::Zero(d);
    for (int x = 0; x < width; x += lanes) {
        const auto v0 = hn::LoadU(d, r[0] + x), v1 = hn::LoadU(d, r[1] + x), v2 = hn::LoadU(d, r[2] + x), v3 = hn::LoadU(d, r[3] + x), v4 = hn::LoadU(d, r[4] + x);
        auto s = hn::Mul(v0, v0);
        s = hn::MulAdd(v1, v1, s);
        s = hn::MulAdd(v2, v2, s);
        s = hn::MulAdd(v3, v3, s);
        s = hn::MulAdd(v4, v4, s);
        hn::StoreU(s, d, columns + x);
    }
    for (int x = kWindowReachPx; x < width - kWindowReachPx; x += lanes) {
        const float *c = columns + x;
        auto e = hn::Add(hn::LoadU(d, c - 4), hn::LoadU(d, c - 2));
        e = hn::Add(e, hn::LoadU(d, c));
        e = hn::Add(e, hn::LoadU(d, c + 2));
        e = hn::Add(e, hn::LoadU(d, c + 4));
        const auto gain = hn::Max(zero, hn::NegMulAdd(scaled, reciprocal(d, hn::Max(e, tiny)), one));
        hn::StoreU(hn::Mul(hn::LoadU(d, r[2] + x), gain), d, out + x);
    }
}

void shrinkScale(PlaneView<const float> in, int step, float threshold, Size size, PlaneView<float> sum, PlaneView<float> detail, PlaneView<float> rows)
{
    constexpr int kBands = 3, kKept = 2 * kWindowReachPx + 1; // rows of a band that are still needed
    const auto bandAt = [&](int band, int y) { return rows.row(band * kKept + y % kKept); };
    const auto shrunkAt = [&](int band, int y) { return rows.row(kBands * kKept + band * (step + 1) + y % (step + 1)); };
    float *columns = rows.row(scaleRows(step) - 1);
    for (int y = 0; y < size.height; ++y) {
        packet::HWY_NAMESPACE::splitRow(in.row(y), in.row(y + step), step, size.width, {sum.row(y), bandAt(0, y), bandAt(1, y), bandAt(2, y)});
        const int at = y - kWindowReachPx;
        if (at < kWindowReachPx)
            continue;
        for (int b = 0; b < kBands; ++b)
            shrinkRow({bandAt(b, at - 4), bandAt(b, at - 2), bandAt(b, at), bandAt(b, at + 2), bandAt(b, at + 4)}, threshold, size.width, columns, shrunkAt(b, at));
        if (at - step >= kWindowReachPx) {
            const auto shrunk = [&](int row) { return packet::HWY_NAMESPACE::SplitRow{nullptr, shrunkAt(0, row), shrunkAt(1, row), shrunkAt(2, row)}; };
            packet::HWY_NAMESPACE::joinRow<false, true, false>(shrunk(at), shrunk(at - step), step, size.width, nullptr, detail.row(at));
        }
    }
}

} // namespace irenic::wavelet::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic::wavelet {

HWY_EXPORT(shrinkScale);

void shrinkScale(PlaneView<const float> in, int step, float threshold, Size size, PlaneView<float> sum, PlaneView<float> detail, PlaneView<float> rows)
{
    // clang-format off
    HWY_DYNAMIC_DISPATCH(shrinkScale)(in, step, threshold, size, sum, detail, rows);
    // clang-format on
}

} // namespace irenic::wavelet
#endif
