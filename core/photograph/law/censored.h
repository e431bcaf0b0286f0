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

/// The same for a whole law: what of it is stored where signals below a limit were stored as the limit. Nothing changes where there is none.
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
