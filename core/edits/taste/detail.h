// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"

namespace irenic {

/// What a method took that is structure and not noise: the removed part is itself cleaned by sliding-window DCT, frequency by frequency,
/// which keeps what rises above the noise together. The more is asked for, the lower that threshold. (A scaled copy of one threshold's result
/// keeps 0.1 dB less at equal noise; wavelets 0.05 dB less.) The removed part as a second look at the picture: Charest, Elad and Milanfar, "A
/// general iterative regularization framework for image denoising", CISS 2006.
class DetailFinder
{
public:
    explicit DetailFinder(double amount); ///< above 0, to 1
    int haloPx() const { return m_method->haloPx(); }
    float share() const { return m_share; } ///< of what is found that is to be laid over the cleaned picture
    /// @param removed tile plus haloPx() on each side: noisy minus cleaned, stabilised
    /// @param found   the structure of the tile
    void find(const TileInput &removed, Rect where, const TilePlanes &found, Scratch &scratch) const { m_method->denoiseTile(removed, where, found, scratch); }

private:
    std::unique_ptr<DenoiseMethod> m_method;
    float m_share;
};

} // namespace irenic
