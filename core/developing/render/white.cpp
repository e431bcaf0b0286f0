// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/white.h"

#include "irenic/sentence.h"
#include "irenic/text.h"

#include <cmath>

namespace irenic {

namespace {

constexpr double kFirstMired = 1e6 / 15000, kLastMired = 1e6 / 1200;
constexpr Chromaticity kD65{0.3127, 0.3290};

/// CIE 1960.
struct Uv {
    double u, v;
};

Uv lineAt(double kelvin)
{
    const double t = kelvin;
    return {(0.860117757 + 1.54118254e-4 * t + 1.28641212e-7 * t * t) / (1 + 8.42420235e-4 * t + 7.08145163e-7 * t * t),
            (0.317398726 + 4.22806245e-5 * t + 4.20481691e-8 * t * t) / (1 - 2.89741816e-5 * t + 1.61456053e-7 * t * t)};
}

/// Unit vector off the line, towards green.
Uv acrossAt(double kelvin)
{
    const Uv a = lineAt(kelvin * 0.999), b = lineAt(kelvin * 1.001);
    const double du = b.u - a.u, dv = b.v - a.v, length = std::hypot(du, dv); // u falls as the temperature rises
    return {dv / length, -du / length};
}

Uv uvOf(Chromaticity c)
{
    const double d = -2 * c.x + 12 * c.y + 3;
    return {4 * c.x / d, 6 * c.y / d};
}

double squareFrom(Uv p, double mired)
{
    const Uv q = lineAt(1e6 / mired);
    return (p.u - q.u) * (p.u - q.u) + (p.v - q.v) * (p.v - q.v);
}

} // namespace

Chromaticity chromaticityOf(const White &white)
{
    const Uv line = lineAt(white.temperatureK), across = acrossAt(white.temperatureK);
    const double u = line.u + across.u * white.tint / 1000, v = line.v + across.v * white.tint / 1000, d = 2 * u - 8 * v + 4;
    return {3 * u / d, 2 * v / d};
}

White whiteAt(Chromaticity c)
{
    const Uv p = uvOf(c);
    double low = kFirstMired, high = kLastMired;
    constexpr double kGolden = 0.6180339887498949;
    while (high - low > 1e-6) { // the distance has one valley along the line
        const double a = high - kGolden * (high - low), b = low + kGolden * (high - low);
        (squareFrom(p, a) < squareFrom(p, b) ? high : low) = squareFrom(p, a) < squareFrom(p, b) ? b : a;
    }
    const double mired = (low + high) / 2, kelvin = 1e6 / mired;
    const Uv q = lineAt(kelvin), across = acrossAt(kelvin);
    return {kelvin, 1000 * ((p.u - q.u) * across.u + (p.v - q.v) * across.v)};
}

Vector3 neutralUnder(const ColourDescription &colour, Chromaticity white)
{
    Vector3 n = multiplied(xyzToCamera(colour, white), xyzOf(white));
    const double largest = std::max({n[0], n[1], n[2]});
    for (double &v : n)
        v = std::max(v / largest, 1e-3);
    return n;
}

Status validate(const Rendering &r)
{
    const auto outside = [](const ParamInfo &p, double v) { return !(v >= p.min && v <= p.max); };
    const auto error = [](const ParamInfo &p, double v) {
        return Error{ErrorCode::BadParameter, sentence("The setting %1 must lie between %2 and %3, not at %4.", {sentence(p.label), plainNumber(p.min), plainNumber(p.max), plainNumber(v)}), {}};
    };
    if (r.white.temperatureK != 0 && outside(kTemperature, r.white.temperatureK))
        return error(kTemperature, r.white.temperatureK);
    if (outside(kTint, r.white.tint))
        return error(kTint, r.white.tint);
    for (const RenderingParam &p : kRenderingParams)
        if (outside(p.info, r.*p.value))
            return error(p.info, r.*p.value);
    return {};
}

White asShotWhite(const Frame &frame)
{
    return whiteAt(frame.kind == FrameKind::Rendered ? kD65 : whiteOf(frame.colour));
}

std::optional<White> whiteFromGrey(const Frame &frame, Rect region)
{
    double sum[3] = {0, 0, 0};
    int n[3] = {0, 0, 0};
    for (int y = region.y; y < region.bottom(); ++y)
        for (int x = region.x; x < region.right(); ++x)
            for (int k = 0; k < frame.channels(); ++k) {
                const size_t c = frame.kind == FrameKind::Mosaic ? size_t(frame.cfa.at(x, y)) : size_t(k);
                const float v = frame.linearAt(x, y, k);
                if (v >= 0.99f)
                    return std::nullopt;
                sum[c] += double(v);
                ++n[c];
            }
    Vector3 mean{};
    for (size_t c = 0; c < 3; ++c) {
        if (n[c] == 0 || sum[c] / n[c] < 1e-4)
            return std::nullopt;
        mean[c] = sum[c] / n[c];
    }
    Chromaticity white;
    if (frame.kind == FrameKind::Rendered) {
        const Vector3 xyz = multiplied(multiplied(kSrgbToXyz, frame.encoding->toSrgb), mean);
        const double total = xyz[0] + xyz[1] + xyz[2];
        white = {xyz[0] / total, xyz[1] / total};
    } else {
        ColourDescription colour = frame.colour;
        colour.asShotNeutral = mean;
        white = whiteOf(colour);
    }
    const White found = whiteAt(white);
    if (found.temperatureK < kTemperature.min || found.temperatureK > kTemperature.max || std::abs(found.tint) > kTint.max)
        return std::nullopt;
    return found;
}

Rendering renderingForGuest(const Frame &frame, const Rendering &rendering)
{
    Rendering r = rendering;
    if (r.white.temperatureK == 0 || frame.kind == FrameKind::Rendered)
        return r;
    // The guest shows the as-shot white as D65: the light that is asked for looks there as adaptation makes it look.
    const Vector3 seen = multiplied(adaptation(whiteOf(frame.colour), kD65), xyzOf(chromaticityOf(r.white)));
    const double sum = seen[0] + seen[1] + seen[2];
    r.white = whiteAt({seen[0] / sum, seen[1] / sum});
    return r;
}

} // namespace irenic
