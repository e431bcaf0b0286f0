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

/// How the simulated camera "Tarn Bench-1" is set, or "Tarn Bench-X" with its six-by-six sensor.
struct ShootOptions {
    int iso = 3200; ///< 100 .. 204800
    uint64_t seed = 1;
    CfaPattern cfa{};
    bool sixBySix = false;    ///< its pattern takes the place of `cfa`
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
    Rect cut{};                          ///< part of the scene; empty takes all
    Colour colourAt(int x, int y) const; ///< counted from the active area's corner; not negative
};

/// What the camera knows and the photographer does not.
struct ShotTruth {
    Plane<float> clean; ///< stored-size mosaic of linear signal before any noise, unclipped above 1; 0 on masked borders
    NoiseModel noise;   ///< the same law for every channel
    double readNoiseElectrons = 0;
    double fullWellElectrons = 0;   ///< electrons at the white level
    std::vector<PixelAt> hotPixels; ///< stored coordinates
    std::vector<float> hotSignal;   ///< their added signal
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

/// Writes the shot as a raw DNG with every tag that the specification asks for. Refuses to replace a file.
Status writeShot(const std::filesystem::path &file, const Shot &shot, const ShootOptions &options, const RunContext &run = {});

/// Writes the truth: FILE.json (noise law, hot pixels) and FILE.tif (clean mosaic, 32-bit float). Refuses to replace.
Status writeTruth(const std::filesystem::path &stem, const ShotTruth &truth);

inline constexpr int kCameraBlack14 = 512;
inline constexpr int kCameraWhite14 = 16383;

} // namespace irenic
