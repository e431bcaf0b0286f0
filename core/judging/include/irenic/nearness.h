// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"
#include "irenic/image.h"
#include "irenic/noise.h"

#include <algorithm>
#include <cmath>
#include <memory>
#include <optional>
#include <string>
#include <vector>

namespace irenic {

class Cleaner;
class CleanCache;

/// Sums over developed pixels, from which the distance of an answer to the clean picture is estimated without having that picture: Stein's unbiased risk
/// estimate (Stein, Ann. Statist. 9(6), 1981) in its Monte Carlo form (Ramani, Blu and Unser, IEEE Trans. Image Process. 17(9), 2008), for noise whose variance
/// differs from sample to sample, weighted by what developing makes of each sample. Squares of differences of encoded red, green and blue; 1 is white.
struct RiskSums {
    double removed = 0;  ///< square of what the treatment took
    double followed = 0; ///< covariance of the noise with the answer
    double noise = 0;    ///< square of the noise
    double square = 0;   ///< the estimate: removed + 2 followed - noise
    double luma = 0;     ///< that of luma alone (ITU-R BT.601)
    double ofBlocks = 0; ///< squares of the blocks' own estimates, for their scatter
    double pixels = 0;
    int blocks = 0;
    double overLaw = 0; ///< variance of the noise over the law's, summed over `judged`
    int judged = 0;     ///< blocks that hold nothing but noise that neighbours do not share, whatever the law says
    RiskSums &operator+=(const RiskSums &other);
    bool operator==(const RiskSums &) const = default;
};

/// How near a treated picture comes to the same picture without noise, developed alike and as shot.
struct Nearness {
    double db = 0;      ///< peak signal-to-noise ratio of encoded red, green and blue, as in PictureQuality; at most 100
    double lumaDb = 0;  ///< of luma alone
    double errorDb = 0; ///< one standard deviation of `db`: blocks, probe, and the noise law's own doubt; at most kUnknownDb
    double square = 0;  ///< what `db` is of: mean square difference
    double bestMix = 1; ///< how much of the answer, laid over the untreated picture (Taste::mix), comes nearest: (noise - followed) / removed, 0 to 1
    double bestDb = 0;  ///< what `db` would be then
    double ofLaw = 0;   ///< by how much `square` is larger where the true variance of noise is one standard deviation larger
    double overLaw = 0; ///< variance of the noise over the law's, where smooth parts show that it is another; else 0
    bool operator==(const Nearness &) const = default;
    bool gainsByMix() const { return errorDb < kUnknownDb && bestDb > db + 0.1; } ///< so much that it is worth telling
    static constexpr double kUnknownDb = 10;                                      ///< so uncertain that nothing was estimated
};

/// Why nothing can be estimated of a frame, as a sentence; empty where it can: raw frames with a law that is more than a guess.
std::string whyNoNearness(const Frame &frame, const NoiseReport &noise);

/// A place of a frame, ready to tell the risk of any treatment there: what all of them have in common is worked out once. Immutable, cheap to copy; holds no pixels of the frame.
class RiskPlace
{
public:
    /// @param region  stored coordinates, inside Frame::active; what is too near its border for developing is left out
    /// @param cache   may be null. Fails only with Cancelled
    /// @param seed    of the probe
    static Result<RiskPlace> at(const std::shared_ptr<const Frame> &frame, std::shared_ptr<const NoiseReport> noise, Rect region, CleanCache *cache, const RunContext &run = {}, uint64_t seed = 1);
    /// Before anything is undone of the lens. Without pixels where whyNoNearness() has something to say. Same bits for any threads. Fails only with Cancelled.
    /// @param treated  of the same frame and noise
    Result<RiskSums> risk(const Cleaner &treated, CleanCache *cache, const RunContext &run = {}) const;

private:
    struct Private;
    explicit RiskPlace(std::shared_ptr<const Private> made) : d(std::move(made)) {}
    std::shared_ptr<const Private> d;
};

/// For one treatment alone.
Result<RiskSums> riskAt(const Cleaner &treated, Rect region, CleanCache *cache, const RunContext &run = {}, uint64_t seed = 1);

/// Nothing of sums without pixels.
std::optional<Nearness> nearnessOf(const RiskSums &sums, const NoiseReport &noise);

/// Up to twelve places of 128 x 128 pixels that stand for the whole picture, spread evenly over it; all of one size, even in pixels. Stored coordinates, inside the crop; one that is the
/// crop where that is no larger than they.
std::vector<Rect> placesAllOver(const Frame &frame);

/// Of one treatment, over placesAllOver(). Nothing where whyNoNearness(). Same bits for any threads. Fails only with Cancelled.
Result<std::optional<Nearness>> nearnessAllOver(const Cleaner &treated, const RunContext &run = {});

/// Fills NoiseReport::nearness of a frame that is to get a suggestion: of every quick method at the strengths suggested for it, over placesAllOver() side by side. About 0.8 s on two
/// cores, however large the frame. Changes nothing where whyNoNearness(), where there is hardly any noise, or where the measured law is so far above what is usual that it cannot be
/// relied upon. Same bits for any threads. Fails only with Cancelled.
Status tellNearest(NoiseReport &noise, const std::shared_ptr<const Frame> &frame, const RunContext &run = {});

/// The estimated error of an answer, place by place.
struct ErrorMap {
    Size grid;                 ///< of the places, evenly spread; none where whyNoNearness()
    int placePx = 0;           ///< side of each
    Rect area;                 ///< that the grid divides: the crop; stored coordinates
    std::vector<float> square; ///< mean square difference of encoded red, green and blue against the clean picture, 1 is white; row by row. Below 0 by chance where little is left
    RiskSums sums;             ///< of all places
    Rect place(size_t i) const;
    float rms(size_t i) const { return std::sqrt(std::max(square[i], 0.f)); }
    bool operator==(const ErrorMap &) const = default;
};
/// Over places of a frame rather than all of it, so that it takes no longer for a large one. Same bits for any threads. Fails only with Cancelled.
Result<ErrorMap> errorMap(const Cleaner &treated, CleanCache *cache, const RunContext &run = {});

/// How a trial stands among others at the same place.
struct Standing {
    double behindDb = 0; ///< the nearest; 0 for that itself
    double errorDb = 0;  ///< of the difference, which is better known than either nearness
    bool isNearest = false;
    bool isLevel() const { return !isNearest && behindDb <= errorDb; } ///< it cannot be told from the nearest
    bool operator==(const Standing &) const = default;
};
/// One for every trial whose nearness is known, as long as there are two.
std::vector<std::optional<Standing>> standingsOf(const std::vector<std::optional<Nearness>> &trials);

} // namespace irenic
