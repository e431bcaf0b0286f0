// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <array>

namespace irenic {

/// Touches on top of a method. Every control stands at its suggestion where it does nothing.
struct Taste {
    double detail = 0; ///< gives back what the method took where that is structured and not random
    double grain = 0;  ///< share of the luminance noise that is left as fine, even, neutral grain
    double mix = 1;    ///< share of the treated picture over the untreated one
    // Factors of the strengths by brightness; see toneWeights().
    double luminanceShadows = 1, luminanceMidtones = 1, luminanceLights = 1;
    double colourShadows = 1, colourMidtones = 1, colourLights = 1;
    double blotches = 0;           ///< evens colours that wander over tens of pixels in deep shadow
    double sharpen = 0;            ///< amount of deconvolution on luminance
    double radiusPx = 0.8;         ///< sigma of the blur that is undone
    double smoothProtection = 0.5; ///< keeps noise from being sharpened
    double edgeProtection = 0.8;   ///< keeps edges from overshooting
    double blocks = 0;             ///< softens what JPEG left: blocks, and rings about edges; before the method
    bool operator==(const Taste &) const = default;

    bool weighsTones() const
    {
        return luminanceShadows != 1 || luminanceMidtones != 1 || luminanceLights != 1 || colourShadows != 1 || colourMidtones != 1 || colourLights != 1;
    }
};

/// Weights of shadows, mid-tones and lights at a brightness; they add up to 1.
/// @param ev log2 of linear signal, 0 at clipping
std::array<float, 3> toneWeights(float ev);
inline constexpr std::array<float, 3> kToneCentresEv{-7, -3.5, -0.75}; ///< where shadows, mid-tones, lights have all the weight

} // namespace irenic
