// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/point_lights.h"

namespace irenic {

namespace {

constexpr float kFrom = 3.7f; // sigma of the filtered residual where giving back begins
constexpr float kFull = 4.4f; // and where all is given back
// A point that the cleaned picture itself shows, alone above all of its colour around, has lost its faint rim: the whole of
// it is given back. Something must be missing, though, or every crest of a texture would get its noise back.
constexpr float kMissing = 1.25f;                       // sigma of the filtered residual
constexpr float kShinesFrom = 2.2f, kShinesFull = 3.0f; // sigma above the brightest of the rings
constexpr int kRingsPx[] = {4, 6};

/// How far a sample stands above the brightest of its colour on both rings.
float shineOf(PlaneView<const float> cleaned, int x, int y)
{
    constexpr int reach = kRingsPx[1];
    if (x < reach || y < reach || x >= cleaned.width - reach || y >= cleaned.height - reach)
        return 0;
    const float here = cleaned.at(x, y);
    float least = here;
    for (const int r : kRingsPx)
        for (int dy = -r; dy <= r; dy += r)
            for (int dx = -r; dx <= r; dx += r)
                if (dx || dy) {
                    least = std::min(least, here - cleaned.at(x + dx, y + dy));
                    if (least < kShinesFrom)
                        return 0;
                }
    return least;
}

} // namespace

bool findPointLights(PlaneView<const float> noisy, PlaneView<const float> cleaned, float strength, PlaneView<float> weight, Scratch &scratch)
{
    const float scale = std::max(1.f, strength);
    const float from = kFrom * scale, full = kFull * scale;
    const Size size{noisy.width, noisy.height};
    const Scratch::Lent lentRemoved = scratch.lend(size), lentMatched = scratch.lend(size);
    const PlaneView<float> removed = lentRemoved.view(), matched = lentMatched.view();
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            removed.row(y)[x] = noisy.row(y)[x] - cleaned.row(y)[x];
    std::vector<float> across(size_t(size.width));
    struct Light {
        int x, y;
        float weight;
    };
    std::vector<Light> lights;
    for (int y = 1; y < size.height - 1; ++y) {
        const float *a = removed.row(y - 1), *b = removed.row(y), *c = removed.row(y + 1);
        for (int x = 0; x < size.width; ++x)
            across[size_t(x)] = a[x] + 2 * b[x] + c[x];
        float *m = matched.row(y);
        for (int x = 1; x < size.width - 1; ++x) {
            m[x] = (across[size_t(x) - 1] + 2 * across[size_t(x)] + across[size_t(x) + 1]) / 6;
        }
        for (int x = 1; x < size.width - 1; ++x) {
            if (m[x] > from)
                lights.push_back({x, y, std::min(1.f, (m[x] - from) / (full - from))});
            else if (m[x] < kMissing)
                continue;
            else if (const float shine = shineOf(cleaned, x, y) / scale; shine > kShinesFrom)
                lights.push_back({x, y, std::min(1.f, (shine - kShinesFrom) / (kShinesFull - kShinesFrom))});
        }
    }
    if (lights.empty())
        return false;
    for (int y = 0; y < size.height; ++y)
        std::fill_n(weight.row(y), size.width, 0.f);
    for (const auto &[x, y, w] : lights) {
        for (int v = std::max(0, y - 2); v <= std::min(size.height - 1, y + 2); ++v)
            for (int u = std::max(0, x - 2); u <= std::min(size.width - 1, x + 2); ++u)
                weight.at(u, v) = std::max(weight.at(u, v), w);
    }
    return true;
}

} // namespace irenic
