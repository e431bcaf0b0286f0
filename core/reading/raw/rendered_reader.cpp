// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/rendered_reader.h"

#include "colour/colour.h"
#include "colour/profile.h"
#include "irenic/parameter.h"
#include "irenic/read_frame.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "raw/dng_reader.h"
#include "raw/metadata.h"
#include "raw/tiff_tree.h"

#include <exiv2/exiv2.hpp>

namespace irenic {

namespace {

constexpr int kLeastSidePx = 16;

/// Shooting data and orientation, where the picture has kept them.
void readExif(const std::filesystem::path &file, Frame &frame)
{
    try {
        const auto image = openMetadata(file);
        frame.shooting = shootingOf(image->exifData());
        frame.orientation = orientationOf(image->exifData());
    } catch (const std::exception &) {
        frame.warnings.push_back(sentence("The shooting data could not be read."));
    }
}

Result<DecodedPicture> decode(const std::filesystem::path &file, RenderedKind kind, const std::stop_token &stop)
{
    switch (kind) {
    case RenderedKind::Jpeg: return decodeJpeg(file, stop);
    case RenderedKind::Png: return decodePng(file, stop);
    case RenderedKind::JpegXl: return decodeJpegXl(file, stop);
    case RenderedKind::Heif: return decodeHeif(file, stop);
    default: return decodeTiff(file, stop);
    }
}

} // namespace

std::optional<RenderedKind> renderedKindOf(const std::filesystem::path &file)
{
    unsigned char head[12] = {};
    if (const Result<InputFile> in = InputFile::open(file); !in || !in.value().read(0, head, sizeof head))
        return std::nullopt;
    static constexpr unsigned char kJxlBox[12] = {0, 0, 0, 12, 'J', 'X', 'L', ' ', 13, 10, 0x87, 10};
    if ((head[0] == 0xff && head[1] == 0x0a) || std::equal(head, head + 12, kJxlBox))
        return RenderedKind::JpegXl;
    if (std::equal(head + 4, head + 8, "ftyp")) {
        // ISO/IEC 23008-12 and AVIF; cameras' raws have the same box with names of their own.
        static constexpr const char *kBrands[] = {"heic", "heix", "heim", "heis", "mif1", "msf1", "avif", "avis", "hevc", "hevx", "miaf", "MiHE"};
        const bool known = std::any_of(std::begin(kBrands), std::end(kBrands), [&](const char *b) { return std::equal(head + 8, head + 12, b); });
        return known ? std::optional(RenderedKind::Heif) : std::nullopt;
    }
    if (head[0] == 0xff && head[1] == 0xd8 && head[2] == 0xff)
        return RenderedKind::Jpeg;
    if (head[0] == 0x89 && head[1] == 'P' && head[2] == 'N' && head[3] == 'G')
        return RenderedKind::Png;
    const bool bigTiff = (head[0] == 'I' && head[2] == 43) || (head[0] == 'M' && head[3] == 43);
    const bool tiff = (head[0] == 'I' && head[1] == 'I' && head[2] == 42) || (head[0] == 'M' && head[1] == 'M' && head[3] == 42);
    if (looksLikeRaw(file) || !(tiff || bigTiff))
        return std::nullopt;
    if (bigTiff)
        return RenderedKind::Tiff;
    // Cameras' own files are TIFF-like, too; the sensor's samples give them away.
    const Result<TiffTree> tree = readTiffTree(file);
    return tree && tree.value().chain.front().number(TagPhotometric, -1) <= 8 ? std::optional(RenderedKind::Tiff) : std::nullopt;
}

Result<std::shared_ptr<const Frame>> readRendered(const std::filesystem::path &file, RenderedKind kind, const RunContext &run)
{
    Result<DecodedPicture> decoded = decode(file, kind, run.stop);
    if (!decoded)
        return decoded.error();
    DecodedPicture &p = decoded.value();
    if (p.size.width < kLeastSidePx || p.size.height < kLeastSidePx)
        return fileError(ErrorCode::Unsupported, file, visible("is smaller than 16 x 16 pixels"));
    auto frame = std::make_shared<Frame>();
    frame->file = file;
    frame->kind = FrameKind::Rendered;
    frame->warnings = std::move(p.warnings);
    frame->active = frame->crop = {0, 0, p.size.width, p.size.height};
    frame->samples.reset({p.size.width * 3, p.size.height});
    for (int y = 0; y < p.size.height; ++y)
        for (int x = 0; x < p.size.width; ++x)
            for (int c = 0; c < 3; ++c)
                frame->samples.at(3 * x + c, y) = p.samples[(size_t(y) * size_t(p.size.width) + size_t(x)) * size_t(p.channels) + size_t(p.channels == 3 ? c : 0)];
    frame->jpeg = p.jpeg;
    if (p.jpeg && p.jpeg->meanStep() >= kCoarseJpegStep)
        frame->warnings.push_back(sentence("The JPEG is heavily compressed; a trial can soften its blocks before the method. The raw file would serve better."));
    if (p.hasMetadata)
        readExif(file, *frame);
    if (p.isUpright)
        frame->orientation = 1;
    frame->shooting.bitDepth = p.bits;
    auto encoding = std::make_shared<Encoding>(encodingOf(p.profile, p.channels));
    if (encoding->decode[0].empty()) { // no curves and matrix: into sRGB, once
        if (!convertToSrgb(p.profile, frame->samples))
            return fileError(ErrorCode::Unsupported, file, visible("has a colour profile that cannot be understood"));
        frame->warnings.push_back(sentence("Its colour profile is more than curves and a matrix; the picture was converted to sRGB."));
        frame->shooting.bitDepth = 16;
        frame->jpeg = nullptr; // its steps are not those of these numbers
        *encoding = encodingOf({}, 3);
    }
    frame->encoding = std::move(encoding);
    const Result<std::string> verdict = judgeSamples(file, frame->samples.constView(), 3);
    if (!verdict)
        return verdict.error();
    if (!verdict.value().empty())
        frame->warnings.push_back(verdict.value());
    return std::shared_ptr<const Frame>(std::move(frame));
}

} // namespace irenic
