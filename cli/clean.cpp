// SPDX-License-Identifier: GPL-3.0-or-later
#include "commands.h"

#include "irenic/barrier.h"
#include "irenic/camera_book.h"
#include "irenic/process.h"
#include "irenic/provenance.h"
#include "irenic/read_frame.h"
#include "irenic/recipe.h"
#include "progress_line.h"
#include "room.h"
#include "watched_folder.h"

#include <algorithm>
#include <atomic>
#include <cstdio>
#include <fstream>
#include <iostream>
#include <mutex>
#include <numeric>
#include <sstream>
#include <thread>

namespace irenic::cli {

namespace {

Error wrong(const std::string &what)
{
    return {ErrorCode::BadParameter, what, {}};
}

/// Files as given, from lists, and from standard input.
Result<std::vector<std::string>> filesOf(const CleanArguments &a)
{
    std::vector<std::string> files = withStandardInput(a.files);
    if (a.list == "-") {
        readLines(std::cin, files);
    } else if (!a.list.empty()) {
        std::ifstream in(a.list);
        if (!in)
            return wrong("The list " + a.list + " cannot be read; nothing was done.");
        readLines(in, files);
    }
    if (files.empty())
        return wrong("No file was named.");
    return files;
}

/// "I/N" of I from 1.
Result<std::pair<size_t, size_t>> shardOf(const std::string &text)
{
    size_t i = 1, n = 1;
    char rest = 0;
    if (!text.empty() && (std::sscanf(text.c_str(), "%zu/%zu%c", &i, &n, &rest) != 2 || i < 1 || i > n))
        return wrong("The shard must be I/N with I from 1 to N, not \"" + text + "\".");
    return std::pair(i, n);
}

Result<ExportOptions> optionsOf(const CleanArguments &a)
{
    ExportOptions o;
    o.bits = a.bits;
    o.dpi = a.dpi;
    const auto profile = profileFromName(a.profile);
    if (!profile)
        return wrong("The profile must be own, srgb, wide or linear, not \"" + a.profile + "\".");
    const auto compression = compressionFromName(a.compression);
    if (!compression)
        return wrong("The compression must be none, deflate or lzw, not \"" + a.compression + "\".");
    const auto dng = dngCompressionFromName(a.uncompressed ? "none" : a.dngCompression);
    if (!dng)
        return wrong("The compression of a DNG must be jpeg, jpeg-xl or none, not \"" + a.dngCompression + "\".");
    o.dng = *dng;
    o.profile = *profile;
    o.compression = *compression;
    o.rendering = a.rendering;
    if (const Status s = validate(o); !s)
        return s.error();
    return o;
}

/// Several, with commas between them; nothing stands for every frame's natural one.
Result<std::vector<std::optional<ExportFormat>>> formatsOf(const std::string &text)
{
    std::vector<std::optional<ExportFormat>> formats;
    std::istringstream in(text);
    for (std::string name; std::getline(in, name, ',');) {
        const auto format = formatFromName(name);
        if (!format && name != "auto")
            return wrong("The format must be auto, dng, linear-dng, tiff, jpeg or png, or some of them with commas between, not \"" + name + "\".");
        if (std::find(formats.begin(), formats.end(), format) == formats.end())
            formats.push_back(format);
    }
    if (formats.empty())
        return wrong("No format was named.");
    return formats;
}

/// The job but for its source and format, checked once before any file is touched.
Result<ExportJob> jobOf(const CleanArguments &a)
{
    ExportJob job;
    job.treatment = {a.method, a.colourMethod, a.luminance, a.colour, a.taste};
    if (!a.regions.empty()) {
        const auto regions = readRegions(a.regions);
        if (!regions)
            return regions.error();
        job.regions = regions.value();
    }
    if (!a.lens.empty()) {
        const auto lens = readLens(a.lens);
        if (!lens)
            return lens.error();
        job.lens = lens.value();
    }
    if (!a.shape.empty()) {
        const auto shape = shapeFromName(a.shape);
        if (!shape)
            return wrong("The shape must be largest, original or everything, not \"" + a.shape + "\".");
        job.lens.shape = *shape;
    }
    job.lens.fringes = a.fringes.value_or(job.lens.fringes);
    for (const std::string &what : a.correct)
        if (what != "lateral" && what != "vignetting" && what != "distortion")
            return wrong("What --correct can undo is lateral, vignetting and distortion, not \"" + what + "\".");
    if (!a.recipe.empty()) {
        const Result<Recipe> recipe = readRecipe(a.recipe);
        if (!recipe)
            return recipe.error();
        job.treatment = WantedTreatment::exactly(recipe.value().treatment);
    }
    if (const Status s = validate(job.treatment); !s)
        return s.error();
    const Result<ExportOptions> options = optionsOf(a);
    if (!options)
        return options.error();
    job.options = options.value();
    if (a.clash != "number" && a.clash != "skip")
        return wrong("Where a name is taken, --clash says number or skip, not \"" + a.clash + "\".");
    job.clash = a.clash == "skip" ? ExportJob::Clash::Skip : ExportJob::Clash::Number;
    if (int(!a.outFolder.empty()) + int(!a.subfolder.empty()) + int(a.beside) != 1)
        return wrong("Say once where to: --out FOLDER, --subfolder NAME, or --beside.");
    if (a.subfolder.find('/') != std::string::npos || a.subfolder == "..")
        return wrong("A subfolder has a plain name, not \"" + a.subfolder + "\".");
    job.nameTemplate = a.nameTemplate;
    job.sidecar = !a.noSidecar;
    job.again = a.again;
    std::error_code ec;
    if (!a.outFolder.empty() && !a.dryRun)
        std::filesystem::create_directories(a.outFolder, ec);
    if (ec || (std::filesystem::exists(a.outFolder, ec) && !std::filesystem::is_directory(a.outFolder, ec)))
        return Error{ErrorCode::WriteFailed, "The folder " + a.outFolder + " cannot be made; nothing was written.", {}};
    return job;
}

std::filesystem::path folderFor(const std::filesystem::path &source, const CleanArguments &a)
{
    return !a.outFolder.empty() ? std::filesystem::path(a.outFolder) : a.subfolder.empty() ? source.parent_path()
                                                                                           : source.parent_path() / a.subfolder;
}

bool asksForLens(const CleanArguments &a)
{
    return !a.correct.empty() || a.measureLateral;
}

/// What is to be undone on this frame, by the file of lens corrections, by the likeliest profile, and as measured.
Result<LensCorrection> lensFor(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const LensCorrection &given, const CleanArguments &a, const RunContext &run)
{
    LensCorrection lens = given;
    const auto asked = [&](const char *what) { return std::find(a.correct.begin(), a.correct.end(), what) != a.correct.end(); };
    const std::string file = frame->file.filename().string();
    const auto missing = [&](const std::string &what) { return Error{ErrorCode::BadParameter, "No profile of the lens of " + file + what + "; nothing was written. --lens-name or --lens says which.", {}}; };
    if (a.lens.empty() && !a.correct.empty()) {
        const auto profiles = findLensProfiles(*frame, a.lensName);
        if (profiles.empty() && (asked("vignetting") || asked("distortion") || !a.measureLateral))
            return missing(" was found");
        if (!profiles.empty()) {
            const LensProfile &p = profiles.front();
            if ((asked("distortion") && !p.hasDistortion) || (asked("vignetting") && !p.hasVignetting) || (asked("lateral") && !p.hasLateral && !a.measureLateral))
                return missing(" tells all that is to be undone (it is " + p.name + ")");
            lens = p.appliedTo(given);
        }
    }
    if (!a.correct.empty()) {
        lens.lateral = asked("lateral");
        lens.vignetting = asked("vignetting");
        lens.distortion = asked("distortion");
    }
    if (a.measureLateral) {
        const auto measured = measureLateral(*frame, *noise, run);
        if (!measured)
            return measured.error();
        lens.red = measured.value().red;
        lens.blue = measured.value().blue;
        lens.lateral = true;
        lens.from += (lens.from.empty() ? "" : "; ") + measured.value().from;
    }
    return lens;
}

/// What the job needs to know of its frame beforehand; reads and measures it where that is anything.
Status prepare(ExportJob &job, std::shared_ptr<const Frame> &frame, std::shared_ptr<const NoiseReport> &noise, const LensCorrection &lens, const CleanArguments &a, const RunContext &run)
{
    job.decided.reset();
    if (a.automaticBrightness || asksForLens(a) || !a.cameraBook.empty()) {
        const auto read = readFrame(job.source, run);
        if (!read)
            return read.error();
        frame = read.value();
    }
    if (!a.cameraBook.empty() || a.measureLateral) {
        Result<NoiseReport> measured = measureNoise(*frame, run, a.cameraBook.empty() ? KnownCamera() : CameraBook(a.cameraBook).about(*frame));
        if (!measured)
            return measured.error();
        noise = std::make_shared<const NoiseReport>(measured.take());
        job.decided = DecidedNoise::of(*noise);
    }
    if (asksForLens(a)) {
        const auto found = lensFor(frame, noise, lens, a, run);
        if (!found)
            return found.error();
        job.lens = found.value();
    }
    if (a.automaticBrightness)
        job.options.rendering.exposureEv = automaticExposureEv(frame, a.rendering);
    return {};
}

void tell(const std::string &file, const ExportOutcome &o, const LensCorrection &lens, const CleanArguments &a)
{
    const Treatment &t = o.treatment;
    const bool written = !a.dryRun && !o.skipped;
    if (a.json) {
        nlohmann::json line{{"file", textOf(file)}, {"out", textOf(o.report.file)}, {"format", formatName(o.format)}, {"written", written}, {"skipped", o.skipped}};
        if (!o.skipped)
            line.update({{"method", t.method}, {"luminance", t.luminance}, {"colour", t.colour}, {"colourMethod", t.isMixed() ? t.colourMethod : t.method}});
        for (const TreatmentParam &p : kTasteParams)
            if (!o.skipped && t.taste.*p.taste != p.info.suggested)
                line["taste"][p.info.name] = t.taste.*p.taste;
        if (!o.skipped && !lens.from.empty())
            line["lens"] = lens.from;
        if (!o.askedMethod.empty())
            line["askedMethod"] = o.askedMethod;
        if (written)
            line.update({{"bytes", o.report.bytes}, {"seconds", o.report.seconds}, {"verified", o.report.verified}});
        if (!o.report.sidecar.empty())
            line["sidecar"] = textOf(o.report.sidecar);
        if (!o.note.empty())
            line["note"] = o.note;
        printLine(line);
    } else if (a.quiet) {
        return;
    } else if (o.skipped) {
        std::printf("%s -> %s  (not written: %s)\n", file.c_str(), o.report.file.c_str(), o.note.c_str());
    } else {
        std::printf("%s -> %s  (%s, luminance %g, colour %g%s)\n", file.c_str(), o.report.file.c_str(), (t.isMixed() ? t.method + " with colours by " + t.colourMethod : t.method).c_str(), t.luminance,
                    t.colour, a.dryRun ? ", not written: dry run" : "");
        if (!o.note.empty())
            std::printf("  Note: %s\n", o.note.c_str());
    }
    std::fflush(stdout);
}

/// What cleaning a frame takes at its peak, guessed by its file before it is read: 24 megapixels take 329 to 712 MB (docs/reliability.md).
uint64_t bytesFor(const std::string &file)
{
    constexpr uint64_t kAtLeast = 200 << 20, kAByte = 24;
    std::error_code ec;
    const auto bytes = std::filesystem::file_size(file, ec);
    return ec ? kAtLeast : kAtLeast + kAByte * bytes;
}

/// Cleans the files of a batch, some at once.
class Batch
{
public:
    Batch(const CleanArguments &a, const ExportJob &job, const std::vector<std::optional<ExportFormat>> &formats, std::stop_token stop)
        : m_a(a), m_job(job), m_lens(job.lens), m_formats(formats), m_stop(std::move(stop)), m_room(memoryBudget())
    {
        m_job.describedLens = a.lens.empty() && !asksForLens(a);
    }
    /// @param all files by their numbers in the whole list, which names may count
    int clean(const std::vector<std::pair<int, std::string>> &all)
    {
        ProgressLine progress(all.size(), !m_a.json && !m_a.quiet);
        m_progress = &progress;
        m_shares.assign(all.size(), 0);
        std::atomic<size_t> next = 0;
        const auto work = [&] {
            for (size_t i = next++; i < all.size() && !m_stop.stop_requested(); i = next++) {
                const uint64_t bytes = m_a.jobs > 1 ? bytesFor(all[i].second) : 0;
                m_room.take(bytes);
                one(i, all[i].first, all[i].second);
                m_room.giveBack(bytes);
            }
        };
        std::vector<std::jthread> others;
        for (int i = 1; i < std::min<int>(m_a.jobs, int(all.size())); ++i)
            others.emplace_back(work);
        work();
        others.clear();
        progress.clear();
        m_progress = nullptr;
        return m_status;
    }

private:
    void one(size_t index, int counter, const std::string &file)
    {
        ExportJob job = m_job;
        job.source = file;
        job.folder = folderFor(job.source, m_a);
        job.parts.counter = counter;
        const std::string shown = textOf(job.source.filename());
        const RunContext run{m_a.threads, m_stop, [&](double share) {
                                 const std::lock_guard lock(m_mutex);
                                 m_shares[index] = std::max(m_shares[index], share);
                                 m_progress->show(shown, std::accumulate(m_shares.begin(), m_shares.end(), 0.0));
                             }};
        std::shared_ptr<const Frame> frame;
        std::shared_ptr<const NoiseReport> noise;
        const RunContext quiet{m_a.threads, m_stop, {}};
        const Status ready = behindBarrier(shown, [&] { return prepare(job, frame, noise, m_lens, m_a, quiet); });
        ExportMemory memory;
        std::string told;
        for (const auto format : m_formats) {
            job.format = format;
            const Result<ExportOutcome> outcome = ready ? runExportJob(job, frame, noise, run, m_a.dryRun, m_formats.size() > 1 ? &memory : nullptr) : ready.error();
            const std::lock_guard lock(m_mutex);
            m_progress->clear();
            if (outcome) {
                tell(file, outcome.value(), job.lens, m_a);
                continue;
            }
            if (outcome.error().code == ErrorCode::Cancelled && m_stop.stop_requested())
                return;
            if (outcome.error().userMessage != told) // once, if it concerns the frame
                report(file, outcome.error(), m_a.json);
            told = outcome.error().userMessage;
            m_status = 1;
        }
        const std::lock_guard lock(m_mutex);
        m_shares[index] = 1;
    }

    const CleanArguments &m_a;
    ExportJob m_job;
    const LensCorrection m_lens;
    const std::vector<std::optional<ExportFormat>> &m_formats;
    std::stop_token m_stop;
    Room m_room;
    std::mutex m_mutex; ///< of all below, and of the terminal
    ProgressLine *m_progress = nullptr;
    std::vector<double> m_shares; ///< of every file, how much is done
    int m_status = 0;
};

int failed(const Error &error)
{
    std::fprintf(stderr, "irenic-cli: %s\n", error.userMessage.c_str());
    return 2;
}

} // namespace

int clean(const CleanArguments &arguments)
{
    const auto formats = formatsOf(arguments.format);
    const Result<ExportJob> job = formats ? jobOf(arguments) : Result<ExportJob>(formats.error());
    const Result<std::vector<std::string>> files = job ? filesOf(arguments) : Result<std::vector<std::string>>(job.error());
    const auto shard = files ? shardOf(arguments.shard) : Result<std::pair<size_t, size_t>>(files.error());
    if (!shard)
        return failed(shard.error());
    std::vector<std::pair<int, std::string>> all;
    for (size_t i = 0; i < files.value().size(); ++i)
        if (i % shard.value().second == shard.value().first - 1)
            all.emplace_back(int(i) + 1, files.value()[i]); // counted in the whole list: every shard counts alike
    std::stop_source stop;
    const StopBySignal signals(stop);
    const int status = Batch(arguments, job.value(), formats.value(), stop.get_token()).clean(all);
    return stop.stop_requested() ? std::max(status, 1) : status;
}

int watch(const WatchArguments &arguments)
{
    const CleanArguments &a = arguments.clean;
    const auto formats = formatsOf(a.format);
    const Result<ExportJob> job = formats ? jobOf(a) : Result<ExportJob>(formats.error());
    if (!job)
        return failed(job.error());
    Result<WatchedFolder> folder = WatchedFolder::open(arguments.folder);
    if (!folder)
        return failed(folder.error());
    std::stop_source stop;
    const StopBySignal signals(stop);
    Batch batch(a, job.value(), formats.value(), stop.get_token());
    int counter = 0, status = 0;
    while (!stop.stop_requested()) {
        std::vector<std::pair<int, std::string>> arrived;
        for (const std::filesystem::path &file : folder.value().arrived())
            if (!readProvenance(file)) // what Irenic has written is not cleaned again
                arrived.emplace_back(++counter, file.string());
        if (!arrived.empty())
            status = std::max(status, batch.clean(arrived));
        else if (arguments.once)
            break;
        else
            folder.value().wait(stop.get_token());
    }
    return status;
}

} // namespace irenic::cli
