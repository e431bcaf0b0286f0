// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export_job.h"

#include "irenic/barrier.h"
#include "irenic/measure_noise.h"
#include "irenic/nearness.h"
#include "irenic/read_frame.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

#include "frame/linearizer.h"

namespace irenic {

namespace {

/// The name does not depend on what will be measured.
bool nameIsKnown(const ExportJob &job)
{
    if (job.treatment.known())
        return true;
    for (const char *word : {"{method}", "{luminance}", "{colour}"})
        if (job.nameTemplate.find(word) != std::string::npos)
            return false;
    return true;
}

void addNote(ExportOutcome &outcome, const std::string &text)
{
    outcome.note += (outcome.note.empty() ? "" : "; ") + text;
}

/// The export that is there already, or that the clash rule leaves alone; `decided` tells what was to be done.
std::optional<ExportOutcome> alreadyThere(const ExportJob &job, const std::string &name, ExportOutcome decided, const RunContext &run)
{
    decided.skipped = true;
    if (!job.again)
        if (const auto done = findDone(job.folder, name, decided.format, job.source, requestText(job, decided.format), run)) {
            decided.report.file = *done;
            addNote(decided, "it is there already, made of the same original in the same way");
            return decided;
        }
    const auto taken = job.folder / (name + formatEnding(decided.format));
    std::error_code ec;
    if (job.clash == ExportJob::Clash::Skip && std::filesystem::exists(std::filesystem::symlink_status(taken, ec))) {
        decided.report.file = taken;
        addNote(decided, "a file of that name is there already");
        return decided;
    }
    return std::nullopt;
}

/// Under the name, or the next free one. Where others take it first the clash rule holds again, for what is there then.
Status exportUnderName(const ExportJob &job, const Cleaner &cleaner, const NoiseReport &noise, const std::string &name, const ExportOptions &options, const RunContext &run, CleanCache *cache, ExportOutcome &outcome)
{
    constexpr int kMostTries = 20;
    const RunContext quiet{run.threads, run.stop, {}, run.background};
    for (int i = 0;; ++i) {
        const auto target = job.clash == ExportJob::Clash::Skip ? job.folder / (name + formatEnding(options.format)) : freeName(job.folder, name, options.format);
        // Asked after the name was chosen: whatever made it another number is there by now, and may be this very result.
        if (auto there = alreadyThere(job, name, outcome, quiet)) {
            outcome = *there;
            return {};
        }
        Result<ExportReport> report = exportCleaned(cleaner, noise, target, options, run, cache);
        if (report) {
            outcome.report = report.take();
            return {};
        }
        if (report.error().code != ErrorCode::Taken || i == kMostTries)
            return report.error();
    }
}

} // namespace

FrameEdits editsOf(const ExportJob &job, const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise)
{
    return {job.regions.empty() ? nullptr : std::make_shared<const RegionSet>(frame, noise, job.regions), job.lens};
}

std::optional<Treatment> WantedTreatment::known() const
{
    if (method == "auto" || !luminance || !colour)
        return std::nullopt;
    return Treatment{method, *luminance, *colour, colourMethod, taste, regions};
}

namespace {

/// The method that answers colours by itself, where it is suggested for a file of them; else null. Where a mosaic's numbers end at black its colours would keep lifted shadows.
const MethodInfo *forColours(const Frame &frame, const NoiseReport &noise, ExportFormat format)
{
    if (frame.kind != FrameKind::Mosaic || format == ExportFormat::Dng || isCutAtBlack(frame))
        return nullptr;
    const auto all = methods();
    const auto found = std::find_if(all.begin(), all.end(), [&](const MethodInfo &m) { return noise.luminanceNoise >= float(m.coloursFromNoise) && !(noise.spectrum && m.expectsWhite) && validate(Treatment{m.id}); });
    return found == all.end() ? nullptr : &*found;
}

/// Of a job that leaves the choice to the frame.
Suggestion suggestionFor(const Frame &frame, const NoiseReport &noise, ExportFormat format)
{
    Suggestion s = suggestTreatment(noise);
    if (const MethodInfo *m = forColours(frame, noise, format)) {
        s.treatment = suggestedFor(m->id, noise);
        s.reason += " " + sentence("The file holds colours: %1 takes their place, which answers them without demosaicing.", {sentence(m->label)});
    }
    return s;
}

} // namespace

Treatment WantedTreatment::resolved(const Frame &frame, const NoiseReport &noise, ExportFormat format) const
{
    if (const auto all = known())
        return *all;
    Treatment t = method == "auto" ? suggestionFor(frame, noise, format).treatment : suggestedFor(method, noise);
    t.colourMethod = colourMethod;
    t.luminance = luminance.value_or(t.luminance);
    t.colour = colour.value_or(t.colour);
    t.taste = taste;
    t.regions = regions;
    return t;
}

Status validate(const WantedTreatment &w)
{
    return validate(Treatment{w.method == "auto" ? methods().front().id : w.method, w.luminance.value_or(1), w.colour.value_or(1), w.colourMethod, w.taste, w.regions});
}

bool cleanAlike(const ExportJob &a, const ExportJob &b)
{
    return a.source == b.source && a.treatment == b.treatment && a.regions == b.regions && a.lens == b.lens && a.seriesNoise == b.seriesNoise && a.decided == b.decided;
}

namespace {

Result<ExportOutcome> run(const ExportJob &asked, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const RunContext &context, bool dryRun, ExportMemory *memory, CleanCache *seen)
{
    if (!frame || !noise || !asked.seriesNoise.empty())
        seen = nullptr;
    for (const Status &s : {validate(asked.treatment), validate(asked.regions), validate(asked.lens)})
        if (!s)
            return s.error();
    const RunContext quiet{context.threads, context.stop, {}, context.background};
    const bool remembered = memory && memory->serves(asked);
    if (remembered) {
        frame = memory->frame;
        noise = memory->noise;
    }
    if (!frame) {
        const auto read = readFrame(asked.source, quiet);
        if (!read)
            return read.error();
        frame = read.value();
    }
    ExportJob job = asked;
    if (job.describedLens && job.lens == LensCorrection())
        job.lens = describedLens(*frame);
    ExportOptions options = job.options;
    options.format = job.format.value_or(naturalFormat(*frame));
    options.request = requestText(job, options.format);
    const auto nameFor = [&](const Treatment &t) { return expandName(job.nameTemplate, *frame, t, job.parts); };
    const auto decided = [&](const Treatment &wanted) {
        ExportOutcome outcome;
        outcome.format = options.format;
        outcome.treatment = carriedOut(wanted, frame->kind);
        if (outcome.treatment.method != wanted.method) {
            outcome.askedMethod = wanted.method;
            addNote(outcome, std::string(findMethod(wanted.method)->label) + " is for sensor samples of two-by-two patterns; " + findMethod(outcome.treatment.method)->label + " cleaned this frame in its place");
        }
        return outcome;
    };
    if (nameIsKnown(job)) { // what is done need not be measured again
        const ExportOutcome outcome = decided(job.treatment.known().value_or(Treatment()));
        const Result<std::string> name = nameFor(outcome.treatment);
        if (!name)
            return name.error();
        if (auto there = alreadyThere(job, name.value(), outcome, quiet))
            return *there;
    }
    if (!noise) {
        Result<NoiseReport> measured = job.decided ? measureNoise(*frame, *job.decided, quiet) : measureNoise(*frame, quiet, {}, job.treatment.known() ? Asked::WithoutSuggestion : Asked::Everything);
        if (!measured)
            return measured.error();
        noise = std::make_shared<const NoiseReport>(measured.take());
    }
    const bool isLeftToFrame = job.treatment.method == "auto";
    std::shared_ptr<const NoiseReport> told = noise; // cleaning goes by what was measured, which may be known by its address
    if (isLeftToFrame && noise->nearness.empty()) {
        const auto more = std::make_shared<NoiseReport>(*noise);
        if (const Status done = tellNearest(*more, frame, quiet); !done)
            return done.error();
        told = more;
    }
    ExportOutcome outcome = decided(job.treatment.resolved(*frame, *told, options.format));
    options.askedMethod = outcome.askedMethod;
    outcome.reason = isLeftToFrame ? suggestionFor(*frame, *told, options.format).reason : std::string();
    const Result<std::string> name = nameFor(outcome.treatment);
    if (!name)
        return name.error();
    if (!nameIsKnown(job))
        if (auto there = alreadyThere(job, name.value(), outcome, quiet))
            return *there;
    if (dryRun) {
        outcome.report.file = freeName(job.folder, name.value(), options.format);
        return outcome;
    }
    if (memory && !remembered)
        *memory = {asked, frame, noise, std::make_unique<CleanCache>(std::numeric_limits<size_t>::max())};
    outcome.wasCleaned = remembered;
    if (job.seriesNoise.size() == noise->cells.size()) {
        auto series = std::make_shared<NoiseReport>(*noise);
        std::copy(job.seriesNoise.begin(), job.seriesNoise.end(), series->cells.begin());
        noise = series;
    }
    std::error_code ec;
    std::filesystem::create_directories(job.folder, ec);
    const Cleaner cleaner(frame, noise, outcome.treatment, editsOf(job, frame, noise));
    CleanCache *cache = memory ? memory->cleaned.get() : nullptr;
    constexpr double kMost = 0.5;
    outcome.wasSeen = !cache && seen && seen->shareHeld(cleaner, frame->crop) > kMost;
    if (outcome.wasSeen)
        cache = seen;
    if (const Status s = exportUnderName(job, cleaner, *noise, name.value(), options, context, cache, outcome); !s)
        return s.error();
    if (outcome.skipped)
        return outcome;
    if (job.sidecar) {
        const auto sidecar = copySidecar(job.source, outcome.report.file);
        if (sidecar)
            outcome.report.sidecar = sidecar.value();
        else
            addNote(outcome, sidecar.error().userMessage);
    }
    return outcome;
}

} // namespace

Result<ExportOutcome> runExportJob(const ExportJob &job, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const RunContext &context, bool dryRun, ExportMemory *memory, CleanCache *seen)
{
    return behindBarrier(textOf(job.source.filename()), [&] { return run(job, std::move(frame), std::move(noise), context, dryRun, memory, seen); });
}

} // namespace irenic
