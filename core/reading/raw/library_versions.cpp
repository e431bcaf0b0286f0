// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/library_versions.h"

#include "irenic/read_frame.h"

#include <jxl/decode.h>
#include <libheif/heif.h>

namespace irenic {

std::vector<std::pair<std::string, std::string>> readingLibraries()
{
    const uint32_t jxl = JxlDecoderVersion(); // 7001 is 0.7.1
    return {{"LibRaw", rawLibraryVersion()},
            {"libjxl", std::to_string(jxl / 1000000) + "." + std::to_string(jxl / 1000 % 1000) + "." + std::to_string(jxl % 1000)},
            {"libheif", heif_get_version()}};
}

} // namespace irenic
