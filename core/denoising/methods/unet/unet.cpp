// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/unet.h"

#include "methods/unet/network.h"
#include "methods/unet/packed.h"

namespace irenic {

namespace {

/// Local means, of what the network sees over 49 x 49 packed samples, of its answer over 25 x 25, as in training/network.py: over as many as
/// before, waves of some sixty pixels would move the means of blocks of 64 x 64 further than noise lets them be known.
constexpr int kAnswerRoot = 5;
constexpr int kAnswerReachPx = 2 * reachOfMean(kAnswerRoot);

/// A way to lay the frame before the network. A place keeps its grid of squares of four, anchored to the frame, in every one.
struct View {
    bool turned;     ///< by half a turn
    bool transposed; ///< rows for columns

    Size of(Size s) const { return transposed ? Size{s.height, s.width} : s; }
    Rect of(Rect r) const
    {
        const int x = turned ? -r.right() : r.x, y = turned ? -r.bottom() : r.y;
        return transposed ? Rect{y, x, r.height, r.width} : Rect{x, y, r.width, r.height};
    }
    /// Either way round: each is its own opposite.
    void copy(PlaneView<const float> from, PlaneView<float> to) const
    {
        assert(of(Size{from.width, from.height}) == (Size{to.width, to.height}));
        const ptrdiff_t step = transposed ? from.stride : 1;
        for (int y = 0; y < to.height; ++y) {
            const int v = turned ? to.height - 1 - y : y;
            const float *in = transposed ? from.data + v : from.row(v);
            float *out = to.row(y);
            for (int x = 0; x < to.width; ++x)
                out[x] = in[(turned ? to.width - 1 - x : x) * step];
        }
    }
    CfaPattern of(CfaPattern cfa, Size tile) const
    {
        CfaPattern seen = turned ? cfa.shifted(tile.width - 1, tile.height - 1) : cfa;
        if (transposed)
            std::swap(seen.cells[1], seen.cells[2]);
        return seen;
    }
};

/// As it is; and, for the mean of several answers, in ways that differ most.
constexpr std::array kViews{View{false, false}, View{true, false}, View{false, true}, View{true, true}};

template <unet::Shipped Which>
class Unet final : public DenoiseMethod
{
    /// What a Scratch keeps for it.
    struct Kept final : Scratch::Extra {
        unet::Network network{unet::shippedWeights(Which).value()};
    };
    /// What the network took for noise in a tile, by the noise that it was told: the same for every strength up to 1.
    struct Answers final : Scratch::Extra {
        std::vector<std::pair<float, Scratch::Lent>> byTold;
    };

public:
    Unet(const Treatment &t, std::span<const View> views) : m_reachPx(2 * unet::shippedWeights(Which).value().shape.reach()), m_views(views), m_luminance(float(t.luminance)), m_colour(float(t.colour)) {}

    int haloPx() const override { return m_reachPx + kInputReachPx + kAnswerReachPx + 2 * unet::shippedWeights(Which).value().shape.alignment() + kTakingReachPx + 1; }
    /// With its wide halo this computes a third more places than it answers for; tiles of 640 pixels would be two thirds.
    int bestTilePx() const override { return 1024; }

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        assert(in.isMosaic()); // others are handed on, see carriedOut()
        const Rect wide = where.grownBy(kTakingReachPx);
        Answers alone;
        Answers *shared = scratch.ofTile<Answers>([] { return std::make_unique<Answers>(); });
        std::array<PlaneView<float>, 2> taken; // for luminance, for colour
        for (size_t i = 0; i < 2; ++i) {
            taken[i] = answerFor(toldFor(i == 0 ? m_luminance : m_colour), in, where, wide, shared ? *shared : alone, scratch);
            if (!taken[i].data)
                return;
        }
        takeAway(in, haloPx(), taken[0], std::min(1.f, m_luminance), taken[1], std::min(1.f, m_colour), out[0]);
    }

private:
    /// The noise that the network is told at a strength. Up to about a fifth more than there is (the large one: a tenth) it takes more; told of more still, it
    /// begins to leave more again.
    static float toldFor(float strength)
    {
        constexpr float kMost = Which == unet::Shipped::Large ? 1.f / 12 : 1.f / 6; // beyond what there is, at strength 3
        return 1 + kMost * std::max(0.f, strength - 1) / 2;
    }

    static constexpr size_t kChannels = unet::Network::kChannels;

    /// The packed planes less their local means, and the noise that the network is told. False once stopped.
    static bool fillInput(const TileInput &in, const PackedGrid &g, float sigma, const PackedRoom &room, const std::stop_token &stop, float *to)
    {
        for (int c = 0; c < unet::kPlanes; ++c) {
            if (stop.stop_requested())
                return false;
            gatherPlane(in.planes[0], g, c, room.plane);
            boxSum<kInputRoot>(room.plane, room, room.sums);
            for (int y = 0; y < g.packed.height; ++y) {
                const float *samples = room.plane.row(y + kInputReach) + kInputReach, *sums = room.sums.row(y);
                float *o = to + size_t(y) * size_t(g.packed.width) * kChannels + c;
                for (int x = 0; x < g.packed.width; ++x)
                    o[size_t(x) * kChannels] = samples[x] - sums[x] * shareInMean(kInputRoot);
            }
        }
        for (size_t i = 0; i < size_t(g.packed.area()); ++i, to += kChannels) {
            to[unet::kPlanes] = sigma;
            std::fill(to + unet::kPlanes + 1, to + kChannels, 0.f);
        }
        return true;
    }

    /// The network's answer over `wide`, mosaic again. What is taken away has no local mean, whatever was learned: brightness and colour stay.
    /// False once stopped.
    static bool collect(const unet::Network::Answer &answer, const PackedGrid &g, Rect wide, const PackedRoom &room, const std::stop_token &stop, PlaneView<float> noise)
    {
        for (int c = 0; c < unet::kPlanes; ++c)
            if (!placeAnswer<kAnswerRoot>(answer, c, c, g, wide, room, stop, 1, noise))
                return false;
        return true;
    }

    /// What the network takes for noise of that sigma over `wide`, mosaic again. False once stopped.
    bool takenForNoise(const TileInput &in, Rect where, Rect wide, float sigma, PlaneView<float> noise, Scratch &scratch) const
    {
        const PackedGrid grid = packedGrid(in, where.grownBy(haloPx()), wide.grownBy(kAnswerReachPx), m_reachPx, unet::shippedWeights(Which).value().shape.alignment());
        unet::Network &network = scratch.extra<Kept>([] { return std::make_unique<Kept>(); }).network;
        const PackedRoom room(scratch, grid.packed);
        const int margin = m_reachPx / 2;
        if (!fillInput(in, grid, sigma, room, scratch.stop, network.input(grid.packed, margin)))
            return false;
        const auto answer = network.run(grid.packed, margin, scratch.stop);
        return answer && collect(*answer, grid, wide, room, scratch.stop, noise);
    }

    /// Computed where it is not among `answers` yet. Without data once stopped.
    PlaneView<float> answerFor(float told, const TileInput &in, Rect where, Rect wide, Answers &answers, Scratch &scratch) const
    {
        for (const auto &[toldThen, plane] : answers.byTold)
            if (toldThen == told)
                return plane.view();
        Scratch::Lent plane = scratch.lend(wide.size());
        if (!meanTakenForNoise(in, where, wide, told, plane.view(), scratch))
            return {};
        return answers.byTold.emplace_back(told, std::move(plane)).second.view();
    }

    /// The mean of the answers over all views. False once stopped.
    bool meanTakenForNoise(const TileInput &in, Rect where, Rect wide, float sigma, PlaneView<float> noise, Scratch &scratch) const
    {
        if (!takenForNoise(in, where, wide, sigma, noise, scratch))
            return false;
        const Size tile{in.width(), in.height()};
        for (const View &view : m_views.subspan(1)) {
            const Scratch::Lent lentSeen = scratch.lend(view.of(tile)), lentAnswer = scratch.lend(view.of(wide.size())), lentBack = scratch.lend(wide.size());
            const PlaneView<float> seen = lentSeen.view(), answer = lentAnswer.view(), back = lentBack.view();
            view.copy(in.planes[0], seen);
            if (!takenForNoise(TileInput::mosaic(seen, view.of(in.cfa, tile)), view.of(where), view.of(wide), sigma, answer, scratch))
                return false;
            view.copy(answer, back);
            for (int y = 0; y < wide.height; ++y)
                for (int x = 0; x < wide.width; ++x)
                    noise.row(y)[x] += back.row(y)[x];
        }
        if (m_views.size() > 1)
            for (int y = 0; y < wide.height; ++y)
                for (int x = 0; x < wide.width; ++x)
                    noise.row(y)[x] /= float(m_views.size());
        return true;
    }

    int m_reachPx;
    std::span<const View> m_views;
    float m_luminance, m_colour;
};

Status readiness(unet::Shipped which)
{
    const auto &weights = unet::shippedWeights(which);
    return weights ? Status() : Status(weights.error());
}

} // namespace

std::unique_ptr<DenoiseMethod> makeUnet(const Treatment &treatment)
{
    return std::make_unique<Unet<unet::Shipped::Compact>>(treatment, std::span(kViews).first(1));
}

std::unique_ptr<DenoiseMethod> makeUnetEnsemble(const Treatment &treatment)
{
    return std::make_unique<Unet<unet::Shipped::Large>>(treatment, kViews);
}

Status unetColourIsReady()
{
    const Status mosaics = readiness(unet::Shipped::Colour);
    return mosaics ? readiness(unet::Shipped::Finished) : mosaics;
}

Status unetIsReady()
{
    return readiness(unet::Shipped::Compact);
}

Status unetEnsembleIsReady()
{
    return readiness(unet::Shipped::Large);
}

} // namespace irenic
