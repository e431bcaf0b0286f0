// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/readings.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kStructureReachPx = 4; ///< structure is what differs from the mean of 9 x 9 pixels

double squareRooted(float v)
{
    return std::sqrt(double(std::max(v, 0.f)));
}

/// Near to how the eye sees it: the root of light, by the weights of luma.
Plane<float> lumaOf(const RgbImage<float> &image)
{
    Plane<float> out(image.size);
    for (int y = 0; y < image.size.height; ++y)
        for (int x = 0; x < image.size.width; ++x) {
            const float *p = image.row(y) + 3 * x;
            out.at(x, y) = float(0.299 * squareRooted(p[0]) + 0.587 * squareRooted(p[1]) + 0.114 * squareRooted(p[2]));
        }
    return out;
}

/// Running sums are good enough here: nothing is drawn from them.
Plane<float> boxMean(const Plane<float> &in)
{
    const Size size = in.size();
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

double detailLost(const RgbImage<float> &untreated, const RgbImage<float> &treated)
{
    assert(untreated.size == treated.size);
    const Plane<float> before = lumaOf(untreated), after = lumaOf(treated), smooth = boxMean(after);
    double both = 0, removed = 0, structure = 0;
    for (int y = 0; y < after.height(); ++y)
        for (int x = 0; x < after.width(); ++x) {
            const double r = double(before.at(x, y)) - double(after.at(x, y)), s = double(after.at(x, y)) - double(smooth.at(x, y));
            both += r * s;
            removed += r * r;
            structure += s * s;
        }
    return removed > 0 && structure > 0 ? std::max(0.0, both / std::sqrt(removed * structure)) : 0;
}

} // namespace irenic
