// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "benches.h"
#include "subject.h"

#include <cstdio>
#include <string_view>
#include <utility>

namespace irenic::bench {

/// A kind of frame that people have: what is special about its camera, and what file it becomes.
struct Kind {
    const char *name;
    std::function<void(ShootOptions &)> change;
    const char *ending = ".dng";
    FinishOptions finish{};
    bool demosaiced = false; ///< a linear DNG of the mosaic
    bool isRaw() const { return std::string_view(ending) == ".dng"; }
};

struct Shown {
    std::shared_ptr<const Frame> frame, clean; ///< the latter like it, without noise
    ShotTruth truth;
};

/// A scene as that kind of frame, behind a lens of kLensBlurPx. The clean frame went through the same steps; as a JPEG it is hardly compressed.
Result<Shown> shown(const Scene &scene, int iso, const Kind &kind);
constexpr double kLensBlurPx = 0.4;

using ShownAndMeasured = std::vector<std::pair<Shown, NoiseReport>>;

/// Every scene as every kind, or every kind of raw, at every ISO, measured (where finished pictures take part, asked for a suggestion as well); `each` answers false to end it. What main() returns.
int forEachKind(const KindsArguments &a, bool rawAlone, const std::function<bool(int iso, const Kind &kind, const ShownAndMeasured &frames)> &each);

/// The middle one, or the mean of the middle two.
double middleOf(std::vector<double> v);

constexpr double kSlowestCompared = 5; ///< seconds a megapixel

} // namespace irenic::bench
