// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/develop.h"

#include "render/colour.h"
#include "render/demosaic.h"

#include <cmath>

namespace irenic {

namespace {

static_assert(Developer::kHaloPx == kDemosaicHaloPx);

constexpr float kShoulder = 0.6f; // where the roll-off leaves the straight line

/// Extended Reinhard shoulder: straight up to kShoulder, slope 1 there, 1 at `white`.
float rolledOff(float v, float white)
{
    if (v <= kShoulder || white <= 1)
        return std::min(v, 1.f);
    const float w = (white - kShoulder) / (1 - kShoulder), t = std::min((v - kShoulder) / (1 - kShoulder), w);
    return kShoulder + (1 - kShoulder) * t * (1 + t / (w * w)) / (1 + t);
}

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

Developer::Developer(const ColourDescription &colour) : m_mosaic(true)
{
    const CameraToSrgb c = cameraToSrgb(colour);
    std::copy(c.balance.begin(), c.balance.end(), m_balance.begin());
    std::copy(c.matrix.begin(), c.matrix.end(), m_matrix.begin());
    m_gain = float(std::exp2(colour.baselineExposureEv));
}

Developer::Developer(const Frame &frame) : Developer(frame.colour)
{
    m_mosaic = frame.kind == FrameKind::Mosaic;
    if (frame.kind == FrameKind::Rendered) {
        std::copy(frame.encoding->toSrgb.begin(), frame.encoding->toSrgb.end(), m_matrix.begin());
        m_balance = {1, 1, 1};
        m_gain = 1;
    }
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

RgbImage<float> Developer::develop(PlaneView<const float> samples, CfaPattern cfa, const Look &look) const
{
    if (!m_mosaic)
        return finished(samples, look);
    const Size size{samples.width - 2 * kHaloPx, samples.height - 2 * kHaloPx};
    auto out = RgbImage<float>::ofSize(size);
    // Colours are compared, so they must be balanced first or edges take on a tint.
    Plane<float> balanced({samples.width, samples.height});
    for (int y = 0; y < samples.height; ++y) {
        const float gains[2] = {m_balance[size_t(cfa.at(0, y))], m_balance[size_t(cfa.at(1, y))]}; // the halo is even: same phase
        for (int x = 0; x < samples.width; ++x)
            balanced.row(y)[x] = samples.row(y)[x] * gains[x & 1];
    }
    demosaic(balanced.view(), cfa, out.samples.data());
    const float undo[3] = {1 / m_balance[0], 1 / m_balance[1], 1 / m_balance[2]};
    for (int y = 0; y < size.height; ++y) {
        float *o = out.row(y);
        for (int x = 0; x < size.width; ++x, o += 3)
            for (int c = 0; c < 3; ++c)
                o[c] *= undo[c];
        finishRow(out.row(y), size.width, look);
    }
    return out;
}

RgbImage<float> Developer::finished(PlaneView<const float> samples, const Look &look) const
{
    auto out = RgbImage<float>::ofSize({samples.width / 3, samples.height});
    for (int y = 0; y < samples.height; ++y) {
        std::copy_n(samples.row(y), samples.width, out.row(y));
        finishRow(out.row(y), out.size.width, look);
    }
    return out;
}

RgbImage<float> Developer::developReduced(PlaneView<const float> samples, CfaPattern cfa, int factor, const Look &look) const
{
    assert(factor >= 2 && factor % 2 == 0);
    const int channels = m_mosaic ? 1 : 3;
    const Size size{samples.width / (factor * channels), samples.height / factor};
    auto out = RgbImage<float>::ofSize(size);
    const float share = 1 / float(factor * factor);
    const float perColour[3] = {4 * share, 2 * share, 4 * share};
    for (int y = 0; y < size.height; ++y) {
        float *o = out.row(y);
        for (int v = 0; v < factor; ++v) {
            const float *row = samples.row(y * factor + v);
            const int even = int(cfa.at(0, v)), odd = int(cfa.at(1, v));
            for (int x = 0; x < size.width; ++x)
                for (int u = 0; u < factor; u += m_mosaic ? 2 : 1) {
                    const float *p = row + (x * factor + u) * channels;
                    if (!m_mosaic) {
                        for (int c = 0; c < 3; ++c)
                            o[x * 3 + c] += p[c] * share;
                        continue;
                    }
                    o[x * 3 + even] += p[0] * perColour[even];
                    o[x * 3 + odd] += p[1] * perColour[odd];
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
