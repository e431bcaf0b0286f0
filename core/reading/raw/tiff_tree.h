// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"
#include "irenic/frame.h"

#include <cstddef>
#include <filesystem>
#include <span>
#include <vector>

/// TIFF 6.0 directories as plain data. Our own, because a faithful DNG needs every entry to the last bit
/// (rationals as written, unknown tags, opcode lists), which LibTIFF's typed interface rounds or drops.
namespace irenic {

enum TiffType : uint16_t {
    TiffByte = 1,
    TiffAscii,
    TiffShort,
    TiffLong,
    TiffRational,
    TiffSByte,
    TiffUndefined,
    TiffSShort,
    TiffSLong,
    TiffSRational,
    TiffFloat,
    TiffDouble,
    TiffIfd
};

/// Bytes of one value of a type; 0 where the type is unknown.
int tiffTypeSize(uint16_t type);

/// One directory entry. `bytes` holds count values in this machine's byte order.
struct TiffEntry {
    uint16_t tag = 0;
    uint16_t type = TiffByte;
    uint32_t count = 0;
    std::vector<std::byte> bytes;

    double number(size_t i = 0) const; ///< value i of any numeric type; 0 past the end; not a number for x/0
    std::vector<double> numbers() const;
    std::string text() const; ///< up to the first NUL
};

/// One directory, entries sorted by tag, with the directories that hang below it.
struct TiffDirectory {
    std::vector<TiffEntry> entries;
    std::vector<TiffDirectory> subDirectories; ///< tag 330, in order
    std::vector<TiffDirectory> exif;           ///< tag 34665: none or one
    std::vector<TiffDirectory> gps;            ///< tag 34853: none or one

    const TiffEntry *find(uint16_t tag) const;
    double number(uint16_t tag, double otherwise) const;
    std::vector<double> numbers(uint16_t tag) const;
    std::string text(uint16_t tag) const;
    void set(TiffEntry entry); ///< replaces an entry of the same tag, keeps the order
    void erase(uint16_t tag);

    void setNumbers(uint16_t tag, TiffType type, std::span<const double> values); ///< integers and floats
    void setNumber(uint16_t tag, TiffType type, double value);
    /// Levels of samples: LONG where all are whole and none is negative, fractions otherwise.
    void setLevels(uint16_t tag, std::span<const double> values);
    void setText(uint16_t tag, const std::string &text);
    void setRationals(uint16_t tag, TiffType type, std::span<const double> values, int denominator);
    void setBytes(uint16_t tag, TiffType type, std::span<const std::byte> bytes);
};

/// The directories of a TIFF file, read without touching any picture data. Refuses loops, entries beyond
/// the file's end and absurd counts. Chained directories follow the first in `chain`.
struct TiffTree {
    std::vector<TiffDirectory> chain;
    bool bigEndian = false;
    uint64_t fileBytes = 0;
};
Result<TiffTree> readTiffTree(const std::filesystem::path &file);

/// DNG source directories carried by a Frame, as they stood but for a black level that reading knows better.
struct SourceTags {
    TiffDirectory main; ///< the first directory
    TiffDirectory raw;  ///< the directory of the sensor samples; equals `main` where they share one
    bool rawIsMain = false;
};

/// Tags by their names in TIFF 6.0, TIFF/EP, Exif 2.3 and DNG 1.4.
enum TiffTag : uint16_t {
    TagNewSubFileType = 254,
    TagImageWidth = 256,
    TagImageLength = 257,
    TagBitsPerSample = 258,
    TagCompression = 259,
    TagPhotometric = 262,
    TagImageDescription = 270,
    TagMake = 271,
    TagModel = 272,
    TagStripOffsets = 273,
    TagOrientation = 274,
    TagSamplesPerPixel = 277,
    TagRowsPerStrip = 278,
    TagStripByteCounts = 279,
    TagXResolution = 282,
    TagYResolution = 283,
    TagPlanarConfiguration = 284,
    TagResolutionUnit = 296,
    TagSoftware = 305,
    TagDateTime = 306,
    TagArtist = 315,
    TagPredictor = 317,
    TagTileWidth = 322,
    TagTileLength = 323,
    TagTileOffsets = 324,
    TagTileByteCounts = 325,
    TagSubIfds = 330,
    TagSampleFormat = 339,
    TagXmp = 700,
    TagCfaRepeatPatternDim = 33421,
    TagCfaPattern = 33422,
    TagCopyright = 33432,
    TagExposureTime = 33434,
    TagFNumber = 33437,
    TagExifIfd = 34665,
    TagGpsIfd = 34853,
    TagIso = 34855,
    TagExifVersion = 36864,
    TagDateTimeOriginal = 36867,
    TagDateTimeDigitized = 36868,
    TagFocalLength = 37386,
    TagMakerNote = 37500,
    TagLensModel = 42036,
    TagColorSpace = 40961,
    TagExposureProgram = 34850,
    TagDngVersion = 50706,
    TagDngBackwardVersion = 50707,
    TagUniqueCameraModel = 50708,
    TagCfaPlaneColor = 50710,
    TagCfaLayout = 50711,
    TagLinearizationTable = 50712,
    TagBlackLevelRepeatDim = 50713,
    TagBlackLevel = 50714,
    TagBlackLevelDeltaH = 50715,
    TagBlackLevelDeltaV = 50716,
    TagWhiteLevel = 50717,
    TagDefaultScale = 50718,
    TagDefaultCropOrigin = 50719,
    TagDefaultCropSize = 50720,
    TagColorMatrix1 = 50721,
    TagColorMatrix2 = 50722,
    TagCameraCalibration1 = 50723,
    TagCameraCalibration2 = 50724,
    TagAnalogBalance = 50727,
    TagAsShotNeutral = 50728,
    TagAsShotWhiteXy = 50729,
    TagBaselineExposure = 50730,
    TagDngPrivateData = 50740,
    TagMakerNoteSafety = 50741,
    TagCalibrationIlluminant1 = 50778,
    TagCalibrationIlluminant2 = 50779,
    TagRawDataUniqueId = 50781,
    TagOriginalRawFileName = 50827,
    TagActiveArea = 50829,
    TagMaskedAreas = 50830,
    TagForwardMatrix1 = 50964,
    TagForwardMatrix2 = 50965,
    TagPreviewColorSpace = 50970,
    TagRawImageDigest = 50972,
    TagOpcodeList1 = 51008,
    TagOpcodeList2 = 51009,
    TagOpcodeList3 = 51022,
    TagNoiseProfile = 51041,
    TagNewRawImageDigest = 51111,
    TagNoiseReductionApplied = 50935,
    TagRowInterleaveFactor = 50975,
    TagSubTileBlockSize = 50974,
    TagProfileGainTableMap = 52525,
    TagColumnInterleaveFactor = 52547,
    TagJxlDistance = 52553,
    TagJxlEffort = 52554,
    TagJxlDecodeSpeed = 52555
};

enum : int { PhotometricRgb = 2,
             PhotometricCfa = 32803,
             PhotometricLinearRaw = 34892,
             PhotometricDepth = 51177,
             PhotometricMask = 52527 };
enum : int { CompressionNone = 1,
             CompressionJpeg = 7,
             CompressionDeflate = 8,
             CompressionOldDeflate = 32946,
             CompressionLossyJpeg = 34892,
             CompressionJpegXl = 52546 };
enum : int { PredictorNone = 1,
             PredictorHorizontal = 2,
             PredictorFloat = 3,
             PredictorHorizontalX2 = 34892,
             PredictorHorizontalX4 = 34893,
             PredictorFloatX2 = 34894,
             PredictorFloatX4 = 34895 };

} // namespace irenic
