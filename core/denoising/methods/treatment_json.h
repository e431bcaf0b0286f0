// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/json.h"
#include "irenic/methods.h"

namespace irenic {

Json toJson(const Taste &taste); ///< what differs from where it does nothing
Taste tasteFrom(const JsonReader &json);
Json toJson(const Treatment &treatment);
Treatment treatmentFrom(const JsonReader &json);

} // namespace irenic
