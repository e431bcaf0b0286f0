// SPDX-License-Identifier: GPL-3.0-or-later
// Structure-aware: a sound small DNG whose tags are replaced by other types, counts and extreme numbers, which flipped bytes do not find. What
// opens is measured and exported.
#include "fuzz/decisions.h"
#include "fuzz/scratch_file.h"
#include "irenic/export_job.h"
#include "irenic/read_frame.h"
#include "support/hand_made.h"

#include <limits>

using namespace irenic;
using namespace irenic::test;

namespace {

constexpr uint16_t kTags[] = {
    TagNewSubFileType, TagImageWidth, TagImageLength, TagBitsPerSample, TagCompression, TagPhotometric, TagStripOffsets, TagOrientation, TagSamplesPerPixel, TagRowsPerStrip,
    TagStripByteCounts, TagPlanarConfiguration, TagTileWidth, TagTileLength, TagTileOffsets, TagTileByteCounts, TagSubIfds, TagSampleFormat, TagXmp, TagCfaRepeatPatternDim,
    TagCfaPattern, TagExposureTime, TagFNumber, TagExifIfd, TagGpsIfd, TagIso, TagDateTimeOriginal, TagFocalLength, TagLensModel, TagMake, TagModel, TagSoftware, TagDateTime,
    TagDngVersion, TagDngBackwardVersion, TagUniqueCameraModel, TagCfaPlaneColor, TagCfaLayout, TagLinearizationTable, TagBlackLevelRepeatDim, TagBlackLevel,
    TagBlackLevelDeltaH, TagBlackLevelDeltaV, TagWhiteLevel, TagDefaultScale, TagDefaultCropOrigin, TagDefaultCropSize, TagColorMatrix1, TagColorMatrix2,
    TagCameraCalibration1, TagCameraCalibration2, TagAnalogBalance, TagAsShotNeutral, TagAsShotWhiteXy, TagBaselineExposure, TagMakerNoteSafety, TagCalibrationIlluminant1,
    TagCalibrationIlluminant2, TagActiveArea, TagMaskedAreas, TagForwardMatrix1, TagForwardMatrix2, TagOpcodeList1, TagOpcodeList2, TagOpcodeList3, TagNoiseProfile,
    TagNoiseReductionApplied, TagOriginalRawFileName, TagPredictor, TagRowInterleaveFactor, TagColumnInterleaveFactor, TagSubTileBlockSize, TagJxlDistance};

double extreme(fuzz::Decisions &in)
{
    static constexpr double kNumbers[] = {0, 1, 2, 3, 6, 7, 8, 15, 16, 17, 32, 33, 34, 39, 40, 41, 63, 64, 255, 256, 4000, 4095, 32767, 32946, 34892, 34893, 34894, 52546, 65535, 65536, 2147483647, 2147483648.0, 4294967295.0, -1, -2,
                                          -64, -32768, -2147483648.0, 0.5, 0.001, 1e-30, 1e30, 1e300, std::numeric_limits<double>::quiet_NaN(), std::numeric_limits<double>::infinity(),
                                          -std::numeric_limits<double>::infinity()};
    return in.oneOf(kNumbers);
}

template <class T>
void put(QByteArray &out, double v)
{
    T t{};
    if constexpr (std::is_floating_point_v<T>)
        t = T(v);
    else if (v >= double(std::numeric_limits<T>::lowest()) && v <= double(std::numeric_limits<T>::max()))
        t = T(v);
    out.append(reinterpret_cast<const char *>(&t), sizeof t);
}

void number(fuzz::Decisions &in, uint16_t type, QByteArray &out)
{
    switch (type) {
    case TiffByte:
    case TiffAscii:
    case TiffUndefined: put<uint8_t>(out, extreme(in)); break;
    case TiffSByte: put<int8_t>(out, extreme(in)); break;
    case TiffShort: put<uint16_t>(out, extreme(in)); break;
    case TiffSShort: put<int16_t>(out, extreme(in)); break;
    case TiffLong:
    case TiffIfd: put<uint32_t>(out, extreme(in)); break;
    case TiffSLong: put<int32_t>(out, extreme(in)); break;
    case TiffRational: put<uint32_t>(out, extreme(in)), put<uint32_t>(out, extreme(in)); break;
    case TiffSRational: put<int32_t>(out, extreme(in)), put<int32_t>(out, extreme(in)); break;
    case TiffFloat: put<float>(out, extreme(in)); break;
    default: put<double>(out, extreme(in));
    }
}

} // namespace

extern "C" int LLVMFuzzerTestOneInput(const uint8_t *data, size_t size)
{
    fuzz::Decisions in(data, size);
    HandMade dng;
    dng.big = false;
    dng.perPixel = in.yes() ? 1 : 3;
    if (in.yes())
        dng.tileWidth = dng.tileHeight = 16;
    for (uint32_t i = in.below(7); i > 0; --i) {
        HandMade::Entry e;
        e.type = uint16_t(TiffByte + in.below(TiffIfd - TiffByte + 1));
        static constexpr uint32_t kCounts[] = {1, 2, 3, 4, 9, 34, 40, 0, 12, 36, 64, 300};
        e.count = in.oneOf(kCounts);
        const bool same = in.yes(); // one number again and again, so that lists of any length are reached
        QByteArray first;
        number(in, e.type, first);
        for (uint32_t k = 0; k < e.count; ++k) {
            if (same || k == 0)
                e.value += first;
            else
                number(in, e.type, e.value);
        }
        if (in.below(16) == 1)
            e.count = in.number(); // it lies about how many there are
        dng.raw[in.oneOf(kTags)] = e;
    }
    const QByteArray bytes = dng.bytes();
    const auto file = fuzz::scratchFile(".dng", bytes.constData(), size_t(bytes.size()));
    const auto frame = readFrame(file, {1, {}, {}});
    if (!frame)
        return 0;
    ExportJob job;
    job.source = file;
    job.folder = "/dev/shm/irenic-fuzz-" + std::to_string(::getpid());
    const double strength = in.below(8) == 7 ? 1 : 0; // cleaning takes most of the time, and tags decide little there
    job.treatment = {"wavelet", {}, strength, strength};
    job.again = true;
    job.format = in.yes() ? ExportFormat::Dng : ExportFormat::Tiff;
    if (const auto done = runExportJob(job, frame.value(), nullptr, {1, {}, {}}); done)
        std::filesystem::remove(done.value().report.file);
    else if (done.error().userMessage.empty() || done.error().userMessage.find("read back") != std::string::npos)
        __builtin_trap(); // what we write must be what we meant, or not be begun
    return 0;
}
