// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/rendering_json.h"

namespace irenic {

Json toJson(const Rendering &r)
{
    Json j{{kTemperature.name, r.white.temperatureK}, {kTint.name, r.white.tint}};
    for (const RenderingParam &p : kRenderingParams)
        j[p.info.name] = r.*p.value;
    return j;
}

Rendering renderingFrom(const JsonReader &json)
{
    Rendering r;
    r.white = {json.number(kTemperature.name, 0, kTemperature.max), json.number(kTint.name, kTint.min, kTint.max)};
    for (const RenderingParam &p : kRenderingParams)
        r.*p.value = json.number(p.info.name, p.info.min, p.info.max);
    if (const Status s = validate(r); !s)
        json.refuse(s.error().userMessage);
    return r;
}

} // namespace irenic
