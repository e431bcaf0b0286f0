// SPDX-License-Identifier: GPL-3.0-or-later
// irenic-cli: the whole core without a window.
#include "commands.h"
#include "option_pages.h"
#include "topics.h"

#include "irenic/process.h"

#include <CLI/CLI.hpp>

#include <cstdio>
#include <iostream>

namespace irenic::cli {

void report(const std::string &file, const Error &error, bool json)
{
    std::fprintf(stderr, "irenic-cli: %s: %s\n", file.c_str(), error.userMessage.c_str());
    if (json)
        printLine({{"file", textOf(file)}, {"error", error.userMessage}});
}

void readLines(std::istream &in, std::vector<std::string> &files)
{
    for (std::string line; std::getline(in, line);)
        if (!line.empty())
            files.push_back(line);
}

std::vector<std::string> withStandardInput(const std::vector<std::string> &files)
{
    std::vector<std::string> out;
    for (const std::string &file : files)
        if (file == "-")
            readLines(std::cin, out);
        else
            out.push_back(file);
    return out;
}

void printLine(const nlohmann::json &object)
{
    // Every text should be UTF-8 by now; one that is not costs its own character and not the batch.
    std::printf("%s\n", object.dump(-1, ' ', false, nlohmann::json::error_handler_t::replace).c_str());
}

namespace {

/// What is to be done with every photograph, and where to: the options of all commands that clean.
void addCleaning(CLI::App *command, CleanArguments &c, const std::string &book)
{
    const auto usual = [](std::string folder) { return folder == "-" ? usualCameraBook() : folder; };
    command->add_option("--out", c.outFolder, "Folder for the results");
    command->add_option("--subfolder", c.subfolder, "A folder of this name beside every original");
    command->add_flag("--beside", c.beside, "The folder of every original");
    command->add_option("--method", c.method, "auto, or a method's name (see: irenic-cli methods)")->transform(irenic::methodIdOf)->capture_default_str();
    command->add_option("--colour-method,--color-method", c.colourMethod, "Another method for the colours")->transform(irenic::methodIdOf);
    command->add_option("--luminance", c.luminance, "Strength for brightness noise, in multiples of what was measured, 0 to 3");
    command->add_option("--colour,--color", c.colour, "Strength for colour noise, 0 to 3");
    std::vector<CLI::Option *> tastes;
    for (const irenic::TreatmentParam &p : irenic::kTasteParams)
        tastes.push_back(command->add_option(std::string("--") + p.info.name, c.taste.*p.taste, p.info.help)->capture_default_str());
    command->add_option("--regions", c.regions, "A file of regions, whose strengths hold inside them");
    command->add_option("--correct", c.correct, "Lens faults to undo: lateral, vignetting, distortion; by a profile of the lens that the file names")->delimiter(',');
    command->add_option("--fringes", c.fringes, "Share of the coloured fringes at edges that is taken off, 0 to 1; linear DNG, TIFF and proofs")->check(CLI::Range(0., 1.));
    command->add_option("--lens", c.lens, "A file of lens corrections, in place of a profile");
    command->add_option("--lens-name", c.lensName, "Name of the lens whose profile is to be used")->excludes("--lens");
    command->add_flag("--measure-lateral", c.measureLateral, "Lateral aberration as measured on each frame");
    command->add_option("--shape", c.shape, "With distortion undone: largest (no blank corners), original (scale of the middle) or everything (default: as the file of lens corrections says, or largest)");
    command->add_option("--format", c.format, "dng (still raw), linear-dng (demosaiced), tiff, jpeg or png (proofs in 8 bits), or auto: dng, but tiff for finished pictures; several with commas between, cleaned once")->capture_default_str();
    command->add_option("--dng-compression", c.dngCompression, "DNG: jpeg (lossless), jpeg-xl (lossless, too, and a little smaller; of DNG 1.7, which few programs read yet) or none")->capture_default_str();
    command->add_flag("--uncompressed", c.uncompressed, "The same as --dng-compression none");
    command->add_option("--bits", c.bits, "TIFF: 8 (dithered), 16 or 32 (floating point)")->capture_default_str();
    command->add_option("--compression", c.compression, "TIFF: none, deflate or lzw")->capture_default_str();
    command->add_option("--profile", c.profile, "Rendered files: own (sRGB; a finished picture keeps its own), srgb, wide (BT.2020) or linear")->capture_default_str();
    command->add_option("--dpi", c.dpi, "Rendered files: resolution, dots an inch")->capture_default_str();
    command->add_option("--temperature", c.rendering.white.temperatureK, "Rendered files: colour temperature of the light, K; as shot where it is not given");
    command->add_option("--tint", c.rendering.white.tint, irenic::kTint.help)->needs("--temperature");
    for (const irenic::RenderingParam &p : irenic::kRenderingParams)
        command->add_option(std::string("--") + p.info.name, c.rendering.*p.value, std::string("Rendered files: ") + p.info.help);
    command->add_flag("--automatic-brightness", c.automaticBrightness, "Rendered files: exposure chosen for every frame")->excludes("--exposure");
    command->add_option("--name", c.nameTemplate, "Name of the results: {name} {method} {luminance} {colour} {iso} {date} {counter}")->capture_default_str();
    command->add_option("--clash", c.clash, "Where a name is taken: number (the next one) or skip")->capture_default_str();
    command->add_flag("--no-sidecar", c.noSidecar, "Do not copy XMP sidecars");
    command->add_flag("--again", c.again, "Make exports again that are there already, made in the same way of the same original");
    command->add_option("--threads", c.threads, "0 uses every core")->check(CLI::Range(0, 1024));
    command->add_flag("--json", c.json, "One JSON object a line");
    command->add_flag("--dry-run", c.dryRun, "Say what would be done and write nothing");
    command->add_option("--recipe", c.recipe, "A recipe file, or a picture that was exported and tells its own, in place of method and strengths")->excludes("--method")->excludes("--luminance")->excludes("--colour")->excludes("--colour-method");
    for (CLI::Option *taste : tastes)
        taste->excludes("--recipe");

    command->add_option("--camera-book", c.cameraBook, book)->transform(usual);
}

int listMethods(bool json)
{
    for (const MethodInfo &m : methods()) {
        if (!json) {
            std::printf("%-10s %s\n           %s %s\n", m.id, m.label, m.goodAt, m.cost);
            continue;
        }
        nlohmann::json parameters = nlohmann::json::array();
        const auto add = [&](const ParamInfo &p) { parameters.push_back({{"name", p.name}, {"label", p.label}, {"min", p.min}, {"max", p.max}, {"suggested", p.suggested}, {"help", p.help}}); };
        for (const TreatmentParam &p : kTreatmentParams)
            add(p.info);
        printLine({{"id", m.id}, {"label", m.label}, {"goodAt", m.goodAt}, {"cost", m.cost}, {"parameters", parameters}});
    }
    return 0;
}

} // namespace
} // namespace irenic::cli

int main(int argc, char **argv)
{
    using namespace irenic::cli;
    irenic::prepareProcess();
    CLI::App app{"Measures and reduces noise in raw photographs.", "irenic-cli"};
    app.require_subcommand(1);

    MeasureArguments measureArguments;
    CLI::App *measureCommand = app.add_subcommand("measure", "Measure the noise of raw photographs");
    measureCommand->add_option("files", measureArguments.files, "Raw files; - reads their names from standard input, one a line")->required();
    measureCommand->add_flag("--json", measureArguments.json, "One JSON object a line");
    measureCommand->add_option("--threads", measureArguments.threads, "0 uses every core")->check(CLI::Range(0, 1024));

    const std::string book = "Ask the camera book for the law and the bad pixels of earlier frames; a folder, or - for the one that the window keeps";
    const auto usual = [](std::string folder) { return folder == "-" ? usualCameraBook() : folder; };
    measureCommand->add_option("--camera-book", measureArguments.cameraBook, book)->transform(usual);

    CleanArguments c;
    CLI::App *cleanCommand = app.add_subcommand("clean", "Clean raw photographs and write DNG or TIFF");
    cleanCommand->add_option("files", c.files, "Photographs; - reads their names from standard input, one a line");
    cleanCommand->add_option("--list", c.list, "A file with more names, one a line; - for standard input");
    cleanCommand->add_option("--shard", c.shard, "I/N: only every N-th file of the list, from the I-th on, so that N workers do it together");
    cleanCommand->add_option("--jobs", c.jobs, "Frames at once, as far as memory allows; more than 1 keeps all cores busy while files are read and written")->check(CLI::Range(1, 64))->capture_default_str();
    cleanCommand->add_flag("--quiet", c.quiet, "Say nothing of what went well");
    addCleaning(cleanCommand, c, book);

    WatchArguments w;
    CLI::App *watchCommand = app.add_subcommand("watch", "Clean the photographs that arrive in a folder, until it is stopped");
    watchCommand->add_option("folder", w.folder, "Folder; what lies there already is cleaned, too")->required();
    watchCommand->add_flag("--once", w.once, "End when everything that lies there was cleaned");
    addCleaning(watchCommand, w.clean, book);

    CamerasArguments k;
    CLI::App *camerasCommand = app.add_subcommand("cameras", "List the camera book, let it learn or forget");
    camerasCommand->add_option("--book", k.book, "Its folder")->capture_default_str();
    camerasCommand->add_option("--learn", k.learn, "Raw photographs to learn from; - reads their names from standard input");
    camerasCommand->add_option("--forget", k.forget, "Cameras to forget, as they are listed");
    camerasCommand->add_flag("--readable", k.readable, "List the cameras whose raw files this build reads, in place of the book");
    camerasCommand->add_flag("--json", k.json, "One JSON object a line");
    camerasCommand->add_option("--threads", k.threads, "0 uses every core")->check(CLI::Range(0, 1024));

    const std::string trial = "METHOD, METHOD:STRENGTH or METHOD:LUMINANCE:COLOUR, then ,NAME=VALUE for its taste; once for every trial";
    CompareArguments t;
    CLI::App *compareCommand = app.add_subcommand("compare", "Tell what trials leave, lose and how near they come to the clean picture");
    compareCommand->add_option("file", t.file, "Photograph")->required();
    compareCommand->add_option("--trial", t.trials, trial + "; every method at its suggestion where there is none")->take_all();
    compareCommand->add_option("--spot", t.spot, "X,Y,WIDTH,HEIGHT in pixels of the upright picture; places all over it where it is left out");
    compareCommand->add_flag("--json", t.json, "One JSON object a trial");
    compareCommand->add_option("--threads", t.threads, "0 uses every core")->check(CLI::Range(0, 1024));

    StripArguments s;
    CLI::App *stripCommand = app.add_subcommand("strip", "Write trials at one spot, side by side, as a labelled PNG");
    stripCommand->add_option("file", s.file, "Photograph")->required();
    stripCommand->add_option("--spot", s.spot, "X,Y,WIDTH,HEIGHT in pixels of the upright picture")->required();
    stripCommand->add_option("--trial", s.trials, trial)->required()->take_all();
    stripCommand->add_option("--out", s.out, "PNG to write; an existing file is not replaced")->required();
    stripCommand->add_option("--zoom", s.zoom, "Screen pixels per picture pixel")->check(CLI::Range(1, 8))->capture_default_str();
    stripCommand->add_option("--push", s.pushEv, "Exposure lift for looking, EV")->check(CLI::Range(-2., 6.));
    stripCommand->add_flag("!--no-untreated", s.untreated, "Leave the untreated picture out");
    stripCommand->add_option("--threads", s.threads, "0 uses every core")->check(CLI::Range(0, 1024));

    bool methodsJson = false;
    CLI::App *methodsCommand = app.add_subcommand("methods", "List the methods");
    methodsCommand->add_flag("--json", methodsJson, "One JSON object a line");

    std::string topic;
    CLI::App *helpCommand = app.add_subcommand("help", "Read the handbook: its topics, one of them, or where a word stands in it");
    helpCommand->add_option("topic", topic, "Topic or word");

    app.set_version_flag(
        "--version", [] { return irenic::versionText("irenic-cli"); }, "Print the versions of the program and of its libraries");
    const irenic::ProgramPages pages{"reduce noise in raw photographs without a window",
                                     ".PP\nEach command has options of its own. Originals are never written to, and no file is replaced.\n.PP\nWith \\fB\\-\\-json\\fR standard output holds one JSON object a line and nothing else.",
                                     "\\fBirenic\\fR(1), \\fBirenic\\-shoot\\fR(1)"};
    if (const int status = irenic::answerPages(app, pages, argc, argv); status >= 0)
        return status;
    CLI11_PARSE(app, argc, argv);
    if (helpCommand->parsed())
        return help(topic);
    if (measureCommand->parsed())
        return measure(measureArguments);
    if (camerasCommand->parsed())
        return cameras(k);
    if (cleanCommand->parsed())
        return clean(c);
    if (watchCommand->parsed())
        return watch(w);
    if (compareCommand->parsed())
        return compare(t);
    if (stripCommand->parsed())
        return strip(s, argc, argv);
    return listMethods(methodsJson);
}
