// SPDX-License-Identifier: GPL-3.0-or-later
#include "law/censored.h"

#include <algorithm>
#include <cmath>
#include <numbers>

namespace irenic {

namespace {

constexpr double kWhole = 5; // sigmas above the limit from which on nothing is missing

/// What is stored of noise of sigma 1 about a mean.
Moments storedOf(double mean)
{
    const double density = std::exp(-mean * mean / 2) / std::sqrt(2 * std::numbers::pi), above = std::erfc(-mean / std::numbers::sqrt2) / 2;
    const double first = mean * above + density;
    return {first, (mean * mean + 1) * above + mean * density - first * first};
}

double ratioOf(const Moments &m)
{
    return m.mean / std::sqrt(m.variance);
}

} // namespace

std::optional<Moments> wholeMoments(const Moments &stored)
{
    constexpr double kLowest = -0.7; // in sigma
    if (!(stored.variance > 0) || ratioOf(stored) < ratioOf(storedOf(kLowest)))
        return std::nullopt;
    if (ratioOf(stored) >= kWhole)
        return stored;
    double low = kLowest, high = kWhole;
    for (int i = 0; i < 50; ++i) {
        const double middle = (low + high) / 2;
        (ratioOf(storedOf(middle)) < ratioOf(stored) ? low : high) = middle;
    }
    const double variance = stored.variance / storedOf(low).variance;
    return Moments{low * std::sqrt(variance), variance};
}

CutNoise cutNoiseOf(double missing)
{
    double low = -4, high = 4;
    for (int i = 0; i < 40; ++i) {
        const double middle = (low + high) / 2;
        (std::erfc(middle / std::numbers::sqrt2) / 2 > missing ? low : high) = middle;
    }
    const double stored = storedOf(low).mean;
    return {float(low), float(stored), float(stored - std::max(0.0, low))};
}

StoredNoise::StoredNoise(const NoiseModel &law, std::optional<double> censoredAt) : m_law(law)
{
    if (!censoredAt)
        return;
    m_limit = float(*censoredAt);
    const double a = double(law.shotGain), b = std::max(0.0, double(law.readVariance) + a * *censoredAt); // of signals counted from the limit
    for (size_t i = 0; i < kSteps; ++i) {
        const double sigmas = kWhole * double(i) / double(kSteps - 1), square = sigmas * sigmas;
        const double signal = (square * a + std::sqrt(square * square * a * a + 4 * square * b)) / 2, sigma = std::sqrt(a * signal + b);
        const Moments stored = storedOf(sigmas);
        m_table[i] = {float(stored.mean * sigma), float(std::sqrt(stored.variance) * sigma), float(signal)};
    }
}

float StoredNoise::lookedUp(float storedMean, float Entry::*what) const
{
    const auto above = std::upper_bound(m_table.begin(), m_table.end(), storedMean, [](float mean, const Entry &e) { return mean < e.mean; });
    if (above == m_table.begin())
        return (*m_table.begin()).*what;
    const Entry &low = *(above - 1), &high = *above;
    const float share = high.mean > low.mean ? (storedMean - low.mean) / (high.mean - low.mean) : 0;
    return low.*what + share * (high.*what - low.*what);
}

float StoredNoise::sigmaAt(float storedMean) const
{
    return m_limit && storedMean - *m_limit < m_table.back().mean ? lookedUp(storedMean - *m_limit, &Entry::sigma) : m_law.sigmaAt(storedMean);
}

float StoredNoise::signalAt(float storedMean) const
{
    return m_limit && storedMean - *m_limit < m_table.back().mean ? lookedUp(storedMean - *m_limit, &Entry::signal) + *m_limit : storedMean;
}

} // namespace irenic
