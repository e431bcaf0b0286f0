// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/dng_reader.h"

#include "base/half.h"
#include "irenic/parameter.h"
#include "irenic/sentence.h"
#include "raw/jpeg_errors.h"
#include "raw/rendered_reader.h"

#include <cmath>
#include <cstdio>
#include <unistd.h>

#include <jerror.h>
#include <png.h>
#include <tiffio.h>

namespace irenic {

namespace {

constexpr uint32_t kMostSidePx = 65535;

/// An open file as the libraries want it, and what reading it may take.
struct File {
    std::unique_ptr<FILE, int (*)(FILE *)> stream;
    ReadBudget budget;
};

Result<File> opened(const std::filesystem::path &file)
{
    const Result<InputFile> in = InputFile::open(file);
    if (!in)
        return in.error();
    FILE *stream = ::fdopen(::dup(in.value().descriptor()), "rb");
    if (!stream)
        return fileError(ErrorCode::NotFound, file, visible("cannot be opened for reading"));
    return File{{stream, [](FILE *f) { return std::fclose(f); }}, {in.value().bytes()}};
}

uint16_t widened(uint8_t v)
{
    return uint16_t(v * 257);
}

} // namespace

// ---- JPEG ----

namespace {

/// How a file was compressed, from its header; nothing where its layout is an unusual one.
std::shared_ptr<const JpegCoding> codingOf(const jpeg_decompress_struct &info)
{
    const bool grey = info.jpeg_color_space == JCS_GRAYSCALE && info.num_components == 1;
    if (!grey && !(info.jpeg_color_space == JCS_YCbCr && info.num_components == 3))
        return nullptr;
    JpegCoding coding;
    coding.components = info.num_components;
    for (int c = 0; c < info.num_components; ++c) {
        const jpeg_component_info &component = info.comp_info[c];
        const JQUANT_TBL *table = component.quant_table;
        if (!table || (c > 0 && (component.h_samp_factor != 1 || component.v_samp_factor != 1)))
            return nullptr;
        for (size_t i = 0; i < 64; ++i) {
            if (table->quantval[i] == 0)
                return nullptr;
            coding.steps[size_t(c)][i] = table->quantval[i];
        }
    }
    if (!grey) {
        coding.across = info.comp_info[0].h_samp_factor;
        coding.down = info.comp_info[0].v_samp_factor;
    }
    return coding.across <= 2 && coding.down <= 2 ? std::make_shared<const JpegCoding>(coding) : nullptr;
}

constexpr int kMostScans = 300; ///< of a progressive JPEG: each costs as much time as the whole picture

/// What of a JPEG's decoding lives across libjpeg's jumps.
struct JpegReading {
    jpeg_decompress_struct info{};
    JpegErrors errors;
    jpeg_progress_mgr progress{};
    const std::stop_token &stop;
    explicit JpegReading(const std::stop_token &s) : stop(s)
    {
        info.err = &errors;
        info.client_data = this;
        progress.progress_monitor = [](j_common_ptr common) {
            const auto &reading = *static_cast<JpegReading *>(common->client_data);
            if (reading.stop.stop_requested() || reading.info.input_scan_number > kMostScans)
                std::longjmp(static_cast<JpegErrors *>(common->err)->away, 1);
        };
    }
    ~JpegReading() { jpeg_destroy_decompress(&info); }
};

/// Between setjmp and return there is nothing with a destructor, here and in the two below.
bool readJpegHeader(JpegReading &r, FILE *in)
{
    if (setjmp(r.errors.away))
        return false;
    jpeg_create_decompress(&r.info);
    r.info.progress = &r.progress;
    jpeg_stdio_src(&r.info, in);
    jpeg_save_markers(&r.info, JPEG_APP0 + 2, 0xffff); // profiles, and the index of a file with several pictures
    jpeg_read_header(&r.info, TRUE);
    return true;
}

bool readJpegRows(JpegReading &r, std::vector<JSAMPLE> &row, uint16_t *out)
{
    if (setjmp(r.errors.away))
        return false;
    while (r.info.output_scanline < r.info.output_height) {
        if (r.stop.stop_requested())
            return false;
        JSAMPROW rows[1] = {row.data()};
        uint16_t *to = out + size_t(r.info.output_scanline) * row.size();
        jpeg_read_scanlines(&r.info, rows, 1);
        std::transform(row.begin(), row.end(), to, widened);
    }
    return true;
}

bool startJpeg(JpegReading &r)
{
    if (setjmp(r.errors.away))
        return false;
    return jpeg_start_decompress(&r.info);
}

} // namespace

Result<DecodedPicture> decodeJpeg(const std::filesystem::path &file, const std::stop_token &stop)
{
    const Result<File> in = opened(file);
    if (!in)
        return in.error();
    DecodedPicture picture;
    JpegReading r(stop);
    const auto failed = [&] {
        if (stop.stop_requested())
            return cancelledError();
        if (r.info.input_scan_number > kMostScans)
            return fileError(ErrorCode::Damaged, file, visible("is coded in more scans than any program writes"));
        if (r.errors.msg_code == JERR_BAD_PRECISION)
            return fileError(ErrorCode::Unsupported, file, sentence("is a JPEG of %1 bits a sample; those of 8 bits are read", {std::to_string(r.errors.msg_parm.i[0])}));
        char why[JMSG_LENGTH_MAX] = "";
        (*r.errors.format_message)(reinterpret_cast<j_common_ptr>(&r.info), why);
        return fileError(ErrorCode::Damaged, file, sentence("could not be decoded (%1)", {why}));
    };
    if (!readJpegHeader(r, in.value().stream.get()))
        return failed();
    jpeg_decompress_struct &info = r.info;
    if (info.jpeg_color_space == JCS_CMYK || info.jpeg_color_space == JCS_YCCK)
        return fileError(ErrorCode::Unsupported, file, visible("is meant for printing inks (CMYK); save it as RGB"));
    picture.channels = info.jpeg_color_space == JCS_GRAYSCALE ? 1 : 3;
    info.out_color_space = picture.channels == 1 ? JCS_GRAYSCALE : JCS_RGB;
    // libjpeg keeps the coefficients of a progressive picture, two bytes each.
    const double bytes = kBytesASample * 3 + (jpeg_has_multiple_scans(&info) ? 2 * info.num_components : 0);
    if (const Status s = in.value().budget.allows(file, info.image_width, info.image_height, bytes); !s)
        return s.error();
    if (!startJpeg(r))
        return failed();
    picture.size = {int(info.output_width), int(info.output_height)};
    const size_t rowSamples = size_t(info.output_width) * size_t(picture.channels);
    picture.samples.resize(rowSamples * info.output_height);
    std::vector<JSAMPLE> row(rowSamples);
    if (!readJpegRows(r, row, picture.samples.data()))
        return failed();
    JOCTET *icc = nullptr;
    unsigned length = 0;
    if (jpeg_read_icc_profile(&info, &icc, &length)) {
        picture.profile.assign(icc, icc + length);
        std::free(icc);
    }
    picture.jpeg = codingOf(info);
    for (const jpeg_marker_struct *m = info.marker_list; m; m = m->next)
        if (m->marker == JPEG_APP0 + 2 && m->data_length >= 4 && std::memcmp(m->data, "MPF", 4) == 0) {
            picture.warnings.push_back(sentence("The file holds several pictures; the first is read."));
            break;
        }
    if (r.errors.num_warnings > 0)
        picture.warnings.push_back(sentence("The JPEG data are damaged in places; part of the picture may be missing."));
    return picture;
}

// ---- PNG ----

namespace {

struct PngReader {
    png_structp png = nullptr;
    png_infop info = nullptr;
    std::string problem;
    int passes = 1; ///< of an interlaced picture
    ~PngReader() { png_destroy_read_struct(&png, &info, nullptr); }
    static void fail(png_structp png, png_const_charp message)
    {
        static_cast<PngReader *>(png_get_error_ptr(png))->problem = message;
        png_longjmp(png, 1);
    }
    static void keepQuiet(png_structp, png_const_charp) {}
};

/// Between setjmp and return there is nothing with a destructor, here and below.
bool readPngHeader(PngReader &r, FILE *in)
{
    if (setjmp(png_jmpbuf(r.png)))
        return false;
    png_set_user_limits(r.png, kMostSidePx, kMostSidePx);
    png_init_io(r.png, in);
    png_read_info(r.png, r.info);
    return true;
}

bool startPng(PngReader &r, bool swap)
{
    if (setjmp(png_jmpbuf(r.png)))
        return false;
    png_set_expand(r.png);
    png_set_strip_alpha(r.png);
    if (swap)
        png_set_swap(r.png);
    r.passes = png_set_interlace_handling(r.png);
    png_read_update_info(r.png, r.info);
    return true;
}

bool readPngRows(PngReader &r, const std::vector<png_bytep> &rows, const std::stop_token &stop)
{
    if (setjmp(png_jmpbuf(r.png)))
        return false;
    for (int pass = 0; pass < r.passes; ++pass)
        for (const png_bytep row : rows) {
            if (stop.stop_requested())
                return false;
            png_read_row(r.png, row, nullptr);
        }
    png_read_end(r.png, nullptr);
    return true;
}

} // namespace

Result<DecodedPicture> decodePng(const std::filesystem::path &file, const std::stop_token &stop)
{
    const Result<File> in = opened(file);
    if (!in)
        return in.error();
    PngReader r;
    r.png = png_create_read_struct(PNG_LIBPNG_VER_STRING, &r, PngReader::fail, PngReader::keepQuiet);
    r.info = r.png ? png_create_info_struct(r.png) : nullptr;
    const auto failed = [&] { return stop.stop_requested() ? cancelledError() : fileError(ErrorCode::Damaged, file, sentence("could not be decoded (%1)", {r.problem})); };
    if (!r.info || !readPngHeader(r, in.value().stream.get()))
        return failed();
    DecodedPicture picture;
    const int type = png_get_color_type(r.png, r.info);
    picture.bits = png_get_bit_depth(r.png, r.info) == 16 ? 16 : 8;
    picture.channels = type == PNG_COLOR_TYPE_GRAY || type == PNG_COLOR_TYPE_GRAY_ALPHA ? 1 : 3;
    const uint32_t width = png_get_image_width(r.png, r.info), height = png_get_image_height(r.png, r.info);
    if (const Status s = in.value().budget.allows(file, width, height, kBytesASample * 3); !s)
        return s.error();
    picture.size = {int(width), int(height)};
    const bool transparent = (type & PNG_COLOR_MASK_ALPHA) || png_get_valid(r.png, r.info, PNG_INFO_tRNS);
    if (!startPng(r, picture.bits == 16))
        return failed();
    const size_t rowBytes = png_get_rowbytes(r.png, r.info);
    std::vector<png_byte> bytes(rowBytes * size_t(height));
    std::vector<png_bytep> rows;
    for (uint32_t y = 0; y < height; ++y)
        rows.push_back(bytes.data() + size_t(y) * rowBytes);
    if (!readPngRows(r, rows, stop))
        return failed();
    png_charp name = nullptr;
    png_bytep icc = nullptr;
    png_uint_32 length = 0;
    int compression = 0;
    if (png_get_iCCP(r.png, r.info, &name, &compression, &icc, &length))
        picture.profile.assign(icc, icc + length);
    const size_t rowSamples = size_t(width) * size_t(picture.channels);
    picture.samples.resize(rowSamples * size_t(height));
    for (uint32_t y = 0; y < height; ++y) {
        uint16_t *out = picture.samples.data() + size_t(y) * rowSamples;
        if (picture.bits == 16)
            std::memcpy(out, rows[y], rowSamples * 2);
        else
            std::transform(rows[y], rows[y] + rowSamples, out, widened);
    }
    if (transparent)
        picture.warnings.push_back(sentence("The picture's transparency was left out."));
    return picture;
}

// ---- TIFF ----

namespace {

using TiffHandle = std::unique_ptr<TIFF, void (*)(TIFF *)>;

struct TiffLayout {
    uint32_t width = 0, height = 0;
    uint16_t bits = 8, perPixel = 1, planar = PLANARCONFIG_CONTIG, photometric = PHOTOMETRIC_RGB, format = SAMPLEFORMAT_UINT;
    bool tiled = false;
    uint32_t pieceWidth = 0, pieceHeight = 0;
    int bytes() const { return bits / 8; }
};

/// LibTIFF closes a descriptor of its own.
TIFF *openedTiff(const InputFile &in, const std::filesystem::path &file)
{
    const std::unique_ptr<TIFFOpenOptions, void (*)(TIFFOpenOptions *)> options(TIFFOpenOptionsAlloc(), TIFFOpenOptionsFree);
    TIFFOpenOptionsSetMaxSingleMemAlloc(options.get(), tmsize_t(std::min<uint64_t>(memoryBudget(), uint64_t(1) << 40)));
    const int descriptor = ::dup(in.descriptor());
    // "m": no memory map, whose bytes may vanish with a drive and end the process.
    TIFF *tif = descriptor < 0 ? nullptr : TIFFFdOpenExt(descriptor, file.c_str(), "rm", options.get());
    if (!tif && descriptor >= 0)
        ::close(descriptor);
    return tif;
}

TiffLayout layoutOf(TIFF *tif)
{
    TiffLayout l;
    TIFFGetField(tif, TIFFTAG_IMAGEWIDTH, &l.width);
    TIFFGetField(tif, TIFFTAG_IMAGELENGTH, &l.height);
    TIFFGetFieldDefaulted(tif, TIFFTAG_BITSPERSAMPLE, &l.bits);
    TIFFGetFieldDefaulted(tif, TIFFTAG_SAMPLESPERPIXEL, &l.perPixel);
    TIFFGetFieldDefaulted(tif, TIFFTAG_PLANARCONFIG, &l.planar);
    TIFFGetFieldDefaulted(tif, TIFFTAG_SAMPLEFORMAT, &l.format);
    TIFFGetField(tif, TIFFTAG_PHOTOMETRIC, &l.photometric);
    l.tiled = TIFFIsTiled(tif);
    l.pieceWidth = l.width;
    l.pieceHeight = l.height;
    if (l.tiled) {
        TIFFGetField(tif, TIFFTAG_TILEWIDTH, &l.pieceWidth);
        TIFFGetField(tif, TIFFTAG_TILELENGTH, &l.pieceHeight);
    } else {
        uint32_t rows = l.height;
        TIFFGetFieldDefaulted(tif, TIFFTAG_ROWSPERSTRIP, &rows);
        l.pieceHeight = std::min(rows, l.height);
    }
    return l;
}

uint16_t sampleAt(const uint8_t *p, const TiffLayout &l)
{
    if (l.bits == 8)
        return widened(*p);
    uint16_t half;
    std::memcpy(&half, p, 2);
    if (l.bits == 16 && l.format != SAMPLEFORMAT_IEEEFP)
        return half;
    float v;
    if (l.bits == 16)
        v = halfToFloat(half);
    else
        std::memcpy(&v, p, 4);
    return v > 0 ? uint16_t(std::lround(std::min(v, 1.f) * 65535)) : uint16_t(0);
}

/// All strips or tiles, of all planes; what a piece holds of the first three samples goes into the picture.
bool readPieces(TIFF *tif, const TiffLayout &l, const std::stop_token &stop, DecodedPicture &picture)
{
    const bool separate = l.planar == PLANARCONFIG_SEPARATE && l.perPixel > 1;
    const uint32_t across = (l.width + l.pieceWidth - 1) / l.pieceWidth, down = (l.height + l.pieceHeight - 1) / l.pieceHeight;
    const size_t perPiecePixel = separate ? 1 : l.perPixel;
    const tmsize_t pieceBytes = l.tiled ? TIFFTileSize(tif) : TIFFStripSize(tif);
    const size_t needed = size_t(l.pieceWidth) * l.pieceHeight * perPiecePixel * size_t(l.bytes());
    // A piece is no larger than the picture, but for a tile that reaches over its border.
    const double most = 4.0 * std::max<double>(l.width, 4096) * std::max<double>(l.height, 4096) * double(perPiecePixel) * l.bytes();
    if (pieceBytes <= 0 || size_t(pieceBytes) < needed || double(pieceBytes) > most)
        return false;
    std::vector<uint8_t> piece(static_cast<size_t>(pieceBytes));
    const bool invert = l.photometric == PHOTOMETRIC_MINISWHITE;
    for (uint32_t plane = 0; plane < (separate ? uint32_t(picture.channels) : 1u); ++plane)
        for (uint32_t j = 0; j < down; ++j)
            for (uint32_t i = 0; i < across; ++i) {
                if (stop.stop_requested())
                    return false;
                const uint32_t index = (plane * down + j) * across + i;
                const uint32_t rows = std::min(l.pieceHeight, l.height - j * l.pieceHeight), columns = std::min(l.pieceWidth, l.width - i * l.pieceWidth);
                const tmsize_t got = l.tiled ? TIFFReadEncodedTile(tif, index, piece.data(), pieceBytes) : TIFFReadEncodedStrip(tif, index, piece.data(), pieceBytes);
                if (got < 0 || size_t(got) < size_t(rows) * l.pieceWidth * perPiecePixel * size_t(l.bytes()))
                    return false;
                for (uint32_t y = 0; y < rows; ++y)
                    for (uint32_t x = 0; x < columns; ++x)
                        for (size_t c = 0; c < (separate ? 1 : size_t(picture.channels)); ++c) {
                            const uint16_t v = sampleAt(piece.data() + ((size_t(y) * l.pieceWidth + x) * perPiecePixel + c) * size_t(l.bytes()), l);
                            picture.samples[((size_t(j) * l.pieceHeight + y) * l.width + size_t(i) * l.pieceWidth + x) * size_t(picture.channels) + (separate ? plane : c)] =
                                invert ? uint16_t(65535 - v) : v;
                        }
            }
    return true;
}

} // namespace

Result<DecodedPicture> decodeTiff(const std::filesystem::path &file, const std::stop_token &stop)
{
    TIFFSetWarningHandler(nullptr);
    TIFFSetErrorHandler(nullptr); // every call's answer is checked
    const Result<InputFile> in = InputFile::open(file);
    if (!in)
        return in.error();
    const ReadBudget budget{in.value().bytes()};
    const TiffHandle tif{openedTiff(in.value(), file), [](TIFF *t) {
                             if (t)
                                 TIFFClose(t);
                         }};
    if (!tif)
        return fileError(ErrorCode::Damaged, file, visible("is not a TIFF that can be read"));
    TiffLayout l = layoutOf(tif.get());
    if (l.width < 1 || l.height < 1 || l.width > kMostSidePx || l.height > kMostSidePx || l.pieceWidth < 1 || l.pieceHeight < 1)
        return fileError(ErrorCode::Damaged, file, visible("claims a size that no picture has"));
    if (const Status s = budget.allows(file, l.width, l.height, std::max<double>(kBytesASample * 3, l.perPixel * l.bytes() + 12)); !s)
        return s.error();
    if (l.photometric == PHOTOMETRIC_YCBCR) {
        uint16_t compression = 0;
        TIFFGetField(tif.get(), TIFFTAG_COMPRESSION, &compression);
        if (compression != COMPRESSION_JPEG || !TIFFSetField(tif.get(), TIFFTAG_JPEGCOLORMODE, JPEGCOLORMODE_RGB))
            return fileError(ErrorCode::Unsupported, file, visible("stores its colours in a way that this version does not read (YCbCr)"));
        l.photometric = PHOTOMETRIC_RGB;
    }
    const bool grey = l.photometric == PHOTOMETRIC_MINISBLACK || l.photometric == PHOTOMETRIC_MINISWHITE;
    if (!grey && l.photometric != PHOTOMETRIC_RGB)
        return fileError(ErrorCode::Unsupported, file, l.photometric == PHOTOMETRIC_SEPARATED ? visible("is meant for printing inks (CMYK); save it as RGB") : visible("is neither RGB nor grey; save it as RGB"));
    const bool integers = l.format == SAMPLEFORMAT_UINT || l.format == SAMPLEFORMAT_VOID;
    if (!(integers && (l.bits == 8 || l.bits == 16)) && !(l.format == SAMPLEFORMAT_IEEEFP && (l.bits == 16 || l.bits == 32)))
        return fileError(ErrorCode::Unsupported, file, sentence("stores %1 bits a sample; 8, 16 and floats of 16 and 32 are read", {std::to_string(l.bits)}));
    DecodedPicture picture;
    picture.size = {int(l.width), int(l.height)};
    picture.channels = grey ? 1 : 3;
    picture.bits = std::min<int>(l.bits, 16);
    if (l.perPixel < picture.channels)
        return fileError(ErrorCode::Damaged, file, visible("has fewer samples a pixel than its colours need"));
    picture.samples.resize(size_t(l.width) * l.height * size_t(picture.channels));
    if (!readPieces(tif.get(), l, stop, picture))
        return stop.stop_requested() ? cancelledError() : fileError(ErrorCode::Damaged, file, visible("is cut off or damaged: a piece of the picture could not be decoded"));
    uint32_t length = 0;
    void *icc = nullptr;
    if (TIFFGetField(tif.get(), TIFFTAG_ICCPROFILE, &length, &icc) && icc)
        picture.profile.assign(static_cast<uint8_t *>(icc), static_cast<uint8_t *>(icc) + length);
    if (l.perPixel > picture.channels)
        picture.warnings.push_back(sentence("The picture's transparency or other extra channels were left out."));
    if (TIFFLastDirectory(tif.get()) == 0 && TIFFReadDirectory(tif.get()) == 1) {
        uint32_t kind = 0;
        TIFFGetField(tif.get(), TIFFTAG_SUBFILETYPE, &kind);
        if (!(kind & (FILETYPE_REDUCEDIMAGE | FILETYPE_MASK)))
            picture.warnings.push_back(sentence("The file holds several pictures; the first is read."));
    }
    if (l.format == SAMPLEFORMAT_IEEEFP)
        picture.warnings.push_back(sentence("Its %1-bit floats were rounded to 16 bits; values below 0 and above 1 were cut off.", {std::to_string(l.bits)}));
    return picture;
}

} // namespace irenic
