// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/fnv.h"
#include "irenic/export_job.h"
#include "lens/lens_json.h"
#include "methods/treatment_json.h"
#include "noise/noise_json.h"
#include "regions/regions_json.h"
#include "render/rendering_json.h"

#include "irenic/parameter.h"
#include "irenic/text.h"

namespace irenic {

namespace {

constexpr const char *kQueueFormat = "irenic-queue";
constexpr int kQueueVersion = 1;
constexpr const char *kStates[] = {"waiting", "running", "done", "skipped", "failed", "cancelled"};
constexpr double kMost = 1e15;

Json toJson(const WantedTreatment &w)
{
    Json j{{"method", w.method}};
    if (!w.colourMethod.empty())
        j["colourMethod"] = w.colourMethod;
    if (w.luminance)
        j["luminance"] = *w.luminance;
    if (w.colour)
        j["colour"] = *w.colour;
    if (const Json taste = irenic::toJson(w.taste); !taste.empty())
        j["taste"] = taste;
    if (!w.regions)
        j["regions"] = false;
    return j;
}

WantedTreatment wantedFrom(const JsonReader &j)
{
    WantedTreatment w{j.text("method"), j.has("colourMethod") ? j.text("colourMethod") : std::string(), {}, {}};
    if (j.has("luminance"))
        w.luminance = j.number("luminance", kLuminanceParam.info.min, kLuminanceParam.info.max);
    if (j.has("colour"))
        w.colour = j.number("colour", kColourParam.info.min, kColourParam.info.max);
    if (j.has("taste"))
        w.taste = tasteFrom(j.object("taste"));
    w.regions = !j.has("regions") || j.boolean("regions");
    if (const Status s = validate(w); !s)
        j.refuse(s.error().userMessage);
    return w;
}

/// As earlier versions had it, which knew no JPEG XL.
Json dngJson(DngCompression compression)
{
    Json j{{"lossless", compression != DngCompression::None}};
    if (compression == DngCompression::JpegXl)
        j["jpegXl"] = true;
    return j;
}

/// What decides about the pixels of a file of this format, and nothing that does not.
Json toJson(const ExportOptions &o, ExportFormat format)
{
    if (isStillRaw(format))
        return dngJson(o.dng);
    Json j{{"profile", profileName(o.profile)}, {"dpi", o.dpi}, {"rendering", toJson(o.rendering)}};
    if (format == ExportFormat::Tiff)
        j.update(Json{{"bits", o.bits}, {"compression", compressionName(o.compression)}});
    return j;
}

/// What was decided for the frame, where anything was.
Json editsJson(const ExportJob &job)
{
    Json j = Json::object();
    if (!job.regions.empty())
        j["regions"] = toJson(job.regions);
    if (job.lens != LensCorrection())
        j["lens"] = toJson(job.lens);
    return j;
}

/// All of them, whatever the format.
Json optionsJson(const ExportOptions &o)
{
    Json j = dngJson(o.dng);
    j.update(Json{{"profile", profileName(o.profile)}, {"dpi", o.dpi}, {"bits", o.bits}, {"compression", compressionName(o.compression)}, {"rendering", toJson(o.rendering)}});
    return j;
}

Json toJson(const ExportJob &job)
{
    const ExportOptions &o = job.options;
    Json j{{"source", textOf(job.source)}, {"treatment", toJson(job.treatment)}, {"folder", textOf(job.folder)}, {"name", textOf(job.nameTemplate)}, {"trial", job.parts.trial}, {"counter", job.parts.counter}, {"format", job.format ? formatName(*job.format) : "auto"}, {"options", optionsJson(o)}, {"clash", job.clash == ExportJob::Clash::Skip ? "skip" : "number"}, {"sidecar", job.sidecar}, {"again", job.again}, {"seriesNoise", toJson(job.seriesNoise)}};
    j.update(editsJson(job));
    if (job.decided) {
        Json hot = Json::array();
        for (const PixelAt &p : job.decided->hotPixels)
            hot.push_back({p.x, p.y});
        j["noise"] = {{"cells", toJson(job.decided->cells)}, {"hotPixels", hot}, {"confidence", job.decided->confidence}, {"lawFrames", job.decided->lawFrames}, {"mapFrames", job.decided->mapFrames}};
    }
    return j;
}

DecidedNoise decidedFrom(const JsonReader &j)
{
    DecidedNoise decided;
    const std::vector<JsonReader> cells = j.array("cells");
    if (cells.size() != decided.cells.size())
        j.fail("cells");
    for (size_t i = 0; i < std::min(cells.size(), decided.cells.size()); ++i)
        decided.cells[i] = modelFrom(cells[i], j, "cells");
    constexpr double kMostSide = 1 << 20;
    for (const JsonReader &pair : j.array("hotPixels")) {
        const auto v = pair.values();
        if (v.size() == 2 && v[0] >= 0 && v[0] < kMostSide && v[1] >= 0 && v[1] < kMostSide)
            decided.hotPixels.push_back({int(v[0]), int(v[1])});
        else
            j.fail("hotPixels");
    }
    std::sort(decided.hotPixels.begin(), decided.hotPixels.end(), PixelAt::byRow);
    decided.confidence = j.number("confidence", 0, 1);
    decided.lawFrames = j.whole("lawFrames", 0, 1000000);
    decided.mapFrames = j.whole("mapFrames", 0, 1000000);
    return decided;
}

ExportJob jobFrom(const JsonReader &j)
{
    ExportJob job;
    job.source = pathOf(j.text("source"));
    job.treatment = wantedFrom(j.object("treatment"));
    job.folder = pathOf(j.text("folder"));
    job.nameTemplate = pathOf(j.text("name")).native();
    job.parts = {j.text("trial"), j.whole("counter", 0, 1000000)};
    if (j.text("format") != "auto")
        job.format = j.named<ExportFormat>("format", formatFromName);
    const JsonReader o = j.object("options");
    job.options.dng = !o.boolean("lossless") ? DngCompression::None : o.has("jpegXl") && o.boolean("jpegXl") ? DngCompression::JpegXl
                                                                                                             : DngCompression::LosslessJpeg;
    job.options.profile = o.named<OutputProfile>("profile", profileFromName);
    job.options.dpi = o.number("dpi", 1, 10000);
    job.options.bits = o.whole("bits", 8, 32);
    job.options.compression = o.named<TiffCompression>("compression", compressionFromName);
    job.options.rendering = renderingFrom(o.object("rendering"));
    if (const Status s = validate(job.options); !s)
        o.refuse(s.error().userMessage);
    job.clash = j.text("clash") == "skip" ? ExportJob::Clash::Skip : ExportJob::Clash::Number;
    job.sidecar = j.boolean("sidecar");
    job.again = j.boolean("again");
    if (j.has("regions"))
        job.regions = regionsFrom(j.array("regions"));
    if (j.has("lens"))
        job.lens = lensFrom(j.object("lens"));
    for (const JsonReader &pair : j.array("seriesNoise"))
        job.seriesNoise.push_back(modelFrom(pair, j, "seriesNoise"));
    if (j.has("noise"))
        job.decided = decidedFrom(j.object("noise"));
    return job;
}

} // namespace

std::string requestText(const ExportJob &job, ExportFormat format)
{
    Json j{{"treatment", toJson(job.treatment)}, {"format", formatName(format)}, {"options", toJson(job.options, format)}};
    j.update(editsJson(job));
    if (!job.seriesNoise.empty())
        j["seriesNoise"] = toJson(job.seriesNoise);
    if (job.decided) { // long lists stay out of every file: their digest tells them apart
        Fnv1a<uint64_t> digest;
        for (const PixelAt &p : job.decided->hotPixels)
            for (const int v : {p.x, p.y})
                digest.add(uint64_t(v));
        j["noise"] = {{"cells", toJson(job.decided->cells)}, {"hotPixels", job.decided->hotPixels.size()}, {"digest", std::to_string(digest.value())}};
    }
    return jsonText(j);
}

std::string queueText(const std::vector<QueuedJob> &jobs)
{
    Json list = Json::array();
    for (const QueuedJob &q : jobs) {
        Json j = toJson(q.job);
        j["state"] = kStates[size_t(q.state)];
        j["words"] = q.words;
        j["result"] = textOf(q.result);
        j["seconds"] = q.seconds;
        list.push_back(std::move(j));
    }
    return jsonText(Json{{"format", kQueueFormat}, {"version", kQueueVersion}, {"jobs", list}}, 2) + "\n";
}

Result<std::vector<QueuedJob>> queueFromText(const std::string &text, const std::string &from)
{
    return fromDocument<std::vector<QueuedJob>>(text, from, kQueueFormat, visible("queue"), kQueueVersion, [](const JsonReader &json) {
        std::vector<QueuedJob> jobs;
        for (const JsonReader &j : json.array("jobs")) {
            QueuedJob q;
            q.job = jobFrom(j);
            const auto state = std::find(std::begin(kStates), std::end(kStates), j.text("state"));
            if (state == std::end(kStates))
                j.fail("state");
            else
                q.state = QueuedJob::State(state - std::begin(kStates));
            if (q.state == QueuedJob::State::Running) { // it may have been finished all the same
                q.state = QueuedJob::State::Waiting;
                q.job.again = false;
            }
            q.words = j.text("words");
            q.result = pathOf(j.text("result"));
            q.seconds = j.number("seconds", 0, kMost);
            jobs.push_back(std::move(q));
        }
        return jobs;
    });
}

} // namespace irenic
