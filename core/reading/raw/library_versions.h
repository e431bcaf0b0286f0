// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>
#include <utility>
#include <vector>

namespace irenic {

/// Libraries that only this layer sees, by name, with the versions that are running.
std::vector<std::pair<std::string, std::string>> readingLibraries();

} // namespace irenic
