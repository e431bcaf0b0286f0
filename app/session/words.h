// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/methods.h"

#include <QString>

namespace irenic {

QString trialLetter(int trial);                     ///< "A", "B", ...
QString treatmentWords(const Treatment &treatment); ///< "BM3D  0.90 / 1.00"

} // namespace irenic
