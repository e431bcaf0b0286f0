// SPDX-License-Identifier: GPL-3.0-or-later
// First in kernels: the kinds of vectors that they are not compiled for. Those whose length is known at run time alone, since kernels keep vectors in arrays; and
// SSSE3, whose machines (before 2008) run the code for SSE2: each kind takes a fifth of the kernels' time to compile.
#pragma once

#define HWY_DISABLED_TARGETS (HWY_SSSE3 | HWY_SVE | HWY_SVE2 | HWY_SVE_256 | HWY_SVE2_128 | HWY_RVV)
