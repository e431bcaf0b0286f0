// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/taste.h"

#include "irenic/text.h"

#include <algorithm>
#include <cmath>

namespace irenic {

const TasteParam *findTasteParam(const std::string &name)
{
    for (const TasteParam &p : kTasteParams)
        if (name == p.info.name)
            return &p;
    return nullptr;
}

Status validate(const Taste &taste)
{
    for (const TasteParam &p : kTasteParams) {
        const double v = taste.*p.value;
        if (std::isfinite(v) && v >= p.info.min && v <= p.info.max)
            continue;
        return Error{ErrorCode::BadParameter, std::string("The setting ") + p.info.name + " must lie between " + plainNumber(p.info.min) + " and " + plainNumber(p.info.max) + ", not at " + plainNumber(v) + ".", {}};
    }
    return {};
}

std::array<float, 3> toneWeights(float ev)
{
    const auto between = [&](size_t low) { // smooth from one centre to the next
        const float t = std::clamp((ev - kToneCentresEv[low]) / (kToneCentresEv[low + 1] - kToneCentresEv[low]), 0.f, 1.f);
        return t * t * (3 - 2 * t);
    };
    const float aboveShadows = between(0), lights = between(1);
    return {1 - aboveShadows, aboveShadows - lights, lights};
}

} // namespace irenic
