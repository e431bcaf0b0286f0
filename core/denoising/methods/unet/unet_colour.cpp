// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/second_unet.h"
#include "methods/unet/unet.h"

namespace irenic {

namespace {

constexpr float kFurthest = 12; ///< sigma: from there on it makes no difference how far black or white is; as in training

/// Of a tile it answers what was taken for noise in the samples, and what its two other colours lack.
class ColourUnet final : public SecondUnet<unet::Shipped::Colour>
{
public:
    explicit ColourUnet(const Treatment &t) : SecondUnet(t, kTakingReachPx), m_finished(makeUnetFinished(t)) {}

    int haloPx() const override { return std::max(m_finished->haloPx(), SecondUnet::haloPx()); }

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        if (!in.isMosaic())
            return m_finished->denoiseTile(in.shrunkBy(haloPx() - m_finished->haloPx()), where, out, scratch);
        withAnswers(in, where, scratch, [&](const Planes &luminance, const Planes &colour) {
            takeAway(in, haloPx(), luminance[0].view(), std::min(1.f, m_luminance), colour[0].view(), std::min(1.f, m_colour), out[0]);
            for (size_t i = 1; i < kColours && out[i].data; ++i)
                copyRows(luminance[i].view().cut({kTakingReachPx, kTakingReachPx, where.width, where.height}), out[i]);
        });
    }

private:
    PackedGrid gridOf(const TileInput &in, Rect given, Rect answered, int reachPx, int alignment) const override { return packedGrid(in, given, answered, reachPx, alignment); }

    /// Balanced planes less their local means, sigma of each colour, and how far black and white are.
    bool fillInput(const TileInput &in, const PackedGrid &g, float told, const PackedRoom &room, const std::stop_token &stop, float *to) const override
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

    bool place(const TileInput &in, const unet::Network::Answer &answered, const PackedGrid &g, Rect wide, const PackedRoom &room, const std::stop_token &stop, Planes &planes) const override
    {
        for (int place = 0; place < unet::kPlanes; ++place) {
            const float undo = in.balance ? 1 / in.balance->ratio[size_t(place)] : 1;
            if (!placeAnswer<kAnswerRoot>(answered, place, place, g, wide, room, stop, undo, planes[0].view()))
                return false;
            for (int other = 0; other < 2; ++other)
                if (!placeAnswer<kAnswerRoot>(answered, unet::kPlanes + 2 * place + other, place, g, wide, room, stop, 1, planes[size_t(1 + other)].view()))
                    return false;
        }
        return true;
    }

    std::unique_ptr<DenoiseMethod> m_finished; ///< for tiles in full colour
};

} // namespace

std::unique_ptr<DenoiseMethod> makeUnetColour(const Treatment &treatment)
{
    return std::make_unique<ColourUnet>(treatment);
}

} // namespace irenic
