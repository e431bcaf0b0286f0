// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/band_noise.h"

#include "base/parallel.h"
#include "frame/linearizer.h"
#include "law/stabiliser.h"
#include "methods/packet/packet.h"

#include <cmath>
#include <map>

namespace irenic {

namespace {

constexpr int kPatchPx = 128;      ///< patches are read all over the frame
constexpr int kPatchesAcross = 12; ///< at most, either way
constexpr int kWindowStepPx = 16;
constexpr int kFirstWindowPx = 8;
constexpr int kSide = 8; ///< of a DCT window, of samples two pixels apart
constexpr double kCalmShare = 0.1;
constexpr size_t kWantedCalm = 120, kFewestCalm = 24;
constexpr double kMedianOfSquare = 0.4549; ///< of a standard normal
constexpr float kClipGuard = 0.97f;

struct Window {
    std::array<std::array<float, 64>, Packet::kMostBands> squares; ///< of the DCT coefficients
    float activity = 0;                                            ///< of luminance, but for the mean
    std::array<float, 4> points{};                                 ///< squares of the point filter's answer against its surroundings
    bool usable = true;
};

/// Squares of the orthonormal 8 x 8 DCT of the samples at (x, y), two pixels apart.
std::array<float, 64> dctSquares(PlaneView<const float> band, int x, int y)
{
    static const std::array<std::array<float, kSide>, kSide> basis = [] {
        std::array<std::array<float, kSide>, kSide> b{};
        for (size_t k = 0; k < kSide; ++k)
            for (size_t n = 0; n < kSide; ++n)
                b[k][n] = float(std::cos(M_PI * (2.0 * double(n) + 1) * double(k) / (2.0 * kSide)) * std::sqrt((k == 0 ? 1.0 : 2.0) / kSide));
        return b;
    }();
    std::array<float, 64> half{}, out{};
    for (int v = 0; v < kSide; ++v)
        for (size_t k = 0; k < kSide; ++k)
            for (int u = 0; u < kSide; ++u)
                half[size_t(v) * kSide + k] += basis[k][size_t(u)] * band.at(x + 2 * u, y + 2 * v);
    for (size_t k = 0; k < kSide; ++k)
        for (size_t j = 0; j < kSide; ++j) {
            float c = 0;
            for (size_t v = 0; v < kSide; ++v)
                c += basis[j][v] * half[v * kSide + k];
            out[j * kSide + k] = c * c;
        }
    return out;
}

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
            for (int v = 0; v < 2 * kSide && w.usable; ++v)
                for (int u = 0; u < 2 * kSide; ++u)
                    w.usable = w.usable && !bad.at(x + u, y + v);
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

float medianOf(std::vector<float> v)
{
    const auto middle = v.begin() + std::ptrdiff_t(v.size() / 2);
    std::nth_element(v.begin(), middle, v.end());
    return *middle;
}

BandNoise bandFrom(const std::array<float, 64> &variances)
{
    BandNoise n;
    double mean = 0;
    for (size_t i = 1; i < 64; ++i)
        mean += double(variances[i]) / 63;
    n.sigma = std::max(0.02f, float(std::sqrt(mean)));
    std::map<int, std::pair<double, int>> octaves; // finest to coarsest, as the Haar scales are
    for (size_t i = 1; i < 64; ++i) {
        n.dct[i] = std::clamp(std::sqrt(variances[i]) / n.sigma, 0.05f, 20.f);
        const int highest = int(std::max(i % kSide, i / kSide));
        auto &[sum, count] = octaves[highest >= 4 ? 0 : highest >= 2 ? 1
                                                                     : 2];
        sum += double(n.dct[i]) * double(n.dct[i]);
        ++count;
    }
    n.dct[0] = std::max(n.dct[1], n.dct[8]);
    for (int scale = 0; scale < 3; ++scale)
        n.scales[size_t(scale)] = float(std::sqrt(octaves[scale].first / octaves[scale].second));
    // Coarser than a window shows: it goes on growing as it did, within reason.
    n.scales[3] = n.scales[2] * std::clamp(n.scales[2] / n.scales[1], 1.f, 2.f);
    return n;
}

} // namespace

Result<BandNoises> measureBandNoise(const Frame &frame, const std::array<NoiseModel, 4> &law, const RunContext &run)
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
    const size_t kept = std::min(calm.size(), std::max(kWantedCalm, size_t(double(calm.size()) * kCalmShare)));
    std::nth_element(calm.begin(), calm.begin() + std::ptrdiff_t(kept) - 1, calm.end(), [](const Calm &p, const Calm &q) { return p.unrest < q.unrest; });
    calm.resize(kept);
    std::vector<float> values(kept);
    const auto median = [&](const auto &of) {
        std::transform(calm.begin(), calm.end(), values.begin(), [&](const Calm &c) { return of(*c.window); });
        return medianOf(values) / float(kMedianOfSquare);
    };
    for (size_t b = 0; b < Packet::kMostBands; ++b) {
        std::array<float, 64> variances{};
        for (size_t i = 0; i < 64; ++i)
            variances[i] = median([&](const Window &w) { return w.squares[b][i]; });
        result.bands[b] = bandFrom(variances);
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
