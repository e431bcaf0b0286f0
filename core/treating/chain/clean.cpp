// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"

#include "base/parallel.h"
#include "base/random.h"
#include "chain/chain.h"
#include "chain/tile_grid.h"
#include "irenic/clean_cache.h"
#include "render/untreated.h"

namespace irenic {

namespace {

/// Samples of a pixel beside each other.
void interleave(const LentPlanes &planes, size_t count, PlaneView<float> out)
{
    for (size_t c = 0; c < count; ++c)
        for (int y = 0; y < out.height; ++y) {
            const float *v = planes.views[c].row(y);
            float *o = out.row(y) + c;
            for (int x = 0; x < planes.where.width; ++x)
                o[size_t(x) * count] = v[x];
        }
}

} // namespace

struct Cleaner::Private {
    std::shared_ptr<const ChainFacts> facts;
    Chain chain;
    ScratchPool scratch;

    explicit Private(std::shared_ptr<const ChainFacts> f) : facts(f), chain(std::move(f)) {}

    /// A region in tiles; `samples` a pixel. `each` is given a tile's place, its memory, and where its samples belong.
    template <class Each>
    Result<Plane<float>> inTiles(Rect region, int samples, const RunContext &run, int tilePx, const Each &each)
    {
        Plane<float> out({region.width * samples, region.height});
        const TileGrid grid = tilePx > 0 ? TileGrid{(region.width + tilePx - 1) / tilePx, (region.height + tilePx - 1) / tilePx, tilePx, tilePx}
                                         : tileGridFor(region.size(), chain.bestTilePx(), chain.haloPx(), run.threads > 0 ? run.threads : availableThreads());
        const Status done = parallelFor(grid.across * grid.down, run, [&](int i) {
            const TileRect local = TileRect{i % grid.across * grid.width, i / grid.across * grid.height, grid.width, grid.height}.intersected({0, 0, region.width, region.height});
            if (local.isEmpty())
                return;
            const ScratchPool::Lent lent = scratch.lend(run.stop);
            each(local.placedIn(region), *lent, out.view().cut({local.x * samples, local.y, local.width * samples, local.height}));
        });
        if (!done)
            return done.error();
        return out;
    }

    /// What the whole chain answers: so many planes.
    Result<Plane<float>> treated(Rect region, size_t planes, const RunContext &run, int tilePx)
    {
        return inTiles(region, int(planes), run, tilePx, [&](Rect where, Scratch &lent, PlaneView<float> out) {
            Tile tile(*facts);
            chain.run(tile, where, lent);
            if (!run.stop.stop_requested())
                interleave(tile.now, planes, out);
        });
    }
};

Cleaner::Cleaner(std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const Treatment &treatment, const FrameEdits &edits)
    : d(std::make_unique<Private>(std::make_shared<const ChainFacts>(std::move(frame), std::move(noise), treatment, edits)))
{
}

Cleaner::Cleaner(std::unique_ptr<Private> made) : d(std::move(made)) {}

int Cleaner::haloPx() const
{
    return d->chain.haloPx();
}

Cleaner Cleaner::disturbed(const Disturbance &disturbance) const
{
    const ChainFacts &f = *d->facts;
    return Cleaner(std::make_unique<Private>(std::make_shared<const ChainFacts>(f.frame, f.noise, f.treatment, f.edits, disturbance)));
}

float Disturbance::at(int x, int y, size_t channel) const
{
    constexpr uint64_t kStream = 71; // of no other random number in the engine
    return float(RandomAt(seed, kStream + channel, x, y).gaussian());
}

Cleaner Cleaner::untreated(std::shared_ptr<const Frame> frame, const LensCorrection &lens)
{
    static const auto kUnmeasured = std::make_shared<const NoiseReport>();
    return Cleaner(std::move(frame), kUnmeasured, kNoTreatment, {nullptr, lens});
}

Cleaner::Cleaner(Cleaner &&) noexcept = default;
Cleaner::~Cleaner() = default;

const Frame &Cleaner::frame() const
{
    return *d->facts->frame;
}

std::shared_ptr<const Frame> Cleaner::sharedFrame() const
{
    return d->facts->frame;
}

std::shared_ptr<const NoiseReport> Cleaner::sharedNoise() const
{
    return d->facts->noise;
}

const Treatment &Cleaner::treatment() const
{
    return d->facts->treatment;
}

const FrameEdits &Cleaner::edits() const
{
    return d->facts->edits;
}

bool Cleaner::isIdentity() const
{
    return d->chain.isIdentity();
}

const ChainIdentity &Cleaner::identity() const
{
    return d->chain.identity();
}

double Cleaner::expectedSeconds(Size region) const
{
    return d->chain.secondsPerMegapixel() * double(region.area()) * 1e-6;
}

Cleaner Cleaner::untreated() const
{
    return untreated(d->facts->frame, d->facts->edits.lens);
}

int Cleaner::bandRows() const
{
    return isIdentity() ? 1024 : (givesColours() ? 1 : 2) * d->chain.bestTilePx(); // three numbers a pixel take three times the memory
}

Result<Plane<float>> Cleaner::clean(Rect region, const RunContext &run, int tilePx) const
{
    const ChainFacts &facts = *d->facts;
    assert(facts.frame->active.contains(region) && (tilePx == 0 || tilePx >= 16));
    if (isIdentity())
        return linearSamples(*facts.frame, region, run);
    if (givesColours()) {
        Result<Plane<float>> colours = cleanColours(region, run, tilePx);
        return colours ? measuredOf(colours.value(), facts.frame->cfa.shifted(region.x, region.y)) : std::move(colours);
    }
    return d->treated(region, facts.planes(), run, tilePx);
}

bool Cleaner::givesColours() const
{
    return d->chain.givesColours();
}

Result<Plane<float>> Cleaner::cleanColours(Rect region, const RunContext &run, int tilePx) const
{
    assert(givesColours() && d->facts->frame->active.contains(region) && (tilePx == 0 || tilePx >= 16));
    return d->treated(region, 3, run, tilePx);
}

Plane<float> measuredOf(const Plane<float> &colours, CfaPattern cfa)
{
    Plane<float> out({colours.width() / 3, colours.height()});
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < out.width(); ++x)
            out.row(y)[x] = colours.row(y)[3 * x + int(cfa.at(x, y))];
    return out;
}

bool Cleaner::sharpens() const
{
    return d->chain.has(kSharpenStage);
}

Result<Plane<float>> Cleaner::sharpened(Rect region, const RunContext &run) const
{
    assert(sharpens() && d->facts->frame->active.contains(region));
    return d->inTiles(region, 1, run, 0, [&](Rect where, Scratch &scratch, PlaneView<float> out) {
        Tile tile(*d->facts);
        tile.wantsSharpened = true;
        d->chain.run(tile, where, scratch, kSharpenStage);
        if (!run.stop.stop_requested())
            copyRows(tile.sharpened.view().cut({0, 0, where.width, where.height}), out);
    });
}

Result<CleanedSamples> cleanForStorage(const Cleaner &cleaner, const RunContext &run, CleanCache *cache)
{
    const Frame &frame = cleaner.frame();
    if (cleaner.isIdentity())
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
        Result<Plane<float>> linear = cleaned(cleaner, band, cache, stage(run, double(top - a.y) / a.height, double(band.bottom() - a.y) / a.height));
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
