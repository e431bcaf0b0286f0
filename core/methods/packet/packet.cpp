// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/packet/packet.h"

namespace irenic {

Packet::Packet(PlaneView<const float> in, CfaPattern cfa, Scratch &scratch)
    : m_phase{cfa.cells[0] == Colour::Green ? 1 : 0, cfa.cells[0] == Colour::Red || cfa.cells[1] == Colour::Red ? 0 : 1}, m_size{in.width - 1, in.height - 1}
{
    const Size whole{in.width + kRowPaddingPx, in.height};
    m_bands = {scratch.plane(0, whole).view(), scratch.plane(1, whole).view(), scratch.plane(2, whole).view(), scratch.plane(3, whole).view()};
    m_joined = scratch.plane(4, whole).view();
    packet::split(in, 1, m_size, m_bands);
}

void Packet::openColours(PlaneView<const float> luminance)
{
    packet::addLuminanceGradient(luminance, -1, m_size, m_bands);
    packet::turnDifferences(m_phase, m_size, m_bands);
}

void Packet::closeColours(PlaneView<const float> luminance)
{
    packet::turnDifferencesBack(m_phase, m_size, m_bands);
    packet::addLuminanceGradient(luminance, 1, m_size, m_bands);
}

void Packet::close(PlaneView<float> out)
{
    const int halo = (m_size.width + 1 - out.width) / 2;
    packet::join(m_bands, 1, {halo + out.width, halo + out.height}, {}, m_joined);
    for (int y = 0; y < out.height; ++y)
        std::memcpy(out.row(y), m_joined.row(y + halo) + halo, size_t(out.width) * sizeof(float));
}

} // namespace irenic
