// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/export.h"

namespace irenic {

std::vector<uint8_t> outputProfile(OutputProfile which); ///< as ICC bytes; Own is sRGB

} // namespace irenic
