// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export.h"
#include "irenic/measure_noise.h"
#include "irenic/picture.h"

namespace irenic {

/// How a frame is to be treated, as far as somebody said: what is left open is the frame's own suggestion.
struct WantedTreatment {
    std::string method = "auto";
    std::string colourMethod; ///< empty: the same
    std::optional<double> luminance, colour;
    Taste taste{};
    bool regions = true; ///< those of the job take part
    bool operator==(const WantedTreatment &) const = default;
    static WantedTreatment exactly(const Treatment &t) { return {t.method, t.isMixed() ? t.colourMethod : std::string(), t.luminance, t.colour, t.taste, t.regions}; }
    /// The treatment itself where nothing is left open.
    std::optional<Treatment> known() const;
    /// Of "auto" the frame's suggestion, see suggestTreatment(); where the file is to hold colours of a mosaic, the method that answers them, see MethodInfo::coloursFromNoise.
    Treatment resolved(const Frame &frame, const NoiseReport &noise, ExportFormat format) const;
};
Status validate(const WantedTreatment &wanted);

/// One export as it can be written down, put off, and done by another process.
struct ExportJob {
    enum class Clash : uint8_t {
        Number,
        Skip,
    }; ///< where the name is taken: the next number, or nothing is written
    std::filesystem::path source;
    WantedTreatment treatment;
    std::filesystem::path folder;
    std::string nameTemplate = kDefaultNameTemplate;
    NameParts parts;
    std::optional<ExportFormat> format; ///< nothing: naturalFormat()
    ExportOptions options;              ///< its format and request are filled in when the job is done
    Clash clash = Clash::Number;
    bool sidecar = true;         ///< see copySidecar()
    bool again = false;          ///< even where the same export is there already
    std::vector<Region> regions; ///< of this frame
    LensCorrection lens;
    bool describedLens = false;          ///< where `lens` says nothing: what the file describes, see irenic::describedLens()
    std::vector<NoiseModel> seriesNoise; ///< the noise law of a series' first frame, so that all are treated identically; usually empty
    std::optional<DecidedNoise> decided; ///< where other frames had a say in the frame's noise; measured where there is nothing
};

FrameEdits editsOf(const ExportJob &job, const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise);

struct ExportOutcome {
    ExportReport report;     ///< of a skipped one, the file that is there
    Treatment treatment;     ///< what was done
    std::string askedMethod; ///< where another method had to stand in for it; usually empty
    ExportFormat format = ExportFormat::Dng;
    std::string reason; ///< why this treatment, where it was the suggestion
    std::string note;   ///< about what did not keep the picture from being written; usually empty
    bool skipped = false;
    bool wasCleaned = false; ///< by a job before it, see ExportMemory
    bool wasSeen = false;    ///< most of it was cleaned for the screen
};

/// Both ask for the same samples: only files differ.
bool cleanAlike(const ExportJob &a, const ExportJob &b);

/// A frame as a job has cleaned it, for the jobs after it that clean alike; others find it empty. Takes as much memory as the frame has samples, four
/// bytes each. Of one thread at a time.
struct ExportMemory {
    ExportJob of;
    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise; ///< as measured
    std::unique_ptr<CleanCache> cleaned;      ///< null: nothing was cleaned yet
    bool serves(const ExportJob &job) const { return cleaned && cleanAlike(of, job); }
};

/// Reads, measures, cleans, writes, verifies. Where frame and noise are known already they may be given.
/// @param dryRun says what would be done and writes nothing
/// @param memory null where no other job will want the same
/// @param seen what was cleaned of this very frame before, by the same noise; may be null, and is used where it holds most of the picture
Result<ExportOutcome> runExportJob(const ExportJob &job, std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const RunContext &run = {}, bool dryRun = false,
                                   ExportMemory *memory = nullptr, CleanCache *seen = nullptr);

/// What is kept in the provenance, so that a job that was done is known again: everything that decides about the pixels.
std::string requestText(const ExportJob &job, ExportFormat format);

/// Seconds that cleaning, where it was not done before, and writing will take on two cores of a middling machine.
double expectedSeconds(const Cleaner &cleaner, ExportFormat format, bool wasCleaned = false);

/// A job's place in a queue.
struct QueuedJob {
    enum class State : uint8_t {
        Waiting,
        Running,
        Done,
        Skipped,
        Failed,
        Cancelled,
    };
    ExportJob job;
    State state = State::Waiting;
    std::string words; ///< of a failed one the reason; of a done one how it was verified
    std::filesystem::path result;
    double seconds = 0;
    bool isOver() const { return state != State::Waiting && state != State::Running; }
};
/// The documented JSON (docs/exports.md), indented.
std::string queueText(const std::vector<QueuedJob> &jobs);
/// What was running when it was written is waiting again, and is not done twice. BadParameter where it is no queue or of a later version.
/// @param from what to call the source in an error
Result<std::vector<QueuedJob>> queueFromText(const std::string &text, const std::string &from);

} // namespace irenic
