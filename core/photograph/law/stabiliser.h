// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

namespace irenic {

/// Generalised Anscombe transform of one colour plane and its way back.
///
/// Forward: f(z) = 2/a (sqrt(a z + 3/8 a^2 + b) - sqrt(3/8 a^2 + b)) for z >= 0, and the tangent at 0 below, where the noise law is
/// constant: nothing is clipped at black, and noise has sigma 1 everywhere. Black is 0, and the difference of the roots is taken
/// without cancellation, so that a sensor whose noise hardly grows with light loses no digits.
/// Back: the algebraic inverse h loses the mean, because E[h(x + n)] != h(x). Instead of assuming that all noise is
/// gone (as the closed forms of Makitalo and Foi, IEEE Trans. Image Process. 22(1), 2013 do), the energy v of what was
/// really removed around a sample is measured, and the mean of h over a Gaussian of that variance is taken by
/// three-point Gauss-Hermite quadrature. Nothing removed gives back the sample itself; all noise removed gives
/// the unbiased inverse; half-cleaned texture gets what is right for it.
class Stabiliser
{
public:
    explicit Stabiliser(const NoiseModel &noise)
        : m_a(std::max(noise.shotGain, 0.f)), m_offset(0.375f * m_a * m_a + std::max(noise.readVariance, 1e-14f)), m_root(std::sqrt(m_offset))
    {
    }
    float forward(float z) const
    {
        return z >= 0 ? 2 * z / (std::sqrt(m_a * z + m_offset) + m_root) : z / m_root;
    }
    float algebraicInverse(float s) const
    {
        return s >= 0 ? s * (m_root + s * m_a / 4) : s * m_root;
    }
    float inverse(float s, float removedVariance) const
    {
        const float reach = std::sqrt(3 * std::max(removedVariance, 0.f));
        return algebraicInverse(s) * (2.f / 3) + (algebraicInverse(s + reach) + algebraicInverse(s - reach)) * (1.f / 6);
    }

private:
    float m_a;
    float m_offset; ///< 3/8 a^2 + b
    float m_root;
};

} // namespace irenic
