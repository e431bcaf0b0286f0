// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/lens.h"

#include <cstddef>
#include <span>
#include <vector>

namespace irenic {

/// An opcode list (DNG 1.4, chapter 7) without what was done to the samples already, so that the next program does not do it again: lens
/// corrections are described or applied, never both. A warp that also holds lateral aberration keeps its green plane for all. Other opcodes stay
/// byte for byte; empty where none is left or the list cannot be read.
/// @param straightened lines were unbent in these samples, too
std::vector<std::byte> opcodesLeft(std::span<const std::byte> list, const LensCorrection &applied, bool straightened);

} // namespace irenic
