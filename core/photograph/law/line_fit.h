// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <optional>
#include <vector>

namespace irenic {

struct LinePoint {
    double x;      ///< mean signal
    double y;      ///< variance there
    double weight; ///< number of blocks behind it
};

struct LineFit {
    double slope;      ///< > 0
    double intercept;  ///< >= the floor given
    double confidence; ///< 0..1, from the number of points and their scatter about the line
};

/// Fits variance = slope x signal + intercept, robustly: weighted least squares with weights n / y^2 (the error
/// of a variance estimate is proportional to it) and Tukey's biweight against tones that hold only texture, which
/// lie above the line. Where the intercept is given, only the slope is looked for. The search starts from all points alike and from the range from dark to light alike; the
/// line that covers more of the range is taken.
/// @param fewTones of a small frame, in which dark tones may lie on a line by chance: the lighter half is a start, too
LineFit fitNoiseLine(const std::vector<LinePoint> &points, double interceptFloor, std::optional<double> intercept = {}, bool fewTones = false);

} // namespace irenic
