// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/noise_json.h"

namespace irenic {

Json toJson(std::span<const NoiseModel> law)
{
    Json j = Json::array();
    for (const NoiseModel &m : law)
        j.push_back({m.shotGain, m.readVariance});
    return j;
}

NoiseModel modelFrom(const JsonReader &pair, const JsonReader &of, const char *key)
{
    const auto v = pair.values();
    if (v.size() == 2 && v[0] >= 0 && v[0] <= 1 && v[1] >= 0 && v[1] <= 1)
        return {float(v[0]), float(v[1])};
    of.fail(key);
    return {};
}

} // namespace irenic
