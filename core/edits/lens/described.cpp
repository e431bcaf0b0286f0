// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/lens.h"

#include "irenic/shading.h"
#include "lens/sensor_lens.h"

#include <cmath>

namespace irenic {

namespace {

constexpr double kMostAside = 0.02; ///< of the radius: a correction about another centre is no polynomial about the crop's

/// The polynomial of the fourth degree through a function's values at the nodes of Chebyshev's polynomial over 0 to 1: as good as the best within a hair.
template <class F>
LensCorrection::Polynomial interpolated(const F &f)
{
    constexpr size_t n = 5;
    double x[n], difference[n];
    for (size_t i = 0; i < n; ++i) {
        x[i] = 0.5 - 0.5 * std::cos(M_PI * (double(i) + 0.5) / n);
        difference[i] = f(x[i]);
    }
    for (size_t step = 1; step < n; ++step)
        for (size_t i = n - 1; i >= step; --i)
            difference[i] = (difference[i] - difference[i - 1]) / (x[i] - x[i - step]);
    LensCorrection::Polynomial p{}; // Newton's form, multiplied out
    for (size_t i = n; i-- > 0;) {
        for (size_t k = n - 1; k > 0; --k)
            p[k] = p[k - 1] - x[i] * p[k];
        p[0] = difference[i] - x[i] * p[0];
    }
    return p;
}

} // namespace

LensCorrection describedLens(const FrameFacts &frame)
{
    if (!frame.warp)
        return {};
    const DescribedWarp &w = *frame.warp;
    const Rect &a = frame.active;
    const LensGeometry crop(frame.crop);
    const double cx = w.x * a.width, cy = w.y * a.height;
    const double unit = std::hypot(std::max(cx, a.width - cx), std::max(cy, a.height - cy));
    if (std::hypot(a.x + cx - crop.x, a.y + cy - crop.y) > kMostAside * crop.unit)
        return {};
    const double scale = crop.unit / unit; // of a radius of the crop in the warp's
    const size_t green = w.planes.size() > 1 ? 1 : 0;
    const auto from = [&](double r, size_t colour) { return w.source(r * scale, colour) / scale; };
    LensCorrection lens;
    lens.bent = interpolated([&](double r) { return from(r, green) / r; });
    lens.distortion = true;
    lens.from = kDescribedByFile;
    if (w.planes.size() == 3) {
        // Where red fell, told from where green fell: r is found again by stepping, as the warp grows with it.
        const auto beside = [&](size_t colour) {
            return interpolated([&](double r) {
                double at = r;
                for (int i = 0; i < 20; ++i)
                    at += r - from(at, green);
                return from(at, colour) / r;
            });
        };
        lens.red = beside(0);
        lens.blue = beside(2);
    }
    return validate(lens) && lens.bent != LensCorrection::kStraight ? lens : LensCorrection();
}

} // namespace irenic
