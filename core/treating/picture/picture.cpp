// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/picture.h"

#include "base/cubic.h"
#include "base/parallel.h"
#include "irenic/doubt.h"
#include "irenic/soft_proof.h"
#include "render/shows.h"
#include "render/untreated.h"

#include <cmath>
#include <numeric>

namespace irenic {

namespace {

Result<Developer> developerFor(const Cleaner &cleaner, const Look &look, const RunContext &run)
{
    std::shared_ptr<const Surroundings> surroundings;
    if (look.rendering.needsSurroundings()) {
        surroundings = surroundingsOf(cleaner.sharedFrame(), run);
        if (!surroundings)
            return cancelledError();
    }
    return Developer(cleaner.frame(), look, std::move(surroundings), cleaner.edits().lens.fringes, !cleaner.edits().lens.vignetting);
}

/// What a mosaic is developed from: the method's own full colour where it gives that, or samples in any case.
enum class From : uint8_t {
    Colours,
    Samples,
};

/// Strips of a region, each with its own halo, through one of the developer's functions.
template <class Develop>
Result<RgbImage<float>> inStrips(const Cleaner &cleaner, const Developer &given, From from, Rect region, CleanCache *cache, const RunContext &run, const Develop &develop)
{
    const Frame &frame = cleaner.frame();
    const bool colours = from == From::Colours && cleaner.givesColours();
    const Developer developer = colours ? given.ofColours() : given;
    const int halo = developer.haloPx(), n = colours ? 3 : frame.channels();
    const Rect wide = region.grownBy(halo), inside = wide.intersected(frame.active);
    Result<Plane<float>> samples = colours ? cleanedColours(cleaner, inside, cache, run) : cleaned(cleaner, inside, cache, run);
    if (!samples)
        return samples.error();
    Plane<float> padded({wide.width * n, wide.height});
    constexpr int kStrip = 64;
    const auto strips = [&](int rows, const std::function<void(int, int)> &body) {
        return parallelFor((rows + kStrip - 1) / kStrip, {run.threads, run.stop, {}, run.background}, [&](int i) { body(i * kStrip, std::min(kStrip, rows - i * kStrip)); });
    };
    const Status filled = strips(wide.height, [&](int top, int rows) {
        for (int y = top; y < top + rows; ++y) {
            const float *in = samples.value().row(frame.active.y + mirrored(wide.y + y - frame.active.y, frame.active.height) - inside.y);
            for (int x = 0; x < wide.width; ++x)
                std::copy_n(in + (frame.active.x + mirrored(wide.x + x - frame.active.x, frame.active.width) - inside.x) * n, n, padded.row(y) + x * n);
        }
    });
    if (!filled)
        return filled.error();
    auto out = RgbImage<float>::ofSize(region.size());
    const Status done = strips(region.height, [&](int top, int rows) {
        const auto strip = develop(developer, padded.constView().cut({0, top, wide.width * n, rows + 2 * halo}), frame.cfa.shifted(region.x, region.y + top), PixelAt{region.x, region.y + top});
        std::copy(strip.samples.begin(), strip.samples.end(), out.row(top));
    });
    if (!done)
        return done.error();
    return out;
}

Result<RgbImage<float>> developStraight(const Cleaner &cleaner, const Developer &developer, From from, Rect region, CleanCache *cache, const RunContext &run)
{
    return inStrips(cleaner, developer, from, region, cache, run, [&](const Developer &d, PlaneView<const float> samples, CfaPattern cfa, PixelAt corner) { return d.develop(samples, cfa, corner); });
}

/// The region at a reduction; see developReducedRegion().
Result<RgbImage<float>> reduceStraight(const Cleaner &cleaner, const Developer &developer, Rect region, int factor, CleanCache *cache, const RunContext &run)
{
    // Bands high enough that the halo above and below them costs little.
    return developInBands(cleaner.frame(), developer, region, factor, cleaner.bandRows(), run,
                          [&](Rect band) { return cleaned(cleaner, band, cache, {run.threads, run.stop, {}, run.background}); });
}

/// Catmull and Rom's cubic among the pixels of an image; `x`, `y` count pixels from the middle of the first.
void sampleCubic(const RgbImage<float> &image, float x, float y, float *out)
{
    const int i = int(std::floor(x)), j = int(std::floor(y));
    const auto wx = cubicWeights(x - float(i)), wy = cubicWeights(y - float(j));
    out[0] = out[1] = out[2] = 0;
    for (int v = 0; v < 4; ++v) {
        const float *row = image.row(std::clamp(j + v - 1, 0, image.size.height - 1));
        for (int u = 0; u < 4; ++u) {
            const float *p = row + 3 * std::clamp(i + u - 1, 0, image.size.width - 1), w = wy[size_t(v)] * wx[size_t(u)];
            for (int c = 0; c < 3; ++c)
                out[c] += w * p[c];
        }
    }
}

/// A region with its lines unbent. `develop` answers a region of the picture as it is, at the reduction.
template <class Develop>
Result<RgbImage<float>> unbent(const Unbending &unbending, Rect region, Rect crop, int factor, const RunContext &run, const Develop &develop)
{
    auto out = RgbImage<float>::ofSize({region.width / factor, region.height / factor});
    // In whole blocks that are counted from the crop's corner, so that the grid does not depend on the region.
    const Rect needed = unbending.sourceOf(region).grownBy(3 * factor).intersected(crop);
    const int x0 = crop.x + (needed.x - crop.x) / factor * factor, y0 = crop.y + (needed.y - crop.y) / factor * factor;
    const Rect source = Rect{x0, y0, (needed.right() - x0 + factor - 1) / factor * factor, (needed.bottom() - y0 + factor - 1) / factor * factor}.intersected(crop);
    if (source.width < factor || source.height < factor) {
        std::fill(out.samples.begin(), out.samples.end(), 0.f);
        return out;
    }
    const Result<RgbImage<float>> bent = develop(source);
    if (!bent)
        return bent.error();
    const Status done = parallelFor(out.size.height, {run.threads, run.stop, {}, run.background}, [&](int y) {
        for (int x = 0; x < out.size.width; ++x) {
            float sx, sy;
            unbending.source(float(region.x) + (float(x) + 0.5f) * float(factor), float(region.y) + (float(y) + 0.5f) * float(factor), sx, sy);
            if (!unbending.isBlank(sx, sy))
                sampleCubic(bent.value(), (sx - float(source.x)) / float(factor) - 0.5f, (sy - float(source.y)) / float(factor) - 0.5f, out.row(y) + 3 * x);
        }
    });
    if (!done)
        return done.error();
    return out;
}

/// What sharpening reaches, as a picture of the region at the reduction.
Result<RgbImage<float>> reachOf(const Cleaner &cleaner, Rect region, int factor, const RunContext &run)
{
    const auto asItIs = [&](Rect part) -> Result<RgbImage<float>> {
        const Result<Plane<float>> reach = cleaner.sharpened(part, run);
        if (!reach)
            return reach.error();
        auto out = RgbImage<float>::ofSize({part.width / factor, part.height / factor});
        for (int y = 0; y < out.size.height; ++y)
            for (int x = 0; x < out.size.width; ++x) {
                float sum = 0;
                for (int v = 0; v < factor; ++v)
                    sum = std::accumulate(reach.value().row(y * factor + v) + x * factor, reach.value().row(y * factor + v) + (x + 1) * factor, sum);
                std::fill_n(out.row(y) + 3 * x, 3, sum / float(factor * factor));
            }
        return out;
    };
    const Unbending unbending(cleaner.edits().lens, cleaner.frame().crop);
    return unbending.isStraight() ? asItIs(region) : unbent(unbending, region, cleaner.frame().crop, factor, run, asItIs);
}

Result<RgbImage<float>> developedFrom(From from, const Cleaner &cleaner, Rect region, const Look &look, CleanCache *cache, const RunContext &run)
{
    const Result<Developer> developer = developerFor(cleaner, look, run);
    if (!developer)
        return developer.error();
    const auto asItIs = [&](Rect part) { return developStraight(cleaner, developer.value(), from, part, cache, run); };
    const Unbending unbending(cleaner.edits().lens, cleaner.frame().crop);
    return unbending.isStraight() ? asItIs(region) : unbent(unbending, region, cleaner.frame().crop, 1, run, asItIs);
}

} // namespace

Result<RgbImage<float>> developRegion(const Cleaner &cleaner, Rect region, const Look &look, CleanCache *cache, const RunContext &run)
{
    return developedFrom(From::Colours, cleaner, region, look, cache, run);
}

Result<RgbImage<float>> developSamples(const Cleaner &cleaner, Rect region, const Look &look, CleanCache *cache, const RunContext &run)
{
    return developedFrom(From::Samples, cleaner, region, look, cache, run);
}

Result<RgbImage<float>> demosaicRegion(const Cleaner &cleaner, Rect region, CleanCache *cache, const RunContext &run)
{
    const LensCorrection &lens = cleaner.edits().lens;
    const Developer developer(cleaner.frame(), {}, nullptr, lens.fringes, !lens.vignetting);
    const auto asItIs = [&](Rect part) {
        return inStrips(cleaner, developer, From::Colours, part, cache, run, [&](const Developer &d, PlaneView<const float> samples, CfaPattern cfa, PixelAt corner) { return d.cameraColours(samples, cfa, corner); });
    };
    const Unbending unbending(cleaner.edits().lens, cleaner.frame().crop);
    return unbending.isStraight() ? asItIs(region) : unbent(unbending, region, cleaner.frame().crop, 1, run, asItIs);
}

Result<RgbImage<float>> developReducedRegion(const Cleaner &cleaner, Rect region, int factor, const Look &look, CleanCache *cache, const RunContext &run)
{
    const Frame &frame = cleaner.frame();
    const Result<Developer> developer = developerFor(cleaner, look, run);
    if (!developer)
        return developer.error();
    const auto asItIs = [&](Rect part) { return reduceStraight(cleaner, developer.value(), part, factor, cache, run); };
    const Unbending unbending(cleaner.edits().lens, frame.crop);
    return unbending.isStraight() ? asItIs(region) : unbent(unbending, region, frame.crop, factor, run, asItIs);
}

Result<RgbImage<float>> developView(const Cleaner &cleaner, Rect region, int factor, const Look &look, CleanCache *cache, const RunContext &run)
{
    Look developed = look;
    developed.show = Show::Picture;
    if (look.show == Show::Clipping)
        developed.pushEv = 0;
    const auto develop = [&](const Cleaner &c) {
        return factor == 1 ? developRegion(c, region, developed, cache, run) : developReducedRegion(c, region, factor, developed, cache, run);
    };
    Result<RgbImage<float>> treated = develop(cleaner);
    if (!treated || look.show == Show::Picture)
        return treated;
    if (look.show == Show::Spared) {
        if (!cleaner.sharpens())
            return treated;
        const Result<RgbImage<float>> reach = reachOf(cleaner, region, factor, run);
        if (!reach)
            return reach.error();
        showSpared(treated.value(), reach.value());
        return treated;
    }
    if (look.show == Show::Proof || look.show == Show::Outside) {
        static const std::shared_ptr<const SoftProof> srgb = SoftProof::from({}).value();
        const Status shown = showProof(treated.value(), look.proof ? *look.proof : *srgb, look.show == Show::Outside, {region.x / factor, region.y / factor}, run);
        if (!shown)
            return shown.error();
        return treated;
    }
    if (look.show == Show::Doubt) {
        if (factor != 1 || cleaner.treatment().isNone() || !whyNoDoubt(cleaner.frame(), *cleaner.sharedNoise()).empty())
            return treated;
        const Result<Doubt> doubt = doubtAt(cleaner, region, developed, cache, run);
        if (!doubt)
            return doubt.error();
        showDoubt(treated.value(), doubt.value().detail, doubt.value().doubt);
        return treated;
    }
    if (look.show != Show::Removed) {
        showOnly(treated.value(), look.show);
        return treated;
    }
    const Cleaner nothing = cleaner.untreated();
    Result<RgbImage<float>> untreated = develop(nothing);
    if (untreated)
        showRemoved(untreated.value(), treated.value());
    return untreated;
}

double automaticExposureEv(const std::shared_ptr<const Frame> &frame, const Rendering &rendering)
{
    Look look{.rendering = rendering};
    look.rendering.exposureEv = 0;
    look.rendering.contrast = 0;
    const Rect &crop = frame->crop;
    const int factor = std::max(2, (std::max(crop.width, crop.height) / 400 + 1) & ~1);
    const auto picture = developReducedRegion(Cleaner::untreated(frame), crop, factor, look, nullptr, {});
    if (!picture || picture.value().samples.empty())
        return 0;
    std::vector<float> tone, brightest;
    for (size_t i = 0; i < picture.value().samples.size(); i += 3) {
        const float *p = picture.value().samples.data() + i;
        tone.push_back(0.2126f * p[0] + 0.7152f * p[1] + 0.0722f * p[2]);
        brightest.push_back(std::max({p[0], p[1], p[2]}));
    }
    const auto at = [](std::vector<float> &v, double share) {
        const auto it = v.begin() + ptrdiff_t(share * double(v.size() - 1));
        std::nth_element(v.begin(), it, v.end());
        return double(std::max(*it, 1e-4f));
    };
    constexpr double kMiddle = 0.14, kLight = 0.95; // a little under mid grey: most pictures have more dark than light
    const double wanted = std::log2(kMiddle / at(tone, 0.5)), room = std::log2(kLight / at(brightest, 0.99));
    const ParamInfo &range = kRenderingParams[0].info;
    return std::clamp(std::round(20 * std::min(wanted, std::max(room, 0.0))) / 20, range.min, range.max);
}

} // namespace irenic
