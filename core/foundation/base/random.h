// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include <cmath>
#include <cstdint>
#include <numbers>

namespace irenic {

/// std::lgamma() writes a global of the C library, which threads would share.
inline double logGamma(double x)
{
    int sign = 0;
    return ::lgamma_r(x, &sign);
}

/// A short stream of random numbers that belongs to one place and one seed (SplitMix64, Steele, Lea and Flood 2014).
/// The standard library's distributions are not used: they differ between implementations.
class RandomAt
{
public:
    RandomAt(uint64_t seed, uint64_t stream, int x, int y)
        : m_state(mix(mix(seed * 0x9e3779b97f4a7c15u + stream) ^ (uint64_t(uint32_t(x)) << 32 | uint32_t(y))))
    {
    }
    double uniform() { return (double(mix(m_state += 0x9e3779b97f4a7c15u) >> 11) + 0.5) / 9007199254740992.0; } ///< (0, 1)
    double gaussian() { return std::sqrt(-2 * std::log(uniform())) * std::cos(2 * std::numbers::pi * uniform()); }

    /// Poisson: by inversion for small means, by transformed rejection (Hoermann, Insur. Math. Econ. 12, 1993) else.
    double poisson(double mean)
    {
        if (mean <= 0)
            return 0;
        if (mean < 10) {
            double p = std::exp(-mean), left = uniform();
            int k = 0;
            while (left > p && k < 200) {
                left -= p;
                p *= mean / ++k;
            }
            return k;
        }
        const double slope = 0.931 + 2.53 * std::sqrt(mean), a = -0.059 + 0.02483 * slope;
        const double inverseAlpha = 1.1239 + 1.1328 / (slope - 3.4), vr = 0.9277 - 3.6224 / (slope - 2);
        for (;;) {
            const double u = uniform() - 0.5, v = uniform();
            const double us = 0.5 - std::abs(u);
            const double k = std::floor((2 * a / us + slope) * u + mean + 0.43);
            if (us >= 0.07 && v <= vr)
                return k;
            if (k < 0 || (us < 0.013 && v > us))
                continue;
            if (std::log(v * inverseAlpha / (a / (us * us) + slope)) <= k * std::log(mean) - mean - logGamma(k + 1))
                return k;
        }
    }

private:
    static uint64_t mix(uint64_t z)
    {
        z = (z ^ (z >> 30)) * 0xbf58476d1ce4e5b9u;
        z = (z ^ (z >> 27)) * 0x94d049bb133111ebu;
        return z ^ (z >> 31);
    }
    uint64_t m_state;
};

} // namespace irenic
