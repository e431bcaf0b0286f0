// SPDX-License-Identifier: GPL-3.0-or-later
#include "export/jpeg_xl.h"

#include <jxl/encode.h>

#include <cstdint>
#include <cstring>
#include <memory>
#include <string_view>

namespace irenic {

namespace {

/// What the boxes of a container (ISO/IEC 18181-2) hold of the codestream. Sixteen bits without loss ask for level 10, which libjxl only writes into one.
std::vector<std::byte> codestreamIn(const std::vector<std::byte> &container)
{
    constexpr std::byte kBareBegin[] = {std::byte(0xff), std::byte(0x0a)};
    if (container.size() >= 2 && std::memcmp(container.data(), kBareBegin, 2) == 0)
        return container;
    std::vector<std::byte> bare;
    const auto numberAt = [&](size_t at) { return uint32_t(container[at]) << 24 | uint32_t(container[at + 1]) << 16 | uint32_t(container[at + 2]) << 8 | uint32_t(container[at + 3]); };
    constexpr size_t kHead = 8, kPartNumber = 4;
    for (size_t at = 0; at + kHead <= container.size();) {
        const size_t told = numberAt(at), size = told == 0 ? container.size() - at : told; // 0: to the end
        if (size < kHead || size > container.size() - at)
            return {}; // longer than 32 bits hold, which no tile is
        const std::string_view kind(reinterpret_cast<const char *>(container.data()) + at + 4, 4);
        const size_t skipped = kind == "jxlc" ? kHead : kind == "jxlp" ? kHead + kPartNumber
                                                                       : size;
        if (skipped <= size)
            bare.insert(bare.end(), container.begin() + std::ptrdiff_t(at + skipped), container.begin() + std::ptrdiff_t(at + size));
        at += size;
    }
    return bare;
}

} // namespace

std::vector<std::byte> encodeJpegXl(PlaneView<const uint16_t> tile, int channels)
{
    constexpr int kEffort = 3; // at 7 one to four in a hundred less, for eight times the time
    const std::unique_ptr<JxlEncoder, void (*)(JxlEncoder *)> encoder(JxlEncoderCreate(nullptr), JxlEncoderDestroy);
    if (!encoder)
        return {};
    JxlBasicInfo info;
    JxlEncoderInitBasicInfo(&info);
    info.xsize = uint32_t(tile.width / channels);
    info.ysize = uint32_t(tile.height);
    info.bits_per_sample = 16;
    info.num_color_channels = uint32_t(channels);
    info.uses_original_profile = JXL_TRUE; // no transform of colours that could round
    JxlColorEncoding linear;
    JxlColorEncodingSetToLinearSRGB(&linear, channels == 1);
    JxlEncoderFrameSettings *settings = JxlEncoderFrameSettingsCreate(encoder.get(), nullptr);
    std::vector<uint16_t> samples(size_t(tile.width) * size_t(tile.height));
    for (int y = 0; y < tile.height; ++y)
        std::copy_n(tile.row(y), tile.width, samples.begin() + ptrdiff_t(y) * tile.width);
    const JxlPixelFormat format{uint32_t(channels), JXL_TYPE_UINT16, JXL_NATIVE_ENDIAN, 0};
    if (JxlEncoderSetBasicInfo(encoder.get(), &info) != JXL_ENC_SUCCESS || JxlEncoderSetColorEncoding(encoder.get(), &linear) != JXL_ENC_SUCCESS || JxlEncoderSetFrameLossless(settings, JXL_TRUE) != JXL_ENC_SUCCESS
        || JxlEncoderFrameSettingsSetOption(settings, JXL_ENC_FRAME_SETTING_EFFORT, kEffort) != JXL_ENC_SUCCESS || JxlEncoderAddImageFrame(settings, &format, samples.data(), samples.size() * sizeof(uint16_t)) != JXL_ENC_SUCCESS)
        return {};
    JxlEncoderCloseInput(encoder.get());
    std::vector<std::byte> out(samples.size() * sizeof(uint16_t) + 4096);
    uint8_t *next = reinterpret_cast<uint8_t *>(out.data());
    size_t left = out.size();
    JxlEncoderStatus status;
    while ((status = JxlEncoderProcessOutput(encoder.get(), &next, &left)) == JXL_ENC_NEED_MORE_OUTPUT) {
        const size_t used = out.size() - left;
        out.resize(2 * out.size());
        next = reinterpret_cast<uint8_t *>(out.data()) + used;
        left = out.size() - used;
    }
    if (status != JXL_ENC_SUCCESS)
        return {};
    out.resize(out.size() - left);
    return codestreamIn(out);
}

} // namespace irenic
