// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/nearness.h"

#include "base/grid.h"
#include "base/parallel.h"
#include "frame/linearizer.h"
#include "irenic/clean.h"
#include "irenic/clean_cache.h"
#include "irenic/develop.h"
#include "irenic/measure_noise.h"
#include "irenic/sentence.h"
#include "measure/block_noise.h"
#include "measure/psnr.h"
#include "noise/noise_field.h"

#include <cmath>
#include <numeric>

namespace irenic {

namespace {

constexpr float kDisturbed = 0.25f; ///< sigmas
constexpr int kPlacesAcross = 4;    ///< of placesAllOver(), at the most
constexpr int kRiskBlockPx = 32;    ///< wider than what a method looks at at once, so that blocks say something of their own

/// Linear colours of samples that are moved along a direction: the derivative of developing, but for the tone curve.
class Developing
{
public:
    Developing(const Frame &frame, PlaneView<const float> at, const CfaPattern &cfa, PixelAt corner) : m_developer(frame), m_at(at), m_cfa(cfa), m_corner(corner) {}

    /// As it is. Three numbers a pixel, without the halo.
    std::vector<float> colours() const
    {
        const RgbImage<float> image = m_developer.develop(m_at, m_cfa, m_corner);
        return {image.samples.begin(), image.samples.end()};
    }

    /// Likewise, how much they move.
    std::vector<float> along(const Plane<float> &direction) const
    {
        // Demosaicing decides by what it sees: over a smaller step such a decision would weigh more than it does in the picture.
        constexpr float kStep = 0.5f;
        const RgbImage<float> up = moved(direction, kStep), down = moved(direction, -kStep);
        std::vector<float> out(up.samples.size());
        for (size_t i = 0; i < out.size(); ++i)
            out[i] = (up.samples[i] - down.samples[i]) / (2 * kStep);
        return out;
    }

private:
    RgbImage<float> moved(const Plane<float> &direction, float step) const
    {
        Plane<float> moved({m_at.width, m_at.height});
        for (int y = 0; y < m_at.height; ++y)
            for (int x = 0; x < m_at.width; ++x)
                moved.at(x, y) = m_at.at(x, y) + step * direction.at(x, y);
        return m_developer.develop(moved.constView(), m_cfa, m_corner);
    }

    Developer m_developer;
    PlaneView<const float> m_at;
    CfaPattern m_cfa;
    PixelAt m_corner;
};

/// srgbEncoded(), from a table.
float encodedOf(float linear)
{
    constexpr int kEntries = 1 << 16;
    static const std::vector<float> table = [] {
        std::vector<float> t(kEntries + 1);
        for (int i = 0; i <= kEntries; ++i)
            t[size_t(i)] = srgbEncoded(float(i) / kEntries);
        return t;
    }();
    return table[size_t(std::clamp(linear, 0.f, 1.f) * kEntries)];
}

/// How much of an error of that sigma about a linear value is seen in the encoded one: root mean square over a Gaussian, by five-point Gauss-Hermite quadrature.
float slopeOver(float linear, float sigma)
{
    constexpr float kAt[] = {1.3556262f, 2.8569700f}, kWeight[] = {0.2220759f, 0.0112574f};
    const float middle = encodedOf(linear), s = std::max(sigma, 1e-5f);
    float square = 0;
    for (int k = 0; k < 2; ++k)
        for (const float side : {-1.f, 1.f}) {
            const float d = encodedOf(linear + side * kAt[k] * s) - middle;
            square += kWeight[k] * d * d;
        }
    return std::sqrt(square) / s;
}

/// Means of a function of each number over 7 x 7 pixels, colour by colour.
template <class Of>
std::vector<float> meansOf(const std::vector<float> &rgb, Size size, const Of &of)
{
    constexpr int kReachPx = 3;
    std::vector<float> out(rgb.size());
    Plane<float> plane(size);
    for (size_t c = 0; c < 3; ++c) {
        const auto at = [&](int x, int y) { return 3 * (size_t(y) * size_t(size.width) + size_t(x)) + c; };
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x)
                plane.at(x, y) = of(rgb[at(x, y)]);
        boxMean(plane, kReachPx);
        for (int y = 0; y < size.height; ++y)
            for (int x = 0; x < size.width; ++x)
                out[at(x, y)] = plane.at(x, y);
    }
    return out;
}

/// Local root mean square of a picture of noise.
std::vector<float> spreadOf(const std::vector<float> &noise, Size size)
{
    std::vector<float> out = meansOf(noise, size, [](float v) { return v * v; });
    for (float &v : out)
        v = std::sqrt(std::max(v, 0.f));
    return out;
}

/// A picture with local means where it varies no more than what a method leaves of the noise: slopes there may not hang on the noise that they weigh.
std::vector<float> calmed(std::vector<float> rgb, Size size, const std::vector<float> &spread)
{
    constexpr float kLeftSquare = 0.5f; // of the noise's
    const std::vector<float> mean = meansOf(rgb, size, [](float v) { return v; }), squares = meansOf(rgb, size, [](float v) { return v * v; });
    for (size_t i = 0; i < rgb.size(); ++i) {
        const float variance = squares[i] - mean[i] * mean[i], noise = kLeftSquare * spread[i] * spread[i];
        rgb[i] = mean[i] + (rgb[i] - mean[i]) * (variance > noise ? (variance - noise) / variance : 0.f);
    }
    return rgb;
}

/// What signals and slopes are read from: that of the quickest method.
Treatment calmTreatment()
{
    const auto all = methods();
    return {std::min_element(all.begin(), all.end(), [](const MethodInfo &a, const MethodInfo &b) { return a.secondsPerMegapixel < b.secondsPerMegapixel; })->id};
}

} // namespace

RiskSums &RiskSums::operator+=(const RiskSums &o)
{
    removed += o.removed;
    followed += o.followed;
    noise += o.noise;
    square += o.square;
    luma += o.luma;
    ofBlocks += o.ofBlocks;
    pixels += o.pixels;
    blocks += o.blocks;
    overLaw += o.overLaw;
    judged += o.judged;
    return *this;
}

namespace {

/// Where neighbours share nothing there is no picture: such blocks tell the variance of noise apart from the law.
void holdAgainstLaw(RiskSums &sums, const Frame &frame, const NoiseReport &noise, PlaneView<const float> untreated, Rect region)
{
    constexpr double kMostShared = 1.4, kMostOff = 3; // of means of 4 x 4; of the law's variance, either way: else it is no noise of this frame's
    const AnalysisPlanes planes = analysisPlanes(frame, noise, untreated, region);
    const Size size = planes.luminance.size();
    for (int y = 0; y + kPlaceBlockSamples <= size.height; y += kPlaceBlockSamples)
        for (int x = 0; x + kPlaceBlockSamples <= size.width; x += kPlaceBlockSamples) {
            double over = 0;
            bool isNoise = true;
            for (const Plane<float> AnalysisPlanes::*plane : {&AnalysisPlanes::luminance, &AnalysisPlanes::redBlue, &AnalysisPlanes::greenness}) {
                const auto block = (planes.*plane).view().cut({x, y, kPlaceBlockSamples, kPlaceBlockSamples});
                const double fine = varianceAboutSlope(block), coarse = coarseVariance(block);
                isNoise = isNoise && coarse < kMostShared * fine && fine < kMostOff && fine > 1 / kMostOff;
                over += fine / 3;
            }
            if (isNoise) {
                sums.overLaw += over;
                ++sums.judged;
            }
        }
}

} // namespace

struct RiskPlace::Private {
    std::shared_ptr<const NoiseReport> noise;
    bool isShared = false; ///< the noise, by neighbours
    Disturbance probe;
    Rect inside, wide;                    ///< whose pixels count, and what developing them reaches
    Plane<float> calm, untreated;         ///< signals with hardly any noise, and the frame's own less their banding
    Plane<float> drawn;                   ///< noise of the law's; Frame::channels() a pixel, as the others
    std::vector<float> noiseLike, probed; ///< as developed: noise of the law's, and what the change of a disturbed answer is held against
    RiskSums law;                         ///< what is known of the law here
    std::vector<float> tones, spread;     ///< the picture without what looks like noise, and the local size of noise in it

    /// A mended pixel has no noise of the law's, neither before nor after.
    void forgetBad(Plane<float> &plane) const
    {
        for (const PixelAt &bad : noise->hotPixels)
            if (wide.contains({bad.x, bad.y, 1, 1}))
                plane.at(bad.x - wide.x, bad.y - wide.y) = 0;
    }
    /// The frame's samples, as they are, with a part of such noise laid over those that count; what lies around is right as it is, since it would move them by chance alone.
    std::shared_ptr<const OtherSamples> moved(const Frame &frame, int haloPx) const
    {
        const Linearizer levels(frame);
        const int channels = frame.channels();
        OtherSamples other{wide.grownBy(haloPx).intersected(frame.active), {}};
        other.linear.reset({other.where.width * channels, other.where.height});
        for (int y = 0; y < other.where.height; ++y)
            for (int i = 0; i < other.linear.width(); ++i) {
                const int sx = other.where.x + i / channels, sy = other.where.y + y, c = i % channels;
                other.linear.at(i, y) = levels.linear(sx, sy, c) + (wide.contains({sx, sy, 1, 1}) ? kDisturbed * drawn.at((sx - wide.x) * channels + c, sy - wide.y) : 0);
            }
        return std::make_shared<const OtherSamples>(std::move(other));
    }
    Developing developing(const Frame &frame) const { return {frame, calm.constView(), frame.cfa.shifted(inside.x, inside.y), inside.corner()}; }
};

Result<RiskPlace> RiskPlace::at(const std::shared_ptr<const Frame> &frame, std::shared_ptr<const NoiseReport> noise, Rect region, CleanCache *cache, const RunContext &run, uint64_t seed)
{
    const bool mosaic = frame->kind == FrameKind::Mosaic;
    const int halo = mosaic ? Developer::kHaloPx : 0;
    auto d = std::make_shared<Private>();
    d->inside = region.intersected(frame->active.grownBy(-halo));
    d->wide = d->inside.grownBy(halo);
    d->probe = {seed, kDisturbed};
    d->noise = std::move(noise);
    if (d->inside.isEmpty() || !whyNoNearness(*frame, *d->noise).empty()) {
        d->inside = {};
        return RiskPlace(d);
    }
    d->isShared = isNoiseShared(*frame, *d->noise);
    const Rect wide = d->wide;
    // Signals and slopes are read where hardly any noise is left: a slope of the tone curve at a noisy sample is too steep in the mean.
    Result<Plane<float>> calm = cleaned(Cleaner(frame, d->noise, calmTreatment()), wide, cache, run), untreated = Cleaner::untreated(frame).clean(wide, run);
    if (!calm || !untreated)
        return cancelledError();
    if (const Rect whole = analysable(d->inside); !d->isShared && !whole.isEmpty())
        holdAgainstLaw(d->law, *frame, *d->noise, untreated.value().view().cut({whole.x - wide.x, whole.y - wide.y, whole.width, whole.height}), whole);
    d->calm = calm.take();
    d->untreated = untreated.take();
    Plane<float> probed;
    if (d->isShared) {
        Result<Plane<float>> drawn = sharedNoise(*frame, *d->noise, wide, d->calm.constView(), seed, run);
        if (!drawn && drawn.error().code == ErrorCode::Cancelled)
            return drawn.error();
        if (!drawn) { // as where there is nothing to tell
            d->inside = {};
            return RiskPlace(d);
        }
        d->drawn = drawn.take();
    } else {
        d->drawn.reset(wide.size());
        probed.reset(wide.size());
    }
    for (int y = 0; y < wide.height && mosaic; ++y)
        for (int x = 0; x < wide.width; ++x) {
            const int sx = wide.x + x, sy = wide.y + y;
            const NoiseModel &law = d->noise->modelAt(sx, sy, 0, true);
            if (!d->isShared) {
                const float drawn = d->probe.at(sx, sy, 0);
                // Not cut at black, where half of what is left of the noise lies below: in the mean, the variance would be too high.
                const float variance = std::max(law.shotGain * d->calm.at(x, y) + law.readVariance, 0.1f * law.readVariance);
                d->drawn.at(x, y) = std::sqrt(variance) * drawn;
                probed.at(x, y) = variance / law.sigmaAt(d->untreated.at(x, y)) * drawn; // the disturbance goes by the noisy sample's sigma
            }
            d->untreated.at(x, y) -= d->noise->banding.at(sx - frame->active.x, sy - frame->active.y);
        }
    if (mosaic)
        d->forgetBad(d->drawn);
    if (d->isShared)
        probed = d->drawn.clone();
    else
        d->forgetBad(probed);
    const Developing developing = d->developing(*frame);
    std::vector<float> colours;
    const Status developed = parallelFor(3, {run.threads, run.stop, {}, run.background}, [&](int i) {
        if (i == 0)
            d->noiseLike = developing.along(d->drawn);
        else if (i == 1)
            d->probed = developing.along(probed);
        else
            colours = developing.colours();
    });
    if (!developed)
        return developed.error();
    d->spread = spreadOf(d->noiseLike, d->inside.size());
    d->tones = calmed(std::move(colours), d->inside.size(), d->spread);
    return RiskPlace(d);
}

Result<RiskSums> RiskPlace::risk(const Cleaner &treated, CleanCache *cache, const RunContext &run) const
{
    if (d->inside.isEmpty())
        return RiskSums{};
    const Rect wide = d->wide, inside = d->inside;
    // What is undone of the lens moves samples, and is no part of what was taken.
    const Cleaner plain(treated.sharedFrame(), treated.sharedNoise(), treated.treatment(), {treated.edits().regions, {}});
    const Disturbance moved = d->isShared ? Disturbance{d->probe.seed, 0, d->moved(treated.frame(), plain.haloPx())} : d->probe;
    // Nobody will ask for the disturbed answer again: it would only drive others out of the cache.
    const Result<Plane<float>> after = cleaned(plain, wide, cache, run), disturbed = plain.disturbed(moved).clean(wide, run);
    if (!after || !disturbed)
        return cancelledError();
    Plane<float> removed(after.value().size()), follows(after.value().size());
    for (int y = 0; y < wide.height; ++y)
        for (int x = 0; x < removed.width(); ++x) {
            const float is = after.value().at(x, y);
            removed.at(x, y) = is - d->untreated.at(x, y);
            follows.at(x, y) = (disturbed.value().at(x, y) - is) / kDisturbed;
        }
    if (treated.frame().kind == FrameKind::Mosaic)
        for (Plane<float> *plane : {&removed, &follows})
            d->forgetBad(*plane);
    const Developing developing = d->developing(treated.frame());
    std::vector<float> a, q;
    const std::vector<float> &n = d->noiseLike, &p = d->probed, &tones = d->tones;
    const Status developed = parallelFor(2, {run.threads, run.stop, {}, run.background}, [&](int i) { (i == 0 ? a : q) = developing.along(i == 0 ? removed : follows); });
    if (!developed)
        return developed.error();
    // Slopes are those over the error that is left, which they are needed for.
    std::vector<float> slope(n.size());
    double share = 0.3; // of the noise's square that is left
    for (int round = 0; round < 4; ++round) {
        double left = 0, all = 0;
        for (size_t i = 0; i < n.size(); ++i) {
            slope[i] = slopeOver(tones[i], std::sqrt(float(share)) * d->spread[i]);
            const double w = double(slope[i]) * double(slope[i]);
            left += w * double(a[i] * a[i] + 2 * p[i] * q[i] - n[i] * n[i]);
            all += w * double(n[i] * n[i]);
        }
        share = all > 0 ? std::clamp(left / all, 0.01, 2.0) : share;
    }
    const auto seen = [&](const std::vector<float> &v, size_t i) { return slope[i] * v[i]; };
    const auto lumaAt = [&](const std::vector<float> &v, size_t i) { return 0.299f * seen(v, i) + 0.587f * seen(v, i + 1) + 0.114f * seen(v, i + 2); };
    RiskSums sums = d->law;
    for (int by = 0; by < inside.height; by += kRiskBlockPx)
        for (int bx = 0; bx < inside.width; bx += kRiskBlockPx) {
            RiskSums block;
            for (int y = by; y < std::min(by + kRiskBlockPx, inside.height); ++y)
                for (int x = bx; x < std::min(bx + kRiskBlockPx, inside.width); ++x) {
                    const size_t i = 3 * (size_t(y) * size_t(inside.width) + size_t(x));
                    for (size_t c = i; c < i + 3; ++c) {
                        const double w = double(slope[c]) * double(slope[c]);
                        block.removed += w * double(a[c] * a[c]);
                        block.followed += w * double(p[c] * q[c]);
                        block.noise += w * double(n[c] * n[c]);
                    }
                    const float la = lumaAt(a, i), ln = lumaAt(n, i), lp = lumaAt(p, i), lq = lumaAt(q, i);
                    block.luma += double(la * la + 2 * lp * lq - ln * ln);
                    block.pixels += 1;
                }
            block.square = block.removed + 2 * block.followed - block.noise;
            block.ofBlocks = block.square * block.square;
            block.blocks = 1;
            sums += block;
        }
    return sums;
}

Result<RiskSums> riskAt(const Cleaner &treated, Rect region, CleanCache *cache, const RunContext &run, uint64_t seed)
{
    const Result<RiskPlace> place = RiskPlace::at(treated.sharedFrame(), treated.sharedNoise(), region, cache, run, seed);
    return place ? place.value().risk(treated, cache, run) : place.error();
}

namespace {

/// Standard deviation of the measured over the true variance of noise.
double lawDoubtOf(const NoiseReport &noise)
{
    // Sigma is right within a twentieth where it is sure, and within a third where nothing in the frame is smooth.
    constexpr double kSure = 0.1, kUnsure = 0.7, kOfSpectrum = 0.25; // the last where how much neighbours share was measured, too
    return std::max(kSure, noise.spectrum ? kOfSpectrum : 0) + (kUnsure - kSure) * std::max(0.0, 1 - noise.confidence / kSureOfLaw);
}

/// By how much the variance of noise was found to be off the law, where that is no chance.
double offLaw(const RiskSums &s)
{
    constexpr double kRoom = 0.06; // a block with a little picture in it, or a law that is a fortieth out
    if (s.judged < 1)
        return 0;
    const double off = std::abs(s.overLaw / s.judged - 1), chance = std::sqrt(2.0 / (3.0 * kPlaceBlockSamples * kPlaceBlockSamples * s.judged));
    return off > kRoom + 2 * chance ? off : 0;
}

} // namespace

std::optional<Nearness> nearnessOf(const RiskSums &s, const NoiseReport &noise)
{
    if (s.pixels <= 0)
        return std::nullopt;
    const double off = offLaw(s);
    const double mean = s.square / (3 * s.pixels), blocks = std::max(s.blocks, 1);
    const double scatter = std::sqrt(std::max(s.ofBlocks / blocks - s.square / blocks * (s.square / blocks), 0.0) / blocks) * blocks; // of the sum
    const double law = std::max(lawDoubtOf(noise), off) * (2 * s.followed - s.noise) / (3 * s.pixels), error = std::hypot(scatter / (3 * s.pixels), law);
    // Where the estimate is no more than its own error, not even its order of magnitude is known.
    const double errorDb = mean > error ? std::min((psnrDb(mean - error) - psnrDb(mean + error)) / 2, Nearness::kUnknownDb) : Nearness::kUnknownDb;
    const double best = s.removed > 0 ? std::clamp((s.noise - s.followed) / s.removed, 0.0, 1.0) : 1;
    const double atBest = best * best * s.removed - 2 * best * (s.noise - s.followed) + s.noise;
    return Nearness{psnrDb(mean), psnrDb(s.luma / s.pixels), errorDb, mean, best, psnrDb(atBest / (3 * s.pixels)), law, off > 0 ? s.overLaw / s.judged : 0};
}

std::vector<std::optional<Standing>> standingsOf(const std::vector<std::optional<Nearness>> &trials)
{
    constexpr double kMethodsDb = 0.1; // by which estimates of different methods are off against each other where the law is right (irenic-bench nearness)
    const Nearness *best = nullptr;
    for (const auto &t : trials)
        if (t && (!best || t->square < best->square))
            best = &*t;
    std::vector<std::optional<Standing>> standings(trials.size());
    if (std::count_if(trials.begin(), trials.end(), [](const auto &t) { return t.has_value(); }) < 2)
        return standings;
    for (size_t i = 0; i < trials.size(); ++i) {
        if (!trials[i])
            continue;
        const Nearness &t = *trials[i];
        // The same noise at the same place: what is wrong with the law moves both.
        const auto behind = [&](double doubts) { return psnrDb(best->square + doubts * best->ofLaw) - psnrDb(t.square + doubts * t.ofLaw); };
        const double ofLaw = std::min(std::abs(behind(1) - behind(-1)) / 2, Nearness::kUnknownDb);
        standings[i] = Standing{&t == best ? 0 : behind(0), &t == best ? 0 : std::hypot(ofLaw, kMethodsDb), &t == best};
    }
    return standings;
}

std::string whyNoNearness(const Frame &frame, const NoiseReport &noise)
{
    constexpr double kLeastConfidence = 0.1, kLeastOfShared = 0.5; // where neighbours share noise, an error of the law is worse
    constexpr float kLeastNoise = 0.04f;                           // below, an error of the law decides which trial seems nearer (photographs of python3-skimage, ISO 400)
    if (frame.kind == FrameKind::Rendered)
        return sentence("Nearness can be estimated of raw frames alone: what was done to the noise of a finished picture is not known.");
    if (frame.kind == FrameKind::Linear && !(noise.beforeColours && frame.beforeColours))
        return sentence("Nearness cannot be estimated of full colour whose sensor samples are gone: what demosaicing made of their noise is not known well enough.");
    if (isNoiseShared(frame, noise) && noise.luminanceNoise < kLeastNoise)
        return sentence("Nearness cannot be estimated here: neighbours share what little noise there is.");
    if (noise.confidence < (isNoiseShared(frame, noise) ? kLeastOfShared : kLeastConfidence))
        return sentence("Nearness cannot be estimated here: the noise is hardly more than guessed.");
    return {};
}

namespace {

/// At each of several places, in their order.
Result<std::vector<RiskSums>> risksAt(const Cleaner &treated, const std::vector<Rect> &places, CleanCache *cache, const RunContext &run)
{
    std::vector<RiskSums> risks(places.size());
    // One place a thread where there are many: of a single one the method makes use of all.
    const RunContext alone{places.size() > 1 ? 1 : run.threads, run.stop, {}, run.background};
    const Status done = parallelFor(int(places.size()), run, [&](int i) {
        if (const Result<RiskSums> risk = riskAt(treated, places[size_t(i)], cache, alone))
            risks[size_t(i)] = risk.value();
    });
    if (!done)
        return done.error();
    return risks;
}

/// A mosaic, and what was measured of it.
struct Measured {
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise;
};

/// Parts of a mosaic of one size side by side, as a frame of its own. (Each by itself would have its surroundings computed, too: twice the time.) Without banding, and with one black for
/// each place of the pattern.
/// @param parts  inside Frame::active, even in number of pixels
Measured sideBySide(const Frame &frame, const NoiseReport &noise, const std::vector<Rect> &parts)
{
    const int across = parts.size() % kPlacesAcross == 0 ? kPlacesAcross : 1;
    const Size part = parts.front().size();
    auto all = std::make_shared<Frame>(static_cast<const FrameFacts &>(frame));
    all->samples = Plane<uint16_t>({across * part.width, int(parts.size()) / across * part.height});
    all->active = all->crop = {0, 0, all->samples.width(), all->samples.height()};
    const std::array<float, 4> black = frame.levels.blackOfCell();
    // By place in the pattern of the stored samples, as the new frame's corner has it; that of the levels is anchored at the active area.
    const auto blackAt = [&](int x, int y) { return black[size_t(((x ^ frame.active.x) & 1) + 2 * ((y ^ frame.active.y) & 1))]; };
    all->levels.repeatRows = all->levels.repeatCols = 2;
    all->levels.black = {blackAt(0, 0), blackAt(1, 0), blackAt(0, 1), blackAt(1, 1)};
    all->levels.deltaRow = all->levels.deltaColumn = {};
    all->badPixels = {};    // those that are bad are among the report's
    all->shading = nullptr; // of the whole frame
    all->warp = nullptr;
    auto report = std::make_shared<NoiseReport>(noise);
    report->hotPixels = {};
    report->banding = {};
    for (size_t i = 0; i < parts.size(); ++i) {
        // At an even place, so that the pattern stays what it is.
        const auto evened = [](int at, int least) { return (at & ~1) < least ? at + 1 : at & ~1; };
        const PixelAt from{evened(parts[i].x, frame.active.x), evened(parts[i].y, frame.active.y)}, to{int(i) % across * part.width, int(i) / across * part.height};
        for (int y = 0; y < part.height; ++y)
            for (int x = 0; x < part.width; ++x) {
                const int ax = from.x + x - frame.active.x, ay = from.y + y - frame.active.y;
                const float is = frame.levels.blackAt(ax, ay), span = frame.levels.white - is, stored = float(frame.samples.at(from.x + x, from.y + y));
                all->samples.at(to.x + x, to.y + y) = uint16_t(std::clamp(std::lround(stored - is + blackAt(x, y) - noise.banding.at(ax, ay) * span), 0L, 65535L));
            }
        for (const PixelAt &p : noise.hotPixels)
            if (Rect{from.x, from.y, part.width, part.height}.contains({p.x, p.y, 1, 1}))
                report->hotPixels.push_back({p.x - from.x + to.x, p.y - from.y + to.y});
    }
    std::sort(report->hotPixels.begin(), report->hotPixels.end(), PixelAt::byRow);
    return {all, report};
}

/// The quick ones, each at its suggestion. (BM3D as well: a quarter more time; photographs of python3-skimage gain nothing by it.)
std::vector<Treatment> quickOnes(const NoiseReport &noise)
{
    constexpr double kQuickS = 0.5; // a megapixel
    std::vector<Treatment> quick;
    for (const MethodInfo &m : methods())
        if (m.secondsPerMegapixel < kQuickS && validate(Treatment{m.id}))
            quick.push_back(suggestedFor(m.id, noise));
    return quick;
}

} // namespace

Result<std::optional<Nearness>> nearnessAllOver(const Cleaner &treated, const RunContext &run)
{
    const Result<std::vector<RiskSums>> risks = risksAt(treated, placesAllOver(treated.frame()), nullptr, run);
    if (!risks)
        return risks.error();
    return nearnessOf(std::accumulate(risks.value().begin(), risks.value().end(), RiskSums(), [](RiskSums all, const RiskSums &risk) { return all += risk; }), *treated.sharedNoise());
}

Status tellNearest(NoiseReport &noise, const std::shared_ptr<const Frame> &frame, const RunContext &run)
{
    // Below, a quick method loses nothing that shows. Texture that was measured for noise makes whatever takes most seem nearest: photographs of python3-skimage, ISO 200 to 800.
    constexpr float kLeastNoise = 0.01f, kLeastOfUsual = 0.6f;
    noise.nearness.clear();
    if (frame->kind != FrameKind::Mosaic || noise.spectrum) // of noise that neighbours share the law is not known as well
        return {};
    if (!whyNoNearness(*frame, noise).empty() || noise.luminanceNoise < kLeastNoise || (noise.usualShare > 0 && noise.usualShare < kLeastOfUsual))
        return {};
    const std::vector<Treatment> quick = quickOnes(noise);
    const std::vector<Rect> places = placesAllOver(*frame);
    const Measured shown = places.size() > 1 ? sideBySide(*frame, noise, places) : Measured{frame, std::make_shared<const NoiseReport>(noise)};
    const Result<RiskPlace> place = RiskPlace::at(shown.frame, shown.noise, shown.frame->crop, nullptr, run);
    if (!place)
        return place.error();
    std::vector<RiskSums> risks(quick.size());
    const Status done = parallelFor(int(quick.size()), {run.threads, run.stop, {}, run.background}, [&](int m) {
        if (const Result<RiskSums> risk = place.value().risk(Cleaner(shown.frame, shown.noise, quick[size_t(m)]), nullptr, {1, run.stop, {}, run.background}))
            risks[size_t(m)] = risk.value();
    });
    if (!done)
        return done.error();
    for (size_t m = 0; m < quick.size(); ++m)
        if (const auto nearness = nearnessOf(risks[m], noise))
            noise.nearness.push_back({quick[m].method, nearness->db});
    std::stable_sort(noise.nearness.begin(), noise.nearness.end(), [](const MethodNearness &a, const MethodNearness &b) { return a.db > b.db; });
    return {};
}

Rect ErrorMap::place(size_t i) const
{
    // Middles of equal parts; even corners keep the pattern.
    const auto corner = [this](int from, int length, int part, int parts) { return from + (((2 * part + 1) * length / (2 * parts) - placePx / 2) & ~1); };
    return {corner(area.x, area.width, int(i) % grid.width, grid.width), corner(area.y, area.height, int(i) / grid.width, grid.height), placePx, placePx};
}

Result<ErrorMap> errorMap(const Cleaner &treated, CleanCache *cache, const RunContext &run)
{
    constexpr int kErrorPlacePx = 64, kMostAcross = 16;
    ErrorMap map;
    map.area = treated.frame().crop;
    map.placePx = kErrorPlacePx;
    if (!whyNoNearness(treated.frame(), *treated.sharedNoise()).empty())
        return map;
    const int across = std::min(kMostAcross, map.area.width / kErrorPlacePx), down = std::min(kMostAcross, map.area.height / kErrorPlacePx);
    if (across < 1 || down < 1)
        return map;
    map.grid = {across, down};
    std::vector<Rect> places;
    for (int i = 0; i < across * down; ++i)
        places.push_back(map.place(size_t(i)));
    const Result<std::vector<RiskSums>> risks = risksAt(treated, places, cache, run);
    if (!risks)
        return risks.error();
    for (const RiskSums &risk : risks.value()) {
        map.sums += risk;
        map.square.push_back(risk.pixels > 0 ? float(risk.square / (3 * risk.pixels)) : 0);
    }
    return map;
}

std::vector<Rect> placesAllOver(const Frame &frame)
{
    constexpr int kSidePx = 128, kMost = 12;
    const Rect &c = frame.crop;
    if (int64_t(c.width) * c.height < int64_t(kMost) * kSidePx * kSidePx)
        return {c};
    const int across = std::clamp(c.width / kSidePx, 1, kPlacesAcross), down = std::clamp(c.height / kSidePx, 1, kMost / across);
    const Size side{std::min(kSidePx, c.width & ~1), std::min(kSidePx, c.height & ~1)};
    std::vector<Rect> places;
    for (int y = 0; y < down; ++y)
        for (int x = 0; x < across; ++x)
            places.push_back({c.x + (2 * x + 1) * c.width / (2 * across) - side.width / 2, c.y + (2 * y + 1) * c.height / (2 * down) - side.height / 2, side.width, side.height});
    return places;
}

} // namespace irenic
