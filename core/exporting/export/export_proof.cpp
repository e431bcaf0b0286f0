// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/export_rendered.h"

#include "base/parallel.h"
#include "base/random.h"
#include "raw/jpeg_errors.h"
#include "raw/rendered_reader.h"

#include <png.h>

#include <cmath>

namespace irenic {

namespace {

constexpr uint64_t kDitherSeed = 0x1e41c;

/// Everything between setjmp and the encoder's return, with nothing in it that has a destructor.
bool writeJpegRows(jpeg_compress_struct &info, JpegErrors &errors, FILE *out, const RgbImage<uint8_t> &picture, const std::vector<uint8_t> &icc, const JpegSettings &settings, const std::stop_token &stop)
{
    if (setjmp(errors.away))
        return false;
    jpeg_create_compress(&info);
    jpeg_stdio_dest(&info, out);
    info.image_width = JDIMENSION(picture.size.width);
    info.image_height = JDIMENSION(picture.size.height);
    info.input_components = 3;
    info.in_color_space = JCS_RGB;
    jpeg_set_defaults(&info);
    jpeg_set_quality(&info, settings.quality, TRUE);
    for (int c = 0; c < 3 && settings.colourAtFullSize; ++c)
        info.comp_info[c].h_samp_factor = info.comp_info[c].v_samp_factor = 1;
    info.optimize_coding = TRUE;
    info.density_unit = 1;
    info.X_density = info.Y_density = UINT16(std::lround(settings.dpi));
    jpeg_start_compress(&info, TRUE);
    if (!icc.empty())
        jpeg_write_icc_profile(&info, icc.data(), unsigned(icc.size()));
    for (int y = 0; y < picture.size.height; ++y) {
        if (stop.stop_requested())
            return false;
        JSAMPROW row[1] = {const_cast<JSAMPROW>(picture.row(y))};
        jpeg_write_scanlines(&info, row, 1);
    }
    jpeg_finish_compress(&info);
    return true;
}

bool writePngRows(png_structp png, png_infop info, const RgbImage<uint8_t> &picture, const std::vector<uint8_t> &icc, double dpi, FILE *out, const std::stop_token &stop)
{
    if (setjmp(png_jmpbuf(png)))
        return false;
    png_init_io(png, out);
    png_set_IHDR(png, info, png_uint_32(picture.size.width), png_uint_32(picture.size.height), 8, PNG_COLOR_TYPE_RGB, PNG_INTERLACE_NONE, PNG_COMPRESSION_TYPE_DEFAULT, PNG_FILTER_TYPE_DEFAULT);
    png_set_compression_level(png, 4);
    png_set_iCCP(png, info, "profile", PNG_COMPRESSION_TYPE_DEFAULT, icc.data(), png_uint_32(icc.size()));
    const auto perMetre = png_uint_32(std::lround(dpi / 0.0254));
    png_set_pHYs(png, info, perMetre, perMetre, PNG_RESOLUTION_METER);
    png_write_info(png, info);
    for (int y = 0; y < picture.size.height; ++y) {
        if (stop.stop_requested())
            return false;
        png_write_row(png, picture.row(y));
    }
    png_write_end(png, info);
    return true;
}

bool writePng(const std::filesystem::path &path, const RgbImage<uint8_t> &picture, const std::vector<uint8_t> &icc, double dpi, const std::stop_token &stop)
{
    FILE *out = std::fopen(path.c_str(), "wb");
    if (!out)
        return false;
    const auto quiet = [](png_structp, png_const_charp) {};
    png_structp png = png_create_write_struct(
        PNG_LIBPNG_VER_STRING, nullptr, [](png_structp p, png_const_charp) { png_longjmp(p, 1); }, quiet);
    png_infop info = png ? png_create_info_struct(png) : nullptr;
    const bool written = info && writePngRows(png, info, picture, icc, dpi, out, stop);
    png_destroy_write_struct(&png, &info);
    return std::fclose(out) == 0 && written;
}

/// Mean difference from what was meant, in steps of 8 bits, or a large number where it cannot be read or has another size or profile.
double strayOf(const Result<DecodedPicture> &read, const RgbImage<uint8_t> &meant, const std::vector<uint8_t> &profile)
{
    // A warning, too: a JPEG that breaks off is completed with grey.
    if (!read || !read.value().warnings.empty() || !(read.value().size == meant.size) || read.value().channels != 3 || read.value().profile != profile)
        return 1e9;
    double sum = 0;
    for (size_t i = 0; i < meant.samples.size(); ++i)
        sum += std::abs(double(read.value().samples[i]) / 257 - meant.samples[i]);
    return sum / double(meant.samples.size());
}

template <class Write, class Read>
PictureFile proofOf(RgbImage<uint8_t> picture, const ExportOptions &options, std::vector<uint8_t> profile, const Write &write, const Read &read, double mostStray)
{
    const auto held = std::make_shared<const RgbImage<uint8_t>>(std::move(picture));
    return {[=](const std::filesystem::path &path, const std::stop_token &stop) { return write(path, *held, profile, options.dpi, stop); },
            [=](const std::filesystem::path &path, const std::stop_token &stop) { return strayOf(read(path, stop), *held, profile) <= mostStray; }, held->size};
}

} // namespace

bool writeJpeg(const std::filesystem::path &path, const RgbImage<uint8_t> &picture, const std::vector<uint8_t> &icc, const JpegSettings &settings, const std::stop_token &stop)
{
    FILE *out = std::fopen(path.c_str(), "wb");
    if (!out)
        return false;
    jpeg_compress_struct info{};
    JpegErrors errors;
    info.err = &errors;
    const bool written = writeJpegRows(info, errors, out, picture, icc, settings, stop);
    jpeg_destroy_compress(&info);
    return std::fclose(out) == 0 && written;
}

Result<RgbImage<uint8_t>> dithered8(const RgbImage<uint16_t> &picture, const RunContext &run)
{
    auto out = RgbImage<uint8_t>::ofSize(picture.size);
    const Status done = parallelFor(picture.size.height, {run.threads, run.stop, {}, run.background}, [&](int y) {
        for (int x = 0; x < picture.size.width; ++x) {
            RandomAt random(kDitherSeed, 0, x, y);
            const double noise = random.uniform() - 0.5; // the same for all colours: dither must not become colour noise
            for (int c = 0; c < 3; ++c)
                out.row(y)[3 * x + c] = uint8_t(std::clamp(std::lround(picture.row(y)[3 * x + c] / 257.0 + noise), 0l, 255l));
        }
    });
    if (!done)
        return done.error();
    return out;
}

PictureFile jpegProof(RgbImage<uint8_t> picture, const ExportOptions &options, std::vector<uint8_t> profile)
{
    constexpr double kMostStray = 4; // of 255: fine noise at this quality strays by two
    const auto write = [](const auto &path, const auto &held, const auto &icc, double dpi, const std::stop_token &stop) {
        return writeJpeg(path, held, icc, {.dpi = dpi}, stop); // colour at full size: a proof of colour noise must show it
    };
    return proofOf(std::move(picture), options, std::move(profile), write, decodeJpeg, kMostStray);
}

PictureFile pngProof(RgbImage<uint8_t> picture, const ExportOptions &options, std::vector<uint8_t> profile)
{
    return proofOf(std::move(picture), options, std::move(profile), writePng, decodePng, 0);
}

} // namespace irenic
