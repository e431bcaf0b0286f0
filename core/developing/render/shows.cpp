// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/shows.h"

#include "base/parallel.h"
#include "irenic/soft_proof.h"

#include <algorithm>
#include <cassert>
#include <cmath>

namespace irenic {

namespace {

constexpr float kColourGain = 2;
constexpr float kBlown = 0.999f;

float luminanceOf(const float *p)
{
    return 0.2126f * p[0] + 0.7152f * p[1] + 0.0722f * p[2]; // IEC 61966-2-1
}

/// sRGB, carried on below black by its straight part.
float encodedOf(float v)
{
    return v <= 0.0031308f ? 12.92f * v : 1.055f * std::pow(std::min(v, 1.f), 1 / 2.4f) - 0.055f;
}

float linearOf(float e)
{
    e = std::clamp(e, 0.f, 1.f);
    return e <= 0.04045f ? e / 12.92f : std::pow((e + 0.055f) / 1.055f, 2.4f);
}

} // namespace

void showOnly(RgbImage<float> &linear, Show show)
{
    for (size_t i = 0; i + 2 < linear.samples.size(); i += 3) {
        float *p = linear.samples.data() + i;
        const float y = luminanceOf(p), e = encodedOf(y);
        if (show == Show::Luminance) {
            p[0] = p[1] = p[2] = y;
        } else if (show == Show::Colour) {
            for (int c = 0; c < 3; ++c)
                p[c] = linearOf(kMidGrey + kColourGain * (encodedOf(p[c]) - e));
        } else if (show == Show::Clipping) {
            const bool blown = std::max({p[0], p[1], p[2]}) >= kBlown;
            p[0] = p[1] = p[2] = blown ? 1 : y <= 0 ? 0
                                                    : linearOf(0.3f + 0.45f * e);
        }
    }
}

void showRemoved(RgbImage<float> &untreated, const RgbImage<float> &treated)
{
    assert(untreated.size == treated.size);
    for (size_t i = 0; i < untreated.samples.size(); ++i)
        untreated.samples[i] = linearOf(kMidGrey + kRemovedGain * (encodedOf(untreated.samples[i]) - encodedOf(treated.samples[i])));
}

void showDoubt(RgbImage<float> &picture, const Plane<float> &detail, const Plane<float> &doubt)
{
    assert(picture.size == detail.size() && picture.size == doubt.size());
    for (int y = 0; y < picture.size.height; ++y)
        for (int x = 0; x < picture.size.width; ++x)
            std::fill_n(picture.row(y) + 3 * x, 3, linearOf(kMidGrey + kDoubtGain * doubt.at(x, y) * detail.at(x, y)));
}

void showSpared(RgbImage<float> &picture, const RgbImage<float> &reach)
{
    constexpr float kVeil = 0.66f, kThrough = 0.3f; // its brightness, encoded, and how much of the picture's shines through
    assert(picture.size == reach.size);
    for (size_t i = 0; i + 2 < picture.samples.size(); i += 3) {
        float *p = picture.samples.data() + i;
        const float veiled = linearOf(kVeil + kThrough * (encodedOf(luminanceOf(p)) - kMidGrey)), spared = 1 - reach.samples[i];
        for (int c = 0; c < 3; ++c)
            p[c] += spared * (veiled - p[c]);
    }
}

Status showProof(RgbImage<float> &picture, const SoftProof &proof, bool outside, PixelAt corner, const RunContext &run)
{
    constexpr int kPeriod = 8, kWide = 3; // of the stripes, in pixels along a row
    constexpr int kRows = 8;
    const int width = picture.size.width;
    return parallelFor((picture.size.height + kRows - 1) / kRows, {run.threads, run.stop, {}, run.background}, [&](int part) {
        std::vector<uint8_t> beyond(static_cast<size_t>(width));
        for (int y = part * kRows; y < std::min((part + 1) * kRows, picture.size.height); ++y) {
            float *row = picture.row(y);
            if (!outside) {
                proof.proofRow(row, width);
                continue;
            }
            proof.outsideRow(row, width, beyond.data());
            for (int x = 0; x < width; ++x)
                if (beyond[size_t(x)] && (corner.x + x + corner.y + y) % kPeriod < kWide)
                    std::fill_n(row + 3 * x, 3, luminanceOf(row + 3 * x) < 0.18f ? 1.f : 0.f); // by tone: seen on every colour
        }
    });
}

} // namespace irenic
