// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/network.h"
#include "methods/unet/packed.h"
#include "methods/unet/unet.h"

namespace irenic {

namespace {

constexpr int kAnswerRoot = 5; ///< local means over 25 x 25 packed samples are left where they are, as by the other networks
constexpr int kAnswerReachPx = 2 * reachOfMean(kAnswerRoot);
constexpr float kBrightest = 12; ///< sigma: from there on brightness makes no difference; as in training
constexpr size_t kColours = 3, kPlaces = unet::kPlanes, kToldAt = kPlaces * kColours, kTold = 3, kLevelAt = kToldAt + kTold;
static_assert(kLevelAt + 1 == unet::kFinishedIn && kPlaces * kColours == unet::kFinishedOut && unet::kFinishedIn <= unet::Network::kChannels);

class FinishedUnet final : public DenoiseMethod
{
    struct Kept final : Scratch::Extra {
        unet::Network network{weights()};
    };
    /// What was taken for noise in a tile, by how much more noise was told.
    struct Answer {
        float told;
        std::array<Scratch::Lent, kColours> planes;
    };
    struct Answers final : Scratch::Extra {
        std::vector<Answer> all;
    };

    static const unet::Weights &weights() { return unet::shippedWeights(unet::Shipped::Finished).value(); }

public:
    explicit FinishedUnet(const Treatment &t) : m_reachPx(2 * weights().shape.reach()), m_luminance(float(t.luminance)), m_colour(float(t.colour)) {}

    int haloPx() const override { return m_reachPx + kInputReachPx + kAnswerReachPx + 2 * weights().shape.alignment() + 1; }
    int bestTilePx() const override { return 1024; }

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        Answers alone;
        Answers *shared = scratch.ofTile<Answers>([] { return std::make_unique<Answers>(); });
        Answers &answers = shared ? *shared : alone;
        const auto ofLuminance = indexFor(unet::toldFor(m_luminance), in, where, answers, scratch), ofColour = indexFor(unet::toldFor(m_colour), in, where, answers, scratch);
        if (!ofLuminance || !ofColour)
            return;
        const auto &luminance = answers.all[*ofLuminance].planes, &colour = answers.all[*ofColour].planes;
        const float shareOfLuminance = std::min(1.f, m_luminance), shareOfColour = std::min(1.f, m_colour);
        for (int y = 0; y < where.height; ++y)
            for (int x = 0; x < where.width; ++x) {
                float grey = 0, greyOfColour = 0;
                for (size_t c = 0; c < kColours; ++c) {
                    grey += luminance[c].view().row(y)[x] / kColours;
                    greyOfColour += colour[c].view().row(y)[x] / kColours;
                }
                for (size_t c = 0; c < kColours; ++c)
                    out[c].row(y)[x] = in.planes[c].row(y + haloPx())[x + haloPx()] - shareOfLuminance * grey - shareOfColour * (colour[c].view().row(y)[x] - greyOfColour);
            }
    }

private:
    /// Of luminance's finest differences, of its differences eight pixels apart, and of those of colours.
    static std::array<float, kTold> sigmasOf(const std::vector<BandNoise> &bands)
    {
        constexpr size_t kSum = 0, kDiagonal = 3, kFirstColour = 4, kThirdLevel = 1;
        const auto at = [&](size_t band) { return bands[band].sigma * bands[band].scales[kThirdLevel]; };
        return {bands[kDiagonal].sigma, at(kSum), std::hypot(at(kFirstColour), at(kFirstColour + 1)) / std::sqrt(2.f)};
    }

    /// Packed planes less their local means, what is told of the noise, and brightness. False once stopped.
    static bool fillInput(const TileInput &in, const PackedGrid &g, float told, const PackedRoom &room, const std::stop_token &stop, float *to)
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

    /// Where among `answers` it lies, computed where it does not yet. Nothing once stopped.
    std::optional<size_t> indexFor(float told, const TileInput &in, Rect where, Answers &answers, Scratch &scratch) const
    {
        for (size_t i = 0; i < answers.all.size(); ++i)
            if (answers.all[i].told == told)
                return i;
        const Rect given = where.grownBy(haloPx());
        const PackedGrid grid = packedGrid(given, where.grownBy(kAnswerReachPx), PixelAt{0, 0}, m_reachPx, weights().shape.alignment());
        unet::Network &network = scratch.extra<Kept>([] { return std::make_unique<Kept>(); }).network;
        const PackedRoom room(scratch, grid.packed);
        const int margin = m_reachPx / 2;
        if (!fillInput(in, grid, told, room, scratch.stop, network.input(grid.packed, margin)))
            return std::nullopt;
        const auto answered = network.run(grid.packed, margin, scratch.stop);
        if (!answered)
            return std::nullopt;
        Answer a{told, {scratch.lend(where.size()), scratch.lend(where.size()), scratch.lend(where.size())}};
        for (size_t i = 0; i < kToldAt; ++i)
            if (!placeAnswer<kAnswerRoot>(*answered, int(i), int(i / kColours), grid, where, room, scratch.stop, 1, a.planes[i % kColours].view()))
                return std::nullopt;
        answers.all.push_back(std::move(a));
        return answers.all.size() - 1;
    }

    int m_reachPx;
    float m_luminance, m_colour;
};

} // namespace

std::unique_ptr<DenoiseMethod> makeUnetFinished(const Treatment &treatment)
{
    return std::make_unique<FinishedUnet>(treatment);
}

} // namespace irenic
