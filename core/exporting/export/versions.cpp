// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/versions.h"

#include "irenic/read_frame.h"
#include "raw/library_versions.h"

#include <exiv2/exiv2.hpp>
#include <lcms2.h>
#include <tiffio.h>

namespace irenic {

const char *programVersion()
{
    return IRENIC_VERSION;
}

std::string buildKind()
{
#if defined(__clang__)
    const std::string compiler = "clang " + std::to_string(__clang_major__);
#else
    const std::string compiler = "gcc " + std::to_string(__GNUC__);
#endif
#if defined(__x86_64__)
    return compiler + ", x86-64";
#elif defined(__aarch64__)
    return compiler + ", arm64";
#else
    return compiler;
#endif
}

std::vector<std::pair<std::string, std::string>> libraryVersions()
{
    std::string tiff = TIFFGetVersion(); // "LIBTIFF, Version 4.5.0" and a line about its authors
    tiff = tiff.substr(0, tiff.find('\n'));
    if (const size_t at = tiff.rfind(' '); at != std::string::npos)
        tiff = tiff.substr(at + 1);
    const int lcms = cmsGetEncodedCMMversion(); // 2140 is 2.14
    std::vector<std::pair<std::string, std::string>> all = readingLibraries();
    all.insert(all.end(), {{"LibTIFF", tiff}, {"Exiv2", Exiv2::versionString()}, {"LittleCMS", std::to_string(lcms / 1000) + "." + std::to_string(lcms % 1000 / 10)}});
    return all;
}

} // namespace irenic
