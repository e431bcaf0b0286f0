// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/export_dng.h"

#include "base/parallel.h"
#include "export/dng_writer.h"
#include "export/foreign_metadata.h"
#include "export/opcodes.h"
#include "export/provenance.h"
#include "irenic/parameter.h"
#include "irenic/picture.h"
#include "irenic/read_frame.h"
#include "irenic/sentence.h"
#include "irenic/text.h"

#include <cmath>
#include <set>

namespace irenic {

namespace {

constexpr int kPreviewLongEdgePx = 512;

/// Entries that belong to the sensor samples and not to the file as a whole (DNG 1.4, chapter 4).
bool belongsToRaw(uint16_t tag)
{
    static const std::set<int> tags{TagCfaRepeatPatternDim, TagCfaPattern, TagCfaPlaneColor, TagCfaLayout, TagLinearizationTable, TagBlackLevelRepeatDim,
                                    TagBlackLevel, TagBlackLevelDeltaH, TagBlackLevelDeltaV, TagWhiteLevel, TagDefaultScale, TagDefaultCropOrigin,
                                    TagDefaultCropSize, 50733 /* BayerGreenSplit */, 50737 /* ChromaBlurRadius */, 50738 /* AntiAliasStrength */,
                                    50780 /* BestQualityScale */, TagActiveArea, TagMaskedAreas, TagOpcodeList1, TagOpcodeList2, TagOpcodeList3,
                                    TagNoiseProfile, TagNoiseReductionApplied, 51125 /* DefaultUserCrop */};
    return tags.contains(tag);
}

std::vector<std::byte> bytesOf(std::initializer_list<int> values)
{
    std::vector<std::byte> out;
    for (const int v : values)
        out.push_back(std::byte(v));
    return out;
}

void setPair(TiffDirectory &d, uint16_t tag, TiffType type, double a, double b)
{
    d.setNumbers(tag, type, std::array{a, b});
}

/// Multiplies a level entry by a whole factor, whatever its type.
void scaleEntry(TiffDirectory &d, uint16_t tag, int factor)
{
    const TiffEntry *found = d.find(tag);
    if (!found || factor == 1)
        return;
    std::vector<double> values = found->numbers();
    for (double &v : values)
        v *= factor;
    d.setLevels(tag, values);
}

/// Directories for a frame that did not come from a DNG: the colour description as LibRaw gave it.
void describeForeign(const Frame &frame, TiffDirectory &main, TiffDirectory &raw)
{
    const ShootingData &s = frame.shooting;
    const ColourDescription &c = frame.colour;
    addForeignMetadata(frame.file, main);
    main.setText(TagMake, s.make);
    main.setText(TagModel, s.model);
    main.setText(TagUniqueCameraModel, s.make + " " + s.model);
    main.setNumber(TagOrientation, TiffShort, frame.orientation);
    if (!s.dateTime.empty())
        main.setText(TagDateTime, s.dateTime);
    // The specification asks for a matrix; without one the samples are called sRGB, as they were shown.
    const Matrix3 matrix = c.colourMatrix[0].value_or(Matrix3{3.2404542, -1.5371385, -0.4985314, -0.9692660, 1.8760108, 0.0415560, 0.0556434, -0.2040259, 1.0572252});
    main.setRationals(TagColorMatrix1, TiffSRational, matrix, 10000);
    main.setNumber(TagCalibrationIlluminant1, TiffShort, c.illuminants[0] ? c.illuminants[0] : 21);
    main.setRationals(TagAsShotNeutral, TiffRational, c.asShotNeutral, 1000000);
    const auto set = [&](uint16_t tag, const std::optional<Matrix3> &m) {
        if (m)
            main.setRationals(tag, TiffSRational, *m, 1000000);
    };
    set(TagColorMatrix2, c.colourMatrix[1]);
    set(TagForwardMatrix1, c.forwardMatrix[0]);
    set(TagForwardMatrix2, c.forwardMatrix[1]);
    set(TagCameraCalibration1, c.cameraCalibration[0]);
    set(TagCameraCalibration2, c.cameraCalibration[1]);
    if (c.colourMatrix[1])
        main.setNumber(TagCalibrationIlluminant2, TiffShort, c.illuminants[1]);
    if (c.analogBalance != Vector3{1, 1, 1})
        main.setRationals(TagAnalogBalance, TiffRational, c.analogBalance, 1000000);
    if (c.baselineExposureEv != 0)
        main.setRationals(TagBaselineExposure, TiffSRational, std::array{c.baselineExposureEv}, 1000000);
    const auto origin = frame.active;
    if (frame.kind == FrameKind::Mosaic) {
        setPair(raw, TagCfaRepeatPatternDim, TiffShort, 2, 2);
        const CfaPattern p = frame.cfa.shifted(origin.x, origin.y);
        raw.setBytes(TagCfaPattern, TiffByte, bytesOf({int(p.cells[0]), int(p.cells[1]), int(p.cells[2]), int(p.cells[3])}));
        raw.setBytes(TagCfaPlaneColor, TiffByte, bytesOf({0, 1, 2}));
        raw.setNumber(TagCfaLayout, TiffShort, 1);
        setPair(raw, TagBlackLevelRepeatDim, TiffShort, frame.levels.repeatRows, frame.levels.repeatCols);
        const std::vector<double> black(frame.levels.black.begin(), frame.levels.black.end());
        raw.setLevels(TagBlackLevel, black);
    }
    raw.setNumbers(TagActiveArea, TiffLong, std::array{double(origin.y), double(origin.x), double(origin.bottom()), double(origin.right())});
    const ActiveRect crop = frame.cropInActive();
    setPair(raw, TagDefaultCropOrigin, TiffLong, crop.x, crop.y);
    setPair(raw, TagDefaultCropSize, TiffLong, crop.width, crop.height);
    TiffDirectory exif = main.exif.empty() ? TiffDirectory() : main.exif.front();
    if (!exif.entries.empty())
        return; // the file's own says more
    if (s.exposureS > 0)
        exif.setRationals(TagExposureTime, TiffRational, std::array{s.exposureS}, 1000000);
    if (s.fNumber > 0)
        exif.setRationals(TagFNumber, TiffRational, std::array{s.fNumber}, 100);
    if (s.iso > 0)
        exif.setNumber(TagIso, TiffShort, std::min(s.iso, 65535.0));
    exif.setBytes(TagExifVersion, TiffUndefined, bytesOf({'0', '2', '3', '0'}));
    if (!s.dateTime.empty())
        exif.setText(TagDateTimeOriginal, s.dateTime);
    if (s.focalLengthMm > 0)
        exif.setRationals(TagFocalLength, TiffRational, std::array{s.focalLengthMm}, 100);
    if (!s.lens.empty())
        exif.setText(TagLensModel, s.lens);
    main.exif = {exif};
}

/// Source directories, sorted into what concerns the file and what the samples.
void splitSource(const SourceTags &source, TiffDirectory &main, TiffDirectory &raw)
{
    main = source.main;
    raw = source.rawIsMain ? TiffDirectory() : source.raw;
    main.subDirectories.clear();
    raw.subDirectories.clear();
    const auto entries = main.entries;
    for (const TiffEntry &e : entries)
        if (belongsToRaw(e.tag)) {
            if (source.rawIsMain)
                raw.set(e);
            main.erase(e.tag);
        }
    // Maker notes hold offsets into the source unless the file vouches for them.
    const bool safe = main.number(TagMakerNoteSafety, 0) == 1;
    for (TiffDirectory &exif : main.exif) {
        exif.subDirectories.clear();
        exif.erase(40965); // interoperability pointer: an offset into the source
        if (!safe)
            exif.erase(TagMakerNote);
    }
    main.erase(40965);
    if (!safe)
        main.erase(TagMakerNoteSafety);
}

/// What full colour says of itself in place of the mosaic that it may have come from.
void describeLinear(const Frame &frame, int scale, TiffDirectory &raw)
{
    for (const uint16_t tag : {TagCfaRepeatPatternDim, TagCfaPattern, TagCfaPlaneColor, TagCfaLayout, TagMaskedAreas, TagBlackLevelDeltaH, TagBlackLevelDeltaV})
        raw.erase(tag);
    if (!frame.pattern.empty()) // made from a mosaic: what was to be done to that is not to be done to this
        for (const uint16_t tag : {TagOpcodeList1, TagOpcodeList2})
            raw.erase(tag);
    setPair(raw, TagBlackLevelRepeatDim, TiffShort, 1, 1);
    const std::vector<double> black{double(frame.levels.black[0]) * scale, double(frame.levels.black[1]) * scale, double(frame.levels.black[2]) * scale};
    raw.setLevels(TagBlackLevel, black);
    raw.setNumbers(TagWhiteLevel, TiffLong, std::vector<double>(3, double(frame.levels.white) * scale));
    const Rect &a = frame.active, &c = frame.crop;
    raw.setNumbers(TagActiveArea, TiffLong, std::array{double(a.y), double(a.x), double(a.bottom()), double(a.right())});
    setPair(raw, TagDefaultCropOrigin, TiffLong, c.x - a.x, c.y - a.y);
    setPair(raw, TagDefaultCropSize, TiffLong, c.width, c.height);
}

/// The noise that the file now holds, so that the next program does not clean what is clean (DNG 1.4, NoiseProfile).
void describeNoise(const Frame &frame, const NoiseReport &noise, const Treatment &treatment, TiffDirectory &raw)
{
    const NoiseLeft left = noiseLeftOnFlat(treatment);
    // A sample's variance is one part luminance and three parts colour of the two-by-two packet; two parts in full colour.
    const double parts = frame.kind == FrameKind::Mosaic ? 3 : 2;
    const double share = (left.luminance * left.luminance + parts * left.colour * left.colour) / (1 + parts);
    std::vector<double> profile;
    for (const Colour colour : {Colour::Red, Colour::Green, Colour::Blue}) {
        double a = 0, b = 0;
        int n = 0;
        for (size_t i = 0; i < 4; ++i)
            if (frame.kind == FrameKind::Mosaic ? frame.cfa.cells[i] == colour : i == size_t(colour)) {
                a += double(noise.cells[i].shotGain);
                b += double(noise.cells[i].readVariance);
                ++n;
            }
        profile.push_back(a / n * share);
        profile.push_back(b / n * share);
    }
    raw.setNumbers(TagNoiseProfile, TiffDouble, profile);
    raw.setRationals(TagNoiseReductionApplied, TiffRational, std::array{1 - std::sqrt(share)}, 1000);
}

/// The small picture shows the stored samples, without cleaning them again.
Result<RgbImage<uint8_t>> previewOf(const Frame &frame, const Plane<uint16_t> &samples, int scale, const NoiseReport &noise, const RunContext &run)
{
    auto shown = std::make_shared<Frame>(static_cast<const FrameFacts &>(frame));
    shown->samples = samples.clone();
    shown->levels.white *= float(scale);
    for (auto *list : {&shown->levels.black, &shown->levels.deltaRow, &shown->levels.deltaColumn})
        for (float &v : *list)
            v *= float(scale);
    const int longEdge = std::max(frame.crop.width, frame.crop.height);
    const int factor = std::max(2, ((longEdge + kPreviewLongEdgePx - 1) / kPreviewLongEdgePx + 1) & ~1);
    const Cleaner untreated(shown, std::make_shared<NoiseReport>(noise), {methods().front().id, 0, 0});
    Result<RgbImage<float>> linear = developReducedRegion(untreated, frame.crop, factor, {}, nullptr, {run.threads, run.stop, {}, run.background});
    if (!linear)
        return linear.error();
    return encoded8(linear.value());
}

/// The active area in the camera's own colours, with its lines unbent where that is asked for.
Result<std::shared_ptr<const Frame>> demosaiced(const Cleaner &cleaner, CleanCache *cache, const RunContext &run)
{
    // Noise below black has room. No more than that: LibRaw up to 0.20 takes three equal blacks off, but not off white, and so darkens by their share.
    constexpr float kBlack = 512, kWhite = 65535;
    const Frame &frame = cleaner.frame();
    auto linear = std::make_shared<Frame>(static_cast<const FrameFacts &>(frame));
    linear->kind = FrameKind::Linear;
    linear->active = {0, 0, frame.active.width, frame.active.height};
    linear->crop = frame.crop.seenFrom<places::Stored>(frame.active);
    linear->levels = {};
    linear->levels.black = {kBlack, kBlack, kBlack};
    linear->levels.white = kWhite;
    linear->samples.reset({frame.active.width * 3, frame.active.height});
    for (int top = 0; top < frame.active.height; top += cleaner.bandRows()) {
        const Rect band{frame.active.x, frame.active.y + top, frame.active.width, std::min(cleaner.bandRows(), frame.active.height - top)};
        const auto colours = demosaicRegion(cleaner, band, cache, stage(run, double(top) / frame.active.height, double(top + band.height) / frame.active.height));
        if (!colours)
            return colours.error();
        const Status stored = parallelFor(band.height, {run.threads, run.stop, {}, run.background}, [&](int y) {
            std::transform(colours.value().row(y), colours.value().row(y) + band.width * 3, linear->samples.row(top + y),
                           [](float v) { return uint16_t(std::clamp(std::lround(v * (kWhite - kBlack) + kBlack), 0l, 65535l)); });
        });
        if (!stored)
            return stored.error();
    }
    return std::shared_ptr<const Frame>(std::move(linear));
}

/// Everything about the file but its samples.
void describe(const Frame &frame, int scale, const std::string &originalName, const Provenance &provenance, TiffDirectory &main, TiffDirectory &raw)
{
    if (frame.source)
        splitSource(*frame.source, main, raw);
    else
        describeForeign(frame, main, raw);
    if (frame.kind == FrameKind::Linear) {
        describeLinear(frame, scale, raw);
    } else {
        for (const uint16_t tag : {TagBlackLevel, TagBlackLevelDeltaH, TagBlackLevelDeltaV})
            scaleEntry(raw, tag, scale);
        raw.setNumber(TagWhiteLevel, frame.levels.white * float(scale) > 65535 ? TiffLong : TiffShort, double(frame.levels.white) * scale);
    }
    raw.erase(TagLinearizationTable);
    for (const uint16_t tag : {TagRawImageDigest, TagNewRawImageDigest, TagRawDataUniqueId})
        main.erase(tag);
    main.setText(TagSoftware, std::string("Irenic ") + IRENIC_VERSION);
    const TiffEntry *xmp = main.find(TagXmp);
    const std::string packet = packetWith(xmp ? std::string(reinterpret_cast<const char *>(xmp->bytes.data()), xmp->bytes.size()) : std::string(), provenance);
    main.setBytes(TagXmp, TiffByte, std::as_bytes(std::span(packet)));
    if (!main.find(TagOriginalRawFileName))
        main.setText(TagOriginalRawFileName, originalName);
    const auto version = main.numbers(TagDngVersion);
    if (version.size() != 4 || version[0] * 10 + version[1] < 14)
        main.setBytes(TagDngVersion, TiffByte, bytesOf({1, 4, 0, 0}));
    // What is written needs no reader of a later version, whatever the source's compression did.
    if (const auto back = main.numbers(TagDngBackwardVersion); back.size() != 4)
        main.setBytes(TagDngBackwardVersion, TiffByte, bytesOf({1, 1, 0, 0}));
    else if (back[0] * 10 + back[1] > 14)
        main.setBytes(TagDngBackwardVersion, TiffByte, bytesOf({1, 4, 0, 0}));
    for (const uint16_t tag : {TagXResolution, TagYResolution})
        if (!main.find(tag))
            main.setRationals(tag, TiffRational, std::array{300.0}, 1);
    if (!main.find(TagResolutionUnit))
        main.setNumber(TagResolutionUnit, TiffShort, 2);
}

/// What the source describes for the next program, without what was applied.
void dropApplied(const AppliedCorrections &applied, TiffDirectory &raw)
{
    if (!applied.any())
        return;
    for (const uint16_t tag : {TagOpcodeList1, TagOpcodeList2, TagOpcodeList3})
        if (const TiffEntry *found = raw.find(tag)) {
            const auto left = opcodesLeft(found->bytes, applied);
            if (left.empty())
                raw.erase(tag);
            else
                raw.setBytes(tag, TiffUndefined, left);
        }
}

bool near(double a, double b)
{
    return std::abs(a - b) <= 1e-4 * std::max({1.0, std::abs(a), std::abs(b)}); // fractions are written with four digits and more
}

template <class List>
bool allNear(const List &a, const List &b, double scale = 1)
{
    return a.size() == b.size() && std::equal(a.begin(), a.end(), b.begin(), [scale](double x, double y) { return near(x * scale, y); });
}

/// What of a frame decides how its samples are shown, and is other in the file; empty where all is as it was meant.
std::string differenceOf(const FrameFacts &meant, int scale, const FrameFacts &got)
{
    const auto pair = [](const auto &a, const auto &b) {
        for (size_t i = 0; i < 2; ++i)
            if (a[i].has_value() != b[i].has_value() || (a[i] && !allNear(*a[i], *b[i])))
                return false;
        return true;
    };
    const ColourDescription &c = meant.colour, &d = got.colour;
    if (meant.kind != got.kind || (meant.kind == FrameKind::Mosaic && !(meant.cfa == got.cfa)))
        return visible("its sensor pattern");
    if (!(meant.active == got.active))
        return visible("its active area");
    if (!(meant.crop == got.crop))
        return visible("its crop");
    if (meant.orientation != got.orientation)
        return visible("its orientation");
    const Levels &l = meant.levels, &m = got.levels;
    const bool sameRepeat = meant.kind != FrameKind::Mosaic || (l.repeatRows == m.repeatRows && l.repeatCols == m.repeatCols);
    if (!sameRepeat || !near(double(l.white) * scale, double(m.white)) || !allNear(l.black, m.black, scale) || !allNear(l.deltaRow, m.deltaRow, scale) || !allNear(l.deltaColumn, m.deltaColumn, scale))
        return visible("its black and white levels");
    if (!allNear(c.asShotNeutral, d.asShotNeutral) || !allNear(c.analogBalance, d.analogBalance))
        return visible("its white balance");
    // A frame without a matrix is written as the sRGB that it was shown as.
    if (c.colourMatrix[0] && (!pair(c.colourMatrix, d.colourMatrix) || !pair(c.forwardMatrix, d.forwardMatrix) || !pair(c.cameraCalibration, d.cameraCalibration)))
        return visible("its colour matrices");
    return near(c.baselineExposureEv, d.baselineExposureEv) ? std::string() : visible("its baseline exposure");
}

Status readsBackAs(const AtomicFile &file, const Frame &described, const Plane<uint16_t> &meant, int scale, const RunContext &run)
{
    const Result<std::shared_ptr<const Frame>> back = readFrame(file.temporaryPath(), {run.threads, run.stop, {}, run.background});
    if (!back)
        return back.error().code == ErrorCode::Cancelled ? back.error() : verifyError(file.target(), sentence("it could not be decoded (%1)", {back.error().userMessage}));
    const Plane<uint16_t> &got = back.value()->samples;
    if (got.size() != meant.size())
        return verifyError(file.target(), visible("its size was wrong"));
    if (const std::string other = differenceOf(described, scale, *back.value()); !other.empty())
        return verifyError(file.target(), sentence("%1 differed", {sentence(other.c_str())}));
    for (int y = 0; y < meant.height(); ++y)
        if (!std::equal(meant.row(y), meant.row(y) + meant.width(), got.row(y)))
            return verifyError(file.target(), visible("its samples differed"));
    return {};
}

} // namespace

Error verifyError(const std::filesystem::path &target, const std::string &what)
{
    return {ErrorCode::WriteFailed, sentence("%1 was not written: %2 when it was read back. Nothing was left behind and the original is untouched.", {textOf(target), sentence(what.c_str())}), {}};
}

Status writeCleanedDng(AtomicFile &file, const Cleaner &cleaner, const NoiseReport &noise, const ExportOptions &options, const Provenance &provenance, CleanCache *cache, const RunContext &run)
{
    const Frame &source = cleaner.frame();
    if (source.kind == FrameKind::Rendered)
        return Error{ErrorCode::BadParameter, sentence("%1 is a finished picture and not raw; it can be written as a TIFF.", {textOf(source.file.filename())}), {}};
    const double share = cleaningShare(cleaner, options.format), written = share + (1 - share) * 0.7;
    // What is stored: cleaned samples of the frame itself, or those of one that was demosaiced on the way.
    std::shared_ptr<const Frame> frame = cleaner.sharedFrame();
    CleanedSamples cleaned;
    const Plane<uint16_t> *samples = &cleaned.samples;
    const LensCorrection &lens = cleaner.edits().lens;
    // Full colour that stays as it was keeps what it describes.
    const bool onlyDescribed = lens.from == kDescribedByFile && lens.fringes == 0;
    const bool straightens = options.format == ExportFormat::LinearDng || (source.kind == FrameKind::Linear && !onlyDescribed);
    AppliedCorrections applied{.lateral = lens.lateral, .light = lens.vignetting, .straightened = straightens && !Unbending(lens, source.crop).isStraight()};
    if (straightens && (source.kind == FrameKind::Mosaic || lens.changesPicture())) {
        applied.light = true; // full colour is made of evenly lit samples
        const auto linear = demosaiced(cleaner, cache, stage(run, 0, share));
        if (!linear)
            return linear.error();
        frame = linear.value();
        samples = &frame->samples;
    } else {
        Result<CleanedSamples> stored = cleanForStorage(cleaner, stage(run, 0, share), cache);
        if (!stored)
            return stored.error();
        cleaned = stored.take();
    }
    Result<RgbImage<uint8_t>> preview = previewOf(*frame, *samples, cleaned.scale, noise, run);
    if (!preview)
        return preview.error();
    TiffDirectory main, raw;
    describe(*frame, cleaned.scale, textOf(source.file.filename()), provenance, main, raw);
    dropApplied(applied, raw);
    if (!cleaner.isIdentity())
        describeNoise(source, noise, cleaner.treatment(), raw);
    if (options.dng == DngCompression::JpegXl) // woven fields since 1.7.1
        for (const uint16_t tag : {TagDngVersion, TagDngBackwardVersion})
            main.setBytes(tag, TiffByte, bytesOf({1, 7, 1, 0}));
    const DngContents contents{std::move(main), std::move(raw), samples->view(), frame->channels(), 16, options.dng, preview.take()};
    if (const Status s = writeDng(file, contents, stage(run, share, written)); !s)
        return s;
    if (const Status s = file.settle(run.stop); !s)
        return s;
    return readsBackAs(file, *frame, *samples, cleaned.scale, run);
}

} // namespace irenic
