// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/shift.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kCoarsePx = 96;       ///< long edge at which every shift is tried
constexpr double kMostShare = 0.25; ///< of a side
constexpr size_t kCoarseCandidates = 8, kFinerCandidates = 3;
constexpr int kFinerPx = 2; ///< either way, at every finer size

Plane<float> halved(const PlaneView<const float> &in)
{
    Plane<float> out(Size{in.width / 2, in.height / 2});
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            out.at(x, y) = (in.at(2 * x, 2 * y) + in.at(2 * x + 1, 2 * y) + in.at(2 * x, 2 * y + 1) + in.at(2 * x + 1, 2 * y + 1)) / 4;
    return out;
}

/// Slopes across and down, strong ones not much larger than those that are usual in the picture.
struct Edges {
    Plane<float> across, down;

    explicit Edges(const PlaneView<const float> &tone) : across(Size{tone.width - 1, tone.height - 1}), down(across.size())
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

double likenessAt(const Edges &from, const Edges &to, int dx, int dy)
{
    const int left = std::max(0, -dx), right = std::min(from.across.width(), to.across.width() - dx);
    const int top = std::max(0, -dy), bottom = std::min(from.across.height(), to.across.height() - dy);
    double alike = 0, ofFrom = 0, ofTo = 0;
    for (int y = top; y < bottom; ++y) {
        float rowAlike = 0, rowFrom = 0, rowTo = 0;
        for (int x = left; x < right; ++x) {
            const float a = from.across.row(y)[x], b = from.down.row(y)[x], c = to.across.row(y + dy)[x + dx], d = to.down.row(y + dy)[x + dx];
            rowAlike += a * c + b * d;
            rowFrom += a * a + b * b;
            rowTo += c * c + d * d;
        }
        alike += double(rowAlike), ofFrom += double(rowFrom), ofTo += double(rowTo);
    }
    return ofFrom > 0 && ofTo > 0 ? alike / std::sqrt(ofFrom * ofTo) : 0;
}

/// Of tones, whatever the exposure.
double tonesAlikeAt(const PlaneView<const float> &from, const PlaneView<const float> &to, int dx, int dy)
{
    const int left = std::max(0, -dx), right = std::min(from.width, to.width - dx), top = std::max(0, -dy), bottom = std::min(from.height, to.height - dy);
    double a = 0, b = 0, aa = 0, bb = 0, ab = 0;
    for (int y = top; y < bottom; ++y)
        for (int x = left; x < right; ++x) {
            const double u = double(from.at(x, y)), v = double(to.at(x + dx, y + dy));
            a += u, b += v, aa += u * u, bb += v * v, ab += u * v;
        }
    const double n = double(right - left) * (bottom - top), ofFrom = aa - a * a / n, ofTo = bb - b * b / n;
    constexpr double kFlat = 1e-9; // of the square, that rounding leaves
    return ofFrom > kFlat * aa && ofTo > kFlat * bb ? (ab - a * b / n) / std::sqrt(ofFrom * ofTo) : 0;
}

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

PictureShift shiftBetween(const PlaneView<const float> &from, const PlaneView<const float> &to)
{
    constexpr int kLeastPx = 16;
    if (from.width != to.width || from.height != to.height || std::min(from.width, from.height) < kLeastPx)
        return {};
    struct Level {
        Plane<float> from, to;
    };
    std::vector<Level> halves;
    PlaneView<const float> a = from, b = to;
    while (std::max(a.width, a.height) > kCoarsePx && std::min(a.width, a.height) >= 2 * kLeastPx) {
        halves.push_back({halved(a), halved(b)});
        a = halves.back().from.constView(), b = halves.back().to.constView();
    }
    // Edges tell where, tones which of several.
    const auto both = [](const PlaneView<const float> &a, const PlaneView<const float> &b, const Edges &e, const Edges &f) {
        return [&a, &b, &e, &f](int dx, int dy) { return (likenessAt(e, f, dx, dy) + tonesAlikeAt(a, b, dx, dy)) / 2; };
    };
    std::vector<Step> steps;
    {
        const Edges e(a), f(b);
        const auto likeness = both(a, b, e, f);
        const int across = int(a.width * kMostShare), down = int(a.height * kMostShare);
        steps.push_back({0, 0, likeness(0, 0)}); // of equals the one that moves nothing
        for (int dy = -down; dy <= down; ++dy)
            for (int dx = -across; dx <= across; ++dx)
                steps.push_back({dx, dy, likeness(dx, dy)});
        steps = likeliestOf(std::move(steps), kCoarseCandidates);
    }
    const Edges e(from), f(to);
    for (size_t level = halves.size(); level-- > 0;) {
        const PlaneView<const float> c = level == 0 ? from : halves[level - 1].from.constView(), d = level == 0 ? to : halves[level - 1].to.constView();
        const Edges finer(c), finerTo(d);
        const auto likeness = both(c, d, finer, finerTo);
        for (Step &s : steps) {
            s = bestOf({2 * s.dx, 2 * s.dy}, kFinerPx, [&](int dx, int dy) { return likenessAt(finer, finerTo, dx, dy); });
            s.likeness = likeness(s.dx, s.dy);
        }
        steps = likeliestOf(std::move(steps), kFinerCandidates);
    }
    const Step best = steps.front();
    const auto near = [&](int dx, int dy) { return likenessAt(e, f, best.dx + dx, best.dy + dy); };
    const double middle = near(0, 0);
    return {best.dx + topOf(near(-1, 0), middle, near(1, 0)), best.dy + topOf(near(0, -1), middle, near(0, 1)), best.likeness};
}

} // namespace irenic
