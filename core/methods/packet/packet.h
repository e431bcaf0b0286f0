// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"
#include "methods/packet/packet_kernels.h"

namespace irenic {

/// The Haar packet of one tile, opened, cleaned in place by a method, and closed again. Luminance and colour part without
/// demosaicing, and since every window is looked at (all four phases of the pattern) no grid of two pixels is left over.
/// Source for the mosaic as luminance plus modulated colour: Alleysson, Suesstrunk and Herault, IEEE Trans. Image Process.
/// 14(4), 2005.
///
/// Uses planes 0 to 4 of the scratch; a method is free to use those from kFirstFreePlane on.
class Packet
{
public:
    Packet(PlaneView<const float> in, CfaPattern cfa, Scratch &scratch);

    PlaneView<float> luminance() const { return m_bands.sum; }
    /// Red minus blue, red plus blue minus greens, green minus green: see packet::turnDifferences.
    std::array<PlaneView<float>, 3> colours() const { return {m_bands.vertical, m_bands.diagonal, m_bands.horizontal}; }
    /// Windows that are filled: one less than the tile, each way.
    Size size() const { return m_size; }

    /// Takes what the slope of (cleaned) luminance puts into the differences out of them, which leaves colour and noise;
    /// the second call puts the same back. Between the two the colours are turned and may be cleaned.
    void openColours(PlaneView<const float> luminance);
    void closeColours(PlaneView<const float> luminance);

    /// The cleaned mosaic: `out` lies in the middle of the tile.
    void close(PlaneView<float> out);

    static constexpr int kReachPx = packet::kGradientReachPx + 1;
    static constexpr size_t kFirstFreePlane = 5;

private:
    packet::Split m_bands;
    packet::Phase m_phase;
    Size m_size;
    PlaneView<float> m_joined;
};

} // namespace irenic
