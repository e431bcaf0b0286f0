// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/develop.h"

#include "base/parallel.h"
#include "colour/colour.h"
#include "irenic/shading.h"
#include "render/demosaic.h"
#include "render/fringes.h"
#include "render/surroundings.h"
#include "render/white.h"

#include <cmath>

namespace irenic {

namespace {

Plane<float> cloneOf(PlaneView<const float> samples)
{
    Plane<float> out({samples.width, samples.height});
    for (int y = 0; y < samples.height; ++y)
        std::copy_n(samples.row(y), samples.width, out.row(y));
    return out;
}

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

/// Linear sRGB to linear BT.2020 (both D65), from the primaries of the two standards.
constexpr Matrix3 kSrgbToWide{0.6274039, 0.3292830, 0.0433131, 0.0690973, 0.9195404, 0.0113623, 0.0163914, 0.0880133, 0.8955953};

/// By how many EV a place is lifted that is `own` bright in surroundings of `base`.
float localLift(const Rendering &r, float own, float base)
{
    constexpr float kDark = -6, kMiddle = -2, kMostLiftEv = 2, kMostLocal = 0.7f;
    const float dark = std::clamp((kMiddle - base) / (kMiddle - kDark), 0.f, 1.f);
    const float lift = float(r.shadows) * kMostLiftEv * dark * dark * (3 - 2 * dark);
    return lift + float(r.localContrast) * kMostLocal * std::clamp(own - base, -2.f, 2.f);
}

constexpr size_t kCurveSteps = 2048;

/// A curve of power laws in encoded values that meet at mid grey with one slope; black and white stay.
std::vector<float> contrastCurve(double contrast)
{
    constexpr double kMid = 0.4614; // 18 % grey, encoded
    const double power = std::exp2(contrast);
    std::vector<float> curve(kCurveSteps + 1);
    for (size_t i = 0; i <= kCurveSteps; ++i) {
        const double linear = std::pow(double(i) / kCurveSteps, 2), e = double(srgbEncoded(float(linear)));
        const double out = e < kMid ? kMid * std::pow(e / kMid, power) : 1 - (1 - kMid) * std::pow((1 - e) / (1 - kMid), power);
        curve[i] = float(out <= 0.04045 ? out / 12.92 : std::pow((out + 0.055) / 1.055, 2.4));
    }
    return curve;
}

float curved(const std::vector<float> &curve, float v)
{
    if (!(v > 0)) // what is no number is no index
        return v;
    const float at = std::sqrt(std::min(v, 1.f)) * float(kCurveSteps);
    const size_t i = std::min(size_t(at), kCurveSteps - 1);
    return curve[i] + (curve[i + 1] - curve[i]) * (at - float(i));
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
    for (size_t i = 0; i < linear.samples.size(); ++i) {
        const float v = linear.samples[i];
        out.samples[i] = table[size_t((v > 0 ? std::min(v, 1.f) : 0.f) * kEntries + 0.5f)]; // black where it is no number
    }
    return out;
}

} // namespace

float srgbEncoded(float v)
{
    v = std::clamp(v, 0.f, 1.f);
    return v <= 0.0031308f ? v * 12.92f : 1.055f * std::pow(v, 1 / 2.4f) - 0.055f;
}

Developer::Developer(const ColourDescription &colour, double pushEv) : m_mosaic(true), m_gain(float(std::exp2(colour.baselineExposureEv))), m_exposureGain(float(std::exp2(pushEv)))
{
    const CameraToSrgb c = cameraToSrgb(colour);
    std::copy(c.balance.begin(), c.balance.end(), m_balance.begin());
    useMatrix(c.matrix);
}

Developer::Developer(const Frame &frame, const Look &look, std::shared_ptr<const Surroundings> surroundings, double fringes, bool evenLight)
    : m_mosaic(frame.kind == FrameKind::Mosaic), m_gain(1), m_fringes(float(fringes)), m_look(look), m_surroundings(std::move(surroundings)), m_shading(evenLight ? frame.shading : nullptr)
{
    assert(m_surroundings || !look.rendering.needsSurroundings());
    const Rendering &r = look.rendering;
    if (frame.kind == FrameKind::Rendered) {
        m_balance = {1, 1, 1};
        Matrix3 m = frame.encoding->toSrgb;
        if (r.white.temperatureK > 0)
            m = multiplied(multiplied(inverted(kSrgbToXyz), multiplied(adaptation(chromaticityOf(r.white), {}), kSrgbToXyz)), m);
        useMatrix(m);
    } else {
        ColourDescription colour = frame.colour;
        if (r.white.temperatureK > 0)
            colour.asShotNeutral = neutralUnder(colour, chromaticityOf(r.white));
        const CameraToSrgb c = cameraToSrgb(colour);
        std::copy(c.balance.begin(), c.balance.end(), m_balance.begin());
        useMatrix(c.matrix);
        m_gain = float(std::exp2(colour.baselineExposureEv));
    }
    m_exposureGain = float(std::exp2(look.pushEv + r.exposureEv));
    if (r.contrast != 0)
        m_contrast = contrastCurve(r.contrast);
}

void Developer::useMatrix(const Matrix3 &toSrgb)
{
    const bool wide = m_look.primaries == Primaries::Wide;
    const Matrix3 m = wide ? multiplied(kSrgbToWide, toSrgb) : toSrgb;
    std::copy(m.begin(), m.end(), m_matrix.begin());
    m_luminance = wide ? std::array{0.2627f, 0.6780f, 0.0593f} : std::array{0.2126f, 0.7152f, 0.0722f};
}

void Developer::finishRow(float *rgb, int count, float x, float y, float step) const
{
    const auto &m = m_matrix;
    const Rendering &rendering = m_look.rendering;
    std::vector<Surroundings::At> around;
    if (rendering.needsSurroundings()) {
        around.resize(size_t(count));
        m_surroundings->row(x, y, step, count, around.data());
    }
    for (int i = 0; i < count; ++i, rgb += 3) {
        const float r = std::min(rgb[0] * m_balance[0], 1.f), g = std::min(rgb[1] * m_balance[1], 1.f), b = std::min(rgb[2] * m_balance[2], 1.f);
        const float in[3] = {m[0] * r + m[1] * g + m[2] * b, m[3] * r + m[4] * g + m[5] * b, m[6] * r + m[7] * g + m[8] * b};
        float gain = m_gain * m_exposureGain;
        if (!around.empty()) {
            const float own = Surroundings::brightnessOf((m_luminance[0] * in[0] + m_luminance[1] * in[1] + m_luminance[2] * in[2]) * m_gain);
            const float base = around[size_t(i)].slope * own + around[size_t(i)].offset;
            gain *= std::exp2(localLift(rendering, own, base));
        }
        for (int c = 0; c < 3; ++c) {
            const float v = rolledOff(in[c] * gain, gain);
            rgb[c] = m_contrast.empty() ? v : curved(m_contrast, v);
        }
    }
}

int Developer::haloPx() const
{
    return (m_mosaic ? kHaloPx : 0) + (m_fringes > 0 ? kFringeHaloPx : 0);
}

Developer Developer::ofColours() const
{
    Developer other = *this;
    other.m_mosaic = false;
    return other;
}

void Developer::evenOut(Plane<float> &samples, CfaPattern cfa, PixelAt corner) const
{
    for (int y = 0; y < samples.height(); ++y) {
        const CfaPattern here = cfa.shifted(0, y);
        m_shading->multiply(samples.row(y), samples.width() / (m_mosaic ? 1 : 3), {corner.x, corner.y + y}, m_mosaic ? &here : nullptr);
    }
}

RgbImage<float> Developer::cameraColours(PlaneView<const float> samples, CfaPattern cfa, PixelAt corner) const
{
    Plane<float> evenlyLit;
    if (m_shading) {
        evenlyLit = cloneOf(samples);
        evenOut(evenlyLit, cfa.shifted(-haloPx(), -haloPx()), {corner.x - haloPx(), corner.y - haloPx()});
        samples = evenlyLit.constView();
    }
    auto colours = fullColour(samples, cfa);
    return m_fringes > 0 ? withoutFringes(colours, m_balance, m_fringes) : colours;
}

RgbImage<float> Developer::fullColour(PlaneView<const float> samples, CfaPattern cfa) const
{
    if (!m_mosaic) {
        auto same = RgbImage<float>::ofSize({samples.width / 3, samples.height});
        for (int y = 0; y < samples.height; ++y)
            std::copy_n(samples.row(y), samples.width, same.row(y));
        return same;
    }
    auto out = RgbImage<float>::ofSize({samples.width - 2 * kHaloPx, samples.height - 2 * kHaloPx});
    // Colours are compared, so they must be balanced first or edges take on a tint.
    Plane<float> balanced({samples.width, samples.height});
    for (int y = 0; y < samples.height; ++y) {
        const float gains[2] = {m_balance[size_t(cfa.at(0, y))], m_balance[size_t(cfa.at(1, y))]}; // the halo is even: same phase
        for (int x = 0; x < samples.width; ++x)
            balanced.row(y)[x] = samples.row(y)[x] * gains[x & 1];
    }
    demosaic(balanced.view(), cfa, out.samples.data());
    const float undo[3] = {1 / m_balance[0], 1 / m_balance[1], 1 / m_balance[2]};
    for (size_t i = 0; i < out.samples.size(); i += 3)
        for (size_t c = 0; c < 3; ++c)
            out.samples[i + c] *= undo[c];
    return out;
}

RgbImage<float> Developer::develop(PlaneView<const float> samples, CfaPattern cfa, PixelAt corner) const
{
    auto out = cameraColours(samples, cfa, corner);
    for (int y = 0; y < out.size.height; ++y)
        finishRow(out.row(y), out.size.width, float(corner.x) + 0.5f, float(corner.y + y) + 0.5f, 1);
    return out;
}

RgbImage<float> Developer::developReduced(PlaneView<const float> samples, CfaPattern cfa, int factor, PixelAt corner) const
{
    assert(factor >= 2 && factor % 2 == 0);
    const int channels = m_mosaic ? 1 : 3;
    Plane<float> evenlyLit;
    if (m_shading) {
        evenlyLit = cloneOf(samples);
        evenOut(evenlyLit, cfa, corner);
        samples = evenlyLit.constView();
    }
    const Size size{samples.width / (factor * channels), samples.height / factor};
    auto out = RgbImage<float>::ofSize(size);
    const float share = 1 / float(factor * factor);
    const float perColour[3] = {4 * share, 2 * share, 4 * share};
    for (int y = 0; y < size.height; ++y) {
        float *o = out.row(y);
        std::fill_n(o, 3 * size_t(size.width), 0.f);
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
        finishRow(o, size.width, float(corner.x) + 0.5f * float(factor), float(corner.y) + (float(y) + 0.5f) * float(factor), float(factor));
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

template <class T>
Result<RgbImage<T>> turned(RgbImage<T> in, int orientation, const RunContext &run)
{
    if (orientation <= 1 || orientation > 8)
        return in;
    const Size size = orientation >= 5 ? Size{in.size.height, in.size.width} : in.size;
    auto out = RgbImage<T>::ofSize(size);
    const Status done = parallelFor(size.height, {run.threads, run.stop, {}, run.background}, [&](int y) {
        for (int x = 0; x < size.width; ++x) {
            const TileRect from = beforeTurning({x, y, 1, 1}, in.size, orientation);
            std::copy_n(in.row(from.y) + from.x * 3, 3, out.row(y) + x * 3);
        }
    });
    if (!done)
        return done.error();
    return out;
}

template <class T>
RgbImage<T> turned(RgbImage<T> in, int orientation)
{
    return turned(std::move(in), orientation, {.threads = 1}).take();
}

template RgbImage<uint8_t> turned(RgbImage<uint8_t>, int);
template RgbImage<uint16_t> turned(RgbImage<uint16_t>, int);
template RgbImage<float> turned(RgbImage<float>, int);
template Result<RgbImage<uint16_t>> turned(RgbImage<uint16_t>, int, const RunContext &);
template Result<RgbImage<float>> turned(RgbImage<float>, int, const RunContext &);

} // namespace irenic
