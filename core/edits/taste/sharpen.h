// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "frame/luminance.h"
#include "irenic/noise.h"
#include "irenic/taste.h"

namespace irenic {

/// Capture sharpening of luminance.
///
/// Richardson-Lucy deconvolution (Richardson, J. Opt. Soc. Am. 62(1), 1972; Lucy, Astron. J. 79(6), 1974) by a Gaussian estimates the
/// luminance before the blur; what it has more than its own blurred version is added to every colour in proportion, so that hues stay.
/// Smooth parts are spared where luminance varies by less than noise does; strong edges are spared by holding the result to
/// the range that luminance has around the place.
class Sharpener
{
public:
    /// `taste` is valid. Its amount is that of samples with the weight 1.
    explicit Sharpener(const Taste &taste, bool mosaic);
    int haloPx() const;
    /// In place, right for samples at least haloPx() from the border.
    /// @param amount of every sample
    /// @param stop    once it is requested, what is left is thrown away
    /// @param reached how far smooth parts let it work, 0 to 1; may be empty
    void sharpen(const LinearTile &tile, PlaneView<const float> amount, const NoiseModel &noise, const std::stop_token &stop = {}, PlaneView<float> reached = {}) const;

private:
    int convolutionReach() const { return int(m_kernel.size()) - 1; }
    void blur(PlaneView<const float> in, const std::vector<float> &kernel, PlaneView<float> out) const;
    bool m_mosaic;
    float m_smooth, m_overshoot;    ///< beyond the range around, as a share of it; below 0 where it must not even be reached
    std::vector<float> m_kernel;    ///< half of it: the picture's blur and, of a mosaic, that of luminanceOf()
    std::vector<float> m_ownKernel; ///< the picture's alone
};

} // namespace irenic
