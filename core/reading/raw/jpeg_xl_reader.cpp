// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/jpeg_xl_reader.h"

#include "irenic/parameter.h"
#include <jxl/decode.h>
#include <jxl/thread_parallel_runner.h>
#include <jxl/version.h>

#include <algorithm>
#include <atomic>
#include <cstdlib>
#include <cstring>
#include <memory>

namespace irenic {

namespace {

/// The library's memory, counted: beyond the limit there is none.
class Memory
{
public:
    explicit Memory(uint64_t most) { allow(most); }
    void allow(uint64_t more) { m_left += int64_t(std::min<uint64_t>(more, INT64_MAX / 4)); }
    JxlMemoryManager manager()
    {
        return {this, [](void *self, size_t bytes) { return static_cast<Memory *>(self)->take(bytes); }, [](void *self, void *p) { static_cast<Memory *>(self)->giveBack(p); }};
    }

private:
    static constexpr size_t kHead = 32; // keeps the alignment
    void *take(size_t bytes)
    {
        if (bytes > SIZE_MAX - kHead)
            return nullptr;
        if ((m_left -= int64_t(bytes)) < 0) {
            m_left += int64_t(bytes);
            return nullptr;
        }
        auto *p = static_cast<uint8_t *>(std::malloc(bytes + kHead));
        if (!p) {
            m_left += int64_t(bytes);
            return nullptr;
        }
        std::memcpy(p, &bytes, sizeof bytes);
        return p + kHead;
    }
    void giveBack(void *given)
    {
        if (!given)
            return;
        auto *p = static_cast<uint8_t *>(given) - kHead;
        size_t bytes;
        std::memcpy(&bytes, p, sizeof bytes);
        m_left += int64_t(bytes);
        std::free(p);
    }
    std::atomic<int64_t> m_left = 0;
};

constexpr uint64_t kBytesAtFirst = 128 << 20, kBytesAPixel = 96; ///< that decoding takes: 24 to 60 were seen
constexpr size_t kChunk = 1 << 20;                               ///< bytes between looks at the stop
constexpr size_t kMostProfileBytes = 4 << 20;

#if JPEGXL_MAJOR_VERSION > 0 || JPEGXL_MINOR_VERSION >= 9
JxlDecoderStatus profileSize(JxlDecoder *d, const JxlPixelFormat *, size_t *bytes)
{
    return JxlDecoderGetICCProfileSize(d, JXL_COLOR_PROFILE_TARGET_DATA, bytes);
}
JxlDecoderStatus profile(JxlDecoder *d, const JxlPixelFormat *, std::vector<uint8_t> &to)
{
    return JxlDecoderGetColorAsICCProfile(d, JXL_COLOR_PROFILE_TARGET_DATA, to.data(), to.size());
}
#else
JxlDecoderStatus profileSize(JxlDecoder *d, const JxlPixelFormat *format, size_t *bytes)
{
    return JxlDecoderGetICCProfileSize(d, format, JXL_COLOR_PROFILE_TARGET_DATA, bytes);
}
JxlDecoderStatus profile(JxlDecoder *d, const JxlPixelFormat *format, std::vector<uint8_t> &to)
{
    return JxlDecoderGetColorAsICCProfile(d, format, JXL_COLOR_PROFILE_TARGET_DATA, to.data(), to.size());
}
#endif

} // namespace

std::optional<JpegXl> decodeJpegXl(std::span<const uint8_t> bytes, const JpegXlLimits &limits, const std::stop_token &stop, std::string &problem)
{
    Memory memory(std::min(kBytesAtFirst, limits.mostBytes));
    const JxlMemoryManager manager = memory.manager();
    const std::unique_ptr<JxlDecoder, void (*)(JxlDecoder *)> decoder(JxlDecoderCreate(&manager), JxlDecoderDestroy);
    const std::unique_ptr<void, void (*)(void *)> threads(limits.inOneThread ? nullptr : JxlThreadParallelRunnerCreate(nullptr, JxlThreadParallelRunnerDefaultNumWorkerThreads()),
                                                          [](void *p) { if (p) JxlThreadParallelRunnerDestroy(p); });
    JxlDecoder *d = decoder.get();
    JpegXl out;
    const auto fail = [&](const char *why) {
        problem = why;
        return std::nullopt;
    };
    if (!d || JxlDecoderSubscribeEvents(d, JXL_DEC_BASIC_INFO | JXL_DEC_COLOR_ENCODING | JXL_DEC_FULL_IMAGE) != JXL_DEC_SUCCESS
        || (threads && JxlDecoderSetParallelRunner(d, JxlThreadParallelRunner, threads.get()) != JXL_DEC_SUCCESS))
        return fail(visible("could not be decoded for want of memory"));
    JxlPixelFormat format{3, JXL_TYPE_UINT16, JXL_NATIVE_ENDIAN, 0};
    std::span<const uint8_t> left = bytes, given = left.first(std::min(kChunk, left.size()));
    JxlDecoderSetInput(d, given.data(), given.size());
    for (;;) {
        if (stop.stop_requested())
            return fail(visible("was not decoded to its end"));
        switch (JxlDecoderProcessInput(d)) {
        case JXL_DEC_NEED_MORE_INPUT: {
            const size_t unread = JxlDecoderReleaseInput(d);
            left = left.subspan(given.size() - unread);
            if (left.size() <= unread)
                return fail(visible("breaks off"));
            given = left.first(std::min(left.size(), unread + kChunk));
            JxlDecoderSetInput(d, given.data(), given.size());
            break;
        }
        case JXL_DEC_BASIC_INFO: {
            JxlBasicInfo info;
            if (JxlDecoderGetBasicInfo(d, &info) != JXL_DEC_SUCCESS)
                return fail(visible("has a broken header"));
            if (info.xsize < 1 || info.ysize < 1 || uint64_t(info.xsize) * info.ysize > limits.mostPixels)
                return fail(visible("has another size than its place"));
            if (info.num_color_channels != 1 && info.num_color_channels != 3)
                return fail(visible("has neither one nor three colours"));
            memory.allow(std::min(uint64_t(info.xsize) * info.ysize * kBytesAPixel, limits.mostBytes - std::min(kBytesAtFirst, limits.mostBytes)));
            out.width = int(info.xsize);
            out.height = int(info.ysize);
            if (info.orientation >= JXL_ORIENT_TRANSPOSE) // sizes are told as coded
                std::swap(out.width, out.height);
            out.channels = int(info.num_color_channels);
            out.bits = int(info.bits_per_sample);
            out.isFloat = info.exponent_bits_per_sample > 0;
            out.hasAlpha = info.num_extra_channels > 0;
            out.isAnimated = info.have_animation;
            format.num_channels = info.num_color_channels;
            format.data_type = out.isFloat || out.bits > 16 ? JXL_TYPE_FLOAT : JXL_TYPE_UINT16;
            break;
        }
        case JXL_DEC_COLOR_ENCODING: {
            size_t length = 0;
            if (profileSize(d, &format, &length) == JXL_DEC_SUCCESS && length <= kMostProfileBytes) {
                out.profile.resize(length);
                if (profile(d, &format, out.profile) != JXL_DEC_SUCCESS)
                    out.profile.clear();
            }
            break;
        }
        case JXL_DEC_NEED_IMAGE_OUT_BUFFER: {
            size_t length = 0;
            const size_t samples = size_t(out.width) * size_t(out.height) * size_t(out.channels), width = format.data_type == JXL_TYPE_FLOAT ? 4 : 2;
            if (out.width < 1 || JxlDecoderImageOutBufferSize(d, &format, &length) != JXL_DEC_SUCCESS || length != samples * width)
                return fail(visible("has a broken header"));
            void *to;
            if (width == 4) {
                out.wide.resize(samples);
                to = out.wide.data();
            } else {
                out.whole.resize(samples);
                to = out.whole.data();
            }
            if (JxlDecoderSetImageOutBuffer(d, &format, to, length) != JXL_DEC_SUCCESS)
                return fail(visible("could not be decoded for want of memory"));
            break;
        }
        case JXL_DEC_FULL_IMAGE:
        case JXL_DEC_SUCCESS:
            if (out.whole.empty() && out.wide.empty())
                return fail(visible("holds no picture"));
            return out;
        default: return fail(visible("could not be decoded"));
        }
    }
}

} // namespace irenic
