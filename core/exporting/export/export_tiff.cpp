// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/export_rendered.h"

#include <tiffio.h>

namespace irenic {

namespace {

using TiffHandle = std::unique_ptr<TIFF, void (*)(TIFF *)>;

TiffHandle openTiff(const std::filesystem::path &path, const char *mode)
{
    TIFFSetWarningHandler(nullptr);
    TIFFSetErrorHandler(nullptr); // every call's answer is checked
    return {TIFFOpen(path.c_str(), mode), [](TIFF *t) {
                if (t)
                    TIFFClose(t);
            }};
}

template <class T>
bool writePixels(const std::filesystem::path &path, const RgbImage<T> &picture, const ExportOptions &options, const std::vector<uint8_t> &icc, const std::stop_token &stop)
{
    constexpr bool isFloat = std::is_floating_point_v<T>;
    const TiffHandle tif = openTiff(path, "w"); // exportCleaned() has refused what only a BigTIFF could hold
    if (!tif)
        return false;
    TIFFSetField(tif.get(), TIFFTAG_IMAGEWIDTH, uint32_t(picture.size.width));
    TIFFSetField(tif.get(), TIFFTAG_IMAGELENGTH, uint32_t(picture.size.height));
    TIFFSetField(tif.get(), TIFFTAG_BITSPERSAMPLE, int(8 * sizeof(T)));
    TIFFSetField(tif.get(), TIFFTAG_SAMPLEFORMAT, isFloat ? SAMPLEFORMAT_IEEEFP : SAMPLEFORMAT_UINT);
    TIFFSetField(tif.get(), TIFFTAG_SAMPLESPERPIXEL, 3);
    TIFFSetField(tif.get(), TIFFTAG_PHOTOMETRIC, PHOTOMETRIC_RGB);
    TIFFSetField(tif.get(), TIFFTAG_PLANARCONFIG, PLANARCONFIG_CONTIG);
    constexpr uint16_t kCompressions[] = {COMPRESSION_NONE, COMPRESSION_ADOBE_DEFLATE, COMPRESSION_LZW};
    TIFFSetField(tif.get(), TIFFTAG_COMPRESSION, kCompressions[size_t(options.compression)]);
    if (options.compression != TiffCompression::None)
        TIFFSetField(tif.get(), TIFFTAG_PREDICTOR, isFloat ? PREDICTOR_FLOATINGPOINT : PREDICTOR_HORIZONTAL);
    if (options.compression == TiffCompression::Deflate)
        TIFFSetField(tif.get(), TIFFTAG_ZIPQUALITY, 3);
    TIFFSetField(tif.get(), TIFFTAG_ROWSPERSTRIP, 64);
    TIFFSetField(tif.get(), TIFFTAG_ORIENTATION, ORIENTATION_TOPLEFT);
    TIFFSetField(tif.get(), TIFFTAG_XRESOLUTION, options.dpi);
    TIFFSetField(tif.get(), TIFFTAG_YRESOLUTION, options.dpi);
    TIFFSetField(tif.get(), TIFFTAG_RESOLUTIONUNIT, RESUNIT_INCH);
    TIFFSetField(tif.get(), TIFFTAG_SOFTWARE, "Irenic " IRENIC_VERSION);
    if (!icc.empty())
        TIFFSetField(tif.get(), TIFFTAG_ICCPROFILE, uint32_t(icc.size()), icc.data());
    std::vector<T> row(size_t(picture.size.width) * 3); // LibTIFF's predictor scribbles over what it is given
    for (int y = 0; y < picture.size.height; ++y) {
        std::copy_n(picture.row(y), row.size(), row.begin());
        if (stop.stop_requested() || TIFFWriteScanline(tif.get(), row.data(), uint32_t(y)) != 1)
            return false;
    }
    return TIFFFlush(tif.get()) == 1;
}

template <class T>
bool readsBackAs(const std::filesystem::path &path, const RgbImage<T> &picture, const std::vector<uint8_t> &icc, const std::stop_token &stop)
{
    const TiffHandle tif = openTiff(path, "r");
    uint32_t width = 0, height = 0;
    if (!tif || !TIFFGetField(tif.get(), TIFFTAG_IMAGEWIDTH, &width) || !TIFFGetField(tif.get(), TIFFTAG_IMAGELENGTH, &height)
        || width != uint32_t(picture.size.width) || height != uint32_t(picture.size.height)
        || TIFFScanlineSize(tif.get()) != tmsize_t(width * 3 * sizeof(T)))
        return false;
    uint32_t profileBytes = 0;
    void *profile = nullptr;
    uint16_t turn = ORIENTATION_TOPLEFT;
    TIFFGetFieldDefaulted(tif.get(), TIFFTAG_ORIENTATION, &turn);
    if (turn != ORIENTATION_TOPLEFT || !TIFFGetField(tif.get(), TIFFTAG_ICCPROFILE, &profileBytes, &profile) || profileBytes != icc.size() || std::memcmp(profile, icc.data(), icc.size()) != 0)
        return false;
    std::vector<T> row(size_t(width) * 3);
    for (uint32_t y = 0; y < height; ++y)
        if (stop.stop_requested() || TIFFReadScanline(tif.get(), row.data(), y) != 1 || std::memcmp(row.data(), picture.row(int(y)), row.size() * sizeof(T)) != 0)
            return false;
    return true;
}

template <class T>
PictureFile fileOf(RgbImage<T> picture, const ExportOptions &options, std::vector<uint8_t> profile)
{
    const auto held = std::make_shared<const RgbImage<T>>(std::move(picture));
    return {[=](const std::filesystem::path &path, const std::stop_token &stop) { return writePixels(path, *held, options, profile, stop); },
            [=](const std::filesystem::path &path, const std::stop_token &stop) { return readsBackAs(path, *held, profile, stop); }, held->size};
}

} // namespace

PictureFile tiffFile(RgbImage<uint16_t> picture, const ExportOptions &options, std::vector<uint8_t> profile)
{
    return fileOf(std::move(picture), options, std::move(profile));
}

PictureFile tiffFile(RgbImage<uint8_t> picture, const ExportOptions &options, std::vector<uint8_t> profile)
{
    return fileOf(std::move(picture), options, std::move(profile));
}

PictureFile tiffFile(RgbImage<float> picture, const ExportOptions &options, std::vector<uint8_t> profile)
{
    return fileOf(std::move(picture), options, std::move(profile));
}

} // namespace irenic
