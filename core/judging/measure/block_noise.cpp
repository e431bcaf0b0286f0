// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/block_noise.h"

namespace irenic {

namespace {

constexpr int kCoarse = 4; ///< samples of the coarser scale's means

/// What the variance of so many values of pure noise hardly ever exceeds: three of its standard deviations, and room for a law that
/// is a tenth out.
double mostVariance(double values)
{
    return 1.1 + 3 * std::sqrt(2 / (values - 3));
}

double meanOf(PlaneView<const float> b)
{
    double sum = 0;
    for (int y = 0; y < b.height; ++y)
        for (int x = 0; x < b.width; ++x)
            sum += double(b.row(y)[x]);
    return sum / (double(b.width) * b.height);
}

} // namespace

double coarseVariance(PlaneView<const float> b)
{
    Plane<float> means({b.width / kCoarse, b.height / kCoarse}, 0.f);
    for (int y = 0; y < means.height() * kCoarse; ++y)
        for (int x = 0; x < means.width() * kCoarse; ++x)
            means.at(x / kCoarse, y / kCoarse) += b.row(y)[x] / (kCoarse * kCoarse);
    return varianceAboutSlope(means.view()) * kCoarse * kCoarse;
}

/// Fitted by projections: the coordinates about the middle are orthogonal to each other and to the mean.
double varianceAboutSlope(PlaneView<const float> b)
{
    const double mx = (b.width - 1) / 2.0, my = (b.height - 1) / 2.0, n = double(b.width) * b.height;
    double sum = 0, squares = 0, dx = 0, dy = 0, xx = 0, yy = 0;
    for (int y = 0; y < b.height; ++y)
        for (int x = 0; x < b.width; ++x) {
            const double v = double(b.row(y)[x]);
            sum += v;
            squares += v * v;
            dx += v * (x - mx);
            dy += v * (y - my);
            xx += (x - mx) * (x - mx);
            yy += (y - my) * (y - my);
        }
    const double rest = squares - sum * sum / n - (xx > 0 ? dx * dx / xx : 0) - (yy > 0 ? dy * dy / yy : 0);
    return std::max(0.0, rest) / std::max(1.0, n - 3);
}

std::vector<BlockNoise> blockNoise(const AnalysisPlanes &untreated, const AnalysisPlanes &treated, Rect region, int side, bool white)
{
    constexpr int kStep = AnalysisPlanes::kStepPx;
    std::vector<BlockNoise> blocks;
    const Size size = untreated.luminance.size();
    const double mostFine = mostVariance(double(side) * side), mostCoarse = mostVariance(double(side) * side / (kCoarse * kCoarse)) * (white ? 1 : 4);
    for (int y = 0; y + side <= size.height; y += side)
        for (int x = 0; x + side <= size.width; x += side) {
            const TileRect in{x, y, side, side};
            BlockNoise b;
            b.where = {region.x + x * kStep, region.y + y * kStep, side * kStep, side * kStep};
            b.smooth = true;
            for (const Plane<float> AnalysisPlanes::*plane : {&AnalysisPlanes::luminance, &AnalysisPlanes::redBlue, &AnalysisPlanes::greenness}) {
                const auto cut = (untreated.*plane).view().cut(in);
                b.smooth = b.smooth && varianceAboutSlope(cut) <= mostFine && coarseVariance(cut) <= mostCoarse;
            }
            b.coarse = float(coarseVariance(untreated.luminance.view().cut(in)));
            b.signal = float(meanOf(untreated.linear.view().cut(in)));
            b.luminance = float(std::sqrt(varianceAboutSlope(treated.luminance.view().cut(in))));
            b.colour = float(std::sqrt((varianceAboutSlope(treated.redBlue.view().cut(in)) + varianceAboutSlope(treated.greenness.view().cut(in))) / 2));
            b.sigmaBefore = float(std::sqrt(varianceAboutSlope(untreated.linear.view().cut(in))));
            b.sigmaAfter = float(std::sqrt(varianceAboutSlope(treated.linear.view().cut(in))));
            b.sigmaLaw = float(std::sqrt(meanOf(untreated.law.view().cut(in))));
            blocks.push_back(b);
        }
    return blocks;
}

} // namespace irenic
