// SPDX-License-Identifier: GPL-3.0-or-later
// What every stage of a chain takes, beside what it is said to take.
#include "benches.h"

#include "chain/chain.h"
#include "irenic/measure_noise.h"
#include "irenic/read_frame.h"

#include <nlohmann/json.hpp>

#include <chrono>
#include <cstdio>

namespace irenic::bench {

namespace {

struct Case {
    std::string name;
    Treatment treatment;
};

std::vector<Case> casesFor(const StagesArguments &a)
{
    std::vector<Case> all;
    for (const MethodInfo &m : methods())
        if (takesPart(a.methods, m.id)) {
            all.push_back({std::string(m.id) + ", plain", {m.id}});
            Treatment toTaste{m.id};
            toTaste.taste = {.detail = 0.5, .grain = 0.2, .mix = 0.9, .luminanceShadows = 1.4, .luminanceLights = 0.6, .colourShadows = 0.8, .blotches = 0.5, .sharpen = 0.6, .blocks = 0.5};
            all.push_back({std::string(m.id) + ", everything on", toTaste});
        }
    return all;
}

} // namespace

int stages(const StagesArguments &a)
{
    const auto frame = readFrame(a.file);
    if (!frame) {
        std::fprintf(stderr, "irenic-bench: %s\n", frame.error().userMessage.c_str());
        return 1;
    }
    const auto noise = std::make_shared<const NoiseReport>(measureNoise(*frame.value()).take());
    LensCorrection lens;
    lens.lateral = true;
    lens.red = {1.0008, 0, 0, 0, 0};
    for (const Case &c : casesFor(a)) {
        const bool everything = c.treatment.taste != Taste();
        const FrameEdits edits{nullptr, everything ? lens : LensCorrection()};
        const Treatment treatment = carriedOut(c.treatment, frame.value()->kind);
        const Chain chain(std::make_shared<const ChainFacts>(frame.value(), noise, treatment, edits));
        // One tile on one thread, in the middle: its stages' times over two are those of two cores.
        const Rect &active = frame.value()->active;
        const int side = std::min({chain.bestTilePx(), active.width, active.height});
        const Rect where{active.x + (active.width - side) / 2, active.y + (active.height - side) / 2, side, side};
        Scratch scratch;
        std::vector<StageTime> times;
        for (int i = 0; i < 2; ++i) { // the first touches fresh memory
            times.clear();
            Tile tile(chain.facts());
            chain.run(tile, where, scratch, nullptr, &times);
        }
        double seconds = 0;
        for (size_t i = 0; i < times.size(); ++i) {
            seconds += times[i].seconds;
            const double said = chain.stages()[i]->traits().secondsPerMegapixel, taken = times[i].seconds / times[i].megapixels / 2;
            if (a.json)
                std::printf("%s\n", nlohmann::json{{"case", c.name}, {"stage", times[i].name}, {"secondsPerMegapixel", taken}, {"said", said}}.dump().c_str());
            else
                std::printf("  %-22s %7.3f s a megapixel, said %7.3f\n", times[i].name.c_str(), taken, said);
        }
        const auto start = std::chrono::steady_clock::now();
        if (!Cleaner(frame.value(), noise, treatment, edits).clean(frame.value()->crop))
            return 1;
        const double whole = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count(), expected = Cleaner(frame.value(), noise, treatment, edits).expectedSeconds(frame.value()->crop.size());
        if (a.json)
            std::printf("%s\n", nlohmann::json{{"case", c.name}, {"seconds", whole}, {"expected", expected}}.dump().c_str());
        else
            std::printf("%-34s %7.2f s, expected %7.2f: %.2f\n", c.name.c_str(), whole, expected, whole / expected);
        std::fflush(stdout);
    }
    return 0;
}

} // namespace irenic::bench
