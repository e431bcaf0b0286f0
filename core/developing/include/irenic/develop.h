// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/rendering.h"

#include <vector>

namespace irenic {

class ScreenTransform;
class SoftProof;
class Surroundings;

/// Three samples a pixel, interleaved, rows without padding.
template <class T>
struct RgbImage {
    Size size;
    std::vector<T, Unfilled<T>> samples; ///< 3 x width x height
    T *row(int y) { return samples.data() + size_t(y) * size_t(size.width) * 3; }
    const T *row(int y) const { return samples.data() + size_t(y) * size_t(size.width) * 3; }
    static RgbImage ofSize(Size s) { return {s, std::vector<T, Unfilled<T>>(size_t(s.area()) * 3)}; } ///< contents are undefined until written
};

/// Which side of a picture is looked at.
enum class Show : uint8_t {
    Picture,
    Removed,   ///< untreated minus treated, amplified kRemovedGain times, around mid grey
    Luminance, ///< without its colours
    Colour,    ///< its colours alone, doubled, around mid grey
    Spared,    ///< what sharpening passes over, under a pale veil; the picture itself where nothing is sharpened
    Clipping,  ///< in pale greys, with blown lights white and what lies at or below black black; without push
    Proof,     ///< as the look's output profile makes it
    Outside,   ///< the picture, with stripes over what that output cannot show
    Doubt      ///< detail that depends on the noise, amplified kDoubtGain times, around mid grey; at full size, else and where there is no telling the picture itself
};
inline constexpr float kRemovedGain = 4, kDoubtGain = 6;
inline constexpr float kMidGrey = 119.f / 255; ///< L* 50 in sRGB, where nothing was removed

/// Primaries of the picture that is developed; white is D65 in both.
enum class Primaries : uint8_t {
    Srgb, ///< IEC 61966-2-1
    Wide  ///< ITU-R BT.2020
};

/// What only the eye gets to see; never in an exported raw.
struct Look {
    double pushEv = 0;         ///< exposure lift, EV
    Show show = Show::Picture; ///< for developView() alone
    Rendering rendering{};     ///< this is in a TIFF and in a proof, too
    Primaries primaries = Primaries::Srgb;
    std::shared_ptr<const SoftProof> proof{}; ///< of an output, for Show::Proof and Show::Outside; null: sRGB
    bool operator==(const Look &) const = default;
};

/// Turns a frame's linear samples into a picture: white balance, demosaic where there is a mosaic (see demosaic()), colour, tone.
/// The same for untreated and treated samples, for screen and file, for one look. Immutable and shared between threads.
///
/// Colours are found as DNG 1.4, chapter 6 says. Channels are clipped at the level where the first of them clips,
/// after balance, so that blown lights are white and not magenta. Pushed lights roll off on a shoulder that
/// meets the straight line smoothly and reaches white where the sensor does.
class Developer
{
public:
    /// @param surroundings of the frame; may be null where the look's rendering does not need them
    /// @param fringes share of the coloured fringes at edges that is taken off (see withoutFringes()); not in developReduced()
    /// @param evenLight false where the light was evened out in the samples: what the file describes of it (Frame::shading) is not applied
    explicit Developer(const Frame &frame, const Look &look = {}, std::shared_ptr<const Surroundings> surroundings = nullptr, double fringes = 0, bool evenLight = true);
    explicit Developer(const ColourDescription &colour, double pushEv = 0); ///< for mosaics of that camera, as shot

    /// Pixels needed around a developed region for demosaicing; none around full colour.
    static constexpr int kHaloPx = 12;
    int haloPx() const;          ///< with what fringes need
    Developer ofColours() const; ///< for a mosaic's full colour in place of its samples: develop() and cameraColours() take three a pixel

    /// Linear colours (0..1, clipped only above) of a region.
    /// @param samples linear samples of region.grownBy(haloPx()), Frame::channels() a pixel
    /// @param cfa     of a mosaic: pattern at the corner of `region`
    /// @param corner  of the region, in stored pixels
    RgbImage<float> develop(PlaneView<const float> samples, CfaPattern cfa, PixelAt corner = {}) const;

    /// The first half of it: demosaiced, in the camera's own linear colours, without the halo.
    RgbImage<float> cameraColours(PlaneView<const float> samples, CfaPattern cfa, PixelAt corner = {}) const;

    /// The region at a whole reduction: each output pixel is the mean of a block of `factor` x `factor` samples (even,
    /// >= 2) colour by colour, so no demosaic is needed. Blocks start at the corner; ragged ends are dropped.
    RgbImage<float> developReduced(PlaneView<const float> samples, CfaPattern cfa, int factor, PixelAt corner = {}) const;

private:
    RgbImage<float> fullColour(PlaneView<const float> samples, CfaPattern cfa) const;
    void evenOut(Plane<float> &samples, CfaPattern cfa, PixelAt corner) const;
    void useMatrix(const Matrix3 &toSrgb);
    /// @param at   first pixel's place, `step` between pixels; stored pixels
    void finishRow(float *rgb, int count, float x, float y, float step) const;
    bool m_mosaic;
    std::array<float, 3> m_balance;
    std::array<float, 9> m_matrix;
    std::array<float, 3> m_luminance; ///< weights of the primaries
    float m_gain, m_exposureGain = 1, m_fringes = 0;
    Look m_look;
    std::shared_ptr<const Surroundings> m_surroundings;
    std::shared_ptr<const Shading> m_shading; ///< null where there is nothing to even out
    std::vector<float> m_contrast;            ///< curve over the square root of linear; empty where it is straight
};

/// sRGB encoding (IEC 61966-2-1) of linear 0..1; `high` is 255 or 65535.
float srgbEncoded(float linear);
RgbImage<uint8_t> encoded8(const RgbImage<float> &linear);
RgbImage<uint16_t> encoded16(const RgbImage<float> &linear);
/// In the numbers of a screen, dithered; fails only with Cancelled.
Result<RgbImage<uint8_t>> encodedFor(const ScreenTransform &screen, const RgbImage<float> &linear, const RunContext &run);

/// Turns a picture as an Exif orientation asks.
template <class T>
RgbImage<T> turned(RgbImage<T> in, int orientation);
/// The same of a large one; fails only with Cancelled.
template <class T>
Result<RgbImage<T>> turned(RgbImage<T> in, int orientation, const RunContext &run);

} // namespace irenic
