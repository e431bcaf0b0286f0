// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/glimpse.h"

#include "base/input_file.h"
#include "irenic/parameter.h"
#include "raw/metadata.h"

#include <exiv2/exiv2.hpp>

namespace irenic {

Result<Glimpse> glimpseOf(const std::filesystem::path &file, int leastLongEdgePx)
{
    std::error_code ignored;
    if (!std::filesystem::is_regular_file(file, ignored))
        return fileError(ErrorCode::NotFound, file, visible("cannot be opened for reading"));
    Glimpse g;
    try {
        const auto image = openMetadata(file);
        g.shooting = shootingOf(image->exifData());
        g.orientation = orientationOf(image->exifData());
        const Exiv2::PreviewManager previews(*image);
        Exiv2::PreviewPropertiesList all = previews.getPreviewProperties(); // by size, the smallest first
        std::erase_if(all, [](const Exiv2::PreviewProperties &p) { return p.mimeType_ != "image/jpeg" || p.size_ > kLargestGlimpse; });
        if (!all.empty()) {
            const auto enough = std::find_if(all.begin(), all.end(), [=](const auto &p) { return int(std::max(p.width_, p.height_)) >= leastLongEdgePx; });
            const Exiv2::PreviewImage preview = previews.getPreviewImage(enough == all.end() ? all.back() : *enough);
            g.jpeg.assign(preview.pData(), preview.pData() + preview.size());
        }
    } catch (const std::exception &) { // of whatever the library meets in a damaged file
        return fileError(ErrorCode::Unsupported, file, visible("has no metadata that can be read"));
    }
    return g;
}

} // namespace irenic
