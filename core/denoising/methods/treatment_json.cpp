// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/treatment_json.h"

namespace irenic {

Json toJson(const Taste &taste)
{
    Json j = Json::object();
    for (const TreatmentParam &p : kTasteParams)
        if (taste.*p.taste != p.info.suggested)
            j[p.info.name] = taste.*p.taste;
    return j;
}

Taste tasteFrom(const JsonReader &json)
{
    Taste t;
    for (const TreatmentParam &p : kTasteParams)
        if (json.has(p.info.name))
            t.*p.taste = json.number(p.info.name, p.info.min, p.info.max);
    return t;
}

Json toJson(const Treatment &t)
{
    Json j{{"method", t.method}, {"luminance", t.luminance}, {"colour", t.colour}};
    if (t.isMixed())
        j["colourMethod"] = t.colourMethod;
    if (const Json taste = toJson(t.taste); !taste.empty())
        j["taste"] = taste;
    if (!t.regions)
        j["regions"] = false;
    return j;
}

Treatment treatmentFrom(const JsonReader &json)
{
    const Treatment t{json.text("method"), json.number("luminance", kLuminanceParam.info.min, kLuminanceParam.info.max), json.number("colour", kColourParam.info.min, kColourParam.info.max),
                      json.has("colourMethod") ? json.text("colourMethod") : std::string(), json.has("taste") ? tasteFrom(json.object("taste")) : Taste(),
                      !json.has("regions") || json.boolean("regions")};
    if (const Status s = validate(t); !s)
        json.refuse(s.error().userMessage);
    return t;
}

} // namespace irenic
