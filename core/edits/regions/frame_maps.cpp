// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/grid.h"
#include "base/parallel.h"
#include "frame/linearizer.h"
#include "frame/per_frame.h"
#include "irenic/lab.h"
#include "irenic/regions.h"
#include "law/stabiliser.h"
#include "render/untreated.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kCell = 2; // pixels: a whole colour pattern
constexpr int kCellsABlock = FrameMaps::kBlockPx / kCell;
constexpr int kFineCells = 3, kCoarseCells = 9; // odd widths of the two bands that are held against each other
constexpr float kNoisyEnergy = 6;               ///< beside which the finest band is mostly noise
constexpr int kNearBlocks = 3, kFarBlocks = 10; // windows over which a place is judged
// Share of the fine band's energy in that of both; the coarse one is three times as wide. In focus it lies between 0.2 and 0.4, behind a blur of
// four pixels below 0.15.
constexpr float kBlurred = 0.1f, kSharp = 0.3f;

/// Stabilised luminance of 2 x 2 cells.
struct CellLuminance {
    Plane<float> luminance;
    float variance = 0.25f; ///< of its noise
};

CellLuminance cellsOf(const Frame &frame, const NoiseReport &noise, const RunContext &run)
{
    const Linearizer levels(frame);
    const Stabiliser s[4] = {Stabiliser(noise.cells[0]), Stabiliser(noise.cells[1]), Stabiliser(noise.cells[2]), Stabiliser(noise.cells[3])};
    const Rect &crop = frame.crop;
    CellLuminance cells;
    cells.luminance.reset({std::max(1, crop.width / kCell), std::max(1, crop.height / kCell)});
    const bool mosaic = frame.kind == FrameKind::Mosaic;
    if (!mosaic) // the colours of full colour are alike in their noise, and so are neighbours
        cells.variance = 0.5f;
    (void)parallelFor(cells.luminance.height(), run, [&](int cy) {
        const int y = crop.y + cy * kCell;
        for (int cx = 0; cx < cells.luminance.width(); ++cx) {
            const int x = crop.x + cx * kCell;
            float sum = 0;
            for (int v = 0; v < kCell; ++v)
                for (int u = 0; u < kCell; ++u) {
                    const int px = std::min(x + u, crop.right() - 1), py = std::min(y + v, crop.bottom() - 1);
                    if (mosaic)
                        sum += s[(px & 1) + 2 * (py & 1)].forward(levels.linear(px, py));
                    else
                        for (int c = 0; c < 3; ++c)
                            sum += s[c].forward(levels.linear(px, py, c)) / 3;
                }
            cells.luminance.row(cy)[cx] = sum / (kCell * kCell);
        }
    });
    return cells;
}

/// Energy of sample minus its four neighbours `reach` away, by blocks, without what noise puts there.
Plane<float> bandEnergy(const Plane<float> &l, int reach, float noiseVariance, Size blocks)
{
    Plane<float> out(blocks);
    for (int by = 0; by < blocks.height; ++by)
        for (int bx = 0; bx < blocks.width; ++bx) {
            double sum = 0;
            int n = 0;
            for (int y = by * kCellsABlock; y < std::min((by + 1) * kCellsABlock, l.height()); ++y)
                for (int x = bx * kCellsABlock; x < std::min((bx + 1) * kCellsABlock, l.width()); ++x) {
                    const float around = l.at(mirrored(x - reach, l.width()), y) + l.at(mirrored(x + reach, l.width()), y) + l.at(x, mirrored(y - reach, l.height())) + l.at(x, mirrored(y + reach, l.height()));
                    const float d = l.at(x, y) - around / 4;
                    sum += double(d * d);
                    ++n;
                }
            out.row(by)[bx] = n ? float(sum / n) - 1.25f * noiseVariance : 0;
        }
    return out;
}

float rising(float low, float high, float v)
{
    const float t = std::clamp((v - low) / (high - low), 0.f, 1.f);
    return t * t * (3 - 2 * t);
}

/// How the two bands' energies compare around every block. Places where there is nothing to judge by take over from those around them,
/// near ones first.
void judge(const Plane<float> &finest, const Plane<float> &fine, const Plane<float> &coarse, FrameMaps &maps)
{
    const Size size = fine.size();
    Plane<float> nearSharp(size), nearSeen(size), farSharp(size), farSeen(size);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const float e = std::max(coarse.at(x, y), 0.f) + std::max(fine.at(x, y), 0.f);
            const float seen = e / (e + 1); // a strong edge counts for little more than fine texture
            // The finest band tells most, where it is not mostly noise. Negative energies stay: they are noise about 0.
            const float clear = e * e / (e * e + kNoisyEnergy * kNoisyEnergy);
            nearSharp.row(y)[x] = (clear * finest.at(x, y) + (1 - clear) * fine.at(x, y)) / (e + 1);
            nearSeen.row(y)[x] = seen;
        }
    for (int y = 0; y < size.height; ++y) {
        std::copy_n(nearSharp.row(y), size.width, farSharp.row(y));
        std::copy_n(nearSeen.row(y), size.width, farSeen.row(y));
    }
    for (Plane<float> *p : {&nearSharp, &nearSeen})
        boxMean(*p, kNearBlocks);
    for (Plane<float> *p : {&farSharp, &farSeen})
        boxMean(*p, kFarBlocks);
    maps.sharpness.reset(size);
    maps.texture.reset(size);
    constexpr float kFarShare = 0.05f, kNothingToSee = 0.1f; // with nothing to judge by, a place counts as blurred
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            const float seen = nearSeen.at(x, y) + kFarShare * farSeen.at(x, y);
            const float ratio = (nearSharp.at(x, y) + kFarShare * farSharp.at(x, y)) / (seen + kNothingToSee);
            maps.sharpness.row(y)[x] = rising(kBlurred, kSharp, ratio);
        }
    Plane<float> energy(size);
    for (int y = 0; y < size.height; ++y)
        std::copy_n(fine.row(y), size.width, energy.row(y));
    boxMean(energy, 1);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            maps.texture.row(y)[x] = rising(0.02f, 1.f, energy.at(x, y));
}

} // namespace

std::array<float, 2> colourAt(const std::shared_ptr<const Frame> &frame, PixelAt at)
{
    const Rect &crop = frame->crop;
    const int block = std::min({FrameMaps::kBlockPx, crop.width & ~1, crop.height & ~1});
    if (block < 2)
        return {0, 0};
    const auto corner = [&](int v, int first, int length) { return first + std::clamp(v - first, 0, length / block * block - 1) / block * block; };
    const auto colour = developUntreated(*frame, {corner(at.x, crop.x, crop.width), corner(at.y, crop.y, crop.height), block, block}, block, {});
    if (!colour)
        return {0, 0};
    const float *p = colour.value().row(0);
    const Lab lab = labOf({double(p[0]), double(p[1]), double(p[2])});
    return {float(lab[1]), float(lab[2])};
}

namespace {

std::shared_ptr<const FrameMaps> makeMaps(const std::shared_ptr<const Frame> &frame, const NoiseReport &noise, const RunContext &run)
{
    const Rect &crop = frame->crop;
    const Size blocks{std::max(1, crop.width / FrameMaps::kBlockPx), std::max(1, crop.height / FrameMaps::kBlockPx)};
    auto maps = std::make_shared<FrameMaps>();
    maps->crop = crop;
    const CellLuminance cells = cellsOf(*frame, noise, {run.threads, run.stop, {}, run.background});
    Plane<float> smooth = cells.luminance.clone();
    boxMean(smooth, kCoarseCells / 2);
    Plane<float> middling = cells.luminance.clone(); // the very finest is mostly noise
    boxMean(middling, kFineCells / 2);
    const Plane<float> fine = bandEnergy(middling, kFineCells, cells.variance / (kFineCells * kFineCells), blocks);
    const Plane<float> coarse = bandEnergy(smooth, kCoarseCells, cells.variance / (kCoarseCells * kCoarseCells), blocks);
    judge(bandEnergy(cells.luminance, 1, cells.variance, blocks), fine, coarse, *maps);
    const int block = std::min({FrameMaps::kBlockPx, crop.width & ~1, crop.height & ~1});
    const auto colours = block >= 2 ? developUntreated(*frame, crop, block, {run.threads, run.stop, {}, run.background}) : Result<RgbImage<float>>(RgbImage<float>::ofSize({1, 1}));
    if (!colours)
        return nullptr;
    const RgbImage<float> &rgb = colours.value();
    maps->a.reset(rgb.size);
    maps->b.reset(rgb.size);
    for (int y = 0; y < rgb.size.height; ++y)
        for (int x = 0; x < rgb.size.width; ++x) {
            const float *p = rgb.row(y) + 3 * x;
            const Lab lab = labOf({double(p[0]), double(p[1]), double(p[2])});
            maps->a.row(y)[x] = float(lab[1]);
            maps->b.row(y)[x] = float(lab[2]);
        }
    if (run.stop.stop_requested())
        return nullptr;
    return maps;
}

} // namespace

std::shared_ptr<const FrameMaps> frameMaps(const std::shared_ptr<const Frame> &frame, const NoiseReport &noise, const RunContext &run)
{
    static PerFrame<const FrameMaps> all;
    return all.of(frame, [&] { return makeMaps(frame, noise, run); });
}

} // namespace irenic
