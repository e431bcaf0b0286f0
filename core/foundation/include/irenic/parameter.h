// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace irenic {

/// Marks what people read in the window, so that it is collected for translation (tools/translate.sh). It does nothing.
constexpr const char *visible(const char *text)
{
    return text;
}

/// One adjustable number: what the command line, the strips, validate() and the tests all read.
struct ParamInfo {
    const char *name;  ///< as on the command line and in recipes
    const char *label; ///< as on the caption strip
    double min, max, suggested;
    const char *help;
};

} // namespace irenic
