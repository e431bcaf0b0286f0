// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

class QApplication;

namespace irenic {

/// Style, typeface and meta types: what every start of the interface, tests included, needs before the first window.
void prepareApplication(QApplication &application);

} // namespace irenic
