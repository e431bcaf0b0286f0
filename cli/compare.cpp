// SPDX-License-Identifier: GPL-3.0-or-later
#include "commands.h"
#include "trials.h"

#include "irenic/barrier.h"
#include "irenic/clean.h"
#include "irenic/clean_cache.h"
#include "irenic/readings.h"

#include <algorithm>
#include <chrono>
#include <cmath>
#include <cstdio>

namespace irenic::cli {

namespace {

/// Means over places; what not every place can tell, over those that can.
struct Compared {
    std::optional<NoiseLeft> left;
    double detailLost = 0, drift = 0;
    std::optional<double> doubt, evenness;
    std::optional<Nearness> nearness;
    double seconds = 0; ///< that cleaning the places took
};

Result<Compared> comparedAt(const Cleaner &cleaner, const std::vector<std::pair<Rect, RiskPlace>> &places, CleanCache &cache, const RunContext &run)
{
    Compared c;
    const auto start = std::chrono::steady_clock::now();
    for (const auto &[where, risk] : places)
        if (const auto clean = cache.clean(cleaner, where, run); !clean)
            return clean.error();
    c.seconds = std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
    int smooth = 0;
    NoiseLeft left{0, 0};
    RiskSums risk;
    std::vector<double> grain;
    for (const auto &[where, place] : places) {
        const auto r = readingsAt(cleaner, where, &cache, run, nullptr, &place);
        if (!r)
            return r.error();
        risk += r.value().risk;
        c.detailLost += r.value().detailLost / double(places.size());
        c.drift += r.value().drift / double(places.size());
        if (r.value().doubt)
            c.doubt = c.doubt.value_or(0) + *r.value().doubt / double(places.size());
        if (r.value().left) {
            left.luminance += r.value().left->luminance;
            left.colour += r.value().left->colour;
            grain.push_back(r.value().left->luminance);
            ++smooth;
        }
    }
    if (smooth > 0)
        c.left = NoiseLeft{left.luminance / smooth, left.colour / smooth};
    constexpr size_t kFewestPlaces = 3;
    if (std::sort(grain.begin(), grain.end()); grain.size() >= kFewestPlaces && grain.back() > 0)
        c.evenness = grain[grain.size() / 2] / grain[size_t(0.95 * double(grain.size() - 1) + 0.5)];
    c.nearness = nearnessOf(risk, *cleaner.sharedNoise());
    return c;
}

void print(const std::string &trial, const Treatment &t, const Compared &c, const std::optional<Standing> &standing)
{
    std::string line = trial + ": ";
    char text[160];
    std::snprintf(text, sizeof text, "luminance %.2f, colour %.2f; ", t.luminance, t.colour);
    line += text;
    if (c.left) {
        std::snprintf(text, sizeof text, "left: grain %.0f %%, colour %.0f %%; ", 100 * c.left->luminance, 100 * c.left->colour);
        line += text;
    }
    if (c.evenness) {
        std::snprintf(text, sizeof text, "evenness %.0f %%, ", 100 * *c.evenness);
        line += text;
    }
    std::snprintf(text, sizeof text, "detail lost %.2f, drift %.2f", c.detailLost, c.drift);
    line += text;
    if (c.doubt) {
        std::snprintf(text, sizeof text, ", doubt %.0f %%", 100 * *c.doubt);
        line += text;
    }
    if (c.nearness && c.nearness->errorDb >= Nearness::kUnknownDb) {
        line += "; nearness: too little is left to tell";
    } else if (c.nearness) {
        std::snprintf(text, sizeof text, "; nearness %.2f dB (+-%.2f)", c.nearness->db, c.nearness->errorDb);
        line += text;
        if (c.nearness->overLaw > 0) {
            std::snprintf(text, sizeof text, " (smooth parts hold %.2f times the law's noise)", std::sqrt(c.nearness->overLaw));
            line += text;
        }
        if (c.nearness->gainsByMix()) {
            std::snprintf(text, sizeof text, " (%.2f dB at mix %.2f)", c.nearness->bestDb, c.nearness->bestMix);
            line += text;
        }
        if (standing && standing->isNearest) {
            line += ", nearest";
        } else if (standing) {
            std::snprintf(text, sizeof text, ", %.2f dB behind%s", standing->behindDb, standing->isLevel() ? ", about level" : "");
            line += text;
        }
    }
    std::snprintf(text, sizeof text, "; %.2f s", c.seconds);
    std::printf("%s%s\n", line.c_str(), text);
}

nlohmann::json jsonOf(const std::string &trial, const Treatment &t, const Compared &c, const std::optional<Standing> &standing, const std::string &whyNot)
{
    nlohmann::json j{{"trial", textOf(trial)}, {"method", t.method}, {"luminance", t.luminance}, {"colour", t.colour}, {"detailLost", c.detailLost}, {"drift", c.drift}, {"seconds", c.seconds}};
    if (c.left)
        j.update({{"grainLeft", c.left->luminance}, {"colourLeft", c.left->colour}});
    if (c.evenness)
        j["evenness"] = *c.evenness;
    if (c.doubt)
        j["doubt"] = *c.doubt;
    if (c.nearness) {
        const bool known = c.nearness->errorDb < Nearness::kUnknownDb;
        j["nearnessDb"] = known ? nlohmann::json(c.nearness->db) : nlohmann::json();
        j["nearnessErrorDb"] = c.nearness->errorDb;
        j.update({{"bestMix", known ? nlohmann::json(c.nearness->bestMix) : nlohmann::json()}, {"bestMixDb", known ? nlohmann::json(c.nearness->bestDb) : nlohmann::json()}});
        if (c.nearness->overLaw > 0)
            j["overLaw"] = c.nearness->overLaw;
        j["nearnessLumaDb"] = known ? nlohmann::json(c.nearness->lumaDb) : nlohmann::json();
    } else {
        j["nearnessDb"] = nullptr;
        j["whyNoNearness"] = whyNot;
    }
    if (standing)
        j.update({{"behindDb", standing->behindDb}, {"behindErrorDb", standing->errorDb}, {"nearest", standing->isNearest}});
    return j;
}

Status compareAll(const CompareArguments &a)
{
    const RunContext run{a.threads, {}, {}};
    const Result<Measured> subject = measured(a.file, run);
    if (!subject)
        return subject.error();
    const auto &[frame, noise] = subject.value();
    std::vector<Rect> places = placesAllOver(*frame);
    if (!a.spot.empty()) {
        const Result<UprightRect> spot = spotFrom(a.spot, frame->uprightSize());
        if (!spot)
            return spot.error();
        places = {frame->storedOf(spot.value())};
    }
    std::vector<std::string> trials = a.trials;
    if (trials.empty())
        for (const MethodInfo *m : methodsFor(frame->kind))
            trials.push_back(m->id);
    std::vector<Treatment> treatments;
    for (const std::string &text : trials) {
        const Result<Treatment> t = trialFrom(text, *noise);
        if (!t)
            return t.error();
        treatments.push_back(carriedOut(t.value(), frame->kind));
    }
    CleanCache cache; // of what serves every trial
    std::vector<std::pair<Rect, RiskPlace>> prepared;
    for (const Rect &where : places) {
        const Result<RiskPlace> place = RiskPlace::at(frame, noise, where, &cache, run);
        if (!place)
            return place.error();
        prepared.emplace_back(where, place.value());
    }
    std::vector<Compared> compared;
    std::vector<std::optional<Nearness>> nearness;
    for (const Treatment &t : treatments) {
        Result<Compared> c = comparedAt(Cleaner(frame, noise, t), prepared, cache, run);
        if (!c)
            return c.error();
        compared.push_back(c.take());
        nearness.push_back(compared.back().nearness);
    }
    const auto standings = standingsOf(nearness);
    const std::string whyNot = whyNoNearness(*frame, *noise);
    for (size_t i = 0; i < treatments.size(); ++i) {
        if (a.json)
            printLine(jsonOf(trials[i], treatments[i], compared[i], standings[i], whyNot));
        else
            print(trials[i], treatments[i], compared[i], standings[i]);
    }
    if (!a.json && !whyNot.empty())
        std::printf("%s\n", whyNot.c_str());
    return {};
}

} // namespace

int compare(const CompareArguments &arguments)
{
    const Status done = behindBarrier(textOf(arguments.file), [&] { return compareAll(arguments); });
    if (done)
        return 0;
    report(arguments.file, done.error(), arguments.json);
    return 1;
}

} // namespace irenic::cli
