// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/dng_tags.h"

#include "base/input_file.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"

#include <cmath>

namespace irenic {

namespace {

struct TagRange {
    uint16_t tag;
    const char *name; ///< in the specification
    double low, high;
    uint32_t mostNumbers;
    bool whole;
};

constexpr double kLong = 4294967295.0;
constexpr double kLongestSide = 65535; ///< pixels
constexpr double kLevel = 1e9;         ///< of stored numbers, more than 16 bits have
constexpr double kMatrix = 1000;
constexpr uint32_t kPieces = 1u << 22, kPattern = 16 * 16 * 4;

constexpr TagRange kRanges[] = {
    {TagNewSubFileType, "NewSubFileType", 0, kLong, 1, true},
    {TagImageWidth, "ImageWidth", 0, kLong, 1, true},
    {TagImageLength, "ImageLength", 0, kLong, 1, true},
    {TagBitsPerSample, "BitsPerSample", 0, 65535, 64, true},
    {TagCompression, "Compression", 0, 65535, 1, true},
    {TagPhotometric, "PhotometricInterpretation", 0, 65535, 1, true},
    {TagStripOffsets, "StripOffsets", 0, kLong, kPieces, true},
    {TagSamplesPerPixel, "SamplesPerPixel", 0, 65535, 1, true},
    {TagRowsPerStrip, "RowsPerStrip", 0, kLong, 1, true},
    {TagStripByteCounts, "StripByteCounts", 0, kLong, kPieces, true},
    {TagPlanarConfiguration, "PlanarConfiguration", 0, 65535, 1, true},
    {TagPredictor, "Predictor", 0, 65535, 1, true},
    {TagTileWidth, "TileWidth", 0, kLong, 1, true},
    {TagTileLength, "TileLength", 0, kLong, 1, true},
    {TagTileOffsets, "TileOffsets", 0, kLong, kPieces, true},
    {TagTileByteCounts, "TileByteCounts", 0, kLong, kPieces, true},
    {TagSampleFormat, "SampleFormat", 0, 65535, 64, true},
    {TagOrientation, "Orientation", 0, 65535, 1, true},
    {TagCfaRepeatPatternDim, "CFARepeatPatternDim", 0, 65535, 2, true},
    {TagCfaPattern, "CFAPattern", 0, 255, 4096, true},
    {TagLinearizationTable, "LinearizationTable", 0, 65535, 65536, true},
    {TagBlackLevelRepeatDim, "BlackLevelRepeatDim", 0, 65535, 2, true},
    {TagBlackLevel, "BlackLevel", -kLevel, kLevel, kPattern, false},
    {TagBlackLevelDeltaH, "BlackLevelDeltaH", -kLevel, kLevel, 65535, false},
    {TagBlackLevelDeltaV, "BlackLevelDeltaV", -kLevel, kLevel, 65535, false},
    {TagWhiteLevel, "WhiteLevel", 0, kLong, 4, false},
    {TagDefaultScale, "DefaultScale", 0, 1000, 2, false},
    {TagDefaultCropOrigin, "DefaultCropOrigin", 0, kLongestSide, 2, false},
    {TagDefaultCropSize, "DefaultCropSize", 0, kLongestSide, 2, false},
    {TagColorMatrix1, "ColorMatrix1", -kMatrix, kMatrix, 12, false},
    {TagColorMatrix2, "ColorMatrix2", -kMatrix, kMatrix, 12, false},
    {TagCameraCalibration1, "CameraCalibration1", -kMatrix, kMatrix, 16, false},
    {TagCameraCalibration2, "CameraCalibration2", -kMatrix, kMatrix, 16, false},
    {TagForwardMatrix1, "ForwardMatrix1", -kMatrix, kMatrix, 12, false},
    {TagForwardMatrix2, "ForwardMatrix2", -kMatrix, kMatrix, 12, false},
    {TagAnalogBalance, "AnalogBalance", 1e-4, 1e4, 4, false},
    {TagAsShotNeutral, "AsShotNeutral", 1e-4, 1e4, 4, false},
    {TagAsShotWhiteXy, "AsShotWhiteXY", 0, 1, 2, false},
    {TagBaselineExposure, "BaselineExposure", -20, 20, 1, false},
    {TagCalibrationIlluminant1, "CalibrationIlluminant1", 0, 65535, 1, true},
    {TagCalibrationIlluminant2, "CalibrationIlluminant2", 0, 65535, 1, true},
    {TagRowInterleaveFactor, "RowInterleaveFactor", 0, 65535, 1, true},
    {TagColumnInterleaveFactor, "ColumnInterleaveFactor", 0, 65535, 1, true},
    {TagSubTileBlockSize, "SubTileBlockSize", 0, 65535, 2, true},
    {TagJxlDistance, "JXLDistance", 0, 100, 1, false},
    {TagActiveArea, "ActiveArea", 0, kLongestSide, 4, true},
    {TagMaskedAreas, "MaskedAreas", 0, kLongestSide, 16, true},
    {TagNoiseProfile, "NoiseProfile", -1, 1e3, 8, false},
    {TagDngVersion, "DNGVersion", 0, 255, 4, true},
    {TagDngBackwardVersion, "DNGBackwardVersion", 0, 255, 4, true},
    {TagMakerNoteSafety, "MakerNoteSafety", 0, 65535, 1, true},
};

} // namespace

Status checkNumbers(const std::filesystem::path &file, const TiffDirectory &directory)
{
    for (const TagRange &range : kRanges) {
        const TiffEntry *entry = directory.find(range.tag);
        if (!entry)
            continue;
        const auto refuse = [&](const std::string &why) { return fileError(ErrorCode::Damaged, file, sentence("is damaged: its tag %1 %2", {range.name, sentence(why.c_str())})); };
        if (entry->count > range.mostNumbers)
            return refuse(sentence("holds %1 numbers, where at most %2 make sense", {std::to_string(entry->count), std::to_string(range.mostNumbers)}));
        for (uint32_t i = 0; i < entry->count; ++i) {
            const double v = entry->number(i);
            if (!(v >= range.low && v <= range.high) || (range.whole && v != std::floor(v)))
                return refuse(visible("holds a number that cannot be"));
        }
    }
    return {};
}

} // namespace irenic
