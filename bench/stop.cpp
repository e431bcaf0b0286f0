// SPDX-License-Identifier: GPL-3.0-or-later
#include "benches.h"

#include "irenic/camera.h"
#include "irenic/export_job.h"
#include "irenic/guest.h"
#include "irenic/lens.h"
#include "irenic/measure_noise.h"
#include "irenic/provenance.h"
#include "irenic/read_frame.h"
#include "irenic/readings.h"
#include "irenic/spots.h"

#include <nlohmann/json.hpp>

#include <atomic>
#include <chrono>
#include <cmath>
#include <condition_variable>
#include <cstdio>
#include <cstdlib>
#include <filesystem>
#include <functional>
#include <mutex>
#include <thread>

namespace irenic::bench {

namespace {

using Clock = std::chrono::steady_clock;

double secondsSince(Clock::time_point start)
{
    return std::chrono::duration<double>(Clock::now() - start).count();
}

/// One kind of work; `run` answers whether it came to its end.
struct Work {
    std::string name;
    std::function<bool(const RunContext &)> run;
};

struct Latency {
    double whole = 0; ///< seconds of the work itself
    double worst = 0; ///< from the request to the return
    double at = 0;    ///< share of the work at which that was
};

/// Stops the work at several moments of it.
Latency latencyOf(const Work &work, int moments)
{
    Latency l;
    const auto start = Clock::now();
    work.run({});
    l.whole = secondsSince(start);
    for (int i = 0; i < moments; ++i) {
        const double share = (i + 0.5) / moments;
        std::stop_source stop;
        std::mutex mutex;
        std::condition_variable ended;
        bool over = false;
        std::atomic<Clock::time_point> asked = Clock::time_point::max();
        std::thread asker([&] {
            std::unique_lock lock(mutex);
            if (!ended.wait_for(lock, std::chrono::duration<double>(l.whole * share), [&] { return over; })) {
                asked = Clock::now();
                stop.request_stop();
            }
        });
        const bool finished = work.run({0, stop.get_token(), {}});
        const double taken = secondsSince(asked);
        {
            const std::lock_guard lock(mutex);
            over = true;
        }
        ended.notify_all();
        asker.join();
        if (!finished && taken > l.worst)
            l.worst = taken, l.at = share;
    }
    return l;
}

} // namespace

int stop(const StopArguments &a)
{
    char folder[] = "/tmp/irenic-stop-XXXXXX";
    const std::filesystem::path dir = ::mkdtemp(folder);
    const int width = int(std::sqrt(a.megapixels * 1.5e6)) & ~1, height = int(a.megapixels * 1e6 / width) & ~1;
    Scene scene{{width, height}, std::vector<float>(size_t(width) * size_t(height) * 3)};
    for (int y = 0; y < height; ++y) // slopes, stripes and blocks: something to find and to match
        for (int x = 0; x < width * 3; ++x)
            scene.rgb[(size_t(y) * size_t(width) * 3) + size_t(x)] = 0.05f + 0.3f * float(x) / float(width * 3) + 0.1f * float((x / 300 + y / 90) % 3) + 0.05f * float((x * 7 + y * 13) % 17) / 17;
    const ShootOptions options{.iso = 6400};
    const auto dng = dir / "frame.dng";
    if (const auto shot = shoot(scene, options); !shot || !writeShot(dng, shot.value(), options))
        return 1;
    const auto frame = readFrame(dng).take();
    const auto noise = std::make_shared<const NoiseReport>(measureNoise(*frame).take());
    const auto job = [&](const std::string &method, ExportFormat format) {
        ExportJob j;
        j.source = dng;
        j.folder = dir / "out";
        j.treatment = {method, {}, 1.0, 1.0};
        j.format = format;
        j.options.compression = TiffCompression::Deflate;
        j.again = true;
        return j;
    };
    const auto exportOf = [&](const ExportJob &j, const RunContext &run) {
        const auto done = runExportJob(j, frame, noise, run);
        if (done)
            std::filesystem::remove(done.value().report.file);
        return done.ok();
    };
    std::vector<Work> all;
    // Finished pictures to read, and a guest to match.
    for (const ExportFormat format : {ExportFormat::Tiff, ExportFormat::Png, ExportFormat::Jpeg, ExportFormat::LinearDng}) {
        ExportJob j = job("wavelet", format);
        j.folder = dir;
        j.nameTemplate = formatName(format);
        const auto done = runExportJob(j, frame, noise);
        if (!done)
            return 1;
        all.push_back({std::string("read ") + formatName(format), [file = done.value().report.file](const RunContext &run) { return readFrame(file, run).ok(); }});
        if (format == ExportFormat::Jpeg)
            all.push_back({"match a guest", [file = done.value().report.file, frame](const RunContext &run) { return readGuest(file, frame, run).ok(); }});
    }
    all.push_back({"read dng", [&](const RunContext &run) { return readFrame(dng, run).ok(); }});
    all.push_back({"fingerprint", [&](const RunContext &run) { return fingerprintOf(dng, run.stop).has_value(); }});
    all.push_back({"measure", [&](const RunContext &run) { return measureNoise(*frame, run).ok(); }});
    all.push_back({"propose spots", [&](const RunContext &run) { return proposeSpots(frame, noise, run).ok(); }});
    all.push_back({"leftover map", [&](const RunContext &run) { return leftoverMap(Cleaner(frame, noise, {"wavelet", 1, 1}), nullptr, run).ok(); }});
    all.push_back({"measure lateral", [&](const RunContext &run) { return measureLateral(*frame, *noise, run).ok(); }});
    for (const MethodInfo &m : methods())
        all.push_back({std::string("clean by ") + m.id, [&, id = std::string(m.id)](const RunContext &run) { return cleanForStorage(Cleaner(frame, noise, {id, 1, 1}), run).ok(); }});
    Treatment toTaste{"wavelet"};
    toTaste.taste = {.detail = 0.5, .grain = 0.2, .mix = 0.9, .luminanceShadows = 1.4, .luminanceLights = 0.6, .colourShadows = 0.8, .blotches = 0.5, .sharpen = 0.6};
    LensCorrection lens;
    lens.lateral = true;
    lens.red = {1.0008, 0, 0, 0, 0};
    all.push_back({"clean, all stages", [&](const RunContext &run) { return cleanForStorage(Cleaner(frame, noise, toTaste, {nullptr, lens}), run).ok(); }});
    for (const ExportFormat format : kExportFormats)
        all.push_back({std::string("export ") + formatName(format), [&, format](const RunContext &run) { return exportOf(job("wavelet", format), run); }});
    for (const Work &work : all) {
        if (!a.only.empty() && work.name.find(a.only) == std::string::npos)
            continue;
        const Latency l = latencyOf(work, a.moments);
        if (a.json)
            std::printf("%s\n", nlohmann::json{{"work", work.name}, {"seconds", l.whole}, {"worstMs", 1000 * l.worst}, {"at", l.at}}.dump().c_str());
        else
            std::printf("%-24s %7.2f s   stops within %4.0f ms (asked at %2.0f %% of it)\n", work.name.c_str(), l.whole, 1000 * l.worst, 100 * l.at);
        std::fflush(stdout);
    }
    std::filesystem::remove_all(dir);
    return 0;
}

} // namespace irenic::bench
