// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/methods.h"

#include <filesystem>
#include <optional>
#include <string>
#include <vector>

namespace irenic {

/// What a photographer settled on for one frame, beside what had been suggested.
struct Decision {
    std::string frame; ///< file name, without its folder
    std::string day;   ///< ISO 8601
    double noise = 0;  ///< NoiseReport::luminanceNoise
    std::string method;
    double luminance = 1, colour = 1; ///< kept over suggested strength; 0 to 30
    double detail = 0, grain = 0;     ///< kept; nothing is suggested of these
    bool operator==(const Decision &) const = default;
};

/// A starting point of one's own, from what was settled on before.
struct OwnStart {
    double luminance = 1, colour = 1; ///< times the suggested strengths
    double detail = 0, grain = 0;
    int frames = 0;     ///< that it rests on
    std::string reason; ///< in a sentence
    Treatment from(const Treatment &suggested) const;
    bool operator==(const OwnStart &) const = default;
};

/// All decisions, one a frame, oldest first.
class Decisions
{
public:
    static constexpr size_t kMost = 2000; ///< the oldest go

    const std::vector<Decision> &all() const { return m_all; }
    void note(const Decision &decision); ///< in place of an earlier one about the frame, which has its name and, within a twentieth, its noise
    void forget(size_t i) { m_all.erase(m_all.begin() + ptrdiff_t(i)); }
    void forgetAll() { m_all.clear(); }

    /// Where frames of like noise (below 6 %, up to 12 %, above) went the same way beyond chance: by a sign test (two-sided, at 5 %) of each quantity
    /// over the frames that left its suggestion, on its median. Nothing where none did.
    std::optional<OwnStart> startFor(double luminanceNoise) const;
    static std::string bandName(double luminanceNoise); ///< "grain below 6 %" and so on

    bool operator==(const Decisions &) const = default;

private:
    std::vector<Decision> m_all;
};

/// A keeper of a frame of that noise, as a decision.
Decision decisionOf(const std::filesystem::path &frame, double luminanceNoise, const Treatment &kept, const Treatment &suggested, const std::string &day);

/// The documented JSON (docs/own-start.md), indented.
std::string decisionsText(const Decisions &decisions);
/// @param from what to call the source in an error. BadParameter where it is no such document, of a later version, or out of range
Result<Decisions> decisionsFromText(const std::string &text, const std::string &from);

} // namespace irenic
