// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"
#include "irenic/doubt.h"
#include "irenic/picture.h"
#include "irenic/readings.h"

#include "measure/block_noise.h"
#include "measure/flat_field.h"

namespace irenic {

Rect placeAround(const Frame &frame, UprightPoint at, int sidePx)
{
    const Size upright = frame.uprightSize();
    const int width = std::min(sidePx, upright.width), height = std::min(sidePx, upright.height);
    return frame.storedOf(UprightRect{std::clamp(at.x - width / 2, 0, upright.width - width), std::clamp(at.y - height / 2, 0, upright.height - height), width, height});
}

Result<PlaceReadings> readingsAt(const Cleaner &treated, Rect region, CleanCache *cache, const RunContext &run, const std::shared_ptr<const Frame> &truth, const RiskPlace *place)
{
    const Frame &frame = treated.frame();
    const Cleaner untreated = treated.untreated();
    const Rect whole = analysable(region);
    const Result<Plane<float>> before = untreated.clean(whole, run), after = cleaned(treated, whole, cache, run);
    if (!before || !after)
        return cancelledError();
    PlaceReadings r;
    double luminance = 0, colour = 0;
    int smooth = 0;
    const AnalysisPlanes planesBefore = analysisPlanes(frame, *treated.sharedNoise(), before.value().view(), whole);
    const AnalysisPlanes planesAfter = analysisPlanes(frame, *treated.sharedNoise(), after.value().view(), whole);
    for (const BlockNoise &b : blockNoise(planesBefore, planesAfter, whole, kPlaceBlockSamples, frame.kind == FrameKind::Mosaic)) {
        if (!b.smooth)
            continue;
        luminance += double(b.luminance) * double(b.luminance);
        colour += double(b.colour) * double(b.colour);
        ++smooth;
    }
    if (smooth > 0)
        r.left = NoiseLeft{std::sqrt(luminance / smooth), std::sqrt(colour / smooth)};
    const auto seenBefore = developRegion(untreated, region, {}, nullptr, run), seenAfter = developRegion(treated, region, {}, cache, run);
    if (!seenBefore || !seenAfter)
        return cancelledError();
    r.detailLost = detailLost(planesBefore.luminance.view(), planesAfter.luminance.view(), flatField(treated.treatment()).covariance);
    r.drift = driftBetween(seenBefore.value(), seenAfter.value()).median;
    if (treated.treatment().taste.sharpen > 0) {
        Treatment soft = treated.treatment();
        soft.taste.sharpen = 0;
        const Cleaner unsharpened(treated.sharedFrame(), treated.sharedNoise(), soft, treated.edits());
        const Result<Plane<float>> plain = cleaned(unsharpened, whole, cache, run);
        if (!plain)
            return plain.error();
        const AnalysisPlanes planesPlain = analysisPlanes(frame, *treated.sharedNoise(), plain.value().view(), whole);
        r.halo = haloShare(planesPlain.luminance.view(), planesAfter.luminance.view(), 1);
    }
    if (!treated.treatment().isNone()) { // untreated pixels are no trial
        const Result<RiskSums> risk = place ? place->risk(treated, cache, run) : riskAt(treated, region, cache, run);
        if (!risk)
            return risk.error();
        r.risk = risk.value();
        r.nearness = nearnessOf(r.risk, *treated.sharedNoise());
        if (whyNoDoubt(frame, *treated.sharedNoise()).empty()) {
            const Result<Doubt> doubt = doubtAt(treated, region, {}, cache, run);
            if (!doubt)
                return doubt.error();
            r.doubt = doubt.value().share;
        }
    }
    if (!truth)
        return r;
    const auto clean = developRegion(Cleaner::untreated(truth), truth->storedOf(frame.uprightOf(region)), {}, nullptr, run);
    if (!clean)
        return clean.error();
    // The truth was demosaiced; what a method says of colours must not count against it.
    const auto samples = treated.givesColours() ? developSamples(treated, region, {}, cache, run) : seenAfter;
    if (!samples)
        return samples.error();
    r.truth = pictureQuality(encoded16(turned(samples.value(), frame.orientation)), encoded16(clean.value()));
    return r;
}

} // namespace irenic
