// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <libraw/libraw.h>

#include <array>
#include <filesystem>
#include <vector>

namespace irenic::test {

/// Means of blocks of a raw file as LibRaw develops it: linear sRGB, 0 .. 65535, white balance as shot, nothing brightened. Empty where
/// LibRaw refuses the file.
/// @param quality LibRaw's number of a demosaicing method, -1 for its own choice
inline std::vector<std::array<double, 3>> developedBlocks(const std::filesystem::path &file, int side, int inset = 0, int quality = -1)
{
    LibRaw raw;
    raw.imgdata.params.use_camera_wb = 1;
    raw.imgdata.params.no_auto_bright = 1;
    raw.imgdata.params.output_bps = 16;
    raw.imgdata.params.adjust_maximum_thr = 0;
    raw.imgdata.params.user_qual = quality;
    std::vector<std::array<double, 3>> blocks;
    if (raw.open_file(file.c_str()) || raw.unpack() || raw.dcraw_process())
        return blocks;
    const auto &size = raw.imgdata.sizes;
    for (int y0 = inset; y0 + side <= size.iheight - inset; y0 += side)
        for (int x0 = inset; x0 + side <= size.iwidth - inset; x0 += side) {
            std::array<double, 3> mean{};
            for (int y = y0; y < y0 + side; ++y)
                for (int x = x0; x < x0 + side; ++x)
                    for (size_t c = 0; c < 3; ++c)
                        mean[c] += double(raw.imgdata.image[y * size.iwidth + x][c]) / (side * side);
            blocks.push_back(mean);
        }
    return blocks;
}

} // namespace irenic::test
