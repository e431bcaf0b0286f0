// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export.h"

#include <string>
#include <vector>

/// One function per subcommand; each answers the process's exit status: 0 only where every file succeeded.
namespace irenic::cli {

struct MeasureArguments {
    std::vector<std::string> files;
    bool json = false;
    int threads = 0;
};
int measure(const MeasureArguments &arguments);

struct CleanArguments {
    std::vector<std::string> files;
    std::string outFolder;
    std::string method = "auto";
    std::string colourMethod; ///< empty: the same
    std::optional<double> luminance, colour;
    std::string recipe; ///< file; in place of method and strengths
    std::string format = "auto";
    std::string nameTemplate = kDefaultNameTemplate;
    int threads = 0;
    bool json = false;
    bool dryRun = false;
};
int clean(const CleanArguments &arguments);

struct StripArguments {
    std::string file;
    std::string spot; ///< X,Y,WIDTH,HEIGHT of the upright picture
    std::vector<std::string> trials;
    std::string out;
    int zoom = 2;
    double pushEv = 0;
    bool untreated = true;
    int threads = 0;
};
/// Writes the trials at one spot, side by side, as a labelled PNG.
int strip(const StripArguments &arguments, int &argc, char **argv);

/// Says on standard error, and with `json` as an object on standard output, why a file failed.
void report(const std::string &file, const Error &error, bool json);

} // namespace irenic::cli
