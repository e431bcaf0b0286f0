// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/doubt.h"

#include "base/grid.h"
#include "irenic/picture.h"
#include "irenic/sentence.h"
#include "noise/noise_field.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kDetailReachPx = 3, kLocalReachPx = 4;
constexpr float kLeastDetail = 1.f / 255; ///< RMS of encoded luma under which nobody sees detail

/// Encoded luma less its local mean.
Plane<float> detailOf(const RgbImage<float> &linear)
{
    Plane<float> luma(linear.size), mean(linear.size);
    for (int y = 0; y < luma.height(); ++y)
        for (int x = 0; x < luma.width(); ++x) {
            const float *p = linear.row(y) + 3 * x;
            mean.at(x, y) = luma.at(x, y) = 0.299f * srgbEncoded(p[0]) + 0.587f * srgbEncoded(p[1]) + 0.114f * srgbEncoded(p[2]);
        }
    boxMean(mean, kDetailReachPx);
    for (int y = 0; y < luma.height(); ++y)
        for (int x = 0; x < luma.width(); ++x)
            luma.at(x, y) -= mean.at(x, y);
    return luma;
}

/// As the sensor has it now: what was wrong with single pixels and rows is gone from a treated picture.
std::shared_ptr<const NoiseReport> withoutFaults(const NoiseReport &noise)
{
    auto report = std::make_shared<NoiseReport>(noise);
    report->hotPixels.clear();
    report->banding = {};
    return report;
}

/// A treated picture's samples, photographed again. Fails as sharedNoise().
Result<Disturbance> photographedAgain(const std::shared_ptr<const OtherSamples> &scene, const Frame &frame, const NoiseReport &noise, uint64_t seed, const RunContext &run)
{
    if (!isNoiseShared(frame, noise))
        return Disturbance{seed, 1, scene};
    const Result<Plane<float>> laidOver = sharedNoise(frame, noise, scene->where, scene->linear.constView(), seed, run);
    if (!laidOver)
        return laidOver.error();
    OtherSamples again{scene->where, scene->linear.clone()};
    for (int y = 0; y < again.where.height; ++y)
        for (int i = 0; i < again.linear.width(); ++i)
            again.linear.at(i, y) += laidOver.value().at(i, y);
    return Disturbance{seed, 0, std::make_shared<const OtherSamples>(std::move(again))};
}

} // namespace

std::string whyNoDoubt(const Frame &frame, const NoiseReport &noise)
{
    if (frame.kind == FrameKind::Rendered)
        return sentence("Doubt can be told of raw frames alone: what was done to the noise of a finished picture is not known.");
    if (frame.kind == FrameKind::Linear && !(noise.beforeColours && frame.beforeColours))
        return sentence("Doubt cannot be told of full colour whose sensor samples are gone: what demosaicing made of their noise is not known well enough.");
    return {};
}

Result<Doubt> doubtAt(const Cleaner &treated, Rect region, const Look &look, CleanCache *cache, const RunContext &run)
{
    const std::shared_ptr<const Frame> frame = treated.sharedFrame();
    // What is undone of the lens is undone once more below.
    const Cleaner scene(frame, treated.sharedNoise(), treated.treatment(), {treated.edits().regions, {}});
    const Cleaner photographed(frame, withoutFaults(*treated.sharedNoise()), treated.treatment(), treated.edits());
    const Unbending unbending(treated.edits().lens, frame->crop);
    const Rect wide = (unbending.isStraight() ? region : unbending.sourceOf(region)).grownBy(Developer::kHaloPx + photographed.haloPx()).intersected(frame->active);
    Result<Plane<float>> samples = cleaned(scene, wide, cache, run);
    const Result<RgbImage<float>> is = samples ? developRegion(treated, region, look, cache, run) : samples.error();
    if (!is)
        return is.error();
    const auto of = std::make_shared<const OtherSamples>(OtherSamples{wide, samples.take()});
    Doubt d;
    d.detail = detailOf(is.value());
    Plane<float> change(d.detail.size(), 0.f), energy(d.detail.size());
    constexpr int kPhotographs = 2;
    for (uint64_t seed = 1; seed <= kPhotographs; ++seed) {
        const Result<Disturbance> moved = photographedAgain(of, *frame, *treated.sharedNoise(), seed, run);
        const Result<RgbImage<float>> again = moved ? developRegion(photographed.disturbed(moved.value()), region, look, nullptr, run) : moved.error();
        if (!again)
            return again.error();
        const Plane<float> detail = detailOf(again.value());
        for (int y = 0; y < change.height(); ++y)
            for (int x = 0; x < change.width(); ++x) {
                const float by = detail.at(x, y) - d.detail.at(x, y);
                change.at(x, y) += by * by / kPhotographs;
            }
    }
    for (int y = 0; y < energy.height(); ++y)
        for (int x = 0; x < energy.width(); ++x)
            energy.at(x, y) = d.detail.at(x, y) * d.detail.at(x, y);
    boxMean(change, kLocalReachPx);
    boxMean(energy, kLocalReachPx);
    d.doubt = Plane<float>(change.size());
    double doubtful = 0, all = 0;
    for (int y = 0; y < change.height(); ++y)
        for (int x = 0; x < change.width(); ++x) {
            const float e = std::max(energy.at(x, y), 0.f);
            d.doubt.at(x, y) = e > 0 ? std::clamp(change.at(x, y) / e, 0.f, 1.f) : 1;
            if (e < kLeastDetail * kLeastDetail)
                continue;
            const double size = std::abs(double(d.detail.at(x, y)));
            all += size;
            doubtful += size * double(d.doubt.at(x, y));
        }
    d.share = all > 0 ? doubtful / all : 0;
    return d;
}

} // namespace irenic
