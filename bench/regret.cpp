// SPDX-License-Identifier: GPL-3.0-or-later
#include "kinds.h"

#include "irenic/clean_cache.h"
#include "irenic/picture.h"
#include "irenic/readings.h"

#include <map>

namespace irenic::bench {

namespace {

constexpr double kGridStep = 0.1, kMostStrength = 2;

/// What a treatment reaches by truth, in dB.
class Judge
{
public:
    Judge(const Shown &s, std::shared_ptr<const NoiseReport> noise) : m_shown(s), m_noise(std::move(noise)), m_clean(encoded(Cleaner::untreated(s.clean))) {}

    double db(const Treatment &t) const { return pictureQuality(encoded(Cleaner(m_shown.frame, m_noise, t)), m_clean).psnrDb; }

    /// The best strengths of a method, each on a fine grid with the other held.
    std::pair<Treatment, double> best(Treatment t) const
    {
        double most = db(t);
        // Luminance and colour are apart but for the tone curve: a second round finds next to nothing.
        for (double Treatment::*strength : {&Treatment::luminance, &Treatment::colour})
            for (Treatment tried = t; const double s : grid())
                if (tried.*strength = s; db(tried) > most) {
                    most = db(tried);
                    t = tried;
                }
        return {t, most};
    }

private:
    static std::vector<double> grid()
    {
        std::vector<double> g;
        for (int i = 0; i * kGridStep <= kMostStrength; ++i)
            g.push_back(i * kGridStep);
        return g;
    }
    static RgbImage<uint16_t> encoded(const Cleaner &cleaner)
    {
        const auto linear = developRegion(cleaner, cleaner.frame().crop, {}, nullptr, {});
        return encoded16(linear.value()); // nothing stops it
    }

    const Shown &m_shown;
    std::shared_ptr<const NoiseReport> m_noise;
    RgbImage<uint16_t> m_clean;
};

struct Regrets {
    std::vector<double> db, luminance, colour, bestLuminance, bestColour;
    void print(const char *kind, int iso, const std::string &of) const
    {
        double mean = 0;
        for (const double d : db)
            mean += d / double(db.size());
        std::printf("| %s | %d | %s | %.2f / %.2f | %.2f / %.2f | %.2f | %.2f | %.2f |\n", kind, iso, of.c_str(), middleOf(luminance), middleOf(colour), middleOf(bestLuminance), middleOf(bestColour), mean, middleOf(db), *std::max_element(db.begin(), db.end()));
        std::fflush(stdout);
    }
    void add(const Treatment &suggested, const Treatment &best, double regret)
    {
        db.push_back(regret);
        luminance.push_back(suggested.luminance);
        colour.push_back(suggested.colour);
        bestLuminance.push_back(best.luminance);
        bestColour.push_back(best.colour);
    }
};

} // namespace

int regret(const KindsArguments &a)
{
    std::printf("| kind | ISO | method | suggested strengths, median | best | regret dB, mean | median | worst |\n|---|---|---|---|---|---|---|---|\n");
    return forEachKind(a, false, [&](int iso, const Kind &kind, const ShownAndMeasured &frames) {
        std::map<std::string, Regrets> ofMethod;
        Regrets ofSuggestion;
        for (const auto &[s, report] : frames) {
            const auto noise = std::make_shared<const NoiseReport>(report);
            const Judge judge(s, noise);
            std::pair<Treatment, double> nearest{kNoTreatment, judge.db(kNoTreatment)};
            for (const MethodInfo &m : methods()) {
                if (m.secondsPerMegapixel > kSlowestCompared || carriedOut(Treatment{m.id}, s.frame->kind).method != m.id || (!a.method.empty() && a.method != m.id))
                    continue;
                const Treatment suggested = suggestedFor(m.id, report);
                const double reached = judge.db(suggested);
                const auto best = judge.best(suggested);
                ofMethod[m.id].add(suggested, best.first, best.second - reached);
                if (reached > nearest.second)
                    nearest = {suggested, reached};
                if (a.each)
                    std::fprintf(stderr, "%s ISO %d: %s %.2f/%.2f %.2f dB, best %.2f/%.2f %.2f dB, confidence %.2f\n", kind.name, iso, m.id, suggested.luminance, suggested.colour, reached, best.first.luminance, best.first.colour, best.second, report.confidence);
            }
            if (a.method.empty()) {
                const Treatment suggested = carriedOut(suggestTreatment(report).treatment, s.frame->kind);
                ofSuggestion.add(suggested, nearest.first, nearest.second - judge.db(suggested));
            }
        }
        for (const auto &[method, regrets] : ofMethod)
            regrets.print(kind.name, iso, method);
        if (a.method.empty())
            ofSuggestion.print(kind.name, iso, "the suggested one");
        return true;
    });
}

} // namespace irenic::bench
