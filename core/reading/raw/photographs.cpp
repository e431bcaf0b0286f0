// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/read_frame.h"
#include "raw/dng_reader.h"

#include "irenic/sentence.h"
#include <algorithm>
#include <cctype>
#include <set>

namespace irenic {

std::string lowerEnding(const std::filesystem::path &file)
{
    std::string ending = file.extension().string();
    std::transform(ending.begin(), ending.end(), ending.begin(), [](unsigned char c) { return char(std::tolower(c)); });
    return ending;
}

bool looksRendered(const std::filesystem::path &file)
{
    static const std::set<std::string> endings{".tif", ".tiff", ".jpg", ".jpeg", ".jpe", ".mpo", ".png", ".jxl", ".heic", ".heif", ".hif", ".avif"};
    return endings.contains(lowerEnding(file));
}

bool looksLikeRaw(const std::filesystem::path &file)
{
    static const std::set<std::string> endings{
        ".3fr", ".arw", ".cr2", ".cr3", ".crw", ".dcr", ".dng", ".erf", ".iiq", ".kdc", ".mef", ".mos", ".mrw",
        ".nef", ".nrw", ".orf", ".pef", ".raf", ".raw", ".rw2", ".rwl", ".sr2", ".srf", ".srw", ".x3f"};
    return endings.contains(lowerEnding(file));
}

Result<std::vector<std::filesystem::path>> photographsIn(const std::filesystem::path &folder)
{
    std::error_code ec;
    std::vector<std::filesystem::path> files, rendered;
    for (const auto &entry : std::filesystem::directory_iterator(folder, ec))
        if (entry.is_regular_file(ec) && (looksLikeRaw(entry.path()) || looksRendered(entry.path())))
            (looksLikeRaw(entry.path()) ? files : rendered).push_back(entry.path());
    if (files.empty())
        files = std::move(rendered);
    if (ec)
        return Error{ErrorCode::NotFound, sentence("The folder %1 cannot be read: %2.", {folder.string(), ec.message()}), {}};
    std::sort(files.begin(), files.end());
    return files;
}

} // namespace irenic
