// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/dng_samples.h"

#include "base/budget.h"
#include "base/half.h"
#include "base/input_file.h"
#include "base/parallel.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "raw/dct_jpeg_reader.h"
#include "raw/jpeg_errors.h"
#include "raw/jpeg_xl_reader.h"
#include "raw/lossless_jpeg_reader.h"
#include "raw/tiff_tree.h"

#include <cmath>
#include <mutex>
#include <type_traits>

#include <zlib.h>

namespace irenic {

namespace {

bool isDeflate(int compression)
{
    return compression == CompressionDeflate || compression == CompressionOldDeflate;
}

/// Of the Predictor tags: how many pixels lie between a sample and what it is told by; 0 where it is unknown.
int predictorDistance(int predictor)
{
    switch (predictor) {
    case PredictorHorizontal:
    case PredictorFloat: return 1;
    case PredictorHorizontalX2:
    case PredictorFloatX2: return 2;
    case PredictorHorizontalX4:
    case PredictorFloatX4: return 4;
    default: return 0;
    }
}

bool isFloatPredictor(int predictor)
{
    return predictor == PredictorFloat || predictor == PredictorFloatX2 || predictor == PredictorFloatX4;
}

/// All that zlib makes of the bytes, in a buffer of known size; false where they are damaged or make less than `needed`.
bool inflated(std::span<const uint8_t> bytes, size_t needed, const std::stop_token &stop, std::vector<uint8_t> &out)
{
    z_stream stream{};
    if (inflateInit(&stream) != Z_OK)
        return false;
    constexpr size_t kChunk = 1 << 20;
    size_t written = 0;
    int code = Z_OK;
    while (code == Z_OK && written < out.size() && !stop.stop_requested()) {
        if (stream.avail_in == 0) {
            const size_t more = std::min(kChunk, bytes.size());
            if (more == 0)
                break;
            stream.next_in = const_cast<uint8_t *>(bytes.data());
            stream.avail_in = uInt(more);
            bytes = bytes.subspan(more);
        }
        const size_t room = std::min(kChunk, out.size() - written);
        stream.next_out = out.data() + written;
        stream.avail_out = uInt(room);
        code = inflate(&stream, Z_NO_FLUSH);
        written += room - stream.avail_out;
    }
    inflateEnd(&stream);
    return (code == Z_OK || code == Z_STREAM_END || code == Z_BUF_ERROR) && written >= needed;
}

template <class T>
void accumulate(uint8_t *row, size_t samples, size_t distance)
{
    auto *v = reinterpret_cast<T *>(row);
    for (size_t i = distance; i < samples; ++i)
        v[i] = T(v[i] + v[i - distance]);
}

/// Bytes of one row to this machine's order, for numbers of whole bytes.
void toHostOrder(uint8_t *row, size_t bytes, size_t unit)
{
    for (size_t i = 0; i + unit <= bytes; i += unit)
        std::reverse(row + i, row + i + unit);
}

/// TIFF Technical Note 3: bytes of a row lie apart, the most significant ones first, each told by the one before.
void undoFloatPredictor(uint8_t *row, size_t samples, size_t unit, size_t distance, std::vector<uint8_t> &scratch)
{
    const size_t bytes = samples * unit;
    for (size_t i = distance; i < bytes; ++i)
        row[i] = uint8_t(row[i] + row[i - distance]);
    scratch.assign(row, row + bytes);
    for (size_t i = 0; i < samples; ++i)
        for (size_t b = 0; b < unit; ++b)
            row[i * unit + unit - 1 - b] = scratch[b * samples + i];
}

/// One row of packed numbers, in the file's byte order, or this machine's where `hostOrder`.
template <class T>
void unpackRow(const SampleStorage &s, const uint8_t *p, bool hostOrder, int count, T *out)
{
    const int bits = s.bits;
    const bool big = s.bigEndian && !hostOrder;
    const auto whole = [&](const uint8_t *at, int n) {
        uint32_t v = 0;
        for (int i = 0; i < n; ++i)
            v |= uint32_t(at[i]) << 8 * (big ? n - 1 - i : i);
        return v;
    };
    if constexpr (std::is_same_v<T, float>)
        if (s.isFloat) {
            for (int i = 0; i < count; ++i) {
                const uint32_t v = whole(p + i * bits / 8, bits / 8);
                out[i] = bits == 16 ? halfToFloat(uint16_t(v)) : bits == 24 ? float24ToFloat(v)
                                                                            : std::bit_cast<float>(v);
            }
            return;
        }
    if (bits == 16 || bits == 32) {
        for (int i = 0; i < count; ++i)
            out[i] = T(whole(p + i * bits / 8, bits / 8));
        return;
    }
    // Packed most significant bit first, whatever the byte order (TIFF 6.0, FillOrder 1).
    uint64_t held = 0;
    int have = 0;
    for (int i = 0; i < count; ++i) {
        while (have < bits) {
            held = held << 8 | *p++;
            have += 8;
        }
        have -= bits;
        out[i] = T(held >> have & ((uint64_t(1) << bits) - 1));
    }
}

/// What of libjpeg lives across its jumps.
struct DctReading {
    jpeg_decompress_struct info{};
    JpegErrors errors;
    DctReading() { info.err = &errors; }
    ~DctReading() { jpeg_destroy_decompress(&info); }
};

/// Between setjmp and return there is nothing with a destructor, here and below.
bool startDct(DctReading &r, const std::vector<uint8_t> &bytes)
{
    if (setjmp(r.errors.away))
        return false;
    jpeg_create_decompress(&r.info);
    jpeg_mem_src(&r.info, bytes.data(), (unsigned long)(bytes.size()));
    jpeg_read_header(&r.info, TRUE);
    return true;
}

/// @param rows the buffer's rows, of all of the JPEG
bool readDct(DctReading &r, uint8_t *to, size_t rowBytes, int mostScans, const std::stop_token &stop)
{
    if (setjmp(r.errors.away))
        return false;
    jpeg_start_decompress(&r.info);
    while (r.info.output_scanline < r.info.output_height) {
        if (r.info.input_scan_number > mostScans || stop.stop_requested())
            return false;
        JSAMPROW rows[1] = {to + size_t(r.info.output_scanline) * rowBytes};
        jpeg_read_scanlines(&r.info, rows, 1);
    }
    return true;
}

/// The kind of a JPEG by its frame header: the SOF marker's last byte, and the bits of a sample; 0 where there is none.
std::pair<int, int> frameOf(std::span<const uint8_t> b)
{
    for (size_t at = 2; at + 4 < b.size() && b[at] == 0xff;) {
        const int marker = b[at + 1];
        if (marker == 0xff) {
            ++at;
            continue;
        }
        if (marker >= 0xc0 && marker <= 0xcf && marker != 0xc4 && marker != 0xc8 && marker != 0xcc)
            return {marker, b[at + 4]};
        if (marker == 0xda)
            break;
        at += 2 + (size_t(b[at + 2]) << 8 | b[at + 3]);
    }
    return {0, 0};
}

/// A piece's samples, row by row at the piece's full width; `problem` says why not.
template <class T>
class PieceDecoder
{
public:
    PieceDecoder(const SampleStorage &storage, const std::stop_token &stop) : m_s(storage), m_stop(stop), m_rowSamples(size_t(storage.tile.width) * size_t(storage.perPiecePixel())) {}

    /// @param rows of the piece that the picture has
    bool decode(std::vector<uint8_t> bytes, int rows)
    {
        m_rows = size_t(rows);
        if (m_s.compression == CompressionNone)
            return unpack(bytes, false);
        if (isDeflate(m_s.compression))
            return deflate(bytes);
        if (m_s.compression == CompressionJpegXl)
            return jpegXl(bytes);
        const auto [marker, bits] = frameOf(bytes);
        return marker == 0xc3 || marker == 0 ? losslessJpeg(bytes) : lossyJpeg(bytes, bits);
    }
    std::vector<T> samples;
    std::string problem;
    bool unsupported = false;

private:
    bool fail(const std::string &why)
    {
        problem = why;
        return false;
    }
    bool unpack(const std::vector<uint8_t> &bytes, bool hostOrder)
    {
        if (bytes.size() < size_t(m_s.rowBytes()) * m_rows)
            return fail(visible("is cut off: a piece of the picture is shorter than its size asks for"));
        samples.resize(m_rowSamples * m_rows);
        for (size_t y = 0; y < m_rows; ++y)
            unpackRow(m_s, bytes.data() + y * size_t(m_s.rowBytes()), hostOrder, int(m_rowSamples), samples.data() + y * m_rowSamples);
        return true;
    }
    bool deflate(const std::vector<uint8_t> &bytes)
    {
        const size_t rowBytes = size_t(m_s.rowBytes()), unit = size_t(m_s.bits) / 8;
        std::vector<uint8_t> plain(rowBytes * size_t(m_s.tile.height)), scratch;
        if (!inflated(bytes, rowBytes * m_rows, m_stop, plain))
            return fail(visible("is damaged: a piece of its deflated picture cannot be unpacked"));
        const size_t distance = size_t(predictorDistance(m_s.predictor) * m_s.perPiecePixel());
        if (distance == 0)
            return unpack(plain, false);
        for (size_t y = 0; y < m_rows; ++y) {
            uint8_t *row = plain.data() + y * rowBytes;
            if (isFloatPredictor(m_s.predictor)) {
                undoFloatPredictor(row, m_rowSamples, unit, distance, scratch);
                continue;
            }
            if (m_s.bigEndian)
                toHostOrder(row, rowBytes, unit);
            unit == 1 ? accumulate<uint8_t>(row, m_rowSamples, distance) : unit == 2 ? accumulate<uint16_t>(row, m_rowSamples, distance)
                                                                                     : accumulate<uint32_t>(row, m_rowSamples, distance);
        }
        return unpack(plain, true);
    }
    /// DNG 1.4, chapter 3: the JPEG's samples fill the tile row by row, whatever its own width, height and components.
    bool losslessJpeg(const std::vector<uint8_t> &bytes)
    {
        std::string why;
        const auto jpeg = decodeLosslessJpeg(bytes, m_rowSamples * size_t(m_s.tile.height), m_stop, why);
        if (!jpeg)
            return fail(sentence("is damaged: a piece of its compressed picture %1", {sentence(why.c_str())}));
        if (jpeg->samples.size() < m_rowSamples * m_rows)
            return fail(visible("is damaged: a piece of its compressed picture is too small"));
        samples.assign(jpeg->samples.begin(), jpeg->samples.begin() + std::ptrdiff_t(m_rowSamples * m_rows));
        return true;
    }
    bool lossyJpeg(const std::vector<uint8_t> &bytes, int bits)
    {
        if (bits == 12)
            return twelveBits(bytes);
        if (bits != 8) {
            unsupported = true;
            return fail(sentence("is compressed as a lossy JPEG of %1 bits; those of 8 and 12 bits are read", {std::to_string(bits)}));
        }
        constexpr int kMostScans = 300;
        DctReading r;
        const bool begun = startDct(r, bytes);
        const auto &info = r.info;
        if (!begun || int(info.num_components) != m_s.perPiecePixel() || size_t(info.image_width) < size_t(m_s.tile.width) || size_t(info.image_height) < m_rows
            || int64_t(info.image_width) > int64_t(m_s.tile.width) + 64 || int64_t(info.image_height) > int64_t(m_s.tile.height) + 64)
            return fail(visible("is damaged: a piece of its lossy JPEG does not fit its place"));
        const size_t width = size_t(info.image_width), n = size_t(m_s.perPiecePixel());
        std::vector<uint8_t> all(width * n * size_t(info.image_height));
        if (!readDct(r, all.data(), width * n, kMostScans, m_stop) || r.errors.num_warnings > 0)
            return fail(visible("is damaged: a piece of its lossy JPEG cannot be decoded"));
        samples.resize(m_rowSamples * m_rows);
        for (size_t y = 0; y < m_rows; ++y)
            std::copy_n(all.begin() + std::ptrdiff_t(y * width * n), m_rowSamples, samples.begin() + std::ptrdiff_t(y * m_rowSamples));
        return true;
    }
    bool twelveBits(const std::vector<uint8_t> &bytes)
    {
        std::string why;
        const auto jpeg = decodeDctJpeg(bytes, (m_rowSamples + 64 * size_t(m_s.perPiecePixel())) * (size_t(m_s.tile.height) + 64), m_stop, why);
        if (!jpeg)
            return fail(sentence("is damaged: a piece of its lossy JPEG %1", {sentence(why.c_str())}));
        if (jpeg->components != m_s.perPiecePixel() || jpeg->width < m_s.tile.width || size_t(jpeg->height) < m_rows)
            return fail(visible("is damaged: a piece of its lossy JPEG does not fit its place"));
        samples.resize(m_rowSamples * m_rows);
        const size_t width = size_t(jpeg->width) * size_t(jpeg->components);
        for (size_t y = 0; y < m_rows; ++y)
            std::copy_n(jpeg->samples.begin() + std::ptrdiff_t(y * width), m_rowSamples, samples.begin() + std::ptrdiff_t(y * m_rowSamples));
        return true;
    }
    bool jpegXl(const std::vector<uint8_t> &bytes)
    {
        std::string why;
        const uint64_t pixels = uint64_t(m_s.tile.area());
        const auto jxl = decodeJpegXl(bytes, {pixels, memoryBudget() / 2, m_s.pieces() > 1}, m_stop, why);
        if (!jxl)
            return fail(sentence("is damaged: a piece of its JPEG XL picture %1", {sentence(why.c_str())}));
        if (jxl->channels != m_s.perPiecePixel() || jxl->width != m_s.tile.width || size_t(jxl->height) < m_rows)
            return fail(visible("is damaged: a piece of its JPEG XL picture does not fit its place"));
        samples.resize(m_rowSamples * m_rows);
        // JPEG XL counts shares of full scale; a DNG's integers go up to what their bits hold.
        const double full = m_s.isFloat ? 1.0 : std::exp2(m_s.bits) - 1;
        for (size_t i = 0; i < samples.size(); ++i) {
            const double share = jxl->whole.empty() ? double(jxl->wide[i]) : jxl->whole[i] / 65535.0;
            if constexpr (std::is_same_v<T, float>)
                samples[i] = float(share * full);
            else
                samples[i] = T(std::lround(std::clamp(share, 0.0, 1.0) * full));
        }
        return true;
    }

    const SampleStorage &m_s;
    const std::stop_token &m_stop;
    size_t m_rowSamples, m_rows = 0;
};

template <class T>
Result<Plane<T>> decodeAll(const std::filesystem::path &file, const SampleStorage &s, const RunContext &run)
{
    const Result<InputFile> in = InputFile::open(file);
    if (!in)
        return in.error();
    Plane<T> out({s.sensor.width * s.perPixel, s.sensor.height});
    std::mutex mutex;
    std::string problem;
    bool unsupported = false;
    const int perPlane = s.across() * s.down(), n = s.perPiecePixel();
    const Status done = parallelFor(int(s.pieces()), run, [&](int i) {
        const int plane = i / perPlane, place = i % perPlane;
        const Rect piece = Rect{place % s.across() * s.tile.width, place / s.across() * s.tile.height, s.tile.width, s.tile.height}
                               .intersected({0, 0, s.sensor.width, s.sensor.height});
        std::vector<uint8_t> bytes(s.compression == CompressionNone ? size_t(s.rowBytes()) * size_t(piece.height) : size_t(s.byteCounts[size_t(i)]));
        PieceDecoder<T> decoder(s, run.stop);
        if (!in.value().read(uint64_t(s.offsets[size_t(i)]), bytes.data(), bytes.size()))
            decoder.problem = visible("could not be read to its end");
        else if (decoder.decode(std::move(bytes), piece.height))
            for (int y = 0; y < piece.height; ++y) {
                const T *from = decoder.samples.data() + size_t(y) * size_t(s.tile.width) * size_t(n);
                T *to = out.row(piece.y + y) + piece.x * s.perPixel;
                if (n == s.perPixel)
                    std::copy_n(from, piece.width * n, to);
                else
                    for (int x = 0; x < piece.width; ++x)
                        to[x * s.perPixel + plane] = from[x];
            }
        if (!decoder.problem.empty()) {
            const std::lock_guard lock(mutex);
            problem = decoder.problem;
            unsupported = decoder.unsupported;
        }
    });
    if (!done)
        return done.error();
    if (!problem.empty())
        return fileError(unsupported ? ErrorCode::Unsupported : ErrorCode::Damaged, file, problem);
    return out;
}

/// Fields that lie one after the other go back between each other.
template <class T>
Result<Plane<T>> woven(Plane<T> fields, const SampleStorage &s, const RunContext &run)
{
    if (s.rowFactor == 1 && s.columnFactor == 1)
        return fields;
    const auto places = [](int size, int factor) {
        std::vector<int> at;
        for (int field = 0; field < factor; ++field)
            for (int i = field; i < size; i += factor)
                at.push_back(i);
        return at;
    };
    const std::vector<int> rows = places(s.sensor.height, s.rowFactor), columns = places(s.sensor.width, s.columnFactor);
    Plane<T> out({fields.width(), fields.height()});
    const Status done = parallelFor(s.sensor.height, {run.threads, run.stop, {}, run.background}, [&](int y) {
        for (int x = 0; x < s.sensor.width; ++x)
            std::copy_n(fields.row(y) + x * s.perPixel, s.perPixel, out.row(rows[size_t(y)]) + columns[size_t(x)] * s.perPixel);
    });
    if (!done)
        return done.error();
    return out;
}

} // namespace

std::string SampleStorage::nameOfCompression() const
{
    switch (compression) {
    case CompressionNone: return "none";
    case CompressionJpeg: return "lossless JPEG";
    case CompressionLossyJpeg: return "lossy JPEG";
    case CompressionJpegXl: return "JPEG XL";
    default: return "deflate";
    }
}

bool SampleStorage::losesNothing() const
{
    return compression != CompressionLossyJpeg;
}

std::string whyNotRead(const SampleStorage &s)
{
    const bool known = s.compression == CompressionNone || s.compression == CompressionJpeg || isDeflate(s.compression) || s.compression == CompressionLossyJpeg || s.compression == CompressionJpegXl;
    if (!known)
        return sentence("is compressed in a way that this version does not read (TIFF compression %1)", {std::to_string(s.compression)});
    if (s.isFloat ? s.bits != 16 && s.bits != 24 && s.bits != 32 : s.bits < 8 || s.bits > 32)
        return sentence(s.isFloat ? visible("stores %1 bits a float; 16, 24 and 32 are read") : visible("stores %1 bits a sample; 8 to 32 are read"), {std::to_string(s.bits)});
    if (isDeflate(s.compression) && s.predictor != PredictorNone) {
        const int distance = predictorDistance(s.predictor);
        if (distance == 0 || (isFloatPredictor(s.predictor) ? !s.isFloat : s.isFloat || (s.bits != 8 && s.bits != 16 && s.bits != 32)) || s.tile.width % distance != 0)
            return sentence("is compressed with a predictor that does not fit its samples (TIFF predictor %1)", {std::to_string(s.predictor)});
    }
    if (s.compression == CompressionJpeg && (s.isFloat || s.bits > 16))
        return visible("claims a JPEG of samples that no JPEG holds");
    if (s.compression == CompressionLossyJpeg && (s.isFloat || s.bits > 16))
        return visible("claims a lossy JPEG of samples that none holds");
    return {};
}

Result<DngSamples> decodeSamples(const std::filesystem::path &file, const SampleStorage &storage, const RunContext &run)
{
    DngSamples out;
    const auto fill = [&]<class T>(Plane<T> &to) -> Status {
        Result<Plane<T>> stored = decodeAll<T>(file, storage, run);
        Result<Plane<T>> samples = stored ? woven(stored.take(), storage, run) : std::move(stored);
        if (!samples)
            return samples.error();
        to = samples.take();
        return {};
    };
    if (const Status s = storage.isWide() ? fill(out.wide) : fill(out.whole); !s)
        return s.error();
    return out;
}

float float24ToFloat(uint32_t bits)
{
    const int exponent = int(bits >> 16 & 127), fraction = int(bits & 0xffff);
    const float size = exponent == 127 ? (fraction ? NAN : INFINITY)
                       : exponent == 0 ? std::ldexp(float(fraction), -62 - 16)
                                       : std::ldexp(float(65536 + fraction), exponent - 63 - 16);
    return bits & 0x800000 ? -size : size;
}

} // namespace irenic
