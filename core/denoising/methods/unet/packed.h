// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "methods/denoise_method.h"
#include "methods/unet/network.h"

#include <algorithm>

namespace irenic {

/// Local means over Root^2 x Root^2 packed samples, by sums of Root of them and then of Root such sums.
constexpr int reachOfMean(int root)
{
    return root * root / 2;
}
constexpr float shareInMean(int root)
{
    return 1.f / float(root * root * root * root);
}

/// Of what a network sees: over 49 x 49 packed samples, as in training/network.py.
inline constexpr int kInputRoot = 7;
inline constexpr int kInputReach = reachOfMean(kInputRoot), kInputReachPx = 2 * kInputReach;

/// Working planes: one colour, sums over its surroundings, sums of a few rows, and two lines.
struct PackedRoom {
    std::array<Scratch::Lent, 4> lent;
    PlaneView<float> plane, sums, rows, lines;

    PackedRoom(Scratch &scratch, Size packed)
    {
        const Size wide{packed.width + 2 * kInputReach, packed.height + 2 * kInputReach};
        lent = {scratch.lend(wide), scratch.lend(packed), scratch.lend(wide), scratch.lend({wide.width, 2})};
        plane = lent[0].view(), sums = lent[1].view(), rows = lent[2].view(), lines = lent[3].view();
    }
};

/// out[x] = the sum of `Count` values, `step` apart, from `in` on.
template <int Count>
inline void sumOf(const float *in, ptrdiff_t step, int width, float *out)
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
void boxSum(PlaneView<const float> in, const PackedRoom &room, PlaneView<float> out)
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

/// Where a network's packed samples lie in a tile.
struct PackedGrid {
    Rect given;    ///< the tile with its halo
    int left, top; ///< of the first packed sample: red of a square of four
    Size packed;
};

/// Anchored to the frame; around `answered` with all that it depends on.
/// @param first     the place of a square of four at its top left, by the frame's parity: 0 or 1 each way
/// @param reachPx   pixels around one that the network looks at
/// @param alignment of the packed samples: Shape::alignment()
inline PackedGrid packedGrid(Rect given, Rect answered, PixelAt first, int reachPx, int alignment)
{
    const int periodPx = 2 * alignment;
    const int left = roundedDown(answered.x - reachPx - first.x, periodPx) + first.x, top = roundedDown(answered.y - reachPx - first.y, periodPx) + first.y;
    assert(left - kInputReachPx >= given.x && top - kInputReachPx >= given.y);
    const auto length = [&](int from, int to) { return -roundedDown(from - to, periodPx); };
    return {given, left, top, {length(left, answered.right() + reachPx) / 2, length(top, answered.bottom() + reachPx) / 2}};
}

/// Of a mosaic: red at the top left of each square.
inline PackedGrid packedGrid(const TileInput &in, Rect given, Rect answered, int reachPx, int alignment)
{
    const int redX = in.cfa.at(0, 0) == Colour::Red || in.cfa.at(0, 1) == Colour::Red ? 0 : 1;
    const int redY = in.cfa.at(0, 0) == Colour::Red || in.cfa.at(1, 0) == Colour::Red ? 0 : 1;
    return packedGrid(given, answered, PixelAt{(given.x + redX) & 1, (given.y + redY) & 1}, reachPx, alignment);
}

/// The samples at one place of every square of four, with kInputReach around the grid.
inline void gatherPlane(PlaneView<const float> tile, const PackedGrid &g, int place, PlaneView<float> out)
{
    for (int y = 0; y < out.height; ++y) {
        // Beyond what was given lies only what no sample asks for.
        const float *from = tile.row(std::min(g.top - kInputReachPx + 2 * y + place / 2 - g.given.y, tile.height - 1));
        const int first = g.left - kInputReachPx + place % 2 - g.given.x;
        for (int x = 0; x < out.width; ++x)
            out.row(y)[x] = from[std::min(first + 2 * x, tile.width - 1)];
    }
}

/// One channel of a network's answer, less its own local mean, at one place of every square of four over `wide`; other places stay as they are.
/// @param out a sample for each of the sensor's over `wide`
/// False once stopped.
template <int Root>
bool placeAnswer(const unet::Network::Answer &answer, int channel, int place, const PackedGrid &g, Rect wide, const PackedRoom &room, const std::stop_token &stop, float factor, PlaneView<float> out)
{
    constexpr int kReach = reachOfMean(Root);
    constexpr size_t kChannels = unet::Network::kChannels;
    if (stop.stop_requested())
        return false;
    const int firstX = (wide.x - g.left) / 2, firstY = (wide.y - g.top) / 2;
    const Size inner{(wide.right() - g.left + 1) / 2 - firstX, (wide.bottom() - g.top + 1) / 2 - firstY};
    const PlaneView<float> plane = room.plane.cut({0, 0, inner.width + 2 * kReach, inner.height + 2 * kReach}), sums = room.sums.cut({0, 0, inner.width, inner.height});
    for (int y = 0; y < plane.height; ++y) {
        const float *from = answer.at(firstX - kReach, firstY - kReach + y) + channel;
        for (int x = 0; x < plane.width; ++x)
            plane.row(y)[x] = from[size_t(x) * kChannels];
    }
    boxSum<Root>(plane, room, sums);
    for (int y = 0; y < inner.height; ++y) {
        const int at = g.top + 2 * (firstY + y) + place / 2 - wide.y;
        if (at < 0 || at >= wide.height)
            continue;
        for (int x = 0; x < inner.width; ++x)
            if (const int across = g.left + 2 * (firstX + x) + place % 2 - wide.x; across >= 0 && across < wide.width)
                out.row(at)[across] = factor * (plane.row(y + kReach)[x + kReach] - sums.row(y)[x] * shareInMean(Root));
    }
    return true;
}

inline constexpr int kTakingReachPx = 1; ///< around a tile, of what was taken for noise

/// The tile less what was taken for noise: luminance is what the binomial filter (1 2 1) both ways leaves of the mosaic, colour is the rest.
/// @param halo      of `in` around the tile
/// @param luminance,colour taken for noise for either, over the tile and kTakingReachPx around it; may be the same
inline void takeAway(const TileInput &in, int halo, PlaneView<const float> luminance, float ofLuminance, PlaneView<const float> colour, float ofColour, PlaneView<float> out)
{
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

} // namespace irenic
