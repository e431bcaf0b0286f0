// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

#include <algorithm>
#include <cmath>
#include <vector>

namespace irenic {

inline constexpr int kDctSide = 8;
inline constexpr double kMedianOfSquare = 0.4549; ///< of a standard normal

/// The k-th function of the orthonormal DCT of eight samples, by sample.
const std::array<std::array<float, kDctSide>, kDctSide> &dctBasis();

/// The orthonormal 8 x 8 DCT, by row, then column of the frequencies.
template <class At>
std::array<float, 64> dctOf(const At &at)
{
    const auto &basis = dctBasis();
    std::array<float, 64> half{}, out{};
    for (size_t v = 0; v < kDctSide; ++v)
        for (size_t u = 0; u < kDctSide; ++u) {
            const float sample = at(int(u), int(v));
            for (size_t k = 0; k < kDctSide; ++k)
                half[v * kDctSide + k] += basis[k][u] * sample;
        }
    for (size_t k = 0; k < kDctSide; ++k)
        for (size_t j = 0; j < kDctSide; ++j)
            for (size_t v = 0; v < kDctSide; ++v)
                out[j * kDctSide + k] += basis[j][v] * half[v * kDctSide + k];
    return out;
}

float medianOf(std::vector<float> v);

inline constexpr int kOctaves = 3;            ///< of an 8 x 8 DCT, finest to coarsest, as the Haar scales are
using Octaves = std::array<double, kOctaves>; ///< their powers
size_t octaveOf(size_t coefficient);
Octaves octavesOf(const std::array<float, 64> &variances);

/// A band of such variances of the DCT's coefficients; the mean is read from its neighbours.
/// @param growthBeyond by how much sigma may grow at most from what a window shows to what is coarser
BandNoise bandFrom(const std::array<float, 64> &variances, double growthBeyond);

/// How samples of a band resemble each other `dx` and `dy` of them apart: 1 of the sample itself, 0 of white noise elsewhere. Up to 7 apart.
double correlationOf(const BandNoise &band, int dx, int dy);

} // namespace irenic
