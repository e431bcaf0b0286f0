// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export_job.h"
#include "irenic/text.h"

#include <nlohmann/json.hpp>

#include <string>
#include <vector>

/// One function per subcommand; each answers the process's exit status: 0 only where every file succeeded.
namespace irenic::cli {

/// Folder of the camera book where none is named: the one that the window keeps.
std::string usualCameraBook();

struct CamerasArguments {
    std::string book = usualCameraBook();
    std::vector<std::string> learn;  ///< files to be learned from ("-" reads their names from standard input); empty: the book is listed
    bool readable = false;           ///< lists the cameras whose raw files are read, in place of the book
    std::vector<std::string> forget; ///< cameras, as listed, whose pages are removed
    bool json = false;
    int threads = 0;
};
/// The camera book: lists it, learns, forgets.
int cameras(const CamerasArguments &arguments);

struct MeasureArguments {
    std::vector<std::string> files; ///< "-" reads names from standard input, one a line
    std::string cameraBook;         ///< folder; empty: the frame alone
    bool json = false;
    int threads = 0;
};
int measure(const MeasureArguments &arguments);

struct CleanArguments {
    std::vector<std::string> files; ///< "-" reads names from standard input, one a line
    std::string list;               ///< a file of names, or "-"
    std::string shard;              ///< "I/N": every N-th file of the list, from the I-th
    std::string outFolder, subfolder;
    bool beside = false;
    std::string method = "auto";
    std::string colourMethod; ///< empty: the same
    std::optional<double> luminance, colour;
    Taste taste;
    std::string regions;              ///< a file of docs/regions.md
    std::vector<std::string> correct; ///< "lateral", "vignetting", "distortion"
    std::string lens;                 ///< a file of docs/lens.md, in place of a profile
    std::string lensName;             ///< of a profile, in place of what the file names
    bool measureLateral = false;
    std::optional<double> fringes;
    std::string shape;  ///< empty: as the file of lens corrections says, or largest
    std::string recipe; ///< file, or a picture that was exported; in place of method and strengths
    std::string format = "auto";
    std::string dngCompression = "jpeg";
    bool uncompressed = false;
    int bits = 16;
    double dpi = 300;
    std::string profile = "own", compression = "deflate";
    Rendering rendering;
    bool automaticBrightness = false;
    std::string nameTemplate = kDefaultNameTemplate;
    std::string clash = "number";
    bool noSidecar = false;
    bool again = false;     ///< exports that are there already are made again
    std::string cameraBook; ///< folder; empty: every frame by itself
    int threads = 0;
    bool json = false;
    bool dryRun = false;
    bool quiet = false; ///< says nothing of what went well
    int jobs = 1;       ///< frames at once
};
int clean(const CleanArguments &arguments);

struct WatchArguments {
    std::string folder;
    CleanArguments clean; ///< its files and lists are left alone
    bool once = false;    ///< ends when everything that lies there was cleaned
};
/// Cleans what arrives, until SIGINT or SIGTERM.
int watch(const WatchArguments &arguments);

struct CompareArguments {
    std::string file;
    std::vector<std::string> trials; ///< empty: every method at its suggestion
    std::string spot;                ///< X,Y,WIDTH,HEIGHT of the upright picture; empty: places all over it
    bool json = false;
    int threads = 0;
};
/// The readings of trials, one line each.
int compare(const CompareArguments &arguments);

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
void printLine(const nlohmann::json &object); ///< on standard output
void report(const std::string &file, const Error &error, bool json);
/// Files as they were given, with the lines of standard input in the place of "-".
std::vector<std::string> withStandardInput(const std::vector<std::string> &files);
void readLines(std::istream &in, std::vector<std::string> &files); ///< those that are not empty

} // namespace irenic::cli
