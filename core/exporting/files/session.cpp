// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/session_file.h"

#include "irenic/parameter.h"
#include "irenic/text.h"
#include "lens/lens_json.h"
#include "methods/treatment_json.h"
#include "regions/regions_json.h"
#include "render/rendering_json.h"

namespace irenic {

namespace {

constexpr const char *kSessionFormat = "irenic-session";
constexpr int kSessionVersion = 1;
constexpr int kMostFrames = 100000, kMostPixels = 1 << 24;

Json textsOf(const std::vector<std::filesystem::path> &paths)
{
    Json j = Json::array();
    for (const auto &path : paths)
        j.push_back(textOf(path));
    return j;
}

std::vector<std::filesystem::path> pathsOf(const std::vector<std::string> &texts)
{
    std::vector<std::filesystem::path> paths;
    for (const std::string &text : texts)
        paths.push_back(pathOf(text));
    return paths;
}

Json toJson(const SavedFrame &f)
{
    Json j{{"file", textOf(f.file)}, {"beside", textOf(f.beside)}};
    if (!f.decided)
        return j;
    Json trials = Json::array(), spots = Json::array();
    for (const Treatment &t : f.trials)
        trials.push_back(toJson(t));
    for (const SavedSpot &s : f.spots)
        spots.push_back({{"kind", s.kind}, {"x", s.x}, {"y", s.y}, {"name", s.name}});
    if (!f.regions.empty())
        j["regions"] = toJson(f.regions);
    if (f.lens != LensCorrection())
        j["lens"] = toJson(f.lens);
    if (f.series != 0)
        j["series"] = f.series;
    j.update(Json{{"trials", trials}, {"keeper", f.keeper}, {"spots", spots}, {"guests", textsOf(f.guests)}, {"rendering", toJson(f.rendering)}, {"exported", textsOf(f.exported)}});
    return j;
}

SavedFrame frameFrom(const JsonReader &j)
{
    SavedFrame f;
    f.file = pathOf(j.text("file"));
    f.beside = pathOf(j.text("beside"));
    f.decided = j.has("trials");
    if (!f.decided)
        return f;
    for (const JsonReader &t : j.array("trials"))
        f.trials.push_back(treatmentFrom(t));
    if (f.trials.empty())
        j.fail("trials");
    f.keeper = j.whole("keeper", -1, int(f.trials.size()) - 1);
    for (const JsonReader &s : j.array("spots"))
        f.spots.push_back({s.text("kind"), s.whole("x", 0, kMostPixels), s.whole("y", 0, kMostPixels), s.text("name")});
    f.guests = pathsOf(j.texts("guests"));
    f.rendering = renderingFrom(j.object("rendering"));
    if (j.has("regions")) {
        f.regions = regionsFrom(j.array("regions"));
        if (const Status s = validate(f.regions); !s)
            j.refuse(s.error().userMessage);
    }
    if (j.has("lens"))
        f.lens = lensFrom(j.object("lens"));
    if (j.has("series"))
        f.series = j.whole("series", -1, kMostFrames);
    f.exported = pathsOf(j.texts("exported"));
    return f;
}

} // namespace

std::filesystem::path SavedFrame::found(const std::filesystem::path &sessionFolder) const
{
    std::error_code ec;
    if (std::filesystem::is_regular_file(file, ec))
        return file;
    const auto near = (sessionFolder / beside).lexically_normal();
    return !beside.empty() && std::filesystem::is_regular_file(near, ec) ? near : std::filesystem::path();
}

std::string sessionText(const SavedSession &s)
{
    Json frames = Json::array(), rows = Json::array();
    for (const SavedFrame &f : s.frames)
        frames.push_back(toJson(f));
    for (const auto &place : s.rows)
        rows.push_back({place[0], place[1]});
    const Json look{{"column", s.column}, {"zoom", s.zoom}, {"rows", rows}, {"row", s.row}, {"push", s.pushEv}};
    return jsonText(Json{{"format", kSessionFormat}, {"version", kSessionVersion}, {"frames", frames}, {"current", s.current}, {"look", look}}, 2) + "\n";
}

Result<SavedSession> sessionFromText(const std::string &text, const std::string &from)
{
    return fromDocument<SavedSession>(text, from, kSessionFormat, visible("session"), kSessionVersion, [](const JsonReader &j) {
        SavedSession s;
        for (const JsonReader &f : j.array("frames"))
            s.frames.push_back(frameFrom(f));
        s.current = j.whole("current", -1, std::min(kMostFrames, int(s.frames.size()) - 1));
        const JsonReader look = j.object("look");
        s.column = look.whole("column", -1, 100);
        s.zoom = look.number("zoom", 0, 64);
        s.rows.clear();
        for (const JsonReader &place : look.array("rows")) {
            const auto v = place.values();
            if (v.size() != 2)
                look.fail("rows");
            else
                s.rows.push_back({std::clamp(v[0], 0.0, 1.0), std::clamp(v[1], 0.0, 1.0)});
        }
        if (s.rows.empty())
            look.fail("rows");
        s.row = look.whole("row", 0, std::max(0, int(s.rows.size()) - 1));
        s.pushEv = look.number("push", -10, 10);
        return s;
    });
}

} // namespace irenic
