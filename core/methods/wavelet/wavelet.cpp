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

    void denoiseTile(PlaneView<const float> in, CfaPattern cfa, Rect, PlaneView<float> out, Scratch &scratch) const override
    {
        Packet packet(in, cfa, scratch);
        shrinkScales(packet.luminance(), packet.size(), kLuminanceScales, m_luminance, scratch, Packet::kFirstFreePlane);
        packet.openColours(packet.luminance());
        for (const PlaneView<float> &band : packet.colours())
            shrinkScales(band, packet.size(), kColourScales, m_colour, scratch, Packet::kFirstFreePlane);
        packet.closeColours(packet.luminance());
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
