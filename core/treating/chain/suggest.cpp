// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"

#include "irenic/measure_noise.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

namespace irenic {

namespace {

std::string percent(float v)
{
    return std::to_string(std::max(1, int(std::lround(v * 100)))) + " %";
}

/// How much of a method's usual strength is suggested where the noise is measured with that confidence. What is uncertain is mostly too high, since
/// texture passes for noise: less is taken, and less of the picture with it.
double shareFor(double confidence, double least)
{
    constexpr double kGuess = 0.05;
    return least + (1 - least) * std::clamp((confidence - kGuess) / (kSureOfLaw - kGuess), 0.0, 1.0);
}

constexpr float kWorthTaking = 0.05f; ///< of what a method takes that sees noise for itself

/// Of a mosaic: where its noise was measured with little certainty, the share of the energy of what looks like noise that can be noise, by what sensors usually have at that ISO. A
/// sensor may have a quarter more than is usual. Photographs of python3-skimage: without it texture everywhere lost up to 7.8 dB at ISO 200.
double mostOfMosaic(const NoiseReport &noise)
{
    if (!(noise.usualShare > 0))
        return 1;
    constexpr double kUnsure = 0.7, kOrdinary = 0.8, kLeast = 0.05;
    const double most = std::clamp(std::pow(double(noise.usualShare) / kOrdinary, 2), kLeast, 1.0);
    return most + (1 - most) * std::clamp((noise.confidence - kUnsure) / (kSureOfLaw - kUnsure), 0.0, 1.0);
}

double inTwentieths(double v)
{
    return std::round(v * 20) / 20;
}

} // namespace

Treatment suggestedFor(const std::string &method, const NoiseReport &noise)
{
    const MethodInfo &info = *findMethod(method);
    if (noise.bands.empty() || noise.beforeColours) {
        constexpr double kLeastLuminance = 0.1, kLeastColour = 0.3;
        const double most = mostOfMosaic(noise);
        return {method, inTwentieths(info.luminance * std::min(most, shareFor(noise.confidence, kLeastLuminance))), inTwentieths(info.colour * std::min(most, shareFor(noise.confidence, kLeastColour)))};
    }
    if (info.seesNoise && noise.nearestLuminance >= 0)
        return {method, inTwentieths(double(noise.nearestLuminance)), inTwentieths(double(noise.nearestColours))};
    // Of full colour: photographs of python3-skimage at ISO 100 to 25600 as TIFF and JPEG. At no confidence colour at 0.3 loses up to 0.9 dB on saturated or fine pictures, whose
    // false colours pass for noise, and gains 0.1 to 0.3 elsewhere; at 0.1 nothing is lost. Luminance follows what a sensor usually has at that ISO, and less of it where there
    // is little noise: at 0.7 fine texture loses up to 1.2 dB at ISO 400, at 0.3 nothing.
    constexpr double kLeastColour = 0.1, kColour = 0.8, kUnknown = 0.1, kOfUsual = 0.8, kLittle = 0.04, kMuch = 0.2, kOfLittle = 0.3, kOfMuch = 0.7, kLeastOfUsual = 0.05;
    const double most = kOfLittle + (kOfMuch - kOfLittle) * std::clamp((double(noise.luminanceNoise) - kLittle) / (kMuch - kLittle), 0.0, 1.0);
    const double least = noise.usualShare > 0 ? std::clamp(kOfUsual * double(noise.usualShare), kLeastOfUsual, most) : kUnknown;
    // Where hardly anything of what looks like noise was found to be noise, others do not take more: grass and gravel lost 0.2 dB at ISO 100.
    const auto found = [&](float nearest) { return nearest < 0 ? 1 : std::max(kLeastOfUsual, double(nearest)); };
    return {method, inTwentieths(info.luminanceOfFullColour * shareFor(noise.confidence, std::min(least, found(noise.nearestLuminance)))),
            inTwentieths(kColour * shareFor(noise.confidence, std::min(kLeastColour, found(noise.nearestColours)) / kColour))};
}

namespace {

/// The quickest of those that come nearest, or as good as level with it. Null where that was not asked for.
const MethodInfo *nearestOf(const NoiseReport &noise)
{
    constexpr double kLevelDb = 0.1;
    const MethodInfo *nearest = nullptr;
    for (const MethodNearness &n : noise.nearness)
        if (const MethodInfo *m = findMethod(n.method); n.db >= noise.nearness.front().db - kLevelDb && (!nearest || m->secondsPerMegapixel < nearest->secondsPerMegapixel))
            nearest = m;
    return nearest;
}

std::string whyNearest(const NoiseReport &noise, const MethodInfo &nearest)
{
    std::string all;
    for (const MethodNearness &n : noise.nearness)
        all += (all.empty() ? "" : ", ") + sentence(findMethod(n.method)->label) + " " + fixedNumber(n.db, 1) + " dB";
    if (nearest.id == noise.nearness.front().method)
        return sentence("%1 is estimated to come nearest to the picture without noise (%2).", {sentence(nearest.label), all});
    return sentence("%1 is the quickest of those that are estimated to come within 0.1 dB of the nearest (%2).", {sentence(nearest.label), all});
}

} // namespace

Suggestion suggestTreatment(const NoiseReport &noise)
{
    const MethodInfo *nearest = nearestOf(noise), *best = nearest;
    for (const MethodInfo &m : methods()) {
        const double from = noise.bands.empty() || m.fromNoiseInFullColour < 0 ? m.fromNoise : m.fromNoiseInFullColour;
        const bool isNeeded = !m.seesNoise || noise.bands.empty() || (noise.seesNearer && noise.nearestLuminance >= kWorthTaking);
        const bool serves = isNeeded && noise.luminanceNoise >= float(from) && (noise.bands.empty() || !m.fullColour) && !(noise.spectrum && m.expectsWhite);
        if (!nearest && serves && (!best || m.rank > best->rank) && validate(Treatment{m.id}))
            best = &m;
    }
    std::string reason = sentence("Grain measures %1 of the mid-tone and colour noise %2: %3", {percent(noise.luminanceNoise), percent(noise.colourNoise), nearest ? whyNearest(noise, *nearest) : sentence(best->why)});
    if (shareFor(noise.confidence, 0) < 1)
        reason += " " + sentence("The noise is measured with little certainty, so less of it is taken.");
    return {suggestedFor(best->id, noise), reason};
}

} // namespace irenic
