// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "colour/colour.h"
#include "irenic/rendering.h"

namespace irenic {

/// Chromaticity of a light. The black body's line is Krystek's rational fit (Color Res. Appl. 10(1), 1985), good from 1000 to 15000 K.
Chromaticity chromaticityOf(const White &white);
/// And back: the nearest point of the line in CIE 1960 uv, and the distance from it.
White whiteAt(Chromaticity c);

/// The camera's answer to a light, largest component 1: what AsShotNeutral would be under it.
Vector3 neutralUnder(const ColourDescription &colour, Chromaticity white);

} // namespace irenic
