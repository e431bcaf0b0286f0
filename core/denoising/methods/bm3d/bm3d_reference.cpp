// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/bm3d/bm3d_kernels.h"

#include <algorithm>
#include <bit>
#include <cmath>

namespace irenic::bm3d::reference {

namespace {

using Stack = std::vector<double>; ///< count x 8 x 8

double basis(int k, int n)
{
    return std::cos(M_PI * (2 * n + 1) * k / (2.0 * kSide)) * std::sqrt((k == 0 ? 1.0 : 2.0) / kSide);
}

Stack load(const Group &g, const Phases &from)
{
    Stack s;
    for (int i = 0; i < g.count; ++i)
        for (int v = 0; v < kSide; ++v)
            for (int u = 0; u < kSide; ++u)
                s.push_back(double(from.at(g.at[size_t(i)][0], g.at[size_t(i)][1])[v * from.stride() + u]));
    return s;
}

/// Orthonormal in all three directions, by the definitions.
Stack transformed(const Stack &in, int count, bool inverse)
{
    Stack out(in.size(), 0);
    for (int k = 0; k < count; ++k)
        for (int j = 0; j < kSide; ++j)
            for (int i = 0; i < kSide; ++i)
                for (int m = 0; m < count; ++m) {
                    const double sign = std::popcount(unsigned(k & m)) % 2 ? -1 : 1;
                    for (int v = 0; v < kSide; ++v)
                        for (int u = 0; u < kSide; ++u)
                            out[size_t((k * kSide + j) * kSide + i)] += sign / std::sqrt(double(count)) * in[size_t((m * kSide + v) * kSide + u)]
                                                                        * (inverse ? basis(v, j) * basis(u, i) : basis(j, v) * basis(i, u));
                }
    return out;
}

} // namespace

Group findGroup(const Phases &picture, int x, int y, float limit)
{
    struct Candidate {
        double distance;
        std::array<int16_t, 2> at;
    };
    std::vector<Candidate> all;
    for (int dy = -kSearchPx; dy < kSearchPx; dy += 2)
        for (int dx = -kSearchPx; dx < kSearchPx; dx += 2) {
            double d = 0;
            for (int v = 0; v < kSide; ++v)
                for (int u = 0; u < kSide; ++u)
                    d += std::pow(double(picture.at(x, y)[v * picture.stride() + u] - picture.at(x + dx, y + dy)[v * picture.stride() + u]), 2);
            if (d < double(limit) * kSide * kSide || (dx == 0 && dy == 0))
                all.push_back({d, {int16_t(x + dx), int16_t(y + dy)}});
        }
    std::stable_sort(all.begin(), all.end(), [](const Candidate &a, const Candidate &b) { return a.distance < b.distance; });
    Group g;
    g.count = int(std::bit_floor(std::min(all.size(), size_t(kMaxGroup))));
    for (int i = 0; i < g.count; ++i)
        g.at[size_t(i)] = all[size_t(i)].at;
    return g;
}

void filterGroup(const Group &group, const Phases &noisy, const Phases *pilot, const Limits &limits, Phases &sum, Phases &weight)
{
    Stack c = transformed(load(group, noisy), group.count, false);
    const Stack p = pilot ? transformed(load(group, *pilot), group.count, false) : c;
    double kept = 0;
    for (size_t i = 0; i < c.size(); ++i) {
        const double limit = double(limits[i % kSide * kSide + i / kSide % kSide]);
        const double gain = i == 0 ? 1 : pilot             ? p[i] * p[i] / (p[i] * p[i] + limit)
                                     : p[i] * p[i] > limit ? 1
                                                           : 0;
        c[i] *= gain;
        kept += gain * gain;
    }
    c = transformed(c, group.count, true);
    for (int i = 0; i < group.count; ++i) {
        const auto &[x, y] = group.at[size_t(i)];
        *weight.at(x, y) += float(1 / kept);
        for (int v = 0; v < kSide; ++v)
            for (int u = 0; u < kSide; ++u)
                sum.at(x, y)[v * sum.stride() + u] += float(c[size_t((i * kSide + v) * kSide + u)] / kept);
    }
}

void spread(Phases &weight)
{
    for (int phase = 0; phase < 4; ++phase) {
        const PlaneView<float> plane = weight.plane(phase);
        for (int y = plane.height - 1; y >= 0; --y)
            for (int x = plane.width - 1; x >= 0; --x) {
                double total = 0;
                for (int v = 0; v < kSide && v <= y; ++v)
                    for (int u = 0; u < kSide && u <= x; ++u)
                        total += double(plane.row(y - v)[x - u]);
                plane.row(y)[x] = float(total);
            }
    }
}

} // namespace irenic::bm3d::reference
