// SPDX-License-Identifier: GPL-3.0-or-later
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
constexpr size_t kMostLanes = 16;

constexpr int kBlockWidth = 128, kBlockHeight = kBlockHeightPx; ///< what is summed up stays in the second-level cache
constexpr int kSide = 2 * kPatchReachPx + 1;
static_assert(kSide == 3);
constexpr int kSpare = 30; ///< a vector may run over the end of a row
constexpr int kRow = kBlockWidth + 2 * kPatchReachPx + kSpare;

constexpr size_t kAtOnce = 4; ///< places that are gathered in one go, so that sums are loaded and stored once for all

struct Buffers {
    std::array<std::vector<float>, kAtOnce> squares, columns;
    std::array<std::vector<float>, kMostBands + 2> sums; ///< of the bands, and the weights of luminance and colour
    Buffers()
    {
        for (auto &s : squares)
            s.resize(size_t(kRow) * (kBlockHeight + 2 * kPatchReachPx));
        for (auto &c : columns)
            c.resize(size_t(kRow));
        for (auto &s : sums)
            s.resize(size_t(kRow) * kBlockHeight);
    }
};

/// Weighted square differences of the guides between a block, grown by the patch, and the same block (i, j) away.
void square(const std::array<PlaneView<const float>, 4> &guides, const Settings &s, TileRect block, int i, int j, float *HWY_RESTRICT out)
{
    const D d;
    const TileRect wide = block.grownBy(kPatchReachPx);
    const auto w0 = hn::Set(d, s.guideWeights[0]), w1 = hn::Set(d, s.guideWeights[1]), w2 = hn::Set(d, s.guideWeights[2]), w3 = hn::Set(d, s.guideWeights[3]);
    const bool useFourth = s.guideWeights[3] > 0;
    for (int y = 0; y < wide.height; ++y) {
        const auto at = [&](size_t b, int dx, int dy) { return guides[useFourth ? b : std::min<size_t>(b, 2)].row(wide.y + y + dy) + wide.x + dx; };
        const float *a0 = at(0, 0, 0), *b0 = at(0, i, j), *a1 = at(1, 0, 0), *b1 = at(1, i, j), *a2 = at(2, 0, 0), *b2 = at(2, i, j), *a3 = at(3, 0, 0), *b3 = at(3, i, j);
        float *o = out + ptrdiff_t(y) * kRow;
        for (int x = 0; x < wide.width; x += int(hn::Lanes(d))) {
            const auto d0 = hn::Sub(hn::LoadU(d, a0 + x), hn::LoadU(d, b0 + x)), d1 = hn::Sub(hn::LoadU(d, a1 + x), hn::LoadU(d, b1 + x));
            const auto d2 = hn::Sub(hn::LoadU(d, a2 + x), hn::LoadU(d, b2 + x));
            auto total = hn::MulAdd(hn::Mul(w0, d0), d0, hn::MulAdd(hn::Mul(w1, d1), d1, hn::Mul(hn::Mul(w2, d2), d2)));
            if (useFourth) {
                const auto d3 = hn::Sub(hn::LoadU(d, a3 + x), hn::LoadU(d, b3 + x));
                total = hn::MulAdd(hn::Mul(w3, d3), d3, total);
            }
            hn::StoreU(total, d, o + x);
        }
    }
}

/// Adds what some places say, row by row: patch sums (direct, since running ones would carry rounding from tile
/// to tile), weights, and the weighted samples.
template <size_t kBands, bool kOneWeight, size_t kCount>
void gather(std::span<const Band> bands, const Settings &s, TileRect block, const Offset *places, Buffers &buffers)
{
    const D d;
    const int lanes = int(hn::Lanes(d));
    const auto zero = hn::Zero(d), one = hn::Set(d, 1.f), mean = hn::Set(d, 1.f / (kSide * kSide)), bias = hn::Set(d, s.bias);
    const auto fallL = hn::Set(d, s.luminanceSpread > 0 ? 0.25f / s.luminanceSpread : 0.f), fallC = hn::Set(d, s.colourSpread > 0 ? 0.25f / s.colourSpread : 0.f);
    const auto shareL = hn::Set(d, s.luminanceSpread > 0 ? 1.f : 0.f), shareC = hn::Set(d, s.colourSpread > 0 ? 1.f : 0.f);
    std::array<bool, kBands> isColour;
    for (size_t b = 0; b < kBands; ++b)
        isColour[b] = bands[b].isColour;
    for (int y = 0; y < block.height; ++y) {
        for (size_t k = 0; k < kCount; ++k) {
            const float *from = buffers.squares[k].data() + ptrdiff_t(y) * kRow;
            float *columns = buffers.columns[k].data();
            for (int x = 0; x < block.width + 2 * kPatchReachPx; x += lanes)
                hn::StoreU(hn::Add(hn::Add(hn::LoadU(d, from + x), hn::LoadU(d, from + kRow + x)), hn::LoadU(d, from + 2 * kRow + x)), d, columns + x);
        }
        std::array<std::array<const float *, kCount>, kBands> sample;
        std::array<float *, kBands> sum;
        for (size_t b = 0; b < kBands; ++b) {
            for (size_t k = 0; k < kCount; ++k)
                sample[b][k] = bands[b].samples.row(block.y + y + places[k].y) + block.x + places[k].x;
            sum[b] = buffers.sums[b].data() + ptrdiff_t(y) * kRow;
        }
        float *luminanceWeights = buffers.sums[kMostBands].data() + ptrdiff_t(y) * kRow, *colourWeights = buffers.sums[kMostBands + 1].data() + ptrdiff_t(y) * kRow;
        for (int x = 0; x < block.width; x += lanes) {
            const auto beyondOf = [&](size_t k) {
                const float *c = buffers.columns[k].data() + x;
                const auto patch = hn::Add(hn::Add(hn::LoadU(d, c), hn::LoadU(d, c + 1)), hn::LoadU(d, c + 2));
                return hn::Max(zero, hn::MulSub(patch, mean, bias));
            };
            const auto weightOf = [&](auto beyond, auto fall, auto share) {
                auto w = hn::Max(zero, hn::NegMulAdd(beyond, fall, one));
                w = hn::Mul(w, w);
                return hn::Mul(hn::Mul(w, w), share);
            };
            // Weights wait in memory that stays in the first cache: vectors cannot be kept in arrays.
            HWY_ALIGN float luminance[kCount * kMostLanes], colour[kCount * kMostLanes];
            auto totalL = hn::LoadU(d, luminanceWeights + x), totalC = zero;
            if (!kOneWeight)
                totalC = hn::LoadU(d, colourWeights + x);
            for (size_t k = 0; k < kCount; ++k) {
                const auto beyond = beyondOf(k), l = weightOf(beyond, fallL, shareL);
                totalL = hn::Add(totalL, l);
                hn::Store(l, d, luminance + k * size_t(lanes));
                if (!kOneWeight) {
                    const auto c = weightOf(beyond, fallC, shareC);
                    totalC = hn::Add(totalC, c);
                    hn::Store(c, d, colour + k * size_t(lanes));
                }
            }
            hn::StoreU(totalL, d, luminanceWeights + x);
            if (!kOneWeight)
                hn::StoreU(totalC, d, colourWeights + x);
            for (size_t b = 0; b < kBands; ++b) {
                const float *w = isColour[b] && !kOneWeight ? colour : luminance;
                auto total = hn::LoadU(d, sum[b] + x);
                for (size_t k = 0; k < kCount; ++k)
                    total = hn::MulAdd(hn::Load(d, w + k * size_t(lanes)), hn::LoadU(d, sample[b][k] + x), total);
                hn::StoreU(total, d, sum[b] + x);
            }
        }
    }
}

template <size_t kCount>
void gatherAny(std::span<const Band> bands, const Settings &s, TileRect block, const Offset *places, Buffers &buffers)
{
    const bool oneWeight = s.luminanceSpread == s.colourSpread;
    if (bands.size() == 4)
        oneWeight ? gather<4, true, kCount>(bands, s, block, places, buffers) : gather<4, false, kCount>(bands, s, block, places, buffers);
    else
        oneWeight ? gather<6, true, kCount>(bands, s, block, places, buffers) : gather<6, false, kCount>(bands, s, block, places, buffers);
}

void average(std::span<const Band> bands, const std::array<PlaneView<const float>, 4> &guides, const Settings &s, TileRect where)
{
    const bool oneWeight = s.luminanceSpread == s.colourSpread;
    const std::vector<Offset> places = offsets(s);
    Buffers buffers;
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
            for (size_t first = 0; first < places.size(); first += kAtOnce) {
                const size_t count = std::min(kAtOnce, places.size() - first);
                for (size_t k = 0; k < count; ++k)
                    square(guides, s, block, places[first + k].x, places[first + k].y, buffers.squares[k].data());
                if (count == kAtOnce)
                    gatherAny<kAtOnce>(bands, s, block, &places[first], buffers);
                else
                    for (size_t k = 0; k < count; ++k) {
                        std::swap(buffers.squares[0], buffers.squares[k]);
                        gatherAny<1>(bands, s, block, &places[first + k], buffers);
                        std::swap(buffers.squares[0], buffers.squares[k]);
                    }
            }
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
