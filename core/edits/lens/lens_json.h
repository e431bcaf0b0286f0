// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/json.h"
#include "irenic/lens.h"

namespace irenic {

Json toJson(const LensCorrection &lens);
LensCorrection lensFrom(const JsonReader &json);

} // namespace irenic
