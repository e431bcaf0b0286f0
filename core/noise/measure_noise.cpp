// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/noise.h"

#include "base/parallel.h"
#include "noise/banding.h"
#include "noise/hot_pixels.h"
#include "noise/line_fit.h"
#include "raw/linearizer.h"

#include <numeric>

namespace irenic {

namespace {

constexpr int kBlock = 16;            // raw pixels: 8 x 8 of each colour, 16 disjoint Haar cells
constexpr int kMinSidePx = 64;
constexpr float kClipGuard = 0.97f;   // of white; above, clipping would hide noise
constexpr int kTones = 48;
constexpr size_t kBlocksPerTone = 80; // at least, where the frame has enough
constexpr double kCalmShare = 0.06;   // of the blocks of one tone
constexpr size_t kMinCalm = 14;
constexpr float kChi16Median = 0.9589f; // median over mean of chi-square with 16 degrees of freedom

/// One place of the frame, all four cells of the pattern.
struct Block {
    std::array<float, 4> mean;
    std::array<float, 4> diagonal;  ///< mean square of the diagonal Haar coefficients: what the noise is read from
    std::array<float, 4> structure; ///< mean square of everything coarser
};

/// Haar coefficients of each colour's 8 x 8 samples. The diagonal ones cancel edges along rows and columns, and
/// row and column banding with them.
bool analyseCell(const Frame &frame, const Linearizer &levels, int x0, int y0, int darkestStored, size_t cell, Block &block)
{
    const float clip = frame.levels.white * kClipGuard;
    float ll[4][4];
    double diagonal = 0, structure = 0, sum = 0;
    for (int j = 0; j < 4; ++j)
        for (int i = 0; i < 4; ++i) {
            float v[4];
            for (int k = 0; k < 4; ++k) {
                const int x = x0 + i * 4 + (k & 1) * 2, y = y0 + j * 4 + (k >> 1) * 2;
                const uint16_t stored = frame.samples.at(x, y);
                if (stored >= clip || stored <= darkestStored)
                    return false;
                v[k] = levels.linear(x, y);
            }
            const float hh = (v[0] - v[1] - v[2] + v[3]) / 2;
            const float lh = (v[0] + v[1] - v[2] - v[3]) / 2, hl = (v[0] - v[1] + v[2] - v[3]) / 2;
            ll[j][i] = (v[0] + v[1] + v[2] + v[3]) / 2;
            diagonal += double(hh) * double(hh);
            structure += double(lh) * double(lh) + double(hl) * double(hl);
            sum += double(ll[j][i]);
        }
    const double mean = sum / 16;
    for (const auto &row : ll)
        for (const float v : row)
            structure += (double(v) - mean) * (double(v) - mean);
    block.mean[cell] = float(mean / 2);
    block.diagonal[cell] = float(diagonal / 16);
    block.structure[cell] = float(structure / 47);
    return true;
}

std::vector<Block> collectBlocks(const Frame &frame, const RunContext &run)
{
    const Rect &a = frame.active;
    const int x0 = a.x + (a.x & 1), y0 = a.y + (a.y & 1); // cells are counted from even places
    const int across = (a.right() - x0) / kBlock, down = (a.bottom() - y0) / kBlock;
    // Samples at stored 0 may have been clipped by the camera; a black level at 0 makes that certain.
    const int darkest = *std::min_element(frame.levels.black.begin(), frame.levels.black.end()) > 0 ? 0 : -1;
    const Linearizer levels(frame);
    std::vector<std::vector<Block>> rows(static_cast<size_t>(down));
    const Status done = parallelFor(down, run, [&](int j) {
        for (int i = 0; i < across; ++i) {
            Block block;
            bool usable = true;
            for (int cell = 0; cell < 4 && usable; ++cell)
                usable = analyseCell(frame, levels, x0 + i * kBlock + (cell & 1), y0 + j * kBlock + (cell >> 1), darkest, size_t(cell), block);
            if (usable)
                rows[size_t(j)].push_back(block);
        }
    });
    std::vector<Block> all;
    if (done)
        for (const auto &row : rows)
            all.insert(all.end(), row.begin(), row.end());
    return all;
}

/// How much structure a block shows to everyone but the diagonal coefficients of `cell`, in units of noise. Texture
/// shows in all cells alike and noise in each for itself, so choosing calm blocks by this does not bias what is then
/// read from `cell`, however greedy the choice.
double unrest(const Block &b, size_t cell, const std::array<NoiseModel, 4> &guess)
{
    double sum = 0;
    for (size_t o = 0; o < 4; ++o) {
        const double sigma = double(guess[o].sigmaAt(b.mean[o])), variance = std::max(sigma * sigma, 1e-14);
        sum += double(b.structure[o]) / variance;
        if (o != cell)
            sum += double(b.diagonal[o]) / variance;
    }
    return sum;
}

/// One point of the noise line per tone: the calmest blocks' mean and the median of their diagonal energy.
std::vector<LinePoint> pointsOf(const std::vector<Block> &blocks, size_t cell, const std::array<NoiseModel, 4> &guess)
{
    struct Candidate {
        float mean, diagonal;
        double unrest;
    };
    std::vector<Candidate> sorted;
    sorted.reserve(blocks.size());
    for (const Block &b : blocks)
        sorted.push_back({b.mean[cell], b.diagonal[cell], unrest(b, cell, guess)});
    std::sort(sorted.begin(), sorted.end(), [](const Candidate &p, const Candidate &q) { return p.mean < q.mean; });
    std::vector<LinePoint> points;
    const size_t tones = std::clamp<size_t>(sorted.size() / kBlocksPerTone, 1, kTones);
    for (size_t t = 0; t < tones && !sorted.empty(); ++t) {
        std::vector<Candidate> tone(sorted.begin() + std::ptrdiff_t(t * sorted.size() / tones),
                                    sorted.begin() + std::ptrdiff_t((t + 1) * sorted.size() / tones));
        const size_t calm = std::min(tone.size(), std::max(kMinCalm, size_t(double(tone.size()) * kCalmShare)));
        std::nth_element(tone.begin(), tone.begin() + std::ptrdiff_t(calm) - 1, tone.end(),
                         [](const Candidate &p, const Candidate &q) { return p.unrest < q.unrest; });
        tone.resize(calm);
        double mean = 0;
        for (const Candidate &c : tone)
            mean += double(c.mean);
        std::nth_element(tone.begin(), tone.begin() + std::ptrdiff_t(calm / 2), tone.end(),
                         [](const Candidate &p, const Candidate &q) { return p.diagonal < q.diagonal; });
        points.push_back({mean / double(calm), double(tone[calm / 2].diagonal / kChi16Median), double(calm)});
    }
    return points;
}

struct Measured {
    std::array<NoiseModel, 4> cells;
    double confidence;
};

/// Fits each cell for itself and all together. Channels of one sensor share their law but for digital gains, so where
/// a cell has few blocks its own fit is drawn toward the common one.
Measured fitCells(const std::vector<Block> &blocks, const std::array<NoiseModel, 4> &guess, double interceptFloor)
{
    constexpr double kTrustedBlocks = 150;
    std::vector<LinePoint> all;
    std::array<LineFit, 4> own;
    std::array<double, 4> weight{};
    for (size_t cell = 0; cell < 4; ++cell) {
        const auto points = pointsOf(blocks, cell, guess);
        own[cell] = fitNoiseLine(points, interceptFloor);
        for (const LinePoint &p : points)
            weight[cell] += p.weight;
        all.insert(all.end(), points.begin(), points.end());
    }
    const LineFit common = fitNoiseLine(all, interceptFloor);
    Measured m{{}, common.confidence};
    for (size_t cell = 0; cell < 4; ++cell) {
        const double trust = weight[cell] / (weight[cell] + kTrustedBlocks) * own[cell].confidence;
        m.cells[cell] = {float(own[cell].slope * trust + common.slope * (1 - trust)), float(own[cell].intercept * trust + common.intercept * (1 - trust))};
    }
    return m;
}

/// The frame's noise in the words a photographer uses, at its median green tone.
void describe(const Frame &frame, NoiseReport &report)
{
    std::vector<float> greens;
    const Linearizer levels(frame);
    const Rect &a = frame.active;
    const int step = std::max(2, int(std::sqrt(double(a.size().area()) / 40000)) & ~1);
    std::array<double, 3> wb{1 / frame.colour.asShotNeutral[0], 1 / frame.colour.asShotNeutral[1], 1 / frame.colour.asShotNeutral[2]};
    for (int y = a.y; y + 1 < a.bottom(); y += step)
        for (int x = a.x; x + 1 < a.right(); x += step)
            greens.push_back(frame.cfa.at(x, y) == Colour::Green ? levels.linear(x, y) : levels.linear(x + 1, y));
    std::nth_element(greens.begin(), greens.begin() + ptrdiff_t(greens.size() / 2), greens.end());
    const double mid = std::max(double(greens[greens.size() / 2]), 0.001);
    report.midSignal = float(mid);
    // A neutral of that green tone: each channel sits at mid x neutral and is multiplied up by its balance.
    std::array<double, 3> variance{};
    for (int c = 0; c < 4; ++c) {
        const size_t k = size_t(frame.cfa.cells[size_t(c)]);
        const double signal = mid * wb[1] / wb[k];
        const double s = double(report.cells[size_t(c)].sigmaAt(float(signal))) * wb[k] / wb[1];
        variance[k] += s * s * (k == 1 ? 0.5 : 1.0);
    }
    // Luminance as the mean of the four samples of a cell; colour as the balanced red and blue against it.
    const double luminance = (variance[0] + 2 * variance[1] + variance[2]) / 4;
    const double colour = (variance[0] + variance[2] + variance[1]) / 3 * 1.5;
    report.luminanceNoise = float(std::sqrt(luminance) / mid);
    report.colourNoise = float(std::sqrt(colour) / mid);
}

} // namespace

Result<NoiseReport> measureNoise(const Frame &frame, const RunContext &run)
{
    if (frame.active.width < kMinSidePx || frame.active.height < kMinSidePx)
        return Error{ErrorCode::BadParameter, frame.file.filename().string() + " is smaller than 64 x 64 pixels; its noise cannot be measured.", {}};
    NoiseReport report;
    const std::vector<Block> blocks = collectBlocks(frame, stage(run, 0, 0.6));
    if (run.stop.stop_requested())
        return cancelledError();
    // Rounding to whole stored numbers alone leaves a twelfth of a step squared.
    const double step = 1.0 / double(frame.levels.white - frame.levels.blackOfCell()[0]);
    // The first guess only says that light has more noise than dark; the second round knows how much.
    Measured measured{{NoiseModel{1, 0.01f}, {1, 0.01f}, {1, 0.01f}, {1, 0.01f}}, 0};
    for (int round = 0; round < 2; ++round)
        measured = fitCells(blocks, measured.cells, step * step / 12);
    report.cells = measured.cells;
    // Both greens have one filter and one law; measured a little apart, their means would come back a little apart too, as a
    // mesh of two pixels in deep shadow.
    NoiseModel green;
    for (size_t c = 0; c < 4; ++c)
        if (frame.cfa.cells[c] == Colour::Green) {
            green.shotGain += report.cells[c].shotGain / 2;
            green.readVariance += report.cells[c].readVariance / 2;
        }
    for (size_t c = 0; c < 4; ++c)
        if (frame.cfa.cells[c] == Colour::Green)
            report.cells[c] = green;
    report.confidence = measured.confidence;
    report.confidenceReason = report.confidence > 0.75 ? "Smooth areas of many tones pin the noise down well."
                            : report.confidence > 0.4  ? "Few smooth areas; the noise is measured to within about a fifth."
                                                       : "Hardly any smooth areas; the measured noise is a guess from the texture's floor.";
    Result<Banding> banding = measureBanding(frame, report.cells, stage(run, 0.6, 0.8));
    if (!banding)
        return banding.error();
    report.banding = banding.take();
    Result<std::vector<PixelAt>> hot = findHotPixels(frame, report.cells, stage(run, 0.8, 1));
    if (!hot)
        return hot.error();
    report.hotPixels = hot.take();
    describe(frame, report);
    return report;
}

} // namespace irenic
