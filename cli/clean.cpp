// SPDX-License-Identifier: GPL-3.0-or-later
#include "commands.h"

#include "irenic/recipe.h"

#include <nlohmann/json.hpp>

#include <cstdio>

namespace irenic::cli {

namespace {

struct Outcome {
    std::filesystem::path target;
    Treatment treatment;
    std::string reason;
    uint64_t bytes = 0;
    double seconds = 0;
};

Result<Outcome> cleanOne(const std::string &file, const CleanArguments &a, const std::optional<Recipe> &recipe)
{
    const RunContext run{a.threads, {}, {}};
    auto frame = readFrame(file, run);
    if (!frame)
        return frame.error();
    Result<NoiseReport> noise = measureNoise(*frame.value(), run);
    if (!noise)
        return noise.error();
    const Suggestion suggestion = suggestTreatment(noise.value());
    Outcome outcome{{}, suggestion.treatment, suggestion.reason};
    if (a.method != "auto")
        outcome.treatment = suggestedFor(a.method, noise.value());
    outcome.treatment.colourMethod = a.colourMethod;
    outcome.treatment.luminance = a.luminance.value_or(outcome.treatment.luminance);
    outcome.treatment.colour = a.colour.value_or(outcome.treatment.colour);
    if (recipe) {
        outcome.treatment = recipe->treatment;
        outcome.reason = "the recipe " + recipe->name;
    }
    const Result<std::string> name = expandName(a.nameTemplate, *frame.value(), outcome.treatment);
    if (!name)
        return name.error();
    const ExportFormat format = formatFromName(a.format).value_or(naturalFormat(*frame.value()));
    outcome.target = freeName(a.outFolder, name.value(), format);
    if (a.dryRun)
        return outcome;
    const auto report = std::make_shared<const NoiseReport>(noise.take());
    const Cleaner cleaner(frame.take(), report, outcome.treatment);
    const Result<ExportReport> written = exportCleaned(cleaner, *report, outcome.target, format, run);
    if (!written)
        return written.error();
    outcome.bytes = written.value().bytes;
    outcome.seconds = written.value().seconds;
    return outcome;
}

/// What is wrong with the request itself is said once, before any file is touched.
Status checkArguments(const CleanArguments &a)
{
    if (a.format != "auto" && !formatFromName(a.format))
        return Error{ErrorCode::BadParameter, "The format must be auto, dng, tiff, jpeg or png, not \"" + a.format + "\".", {}};
    const Treatment asked{a.method == "auto" ? methods().front().id : a.method, a.luminance.value_or(1), a.colour.value_or(1), a.colourMethod};
    if (const Status s = validate(asked); !s)
        return s;
    std::error_code ec;
    if (!a.dryRun)
        std::filesystem::create_directories(a.outFolder, ec);
    if (ec || (std::filesystem::exists(a.outFolder, ec) && !std::filesystem::is_directory(a.outFolder, ec)))
        return Error{ErrorCode::WriteFailed, "The folder " + a.outFolder + " cannot be made; nothing was written.", {}};
    return {};
}

} // namespace

int clean(const CleanArguments &arguments)
{
    if (const Status s = checkArguments(arguments); !s) {
        std::fprintf(stderr, "irenic-cli: %s\n", s.error().userMessage.c_str());
        return 2;
    }
    std::optional<Recipe> recipe;
    if (!arguments.recipe.empty()) {
        const Result<Recipe> read = readRecipe(arguments.recipe);
        if (!read) {
            std::fprintf(stderr, "irenic-cli: %s\n", read.error().userMessage.c_str());
            return 2;
        }
        recipe = read.value();
    }
    int status = 0;
    for (const std::string &file : arguments.files) {
        const Result<Outcome> outcome = cleanOne(file, arguments, recipe);
        if (!outcome) {
            report(file, outcome.error(), arguments.json);
            status = 1;
            continue;
        }
        const Outcome &o = outcome.value();
        if (arguments.json) {
            nlohmann::json line{{"file", file}, {"out", o.target.string()}, {"method", o.treatment.method}, {"luminance", o.treatment.luminance},
                                {"colour", o.treatment.colour}, {"colourMethod", o.treatment.isMixed() ? o.treatment.colourMethod : o.treatment.method}, {"written", !arguments.dryRun}};
            if (!arguments.dryRun) {
                line["bytes"] = o.bytes;
                line["seconds"] = o.seconds;
            }
            std::printf("%s\n", line.dump().c_str());
        } else {
            std::printf("%s -> %s  (%s, luminance %g, colour %g%s)\n", file.c_str(), o.target.c_str(), (o.treatment.isMixed() ? o.treatment.method + " with colours by " + o.treatment.colourMethod : o.treatment.method).c_str(), o.treatment.luminance,
                        o.treatment.colour, arguments.dryRun ? ", not written: dry run" : "");
        }
        std::fflush(stdout);
    }
    return status;
}

} // namespace irenic::cli
