// SPDX-License-Identifier: GPL-3.0-or-later
#include "taste/blotches.h"

#include "frame/luminance.h"

namespace irenic {

namespace {

constexpr int kSmallReach = 4, kLargeReach = 24; // cells
constexpr float kFrom = 3, kFull = 4.5f;         // sigma: below the first all of a wave is noise, above the second it is the picture
constexpr float kDifferenceVariance[2] = {2, 4};

} // namespace

void evenBlotches(const TilePlanes &cleaned, size_t count, CfaPattern cfa, Rect where, PlaneView<const float> amount, const std::stop_token &stop)
{
    const bool mosaic = count == 1;
    const int x0 = where.x & 1, y0 = where.y & 1; // first whole cell
    const Size cells{(where.width - x0) / 2, (where.height - y0) / 2};
    Plane<float> waves[2];
    for (int k = 0; k < 2; ++k) {
        if (stop.stop_requested())
            return;
        Plane<float> difference(cells), small(cells), large(cells);
        for (int cy = 0; cy < cells.height; ++cy)
            for (int cx = 0; cx < cells.width; ++cx) {
                float sum[3] = {0, 0, 0}; // red, both greens, blue
                for (int v = 0; v < 2; ++v)
                    for (int u = 0; u < 2; ++u) {
                        const int x = x0 + 2 * cx + u, y = y0 + 2 * cy + v;
                        if (mosaic) {
                            sum[size_t(cfa.at(x, y))] += cleaned[0].row(y)[x];
                        } else {
                            for (size_t c = 0; c < 3; ++c)
                                sum[c] += cleaned[c].row(y)[x] * (c == 1 ? 0.5f : 0.25f);
                        }
                    }
                difference.row(cy)[cx] = k == 0 ? sum[0] - sum[2] : sum[0] + sum[2] - sum[1];
            }
        boxMeanOf(difference.constView(), kSmallReach, small.view());
        boxMeanOf(difference.constView(), kLargeReach, large.view());
        const float sigma = std::sqrt(kDifferenceVariance[k]) / float(2 * kSmallReach + 1);
        waves[k].reset(cells);
        for (int cy = 0; cy < cells.height; ++cy)
            for (int cx = 0; cx < cells.width; ++cx) {
                const bool right = cx >= kLargeReach && cy >= kLargeReach && cx < cells.width - kLargeReach && cy < cells.height - kLargeReach;
                const float wave = right ? small.row(cy)[cx] - large.row(cy)[cx] : 0;
                const float t = std::clamp((kFull - std::abs(wave) / sigma) / (kFull - kFrom), 0.f, 1.f);
                waves[k].row(cy)[cx] = wave * t;
            }
    }
    // Waves have no detail at the size of a cell: between cells they are interpolated, so that no grid shows.
    const auto waveAt = [&](const Plane<float> &w, int x, int y) {
        const float fx = float(x - x0) / 2 - 0.25f, fy = float(y - y0) / 2 - 0.25f;
        const int i = std::clamp(int(fx), 0, cells.width - 2), j = std::clamp(int(fy), 0, cells.height - 2);
        const float u = std::clamp(fx - float(i), 0.f, 1.f), v = std::clamp(fy - float(j), 0.f, 1.f);
        const float top = w.at(i, j) + (w.at(i + 1, j) - w.at(i, j)) * u, bottom = w.at(i, j + 1) + (w.at(i + 1, j + 1) - w.at(i, j + 1)) * u;
        return top + (bottom - top) * v;
    };
    for (int y = 0; y < where.height && !stop.stop_requested(); ++y)
        for (int x = 0; x < where.width; ++x) {
            const float share = amount.row(y)[x];
            if (share <= 0)
                continue;
            const float first = share * waveAt(waves[0], x, y) / 2, second = share * waveAt(waves[1], x, y) / 4;
            const auto taken = [&](Colour c) { return c == Colour::Red ? first + second : c == Colour::Blue ? second - first
                                                                                                            : -second; };
            if (mosaic)
                cleaned[0].row(y)[x] -= taken(cfa.at(x, y));
            else
                for (size_t c = 0; c < 3; ++c)
                    cleaned[c].row(y)[x] -= taken(Colour(c));
        }
}

} // namespace irenic
