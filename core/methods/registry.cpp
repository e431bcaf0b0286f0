// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/denoise_method.h"

#include "methods/wavelet/wavelet.h"

#include <array>
#include <cmath>
#include <cstdio>

namespace irenic {

namespace {

struct Registered {
    MethodInfo info;
    std::unique_ptr<DenoiseMethod> (*make)(const Treatment &);
};

/// One line per method.
const std::array kRegistered{
    Registered{kWaveletInfo, makeWavelet},
};

const auto kInfos = [] {
    std::array<MethodInfo, kRegistered.size()> infos{};
    for (size_t i = 0; i < infos.size(); ++i)
        infos[i] = kRegistered[i].info;
    return infos;
}();

std::string plainNumber(double v)
{
    char text[32];
    std::snprintf(text, sizeof text, "%g", v);
    return text;
}

Status inRange(const ParamInfo &param, double value)
{
    if (std::isfinite(value) && value >= param.min && value <= param.max)
        return {};
    return Error{ErrorCode::BadParameter, std::string("The ") + param.name + " strength must lie between " + plainNumber(param.min)
                     + " and " + plainNumber(param.max) + ", not at " + plainNumber(value) + ".", {}};
}

} // namespace

std::span<const MethodInfo> methods()
{
    return kInfos;
}

const MethodInfo *findMethod(const std::string &id)
{
    for (const MethodInfo &m : kInfos)
        if (id == m.id)
            return &m;
    return nullptr;
}

Status validate(const Treatment &treatment)
{
    if (!findMethod(treatment.method)) {
        std::string known;
        for (const MethodInfo &m : kInfos)
            known += (known.empty() ? "" : ", ") + std::string(m.id);
        return Error{ErrorCode::BadParameter, "There is no method called \"" + treatment.method + "\"; there is: " + known + ".", {}};
    }
    if (const Status s = inRange(kLuminanceStrength, treatment.luminance); !s)
        return s;
    return inRange(kColourStrength, treatment.colour);
}

std::unique_ptr<DenoiseMethod> makeMethod(const Treatment &treatment)
{
    for (const Registered &r : kRegistered)
        if (treatment.method == r.info.id)
            return r.make(treatment);
    assert(!"validate() comes first");
    return nullptr;
}

} // namespace irenic
