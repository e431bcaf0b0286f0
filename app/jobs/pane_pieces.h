// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/image.h"

#include <set>
#include <utility>
#include <vector>

namespace irenic {

/// A region in square pieces, in the order in which they are wanted: from a place outward. Keeps which are done, and says what can be shown by
/// then. Pieces lie on a grid that is the frame's, whatever the region. Stored coordinates.
class PanePieces
{
public:
    /// Around a piece that is looked at when it is developed.
    static constexpr int kReachPx = 32;

    /// @param bounds that pieces must not leave, and that holds the region
    /// @param sidePx of a piece; a multiple of CleanCache::kTilePx
    PanePieces(Rect region, Rect bounds, int sidePx, PixelAt from);

    bool isDone() const { return m_done.size() == m_order.size(); }
    double share() const { return m_order.empty() ? 1 : double(m_done.size()) / double(m_order.size()); } ///< done
    Rect next() const;                                                                                    ///< what is to be computed next; empty where all is done
    /// next() is computed. Answers what can be developed of the region thereby: the piece without a border where a neighbour is missing, and with as
    /// much of the neighbour where it is there.
    Rect finish();

    double seconds = 0; ///< that they took so far

private:
    using Place = std::pair<int, int>;
    Rect rectOf(Place p) const { return Rect{p.first * m_side, p.second * m_side, m_side, m_side}.intersected(m_all); }
    bool isThere(int x, int y) const; ///< or needs not be
    Rect m_region, m_all;
    int m_side;
    std::vector<Place> m_order;
    std::set<Place> m_done;
};

} // namespace irenic
