// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

namespace irenic {

/// What the noise of a full-colour frame looks like after its variance was stabilised by `law` (red, green, blue): for each band
/// of a Packet its sigma and how much of it lies at which frequency, and the sigma of luminance behind the filter that finds points
/// of light. Read from windows with calm surroundings all over the frame; the median over them passes over texture.
struct BandNoises {
    std::vector<BandNoise> bands; ///< Packet::kMostBands of them; white where the frame has no calm place
    float pointSigma = 1;
    size_t calmWindows = 0;
    double noiseShare = 0; ///< of what the finest octave of luminance holds in calm windows: 1 where there is no texture; 0 without calm windows
};
/// What is measured.
enum class Holds : uint8_t {
    Picture,
    Texture,   ///< hardly anything is calm: no band may hold more than flat fields do
    NoiseAlone ///< every window counts, and nothing is taken for texture
};
/// Fails only with Cancelled.
Result<BandNoises> measureBandNoise(const Frame &frame, const std::array<NoiseModel, 4> &law, Holds holds, const RunContext &run);

} // namespace irenic
