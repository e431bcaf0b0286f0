// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/develop.h"

#include <memory>

namespace irenic {

/// How bright the neighbourhood of every place of a frame is, up to the next edge: a guided filter over a coarse map of the untreated
/// frame (He and Sun, "Fast guided filter", arXiv 1505.00996, 2015). It belongs to the frame, not to a region or a treatment, so that every
/// tile, magnification and trial sees the same. Brightness is log2 of linear luminance, 0 at white, as shot.
class Surroundings
{
public:
    /// @param map coarse untreated picture of the crop, linear, without push
    Surroundings(const RgbImage<float> &map, int blockPx, Rect crop);

    static constexpr float kDarkest = -12;
    static float brightnessOf(float luminance); ///< not below kDarkest

    /// The two numbers of the filter at a place, interpolated: the surroundings of brightness L are slope * L + offset.
    struct At {
        float slope, offset;
    };
    /// Of a row of places from (x, y), in stored pixels, `step` apart.
    void row(float x, float y, float step, int count, At *out) const;

    static int blockFor(Rect crop); ///< even; the longer side has about kBlocksAlong

private:
    static constexpr int kBlocksAlong = 240;
    Size m_size;
    float m_blockPx;
    Rect m_crop;
    std::vector<At> m_at;
};

} // namespace irenic
