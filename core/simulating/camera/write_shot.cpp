// SPDX-License-Identifier: GPL-3.0-or-later
#include "camera/bench_camera.h"

#include "colour/colour.h"
#include "export/dng_writer.h"
#include "irenic/text.h"

#include <nlohmann/json.hpp>
#include <tiffio.h>

namespace irenic {

namespace {

std::vector<std::byte> asBytes(std::initializer_list<int> values)
{
    std::vector<std::byte> out;
    for (const int v : values)
        out.push_back(std::byte(v));
    return out;
}

TiffDirectory exifOf(const ShootOptions &o)
{
    TiffDirectory e;
    const double seconds = 0.02 * 12800 / o.iso;
    e.setRationals(TagExposureTime, TiffRational, std::array{seconds}, 1000000);
    e.setRationals(TagFNumber, TiffRational, std::array{2.8}, 10);
    e.setNumber(TagExposureProgram, TiffShort, 1);
    // Exif 2.3: the short holds 65535 for "more than that"; the sensitivity itself then stands in a long.
    e.setNumber(TagIso, TiffShort, std::min(o.iso, 65535));
    e.setNumber(0x8830, TiffShort, 2);    // SensitivityType: recommended exposure index
    e.setNumber(0x8832, TiffLong, o.iso); // RecommendedExposureIndex
    e.setBytes(TagExifVersion, TiffUndefined, asBytes({'0', '2', '3', '0'}));
    e.setText(TagDateTimeOriginal, o.dateTime);
    e.setText(TagDateTimeDigitized, o.dateTime);
    e.setRationals(TagFocalLength, TiffRational, std::array{50.0}, 1);
    e.setText(TagLensModel, "Tarn 50 mm f/2.8");
    return e;
}

TiffDirectory mainOf(const ShootOptions &o)
{
    const ColourDescription colour = benchCameraColour();
    TiffDirectory m;
    m.setText(TagMake, "Tarn");
    m.setText(TagModel, o.sixBySix ? "Bench-X" : "Bench-1");
    m.setNumber(TagOrientation, TiffShort, o.orientation);
    m.setRationals(TagXResolution, TiffRational, std::array{300.0}, 1);
    m.setRationals(TagYResolution, TiffRational, std::array{300.0}, 1);
    m.setNumber(TagResolutionUnit, TiffShort, 2);
    m.setText(TagSoftware, "irenic-shoot");
    m.setText(TagDateTime, o.dateTime);
    m.setText(TagImageDescription, "Simulated photograph");
    m.setBytes(TagDngVersion, TiffByte, asBytes({1, 4, 0, 0}));
    m.setBytes(TagDngBackwardVersion, TiffByte, asBytes({1, 1, 0, 0}));
    m.setText(TagUniqueCameraModel, o.sixBySix ? "Tarn Bench-X" : "Tarn Bench-1");
    m.setRationals(TagColorMatrix1, TiffSRational, *colour.colourMatrix[0], 10000);
    m.setRationals(TagColorMatrix2, TiffSRational, *colour.colourMatrix[1], 10000);
    m.setRationals(TagAnalogBalance, TiffRational, std::array{1.0, 1.0, 1.0}, 1);
    m.setRationals(TagAsShotNeutral, TiffRational, colour.asShotNeutral, 1000000);
    m.setRationals(TagBaselineExposure, TiffSRational, std::array{0.0}, 100);
    m.setNumber(TagCalibrationIlluminant1, TiffShort, colour.illuminants[0]);
    m.setNumber(TagCalibrationIlluminant2, TiffShort, colour.illuminants[1]);
    m.exif = {exifOf(o)};
    return m;
}

TiffDirectory rawOf(const Shot &shot, const ShootOptions &o)
{
    TiffDirectory r;
    const double side = o.sixBySix ? 6 : 2;
    r.setNumbers(TagCfaRepeatPatternDim, TiffShort, std::array{side, side});
    std::vector<std::byte> cells;
    for (int i = 0; i < int(side * side); ++i)
        cells.push_back(std::byte(o.colourAt(i % int(side), i / int(side))));
    r.setBytes(TagCfaPattern, TiffByte, cells);
    r.setBytes(TagCfaPlaneColor, TiffByte, asBytes({0, 1, 2}));
    r.setNumber(TagCfaLayout, TiffShort, 1);
    r.setNumbers(TagBlackLevelRepeatDim, TiffShort, std::array{2.0, 2.0});
    std::array<double, 4> blacks;
    for (size_t i = 0; i < 4; ++i)
        blacks[i] = o.black() + double(o.blackOffsets[i]);
    r.setRationals(TagBlackLevel, TiffRational, blacks, 256);
    r.setNumber(TagWhiteLevel, TiffLong, o.white());
    if (const auto table = compandingTable(o); !table.empty())
        r.setNumbers(TagLinearizationTable, TiffShort, std::vector<double>(table.begin(), table.end()));
    r.setRationals(TagDefaultScale, TiffRational, std::array{1.0, 1.0}, 1);
    const Rect &a = shot.active;
    r.setNumbers(TagActiveArea, TiffLong, std::array{double(a.y), double(a.x), double(a.bottom()), double(a.right())});
    r.setNumbers(TagDefaultCropOrigin, TiffLong, std::array{0.0, 0.0});
    r.setNumbers(TagDefaultCropSize, TiffLong, std::array{double(a.width), double(a.height)});
    if (o.borderPx > 0)
        r.setNumbers(TagMaskedAreas, TiffLong,
                     std::array{0.0, 0.0, double(a.y), double(a.right()), double(a.y), 0.0, double(a.bottom()), double(a.x)});
    return r;
}

/// A small developed picture of the noisy samples, as any camera leaves in its files.
RgbImage<uint8_t> previewOf(const Shot &shot, const ShootOptions &o)
{
    const Rect &a = shot.active;
    const float black = float(o.black()), white = float(o.white());
    // Blocks that hold every colour of either pattern become full colour, which is then developed as such.
    const int factor = std::max(6, std::max(a.width, a.height) / 256 / 6 * 6);
    const Size size{std::max(1, a.width / factor), std::max(1, a.height / factor)};
    Plane<float> means({size.width * 3, size.height}, 0.f);
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            std::array<float, 3> count{};
            float *mean = means.row(y) + x * 3;
            for (int v = y * factor; v < std::min(a.height, (y + 1) * factor); ++v)
                for (int u = x * factor; u < std::min(a.width, (x + 1) * factor); ++u) {
                    const size_t c = size_t(o.colourAt(u, v));
                    mean[c] += (float(shot.samples.at(a.x + u, a.y + v)) - black) / (white - black);
                    ++count[c];
                }
            for (size_t c = 0; c < 3; ++c)
                mean[c] /= std::max(1.f, count[c]);
        }
    Frame small;
    small.kind = FrameKind::Linear;
    small.colour = benchCameraColour();
    return encoded8(Developer(small).develop(means.view(), {}, {}));
}

} // namespace

Status writeShot(const std::filesystem::path &file, const Shot &shot, const ShootOptions &options, const RunContext &run)
{
    Result<AtomicFile> target = AtomicFile::create(file);
    if (!target)
        return target.error();
    Plane<uint16_t> codes;
    if (const auto table = compandingTable(options); !table.empty()) {
        codes = shot.samples.clone();
        for (int y = 0; y < codes.height(); ++y)
            for (int x = 0; x < codes.width(); ++x)
                codes.at(x, y) = uint16_t(compandedCode(table, codes.at(x, y)));
    }
    const int bits = options.faults.compandedBits > 0 ? options.faults.compandedBits : options.bits;
    const DngContents contents{mainOf(options), rawOf(shot, options), codes.isEmpty() ? shot.samples.view() : codes.view(), 1, bits, options.lossless ? DngCompression::LosslessJpeg : DngCompression::None, previewOf(shot, options)};
    if (const Status s = writeDng(target.value(), contents, run); !s)
        return s;
    return target.value().commit();
}

Status writeTruth(const std::filesystem::path &stem, const ShotTruth &truth)
{
    nlohmann::json j{{"shotGain", truth.noise.shotGain}, {"readVariance", truth.noise.readVariance}, {"fullWellElectrons", truth.fullWellElectrons}, {"readNoiseElectrons", truth.readNoiseElectrons}, {"curve", truth.curve}};
    j["hotPixels"] = nlohmann::json::array();
    for (size_t i = 0; i < truth.hotPixels.size(); ++i)
        j["hotPixels"].push_back({{"x", truth.hotPixels[i].x}, {"y", truth.hotPixels[i].y}, {"signal", truth.hotSignal[i]}});
    const std::string text = j.dump(1) + "\n";
    Result<AtomicFile> json = AtomicFile::create(stem.native() + ".json");
    if (!json)
        return json.error();
    if (const Status s = json.value().append(std::as_bytes(std::span(text))); !s)
        return s;
    Result<AtomicFile> picture = AtomicFile::create(stem.native() + ".tif");
    if (!picture)
        return picture.error();
    const auto fail = [&] { return Error{ErrorCode::WriteFailed, textOf(stem) + ".tif could not be written.", {}}; };
    TIFF *tif = TIFFOpen(picture.value().temporaryPath().c_str(), "w");
    if (!tif)
        return fail();
    const Plane<float> &clean = truth.clean;
    TIFFSetField(tif, TIFFTAG_IMAGEWIDTH, uint32_t(clean.width()));
    TIFFSetField(tif, TIFFTAG_IMAGELENGTH, uint32_t(clean.height()));
    TIFFSetField(tif, TIFFTAG_BITSPERSAMPLE, 32);
    TIFFSetField(tif, TIFFTAG_SAMPLESPERPIXEL, 1);
    TIFFSetField(tif, TIFFTAG_SAMPLEFORMAT, SAMPLEFORMAT_IEEEFP);
    TIFFSetField(tif, TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_MINISBLACK);
    TIFFSetField(tif, TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG);
    TIFFSetField(tif, TIFFTAG_ROWSPERSTRIP, 64);
    bool written = true;
    for (int y = 0; y < clean.height() && written; ++y)
        written = TIFFWriteScanline(tif, const_cast<float *>(clean.row(y)), uint32_t(y)) == 1;
    written = TIFFFlush(tif) == 1 && written;
    TIFFClose(tif);
    if (!written)
        return fail();
    if (const Status s = json.value().commit(); !s)
        return s;
    return picture.value().commit();
}

} // namespace irenic
