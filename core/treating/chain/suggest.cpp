// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"

namespace irenic {

namespace {

std::string percent(float v)
{
    return std::to_string(std::max(1, int(std::lround(v * 100)))) + " %";
}

} // namespace

Treatment suggestedFor(const std::string &method, const NoiseReport &noise)
{
    const MethodInfo &info = *findMethod(method);
    const bool mosaic = noise.bands.empty();
    return {method, mosaic ? info.luminance : info.luminanceOfFullColour, mosaic ? info.colour : 1};
}

Suggestion suggestTreatment(const NoiseReport &noise)
{
    const MethodInfo *best = nullptr;
    for (const MethodInfo &m : methods()) {
        const bool serves = noise.luminanceNoise >= float(m.fromNoise) && (noise.bands.empty() || !m.fullColour);
        if (serves && (!best || m.rank > best->rank) && validate(Treatment{m.id}))
            best = &m;
    }
    return {suggestedFor(best->id, noise), "Grain measures " + percent(noise.luminanceNoise) + " of the mid-tone and colour noise " + percent(noise.colourNoise) + ": " + best->why};
}

} // namespace irenic
