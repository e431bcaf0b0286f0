// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/nlm/nlm.h"

#include "methods/dct/dct.h"
#include "methods/nlm/nlm_kernels.h"
#include "methods/packet/packet.h"
#include "methods/wavelet/wavelet.h"

namespace irenic {

namespace {

constexpr float kSpread = 1.3f;       ///< at strength 1, noise variances; the optimum is flat between 1 and 1.6
constexpr float kBias = 2;            ///< two places that differ by noise alone
constexpr float kColourShare = 0.25f; ///< of red-blue and of red and blue against green in the distance
constexpr int kSearchPx = 8;          ///< 10 is 0.2 dB better and takes half as long again, 4 is 0.8 dB worse and takes a third

nlm::Settings settingsFor(const Treatment &t)
{
    const auto spread = [](double s) { return kSpread * float(s < 1 ? s * s : s); }; // its square would smear soft edges
    return {kSearchPx, {1 - 2 * kColourShare, kColourShare, kColourShare, 0}, kBias, spread(t.luminance), spread(t.colour)};
}

class Nlm final : public DenoiseMethod
{
public:
    explicit Nlm(const Treatment &t) : m_settings(settingsFor(t)), m_slope(slopeBand(t.luminance)), m_luminanceCoarse(waveletThreshold(t.luminance)), m_colourCoarse(waveletThreshold(t.colour)) {}

    int haloPx() const override
    {
        return reachPx(slopeBand(1)) + packet::kGradientReachPx + nlm::reachPx(m_settings) + reachPx(kCoarseScales) + Packet::kReachPx;
    }

    void denoiseTile(PlaneView<const float> in, CfaPattern cfa, Rect where, PlaneView<float> out, Scratch &scratch) const override
    {
        Packet packet(in, cfa, scratch);
        const Size whole{in.width + kRowPaddingPx, in.height};
        const auto plane = [&](size_t i) { return scratch.plane(Packet::kFirstFreePlane + i, whole).view(); };
        constexpr size_t free = Packet::kFirstFreePlane + 5;
        const PlaneView<float> slope = plane(0);
        copyRows(packet.luminance(), slope);
        shrinkDct(slope, packet.size(), where.y - haloPx(), m_slope, scratch, free);
        packet.openColours(slope);
        const auto colours = packet.colours();
        const std::array<PlaneView<float>, 4> means{plane(1), plane(2), plane(3), plane(4)}, bands{packet.luminance(), colours[0], colours[1], colours[2]};
        const std::array<PlaneView<const float>, 4> noisy{bands[0], bands[1], bands[2], bands[3]};
        const int margin = haloPx() - 1 - reachPx(kCoarseScales);
        const Rect all{margin, margin, in.width - 2 * margin, in.height - 2 * margin};
        for (int y = all.y; y < all.bottom() && !scratch.stop.stop_requested(); y += nlm::kBlockHeightPx)
            nlm::average(noisy, noisy, m_settings, Rect{all.x, y, all.width, nlm::kBlockHeightPx}.intersected(all), means);
        for (size_t b = 0; b < 4; ++b) {
            shrinkScales(means[b], packet.size(), kCoarseScales, b == 0 ? m_luminanceCoarse : m_colourCoarse, scratch, free);
            copyRows(means[b], bands[b]);
        }
        packet.closeColours(slope);
        packet.close(out);
    }

private:
    nlm::Settings m_settings;
    DctBand m_slope;
    float m_luminanceCoarse, m_colourCoarse;
};

} // namespace

std::unique_ptr<DenoiseMethod> makeNlm(const Treatment &treatment)
{
    return std::make_unique<Nlm>(treatment);
}

} // namespace irenic
