// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/parameter.h"

namespace irenic {

/// Colour of a light, as photographers set it.
struct White {
    double temperatureK = 0; ///< correlated colour temperature
    double tint = 0;         ///< thousandths of Duv: distance from the black body's line in CIE 1960 uv; above it, towards green, is positive
    bool operator==(const White &) const = default;
};

/// How a frame is rendered to the screen, to a TIFF and to proofs. A DNG stays raw and knows nothing of it. Every control is 0 where it
/// does nothing.
struct Rendering {
    White white{}; ///< of the light in the scene, which becomes neutral; temperature 0: as shot
    double exposureEv = 0;
    double shadows = 0;       ///< lifts (or lowers) dark parts, their own contrast kept
    double contrast = 0;      ///< about mid grey; black and white stay
    double localContrast = 0; ///< against the surroundings, which end at edges
    bool operator==(const Rendering &) const = default;
    bool isNeutral() const { return *this == Rendering(); }
    bool needsSurroundings() const { return shadows != 0 || localContrast != 0; }
};

/// What the command line, the panel, validate() and the tests read.
struct RenderingParam {
    ParamInfo info;
    double Rendering::*value; ///< null for the two of the white
    const char *unit;
};
inline constexpr ParamInfo kTemperature{"temperature", visible("temperature"), 2000, 15000, 0, visible("Colour temperature of the light, in kelvin; 0 is as shot")};
inline constexpr ParamInfo kTint{"tint", visible("tint"), -50, 50, 0, visible("From magenta (below 0) to green (above 0), in thousandths of Duv")};
inline constexpr std::array kRenderingParams{
    RenderingParam{{"exposure", visible("exposure"), -5, 5, 0, visible("Exposure, in EV")}, &Rendering::exposureEv, "EV"},
    RenderingParam{{"shadows", visible("shadows"), -1, 1, 0, visible("Lifts dark parts by up to two stops, or lowers them")}, &Rendering::shadows, ""},
    RenderingParam{{"contrast", visible("contrast"), -1, 1, 0, visible("Contrast about mid grey; black and white stay")}, &Rendering::contrast, ""},
    RenderingParam{{"local-contrast", visible("local contrast"), -1, 1, 0, visible("Contrast against the surroundings")}, &Rendering::localContrast, ""},
};
/// BadParameter, naming the control and its range.
Status validate(const Rendering &rendering);

/// The light that the frame's own white balance makes neutral; daylight (D65) for finished pictures.
White asShotWhite(const Frame &frame);
/// The light that makes a place neutral, from the mean of its samples; nothing where it is black or blown, or of a colour that no
/// light has.
/// @param region stored coordinates, inside Frame::active
std::optional<White> whiteFromGrey(const Frame &frame, Rect region);
/// What does to a guest, which was matched to the frame as shot, what `rendering` does to the frame.
Rendering renderingForGuest(const Frame &frame, const Rendering &rendering);

} // namespace irenic
