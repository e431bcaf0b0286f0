// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/budget.h"
#include "base/input_file.h"
#include "colour/profile.h"
#include "irenic/sentence.h"
#include "raw/jpeg_xl_reader.h"
#include "raw/rendered_reader.h"

#include "irenic/parameter.h"
#include <libheif/heif.h>

#include <cmath>

namespace irenic {

namespace {

constexpr uint64_t kMostFileBytes = uint64_t(1) << 31;

Result<std::vector<uint8_t>> wholeOf(const std::filesystem::path &file)
{
    const Result<InputFile> in = InputFile::open(file);
    if (!in)
        return in.error();
    if (in.value().bytes() > std::min(kMostFileBytes, memoryBudget()))
        return fileError(ErrorCode::Unsupported, file, visible("is too large for a picture of its kind"));
    std::vector<uint8_t> bytes(size_t(in.value().bytes()));
    if (!in.value().read(0, bytes.data(), bytes.size()))
        return fileError(ErrorCode::Damaged, file, visible("could not be read to its end"));
    return bytes;
}

} // namespace

Result<DecodedPicture> decodeJpegXl(const std::filesystem::path &file, const std::stop_token &stop)
{
    const Result<std::vector<uint8_t>> bytes = wholeOf(file);
    if (!bytes)
        return bytes.error();
    constexpr uint64_t kMostPixels = uint64_t(65535) * 65535, kLeastPixels = 4'000'000;
    // As ReadBudget has it: no photograph holds more than 200 pixels a byte.
    const uint64_t pixels = std::min(kMostPixels, std::max(kLeastPixels, uint64_t(bytes.value().size()) * 200));
    std::string why;
    auto jxl = decodeJpegXl(bytes.value(), {pixels, memoryBudget() / 2, false}, stop, why);
    if (stop.stop_requested())
        return cancelledError();
    if (!jxl)
        return fileError(ErrorCode::Damaged, file, sentence("could not be decoded: its JPEG XL picture %1", {sentence(why.c_str())}));
    DecodedPicture picture;
    picture.size = {jxl->width, jxl->height};
    picture.channels = jxl->channels;
    picture.bits = std::clamp(jxl->bits, 8, 16);
    picture.profile = std::move(jxl->profile);
    picture.isUpright = true;
    picture.hasMetadata = bytes.value().front() == 0; // in boxes
    if (jxl->wide.empty()) {
        picture.samples = std::move(jxl->whole);
    } else {
        picture.samples.resize(jxl->wide.size());
        std::transform(jxl->wide.begin(), jxl->wide.end(), picture.samples.begin(), [](float v) { return v > 0 ? uint16_t(std::lround(std::min(v, 1.f) * 65535)) : uint16_t(0); });
        const std::vector<std::string> bits{std::to_string(jxl->bits)};
        picture.warnings.push_back(jxl->isFloat ? sentence("Its %1-bit floats were rounded to 16 bits; values below 0 and above 1 were cut off.", bits) : sentence("Its %1-bit numbers were rounded to 16 bits; values below 0 and above 1 were cut off.", bits));
    }
    if (jxl->hasAlpha)
        picture.warnings.push_back(sentence("The picture's transparency or other extra channels were left out."));
    if (jxl->isAnimated)
        picture.warnings.push_back(sentence("The file holds several pictures; the first is read."));
    return picture;
}

Result<DecodedPicture> decodeHeif(const std::filesystem::path &file, const std::stop_token &stop)
{
    const Result<std::vector<uint8_t>> bytes = wholeOf(file);
    if (!bytes)
        return bytes.error();
    const std::unique_ptr<heif_context, void (*)(heif_context *)> context(heif_context_alloc(), heif_context_free);
    const auto failed = [&](const heif_error &e) {
        return fileError(e.code == heif_error_Unsupported_filetype || e.code == heif_error_Unsupported_feature ? ErrorCode::Unsupported : ErrorCode::Damaged, file,
                         std::string("could not be decoded (") + (e.message ? e.message : "") + ")");
    };
    if (const heif_error e = heif_context_read_from_memory_without_copy(context.get(), bytes.value().data(), bytes.value().size(), nullptr); e.code != heif_error_Ok)
        return failed(e);
    heif_image_handle *rawHandle = nullptr;
    if (const heif_error e = heif_context_get_primary_image_handle(context.get(), &rawHandle); e.code != heif_error_Ok)
        return failed(e);
    const std::unique_ptr<heif_image_handle, void (*)(const heif_image_handle *)> handle(rawHandle, heif_image_handle_release);
    const int width = heif_image_handle_get_width(handle.get()), height = heif_image_handle_get_height(handle.get());
    DecodedPicture picture;
    picture.bits = std::max(8, heif_image_handle_get_luma_bits_per_pixel(handle.get()));
    if (width < 1 || height < 1 || picture.bits > 16)
        return fileError(ErrorCode::Damaged, file, visible("claims a size that no picture has"));
    if (const Status s = ReadBudget{bytes.value().size()}.allows(file, uint64_t(width), uint64_t(height), 2 * kBytesASample * 3); !s)
        return s.error();
    if (const size_t length = heif_image_handle_get_raw_color_profile_size(handle.get()); length > 0 && length <= bytes.value().size()) {
        picture.profile.resize(length);
        if (heif_image_handle_get_raw_color_profile(handle.get(), picture.profile.data()).code != heif_error_Ok)
            picture.profile.clear();
    }
    if (stop.stop_requested())
        return cancelledError();
    if (picture.profile.empty()) {
        heif_color_profile_nclx *codes = nullptr;
        if (heif_image_handle_get_nclx_color_profile(handle.get(), &codes).code == heif_error_Ok && codes) {
            const int primaries = int(codes->color_primaries), transfer = int(codes->transfer_characteristics);
            heif_nclx_color_profile_free(codes);
            constexpr int kUnspecified = 2;
            const bool isSrgb = (primaries == 1 || primaries == kUnspecified) && (transfer == 13 || transfer == kUnspecified);
            if (!isSrgb)
                picture.profile = profileOfCodePoints(primaries == kUnspecified ? 1 : primaries, transfer == kUnspecified ? 13 : transfer);
            if (!isSrgb && picture.profile.empty())
                return fileError(ErrorCode::Unsupported, file, sentence("tells its colours in a way that this version does not read (primaries %1, transfer %2)", {std::to_string(primaries), std::to_string(transfer)}));
        }
    }
    const bool wide = picture.bits > 8;
    heif_image *rawImage = nullptr;
    if (const heif_error e = heif_decode_image(handle.get(), &rawImage, heif_colorspace_RGB, wide ? heif_chroma_interleaved_RRGGBB_LE : heif_chroma_interleaved_RGB, nullptr); e.code != heif_error_Ok)
        return failed(e);
    const std::unique_ptr<heif_image, void (*)(const heif_image *)> image(rawImage, heif_image_release);
    int stride = 0;
    const uint8_t *rows = heif_image_get_plane_readonly(image.get(), heif_channel_interleaved, &stride);
    picture.size = {heif_image_get_width(image.get(), heif_channel_interleaved), heif_image_get_height(image.get(), heif_channel_interleaved)};
    const int bits = heif_image_get_bits_per_pixel_range(image.get(), heif_channel_interleaved);
    if (!rows || picture.size.width < 1 || picture.size.height < 1 || picture.size.area() > 4 * int64_t(width) * height)
        return fileError(ErrorCode::Damaged, file, visible("could not be decoded"));
    const size_t rowSamples = size_t(picture.size.width) * 3;
    picture.samples.resize(rowSamples * size_t(picture.size.height));
    const double full = std::exp2(wide ? bits : 8) - 1;
    for (int y = 0; y < picture.size.height; ++y) {
        if (stop.stop_requested())
            return cancelledError();
        const uint8_t *from = rows + ptrdiff_t(y) * stride;
        uint16_t *to = picture.samples.data() + size_t(y) * rowSamples;
        for (size_t i = 0; i < rowSamples; ++i) {
            const int v = wide ? from[2 * i] | from[2 * i + 1] << 8 : from[i];
            to[i] = uint16_t(std::lround(std::min(double(v) / full, 1.0) * 65535));
        }
    }
    picture.isUpright = true;
    if (heif_image_handle_has_alpha_channel(handle.get()))
        picture.warnings.push_back(sentence("The picture's transparency was left out."));
    if (heif_context_get_number_of_top_level_images(context.get()) > 1)
        picture.warnings.push_back(sentence("The file holds several pictures; the main one is read."));
    return picture;
}

} // namespace irenic
