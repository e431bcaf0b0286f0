// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/taste.h"

#include <cstdint>
#include <span>
#include <string>
#include <vector>

namespace irenic {

enum class FrameKind : uint8_t; // irenic/frame.h

/// Both strengths of every method, in multiples of the measured noise: 0 is off, 1 is exactly what was measured.
inline constexpr ParamInfo kLuminanceStrength{"luminance", "luminance", 0, 3, 1, "How much brightness noise to remove, as a multiple of what was measured"};
inline constexpr ParamInfo kColourStrength{"colour", "colour", 0, 3, 1, "How much colour noise to remove, as a multiple of what was measured"};

/// What a photographer needs to know of a method before choosing it.
struct MethodInfo {
    const char *id;    ///< as on the command line
    const char *label; ///< its name in the literature
    const char *goodAt;
    const char *cost;
    double secondsPerMegapixel; ///< of a mosaic, on two cores of a middling machine; for comparing and for time estimates
    const char *fullColour = nullptr; ///< id of the method that frames in full colour get in its place, where they do
};

std::span<const MethodInfo> methods();
/// Those among which there is a choice for such a frame: without what would hand it on to another.
std::vector<const MethodInfo *> methodsFor(FrameKind kind);
const MethodInfo *findMethod(const std::string &id); ///< null where there is none
/// What a megapixel of such a frame takes by a method that there is, with everything that it hands on to others.
double secondsPerMegapixel(const std::string &method, FrameKind kind);

/// One method with its settings: how a frame is to be treated. A plain value.
struct Treatment {
    std::string method = "wavelet";
    double luminance = kLuminanceStrength.suggested;
    double colour = kColourStrength.suggested;
    std::string colourMethod{}; ///< cleans the colours where it is not to be `method`; empty otherwise
    Taste taste{};
    bool regions = true; ///< the frame's regions take part
    bool operator==(const Treatment &) const = default;
    /// Nothing is to be done: the samples stay as they are, to the last bit, hot pixels included.
    bool isIdentity() const
    {
        const bool leavesNoise = taste.mix == 0 || (luminance == 0 && colour == 0 && taste.blotches == 0 && taste.blocks == 0);
        return leavesNoise && taste.sharpen == 0;
    }
    bool isMixed() const { return !colourMethod.empty() && colourMethod != method; }
};

/// The treatment as a frame of that kind gets it: a method that hands such frames on to another is that other.
Treatment carriedOut(Treatment treatment, FrameKind kind);

/// BadParameter, naming the setting and its range.
Status validate(const Treatment &treatment);

} // namespace irenic
