// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/fringes.h"

#include "base/over_square.h"
#include "frame/luminance.h"

namespace irenic {

namespace {

constexpr int kSearchPx = 10;       ///< how far away calm ground is looked for
constexpr int kSpreadPx = 3;        ///< how far from an edge a fringe reaches
constexpr int kContrastPx = 1;      ///< an edge is contrast over 3 x 3 pixels ...
constexpr float kEdgeLight = 0.25f; ///< ... of at least this share of the brightest light
constexpr int kBrightPx = 4;        ///< so near
constexpr float kFloor = 0.004f;    ///< below this much light contrast is noise
constexpr int kFewestCalm = 12;
static_assert(kFringeHaloPx >= kSearchPx + kSpreadPx + kBrightPx && kBrightPx > kContrastPx);

constexpr auto kLower = [](float a, float b) { return std::min(a, b); };
constexpr auto kHigher = [](float a, float b) { return std::max(a, b); };
constexpr auto kSum = [](float a, float b) { return a + b; };

/// What calm ground around every place has of one quantity, from the lowest to the highest.
struct Range {
    Plane<float> low, high;

    Range(const Plane<float> &of, const Plane<float> &calm) : low(of.size()), high(of.size())
    {
        constexpr float kNone = 1e9f;
        Plane<float> given(of.size());
        const auto search = [&](float none, Plane<float> &out, const auto &pick) {
            for (int y = 0; y < of.height(); ++y)
                for (int x = 0; x < of.width(); ++x)
                    given.at(x, y) = calm.at(x, y) > 0 ? of.at(x, y) : none;
            overSquare(given.view(), kSearchPx, out.view(), pick);
        };
        search(kNone, low, kLower);
        search(-kNone, high, kHigher);
    }

    /// By how much a value lies beyond it.
    float excess(int x, int y, float v) const { return v - std::clamp(v, low.at(x, y), std::max(low.at(x, y), high.at(x, y))); }
};

} // namespace

RgbImage<float> withoutFringes(const RgbImage<float> &colours, const std::array<float, 3> &balance, float amount)
{
    const Size size = colours.size;
    Plane<float> light(size), red(size), blue(size), low(size), high(size), bright(size), near(size), calm(size), count(size);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const float *p = colours.row(y) + 3 * x;
            // As the picture will be clipped: what is blown is white, and no fringe.
            const float r = std::min(p[0] * balance[0], 1.f), g = std::min(p[1] * balance[1], 1.f), b = std::min(p[2] * balance[2], 1.f);
            light.at(x, y) = (r + 2 * g + b) / 4;
            red.at(x, y) = r - g;
            blue.at(x, y) = b - g;
        }
    overSquare(light.view(), kContrastPx, low.view(), kLower);
    overSquare(light.view(), kContrastPx, high.view(), kHigher);
    overSquare(light.view(), kBrightPx, bright.view(), kHigher);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            near.at(x, y) = high.at(x, y) - low.at(x, y) > kEdgeLight * bright.at(x, y) + kFloor ? 1.f : 0.f;
    overSquare(near.view(), kSpreadPx, near.view(), kHigher);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            calm.at(x, y) = 1 - near.at(x, y);
    overSquare(calm.view(), kSearchPx, count.view(), kSum);
    Plane<float> evenRed = red.clone(), evenBlue = blue.clone();
    boxMeanOf(red.view(), 1, evenRed.view());
    boxMeanOf(blue.view(), 1, evenBlue.view());
    const Range ofRed(evenRed, calm), ofBlue(evenBlue, calm), ofLight(light, calm);

    auto out = RgbImage<float>::ofSize({size.width - 2 * kFringeHaloPx, size.height - 2 * kFringeHaloPx});
    for (int y = 0; y < out.size.height; ++y) {
        const float *from = colours.row(y + kFringeHaloPx) + 3 * kFringeHaloPx;
        float *o = out.row(y);
        std::copy_n(from, 3 * size_t(out.size.width), o);
        for (int x = 0; x < out.size.width; ++x, o += 3) {
            const int u = x + kFringeHaloPx, v = y + kFringeHaloPx;
            if (near.at(u, v) == 0 || count.at(u, v) < kFewestCalm || ofLight.low.at(u, v) > light.at(u, v) || ofLight.high.at(u, v) < light.at(u, v))
                continue;
            float r = amount * ofRed.excess(u, v, red.at(u, v)), b = amount * ofBlue.excess(u, v, blue.at(u, v)), g = 0;
            // Towards the side that the place is on, so that edges grow no softer: the dark one loses what is too much, the bright one gains.
            const bool dark = light.at(u, v) < (ofLight.low.at(u, v) + ofLight.high.at(u, v)) / 2;
            if (dark ? r < 0 && b < 0 : r > 0 && b > 0) {
                g = dark ? std::max(r, b) : std::min(r, b);
                r -= g;
                b -= g;
            }
            o[0] -= r / balance[0];
            o[1] += g / balance[1];
            o[2] -= b / balance[2];
        }
    }
    return out;
}

} // namespace irenic
