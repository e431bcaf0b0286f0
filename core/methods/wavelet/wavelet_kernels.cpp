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

void split(PlaneView<const float> in, int step, Size size, const Split &out)
{
    const D d;
    const auto half = hn::Set(d, 0.5f);
    for (int y = 0; y < size.height; ++y) {
        const float *a = in.row(y), *b = in.row(y + step);
        float *s = out.sum.row(y), *v = out.vertical.row(y), *h = out.horizontal.row(y), *g = out.diagonal.row(y);
        for (int x = 0; x < size.width; x += int(hn::Lanes(d))) {
            const auto p = hn::LoadU(d, a + x), q = hn::LoadU(d, a + x + step);
            const auto r = hn::LoadU(d, b + x), t = hn::LoadU(d, b + x + step);
            const auto top = hn::Add(p, q), bottom = hn::Add(r, t);
            const auto topDiff = hn::Sub(p, q), bottomDiff = hn::Sub(r, t);
            hn::StoreU(hn::Mul(half, hn::Add(top, bottom)), d, s + x);
            hn::StoreU(hn::Mul(half, hn::Sub(top, bottom)), d, v + x);
            hn::StoreU(hn::Mul(half, hn::Add(topDiff, bottomDiff)), d, h + x);
            hn::StoreU(hn::Mul(half, hn::Sub(topDiff, bottomDiff)), d, g + x);
        }
    }
}

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

/// Which bands take part is known outside the loops, so each combination is a loop of its own.
template <bool kSum, bool kDetails, bool kAdd>
void joinRows(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out)
{
    const D d;
    const auto eighth = hn::Set(d, 0.125f);
    for (int y = step; y < size.height; ++y) {
        float *o = out.row(y);
        for (int x = step; x < size.width; x += int(hn::Lanes(d))) {
            auto total = hn::Zero(d);
            // Window at (x, y) holds this sample top left, at (x - step, y) top right, and so on.
            const auto corners = [&](const PlaneView<float> &band, auto combine) {
                const float *here = band.row(y) + x, *above = band.row(y - step) + x;
                total = hn::Add(total, combine(hn::LoadU(d, here), hn::LoadU(d, here - step), hn::LoadU(d, above), hn::LoadU(d, above - step)));
            };
            if constexpr (kSum)
                corners(in.sum, [](auto tl, auto tr, auto bl, auto br) { return hn::Add(hn::Add(tl, tr), hn::Add(bl, br)); });
            if constexpr (kDetails) {
                corners(in.vertical, [](auto tl, auto tr, auto bl, auto br) { return hn::Sub(hn::Add(tl, tr), hn::Add(bl, br)); });
                corners(in.horizontal, [](auto tl, auto tr, auto bl, auto br) { return hn::Sub(hn::Add(tl, bl), hn::Add(tr, br)); });
                corners(in.diagonal, [](auto tl, auto tr, auto bl, auto br) { return hn::Sub(hn::Add(tl, br), hn::Add(tr, bl)); });
            }
            total = hn::Mul(total, eighth);
            if constexpr (kAdd)
                total = hn::Add(total, hn::LoadU(d, add.row(y) + x));
            hn::StoreU(total, d, o + x);
        }
    }
}

void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out)
{
    const bool sum = in.sum.data, details = in.vertical.data, plus = add.data;
    const auto rows = sum ? (details ? (plus ? joinRows<true, true, true> : joinRows<true, true, false>)
                                     : (plus ? joinRows<true, false, true> : joinRows<true, false, false>))
                          : (plus ? joinRows<false, true, true> : joinRows<false, true, false>);
    rows(in, step, size, add, out);
}

void addLuminanceGradient(PlaneView<const float> sum, float sign, Size size, const Split &bands)
{
    const D d;
    const auto scale = hn::Set(d, sign / 64), two = hn::Set(d, 2.f);
    const auto at = [&](const float *row, int x) { return hn::LoadU(d, row + x); };
    for (int y = 2; y < size.height - 2; ++y) {
        const float *r[5] = {sum.row(y - 2), sum.row(y - 1), sum.row(y), sum.row(y + 1), sum.row(y + 2)};
        float *v = bands.vertical.row(y), *h = bands.horizontal.row(y);
        for (int x = 2; x < size.width - 2; x += int(hn::Lanes(d))) {
            const auto smooth = [&](const float *row) { return hn::MulAdd(two, at(row, x), hn::Add(at(row, x - 1), at(row, x + 1))); };
            const auto slope = [&](const float *row) { return hn::MulAdd(two, hn::Sub(at(row, x - 1), at(row, x + 1)), hn::Sub(at(row, x - 2), at(row, x + 2))); };
            const auto vertical = hn::MulAdd(two, hn::Sub(smooth(r[1]), smooth(r[3])), hn::Sub(smooth(r[0]), smooth(r[4])));
            const auto horizontal = hn::MulAdd(two, slope(r[2]), hn::Add(slope(r[1]), slope(r[3])));
            hn::StoreU(hn::MulAdd(vertical, scale, hn::LoadU(d, v + x)), d, v + x);
            hn::StoreU(hn::MulAdd(horizontal, scale, hn::LoadU(d, h + x)), d, h + x);
        }
    }
}

void turnDifferences(int greenParity, Size size, const Split &bands)
{
    const D d;
    const auto root = hn::Set(d, 0.70710678f);
    // Even lanes of a row are one kind of window and odd lanes the other; lanes come in even numbers.
    const hn::RebindToSigned<D> di;
    const auto oddLane = hn::RebindMask(d, hn::Ne(hn::And(hn::Iota(di, 0), hn::Set(di, 1)), hn::Zero(di)));
    for (int y = 0; y < size.height; ++y) {
        float *v = bands.vertical.row(y), *h = bands.horizontal.row(y);
        const bool swapOdd = ((y + greenParity) & 1) == 0; // windows at even x have the greens on the rising diagonal
        for (int x = 0; x < size.width; x += int(hn::Lanes(d))) {
            const auto a = hn::LoadU(d, v + x), b = hn::LoadU(d, h + x);
            const auto plus = hn::Mul(root, hn::Add(a, b)), minus = hn::Mul(root, hn::Sub(a, b));
            const auto first = swapOdd ? hn::IfThenElse(oddLane, minus, plus) : hn::IfThenElse(oddLane, plus, minus);
            const auto second = swapOdd ? hn::IfThenElse(oddLane, plus, minus) : hn::IfThenElse(oddLane, minus, plus);
            hn::StoreU(first, d, v + x);
            hn::StoreU(second, d, h + x);
        }
    }
}

void turnDifferencesBack(int greenParity, Size size, const Split &bands)
{
    // (first, second) is (plus, minus) or (minus, plus); undoing the swap leaves the same rotation again.
    const D d;
    const auto root = hn::Set(d, 0.70710678f);
    const hn::RebindToSigned<D> di;
    const auto oddLane = hn::RebindMask(d, hn::Ne(hn::And(hn::Iota(di, 0), hn::Set(di, 1)), hn::Zero(di)));
    for (int y = 0; y < size.height; ++y) {
        float *v = bands.vertical.row(y), *h = bands.horizontal.row(y);
        const bool swapOdd = ((y + greenParity) & 1) == 0;
        for (int x = 0; x < size.width; x += int(hn::Lanes(d))) {
            const auto first = hn::LoadU(d, v + x), second = hn::LoadU(d, h + x);
            const auto plus = swapOdd ? hn::IfThenElse(oddLane, second, first) : hn::IfThenElse(oddLane, first, second);
            const auto minus = swapOdd ? hn::IfThenElse(oddLane, first, second) : hn::IfThenElse(oddLane, second, first);
            hn::StoreU(hn::Mul(root, hn::Add(plus, minus)), d, v + x);
            hn::StoreU(hn::Mul(root, hn::Sub(plus, minus)), d, h + x);
        }
    }
}

} // namespace irenic::wavelet::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic::wavelet {

HWY_EXPORT(split);
HWY_EXPORT(shrink);
HWY_EXPORT(join);
HWY_EXPORT(addLuminanceGradient);
HWY_EXPORT(turnDifferences);
HWY_EXPORT(turnDifferencesBack);

void split(PlaneView<const float> in, int step, Size size, const Split &out) { HWY_DYNAMIC_DISPATCH(split)(in, step, size, out); }
void shrink(PlaneView<const float> band, float threshold, Size size, PlaneView<float> out) { HWY_DYNAMIC_DISPATCH(shrink)(band, threshold, size, out); }
void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out) { HWY_DYNAMIC_DISPATCH(join)(in, step, size, add, out); }

void addLuminanceGradient(PlaneView<const float> sum, float sign, Size size, const Split &bands) { HWY_DYNAMIC_DISPATCH(addLuminanceGradient)(sum, sign, size, bands); }

void turnDifferences(int greenParity, Size size, const Split &bands) { HWY_DYNAMIC_DISPATCH(turnDifferences)(greenParity, size, bands); }
void turnDifferencesBack(int greenParity, Size size, const Split &bands) { HWY_DYNAMIC_DISPATCH(turnDifferencesBack)(greenParity, size, bands); }

} // namespace irenic::wavelet
#endif
