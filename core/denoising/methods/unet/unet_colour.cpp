// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/network.h"
#include "methods/unet/packed.h"
#include "methods/unet/unet.h"

namespace irenic {

namespace {

/// Means of the answer over 25 x 25 packed samples. Over 49 x 49, as in training, it came 0.03 dB nearer at ISO 25600 (ten photographs), and moved means of 64 x 64
/// sensor samples by 0.59 of their noise at ISO 51200, where 0.57 are allowed.
constexpr int kAnswerRoot = 5;
constexpr int kAnswerReachPx = 2 * reachOfMean(kAnswerRoot);
constexpr float kFurthest = 12; ///< sigma: from there on it makes no difference how far black or white is; as in training
constexpr size_t kColours = 3;

class ColourUnet final : public DenoiseMethod
{
    struct Kept final : Scratch::Extra {
        unet::Network network{weights()};
    };
    /// Of a tile: what was taken for noise in its samples, and what its two other colours lack.
    struct Answer {
        float told;
        std::array<Scratch::Lent, kColours> planes;
    };
    struct Answers final : Scratch::Extra {
        std::vector<Answer> all;
    };

    static const unet::Weights &weights() { return unet::shippedWeights(unet::Shipped::Colour).value(); }

public:
    explicit ColourUnet(const Treatment &t) : m_reachPx(2 * weights().shape.reach()), m_luminance(float(t.luminance)), m_colour(float(t.colour)), m_finished(makeUnetFinished(t)) {}

    int haloPx() const override { return std::max(m_finished->haloPx(), m_reachPx + kInputReachPx + kAnswerReachPx + 2 * weights().shape.alignment() + kTakingReachPx + 1); }
    int bestTilePx() const override { return 1024; } ///< of 1280 pixels a tenth quicker, with a fifth of a gigabyte more

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        if (!in.isMosaic())
            return m_finished->denoiseTile(in.shrunkBy(haloPx() - m_finished->haloPx()), where, out, scratch);
        Answers alone;
        Answers *shared = scratch.ofTile<Answers>([] { return std::make_unique<Answers>(); });
        Answers &answers = shared ? *shared : alone;
        const auto ofLuminance = indexFor(unet::toldFor(m_luminance), in, where, answers, scratch), ofColour = indexFor(unet::toldFor(m_colour), in, where, answers, scratch);
        if (!ofLuminance || !ofColour)
            return;
        const Answer &luminance = answers.all[*ofLuminance], &colour = answers.all[*ofColour];
        takeAway(in, haloPx(), luminance.planes[0].view(), std::min(1.f, m_luminance), colour.planes[0].view(), std::min(1.f, m_colour), out[0]);
        for (size_t i = 1; i < kColours && out[i].data; ++i)
            copyRows(luminance.planes[i].view().cut({kTakingReachPx, kTakingReachPx, where.width, where.height}), out[i]);
    }

private:
    /// Balanced planes less their local means, sigma of each colour, and how far black and white are. False once stopped.
    static bool fillInput(const TileInput &in, const PackedGrid &g, float told, const PackedRoom &room, const std::stop_token &stop, float *to)
    {
        static constexpr MosaicBalance kUnknown;
        const MosaicBalance &balance = in.balance ? *in.balance : kUnknown;
        constexpr size_t kChannels = unet::Network::kChannels, kSigma = unet::kPlanes, kLevel = kSigma + kColours, kRoom = kLevel + 1, kBehind = kRoom + 1;
        static_assert(kBehind == unet::kColourIn);
        constexpr std::array<size_t, unet::kPlanes> kColourOf{0, 1, 1, 2};
        const std::array<float, kColours> sigma{told * balance.ratio[0], told * (balance.ratio[1] + balance.ratio[2]) / 2, told * balance.ratio[3]};
        for (size_t c = 0; c < unet::kPlanes; ++c) {
            if (stop.stop_requested())
                return false;
            gatherPlane(in.planes[0], g, int(c), room.plane);
            boxSum<kInputRoot>(room.plane, room, room.sums);
            const float ratio = balance.ratio[c], toSigmas = ratio / sigma[kColourOf[c]];
            for (int y = 0; y < g.packed.height; ++y) {
                const float *samples = room.plane.row(y + kInputReach) + kInputReach, *sums = room.sums.row(y);
                float *o = to + size_t(y) * size_t(g.packed.width) * kChannels;
                for (int x = 0; x < g.packed.width; ++x, o += kChannels) {
                    const float mean = sums[x] * shareInMean(kInputRoot), left = (balance.white[c] - mean) * toSigmas;
                    o[c] = (samples[x] - mean) * ratio;
                    o[kLevel] = (c == 0 ? 0 : o[kLevel]) + mean * toSigmas;
                    o[kRoom] = c == 0 ? left : std::min(o[kRoom], left);
                }
            }
        }
        for (size_t i = 0; i < size_t(g.packed.area()); ++i, to += kChannels) {
            std::copy(sigma.begin(), sigma.end(), to + kSigma);
            to[kLevel] = std::clamp(to[kLevel] / float(unet::kPlanes), -kFurthest, kFurthest);
            to[kRoom] = std::clamp(to[kRoom], 0.f, kFurthest);
            std::fill(to + kBehind, to + kChannels, 0.f);
        }
        return true;
    }

    /// Where among `answers` it lies, computed where it does not yet. Nothing once stopped.
    std::optional<size_t> indexFor(float told, const TileInput &in, Rect where, Answers &answers, Scratch &scratch) const
    {
        for (size_t i = 0; i < answers.all.size(); ++i)
            if (answers.all[i].told == told)
                return i;
        const Rect wide = where.grownBy(kTakingReachPx);
        const PackedGrid grid = packedGrid(in, where.grownBy(haloPx()), wide.grownBy(kAnswerReachPx), m_reachPx, weights().shape.alignment());
        unet::Network &network = scratch.extra<Kept>([] { return std::make_unique<Kept>(); }).network;
        const PackedRoom room(scratch, grid.packed);
        const int margin = m_reachPx / 2;
        if (!fillInput(in, grid, told, room, scratch.stop, network.input(grid.packed, margin)))
            return std::nullopt;
        const auto answered = network.run(grid.packed, margin, scratch.stop);
        if (!answered)
            return std::nullopt;
        Answer a{told, {scratch.lend(wide.size()), scratch.lend(wide.size()), scratch.lend(wide.size())}};
        for (int place = 0; place < unet::kPlanes; ++place) {
            const float undo = in.balance ? 1 / in.balance->ratio[size_t(place)] : 1;
            if (!placeAnswer<kAnswerRoot>(*answered, place, place, grid, wide, room, scratch.stop, undo, a.planes[0].view()))
                return std::nullopt;
            for (int other = 0; other < 2; ++other)
                if (!placeAnswer<kAnswerRoot>(*answered, unet::kPlanes + 2 * place + other, place, grid, wide, room, scratch.stop, 1, a.planes[size_t(1 + other)].view()))
                    return std::nullopt;
        }
        answers.all.push_back(std::move(a));
        return answers.all.size() - 1;
    }

    int m_reachPx;
    float m_luminance, m_colour;
    std::unique_ptr<DenoiseMethod> m_finished;
};

} // namespace

std::unique_ptr<DenoiseMethod> makeUnetColour(const Treatment &treatment)
{
    return std::make_unique<ColourUnet>(treatment);
}

} // namespace irenic
