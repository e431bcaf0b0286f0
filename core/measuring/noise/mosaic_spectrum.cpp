// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/mosaic_spectrum.h"

#include "base/parallel.h"
#include "frame/linearizer.h"
#include "law/noise_law.h"
#include "law/stabiliser.h"
#include "noise/noise_floor.h"
#include "noise/spectrum.h"

#include <numeric>

namespace irenic {

namespace {

constexpr int kLeastSidePx = 128, kWindowPx = 2 * kDctSide;
constexpr int kMostWindows = 12000;
constexpr double kCalmWindowShare = 0.1;
constexpr size_t kWantedWindows = 300, kFewestWindows = 100;
// Power of the coarsest octave over that of the finest, from which on noise is not white: white noise reads 0.5 to 1.12 on ten photographs, noise of which each neighbour
// has 4 % 1.2 to 1.7. More is asked where the windows' energies scatter as texture's do (1.22 was seen on coarse texture without noise to speak of).
constexpr double kColoured = 1.2, kDoubt = 0.5, kEven = 0.3;
constexpr double kSteady = 1.08; // likewise of the one between

struct MosaicWindow {
    std::array<float, 64> squares; ///< of the DCT of green against green: the noise of single ones
    float unrest = 0;              ///< of red and blue, but for the mean
};

/// Of white noise, what the mean of two neighbours leaves in each coefficient of a DCT along a line.
const std::array<double, kDctSide> &passedByMeans()
{
    static const std::array<double, kDctSide> passed = [] {
        std::array<double, kDctSide> p{};
        for (size_t k = 0; k < kDctSide; ++k) {
            p[k] = 0.5;
            for (size_t i = 0; i + 1 < kDctSide; ++i)
                p[k] += double(dctBasis()[k][i]) * double(dctBasis()[k][i + 1]) / 2;
        }
        return p;
    }();
    return passed;
}

/// Nothing where a sample is clipped, or may be.
std::optional<MosaicWindow> windowAt(const Frame &frame, const Linearizer &levels, const std::array<Stabiliser, 4> &stabilisers, const std::array<NoiseModel, 4> &law, std::optional<double> censoredAt, int x0, int y0)
{
    const auto cellOf = [](int x, int y) { return size_t((x & 1) + 2 * (y & 1)); };
    const auto stabilised = [&](int x, int y) { return stabilisers[cellOf(x, y)].forward(levels.linear(x, y)); };
    const auto &passed = passedByMeans();
    MosaicWindow w;
    for (int cell = 0; cell < 4; ++cell) {
        const int cx = x0 + (cell & 1), cy = y0 + (cell >> 1);
        float mean = 0;
        std::array<float, 64> values;
        for (int v = 0; v < kDctSide; ++v)
            for (int u = 0; u < kDctSide; ++u) {
                const float linear = levels.linear(cx + 2 * u, cy + 2 * v);
                if (!(linear < kClipGuard) || (!censoredAt && frame.samples.at(cx + 2 * u, cy + 2 * v) == 0))
                    return std::nullopt;
                mean += linear / 64;
                values[size_t(v * kDctSide + u)] = stabilisers[cellOf(cx, cy)].forward(linear);
            }
        if (reachesBlack(double(mean), double(law[cellOf(cx, cy)].sigmaAt(mean)), censoredAt))
            return std::nullopt;
        if (frame.cfa.at(cx, cy) != Colour::Green) {
            const auto c = dctOf([&](int u, int v) { return values[size_t(v * kDctSide + u)]; });
            for (size_t i = 1; i < 64; ++i)
                w.unrest += c[i] * c[i];
        }
    }
    // Each green against the mean of the four others around it.
    const int gx = x0 + (frame.cfa.at(x0, y0 + 1) == Colour::Green ? 0 : 1), gy = y0 + 1;
    w.squares = dctOf([&](int u, int v) {
        const int x = gx + 2 * u, y = gy + 2 * v;
        return stabilised(x, y) - (stabilised(x - 1, y - 1) + stabilised(x + 1, y - 1) + stabilised(x - 1, y + 1) + stabilised(x + 1, y + 1)) / 4;
    });
    for (size_t i = 0; i < 64; ++i)
        w.squares[i] *= w.squares[i] / float(1 + passed[i % kDctSide] * passed[i / kDctSide]);
    return w;
}

/// Filters of a few pixels change slowly from frequency to frequency: each becomes the mean of those around it, the mean left out.
std::array<float, 64> evened(const std::array<float, 64> &variances)
{
    std::array<float, 64> out{};
    for (int j = 0; j < kDctSide; ++j)
        for (int k = 0; k < kDctSide; ++k) {
            float sum = 0, count = 0;
            for (int v = std::max(0, j - 1); v <= std::min(kDctSide - 1, j + 1); ++v)
                for (int u = std::max(0, k - 1); u <= std::min(kDctSide - 1, k + 1); ++u)
                    if (u || v) {
                        sum += variances[size_t(v * kDctSide + u)];
                        ++count;
                    }
            out[size_t(j * kDctSide + k)] = sum / count;
        }
    return out;
}

/// Half of what two thirds of the windows' energies lie apart, over their median: 0.18 of noise, more of texture.
double scatterOf(const std::vector<const MosaicWindow *> &windows, const std::array<float, 64> &variances)
{
    std::vector<float> energies;
    for (const MosaicWindow *w : windows) {
        float sum = 0;
        for (size_t i = 1; i < 64; ++i)
            sum += w->squares[i] / variances[i];
        energies.push_back(sum);
    }
    std::sort(energies.begin(), energies.end());
    const auto at = [&](double share) { return double(energies[size_t(share * double(energies.size() - 1))]); };
    return (at(0.84) - at(0.16)) / 2 / at(0.5);
}

} // namespace

Result<std::optional<BandNoise>> measureMosaicSpectrum(const Frame &frame, const std::array<NoiseModel, 4> &law, std::optional<double> censoredAt, const RunContext &run)
{
    const Rect &a = frame.active;
    if (a.width < kLeastSidePx || a.height < kLeastSidePx)
        return std::optional<BandNoise>();
    const int left = a.x + 1 + (~a.x & 1), top = a.y + 1 + (~a.y & 1);                                // a pixel inside at least
    const int step = std::max(kDctSide, int(std::sqrt(double(a.size().area()) / kMostWindows)) & ~1); // windows overlap where the frame is small
    const int across = (a.right() - 1 - kWindowPx - left) / step + 1, down = (a.bottom() - 1 - kWindowPx - top) / step + 1;
    const Linearizer levels(frame);
    const std::array<Stabiliser, 4> stabilisers{Stabiliser(law[0]), Stabiliser(law[1]), Stabiliser(law[2]), Stabiliser(law[3])};
    const Result<std::vector<MosaicWindow>> windows = gathered<MosaicWindow>(down, run, [&](int j, std::vector<MosaicWindow> &row) {
        for (int i = 0; i < across; ++i)
            if (const auto w = windowAt(frame, levels, stabilisers, law, censoredAt, left + i * step, top + j * step))
                row.push_back(*w);
    });
    if (!windows)
        return windows.error();
    std::vector<const MosaicWindow *> calm;
    for (const MosaicWindow &w : windows.value())
        calm.push_back(&w);
    const size_t kept = std::min(calm.size(), std::max(kWantedWindows, size_t(double(calm.size()) * kCalmWindowShare)));
    if (kept < kFewestWindows)
        return std::optional<BandNoise>();
    std::nth_element(calm.begin(), calm.begin() + std::ptrdiff_t(kept) - 1, calm.end(), [](const MosaicWindow *p, const MosaicWindow *q) { return p->unrest < q->unrest; });
    calm.resize(kept);
    std::array<float, 64> variances{};
    std::vector<float> values(kept);
    for (size_t i = 0; i < 64; ++i) {
        std::transform(calm.begin(), calm.end(), values.begin(), [&](const MosaicWindow *w) { return w->squares[i]; });
        variances[i] = medianOf(values) / float(kMedianOfSquare);
    }
    variances = evened(variances);
    const Octaves p = octavesOf(variances);
    const double asked = kColoured + kDoubt * std::max(0.0, scatterOf(calm, variances) - kEven);
    if (p[2] < asked * p[0] || p[1] < kSteady * p[0])
        return std::optional<BandNoise>();
    constexpr double kGrowthBeyond = 1.1; // what a camera smooths reaches no further than a few pixels
    BandNoise band = bandFrom(variances, kGrowthBeyond);
    band.sigma = 1; // the law tells it
    return std::optional(band);
}

double sigmaBehindBinomial(const BandNoise &spectrum)
{
    // Two columns of the filter lie on one cell of the pattern, the middle one on another; and rows likewise.
    const double x = correlationOf(spectrum, 1, 0), y = correlationOf(spectrum, 0, 1), both = correlationOf(spectrum, 1, 1);
    const double middle = 16, sides = 2 * 4 * (1 + x) + 2 * 4 * (1 + y), corners = 4 + 4 * x + 4 * y + 4 * both;
    return std::sqrt((middle + sides + corners) / 36);
}

double shareInDiagonals(const BandNoise &spectrum)
{
    return 1 - correlationOf(spectrum, 1, 0) - correlationOf(spectrum, 0, 1) + correlationOf(spectrum, 1, 1);
}

} // namespace irenic
