// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <QString>

namespace irenic {

class MainWindow;

/// Opens the demo roll in `window`, writes a PNG of each main view into `folder` and answers the exit status.
int takeShots(MainWindow &window, const QString &folder);

} // namespace irenic
