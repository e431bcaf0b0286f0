// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

class QLockFile;

namespace irenic {

/// Takes a lock that nobody has. QLockFile alone would for ever leave one to a process that was killed between making the file and writing down who it is.
bool take(QLockFile &lock);

} // namespace irenic
