// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "export/export_dng.h"

namespace irenic {

/// The whole treated frame as a picture: upright, 16 bits, sRGB; a finished picture in its own encoding.
Result<RgbImage<uint16_t>> renderAll(const Cleaner &cleaner, const RunContext &run);

/// The profile that such a picture is in, as ICC bytes.
std::vector<uint8_t> profileOf(const Frame &frame);

/// Adds shooting data to a picture file that Exiv2 can write. False where it could not.
bool writeExif(const std::filesystem::path &path, const Frame &frame);

/// To 8 bits, with half a step of noise either way that belongs to each place, so that smooth tones do not fall into bands.
RgbImage<uint8_t> dithered8(const RgbImage<uint16_t> &picture);

/// Proofs: sRGB, 8 bits, see ExportFormat.
Status writeJpegProof(AtomicFile &file, const Cleaner &cleaner, const RunContext &run);
Status writePngProof(AtomicFile &file, const Cleaner &cleaner, const RunContext &run);

} // namespace irenic
