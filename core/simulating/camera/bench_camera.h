// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/camera.h"

namespace irenic {

/// How "Tarn Bench-1" describes its own colours: matrices for standard light A and D65, white balanced for 4700 K.
ColourDescription benchCameraColour();

} // namespace irenic
