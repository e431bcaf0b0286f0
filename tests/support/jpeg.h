// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QByteArray>

#include <cstdio>
#include <vector>

#include <jpeglib.h>

namespace irenic::test {

/// A JPEG of eight bits, by the JPEG library. @param samples row by row, `channels` (1 or 3) a pixel
inline QByteArray jpeg(const std::vector<uint8_t> &samples, int width, int height, int channels, int quality)
{
    jpeg_compress_struct c;
    jpeg_error_mgr errors;
    c.err = jpeg_std_error(&errors);
    jpeg_create_compress(&c);
    unsigned char *bytes = nullptr;
    unsigned long length = 0;
    jpeg_mem_dest(&c, &bytes, &length);
    c.image_width = JDIMENSION(width);
    c.image_height = JDIMENSION(height);
    c.input_components = channels;
    c.in_color_space = channels == 1 ? JCS_GRAYSCALE : JCS_RGB;
    jpeg_set_defaults(&c);
    jpeg_set_quality(&c, quality, TRUE);
    jpeg_start_compress(&c, TRUE);
    while (c.next_scanline < c.image_height) {
        JSAMPROW row = const_cast<JSAMPROW>(samples.data() + size_t(c.next_scanline) * size_t(width) * size_t(channels));
        jpeg_write_scanlines(&c, &row, 1);
    }
    jpeg_finish_compress(&c);
    const QByteArray out(reinterpret_cast<const char *>(bytes), qsizetype(length));
    jpeg_destroy_compress(&c);
    std::free(bytes);
    return out;
}

} // namespace irenic::test
