// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/noise.h"

namespace irenic {

/// Whether the samples that a frame stores share their noise with their neighbours.
bool isNoiseShared(const Frame &frame, const NoiseReport &noise);

/// Noise like a frame's own, on other signals, where samples share it (isNoiseShared()): of a mosaic as alike as was measured (NoiseReport::spectrum), of a six-by-six sensor demosaiced as the
/// picture was (NoiseBeforeColours::laidOver). Gaussian, hashed from its place; of a mosaic, a square of 256 samples is repeated. Linear, Frame::channels() numbers a pixel.
/// @param where   stored coordinates, inside Frame::active
/// @param clean   samples of it, with little noise
/// Fails with Cancelled, or what demosaicing found.
Result<Plane<float>> sharedNoise(const Frame &frame, const NoiseReport &noise, Rect where, PlaneView<const float> clean, uint64_t seed, const RunContext &run);

} // namespace irenic
