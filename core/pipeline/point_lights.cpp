// SPDX-License-Identifier: GPL-3.0-or-later
#include "pipeline/point_lights.h"

namespace irenic {

namespace {

constexpr float kFrom = 3.7f; // sigma of the filtered residual where giving back begins
constexpr float kFull = 4.4f; // and where all is given back
constexpr size_t kRemoved = 0, kMatched = 1, kWeight = 2; // scratch planes

} // namespace

void giveBackPointLights(PlaneView<const float> noisy, PlaneView<float> cleaned, float strength, Scratch &scratch)
{
    const float from = kFrom * std::max(1.f, strength), full = kFull * std::max(1.f, strength);
    const Size size{noisy.width, noisy.height};
    PlaneView<float> removed = scratch.plane(kRemoved, size).view(), matched = scratch.plane(kMatched, size).view();
    PlaneView<float> weight = scratch.plane(kWeight, size).view();
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            removed.row(y)[x] = noisy.row(y)[x] - cleaned.row(y)[x];
    std::vector<float> across(size_t(size.width));
    std::vector<std::pair<int, int>> lights;
    for (int y = 1; y < size.height - 1; ++y) {
        const float *a = removed.row(y - 1), *b = removed.row(y), *c = removed.row(y + 1);
        for (int x = 0; x < size.width; ++x)
            across[size_t(x)] = a[x] + 2 * b[x] + c[x];
        float *m = matched.row(y);
        float highest = 0;
        for (int x = 1; x < size.width - 1; ++x) {
            m[x] = (across[size_t(x) - 1] + 2 * across[size_t(x)] + across[size_t(x) + 1]) / 6;
            highest = std::max(highest, m[x]);
        }
        if (highest <= from)
            continue;
        for (int x = 1; x < size.width - 1; ++x)
            if (m[x] > from)
                lights.emplace_back(x, y);
    }
    if (lights.empty())
        return;
    for (int y = 0; y < size.height; ++y)
        std::fill_n(weight.row(y), size.width, 0.f);
    for (const auto &[x, y] : lights) {
        const float w = std::min(1.f, (matched.at(x, y) - from) / (full - from));
        for (int v = std::max(0, y - 2); v <= std::min(size.height - 1, y + 2); ++v)
            for (int u = std::max(0, x - 2); u <= std::min(size.width - 1, x + 2); ++u)
                weight.at(u, v) = std::max(weight.at(u, v), w);
    }
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x)
            cleaned.row(y)[x] += weight.row(y)[x] * removed.row(y)[x];
}

} // namespace irenic
