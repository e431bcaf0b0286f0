// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"
#include "methods/packet/packet_kernels.h"

#include <span>

namespace irenic {

/// One tile, parted into luminance, finest detail and colour, cleaned in place by a method, and put together again.
///
/// Of a sensor mosaic, the Haar packet over every two-by-two window (all four phases of the pattern, so no grid of two pixels
/// is left over): its sum is luminance, its differences are the pattern's colours together with the finest detail. Source for the
/// mosaic as luminance plus modulated colour: Alleysson, Suesstrunk and Herault, IEEE Trans. Image Process. 14(4), 2005.
/// Of a full-colour picture, the same packet of its luminance (R + G + B) / sqrt 3, and the two colour planes (R - B) / sqrt 2 and
/// (R - 2 G + B) / sqrt 6 as they are; every band is divided by its own noise.
class Packet
{
public:
    struct Band {
        PlaneView<float> samples;
        bool isColour;          ///< cleaned by the colour strength, otherwise by that of luminance
        const BandNoise *noise; ///< what its noise is like: sigma 1, but not always white
    };

    Packet(const TileInput &in, Scratch &scratch);

    /// Luminance first. Of a mosaic three differences follow: red minus blue, red plus blue minus greens, green minus green
    /// (see packet::turnDifferences). Of a full-colour picture the three differences of luminance, and two colours.
    std::span<const Band> bands() const { return {m_bands.data(), m_count}; }
    /// Windows that are filled: one less than the tile, each way.
    Size size() const { return m_size; }

    /// Takes what the slope of (cleaned) luminance puts into the differences out of them, which leaves colour, fine texture and
    /// noise; the second call puts the same back. Between the two the other bands may be cleaned.
    void openDetails(PlaneView<const float> luminance);
    void closeDetails(PlaneView<const float> luminance);

    /// The cleaned tile: `out` lies in the middle of it.
    void close(const TilePlanes &out);

    static constexpr int kReachPx = packet::kGradientReachPx + 1;
    static constexpr size_t kMostBands = 6;

private:
    void openFullColour(const TileInput &in);
    void scaleBands(bool back);

    std::vector<Scratch::Lent> m_planes;
    packet::Split m_split;
    packet::Phase m_phase{};
    Size m_size;
    PlaneView<float> m_joined;
    std::array<Band, kMostBands> m_bands;
    size_t m_count = 4;
};

} // namespace irenic
