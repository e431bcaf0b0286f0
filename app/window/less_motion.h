// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

namespace irenic {

/// Whether the desktop was told to leave out animations, by the settings that its portal hands on (XDG Desktop Portal, interface Settings): of the GTK
/// desktops and of KDE. False where nobody answers.
bool desktopWantsLessMotion();

} // namespace irenic
