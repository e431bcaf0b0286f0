// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/opcodes.h"

extern "C" int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size)
{
    if (size < 1)
        return 0;
    irenic::LensCorrection applied;
    applied.lateral = data[0] & 1;
    applied.vignetting = data[0] & 2;
    applied.distortion = data[0] & 4;
    const auto left = irenic::opcodesLeft(std::as_bytes(std::span(data, size)).subspan(1), applied, data[0] & 8);
    // What is left is a list, too, in which nothing more is to be taken out.
    if (!left.empty() && irenic::opcodesLeft(left, applied, data[0] & 8).size() > left.size())
        __builtin_trap();
    return 0;
}
