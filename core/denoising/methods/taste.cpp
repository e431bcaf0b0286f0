// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/taste.h"

#include <algorithm>

namespace irenic {

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
