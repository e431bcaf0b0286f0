// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/methods.h"

#include <QString>

#include <functional>

class QMenu;

namespace irenic {

/// Offers the methods for frames of a kind, for all or for colours alone, with the time of an export beside each.
/// @param exportWords that time; empty where it is not known
/// @param choose is called with the ids of a method, and of that of colours where it is another
void fillMethodMenu(QMenu *menu, const Treatment &shown, FrameKind kind, const std::function<QString(const Treatment &)> &exportWords,
                    const std::function<void(const QString &method, const QString &colourMethod)> &choose);

} // namespace irenic
