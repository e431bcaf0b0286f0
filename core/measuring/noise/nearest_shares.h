// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

namespace irenic {

struct NearestShares {
    float luminance = 0, colours = 0; ///< 0..1
    /// Than what relies on the measurement: where that is not sure (kSureOfLaw), or where BM3D would be suggested and by the same estimate end farther off than the untreated picture.
    bool isNearer = true;
};

/// How much of what U-Net in full colour takes for noise at strength 1 should be taken from a frame in full colour, to come nearest to the picture without noise.
///
/// Of y = x + n and an answer D(y) the share s with the least E|x - (y - s D)|^2 is <D, n> / |D|^2. What D takes of the noise is not seen in y alone, but in how far D follows
/// where more of the same noise is laid over y: <D(y + b e), e> / b, e as n but independent of y (Ramani, Blu and Unser, IEEE Trans. Image Process. 17(9), 2008). Texture that
/// passes for noise raises |D|^2 alone, and lowers the share. The noise is as much as sensors usually have at the frame's ISO (as measured, where no ISO is known), and at most
/// what the calmest quarter of the frame is freed of where it was not measured well; looks like what demosaicing makes of it, and like that sharpened where eight bits tell of a
/// picture that was finished.
/// Read from up to twelve places all over the frame.
///
/// @param report of `frame`: law, bands, and its luminance noise
/// Nothing where the method's weights are missing, or the frame is too small, clipped, or without what can be taken. Fails only with Cancelled.
Result<std::optional<NearestShares>> nearestShares(const Frame &frame, const NoiseReport &report, const RunContext &run);

} // namespace irenic
