// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/nearest_shares.h"

#include "base/parallel.h"
#include "base/random.h"
#include "frame/linearizer.h"
#include "irenic/measure_noise.h"
#include "law/noise_law.h"
#include "law/stabiliser.h"
#include "methods/bm3d/bm3d.h"
#include "methods/unet/unet.h"
#include "noise/usual_law.h"

#include <algorithm>

namespace irenic {

namespace {

constexpr int kTrialPx = 160, kAcross = 4, kDown = 3; ///< places, at most
constexpr int kPlacePx = 16;                          ///< they begin at multiples of it, so that one plan of the network serves all
constexpr int kTrialReachPx = 24;                     ///< a patch takes a sixth of what the network's own reach would
constexpr int kBlockPx = 16;
constexpr int kFewestOfBlock = 250; ///< of its samples that are not clipped: at black, half of the noise is
constexpr size_t kFewestBlocks = 24;
constexpr double kCalmPlaces = 0.25, kMostWithoutCalm = 0.8;
constexpr size_t kColours = 3;

// Against how far noise is really followed: photographs of python3-skimage as TIFF and JPEG at ISO 400 to 25600, see docs/engine.md.
constexpr float kAmount = 0.25f;                   ///< of the noise that is laid over, in its sigma
constexpr double kGreyVariance = 0.65;             ///< of demosaiced noise, over that of single samples, white
constexpr double kColourVariance = 0.9;            ///< likewise, of each colour before its mean is taken off, smoothed by 1 2 1
constexpr double kAsItIs = 1.25, kSharpened = 2.5; ///< energy of luminance's noise over what was laid over
constexpr double kOfColours = 0.55;                ///< of that of colours
constexpr double kUnknownIso = 0.4;                ///< of the measured noise's energy, where texture raises it
constexpr int kFinishedBits = 12;                  ///< cameras and phones finish their JPEGs with 8, their HEIFs and AVIFs with up to 12; what is kept for more work has 16

struct Block {
    double luminance, colours; ///< mean squares of what was taken
};

/// Of what an answer takes: how far it followed noise that was laid over, and its energy, in luminance and in colours. Sums over samples, or means.
struct Sums {
    double followed = 0, energy = 0, followedByColours = 0, energyOfColours = 0;
    void add(const Sums &other, double times = 1)
    {
        followed += times * other.followed, energy += times * other.energy;
        followedByColours += times * other.followedByColours, energyOfColours += times * other.energyOfColours;
    }
};

/// Of a patch.
struct Taken {
    Sums byNetwork, byBm3d;
    int64_t samples = 0;
    std::vector<Block> blocks; ///< by the network
};

/// A field of noise of sigma 1 around a patch.
void fillWhite(Rect at, uint64_t stream, PlaneView<float> out)
{
    constexpr uint64_t kSeed = 1;
    for (int y = 0; y < at.height; ++y)
        for (int x = 0; x < at.width; ++x)
            out.row(y)[x] = float(RandomAt(kSeed, stream, at.x + x, at.y + y).gaussian());
}

bool isSure(const NoiseReport &report)
{
    return report.confidence >= kSureOfLaw;
}

/// It would be suggested, so whether it does harm is to be found out.
bool isBm3dAsked(const NoiseReport &report)
{
    return isSure(report) && report.luminanceNoise >= float(kBm3dInfo.fromNoise);
}

/// What is read of one patch and its surroundings.
struct Planes {
    std::array<Scratch::Lent, kColours> noisy;   ///< stabilised, with further noise laid over it
    std::array<Scratch::Lent, kColours> further; ///< noise, in sigmas of the expected one
    std::array<Scratch::Lent, kColours> sigma;   ///< of the expected noise, in that of the measured
    std::array<Scratch::Lent, kColours> answer;  ///< over the patch
};

class Reader
{
public:
    /// @param expected law of the noise that there is, of every colour
    Reader(const Frame &frame, const NoiseReport &report, const NoiseModel &expected)
        : m_frame(frame), m_levels(frame), m_report(report), m_expected(expected), m_network(makeUnetFinished({kUnetColourInfo.id, 1, 1}, kTrialReachPx)),
          m_bm3d(isBm3dAsked(report) ? makeMethod({kBm3dInfo.id, kBm3dInfo.luminanceOfFullColour, kBm3dInfo.luminanceOfFullColour}) : nullptr),
          m_haloPx(std::max(m_network->haloPx(), m_bm3d ? m_bm3d->haloPx() : 0)), m_stabilisers{Stabiliser(report.cells[0]), Stabiliser(report.cells[1]), Stabiliser(report.cells[2])}
    {
    }

    Taken read(Rect patch, Scratch &scratch) const
    {
        const Rect wide = patch.grownBy(m_haloPx);
        Planes p;
        for (size_t c = 0; c < kColours; ++c)
            p.noisy[c] = scratch.lendPadded(wide.size()), p.further[c] = scratch.lend(wide.size()), p.sigma[c] = scratch.lend(wide.size()), p.answer[c] = scratch.lend(patch.size());
        fillFurther(wide, p, scratch);
        fillSigma(wide, p, scratch);
        TileInput in{{}, {}, &m_report.bands};
        TilePlanes out;
        for (size_t c = 0; c < kColours; ++c) {
            const PlaneView<float> plane = p.noisy[c].view().cut({0, 0, wide.width, wide.height});
            for (int y = 0; y < wide.height; ++y)
                for (int x = 0; x < wide.width; ++x)
                    plane.row(y)[x] = m_stabilisers[c].forward(linear(wide.x + x, wide.y + y, int(c))) + kAmount * p.sigma[c].view().row(y)[x] * p.further[c].view().row(y)[x];
            in.planes[c] = plane;
            out[c] = p.answer[c].view();
        }
        Taken taken;
        const auto answered = [&](const DenoiseMethod &method) {
            method.denoiseTile(in.shrunkBy(m_haloPx - method.haloPx()), patch, out, scratch);
            return !scratch.stop.stop_requested();
        };
        if (answered(*m_network))
            forEachBlock(patch, p, [&](const Sums &sums, int count) {
                taken.byNetwork.add(sums);
                taken.samples += count;
                if (count >= kFewestOfBlock)
                    taken.blocks.push_back({sums.energy / count, sums.energyOfColours / count});
            });
        if (m_bm3d && answered(*m_bm3d))
            forEachBlock(patch, p, [&](const Sums &sums, int) { taken.byBm3d.add(sums); });
        return taken;
    }

private:
    float linear(int x, int y, int c) const
    {
        const Rect &a = m_frame.active;
        return m_levels.linear(std::clamp(x, a.x, a.right() - 1), std::clamp(y, a.y, a.bottom() - 1), c);
    }

    bool isClipped(int x, int y) const
    {
        for (int c = 0; c < int(kColours); ++c)
            if (m_frame.samples.at(3 * x + c, y) == 0 || m_levels.linear(x, y, c) >= kClipGuard)
                return true;
        return false;
    }

    /// White in luminance, and in colours smooth as demosaicing leaves it.
    static void fillFurther(Rect at, Planes &p, Scratch &scratch)
    {
        constexpr uint64_t kStream = 91; // and the three behind it: of no other random number in the engine
        const float ofGrey = float(std::sqrt(kGreyVariance));
        constexpr double kLeftBySmoothing = (1 + 4 + 1) / 16.0 * (1 + 4 + 1) / 16.0;
        const float ofColour = float(std::sqrt(kColourVariance / kLeftBySmoothing)) / 16;
        const Rect around = at.grownBy(1);
        const Scratch::Lent lent = scratch.lend(around.size());
        for (size_t c = 0; c < kColours; ++c) {
            fillWhite(around, kStream + c, lent.view());
            for (int y = 0; y < at.height; ++y) {
                const float *above = lent.view().row(y), *here = lent.view().row(y + 1), *below = lent.view().row(y + 2);
                for (int x = 0; x < at.width; ++x) {
                    const auto across = [x](const float *row) { return row[x] + 2 * row[x + 1] + row[x + 2]; };
                    p.further[c].view().row(y)[x] = ofColour * (across(above) + 2 * across(here) + across(below));
                }
            }
        }
        fillWhite(around, kStream + kColours, lent.view());
        for (int y = 0; y < at.height; ++y)
            for (int x = 0; x < at.width; ++x) {
                const float grey = ofGrey * lent.view().row(y)[x];
                float mean = 0;
                for (size_t c = 0; c < kColours; ++c)
                    mean += p.further[c].view().row(y)[x] / kColours;
                for (size_t c = 0; c < kColours; ++c)
                    p.further[c].view().row(y)[x] += grey - mean;
            }
    }

    /// By the tone of the surroundings.
    void fillSigma(Rect at, Planes &p, Scratch &scratch) const
    {
        constexpr int kAroundPx = 2, kSidePx = 2 * kAroundPx + 1;
        const Scratch::Lent grey = scratch.lend(at.size()), across = scratch.lend(at.size());
        for (int y = 0; y < at.height; ++y)
            for (int x = 0; x < at.width; ++x) {
                float sum = 0;
                for (int c = 0; c < int(kColours); ++c)
                    sum += linear(at.x + x, at.y + y, c);
                grey.view().row(y)[x] = sum / kColours;
            }
        const auto mean = [](int around, int last, const auto &value) {
            float sum = 0;
            for (int k = around - kAroundPx; k <= around + kAroundPx; ++k)
                sum += value(std::clamp(k, 0, last));
            return sum / kSidePx;
        };
        for (int y = 0; y < at.height; ++y)
            for (int x = 0; x < at.width; ++x)
                across.view().row(y)[x] = mean(x, at.width - 1, [&](int k) { return grey.view().row(y)[k]; });
        for (int y = 0; y < at.height; ++y)
            for (int x = 0; x < at.width; ++x) {
                const float tone = mean(y, at.height - 1, [&](int k) { return across.view().row(k)[x]; });
                constexpr float kTiny = 1e-7f; // laws may be 0 at black
                for (size_t c = 0; c < kColours; ++c)
                    p.sigma[c].view().row(y)[x] = std::max(m_expected.sigmaAt(tone), kTiny) / std::max(m_report.cells[c].sigmaAt(tone), kTiny);
            }
    }

    /// `use` is given the sums over a block, and how many of its samples are not clipped.
    template <class Use>
    void forEachBlock(Rect patch, const Planes &p, const Use &use) const
    {
        for (int y = 0; y + kBlockPx <= patch.height; y += kBlockPx)
            for (int x = 0; x + kBlockPx <= patch.width; x += kBlockPx) {
                int count = 0;
                Sums sums;
                for (int v = y; v < y + kBlockPx; ++v)
                    for (int u = x; u < x + kBlockPx; ++u)
                        if (!isClipped(patch.x + u, patch.y + v))
                            ++count, sums.add(takenAt(u, v, p));
                use(sums, count);
            }
    }

    Sums takenAt(int x, int y, const Planes &p) const
    {
        const int halo = m_haloPx;
        std::array<double, kColours> taken, laid;
        double grey = 0, greyLaid = 0;
        for (size_t c = 0; c < kColours; ++c) {
            taken[c] = double(p.noisy[c].view().row(y + halo)[x + halo] - p.answer[c].view().row(y)[x]) / double(p.sigma[c].view().row(y + halo)[x + halo]);
            laid[c] = double(p.further[c].view().row(y + halo)[x + halo]);
            grey += taken[c] / kColours, greyLaid += laid[c] / kColours;
        }
        Sums s{grey * greyLaid, grey * grey, 0, 0};
        for (size_t c = 0; c < kColours; ++c) {
            s.energyOfColours += (taken[c] - grey) * (taken[c] - grey);
            s.followedByColours += (taken[c] - grey) * (laid[c] - greyLaid);
        }
        return s;
    }

    const Frame &m_frame;
    const Linearizer m_levels;
    const NoiseReport &m_report;
    NoiseModel m_expected;
    std::unique_ptr<DenoiseMethod> m_network, m_bm3d; ///< the latter where it is asked
    int m_haloPx;
    std::array<Stabiliser, kColours> m_stabilisers;
};

/// What sensors usually have, or by as much less as was measured less; where no ISO is known what was measured, and the less of it the less certain that is.
NoiseModel expectedNoise(const Frame &frame, const NoiseReport &report)
{
    const auto times = [](NoiseModel law, double energy) { return NoiseModel{float(law.shotGain * energy), float(law.readVariance * energy)}; };
    if (!(frame.shooting.iso > 0))
        return times(report.cells[1], std::pow(kUnknownIso, 1 - report.confidence));
    const NoiseModel usual = usualLaw(frame.shooting.iso);
    return times(usual, std::min(1.0, std::pow(double(report.luminanceNoise * report.midSignal / usual.sigmaAt(report.midSignal)), 2)));
}

/// The mean squares of the calmest places, at a quarter of all; nothing where too few were seen.
std::optional<double> calmOf(std::vector<double> squares)
{
    if (squares.size() < kFewestBlocks)
        return std::nullopt;
    const auto at = squares.begin() + std::ptrdiff_t(kCalmPlaces * double(squares.size()));
    std::nth_element(squares.begin(), at, squares.end());
    return *at;
}

/// @param noise  mean square of what an answer takes of the noise
/// @param calm   of what it takes of calm places, where there are any
/// @param energy of what it takes
double shareOf(double noise, const std::optional<double> &calm, double energy)
{
    const double most = calm ? *calm : kMostWithoutCalm * energy;
    return std::clamp(std::min(noise, most) / energy, 0.0, 1.0);
}

/// By how much the mean square error of three colours falls where these shares are taken of an answer.
double gainOf(const Sums &means, double luminance, double colours)
{
    return double(kColours) * luminance * (2 * means.followed - luminance * means.energy) + colours * (2 * means.followedByColours - colours * means.energyOfColours);
}

} // namespace

Result<std::optional<NearestShares>> nearestShares(const Frame &frame, const NoiseReport &report, const RunContext &run)
{
    const Rect &a = frame.active;
    if (!validate(Treatment{kUnetColourInfo.id}) || !(report.luminanceNoise > 0) || a.width < kTrialPx + kPlacePx || a.height < kTrialPx + kPlacePx)
        return std::optional<NearestShares>();
    const NoiseModel expected = expectedNoise(frame, report);
    const Reader reader(frame, report, expected);
    const int across = std::min(kAcross, a.width / kTrialPx), down = std::min(kDown, a.height / kTrialPx);
    const auto placed = [](int from, int length, int i, int count) {
        const int room = length - kTrialPx;
        const int at = from + (count == 1 ? room / 2 : int(int64_t(room) * i / (count - 1)));
        return std::max(from, at / kPlacePx * kPlacePx);
    };
    std::vector<Taken> patches(size_t(across) * size_t(down));
    ScratchPool pool;
    const Status done = parallelFor(int(patches.size()), run, [&](int i) {
        const Rect patch{placed(a.x, a.width, i % across, across), placed(a.y, a.height, i / across, down), kTrialPx, kTrialPx};
        const ScratchPool::Lent scratch = pool.lend(run.stop);
        patches[size_t(i)] = reader.read(patch, *scratch);
    });
    if (!done)
        return done.error();
    Taken all;
    std::vector<double> luminance, colours;
    for (const Taken &t : patches) {
        all.samples += t.samples;
        all.byNetwork.add(t.byNetwork), all.byBm3d.add(t.byBm3d);
        for (const Block &b : t.blocks)
            luminance.push_back(b.luminance), colours.push_back(b.colours);
    }
    if (!(all.byNetwork.energy > 0) || !(all.byNetwork.energyOfColours > 0))
        return std::optional<NearestShares>();
    const bool sure = isSure(report);                                              // calm places need not be asked
    const auto means = [&](const Sums &of, double ofLuminance, double ofColours) { // with what is taken of the noise in place of what followed
        Sums mean;
        mean.add(of, 1 / double(all.samples));
        mean.followed *= ofLuminance / double(kAmount);
        mean.followedByColours *= ofColours / double(kAmount);
        return mean;
    };
    const Sums network = means(all.byNetwork, frame.shooting.bitDepth <= kFinishedBits ? kSharpened : kAsItIs, kOfColours);
    const double ofLuminance = shareOf(network.followed, sure ? network.energy : calmOf(std::move(luminance)), network.energy);
    const double ofColours = shareOf(network.followedByColours, sure ? network.energyOfColours : calmOf(std::move(colours)), network.energyOfColours);
    // BM3D goes by what was measured.
    const double over = std::pow(double(report.cells[1].sigmaAt(report.midSignal) / expected.sigmaAt(report.midSignal)), 2);
    const bool isNearer = !sure || (isBm3dAsked(report) && gainOf(means(all.byBm3d, kAsItIs * over, kOfColours * over), 1, 1) <= 0);
    return std::optional(NearestShares{float(ofLuminance), float(ofColours), isNearer});
}

} // namespace irenic
