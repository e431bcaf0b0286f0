// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/banding.h"

#include "base/parallel.h"
#include "frame/linearizer.h"

#include <numeric>

namespace irenic {

namespace {

constexpr int kStretches = 16;
constexpr int kReachPx = 4;   ///< neighbours of the same colour are two and four pixels away
constexpr float kTrim = 3.3f; ///< noise sigma; what differs more is picture
constexpr float kClipGuard = 0.97f;
constexpr double kDifferenceVariance = 1.25; ///< of a sample minus the mean of four, in noise variances
constexpr int kShortestLinePx = 1500;        ///< shorter ones hold too few dark samples to tell banding from picture
constexpr int kFewestStretches = 5;          ///< of a line, that are dark and agree
constexpr float kDarkVariance = 1.5f;        ///< of the read noise's variance
constexpr size_t kFewestLines = 64;          ///< that were measured
constexpr int kSlowLines = 33;               ///< offsets that are alike over this many lines are left to the picture
constexpr double kLeastShare = 1.0;          ///< of what chance makes; below, what is taken off does as much harm as good
constexpr float kLargest = 1.5f;             ///< noise sigma in the dark; what is larger is picture
constexpr int kRounds = 1;                   ///< more follow slower changes, and noise with them: 0.51 instead of 0.41 of the rows' variance is left after two

/// Weighted mean differences of all lines of one direction, stretch by stretch.
struct Differences {
    int lines;
    std::vector<double> sum, weight, count; ///< kStretches x lines
    explicit Differences(int n) : lines(n), sum(size_t(n) * kStretches), weight(size_t(n) * kStretches), count(size_t(n) * kStretches) {}
    void add(int stretch, int line, double value, double w)
    {
        const size_t i = size_t(stretch) * size_t(lines) + size_t(line);
        sum[i] += w * value;
        weight[i] += w;
        count[i] += 1;
    }
};

struct Line {
    double offset = 0;
    double error = 0; ///< standard error of it; 0 where nothing was measured
};

double medianOf(std::vector<double> v)
{
    if (v.empty())
        return 0;
    const auto middle = v.begin() + std::ptrdiff_t(v.size() / 2);
    std::nth_element(v.begin(), middle, v.end());
    return *middle;
}

struct Stretch {
    double mean, weight; ///< weight: one over the variance that noise alone gives the mean
    double pull(double from) const { return (mean - from) * (mean - from) * weight; }
};

Line meanOf(const std::vector<Stretch> &stretches)
{
    double sum = 0, weight = 0, pull = 0;
    for (const Stretch &s : stretches) {
        sum += s.weight * s.mean;
        weight += s.weight;
    }
    const double mean = sum / weight;
    for (const Stretch &s : stretches)
        pull += s.pull(mean);
    // Stretches that differ by more than noise show the picture; the mean is as uncertain as they disagree.
    return {mean, std::sqrt(std::max(1.0, pull / std::max(1.0, double(stretches.size()) - 1)) / weight)};
}

Line lineOf(std::vector<Stretch> stretches)
{
    while (int(stretches.size()) > kFewestStretches) {
        const double mean = meanOf(stretches).offset;
        const auto worst = std::max_element(stretches.begin(), stretches.end(), [&](const Stretch &p, const Stretch &q) { return p.pull(mean) < q.pull(mean); });
        if (worst->pull(mean) < 9)
            break;
        stretches.erase(worst);
    }
    return int(stretches.size()) >= kFewestStretches ? meanOf(stretches) : Line{};
}

std::vector<Line> linesOf(const Differences &d)
{
    std::vector<Line> lines(static_cast<size_t>(d.lines));
    for (int i = 0; i < d.lines; ++i) {
        std::vector<Stretch> stretches;
        for (int k = 0; k < kStretches; ++k) {
            const size_t at = size_t(k) * size_t(d.lines) + size_t(i);
            if (d.count[at] > 8)
                stretches.push_back({d.sum[at] / d.weight[at], d.weight[at] / kDifferenceVariance});
        }
        lines[size_t(i)] = lineOf(std::move(stretches));
    }
    return lines;
}

/// The differences are offset minus the mean of four neighbours': undone by fixed-point steps, which converge where lines
/// differ from their neighbours and leave what changes slowly.
void undoDifferences(std::vector<Line> &lines)
{
    const int n = int(lines.size());
    std::vector<double> measured, now;
    for (const Line &l : lines)
        measured.push_back(l.offset);
    now = measured;
    for (int round = 0; round < kRounds; ++round) {
        std::vector<double> next(measured);
        for (int i = 0; i < n; ++i)
            for (const int step : {-4, -2, 2, 4})
                next[size_t(i)] += now[size_t(mirrored(i + step, n))] / 4;
        // Without this the slow part, which the differences cannot see, would grow.
        std::vector<double> running(next.size() + 1, 0);
        for (size_t i = 0; i < next.size(); ++i)
            running[i + 1] = running[i] + next[i];
        for (int i = 0; i < n; ++i) {
            const int from = std::max(0, i - kSlowLines / 2), to = std::min(n, i + kSlowLines / 2 + 1);
            now[size_t(i)] = next[size_t(i)] - (running[size_t(to)] - running[size_t(from)]) / (to - from);
        }
    }
    for (int i = 0; i < n; ++i)
        lines[size_t(i)].offset = now[size_t(i)];
}

/// Offsets to take off, and their spread; empty and 0 where lines differ no more than chance makes them.
float estimate(std::vector<Line> lines, float largest, std::vector<float> &offsets)
{
    offsets.clear();
    undoDifferences(lines);
    std::vector<double> squares, errors;
    for (const Line &l : lines)
        if (l.error > 0) {
            squares.push_back(l.offset * l.offset);
            errors.push_back(l.error * l.error);
        }
    if (squares.size() < kFewestLines)
        return 0;
    const double chance = medianOf(errors), spread = medianOf(squares) / 0.4549 - chance; // median of a chi-square of one degree
    if (spread < kLeastShare * chance)
        return 0;
    for (const Line &l : lines) {
        const bool believable = l.error > 0 && std::abs(l.offset) < double(largest);
        offsets.push_back(believable ? float(l.offset * spread / (spread + l.error * l.error)) : 0.f);
    }
    return float(std::sqrt(spread));
}

} // namespace

Result<Banding> measureBanding(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run)
{
    const Rect &a = frame.active;
    Banding banding;
    if (a.width < kShortestLinePx && a.height < kShortestLinePx)
        return banding;
    const Linearizer levels(frame);
    const float clip = frame.levels.white * kClipGuard;
    const auto stretchOf = [](int at, int size) { return std::min(kStretches - 1, at * kStretches / size); };
    std::vector<Differences> rows, columns; // of each part of the frame for itself, so that no sum depends on the threads
    for (int k = 0; k < kStretches; ++k) {
        rows.emplace_back(a.height);
        columns.emplace_back(a.width);
    }
    const Status done = parallelFor(kStretches, run, [&](int part) {
        const int top = std::max(kReachPx, a.height * part / kStretches), bottom = std::min(a.height - kReachPx, a.height * (part + 1) / kStretches);
        std::vector<std::vector<float>> lines(2 * kReachPx + 1, std::vector<float>(size_t(a.width)));
        const auto load = [&](int y, std::vector<float> &to) {
            for (int x = 0; x < a.width; ++x)
                to[size_t(x)] = levels.linear(a.x + x, a.y + y);
        };
        for (int y = top - kReachPx; y < top + kReachPx; ++y)
            load(y, lines[size_t(y - top + kReachPx)]);
        for (int y = top; y < bottom && !run.stop.stop_requested(); ++y) {
            load(y + kReachPx, lines.back());
            const auto &here = lines[kReachPx];
            for (int x = kReachPx; x < a.width - kReachPx; ++x) {
                const uint16_t stored = frame.samples.at(a.x + x, a.y + y);
                if (stored >= clip || stored == 0)
                    continue;
                const auto i = size_t(x);
                const float down = (lines[0][i] + lines[2][i] + lines[6][i] + lines[8][i]) / 4, across = (here[i - 4] + here[i - 2] + here[i + 2] + here[i + 4]) / 4;
                const NoiseModel &law = cells[size_t(((a.x + x) & 1) + 2 * ((a.y + y) & 1))];
                const float variance = law.shotGain * std::max(0.f, (down + across) / 2) + law.readVariance;
                if (variance > kDarkVariance * law.readVariance)
                    continue; // in the light photon noise hides banding, and the picture's lines look like it
                const float limit = kTrim * kTrim * variance * float(kDifferenceVariance), v = here[i] - down, h = here[i] - across;
                if (v * v > limit || h * h > limit)
                    continue; // an edge of either direction says nothing about lines
                const double w = 1 / double(std::max(variance, 1e-14f));
                rows[size_t(part)].add(stretchOf(x, a.width), y, double(v), w);
                // Often only one end of the frame is dark: its rows are dealt out among the stretches.
                columns[size_t(part)].add(y / kReachPx % kStretches, x, double(h), w);
            }
            std::rotate(lines.begin(), lines.begin() + 1, lines.end());
        }
    });
    if (!done)
        return done.error();
    for (int k = 1; k < kStretches; ++k)
        for (auto *set : {&rows, &columns})
            for (size_t i = 0; i < set->front().sum.size(); ++i) {
                set->front().sum[i] += (*set)[size_t(k)].sum[i];
                set->front().weight[i] += (*set)[size_t(k)].weight[i];
                set->front().count[i] += (*set)[size_t(k)].count[i];
            }
    float dark = 0;
    for (const NoiseModel &law : cells)
        dark = std::max(dark, law.sigmaAt(0));
    if (a.width >= kShortestLinePx)
        banding.rowSigma = estimate(linesOf(rows.front()), kLargest * dark, banding.rows);
    if (a.height >= kShortestLinePx)
        banding.columnSigma = estimate(linesOf(columns.front()), kLargest * dark, banding.columns);
    return banding;
}

} // namespace irenic
