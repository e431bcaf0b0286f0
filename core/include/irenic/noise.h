// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <cmath>

namespace irenic {

/// Noise of one colour plane: variance is a straight line in signal (linear, black removed, 1 = clipping).
/// Source: Foi, Trimeche, Katkovnik, Egiazarian, "Practical Poissonian-Gaussian noise modeling and fitting for
/// single-image raw-data", IEEE Trans. Image Process. 17(10), 2008.
struct NoiseModel {
    float shotGain = 0;     ///< variance per unit of signal ("a"); > 0
    float readVariance = 0; ///< variance in the dark ("b"), signal squared; >= 0
    bool operator==(const NoiseModel &) const = default;
    /// Standard deviation, in signal units. Signals below black count as black, because noise pushes dark
    /// pixels negative and a root of a negative variance would spread NaN through the tile.
    float sigmaAt(float signal) const { return std::sqrt(shotGain * std::max(signal, 0.f) + readVariance); }
};

struct PixelAt {
    int x = 0;
    int y = 0;
    auto operator<=>(const PixelAt &) const = default;
};

/// Offsets of whole rows and columns, in signal units.
struct Banding {
    std::vector<float> rows;     ///< one per active row, to be taken off; empty where there is no banding to speak of
    std::vector<float> columns;  ///< one per active column, likewise
    float rowSigma = 0;          ///< spread of the rows' true offsets
    float columnSigma = 0;
    bool operator==(const Banding &) const = default;
    /// What to take off a sample, counted from the active area's corner.
    float at(int x, int y) const { return (rows.empty() ? 0.f : rows[size_t(y)]) + (columns.empty() ? 0.f : columns[size_t(x)]); }
};

/// What was measured on one frame.
struct NoiseReport {
    std::array<NoiseModel, 4> cells;  ///< by place in the two-by-two pattern, (x & 1) + 2 * (y & 1) of the stored samples
    std::vector<PixelAt> hotPixels;   ///< sorted by row, then column; coordinates of the stored samples
    Banding banding;
    float midSignal = 0;              ///< the frame's median green signal, at which the next two are stated
    float luminanceNoise = 0;         ///< sigma of luminance over luminance at midSignal; 0.1 is 10 %
    float colourNoise = 0;            ///< sigma of the white-balanced colour differences over luminance there
    double confidence = 0;            ///< 0..1: how well the frame pins the model down
    std::string confidenceReason;     ///< one plain sentence
    bool operator==(const NoiseReport &) const = default;
};

/// Measures the noise law of each cell of the pattern and finds hot pixels, from the frame alone.
/// Fails only with Cancelled, or BadParameter where the frame is too small (under 64 x 64).
Result<NoiseReport> measureNoise(const Frame &frame, const RunContext &run = {});

} // namespace irenic
