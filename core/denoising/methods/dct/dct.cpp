// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/dct/dct.h"

#include "methods/dct/dct_kernels.h"
#include "methods/packet/packet.h"
#include "methods/wavelet/wavelet.h"

namespace irenic {

namespace {

constexpr float kHardDct = 2.7f, kWienerDct = 1.0f; ///< noise sigma at strength 1
constexpr int kRowStep = 3;                         ///< odd, so that every phase of the pattern has its windows
constexpr int kSlopeRowStep = 7;                    ///< for the slope alone; 3 gives nothing that shows in the second decimal of a decibel

DctBand bandFor(double strength)
{
    return {kHardDct * float(strength), kWienerDct * float(strength), kRowStep};
}

class Dct final : public DenoiseMethod
{
public:
    explicit Dct(const Treatment &t)
        : m_luminance(bandFor(t.luminance)), m_colour(bandFor(t.colour)), m_luminanceCoarse(waveletThreshold(t.luminance)), m_colourCoarse(waveletThreshold(t.colour))
    {
    }

    /// Colours are opened by the slope of luminance after its windows were cleaned: its coarse scales would hardly change that.
    int haloPx() const override { return 2 * reachPx(bandFor(1)) + packet::kGradientReachPx + reachPx(kCoarseScales) + Packet::kReachPx; }
    int bestTilePx() const override { return 1024; }

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        Packet packet(in, scratch);
        const int top = where.y - haloPx();
        const Scratch::Lent lent = scratch.lendPadded({in.width(), in.height()});
        const PlaneView<float> slope = lent.view();
        const Packet::Band &luminance = packet.bands().front();
        shrinkDct(luminance.samples, *luminance.noise, packet.size(), top, m_luminance, scratch);
        copyRows(luminance.samples, slope);
        packet.openDetails(slope);
        for (const Packet::Band &band : packet.bands().subspan(1)) {
            shrinkDct(band.samples, *band.noise, packet.size(), top, band.isColour ? m_colour : m_luminance, scratch);
            shrinkScales(band.samples, *band.noise, packet.size(), kCoarseScales, band.isColour ? m_colourCoarse : m_luminanceCoarse, scratch);
        }
        packet.closeDetails(slope);
        shrinkScales(luminance.samples, *luminance.noise, packet.size(), kCoarseScales, m_luminanceCoarse, scratch);
        packet.close(out);
    }

private:
    DctBand m_luminance, m_colour;
    float m_luminanceCoarse, m_colourCoarse;
};

void divide(PlaneView<const float> sum, PlaneView<const float> weight, Size size, PlaneView<float> out)
{
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            out.row(y)[x] = sum.row(y)[x] / std::max(weight.row(y)[x], 1e-20f);
}

} // namespace

DctBand slopeBand(double luminanceStrength)
{
    return {kHardDct * std::max(1.f, float(luminanceStrength)), 0, kSlopeRowStep};
}

int reachPx(const DctBand &settings)
{
    return (settings.wienerThreshold > 0 ? 2 : 1) * dct::kReachPx;
}

void shrinkDct(PlaneView<float> band, const BandNoise &noise, Size size, int rowInFrame, const DctBand &settings, Scratch &scratch)
{
    if (settings.hardThreshold <= 0 || scratch.stop.stop_requested())
        return;
    const Size whole{band.width, band.height};
    Scratch::Lent sum = scratch.lend(whole), weight = scratch.lend(whole);
    const int firstRow = ((-rowInFrame % settings.rowStep) + settings.rowStep) % settings.rowStep;
    sum.fill(0);
    weight.fill(0);
    dct::shrinkWindows(band, {}, settings.hardThreshold, noise.dct, firstRow, settings.rowStep, size, sum.view(), weight.view(), scratch.stop);
    if (settings.wienerThreshold <= 0) {
        divide(sum.view(), weight.view(), size, band);
        return;
    }
    const Scratch::Lent pilot = scratch.lend(whole);
    divide(sum.view(), weight.view(), size, pilot.view());
    if (scratch.stop.stop_requested())
        return;
    sum.fill(0);
    weight.fill(0);
    dct::shrinkWindows(band, pilot.view(), settings.wienerThreshold, noise.dct, firstRow, settings.rowStep, size, sum.view(), weight.view(), scratch.stop);
    divide(sum.view(), weight.view(), size, band);
}

std::unique_ptr<DenoiseMethod> makeDct(const Treatment &treatment)
{
    return std::make_unique<Dct>(treatment);
}

} // namespace irenic
