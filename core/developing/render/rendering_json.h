// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/json.h"
#include "irenic/rendering.h"

namespace irenic {

Json toJson(const Rendering &rendering);
Rendering renderingFrom(const JsonReader &json);

} // namespace irenic
