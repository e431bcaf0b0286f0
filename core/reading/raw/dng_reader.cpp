// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/dng_reader.h"

#include "base/parallel.h"
#include "irenic/text.h"
#include "raw/dng_tags.h"
#include "raw/lossless_jpeg_reader.h"
#include "raw/masked_border.h"
#include "raw/six_by_six.h"

#include <cmath>
#include <mutex>
#include <numeric>

namespace irenic {

namespace {

constexpr int kMinSidePx = 16;
constexpr int kMaxSidePx = 65535;
constexpr double kSamplesAByte = 8; ///< of lossless JPEG at the most

/// Where the samples lie in the file: strips are tiles of full width. Sizes count pixels.
struct Storage {
    Size sensor;
    Size tile;
    int perPixel = 1; ///< samples
    int bits = 16;
    int compression = CompressionNone;
    bool bigEndian = false;
    std::vector<double> offsets, byteCounts;
    int across() const { return (sensor.width + tile.width - 1) / tile.width; }
    int down() const { return (sensor.height + tile.height - 1) / tile.height; }
    uint64_t rowBytes() const { return (uint64_t(tile.width) * uint64_t(perPixel) * uint64_t(bits) + 7) / 8; }
};

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
        Result<Plane<uint16_t>> samples = decode(run);
        if (!samples)
            return samples.error();
        m_frame->samples = samples.take();
        m_frame->file = m_file;
        applyLinearization();
        const Rect &a = m_frame->active;
        const PlaneView<const uint16_t> exposed = m_frame->samples.constView().cut(m_frame->inSamples(a));
        const Result<std::string> verdict = judgeSamples(m_file, exposed, m_storage.perPixel);
        if (!verdict)
            return verdict.error();
        if (!verdict.value().empty())
            m_frame->warnings.push_back(verdict.value());
        if (m_sixBySix)
            if (const Status s = fillInColours(exposed, run); !s)
                return s.error();
        auto tags = std::make_shared<SourceTags>();
        tags->main = m_tree.chain.front();
        tags->raw = *m_raw;
        tags->rawIsMain = m_raw == &m_tree.chain.front();
        m_frame->source = tags;
        takeBlackFromBorder(*m_frame, *tags);
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
        for (const int wanted : {PhotometricCfa, PhotometricLinearRaw})
            for (const TiffDirectory *d : all)
                if (!m_raw && d->number(TagPhotometric, -1) == wanted && isWholePicture(*d))
                    m_raw = d;
        if (!m_raw)
            return refuse(ErrorCode::NotAPicture, "holds no sensor samples");
        for (const TiffDirectory *d : {&m_tree.chain.front(), m_raw})
            if (const Status s = checkNumbers(m_file, *d); !s)
                return s;
        if (int(m_raw->number(TagPhotometric, -1)) == PhotometricLinearRaw)
            m_frame->kind = FrameKind::Linear;
        return {};
    }

    Status checkStorage()
    {
        const TiffDirectory &d = *m_raw;
        Storage &s = m_storage;
        const double width = d.number(TagImageWidth, 0), height = d.number(TagImageLength, 0);
        if (width < kMinSidePx || height < kMinSidePx || width > kMaxSidePx || height > kMaxSidePx)
            return refuse(ErrorCode::Damaged, "claims a size that no sensor has");
        s.sensor = {int(width), int(height)};
        s.perPixel = m_frame->channels();
        if (d.number(TagSamplesPerPixel, 1) != s.perPixel)
            return refuse(ErrorCode::Unsupported, s.perPixel == 1 ? "stores several samples at each place of its pattern" : "is a linear DNG with other than three colours");
        if (s.perPixel > 1 && d.number(TagPlanarConfiguration, 1) != 1)
            return refuse(ErrorCode::Unsupported, "stores its colours one after the other");
        s.compression = int(d.number(TagCompression, 1));
        if (s.compression != CompressionNone && s.compression != CompressionJpeg)
            return refuse(ErrorCode::Unsupported, "is compressed in a way that this version does not read (TIFF compression "
                                                      + std::to_string(s.compression) + ")");
        s.bits = int(d.number(TagBitsPerSample, 0));
        if (s.bits < 8 || s.bits > 16 || d.number(TagSampleFormat, 1) != 1)
            return refuse(ErrorCode::Unsupported, "stores " + std::to_string(s.bits) + " bits a sample; 8 to 16 are read");
        s.bigEndian = m_tree.bigEndian;
        const bool tiled = d.find(TagTileOffsets) != nullptr;
        const double rows = std::min(d.number(TagRowsPerStrip, height), height);
        s.tile = tiled ? Size{int(std::clamp(d.number(TagTileWidth, 0), 0.0, 65535.0)),
                              int(std::clamp(d.number(TagTileLength, 0), 0.0, 65535.0))}
                       : Size{s.sensor.width, int(rows)};
        if (s.tile.width < 1 || s.tile.height < 1)
            return refuse(ErrorCode::Damaged, "has tiles or strips of no size");
        const double bytesASample = s.compression == CompressionNone ? 2 : 4; // a piece's own samples, and those of the picture
        if (const Status fits = ReadBudget{m_tree.fileBytes}.allows(m_file, uint64_t(s.sensor.width), uint64_t(s.sensor.height), bytesASample * s.perPixel); !fits)
            return fits;
        s.offsets = d.numbers(tiled ? TagTileOffsets : TagStripOffsets);
        s.byteCounts = d.numbers(tiled ? TagTileByteCounts : TagStripByteCounts);
        const size_t needed = size_t(s.across()) * size_t(s.down());
        if (s.offsets.size() != needed || s.byteCounts.size() != needed)
            return refuse(ErrorCode::Damaged, "lists " + std::to_string(s.offsets.size()) + " pieces of picture where its size asks for "
                                                  + std::to_string(needed));
        // No two pieces share their bytes, or a small file could ask for any amount of memory and time.
        if (const double all = std::accumulate(s.byteCounts.begin(), s.byteCounts.end(), 0.0); all > double(m_tree.fileBytes))
            return refuse(ErrorCode::Damaged, "is damaged: its pieces of picture lie on top of each other");
        else if (s.compression == CompressionJpeg && double(s.sensor.area()) * s.perPixel > kSamplesAByte * all) // a code takes a bit at least
            return refuse(ErrorCode::Damaged, "is damaged: its compressed picture is too short for its size");
        for (size_t i = 0; i < needed; ++i) {
            if (s.offsets[i] + s.byteCounts[i] > double(m_tree.fileBytes) || s.byteCounts[i] < 1)
                return refuse(ErrorCode::Damaged, "is cut off: part of the picture lies beyond the file's end");
            const int bottom = (int(i) / s.across() + 1) * s.tile.height;
            const int rowsHere = tiled ? s.tile.height : s.tile.height - std::max(0, bottom - s.sensor.height);
            if (s.compression == CompressionNone && s.byteCounts[i] < double(s.rowBytes() * uint64_t(rowsHere)))
                return refuse(ErrorCode::Damaged, "is cut off: a piece of the picture is shorter than its size asks for");
        }
        return {};
    }

    Status readGeometry()
    {
        const TiffDirectory &d = *m_raw;
        const Size sensor = m_storage.sensor;
        m_frame->active = {0, 0, sensor.width, sensor.height};
        if (const auto a = d.numbers(TagActiveArea); a.size() == 4) {
            if (!(a[0] >= 0 && a[1] >= 0 && a[2] <= sensor.height && a[3] <= sensor.width && a[2] - a[0] >= kMinSidePx
                  && a[3] - a[1] >= kMinSidePx))
                return refuse(ErrorCode::Damaged, "has an active area outside its samples");
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
                m_frame->warnings.push_back("The default crop lies outside the active area and was passed over.");
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
            return isKnown(*m_sixBySix) ? Status() : refuse(ErrorCode::Unsupported, "has an unusual arrangement of red, green and blue");
        }
        if (dim != std::vector<double>{2, 2} || cells.size() != 4)
            return refuse(ErrorCode::Unsupported, "has a sensor pattern other than two by two");
        // CFAPattern holds plane numbers as in TIFF/EP: 0 red, 1 green, 2 blue; anchored at the active area.
        CfaPattern pattern;
        for (size_t i = 0; i < 4; ++i) {
            if (cells[i] < 0 || cells[i] > 2)
                return refuse(ErrorCode::Unsupported, "has sensor colours other than red, green and blue");
            pattern.cells[i] = Colour(int(cells[i]));
        }
        if (!pattern.isBayer())
            return refuse(ErrorCode::Unsupported, "has an unusual arrangement of red, green and blue");
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
                return refuse(ErrorCode::Damaged, "has an impossible pattern of black levels");
            l.repeatRows = int(dim[0]);
            l.repeatCols = int(dim[1]);
        }
        const auto black = d.numbers(TagBlackLevel);
        if (m_frame->kind == FrameKind::Linear) {
            // Rows, columns, colours, the last fastest (DNG 1.4, BlackLevel); patterns on top of full colour are taken by their mean.
            l.black.assign(3, 0.f);
            const size_t places = size_t(l.period());
            if (!black.empty() && black.size() < 3 * places)
                return refuse(ErrorCode::Damaged, "names fewer black levels than it has colours");
            for (size_t i = 0; i < 3 * places && !black.empty(); ++i)
                l.black[i % 3] += float(black[i] / double(places));
            l.repeatRows = l.repeatCols = 1;
            if (d.find(TagBlackLevelDeltaH) || d.find(TagBlackLevelDeltaV))
                m_frame->warnings.push_back("Black levels of single rows and columns of full colour were passed over.");
        } else {
            l.black.assign(size_t(l.period()), 0.f);
            if (!black.empty() && black.size() < size_t(l.period()))
                return refuse(ErrorCode::Damaged, "names fewer black levels than its pattern has places");
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
        l.white = float(d.number(TagWhiteLevel, double((1 << m_storage.bits) - 1)));
        const float darkest = *std::max_element(l.black.begin(), l.black.end());
        if (!(l.white > darkest + 15) || l.white > 65535)
            return refuse(ErrorCode::Damaged, "has a black level that is not below its white level");
        // A six-by-six or three-by-one black pattern on a two-by-two sensor is legal and rare; keep the meaning.
        if ((l.repeatRows > 2 || l.repeatCols > 2) && !m_sixBySix)
            m_frame->warnings.push_back("The black levels repeat over more than two places; their mean over each colour is used for scaling.");
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
            m_frame->warnings.push_back("One of the file's colour matrices cannot be used and was passed over.");
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
            m_frame->warnings.push_back("The file does not say its white balance; equal channels are shown as white.");
        if (!c.colourMatrix[0])
            m_frame->warnings.push_back("The file does not describe its colours; they are shown as sRGB.");
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

    /// Reads and decodes every strip or tile for itself, in parallel.
    Result<Plane<uint16_t>> decode(const RunContext &run) const
    {
        const Storage &s = m_storage;
        const Result<InputFile> in = InputFile::open(m_file);
        if (!in)
            return in.error();
        Plane<uint16_t> out({s.sensor.width * s.perPixel, s.sensor.height});
        std::mutex mutex;
        std::string problem;
        const Status done = parallelFor(s.across() * s.down(), run, [&](int i) {
            const Rect piece = Rect{i % s.across() * s.tile.width, i / s.across() * s.tile.height, s.tile.width, s.tile.height}
                                   .intersected({0, 0, s.sensor.width, s.sensor.height});
            std::vector<uint8_t> bytes(s.compression == CompressionNone ? size_t(s.rowBytes()) * size_t(piece.height) : size_t(s.byteCounts[size_t(i)]));
            std::string wrong;
            if (!in.value().read(uint64_t(s.offsets[size_t(i)]), bytes.data(), bytes.size()))
                wrong = "could not be read to its end";
            else if (s.compression == CompressionNone)
                for (int y = 0; y < piece.height; ++y)
                    unpackRow(bytes.data() + size_t(y) * s.rowBytes(), piece.width * s.perPixel, out.row(piece.y + y) + piece.x * s.perPixel);
            else
                wrong = unpackJpeg(bytes, piece, out, run.stop);
            if (!wrong.empty()) {
                const std::lock_guard lock(mutex);
                problem = wrong;
            }
        });
        if (!done)
            return done.error();
        if (!problem.empty())
            return refuse(ErrorCode::Damaged, problem);
        return out;
    }

    /// DNG 1.4, chapter 3: the JPEG's samples fill the tile row by row, whatever its own width, height and components.
    std::string unpackJpeg(const std::vector<uint8_t> &bytes, Rect piece, Plane<uint16_t> &out, const std::stop_token &stop) const
    {
        std::string why;
        const size_t tileWidth = size_t(m_storage.tile.width) * size_t(m_storage.perPixel);
        const auto jpeg = decodeLosslessJpeg(bytes, tileWidth * size_t(m_storage.tile.height), stop, why);
        if (!jpeg)
            return "is damaged: a piece of its compressed picture " + why;
        if (jpeg->samples.size() < tileWidth * size_t(piece.height))
            return "is damaged: a piece of its compressed picture is too small";
        for (int y = 0; y < piece.height; ++y)
            std::copy_n(jpeg->samples.begin() + std::ptrdiff_t(size_t(y) * tileWidth), piece.width * m_storage.perPixel, out.row(piece.y + y) + piece.x * m_storage.perPixel);
        return {};
    }

    /// Bits are packed most significant first whatever the byte order, but for whole 16-bit words (TIFF 6.0, FillOrder 1).
    void unpackRow(const uint8_t *p, int count, uint16_t *out) const
    {
        const int bits = m_storage.bits;
        if (bits == 16) {
            for (int i = 0; i < count; ++i)
                out[i] = m_storage.bigEndian ? uint16_t(p[2 * i] << 8 | p[2 * i + 1]) : uint16_t(p[2 * i] | p[2 * i + 1] << 8);
            return;
        }
        uint32_t held = 0;
        int have = 0;
        for (int i = 0; i < count; ++i) {
            while (have < bits) {
                held = held << 8 | *p++;
                have += 8;
            }
            have -= bits;
            out[i] = uint16_t(held >> have & ((1u << bits) - 1));
        }
    }

    void applyLinearization()
    {
        const auto table = m_raw->numbers(TagLinearizationTable);
        if (table.empty())
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
    Storage m_storage;
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
        return fileError(ErrorCode::Damaged, file, "holds no picture: " + std::to_string(dead) + " of its " + std::to_string(active.height) + " rows are one flat value");
    return std::to_string(dead) + " of " + std::to_string(active.height)
           + " rows hold no picture (one flat value); the file may be damaged.";
}

} // namespace irenic
