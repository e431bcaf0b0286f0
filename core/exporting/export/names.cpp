// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"

#include "base/input_file.h"
#include "irenic/provenance.h"
#include "irenic/read_frame.h"
#include "irenic/sentence.h"
#include "irenic/text.h"
#include "storage/atomic_file.h"

namespace irenic {

namespace {

constexpr const char *kFormatNames[] = {"dng", "tiff", "jpeg", "png", "linear-dng"};
constexpr const char *kDngCompressionNames[] = {"none", "jpeg", "jpeg-xl"};
constexpr const char *kCompressionNames[] = {"none", "deflate", "lzw"};
constexpr const char *kProfileNames[] = {"own", "srgb", "wide", "linear"};

template <class Enum, size_t n>
std::optional<Enum> fromName(const char *const (&names)[n], const std::string &name)
{
    for (size_t i = 0; i < n; ++i)
        if (name == names[i])
            return Enum(i);
    return std::nullopt;
}

bool isThere(const std::filesystem::path &path)
{
    std::error_code ec;
    return std::filesystem::exists(std::filesystem::symlink_status(path, ec));
}

std::filesystem::path numbered(const std::filesystem::path &folder, const std::string &name, ExportFormat format, int number)
{
    return folder / (name + (number > 1 ? "-" + std::to_string(number) : "") + formatEnding(format));
}

} // namespace

const char *formatName(ExportFormat format)
{
    return kFormatNames[size_t(format)];
}

const char *formatEnding(ExportFormat format)
{
    static constexpr const char *kEndings[] = {".dng", ".tif", ".jpg", ".png", ".dng"};
    return kEndings[size_t(format)];
}

std::optional<ExportFormat> formatFromName(const std::string &name)
{
    if (name == "tif" || name == "jpg")
        return name == "tif" ? ExportFormat::Tiff : ExportFormat::Jpeg;
    return fromName<ExportFormat>(kFormatNames, name);
}

ExportFormat naturalFormat(const Frame &frame)
{
    return frame.kind == FrameKind::Rendered ? ExportFormat::Tiff : ExportFormat::Dng;
}

const char *compressionName(DngCompression compression)
{
    return kDngCompressionNames[size_t(compression)];
}

std::optional<DngCompression> dngCompressionFromName(const std::string &name)
{
    return fromName<DngCompression>(kDngCompressionNames, name);
}

const char *compressionName(TiffCompression compression)
{
    return kCompressionNames[size_t(compression)];
}

const char *profileName(OutputProfile profile)
{
    return kProfileNames[size_t(profile)];
}

std::optional<TiffCompression> compressionFromName(const std::string &name)
{
    return fromName<TiffCompression>(kCompressionNames, name);
}

std::optional<OutputProfile> profileFromName(const std::string &name)
{
    return fromName<OutputProfile>(kProfileNames, name);
}

Status validate(const ExportOptions &o)
{
    if (o.bits != 8 && o.bits != 16 && o.bits != 32)
        return Error{ErrorCode::BadParameter, sentence("A TIFF has 8, 16 or 32 bits, not %1.", {std::to_string(o.bits)}), {}};
    if (!(o.dpi >= 1 && o.dpi <= 10000))
        return Error{ErrorCode::BadParameter, sentence("The resolution must lie between 1 and 10000 dots an inch."), {}};
    return validate(o.rendering);
}

Result<std::string> expandName(const std::string &nameTemplate, const Frame &frame, const Treatment &treatment, const NameParts &parts)
{
    const std::string &date = frame.shooting.dateTime;
    std::string out;
    for (size_t i = 0; i < nameTemplate.size(); ++i) {
        if (nameTemplate[i] != '{') {
            out += nameTemplate[i];
            continue;
        }
        const size_t end = nameTemplate.find('}', i);
        const std::string word = end == std::string::npos ? std::string() : nameTemplate.substr(i + 1, end - i - 1);
        if (word == "name")
            out += frame.file.stem().string();
        else if (word == "trial")
            out += parts.trial;
        else if (word == "method")
            out += treatment.method;
        else if (word == "luminance")
            out += plainNumber(treatment.luminance);
        else if (word == "colour")
            out += plainNumber(treatment.colour);
        else if (word == "iso")
            out += plainNumber(frame.shooting.iso);
        else if (word == "date")
            out += date.size() >= 10 ? date.substr(0, 4) + date.substr(5, 2) + date.substr(8, 2) : date;
        else if (word == "counter")
            out += std::string(size_t(std::max(0, 4 - int(std::to_string(parts.counter).size()))), '0') + std::to_string(parts.counter);
        else
            return Error{ErrorCode::BadParameter, sentence("The name \"%1\" holds {%2}, which stands for nothing; use {name}, {trial}, {method}, {luminance}, {colour}, {iso}, {date} or {counter}.", {utf8Text(nameTemplate), word}), {}};
        i = end;
    }
    if (out.empty() || out.find('/') != std::string::npos || out == "." || out == "..")
        return Error{ErrorCode::BadParameter, sentence("\"%1\" cannot be the name of a file.", {textOf(out)}), {}};
    return out;
}

std::filesystem::path freeName(const std::filesystem::path &folder, const std::string &name, ExportFormat format)
{
    int number = 1;
    while (isThere(numbered(folder, name, format, number)))
        ++number;
    return numbered(folder, name, format, number);
}

std::filesystem::path sidecarOf(const std::filesystem::path &original)
{
    for (const char *ending : {".xmp", ".XMP"}) {
        std::filesystem::path whole = original, stem = original;
        whole += ending;
        stem.replace_extension(ending);
        for (const auto &path : {whole, stem})
            if (std::error_code ec; std::filesystem::is_regular_file(path, ec))
                return path;
    }
    return {};
}

Result<std::filesystem::path> copySidecar(const std::filesystem::path &original, const std::filesystem::path &result)
{
    const std::filesystem::path from = sidecarOf(original);
    if (from.empty())
        return std::filesystem::path();
    // Whoever reads sidecars of one kind of name reads them beside the result, too.
    const bool whole = from.stem() == original.filename();
    std::filesystem::path to = result;
    if (whole)
        to += from.extension();
    else
        to.replace_extension(from.extension());
    constexpr uint64_t kMostBytes = 256 << 20;
    const Result<std::string> bytes = readWholeFile(from, kMostBytes);
    if (!bytes)
        return Error{ErrorCode::WriteFailed, sentence("The sidecar %1 cannot be read; the picture itself was written.", {textOf(from)}), {}};
    if (const Status s = writeNewFile(to, std::as_bytes(std::span(bytes.value()))); !s)
        return s.error().code == ErrorCode::Taken ? Result<std::filesystem::path>(std::filesystem::path()) : s.error();
    return to;
}

std::optional<std::filesystem::path> findDone(const std::filesystem::path &folder, const std::string &name, ExportFormat format, const std::filesystem::path &source, const std::string &request, const RunContext &run)
{
    std::optional<std::pair<uint64_t, uint32_t>> fingerprint;
    for (int number = 1; isThere(numbered(folder, name, format, number)) && !run.stop.stop_requested(); ++number) {
        const std::filesystem::path path = numbered(folder, name, format, number);
        const Result<Provenance> told = readProvenance(path);
        if (!told || told.value().request != request)
            continue;
        if (!fingerprint)
            fingerprint = fingerprintOf(source, run.stop);
        if (fingerprint && told.value().sourceBytes == fingerprint->first && told.value().sourceCrc == fingerprint->second && readFrame(path, {run.threads, run.stop, {}, run.background}))
            return path;
    }
    return std::nullopt;
}

int sweepUnfinished(const std::filesystem::path &folder)
{
    return AtomicFile::sweep(folder);
}

} // namespace irenic
