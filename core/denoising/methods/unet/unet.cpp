// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/unet/unet.h"

#include "methods/bm3d/bm3d.h"
#include "methods/unet/network.h"

namespace irenic {

namespace {

constexpr int kPeriodPx = 2 * unet::kAlignment; ///< sensor pixels from one place of the network's grid to the next
/// Local means, of what the network sees over 49 x 49 packed samples, of its answer over 25 x 25, as in training/network.py: over as many as
/// before, waves of some sixty pixels would move the means of blocks of 64 x 64 further than noise lets them be known.
constexpr int kInputRoot = 7, kAnswerRoot = 5;
constexpr int kInputReach = kInputRoot * kInputRoot / 2, kAnswerReach = kAnswerRoot * kAnswerRoot / 2;
constexpr int kInputReachPx = 2 * kInputReach, kAnswerReachPx = 2 * kAnswerReach;
constexpr int kBinomialPx = 1;

/// Working planes: one colour, sums over its surroundings, sums of a few rows, and two lines.
struct Room {
    std::array<Scratch::Lent, 4> lent;
    PlaneView<float> plane, sums, rows, lines;

    Room(Scratch &scratch, Size packed)
    {
        const Size wide{packed.width + 2 * kInputReach, packed.height + 2 * kInputReach};
        lent = {scratch.lend(wide), scratch.lend(packed), scratch.lend(wide), scratch.lend({wide.width, 2})};
        plane = lent[0].view(), sums = lent[1].view(), rows = lent[2].view(), lines = lent[3].view();
    }
};

/// out[x] = the sum of `Count` values, `step` apart, from `in` on.
template <int Count>
void sumOf(const float *in, ptrdiff_t step, int width, float *out)
{
    for (int x = 0; x < width; ++x) {
        float sum = in[x];
        for (int k = 1; k < Count; ++k)
            sum += in[x + k * step];
        out[x] = sum;
    }
}

/// Sum over Root * Root samples each way, in one order at every place: over Root of them, then over Root such sums. `out` lies in the middle of `in`.
template <int Root>
void boxSum(PlaneView<const float> in, const Room &room, PlaneView<float> out)
{
    const int rows = out.height + Root * (Root - 1), few = out.width + Root * (Root - 1);
    for (int y = 0; y < rows; ++y)
        sumOf<Root>(in.row(y), in.stride, in.width, room.rows.row(y));
    for (int y = 0; y < out.height; ++y) {
        sumOf<Root>(room.rows.row(y), Root * room.rows.stride, in.width, room.lines.row(0));
        sumOf<Root>(room.lines.row(0), 1, few, room.lines.row(1));
        sumOf<Root>(room.lines.row(1), Root, out.width, out.row(y));
    }
}

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
    Unet(const Treatment &t, std::span<const View> views) : m_reachPx(2 * unet::shippedWeights(Which).value().shape.reach()), m_views(views), m_luminance(float(t.luminance)), m_colour(float(t.colour)), m_fullColour(makeBm3d(t)) {}

    int haloPx() const override { return std::max(m_fullColour->haloPx(), m_reachPx + kInputReachPx + kAnswerReachPx + kPeriodPx + kBinomialPx + 1); }
    /// With its wide halo this computes a third more places than it answers for; tiles of 640 pixels would be two thirds.
    int bestTilePx() const override { return 1024; }

    void denoiseTile(const TileInput &in, Rect where, const TilePlanes &out, Scratch &scratch) const override
    {
        if (!in.isMosaic())
            return m_fullColour->denoiseTile(in.shrunkBy(haloPx() - m_fullColour->haloPx()), where, out, scratch);
        const Rect wide = where.grownBy(kBinomialPx);
        Answers alone;
        Answers *shared = scratch.ofTile<Answers>([] { return std::make_unique<Answers>(); });
        std::array<PlaneView<float>, 2> taken; // for luminance, for colour
        for (size_t i = 0; i < 2; ++i) {
            taken[i] = answerFor(toldFor(i == 0 ? m_luminance : m_colour), in, where, wide, shared ? *shared : alone, scratch);
            if (!taken[i].data)
                return;
        }
        takeAway(in, taken[0], taken[1], out[0]);
    }

private:
    /// The noise that the network is told at a strength. Up to about a fifth more than there is (the large one: a tenth) it takes more; told of more still, it
    /// begins to leave more again.
    static float toldFor(float strength)
    {
        constexpr float kMost = Which == unet::Shipped::Large ? 1.f / 12 : 1.f / 6; // beyond what there is, at strength 3
        return 1 + kMost * std::max(0.f, strength - 1) / 2;
    }

    static constexpr float perSample(int root) { return 1.f / float(root * root * root * root); }
    static constexpr size_t kChannels = unet::Network::kChannels;

    /// Where the network's packed samples lie in a tile.
    struct Grid {
        Rect given;    ///< the tile with its halo
        int left, top; ///< of the first packed sample: red of a square of four
        Size packed;
    };

    /// Anchored to the frame, red at the top left of each square of four; around `answered` with all that it depends on.
    Grid gridFor(const TileInput &in, Rect given, Rect answered) const
    {
        const int redX = in.cfa.at(0, 0) == Colour::Red || in.cfa.at(0, 1) == Colour::Red ? 0 : 1;
        const int redY = in.cfa.at(0, 0) == Colour::Red || in.cfa.at(1, 0) == Colour::Red ? 0 : 1;
        const int phaseX = (given.x + redX) & 1, phaseY = (given.y + redY) & 1;
        const int left = roundedDown(answered.x - m_reachPx - phaseX, kPeriodPx) + phaseX, top = roundedDown(answered.y - m_reachPx - phaseY, kPeriodPx) + phaseY;
        assert(left - kInputReachPx >= given.x && top - kInputReachPx >= given.y);
        const auto length = [](int from, int to) { return -roundedDown(from - to, kPeriodPx); };
        return {given, left, top, {length(left, answered.right() + m_reachPx) / 2, length(top, answered.bottom() + m_reachPx) / 2}};
    }

    /// The packed planes less their local means, and the noise that the network is told. False once stopped.
    static bool fillInput(const TileInput &in, const Grid &g, float sigma, const Room &room, const std::stop_token &stop, float *to)
    {
        for (int c = 0; c < unet::kPlanes; ++c) {
            if (stop.stop_requested())
                return false;
            for (int y = 0; y < room.plane.height; ++y) {
                // Beyond what was given lies only what no sample asks for.
                const float *from = in.planes[0].row(std::min(g.top - kInputReachPx + 2 * y + c / 2 - g.given.y, in.height() - 1));
                const int first = g.left - kInputReachPx + c % 2 - g.given.x;
                for (int x = 0; x < room.plane.width; ++x)
                    room.plane.row(y)[x] = from[std::min(first + 2 * x, in.width() - 1)];
            }
            boxSum<kInputRoot>(room.plane, room, room.sums);
            for (int y = 0; y < g.packed.height; ++y) {
                const float *samples = room.plane.row(y + kInputReach) + kInputReach, *sums = room.sums.row(y);
                float *o = to + size_t(y) * size_t(g.packed.width) * kChannels + c;
                for (int x = 0; x < g.packed.width; ++x)
                    o[size_t(x) * kChannels] = samples[x] - sums[x] * perSample(kInputRoot);
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
    static bool collect(const unet::Network::Answer &answer, const Grid &g, Rect wide, const Room &room, const std::stop_token &stop, PlaneView<float> noise)
    {
        const int firstX = (wide.x - g.left) / 2, firstY = (wide.y - g.top) / 2;
        const Size inner{(wide.right() - g.left + 1) / 2 - firstX, (wide.bottom() - g.top + 1) / 2 - firstY};
        const PlaneView<float> plane = room.plane.cut({0, 0, inner.width + 2 * kAnswerReach, inner.height + 2 * kAnswerReach}), sums = room.sums.cut({0, 0, inner.width, inner.height});
        for (int c = 0; c < unet::kPlanes; ++c) {
            if (stop.stop_requested())
                return false;
            for (int y = 0; y < plane.height; ++y) {
                const float *from = answer.at(firstX - kAnswerReach, firstY - kAnswerReach + y) + c;
                for (int x = 0; x < plane.width; ++x)
                    plane.row(y)[x] = from[size_t(x) * kChannels];
            }
            boxSum<kAnswerRoot>(plane, room, sums);
            for (int y = 0; y < inner.height; ++y) {
                const int at = g.top + 2 * (firstY + y) + c / 2 - wide.y;
                if (at < 0 || at >= wide.height)
                    continue;
                for (int x = 0; x < inner.width; ++x)
                    if (const int across = g.left + 2 * (firstX + x) + c % 2 - wide.x; across >= 0 && across < wide.width)
                        noise.row(at)[across] = plane.row(y + kAnswerReach)[x + kAnswerReach] - sums.row(y)[x] * perSample(kAnswerRoot);
            }
        }
        return true;
    }

    /// What the network takes for noise of that sigma over `wide`, mosaic again. False once stopped.
    bool takenForNoise(const TileInput &in, Rect where, Rect wide, float sigma, PlaneView<float> noise, Scratch &scratch) const
    {
        const Grid grid = gridFor(in, where.grownBy(haloPx()), wide.grownBy(kAnswerReachPx));
        unet::Network &network = scratch.extra<Kept>([] { return std::make_unique<Kept>(); }).network;
        const Room room(scratch, grid.packed);
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

    int m_reachPx;
    std::span<const View> m_views;
    float m_luminance, m_colour;
    std::unique_ptr<DenoiseMethod> m_fullColour;
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

Status unetIsReady()
{
    return readiness(unet::Shipped::Compact);
}

Status unetEnsembleIsReady()
{
    return readiness(unet::Shipped::Large);
}

} // namespace irenic
