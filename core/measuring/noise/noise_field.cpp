// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/noise_field.h"

#include "base/random.h"
#include "noise/spectrum.h"

#include <cmath>
#include <numbers>

namespace irenic {

namespace {

constexpr int kPeriodPx = 256;   ///< no method looks so far
constexpr uint64_t kStream = 95; // of no other random number in the engine

/// The filter of zero phase whose answer has such a spectrum, and which leaves white noise its sigma; kReach either way.
struct Filter {
    static constexpr int kReach = kDctSide - 1, kSize = 2 * kReach + 1;
    std::array<float, size_t(kSize) * kSize> taps;

    explicit Filter(const BandNoise &spectrum)
    {
        // By whole multiples of an eighth of the highest frequency; the highest is as what a window tells of the one next to it.
        const auto amplitude = [&](int u, int v) { return double(spectrum.dct[size_t(std::min(v, kDctSide - 1) * kDctSide + std::min(u, kDctSide - 1))]); };
        const auto wave = [](int k, int at) { return (k == 0 || k == kDctSide ? 0.5 : 1) * std::cos(std::numbers::pi * k * at / kDctSide) / kDctSide; };
        double energy = 0;
        for (int y = -kReach; y <= kReach; ++y)
            for (int x = -kReach; x <= kReach; ++x) {
                double sum = 0;
                for (int v = 0; v <= kDctSide; ++v)
                    for (int u = 0; u <= kDctSide; ++u)
                        sum += amplitude(u, v) * wave(u, x) * wave(v, y);
                taps[size_t((y + kReach) * kSize + x + kReach)] = float(sum);
                energy += sum * sum;
            }
        for (float &t : taps)
            t /= float(std::sqrt(energy));
    }
};

Plane<float> white(uint64_t seed, uint64_t stream, int side)
{
    Plane<float> out({side, side});
    for (int y = 0; y < side; ++y)
        for (int x = 0; x < side; ++x)
            out.at(x, y) = float(RandomAt(seed, stream, x, y).gaussian());
    return out;
}

/// A square that goes on on its other side.
Plane<float> filtered(const Plane<float> &in, const Filter &filter)
{
    constexpr int reach = Filter::kReach, size = Filter::kSize;
    const int side = in.width();
    Plane<float> out({side, side}, 0.f);
    std::vector<float> row(size_t(side + 2 * reach));
    for (int y = 0; y < side; ++y)
        for (int v = -reach; v <= reach; ++v) {
            const float *from = in.row((y + v + side) % side);
            for (int x = 0; x < int(row.size()); ++x)
                row[size_t(x)] = from[(x - reach + side) % side];
            float *to = out.row(y);
            for (int u = 0; u < size; ++u) {
                const float tap = filter.taps[size_t((v + reach) * size + u)];
                const float *in0 = row.data() + u;
                for (int x = 0; x < side; ++x)
                    to[x] += tap * in0[x];
            }
        }
    return out;
}

/// In sigmas: the samples of one colour are white noise behind a filter of zero phase, 15 x 15, with the root of the spectrum.
Plane<float> likeSpectrum(const BandNoise &spectrum, uint64_t seed)
{
    const Filter filter(spectrum);
    Plane<float> out({kPeriodPx, kPeriodPx});
    for (int cell = 0; cell < 4; ++cell) {
        const Plane<float> of = filtered(white(seed, kStream + uint64_t(cell) * 16, kPeriodPx / 2), filter);
        for (int y = 0; y < of.height(); ++y)
            for (int x = 0; x < of.width(); ++x)
                out.at(2 * x + (cell & 1), 2 * y + (cell >> 1)) = of.at(x, y);
    }
    return out;
}

} // namespace

bool isNoiseShared(const Frame &frame, const NoiseReport &noise)
{
    return frame.kind != FrameKind::Mosaic || noise.spectrum;
}

Result<Plane<float>> sharedNoise(const Frame &frame, const NoiseReport &noise, Rect where, PlaneView<const float> signals, uint64_t seed, const RunContext &run)
{
    assert(noise.spectrum || frame.beforeColours);
    if (frame.kind != FrameKind::Mosaic)
        return frame.beforeColours->laidOver(where, signals, seed, run);
    const Plane<float> field = likeSpectrum(*noise.spectrum, seed);
    Plane<float> out(where.size());
    for (int y = 0; y < where.height; ++y)
        for (int x = 0; x < where.width; ++x) {
            const int sx = where.x + x, sy = where.y + y;
            out.at(x, y) = noise.modelAt(sx, sy, 0, true).sigmaAt(signals.at(x, y)) * field.at(sx & (kPeriodPx - 1), sy & (kPeriodPx - 1));
        }
    return out;
}

} // namespace irenic
