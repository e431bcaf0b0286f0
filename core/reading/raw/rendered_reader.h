// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <optional>
#include <stop_token>
#include <string>

namespace irenic {

enum class RenderedKind {
    Tiff,
    Jpeg,
    Png,
    JpegXl,
    Heif, ///< and AVIF
};

/// By the first bytes; a TIFF counts unless its ending or its contents are those of a raw file.
std::optional<RenderedKind> renderedKindOf(const std::filesystem::path &file);

/// Reads a finished picture as a Frame: RGB or grey, 8 to 16 bits or floats, of any profile. Samples stay in the file's own
/// encoding; profiles that are more than curves and a matrix are converted to sRGB, and a warning says so. Transparency is
/// left out. Fails with Damaged, Unsupported (CMYK, palettes of TIFF, too large for this machine), or Cancelled.
Result<std::shared_ptr<const Frame>> readRendered(const std::filesystem::path &file, RenderedKind kind, const RunContext &run);

/// Pixels as a decoder delivers them.
struct DecodedPicture {
    Size size;
    int channels = 3;              ///< 1 or 3
    int bits = 8;                  ///< of the file; samples are 16 bits wide, those of 8 times 257
    std::vector<uint16_t> samples; ///< interleaved
    std::vector<uint8_t> profile;
    std::vector<std::string> warnings;
    bool hasMetadata = true;                ///< false of a bare code stream, which has no place for any
    bool isUpright = false;                 ///< turned by the decoder: Exif's orientation was followed already
    std::shared_ptr<const JpegCoding> jpeg; ///< of a JPEG that codes brightness and colours apart
};
inline constexpr double kBytesASample = 6; ///< while one decodes: the library's, ours, and the frame's
/// Each refuses sizes beyond its budget before it allocates, and stops within a row or a strip.
Result<DecodedPicture> decodeTiff(const std::filesystem::path &file, const std::stop_token &stop = {});
Result<DecodedPicture> decodeJpeg(const std::filesystem::path &file, const std::stop_token &stop = {});
Result<DecodedPicture> decodePng(const std::filesystem::path &file, const std::stop_token &stop = {});
Result<DecodedPicture> decodeJpegXl(const std::filesystem::path &file, const std::stop_token &stop = {});
/// Not stopped while libheif decodes the picture: it has no way.
Result<DecodedPicture> decodeHeif(const std::filesystem::path &file, const std::stop_token &stop = {});

} // namespace irenic
