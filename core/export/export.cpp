// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/export.h"

#include "export/export_rendered.h"

#include <chrono>
#include <cstdio>

namespace irenic {

const char *formatName(ExportFormat format)
{
    static constexpr const char *kNames[] = {"dng", "tiff", "jpeg", "png"};
    return kNames[size_t(format)];
}

const char *formatEnding(ExportFormat format)
{
    static constexpr const char *kEndings[] = {".dng", ".tif", ".jpg", ".png"};
    return kEndings[size_t(format)];
}

std::optional<ExportFormat> formatFromName(const std::string &name)
{
    for (const ExportFormat format : kExportFormats)
        if (name == formatName(format) || name == formatEnding(format) + 1)
            return format;
    return std::nullopt;
}

ExportFormat naturalFormat(const Frame &frame)
{
    return frame.kind == FrameKind::Rendered ? ExportFormat::Tiff : ExportFormat::Dng;
}

Result<std::string> expandName(const std::string &nameTemplate, const Frame &frame, const Treatment &treatment)
{
    const auto number = [](double v) {
        char text[32];
        std::snprintf(text, sizeof text, "%g", v);
        return std::string(text);
    };
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
        else if (word == "method")
            out += treatment.method;
        else if (word == "luminance")
            out += number(treatment.luminance);
        else if (word == "colour")
            out += number(treatment.colour);
        else if (word == "iso")
            out += number(frame.shooting.iso);
        else if (word == "date")
            out += frame.shooting.dateTime.substr(0, 4) + (frame.shooting.dateTime.size() >= 10 ? frame.shooting.dateTime.substr(5, 2) + frame.shooting.dateTime.substr(8, 2) : "");
        else
            return Error{ErrorCode::BadParameter, "The name \"" + nameTemplate + "\" holds {" + word + "}, which stands for nothing; use {name}, {method}, {luminance}, {colour}, {iso} or {date}.", {}};
        i = end;
    }
    if (out.empty() || out.find('/') != std::string::npos || out == "." || out == "..")
        return Error{ErrorCode::BadParameter, "\"" + out + "\" cannot be the name of a file.", {}};
    return out;
}

std::filesystem::path freeName(const std::filesystem::path &folder, const std::string &name, ExportFormat format)
{
    std::error_code ec;
    for (int i = 1;; ++i) {
        const auto path = folder / (name + (i > 1 ? "-" + std::to_string(i) : "") + formatEnding(format));
        if (!std::filesystem::exists(std::filesystem::symlink_status(path, ec)))
            return path;
    }
}

double cleaningShare(const Cleaner &cleaner, ExportFormat format)
{
    // Seconds a megapixel for compressing, developing where that is asked for, and reading back; measured beside the methods' own.
    const double rest = (format == ExportFormat::Dng ? 0.04 : 0.38) * (cleaner.frame().kind == FrameKind::Mosaic || format != ExportFormat::Dng ? 1 : 3);
    const Treatment &t = cleaner.treatment();
    if (t.isIdentity())
        return 0.05;
    double cleaning = findMethod(t.method)->secondsPerMegapixel;
    if (t.isMixed())
        cleaning += findMethod(t.colourMethod)->secondsPerMegapixel;
    if (cleaner.frame().kind != FrameKind::Mosaic)
        cleaning *= 1.6; // six bands instead of four
    return cleaning / (cleaning + rest);
}

Result<ExportReport> exportCleaned(const Cleaner &cleaner, const NoiseReport &noise, const std::filesystem::path &target, ExportFormat format, const RunContext &run)
{
    const auto start = std::chrono::steady_clock::now();
    Result<AtomicFile> created = AtomicFile::create(target);
    if (!created)
        return created.error();
    AtomicFile &file = created.value();
    const Status written = [&] {
        switch (format) {
        case ExportFormat::Dng: return writeCleanedDng(file, cleaner, noise, run);
        case ExportFormat::Jpeg: return writeJpegProof(file, cleaner, run);
        case ExportFormat::Png: return writePngProof(file, cleaner, run);
        default: return writeRenderedTiff(file, cleaner, run);
        }
    }();
    if (!written)
        return written.error();
    if (run.stop.stop_requested())
        return cancelledError();
    if (const Status s = file.commit(); !s)
        return s.error();
    std::error_code ec;
    const std::chrono::duration<double> taken = std::chrono::steady_clock::now() - start;
    return ExportReport{target, std::filesystem::file_size(target, ec), taken.count()};
}

} // namespace irenic
