// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/readings.h"

namespace irenic {

/// What a treatment does to pure noise of sigma 1, found by running it.
struct FlatField {
    NoiseLeft left;
    double covariance = 0; ///< of what is removed from luminance with what is left of it; see detailLost()
};
/// Means over two planes, before and after.
struct WithStructure {
    double both = 0;      ///< of what was removed times the structure of the result
    double removed = 0;   ///< of the square of what was removed
    double structure = 0; ///< of the square of the structure
};
WithStructure covarianceWithStructure(PlaneView<const float> before, PlaneView<const float> after);

FlatField flatField(const Treatment &treatment);

} // namespace irenic
