// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cstdint>
#include <optional>
#include <span>
#include <stop_token>
#include <string>
#include <vector>

namespace irenic {

/// Samples of one JPEG, interleaved; of three components that are brightness and colour differences, red, green and blue.
struct DctJpeg {
    int width = 0, height = 0;
    int components = 1; ///< 1 or 3
    std::vector<uint16_t> samples;
};

/// Decodes JPEGs of twelve bits (ITU-T T.81, extended sequential, Huffman codes; the eight of baseline, too): no library of Debian does. Components with
/// fewer samples are repeated. Empty, with `problem` set, where the data break off, contradict themselves, or ask for more than
/// `mostSamples`, or where it was stopped.
std::optional<DctJpeg> decodeDctJpeg(std::span<const uint8_t> bytes, size_t mostSamples, const std::stop_token &stop, std::string &problem);

} // namespace irenic
