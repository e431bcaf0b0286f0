// SPDX-License-Identifier: GPL-3.0-or-later
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "methods/dct/dct_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "methods/dct/dct8-inl.h"
#include "methods/dct/dct_kernels.h"

#include <vector>

HWY_BEFORE_NAMESPACE();
namespace irenic::dct::HWY_NAMESPACE {

using D = hn::CappedTag<float, 16>;
constexpr size_t kCoefficients = size_t(kSide) * kSide, kMostLanes = 16;

/// The windows at x .. x + Lanes - 1, one a lane, so that nothing is ever shuffled: coefficient (u, v) at
/// to[(v * 8 + u) * Lanes].
HWY_INLINE void loadTransformed(PlaneView<const float> plane, int x, int y, float *HWY_RESTRICT to)
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    for (int v = 0; v < kSide; ++v) {
        const float *from = plane.row(y + 2 * v) + x;
        float *row = to + size_t(v) * kSide * lanes;
        for (size_t u = 0; u < kSide; ++u)
            hn::Store(hn::LoadU(d, from + 2 * u), d, row + u * lanes);
        forward8(d, row, lanes);
    }
    for (size_t u = 0; u < kSide; ++u)
        forward8(d, to + u * lanes, kSide * lanes);
}

template <bool kWiener>
void shrinkRow(PlaneView<const float> band, PlaneView<const float> pilot, float threshold, const std::array<float, 64> &noise, int y, int width, PlaneView<float> sum, float *HWY_RESTRICT weights)
{
    const D d;
    const size_t lanes = hn::Lanes(d);
    HWY_ALIGN float w[kCoefficients * kMostLanes];
    HWY_ALIGN float p[kCoefficients * kMostLanes];
    const auto one = hn::Set(d, 1.f);
    for (int x = 0; x < width - kReachPx; x += int(lanes)) {
        loadTransformed(band, x, y, w);
        if (kWiener)
            loadTransformed(pilot, x, y, p);
        auto kept = one; // the mean stays as it is
        for (size_t i = 1; i < kCoefficients; ++i) {
            const auto c = hn::Load(d, w + i * lanes);
            const float limit = threshold * noise[i];
            if (kWiener) {
                const auto q = hn::Load(d, p + i * lanes), energy = hn::Mul(q, q);
                const auto gain = hn::Div(energy, hn::Add(energy, hn::Set(d, limit * limit + 1e-20f)));
                kept = hn::MulAdd(gain, gain, kept);
                hn::Store(hn::Mul(gain, c), d, w + i * lanes);
            } else {
                const auto stays = hn::Gt(hn::Abs(c), hn::Set(d, limit));
                kept = hn::Add(kept, hn::IfThenElseZero(stays, one));
                hn::Store(hn::IfThenElseZero(stays, c), d, w + i * lanes);
            }
        }
        const auto weight = hn::Div(one, kept);
        hn::StoreU(weight, d, weights + x);
        for (size_t u = 0; u < kSide; ++u)
            inverse8(d, w + u * lanes, kSide * lanes);
        for (int v = 0; v < kSide; ++v) {
            float *row = w + size_t(v) * kSide * lanes, *out = sum.row(y + 2 * v) + x;
            inverse8(d, row, lanes);
            // Falling, so that every sample meets its windows from left to right, wherever the tile begins.
            for (int u = kSide - 1; u >= 0; --u)
                hn::StoreU(hn::MulAdd(weight, hn::Load(d, row + size_t(u) * lanes), hn::LoadU(d, out + 2 * u)), d, out + 2 * u);
        }
    }
}

void shrinkWindows(PlaneView<const float> band, PlaneView<const float> pilot, float threshold, const std::array<float, 64> &noise, int firstRow, int rowStep, Size size,
                   PlaneView<float> sum, PlaneView<float> weight, const std::stop_token &stop)
{
    const D d;
    const int lanes = int(hn::Lanes(d));
    std::vector<float> weights(size_t(size.width + 2 * kReachPx + 4 * lanes), 0.f);
    float *first = weights.data() + kReachPx; // windows left of the tile weigh nothing
    for (int y = firstRow; y < size.height - kReachPx && !stop.stop_requested(); y += rowStep) {
        if (pilot.data)
            shrinkRow<true>(band, pilot, threshold, noise, y, size.width, sum, first);
        else
            shrinkRow<false>(band, pilot, threshold, noise, y, size.width, sum, first);
        for (int x = 0; x < size.width; x += lanes) {
            auto total = hn::LoadU(d, first + x - kReachPx);
            for (int u = kSide - 2; u >= 0; --u)
                total = hn::Add(total, hn::LoadU(d, first + x - 2 * u));
            for (int v = 0; v < kSide; ++v) {
                float *out = weight.row(y + 2 * v) + x;
                hn::StoreU(hn::Add(total, hn::LoadU(d, out)), d, out);
            }
        }
    }
}

} // namespace irenic::dct::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic::dct {

HWY_EXPORT(shrinkWindows);

void shrinkWindows(PlaneView<const float> band, PlaneView<const float> pilot, float threshold, const std::array<float, 64> &noise, int firstRow, int rowStep, Size size,
                   PlaneView<float> sum, PlaneView<float> weight, const std::stop_token &stop)
{
    // clang-format off
    HWY_DYNAMIC_DISPATCH(shrinkWindows)(band, pilot, threshold, noise, firstRow, rowStep, size, sum, weight, stop);
    // clang-format on
}

} // namespace irenic::dct
#endif
