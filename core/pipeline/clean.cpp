// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"

#include "base/parallel.h"
#include "methods/denoise_method.h"
#include "noise/hot_pixels.h"
#include "pipeline/point_lights.h"
#include "pipeline/stabiliser.h"
#include "raw/linearizer.h"

namespace irenic {

namespace {

constexpr int kEnergyReachPx = 8; ///< the removed energy is averaged over 17 x 17 samples
constexpr int kFinishHaloPx = kEnergyReachPx + kPointLightReachPx + 1;

/// Mean of squares over 17 x 17 samples, for samples at least kEnergyReachPx from the border: direct row sums of direct
/// column sums by doubling (2, 4, 8, 16, 17), so the order of additions is the same at every place.
void meanEnergy(PlaneView<const float> removed, PlaneView<float> out, Scratch &scratch, size_t firstFree)
{
    const Size size{removed.width, removed.height};
    PlaneView<float> sums = scratch.plane(firstFree, size).view();
    std::vector<float> line(size_t(size.width)), wide(size_t(size.width));
    for (int y = 0; y < size.height; ++y) {
        const float *r = removed.row(y);
        for (int x = 0; x < size.width; ++x)
            line[size_t(x)] = r[x] * r[x];
        float *s = sums.row(y);
        std::copy(line.begin(), line.end(), wide.begin());
        for (int step = 1; step < 16; step *= 2)
            for (int x = 0; x + step < size.width; ++x)
                wide[size_t(x)] += wide[size_t(x + step)];
        for (int x = kEnergyReachPx; x < size.width - kEnergyReachPx; ++x)
            s[x] = wide[size_t(x - kEnergyReachPx)] + line[size_t(x + kEnergyReachPx)];
    }
    for (int y = kEnergyReachPx; y < size.height - kEnergyReachPx; ++y) {
        std::fill(line.begin(), line.end(), 0.f);
        for (int k = -kEnergyReachPx; k <= kEnergyReachPx; ++k) {
            const float *s = sums.row(y + k);
            for (int x = kEnergyReachPx; x < size.width - kEnergyReachPx; ++x)
                line[size_t(x)] += s[x];
        }
        float *o = out.row(y);
        for (int x = kEnergyReachPx; x < size.width - kEnergyReachPx; ++x)
            o[x] = line[size_t(x)] * (1.f / 289);
    }
}

/// Tiles of one size over a region; those at the right and bottom may be smaller.
struct Grid {
    int across, down, width, height;
};

/// Tiles near the size that a method likes, as even as can be, and no fewer than there are threads.
Grid gridFor(Size size, int tilePx, int threads)
{
    const int wanted = threads > 0 ? threads : availableThreads();
    Grid g{std::max(1, (size.width + tilePx / 2) / tilePx), std::max(1, (size.height + tilePx / 2) / tilePx), 0, 0};
    constexpr int kSmallestPx = 96;
    while (g.across * g.down < wanted && std::max(size.width / g.across, size.height / g.down) >= 2 * kSmallestPx)
        ++(size.width / g.across > size.height / g.down ? g.across : g.down);
    g.width = (size.width + g.across - 1) / g.across;
    g.height = (size.height + g.down - 1) / g.down;
    return g;
}

} // namespace

struct Cleaner::Private {
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise;
    Treatment treatment;
    Linearizer levels;
    std::unique_ptr<DenoiseMethod> method;
    std::array<Stabiliser, 4> stabilisers;
    ScratchPool scratch;

    Private(std::shared_ptr<const Frame> f, std::shared_ptr<const NoiseReport> n, const Treatment &t)
        : frame(std::move(f)), noise(std::move(n)), treatment(t), levels(*frame), method(makeMethod(t)),
          stabilisers{Stabiliser(noise->cells[0]), Stabiliser(noise->cells[1]), Stabiliser(noise->cells[2]), Stabiliser(noise->cells[3])}
    {
    }

    const Stabiliser &stabiliserAt(int x, int y) const { return stabilisers[size_t((x & 1) + 2 * (y & 1))]; }

    int channels() const { return frame->channels(); }
    bool isMosaic() const { return frame->kind == FrameKind::Mosaic; }

    void copyLinear(Rect region, PlaneView<float> out) const
    {
        const int n = channels();
        for (int y = 0; y < region.height; ++y)
            for (int x = 0; x < region.width; ++x)
                for (int c = 0; c < n; ++c)
                    out.row(y)[x * n + c] = levels.linear(region.x + x, region.y + y, c);
    }

    /// One stabilised colour plane over any rectangle, mirrored likewise.
    void stabiliseColour(Rect region, int channel, PlaneView<float> out) const
    {
        const Rect &a = frame->active;
        for (int y = 0; y < region.height; ++y) {
            const int sy = a.y + mirrored(region.y + y - a.y, a.height);
            for (int x = 0; x < region.width; ++x)
                out.row(y)[x] = stabilisers[size_t(channel)].forward(levels.linear(a.x + mirrored(region.x + x - a.x, a.width), sy, channel));
        }
    }

    /// The mended, stabilised mosaic over any rectangle, mirrored at the active area's border (which keeps the
    /// colour of a place, and with it its noise law).
    void stabiliseMosaic(Rect region, PlaneView<float> out) const
    {
        const Rect &a = frame->active;
        std::vector<int> columns(size_t(region.width));
        for (int x = 0; x < region.width; ++x)
            columns[size_t(x)] = a.x + mirrored(region.x + x - a.x, a.width);
        for (int y = 0; y < region.height; ++y) {
            const int sy = a.y + mirrored(region.y + y - a.y, a.height);
            const Stabiliser pair[2] = {stabiliserAt(0, sy), stabiliserAt(1, sy)};
            float *o = out.row(y);
            for (int x = 0; x < region.width; ++x) {
                const int sx = columns[size_t(x)];
                o[x] = pair[sx & 1].forward(levels.linear(sx, sy) - noise->banding.at(sx - a.x, sy - a.y));
            }
        }
        mendInto(region, out);
    }

    /// Hot pixels, and their mirror images beyond the border, are replaced from the frame's own samples.
    void mendInto(Rect region, PlaneView<float> out) const
    {
        const Rect &a = frame->active;
        const auto linear = [&](int x, int y) {
            const int u = mirrored(x - a.x, a.width), v = mirrored(y - a.y, a.height);
            return levels.linear(a.x + u, a.y + v) - noise->banding.at(u, v);
        };
        const Rect inside = region.intersected(a);
        const int spill = std::max({inside.x - region.x, inside.y - region.y, region.right() - inside.right(), region.bottom() - inside.bottom(), 0});
        const Rect near = inside.grownBy(spill).intersected(a);
        const auto &hot = noise->hotPixels;
        auto it = std::lower_bound(hot.begin(), hot.end(), near.y, [](const PixelAt &p, int y) { return p.y < y; });
        for (; it != hot.end() && it->y < near.bottom(); ++it) {
            if (it->x < near.x || it->x >= near.right())
                continue;
            const float value = stabiliserAt(it->x, it->y).forward(mendedValue(linear, it->x, it->y));
            const int ys[3] = {it->y, 2 * a.y - it->y, 2 * (a.bottom() - 1) - it->y};
            const int xs[3] = {it->x, 2 * a.x - it->x, 2 * (a.right() - 1) - it->x};
            for (const int y : ys)
                for (const int x : xs)
                    if (x >= region.x && x < region.right() && y >= region.y && y < region.bottom())
                        out.at(x - region.x, y - region.y) = value;
        }
    }

    /// Lays what was taken from points of light over the result again.
    void giveBackPointLights(const TileInput &noisy, const TileOutput &cleaned, Scratch &s) const
    {
        const Size size{cleaned[0].width, cleaned[0].height};
        constexpr size_t kNoisyLuminance = 2, kCleanedLuminance = 3, kWeight = 4;
        const PlaneView<float> weight = s.plane(kWeight, size).view();
        const float strength = float(std::max(treatment.luminance, treatment.colour));
        if (isMosaic()) {
            if (!findPointLights(noisy.planes[0], cleaned[0], strength, weight, s))
                return;
        } else {
            const PlaneView<float> before = s.plane(kNoisyLuminance, size).view(), after = s.plane(kCleanedLuminance, size).view();
            const float scale = 1 / noise->pointSigma;
            for (int y = 0; y < size.height; ++y)
                for (int x = 0; x < size.width; ++x) {
                    before.row(y)[x] = (noisy.planes[0].row(y)[x] + noisy.planes[1].row(y)[x] + noisy.planes[2].row(y)[x]) * scale;
                    after.row(y)[x] = (cleaned[0].row(y)[x] + cleaned[1].row(y)[x] + cleaned[2].row(y)[x]) * scale;
                }
            if (!findPointLights(before, after, strength, weight, s))
                return;
        }
        for (size_t c = 0; c < size_t(channels()); ++c)
            for (int y = 0; y < size.height; ++y)
                for (int x = 0; x < size.width; ++x)
                    cleaned[c].row(y)[x] += weight.row(y)[x] * (noisy.planes[c].row(y)[x] - cleaned[c].row(y)[x]);
    }

    /// `out` holds channels() samples a pixel.
    void cleanTile(Rect tile, const std::stop_token &stop, PlaneView<float> out)
    {
        auto borrowed = scratch.take();
        Scratch &s = *borrowed;
        s.stop = stop;
        const int halo = method->haloPx() + kFinishHaloPx;
        const Rect wide = tile.grownBy(halo), finish = tile.grownBy(kFinishHaloPx);
        constexpr size_t kNoisy = 60, kCleaned = 63, kEnergy = 66; // beyond what any method uses
        const int n = channels();
        TileInput in{{}, frame->cfa.shifted(wide.x, wide.y), isMosaic() ? nullptr : &noise->bands};
        TileOutput cleaned;
        for (int c = 0; c < n; ++c) {
            const PlaneView<float> noisy = s.plane(kNoisy + size_t(c), {wide.width + kRowPaddingPx, wide.height}).view().cut({0, 0, wide.width, wide.height});
            isMosaic() ? stabiliseMosaic(wide, noisy) : stabiliseColour(wide, c, noisy);
            in.planes[size_t(c)] = noisy;
            cleaned[size_t(c)] = s.plane(kCleaned + size_t(c), finish.size()).view();
        }
        method->denoiseTile(in, finish, cleaned, s);
        const TileInput noisyHere = in.shrunkBy(method->haloPx());
        giveBackPointLights(noisyHere, cleaned, s);
        const PlaneView<float> removed = s.plane(0, finish.size()).view(), energy = s.plane(kEnergy, finish.size()).view();
        for (int c = 0; c < n; ++c) {
            const PlaneView<const float> before = noisyHere.planes[size_t(c)], after = cleaned[size_t(c)];
            for (int y = 0; y < finish.height; ++y)
                for (int x = 0; x < finish.width; ++x)
                    removed.row(y)[x] = before.row(y)[x] - after.row(y)[x];
            meanEnergy(removed, energy, s, 1);
            for (int y = 0; y < tile.height; ++y) {
                const Stabiliser pair[2] = {isMosaic() ? stabiliserAt(tile.x, tile.y + y) : stabilisers[size_t(c)],
                                            isMosaic() ? stabiliserAt(tile.x + 1, tile.y + y) : stabilisers[size_t(c)]};
                const float *v = after.row(y + kFinishHaloPx) + kFinishHaloPx, *e = energy.row(y + kFinishHaloPx) + kFinishHaloPx;
                float *o = out.row(y) + c;
                for (int x = 0; x < tile.width; ++x)
                    o[x * n] = pair[x & 1].inverse(v[x], e[x]);
            }
        }
        scratch.give(std::move(borrowed));
    }
};

Cleaner::Cleaner(std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const Treatment &treatment)
    : d(std::make_unique<Private>(std::move(frame), std::move(noise), treatment))
{
}

Cleaner::~Cleaner() = default;

const Frame &Cleaner::frame() const
{
    return *d->frame;
}

std::shared_ptr<const Frame> Cleaner::sharedFrame() const
{
    return d->frame;
}

std::shared_ptr<const NoiseReport> Cleaner::sharedNoise() const
{
    return d->noise;
}

const Treatment &Cleaner::treatment() const
{
    return d->treatment;
}

int Cleaner::bandRows() const
{
    return d->method ? 2 * d->method->bestTilePx() : 1024;
}

Result<Plane<float>> Cleaner::clean(Rect region, const RunContext &run, int tilePx) const
{
    assert(d->frame->active.contains(region) && (tilePx == 0 || tilePx >= 16));
    const int n = d->channels();
    Plane<float> out({region.width * n, region.height});
    if (d->treatment.isIdentity()) {
        d->copyLinear(region, out.view());
        return out;
    }
    const Grid grid = tilePx > 0 ? Grid{(region.width + tilePx - 1) / tilePx, (region.height + tilePx - 1) / tilePx, tilePx, tilePx}
                                 : gridFor(region.size(), d->method->bestTilePx(), run.threads);
    const Status done = parallelFor(grid.across * grid.down, run, [&](int i) {
        const Rect local = Rect{i % grid.across * grid.width, i / grid.across * grid.height, grid.width, grid.height}.intersected({0, 0, region.width, region.height});
        if (!local.isEmpty())
            d->cleanTile(local.movedBy(region.x, region.y), run.stop, out.view().cut({local.x * n, local.y, local.width * n, local.height}));
    });
    if (!done)
        return done.error();
    return out;
}

Result<CleanedSamples> cleanForStorage(const Cleaner &cleaner, const RunContext &run)
{
    const Frame &frame = cleaner.frame();
    if (cleaner.treatment().isIdentity())
        return CleanedSamples{frame.samples.clone(), 1};
    const uint16_t highest = [&] {
        uint16_t top = 1;
        for (int y = 0; y < frame.samples.height(); ++y)
            top = std::max(top, *std::max_element(frame.samples.row(y), frame.samples.row(y) + frame.samples.width()));
        return top;
    }();
    CleanedSamples result;
    result.scale = frame.kind == FrameKind::Rendered ? 1 : std::max(1, int(65535 / std::max<float>(frame.levels.white, highest)));
    result.samples.reset(frame.samples.size());
    for (int y = 0; y < frame.samples.height(); ++y)
        for (int x = 0; x < frame.samples.width(); ++x)
            result.samples.row(y)[x] = uint16_t(frame.samples.row(y)[x] * result.scale);
    // Bands of full width, so that no more than one band of floats is held.
    const int bandRows = cleaner.bandRows();
    const Rect &a = frame.active;
    const Linearizer levels(frame);
    for (int top = a.y; top < a.bottom(); top += bandRows) {
        const Rect band{a.x, top, a.width, std::min(bandRows, a.bottom() - top)};
        Result<Plane<float>> linear = cleaner.clean(band, stage(run, double(top - a.y) / a.height, double(band.bottom() - a.y) / a.height));
        if (!linear)
            return linear.error();
        const int n = frame.channels();
        const Status stored = parallelFor(band.height, {run.threads, run.stop, {}, run.background}, [&](int y) {
            for (int x = 0; x < band.width; ++x)
                for (int c = 0; c < n; ++c)
                    result.samples.row(top + y)[(a.x + x) * n + c] = levels.stored(linear.value().row(y)[x * n + c], a.x + x, top + y, c, result.scale);
        });
        if (!stored)
            return stored.error();
    }
    return result;
}

} // namespace irenic
