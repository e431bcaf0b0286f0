// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/json.h"
#include "irenic/regions.h"

namespace irenic {

Json toJson(const std::vector<Region> &regions);
std::vector<Region> regionsFrom(const std::vector<JsonReader> &list);

} // namespace irenic
