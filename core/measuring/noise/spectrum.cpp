// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/spectrum.h"

namespace irenic {

const std::array<std::array<float, kDctSide>, kDctSide> &dctBasis()
{
    static const std::array<std::array<float, kDctSide>, kDctSide> basis = [] {
        std::array<std::array<float, kDctSide>, kDctSide> b{};
        for (size_t k = 0; k < kDctSide; ++k)
            for (size_t n = 0; n < kDctSide; ++n)
                b[k][n] = float(std::cos(M_PI * (2.0 * double(n) + 1) * double(k) / (2.0 * kDctSide)) * std::sqrt((k == 0 ? 1.0 : 2.0) / kDctSide));
        return b;
    }();
    return basis;
}

float medianOf(std::vector<float> v)
{
    const auto middle = v.begin() + std::ptrdiff_t(v.size() / 2);
    std::nth_element(v.begin(), middle, v.end());
    return *middle;
}

size_t octaveOf(size_t coefficient)
{
    const size_t highest = std::max(coefficient % kDctSide, coefficient / kDctSide);
    return highest >= 4 ? 0 : highest >= 2 ? 1
                                           : 2;
}

Octaves octavesOf(const std::array<float, 64> &variances)
{
    Octaves sum{}, count{};
    for (size_t i = 1; i < 64; ++i) {
        sum[octaveOf(i)] += double(variances[i]);
        ++count[octaveOf(i)];
    }
    for (size_t o = 0; o < kOctaves; ++o)
        sum[o] = std::max(sum[o] / count[o], 1e-9);
    return sum;
}

BandNoise bandFrom(const std::array<float, 64> &variances, double growthBeyond)
{
    BandNoise n;
    double mean = 0;
    for (size_t i = 1; i < 64; ++i)
        mean += double(variances[i]) / 63;
    n.sigma = std::max(0.02f, float(std::sqrt(mean)));
    std::array<float, 64> squares{};
    for (size_t i = 1; i < 64; ++i) {
        n.dct[i] = std::clamp(std::sqrt(variances[i]) / n.sigma, 0.05f, 20.f);
        squares[i] = n.dct[i] * n.dct[i];
    }
    n.dct[0] = std::max(n.dct[1], n.dct[8]);
    const Octaves octaves = octavesOf(squares);
    for (size_t o = 0; o < kOctaves; ++o)
        n.scales[o] = float(std::sqrt(octaves[o]));
    // Coarser than a window shows: it goes on growing as it did, within reason.
    n.scales[3] = n.scales[2] * std::clamp(n.scales[2] / n.scales[1], 1.f, float(growthBeyond));
    return n;
}

double correlationOf(const BandNoise &band, int dx, int dy)
{
    const auto &basis = dctBasis();
    const auto along = [&](size_t k, int lag) {
        double sum = 0;
        for (int i = 0; i + lag < kDctSide; ++i)
            sum += double(basis[k][size_t(i)]) * double(basis[k][size_t(i + lag)]);
        return sum / (kDctSide - lag);
    };
    double sum = 0, whole = 0;
    for (size_t j = 0; j < kDctSide; ++j)
        for (size_t k = 0; k < kDctSide; ++k) {
            const double power = std::pow(double(band.dct[j * kDctSide + k]), 2);
            sum += power * along(k, std::abs(dx)) * along(j, std::abs(dy));
            whole += power / 64;
        }
    return sum / whole;
}

} // namespace irenic
