// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/methods.h"
#include "irenic/noise.h"

#include <memory>
#include <string>

/// What several commands are given in the same words.
namespace irenic::cli {

struct Measured {
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise;
};
/// A photograph and its noise, from the frame alone.
Result<Measured> measured(const std::string &file, const RunContext &run);

/// METHOD[:LUMINANCE[:COLOUR]][,NAME=VALUE ...]; strengths that are left out are the frame's own suggestion, and one stands for both. Names are those
/// of its taste.
Result<Treatment> trialFrom(const std::string &text, const NoiseReport &noise);

/// X,Y,WIDTH,HEIGHT inside an upright picture of that size.
Result<UprightRect> spotFrom(const std::string &text, Size picture);

} // namespace irenic::cli
