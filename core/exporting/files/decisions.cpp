// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/decisions.h"

#include "base/json.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

#include <algorithm>
#include <cmath>
#include <span>

namespace irenic {

namespace {

constexpr const char *kFormat = "irenic-decisions";
constexpr int kVersion = 1;
constexpr double kMostTimes = 30;
constexpr double kBands[] = {0.06, 0.12}; ///< of grain, as a share of the mid-tone

int bandOf(double noise)
{
    return int(std::upper_bound(std::begin(kBands), std::end(kBands), noise) - std::begin(kBands));
}

/// Two-sided sign test: how likely so uneven a split of `n` is by chance.
double chanceOf(int more, int n)
{
    const int fewer = std::min(more, n - more);
    double tail = 0, ways = 1; // of k among n
    for (int k = 0; k <= fewer; ++k) {
        tail += ways;
        ways = ways * (n - k) / (k + 1);
    }
    return std::min(1.0, 2 * tail / std::exp2(double(n)));
}

/// Where values of frames lie to one side of what was suggested, beyond chance: their median.
std::optional<double> leaning(std::vector<double> values, double suggested)
{
    constexpr double kLevel = 0.025, kChance = 0.05, kWorthTelling = 0.05;
    int above = 0, below = 0;
    for (const double v : values) {
        above += v > suggested + kLevel;
        below += v < suggested - kLevel;
    }
    if (above + below == 0 || chanceOf(above, above + below) > kChance)
        return std::nullopt;
    std::sort(values.begin(), values.end());
    const double median = (values[values.size() / 2] + values[(values.size() - 1) / 2]) / 2;
    return std::abs(median - suggested) >= kWorthTelling ? std::optional(std::round(20 * median) / 20) : std::nullopt;
}

std::string plain(double v)
{
    char text[16];
    std::snprintf(text, sizeof text, "%.2f", v);
    return text;
}

} // namespace

Treatment OwnStart::from(const Treatment &suggested) const
{
    Treatment t = suggested;
    constexpr double kMostStrength = 3;
    t.luminance = std::clamp(std::round(20 * t.luminance * luminance) / 20, 0.0, kMostStrength);
    t.colour = std::clamp(std::round(20 * t.colour * colour) / 20, 0.0, kMostStrength);
    t.taste.detail = detail;
    t.taste.grain = grain;
    return t;
}

void Decisions::note(const Decision &decision)
{
    // Cameras begin again at 0001: another photograph of that name has another noise.
    constexpr double kLike = 0.05;
    std::erase_if(m_all, [&](const Decision &d) { return d.frame == decision.frame && std::abs(d.noise - decision.noise) <= kLike * std::max(d.noise, decision.noise); });
    m_all.push_back(decision);
    if (m_all.size() > kMost)
        m_all.erase(m_all.begin());
}

std::string Decisions::bandName(double noise)
{
    static const char *const names[] = {visible("grain below 6 %"), visible("grain from 6 to 12 %"), visible("grain above 12 %")};
    return sentence(names[bandOf(noise)]);
}

std::optional<OwnStart> Decisions::startFor(double noise) const
{
    std::array<std::vector<double>, 4> values;
    int frames = 0;
    for (const Decision &d : m_all) {
        if (bandOf(d.noise) != bandOf(noise))
            continue;
        ++frames;
        const double of[] = {d.luminance, d.colour, d.detail, d.grain};
        for (size_t i = 0; i < values.size(); ++i)
            values[i].push_back(of[i]);
    }
    OwnStart start;
    start.frames = frames;
    std::string what;
    const auto take = [&](const char *words, const std::vector<double> &of, double suggested, double &into) {
        const auto found = leaning(of, suggested);
        if (!found)
            return;
        into = *found;
        what += (what.empty() ? "" : ", ") + sentence(words, {plain(into)});
    };
    take(visible("luminance %1 x the suggestion"), values[0], 1, start.luminance);
    take(visible("colour %1 x the suggestion"), values[1], 1, start.colour);
    take(visible("detail %1"), values[2], 0, start.detail);
    take(visible("grain %1"), values[3], 0, start.grain);
    if (what.empty())
        return std::nullopt;
    start.reason = sentence("On %1 frames with %2 you settled on %3.", {std::to_string(frames), bandName(noise), what});
    return start;
}

Decision decisionOf(const std::filesystem::path &frame, double noise, const Treatment &kept, const Treatment &suggested, const std::string &day)
{
    const auto times = [](double v, double of) { return of > 0 ? std::min(v / of, kMostTimes) : 1; };
    return {textOf(frame.filename()), day, noise, kept.method, times(kept.luminance, suggested.luminance), times(kept.colour, suggested.colour), kept.taste.detail, kept.taste.grain};
}

std::string decisionsText(const Decisions &decisions)
{
    Json list = Json::array();
    for (const Decision &d : decisions.all())
        list.push_back({{"frame", d.frame}, {"day", d.day}, {"noise", d.noise}, {"method", d.method}, {"luminance", d.luminance}, {"colour", d.colour}, {"detail", d.detail}, {"grain", d.grain}});
    return jsonText(Json{{"format", kFormat}, {"version", kVersion}, {"decisions", list}}, 2) + "\n";
}

Result<Decisions> decisionsFromText(const std::string &text, const std::string &from)
{
    return fromDocument<Decisions>(text, from, kFormat, visible("list of decisions"), kVersion, [](const JsonReader &json) {
        Decisions decisions;
        const std::vector<JsonReader> list = json.array("decisions");
        const size_t first = list.size() - std::min(list.size(), Decisions::kMost); // the oldest would go in any case
        for (const JsonReader &j : std::span(list).subspan(first))
            decisions.note({j.text("frame"), j.text("day"), j.number("noise", 0, 1000), j.text("method"), j.number("luminance", 0, kMostTimes), j.number("colour", 0, kMostTimes), j.number("detail", 0, 1), j.number("grain", 0, 1)});
        return decisions;
    });
}

} // namespace irenic
