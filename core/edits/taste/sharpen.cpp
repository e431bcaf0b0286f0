// SPDX-License-Identifier: GPL-3.0-or-later
#include "taste/sharpen.h"

#include "base/over_square.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kDeblurRounds = 6;
constexpr int kRangeReachPx = 3;        ///< over which luminance is held to its range
constexpr float kMosaicVariance = 0.5f; ///< of (1 2 1) / 4, one way

std::vector<float> gaussian(float variance)
{
    const int reach = std::max(1, int(std::ceil(3 * std::sqrt(variance))));
    std::vector<float> half(size_t(reach) + 1);
    float sum = 0;
    for (int k = 0; k <= reach; ++k) {
        half[size_t(k)] = std::exp(-float(k * k) / (2 * variance));
        sum += half[size_t(k)] * (k ? 2 : 1);
    }
    for (float &v : half)
        v /= sum;
    return half;
}

} // namespace

Sharpener::Sharpener(const Taste &taste, bool mosaic)
    : m_mosaic(mosaic),
      // In sigmas of luminance noise, between the lowest and the highest of 5 x 5: noise alone spans about four.
      m_smooth(float(taste.smoothProtection) * 10), m_overshoot(0.4f * float(0.75 - taste.edgeProtection)),
      m_kernel(gaussian(float(taste.radiusPx * taste.radiusPx) + (mosaic ? kMosaicVariance : 0))), m_ownKernel(gaussian(float(taste.radiusPx * taste.radiusPx)))
{
}

int Sharpener::haloPx() const
{
    return 1 + 2 * kDeblurRounds * convolutionReach() + int(m_ownKernel.size()) + kRangeReachPx;
}

void Sharpener::blur(PlaneView<const float> in, const std::vector<float> &kernel, PlaneView<float> out) const
{
    const int reach = int(kernel.size()) - 1;
    Plane<float> across({in.width, in.height});
    for (int y = 0; y < in.height; ++y) {
        const float *i = in.row(y);
        float *a = across.row(y);
        for (int x = 0; x < in.width; ++x)
            a[x] = kernel[0] * i[x];
        for (int k = 1; k <= reach; ++k)
            for (int x = reach; x < in.width - reach; ++x)
                a[x] += kernel[size_t(k)] * (i[x - k] + i[x + k]);
    }
    for (int y = 0; y < in.height; ++y) {
        float *o = out.row(y);
        const float *middle = across.row(y);
        for (int x = 0; x < in.width; ++x)
            o[x] = kernel[0] * middle[x];
        if (y < reach || y >= in.height - reach)
            continue;
        for (int k = 1; k <= reach; ++k) {
            const float *a = across.row(y - k), *b = across.row(y + k);
            for (int x = 0; x < in.width; ++x)
                o[x] += kernel[size_t(k)] * (a[x] + b[x]);
        }
    }
}

void Sharpener::sharpen(const LinearTile &tile, PlaneView<const float> amount, const NoiseModel &noise, const std::stop_token &stop, PlaneView<float> reached) const
{
    const Size size{amount.width, amount.height};
    Plane<float> luminance(size), estimate(size), blurred(size), ratio(size), low(size), high(size);
    luminanceOf(tile, luminance.view());
    // Below black nothing can be divided by; what lies there is shifted up by a few sigmas meanwhile.
    const float lift = 4 * noise.sigmaAt(0) + 1e-4f;
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            luminance.row(y)[x] = std::max(luminance.row(y)[x] + lift, lift * 0.05f);
            estimate.row(y)[x] = luminance.row(y)[x];
        }
    for (int i = 0; i < kDeblurRounds && !stop.stop_requested(); ++i) {
        blur(estimate.constView(), m_kernel, blurred.view());
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x)
                ratio.row(y)[x] = luminance.row(y)[x] / std::max(blurred.row(y)[x], lift * 0.01f);
        blur(ratio.constView(), m_kernel, blurred.view());
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x)
                estimate.row(y)[x] *= blurred.row(y)[x];
    }
    PlaneView<float> before = blurred.view(); // as the samples have it, which luminanceOf() has blurred beyond
    if (m_mosaic)
        blur(estimate.constView(), m_ownKernel, before);
    else
        for (int y = 0; y < size.height; ++y)
            std::copy_n(luminance.row(y), size.width, before.row(y));
    overSquare(luminance.constView(), kRangeReachPx, low.view(), [](float a, float b) { return std::min(a, b); });
    overSquare(luminance.constView(), kRangeReachPx, high.view(), [](float a, float b) { return std::max(a, b); });
    const float share = luminanceSigmaShare(m_mosaic);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const float b = before.row(y)[x], l = luminance.row(y)[x], range = high.row(y)[x] - low.row(y)[x];
            const float sigma = noise.sigmaAt(l - lift) * share;
            float structured = 1;
            if (m_smooth > 0) {
                const float t = std::clamp((range / sigma - m_smooth) / m_smooth, 0.f, 1.f);
                structured = t * t * (3 - 2 * t);
            }
            if (reached.data)
                reached.row(y)[x] = structured;
            float sharp = b + amount.row(y)[x] * structured * (estimate.row(y)[x] - b);
            sharp = std::clamp(sharp, std::min(b, low.row(y)[x] - m_overshoot * range), std::max(b, high.row(y)[x] + m_overshoot * range));
            // The lift goes again: the same difference in linear light, over what light there is.
            ratio.row(y)[x] = sharp - b;
            estimate.row(y)[x] = std::max(b, lift);
        }
    for (size_t c = 0; c < tile.count; ++c)
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x) {
                float &v = tile.planes[c].row(y)[x];
                v += ratio.row(y)[x] * std::max(v + lift, 0.f) / estimate.row(y)[x];
            }
}

} // namespace irenic
