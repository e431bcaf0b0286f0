// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/shift.h"

#include "measure/halved.h"

#include <cmath>
#include <deque>

namespace irenic {

namespace {

constexpr int kCoarsePx = 96;       ///< long edge at which every shift is tried
constexpr double kMostShare = 0.25; ///< of a side
constexpr size_t kCoarseCandidates = 8, kFinerCandidates = 3;
constexpr int kFinerPx = 2; ///< either way, at every finer size

/// Slopes across and down, strong ones not much larger than those that are usual in the picture.
struct Edges {
    Plane<float> across, down;

    explicit Edges(PlaneView<const float> tone) : across(Size{tone.width - 1, tone.height - 1}), down(across.size())
    {
        double energy = 0;
        for (int y = 0; y < across.height(); ++y)
            for (int x = 0; x < across.width(); ++x) {
                across.at(x, y) = tone.at(x + 1, y) - tone.at(x, y);
                down.at(x, y) = tone.at(x, y + 1) - tone.at(x, y);
                energy += double(across.at(x, y)) * double(across.at(x, y)) + double(down.at(x, y)) * double(down.at(x, y));
            }
        const float usual = std::max(1e-12f, float(energy / double(std::max<int64_t>(1, across.size().area()))));
        for (int y = 0; y < across.height(); ++y)
            for (int x = 0; x < across.width(); ++x) {
                float &a = across.at(x, y), &d = down.at(x, y);
                const float times = 1 / std::sqrt(a * a + d * d + usual);
                a *= times;
                d *= times;
            }
    }
};

double edgesAlikeAt(const Edges &from, const Edges &to, int dx, int dy)
{
    const int left = std::max(0, -dx), right = std::min(from.across.width(), to.across.width() - dx);
    const int top = std::max(0, -dy), bottom = std::min(from.across.height(), to.across.height() - dy);
    double alike = 0, ofFrom = 0, ofTo = 0;
    for (int y = top; y < bottom; ++y) {
        const float *a = from.across.row(y), *b = from.down.row(y), *c = to.across.row(y + dy) + dx, *d = to.down.row(y + dy) + dx;
        float rowAlike = 0, rowFrom = 0, rowTo = 0;
        for (int x = left; x < right; ++x) {
            rowAlike += a[x] * c[x] + b[x] * d[x];
            rowFrom += a[x] * a[x] + b[x] * b[x];
            rowTo += c[x] * c[x] + d[x] * d[x];
        }
        alike += double(rowAlike), ofFrom += double(rowFrom), ofTo += double(rowTo);
    }
    return ofFrom > 0 && ofTo > 0 ? alike / std::sqrt(ofFrom * ofTo) : 0;
}

/// Of tones, whatever the exposure.
double tonesAlikeAt(PlaneView<const float> from, PlaneView<const float> to, int dx, int dy)
{
    const int left = std::max(0, -dx), right = std::min(from.width, to.width - dx), top = std::max(0, -dy), bottom = std::min(from.height, to.height - dy);
    double a = 0, b = 0, aa = 0, bb = 0, ab = 0;
    for (int y = top; y < bottom; ++y) {
        const float *rowOfFrom = from.row(y), *rowOfTo = to.row(y + dy) + dx;
        for (int x = left; x < right; ++x) {
            const double u = double(rowOfFrom[x]), v = double(rowOfTo[x]);
            a += u, b += v, aa += u * u, bb += v * v, ab += u * v;
        }
    }
    const double n = double(right - left) * (bottom - top), ofFrom = aa - a * a / n, ofTo = bb - b * b / n;
    constexpr double kFlat = 1e-9; // of the square, that rounding leaves
    return ofFrom > kFlat * aa && ofTo > kFlat * bb ? (ab - a * b / n) / std::sqrt(ofFrom * ofTo) : 0;
}

/// Both pictures at one size.
class Pair
{
public:
    Pair(PlaneView<const float> from, PlaneView<const float> to) : m_from(from), m_to(to), m_edgesOfFrom(from), m_edgesOfTo(to) {}
    Size size() const { return {m_from.width, m_from.height}; }
    double edgesAlike(int dx, int dy) const { return edgesAlikeAt(m_edgesOfFrom, m_edgesOfTo, dx, dy); }
    /// Edges tell where, tones which of several.
    double alike(int dx, int dy) const { return (edgesAlike(dx, dy) + tonesAlikeAt(m_from, m_to, dx, dy)) / 2; }

private:
    PlaneView<const float> m_from, m_to;
    Edges m_edgesOfFrom, m_edgesOfTo;
};

struct Step {
    int dx = 0, dy = 0;
    double likeness = 0;
};

/// @param likeness of (dx, dy)
template <class Likeness>
Step bestOf(Step around, int reach, Likeness likeness)
{
    Step best{around.dx, around.dy, likeness(around.dx, around.dy)}; // of equals the one that moves nothing
    for (int dy = around.dy - reach; dy <= around.dy + reach; ++dy)
        for (int dx = around.dx - reach; dx <= around.dx + reach; ++dx)
            if (const double l = likeness(dx, dy); l > best.likeness)
                best = {dx, dy, l};
    return best;
}

/// The likeliest, every shift once.
std::vector<Step> likeliestOf(std::vector<Step> steps, size_t most)
{
    std::stable_sort(steps.begin(), steps.end(), [](const Step &p, const Step &q) { return p.likeness > q.likeness; });
    std::vector<Step> chosen;
    for (const Step &s : steps) {
        if (chosen.size() == most)
            break;
        if (std::none_of(chosen.begin(), chosen.end(), [&](const Step &c) { return c.dx == s.dx && c.dy == s.dy; }))
            chosen.push_back(s);
    }
    return chosen;
}

/// Where a parabola through three neighbours has its top, from the middle one.
double topOf(double before, double at, double after)
{
    const double bend = before + after - 2 * at;
    return bend < 0 ? std::clamp((before - after) / (2 * bend), -0.5, 0.5) : 0;
}

} // namespace

PictureShift shiftBetween(PlaneView<const float> from, PlaneView<const float> to)
{
    constexpr int kLeastPx = 16;
    if (from.width != to.width || from.height != to.height || std::min(from.width, from.height) < kLeastPx)
        return {};
    std::deque<Plane<float>> halves;
    std::vector<Pair> pairs; // from the whole pictures to the coarsest
    pairs.emplace_back(from, to);
    while (std::max(from.width, from.height) > kCoarsePx && std::min(from.width, from.height) >= 2 * kLeastPx) {
        from = halves.emplace_back(halved(from)).constView();
        to = halves.emplace_back(halved(to)).constView();
        pairs.emplace_back(from, to);
    }
    const Pair &coarsest = pairs.back(), &whole = pairs.front();
    const int across = int(coarsest.size().width * kMostShare), down = int(coarsest.size().height * kMostShare);
    std::vector<Step> steps{{0, 0, coarsest.alike(0, 0)}}; // of equals the one that moves nothing
    for (int dy = -down; dy <= down; ++dy)
        for (int dx = -across; dx <= across; ++dx)
            steps.push_back({dx, dy, coarsest.alike(dx, dy)});
    steps = likeliestOf(std::move(steps), kCoarseCandidates);
    for (size_t level = pairs.size() - 1; level-- > 0;) {
        for (Step &s : steps) {
            s = bestOf({2 * s.dx, 2 * s.dy}, kFinerPx, [&](int dx, int dy) { return pairs[level].edgesAlike(dx, dy); });
            s.likeness = pairs[level].alike(s.dx, s.dy);
        }
        steps = likeliestOf(std::move(steps), kFinerCandidates);
    }
    const Step best = steps.front();
    const auto near = [&](int dx, int dy) { return whole.edgesAlike(best.dx + dx, best.dy + dy); };
    const double middle = near(0, 0);
    return {best.dx + topOf(near(-1, 0), middle, near(1, 0)), best.dy + topOf(near(0, -1), middle, near(0, 1)), best.likeness};
}

} // namespace irenic
