// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/noise.h"

#include <optional>
#include <vector>

namespace irenic {

/// A clean scene: linear sRGB, 0 dark, 1 a white card; three interleaved floats a pixel.
struct Scene {
    Size size;
    std::vector<float> rgb;
    const float *at(int x, int y) const { return rgb.data() + (size_t(y) * size_t(size.width) + size_t(x)) * 3; }
};

/// Reads a scene from a PFM file (three channels, taken as linear) or a TIFF (float: linear; integers: sRGB-encoded).
Result<Scene> readScene(const std::filesystem::path &file);

/// What sensors do beside the plain law; nothing of it unless it is asked for. What belongs to the sensor and not to the moment is decided by
/// ShootOptions::sensorSeed.
struct SensorFaults {
    double responseSpread = 0;         ///< sigma of the pixels' gains about 1; 0 .. 0.1
    double columnSpread = 0;           ///< likewise of whole columns' gains
    double darkElectrons = 0;          ///< dark current that every pixel collects, the masked border too; its mean is in the black level, its shot noise is not; 0 .. 1000
    double glowElectrons = 0;          ///< what the amplifier in the lower right corner adds there; a tenth of the diagonal away 1/e of it; 0 .. 100000
    std::array<float, 4> blackDrift{}; ///< how much higher black lies than the file says, in stored numbers, by place in the active area's pattern; -100 .. 100
    double rowDrift = 0;               ///< how much higher black lies in the last row than in the first, in read-noise sigmas; -10 .. 10
    bool clippedBlack = false;         ///< black is taken off before storing, and what lies below is lost
    int compandedBits = 0;             ///< 8 .. 12: samples are stored through a square-root table of so many bits; 0: as they are
    double smoothing = 0;              ///< share that each of a sample's four nearest neighbours of its colour has in it; 0 .. 0.2
    bool dualGain = false;             ///< above an eighth of full scale read noise is four times as large
    double greenImbalance = 0;         ///< by how much the greens in rows of blue see more; -0.1 .. 0.1
    double phaseStripes = 0;           ///< share of the light that every twelfth row loses to pixels that focus; 0 .. 0.5
    double telegraphPerMillion = 0;    ///< pixels that in half of all frames lie 3 to 12 read-noise sigmas too high or too low; where they do, they are among ShotTruth::hotPixels
    double noisyShare = 0;             ///< share of the pixels whose read noise is three times as large; 0 .. 0.1
    double knee = 1;                   ///< signal from which the response bends, towards 1 for any light; 0.3 .. 1
    bool operator==(const SensorFaults &) const = default;
};

/// How the simulated camera "Tarn Bench-1" is set, or "Tarn Bench-X" with its six-by-six sensor.
struct ShootOptions {
    int iso = 3200; ///< 100 .. 204800
    uint64_t seed = 1;
    CfaPattern cfa{};
    bool sixBySix = false;    ///< its pattern takes the place of `cfa`
    double cornerBlurPx = 0;  ///< sigma of a blur that comes on top towards the corners; 0 .. 3
    double lensBlurPx = 0.5;  ///< sigma of lens and low-pass filter; 0 .. 3. Without it fine scenes alias as no lens lets them
    double vignettingEv = 0;  ///< light lost at the corners of the cut, in EV; grows with the square of the distance from its middle; 0 .. 5
    double lateralRed = 0;    ///< by how many thousandths the red image is larger than the green one; -5 .. 5
    double lateralBlue = 0;   ///< likewise the blue one
    double underexposeEv = 0; ///< less light than the scene asks for
    int bits = 14;            ///< 12 or 14: quantisation and white level
    bool lossless = true;     ///< lossless JPEG tiles, or packed uncompressed
    int borderPx = 0;         ///< masked columns left and rows above
    int orientation = 1;
    double hotPixelsPerMillion = 25;
    double warmPixelsPerMillion = 0;               ///< likewise, from 2 to 8 sigma of the dark
    std::optional<uint64_t> sensorSeed;            ///< decides where bad pixels lie; the seed where it is not set: another sensor with each
    double banding = 0.25;                         ///< sigma of row and column offsets, in read-noise sigmas
    std::array<float, 4> blackOffsets{0, 0, 0, 0}; ///< added to the black level, by place in the active area's pattern
    std::string dateTime = "2031:10:18 23:41:07";
    Rect cut{}; ///< part of the scene; empty takes all
    SensorFaults faults{};
    int black() const; ///< of the stored numbers, without blackOffsets
    int white() const;
    Colour colourAt(int x, int y) const; ///< counted from the active area's corner; not negative
};

/// What the camera knows and the photographer does not.
struct ShotTruth {
    Plane<float> clean; ///< stored-size mosaic of linear signal before any noise and fault but the knee and smoothing, unclipped above 1; 0 on masked borders
    NoiseModel noise;   ///< the same law for every channel; of the plain sensor with its dark current
    /// Variance of a good pixel with every fault, at a clean signal: what `noise` says where there are none.
    std::vector<std::pair<float, float>> curve;
    double readNoiseElectrons = 0;
    double fullWellElectrons = 0;   ///< electrons at the white level
    std::vector<PixelAt> hotPixels; ///< stored coordinates
    std::vector<float> hotSignal;   ///< their added signal; below 0 of some that flicker
};

struct Shot {
    Plane<uint16_t> samples;
    Rect active;
    ShotTruth truth;
};

/// Photographs a scene: camera colour, exposure, Poisson photon noise, Gaussian read noise that follows ISO, row and
/// column offsets, hot pixels, clipping and quantisation. Every random number is hashed from seed and place, so
/// the same seed gives the same bits on any number of threads.
/// Fails with BadParameter, or Cancelled.
Result<Shot> shoot(const Scene &scene, const ShootOptions &options, const RunContext &run = {});

/// What the lens lays on the same sensor in all three colours, which no shot holds: three samples a pixel, otherwise as ShotTruth::clean. As it fails.
Result<Plane<float>> colourTruth(const Scene &scene, const ShootOptions &options, const RunContext &run = {});

/// The same light on the same sensor without noise and faults: what is written of it with `options` but their faults is the truth to a shot's file.
Shot withoutNoise(const Shot &shot, const ShootOptions &options);

/// Writes the shot as a raw DNG with every tag that the specification asks for. Refuses to replace a file.
Status writeShot(const std::filesystem::path &file, const Shot &shot, const ShootOptions &options, const RunContext &run = {});

/// The finished picture that a camera makes of the shot: developed as shot, sharpened, encoded. A JPEG (.jpg) stores colours at half size.
struct FinishOptions {
    int quality = 90;        ///< of a JPEG, 1 .. 100, by the scale of Annex K's tables
    double sharpening = 0.5; ///< share of what a blur of one pixel takes away that is added again; 0 .. 3
    double contrast = 0;     ///< how much of a curve it gets that lowers shadows and raises lights, as cameras' pictures have; 0 .. 1
};
/// Writes it, a JPEG or a 16-bit TIFF by the name's ending, with its ISO. Refuses to replace a file.
Status writeFinished(const std::filesystem::path &file, const Shot &shot, const ShootOptions &options, const FinishOptions &finish);

/// Writes the truth: FILE.json (noise law, hot pixels) and FILE.tif (clean mosaic, 32-bit float). Refuses to replace.
Status writeTruth(const std::filesystem::path &stem, const ShotTruth &truth);

inline constexpr int kCameraBlack14 = 512;
inline constexpr int kCameraWhite14 = 16383;

} // namespace irenic
