// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/methods.h"
#include "irenic/nearness.h"

#include <QString>

namespace irenic {

QString trialLetter(int trial); ///< "A", "B", ...
/// How a trial stands to the others by nearness: a full diamond is the nearest, a hollow one about level, "\u25bd1.3" is 1.3 dB behind.
QString standingMark(const Standing &standing);
QString treatmentWords(const Treatment &treatment); ///< "BM3D  0.90 / 1.00"

} // namespace irenic
