// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

#include <functional>
#include <optional>

namespace irenic {

inline constexpr float kClipGuard = 0.97f; ///< of white; above, clipping would hide noise

/// Where noise is looked for: in every block, quads of samples of one colour, the corners of a square. A quad's diagonal Haar
/// coefficient cancels edges along rows and columns, and row and column banding with them.
struct QuadSampling {
    using Quad = std::array<PixelAt, 4>; ///< top left, top right, bottom left, bottom right, from the block's corner
    int blockPx;
    std::vector<std::vector<Quad>> cells; ///< by colour, or by cell of the pattern; as many quads in each block

    static QuadSampling twoByTwo();                                       ///< four cells; squares of two pixels, 16 to a block
    static QuadSampling sixBySix(const std::array<uint8_t, 36> &colours); ///< three colours; squares of six pixels
    static QuadSampling fullColour();                                     ///< squares of four: wider than what demosaicing blurs
};

/// What the law is read from.
struct LawInput {
    Rect area; ///< blocks are laid from its corner
    QuadSampling sampling;
    /// Linear signals of a cell's square in the block of that corner, 1 where the sensor clips; NaN where the number stored says nothing.
    using Values = std::function<std::array<float, 4>(PixelAt corner, const QuadSampling::Quad &quad, size_t cell)>;
    Values values;
    /// By value(x, y, cell) of one sample.
    template <class Value>
    static Values each(Value value)
    {
        return [value](PixelAt corner, const QuadSampling::Quad &quad, size_t cell) {
            std::array<float, 4> v;
            for (size_t k = 0; k < 4; ++k)
                v[k] = value(corner.x + quad[k].x, corner.y + quad[k].y, cell);
            return v;
        };
    }
    double varianceFloor = 0;           ///< what rounding alone leaves
    bool clippedAtBlack = false;        ///< numbers below black are missing, and dark tones say nothing
    std::optional<double> censoredAt;   ///< signals below this one were stored as it; the noise of dark tones is worked out from what is left of it
    std::optional<double> readVariance; ///< where it is known: the line's intercept is then given
    bool noiseAlone = false;            ///< there is no texture: every block is read, not the calmest
};

struct NoiseLaw {
    std::vector<NoiseModel> cells;
    double confidence = 0; ///< 0..1
    double scatter = 0;    ///< standard deviation of the logarithm of calm blocks' energy: 0.35 of noise alone, more where texture lies in some of them
    size_t blocks = 0;     ///< that could be used
};

/// Fits variance = a x signal + b for each cell, and draws a cell with few calm blocks toward what all say together. Calm blocks of
/// a tone are chosen by everything but the coefficients that are then read, so that a greedy choice does not bias the reading.
/// Fails only with Cancelled.
Result<NoiseLaw> measureNoiseLaw(const LawInput &input, const RunContext &run);

} // namespace irenic
