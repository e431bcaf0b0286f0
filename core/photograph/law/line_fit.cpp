// SPDX-License-Identifier: GPL-3.0-or-later
#include "law/line_fit.h"

#include <algorithm>
#include <cmath>
#include <cstddef>
#include <utility>

namespace irenic {

namespace {

constexpr double kMinSlope = 1e-9;
constexpr int kRounds = 12;

struct Sums {
    double w = 0, x = 0, y = 0, xx = 0, xy = 0;
};

/// Weighted least squares with both parameters kept in their physical range.
void solve(const std::vector<LinePoint> &points, const std::vector<double> &weights, double floor, std::optional<double> given, LineFit &fit)
{
    Sums s;
    for (size_t i = 0; i < points.size(); ++i) {
        const auto &[x, y, n] = points[i];
        const double w = weights[i];
        s.w += w;
        s.x += w * x;
        s.y += w * y;
        s.xx += w * x * x;
        s.xy += w * x * y;
    }
    if (given) {
        fit.intercept = *given;
        fit.slope = std::max(kMinSlope, s.xx > 0 ? (s.xy - *given * s.x) / s.xx : kMinSlope);
        return;
    }
    const double det = s.w * s.xx - s.x * s.x;
    if (det > 1e-12 * s.w * s.xx) {
        fit.slope = (s.w * s.xy - s.x * s.y) / det;
        fit.intercept = (s.y - fit.slope * s.x) / s.w;
    } else {
        fit.slope = s.x > 0 ? s.y / s.x : kMinSlope;
        fit.intercept = floor;
    }
    if (fit.intercept < floor) {
        fit.intercept = floor;
        fit.slope = s.xx > 0 ? (s.xy - floor * s.x) / s.xx : kMinSlope;
    }
    if (fit.slope < kMinSlope) {
        fit.slope = kMinSlope;
        fit.intercept = std::max(floor, s.w > 0 ? s.y / s.w : floor);
    }
}

/// Relative standard error of a point: the median of n chi-squares with 16 degrees of freedom.
double expectedScatter(const LinePoint &p)
{
    return std::max(0.03, 1.3 * std::sqrt(2 / (16 * std::max(p.weight, 1.0))));
}

/// How much of the range from dark to light each point stands for, 1 in the mean: a frame that is mostly night has most of its points there, and they alone
/// say nothing of the slope. Counted in the root of the signal, which noise follows.
std::vector<double> sharesOf(const std::vector<LinePoint> &points)
{
    constexpr double kReach = 0.03, kAlone = 2; // so that one point far from the others does not decide
    std::vector<double> shares(points.size());
    double sum = 0;
    for (size_t i = 0; i < points.size(); ++i) {
        double near = kAlone;
        for (const LinePoint &p : points) {
            const double apart = (std::sqrt(std::max(p.x, 0.0)) - std::sqrt(std::max(points[i].x, 0.0))) / kReach;
            near += std::exp(-apart * apart / 2);
        }
        sum += shares[i] = 1 / near;
    }
    for (double &share : shares)
        share *= double(points.size()) / sum;
    return shares;
}

double quantile(const std::vector<double> &values, const std::vector<double> &shares, double q)
{
    std::vector<std::pair<double, double>> sorted(values.size());
    for (size_t i = 0; i < values.size(); ++i)
        sorted[i] = {values[i], shares[i]};
    std::sort(sorted.begin(), sorted.end());
    double left = q * double(values.size());
    for (const auto &[value, share] : sorted)
        if ((left -= share) <= 0)
            return value;
    return sorted.back().first;
}

} // namespace

LineFit fitNoiseLine(const std::vector<LinePoint> &points, double interceptFloor, std::optional<double> intercept)
{
    LineFit fit{kMinSlope, intercept.value_or(interceptFloor), 0};
    if (points.empty())
        return fit;
    const auto model = [&fit](const LinePoint &p) { return fit.slope * std::max(p.x, 0.0) + fit.intercept; };
    std::vector<double> weights(points.size()), ratios(points.size());
    const std::vector<double> shares = sharesOf(points);
    for (size_t i = 0; i < points.size(); ++i)
        weights[i] = shares[i] * points[i].weight / std::max(points[i].y * points[i].y, 1e-20);
    solve(points, weights, interceptFloor, intercept, fit);
    double kept = 1;
    for (int round = 0; round < kRounds; ++round) {
        for (size_t i = 0; i < points.size(); ++i)
            ratios[i] = points[i].y / model(points[i]);
        // Texture can only add, so the line is looked for at the lower edge of the points: what lies above it by more
        // than chance allows is texture. The lower quartile, corrected for chance, is where that edge is.
        const double edge = std::min(1.0, quantile(ratios, shares, 0.25) + 0.67 * expectedScatter(points[points.size() / 2]));
        kept = 0;
        for (size_t i = 0; i < points.size(); ++i) {
            const double scatter = expectedScatter(points[i]), u = (ratios[i] / edge - 1) / ((ratios[i] > edge ? 3.5 : 6) * scatter);
            const double tukey = std::abs(u) < 1 ? (1 - u * u) * (1 - u * u) : 0;
            kept += tukey > 0.1 ? shares[i] / double(points.size()) : 0;
            const double m = model(points[i]);
            weights[i] = tukey * shares[i] * points[i].weight / std::max(m * m, 1e-20);
        }
        if (kept * double(points.size()) < 1.5 || std::count_if(weights.begin(), weights.end(), [](double w) { return w > 0; }) < 2)
            break;
        solve(points, weights, interceptFloor, intercept, fit);
    }
    fit.confidence = std::clamp(double(points.size()) / 10, 0.0, 1.0) * std::clamp(kept * 1.4, 0.0, 1.0);
    return fit;
}

} // namespace irenic
