// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <string>

namespace irenic::cli {

/// `irenic-cli help`: what there is to read, with a line about each; `help TOPIC`: that page of the handbook; `help WORD`: where else the word stands, line by line.
/// Exit status 0, or 1 where nothing was found.
int help(const std::string &topic);

} // namespace irenic::cli
