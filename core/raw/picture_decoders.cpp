// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/dng_reader.h"
#include "raw/jpeg_errors.h"
#include "raw/rendered_reader.h"

#include <cstdio>

#include <png.h>
#include <tiffio.h>

#include <cmath>

namespace irenic {

namespace {

constexpr uint32_t kMaxSidePx = 65535;

using File = std::unique_ptr<FILE, int (*)(FILE *)>;

File opened(const std::filesystem::path &file)
{
    return {std::fopen(file.c_str(), "rb"), [](FILE *f) { return f ? std::fclose(f) : 0; }};
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

/// Everything between setjmp and the decoder's return, with nothing in it that has a destructor.
bool readJpegRows(jpeg_decompress_struct &info, JpegErrors &errors, FILE *in, DecodedPicture &picture)
{
    if (setjmp(errors.away))
        return false;
    jpeg_create_decompress(&info);
    jpeg_stdio_src(&info, in);
    jpeg_save_markers(&info, JPEG_APP0 + 2, 0xffff);
    jpeg_read_header(&info, TRUE);
    if (info.jpeg_color_space == JCS_CMYK || info.jpeg_color_space == JCS_YCCK) {
        picture.channels = 4;
        return true;
    }
    picture.channels = info.jpeg_color_space == JCS_GRAYSCALE ? 1 : 3;
    info.out_color_space = picture.channels == 1 ? JCS_GRAYSCALE : JCS_RGB;
    jpeg_start_decompress(&info);
    picture.size = {int(info.output_width), int(info.output_height)};
    const size_t rowSamples = size_t(info.output_width) * size_t(picture.channels);
    picture.samples.resize(rowSamples * info.output_height);
    JSAMPARRAY row = (*info.mem->alloc_sarray)(reinterpret_cast<j_common_ptr>(&info), JPOOL_IMAGE, JDIMENSION(rowSamples), 1);
    while (info.output_scanline < info.output_height) {
        uint16_t *out = picture.samples.data() + size_t(info.output_scanline) * rowSamples;
        jpeg_read_scanlines(&info, row, 1);
        for (size_t i = 0; i < rowSamples; ++i)
            out[i] = widened(row[0][i]);
    }
    JOCTET *icc = nullptr;
    unsigned length = 0;
    if (jpeg_read_icc_profile(&info, &icc, &length)) {
        picture.profile.assign(icc, icc + length);
        std::free(icc);
    }
    picture.jpeg = codingOf(info);
    jpeg_finish_decompress(&info);
    return true;
}

} // namespace

Result<DecodedPicture> decodeJpeg(const std::filesystem::path &file)
{
    const File in = opened(file);
    if (!in)
        return readError(ErrorCode::NotFound, file, "cannot be opened for reading");
    DecodedPicture picture;
    jpeg_decompress_struct info{};
    JpegErrors errors;
    info.err = &errors;
    const bool read = readJpegRows(info, errors, in.get(), picture);
    char why[JMSG_LENGTH_MAX] = "";
    if (!read)
        (*info.err->format_message)(reinterpret_cast<j_common_ptr>(&info), why);
    const long warnings = info.err->num_warnings;
    jpeg_destroy_decompress(&info);
    if (!read)
        return readError(ErrorCode::Damaged, file, std::string("could not be decoded (") + why + ")");
    if (picture.channels == 4)
        return readError(ErrorCode::Unsupported, file, "is meant for printing inks (CMYK); save it as RGB");
    if (warnings > 0)
        picture.warnings.push_back("The JPEG data are damaged in places; part of the picture may be missing.");
    return picture;
}

// ---- PNG ----

namespace {

struct PngReader {
    png_structp png = nullptr;
    png_infop info = nullptr;
    std::string problem;
    ~PngReader() { png_destroy_read_struct(&png, &info, nullptr); }
    static void fail(png_structp png, png_const_charp message)
    {
        static_cast<PngReader *>(png_get_error_ptr(png))->problem = message;
        png_longjmp(png, 1);
    }
    static void keepQuiet(png_structp, png_const_charp) {}
};

bool readPngRows(PngReader &r, FILE *in, DecodedPicture &picture, std::vector<png_byte> &bytes, std::vector<png_bytep> &rows, bool &transparent)
{
    if (setjmp(png_jmpbuf(r.png)))
        return false;
    png_init_io(r.png, in);
    png_read_info(r.png, r.info);
    const int type = png_get_color_type(r.png, r.info);
    picture.bits = png_get_bit_depth(r.png, r.info) == 16 ? 16 : 8;
    picture.channels = type == PNG_COLOR_TYPE_GRAY || type == PNG_COLOR_TYPE_GRAY_ALPHA ? 1 : 3;
    picture.size = {int(png_get_image_width(r.png, r.info)), int(png_get_image_height(r.png, r.info))};
    transparent = (type & PNG_COLOR_MASK_ALPHA) || png_get_valid(r.png, r.info, PNG_INFO_tRNS);
    png_set_expand(r.png);
    png_set_strip_alpha(r.png);
    if (picture.bits == 16)
        png_set_swap(r.png);
    png_set_interlace_handling(r.png);
    png_read_update_info(r.png, r.info);
    const size_t rowBytes = png_get_rowbytes(r.png, r.info);
    bytes.resize(rowBytes * size_t(picture.size.height));
    for (int y = 0; y < picture.size.height; ++y)
        rows.push_back(bytes.data() + size_t(y) * rowBytes);
    png_read_image(r.png, rows.data());
    png_read_end(r.png, nullptr);
    png_charp name = nullptr;
    png_bytep icc = nullptr;
    png_uint_32 length = 0;
    int compression = 0;
    if (png_get_iCCP(r.png, r.info, &name, &compression, &icc, &length))
        picture.profile.assign(icc, icc + length);
    return true;
}

} // namespace

Result<DecodedPicture> decodePng(const std::filesystem::path &file)
{
    const File in = opened(file);
    if (!in)
        return readError(ErrorCode::NotFound, file, "cannot be opened for reading");
    PngReader r;
    r.png = png_create_read_struct(PNG_LIBPNG_VER_STRING, &r, PngReader::fail, PngReader::keepQuiet);
    r.info = r.png ? png_create_info_struct(r.png) : nullptr;
    DecodedPicture picture;
    std::vector<png_byte> bytes;
    std::vector<png_bytep> rows;
    bool transparent = false;
    if (!r.info || !readPngRows(r, in.get(), picture, bytes, rows, transparent))
        return readError(ErrorCode::Damaged, file, "could not be decoded (" + r.problem + ")");
    const size_t rowSamples = size_t(picture.size.width) * size_t(picture.channels);
    picture.samples.resize(rowSamples * size_t(picture.size.height));
    for (int y = 0; y < picture.size.height; ++y) {
        uint16_t *out = picture.samples.data() + size_t(y) * rowSamples;
        if (picture.bits == 16)
            std::memcpy(out, rows[size_t(y)], rowSamples * 2);
        else
            std::transform(rows[size_t(y)], rows[size_t(y)] + rowSamples, out, widened);
    }
    if (transparent)
        picture.warnings.push_back("The picture's transparency was left out.");
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
    if (l.bits == 16) {
        uint16_t v;
        std::memcpy(&v, p, 2);
        return v;
    }
    float v;
    std::memcpy(&v, p, 4);
    return v > 0 ? uint16_t(std::lround(std::min(v, 1.f) * 65535)) : uint16_t(0);
}

/// All strips or tiles, of all planes; what a piece holds of the first three samples goes into the picture.
bool readPieces(TIFF *tif, const TiffLayout &l, DecodedPicture &picture)
{
    const bool separate = l.planar == PLANARCONFIG_SEPARATE && l.perPixel > 1;
    const uint32_t across = (l.width + l.pieceWidth - 1) / l.pieceWidth, down = (l.height + l.pieceHeight - 1) / l.pieceHeight;
    const size_t perPiecePixel = separate ? 1 : l.perPixel;
    const tmsize_t pieceBytes = l.tiled ? TIFFTileSize(tif) : TIFFStripSize(tif);
    const size_t needed = size_t(l.pieceWidth) * l.pieceHeight * perPiecePixel * size_t(l.bytes());
    if (pieceBytes <= 0 || size_t(pieceBytes) < needed)
        return false;
    std::vector<uint8_t> piece(static_cast<size_t>(pieceBytes));
    const bool invert = l.photometric == PHOTOMETRIC_MINISWHITE;
    for (uint32_t plane = 0; plane < (separate ? uint32_t(picture.channels) : 1u); ++plane)
        for (uint32_t j = 0; j < down; ++j)
            for (uint32_t i = 0; i < across; ++i) {
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

Result<DecodedPicture> decodeTiff(const std::filesystem::path &file)
{
    TIFFSetWarningHandler(nullptr);
    TIFFSetErrorHandler(nullptr); // every call's answer is checked
    const TiffHandle tif{TIFFOpen(file.c_str(), "r"), [](TIFF *t) {
                             if (t)
                                 TIFFClose(t);
                         }};
    if (!tif)
        return readError(ErrorCode::Damaged, file, "is not a TIFF that can be read");
    TiffLayout l = layoutOf(tif.get());
    if (l.width < 1 || l.height < 1 || l.width > kMaxSidePx || l.height > kMaxSidePx || l.pieceWidth < 1 || l.pieceHeight < 1)
        return readError(ErrorCode::Damaged, file, "claims a size that no picture has");
    if (l.photometric == PHOTOMETRIC_YCBCR) {
        uint16_t compression = 0;
        TIFFGetField(tif.get(), TIFFTAG_COMPRESSION, &compression);
        if (compression != COMPRESSION_JPEG || !TIFFSetField(tif.get(), TIFFTAG_JPEGCOLORMODE, JPEGCOLORMODE_RGB))
            return readError(ErrorCode::Unsupported, file, "stores its colours in a way that this version does not read (YCbCr)");
        l.photometric = PHOTOMETRIC_RGB;
    }
    const bool grey = l.photometric == PHOTOMETRIC_MINISBLACK || l.photometric == PHOTOMETRIC_MINISWHITE;
    if (!grey && l.photometric != PHOTOMETRIC_RGB)
        return readError(ErrorCode::Unsupported, file, "is neither RGB nor grey; save it as RGB");
    const bool integers = l.format == SAMPLEFORMAT_UINT || l.format == SAMPLEFORMAT_VOID;
    if (!(integers && (l.bits == 8 || l.bits == 16)) && !(l.format == SAMPLEFORMAT_IEEEFP && l.bits == 32))
        return readError(ErrorCode::Unsupported, file, "stores " + std::to_string(l.bits) + " bits a sample; 8, 16 and 32-bit floats are read");
    DecodedPicture picture;
    picture.size = {int(l.width), int(l.height)};
    picture.channels = grey ? 1 : 3;
    picture.bits = std::min<int>(l.bits, 16);
    if (l.perPixel < picture.channels)
        return readError(ErrorCode::Damaged, file, "has fewer samples a pixel than its colours need");
    picture.samples.resize(size_t(l.width) * l.height * size_t(picture.channels));
    if (!readPieces(tif.get(), l, picture))
        return readError(ErrorCode::Damaged, file, "is cut off or damaged: a piece of the picture could not be decoded");
    uint32_t length = 0;
    void *icc = nullptr;
    if (TIFFGetField(tif.get(), TIFFTAG_ICCPROFILE, &length, &icc) && icc)
        picture.profile.assign(static_cast<uint8_t *>(icc), static_cast<uint8_t *>(icc) + length);
    if (l.perPixel > picture.channels)
        picture.warnings.push_back("The picture's transparency or other extra channels were left out.");
    if (l.bits == 32)
        picture.warnings.push_back("Its 32-bit floats were rounded to 16 bits; values below 0 and above 1 were cut off.");
    return picture;
}

} // namespace irenic
