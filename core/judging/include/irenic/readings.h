// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/develop.h"
#include "irenic/lab.h"
#include "irenic/methods.h"
#include "irenic/nearness.h"
#include "irenic/noise.h"

#include <optional>
#include <vector>

namespace irenic {

class Cleaner;
class CleanCache;

/// How far the colours of places moved: CIEDE2000 of the means of blocks.
struct Drift {
    double median = 0;
    double high = 0; ///< 95th percentile
};
/// @param a, b linear pictures of one size, developed alike; smaller than a block, they are one
Drift driftBetween(const RgbImage<float> &a, const RgbImage<float> &b, int blockPx = 64);

/// How much of the picture went with the noise: the correlation of what was removed with the local structure of the result, less
/// what noise alone brings about (what is left of it resembles what was taken). 0 for pure noise, 1 for a plain blur of a picture
/// without noise.
/// @param untreated, treated luminance whose noise has sigma 1 (AnalysisPlanes), of one size
/// @param noiseCovariance   that of the treatment on a flat field; 0 where no noise is left
double detailLost(PlaneView<const float> untreated, PlaneView<const float> treated, double noiseCovariance);

/// The share of the measured noise that a treatment leaves on a flat patch, as ratios of sigma.
struct NoiseLeft {
    double luminance = 1;
    double colour = 1;
    bool operator==(const NoiseLeft &) const = default;
};
NoiseLeft noiseLeftOnFlat(const Treatment &treatment);

/// A picture against the same picture without noise, where that is known.
struct PictureQuality {
    double psnrDb = 0;      ///< of the encoded red, green and blue; at most 100
    double ssim = 0;        ///< of luma, mean structural similarity over 8 x 8 windows at every fourth place (Wang, Bovik, Sheikh and Simoncelli, IEEE Trans. Image Process. 13(4), 2004)
    double colourError = 0; ///< RMS of the two colour differences, in steps of 8 bits
    bool operator==(const PictureQuality &) const = default;
};
/// @param image, truth encoded pictures of one size, developed alike
PictureQuality pictureQuality(const RgbImage<uint16_t> &image, const RgbImage<uint16_t> &truth);

/// How far sharpening leads luminance beyond the range that it had around strong edges: the 95th percentile of overshoot, as a share of
/// that range. 0 where there is no strong edge.
/// @param before, sharp luminance of one size
/// @param sigma  of its noise; an edge is strong from twenty times that on
double haloShare(PlaneView<const float> before, PlaneView<const float> sharp, float sigma);

/// What a treatment did at one place.
struct PlaceReadings {
    std::optional<NoiseLeft> left;       ///< nothing where the place holds no smooth block
    double detailLost = 0;               ///< see detailLost()
    std::optional<double> halo;          ///< see haloShare(); where something is sharpened
    double drift = 0;                    ///< median CIEDE2000 of blocks against the untreated picture
    std::optional<double> doubt;         ///< Doubt::share of a trial, developed as shot
    RiskSums risk;                       ///< of a trial; without pixels where whyNoNearness()
    std::optional<Nearness> nearness;    ///< of `risk`
    std::optional<PictureQuality> truth; ///< where the picture without noise is known
    bool operator==(const PlaceReadings &) const = default;
};
inline constexpr int kPlacePx = 256; ///< readings of a place are taken over a square of this side about it, whatever is in view

/// A square about a place of the upright picture, as stored coordinates inside the crop.
Rect placeAround(const Frame &frame, UprightPoint at, int sidePx = kPlacePx);

/// @param region stored coordinates, inside Frame::active
/// @param cache  may be null. Fails only with Cancelled
/// @param truth  the upright picture without noise, of the frame's upright size; null where nobody knows it
/// @param place  of the same frame, noise and region, where several trials are read there; made where it is null
Result<PlaceReadings> readingsAt(const Cleaner &treated, Rect region, CleanCache *cache, const RunContext &run = {}, const std::shared_ptr<const Frame> &truth = nullptr, const RiskPlace *place = nullptr);

/// Sigma of the linear signal (mean of the colours) at one brightness.
struct NoiseAt {
    double signal = 0;    ///< 1 = clipping
    double law = 0;       ///< as the noise law has it
    double untreated = 0; ///< as measured
    double treated = 0;
    int blocks = 0; ///< that this is the median of
};

/// What a treatment left, block by block over the whole frame.
struct LeftoverMap {
    struct Place {
        Rect where;      ///< stored coordinates
        double left = 0; ///< luminance noise left, against the frame's own median: 2 is twice as much
    };
    Size blocks; ///< stored layout, not turned
    int blockPx = 0;
    Rect area;                    ///< what the blocks cover; stored coordinates
    std::vector<float> luminance; ///< noise left of every block, ratio of sigma; negative where it cannot be judged
    std::vector<float> colour;
    NoiseLeft left;                   ///< root mean square over the smooth blocks
    double judged = 0;                ///< share of the blocks that are smooth
    double evenness = 1;              ///< median over 95th percentile of the blocks' luminance noise left; 1 is even
    std::vector<Place> worst;         ///< places with most noise left, apart from each other; worst first, at most kMostWorst
    double detailLost = 0;            ///< mean over windows spread over the frame
    std::optional<double> doubt;      ///< likewise
    std::optional<Nearness> nearness; ///< over the places of `error`
    ErrorMap error;                   ///< where the trial is how far from the clean picture
    Drift drift;                      ///< against the untreated frame
    std::vector<NoiseAt> curve;       ///< by rising signal
    double seconds = 0;               ///< that cleaning the frame took; too few where much of it was known already
};
inline constexpr size_t kMostWorst = 8;

/// Cleans the whole frame, into the cache where there is one, and reads what is left. Fails only with Cancelled.
Result<LeftoverMap> leftoverMap(const Cleaner &treated, CleanCache *cache, const RunContext &run = {});

/// How the samples of a frame spread over brightness, colour by colour, as the sensor has them (before any balance).
struct Histogram {
    static constexpr double kFirstEv = -14, kStepEv = 0.25; ///< against clipping
    static constexpr size_t kBins = 56;
    std::array<std::array<double, kBins>, 3> share{}; ///< of the colour's samples, 0 .. 1
    std::array<double, 3> clipped{};                  ///< share at or above white
    std::array<double, 3> black{};                    ///< share at or below black
};
Histogram histogramOf(const Frame &frame);

} // namespace irenic
