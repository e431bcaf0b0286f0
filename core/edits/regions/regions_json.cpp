// SPDX-License-Identifier: GPL-3.0-or-later
#include "regions/regions_json.h"

#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

#include <cmath>
#include <fstream>
#include <sstream>

namespace irenic {

namespace {

constexpr const char *kRegionsFormat = "irenic-regions";
constexpr int kRegionsVersion = 1;
constexpr double kFarPx = 1 << 24;

Json pointsJson(const std::vector<StrokePoint> &points)
{
    Json j = Json::array();
    for (const StrokePoint &p : points) {
        j.push_back(double(p.x));
        j.push_back(double(p.y));
        j.push_back(double(p.pressure));
    }
    return j;
}

Json toJson(const MaskPart &p)
{
    Json j{{"kind", partName(p.kind)}, {"joins", joinName(p.joins)}};
    switch (p.kind) {
    case MaskPart::Kind::Painted:
        j["strokes"] = Json::array();
        for (const Stroke &s : p.strokes)
            j["strokes"].push_back({{"radius", double(s.radiusPx)}, {"hardness", double(s.hardness)}, {"flow", double(s.flow)}, {"erases", s.erases}, {"points", pointsJson(s.points)}});
        break;
    case MaskPart::Kind::Gradient: j["line"] = {double(p.from.x), double(p.from.y), double(p.to.x), double(p.to.y)}; break;
    case MaskPart::Kind::Colour: j["a"] = double(p.a), j["b"] = double(p.b); [[fallthrough]];
    case MaskPart::Kind::Brightness: j["softness"] = double(p.softness); [[fallthrough]];
    default: j["low"] = double(p.low), j["high"] = double(p.high);
    }
    return j;
}

MaskPart partFrom(const JsonReader &j)
{
    MaskPart p;
    p.kind = j.named<MaskPart::Kind>("kind", partFromName);
    p.joins = j.named<MaskPart::Joins>("joins", joinFromName);
    switch (p.kind) {
    case MaskPart::Kind::Painted:
        for (const JsonReader &s : j.array("strokes")) {
            Stroke stroke{float(s.number("radius", 0.1, 1e5)), float(s.number("hardness", 0, 1)), float(s.number("flow", 0, 1)), s.boolean("erases"), {}};
            const auto v = s.numbers("points");
            if (v.empty() || v.size() % 3)
                s.fail("points");
            for (size_t i = 0; i + 2 < v.size(); i += 3) {
                if (std::abs(v[i]) > kFarPx || std::abs(v[i + 1]) > kFarPx || v[i + 2] < 0 || v[i + 2] > 1)
                    s.fail("points");
                stroke.points.push_back({float(v[i]), float(v[i + 1]), float(v[i + 2])});
            }
            p.strokes.push_back(std::move(stroke));
        }
        break;
    case MaskPart::Kind::Gradient: {
        const auto v = j.numbers("line");
        if (v.size() != 4)
            j.fail("line");
        else
            p.from = {float(v[0]), float(v[1])}, p.to = {float(v[2]), float(v[3])};
        break;
    }
    case MaskPart::Kind::Colour: p.a = float(j.number("a", -500, 500)), p.b = float(j.number("b", -500, 500)); [[fallthrough]];
    case MaskPart::Kind::Brightness: p.softness = float(j.number("softness", 0, 30)); [[fallthrough]];
    default: p.low = float(j.number("low", -30, 500)), p.high = float(j.number("high", -30, 500));
    }
    return p;
}

} // namespace

Json toJson(const std::vector<Region> &regions)
{
    Json list = Json::array();
    for (const Region &r : regions) {
        Json j{{"name", r.name}, {"inverted", r.inverted}, {"parts", Json::array()}};
        for (const RegionParam &p : kRegionParams)
            j[p.info.name] = r.*p.value;
        for (const MaskPart &p : r.parts)
            j["parts"].push_back(toJson(p));
        list.push_back(std::move(j));
    }
    return list;
}

std::vector<Region> regionsFrom(const std::vector<JsonReader> &list)
{
    std::vector<Region> regions;
    for (const JsonReader &j : list) {
        Region r;
        r.name = j.text("name");
        r.inverted = j.boolean("inverted");
        for (const RegionParam &p : kRegionParams)
            r.*p.value = j.number(p.info.name, p.info.min, p.info.max);
        for (const JsonReader &p : j.array("parts"))
            r.parts.push_back(partFrom(p));
        regions.push_back(std::move(r));
    }
    return regions;
}

Status validate(const std::vector<Region> &regions)
{
    if (regions.size() > kMostRegions)
        return Error{ErrorCode::BadParameter, sentence("A frame can have %1 regions, not %2.", {std::to_string(kMostRegions), std::to_string(regions.size())}), {}};
    for (const Region &r : regions)
        for (const RegionParam &p : kRegionParams)
            if (!(r.*p.value >= p.info.min && r.*p.value <= p.info.max))
                return Error{ErrorCode::BadParameter, sentence("The setting %1 of the region \"%2\" is out of its range.", {p.info.name, r.name}), {}};
    return {};
}

std::string regionsText(const std::vector<Region> &regions)
{
    return jsonText(Json{{"format", kRegionsFormat}, {"version", kRegionsVersion}, {"regions", toJson(regions)}}, 2) + "\n";
}

Result<std::vector<Region>> regionsFromText(const std::string &text, const std::string &from)
{
    return fromDocument<std::vector<Region>>(text, from, kRegionsFormat, visible("set of regions"), kRegionsVersion, [](const JsonReader &json) {
        auto regions = regionsFrom(json.array("regions"));
        if (const Status s = validate(regions); !s)
            json.refuse(s.error().userMessage);
        return regions;
    });
}

Result<std::vector<Region>> readRegions(const std::filesystem::path &file)
{
    const Result<std::string> text = documentText(file, visible("regions"));
    return text ? regionsFromText(text.value(), textOf(file.filename())) : Result<std::vector<Region>>(text.error());
}

} // namespace irenic
