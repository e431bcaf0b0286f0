// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/banding.h"

#include "base/parallel.h"
#include "frame/linearizer.h"
#include "law/noise_law.h"

#include <limits>
#include <numeric>

namespace irenic {

namespace {

constexpr int kStretches = 16;
constexpr int kReachPx = 4;                  ///< neighbours of the same colour are two and four pixels away
constexpr int kUnrestPx = 8;                 ///< along a line, and kReachPx across it: where the unrest of the picture is looked at
constexpr float kTrim = 3.3f;                ///< noise sigma; what differs more is picture
constexpr double kDifferenceVariance = 1.25; ///< of a sample minus the mean of four, in noise variances
constexpr int kBandRows = 128;               ///< that are held at a time
constexpr int kShortestLinePx = 1500;        ///< shorter ones hold too few samples to tell banding from picture
constexpr int kFewestStretches = 5;          ///< of a line, that agree
constexpr float kUnrestCounts = 2;           ///< times its measured variance, which is uncertain
constexpr size_t kFewestLines = 64;          ///< that were measured
constexpr int kSlowLines = 33;               ///< offsets that are alike over this many lines are left to the picture
constexpr double kLeastOfChance = 0.3;       ///< of what chance makes; below, hardly anything can be taken off
constexpr double kSurely = 5;                ///< times what both halves of the lines have in common by chance
constexpr float kLargest = 1.5f;             ///< noise sigma in the dark; what is larger is picture
constexpr int kRounds = 1;                   ///< more follow slower changes, and noise with them: 0.51 instead of 0.41 of the rows' variance is left after two

/// Weighted mean differences of all lines of one direction, stretch by stretch.
struct Differences {
    int lines;
    std::vector<double> sum, weight, variance, count; ///< kStretches x lines; the variance of the sum
    explicit Differences(int n) : lines(n), sum(size_t(n) * kStretches), weight(sum), variance(sum), count(sum) {}
};

/// What samples of a row add to the lines that they lie in: their differences by weight, the weights, the variances of the former, and whether they count.
/// Element by element and without branches, for the compiler's vectors.
struct Parts {
    std::vector<float> sum, weight, variance, count;
    explicit Parts(size_t n) : sum(n), weight(n), variance(n), count(n) {}
    /// @param of, other differences along and across; samples that lack either do not count
    /// @param noise, unrest variances of the difference by noise and by picture; samples in texture count for less than its variance asks, since there it is no
    /// chance
    void take(const float *of, const float *other, const float *noise, const float *unrest, size_t n)
    {
        for (size_t x = 0; x < n; ++x) {
            const float picture = kUnrestCounts * std::max(0.f, unrest[x] - noise[x]), all = noise[x] + picture, w = noise[x] / (all * all);
            const bool counts = (of[x] * of[x] < kTrim * kTrim * all) & (other[x] == other[x]); // no comparison with nothing holds
            sum[x] = counts ? w * of[x] : 0;
            weight[x] = counts ? w : 0;
            variance[x] = counts ? w * w * all : 0;
            count[x] = counts ? 1 : 0;
        }
    }
    /// To lines that follow each other.
    void addToLines(Differences &d, int stretch) const
    {
        const size_t at = size_t(stretch) * size_t(d.lines);
        for (size_t x = 0; x < sum.size(); ++x) {
            d.sum[at + x] += double(sum[x]);
            d.weight[at + x] += double(weight[x]);
            d.variance[at + x] += double(variance[x]);
            d.count[at + x] += double(count[x]);
        }
    }
    /// To the stretches of one line.
    void addToStretches(Differences &d, int line, int width) const
    {
        for (int k = 0; k < kStretches; ++k) {
            const auto first = [&](int stretch) { return size_t((int64_t(stretch) * width + kStretches - 1) / kStretches); };
            double s = 0, w = 0, v = 0, c = 0;
            for (size_t x = first(k); x < first(k + 1); ++x) {
                s += double(sum[x]);
                w += double(weight[x]);
                v += double(variance[x]);
                c += double(count[x]);
            }
            const size_t at = size_t(k) * size_t(d.lines) + size_t(line);
            d.sum[at] += s;
            d.weight[at] += w;
            d.variance[at] += v;
            d.count[at] += c;
        }
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

/// Lines by the stretches from `first` to before `last`.
std::vector<Line> linesOf(const Differences &d, int first = 0, int last = kStretches)
{
    std::vector<Line> lines(static_cast<size_t>(d.lines));
    for (int i = 0; i < d.lines; ++i) {
        std::vector<Stretch> stretches;
        for (int k = first; k < last; ++k) {
            const size_t at = size_t(k) * size_t(d.lines) + size_t(i);
            if (d.count[at] > 8)
                stretches.push_back({d.sum[at] / d.weight[at], d.weight[at] * d.weight[at] / d.variance[at]});
        }
        lines[size_t(i)] = lineOf(std::move(stretches));
    }
    return lines;
}

/// The variance of what both halves of the lines have in common: banding goes through, edges of the picture mostly do not.
double varianceInCommon(const Differences &d)
{
    const std::vector<Line> one = linesOf(d, 0, kStretches / 2), other = linesOf(d, kStretches / 2);
    std::vector<double> sizes;
    for (size_t i = 0; i < one.size(); ++i)
        if (one[i].error > 0 && other[i].error > 0)
            sizes.push_back(std::abs(one[i].offset) + std::abs(other[i].offset));
    const double most = 2 * medianOf(sizes);
    double sum = 0;
    size_t count = 0;
    for (size_t i = 0; i < one.size(); ++i)
        if (one[i].error > 0 && other[i].error > 0) {
            sum += std::clamp(one[i].offset, -most, most) * std::clamp(other[i].offset, -most, most);
            ++count;
        }
    return count < kFewestLines ? 0 : sum / double(count) / kDifferenceVariance;
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
float estimate(const Differences &differences, float largest, std::vector<float> &offsets)
{
    offsets.clear();
    std::vector<Line> lines = linesOf(differences);
    undoDifferences(lines);
    std::vector<double> squares, errors;
    for (const Line &l : lines)
        if (l.error > 0) {
            squares.push_back(l.offset * l.offset);
            errors.push_back(l.error * l.error);
        }
    if (squares.size() < kFewestLines)
        return 0;
    // Both halves of n lines have this much in common by chance: the product of two means, each of half the samples, over n.
    const double chance = medianOf(errors), byChance = 2 * chance / std::sqrt(double(squares.size()));
    const double spread = std::min(medianOf(squares) / 0.4549, varianceInCommon(differences)); // median of a chi-square of one degree
    if (spread < kLeastOfChance * chance || spread < kSurely * byChance)
        return 0;
    for (const Line &l : lines) {
        const bool believable = l.error > 0 && std::abs(l.offset) < double(largest);
        offsets.push_back(believable ? float(l.offset * spread / (spread + l.error * l.error)) : 0.f);
    }
    return float(std::sqrt(spread));
}

/// Some rows of the frame with what lies around them, as far as it is there.
class Band
{
public:
    Band(const Frame &frame, const Linearizer &levels, int top, int bottom)
        : m_a(frame.active), m_from(std::max(0, top - kUnrestPx)), m_to(std::min(m_a.height, bottom + kUnrestPx)), m_linear({m_a.width, m_to - m_from}), m_down(m_linear.size()), m_across(m_linear.size()), m_squaresDown(m_linear.size()), m_squaresAcross(m_linear.size())
    {
        const float clip = frame.levels.white * kClipGuard;
        const int width = m_a.width;
        for (int y = m_from; y < m_to; ++y) {
            float *row = m_linear.row(y - m_from);
            const uint16_t *stored = frame.samples.row(m_a.y + y) + m_a.x;
            for (int x = 0; x < width; ++x)
                row[x] = float(stored[x]) >= clip || stored[x] == 0 ? kNothing : levels.linear(m_a.x + x, m_a.y + y);
        }
        for (int v = 0; v < m_linear.height(); ++v) {
            float *down = m_down.row(v), *across = m_across.row(v);
            const float *z = m_linear.row(v);
            if (v >= kReachPx && v + kReachPx < m_linear.height()) {
                const float *above4 = m_linear.row(v - 4), *above2 = m_linear.row(v - 2), *below2 = m_linear.row(v + 2), *below4 = m_linear.row(v + 4);
                for (int x = 0; x < width; ++x)
                    down[x] = z[x] - (above4[x] + above2[x] + below2[x] + below4[x]) / 4;
            } else {
                std::fill_n(down, width, kNothing);
            }
            std::fill_n(across, width, kNothing);
            for (int x = kReachPx; x < width - kReachPx; ++x)
                across[x] = z[x] - (z[x - 4] + z[x - 2] + z[x + 2] + z[x + 4]) / 4;
            squaresOf(down, m_squaresDown.row(v));
            squaresOf(across, m_squaresAcross.row(v));
        }
    }
    /// A row's samples, their differences, and the unrest around each; what a clipped sample touches is not a number.
    struct Row {
        int y;
        const float *samples, *down, *across;
        std::vector<float> unrestDown, unrestAcross;
    };
    /// Calls give(row) for rows `top` to before `bottom`.
    template <class Give>
    void forRows(int top, int bottom, const std::stop_token &stop, const Give &give) const
    {
        const auto width = size_t(m_a.width);
        constexpr float kAround = (2 * kReachPx + 1) * (kUnrestPx + 1) - (kUnrestPx + 1); // samples, without the line's own
        std::vector<float> padded(width + 2 * kUnrestPx);                                 // what lies outside does not count
        float *squares = padded.data() + kUnrestPx;
        Row row{0, nullptr, nullptr, nullptr, std::vector<float>(width), std::vector<float>(width)};
        for (int y = top; y < bottom && !stop.stop_requested(); ++y) {
            // Without the own row, which its offset would make unrest of.
            std::fill_n(squares, width, 0.f);
            for (int v = y - kReachPx; v <= y + kReachPx; ++v)
                if (v != y)
                    addSquares(m_squaresDown, v, squares);
            for (size_t x = 0; x < width; ++x) {
                float sum = 0;
                for (int i = -kUnrestPx; i <= kUnrestPx; i += 2)
                    sum += squares[ptrdiff_t(x) + i];
                row.unrestDown[x] = sum / kAround;
            }
            std::fill_n(squares, width, 0.f);
            for (int v = y - kUnrestPx; v <= y + kUnrestPx; v += 2)
                addSquares(m_squaresAcross, v, squares);
            for (size_t x = 0; x < width; ++x) {
                float sum = 0;
                for (int i = 1; i <= kReachPx; ++i)
                    sum += squares[ptrdiff_t(x) - i] + squares[ptrdiff_t(x) + i];
                row.unrestAcross[x] = sum / kAround;
            }
            row.y = y;
            row.samples = m_linear.row(y - m_from);
            row.down = m_down.row(y - m_from);
            row.across = m_across.row(y - m_from);
            give(row);
        }
    }

private:
    static constexpr float kNothing = std::numeric_limits<float>::quiet_NaN();
    void squaresOf(const float *from, float *to) const
    {
        for (int x = 0; x < m_a.width; ++x)
            to[x] = from[x] == from[x] ? from[x] * from[x] : 0;
    }
    void addSquares(const Plane<float> &of, int y, float *to) const
    {
        if (y < m_from || y >= m_to)
            return;
        const float *row = of.row(y - m_from);
        for (int x = 0; x < m_a.width; ++x)
            to[x] += row[x];
    }
    const Rect m_a;
    int m_from, m_to;
    Plane<float> m_linear, m_down, m_across;     ///< a sample, and that less the mean of its neighbours below and above, left and right
    Plane<float> m_squaresDown, m_squaresAcross; ///< of the latter; 0 where there is none
};

/// Variances of the differences of a row by noise.
void noiseOf(const Band::Row &row, const NoiseModel (&laws)[2], std::vector<float> &noise)
{
    const auto n = noise.size();
    for (size_t first = 0; first < 2; ++first)
        for (size_t x = first; x < n; x += 2) {
            const float signal = row.samples[x] - (row.down[x] + row.across[x]) / 2;
            noise[x] = std::max((laws[first].shotGain * std::max(signal, 0.f) + laws[first].readVariance) * float(kDifferenceVariance), 1e-14f);
        }
}

} // namespace

Result<Banding> measureBanding(const Frame &frame, const std::array<NoiseModel, 4> &cells, const RunContext &run)
{
    const Rect &a = frame.active;
    Banding banding;
    if (a.width < kShortestLinePx && a.height < kShortestLinePx)
        return banding;
    const Linearizer levels(frame);
    // A part of the frame holds whole rows, and one stretch of every column: none touches what another counts, so no sum depends on the threads.
    Differences rows(a.height), columns(a.width);
    const Status done = parallelFor(kStretches, run, [&](int part) {
        const int first = a.height * part / kStretches, last = a.height * (part + 1) / kStretches;
        Parts parts(size_t(a.width));
        std::vector<float> noise(parts.sum.size());
        for (int top = first; top < last && !run.stop.stop_requested(); top += kBandRows) {
            const int bottom = std::min(last, top + kBandRows);
            const Band band(frame, levels, top, bottom);
            band.forRows(top, bottom, run.stop, [&](const Band::Row &row) {
                const auto lawAt = [&](int x) { return cells[size_t(((a.x + x) & 1) + 2 * ((a.y + row.y) & 1))]; };
                noiseOf(row, {lawAt(0), lawAt(1)}, noise);
                parts.take(row.down, row.across, noise.data(), row.unrestDown.data(), noise.size());
                parts.addToStretches(rows, row.y, a.width);
                parts.take(row.across, row.down, noise.data(), row.unrestAcross.data(), noise.size());
                parts.addToLines(columns, part);
            });
        }
    });
    if (!done)
        return done.error();
    float dark = 0;
    for (const NoiseModel &law : cells)
        dark = std::max(dark, law.sigmaAt(0));
    if (a.width >= kShortestLinePx)
        banding.rowSigma = estimate(rows, kLargest * dark, banding.rows);
    if (a.height >= kShortestLinePx)
        banding.columnSigma = estimate(columns, kLargest * dark, banding.columns);
    return banding;
}

} // namespace irenic
