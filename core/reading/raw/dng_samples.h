// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"
#include "irenic/image.h"

#include <cstdint>
#include <filesystem>
#include <vector>

namespace irenic {

/// Where and how the samples of a DNG lie in its file: strips are tiles of full width. Sizes count pixels.
struct SampleStorage {
    Size sensor;
    Size tile;
    int perPixel = 1; ///< samples
    int bits = 16;    ///< 8 to 32 of integers; 16, 24 or 32 of floats
    bool isFloat = false;
    int compression = 1; ///< TIFF Compression
    int predictor = 1;   ///< TIFF Predictor: 1, 2, 3, or one of those at a distance (DNG 1.4, chapter 2)
    bool isTiled = false;
    bool bigEndian = false;
    bool onePlaneAfterAnother = false;       ///< PlanarConfiguration 2
    int rowFactor = 1, columnFactor = 1;     ///< of interleaved fields (DNG 1.7, RowInterleaveFactor and ColumnInterleaveFactor)
    std::vector<double> offsets, byteCounts; ///< of every piece, row by row, plane by plane

    int across() const { return (sensor.width + tile.width - 1) / tile.width; }
    int down() const { return (sensor.height + tile.height - 1) / tile.height; }
    int planes() const { return onePlaneAfterAnother ? perPixel : 1; }
    int perPiecePixel() const { return onePlaneAfterAnother ? 1 : perPixel; }
    size_t pieces() const { return size_t(across()) * size_t(down()) * size_t(planes()); }
    uint64_t rowBytes() const { return (uint64_t(tile.width) * uint64_t(perPiecePixel()) * uint64_t(bits) + 7) / 8; }
    bool isWide() const { return isFloat || bits > 16; } ///< more than a 16-bit number holds
    /// What is told about the picture: "deflate", "lossy JPEG" and so on.
    std::string nameOfCompression() const;
    bool losesNothing() const;
};

/// Why samples that are stored so cannot be read, for the end of a sentence that begins with the file's name; empty where they can.
std::string whyNotRead(const SampleStorage &storage);

/// Samples as stored, interleaved: one of both planes is filled.
struct DngSamples {
    Plane<uint16_t> whole; ///< integers of up to 16 bits
    Plane<float> wide;     ///< floats, and integers of more bits
};

/// Reads and decodes every strip or tile for itself, in parallel: uncompressed, deflate (zlib), lossless JPEG (ITU-T T.81, process 14), lossy JPEG of
/// eight and twelve bits and JPEG XL, with the predictors of TIFF 6.0 and of TIFF Technical Note 3. Fails with Damaged, Unsupported or Cancelled.
Result<DngSamples> decodeSamples(const std::filesystem::path &file, const SampleStorage &storage, const RunContext &run);

/// The 24 bits of TIFF Technical Note 3: one of sign, seven of exponent, sixteen of fraction.
float float24ToFloat(uint32_t bits);

} // namespace irenic
