// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/dng_reader.h"
#include "raw/libraw_levels.h"

#include "irenic/barrier.h"
#include "irenic/parameter.h"
#include "irenic/read_frame.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "raw/rendered_reader.h"
#include "raw/six_by_six.h"

#include <libraw/libraw.h>

#include <cmath>
#include <ctime>
#include <numeric>

namespace irenic {

namespace {

void countDataError(void *errors, const char *, int)
{
    ++*static_cast<int *>(errors);
}

/// Opens and decodes; LibRaw can report success over missing data, so its data-error callback counts too.
Status openAndUnpack(LibRaw &raw, const std::filesystem::path &file, const std::stop_token &stop)
{
    const Result<InputFile> in = InputFile::open(file);
    if (!in)
        return in.error();
    const ReadBudget budget{in.value().bytes()};
    int dataErrors = 0;
    raw.set_dataerror_handler(countDataError, &dataErrors);
#if LIBRAW_MAJOR_VERSION > 0 || LIBRAW_MINOR_VERSION >= 21
    raw.imgdata.rawparams.max_raw_memory_mb = unsigned(memoryBudget() >> 20);
#else
    raw.imgdata.params.max_raw_memory_mb = unsigned(memoryBudget() >> 20);
#endif
    const std::stop_callback cancel(stop, [&raw] { raw.setCancelFlag(); });
    int code = LIBRAW_SUCCESS;
    try {
        code = raw.open_file(file.c_str());
        const auto &sizes = raw.imgdata.sizes;
        if (code == LIBRAW_SUCCESS)
            if (const Status s = budget.allows(file, sizes.raw_width, sizes.raw_height, 6); !s)
                return s;
        if (code == LIBRAW_SUCCESS)
            code = raw.unpack();
    } catch (const std::exception &) {
        code = LIBRAW_UNSPECIFIED_ERROR;
    }
    raw.set_dataerror_handler(nullptr, nullptr);
    if (stop.stop_requested())
        return cancelledError();
    if (code == LIBRAW_FILE_UNSUPPORTED)
        return fileError(ErrorCode::NotAPicture, file,
                         looksLikeRaw(file) ? sentence("is not a raw photograph that LibRaw %1 can read; if its camera is newer than that, convert the file to DNG with its maker's or any other converter", {LibRaw::version()})
                                            : visible("is not a raw photograph that can be read"));
    if (code != LIBRAW_SUCCESS)
        return fileError(ErrorCode::Damaged, file, sentence("could not be decoded (%1)", {libraw_strerror(code)}));
    if (dataErrors > 0)
        return fileError(ErrorCode::Damaged, file, visible("is damaged: its picture data break off or contradict themselves"));
    const auto &data = raw.imgdata.rawdata;
    if (!data.raw_image && !data.color3_image && !data.color4_image)
        return fileError(ErrorCode::Unsupported, file, visible("does not hold one sample at each place of a sensor pattern"));
    return {};
}

Plane<uint16_t> copySamples(const LibRaw &raw)
{
    const auto &sizes = raw.imgdata.sizes;
    Plane<uint16_t> out({sizes.raw_width, sizes.raw_height});
    const auto *bytes = reinterpret_cast<const char *>(raw.imgdata.rawdata.raw_image);
    for (int y = 0; y < out.height(); ++y)
        std::memcpy(out.row(y), bytes + size_t(y) * sizes.raw_pitch, size_t(out.width()) * 2);
    return out;
}

/// Red, green and blue at every place: half-size raws, pixel shift, three-layer sensors.
Plane<uint16_t> copyColours(const LibRaw &raw)
{
    const auto &sizes = raw.imgdata.sizes;
    const auto &data = raw.imgdata.rawdata;
    Plane<uint16_t> out({sizes.raw_width * 3, sizes.raw_height});
    const size_t n = data.color3_image ? 3 : 4;
    const auto *bytes = data.color3_image ? reinterpret_cast<const char *>(data.color3_image) : reinterpret_cast<const char *>(data.color4_image);
    const size_t pitch = sizes.raw_pitch ? sizes.raw_pitch : size_t(sizes.raw_width) * n * 2;
    for (int y = 0; y < out.height(); ++y)
        for (int x = 0; x < sizes.raw_width; ++x)
            std::memcpy(out.row(y) + 3 * x, bytes + size_t(y) * pitch + size_t(x) * n * 2, 6);
    return out;
}

/// Exif orientation from LibRaw's turn code (dcraw convention: 3 half turn, 5 quarter left, 6 quarter right).
int orientationOfFlip(int flip)
{
    return flip == 3 ? 3 : flip == 5 ? 8
                       : flip == 6   ? 6
                                     : 1;
}

ShootingData shootingDataOf(const libraw_data_t &d, int bits)
{
    ShootingData s;
    s.make = utf8Text(d.idata.make);
    s.model = utf8Text(d.idata.model);
    s.lens = utf8Text(d.lens.Lens);
    s.software = utf8Text(d.idata.software);
    const auto told = [](float v) { return v > 0 && v < 1e9f ? double(v) : 0.0; };
    s.iso = told(d.other.iso_speed);
    s.exposureS = told(d.other.shutter);
    s.fNumber = told(d.other.aperture);
    s.focalLengthMm = told(d.other.focal_len);
    s.bitDepth = bits;
    if (d.other.timestamp > 0) {
        char text[32];
        std::tm when{};
        localtime_r(&d.other.timestamp, &when);
        if (std::strftime(text, sizeof text, "%Y:%m:%d %H:%M:%S", &when))
            s.dateTime = text;
    }
    return s;
}

/// One sample at each place of a pattern of two by two, or of six by six: `wide`.
Status takeMosaic(LibRaw &raw, Frame &frame, std::optional<SixBySixPattern> &wide)
{
    const libraw_data_t &d = raw.imgdata;
    const auto colourAt = [&](int y, int x) {
        const int plane = raw.COLOR(y, x);
        return plane == 0 ? Colour::Red : plane == 2 ? Colour::Blue
                                                     : Colour::Green;
    };
    CfaPattern pattern;
    for (int i = 0; i < 4; ++i)
        pattern.cells[size_t(i)] = colourAt(i / 2, i % 2);
    if (d.idata.filters == 9) {
        wide.emplace();
        for (int i = 0; i < 36; ++i)
            (*wide)[size_t(i)] = uint8_t(colourAt(i / 6, i % 6));
    }
    const bool periodic = d.idata.filters >= 1000 && (d.idata.filters & 0xff) * 0x01010101u == d.idata.filters;
    if (wide ? !isKnown(*wide) : d.idata.colors != 3 || !periodic || !pattern.isBayer())
        return fileError(ErrorCode::Unsupported, frame.file, visible("has a sensor pattern other than red, green and blue in two by two or six by six"));
    frame.samples = copySamples(raw);
    frame.cfa = pattern.shifted(-frame.active.x, -frame.active.y);
    frame.pattern = pattern.name();
    // COLOR() counts from the active area's corner, as `pattern` was read.
    frame.levels = levelsOf(d.color, {raw.COLOR(0, 0), raw.COLOR(0, 1), raw.COLOR(1, 0), raw.COLOR(1, 1)});
    return {};
}

Status takeColours(const LibRaw &raw, Frame &frame)
{
    const libraw_data_t &d = raw.imgdata;
    if (d.idata.colors != 3)
        return fileError(ErrorCode::Unsupported, frame.file, sentence("holds %1 colours at each place; three are read", {std::to_string(d.idata.colors)}));
    frame.kind = FrameKind::Linear;
    frame.samples = copyColours(raw);
    frame.levels.black.clear();
    for (size_t c = 0; c < 3; ++c)
        frame.levels.black.push_back(float(d.color.black + d.color.cblack[c]));
    frame.levels.white = float(d.color.maximum);
    return {};
}

} // namespace

Result<std::shared_ptr<const Frame>> readWithLibRaw(const std::filesystem::path &file, const RunContext &run)
{
    const auto raw = std::make_unique<LibRaw>();
    if (const Status s = openAndUnpack(*raw, file, run.stop); !s)
        return s.error();
    const libraw_data_t &d = raw->imgdata;
    auto frame = std::make_shared<Frame>();
    frame->file = file;
    frame->active = {d.sizes.left_margin, d.sizes.top_margin, d.sizes.width, d.sizes.height};
    if (frame->active.width < 16 || frame->active.height < 16)
        return fileError(ErrorCode::Unsupported, file, visible("is smaller than 16 x 16 pixels"));
    if (!Rect{0, 0, d.sizes.raw_width, d.sizes.raw_height}.contains(frame->active))
        return fileError(ErrorCode::Damaged, file, visible("has an active area outside its samples"));
    frame->crop = frame->active;
    frame->orientation = orientationOfFlip(d.sizes.flip);
    std::optional<SixBySixPattern> wide;
    if (const Status s = d.rawdata.raw_image ? takeMosaic(*raw, *frame, wide) : takeColours(*raw, *frame); !s)
        return s.error();
    if (!(frame->levels.white > *std::max_element(frame->levels.black.begin(), frame->levels.black.end()) + 15))
        return fileError(ErrorCode::Damaged, file, visible("has a black level that is not below its white level"));
    Matrix3 m{};
    for (size_t i = 0; i < 9; ++i)
        m[i] = double(d.color.cam_xyz[i / 3][i % 3]);
    if (m[4] != 0 && isUsable(m)) {
        frame->colour.colourMatrix[0] = m;
        frame->colour.illuminants[0] = 21; // D65, as LibRaw's table is for
    }
    if (const float *mul = d.color.cam_mul; mul[0] > 0 && mul[1] > 0 && mul[2] > 0)
        frame->colour.asShotNeutral = {double(mul[1] / mul[0]), 1.0, double(mul[1] / mul[2])};
    const auto highest = [&] {
        uint16_t top = 0;
        for (int y = 0; y < frame->samples.height(); ++y)
            top = std::max(top, *std::max_element(frame->samples.row(y), frame->samples.row(y) + frame->samples.width()));
        return std::max(float(top), frame->levels.white);
    }();
    frame->shooting = shootingDataOf(d, int(std::ceil(std::log2(double(highest) + 1))));
    const Result<std::string> verdict = judgeSamples(file, frame->samples.constView().cut(frame->inSamples(frame->active)), frame->channels());
    if (!verdict)
        return verdict.error();
    if (!verdict.value().empty())
        frame->warnings.push_back(verdict.value());
    if (wide) {
        const Plane<uint16_t> samples = std::move(frame->samples);
        const float black = std::accumulate(frame->levels.black.begin(), frame->levels.black.end(), 0.f) / float(frame->levels.black.size());
        const SixBySixMosaic mosaic{samples.constView().cut(frame->inSamples(frame->active)), *wide, {black, black, black}, frame->levels.white, frame->colour.asShotNeutral};
        if (const Status s = demosaicInto(*frame, mosaic, run); !s)
            return s.error();
    }
    return std::shared_ptr<const Frame>(std::move(frame));
}

namespace {

Result<std::shared_ptr<const Frame>> read(const std::filesystem::path &file, const RunContext &run)
{
    // A DNG's directories are checked before any decoder sees the file; other TIFF-like raws go to LibRaw.
    const Result<TiffTree> tree = readTiffTree(file);
    if (tree && tree.value().chain.front().find(TagDngVersion))
        return readDng(file, tree.value(), run);
    if (!tree) {
        const Result<InputFile> plain = InputFile::open(file);
        if (!plain || plain.value().bytes() == 0 || lowerEnding(file) == ".dng")
            return tree.error();
    }
    if (const auto kind = renderedKindOf(file))
        return readRendered(file, *kind, run);
    return readWithLibRaw(file, run);
}

} // namespace

std::vector<std::string> readableCameras()
{
    std::vector<std::string> all;
    for (const char **name = LibRaw::cameraList(); name && *name; ++name)
        all.push_back(utf8Text(*name));
    return all;
}

std::string rawLibraryVersion()
{
    return LibRaw::version();
}

Result<std::shared_ptr<const Frame>> readFrame(const std::filesystem::path &file, const RunContext &run)
{
    return behindBarrier(textOf(file.filename()), [&] { return read(file, run); });
}

} // namespace irenic
