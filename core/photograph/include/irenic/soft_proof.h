// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"

#include <cstdint>
#include <memory>
#include <string>
#include <vector>

namespace irenic {

/// What an output device or space makes of colours: there by its ICC profile and back, relative colorimetric with black-point compensation both ways
/// (LittleCMS), with the device's own numbers held to what it has. Immutable, from any thread.
class SoftProof
{
public:
    /// @param profile of RGB, CMYK or grey; sRGB where empty
    /// @param paper   back with the white of the medium (absolute colorimetric), as a print shows it beside a screen's white
    /// Unsupported where the profile cannot be read, or leads only one way.
    static Result<std::shared_ptr<const SoftProof>> from(const std::vector<uint8_t> &profile, bool paper = false);
    ~SoftProof();
    SoftProof(const SoftProof &) = delete;
    SoftProof &operator=(const SoftProof &) = delete;

    const std::string &name() const { return m_name; } ///< the profile's description
    /// One row of linear sRGB, three floats a pixel; what lies outside of sRGB is told by values below 0 or above 1, before and after.
    void proofRow(float *linear, int count) const;
    /// 1 where a colour is further than `kFarthest` from what comes out, else 0, without the white of the medium.
    void outsideRow(const float *linear, int count, uint8_t *outside) const;
    static constexpr double kFarthest = 2; ///< CIEDE2000; differences of 1 are just seen side by side

private:
    SoftProof() = default;
    void thereAndBack(void *back, float *linear, int count) const;
    void *m_there = nullptr, *m_back = nullptr, *m_seen = nullptr; ///< cmsHTRANSFORM in floats, not cut off; `m_seen` with the medium's white
    int m_channels = 3;
    float m_most = 1; ///< of the device's numbers: inks are told in per cent
    std::string m_name;
};

} // namespace irenic
