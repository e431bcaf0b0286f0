// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/readings.h"

#include <cmath>
#include <numbers>

namespace irenic {

} // namespace irenic
