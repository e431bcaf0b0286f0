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

/// How much of the range from dark to light each point stands for, 1 in the mean: in a frame that is mostly night most of the points lie in the dark, and they alone say
/// nothing of the slope. Counted in the root of the signal, which noise follows.
std::vector<double> sharesOf(const std::vector<LinePoint> &points)
{
    constexpr double kReach = 0.03, kAlone = 2; // one point far from the others does not decide
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
    constexpr double kRoundingOfShares = 1e-9;
    double left = q * double(values.size());
    for (const auto &[value, share] : sorted)
        if ((left -= share) < -kRoundingOfShares)
            return value;
    return sorted.back().first;
}

/// The line to which the search leads from some first weights.
struct Search {
    LineFit fit;
    double kept = 1;     ///< share of the points that lie on it
    double coverage = 1; ///< of the range from dark to light
};

Search searched(const std::vector<LinePoint> &points, const std::vector<double> &counts, const std::vector<double> &shares, std::vector<double> weights, double interceptFloor, std::optional<double> intercept)
{
    Search s{{kMinSlope, intercept.value_or(interceptFloor), 0}};
    const auto model = [&s](const LinePoint &p) { return s.fit.slope * std::max(p.x, 0.0) + s.fit.intercept; };
    std::vector<double> ratios(points.size());
    solve(points, weights, interceptFloor, intercept, s.fit);
    for (int round = 0; round < kRounds; ++round) {
        for (size_t i = 0; i < points.size(); ++i)
            ratios[i] = points[i].y / model(points[i]);
        // Texture can only add, so the line is looked for at the lower edge of the points: what lies above it by more
        // than chance allows is texture. The lower quartile, corrected for chance, is where that edge is.
        const double edge = std::min(1.0, quantile(ratios, counts, 0.25) + 0.67 * expectedScatter(points[points.size() / 2]));
        s.kept = s.coverage = 0;
        for (size_t i = 0; i < points.size(); ++i) {
            const double scatter = expectedScatter(points[i]), u = (ratios[i] / edge - 1) / ((ratios[i] > edge ? 3.5 : 6) * scatter);
            const double tukey = std::abs(u) < 1 ? (1 - u * u) * (1 - u * u) : 0;
            if (tukey > 0.1) {
                s.kept += 1.0 / double(points.size());
                s.coverage += shares[i] / double(points.size());
            }
            const double m = model(points[i]);
            weights[i] = tukey * counts[i] * points[i].weight / std::max(m * m, 1e-20);
        }
        if (s.kept * double(points.size()) < 1.5)
            break;
        solve(points, weights, interceptFloor, intercept, s.fit);
    }
    return s;
}

} // namespace

LineFit fitNoiseLine(const std::vector<LinePoint> &points, double interceptFloor, std::optional<double> intercept, bool fewTones)
{
    if (points.empty())
        return {kMinSlope, intercept.value_or(interceptFloor), 0};
    constexpr double kMore = 0.1; // of the range: the first search may be wrong, but it is the lowest
    const std::vector<double> alike(points.size(), 1.0), shares = sharesOf(points);
    std::vector<double> plain(points.size()), spread(points.size());
    for (size_t i = 0; i < points.size(); ++i) {
        plain[i] = points[i].weight / std::max(points[i].y * points[i].y, 1e-20);
        spread[i] = shares[i] * plain[i];
    }
    Search best = searched(points, alike, shares, plain, interceptFloor, intercept);
    if (const Search other = searched(points, shares, shares, spread, interceptFloor, intercept); other.coverage > best.coverage + kMore)
        best = other;
    if (fewTones) { // two dark tones may lie on a line by chance: the lighter half is asked, too. Of many it would be texture's line that is found
        std::vector<LinePoint> sorted = points;
        std::nth_element(sorted.begin(), sorted.begin() + std::ptrdiff_t(sorted.size() / 2), sorted.end(), [](const LinePoint &p, const LinePoint &q) { return p.x < q.x; });
        std::vector<double> light = plain;
        for (size_t i = 0; i < points.size(); ++i)
            light[i] *= points[i].x >= sorted[sorted.size() / 2].x;
        if (const Search other = searched(points, alike, shares, light, interceptFloor, intercept); other.coverage > best.coverage + kMore)
            best = other;
    }
    best.fit.confidence = std::clamp(double(points.size()) / 10, 0.0, 1.0) * std::clamp(best.kept * 1.4, 0.0, 1.0);
    return best.fit;
}

} // namespace irenic
