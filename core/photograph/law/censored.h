// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/noise.h"

#include <array>
#include <optional>

namespace irenic {

struct Moments {
    double mean;
    double variance;
};

/// Mean and variance of Gaussian noise of which everything below 0 was stored as 0, from those of what is stored. Empty where more than three quarters
/// are missing: the rest does not tell. Source: Foi, "Clipped noisy images: heteroskedastic modeling and practical denoising", Signal Process. 89(12), 2009.
std::optional<Moments> wholeMoments(const Moments &stored);

/// What the share of samples below 0 tells of Gaussian noise of which those were stored as 0; in its sigma.
struct CutNoise {
    float signal; ///< its mean as it was; below 0 where most are missing
    float stored; ///< the mean of what is stored
    float lift;   ///< by how much that is above the signal, or above 0 where the signal is below
};
/// @param missing 0..1; signals farther than four sigma from 0 are taken for as far
CutNoise cutNoiseOf(double missing);

/// For a whole law: what of it is stored where signals below a limit were stored as the limit. Nothing changes where there is none.
class StoredNoise
{
public:
    StoredNoise(const NoiseModel &law, std::optional<double> censoredAt);
    /// Sigma of what is stored, and the signal itself, by the mean of what is stored.
    float sigmaAt(float storedMean) const;
    float signalAt(float storedMean) const;

private:
    static constexpr size_t kSteps = 101; ///< from no signal to five sigma of it
    struct Entry {
        float mean, sigma, signal;
    };
    float lookedUp(float storedMean, float Entry::*what) const;
    NoiseModel m_law;
    std::optional<float> m_limit;
    std::array<Entry, kSteps> m_table{};
};

} // namespace irenic
