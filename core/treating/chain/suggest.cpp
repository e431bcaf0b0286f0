// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"

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
    constexpr double kSure = 0.75, kGuess = 0.05;
    return least + (1 - least) * std::clamp((confidence - kGuess) / (kSure - kGuess), 0.0, 1.0);
}

double inTwentieths(double v)
{
    return std::round(v * 20) / 20;
}

} // namespace

Treatment suggestedFor(const std::string &method, const NoiseReport &noise)
{
    const MethodInfo &info = *findMethod(method);
    const bool mosaic = noise.bands.empty();
    constexpr double kLeastLuminance = 0.1, kLeastColour = 0.3;
    return {method, inTwentieths((mosaic ? info.luminance : info.luminanceOfFullColour) * shareFor(noise.confidence, kLeastLuminance)),
            inTwentieths((mosaic ? info.colour : 1) * shareFor(noise.confidence, kLeastColour))};
}

Suggestion suggestTreatment(const NoiseReport &noise)
{
    const MethodInfo *best = nullptr;
    for (const MethodInfo &m : methods()) {
        const bool serves = noise.luminanceNoise >= float(m.fromNoise) && (noise.bands.empty() || !m.fullColour) && !(noise.spectrum && m.expectsWhite);
        if (serves && (!best || m.rank > best->rank) && validate(Treatment{m.id}))
            best = &m;
    }
    std::string reason = "Grain measures " + percent(noise.luminanceNoise) + " of the mid-tone and colour noise " + percent(noise.colourNoise) + ": " + best->why;
    if (shareFor(noise.confidence, 0) < 1)
        reason += " The noise is measured with little certainty, so less of it is taken.";
    return {suggestedFor(best->id, noise), reason};
}

} // namespace irenic
