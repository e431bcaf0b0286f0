// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/base.h"
#include "irenic/frame.h"

#include <array>
#include <cmath>
#include <functional>
#include <optional>

namespace irenic {

/// Noise of one colour plane: variance is a straight line in signal (linear, black removed, 1 = clipping).
/// Source: Foi, Trimeche, Katkovnik, Egiazarian, "Practical Poissonian-Gaussian noise modeling and fitting for
/// single-image raw-data", IEEE Trans. Image Process. 17(10), 2008.
struct NoiseModel {
    float shotGain = 0;     ///< variance per unit of signal ("a"); > 0
    float readVariance = 0; ///< variance in the dark ("b"), signal squared; >= 0
    bool operator==(const NoiseModel &) const = default;
    /// Standard deviation, in signal units. Signals below black count as black, because noise pushes dark
    /// pixels negative and a root of a negative variance would spread NaN through the tile.
    float sigmaAt(float signal) const { return std::sqrt(shotGain * std::max(signal, 0.f) + readVariance); }
};

/// The noise of a six-by-six sensor, read from its samples before demosaicing, where neighbours do not share noise yet and texture can be told from it.
struct NoiseBeforeColours {
    std::array<NoiseModel, 3> law{};    ///< of the samples of red, green and blue
    double confidence = 0;              ///< 0..1, as in NoiseReport
    std::shared_ptr<const Frame> alone; ///< nothing but such noise on the picture's tones, demosaiced as the picture was
    /// Such noise on other signals, demosaiced as the picture was: it hangs on all three colours of its surroundings. Three linear numbers a pixel.
    /// @param where   stored coordinates
    /// @param clean   samples of it, three linear numbers a pixel, with little noise
    /// Hashed from the place. Fails with Cancelled, or Unsupported where LibRaw gives up.
    std::function<Result<Plane<float>>(Rect where, PlaneView<const float> clean, uint64_t seed, const RunContext &run)> laidOver;
    std::vector<PixelAt> mended; ///< bad pixels, whose samples were replaced; sorted by row, then column; stored coordinates
};

/// Offsets of whole rows and columns, in signal units.
struct Banding {
    std::vector<float> rows;    ///< one per active row, to be taken off; empty where there is no banding to speak of
    std::vector<float> columns; ///< one per active column, likewise
    float rowSigma = 0;         ///< spread of the rows' true offsets
    float columnSigma = 0;
    bool operator==(const Banding &) const = default;
    /// What to take off a sample, counted from the active area's corner.
    float at(int x, int y) const { return (rows.empty() ? 0.f : rows[size_t(y)]) + (columns.empty() ? 0.f : columns[size_t(x)]); }
};

/// The noise of one band of a full-colour picture, after its variance was stabilised: demosaicing, and whatever else was done to
/// the picture before, leaves neighbouring samples alike, so that some frequencies hold more noise than others. White noise
/// has 1 everywhere.
struct BandNoise {
    static constexpr int kScales = 4;
    float sigma = 1;                                       ///< of single samples
    std::array<float, 64> dct = filled<64>();              ///< relative sigma of the 8 x 8 DCT of samples two pixels apart, by row, then column
    std::array<float, kScales> scales = filled<kScales>(); ///< relative sigma of Haar details of samples 2, 4, 8 and 16 pixels apart
    bool operator==(const BandNoise &) const = default;

private:
    template <size_t n>
    static constexpr std::array<float, n> filled()
    {
        std::array<float, n> a{};
        for (float &v : a)
            v = 1;
        return a;
    }
};

/// How near a method is estimated to come to the picture without noise, at the strengths that are suggested for it.
struct MethodNearness {
    std::string method; ///< its id
    double db = 0;      ///< see Nearness::db
    bool operator==(const MethodNearness &) const = default;
};

/// What was measured on one frame.
struct NoiseReport {
    /// By place in the two-by-two pattern, (x & 1) + 2 * (y & 1) of the stored samples; of a full-colour frame, red, green and
    /// blue, the last unused.
    std::array<NoiseModel, 4> cells;
    std::vector<BandNoise> bands;      ///< of a full-colour frame, in the order of Packet::bands(); otherwise empty
    std::optional<BandNoise> spectrum; ///< of a mosaic whose samples of one colour share noise with their neighbours; empty where it is white
    float pointSigma = 1;              ///< of a full-colour frame's luminance behind the filter that looks for points of light; of a mosaic, over what white noise has there
    std::vector<PixelAt> hotPixels;    ///< hot, dead and stuck ones, single and in pairs; sorted by row, then column; stored coordinates
    Banding banding;
    float midSignal = 0;      ///< the frame's median green signal, at which the next two are stated
    float luminanceNoise = 0; ///< sigma of luminance over luminance at midSignal; 0.1 is 10 %
    float colourNoise = 0;    ///< sigma of the white-balanced colour differences over luminance there
    float usualShare = 0;     ///< luminance noise that an ordinary sensor has at the frame's ISO over luminanceNoise, at most 1; 0 where no ISO is known
    /// Of full colour: how much of what a method takes that sees noise for itself (MethodInfo::seesNoise) comes nearest to the picture without noise, by estimate, 0..1; below 0
    /// where that is not known.
    float nearestLuminance = -1, nearestColours = -1;
    std::vector<MethodNearness> nearness; ///< of a mosaic that is to get a suggestion, the nearest method first, see tellNearest(); empty where that was not asked
    bool seesNearer = false;              ///< of full colour: what such a method takes is suggested in place of what relies on the measurement, see NearestShares::isNearer
    double confidence = 0;                ///< 0..1: how well the frame pins the model down
    std::string confidenceReason;         ///< one plain sentence
    size_t maskedSamples = 0;             ///< of the sensor's masked border, from which the noise in the dark was read; 0 without one
    int lawFrames = 0;                    ///< earlier frames of the camera whose law was taken in place of the measured one; usually 0
    int mapFrames = 0;                    ///< frames that bad pixels were held against
    bool beforeColours = false;           ///< of full colour: read from a six-by-six sensor's own samples, so that no texture is in it
    float profileRatio = 0;               ///< measured sigma of the mid-tone over what the file's own NoiseProfile says; 0 without one
    /// The law of a sample; stored coordinates.
    const NoiseModel &modelAt(int x, int y, size_t channel, bool mosaic) const { return cells[mosaic ? size_t((x & 1) + 2 * (y & 1)) : channel]; }
    bool operator==(const NoiseReport &) const = default;
};

} // namespace irenic
