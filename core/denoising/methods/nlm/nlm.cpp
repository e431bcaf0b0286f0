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
constexpr int kSearchPx = 8;          ///< near places and every other far one, to 12, gain 0.1 dB but lose texture of odd periods

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

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        Packet packet(in, scratch);
        std::vector<Scratch::Lent> lent;
        const auto plane = [&] { return lent.emplace_back(scratch.lendPadded({in.width(), in.height()})).view(); };
        const std::span<const Packet::Band> bands = packet.bands();
        const PlaneView<float> slope = plane();
        copyRows(bands[0].samples, slope);
        shrinkDct(slope, *bands[0].noise, packet.size(), where.y - haloPx(), m_slope, scratch);
        packet.openDetails(slope);
        std::vector<nlm::Band> work;
        for (size_t b = 0; b < bands.size(); ++b)
            work.push_back({bands[b].samples, plane(), bands[b].isColour});
        // Places are compared by luminance and two bands of colour: the first two differences of a mosaic, or the colours themselves.
        const size_t colour = in.isMosaic() ? 1 : 4;
        const std::array<PlaneView<const float>, 4> guides{bands[0].samples, bands[colour].samples, bands[colour + 1].samples, {}};
        const int margin = haloPx() - 1 - reachPx(kCoarseScales);
        const TileRect all{margin, margin, in.width() - 2 * margin, in.height() - 2 * margin};
        for (int y = all.y; y < all.bottom() && !scratch.stop.stop_requested(); y += nlm::kBlockHeightPx)
            nlm::average(work, guides, m_settings, TileRect{all.x, y, all.width, nlm::kBlockHeightPx}.intersected(all));
        for (size_t b = 0; b < bands.size(); ++b) {
            shrinkScales(work[b].mean, *bands[b].noise, packet.size(), kCoarseScales, bands[b].isColour ? m_colourCoarse : m_luminanceCoarse, scratch);
            copyRows(work[b].mean, bands[b].samples);
        }
        packet.closeDetails(slope);
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
