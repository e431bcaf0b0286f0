// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/opcodes.h"
#include "irenic/shading.h"
#include "raw/opcode_list.h"

extern "C" int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size)
{
    if (size < 1)
        return 0;
    const irenic::AppliedCorrections applied{.lateral = bool(data[0] & 1), .light = bool(data[0] & 2), .straightened = bool(data[0] & 8)};
    const auto list = std::as_bytes(std::span(data, size)).subspan(1);
    const auto left = irenic::opcodesLeft(list, applied);
    // What is left is a list, too, in which nothing more is to be taken out.
    if (!left.empty() && irenic::opcodesLeft(left, applied).size() > left.size())
        __builtin_trap();
    // And taken over as a small frame's own.
    irenic::Frame frame;
    frame.samples.reset({24, 18});
    frame.samples.fill(500);
    frame.active = {2, 2, 20, 14};
    frame.crop = frame.active;
    if (data[0] & 16) {
        frame.kind = irenic::FrameKind::Linear;
        frame.active.width = 4;
        frame.levels.black = {0, 0, 0};
    }
    irenic::SourceTags tags;
    for (const uint16_t tag : {irenic::TagOpcodeList1, irenic::TagOpcodeList2, irenic::TagOpcodeList3})
        if (data[0] & (32 << (tag == irenic::TagOpcodeList1 ? 0 : tag == irenic::TagOpcodeList2 ? 1
                                                                                                : 2)))
            tags.raw.setBytes(tag, irenic::TiffUndefined, list);
    (void)irenic::takeDescribed(frame, tags);
    if (frame.shading)
        frame.shading->gainAt({3, 3}, 1, frame.kind == irenic::FrameKind::Mosaic);
    return 0;
}
