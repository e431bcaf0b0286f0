// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"

#include "base/parallel.h"
#include "files/json.h"
#include "irenic/picture.h"
#include "lens/sensor_lens.h"
#include "methods/denoise_method.h"
#include "noise/hot_pixels.h"
#include "pipeline/point_lights.h"
#include "pipeline/stabiliser.h"
#include "pipeline/tile_grid.h"
#include "pipeline/variants.h"
#include "raw/linearizer.h"
#include "taste/blocks.h"
#include "taste/blotches.h"
#include "taste/detail.h"
#include "taste/grain.h"
#include "taste/sharpen.h"

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

} // namespace

struct Cleaner::Private {
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise;
    Treatment treatment;
    FrameEdits edits;
    Variants variants;
    bool identity;
    std::string fingerprint;
    Linearizer levels;
    std::vector<std::unique_ptr<DenoiseMethod>> methods; ///< one for every variant; null where it leaves the samples alone
    std::vector<std::pair<double, DetailFinder>> details; ///< one for every amount that some place asks for
    std::optional<BlockSoftener> softener;
    std::optional<Sharpener> sharpener;
    std::optional<SensorLens> lens;
    std::array<Stabiliser, 4> stabilisers;
    NoiseModel meanNoise;
    std::array<float, 3> neutral{1, 1, 1};
    bool grain;
    ScratchPool scratch;

    Private(std::shared_ptr<const Frame> f, std::shared_ptr<const NoiseReport> n, const Treatment &t, const FrameEdits &e)
        : frame(std::move(f)), noise(std::move(n)), treatment(t), edits(e), variants(t, usedRegions()), levels(*frame),
          stabilisers{Stabiliser(noise->cells[0]), Stabiliser(noise->cells[1]), Stabiliser(noise->cells[2]), Stabiliser(noise->cells[3])}
    {
        const bool softens = t.taste.blocks > 0 && frame->jpeg;
        const bool leavesNoise = t.taste.mix == 0 || (!softens && t.taste.blotches == 0 && std::all_of(variants.list().begin(), variants.list().end(), [](const Variant &v) { return v.luminance == 0 && v.colour == 0; }));
        const bool sharpens = variants.any(&PlaceSettings::sharpen);
        identity = leavesNoise && !sharpens && !edits.lens.changesSamples();
        if (!leavesNoise)
            for (const Variant &v : variants.list()) {
                Treatment one{t.method, v.luminance, v.colour, t.colourMethod};
                methods.push_back(one.isIdentity() ? nullptr : makeMethod(one));
            }
        if (softens && !leavesNoise)
            softener.emplace(*frame, t.taste.blocks);
        for (const PlaceSettings &p : variants.settings())
            if (!leavesNoise && p.detail > 0 && std::none_of(details.begin(), details.end(), [&](const auto &d) { return d.first == p.detail; }))
                details.emplace_back(p.detail, DetailFinder(p.detail));
        grain = !leavesNoise && variants.any(&PlaceSettings::grain);
        if (sharpens)
            sharpener.emplace(t.taste, isMosaic());
        if (edits.lens.changesSamples())
            lens.emplace(edits.lens, *frame);
        const int cells = isMosaic() ? 4 : 3;
        for (int i = 0; i < cells; ++i) {
            meanNoise.shotGain += noise->cells[size_t(i)].shotGain / float(cells);
            meanNoise.readVariance += noise->cells[size_t(i)].readVariance / float(cells);
        }
        if (frame->kind != FrameKind::Rendered)
            for (size_t c = 0; c < 3; ++c)
                neutral[c] = float(frame->colour.asShotNeutral[c]);
        describe();
    }

    const RegionSet *usedRegions() const { return treatment.regions && edits.regions && !edits.regions->regions().empty() ? edits.regions.get() : nullptr; }
    bool leavesNoise() const { return methods.empty(); }

    void describe()
    {
        if (identity)
            return;
        Json j{{"treatment", toJson(treatment)}};
        if (const RegionSet *r = usedRegions())
            j["regions"] = toJson(r->regions());
        if (edits.lens.changesSamples())
            j["lens"] = toJson(edits.lens);
        fingerprint = jsonText(j);
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

    /// A JPEG's linear colours without its blocks, over a rectangle of the active area.
    std::array<Plane<float>, 3> softened(Rect region, const std::stop_token &stop) const
    {
        std::array<Plane<float>, 3> planes{Plane<float>(region.size()), Plane<float>(region.size()), Plane<float>(region.size())};
        softener->soften(region, {planes[0].view(), planes[1].view(), planes[2].view()}, stop);
        for (size_t c = 0; c < 3; ++c) {
            const std::vector<float> &decode = frame->encoding->decode[c];
            for (int y = 0; y < region.height; ++y)
                for (float *v = planes[c].row(y), *end = v + region.width; v < end; ++v) {
                    const size_t i = std::min(size_t(*v), decode.size() - 2);
                    *v = decode[i] + (decode[i + 1] - decode[i]) * (*v - float(i));
                }
        }
        return planes;
    }

    /// One stabilised colour plane over any rectangle, mirrored at the border. `soft`, where there is one, holds linear samples of
    /// what of the rectangle lies inside the active area.
    void stabiliseColour(Rect region, int channel, const Plane<float> *soft, PlaneView<float> out) const
    {
        const Rect &a = frame->active;
        const Rect inside = region.intersected(a);
        for (int y = 0; y < region.height; ++y) {
            const int sy = a.y + mirrored(region.y + y - a.y, a.height);
            for (int x = 0; x < region.width; ++x) {
                const int sx = a.x + mirrored(region.x + x - a.x, a.width);
                out.row(y)[x] = stabilisers[size_t(channel)].forward(soft ? soft->at(sx - inside.x, sy - inside.y) : levels.linear(sx, sy, channel));
            }
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
    void giveBackPointLights(const TileInput &noisy, const TileOutput &cleaned, float strength, Scratch &s) const
    {
        const Size size{cleaned[0].width, cleaned[0].height};
        constexpr size_t kNoisyLuminance = 2, kCleanedLuminance = 3, kWeight = 4;
        const PlaneView<float> weight = s.plane(kWeight, size).view();
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

    int methodHaloPx() const
    {
        int halo = 0;
        for (const auto &m : methods)
            halo = std::max(halo, m ? m->haloPx() : 0);
        return halo;
    }
    int bestTilePx() const
    {
        int best = 0;
        for (const auto &m : methods)
            best = std::max(best, m ? m->bestTilePx() : 0);
        // Where further steps widen the halos, wider tiles waste less on them.
        const int further = linearHaloPx() + detailHaloPx() + blotchHaloPx();
        return (best ? best : 640) + 2 * further;
    }
    /// What the steps on linear samples look at, which the steps on stabilised ones must fill.
    int linearHaloPx() const { return (lens ? lens->haloPx() : 0) + (sharpener ? sharpener->haloPx() : 0) + (grain ? kGrainHaloPx : 0); }

    /// Of every region; drawn once a tile, for the widest rectangle that any of its steps looks at.
    std::vector<Plane<float>> masksOf(Rect where) const
    {
        std::vector<Plane<float>> masks;
        if (const RegionSet *regions = usedRegions())
            for (size_t r = 0; r < regions->regions().size(); ++r) {
                masks.emplace_back(where.size());
                regions->mask(r, {where.x, where.y}, 1, masks.back().view());
            }
        return masks;
    }

    /// Cleans with every pair of strengths that `finish` has places for, each place by its own.
    void runMethods(const TileInput &in, Rect finish, const Masks &masks, const TileOutput &out, Scratch &s) const
    {
        const int halo = (in.width() - finish.width) / 2, n = channels();
        const auto run = [&](const DenoiseMethod *method, const TileOutput &to) {
            if (method)
                return method->denoiseTile(in.shrunkBy(halo - method->haloPx()), finish, to, s);
            const TileInput same = in.shrunkBy(halo);
            for (int c = 0; c < n; ++c)
                copyRows(same.planes[size_t(c)], to[size_t(c)]);
        };
        if (variants.isOne())
            return run(methods[0].get(), out);
        std::vector<Plane<float>> weights;
        Plane<float> ev;
        if (treatment.taste.weighsTones()) {
            ev.reset(finish.size());
            RegionSet::brightness(*frame, {finish.x, finish.y}, 1, ev.view());
        }
        variants.weigh(masks, ev.constView(), finish.size(), weights);
        for (int c = 0; c < n; ++c)
            for (int y = 0; y < finish.height; ++y)
                std::fill_n(out[size_t(c)].row(y), finish.width, 0.f);
        constexpr size_t kOne = 70; // beyond everything else
        TileOutput one;
        for (int c = 0; c < n; ++c)
            one[size_t(c)] = s.plane(kOne + size_t(c), finish.size()).view();
        for (size_t v = 0; v < weights.size(); ++v) {
            bool used = false;
            for (int y = 0; y < finish.height && !used; ++y)
                used = std::any_of(weights[v].row(y), weights[v].row(y) + finish.width, [](float w) { return w > 0; });
            if (!used || s.stop.stop_requested())
                continue;
            run(methods[v].get(), one);
            for (int c = 0; c < n; ++c)
                for (int y = 0; y < finish.height; ++y) {
                    float *o = out[size_t(c)].row(y);
                    const float *p = one[size_t(c)].row(y), *w = weights[v].row(y);
                    for (int x = 0; x < finish.width; ++x)
                        o[x] += w[x] * p[x];
                }
        }
    }

    int blotchHaloPx() const { return treatment.taste.blotches > 0 ? kBlotchHaloPx : 0; }
    /// Around what cleanStabilised() answers, without what the methods look at.
    int stabilisedHaloPx() const { return kFinishHaloPx + blotchHaloPx() + detailHaloPx(); }
    int detailHaloPx() const { return details.empty() ? 0 : details.front().second.haloPx(); } // of one method, all alike

    /// Structure that the methods took is laid over `cleaned`, whose planes lie inside those of `wide` with detailHaloPx() to spare.
    void giveBackDetail(const TileInput &noisy, const TileOutput &wide, Rect finish, const Masks &masks, const TileOutput &cleaned, Scratch &s) const
    {
        const int halo = detailHaloPx(), n = channels();
        constexpr size_t kRemoved = 73, kFound = 76, kShare = 79;
        TileInput removed = noisy;
        TileOutput found;
        for (size_t c = 0; c < size_t(n); ++c) {
            const PlaneView<float> r = s.plane(kRemoved + c, {wide[c].width + kRowPaddingPx, wide[c].height}).view();
            for (int y = 0; y < wide[c].height; ++y)
                for (int x = 0; x < wide[c].width; ++x)
                    r.row(y)[x] = noisy.planes[c].row(y)[x] - wide[c].row(y)[x];
            removed.planes[c] = r.cut({0, 0, wide[c].width, wide[c].height});
            found[c] = s.plane(kFound + c, finish.size()).view();
            copyRows(wide[c].cut({halo, halo, finish.width, finish.height}), cleaned[c]);
        }
        const PlaneView<float> share = s.plane(kShare, finish.size()).view();
        for (const auto &[amount, finder] : details) {
            variants.shareOf(masks, &PlaceSettings::detail, amount, share);
            bool used = false;
            for (int y = 0; y < finish.height && !used; ++y)
                used = std::any_of(share.row(y), share.row(y) + finish.width, [](float w) { return w > 0; });
            if (!used || s.stop.stop_requested())
                continue;
            finder.find(removed, finish, found, s);
            for (size_t c = 0; c < size_t(n); ++c)
                for (int y = 0; y < finish.height; ++y)
                    for (int x = 0; x < finish.width; ++x)
                        cleaned[c].row(y)[x] += finder.share() * share.row(y)[x] * found[c].row(y)[x];
        }
    }

    /// The steps on stabilised samples. `out` are linear planes of `tile`, `noisyLuminance` one more where grain is kept. Once stopped, they hold anything.
    /// @param masks of tile.grownBy(stabilisedHaloPx())
    void cleanStabilised(Rect tile, const Masks &masks, const TileOutput &out, PlaneView<float> noisyLuminance, Scratch &s) const
    {
        const int n = channels(), detailHalo = detailHaloPx(), blotchHalo = blotchHaloPx();
        const Rect finish = tile.grownBy(kFinishHaloPx), evened = finish.grownBy(blotchHalo), cleanedRect = evened.grownBy(detailHalo), wide = cleanedRect.grownBy(methodHaloPx());
        constexpr size_t kNoisy = 60, kCleaned = 63, kEnergy = 66, kDetailed = 80; // beyond what any method uses
        TileInput in{{}, frame->cfa.shifted(wide.x, wide.y), isMosaic() ? nullptr : &noise->bands};
        TileOutput cleaned;
        std::array<Plane<float>, 3> soft;
        if (softener)
            soft = softened(wide.intersected(frame->active), s.stop);
        for (int c = 0; c < n; ++c) {
            const PlaneView<float> noisy = s.plane(kNoisy + size_t(c), {wide.width + kRowPaddingPx, wide.height}).view().cut({0, 0, wide.width, wide.height});
            isMosaic() ? stabiliseMosaic(wide, noisy) : stabiliseColour(wide, c, softener ? &soft[size_t(c)] : nullptr, noisy);
            in.planes[size_t(c)] = noisy;
            cleaned[size_t(c)] = s.plane(kCleaned + size_t(c), cleanedRect.size()).view();
        }
        if (s.stop.stop_requested())
            return;
        runMethods(in, cleanedRect, masks, cleaned, s);
        if (!details.empty()) {
            TileOutput detailed;
            for (int c = 0; c < n; ++c)
                detailed[size_t(c)] = s.plane(kDetailed + size_t(c), evened.size()).view();
            giveBackDetail(in.shrunkBy(methodHaloPx()), cleaned, evened, shrunkBy(masks, detailHalo), detailed, s);
            cleaned = detailed;
        }
        if (blotchHalo > 0) {
            Plane<float> share(evened.size());
            RegionSet::brightness(*frame, {evened.x, evened.y}, 1, share.view());
            for (int y = 0; y < evened.height; ++y)
                for (int x = 0; x < evened.width; ++x)
                    share.row(y)[x] = float(treatment.taste.blotches) * toneWeights(share.row(y)[x])[0];
            evenBlotches(cleaned, size_t(n), frame->cfa.shifted(evened.x, evened.y), evened, share.constView());
        }
        for (int c = 0; c < n; ++c)
            cleaned[size_t(c)] = cleaned[size_t(c)].cut({blotchHalo, blotchHalo, finish.width, finish.height});
        const TileInput noisyHere = in.shrunkBy(methodHaloPx() + detailHalo + blotchHalo);
        float strength = 0;
        for (const Variant &v : variants.list())
            strength = std::max(strength, float(std::max(v.luminance, v.colour)));
        if (s.stop.stop_requested())
            return;
        giveBackPointLights(noisyHere, cleaned, strength, s);
        const PlaneView<float> removed = s.plane(0, finish.size()).view(), energy = s.plane(kEnergy, finish.size()).view();
        for (int c = 0; c < n && !s.stop.stop_requested(); ++c) {
            const PlaneView<const float> before = noisyHere.planes[size_t(c)], after = cleaned[size_t(c)];
            for (int y = 0; y < finish.height; ++y)
                for (int x = 0; x < finish.width; ++x)
                    removed.row(y)[x] = before.row(y)[x] - after.row(y)[x];
            meanEnergy(removed, energy, s, 1);
            for (int y = 0; y < tile.height; ++y) {
                const Stabiliser pair[2] = {isMosaic() ? stabiliserAt(tile.x, tile.y + y) : stabilisers[size_t(c)],
                                            isMosaic() ? stabiliserAt(tile.x + 1, tile.y + y) : stabilisers[size_t(c)]};
                const float *v = after.row(y + kFinishHaloPx) + kFinishHaloPx, *e = energy.row(y + kFinishHaloPx) + kFinishHaloPx;
                float *o = out[size_t(c)].row(y);
                for (int x = 0; x < tile.width; ++x)
                    o[x] = pair[x & 1].inverse(v[x], e[x]);
            }
        }
        if (grain)
            noisyLuminanceOf(noisyHere, tile, noisyLuminance, s);
    }

    void noisyLuminanceOf(const TileInput &noisy, Rect tile, PlaneView<float> out, Scratch &s) const
    {
        constexpr size_t kLinear = 83;
        LinearTile linear{{}, size_t(channels()), tile};
        for (size_t c = 0; c < linear.count; ++c) {
            linear.planes[c] = s.plane(kLinear + c, tile.size()).view();
            for (int y = 0; y < tile.height; ++y)
                for (int x = 0; x < tile.width; ++x) {
                    const Stabiliser &back = isMosaic() ? stabiliserAt(tile.x + x, tile.y + y) : stabilisers[c];
                    linear.planes[c].row(y)[x] = back.algebraicInverse(noisy.planes[c].row(y + kFinishHaloPx)[x + kFinishHaloPx]);
                }
        }
        luminanceOf(linear, out);
    }

    /// `out` holds channels() samples a pixel; or, with `reachAlone`, one number: see Cleaner::sharpened().
    void cleanTile(Rect tile, const std::stop_token &stop, PlaneView<float> out, bool reachAlone = false)
    {
        auto borrowed = scratch.take();
        Scratch &s = *borrowed;
        s.stop = stop;
        const int n = channels(), halo = linearHaloPx();
        const Rect wide = tile.grownBy(halo);
        constexpr size_t kLinear = 86, kNoisyLuminance = 89, kShare = 90, kReached = 91;
        LinearTile linear{{}, size_t(n), wide};
        for (size_t c = 0; c < linear.count; ++c)
            linear.planes[c] = s.plane(kLinear + c, wide.size()).view();
        const PlaneView<float> noisyLuminance = s.plane(kNoisyLuminance, wide.size()).view(), share = s.plane(kShare, wide.size()).view();
        const int masked = leavesNoise() ? 0 : stabilisedHaloPx();
        const std::vector<Plane<float>> drawn = masksOf(wide.grownBy(masked));
        const Masks all(drawn.begin(), drawn.end());
        leavesNoise() ? copyUntreated(wide, linear.planes, 1) : cleanStabilised(wide, all, linear.planes, noisyLuminance, s);
        if (grain || sharpener) {
            const Masks masks = shrunkBy(all, masked);
            if (grain) {
                variants.spread(masks, &PlaceSettings::grain, share);
                keepGrain(linear, noisyLuminance, share, meanNoise, frame->cfa.shifted(wide.x, wide.y), neutral);
            }
            mixUntreated(wide, linear.planes);
            if (sharpener) {
                variants.spread(masks, &PlaceSettings::sharpen, share);
                const PlaneView<float> reached = reachAlone ? s.plane(kReached, wide.size()).view() : PlaneView<float>();
                sharpener->sharpen(linear, share, meanNoise, stop, reached);
                if (reachAlone)
                    copyRows(reached.cut({halo, halo, tile.width, tile.height}), out);
            }
        } else {
            mixUntreated(wide, linear.planes);
        }
        if (lens && !reachAlone)
            lens->apply(linear, tile, out);
        else if (!reachAlone)
            for (int c = 0; c < n; ++c)
                for (int y = 0; y < tile.height; ++y) {
                    const float *v = linear.planes[size_t(c)].row(y + halo) + halo;
                    float *o = out.row(y) + c;
                    for (int x = 0; x < tile.width; ++x)
                        o[x * n] = v[x];
                }
        scratch.give(std::move(borrowed));
    }

    /// `share` of the untreated samples, mirrored at the border, and the rest of what is there.
    void copyUntreated(Rect where, const TileOutput &planes, float share) const
    {
        const Rect &a = frame->active;
        const int n = channels();
        for (int y = 0; y < where.height; ++y) {
            const int sy = a.y + mirrored(where.y + y - a.y, a.height);
            for (int x = 0; x < where.width; ++x) {
                const int sx = a.x + mirrored(where.x + x - a.x, a.width);
                for (int c = 0; c < n; ++c) {
                    float &v = planes[size_t(c)].row(y)[x];
                    const float untreated = levels.linear(sx, sy, c);
                    v = share == 1 ? untreated : v + share * (untreated - v);
                }
            }
        }
    }
    void mixUntreated(Rect where, const TileOutput &planes) const
    {
        if (treatment.taste.mix < 1 && !leavesNoise())
            copyUntreated(where, planes, float(1 - treatment.taste.mix));
    }

    /// A region in tiles; `samples` a pixel.
    Result<Plane<float>> inTiles(Rect region, int samples, bool reachAlone, const RunContext &run, int tilePx)
    {
        Plane<float> out({region.width * samples, region.height});
        const TileGrid grid = tilePx > 0 ? TileGrid{(region.width + tilePx - 1) / tilePx, (region.height + tilePx - 1) / tilePx, tilePx, tilePx}
                                         : tileGridFor(region.size(), bestTilePx(), linearHaloPx() + stabilisedHaloPx() + methodHaloPx(), run.threads > 0 ? run.threads : availableThreads());
        const Status done = parallelFor(grid.across * grid.down, run, [&](int i) {
            const Rect local = Rect{i % grid.across * grid.width, i / grid.across * grid.height, grid.width, grid.height}.intersected({0, 0, region.width, region.height});
            if (!local.isEmpty())
                cleanTile(local.movedBy(region.x, region.y), run.stop, out.view().cut({local.x * samples, local.y, local.width * samples, local.height}), reachAlone);
        });
        if (!done)
            return done.error();
        return out;
    }
};

Cleaner::Cleaner(std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const Treatment &treatment, const FrameEdits &edits)
    : d(std::make_unique<Private>(std::move(frame), std::move(noise), treatment, edits))
{
}

Cleaner::Cleaner(Cleaner &&) noexcept = default;
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

const FrameEdits &Cleaner::edits() const
{
    return d->edits;
}

bool Cleaner::isIdentity() const
{
    return d->identity;
}

const std::string &Cleaner::fingerprint() const
{
    return d->fingerprint;
}

Cleaner Cleaner::untreated() const
{
    return Cleaner(d->frame, d->noise, Treatment{d->treatment.method, 0, 0}, {nullptr, d->edits.lens});
}

int Cleaner::bandRows() const
{
    return d->identity ? 1024 : 2 * d->bestTilePx();
}

Result<Plane<float>> Cleaner::clean(Rect region, const RunContext &run, int tilePx) const
{
    assert(d->frame->active.contains(region) && (tilePx == 0 || tilePx >= 16));
    if (d->identity) {
        Plane<float> out({region.width * d->channels(), region.height});
        constexpr int kStrip = 32;
        const Status done = parallelFor((region.height + kStrip - 1) / kStrip, {run.threads, run.stop, {}, run.background}, [&](int i) {
            const Rect strip{region.x, region.y + i * kStrip, region.width, std::min(kStrip, region.height - i * kStrip)};
            d->copyLinear(strip, out.view().cut({0, i * kStrip, out.width(), strip.height}));
        });
        if (!done)
            return done.error();
        return out;
    }
    return d->inTiles(region, d->channels(), false, run, tilePx);
}

bool Cleaner::sharpens() const
{
    return d->sharpener.has_value();
}

Result<Plane<float>> Cleaner::sharpened(Rect region, const RunContext &run) const
{
    assert(sharpens() && d->frame->active.contains(region));
    return d->inTiles(region, 1, true, run, 0);
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
