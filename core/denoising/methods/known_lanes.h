// SPDX-License-Identifier: GPL-3.0-or-later
// First in kernels that keep vectors in arrays: the compiler must know how large they are, so targets whose vectors have a
// length of their own at run time are left out.
#pragma once

#define HWY_DISABLED_TARGETS (HWY_SVE | HWY_SVE2 | HWY_SVE_256 | HWY_SVE2_128 | HWY_RVV)
