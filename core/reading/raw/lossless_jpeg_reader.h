// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <optional>
#include <span>
#include <stop_token>
#include <string>
#include <vector>

namespace irenic {

/// Samples of one lossless JPEG in the order in which they are stored: rows of `components` interleaved values.
struct LosslessJpeg {
    int width = 0; ///< samples a row and component
    int height = 0;
    int components = 1;
    std::vector<uint16_t> samples; ///< height x width x components
};

/// Decodes lossless JPEG (ITU-T T.81, process 14, SOF3: all seven predictors, one to four components, restart intervals,
/// point transform). Our own, because LibRaw 0.20 mistakes some legal tilings, reports success on damaged
/// ones, and decodes on one thread. Empty, with `problem` set, where the data break off or contradict themselves, or where it was stopped.
/// @param mostSamples that its place in the picture has room for; a header that claims more is refused before anything is allocated
std::optional<LosslessJpeg> decodeLosslessJpeg(std::span<const uint8_t> bytes, size_t mostSamples, const std::stop_token &stop, std::string &problem);

} // namespace irenic
