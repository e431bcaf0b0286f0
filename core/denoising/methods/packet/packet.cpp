// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/packet/packet.h"

#include <cmath>

namespace irenic {

namespace {

const BandNoise kWhite;
const float kThird = std::sqrt(1 / 3.f), kHalf = std::sqrt(0.5f), kSixth = std::sqrt(1 / 6.f);

} // namespace

Packet::Packet(const TileInput &in, Scratch &scratch) : m_size{in.width() - 1, in.height() - 1}
{
    for (int i = in.isMosaic() ? 5 : 7; i > 0; --i)
        m_planes.push_back(scratch.lendPadded({in.width(), in.height()}));
    m_split = {m_planes[0].view(), m_planes[1].view(), m_planes[2].view(), m_planes[3].view()};
    m_joined = m_planes[4].view();
    if (!in.isMosaic()) {
        openFullColour(in);
        return;
    }
    m_phase = {in.cfa.cells[0] == Colour::Green ? 1 : 0, in.cfa.cells[0] == Colour::Red || in.cfa.cells[1] == Colour::Red ? 0 : 1};
    const BandNoise *noise = in.spectrum ? in.spectrum : &kWhite;
    m_bands[0] = {m_split.sum, false, noise};
    m_bands[1] = {m_split.vertical, true, noise};
    m_bands[2] = {m_split.diagonal, true, noise};
    m_bands[3] = {m_split.horizontal, true, noise};
    packet::split(in.planes[0], 1, m_size, m_split);
}

void Packet::openFullColour(const TileInput &in)
{
    assert(in.bands->size() == kMostBands);
    const PlaneView<float> luminance = m_joined, redBlue = m_planes[5].view(), green = m_planes[6].view(); // joined not before they are split
    for (int y = 0; y < in.height(); ++y) {
        const float *r = in.planes[0].row(y), *g = in.planes[1].row(y), *b = in.planes[2].row(y);
        float *l = luminance.row(y), *c1 = redBlue.row(y), *c2 = green.row(y);
        for (int x = 0; x < in.width(); ++x) {
            l[x] = (r[x] + g[x] + b[x]) * kThird;
            c1[x] = (r[x] - b[x]) * kHalf;
            c2[x] = (r[x] - 2 * g[x] + b[x]) * kSixth;
        }
    }
    packet::split(luminance, 1, m_size, m_split);
    const std::vector<BandNoise> &noise = *in.bands;
    m_count = kMostBands;
    const std::array<PlaneView<float>, kMostBands> planes{m_split.sum, m_split.vertical, m_split.horizontal, m_split.diagonal, redBlue, green};
    for (size_t b = 0; b < kMostBands; ++b)
        m_bands[b] = {planes[b], b >= 4, &noise[b]};
    scaleBands(false);
}

void Packet::scaleBands(bool back)
{
    for (const Band &band : bands()) {
        const float factor = back ? band.noise->sigma : 1 / band.noise->sigma;
        for (int y = 0; y < m_size.height; ++y) {
            float *p = band.samples.row(y);
            for (int x = 0; x < m_size.width; ++x)
                p[x] *= factor;
        }
    }
}

void Packet::openDetails(PlaneView<const float> luminance)
{
    packet::addLuminanceGradient(luminance, -m_bands[0].noise->sigma / m_bands[1].noise->sigma, m_size, m_split);
    if (m_count == 4)
        packet::turnDifferences(m_phase, m_size, m_split);
}

void Packet::closeDetails(PlaneView<const float> luminance)
{
    if (m_count == 4)
        packet::turnDifferencesBack(m_phase, m_size, m_split);
    packet::addLuminanceGradient(luminance, m_bands[0].noise->sigma / m_bands[1].noise->sigma, m_size, m_split);
}

void Packet::close(const TilePlanes &out)
{
    const int halo = (m_size.width + 1 - out[0].width) / 2;
    if (m_count == kMostBands)
        scaleBands(true);
    packet::join(m_split, 1, {halo + out[0].width, halo + out[0].height}, {}, m_joined);
    for (int y = 0; y < out[0].height; ++y) {
        const float *l = m_joined.row(y + halo) + halo;
        if (m_count == 4) {
            std::memcpy(out[0].row(y), l, size_t(out[0].width) * sizeof(float));
            continue;
        }
        const float *c1 = m_bands[4].samples.row(y + halo) + halo, *c2 = m_bands[5].samples.row(y + halo) + halo;
        float *r = out[0].row(y), *g = out[1].row(y), *b = out[2].row(y);
        for (int x = 0; x < out[0].width; ++x) {
            const float grey = l[x] * kThird, rb = c1[x] * kHalf, gm = c2[x] * kSixth;
            r[x] = grey + rb + gm;
            g[x] = grey - 2 * gm;
            b[x] = grey - rb + gm;
        }
    }
}

} // namespace irenic
