// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/readings.h"

#include "measure/flat_field.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kStructureReachPx = 4; ///< structure is what differs from the mean of 9 x 9 samples

/// Running sums are good enough here: nothing is drawn from them.
Plane<float> boxMean(PlaneView<const float> in)
{
    const Size size{in.width, in.height};
    constexpr int r = kStructureReachPx, side = 2 * r + 1;
    Plane<float> rows(size), out(size);
    for (int y = 0; y < size.height; ++y) {
        double sum = 0;
        for (int k = -r; k <= r; ++k)
            sum += double(in.at(mirrored(k, size.width), y));
        for (int x = 0; x < size.width; ++x) {
            rows.at(x, y) = float(sum / side);
            sum += double(in.at(mirrored(x + r + 1, size.width), y)) - double(in.at(mirrored(x - r, size.width), y));
        }
    }
    for (int x = 0; x < size.width; ++x) {
        double sum = 0;
        for (int k = -r; k <= r; ++k)
            sum += double(rows.at(x, mirrored(k, size.height)));
        for (int y = 0; y < size.height; ++y) {
            out.at(x, y) = float(sum / side);
            sum += double(rows.at(x, mirrored(y + r + 1, size.height))) - double(rows.at(x, mirrored(y - r, size.height)));
        }
    }
    return out;
}

Lab meanLab(const RgbImage<float> &image, const Rect &block)
{
    std::array<double, 3> sum{};
    for (int y = block.y; y < block.bottom(); ++y)
        for (int x = block.x; x < block.right(); ++x)
            for (size_t c = 0; c < 3; ++c)
                sum[c] += double(image.row(y)[3 * x + int(c)]);
    for (double &v : sum)
        v /= double(block.size().area());
    return labOf(sum);
}

} // namespace

Drift driftBetween(const RgbImage<float> &a, const RgbImage<float> &b, int blockPx)
{
    assert(a.size == b.size);
    const int width = std::min(blockPx, a.size.width), height = std::min(blockPx, a.size.height);
    std::vector<double> differences;
    for (int y = 0; y + height <= a.size.height; y += height)
        for (int x = 0; x + width <= a.size.width; x += width)
            differences.push_back(ciede2000(meanLab(a, {x, y, width, height}), meanLab(b, {x, y, width, height})));
    if (differences.empty())
        return {};
    std::sort(differences.begin(), differences.end());
    return {differences[differences.size() / 2], differences[differences.size() * 95 / 100]};
}

WithStructure covarianceWithStructure(PlaneView<const float> before, PlaneView<const float> after)
{
    assert(before.width == after.width && before.height == after.height);
    const Plane<float> smooth = boxMean(after);
    WithStructure sums;
    for (int y = 0; y < after.height; ++y)
        for (int x = 0; x < after.width; ++x) {
            const double r = double(before.at(x, y)) - double(after.at(x, y)), s = double(after.at(x, y)) - double(smooth.at(x, y));
            sums.both += r * s;
            sums.removed += r * r;
            sums.structure += s * s;
        }
    const double n = double(after.width) * after.height;
    return {sums.both / n, sums.removed / n, sums.structure / n};
}

double detailLost(PlaneView<const float> untreated, PlaneView<const float> treated, double noiseCovariance)
{
    const WithStructure w = covarianceWithStructure(untreated, treated);
    return w.removed > 0 && w.structure > 0 ? std::clamp((w.both - noiseCovariance) / std::sqrt(w.removed * w.structure), 0.0, 1.0) : 0;
}

} // namespace irenic
