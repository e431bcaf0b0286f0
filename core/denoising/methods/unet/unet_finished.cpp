// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/second_unet.h"
#include "methods/unet/unet.h"

namespace irenic {

namespace {

constexpr float kBrightest = 12; ///< sigma: from there on brightness makes no difference; as in training

/// Of a tile in full colour it answers what was taken for noise in its three planes.
class FinishedUnet final : public SecondUnet<unet::Shipped::Finished>
{
    static constexpr size_t kToldAt = size_t(unet::kPlanes) * kColours, kTold = 3, kLevelAt = kToldAt + kTold;
    static_assert(kLevelAt + 1 == unet::kFinishedIn && kToldAt == unet::kFinishedOut && unet::kFinishedIn <= unet::Network::kChannels);

public:
    FinishedUnet(const Treatment &t, int reachPx) : SecondUnet(t, 0, reachPx) {}

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        withAnswers(in, where, scratch, [&](const Planes &luminance, const Planes &colour) {
            const float shareOfLuminance = std::min(1.f, m_luminance), shareOfColour = std::min(1.f, m_colour);
            const int halo = haloPx();
            for (int y = 0; y < where.height; ++y) {
                std::array<const float *, kColours> noisy, ofLuminance, ofColour;
                for (size_t c = 0; c < kColours; ++c)
                    noisy[c] = in.planes[c].row(y + halo) + halo, ofLuminance[c] = luminance[c].view().row(y), ofColour[c] = colour[c].view().row(y);
                for (int x = 0; x < where.width; ++x) {
                    float grey = 0, greyOfColour = 0;
                    for (size_t c = 0; c < kColours; ++c) {
                        grey += ofLuminance[c][x] / kColours;
                        greyOfColour += ofColour[c][x] / kColours;
                    }
                    for (size_t c = 0; c < kColours; ++c)
                        out[c].row(y)[x] = noisy[c][x] - shareOfLuminance * grey - shareOfColour * (ofColour[c][x] - greyOfColour);
                }
            }
        });
    }

private:
    PackedGrid gridOf(const TileInput &, Rect given, Rect answered, int reachPx, int alignment) const override { return packedGrid(given, answered, PixelAt{0, 0}, reachPx, alignment); }

    /// Of luminance's finest differences, of its differences eight pixels apart, and of those of colours.
    static std::array<float, kTold> sigmasOf(const std::vector<BandNoise> &bands)
    {
        constexpr size_t kSum = 0, kDiagonal = 3, kFirstColour = 4, kThirdLevel = 1;
        const auto at = [&](size_t band) { return bands[band].sigma * bands[band].scales[kThirdLevel]; };
        return {bands[kDiagonal].sigma, at(kSum), std::hypot(at(kFirstColour), at(kFirstColour + 1)) / std::sqrt(2.f)};
    }

    /// Packed planes less their local means, what is told of the noise, and brightness.
    bool fillInput(const TileInput &in, const PackedGrid &g, float told, const PackedRoom &room, const std::stop_token &stop, float *to) const override
    {
        constexpr size_t kChannels = unet::Network::kChannels;
        for (size_t i = 0; i < kToldAt; ++i) {
            if (stop.stop_requested())
                return false;
            gatherPlane(in.planes[i % kColours], g, int(i / kColours), room.plane);
            boxSum<kInputRoot>(room.plane, room, room.sums);
            for (int y = 0; y < g.packed.height; ++y) {
                const float *samples = room.plane.row(y + kInputReach) + kInputReach, *sums = room.sums.row(y);
                float *o = to + size_t(y) * size_t(g.packed.width) * kChannels;
                for (int x = 0; x < g.packed.width; ++x, o += kChannels) {
                    const float mean = sums[x] * shareInMean(kInputRoot);
                    o[i] = samples[x] - mean;
                    o[kLevelAt] = (i == 0 ? 0 : o[kLevelAt]) + mean;
                }
            }
        }
        std::array<float, kTold> sigmas = sigmasOf(*in.bands);
        for (float &s : sigmas)
            s *= told;
        for (size_t i = 0; i < size_t(g.packed.area()); ++i, to += kChannels) {
            std::copy(sigmas.begin(), sigmas.end(), to + kToldAt);
            to[kLevelAt] = std::clamp(to[kLevelAt] / float(kToldAt), -kBrightest, kBrightest);
            std::fill(to + kLevelAt + 1, to + kChannels, 0.f);
        }
        return true;
    }

    bool place(const TileInput &, const unet::Network::Answer &answered, const PackedGrid &g, Rect wide, const PackedRoom &room, const std::stop_token &stop, Planes &planes) const override
    {
        for (size_t i = 0; i < kToldAt; ++i)
            if (!placeAnswer<kAnswerRoot>(answered, int(i), int(i / kColours), g, wide, room, stop, 1, planes[i % kColours].view()))
                return false;
        return true;
    }
};

} // namespace

std::unique_ptr<DenoiseMethod> makeUnetFinished(const Treatment &treatment, int reachPx)
{
    return std::make_unique<FinishedUnet>(treatment, reachPx);
}

} // namespace irenic
