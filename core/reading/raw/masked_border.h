// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "raw/tiff_tree.h"

namespace irenic {

/// Parts of the stored samples that no light reached, without what leaks in at their edges: those that a DNG names (MaskedAreas), or else what lies outside the active area.
std::vector<Rect> maskedAreasOf(const Frame &frame);

/// Takes the black level of a two-by-two mosaic from the masked areas that its DNG names, place by place of the pattern: black that drifts is a colour cast in the
/// shadows. Only where every place is told by enough samples, each half of which says the same, where black lies further off than chance allows and no further than 5 % of
/// the range, and the file has no levels by row or column; a warning then says by how much. Anything else stays as it is. To be called when samples, levels and tags are there.
/// @param tags of the frame's file; told the level that is believed, so that what is written of the frame tells it, too
void takeBlackFromBorder(Frame &frame, SourceTags &tags);

} // namespace irenic
