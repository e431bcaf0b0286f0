// SPDX-License-Identifier: GPL-3.0-or-later
#include "law/noise_law.h"

#include "base/parallel.h"
#include "law/censored.h"
#include "law/line_fit.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kTones = 48;
constexpr size_t kBlocksPerTone = 80; // at least, where the frame has enough
constexpr double kCalmShare = 0.06;   // of the blocks of one tone
constexpr size_t kMinCalm = 14;
constexpr size_t kMostCells = 4;

/// One place of the frame, all cells.
struct Block {
    std::array<float, kMostCells> mean;
    std::array<float, kMostCells> diagonal;  ///< mean square of the diagonal Haar coefficients: what the noise is read from
    std::array<float, kMostCells> structure; ///< mean square of everything coarser
};

bool analyseCell(const LawInput &in, int x0, int y0, size_t cell, Block &block)
{
    double diagonal = 0, structure = 0, sum = 0, squares = 0;
    const auto &quads = in.sampling.cells[cell];
    for (const QuadSampling::Quad &q : quads) {
        const std::array<float, 4> v = in.values({x0, y0}, q, cell);
        if (!(v[0] < kClipGuard && v[1] < kClipGuard && v[2] < kClipGuard && v[3] < kClipGuard))
            return false;
        const float hh = (v[0] - v[1] - v[2] + v[3]) / 2;
        const float lh = (v[0] + v[1] - v[2] - v[3]) / 2, hl = (v[0] - v[1] + v[2] - v[3]) / 2;
        const double ll = double(v[0] + v[1] + v[2] + v[3]) / 2;
        diagonal += double(hh) * double(hh);
        structure += double(lh) * double(lh) + double(hl) * double(hl);
        sum += ll;
        squares += ll * ll;
    }
    const double n = double(quads.size()), mean = sum / n;
    structure += std::max(0.0, squares - n * mean * mean);
    block.mean[cell] = float(mean / 2);
    block.diagonal[cell] = float(diagonal / n);
    block.structure[cell] = float(structure / (3 * n - 1));
    return true;
}

Result<std::vector<Block>> collectBlocks(const LawInput &in, const RunContext &run)
{
    const int across = in.area.width / in.sampling.blockPx, down = in.area.height / in.sampling.blockPx;
    return gathered<Block>(down, run, [&](int j, std::vector<Block> &row) {
        for (int i = 0; i < across; ++i) {
            Block block;
            bool usable = true;
            for (size_t cell = 0; cell < in.sampling.cells.size() && usable; ++cell)
                usable = analyseCell(in, in.area.x + i * in.sampling.blockPx, in.area.y + j * in.sampling.blockPx, cell, block);
            if (usable)
                row.push_back(block);
        }
    });
}

/// How much structure a block shows to everyone but the diagonal coefficients of `cell`, in units of noise. Texture
/// shows in all cells alike and noise in each for itself, so choosing calm blocks by this does not bias what is then
/// read from `cell`, however greedy the choice.
double unrest(const Block &b, size_t cell, const std::vector<NoiseModel> &guess)
{
    double sum = 0;
    for (size_t o = 0; o < guess.size(); ++o) {
        const double sigma = double(guess[o].sigmaAt(b.mean[o])), variance = std::max(sigma * sigma, 1e-14);
        sum += double(b.structure[o]) / variance;
        if (o != cell)
            sum += double(b.diagonal[o]) / variance;
    }
    return sum;
}

struct Candidate {
    float mean, diagonal;
    double unrest;
};

/// Blocks whose noise is not cut off, by what is known of it so far; all of them where too few are left.
std::vector<Candidate> candidatesOf(const std::vector<Block> &blocks, const LawInput &in, size_t cell, const std::vector<NoiseModel> &guess, bool trustGuess)
{
    std::vector<Candidate> all, whole;
    for (const Block &b : blocks) {
        all.push_back({b.mean[cell], b.diagonal[cell], unrest(b, cell, guess)});
        const float reach = 3 * guess[cell].sigmaAt(b.mean[cell]);
        if (b.mean[cell] + reach < 1 && (!in.clippedAtBlack || b.mean[cell] > reach))
            whole.push_back(all.back());
    }
    std::vector<Candidate> &chosen = trustGuess && whole.size() >= kBlocksPerTone ? whole : all;
    std::sort(chosen.begin(), chosen.end(), [](const Candidate &p, const Candidate &q) { return p.mean < q.mean; });
    return std::move(chosen);
}

/// One point of the noise line per tone: the calmest blocks' mean and the median of their diagonal energy.
/// @param scatter the same tones' spread of that energy, as the standard deviation of its logarithm
std::vector<LinePoint> pointsOf(const std::vector<Candidate> &sorted, size_t quads, const LawInput &in, std::vector<double> &scatter)
{
    // Median over mean of chi-square with that many degrees of freedom (Wilson and Hilferty).
    const double root = 1 - 2 / (9.0 * double(quads)), medianOfMean = root * root * root;
    std::vector<LinePoint> points;
    const size_t tones = std::clamp<size_t>(sorted.size() / kBlocksPerTone, 1, kTones);
    for (size_t t = 0; t < tones && !sorted.empty(); ++t) {
        std::vector<Candidate> tone(sorted.begin() + std::ptrdiff_t(t * sorted.size() / tones),
                                    sorted.begin() + std::ptrdiff_t((t + 1) * sorted.size() / tones));
        const size_t calm = std::min(tone.size(), std::max(kMinCalm, size_t(double(tone.size()) * (in.noiseAlone ? 1 : kCalmShare))));
        std::nth_element(tone.begin(), tone.begin() + std::ptrdiff_t(calm) - 1, tone.end(),
                         [](const Candidate &p, const Candidate &q) { return p.unrest < q.unrest; });
        tone.resize(calm);
        double mean = 0, logs = 0, squares = 0;
        for (const Candidate &c : tone) {
            mean += double(c.mean);
            const double l = std::log(std::max(double(c.diagonal), 1e-20));
            logs += l;
            squares += l * l;
        }
        scatter.push_back(std::sqrt(std::max(0.0, squares / double(calm) - logs * logs / double(calm * calm))));
        std::nth_element(tone.begin(), tone.begin() + std::ptrdiff_t(calm / 2), tone.end(),
                         [](const Candidate &p, const Candidate &q) { return p.diagonal < q.diagonal; });
        LinePoint point{mean / double(calm), double(tone[calm / 2].diagonal) / medianOfMean, double(calm)};
        if (in.censoredAt) {
            const auto whole = wholeMoments({point.x - *in.censoredAt, point.y});
            if (!whole)
                continue;
            point.x = whole->mean + *in.censoredAt;
            point.y = whole->variance;
        }
        points.push_back(point);
    }
    return points;
}

/// Fits each cell for itself and all together. Channels of one sensor share their law but for digital gains, so where
/// a cell has few blocks its own fit is drawn toward the common one.
NoiseLaw fitCells(const std::vector<Block> &blocks, const LawInput &in, const std::vector<NoiseModel> &guess, bool trustGuess)
{
    constexpr double kTrustedBlocks = 150;
    const size_t count = in.sampling.cells.size();
    const bool fewTones = blocks.size() < 8 * kBlocksPerTone;
    std::vector<LinePoint> all;
    std::vector<LineFit> own(count);
    std::vector<double> weight(count, 0), scatter;
    for (size_t cell = 0; cell < count; ++cell) {
        const auto points = pointsOf(candidatesOf(blocks, in, cell, guess, trustGuess), in.sampling.cells[cell].size(), in, scatter);
        own[cell] = fitNoiseLine(points, in.varianceFloor, in.readVariance, fewTones);
        for (const LinePoint &p : points)
            weight[cell] += p.weight;
        all.insert(all.end(), points.begin(), points.end());
    }
    const LineFit common = fitNoiseLine(all, in.varianceFloor, in.readVariance, fewTones);
    std::sort(scatter.begin(), scatter.end());
    NoiseLaw law{std::vector<NoiseModel>(count), common.confidence, scatter.empty() ? 0 : scatter[scatter.size() / 2], blocks.size()};
    for (size_t cell = 0; cell < count; ++cell) {
        const double trust = weight[cell] / (weight[cell] + kTrustedBlocks) * own[cell].confidence;
        law.cells[cell] = {float(own[cell].slope * trust + common.slope * (1 - trust)), float(own[cell].intercept * trust + common.intercept * (1 - trust))};
    }
    return law;
}

QuadSampling::Quad squareAt(int x, int y, int side)
{
    return {PixelAt{x, y}, {x + side, y}, {x, y + side}, {x + side, y + side}};
}

} // namespace

QuadSampling QuadSampling::twoByTwo()
{
    QuadSampling s{16, std::vector<std::vector<Quad>>(4)};
    for (int cell = 0; cell < 4; ++cell)
        for (int j = 0; j < 4; ++j)
            for (int i = 0; i < 4; ++i)
                s.cells[size_t(cell)].push_back(squareAt(i * 4 + (cell & 1), j * 4 + (cell >> 1), 2));
    return s;
}

QuadSampling QuadSampling::sixBySix(const std::array<uint8_t, 36> &colours)
{
    QuadSampling s{12, std::vector<std::vector<Quad>>(3)};
    for (int y = 0; y < 6; ++y)
        for (int x = 0; x < 6; ++x)
            s.cells[colours[size_t(y * 6 + x)]].push_back(squareAt(x, y, 6));
    return s;
}

QuadSampling QuadSampling::fullColour()
{
    QuadSampling s{16, std::vector<std::vector<Quad>>(3)};
    for (auto &cell : s.cells)
        for (const int y : {0, 2, 8, 10})
            for (const int x : {0, 2, 8, 10})
                cell.push_back(squareAt(x, y, 4));
    return s;
}

Result<NoiseLaw> measureNoiseLaw(const LawInput &input, const RunContext &run)
{
    const Result<std::vector<Block>> blocks = collectBlocks(input, run);
    if (!blocks)
        return blocks.error();
    // The first guess only says that light has more noise than dark; the later rounds know how much.
    NoiseLaw law{std::vector<NoiseModel>(input.sampling.cells.size(), NoiseModel{1, 0.01f}), 0, 0, 0};
    for (int round = 0; round < 3; ++round) {
        if (run.stop.stop_requested())
            return cancelledError();
        law = fitCells(blocks.value(), input, law.cells, round > 0);
    }
    return law;
}

} // namespace irenic
