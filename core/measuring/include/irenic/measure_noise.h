// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

#include <optional>

namespace irenic {

inline constexpr double kSureOfLaw = 0.75; ///< confidence from which on a frame's law stands against anything that is lower, and serves others

/// What earlier frames of a camera say of another of its frames, see CameraBook. A value: whoever measures with the same one measures the same.
struct KnownCamera {
    std::array<NoiseModel, 4> cells{}; ///< law at the frame's ISO and coding, by place in the pattern; where lawFrames is above 0
    int lawFrames = 0;                 ///< frames that it was pooled from
    int mapFrames = 0;                 ///< frames of other pictures that were searched for bad pixels; 0: nothing is known of them
    std::vector<PixelAt> bad;          ///< stood out in several of them; sorted by row, then column
    int comparableFrames = 0;          ///< those of them in which the bad pixels of the frame would have shown
    std::vector<PixelAt> stoodOut;     ///< in one of these at least; sorted
    bool operator==(const KnownCamera &) const = default;
};

/// What of a frame's noise is asked for.
enum class Asked : uint8_t {
    Everything,
    WithoutSuggestion, ///< how it is to be treated is decided: NoiseReport::nearestLuminance and what belongs to it stay unknown
};

/// Measures the noise law of each cell of the pattern, or of each colour, and finds bad pixels and banding, from the frame; of
/// full-colour frames also how the noise of neighbours hangs together.
/// @param known of a mosaic; its law is taken where it is lower and the frame's calmest parts agree, since texture only raises what is measured,
///              or where the frame says too little; its bad pixels are looked for, and others that never stood out before are no bad pixels
/// Fails only with Cancelled, or BadParameter where the frame is too small (under 16 x 16).
Result<NoiseReport> measureNoise(const Frame &frame, const RunContext &run = {}, const KnownCamera &known = {}, Asked asked = Asked::Everything);

/// What of a frame's noise was decided with the help of other frames, so that whoever treats it later does the same.
struct DecidedNoise {
    std::array<NoiseModel, 4> cells{}; ///< as in NoiseReport
    std::vector<PixelAt> hotPixels;    ///< sorted by row, then column
    double confidence = 0;
    int lawFrames = 0, mapFrames = 0; ///< as in NoiseReport
    bool operator==(const DecidedNoise &) const = default;
    /// Of a report in which earlier frames had a say; nothing of others, which can be measured again.
    static std::optional<DecidedNoise> of(const NoiseReport &report);
};
/// The report of a mosaic whose law and bad pixels are decided: only what follows from them is measured. Of other frames everything is. Fails likewise.
Result<NoiseReport> measureNoise(const Frame &frame, const DecidedNoise &decided, const RunContext &run = {});

} // namespace irenic
