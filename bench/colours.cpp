// SPDX-License-Identifier: GPL-3.0-or-later
#include "benches.h"
#include "kinds.h"

#include "irenic/measure_noise.h"
#include "irenic/picture.h"
#include "irenic/readings.h"

#include <map>

namespace irenic::bench {

namespace {

constexpr const char *kOfSamples = ", samples demosaiced";

/// The scene as this sensor could see it if every pixel had all three colours.
Result<std::shared_ptr<const Frame>> wholeTruth(const Scene &scene, const ShootOptions &options, const Frame &like)
{
    const Result<Plane<float>> colours = colourTruth(scene, options);
    if (!colours)
        return colours.error();
    auto f = std::make_shared<Frame>();
    f->kind = FrameKind::Linear;
    f->active = like.active;
    f->crop = like.crop;
    f->colour = like.colour;
    f->levels.black = {1000};
    f->levels.white = 61000;
    f->samples.reset(colours.value().size());
    for (int y = 0; y < f->samples.height(); ++y)
        for (int x = 0; x < f->samples.width(); ++x)
            f->samples.at(x, y) = uint16_t(std::clamp(std::lround(colours.value().at(x, y) * 60000 + 1000), 0l, 65535l));
    return std::shared_ptr<const Frame>(f);
}

RgbImage<uint16_t> seen(const Cleaner &cleaner)
{
    return encoded16(developRegion(cleaner, cleaner.frame().crop, {}, nullptr, {}).take());
}

} // namespace

int colours(const KindsArguments &a)
{
    // What the others are held against.
    const auto network = std::find_if(irenic::methods().begin(), irenic::methods().end(), [](const MethodInfo &m) { return m.givesColours; });
    const std::string ofSamples = std::string(network->id) + kOfSamples;
    std::printf("| ISO | picture | PSNR dB, mean | least over the network's own samples | SSIM, mean |\n|---|---|---|---|---|\n");
    for (const int iso : a.isos) {
        std::map<std::string, std::vector<PictureQuality>> all;
        std::vector<std::string> order;
        for (const std::string &name : a.scenes) {
            Result<Scene> scene = readScene(name);
            if (!scene) {
                std::fprintf(stderr, "irenic-bench: %s\n", scene.error().userMessage.c_str());
                return 1;
            }
            ShootOptions o;
            o.iso = iso;
            o.lensBlurPx = kLensBlurPx;
            o.cut = {0, 0, scene.value().size.width & ~1, scene.value().size.height & ~1};
            const Result<Shown> s = shown(scene.value(), iso, Kind{"plain", [](ShootOptions &) {}});
            const auto truth = s ? wholeTruth(scene.value(), o, *s.value().frame) : s.error();
            Result<NoiseReport> report = truth ? measureNoise(*s.value().frame) : truth.error();
            if (!report) {
                std::fprintf(stderr, "irenic-bench: %s\n", report.error().userMessage.c_str());
                return 1;
            }
            NoiseReport law = report.take();
            if (a.trueLaw)
                law.cells = {s.value().truth.noise, s.value().truth.noise, s.value().truth.noise, s.value().truth.noise};
            const auto noise = std::make_shared<const NoiseReport>(law);
            const RgbImage<uint16_t> meant = seen(Cleaner::untreated(truth.value()));
            const auto add = [&](const std::string &what, const RgbImage<uint16_t> &picture) {
                if (!all.contains(what))
                    order.push_back(what);
                all[what].push_back(pictureQuality(picture, meant));
                if (a.each)
                    std::fprintf(stderr, "ISO %d %s %s: %.2f dB %.4f\n", iso, name.c_str(), what.c_str(), all[what].back().psnrDb, all[what].back().ssim);
            };
            add("untreated", seen(Cleaner::untreated(s.value().frame)));
            add("without noise, demosaiced", seen(Cleaner::untreated(s.value().clean)));
            for (const MethodInfo &m : methods()) {
                if (m.secondsPerMegapixel > kSlowestCompared || (!a.method.empty() && a.method != m.id && !m.givesColours))
                    continue;
                const Cleaner cleaner(s.value().frame, noise, Treatment{m.id, 1, 1});
                add(m.id, seen(cleaner));
                if (cleaner.givesColours())
                    add(std::string(m.id) + kOfSamples, encoded16(developSamples(cleaner, cleaner.frame().crop, {}, nullptr, {}).take()));
            }
        }
        for (const std::string &what : order) {
            const std::vector<PictureQuality> &q = all[what];
            double psnr = 0, ssim = 0, least = 1e9;
            for (size_t i = 0; i < q.size(); ++i) {
                psnr += q[i].psnrDb / double(q.size());
                ssim += q[i].ssim / double(q.size());
                least = std::min(least, q[i].psnrDb - all[ofSamples][i].psnrDb);
            }
            std::printf("| %d | %s | %.2f | %+.2f | %.4f |\n", iso, what.c_str(), psnr, least, ssim);
        }
        std::fflush(stdout);
    }
    return 0;
}

} // namespace irenic::bench
