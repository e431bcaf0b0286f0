// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/band_noise.h"

#include "base/parallel.h"
#include "frame/linearizer.h"
#include "law/noise_law.h"
#include "law/stabiliser.h"
#include "methods/packet/packet.h"
#include "noise/spectrum.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kPatchPx = 128;      ///< patches are read all over the frame
constexpr int kPatchesAcross = 12; ///< at most, either way
constexpr int kWindowStepPx = 16;
constexpr int kFirstWindowPx = 8;
constexpr int kSide = kDctSide; ///< of a window, of samples two pixels apart
constexpr double kCalmShare = 0.1;
constexpr size_t kWantedCalm = 120, kFewestCalm = 24;
constexpr double kLeastShare = 0.02; ///< of an octave's power, that is taken for noise
constexpr int kMostBad = 64;         ///< clipped samples of a window of 256

/// Squares of the DCT of the samples at (x, y), two pixels apart.
std::array<float, 64> dctSquares(PlaneView<const float> band, int x, int y)
{
    std::array<float, 64> out = dctOf([&](int u, int v) { return band.at(x + 2 * u, y + 2 * v); });
    for (float &c : out)
        c *= c;
    return out;
}

struct Window {
    std::array<std::array<float, 64>, Packet::kMostBands> squares; ///< of the DCT coefficients
    float activity = 0;                                            ///< of luminance, but for the mean
    std::array<float, 4> points{};                                 ///< squares of the point filter's answer against its surroundings
    bool usable = true;
};

/// The filter of findPointLights at (x, y), on a sum of red, green and blue.
float pointFilter(const TileInput &in, int x, int y)
{
    static constexpr float row[3] = {1, 2, 1};
    float sum = 0;
    for (int v = -1; v <= 1; ++v)
        for (int u = -1; u <= 1; ++u)
            for (const auto &plane : in.planes)
                sum += row[u + 1] * row[v + 1] * plane.at(x + u, y + v);
    return sum / 6;
}

/// The windows of one patch, row by row.
std::vector<Window> windowsOf(const Frame &frame, const Linearizer &levels, const std::array<Stabiliser, 3> &stabilisers, Rect patch, Scratch &scratch)
{
    static const std::vector<BandNoise> white(Packet::kMostBands);
    TileInput in{{}, {}, &white};
    std::array<Scratch::Lent, 3> lent;
    Plane<uint8_t> bad(patch.size(), 0);
    for (int c = 0; c < 3; ++c) {
        lent[size_t(c)] = scratch.lendPadded(patch.size());
        const PlaneView<float> plane = lent[size_t(c)].view().cut({0, 0, patch.width, patch.height});
        for (int y = 0; y < patch.height; ++y)
            for (int x = 0; x < patch.width; ++x) {
                const float v = levels.linear(patch.x + x, patch.y + y, c);
                plane.at(x, y) = stabilisers[size_t(c)].forward(v);
                if (v >= kClipGuard || frame.samples.at(3 * (patch.x + x) + c, patch.y + y) == 0)
                    bad.at(x, y) = 1;
            }
        in.planes[size_t(c)] = plane;
    }
    Packet packet(in, scratch);
    const auto luminance = packet.bands()[0].samples;
    packet.openDetails(luminance);
    std::vector<Window> windows;
    for (int y = kFirstWindowPx; y + 2 * kSide + 2 <= patch.height - kFirstWindowPx; y += kWindowStepPx)
        for (int x = kFirstWindowPx; x + 2 * kSide + 2 <= patch.width - kFirstWindowPx; x += kWindowStepPx) {
            Window w;
            int clipped = 0;
            for (int v = 0; v < 2 * kSide; ++v)
                for (int u = 0; u < 2 * kSide; ++u)
                    clipped += bad.at(x + u, y + v);
            w.usable = clipped <= kMostBad;
            for (size_t b = 0; b < Packet::kMostBands; ++b)
                w.squares[b] = dctSquares(packet.bands()[b].samples, x, y);
            for (size_t i = 1; i < 64; ++i)
                w.activity += w.squares[0][i] + w.squares[4][i] + w.squares[5][i];
            for (int k = 0; k < 4; ++k) {
                const int px = x + 5 + 6 * (k & 1), py = y + 5 + 6 * (k >> 1);
                const float around = (pointFilter(in, px - 5, py) + pointFilter(in, px + 5, py) + pointFilter(in, px, py - 5) + pointFilter(in, px, py + 5)) / 4;
                const float beyond = pointFilter(in, px, py) - around;
                w.points[size_t(k)] = beyond * beyond / 1.25f;
            }
            windows.push_back(w);
        }
    return windows;
}

/// What demosaiced white noise has in each octave, against the finest, and the most that noise may grow from one octave to the next: a blur (as of in-camera noise reduction)
/// and JPEG, which stores colour at half size and coarsely, take from the finest. What grows more is picture. Measured on flat fields, see docs/engine.md.
struct Spectrum {
    Octaves shape;
    std::array<double, kOctaves> mostGrowth; ///< of sigma; the last of what lies beyond a window
    double most;                             ///< power of the finest octave, of noise whose single samples have sigma 1
};
constexpr Spectrum kLuminance{{1, 1.15, 1.2}, {1.5, 1.2, 1.1}, 4.5 * 4.5}; // 2.6 to 3.7 on flat fields and simple scenes
constexpr Spectrum kColour{{1, 3.2, 5.5}, {4.5, 2.4, 1.5}, 3 * 3};         // 0.2 to 1
constexpr double kFlatLuminance = 3.2 * 3.2, kFlatColour = 1;
constexpr size_t kFirstColourBand = 4; // of a Packet

/// The noise's power in the finest octave. Texture's power falls by about the same factor from octave to octave towards the fine ones (natural pictures have a power law of
/// frequency: Field, J. Opt. Soc. Am. A 4(12), 1987), noise has its shape: three octaves are three equations for noise, texture and factor,
/// (P0 - N)(P2 - s2 N) = (P1 - s1 N)^2. Where they have no answer, because texture of one size ends there, it counts how much more than noise the second octave grows.
double noiseOf(const Octaves &p, const Spectrum &spectrum)
{
    constexpr double kAllTexture = 4; // times what noise may grow, in power
    Octaves shape = spectrum.shape;   // flatter where the octaves are
    for (size_t o = 1; o < kOctaves; ++o)
        shape[o] = std::min(shape[o], p[o] / p[0]);
    double low = 0, high = p[0];
    const auto excess = [&](double n) {
        const double middle = p[1] - shape[1] * n;
        return (p[0] - n) * (p[2] - shape[2] * n) - middle * middle;
    };
    if (excess(0) <= 0 || excess(high) >= 0) {
        const double beyond = p[1] / p[0] / (spectrum.mostGrowth[0] * spectrum.mostGrowth[0]);
        return high * std::clamp(1 - std::log(beyond) / std::log(kAllTexture), 0.0, 1.0);
    }
    for (int i = 0; i < 60; ++i) {
        const double middle = (low + high) / 2;
        (excess(middle) > 0 ? low : high) = middle;
    }
    return low;
}

/// Leaves in every octave what can be noise. Answers how much of the finest octave certainly is, as a share.
double takeTextureOff(std::array<float, 64> &variances, const Spectrum &spectrum)
{
    const Octaves p = octavesOf(variances);
    const double found = noiseOf(p, spectrum), noise = std::max(std::min(found, spectrum.most), kLeastShare * p[0]);
    Octaves kept{noise, 0, 0};
    for (size_t o = 1; o < kOctaves; ++o)
        kept[o] = std::min(p[o], kept[o - 1] * spectrum.mostGrowth[o - 1] * spectrum.mostGrowth[o - 1]);
    for (size_t i = 1; i < 64; ++i)
        variances[i] *= float(kept[octaveOf(i)] / p[octaveOf(i)]);
    return noise / p[0] * std::min(1.0, noise / found);
}

} // namespace

Result<BandNoises> measureBandNoise(const Frame &frame, const std::array<NoiseModel, 4> &law, Holds holds, const RunContext &run)
{
    BandNoises result;
    result.bands.resize(Packet::kMostBands);
    const Rect &a = frame.active;
    if (a.width < kPatchPx || a.height < kPatchPx)
        return result;
    const int across = std::min(kPatchesAcross, a.width / kPatchPx), down = std::min(kPatchesAcross, a.height / kPatchPx);
    const std::array<Stabiliser, 3> stabilisers{Stabiliser(law[0]), Stabiliser(law[1]), Stabiliser(law[2])};
    const Linearizer levels(frame);
    std::vector<std::vector<Window>> patches(size_t(across) * size_t(down));
    ScratchPool pool;
    const Status done = parallelFor(across * down, run, [&](int i) {
        const Rect patch{a.x + int(int64_t(a.width - kPatchPx) * (i % across) / std::max(1, across - 1)), a.y + int(int64_t(a.height - kPatchPx) * (i / across) / std::max(1, down - 1)),
                         kPatchPx, kPatchPx};
        const ScratchPool::Lent scratch = pool.lend(run.stop);
        patches[size_t(i)] = windowsOf(frame, levels, stabilisers, patch, *scratch);
    });
    if (!done)
        return done.error();
    // A window is calm if those left and right of it are: texture goes on, noise does not.
    struct Calm {
        float unrest;
        const Window *window;
    };
    std::vector<Calm> calm;
    for (const auto &windows : patches) {
        const size_t width = (kPatchPx - 2 * kFirstWindowPx - 2) / kWindowStepPx;
        for (size_t i = 0; i < windows.size(); ++i)
            if (i % width > 0 && i % width + 1 < width && windows[i - 1].usable && windows[i].usable && windows[i + 1].usable)
                calm.push_back({windows[i - 1].activity + windows[i + 1].activity, &windows[i]});
    }
    if (calm.size() < kFewestCalm)
        return result;
    const size_t kept = holds == Holds::NoiseAlone ? calm.size() : std::min(calm.size(), std::max(kWantedCalm, size_t(double(calm.size()) * kCalmShare)));
    std::nth_element(calm.begin(), calm.begin() + std::ptrdiff_t(kept) - 1, calm.end(), [](const Calm &p, const Calm &q) { return p.unrest < q.unrest; });
    calm.resize(kept);
    std::vector<float> values(kept);
    const auto median = [&](const auto &of) {
        std::transform(calm.begin(), calm.end(), values.begin(), [&](const Calm &c) { return of(*c.window); });
        return medianOf(values) / float(kMedianOfSquare);
    };
    float finerTexture = 0; // power of luminance's texture in the octave beyond the finest
    for (size_t b = 0; b < Packet::kMostBands; ++b) {
        std::array<float, 64> variances{};
        for (size_t i = 0; i < 64; ++i)
            variances[i] = median([&](const Window &w) { return w.squares[b][i]; });
        const bool fine = b > 0 && b < kFirstColourBand;
        Spectrum spectrum = b < kFirstColourBand ? kLuminance : kColour;
        if (holds == Holds::Texture)
            spectrum.most = b < kFirstColourBand ? kFlatLuminance : kFlatColour;
        if (holds == Holds::NoiseAlone)
            result.noiseShare = 1;
        else if (fine) // an octave above: what is left of the texture there
            for (size_t i = 1; i < 64; ++i)
                variances[i] = std::max(variances[i] * float(kLeastShare), variances[i] - finerTexture);
        else {
            const Octaves p = octavesOf(variances);
            const double share = takeTextureOff(variances, spectrum);
            if (b == 0) {
                result.noiseShare = share;
                finerTexture = float((1 - share) * p[0] * std::min(1.0, (1 - share) * p[0] / std::max(p[1] - share * p[0], 1e-9)));
            }
        }
        result.bands[b] = bandFrom(variances, spectrum.mostGrowth[kOctaves - 1]);
    }
    // The slope of luminance is taken out of both differences by one factor.
    result.bands[1].sigma = result.bands[2].sigma = std::sqrt(result.bands[1].sigma * result.bands[2].sigma);
    float point = 0;
    for (size_t k = 0; k < 4; ++k)
        point += median([k](const Window &w) { return w.points[k]; }) / 4;
    result.pointSigma = std::max(0.05f, std::sqrt(point));
    result.calmWindows = kept;
    return result;
}

} // namespace irenic
