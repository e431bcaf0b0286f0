// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/unet.h"

#include "methods/bm3d/bm3d.h"
#include "methods/unet/network.h"

namespace irenic {

namespace {

constexpr int kPeriodPx = 2 * unet::kAlignment; ///< sensor pixels from one place of the network's grid to the next
constexpr int kMeanReach = 24; ///< local means, before the network and of its answer, are over 49 x 49 packed samples; as in training/network.py
/// Of the answer this share of that mean is one over 25 x 25 samples: with the wide mean alone, waves of some sixty pixels move the means of blocks
/// of 64 x 64 by up to 0.49 units in the dark, where 0.46 are allowed. On photographs it gains 0.01 to 0.04 dB besides.
constexpr int kNearReach = 12;
constexpr float kNearShare = 0.7f;
constexpr int kReachPx = 2 * unet::kReach;
constexpr int kMeanReachPx = 2 * kMeanReach;
constexpr int kBinomialPx = 1;

/// Sum over 2 * reach + 1 samples each way, in one order at every place. `out` lies in the middle of `in`.
void boxSum(PlaneView<const float> in, int reach, PlaneView<float> columns, PlaneView<float> out)
{
    for (int y = 0; y < out.height; ++y) {
        float *column = columns.row(0), *o = out.row(y);
        std::copy_n(in.row(y), in.width, column);
        for (int k = 1; k <= 2 * reach; ++k) {
            const float *from = in.row(y + k);
            for (int x = 0; x < in.width; ++x)
                column[x] += from[x];
        }
        std::copy_n(column, out.width, o);
        for (int k = 1; k <= 2 * reach; ++k)
            for (int x = 0; x < out.width; ++x)
                o[x] += column[x + k];
    }
}

/// What a Scratch keeps for it.
struct Kept final : Scratch::Extra {
    explicit Kept(const unet::Weights &weights) : network(weights) {}
    unet::Network network;
};

class Unet final : public DenoiseMethod
{
public:
    explicit Unet(const Treatment &t) : m_luminance(float(t.luminance)), m_colour(float(t.colour)), m_fullColour(makeBm3d(t)) {}

    int haloPx() const override { return std::max(m_fullColour->haloPx(), kReachPx + 2 * kMeanReachPx + kPeriodPx + kBinomialPx + 1); }
    int bestTilePx() const override { return 640; }

    void denoiseTile(const TileInput &in, Rect where, const TileOutput &out, Scratch &scratch) const override
    {
        if (!in.isMosaic())
            return m_fullColour->denoiseTile(in.shrunkBy(haloPx() - m_fullColour->haloPx()), where, out, scratch);
        const Rect wide = where.grownBy(kBinomialPx);
        const float told[2] = {toldFor(m_luminance), toldFor(m_colour)};
        const PlaneView<float> luminance = scratch.plane(0, wide.size()).view();
        if (!takenForNoise(in, where, wide, told[0], luminance, scratch))
            return;
        PlaneView<float> colour = luminance;
        if (told[0] != told[1]) {
            colour = scratch.plane(1, wide.size()).view();
            if (!takenForNoise(in, where, wide, told[1], colour, scratch))
                return;
        }
        takeAway(in, luminance, colour, out[0]);
    }

private:
    /// The noise that the network is told at a strength. Up to about a fifth more than there is it takes more; told of more still, it begins to leave more again.
    static float toldFor(float strength) { return 1 + std::max(0.f, strength - 1) / 12; }

    static constexpr float kMeanOf = 1.f / ((2 * kMeanReach + 1) * (2 * kMeanReach + 1)), kNearOf = 1.f / ((2 * kNearReach + 1) * (2 * kNearReach + 1));
    static constexpr size_t kChannels = unet::Network::kChannels;

    /// Where the network's packed samples lie in a tile.
    struct Grid {
        Rect given;    ///< the tile with its halo
        int left, top; ///< of the first packed sample: red of a square of four
        Size packed;
    };

    /// Anchored to the frame, red at the top left of each square of four; around `answered` with all that it depends on.
    static Grid gridFor(const TileInput &in, Rect given, Rect answered)
    {
        const int redX = in.cfa.at(0, 0) == Colour::Red || in.cfa.at(0, 1) == Colour::Red ? 0 : 1;
        const int redY = in.cfa.at(0, 0) == Colour::Red || in.cfa.at(1, 0) == Colour::Red ? 0 : 1;
        const int phaseX = (given.x + redX) & 1, phaseY = (given.y + redY) & 1;
        const int left = roundedDown(answered.x - kReachPx - phaseX, kPeriodPx) + phaseX, top = roundedDown(answered.y - kReachPx - phaseY, kPeriodPx) + phaseY;
        assert(left - kMeanReachPx >= given.x && top - kMeanReachPx >= given.y);
        const auto length = [](int from, int to) { return -roundedDown(from - to, kPeriodPx); };
        return {given, left, top, {length(left, answered.right() + kReachPx) / 2, length(top, answered.bottom() + kReachPx) / 2}};
    }

    /// Working planes: one colour, its means over wide and near surroundings, and a line.
    struct Room {
        PlaneView<float> plane, mean, near, columns;
        Room(Scratch &scratch, Size packed)
            : plane(scratch.plane(2, {packed.width + 2 * kMeanReach, packed.height + 2 * kMeanReach}).view()), mean(scratch.plane(3, packed).view()), near(scratch.plane(5, packed).view()), columns(scratch.plane(4, {packed.width + 2 * kMeanReach, 1}).view())
        {
        }
    };

    /// The packed planes less their local means, and the noise that the network is told.
    static void fillInput(const TileInput &in, const Grid &g, float sigma, const Room &room, float *to)
    {
        for (int c = 0; c < unet::kPlanes; ++c) {
            for (int y = 0; y < room.plane.height; ++y) {
                // Beyond what was given lies only what no sample asks for.
                const float *from = in.planes[0].row(std::min(g.top - kMeanReachPx + 2 * y + c / 2 - g.given.y, in.height() - 1));
                const int first = g.left - kMeanReachPx + c % 2 - g.given.x;
                for (int x = 0; x < room.plane.width; ++x)
                    room.plane.row(y)[x] = from[std::min(first + 2 * x, in.width() - 1)];
            }
            boxSum(room.plane, kMeanReach, room.columns, room.mean);
            for (int y = 0; y < g.packed.height; ++y) {
                const float *samples = room.plane.row(y + kMeanReach) + kMeanReach, *sums = room.mean.row(y);
                float *o = to + size_t(y) * size_t(g.packed.width) * kChannels + c;
                for (int x = 0; x < g.packed.width; ++x)
                    o[size_t(x) * kChannels] = samples[x] - sums[x] * kMeanOf;
            }
        }
        for (size_t i = 0; i < size_t(g.packed.area()); ++i, to += kChannels) {
            to[unet::kPlanes] = sigma;
            std::fill(to + unet::kPlanes + 1, to + kChannels, 0.f);
        }
    }

    /// The network's answer over `wide`, mosaic again. What is taken away has no local mean, whatever was learned: brightness and colour stay.
    static void collect(const float *answer, const Grid &g, Rect wide, const Room &room, PlaneView<float> noise)
    {
        const int firstX = (wide.x - g.left) / 2, firstY = (wide.y - g.top) / 2;
        const Size inner{(wide.right() - g.left + 1) / 2 - firstX, (wide.bottom() - g.top + 1) / 2 - firstY};
        const PlaneView<float> plane = room.plane.cut({0, 0, inner.width + 2 * kMeanReach, inner.height + 2 * kMeanReach}), mean = room.mean.cut({0, 0, inner.width, inner.height}), near = room.near.cut({0, 0, inner.width, inner.height});
        constexpr int kMargin = kMeanReach - kNearReach;
        for (int c = 0; c < unet::kPlanes; ++c) {
            for (int y = 0; y < plane.height; ++y) {
                const float *from = answer + (size_t(firstY - kMeanReach + y) * size_t(g.packed.width) + size_t(firstX - kMeanReach)) * kChannels + c;
                for (int x = 0; x < plane.width; ++x)
                    plane.row(y)[x] = from[size_t(x) * kChannels];
            }
            boxSum(plane, kMeanReach, room.columns, mean);
            boxSum(plane.cut({kMargin, kMargin, plane.width - 2 * kMargin, plane.height - 2 * kMargin}), kNearReach, room.columns, near);
            constexpr float kWide = (1 - kNearShare) * kMeanOf, kNear = kNearShare * kNearOf;
            for (int y = 0; y < inner.height; ++y) {
                const int at = g.top + 2 * (firstY + y) + c / 2 - wide.y;
                if (at < 0 || at >= wide.height)
                    continue;
                for (int x = 0; x < inner.width; ++x)
                    if (const int across = g.left + 2 * (firstX + x) + c % 2 - wide.x; across >= 0 && across < wide.width)
                        noise.row(at)[across] = plane.row(y + kMeanReach)[x + kMeanReach] - mean.row(y)[x] * kWide - near.row(y)[x] * kNear;
            }
        }
    }

    /// What the network takes for noise of that sigma over `wide`, mosaic again. False once stopped.
    bool takenForNoise(const TileInput &in, Rect where, Rect wide, float sigma, PlaneView<float> noise, Scratch &scratch) const
    {
        const Grid grid = gridFor(in, where.grownBy(haloPx()), wide.grownBy(kMeanReachPx));
        unet::Network &network = scratch.extra<Kept>([] { return std::make_unique<Kept>(unet::shippedWeights().value()); }).network;
        const Room room(scratch, grid.packed);
        fillInput(in, grid, sigma, room, network.input(grid.packed));
        const float *answer = network.run(grid.packed, scratch.stop);
        if (answer)
            collect(answer, grid, wide, room, noise);
        return answer != nullptr;
    }

    /// Luminance is what the binomial filter (1 2 1) both ways leaves of the mosaic, colour is the rest.
    void takeAway(const TileInput &in, PlaneView<const float> luminance, PlaneView<const float> colour, PlaneView<float> out) const
    {
        const float ofLuminance = std::min(1.f, m_luminance), ofColour = std::min(1.f, m_colour);
        const int halo = haloPx();
        const bool alike = luminance.data == colour.data && ofLuminance == ofColour;
        for (int y = 0; y < out.height; ++y) {
            const float *noisy = in.planes[0].row(y + halo) + halo;
            float *o = out.row(y);
            if (alike) {
                for (int x = 0; x < out.width; ++x)
                    o[x] = noisy[x] - ofLuminance * luminance.row(y + 1)[x + 1];
                continue;
            }
            for (int x = 0; x < out.width; ++x) {
                const auto low = [&](PlaneView<const float> p) {
                    const auto three = [&](int v) { return p.row(y + v)[x] + 2 * p.row(y + v)[x + 1] + p.row(y + v)[x + 2]; };
                    return (three(0) + 2 * three(1) + three(2)) / 16;
                };
                o[x] = noisy[x] - ofLuminance * low(luminance) - ofColour * (colour.row(y + 1)[x + 1] - low(colour));
            }
        }
    }

    float m_luminance, m_colour;
    std::unique_ptr<DenoiseMethod> m_fullColour;
};

} // namespace

std::unique_ptr<DenoiseMethod> makeUnet(const Treatment &treatment)
{
    return std::make_unique<Unet>(treatment);
}

Status unetIsReady()
{
    const auto &weights = unet::shippedWeights();
    return weights ? Status() : Status(weights.error());
}

} // namespace irenic
