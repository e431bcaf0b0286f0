// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/bm3d/bm3d.h"

#include "methods/bm3d/bm3d_kernels.h"
#include "methods/dct/dct.h"
#include "methods/packet/packet.h"
#include "methods/wavelet/wavelet.h"

namespace irenic {

namespace {

constexpr float kHard = 3.0f, kWiener = 1.2f;       ///< noise sigma at strength 1
constexpr float kBasicLimit = 60, kFinalLimit = 10; ///< mean square difference within a group, noise variances
constexpr int kStepPx = 5;                          ///< between references; odd, so that every phase has its own

constexpr Scales kRestScales{2, 4}; ///< cleaned by wavelet shrinkage afterwards: groups keep their mean

/// Tile coordinates of the references that must be looked at for samples in `needed`, anchored to the frame.
struct References {
    int firstX, firstY, endX, endY;
    References(TileRect needed, int originX, int originY)
    {
        const auto anchored = [](int at, int origin) { return at + (((-(origin + at)) % kStepPx) + kStepPx) % kStepPx; };
        firstX = anchored(needed.x - bm3d::kSpanPx - bm3d::kSearchPx + 1, originX);
        firstY = anchored(needed.y - bm3d::kSpanPx - bm3d::kSearchPx + 1, originY);
        endX = needed.right() + bm3d::kSearchPx;
        endY = needed.bottom() + bm3d::kSearchPx;
    }
};

class Bm3d final : public DenoiseMethod
{
public:
    explicit Bm3d(const Treatment &t) : m_luminance(float(t.luminance)), m_colour(float(t.colour)) {}

    static int openReachPx() { return reachPx(slopeBand(1)) + packet::kGradientReachPx; }
    int haloPx() const override { return reachPx(kRestScales) + 2 * bm3d::kReachPx + openReachPx() + Packet::kReachPx + 1; }
    int bestTilePx() const override { return 512; }

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        Packet packet(in, scratch);
        const int halo = haloPx();
        const TileRect final = TileRect{halo, halo, out[0].width, out[0].height}.grownBy(reachPx(kRestScales) + 1), basic = final.grownBy(bm3d::kReachPx);
        const int originX = where.x - halo, originY = where.y - halo;
        const Scratch::Lent lent = scratch.lendPadded({in.width(), in.height()});
        const PlaneView<float> slope = lent.view();
        const std::span<const Packet::Band> bands = packet.bands();
        copyRows(bands[0].samples, slope);
        shrinkDct(slope, *bands[0].noise, packet.size(), originY, slopeBand(m_luminance), scratch);
        packet.openDetails(slope);
        Work &w = scratch.extra<Work>([] { return std::make_unique<Work>(); });
        for (size_t b = 0; b < bands.size(); ++b)
            w.noisy[b].fillFrom(bands[b].samples, packet.size());
        filter(w, bands, w.noisy[0], References(basic, originX, originY), false, kBasicLimit, scratch.stop);
        for (size_t b = 0; b < bands.size(); ++b)
            w.settle(b, basic, w.pilot[b]);
        filter(w, bands, w.pilot[0], References(final, originX, originY), true, kFinalLimit, scratch.stop);
        for (size_t b = 0; b < bands.size(); ++b)
            if (const float strength = strengthOf(bands[b]); strength > 0) {
                w.settleInto(b, final, bands[b].samples);
                shrinkScales(bands[b].samples, *bands[b].noise, packet.size(), kRestScales, waveletThreshold(strength), scratch);
            }
        packet.closeDetails(slope);
        packet.close(out);
    }

private:
    struct Work : Scratch::Extra {
        std::array<bm3d::Phases, Packet::kMostBands> noisy, pilot, sum, weight;

        /// The weighted means; what no window reached stays as it was.
        void settle(size_t band, TileRect where, bm3d::Phases &to) const
        {
            to.reset(noisy[band].size());
            for (int y = where.y; y < where.bottom(); ++y)
                for (int phase = 0; phase < 2; ++phase) {
                    const int x0 = where.x + phase;
                    const float *s = sum[band].at(x0, y), *v = weight[band].at(x0, y), *n = noisy[band].at(x0, y);
                    float *o = to.at(x0, y);
                    for (int i = 0; i < (where.width - phase + 1) / 2; ++i)
                        o[i] = v[i] > 0 ? s[i] / v[i] : n[i];
                }
        }
        void settleInto(size_t band, TileRect where, PlaneView<float> to) const
        {
            for (int y = where.y; y < where.bottom(); ++y) {
                float *o = to.row(y);
                for (int phase = 0; phase < 2; ++phase) {
                    const int x0 = where.x + phase;
                    const float *s = sum[band].at(x0, y), *v = weight[band].at(x0, y);
                    for (int i = 0; i < (where.width - phase + 1) / 2; ++i)
                        if (v[i] > 0)
                            o[x0 + 2 * i] = s[i] / v[i];
                }
            }
        }
    };

    /// One stage: groups found on `match`, every band filtered with them.
    void filter(Work &w, std::span<const Packet::Band> bands, const bm3d::Phases &match, const References &r, bool wiener, float limit,
                const std::stop_token &stop) const
    {
        for (size_t b = 0; b < bands.size(); ++b)
            for (bm3d::Phases *p : {&w.sum[b], &w.weight[b]}) {
                p->reset(w.noisy[b].size());
                p->clear();
            }
        for (int y = r.firstY; y < r.endY && !stop.stop_requested(); y += kStepPx)
            for (int x = r.firstX; x < r.endX; x += kStepPx) {
                const bm3d::Group group = bm3d::findGroup(match, x, y, limit);
                for (size_t b = 0; b < bands.size(); ++b)
                    if (const float strength = strengthOf(bands[b]); strength > 0)
                        bm3d::filterGroup(group, w.noisy[b], wiener ? &w.pilot[b] : nullptr, (wiener ? kWiener : kHard) * strength, bands[b].noise->dct, w.sum[b],
                                          w.weight[b]);
            }
    }

    float strengthOf(const Packet::Band &band) const { return band.isColour ? m_colour : m_luminance; }

    float m_luminance;
    float m_colour;
};

} // namespace

std::unique_ptr<DenoiseMethod> makeBm3d(const Treatment &treatment)
{
    return std::make_unique<Bm3d>(treatment);
}

} // namespace irenic
