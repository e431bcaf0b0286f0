// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace irenic {

/// One adjustable number: what the command line, the strips, validate() and the tests all read.
struct ParamInfo {
    const char *name;  ///< as on the command line and in recipes
    const char *label; ///< as on the caption strip
    double min, max, suggested;
    const char *help;
};

} // namespace irenic
