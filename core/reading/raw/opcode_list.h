// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "raw/tiff_tree.h"

#include <cstddef>
#include <optional>
#include <span>

namespace irenic {

enum OpcodeId : uint32_t {
    OpcodeWarpRectilinear = 1,
    OpcodeWarpFisheye = 2,
    OpcodeFixVignetteRadial = 3,
    OpcodeFixBadPixelsConstant = 4,
    OpcodeFixBadPixelsList = 5,
    OpcodeTrimBounds = 6,
    OpcodeMapTable = 7,
    OpcodeMapPolynomial = 8,
    OpcodeGainMap = 9,
    OpcodeDeltaPerRow = 10,
    OpcodeDeltaPerColumn = 11,
    OpcodeScalePerRow = 12,
    OpcodeScalePerColumn = 13,
};

/// One entry of an opcode list (DNG 1.4, chapter 7); views into the list.
struct Opcode {
    uint32_t id = 0, flags = 0;
    std::span<const std::byte> whole; ///< header and data
    std::span<const std::byte> data;
    bool isOptional() const { return flags & 1; }
};
/// Empty where the list breaks off or contradicts itself. Opcode lists are big-endian in every file.
std::optional<std::vector<Opcode>> opcodesIn(std::span<const std::byte> list);
/// And back.
std::vector<std::byte> opcodeList(std::span<const std::vector<std::byte>> entries);
uint32_t opcodeNumber(std::span<const std::byte> bytes, size_t at); ///< 0 past the end
std::string opcodeName(uint32_t id);

/// Takes over what the frame's opcode lists describe: uneven light, bent lines and bad pixels into the facts, to be applied where the picture is looked
/// at; curves and lines over linear samples (MapTable, MapPolynomial, Delta and Scale of OpcodeList2) into the samples, at once, since noise can only be
/// measured on linear ones. Those leave `tags` with all in front of them; black and white levels are told anew. What is not understood is named in the warnings.
/// @param frame with samples, active area and levels
/// Fails only with Cancelled.
/// @param tags  as they will be written again; may change
Status takeDescribed(Frame &frame, SourceTags &tags, const RunContext &run = {});

} // namespace irenic
