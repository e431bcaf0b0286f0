// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <lcms2.h>

namespace irenic {

using IccProfile = std::unique_ptr<void, cmsBool (*)(cmsHPROFILE)>;
IccProfile openedProfile(const std::vector<uint8_t> &bytes); ///< null where they are none; sRGB for no bytes

std::string descriptionOf(cmsHPROFILE profile); ///< UTF-8; empty where it has none

/// Linear profile colours to XYZ under D50 (ICC.1, rXYZ, gXYZ, bXYZ); nothing for profiles without.
std::optional<Matrix3> colourants(cmsHPROFILE profile);

} // namespace irenic
