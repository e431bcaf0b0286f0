// SPDX-License-Identifier: GPL-3.0-or-later
#include "taste/detail.h"

#include "methods/dct/dct.h"

#include <algorithm>

namespace irenic {

namespace {

// Strength with which the removed part is cleaned, in multiples of the noise: from what is hardly ever noise to what is more structure
// than noise. Colours are left to the method: their structure is coarse and was kept.
constexpr double kSurest = 1.1, kLeastSure = 0.5, kColour = 2.5;
constexpr double kFadesInBelow = 0.25; ///< of the amount, so that the smallest changes little

} // namespace

DetailFinder::DetailFinder(double amount)
    : m_method(makeDct({kDctInfo.id, kSurest + amount * (kLeastSure - kSurest), kColour})), m_share(float(std::min(1.0, amount / kFadesInBelow)))
{
}

} // namespace irenic
