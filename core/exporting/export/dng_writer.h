// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/develop.h"
#include "irenic/export.h"
#include "raw/tiff_tree.h"
#include "storage/atomic_file.h"

namespace irenic {

/// Everything that goes into a DNG but where its bytes lie: the writer adds sizes, offsets and compression.
struct DngContents {
    TiffDirectory main; ///< first directory without its picture's layout; its exif and gps go along
    TiffDirectory raw;  ///< sensor directory without its picture's layout
    PlaneView<const uint16_t> samples;
    int perPixel = 1;                                          ///< samples: 1 of a mosaic, 3 of a linear DNG
    int bits = 16;                                             ///< 12 and 14 are packed when uncompressed; compressed samples are stored as 16
    DngCompression compression = DngCompression::LosslessJpeg; ///< tiles; uncompressed samples lie in a strip
    RgbImage<uint8_t> preview;
};

/// Appends a whole DNG to an empty file. Tiles are compressed in parallel, a row of tiles at a time, so memory
/// stays bounded.
Status writeDng(AtomicFile &file, const DngContents &contents, const RunContext &run);

/// Takes out of a directory every entry that says where and how its picture is stored.
void removePictureLayout(TiffDirectory &directory);

} // namespace irenic
