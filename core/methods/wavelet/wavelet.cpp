// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/wavelet/wavelet.h"

#include "methods/wavelet/wavelet_kernels.h"

namespace irenic {

namespace {

constexpr int kWindowReachPx = 4;

/// Sum of the steps of a transform: how far its windows reach to one side.
constexpr int reachPx(int levels)
{
    return (2 << levels) - 2;
}

class Wavelet final : public DenoiseMethod
{
public:
    explicit Wavelet(const Treatment &t)
        : m_luminance(kWaveletThreshold * float(t.luminance * t.luminance)), m_colour(kWaveletThreshold * float(t.colour * t.colour))
    {
    }

    int haloPx() const override
    {
        // Colour is cleaned against the gradient of luminance that was cleaned before it, so their reaches add up.
        return reachPx(kWaveletLuminanceLevels) + reachPx(kWaveletColourLevels) + 2 * kWindowReachPx + wavelet::kGradientReachPx + 1;
    }

    void denoiseTile(PlaneView<const float> in, CfaPattern cfa, PlaneView<float> out, Scratch &scratch) const override
    {
        const Size whole{in.width + kRowPaddingPx, in.height};
        const auto plane = [&](size_t i) { return scratch.plane(i, whole).view(); };
        const wavelet::Split packet{plane(0), plane(1), plane(2), plane(3)};
        const Size windows{in.width - 1, in.height - 1};
        const int greenParity = cfa.cells[0] == Colour::Green ? 1 : 0;
        wavelet::split(in, 1, windows, packet);
        denoiseBand(packet.sum, windows, kWaveletLuminanceLevels, m_luminance, scratch);
        // The two greens of a cell differ by the slope of luminance and by noise, by nothing else. With that slope out,
        // their difference is cleaned harder than true colour; left in, they would drift apart into a grid of dots
        // along every soft edge.
        wavelet::addLuminanceGradient(packet.sum, -1, windows, packet);
        wavelet::turnDifferences(greenParity, windows, packet);
        denoiseBand(packet.vertical, windows, kWaveletColourLevels, m_colour, scratch);
        denoiseBand(packet.diagonal, windows, kWaveletColourLevels, m_colour, scratch);
        denoiseBand(packet.horizontal, windows, kWaveletColourLevels, m_colour * kWaveletGreenFactor, scratch);
        wavelet::turnDifferencesBack(greenParity, windows, packet);
        wavelet::addLuminanceGradient(packet.sum, 1, windows, packet);
        const PlaneView<float> joined = plane(4);
        const int halo = haloPx();
        wavelet::join(packet, 1, {halo + out.width, halo + out.height}, {}, joined);
        for (int y = 0; y < out.height; ++y)
            std::memcpy(out.row(y), joined.row(y + halo) + halo, size_t(out.width) * sizeof(float));
    }

private:
    /// Shrinks one plane of the packet in place. Of `size` samples, those at least haloPx() - 1 from the
    /// right and bottom, and haloPx() from the left and top, are right afterwards.
    static void denoiseBand(PlaneView<float> band, Size size, int levels, float threshold, Scratch &scratch)
    {
        const Size whole{band.width, band.height};
        const auto plane = [&](size_t i) { return scratch.plane(i, whole).view(); };
        const wavelet::Split bands{{}, plane(4), plane(5), plane(6)}, shrunk{{}, plane(7), plane(8), plane(9)};
        PlaneView<const float> sum = band;
        std::vector<Size> sizes{size};
        for (int level = 0; level < levels; ++level) {
            const int step = 2 << level;
            const Size inner{sizes.back().width - step, sizes.back().height - step};
            const PlaneView<float> coarser = plane(10 + size_t(level % 2));
            wavelet::split(sum, step, inner, {coarser, bands.vertical, bands.horizontal, bands.diagonal});
            wavelet::shrink(bands.vertical, threshold, inner, shrunk.vertical);
            wavelet::shrink(bands.horizontal, threshold, inner, shrunk.horizontal);
            wavelet::shrink(bands.diagonal, threshold, inner, shrunk.diagonal);
            // One plane of joined detail a level instead of three bands: a third of the memory to walk through.
            wavelet::join(shrunk, step, inner, {}, plane(12 + size_t(level)));
            sizes.push_back(inner);
            sum = coarser;
        }
        for (int level = levels - 1; level >= 0; --level) {
            const PlaneView<float> target = level == 0 ? band : plane(10 + size_t((level + 1) % 2));
            const PlaneView<float> from{const_cast<float *>(sum.data), sum.stride, sum.width, sum.height};
            wavelet::join({from, {}, {}, {}}, 2 << level, sizes[size_t(level) + 1], plane(12 + size_t(level)), target);
            sum = target;
        }
    }

    float m_luminance;
    float m_colour;
};

} // namespace

std::unique_ptr<DenoiseMethod> makeWavelet(const Treatment &treatment)
{
    return std::make_unique<Wavelet>(treatment);
}

} // namespace irenic
