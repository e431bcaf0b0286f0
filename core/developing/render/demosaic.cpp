// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/demosaic.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kSmoothReachPx = 4, kWindowReachPx = 4, kInterpolateReachPx = 2, kColourReachPx = 1;
static_assert(kSmoothReachPx + kWindowReachPx + kInterpolateReachPx + kColourReachPx <= kDemosaicHaloPx);
constexpr float kSmooth[kSmoothReachPx + 1] = {26 / 128.f, 23 / 128.f, 15 / 128.f, 9 / 128.f, 4 / 128.f};
constexpr float kWindow = 2 * kWindowReachPx + 1;
constexpr float kTiny = 1e-12f;

/// Difference of green and the line's other colour at every sample, along one direction; `sign` is 1 where green is missing.
/// `step` is the way to the next sample of the line.
inline float differenceAt(const float *p, ptrdiff_t step, float sign)
{
    const float other = (p[-step] + p[step]) / 2 + (2 * p[0] - p[-2 * step] - p[2 * step]) / 4;
    return sign * (other - p[0]);
}

struct Estimate {
    Plane<float> value, error;
};

/// The estimate of a direction from its differences: mean, signal and noise over nine samples along the line.
void estimate(const Plane<float> &difference, bool alongRows, Estimate &out)
{
    const Size size = difference.size();
    out.value.reset(size);
    out.error.reset(size);
    Plane<float> smooth(size);
    const ptrdiff_t step = alongRows ? 1 : difference.stride();
    const int marginX = alongRows ? kSmoothReachPx : 0, marginY = alongRows ? 0 : kSmoothReachPx;
    for (int y = marginY; y < size.height - marginY; ++y) {
        const float *d = difference.row(y);
        float *s = smooth.row(y);
        for (int x = marginX; x < size.width - marginX; ++x) {
            float sum = kSmooth[0] * d[x];
            for (int k = 1; k <= kSmoothReachPx; ++k)
                sum += kSmooth[k] * (d[x - k * step] + d[x + k * step]);
            s[x] = sum;
        }
    }
    for (int y = 2 * marginY; y < size.height - 2 * marginY; ++y) {
        const float *d = difference.row(y), *s = smooth.row(y);
        float *value = out.value.row(y), *error = out.error.row(y);
        for (int x = 2 * marginX; x < size.width - 2 * marginX; ++x) {
            float sum = 0, squares = 0, noise = 0;
            for (int k = -kWindowReachPx; k <= kWindowReachPx; ++k) {
                const float v = s[x + k * step], e = d[x + k * step] - v;
                sum += v;
                squares += v * v;
                noise += e * e;
            }
            const float mean = sum / kWindow, signal = std::max(0.f, squares / kWindow - mean * mean) + kTiny;
            noise = noise / kWindow + kTiny;
            const float share = signal / (signal + noise);
            value[x] = mean + share * (d[x] - mean);
            error[x] = share * noise;
        }
    }
}

} // namespace

void demosaic(PlaneView<const float> mosaic, CfaPattern cfa, float *rgb)
{
    const Size whole{mosaic.width, mosaic.height}, size{mosaic.width - 2 * kDemosaicHaloPx, mosaic.height - 2 * kDemosaicHaloPx};
    // The halo is even: the pattern at the corner of the mosaic is that at the corner of the region.
    Plane<float> across(whole, 0.f), down(whole, 0.f);
    for (int y = kInterpolateReachPx; y < whole.height - kInterpolateReachPx; ++y) {
        const float *p = mosaic.row(y);
        const float signs[2] = {cfa.at(0, y) == Colour::Green ? -1.f : 1.f, cfa.at(1, y) == Colour::Green ? -1.f : 1.f};
        float *h = across.row(y), *v = down.row(y);
        for (int x = kInterpolateReachPx; x < whole.width - kInterpolateReachPx; ++x) {
            h[x] = differenceAt(p + x, 1, signs[x & 1]);
            v[x] = differenceAt(p + x, mosaic.stride, signs[x & 1]);
        }
    }
    Estimate rows, columns;
    estimate(across, true, rows);
    estimate(down, false, columns);
    // Green minus the pixel's own colour, at red and blue pixels; what the two directions say, by their errors.
    constexpr int kEdge = kDemosaicHaloPx - kColourReachPx;
    Plane<float> joined(whole, 0.f);
    for (int y = kEdge; y < whole.height - kEdge; ++y)
        for (int x = kEdge; x < whole.width - kEdge; ++x) {
            const float eh = rows.error.row(y)[x], ev = columns.error.row(y)[x];
            joined.row(y)[x] = (rows.value.row(y)[x] * ev + columns.value.row(y)[x] * eh) / (eh + ev);
        }
    for (int y = 0; y < size.height; ++y) {
        const int sy = y + kDemosaicHaloPx;
        const float *above = joined.row(sy - 1), *here = joined.row(sy), *below = joined.row(sy + 1), *p = mosaic.row(sy);
        float *o = rgb + size_t(y) * size_t(size.width) * 3;
        for (int x = 0; x < size.width; ++x, o += 3) {
            const int sx = x + kDemosaicHaloPx;
            const Colour own = cfa.at(x, y);
            if (own == Colour::Green) {
                const size_t inRow = size_t(cfa.at(x + 1, y)), inColumn = size_t(cfa.at(x, y + 1));
                o[1] = p[sx];
                o[inRow] = p[sx] - (here[sx - 1] + here[sx + 1]) / 2;
                o[inColumn] = p[sx] - (above[sx] + below[sx]) / 2;
            } else {
                o[1] = p[sx] + here[sx];
                o[size_t(own)] = p[sx];
                o[2 - size_t(own)] = o[1] - (above[sx - 1] + above[sx + 1] + below[sx - 1] + below[sx + 1]) / 4;
            }
        }
    }
}

} // namespace irenic
