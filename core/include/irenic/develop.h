// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"

#include <vector>

namespace irenic {

/// Three samples a pixel, interleaved, rows without padding.
template <class T>
struct RgbImage {
    Size size;
    std::vector<T> samples; ///< 3 x width x height
    T *row(int y) { return samples.data() + size_t(y) * size_t(size.width) * 3; }
    const T *row(int y) const { return samples.data() + size_t(y) * size_t(size.width) * 3; }
    static RgbImage ofSize(Size s) { return {s, std::vector<T>(size_t(s.area()) * 3)}; }
};

/// Which side of a picture is looked at.
enum class Show : uint8_t {
    Picture,
    Removed,   ///< untreated minus treated, amplified kRemovedGain times, around mid grey
    Luminance, ///< without its colours
    Colour,    ///< its colours alone, doubled, around mid grey
    Clipping   ///< in pale greys, with blown lights white and what lies at or below black black; without push
};
inline constexpr float kRemovedGain = 4;
inline constexpr float kMidGrey = 119.f / 255; ///< L* 50 in sRGB, where nothing was removed

/// What only the eye gets to see; never in an exported raw.
struct Look {
    double pushEv = 0; ///< exposure lift, EV
    Show show = Show::Picture; ///< for developView() alone
    bool operator==(const Look &) const = default;
};

/// Turns a frame's linear samples into a picture: white balance, demosaic where there is a mosaic (see demosaic()), colour, tone.
/// The same for untreated and treated samples, for screen and file. Immutable and shared between threads.
///
/// Colours are found as DNG 1.4, chapter 6 says. Channels are clipped at the level where the first of them clips,
/// after balance, so that blown lights are white and not magenta. Pushed lights roll off on a shoulder that
/// meets the straight line smoothly and reaches white where the sensor does.
class Developer
{
public:
    explicit Developer(const Frame &frame);
    explicit Developer(const ColourDescription &colour); ///< for mosaics of that camera

    /// Pixels needed around a developed region of a mosaic; none around full colour.
    static constexpr int kHaloPx = 12;
    int haloPx() const { return m_mosaic ? kHaloPx : 0; }

    /// Linear sRGB (0..1, clipped only above) of a region.
    /// @param samples linear samples of region.grownBy(haloPx()), Frame::channels() a pixel
    /// @param cfa     of a mosaic: pattern at the corner of `region`
    RgbImage<float> develop(PlaneView<const float> samples, CfaPattern cfa, const Look &look) const;

    /// The region at a whole reduction: each output pixel is the mean of a block of `factor` x `factor` samples (even,
    /// >= 2) colour by colour, so no demosaic is needed. Blocks start at the corner; ragged ends are dropped.
    RgbImage<float> developReduced(PlaneView<const float> samples, CfaPattern cfa, int factor, const Look &look) const;

private:
    RgbImage<float> finished(PlaneView<const float> samples, const Look &look) const;
    void finishRow(float *rgb, int count, const Look &look) const;
    bool m_mosaic;
    std::array<float, 3> m_balance;
    std::array<float, 9> m_matrix;
    float m_gain;
};

/// sRGB encoding (IEC 61966-2-1) of linear 0..1; `high` is 255 or 65535.
RgbImage<uint8_t> encoded8(const RgbImage<float> &linear);
RgbImage<uint16_t> encoded16(const RgbImage<float> &linear);

/// Turns a picture as an Exif orientation asks.
template <class T>
RgbImage<T> turned(const RgbImage<T> &in, int orientation);

/// The part of a stored picture that shows as `upright` once the picture of `stored` size is turned.
Rect storedRectOf(Rect upright, Size stored, int orientation);

} // namespace irenic
