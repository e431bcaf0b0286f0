// SPDX-License-Identifier: GPL-3.0-or-later
// Every reader of pictures, by what the bytes look like: DNG, TIFF, JPEG, PNG, JPEG XL, HEIF, LibRaw's kinds, and the metadata of an export.
#include "fuzz/scratch_file.h"
#include "irenic/frame.h"
#include "irenic/provenance.h"
#include "irenic/read_frame.h"

using namespace irenic;

extern "C" int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size)
{
    if (size < 9)
        return 0;
    static constexpr const char *kEndings[] = {".dng", ".tif", ".jpg", ".png", ".raw", ".jxl", ".heic"};
    // The last byte chooses the ending, which decides who reads a TIFF.
    const auto file = fuzz::scratchFile(kEndings[data[size - 1] % 7], data, size);
    if (const auto frame = readFrame(file, {1, {}, {}}); !frame && frame.error().userMessage.empty())
        __builtin_trap();
    if (data[size - 1] & 8)
        (void)readProvenance(file);
    return 0;
}
