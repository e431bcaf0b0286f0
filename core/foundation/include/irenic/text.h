// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <filesystem>
#include <string>
#include <string_view>

namespace irenic {

/// A file's name as UTF-8 text, for JSON, XMP, sessions, queues and the screen. Names on Linux are bytes: each byte that is no part of
/// valid UTF-8 becomes the character U+F700 + byte (U+F780 to U+F7FF, private use). A name that holds such a character itself has its bytes
/// written in the same way, so that pathOf() always gives back the very name.
std::string textOf(const std::filesystem::path &path);
std::filesystem::path pathOf(std::string_view text); ///< the file that textOf() named; text from elsewhere stays as it is

/// Text of a file's metadata as UTF-8: what is not valid is taken for ISO 8859-1, as old cameras wrote; control characters become spaces.
std::string utf8Text(std::string_view bytes);

/// A number with up to six digits that count and a decimal point, whatever the locale: "0.5", "1", "1e-07".
std::string plainNumber(double value);
/// With as many digits as tell the number from every other.
std::string exactNumber(double value);
/// With a fixed count of digits behind the point: "2.50".
std::string fixedNumber(double value, int decimals);

} // namespace irenic
