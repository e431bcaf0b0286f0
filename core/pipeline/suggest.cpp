// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean.h"

namespace irenic {

namespace {

// Sigma of luminance over the mid-tone. Below the first, the methods differ by less than a thousandth of luma SSIM; above the second, the learned method leads on sensor
// samples, where its weights are there; above the third, BM3D leads by enough to be worth its time on the rest (docs/engine.md and docs/unet.md have the figures).
constexpr float kLightNoise = 0.03f, kNetworkNoise = 0.045f, kHeavyNoise = 0.06f;

std::string percent(float v)
{
    return std::to_string(std::max(1, int(std::lround(v * 100)))) + " %";
}

} // namespace

Treatment suggestedFor(const std::string &method, const NoiseReport &noise)
{
    // The noise of full colour lies among the same frequencies as texture, so that some texture is measured along with it: luminance
    // is best at 0.7 to 0.85 (six by six at ISO 6400 and 25600), colour at 1.
    if (!noise.bands.empty())
        return {method, method == "nlm" ? 0.7 : 0.8, 1, {}};
    // Where luma SSIM over the demo frames is highest, ISO 1600 to 51200. Means over many places go on cleaning colours long
    // after they begin to smear luminance.
    if (method == "nlm")
        return {method, 0.85, 1.25, {}};
    return {method, 1, 1, {}};
}

Suggestion suggestTreatment(const NoiseReport &noise)
{
    const float grain = noise.luminanceNoise;
    const std::string measured = "Grain measures " + percent(grain) + " of the mid-tone and colour noise " + percent(noise.colourNoise) + ": ";
    if (grain < kLightNoise)
        return {suggestedFor("wavelet", noise), measured + "light, so the quickest method loses nothing that shows."};
    if (grain >= kNetworkNoise && noise.bands.empty() && validate(Treatment{"unet"}))
        return {suggestedFor("unet", noise), measured + "heavy, where the residual U-Net keeps the most detail, in less time than BM3D."};
    if (grain < kHeavyNoise)
        return {suggestedFor("dct", noise), measured + "moderate, where sliding DCT keeps as much detail as slower methods."};
    return {suggestedFor("bm3d", noise), measured + "heavy, where BM3D keeps the most detail and is worth its time."};
}

} // namespace irenic
