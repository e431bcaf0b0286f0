// SPDX-License-Identifier: GPL-3.0-or-later
#include "camera/bench_camera.h"

#include "irenic/text.h"

#include <tiffio.h>

#include <bit>
#include <cmath>
#include <fstream>

namespace irenic {

namespace {

constexpr int kMaxSidePx = 30000;

Error sceneError(ErrorCode code, const std::filesystem::path &file, const char *what)
{
    return {code, textOf(file.filename()) + " " + what + ".", {}};
}

/// Portable float map: text header "PF", width, height, scale (negative: little-endian), rows from the bottom up.
Result<Scene> readPfm(const std::filesystem::path &file)
{
    std::ifstream in(file, std::ios::binary);
    std::string magic;
    Scene scene;
    double scale = 0;
    in >> magic >> scene.size.width >> scene.size.height >> scale;
    in.get();
    if (!in || magic != "PF" || scene.size.width < 16 || scene.size.height < 16 || scene.size.width > kMaxSidePx || scene.size.height > kMaxSidePx || scale == 0)
        return sceneError(ErrorCode::NotAPicture, file, "is not a colour PFM picture");
    const size_t rowFloats = size_t(scene.size.width) * 3;
    scene.rgb.resize(rowFloats * size_t(scene.size.height));
    for (int y = scene.size.height - 1; y >= 0; --y)
        in.read(reinterpret_cast<char *>(scene.rgb.data() + size_t(y) * rowFloats), std::streamsize(rowFloats * 4));
    if (!in)
        return sceneError(ErrorCode::Damaged, file, "is cut off");
    if (scale > 0)
        for (float &v : scene.rgb)
            v = std::bit_cast<float>(__builtin_bswap32(std::bit_cast<uint32_t>(v)));
    return scene;
}

Result<Scene> readTiffScene(const std::filesystem::path &file)
{
    TIFFSetWarningHandler(nullptr);
    const std::unique_ptr<TIFF, void (*)(TIFF *)> tif(TIFFOpen(file.c_str(), "r"), [](TIFF *t) { if (t) TIFFClose(t); });
    if (!tif)
        return sceneError(ErrorCode::NotAPicture, file, "is not a TIFF picture");
    uint32_t width = 0, height = 0;
    uint16_t bits = 0, channels = 0, format = SAMPLEFORMAT_UINT, planar = PLANARCONFIG_CONTIG;
    TIFFGetField(tif.get(), TIFFTAG_IMAGEWIDTH, &width);
    TIFFGetField(tif.get(), TIFFTAG_IMAGELENGTH, &height);
    TIFFGetFieldDefaulted(tif.get(), TIFFTAG_BITSPERSAMPLE, &bits);
    TIFFGetFieldDefaulted(tif.get(), TIFFTAG_SAMPLESPERPIXEL, &channels);
    TIFFGetFieldDefaulted(tif.get(), TIFFTAG_SAMPLEFORMAT, &format);
    TIFFGetFieldDefaulted(tif.get(), TIFFTAG_PLANARCONFIG, &planar);
    const bool isFloat = format == SAMPLEFORMAT_IEEEFP && bits == 32, isInteger = format == SAMPLEFORMAT_UINT && (bits == 8 || bits == 16);
    if (!(isFloat || isInteger) || channels < 3 || planar != PLANARCONFIG_CONTIG || TIFFIsTiled(tif.get()) || width < 16 || height < 16
        || width > kMaxSidePx || height > kMaxSidePx)
        return sceneError(ErrorCode::Unsupported, file, "is not an interleaved colour TIFF of 8 or 16 bits or 32-bit floats");
    Scene scene{{int(width), int(height)}, std::vector<float>(size_t(width) * height * 3)};
    std::vector<std::byte> row(size_t(TIFFScanlineSize(tif.get())));
    for (uint32_t y = 0; y < height; ++y) {
        if (TIFFReadScanline(tif.get(), row.data(), y) != 1)
            return sceneError(ErrorCode::Damaged, file, "is damaged");
        for (uint32_t x = 0; x < width; ++x)
            for (uint32_t c = 0; c < 3; ++c) {
                const size_t i = size_t(x) * channels + c;
                const float v = isFloat      ? reinterpret_cast<const float *>(row.data())[i]
                                : bits == 16 ? srgbDecoded(float(reinterpret_cast<const uint16_t *>(row.data())[i]) / 65535)
                                             : srgbDecoded(float(reinterpret_cast<const uint8_t *>(row.data())[i]) / 255);
                scene.rgb[(size_t(y) * width + x) * 3 + c] = v;
            }
    }
    return scene;
}

} // namespace

Result<Scene> readScene(const std::filesystem::path &file)
{
    std::error_code ec;
    if (!std::filesystem::is_regular_file(file, ec))
        return sceneError(ErrorCode::NotFound, file, "does not exist or is not a file");
    return file.extension() == ".pfm" ? readPfm(file) : readTiffScene(file);
}

} // namespace irenic
