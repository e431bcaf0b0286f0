// SPDX-License-Identifier: GPL-3.0-or-later
#include "taste/grain.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kFineReachPx = 4;     // the grain has no mean over 9 x 9
constexpr int kEvenReachPx = 4;     // its strength is held over 9 x 9
constexpr float kEvenAbove = 1.15f; // of the expected energy: what noise alone hardly exceeds

/// Mean of the samples of one colour around a sample of a mosaic.
float colourMean(PlaneView<const float> m, int x, int y)
{
    float sum = 0;
    for (int v = -2; v <= 2; v += 2)
        for (int u = -2; u <= 2; u += 2)
            sum += m.row(y + v)[x + u];
    return sum / 9;
}

} // namespace

void keepGrain(const LinearTile &cleaned, PlaneView<const float> noisyLuminance, PlaneView<const float> share, const NoiseModel &noise, CfaPattern cfa, const std::array<float, 3> &neutral)
{
    const Size size{noisyLuminance.width, noisyLuminance.height};
    Plane<float> luminance(size), removed(size), mean(size), energy(size), square(size);
    luminanceOf(cleaned, luminance.view());
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            removed.row(y)[x] = noisyLuminance.row(y)[x] - luminance.row(y)[x];
    boxMeanOf(removed.constView(), kFineReachPx, mean.view());
    const int inner = kFineReachPx + 1, reach = inner + kEvenReachPx;
    for (int y = 0; y < size.height; ++y)
        std::fill_n(square.row(y), size.width, 0.f);
    for (int y = inner; y < size.height - inner; ++y)
        for (int x = inner; x < size.width - inner; ++x) {
            removed.row(y)[x] -= mean.row(y)[x];
            square.row(y)[x] = removed.row(y)[x] * removed.row(y)[x];
        }
    boxMeanOf(square.constView(), kEvenReachPx, energy.view());
    const float sigmaShare = luminanceSigmaShare(cleaned.isMosaic());
    // The colours of grey with the luminance 1.
    const float grey = (neutral[0] + 2 * neutral[1] + neutral[2]) / 4;
    // Ratios first: the colour of a place is read from samples that have no grain yet.
    Plane<float> ratios[3];
    for (size_t c = 0; c < cleaned.count; ++c)
        ratios[c].reset(size);
    for (int y = reach; y < size.height - reach; ++y)
        for (int x = reach; x < size.width - reach; ++x) {
            const float l = std::max(mean.row(y)[x] + luminance.row(y)[x], 0.f), sigma = noise.sigmaAt(l) * sigmaShare;
            const float dark = 3 * sigma;
            for (size_t c = 0; c < cleaned.count; ++c) {
                const size_t colour = cleaned.isMosaic() ? size_t(cfa.at(x, y)) : c;
                const float here = std::max(cleaned.isMosaic() ? colourMean(cleaned.planes[0], x, y) : cleaned.planes[c].row(y)[x], 0.f);
                ratios[c].row(y)[x] = (here + dark * neutral[colour] / grey) / (l + dark);
            }
            const float expected = sigma * sigma * kEvenAbove;
            if (energy.row(y)[x] > expected)
                removed.row(y)[x] *= std::sqrt(expected / energy.row(y)[x]);
        }
    if (cleaned.isMosaic()) { // what the filter of luminanceOf() took from the finest grain is given back, to the first order
        luminanceOf({{removed.view(), {}, {}}, 1, {}}, square.view());
        for (int y = reach; y < size.height - reach; ++y)
            for (int x = reach; x < size.width - reach; ++x)
                removed.row(y)[x] += removed.row(y)[x] - square.row(y)[x];
    }
    for (size_t c = 0; c < cleaned.count; ++c)
        for (int y = reach + 1; y < size.height - reach - 1; ++y)
            for (int x = reach + 1; x < size.width - reach - 1; ++x)
                cleaned.planes[c].row(y)[x] += share.row(y)[x] * removed.row(y)[x] * ratios[c].row(y)[x];
}

} // namespace irenic
