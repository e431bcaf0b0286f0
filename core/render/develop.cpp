// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/develop.h"

#include "render/colour.h"

#include <cmath>

namespace irenic {

namespace {

constexpr float kShoulder = 0.6f; // where the roll-off leaves the straight line

/// Extended Reinhard shoulder: straight up to kShoulder, slope 1 there, 1 at `white`.
float rolledOff(float v, float white)
{
    if (v <= kShoulder || white <= 1)
        return std::min(v, 1.f);
    const float w = (white - kShoulder) / (1 - kShoulder), t = std::min((v - kShoulder) / (1 - kShoulder), w);
    return kShoulder + (1 - kShoulder) * t * (1 + t / (w * w)) / (1 + t);
}

/// Gradient-corrected linear interpolation: Malvar, He and Cutler, ICASSP 2004. `p` points at the sample; taps are
/// named by what lies at distance one and two.
struct Taps {
    const float *p;
    ptrdiff_t s;
    float cross1() const { return p[-1] + p[1] + p[-s] + p[s]; }
    float cross2() const { return p[-2] + p[2] + p[-2 * s] + p[2 * s]; }
    float corners() const { return p[-s - 1] + p[-s + 1] + p[s - 1] + p[s + 1]; }
    float greenAtColour() const { return (4 * p[0] + 2 * cross1() - cross2()) / 8; }
    float oppositeAtColour() const { return (6 * p[0] + 2 * corners() - 1.5f * cross2()) / 8; }
    float rowNeighbourAtGreen() const
    {
        return (5 * p[0] + 4 * (p[-1] + p[1]) - (p[-2] + p[2]) - corners() + 0.5f * (p[-2 * s] + p[2 * s])) / 8;
    }
    float columnNeighbourAtGreen() const
    {
        return (5 * p[0] + 4 * (p[-s] + p[s]) - (p[-2 * s] + p[2 * s]) - corners() + 0.5f * (p[-2] + p[2])) / 8;
    }
};

float srgbEncoded(float v)
{
    v = std::clamp(v, 0.f, 1.f);
    return v <= 0.0031308f ? v * 12.92f : 1.055f * std::pow(v, 1 / 2.4f) - 0.055f;
}

/// Dense enough that the steepest part of the curve moves by less than a hundredth of an 8-bit step per entry.
template <class T, int kHigh, int kEntries>
RgbImage<T> encodedWithTable(const RgbImage<float> &linear)
{
    static const std::vector<T> table = [] {
        std::vector<T> t(kEntries + 1);
        for (int i = 0; i <= kEntries; ++i)
            t[size_t(i)] = T(std::lround(srgbEncoded(float(i) / kEntries) * kHigh));
        return t;
    }();
    auto out = RgbImage<T>::ofSize(linear.size);
    for (size_t i = 0; i < linear.samples.size(); ++i)
        out.samples[i] = table[size_t(std::clamp(linear.samples[i], 0.f, 1.f) * kEntries + 0.5f)];
    return out;
}

} // namespace

Developer::Developer(const ColourDescription &colour)
{
    const CameraToSrgb c = cameraToSrgb(colour);
    std::transform(c.balance.begin(), c.balance.end(), m_balance.begin(), [](double v) { return float(v); });
    std::transform(c.matrix.begin(), c.matrix.end(), m_matrix.begin(), [](double v) { return float(v); });
    m_gain = float(std::exp2(colour.baselineExposureEv));
}

void Developer::finishRow(float *rgb, int count, const Look &look) const
{
    const float gain = m_gain * float(std::exp2(look.pushEv));
    const auto &m = m_matrix;
    for (int i = 0; i < count; ++i, rgb += 3) {
        const float r = std::min(rgb[0] * m_balance[0], 1.f), g = std::min(rgb[1] * m_balance[1], 1.f), b = std::min(rgb[2] * m_balance[2], 1.f);
        rgb[0] = rolledOff((m[0] * r + m[1] * g + m[2] * b) * gain, gain);
        rgb[1] = rolledOff((m[3] * r + m[4] * g + m[5] * b) * gain, gain);
        rgb[2] = rolledOff((m[6] * r + m[7] * g + m[8] * b) * gain, gain);
    }
}

RgbImage<float> Developer::develop(PlaneView<const float> mosaic, CfaPattern cfa, const Look &look) const
{
    const Size size{mosaic.width - 2 * kHaloPx, mosaic.height - 2 * kHaloPx};
    auto out = RgbImage<float>::ofSize(size);
    // The corrections of the filter mix colours, so they must be balanced first or edges take on a tint.
    Plane<float> balanced({mosaic.width, mosaic.height});
    for (int y = 0; y < mosaic.height; ++y) {
        const float gains[2] = {m_balance[size_t(cfa.at(0, y))], m_balance[size_t(cfa.at(1, y))]}; // the halo is even: same phase
        for (int x = 0; x < mosaic.width; ++x)
            balanced.row(y)[x] = mosaic.row(y)[x] * gains[x & 1];
    }
    const float undo[3] = {1 / m_balance[0], 1 / m_balance[1], 1 / m_balance[2]};
    for (int y = 0; y < size.height; ++y) {
        float *o = out.row(y);
        for (int x = 0; x < size.width; ++x, o += 3) {
            const Taps t{balanced.row(y + kHaloPx) + x + kHaloPx, balanced.stride()};
            const Colour here = cfa.at(x, y);
            if (here == Colour::Green) {
                const bool redInRow = cfa.at(x + 1, y) == Colour::Red;
                o[1] = t.p[0];
                o[0] = redInRow ? t.rowNeighbourAtGreen() : t.columnNeighbourAtGreen();
                o[2] = redInRow ? t.columnNeighbourAtGreen() : t.rowNeighbourAtGreen();
            } else {
                o[1] = t.greenAtColour();
                o[here == Colour::Red ? 0 : 2] = t.p[0];
                o[here == Colour::Red ? 2 : 0] = t.oppositeAtColour();
            }
            for (int c = 0; c < 3; ++c)
                o[c] *= undo[c];
        }
        finishRow(out.row(y), size.width, look);
    }
    return out;
}

RgbImage<float> Developer::developReduced(PlaneView<const float> mosaic, CfaPattern cfa, int factor, const Look &look) const
{
    assert(factor >= 2 && factor % 2 == 0);
    const Size size{mosaic.width / factor, mosaic.height / factor};
    auto out = RgbImage<float>::ofSize(size);
    const float perColour[3] = {4.f / float(factor * factor), 2.f / float(factor * factor), 4.f / float(factor * factor)};
    for (int y = 0; y < size.height; ++y) {
        float *o = out.row(y);
        for (int v = 0; v < factor; ++v) {
            const float *row = mosaic.row(y * factor + v);
            const int even = int(cfa.at(0, v)), odd = int(cfa.at(1, v));
            for (int x = 0; x < size.width; ++x)
                for (int u = 0; u < factor; u += 2) {
                    o[x * 3 + even] += row[x * factor + u] * perColour[even];
                    o[x * 3 + odd] += row[x * factor + u + 1] * perColour[odd];
                }
        }
        finishRow(o, size.width, look);
    }
    return out;
}

RgbImage<uint8_t> encoded8(const RgbImage<float> &linear)
{
    return encodedWithTable<uint8_t, 255, 1 << 16>(linear);
}

RgbImage<uint16_t> encoded16(const RgbImage<float> &linear)
{
    auto out = RgbImage<uint16_t>::ofSize(linear.size);
    std::transform(linear.samples.begin(), linear.samples.end(), out.samples.begin(),
                   [](float v) { return uint16_t(std::lround(srgbEncoded(v) * 65535)); });
    return out;
}

Rect storedRectOf(Rect u, Size stored, int orientation)
{
    const int w = stored.width, h = stored.height;
    switch (orientation) {
    case 2: return {w - u.right(), u.y, u.width, u.height};
    case 3: return {w - u.right(), h - u.bottom(), u.width, u.height};
    case 4: return {u.x, h - u.bottom(), u.width, u.height};
    case 5: return {u.y, u.x, u.height, u.width};
    case 6: return {u.y, h - u.right(), u.height, u.width};
    case 7: return {w - u.bottom(), h - u.right(), u.height, u.width};
    case 8: return {w - u.bottom(), u.x, u.height, u.width};
    default: return u;
    }
}

template <class T>
RgbImage<T> turned(const RgbImage<T> &in, int orientation)
{
    if (orientation <= 1 || orientation > 8)
        return in;
    const Size size = orientation >= 5 ? Size{in.size.height, in.size.width} : in.size;
    auto out = RgbImage<T>::ofSize(size);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const Rect from = storedRectOf({x, y, 1, 1}, in.size, orientation);
            std::copy_n(in.row(from.y) + from.x * 3, 3, out.row(y) + x * 3);
        }
    return out;
}

template RgbImage<uint8_t> turned(const RgbImage<uint8_t> &, int);
template RgbImage<uint16_t> turned(const RgbImage<uint16_t> &, int);
template RgbImage<float> turned(const RgbImage<float> &, int);

} // namespace irenic
