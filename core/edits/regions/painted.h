// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/regions.h"

#include <deque>
#include <mutex>
#include <span>

namespace irenic {

/// Lays strokes one after the other on weights that may be there already. A place gets the most of what the stroke's points and the
/// lines between them give it, so that a slow hand lays on no more than a quick one.
void paint(std::span<const Stroke> strokes, PixelAt corner, int step, PlaneView<float> weights);

/// What was painted last, so that a further stroke is laid on those before it and costs the same however many they are. Shared by threads.
class PaintCache
{
public:
    /// The same bits as paint() on weights of 0.
    void paint(const std::vector<Stroke> &strokes, PixelAt corner, int step, PlaneView<float> out);

private:
    struct Entry {
        std::vector<Stroke> strokes;
        PixelAt corner;
        int step;
        Plane<float> weights;
    };
    std::mutex m_mutex;
    std::deque<Entry> m_entries; ///< the latest last
};

} // namespace irenic
