// SPDX-License-Identifier: GPL-3.0-or-later
#include "benches.h"

#include "irenic/methods.h"

#include <nlohmann/json.hpp>

#include <algorithm>
#include <array>
#include <cstdio>
#include <filesystem>
#include <memory>
#include <optional>

namespace irenic::bench {

namespace {

struct Times {
    double wholeS, paneMs;
};

std::string quoted(const std::string &word)
{
    std::string q = "'";
    for (const char c : word)
        q += c == '\'' ? std::string("'\\''") : std::string(1, c);
    return q + "'";
}

/// What one build says of one method in a process of its own; nothing where it does not know the method or fails.
std::optional<Times> timesOf(const std::string &program, const std::string &method, int megapixels, int threads)
{
    const std::string command = quoted(program) + " speed --json --methods " + method + " --megapixels " + std::to_string(megapixels) + " --threads " + std::to_string(threads) + " 2>/dev/null";
    const std::unique_ptr<FILE, int (*)(FILE *)> pipe(popen(command.c_str(), "r"), pclose);
    if (!pipe)
        return {};
    std::string text;
    std::array<char, 512> part;
    while (fgets(part.data(), int(part.size()), pipe.get()))
        text += part.data();
    const nlohmann::json line = nlohmann::json::parse(text, nullptr, false);
    if (!line.is_object() || !line.contains("wholeS") || !line.contains("paneMs"))
        return {};
    return Times{line["wholeS"], line["paneMs"]};
}

struct Spread {
    double least, median, most;
};
Spread spreadOf(std::vector<double> values)
{
    std::sort(values.begin(), values.end());
    const size_t half = values.size() / 2;
    return {values.front(), values.size() % 2 ? values[half] : (values[half - 1] + values[half]) / 2, values.back()};
}

} // namespace

int compare(const SpeedArguments &a)
{
    // Both by whole paths: the shell would look elsewhere for a mere name.
    const std::string self = std::filesystem::read_symlink("/proc/self/exe").string(), other = std::filesystem::absolute(a.other).string();
    bool slower = false, any = false;
    if (!a.json)
        std::printf("| method | megapixels | threads | whole frame, this / other | pane, this / other | this s | other s |\n|---|---|---|---|---|---|---|\n");
    for (const MethodInfo &method : methods()) {
        if (!takesPart(a.methods, method.id))
            continue;
        for (const int megapixels : a.megapixels)
            for (const int threads : a.threads) {
                std::vector<double> whole, pane, here, there;
                for (int round = 0; round < a.rounds; ++round) {
                    // By turns, and first one, then the other first: a machine that grows slower or faster favours neither.
                    std::array<std::optional<Times>, 2> t;
                    for (const int turn : {0, 1}) {
                        const int which = (turn + round) % 2;
                        t[size_t(which)] = timesOf(which == 0 ? self : other, method.id, megapixels, threads);
                    }
                    if (!t[0] || !t[1])
                        break;
                    here.push_back(t[0]->wholeS);
                    there.push_back(t[1]->wholeS);
                    whole.push_back(t[0]->wholeS / t[1]->wholeS);
                    pane.push_back(t[0]->paneMs / t[1]->paneMs);
                }
                if (whole.empty()) {
                    std::fprintf(stderr, "irenic-bench: %s was left out: one of the builds could not time it.\n", method.id);
                    continue;
                }
                any = true;
                const Spread w = spreadOf(whole), p = spreadOf(pane);
                // Slower where every round says so, and by more than is asked for.
                slower |= a.most > 0 && w.least > 1 && w.median > a.most;
                if (a.json)
                    std::printf("%s\n", nlohmann::json{{"method", method.id}, {"megapixels", megapixels}, {"threads", threads}, {"whole", whole}, {"pane", pane}}.dump().c_str());
                else
                    std::printf("| %s | %d | %d | %.2f (%.2f to %.2f) | %.2f (%.2f to %.2f) | %.2f | %.2f |\n", method.id, megapixels, threads, w.median, w.least, w.most, p.median, p.least,
                                p.most, spreadOf(here).median, spreadOf(there).median);
                std::fflush(stdout);
            }
    }
    if (!any) {
        std::fprintf(stderr, "irenic-bench: nothing could be compared; is %s a build of irenic-bench?\n", a.other.c_str());
        return 2;
    }
    if (slower)
        std::fprintf(stderr, "irenic-bench: slower than %s in every round, and by more than %.0f %% in the middle one.\n", a.other.c_str(), 100 * (a.most - 1));
    return slower ? 1 : 0;
}

} // namespace irenic::bench
