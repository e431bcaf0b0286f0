// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <array>

namespace irenic {

/// One adjustable number: what the command line, the strips, validate() and the tests all read.
struct ParamInfo {
    const char *name;  ///< as on the command line and in recipes
    const char *label; ///< as on the caption strip
    double min, max, suggested;
    const char *help;
};

/// Touches on top of a method. Every control stands at its suggestion where it does nothing.
struct Taste {
    double detail = 0; ///< gives back what the method took where that is structured and not random
    double grain = 0;  ///< share of the luminance noise that is left as fine, even, neutral grain
    double mix = 1;    ///< share of the treated picture over the untreated one
    // Factors of the strengths by brightness; see toneWeights().
    double luminanceShadows = 1, luminanceMidtones = 1, luminanceLights = 1;
    double colourShadows = 1, colourMidtones = 1, colourLights = 1;
    double blotches = 0; ///< evens colours that wander over tens of pixels in deep shadow
    double sharpen = 0;  ///< amount of deconvolution on luminance
    double radiusPx = 0.8; ///< sigma of the blur that is undone
    double smoothProtection = 0.5; ///< keeps noise from being sharpened
    double edgeProtection = 0.8;   ///< keeps edges from overshooting
    double blocks = 0;   ///< softens what JPEG left: blocks, and rings about edges; before the method
    bool operator==(const Taste &) const = default;

    bool weighsTones() const
    {
        return luminanceShadows != 1 || luminanceMidtones != 1 || luminanceLights != 1 || colourShadows != 1 || colourMidtones != 1 || colourLights != 1;
    }
};

struct TasteParam {
    ParamInfo info;
    double Taste::*value;
};
inline constexpr std::array kTasteParams{
    TasteParam{{"detail", "detail", 0, 1, 0, "Gives structure back that the method took along with the noise"}, &Taste::detail},
    TasteParam{{"grain", "grain kept", 0, 1, 0, "Leaves this share of the luminance noise as fine, even, neutral grain"}, &Taste::grain},
    TasteParam{{"mix", "mix", 0, 1, 1, "How much of the treated picture is laid over the untreated one"}, &Taste::mix},
    TasteParam{{"luminance-shadows", "shadows", 0, 2, 1, "Luminance strength in the shadows, as a factor"}, &Taste::luminanceShadows},
    TasteParam{{"luminance-midtones", "mid-tones", 0, 2, 1, "Luminance strength in the mid-tones, as a factor"}, &Taste::luminanceMidtones},
    TasteParam{{"luminance-lights", "lights", 0, 2, 1, "Luminance strength in the lights, as a factor"}, &Taste::luminanceLights},
    TasteParam{{"colour-shadows", "shadows", 0, 2, 1, "Colour strength in the shadows, as a factor"}, &Taste::colourShadows},
    TasteParam{{"colour-midtones", "mid-tones", 0, 2, 1, "Colour strength in the mid-tones, as a factor"}, &Taste::colourMidtones},
    TasteParam{{"colour-lights", "lights", 0, 2, 1, "Colour strength in the lights, as a factor"}, &Taste::colourLights},
    TasteParam{{"blotches", "blotches", 0, 1, 0, "Evens large blotches of colour in deep shadow"}, &Taste::blotches},
    TasteParam{{"sharpen", "sharpen", 0, 2, 0, "Amount of capture sharpening: deconvolution of luminance, after the noise is gone"}, &Taste::sharpen},
    TasteParam{{"sharpen-radius", "radius", 0.3, 2, 0.8, "Sigma of the blur that sharpening undoes, in pixels"}, &Taste::radiusPx},
    TasteParam{{"protect-smooth", "spare smooth", 0, 1, 0.5, "Keeps smooth parts, and the noise in them, from being sharpened"}, &Taste::smoothProtection},
    TasteParam{{"protect-edges", "spare edges", 0, 1, 0.8, "Keeps strong edges from getting halos"}, &Taste::edgeProtection},
    TasteParam{{"blocks", "JPEG blocks", 0, 1, 0, "Softens the blocks and rings of a compressed JPEG before the method looks at it"}, &Taste::blocks},
};
/// Null where there is none of that name.
const TasteParam *findTasteParam(const std::string &name);

/// BadParameter, naming the control and its range.
Status validate(const Taste &taste);

/// Weights of shadows, mid-tones and lights at a brightness; they add up to 1.
/// @param ev log2 of linear signal, 0 at clipping
std::array<float, 3> toneWeights(float ev);
inline constexpr std::array<float, 3> kToneCentresEv{-7, -3.5, -0.75}; ///< where shadows, mid-tones, lights have all the weight

} // namespace irenic
