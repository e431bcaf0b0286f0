// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"
#include "irenic/doubt.h"
#include "irenic/picture.h"
#include "irenic/readings.h"

#include "base/parallel.h"
#include "measure/block_noise.h"
#include "measure/flat_field.h"

#include <chrono>

namespace irenic {

namespace {

constexpr int kDriftReduction = 8; ///< means of 8 x 8 blocks of these are 64 x 64 pixels of the frame
constexpr int kWindowsAcross = 4;  ///< detail lost is read in 4 x 4 windows
constexpr double kCurveBinsPerEv = 1;

double percentile(std::vector<double> &values, double share)
{
    if (values.empty())
        return 0;
    const auto at = values.begin() + ptrdiff_t(share * double(values.size() - 1));
    std::nth_element(values.begin(), at, values.end());
    return *at;
}

/// By stops below clipping, darkest first.
std::vector<NoiseAt> curveOf(const std::vector<BlockNoise> &blocks)
{
    constexpr int kBins = 16, kFewest = 4;
    std::array<std::vector<const BlockNoise *>, kBins> bins;
    for (const BlockNoise &b : blocks) {
        if (!b.smooth)
            continue;
        const double stops = -std::log2(std::max(double(b.signal), 1e-6)) * kCurveBinsPerEv;
        bins[size_t(std::clamp(int(stops), 0, kBins - 1))].push_back(&b);
    }
    std::vector<NoiseAt> curve;
    for (auto bin = bins.rbegin(); bin != bins.rend(); ++bin) {
        if (int(bin->size()) < kFewest)
            continue;
        const auto median = [&](float BlockNoise::*value) {
            std::vector<double> v;
            for (const BlockNoise *b : *bin)
                v.push_back(double(b->*value));
            return percentile(v, 0.5);
        };
        curve.push_back({median(&BlockNoise::signal), median(&BlockNoise::sigmaLaw), median(&BlockNoise::sigmaBefore), median(&BlockNoise::sigmaAfter), int(bin->size())});
    }
    return curve;
}

/// The means of 3 x 3 blocks, of those that can be judged, so that one odd block is not called the worst; then the highest, apart from each other.
std::vector<LeftoverMap::Place> worstOf(const LeftoverMap &map, double median)
{
    std::vector<std::pair<double, int>> ranked;
    const int w = map.blocks.width, h = map.blocks.height;
    for (int y = 0; y < h; ++y)
        for (int x = 0; x < w; ++x) {
            double sum = 0;
            int n = 0;
            for (int v = std::max(0, y - 1); v <= std::min(h - 1, y + 1); ++v)
                for (int u = std::max(0, x - 1); u <= std::min(w - 1, x + 1); ++u)
                    if (const float left = map.luminance[size_t(v * w + u)]; left >= 0) {
                        sum += double(left);
                        ++n;
                    }
            if (n >= 3 && map.luminance[size_t(y * w + x)] >= 0)
                ranked.push_back({sum / n, y * w + x});
        }
    std::sort(ranked.begin(), ranked.end(), [](const auto &a, const auto &b) { return a.first != b.first ? a.first > b.first : a.second < b.second; });
    std::vector<LeftoverMap::Place> worst;
    constexpr int kApartBlocks = 6;
    for (const auto &[left, i] : ranked) {
        const Rect where{map.area.x + i % w * map.blockPx, map.area.y + i / w * map.blockPx, map.blockPx, map.blockPx};
        const bool near = std::any_of(worst.begin(), worst.end(), [&](const auto &p) {
            return std::max(std::abs(p.where.x - where.x), std::abs(p.where.y - where.y)) < kApartBlocks * map.blockPx;
        });
        if (!near)
            worst.push_back({where, median > 0 ? left / median : 0});
        if (worst.size() == kMostWorst)
            break;
    }
    return worst;
}

/// A small block cannot tell faint texture from noise, its neighbourhood can: a block stays smooth only among smooth ones
/// whose coarse variance is, on the average, that of noise.
void dropFaintTexture(std::vector<BlockNoise> &blocks, Size grid, bool white)
{
    constexpr int kFewestNeighbours = 4;
    const double most = white ? 1.25 : 2.5;
    std::vector<bool> smooth(blocks.size());
    for (int y = 0; y < grid.height; ++y)
        for (int x = 0; x < grid.width; ++x) {
            double sum = 0;
            int n = 0;
            for (int v = std::max(0, y - 1); v <= std::min(grid.height - 1, y + 1); ++v)
                for (int u = std::max(0, x - 1); u <= std::min(grid.width - 1, x + 1); ++u)
                    if (const BlockNoise &b = blocks[size_t(v * grid.width + u)]; b.smooth) {
                        sum += double(b.coarse);
                        ++n;
                    }
            const size_t i = size_t(y * grid.width + x);
            smooth[i] = blocks[i].smooth && n > kFewestNeighbours && sum / n <= most;
        }
    for (size_t i = 0; i < blocks.size(); ++i)
        blocks[i].smooth = smooth[i];
}

void sumUp(LeftoverMap &map, const std::vector<BlockNoise> &blocks)
{
    double luminance = 0, colour = 0;
    std::vector<double> left;
    for (const BlockNoise &b : blocks) {
        map.luminance.push_back(b.smooth ? b.luminance : -1);
        map.colour.push_back(b.smooth ? b.colour : -1);
        if (!b.smooth)
            continue;
        luminance += double(b.luminance) * double(b.luminance);
        colour += double(b.colour) * double(b.colour);
        left.push_back(double(b.luminance));
    }
    if (!left.empty())
        map.left = {std::sqrt(luminance / double(left.size())), std::sqrt(colour / double(left.size()))};
    map.judged = blocks.empty() ? 0 : double(left.size()) / double(blocks.size());
    const double median = percentile(left, 0.5), high = percentile(left, 0.95);
    map.evenness = high > 0 ? median / high : 1;
    map.worst = worstOf(map, median);
    map.curve = curveOf(blocks);
}

} // namespace

Result<LeftoverMap> leftoverMap(const Cleaner &treated, CleanCache *cache, const RunContext &run)
{
    const auto started = std::chrono::steady_clock::now();
    const Frame &frame = treated.frame();
    const Cleaner untreated = treated.untreated();
    const Developer developer(frame);
    constexpr int blockPx = kMapBlockSamples * AnalysisPlanes::kStepPx;
    const Rect whole = analysable(frame.crop);
    LeftoverMap map;
    map.blockPx = blockPx;
    map.blocks = {whole.width / blockPx, whole.height / blockPx};
    map.area = {whole.x, whole.y, map.blocks.width * blockPx, map.blocks.height * blockPx};
    std::vector<BlockNoise> blocks;
    auto meansBefore = RgbImage<float>::ofSize({map.area.width / kDriftReduction, map.area.height / kDriftReduction});
    auto meansAfter = meansBefore;
    constexpr double kWindowsShare = 0.3, kErrorShare = 0.2; // of the work
    const int bandBlocks = std::max(1, treated.bandRows() / blockPx);
    for (int top = 0; top < map.blocks.height; top += bandBlocks) {
        const int rows = std::min(bandBlocks, map.blocks.height - top) * blockPx;
        const Rect band{map.area.x, map.area.y + top * blockPx, map.area.width, rows};
        const double from = double(top) / map.blocks.height, to = std::min(1.0, double(top + bandBlocks) / map.blocks.height);
        const RunContext part = stage(run, from * (1 - kWindowsShare - kErrorShare), to * (1 - kWindowsShare - kErrorShare));
        const Result<Plane<float>> before = untreated.clean(band, {run.threads, run.stop, {}, run.background});
        const Result<Plane<float>> after = cleaned(treated, band, cache, part);
        if (!before || !after)
            return cancelledError();
        // A row of blocks at a time, on all threads, so that it can be stopped between them.
        const CfaPattern cfa = frame.cfa.shifted(band.x, band.y);
        std::vector<std::vector<BlockNoise>> found(size_t(rows / blockPx));
        const Status done = parallelFor(int(found.size()), {run.threads, run.stop, {}, run.background}, [&](int i) {
            const Rect line{band.x, band.y + i * blockPx, band.width, blockPx};
            const TileRect inBand{0, i * blockPx, before.value().width(), blockPx};
            const auto planesOf = [&](const Plane<float> &samples) { return analysisPlanes(frame, *treated.sharedNoise(), samples.view().cut(inBand), line); };
            found[size_t(i)] = blockNoise(planesOf(before.value()), planesOf(after.value()), line, kMapBlockSamples, frame.kind == FrameKind::Mosaic);
            const auto reduce = [&](const Plane<float> &samples, RgbImage<float> &into) {
                const auto reduced = developer.developReduced(samples.view().cut(inBand), cfa, kDriftReduction, line.corner());
                std::copy(reduced.samples.begin(), reduced.samples.end(), into.row((top + i) * blockPx / kDriftReduction));
            };
            reduce(before.value(), meansBefore);
            reduce(after.value(), meansAfter);
        });
        if (!done)
            return done.error();
        for (const auto &line : found)
            blocks.insert(blocks.end(), line.begin(), line.end());
    }
    dropFaintTexture(blocks, map.blocks, frame.kind == FrameKind::Mosaic);
    sumUp(map, blocks);
    map.drift = driftBetween(meansBefore, meansAfter, 64 / kDriftReduction);
    map.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - started).count();
    const int side = std::min({kPlacePx, frame.crop.width / kWindowsAcross, frame.crop.height / kWindowsAcross});
    const bool tellsDoubt = !treated.treatment().isNone() && whyNoDoubt(frame, *treated.sharedNoise()).empty();
    for (int i = 0; i < kWindowsAcross * kWindowsAcross && side > 0; ++i) {
        const Rect window{frame.crop.x + (i % kWindowsAcross * 2 + 1) * frame.crop.width / (2 * kWindowsAcross) - side / 2,
                          frame.crop.y + (i / kWindowsAcross * 2 + 1) * frame.crop.height / (2 * kWindowsAcross) - side / 2, side, side};
        const RunContext quiet{run.threads, run.stop, {}, run.background};
        const Rect part = analysable(window);
        const Result<Plane<float>> before = untreated.clean(part, quiet), after = cleaned(treated, part, cache, quiet);
        if (!before || !after)
            return cancelledError();
        const auto luminanceOf = [&](const Plane<float> &samples) { return analysisPlanes(frame, *treated.sharedNoise(), samples.view(), part).luminance; };
        map.detailLost += detailLost(luminanceOf(before.value()).constView(), luminanceOf(after.value()).constView(), flatField(treated.treatment()).covariance) / (kWindowsAcross * kWindowsAcross);
        if (tellsDoubt) {
            const Result<Doubt> doubt = doubtAt(treated, window, {}, cache, quiet);
            if (!doubt)
                return doubt.error();
            map.doubt = map.doubt.value_or(0) + doubt.value().share / (kWindowsAcross * kWindowsAcross);
        }
        if (run.onProgress)
            run.onProgress(1 - kWindowsShare - kErrorShare + kWindowsShare * double(i + 1) / (kWindowsAcross * kWindowsAcross));
    }
    Result<ErrorMap> error = errorMap(treated, cache, stage(run, 1 - kErrorShare, 1));
    if (!error)
        return error.error();
    map.error = error.take();
    map.nearness = nearnessOf(map.error.sums, *treated.sharedNoise());
    if (run.onProgress) // of a frame that is too small for places, too
        run.onProgress(1);
    return map;
}

} // namespace irenic
