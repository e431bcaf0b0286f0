// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/wavelet/wavelet.h"

#include "methods/packet/packet.h"
#include "methods/wavelet/scales.h"

namespace irenic {

namespace {

constexpr Scales kLuminanceScales{0, 4}, kColourScales{0, 4};

class Wavelet final : public DenoiseMethod
{
public:
    explicit Wavelet(const Treatment &t) : m_luminance(waveletThreshold(t.luminance)), m_colour(waveletThreshold(t.colour)) {}

    /// Colour is cleaned against the gradient of luminance that was cleaned before it, so their reaches add up.
    int haloPx() const override { return reachPx(kLuminanceScales) + reachPx(kColourScales) + Packet::kReachPx; }

    void denoiseTile(const TileInput &in, Rect, const TilePlanes &out, Scratch &scratch) const override
    {
        Packet packet(in, scratch);
        const Packet::Band &luminance = packet.bands().front();
        shrinkScales(luminance.samples, *luminance.noise, packet.size(), kLuminanceScales, m_luminance, scratch);
        packet.openDetails(luminance.samples);
        for (const Packet::Band &band : packet.bands().subspan(1))
            shrinkScales(band.samples, *band.noise, packet.size(), kColourScales, band.isColour ? m_colour : m_luminance, scratch);
        packet.closeDetails(luminance.samples);
        packet.close(out);
    }

private:
    float m_luminance;
    float m_colour;
};

} // namespace

std::unique_ptr<DenoiseMethod> makeWavelet(const Treatment &treatment)
{
    return std::make_unique<Wavelet>(treatment);
}

} // namespace irenic
