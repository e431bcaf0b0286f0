// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <cstdint>
#include <optional>
#include <span>
#include <vector>

namespace irenic {

/// Samples of one JPEG XL picture, interleaved, without transparency; turned upright where it says how.
struct JpegXl {
    int width = 0, height = 0;
    int channels = 1; ///< 1 or 3
    int bits = 8;     ///< as it was coded
    bool isFloat = false;
    bool hasAlpha = false;
    bool isAnimated = false;
    std::vector<uint16_t> whole;  ///< of integers up to 16 bits: 0 to 65535, whatever the bits
    std::vector<float> wide;      ///< of the others: 1 is full scale
    std::vector<uint8_t> profile; ///< ICC that the samples are in
};

/// How large a picture there is room for.
struct JpegXlLimits {
    uint64_t mostPixels = 0;
    uint64_t mostBytes = 0; ///< that the decoder may hold at once
    bool inOneThread = false;
};

/// Decodes the first picture of a JPEG XL code stream or file (ISO/IEC 18181) by libjxl. Empty, with `problem` set, where the data break off, contradict
/// themselves or need more than the limits, or where it was stopped.
std::optional<JpegXl> decodeJpegXl(std::span<const uint8_t> bytes, const JpegXlLimits &limits, const std::stop_token &stop, std::string &problem);

} // namespace irenic
