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
constexpr int kStripSteps = 20;                     ///< references beside each other in a strip: all that they look at stays in the second-level cache
/// Between references, by photographs: 5 in the first stage is twice the work for 0.01 dB less. Odd, so that every phase has its own.
constexpr int kBasicStepPx = 7, kFinalStepPx = 5;

constexpr Scales kRestScales{2, 4}; ///< cleaned by wavelet shrinkage afterwards: groups keep their mean

/// Tile coordinates of the references that must be looked at for samples in `needed`, anchored to the frame.
struct References {
    int step, firstX, firstY, endX, endY;
    References(TileRect needed, int stepPx, int x, int y) : step(stepPx), originX(x), originY(y)
    {
        const auto anchored = [&](int at, int origin) { return at + (((-(origin + at)) % step) + step) % step; };
        firstX = anchored(needed.x - bm3d::kSpanPx - bm3d::kSearchPx + 1, originX);
        firstY = anchored(needed.y - bm3d::kSpanPx - bm3d::kSearchPx + 1, originY);
        endX = needed.right() + bm3d::kSearchPx;
        endY = needed.bottom() + bm3d::kSearchPx;
    }
    /// Where the strip of references that begins at `x` ends.
    int endOfStrip(int x) const
    {
        const int strip = kStripSteps * step, into = ((originX + x) % strip + strip) % strip;
        return std::min(endX, x - into + strip);
    }

private:
    int originX, originY;
};

class Bm3d final : public DenoiseMethod
{
public:
    explicit Bm3d(const Treatment &t) : m_luminance(float(t.luminance)), m_colour(float(t.colour)) {}

    static int openReachPx() { return reachPx(slopeBand(1)) + packet::kGradientReachPx; }
    int haloPx() const override { return reachPx(kRestScales) + 2 * bm3d::kReachPx + openReachPx() + Packet::kReachPx + 1; }
    int bestTilePx() const override { return 768; }

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
        filter(w, bands, w.noisy[0], References(basic, kBasicStepPx, originX, originY), false, kBasicLimit, scratch.stop);
        for (size_t b = 0; b < bands.size(); ++b)
            w.settle(b, basic, w.pilot[b]);
        filter(w, bands, w.pilot[0], References(final, kFinalStepPx, originX, originY), true, kFinalLimit, scratch.stop);
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
        std::array<bm3d::Limits, Packet::kMostBands> limits;
        for (size_t b = 0; b < bands.size(); ++b) {
            limits[b] = bm3d::limitsOf((wiener ? kWiener : kHard) * strengthOf(bands[b]), bands[b].noise->dct);
            for (bm3d::Phases *p : {&w.sum[b], &w.weight[b]}) {
                p->reset(w.noisy[b].size());
                p->clear();
            }
        }
        for (int left = r.firstX, right; left < r.endX; left = right) {
            right = r.endOfStrip(left);
            for (int y = r.firstY; y < r.endY && !stop.stop_requested(); y += r.step)
                for (int x = left; x < right; x += r.step) {
                    const bm3d::Group group = bm3d::findGroup(match, x, y, limit);
                    for (size_t b = 0; b < bands.size(); ++b)
                        if (strengthOf(bands[b]) > 0)
                            bm3d::filterGroup(group, w.noisy[b], wiener ? &w.pilot[b] : nullptr, limits[b], w.sum[b], w.weight[b]);
                }
        }
        for (size_t b = 0; b < bands.size(); ++b)
            bm3d::spread(w.weight[b]);
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
