// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstddef>
#include <span>
#include <vector>

namespace irenic {

/// What was done to samples that an opcode list may describe, too.
struct AppliedCorrections {
    bool lateral = false;      ///< red and blue moved to the green
    bool light = false;        ///< vignetting and gain maps
    bool straightened = false; ///< lines unbent
    bool any() const { return lateral || light || straightened; }
};

/// An opcode list (DNG 1.4, chapter 7) without what was done to the samples already, so that the next program does not do it again: corrections are
/// described or applied, never both. A warp that also holds lateral aberration keeps its green plane for all. Other opcodes stay
/// byte for byte; empty where none is left or the list cannot be read.
std::vector<std::byte> opcodesLeft(std::span<const std::byte> list, const AppliedCorrections &applied);

} // namespace irenic
