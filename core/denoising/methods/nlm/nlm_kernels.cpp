// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/targets.h"
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "methods/nlm/nlm_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "methods/nlm/nlm_kernels.h"

#include <vector>

HWY_BEFORE_NAMESPACE();
namespace irenic::nlm::HWY_NAMESPACE {

namespace hn = hwy::HWY_NAMESPACE;
using D = hn::CappedTag<float, 16>;
using V = hn::Vec<D>;
constexpr int kLanes = int(hn::MaxLanes(D()));

constexpr int kBlockWidth = 128, kBlockHeight = kBlockHeightPx; ///< what is summed up stays in the second-level cache
constexpr int kSide = 2 * kPatchReachPx + 1;
static_assert(kSide == 3);
constexpr int kSpare = 32; ///< a vector may run over the end of a row
constexpr int kRow = kBlockWidth + kSpare;

/// Pairs of places that are gathered in one go, so that sums are loaded and stored once for all. What a place and the one (i, j)
/// away have in common is what the place at (-i, -j) from the second is to it: half of the comparing.
constexpr size_t kAtOnce = 2;

struct Buffers {
    int weightRow; ///< samples from one row of weights to the next
    std::array<std::vector<float>, kSide> squares;
    std::vector<float> columns;
    std::array<std::array<std::vector<float>, 2>, kAtOnce> weights; ///< of luminance and of colour
    std::array<std::vector<float>, kMostBands + 2> sums;            ///< of the bands, and the weights of luminance and colour
    explicit Buffers(int searchPx) : weightRow(kRow + searchPx + 2 * kPatchReachPx)
    {
        for (auto &s : squares)
            s.resize(size_t(weightRow));
        columns.resize(size_t(weightRow));
        for (auto &pair : weights)
            for (auto &w : pair)
                w.resize(size_t(weightRow) * size_t(kBlockHeight + searchPx));
        for (auto &s : sums)
            s.resize(size_t(kRow) * kBlockHeight);
    }
};

/// Weighted square differences of the guides along a row from (x, y) on and along the one (i, j) away.
HWY_INLINE void squareRow(const std::array<PlaneView<const float>, 4> &guides, const Settings &s, int x, int y, int width, Offset away, float *HWY_RESTRICT out)
{
    const D d;
    const auto w0 = hn::Set(d, s.guideWeights[0]), w1 = hn::Set(d, s.guideWeights[1]), w2 = hn::Set(d, s.guideWeights[2]), w3 = hn::Set(d, s.guideWeights[3]);
    const bool useFourth = s.guideWeights[3] > 0;
    const auto at = [&](size_t b, int dx, int dy) { return guides[useFourth ? b : std::min<size_t>(b, 2)].row(y + dy) + x + dx; };
    const float *a0 = at(0, 0, 0), *b0 = at(0, away.x, away.y), *a1 = at(1, 0, 0), *b1 = at(1, away.x, away.y), *a2 = at(2, 0, 0), *b2 = at(2, away.x, away.y), *a3 = at(3, 0, 0),
                *b3 = at(3, away.x, away.y);
    for (int k = 0; k < width; k += kLanes) {
        const auto d0 = hn::Sub(hn::LoadU(d, a0 + k), hn::LoadU(d, b0 + k)), d1 = hn::Sub(hn::LoadU(d, a1 + k), hn::LoadU(d, b1 + k));
        const auto d2 = hn::Sub(hn::LoadU(d, a2 + k), hn::LoadU(d, b2 + k));
        auto total = hn::MulAdd(hn::Mul(w0, d0), d0, hn::MulAdd(hn::Mul(w1, d1), d1, hn::Mul(hn::Mul(w2, d2), d2)));
        if (useFourth) {
            const auto d3 = hn::Sub(hn::LoadU(d, a3 + k), hn::LoadU(d, b3 + k));
            total = hn::MulAdd(hn::Mul(w3, d3), d3, total);
        }
        hn::StoreU(total, d, out + k);
    }
}

/// The first place, left of or in the block, whose weight with the one `away` from it is needed; the last row is the block's.
Offset firstOf(Offset away)
{
    return {std::min(0, -away.x), -away.y};
}

/// Weights between every place and the one `away` (y >= 0), both for places of the block and for those whose other is one of the
/// block's. Sums of a patch are direct, since running ones would carry rounding from tile to tile.
template <bool kOneWeight>
void weigh(const std::array<PlaneView<const float>, 4> &guides, const Settings &s, TileRect block, Offset away, Buffers &buffers, std::array<std::vector<float>, 2> &weights)
{
    const D d;
    const auto zero = hn::Zero(d), one = hn::Set(d, 1.f), mean = hn::Set(d, 1.f / (kSide * kSide)), bias = hn::Set(d, s.bias);
    const auto fallL = hn::Set(d, s.luminanceSpread > 0 ? 0.25f / s.luminanceSpread : 0.f), fallC = hn::Set(d, s.colourSpread > 0 ? 0.25f / s.colourSpread : 0.f);
    const auto shareL = hn::Set(d, s.luminanceSpread > 0 ? 1.f : 0.f), shareC = hn::Set(d, s.colourSpread > 0 ? 1.f : 0.f);
    const Offset first = firstOf(away);
    const int width = block.width + std::abs(away.x), height = block.height + away.y;
    for (int y = 0; y < height + 2 * kPatchReachPx; ++y) {
        squareRow(guides, s, block.x + first.x - kPatchReachPx, block.y + first.y - kPatchReachPx + y, width + 2 * kPatchReachPx, away, buffers.squares[size_t(y % kSide)].data());
        if (y < kSide - 1)
            continue;
        const float *top = buffers.squares[size_t((y - 2) % kSide)].data(), *middle = buffers.squares[size_t((y - 1) % kSide)].data(), *bottom = buffers.squares[size_t(y % kSide)].data();
        float *columns = buffers.columns.data();
        for (int x = 0; x < width + 2 * kPatchReachPx; x += kLanes)
            hn::StoreU(hn::Add(hn::Add(hn::LoadU(d, top + x), hn::LoadU(d, middle + x)), hn::LoadU(d, bottom + x)), d, columns + x);
        const ptrdiff_t row = ptrdiff_t(y - kSide + 1) * buffers.weightRow;
        float *luminance = weights[0].data() + row, *colour = weights[1].data() + row;
        for (int x = 0; x < width; x += kLanes) {
            const auto patch = hn::Add(hn::Add(hn::LoadU(d, columns + x), hn::LoadU(d, columns + x + 1)), hn::LoadU(d, columns + x + 2));
            const auto beyond = hn::Max(zero, hn::MulSub(patch, mean, bias));
            const auto weightOf = [&](auto fall, auto share) {
                auto w = hn::Max(zero, hn::NegMulAdd(beyond, fall, one));
                w = hn::Mul(w, w);
                return hn::Mul(hn::Mul(w, w), share);
            };
            hn::StoreU(weightOf(fallL, shareL), d, luminance + x);
            if (!kOneWeight)
                hn::StoreU(weightOf(fallC, shareC), d, colour + x);
        }
    }
}

/// Adds what some pairs of places say: the weights, and the weighted samples on both sides.
template <size_t kBands, bool kOneWeight, size_t kCount>
void gather(std::span<const Band> bands, TileRect block, const Offset *places, Buffers &buffers)
{
    const D d;
    std::array<bool, kBands> isColour;
    for (size_t b = 0; b < kBands; ++b)
        isColour[b] = bands[b].isColour;
    for (int y = 0; y < block.height; ++y) {
        std::array<std::array<const float *, 2 * kCount>, kBands> sample;
        std::array<std::array<const float *, 2 * kCount>, 2> weight;
        std::array<float *, kBands> sum;
        for (size_t k = 0; k < kCount; ++k) {
            const Offset away = places[k], first = firstOf(away);
            for (size_t kind = 0; kind < (kOneWeight ? 1 : 2); ++kind) {
                const float *from = buffers.weights[k][kind].data() - first.x;
                weight[kind][2 * k] = from + ptrdiff_t(y + away.y) * buffers.weightRow;
                weight[kind][2 * k + 1] = from + ptrdiff_t(y) * buffers.weightRow - away.x;
            }
            for (size_t b = 0; b < kBands; ++b) {
                sample[b][2 * k] = bands[b].samples.row(block.y + y + away.y) + block.x + away.x;
                sample[b][2 * k + 1] = bands[b].samples.row(block.y + y - away.y) + block.x - away.x;
            }
        }
        const auto sumOf = [&](size_t i) { return buffers.sums[i].data() + ptrdiff_t(y) * kRow; };
        for (size_t b = 0; b < kBands; ++b)
            sum[b] = sumOf(b);
        for (int x = 0; x < block.width; x += kLanes) {
            V w[2][2 * kCount];
            for (size_t kind = 0; kind < (kOneWeight ? 1 : 2); ++kind) {
                float *weights = sumOf(kMostBands + kind) + x;
                auto total = hn::LoadU(d, weights);
                for (size_t k = 0; k < 2 * kCount; ++k) {
                    w[kind][k] = hn::LoadU(d, weight[kind][k] + x);
                    total = hn::Add(total, w[kind][k]);
                }
                hn::StoreU(total, d, weights);
            }
            for (size_t b = 0; b < kBands; ++b) {
                const V *by = w[isColour[b] && !kOneWeight ? 1 : 0];
                auto total = hn::LoadU(d, sum[b] + x);
                for (size_t k = 0; k < 2 * kCount; ++k)
                    total = hn::MulAdd(by[k], hn::LoadU(d, sample[b][k] + x), total);
                hn::StoreU(total, d, sum[b] + x);
            }
        }
    }
}

template <bool kOneWeight, size_t kCount>
void take(std::span<const Band> bands, const std::array<PlaneView<const float>, 4> &guides, const Settings &s, TileRect block, const Offset *places, Buffers &buffers)
{
    for (size_t k = 0; k < kCount; ++k)
        weigh<kOneWeight>(guides, s, block, places[k], buffers, buffers.weights[k]);
    bands.size() == 4 ? gather<4, kOneWeight, kCount>(bands, block, places, buffers) : gather<6, kOneWeight, kCount>(bands, block, places, buffers);
}

void average(std::span<const Band> bands, const std::array<PlaneView<const float>, 4> &guides, const Settings &s, TileRect where)
{
    const bool oneWeight = s.luminanceSpread == s.colourSpread;
    std::vector<Offset> places = offsets(s);
    std::erase_if(places, [](Offset o) { return o.y < 0 || (o.y == 0 && o.x < 0); }); // the others' opposites
    Buffers buffers(s.searchPx);
    for (int top = where.y; top < where.bottom(); top += kBlockHeight)
        for (int left = where.x; left < where.right(); left += kBlockWidth) {
            const TileRect block = TileRect{left, top, kBlockWidth, kBlockHeight}.intersected(where);
            // The place itself weighs 1.
            for (int y = 0; y < block.height; ++y) {
                for (size_t b = 0; b < bands.size(); ++b)
                    std::copy_n(bands[b].samples.row(block.y + y) + block.x, block.width, buffers.sums[b].data() + ptrdiff_t(y) * kRow);
                for (size_t b = kMostBands; b < kMostBands + 2; ++b)
                    std::fill_n(buffers.sums[b].data() + ptrdiff_t(y) * kRow, block.width, 1.f);
            }
            size_t first = 0;
            for (; first + kAtOnce <= places.size(); first += kAtOnce)
                (oneWeight ? take<true, kAtOnce> : take<false, kAtOnce>)(bands, guides, s, block, &places[first], buffers);
            for (; first < places.size(); ++first)
                (oneWeight ? take<true, 1> : take<false, 1>)(bands, guides, s, block, &places[first], buffers);
            for (int y = 0; y < block.height; ++y)
                for (size_t b = 0; b < bands.size(); ++b) {
                    const float *sum = buffers.sums[b].data() + ptrdiff_t(y) * kRow;
                    const float *weight = buffers.sums[bands[b].isColour && !oneWeight ? kMostBands + 1 : kMostBands].data() + ptrdiff_t(y) * kRow;
                    float *o = bands[b].mean.row(block.y + y) + block.x;
                    for (int x = 0; x < block.width; ++x)
                        o[x] = sum[x] / weight[x];
                }
        }
}

} // namespace irenic::nlm::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic::nlm {

HWY_EXPORT(average);

void average(std::span<const Band> bands, const std::array<PlaneView<const float>, 4> &guides, const Settings &settings, TileRect where)
{
    assert(bands.size() == 4 || bands.size() == kMostBands);
    // clang-format off
    HWY_DYNAMIC_DISPATCH(average)(bands, guides, settings, where);
    // clang-format on
}

} // namespace irenic::nlm
#endif
