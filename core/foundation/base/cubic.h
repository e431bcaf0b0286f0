// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <array>

namespace irenic {

/// Weights of four neighbours (at -1, 0, 1, 2) for a place `t` (0 to 1) beyond the second: Catmull and Rom's cubic.
inline std::array<float, 4> cubicWeights(float t)
{
    return {t * (-0.5f + t * (1 - 0.5f * t)), 1 + t * t * (-2.5f + 1.5f * t), t * (0.5f + t * (2 - 1.5f * t)), t * t * (-0.5f + 0.5f * t)};
}

} // namespace irenic
