// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/session.h"

namespace irenic {

/// What a pixel of the upright picture is: where, as stored, linear with the noise that the law has there, and as each column shows it (sRGB).
/// @param shown names of columns with their colours there; invalid ones are left out
QString pixelWords(const RollFrame &frame, QPoint upright, const QList<std::pair<QString, QColor>> &shown);

} // namespace irenic
