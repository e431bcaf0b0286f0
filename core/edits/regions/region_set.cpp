// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/fnv.h"
#include "base/grid.h"
#include "frame/linearizer.h"
#include "frame/per_frame.h"
#include "irenic/regions.h"
#include "regions/painted.h"

#include <bit>
#include <climits>
#include <cmath>
#include <deque>

namespace irenic {

namespace {

constexpr int kBlock = FrameMaps::kBlockPx;
constexpr int kBrightnessReachPx = 4;
constexpr float kDarkestEv = -14;
constexpr float kFineFeatherPx = 2 * kBlock; // below, blocks are too coarse
constexpr int kGuideBlocks = 4;              // radius of the guided filter
constexpr float kGuideEdgeEv = 0.3f;         // what rises above this is an edge

float rising(float t)
{
    t = std::clamp(t, 0.f, 1.f);
    return t * t * (3 - 2 * t);
}

/// How one part weighs places of some brightness (null where it does not matter), `step` apart.
void weigh(const MaskPart &part, const FrameMaps *maps, const Plane<float> *ev, PaintCache &painted, PixelAt corner, int step, PlaneView<float> out)
{
    if (part.kind == MaskPart::Kind::Painted) {
        painted.paint(part.strokes, corner, step, out);
        return;
    }
    const float dx = part.to.x - part.from.x, dy = part.to.y - part.from.y, length = std::max(dx * dx + dy * dy, 1e-6f);
    const auto at = [&](int x, int y) {
        const float px = float(corner.x) + (float(x) + 0.5f) * float(step), py = float(corner.y) + (float(y) + 0.5f) * float(step);
        const auto sampled = [&](const Plane<float> &map) {
            return sampleBlocks(map, BlockPlace((px - float(maps->crop.x)) / kBlock, map.width()), BlockPlace((py - float(maps->crop.y)) / kBlock, map.height()));
        };
        switch (part.kind) {
        case MaskPart::Kind::Gradient: return rising(1 - ((px - part.from.x) * dx + (py - part.from.y) * dy) / length);
        case MaskPart::Kind::Brightness: {
            const float soft = std::max(part.softness, 0.01f), v = ev->at(x, y);
            return rising((v - part.low) / soft + 0.5f) * rising((part.high - v) / soft + 0.5f);
        }
        case MaskPart::Kind::Colour: {
            const float far = std::hypot(sampled(maps->a) - part.a, sampled(maps->b) - part.b), soft = std::max(part.softness * part.high, 0.1f);
            return rising((part.high - far) / soft + 0.5f);
        }
        case MaskPart::Kind::Sharpness: return rising((sampled(maps->sharpness) - part.low) / std::max(part.high - part.low, 0.01f));
        case MaskPart::Kind::Texture: return rising((sampled(maps->texture) - part.low) / std::max(part.high - part.low, 0.01f));
        default: return 0.f;
        }
    };
    for (int y = 0; y < out.height; ++y)
        for (int x = 0; x < out.width; ++x)
            out.row(y)[x] = at(x, y);
}

bool needsMaps(MaskPart::Kind kind)
{
    return kind == MaskPart::Kind::Colour || kind == MaskPart::Kind::Sharpness || kind == MaskPart::Kind::Texture;
}

} // namespace

/// A whole mask by blocks, and the two numbers by which brightness carries it over edges.
struct RegionSet::Coarse {
    Rect crop;
    Plane<float> mask, slope, offset;
};

namespace {

/// Of all points, which most of the regions is made of.
uint64_t digestOf(const std::vector<Region> &regions)
{
    Fnv1a<uint64_t> digest;
    const auto add = [&](float v) { digest.add(std::bit_cast<uint32_t>(v)); };
    for (const Region &r : regions)
        for (const MaskPart &part : r.parts)
            for (const Stroke &stroke : part.strokes)
                for (const StrokePoint &p : stroke.points)
                    add(p.x), add(p.y), add(p.pressure);
    return digest.value();
}

/// See RegionSet::number().
uint64_t numberOf(const std::vector<Region> &regions)
{
    struct Known {
        uint64_t number, digest;
        std::vector<Region> regions;
    };
    constexpr size_t kMostKnown = 32;
    static std::mutex mutex;
    static std::deque<Known> known; // the latest first
    static uint64_t last = 0;
    const uint64_t digest = digestOf(regions);
    const std::lock_guard lock(mutex);
    const auto same = std::find_if(known.begin(), known.end(), [&](const Known &k) { return k.digest == digest && k.regions == regions; });
    if (same != known.end())
        return same->number;
    if (known.size() == kMostKnown)
        known.pop_back();
    known.push_front({++last, digest, regions});
    return last;
}

/// For all sets of a frame: strokes stay while settings change.
std::shared_ptr<PaintCache> paintCacheOf(const std::shared_ptr<const Frame> &frame)
{
    static PerFrame<PaintCache> all;
    return all.of(frame, [] { return std::make_shared<PaintCache>(); });
}

} // namespace

RegionSet::RegionSet(std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, std::vector<Region> regions)
    : m_frame(std::move(frame)), m_noise(std::move(noise)), m_regions(std::move(regions)), m_number(numberOf(m_regions)), m_painted(paintCacheOf(m_frame)), m_coarse(m_regions.size())
{
}

void RegionSet::brightness(const Frame &frame, PixelAt corner, int step, PlaneView<float> out)
{
    // 1 2 2 2 2 2 2 2 1: every place of a two-by-two pattern has the same weight.
    constexpr int reach = kBrightnessReachPx;
    const Linearizer levels(frame);
    const Rect &a = frame.active;
    const int n = frame.channels();
    const auto linear = [&](int x, int y) {
        const int sx = a.x + mirrored(x - a.x, a.width), sy = a.y + mirrored(y - a.y, a.height);
        float v = 0;
        for (int c = 0; c < n; ++c)
            v += levels.linear(sx, sy, c);
        return v / float(n);
    };
    const auto weight = [](int k) { return k == 0 || k == 2 * reach ? 1.f : 2.f; };
    const int wide = (out.width - 1) * step + 1 + 2 * reach, x0 = corner.x + step / 2 - reach;
    std::vector<float> column(size_t(std::max(wide, 0)));
    // Sums of columns are kept from row to row only where rows are neighbours; each is added up in the same order everywhere.
    std::vector<std::vector<float>> kept(size_t(2 * reach + 1), std::vector<float>(column.size()));
    const auto slot = [&](int line) -> std::vector<float> & { return kept[size_t((line % (2 * reach + 1) + 2 * reach + 1) % (2 * reach + 1))]; };
    int last = INT_MIN;
    for (int y = 0; y < out.height; ++y) {
        const int centre = corner.y + y * step + step / 2;
        for (int k = -reach; k <= reach; ++k)
            if (last == INT_MIN || centre + k > last) {
                std::vector<float> &row = slot(centre + k);
                for (int x = 0; x < wide; ++x)
                    row[size_t(x)] = linear(x0 + x, centre + k);
            }
        last = centre + reach;
        std::fill(column.begin(), column.end(), 0.f);
        for (int k = -reach; k <= reach; ++k) {
            const std::vector<float> &row = slot(centre + k);
            const float w = weight(k + reach);
            for (int x = 0; x < wide; ++x)
                column[size_t(x)] += w * row[size_t(x)];
        }
        for (int x = 0; x < out.width; ++x) {
            float sum = 0;
            for (int k = 0; k <= 2 * reach; ++k)
                sum += weight(k) * column[size_t(x * step + k)];
            const float mean = sum / 256;
            out.row(y)[x] = mean > 1.f / (1 << 14) ? std::log2(mean) : kDarkestEv;
        }
    }
}

Rect RegionSet::reach(size_t region) const
{
    const Region &r = m_regions[region];
    const Rect &crop = m_frame->crop;
    // A feather is three means one after the other, and borders are drawn to edges by two.
    const float beyond = 3 * float(r.featherPx) + (r.followEdges > 0 ? 2 * kGuideBlocks * kBlock : 0) + kBlock;
    Rect all;
    for (const MaskPart &part : r.parts) {
        if (part.joins != MaskPart::Joins::Adds)
            continue;
        if (part.kind != MaskPart::Kind::Painted || r.inverted)
            return crop;
        for (const Stroke &stroke : part.strokes)
            for (const StrokePoint &p : stroke.points) {
                const float around = stroke.radiusPx + beyond;
                const auto within = [](float v, int low, int high) { return int(std::clamp(v, float(low), float(high))); };
                const int left = within(p.x - around, crop.x, crop.right()), right = within(p.x + around, crop.x, crop.right());
                const int top = within(p.y - around, crop.y, crop.bottom()), bottom = within(p.y + around, crop.y, crop.bottom());
                const Rect here{left, top, right - left, bottom - top};
                if (all.isEmpty())
                    all = here;
                const int x = std::min(all.x, left), y = std::min(all.y, top);
                all = {x, y, std::max(all.right(), right) - x, std::max(all.bottom(), bottom) - y};
            }
    }
    return r.inverted ? crop : all;
}

void RegionSet::sharp(const Region &region, PixelAt corner, int step, PlaneView<float> out) const
{
    std::shared_ptr<const FrameMaps> maps;
    Plane<float> ev, weights({out.width, out.height});
    for (const MaskPart &p : region.parts) {
        if (needsMaps(p.kind) && !maps)
            maps = frameMaps(m_frame, *m_noise);
        if (p.kind == MaskPart::Kind::Brightness && ev.isEmpty()) {
            ev.reset({out.width, out.height});
            brightness(*m_frame, corner, step, ev.view());
        }
    }
    for (int y = 0; y < out.height; ++y)
        std::fill_n(out.row(y), out.width, 0.f);
    for (const MaskPart &p : region.parts) {
        weigh(p, maps.get(), &ev, *m_painted, corner, step, weights.view());
        for (int y = 0; y < out.height; ++y) {
            float *o = out.row(y);
            const float *w = weights.row(y);
            for (int x = 0; x < out.width; ++x)
                o[x] = p.joins == MaskPart::Joins::Adds ? o[x] + (1 - o[x]) * w[x] : p.joins == MaskPart::Joins::Subtracts ? o[x] * (1 - w[x])
                                                                                                                           : o[x] * w[x];
        }
    }
    if (region.inverted)
        for (int y = 0; y < out.height; ++y)
            for (int x = 0; x < out.width; ++x)
                out.row(y)[x] = 1 - out.row(y)[x];
}

std::shared_ptr<const RegionSet::Coarse> RegionSet::coarse(size_t index) const
{
    const std::lock_guard lock(m_mutex);
    auto &made = m_coarse[index];
    if (made)
        return made;
    const Region &region = m_regions[index];
    const Rect &crop = m_frame->crop;
    auto c = std::make_shared<Coarse>();
    c->crop = crop;
    const Size blocks{(crop.width + kBlock - 1) / kBlock, (crop.height + kBlock - 1) / kBlock};
    constexpr int kFine = 4;
    Plane<float> fine({blocks.width * kBlock / kFine, blocks.height * kBlock / kFine});
    sharp(region, {crop.x, crop.y}, kFine, fine.view());
    c->mask.reset(blocks);
    for (int y = 0; y < blocks.height; ++y)
        for (int x = 0; x < blocks.width; ++x)
            c->mask.row(y)[x] = (fine.at(2 * x, 2 * y) + fine.at(2 * x + 1, 2 * y) + fine.at(2 * x, 2 * y + 1) + fine.at(2 * x + 1, 2 * y + 1)) / 4;
    // Three box means are near a Gaussian of that sigma.
    const int r = int(std::lround(region.featherPx / kBlock));
    for (int i = 0; region.featherPx >= kFineFeatherPx && i < 3; ++i)
        boxMean(c->mask, r);
    if (region.followEdges > 0) { // He, Sun and Tang, IEEE Trans. Pattern Anal. Mach. Intell. 35(6), 2013, on a coarse grid
        Plane<float> ev(blocks), square(blocks), product(blocks), mask = c->mask.clone();
        brightness(*m_frame, {crop.x, crop.y}, kBlock, ev.view());
        for (int y = 0; y < blocks.height; ++y)
            for (int x = 0; x < blocks.width; ++x) {
                square.row(y)[x] = ev.at(x, y) * ev.at(x, y);
                product.row(y)[x] = ev.at(x, y) * mask.at(x, y);
            }
        for (Plane<float> *p : {&ev, &square, &product, &mask})
            boxMean(*p, kGuideBlocks);
        c->slope.reset(blocks);
        c->offset.reset(blocks);
        for (int y = 0; y < blocks.height; ++y)
            for (int x = 0; x < blocks.width; ++x) {
                const float variance = std::max(0.f, square.at(x, y) - ev.at(x, y) * ev.at(x, y));
                const float slope = (product.at(x, y) - ev.at(x, y) * mask.at(x, y)) / (variance + kGuideEdgeEv * kGuideEdgeEv);
                c->slope.row(y)[x] = slope;
                c->offset.row(y)[x] = mask.at(x, y) - slope * ev.at(x, y);
            }
        boxMean(c->slope, kGuideBlocks);
        boxMean(c->offset, kGuideBlocks);
    }
    return made = c;
}

/// The mask with a border that is softened by less than blocks can tell.
void RegionSet::soft(const Region &region, PixelAt corner, int step, PlaneView<float> out) const
{
    const int r = int(std::lround(region.featherPx / step)), reach = 3 * r;
    if (r == 0)
        return sharp(region, corner, step, out);
    Plane<float> wide({out.width + 2 * reach, out.height + 2 * reach});
    sharp(region, {corner.x - reach * step, corner.y - reach * step}, step, wide.view());
    for (int i = 0; i < 3; ++i) {
        // In whole parts, so that running sums are exact and the bits do not depend on where they begin.
        constexpr float kParts = 1 << 16;
        for (int y = 0; y < wide.height(); ++y)
            for (int x = 0; x < wide.width(); ++x)
                wide.row(y)[x] = float(int(wide.row(y)[x] * kParts + 0.5f)) / kParts;
        boxMean(wide, r);
    }
    for (int y = 0; y < out.height; ++y)
        std::copy_n(wide.row(y + reach) + reach, out.width, out.row(y));
}

void RegionSet::mask(size_t index, PixelAt corner, int step, PlaneView<float> out) const
{
    const Region &region = m_regions[index];
    const bool feathers = region.featherPx >= kFineFeatherPx, follows = region.followEdges > 0;
    if (!feathers)
        soft(region, corner, step, out);
    if (!feathers && !follows)
        return;
    const auto c = coarse(index);
    Plane<float> ev;
    if (follows) {
        ev.reset({out.width, out.height});
        brightness(*m_frame, corner, step, ev.view());
    }
    std::vector<BlockPlace> columns;
    for (int x = 0; x < out.width; ++x)
        columns.emplace_back((float(corner.x - c->crop.x) + (float(x) + 0.5f) * float(step)) / kBlock, c->mask.width());
    for (int y = 0; y < out.height; ++y) {
        const BlockPlace row((float(corner.y - c->crop.y) + (float(y) + 0.5f) * float(step)) / kBlock, c->mask.height());
        for (int x = 0; x < out.width; ++x) {
            float &o = out.row(y)[x];
            const BlockPlace &column = columns[size_t(x)];
            if (feathers)
                o = sampleBlocks(c->mask, column, row);
            if (follows) {
                const float guided = std::clamp(sampleBlocks(c->slope, column, row) * ev.at(x, y) + sampleBlocks(c->offset, column, row), 0.f, 1.f);
                o += float(region.followEdges) * (guided - o);
            }
        }
    }
}

const char *partName(MaskPart::Kind kind)
{
    constexpr const char *names[] = {"painted", "gradient", "brightness", "colour", "sharpness", "texture"};
    return names[size_t(kind)];
}

std::optional<MaskPart::Kind> partFromName(const std::string &name)
{
    for (int k = 0; k <= int(MaskPart::Kind::Texture); ++k)
        if (name == partName(MaskPart::Kind(k)))
            return MaskPart::Kind(k);
    return std::nullopt;
}

const char *joinName(MaskPart::Joins joins)
{
    constexpr const char *names[] = {"adds", "subtracts", "limits"};
    return names[size_t(joins)];
}

std::optional<MaskPart::Joins> joinFromName(const std::string &name)
{
    for (int j = 0; j <= int(MaskPart::Joins::Limits); ++j)
        if (name == joinName(MaskPart::Joins(j)))
            return MaskPart::Joins(j);
    return std::nullopt;
}

MaskPart defaultPart(MaskPart::Kind kind, const Rect &crop)
{
    MaskPart p;
    p.kind = kind;
    switch (kind) {
    case MaskPart::Kind::Gradient: // from the top to the middle
        p.from = {float(crop.x) + float(crop.width) / 2, float(crop.y) + float(crop.height) * 0.15f};
        p.to = {p.from.x, float(crop.y) + float(crop.height) * 0.55f};
        break;
    case MaskPart::Kind::Brightness: // the shadows
        p.low = kDarkestEv;
        p.high = -6;
        break;
    case MaskPart::Kind::Colour:
        p.high = 15;
        p.softness = 0.5f;
        break;
    case MaskPart::Kind::Sharpness:
    case MaskPart::Kind::Texture:
        p.low = 0.3f;
        p.high = 0.7f;
        break;
    default: break;
    }
    return p;
}

} // namespace irenic
