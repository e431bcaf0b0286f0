// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>
#include <vector>

namespace irenic::bench {

/// Lines through points, told apart by dash and mark as well as by shade.
struct Chart {
    std::string title, xLabel, yLabel;
    bool logarithmicX = false;
    struct Line {
        std::string name;
        std::vector<std::pair<double, double>> points;
    };
    std::vector<Line> lines;
};

/// Writes charts side by side as one SVG picture; false where the file could not be written.
bool writeCharts(const std::filesystem::path &file, const std::vector<Chart> &charts);

} // namespace irenic::bench
