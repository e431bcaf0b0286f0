// SPDX-License-Identifier: GPL-3.0-or-later
#include "kinds.h"

#include "irenic/clean_cache.h"
#include "irenic/export.h"
#include "irenic/measure_noise.h"
#include "irenic/nearness.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "irenic/readings.h"

#include <set>

namespace irenic::bench {

namespace {

const std::vector<Kind> &kinds()
{
    static const std::vector<Kind> all{
        {"plain", [](ShootOptions &) {}},
        {"sharp", [](ShootOptions &o) { o.lensBlurPx = 0; }},
        {"dark", [](ShootOptions &o) { o.underexposeEv = 3; }},
        {"clipped", [](ShootOptions &o) { o.faults.clippedBlack = true; }},
        {"companded-10", [](ShootOptions &o) { o.faults.compandedBits = 10; }},
        {"companded-8", [](ShootOptions &o) { o.faults.compandedBits = 8; }},
        {"smoothed-0.05", [](ShootOptions &o) { o.faults.smoothing = 0.05; }},
        {"smoothed-0.10", [](ShootOptions &o) { o.faults.smoothing = 0.1; }},
        {"response-1%", [](ShootOptions &o) { o.faults.responseSpread = 0.01; }},
        {"two-gains", [](ShootOptions &o) { o.faults.dualGain = true; }},
        {"black-drift", [](ShootOptions &o) { o.faults.blackDrift = {8, 0, 0, -8}; }},
        {"row-drift", [](ShootOptions &o) { o.faults.rowDrift = 3; }},
        {"glow", [](ShootOptions &o) { o.faults.glowElectrons = 200; }},
        {"green-2%", [](ShootOptions &o) { o.faults.greenImbalance = 0.02; }},
        {"stripes", [](ShootOptions &o) { o.faults.phaseStripes = 0.05; }},
        {"noisy-pixels", [](ShootOptions &o) { o.faults.noisyShare = 0.02; }},
        {"flickering", [](ShootOptions &o) { o.faults.telegraphPerMillion = 2000; }},
        {"banding", [](ShootOptions &o) { o.banding = 0.5; }},
        {"six-by-six", [](ShootOptions &o) { o.sixBySix = true; }},
        {"linear", [](ShootOptions &o) { o.hotPixelsPerMillion = 0; }, ".dng", {}, true},
        {"tiff", [](ShootOptions &) {}, ".tif", {90, 0}},
        {"jpeg-92", [](ShootOptions &) {}, ".jpg", {92, 0.5}},
        {"jpeg-75", [](ShootOptions &) {}, ".jpg", {75, 0.5}},
        {"tiff-contrast", [](ShootOptions &) {}, ".tif", {90, 0, 0.7}},
        {"jpeg-contrast", [](ShootOptions &) {}, ".jpg", {92, 0.5, 0.7}},
    };
    return all;
}

/// A shot as this kind of file.
Result<std::shared_ptr<const Frame>> readAs(const Kind &kind, const FinishOptions &finish, const Shot &shot, const ShootOptions &o)
{
    const auto folder = std::filesystem::temp_directory_path();
    auto frame = writtenAndRead(folder, kind.ending, [&](const std::filesystem::path &file) { return kind.isRaw() ? writeShot(file, shot, o) : writeFinished(file, shot, o, finish); });
    if (!frame || !kind.demosaiced)
        return frame;
    ExportOptions options;
    options.format = ExportFormat::LinearDng;
    return writtenAndRead(folder, kind.ending, [&](const std::filesystem::path &file) -> Status {
        const auto written = exportCleaned(Cleaner::untreated(frame.value()), {}, file, options);
        return written ? Status() : Status(written.error());
    });
}

struct Law {
    double sigma = 0, dark = 0, light = 0; ///< measured over true: median over the picture's tones, at its fifth and its ninety-fifth percentile
};

Law lawOf(const Shown &s, const NoiseReport &noise)
{
    std::vector<float> tones;
    const Plane<float> &clean = s.truth.clean;
    for (int y = 0; y < clean.height(); y += 2)
        for (int x = 0; x < clean.width(); x += 3)
            if (clean.at(x, y) < 0.95f)
                tones.push_back(clean.at(x, y));
    std::sort(tones.begin(), tones.end());
    const auto ratioAt = [&](double share) {
        const float signal = tones[size_t(share * double(tones.size() - 1))];
        const auto &curve = s.truth.curve;
        const auto above = std::clamp(std::lower_bound(curve.begin(), curve.end(), std::pair(signal, 0.f)), curve.begin() + 1, curve.end() - 1), below = above - 1;
        const float part = (signal - below->first) / (above->first - below->first);
        const NoiseModel &green = s.frame->beforeColours ? s.frame->beforeColours->law[1] : noise.cells[1];
        return double(green.sigmaAt(signal)) / std::sqrt(double(below->second + part * (above->second - below->second)));
    };
    std::vector<double> ratios;
    for (double share = 0.05; share < 0.96; share += 0.05)
        ratios.push_back(ratioAt(share));
    std::nth_element(ratios.begin(), ratios.begin() + std::ptrdiff_t(ratios.size() / 2), ratios.end());
    return {ratios[ratios.size() / 2], ratioAt(0.05), ratioAt(0.95)};
}

struct Bad {
    double falsePer100k = 0;
    int found = 0, of = 0; ///< above eight sigma
};

Bad badOf(const Shown &s, const NoiseReport &noise)
{
    std::set<std::pair<int, int>> bad, found;
    for (const PixelAt &p : s.truth.hotPixels)
        bad.emplace(p.x, p.y);
    for (const PixelAt &p : noise.hotPixels)
        found.emplace(p.x, p.y);
    Bad b;
    for (const auto &p : found)
        b.falsePer100k += bad.contains(p) ? 0 : 1e5 / double(s.truth.clean.size().area());
    for (size_t i = 0; i < s.truth.hotPixels.size(); ++i) {
        const PixelAt p = s.truth.hotPixels[i];
        const float clean = s.truth.clean.at(p.x, p.y);
        if (s.truth.hotSignal[i] > 8 * s.truth.noise.sigmaAt(clean) && clean + s.truth.hotSignal[i] < 0.97f) {
            ++b.of;
            b.found += found.contains({p.x, p.y});
        }
    }
    return b;
}

} // namespace

Result<Shown> shown(const Scene &scene, int iso, const Kind &kind)
{
    ShootOptions o;
    o.iso = iso;
    o.seed = uint64_t(iso);
    o.lensBlurPx = kLensBlurPx;
    o.banding = 0;
    o.hotPixelsPerMillion = kind.isRaw() ? 100 : 0;
    o.cut = {0, 0, scene.size.width & ~1, scene.size.height & ~1};
    kind.change(o);
    Result<Shot> shot = shoot(scene, o);
    if (!shot)
        return shot.error();
    const auto frame = readAs(kind, kind.finish, shot.value(), o);
    if (!frame)
        return frame.error();
    std::shared_ptr<const Frame> clean;
    if (frame.value()->kind == FrameKind::Mosaic)
        clean = frameWith(*frame.value(), [&](int x, int y) { return shot.value().truth.clean.at(x, y); });
    else {
        ShootOptions still = o;
        still.faults = {};
        FinishOptions finish = kind.finish;
        finish.quality = 100;
        const auto read = readAs(kind, finish, withoutNoise(shot.value(), o), still);
        if (!read)
            return read.error();
        clean = read.value();
    }
    return Shown{frame.value(), clean, std::move(shot.value().truth)};
}

double middleOf(std::vector<double> v)
{
    if (v.empty())
        return 0;
    std::sort(v.begin(), v.end());
    return (v[v.size() / 2] + v[(v.size() - 1) / 2]) / 2;
}

int forEachKind(const KindsArguments &a, bool rawAlone, const std::function<bool(int iso, const Kind &kind, const ShownAndMeasured &frames)> &each)
{
    std::vector<Scene> scenes;
    for (const std::string &name : a.scenes) {
        Result<Scene> scene = readScene(name);
        if (!scene) {
            std::fprintf(stderr, "irenic-bench: %s\n", scene.error().userMessage.c_str());
            return 1;
        }
        scenes.push_back(scene.take());
    }
    for (const int iso : a.isos)
        for (const Kind &kind : kinds()) {
            if (rawAlone && !kind.isRaw())
                continue;
            if (!a.kinds.empty() && std::find(a.kinds.begin(), a.kinds.end(), kind.name) == a.kinds.end())
                continue;
            ShownAndMeasured frames;
            for (const Scene &scene : scenes) {
                Result<Shown> s = shown(scene, iso, kind);
                Result<NoiseReport> noise = s ? measureNoise(*s.value().frame) : s.error();
                if (noise && !rawAlone) // what is suggested is looked at
                    if (const Status told = tellNearest(noise.value(), s.value().frame); !told)
                        noise = told.error();
                if (!noise) {
                    std::fprintf(stderr, "irenic-bench: %s\n", noise.error().userMessage.c_str());
                    return 1;
                }
                frames.emplace_back(s.take(), noise.take());
            }
            if (!each(iso, kind, frames))
                return 1;
        }
    return 0;
}

int law(const KindsArguments &a)
{
    std::printf("| kind | ISO | sigma, median | within 5 %% | within 10 %% | lowest | highest | in the dark | in the light | confidence | false bad in 100,000 | bad above 8 sigma found |\n|---|---|---|---|---|---|---|---|---|---|---|---|\n");
    // What noise a finished picture should have, nobody knows.
    return forEachKind(a, true, [](int iso, const Kind &kind, const ShownAndMeasured &frames) {
        std::vector<double> sigmas, darks, lights, sure;
        double wrong = 0;
        int found = 0, of = 0;
        for (const auto &[s, noise] : frames) {
            const Law l = lawOf(s, noise);
            const Bad b = badOf(s, noise);
            sigmas.push_back(l.sigma);
            darks.push_back(l.dark);
            lights.push_back(l.light);
            sure.push_back(noise.confidence);
            wrong += b.falsePer100k / double(frames.size());
            found += b.found;
            of += b.of;
        }
        const auto within = [&](double share) { return std::count_if(sigmas.begin(), sigmas.end(), [&](double s) { return std::abs(s - 1) <= share; }); };
        std::printf("| %s | %d | %.2f | %td of %zu | %td | %.2f | %.2f | %.2f | %.2f | %.2f | %.2f | %d of %d |\n", kind.name, iso, middleOf(sigmas), within(0.05), sigmas.size(), within(0.1), *std::min_element(sigmas.begin(), sigmas.end()),
                    *std::max_element(sigmas.begin(), sigmas.end()), middleOf(darks), middleOf(lights), middleOf(sure), wrong, found, of);
        std::fflush(stdout);
        return true;
    });
}

int kindsTable(const KindsArguments &a)
{
    std::printf("| kind | ISO | untreated dB | SSIM | suggested | gain dB, median | worst | SSIM gain, median | worst | drift grown, median | 95th |\n|---|---|---|---|---|---|---|---|---|---|---|\n");
    return forEachKind(a, false, [&](int iso, const Kind &kind, const ShownAndMeasured &frames) {
        std::vector<double> before, beforeSsim, gain, gainSsim, drift, driftHigh;
        std::string methods;
        for (const auto &[s, report] : frames) {
            const auto noise = std::make_shared<const NoiseReport>(report);
            Treatment suggested = a.method.empty() ? suggestTreatment(report).treatment : suggestedFor(a.method, report);
            if (!a.strengths.empty())
                suggested.luminance = a.strengths[0], suggested.colour = a.strengths[1];
            const auto developed = [&](const std::shared_ptr<const Frame> &frame, const Treatment &t) { return developRegion(Cleaner(frame, noise, t), frame->crop, {}, nullptr, {}); };
            const auto clean = developed(s.clean, kNoTreatment), noisy = developed(s.frame, kNoTreatment), treated = developed(s.frame, suggested);
            for (const auto *picture : {&clean, &noisy, &treated})
                if (!*picture) {
                    std::fprintf(stderr, "irenic-bench: %s\n", picture->error().userMessage.c_str());
                    return false;
                }
            const auto truth = encoded16(clean.value());
            const PictureQuality was = pictureQuality(encoded16(noisy.value()), truth), is = pictureQuality(encoded16(treated.value()), truth);
            before.push_back(was.psnrDb);
            beforeSsim.push_back(was.ssim);
            gain.push_back(is.psnrDb - was.psnrDb);
            gainSsim.push_back(is.ssim - was.ssim);
            const Drift of = driftBetween(clean.value(), treated.value()), untreated = driftBetween(clean.value(), noisy.value());
            drift.push_back(of.median - untreated.median);
            driftHigh.push_back(of.high - untreated.high);
            if (methods.find(suggested.method) == std::string::npos)
                methods += (methods.empty() ? "" : ", ") + suggested.method;
            if (a.each)
                std::fprintf(stderr, "%s ISO %d: %s %.2f/%.2f confidence %.2f, grain %.1f %%, %.2f dB %+.2f, SSIM %.4f %+.4f\n", kind.name, iso, suggested.method.c_str(), suggested.luminance, suggested.colour, report.confidence, 100 * double(report.luminanceNoise), was.psnrDb, gain.back(), was.ssim, gainSsim.back());
        }
        std::printf("| %s | %d | %.2f | %.4f | %s | %+.2f | %+.2f | %+.4f | %+.4f | %+.2f | %+.2f |\n", kind.name, iso, middleOf(before), middleOf(beforeSsim), methods.c_str(), middleOf(gain), *std::min_element(gain.begin(), gain.end()), middleOf(gainSsim),
                    *std::min_element(gainSsim.begin(), gainSsim.end()), middleOf(drift), middleOf(driftHigh));
        std::fflush(stdout);
        return true;
    });
}

int nearnessTable(const KindsArguments &a)
{
    std::printf("| kind | ISO | off dB, median | worst | off more than two of its errors | order right where 0.2 dB apart | told of |\n|---|---|---|---|---|---|---|\n");
    return forEachKind(a, true, [&](int iso, const Kind &kind, const ShownAndMeasured &frames) {
        std::vector<double> off;
        size_t beyond = 0, pairs = 0, right = 0, told = 0;
        for (const auto &[s, report] : frames) {
            auto law = report;
            if (a.trueLaw)
                law.cells = {s.truth.noise, s.truth.noise, s.truth.noise, s.truth.noise};
            const auto noise = std::make_shared<const NoiseReport>(law);
            if (!whyNoNearness(*s.frame, *noise).empty())
                continue;
            ++told;
            const Rect region = s.frame->crop.grownBy(-Developer::kHaloPx); // which the estimate leaves out
            const auto clean = developRegion(Cleaner::untreated(s.clean), region, {}, nullptr, {});
            std::vector<std::pair<double, double>> trials; // true and estimated
            for (const MethodInfo &m : methods()) {
                // Colours of a method's own are not those that demosaicing makes of the clean samples.
                if (m.secondsPerMegapixel > kSlowestCompared || (m.givesColours && s.frame->kind == FrameKind::Mosaic))
                    continue;
                for (const double strength : {0.5, 1.0}) {
                    const Cleaner cleaner(s.frame, noise, Treatment{m.id, strength, strength});
                    CleanCache cache;
                    const auto treated = clean ? developRegion(cleaner, region, {}, &cache, {}) : clean.error();
                    const auto risk = treated ? riskAt(cleaner, region, &cache) : treated.error();
                    if (!risk) {
                        std::fprintf(stderr, "irenic-bench: %s\n", risk.error().userMessage.c_str());
                        return false;
                    }
                    const double truth = pictureQuality(encoded16(treated.value()), encoded16(clean.value())).psnrDb;
                    const Nearness n = nearnessOf(risk.value(), *noise).value_or(Nearness{});
                    off.push_back(std::abs(n.db - truth));
                    beyond += off.back() > 2 * n.errorDb;
                    trials.emplace_back(truth, n.db);
                    if (a.each)
                        std::fprintf(stderr, "%s ISO %d: %s %.1f: true %.2f, estimated %.2f +- %.2f dB, confidence %.2f\n", kind.name, iso, m.id, strength, truth, n.db, n.errorDb, report.confidence);
                }
            }
            for (const auto &x : trials)
                for (const auto &y : trials)
                    if (x.first >= y.first + 0.2) {
                        ++pairs;
                        right += x.second > y.second;
                    }
        }
        if (off.empty())
            std::printf("| %s | %d | | | | | 0 of %zu |\n", kind.name, iso, frames.size());
        else
            std::printf("| %s | %d | %.2f | %.2f | %zu of %zu | %zu of %zu | %zu of %zu |\n", kind.name, iso, middleOf(off), *std::max_element(off.begin(), off.end()), beyond, off.size(), right, pairs, told, frames.size());
        std::fflush(stdout);
        return true;
    });
}

} // namespace irenic::bench
