// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/targets.h"
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "methods/dct/dct_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "methods/dct/dct8-inl.h"
#include "methods/dct/dct_kernels.h"
#include "methods/reciprocal-inl.h"

#include <vector>

HWY_BEFORE_NAMESPACE();
namespace irenic::dct::HWY_NAMESPACE {

using irenic::HWY_NAMESPACE::reciprocal;
using D = hn::CappedTag<float, 16>;
using V = hn::Vec<D>;
constexpr size_t kLanes = hn::MaxLanes(D()), kCoefficients = size_t(kSide) * kSide;

/// Eight vectors, and the transform along them.
struct Eight {
    V v[kSide];

    void load(const float *from, size_t stride)
    {
        for (size_t i = 0; i < kSide; ++i)
            v[i] = hn::LoadU(D(), from + i * stride);
    }
    void store(float *to, size_t stride) const
    {
        for (size_t i = 0; i < kSide; ++i)
            hn::StoreU(v[i], D(), to + i * stride);
    }
    void forward() { forward8(D(), v); }
    void inverse() { inverse8(D(), v); }
};

/// What came out of the windows of a row, until all that say something of a sample are there: sample (u, v) of the window at x
/// lies at (v * 8 + u) * kWidth + kMargin + x - first. Small enough for the first cache.
struct Results {
    static constexpr size_t kMargin = 16, kWindows = 48, kWidth = kMargin + kWindows;
    static_assert(kMargin >= kReachPx && kMargin % kLanes == 0 && kWindows % kLanes == 0);
    HWY_ALIGN float samples[kCoefficients * kWidth];

    void clear() { std::fill(std::begin(samples), std::end(samples), 0.f); }
    float *at(size_t v, size_t place) { return samples + v * kSide * kWidth + kMargin + place; }
    /// Adds what is complete, and keeps the last windows as the margin of the next ones.
    void flush(PlaneView<float> sum, int x, int y, int width)
    {
        const D d;
        for (size_t v = 0; v < kSide; ++v) {
            float *out = sum.row(y + 2 * int(v)) + x;
            for (size_t i = 0; i < kWindows && x + int(i) < width; i += kLanes) {
                const float *from = at(v, i);
                auto total = hn::LoadU(d, from + (kSide - 1) * (kWidth - 2));
                for (size_t u = kSide - 1; u-- > 0;) // windows from left to right, wherever the tile begins
                    total = hn::Add(total, hn::LoadU(d, from + u * (kWidth - 2)));
                hn::StoreU(hn::Add(total, hn::LoadU(d, out + i)), d, out + i);
            }
        }
        for (size_t i = 0; i < kCoefficients; ++i)
            for (size_t k = 0; k < kMargin; k += kLanes)
                hn::Store(hn::Load(d, samples + i * kWidth + kWindows + k), d, samples + i * kWidth + k);
    }
};

/// The rows of the windows at x .. x + kLanes - 1, one a lane so that nothing is ever shuffled, turned: coefficient u of row v at
/// to[(v * 8 + u) * kLanes].
HWY_INLINE void loadRows(PlaneView<const float> plane, int x, int y, float *HWY_RESTRICT to)
{
    for (int v = 0; v < kSide; ++v) {
        Eight row;
        row.load(plane.row(y + 2 * v) + x, 2);
        row.forward();
        row.store(to + size_t(v) * kSide * kLanes, kLanes);
    }
}

template <bool kWiener>
void shrinkRow(PlaneView<const float> band, PlaneView<const float> pilot, float threshold, const std::array<float, 64> &noise, int y, int width, PlaneView<float> sum, float *HWY_RESTRICT weights,
               Results &results)
{
    const D d;
    HWY_ALIGN float w[kCoefficients * kLanes];
    HWY_ALIGN float p[kCoefficients * kLanes];
    const auto one = hn::Set(d, 1.f);
    results.clear();
    for (int first = 0; first < width; first += int(Results::kWindows)) {
        for (size_t place = 0; place < Results::kWindows; place += kLanes) {
            const int x = first + int(place);
            if (x >= width - kReachPx) { // no window begins here
                for (size_t v = 0; v < kSide; ++v)
                    for (size_t u = 0; u < kSide; ++u)
                        hn::Store(hn::Zero(d), d, results.at(v, place) + u * Results::kWidth);
                continue;
            }
            loadRows(band, x, y, w);
            if (kWiener)
                loadRows(pilot, x, y, p);
            auto kept = one; // the mean stays as it is
            for (size_t u = 0; u < kSide; ++u) {
                Eight c, q;
                c.load(w + u * kLanes, kSide * kLanes);
                c.forward();
                if (kWiener) {
                    q.load(p + u * kLanes, kSide * kLanes);
                    q.forward();
                }
                for (size_t v = u == 0 ? 1 : 0; v < kSide; ++v) {
                    const float limit = threshold * noise[v * kSide + u];
                    if (kWiener) {
                        const auto energy = hn::Mul(q.v[v], q.v[v]);
                        const auto gain = hn::Mul(energy, reciprocal(d, hn::Add(energy, hn::Set(d, limit * limit + 1e-20f))));
                        kept = hn::MulAdd(gain, gain, kept);
                        c.v[v] = hn::Mul(gain, c.v[v]);
                    } else {
                        const auto stays = hn::Gt(hn::Abs(c.v[v]), hn::Set(d, limit));
                        kept = hn::Add(kept, hn::IfThenElseZero(stays, one));
                        c.v[v] = hn::IfThenElseZero(stays, c.v[v]);
                    }
                }
                c.inverse();
                c.store(w + u * kLanes, kSide * kLanes);
            }
            const auto weight = hn::Div(one, kept);
            hn::StoreU(weight, d, weights + x);
            for (size_t v = 0; v < kSide; ++v) {
                Eight row;
                row.load(w + v * kSide * kLanes, kLanes);
                row.inverse();
                for (V &sample : row.v)
                    sample = hn::Mul(weight, sample);
                row.store(results.at(v, place), Results::kWidth);
            }
        }
        results.flush(sum, first, y, width);
    }
}

void shrinkWindows(PlaneView<const float> band, PlaneView<const float> pilot, float threshold, const std::array<float, 64> &noise, int firstRow, int rowStep, Size size,
                   PlaneView<float> sum, PlaneView<float> weight, const std::stop_token &stop)
{
    const D d;
    const int lanes = int(hn::Lanes(d));
    Results results;
    std::vector<float> weights(size_t(size.width + 2 * kReachPx + 4 * lanes), 0.f);
    float *first = weights.data() + kReachPx; // windows left of the tile weigh nothing
    for (int y = firstRow; y < size.height - kReachPx && !stop.stop_requested(); y += rowStep) {
        if (pilot.data)
            shrinkRow<true>(band, pilot, threshold, noise, y, size.width, sum, first, results);
        else
            shrinkRow<false>(band, pilot, threshold, noise, y, size.width, sum, first, results);
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
