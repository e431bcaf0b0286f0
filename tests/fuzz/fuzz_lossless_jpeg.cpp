// SPDX-License-Identifier: GPL-3.0-or-later
// Both decoders of JPEG that are ours.
#include "raw/dct_jpeg_reader.h"
#include "raw/lossless_jpeg_reader.h"

extern "C" int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size)
{
    std::string problem;
    const auto out = irenic::decodeLosslessJpeg({data, size}, 1 << 18, {}, problem);
    if (!out && problem.empty())
        __builtin_trap();
    if (!irenic::decodeDctJpeg({data, size}, 1 << 18, {}, problem) && problem.empty())
        __builtin_trap();
    return 0;
}
