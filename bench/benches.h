// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <algorithm>
#include <string>
#include <vector>

namespace irenic::bench {

/// Whether a method takes part where these were asked for; all do where none was.
inline bool takesPart(const std::vector<std::string> &asked, const std::string &id)
{
    return asked.empty() || std::find(asked.begin(), asked.end(), id) != asked.end();
}

struct QualityArguments {
    std::vector<std::string> scenes; ///< PFM or TIFF files
    std::vector<int> isos{1600, 6400, 12800, 25600};
    std::vector<double> strengths{0, 0.5, 0.75, 1.0, 1.25, 1.5, 2.0, 3.0};
    std::vector<std::string> methods; ///< ids; empty takes all
    bool trueLaw = false;             ///< the methods get the simulated sensor's own law instead of the measured one
    double underexposeEv = 0;         ///< less light than the scenes ask for
    double banding = 0.25;            ///< row and column offsets, in read-noise sigmas
    std::string chart;                ///< SVG of quality against strength and against time; empty for none
    std::string outside;              ///< a command that cleans the same planes with other programs; see baselines.py
    bool json = false;
};
/// Scores every method at a ladder of strengths on frames shot from clean scenes; a table or JSON lines on standard output.
int quality(const QualityArguments &arguments);

struct SpeedArguments {
    std::vector<int> megapixels{6, 12, 24};
    std::vector<int> threads{1, 2};
    std::vector<std::string> methods; ///< ids; empty takes all
    bool exports = false;             ///< time whole exports, and how well the first tenth predicts them
    bool opencv = false;              ///< time OpenCV's non-local means too, where it was there at build time
    std::string other;                ///< the irenic-bench of another build, for compare()
    int rounds = 5;                   ///< for compare()
    double most = 0;                  ///< compare() fails where every round is slower and the middle one by more than this ratio; 0: never
    bool json = false;
};
/// Runs this build and another by turns, each time in a process of its own: ratios of their times, median and spread.
int compare(const SpeedArguments &arguments);
/// Times every method over whole frames and over a pane of 400 x 600 pixels, each the best of several runs.
int speed(const SpeedArguments &arguments);

struct TasteArguments {
    std::vector<std::string> scenes; ///< PFM or TIFF files
    std::vector<int> isos{1600, 6400, 25600};
    std::vector<std::string> methods; ///< ids; empty takes all
    std::vector<double> amounts{0.25, 0.5, 0.75, 1};
    double strength = 1;
};
/// Detail given back against a plain blend with the untreated picture that leaves as much noise on a flat field.
int taste(const TasteArguments &arguments);

struct StagesArguments {
    std::string file;                 ///< a photograph
    std::vector<std::string> methods; ///< ids; empty takes all
    bool json = false;
};
/// What every stage takes, and whole chains, beside what they say that they take.
int stages(const StagesArguments &arguments);

struct StopArguments {
    int megapixels = 24;
    int moments = 8;  ///< of each kind of work, evenly spread
    std::string only; ///< work whose name holds this; empty: all
    bool json = false;
};
/// How soon every kind of work returns once it is asked to stop.
int stop(const StopArguments &arguments);

struct KindsArguments {
    std::vector<std::string> scenes; ///< PFM or TIFF files
    std::vector<int> isos{400, 1600, 6400, 25600};
    std::vector<std::string> kinds; ///< of frames, by name; empty takes all
    std::string method;             ///< at its own suggestion, in place of the suggested one
    std::vector<double> strengths;  ///< of luminance and colour, in place of the suggested ones; usually empty
    bool each = false;              ///< a line for every frame, on standard error
    bool trueLaw = false;           ///< of nearness and colours: the sensor's own law in place of the measured one
};
/// How near the measured noise comes to the sensor's, for every kind of fault and of file.
int law(const KindsArguments &arguments);
/// What the suggested treatment gains over the untreated picture, likewise.
int kindsTable(const KindsArguments &arguments);
/// The estimated against the true nearness of every method, for every kind of mosaic.
int nearnessTable(const KindsArguments &arguments);
/// Every method's developed picture against the scene itself in full colour, and that of a network's full colour against its own samples, demosaiced.
int colours(const KindsArguments &arguments);
/// What the suggested strengths and the suggested method lose against the best by truth, likewise.
int regret(const KindsArguments &arguments);

} // namespace irenic::bench
