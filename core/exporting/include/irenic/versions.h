// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <utility>
#include <vector>

namespace irenic {

const char *programVersion(); ///< as the project states it, in one place
std::string buildKind();      ///< compiler and machine
/// The libraries that read, write and describe pictures, by name, with the versions that are running.
std::vector<std::pair<std::string, std::string>> libraryVersions();

} // namespace irenic
