// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/dng_reader.h"

#include "base/parallel.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "raw/dng_samples.h"
#include "raw/dng_tags.h"
#include "raw/masked_border.h"
#include "raw/opcode_list.h"
#include "raw/six_by_six.h"

#include <cmath>
#include <numeric>
#include <tuple>

namespace irenic {

namespace {

constexpr int kMinSidePx = 16;
constexpr int kMaxSidePx = 65535;
constexpr int kStripRows = 64;    ///< of uncompressed strips that are read at once
constexpr float kBrightest = 16;  ///< times white, of floats: lights above are cut off, or shadows would have too few steps
constexpr float kDarkest = 0.05f; ///< of the range below black, likewise

/// Samples that a byte may hold at the most, by the compression: no small file asks for much memory and time.
double samplesAByte(int compression)
{
    switch (compression) {
    case CompressionJpeg: return 8;         // a code takes a bit at least
    case CompressionLossyJpeg: return 256;  // 64 in two codes of a bit
    case CompressionJpegXl: return 1 << 16; // flat groups take next to nothing; what ReadBudget allows is less
    default: return 1040;                   // deflate's best
    }
}

/// Three times every sample; empty stays empty.
template <class T>
Plane<T> tripled(Plane<T> one)
{
    if (one.isEmpty())
        return one;
    Plane<T> out({one.width() * 3, one.height()});
    for (int y = 0; y < one.height(); ++y)
        for (int x = 0; x < one.width(); ++x)
            std::fill_n(out.row(y) + 3 * x, 3, one.row(y)[x]);
    return out;
}

/// Not one of reduced size (TIFF 6.0, NewSubfileType, bit 0).
bool isWholePicture(const TiffDirectory &d)
{
    const double kind = d.number(TagNewSubFileType, 0);
    return kind >= 0 && std::fmod(kind, 2) == 0;
}

/// What shooting data say, where that can be.
double told(const TiffDirectory &d, uint16_t tag, double otherwise)
{
    const double v = d.number(tag, otherwise);
    return v > 0 && v < 1e9 ? v : otherwise;
}

class DngReader
{
public:
    DngReader(const std::filesystem::path &file, const TiffTree &tree) : m_file(file), m_tree(tree) {}

    Result<std::shared_ptr<const Frame>> read(const RunContext &run)
    {
        for (const auto step : {&DngReader::findRaw, &DngReader::checkStorage, &DngReader::readGeometry, &DngReader::readLevels})
            if (const Status s = (this->*step)(); !s)
                return s.error();
        readColour();
        readShootingData();
        auto tags = std::make_shared<SourceTags>();
        tags->main = m_tree.chain.front();
        tags->raw = *m_raw;
        tags->rawIsMain = m_raw == &m_tree.chain.front();
        Result<DngSamples> samples = decodeSamples(m_file, m_storage, run);
        if (!samples)
            return samples.error();
        m_frame->file = m_file;
        m_frame->compression = m_storage.nameOfCompression();
        if (m_grey) {
            samples.value().whole = tripled(std::move(samples.value().whole));
            samples.value().wide = tripled(std::move(samples.value().wide));
            m_frame->warnings.push_back(sentence("The sensor has no colour filters: its one channel stands for all three."));
        }
        if (m_storage.isWide()) {
            if (const Status s = roundSamples(samples.value().wide, tags->raw, run); !s)
                return s.error();
        } else {
            m_frame->samples = std::move(samples.value().whole);
        }
        applyLinearization();
        tellOfStorage();
        const Rect &a = m_frame->active;
        const PlaneView<const uint16_t> exposed = m_frame->samples.constView().cut(m_frame->inSamples(a));
        const Result<std::string> verdict = judgeSamples(m_file, exposed, m_frame->channels());
        if (!verdict)
            return verdict.error();
        if (!verdict.value().empty())
            m_frame->warnings.push_back(verdict.value());
        if (m_sixBySix)
            if (const Status s = fillInColours(exposed, run); !s)
                return s.error();
        m_frame->source = tags;
        takeBlackFromBorder(*m_frame, *tags);
        if (!m_sixBySix)
            if (const Status s = takeDescribed(*m_frame, *tags, run); !s)
                return s.error();
        if (tags->rawIsMain)
            tags->main = tags->raw;
        return std::shared_ptr<const Frame>(std::move(m_frame));
    }

private:
    Error refuse(ErrorCode code, const std::string &what) const { return fileError(code, m_file, what); }

    Status findRaw()
    {
        std::vector<const TiffDirectory *> all;
        for (const TiffDirectory &d : m_tree.chain) {
            all.push_back(&d);
            for (const TiffDirectory &s : d.subDirectories)
                all.push_back(&s);
        }
        // The main one: NewSubFileType 0 before others that are whole (an enhanced one is made from it), a mosaic before full colour, the larger before the smaller.
        const auto rank = [](const TiffDirectory &d) {
            return std::tuple(d.number(TagNewSubFileType, 0) == 0, int(d.number(TagPhotometric, -1)) == PhotometricCfa, d.number(TagImageWidth, 0) * d.number(TagImageLength, 0));
        };
        const auto isRaw = [](const TiffDirectory &d) {
            const int p = int(d.number(TagPhotometric, -1));
            return (p == PhotometricCfa || p == PhotometricLinearRaw) && isWholePicture(d);
        };
        for (const TiffDirectory *d : all)
            if (isRaw(*d) && (!m_raw || rank(*d) > rank(*m_raw)))
                m_raw = d;
        tellOfOthers(all, isRaw);
        if (!m_raw)
            return refuse(ErrorCode::NotAPicture, visible("holds no sensor samples"));
        for (const TiffDirectory *d : {&m_tree.chain.front(), m_raw})
            if (const Status s = checkNumbers(m_file, *d); !s)
                return s;
        if (int(m_raw->number(TagPhotometric, -1)) == PhotometricLinearRaw)
            m_frame->kind = FrameKind::Linear;
        return {};
    }

    /// What the file holds beside the picture that is read.
    template <class IsRaw>
    void tellOfOthers(const std::vector<const TiffDirectory *> &all, const IsRaw &isRaw)
    {
        int raws = 0, masks = 0, depths = 0;
        for (const TiffDirectory *d : all) {
            const int photometric = int(d->number(TagPhotometric, -1));
            raws += isRaw(*d) && d != m_raw;
            masks += photometric == PhotometricMask;
            depths += photometric == PhotometricDepth;
        }
        std::string others;
        const auto name = [&](int count, const char *one, const char *more) {
            if (count > 0)
                others += (others.empty() ? "" : ", ") + sentence(count == 1 ? one : more, {std::to_string(count)});
        };
        name(raws, visible("another raw picture"), visible("%1 further raw pictures"));
        name(masks, visible("a mask"), visible("%1 masks"));
        name(depths, visible("a depth map"), visible("%1 depth maps"));
        if (!others.empty())
            m_frame->warnings.push_back(sentence("The file also holds %1; only its main picture is read.", {others}));
        if (m_raw && (m_raw->find(TagProfileGainTableMap) || m_tree.chain.front().find(TagProfileGainTableMap)))
            m_frame->warnings.push_back(sentence("The file holds a table of local gains that belongs to its look; it is kept in a DNG and not shown."));
    }

    Status checkStorage()
    {
        const TiffDirectory &d = *m_raw;
        SampleStorage &s = m_storage;
        const double width = d.number(TagImageWidth, 0), height = d.number(TagImageLength, 0);
        if (width < kMinSidePx || height < kMinSidePx || width > kMaxSidePx || height > kMaxSidePx)
            return refuse(ErrorCode::Damaged, visible("claims a size that no sensor has"));
        s.sensor = {int(width), int(height)};
        s.perPixel = m_frame->channels();
        m_grey = s.perPixel == 3 && d.number(TagSamplesPerPixel, 1) == 1;
        if (m_grey)
            s.perPixel = 1;
        if (d.number(TagSamplesPerPixel, 1) != s.perPixel)
            return refuse(ErrorCode::Unsupported, s.perPixel == 1 ? visible("stores several samples at each place of its pattern") : visible("is a linear DNG with other than three colours"));
        s.onePlaneAfterAnother = s.perPixel > 1 && d.number(TagPlanarConfiguration, 1) != 1;
        s.compression = int(d.number(TagCompression, 1));
        s.predictor = int(d.number(TagPredictor, 1));
        const auto bits = d.numbers(TagBitsPerSample);
        s.bits = bits.empty() ? 0 : int(bits.front());
        if (std::any_of(bits.begin(), bits.end(), [&](double b) { return b != bits.front(); }))
            return refuse(ErrorCode::Unsupported, visible("stores its colours with different numbers of bits"));
        const double format = d.number(TagSampleFormat, 1);
        if (format != 1 && format != 3)
            return refuse(ErrorCode::Unsupported, visible("stores samples that are neither whole numbers nor floats"));
        s.isFloat = format == 3;
        s.bigEndian = m_tree.bigEndian;
        s.isTiled = d.find(TagTileOffsets) != nullptr;
        s.rowFactor = int(d.number(TagRowInterleaveFactor, 1));
        s.columnFactor = int(d.number(TagColumnInterleaveFactor, 1));
        if (s.rowFactor < 1 || s.columnFactor < 1 || s.rowFactor > s.sensor.height || s.columnFactor > s.sensor.width)
            return refuse(ErrorCode::Damaged, visible("weaves its rows or columns in a way that cannot be"));
        if (const auto blocks = d.numbers(TagSubTileBlockSize); std::any_of(blocks.begin(), blocks.end(), [](double b) { return b != 1; }))
            return refuse(ErrorCode::Unsupported, visible("stores its tiles in smaller blocks, which this version does not read"));
        const double rows = std::min(d.number(TagRowsPerStrip, height), height);
        s.tile = s.isTiled ? Size{int(std::clamp(d.number(TagTileWidth, 0), 0.0, 65535.0)),
                                  int(std::clamp(d.number(TagTileLength, 0), 0.0, 65535.0))}
                           : Size{s.sensor.width, int(rows)};
        if (s.tile.width < 1 || s.tile.height < 1)
            return refuse(ErrorCode::Damaged, visible("has tiles or strips of no size"));
        if (const std::string why = whyNotRead(s); !why.empty())
            return refuse(ErrorCode::Unsupported, why);
        // A piece's own samples, those of the picture, and what decoders hold.
        const double bytesASample = (s.isWide() ? 6 : 2) + (s.compression == CompressionNone ? 0 : s.compression == CompressionJpegXl ? 16
                                                                                                                                      : 6);
        if (const Status fits = ReadBudget{m_tree.fileBytes}.allows(m_file, uint64_t(s.sensor.width), uint64_t(s.sensor.height), bytesASample * s.perPixel); !fits)
            return fits;
        s.offsets = d.numbers(s.isTiled ? TagTileOffsets : TagStripOffsets);
        s.byteCounts = d.numbers(s.isTiled ? TagTileByteCounts : TagStripByteCounts);
        const size_t needed = s.pieces();
        if (s.offsets.size() != needed || s.byteCounts.size() != needed)
            return refuse(ErrorCode::Damaged, sentence("lists %1 pieces of picture where its size asks for %2", {std::to_string(s.offsets.size()), std::to_string(needed)}));
        // No two pieces share their bytes, or a small file could ask for any amount of memory and time.
        if (const double all = std::accumulate(s.byteCounts.begin(), s.byteCounts.end(), 0.0); all > double(m_tree.fileBytes))
            return refuse(ErrorCode::Damaged, visible("is damaged: its pieces of picture lie on top of each other"));
        else if (s.compression != CompressionNone && double(s.sensor.area()) * s.perPixel > samplesAByte(s.compression) * all)
            return refuse(ErrorCode::Damaged, visible("is damaged: its compressed picture is too short for its size"));
        // A tile is no larger than its picture needs.
        if (s.compression != CompressionNone && double(s.tile.area()) > 4.0 * std::max<double>(s.sensor.width, 4096) * std::max<double>(s.sensor.height, 4096))
            return refuse(ErrorCode::Damaged, visible("has tiles that are far larger than its picture"));
        for (size_t i = 0; i < needed; ++i) {
            if (s.offsets[i] + s.byteCounts[i] > double(m_tree.fileBytes) || s.byteCounts[i] < 1)
                return refuse(ErrorCode::Damaged, visible("is cut off: part of the picture lies beyond the file's end"));
            const int bottom = (int(i % (size_t(s.across()) * size_t(s.down()))) / s.across() + 1) * s.tile.height;
            const int rowsHere = s.isTiled ? s.tile.height : s.tile.height - std::max(0, bottom - s.sensor.height);
            if (s.compression == CompressionNone && s.byteCounts[i] < double(s.rowBytes() * uint64_t(rowsHere)))
                return refuse(ErrorCode::Damaged, visible("is cut off: a piece of the picture is shorter than its size asks for"));
        }
        cutStrips();
        return {};
    }

    /// High uncompressed strips are read a few rows at a time, so that little is held twice.
    void cutStrips()
    {
        SampleStorage &s = m_storage;
        if (s.isTiled || s.compression != CompressionNone || s.planes() != 1 || s.tile.height <= kStripRows)
            return;
        std::vector<double> offsets, byteCounts;
        for (int top = 0; top < s.sensor.height; top += kStripRows) {
            // Rows that lie in two strips would have to be joined: only where the strips follow on each other.
            const int strip = top / s.tile.height, last = (std::min(top + kStripRows, s.sensor.height) - 1) / s.tile.height;
            for (int i = strip; i < last; ++i)
                if (s.offsets[size_t(i)] + double(s.rowBytes()) * s.tile.height != s.offsets[size_t(i) + 1])
                    return;
            offsets.push_back(s.offsets[size_t(strip)] + double(s.rowBytes()) * (top - strip * s.tile.height));
            byteCounts.push_back(double(s.rowBytes()) * kStripRows);
        }
        s.tile.height = kStripRows;
        s.offsets = std::move(offsets);
        s.byteCounts = std::move(byteCounts);
    }

    Status readGeometry()
    {
        const TiffDirectory &d = *m_raw;
        const Size sensor = m_storage.sensor;
        m_frame->active = {0, 0, sensor.width, sensor.height};
        if (const auto a = d.numbers(TagActiveArea); a.size() == 4) {
            if (!(a[0] >= 0 && a[1] >= 0 && a[2] <= sensor.height && a[3] <= sensor.width && a[2] - a[0] >= kMinSidePx
                  && a[3] - a[1] >= kMinSidePx))
                return refuse(ErrorCode::Damaged, visible("has an active area outside its samples"));
            m_frame->active = {int(a[1]), int(a[0]), int(a[3] - a[1]), int(a[2] - a[0])};
        }
        const Rect &active = m_frame->active;
        m_frame->crop = active;
        const auto origin = d.numbers(TagDefaultCropOrigin), size = d.numbers(TagDefaultCropSize);
        if (origin.size() == 2 && size.size() == 2) {
            const Rect crop = ActiveRect{int(origin[0]), int(origin[1]), int(size[0]), int(size[1])}.placedIn(active);
            if (active.contains(crop) && crop.width >= kMinSidePx && crop.height >= kMinSidePx)
                m_frame->crop = crop;
            else
                m_frame->warnings.push_back(sentence("The default crop lies outside the active area and was passed over."));
        }
        const double orientation = m_tree.chain.front().number(TagOrientation, 1);
        m_frame->orientation = orientation >= 1 && orientation <= 8 ? int(orientation) : 1;
        return m_frame->kind == FrameKind::Linear ? Status() : readPattern();
    }

    Status readPattern()
    {
        const Rect &active = m_frame->active;
        const auto dim = m_raw->numbers(TagCfaRepeatPatternDim);
        const auto cells = m_raw->numbers(TagCfaPattern);
        if (dim == std::vector<double>{6, 6} && cells.size() == 36) {
            m_sixBySix.emplace();
            std::copy(cells.begin(), cells.end(), m_sixBySix->begin());
            return isKnown(*m_sixBySix) ? Status() : refuse(ErrorCode::Unsupported, visible("has an unusual arrangement of red, green and blue"));
        }
        if (dim != std::vector<double>{2, 2} || cells.size() != 4)
            return refuse(ErrorCode::Unsupported, visible("has a sensor pattern other than two by two"));
        // CFAPattern holds plane numbers as in TIFF/EP: 0 red, 1 green, 2 blue; anchored at the active area.
        CfaPattern pattern;
        for (size_t i = 0; i < 4; ++i) {
            if (cells[i] < 0 || cells[i] > 2)
                return refuse(ErrorCode::Unsupported, visible("has sensor colours other than red, green and blue"));
            pattern.cells[i] = Colour(int(cells[i]));
        }
        if (!pattern.isBayer())
            return refuse(ErrorCode::Unsupported, visible("has an unusual arrangement of red, green and blue"));
        m_frame->cfa = pattern.shifted(-active.x, -active.y);
        m_frame->pattern = pattern.name();
        return {};
    }

    /// Six-by-six patterns become full colour on reading: see demosaicInto().
    Status fillInColours(PlaneView<const uint16_t> exposed, const RunContext &run)
    {
        const Levels &l = m_frame->levels;
        SixBySixMosaic mosaic{exposed, *m_sixBySix, {}, l.white, m_frame->colour.asShotNeutral};
        // Black levels that repeat are taken by their mean.
        mosaic.black.fill(0);
        for (const float b : l.black)
            for (float &m : mosaic.black)
                m += b / float(l.black.size());
        const Rect crop = m_frame->crop, active = m_frame->active;
        // The samples of the mosaic live in the frame until the colours take their place.
        Plane<uint16_t> samples = std::move(m_frame->samples);
        mosaic.active = samples.constView().cut(m_frame->inSamples(active));
        if (const Status s = demosaicInto(*m_frame, mosaic, run); !s)
            return s;
        m_frame->crop = crop.seenFrom<places::Stored>(active);
        return {};
    }

    Status readLevels()
    {
        const TiffDirectory &d = *m_raw;
        Levels &l = m_frame->levels;
        if (const auto dim = d.numbers(TagBlackLevelRepeatDim); dim.size() == 2) {
            if (dim[0] < 1 || dim[1] < 1 || dim[0] > 16 || dim[1] > 16)
                return refuse(ErrorCode::Damaged, visible("has an impossible pattern of black levels"));
            l.repeatRows = int(dim[0]);
            l.repeatCols = int(dim[1]);
        }
        const auto black = d.numbers(TagBlackLevel);
        if (m_frame->kind == FrameKind::Linear) {
            // Rows, columns, colours, the last fastest (DNG 1.4, BlackLevel); patterns on top of full colour are taken by their mean.
            l.black.assign(3, 0.f);
            const size_t places = size_t(l.period()), told = m_grey ? 1 : 3;
            if (!black.empty() && black.size() < told * places)
                return refuse(ErrorCode::Damaged, visible("names fewer black levels than it has colours"));
            for (size_t i = 0; i < 3 * places && !black.empty(); ++i)
                l.black[i % 3] += float(black[m_grey ? i / 3 : i] / double(places));
            l.repeatRows = l.repeatCols = 1;
            if (d.find(TagBlackLevelDeltaH) || d.find(TagBlackLevelDeltaV))
                m_frame->warnings.push_back(sentence("Black levels of single rows and columns of full colour were passed over."));
        } else {
            l.black.assign(size_t(l.period()), 0.f);
            if (!black.empty() && black.size() < size_t(l.period()))
                return refuse(ErrorCode::Damaged, visible("names fewer black levels than its pattern has places"));
            for (size_t i = 0; i < l.black.size() && !black.empty(); ++i)
                l.black[i] = float(black[i]);
        }
        const auto deltas = [&](uint16_t tag, int count, std::vector<float> &out) {
            const auto v = d.numbers(tag);
            if (int(v.size()) == count)
                out.assign(v.begin(), v.end());
        };
        if (m_frame->kind == FrameKind::Mosaic && !m_sixBySix) {
            deltas(TagBlackLevelDeltaV, m_frame->active.height, l.deltaRow);
            deltas(TagBlackLevelDeltaH, m_frame->active.width, l.deltaColumn);
        }
        const bool isFloat = m_storage.isFloat;
        l.white = float(d.number(TagWhiteLevel, isFloat ? 1.0 : std::exp2(m_storage.bits) - 1));
        const float darkest = *std::max_element(l.black.begin(), l.black.end());
        // Numbers of more bits, and floats, are rounded to sixteen bits together with their samples.
        if (m_storage.isWide() ? !(l.white - darkest > 1e-6f * std::abs(darkest) && l.white > darkest) : !(l.white > darkest + 15) || l.white > 65535)
            return refuse(ErrorCode::Damaged, visible("has a black level that is not below its white level"));
        // A six-by-six or three-by-one black pattern on a two-by-two sensor is legal and rare; keep the meaning.
        if ((l.repeatRows > 2 || l.repeatCols > 2) && !m_sixBySix)
            m_frame->warnings.push_back(sentence("The black levels repeat over more than two places; their mean over each colour is used for scaling."));
        return {};
    }

    void readColour()
    {
        const TiffDirectory &d = m_tree.chain.front();
        ColourDescription &c = m_frame->colour;
        const auto matrix = [&](uint16_t tag) -> std::optional<Matrix3> {
            const auto v = d.numbers(tag);
            if (v.size() != 9)
                return std::nullopt;
            Matrix3 m;
            std::copy(v.begin(), v.end(), m.begin());
            if (isUsable(m))
                return m;
            m_frame->warnings.push_back(sentence("One of the file's colour matrices cannot be used and was passed over."));
            return std::nullopt;
        };
        c.illuminants = {int(d.number(TagCalibrationIlluminant1, 0)), int(d.number(TagCalibrationIlluminant2, 0))};
        c.colourMatrix = {matrix(TagColorMatrix1), matrix(TagColorMatrix2)};
        c.forwardMatrix = {matrix(TagForwardMatrix1), matrix(TagForwardMatrix2)};
        c.cameraCalibration = {matrix(TagCameraCalibration1), matrix(TagCameraCalibration2)};
        if (const auto v = d.numbers(TagAnalogBalance); v.size() == 3)
            c.analogBalance = {v[0], v[1], v[2]};
        if (const auto v = d.numbers(TagAsShotNeutral); v.size() == 3 && v[0] > 0 && v[1] > 0 && v[2] > 0)
            c.asShotNeutral = {v[0], v[1], v[2]};
        else
            m_frame->warnings.push_back(sentence("The file does not say its white balance; equal channels are shown as white."));
        if (!c.colourMatrix[0])
            m_frame->warnings.push_back(sentence("The file does not describe its colours; they are shown as sRGB."));
        c.baselineExposureEv = d.number(TagBaselineExposure, 0);
    }

    void readShootingData()
    {
        const TiffDirectory &d = m_tree.chain.front();
        ShootingData &s = m_frame->shooting;
        s.make = utf8Text(d.text(TagMake));
        s.model = utf8Text(d.text(d.text(TagModel).empty() ? TagUniqueCameraModel : TagModel));
        s.software = utf8Text(d.text(TagSoftware));
        s.dateTime = utf8Text(d.text(TagDateTime));
        s.bitDepth = m_storage.bits;
        // TIFF/EP files keep these in the first directory, Exif ones in the Exif directory.
        for (const TiffDirectory *e : {&d, d.exif.empty() ? &d : &d.exif.front()}) {
            s.iso = told(*e, TagIso, s.iso);
            s.exposureS = told(*e, TagExposureTime, s.exposureS);
            s.fNumber = told(*e, TagFNumber, s.fNumber);
            s.focalLengthMm = told(*e, TagFocalLength, s.focalLengthMm);
            if (e->find(TagLensModel))
                s.lens = utf8Text(e->text(TagLensModel));
            if (e->find(TagDateTimeOriginal))
                s.dateTime = utf8Text(e->text(TagDateTimeOriginal));
        }
    }

    /// Samples that sixteen bits do not hold, and their levels, to sixteen bits: white lies as high as the brightest sample allows.
    Status roundSamples(const Plane<float> &wide, TiffDirectory &raw, const RunContext &run)
    {
        Levels &l = m_frame->levels;
        const float lowest = *std::min_element(l.black.begin(), l.black.end()), range = l.white - lowest;
        float top = 1, bottom = 0;
        size_t broken = 0;
        for (int y = 0; y < wide.height(); ++y) {
            if (run.stop.stop_requested())
                return cancelledError();
            for (int x = 0; x < wide.width(); ++x) {
                const float share = (wide.at(x, y) - lowest) / range;
                if (!std::isfinite(share)) {
                    ++broken;
                    continue;
                }
                top = std::max(top, share);
                bottom = std::min(bottom, share);
            }
        }
        const float above = std::min(top, kBrightest), below = std::min(-bottom, kDarkest);
        const float span = std::floor(65535 / (above + below)), black = std::ceil(below * span), scale = span / range, offset = black - lowest * scale;
        m_frame->samples.reset(wide.size());
        const Status rounded = parallelFor(wide.height(), {run.threads, run.stop, {}, run.background}, [&](int y) {
            std::transform(wide.row(y), wide.row(y) + wide.width(), m_frame->samples.row(y),
                           [&](float v) { return uint16_t(std::lround(std::clamp((std::isfinite(v) ? v : lowest) * scale + offset, 0.f, 65535.f))); });
        });
        if (!rounded)
            return rounded;
        for (float &v : l.black)
            v = v * scale + offset;
        for (auto *deltas : {&l.deltaRow, &l.deltaColumn})
            for (float &v : *deltas)
                v *= scale;
        l.white = std::round(l.white * scale + offset);
        const auto tell = [&raw](uint16_t tag, const std::vector<float> &values) {
            if (!values.empty())
                raw.setLevels(tag, std::vector<double>(values.begin(), values.end()));
        };
        raw.setNumbers(TagBlackLevelRepeatDim, TiffShort, std::array{double(l.repeatRows), double(l.repeatCols)});
        tell(TagBlackLevel, l.black);
        tell(TagBlackLevelDeltaV, l.deltaRow);
        tell(TagBlackLevelDeltaH, l.deltaColumn);
        tell(TagWhiteLevel, std::vector<float>(size_t(m_frame->channels()), l.white));
        if (top > kBrightest)
            m_frame->warnings.push_back(sentence("Lights more than sixteen times as bright as white were cut off."));
        if (broken > 0)
            m_frame->warnings.push_back(sentence("%1 samples are no numbers and were read as black.", {std::to_string(broken)}));
        m_frame->shooting.bitDepth = 16;
        return l.white > *std::max_element(l.black.begin(), l.black.end()) + 15 ? Status() : refuse(ErrorCode::Damaged, visible("has a black level that is not below its white level"));
    }

    /// What the way of storing has done to the picture.
    void tellOfStorage()
    {
        const bool lossyXl = m_storage.compression == CompressionJpegXl && m_raw->number(TagJxlDistance, 0) > 0;
        if (m_storage.losesNothing() && !lossyXl)
            return;
        m_frame->compression = lossyXl ? "lossy JPEG XL" : m_frame->compression;
        m_frame->warnings.push_back(sentence("The file is compressed with loss (%1): part of its noise and of its finest detail is gone, and what is left is no longer independent from pixel to pixel.", {m_storage.nameOfCompression()}));
    }

    void applyLinearization()
    {
        const auto table = m_raw->numbers(TagLinearizationTable);
        if (table.empty() || m_storage.isWide())
            return;
        for (int y = 0; y < m_frame->samples.height(); ++y)
            for (int x = 0; x < m_frame->samples.width(); ++x) {
                uint16_t &v = m_frame->samples.at(x, y);
                v = uint16_t(table[std::min<size_t>(v, table.size() - 1)]);
            }
    }

    const std::filesystem::path &m_file;
    const TiffTree &m_tree;
    const TiffDirectory *m_raw = nullptr;
    SampleStorage m_storage;
    bool m_grey = false; ///< full colour of one channel, by a sensor without filters
    std::optional<SixBySixPattern> m_sixBySix;
    std::shared_ptr<Frame> m_frame = std::make_shared<Frame>();
};

} // namespace

Result<std::shared_ptr<const Frame>> readDng(const std::filesystem::path &file, const TiffTree &tree, const RunContext &run)
{
    return DngReader(file, tree).read(run);
}

bool isUsable(const Matrix3 &m)
{
    double size = 0;
    for (const double v : m)
        size = std::max(size, std::abs(v));
    const double determinant = m[0] * (m[4] * m[8] - m[5] * m[7]) - m[1] * (m[3] * m[8] - m[5] * m[6]) + m[2] * (m[3] * m[7] - m[4] * m[6]);
    return size > 0 && std::abs(determinant) > 1e-6 * size * size * size;
}

Result<std::string> judgeSamples(const std::filesystem::path &file, PlaneView<const uint16_t> active, int perPixel)
{
    int dead = 0;
    for (int y = 0; y < active.height; ++y) {
        const uint16_t *row = active.row(y);
        dead += std::equal(row, row + active.width - perPixel, row + perPixel);
    }
    if (dead == 0)
        return std::string();
    if (dead * 2 >= active.height)
        return fileError(ErrorCode::Damaged, file, sentence("holds no picture: %1 of its %2 rows are one flat value", {std::to_string(dead), std::to_string(active.height)}));
    return sentence("%1 of %2 rows hold no picture (one flat value); the file may be damaged.", {std::to_string(dead), std::to_string(active.height)});
}

} // namespace irenic
