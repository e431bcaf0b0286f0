// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <array>
#include <cstdint>
#include <vector>

/// Grouping and collaborative filtering of windows of 8 x 8 samples at a spacing of two pixels. Vector code with the plain
/// version in namespace reference.
namespace irenic::bm3d {

inline constexpr int kSide = 8;
inline constexpr int kSpanPx = 2 * (kSide - 1); ///< from the first sample of a window to its last
inline constexpr int kSearchCells = 8;          ///< windows of the same phase are looked for from -2 x this to 2 x (this - 1) pixels away, both ways
inline constexpr int kSearchPx = 2 * kSearchCells;
inline constexpr int kMaxGroup = 16;
/// How far a sample's result looks: the farthest member of a group that holds it, and what that group looked at.
inline constexpr int kReachPx = 2 * kSearchPx + kSpanPx;

/// One band of a packet, cut into its four phases so that the samples of a window lie side by side.
class Phases
{
public:
    void reset(Size size); ///< takes a size in pixels; contents undefined
    void clear();
    void fillFrom(PlaneView<const float> band, Size size);
    float *at(int x, int y) { return m_planes[size_t((x & 1) + 2 * (y & 1))].row(y >> 1) + (x >> 1); }
    const float *at(int x, int y) const { return m_planes[size_t((x & 1) + 2 * (y & 1))].row(y >> 1) + (x >> 1); }
    PlaneView<float> plane(int phase) { return m_planes[size_t(phase)].view(); }
    ptrdiff_t stride() const { return m_planes[0].stride(); }
    Size size() const { return m_size; }

private:
    std::array<Plane<float>, 4> m_planes;
    Size m_size;
};

/// Windows that look alike; the first is the one that was asked for. Their number is a power of two.
struct Group {
    int count = 0;
    std::array<std::array<int16_t, 2>, kMaxGroup> at; ///< x, y of the first samples
};

/// The windows of the same phase nearest to the one at (x, y) by mean square difference, those farther than `limit` left out.
Group findGroup(const Phases &picture, int x, int y, float limit);

/// Squared thresholds of a window's coefficients. They lie by column, then by row: groups are transposed once, not twice.
using Limits = std::array<float, size_t(kSide) * kSide>;

/// `threshold` in noise sigma; `noise` multiplies it for every coefficient, by row, then column: 1 where noise is white.
Limits limitsOf(float threshold, const std::array<float, 64> &noise);

/// Transforms a group (DCT in each window, Walsh-Hadamard across them), shrinks, transforms back, adds what comes out, times a
/// weight, to `sum`, and the weight to `weight` at the first sample of each window. With `pilot` null, coefficients under the
/// limits go; otherwise the empirical Wiener filter with the pilot's coefficients is used, the limits being its noise.
void filterGroup(const Group &group, const Phases &noisy, const Phases *pilot, const Limits &limits, Phases &sum, Phases &weight);

/// From weights at the first samples of windows to weights of all their samples, in place.
void spread(Phases &weight);

namespace reference {
Group findGroup(const Phases &picture, int x, int y, float limit);
void filterGroup(const Group &group, const Phases &noisy, const Phases *pilot, const Limits &limits, Phases &sum, Phases &weight);
void spread(Phases &weight);
} // namespace reference

} // namespace irenic::bm3d
