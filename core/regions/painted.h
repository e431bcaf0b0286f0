// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/regions.h"

namespace irenic {

/// Lays strokes one after the other on weights that may be there already. A place gets the most of what the stroke's points and the
/// lines between them give it, so that a slow hand lays on no more than a quick one.
void paint(const std::vector<Stroke> &strokes, PixelAt corner, int step, PlaneView<float> weights);

} // namespace irenic
