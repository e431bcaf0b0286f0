// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/unet/network.h"
#include "methods/unet/packed.h"

#include <limits>
#include <optional>
#include <vector>

namespace irenic {

/// What both networks of the second generation (training/full_colour.py, finished.py) have in common: an answer of three planes to a tile, worked out once for every strength
/// that is told the same noise. What is given to the network, and what is made of its answer, is for each to say.
template <unet::Shipped Which>
class SecondUnet : public DenoiseMethod
{
public:
    int haloPx() const override { return m_reachPx + kInputReachPx + kAnswerReachPx + 2 * weights().shape.alignment() + m_aroundPx + 1; }
    int bestTilePx() const override { return 1024; } ///< of 1280 pixels a tenth quicker, with a fifth of a gigabyte more

protected:
    static constexpr size_t kColours = 3;
    using Planes = std::array<Scratch::Lent, kColours>;

    /// @param aroundPx of an answer, around its tile
    /// @param reachPx  that is looked at around a sample, where that is less than the network would; even
    SecondUnet(const Treatment &t, int aroundPx, int reachPx = std::numeric_limits<int>::max())
        : m_luminance(float(t.luminance)), m_colour(float(t.colour)), m_reachPx(std::min(reachPx, 2 * weights().shape.reach())), m_aroundPx(aroundPx)
    {
    }

    virtual PackedGrid gridOf(const TileInput &in, Rect given, Rect answered, int reachPx, int alignment) const = 0;
    /// Fills the network's input, channels last. False once stopped.
    virtual bool fillInput(const TileInput &in, const PackedGrid &g, float told, const PackedRoom &room, const std::stop_token &stop, float *to) const = 0;
    /// Makes planes over `wide` of an answer. False once stopped.
    virtual bool place(const TileInput &in, const unet::Network::Answer &answered, const PackedGrid &g, Rect wide, const PackedRoom &room, const std::stop_token &stop, Planes &planes) const = 0;

    /// `use` is given the planes for luminance and those for colours; not called once stopped.
    template <class Use>
    void withAnswers(const TileInput &in, Rect where, Scratch &scratch, const Use &use) const
    {
        Answers alone;
        Answers *shared = scratch.ofTile<Answers>([] { return std::make_unique<Answers>(); });
        Answers &answers = shared ? *shared : alone;
        const auto ofLuminance = indexFor(toldFor(m_luminance), in, where, answers, scratch), ofColour = indexFor(toldFor(m_colour), in, where, answers, scratch);
        if (ofLuminance && ofColour)
            use(answers.all[*ofLuminance].planes, answers.all[*ofColour].planes);
    }

    /// Of an answer's channel less its own local mean over 25 x 25 packed samples. Over 49 x 49, as in training, full colour came 0.03 dB nearer at ISO 25600 (ten
    /// photographs), and moved means of 64 x 64 sensor samples by 0.59 of their noise at ISO 51200, where 0.57 are allowed.
    static constexpr int kAnswerRoot = 5;

    float m_luminance, m_colour;

private:
    static constexpr int kAnswerReachPx = 2 * reachOfMean(kAnswerRoot);

    struct Kept final : Scratch::Extra {
        unet::Network network{weights()};
    };
    struct Answer {
        float told;
        Planes planes;
    };
    struct Answers final : Scratch::Extra {
        std::vector<Answer> all;
    };

    static const unet::Weights &weights() { return unet::shippedWeights(Which).value(); }

    /// What noise it is told at a strength, over what there is: it was trained on laws that are wrong by up to a quarter, and more.
    static float toldFor(float strength)
    {
        constexpr float kMost = 1.f / 6; // beyond what there is, at strength 3
        return 1 + kMost * std::max(0.f, strength - 1) / 2;
    }

    /// Where among `answers` it lies, computed where it does not yet. Nothing once stopped.
    std::optional<size_t> indexFor(float told, const TileInput &in, Rect where, Answers &answers, Scratch &scratch) const
    {
        for (size_t i = 0; i < answers.all.size(); ++i)
            if (answers.all[i].told == told)
                return i;
        const Rect wide = where.grownBy(m_aroundPx);
        const PackedGrid grid = gridOf(in, where.grownBy(haloPx()), wide.grownBy(kAnswerReachPx), m_reachPx, weights().shape.alignment());
        unet::Network &network = scratch.extra<Kept>([] { return std::make_unique<Kept>(); }).network;
        const PackedRoom room(scratch, grid.packed);
        const int margin = m_reachPx / 2;
        if (!fillInput(in, grid, told, room, scratch.stop, network.input(grid.packed, margin)))
            return std::nullopt;
        const auto answered = network.run(grid.packed, margin, scratch.stop);
        if (!answered)
            return std::nullopt;
        Answer a{told, {scratch.lend(wide.size()), scratch.lend(wide.size()), scratch.lend(wide.size())}};
        if (!place(in, *answered, grid, wide, room, scratch.stop, a.planes))
            return std::nullopt;
        answers.all.push_back(std::move(a));
        return answers.all.size() - 1;
    }

    int m_reachPx, m_aroundPx;
};

} // namespace irenic
