// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/parameter.h"
#include "irenic/taste.h"

#include <cstdint>
#include <limits>
#include <span>
#include <string>
#include <vector>

namespace irenic {

enum class FrameKind : uint8_t; // irenic/frame.h

/// What a photographer needs to know of a method before choosing it.
struct MethodInfo {
    const char *id;    ///< as on the command line
    const char *label; ///< its name in the literature
    const char *goodAt;
    const char *cost;
    double secondsPerMegapixel;       ///< of a mosaic, on two cores of a middling machine; for comparing and for time estimates
    double secondsInFullColour = 0;   ///< of a megapixel in full colour, where that is not usual: six bands instead of four
    const char *fullColour = nullptr; ///< id of the method that frames in full colour get in its place, where they do
    double coloursFromNoise = std::numeric_limits<double>::infinity(); ///< where a file of colours is to be made of a mosaic, it is suggested from that noise on
    bool expectsWhite = false;        ///< takes noise that neighbours of one colour share for picture
    bool answersOnce = false;         ///< further strengths up to 1 of the same mosaic cost next to nothing
    bool givesColours = false;        ///< of a mosaic it answers full colour, too, which is shown and rendered in place of demosaicing its samples
    /// When it is suggested: the one of the highest rank whose noise is reached. Never, where that is infinite.
    int rank = 0;
    double fromNoise = std::numeric_limits<double>::infinity(); ///< NoiseReport::luminanceNoise
    double fromNoiseInFullColour = -1;                          ///< likewise of frames in full colour; below 0: as of mosaics
    const char *why = "";                                       ///< ends the sentence of the suggestion
    bool seesNoise = false;                                     ///< of full colour it takes what looks like noise, however well or badly that was measured
    /// Its own suggestion for a mosaic, and for luminance of full colour, whose noise lies among the same frequencies as texture.
    double luminance = 1, colour = 1, luminanceOfFullColour = 0.8;
    const char *lighter = nullptr, *beside = nullptr; ///< ids of those that first hang beside it
    const char *alias = nullptr;                      ///< another name on the command line
};

std::span<const MethodInfo> methods();
/// Those among which there is a choice for such a frame: without what would hand it on to another.
std::vector<const MethodInfo *> methodsFor(FrameKind kind);
const MethodInfo *findMethod(const std::string &id); ///< null where there is none
std::string methodIdOf(const std::string &name);     ///< of an id or an alias; other names stay as they are
/// What a megapixel of such a frame takes by a method that there is, with everything that it hands on to others.
double secondsPerMegapixel(const std::string &method, FrameKind kind);

/// One method with its settings: how a frame is to be treated. A plain value.
struct Treatment {
    std::string method = methods().front().id;
    double luminance = 1; ///< multiple of the measured noise: 0 is off
    double colour = 1;
    std::string colourMethod{}; ///< cleans the colours where it is not to be `method`; empty otherwise
    Taste taste{};
    bool regions = true; ///< the frame's regions take part
    bool operator==(const Treatment &) const = default;
    bool isNone() const { return method.empty(); } ///< kNoTreatment
    bool isMixed() const { return !colourMethod.empty() && colourMethod != method; }
};

/// One adjustable number of a treatment: what panels, command line, recipes, validate() and the tests read.
struct TreatmentParam {
    enum class Group : uint8_t {
        Noise,
        Detail,
        Tones,
        Sharpen,
    }; ///< those that are shown together
    Group group;
    ParamInfo info;
    const char *unit;            ///< "x" for multiples
    double Treatment::*strength; ///< where it lies; null for those of the taste
    double Taste::*taste;        ///< null for the strengths
    bool ofJpeg = false;         ///< does something to JPEGs alone
    bool isStrength() const { return strength != nullptr; }
    double &of(Treatment &t) const { return strength ? t.*strength : t.taste.*taste; }
    double of(const Treatment &t) const { return strength ? t.*strength : t.taste.*taste; }
};
using ParamGroup = TreatmentParam::Group;
inline constexpr std::array kTreatmentParams{
    TreatmentParam{ParamGroup::Noise, {"luminance", visible("luminance"), 0, 3, 1, visible("How much brightness noise to remove, as a multiple of what was measured")}, "x", &Treatment::luminance, nullptr},
    TreatmentParam{ParamGroup::Noise, {"colour", visible("colour"), 0, 3, 1, visible("How much colour noise to remove, as a multiple of what was measured")}, "x", &Treatment::colour, nullptr},
    TreatmentParam{ParamGroup::Detail, {"detail", visible("detail"), 0, 1, 0, visible("Gives structure back that the method took along with the noise")}, "", nullptr, &Taste::detail},
    TreatmentParam{ParamGroup::Detail, {"grain", visible("grain kept"), 0, 1, 0, visible("Leaves this share of the luminance noise as fine, even, neutral grain")}, "", nullptr, &Taste::grain},
    TreatmentParam{ParamGroup::Detail, {"mix", visible("mix"), 0, 1, 1, visible("How much of the treated picture is laid over the untreated one")}, "", nullptr, &Taste::mix},
    TreatmentParam{ParamGroup::Tones, {"luminance-shadows", visible("shadows"), 0, 2, 1, visible("Luminance strength in the shadows, as a factor")}, "x", nullptr, &Taste::luminanceShadows},
    TreatmentParam{ParamGroup::Tones, {"luminance-midtones", visible("mid-tones"), 0, 2, 1, visible("Luminance strength in the mid-tones, as a factor")}, "x", nullptr, &Taste::luminanceMidtones},
    TreatmentParam{ParamGroup::Tones, {"luminance-lights", visible("lights"), 0, 2, 1, visible("Luminance strength in the lights, as a factor")}, "x", nullptr, &Taste::luminanceLights},
    TreatmentParam{ParamGroup::Tones, {"colour-shadows", visible("shadows"), 0, 2, 1, visible("Colour strength in the shadows, as a factor")}, "x", nullptr, &Taste::colourShadows},
    TreatmentParam{ParamGroup::Tones, {"colour-midtones", visible("mid-tones"), 0, 2, 1, visible("Colour strength in the mid-tones, as a factor")}, "x", nullptr, &Taste::colourMidtones},
    TreatmentParam{ParamGroup::Tones, {"colour-lights", visible("lights"), 0, 2, 1, visible("Colour strength in the lights, as a factor")}, "x", nullptr, &Taste::colourLights},
    TreatmentParam{ParamGroup::Tones, {"blotches", visible("blotches"), 0, 1, 0, visible("Evens large blotches of colour in deep shadow")}, "", nullptr, &Taste::blotches},
    TreatmentParam{ParamGroup::Sharpen, {"sharpen", visible("sharpen"), 0, 2, 0, visible("Amount of capture sharpening: deconvolution of luminance, after the noise is gone")}, "", nullptr, &Taste::sharpen},
    TreatmentParam{ParamGroup::Sharpen, {"sharpen-radius", visible("radius"), 0.3, 2, 0.8, visible("Sigma of the blur that sharpening undoes, in pixels")}, "px", nullptr, &Taste::radiusPx},
    TreatmentParam{ParamGroup::Sharpen, {"protect-smooth", visible("spare smooth"), 0, 1, 0.5, visible("Keeps smooth parts, and the noise in them, from being sharpened")}, "", nullptr, &Taste::smoothProtection},
    TreatmentParam{ParamGroup::Sharpen, {"protect-edges", visible("spare edges"), 0, 1, 0.8, visible("Keeps strong edges from getting halos")}, "", nullptr, &Taste::edgeProtection},
    TreatmentParam{ParamGroup::Detail, {"blocks", visible("JPEG blocks"), 0, 1, 0, visible("Softens the blocks and rings of a compressed JPEG before the method looks at it")}, "", nullptr, &Taste::blocks, true},
};
inline constexpr const TreatmentParam &kLuminanceParam = kTreatmentParams[0], &kColourParam = kTreatmentParams[1];
inline constexpr std::span<const TreatmentParam> kTasteParams = std::span<const TreatmentParam>(kTreatmentParams).subspan(2);
const TreatmentParam *findParam(const std::string &name); ///< null where there is none of that name

/// Of an untreated picture. (Whether a treatment does anything to a frame is for Cleaner::isIdentity() to say.)
inline const Treatment kNoTreatment{{}, 0, 0};

/// The treatment as a frame of that kind gets it: a method that hands such frames on to another is that other.
Treatment carriedOut(Treatment treatment, FrameKind kind);

/// BadParameter, naming the setting and its range.
Status validate(const Treatment &treatment);

} // namespace irenic
