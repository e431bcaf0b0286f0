// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "export/export_dng.h"

namespace irenic {

/// A finished picture whose numbers stay in the file's own encoding, since nothing asks for another.
bool keepsEncoding(const Frame &frame, const ExportOptions &options);

/// The whole treated frame as a picture, upright, encoded as the options ask. Of uint16_t or float, 0 .. 1 of floats.
template <class T>
Result<RgbImage<T>> renderAll(const Cleaner &cleaner, const ExportOptions &options, CleanCache *cache, const RunContext &run);

/// The profile that such a picture is in, as ICC bytes.
std::vector<uint8_t> profileOf(const Frame &frame, const ExportOptions &options);

/// Adds shooting data, descriptions and provenance to a picture file that Exiv2 can write. False where it could not: a failure costs
/// the data, not the picture, but an export that lost them is none.
bool writeMetadata(const std::filesystem::path &path, const Frame &frame, const ExportOptions &options, Size size, const Provenance &provenance);

/// To 8 bits, with half a step of noise either way that belongs to each place, so that smooth tones do not fall into bands.
Result<RgbImage<uint8_t>> dithered8(const RgbImage<uint16_t> &picture, const RunContext &run = {});

/// What writes pixels under a file's temporary name and reads them back, with their profile. `write` answers false where the system refused,
/// `readsBack` where what is read is not what was meant, both where they were stopped, which they are within a row.
struct PictureFile {
    std::function<bool(const std::filesystem::path &, const std::stop_token &)> write;
    std::function<bool(const std::filesystem::path &, const std::stop_token &)> readsBack;
    Size size;
};
PictureFile tiffFile(RgbImage<uint8_t> picture, const ExportOptions &options, std::vector<uint8_t> profile);
PictureFile tiffFile(RgbImage<uint16_t> picture, const ExportOptions &options, std::vector<uint8_t> profile);
PictureFile tiffFile(RgbImage<float> picture, const ExportOptions &options, std::vector<uint8_t> profile);
PictureFile jpegProof(RgbImage<uint8_t> picture, const ExportOptions &options, std::vector<uint8_t> profile);
struct JpegSettings {
    int quality = 93;             ///< 1 .. 100, by the scale of Annex K's tables (ITU-T T.81)
    bool colourAtFullSize = true; ///< else at half, both ways
    double dpi = 300;
};
/// False where the system refused, or where it was stopped. @param icc embedded; empty for none
bool writeJpeg(const std::filesystem::path &path, const RgbImage<uint8_t> &picture, const std::vector<uint8_t> &icc, const JpegSettings &settings, const std::stop_token &stop);
PictureFile pngProof(RgbImage<uint8_t> picture, const ExportOptions &options, std::vector<uint8_t> profile);

} // namespace irenic
