// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/targets.h"
#undef HWY_TARGET_INCLUDE
#define HWY_TARGET_INCLUDE "methods/packet/packet_kernels.cpp"
#include <hwy/foreach_target.h>
#include <hwy/highway.h>

#include "methods/packet/haar-inl.h"
#include "methods/packet/packet_kernels.h"

HWY_BEFORE_NAMESPACE();
namespace irenic::packet::HWY_NAMESPACE {

using D = hn::ScalableTag<float>;

SplitRow rowOf(const Split &bands, int y)
{
    const auto at = [y](const PlaneView<float> &band) { return band.data ? band.row(y) : nullptr; };
    return {at(bands.sum), at(bands.vertical), at(bands.horizontal), at(bands.diagonal)};
}

void split(PlaneView<const float> in, int step, Size size, const Split &out)
{
    for (int y = 0; y < size.height; ++y)
        splitRow(in.row(y), in.row(y + step), step, size.width, rowOf(out, y));
}

void splitSum(PlaneView<const float> in, int step, Size size, PlaneView<float> out)
{
    const D d;
    const auto half = hn::Set(d, 0.5f);
    for (int y = 0; y < size.height; ++y) {
        const float *a = in.row(y), *b = in.row(y + step);
        float *s = out.row(y);
        for (int x = 0; x < size.width; x += int(hn::Lanes(d))) {
            const auto top = hn::Add(hn::LoadU(d, a + x), hn::LoadU(d, a + x + step)), bottom = hn::Add(hn::LoadU(d, b + x), hn::LoadU(d, b + x + step));
            hn::StoreU(hn::Mul(half, hn::Add(top, bottom)), d, s + x);
        }
    }
}

template <bool kSum, bool kDetails, bool kAdd>
void joinRows(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out)
{
    for (int y = step; y < size.height; ++y)
        joinRow<kSum, kDetails, kAdd>(rowOf(in, y), rowOf(in, y - step), step, size.width, kAdd ? add.row(y) : nullptr, out.row(y));
}

void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out)
{
    const bool details = in.vertical.data, plus = add.data;
    assert(in.sum.data);
    const auto rows = details ? (plus ? joinRows<true, true, true> : joinRows<true, true, false>) : (plus ? joinRows<true, false, true> : joinRows<true, false, false>);
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

#if HWY_TARGET == HWY_SCALAR // one lane is not an even number of them
using reference::turnDifferences;
using reference::turnDifferencesBack;
#else
/// +1 for windows whose greens are on the rising diagonal, -1 for the others: even lanes of a row are one kind and odd
/// lanes the other, since lanes come in even numbers.
auto risingSigns(Phase phase, int y)
{
    const D d;
    const hn::RebindToSigned<D> di;
    const auto oddLane = hn::RebindMask(d, hn::Ne(hn::And(hn::Iota(di, 0), hn::Set(di, 1)), hn::Zero(di)));
    const float even = ((y + phase.greenParity) & 1) == 0 ? 1.f : -1.f;
    return hn::IfThenElse(oddLane, hn::Set(d, -even), hn::Set(d, even));
}

void turnDifferences(Phase phase, Size size, const Split &bands)
{
    const D d;
    const auto root = hn::Set(d, 0.70710678f);
    for (int y = 0; y < size.height; ++y) {
        float *v = bands.vertical.row(y), *h = bands.horizontal.row(y), *g = bands.diagonal.row(y);
        const auto signs = risingSigns(phase, y), sign = hn::Set(d, (y & 1) == phase.redRow ? 1.f : -1.f);
        const auto rising = hn::Gt(signs, hn::Zero(d));
        for (int x = 0; x < size.width; x += int(hn::Lanes(d))) {
            const auto a = hn::LoadU(d, v + x), b = hn::LoadU(d, h + x);
            const auto plus = hn::Mul(root, hn::Add(a, b)), minus = hn::Mul(root, hn::Sub(a, b));
            hn::StoreU(hn::Mul(sign, hn::IfThenElse(rising, plus, minus)), d, v + x);
            hn::StoreU(hn::IfThenElse(rising, minus, plus), d, h + x);
            hn::StoreU(hn::Mul(signs, hn::LoadU(d, g + x)), d, g + x);
        }
    }
}

void turnDifferencesBack(Phase phase, Size size, const Split &bands)
{
    const D d;
    const auto root = hn::Set(d, 0.70710678f);
    for (int y = 0; y < size.height; ++y) {
        float *v = bands.vertical.row(y), *h = bands.horizontal.row(y), *g = bands.diagonal.row(y);
        const auto signs = risingSigns(phase, y), sign = hn::Set(d, (y & 1) == phase.redRow ? 1.f : -1.f);
        const auto rising = hn::Gt(signs, hn::Zero(d));
        for (int x = 0; x < size.width; x += int(hn::Lanes(d))) {
            const auto redBlue = hn::Mul(sign, hn::LoadU(d, v + x)), green = hn::LoadU(d, h + x);
            const auto plus = hn::IfThenElse(rising, redBlue, green), minus = hn::IfThenElse(rising, green, redBlue);
            hn::StoreU(hn::Mul(root, hn::Add(plus, minus)), d, v + x);
            hn::StoreU(hn::Mul(root, hn::Sub(plus, minus)), d, h + x);
            hn::StoreU(hn::Mul(signs, hn::LoadU(d, g + x)), d, g + x);
        }
    }
}

#endif
} // namespace irenic::packet::HWY_NAMESPACE
HWY_AFTER_NAMESPACE();

#if HWY_ONCE
namespace irenic::packet {

HWY_EXPORT(split);
HWY_EXPORT(splitSum);
HWY_EXPORT(join);
HWY_EXPORT(addLuminanceGradient);
HWY_EXPORT(turnDifferences);
HWY_EXPORT(turnDifferencesBack);

// clang-format off
void split(PlaneView<const float> in, int step, Size size, const Split &out) { HWY_DYNAMIC_DISPATCH(split)(in, step, size, out); }
void splitSum(PlaneView<const float> in, int step, Size size, PlaneView<float> out) { HWY_DYNAMIC_DISPATCH(splitSum)(in, step, size, out); }
void join(const Split &in, int step, Size size, PlaneView<const float> add, PlaneView<float> out) { HWY_DYNAMIC_DISPATCH(join)(in, step, size, add, out); }
void addLuminanceGradient(PlaneView<const float> sum, float sign, Size size, const Split &bands) { HWY_DYNAMIC_DISPATCH(addLuminanceGradient)(sum, sign, size, bands); }
void turnDifferences(Phase phase, Size size, const Split &bands) { HWY_DYNAMIC_DISPATCH(turnDifferences)(phase, size, bands); }
void turnDifferencesBack(Phase phase, Size size, const Split &bands) { HWY_DYNAMIC_DISPATCH(turnDifferencesBack)(phase, size, bands); }
// clang-format on

} // namespace irenic::packet
#endif
