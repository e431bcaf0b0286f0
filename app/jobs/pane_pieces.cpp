// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/pane_pieces.h"

#include "irenic/clean_cache.h"

#include <algorithm>

namespace irenic {

PanePieces::PanePieces(Rect region, Rect bounds, int sidePx, PixelAt from) : m_region(region), m_side(sidePx)
{
    const Rect wide = region.grownBy(kReachPx).intersected(bounds);
    constexpr int kGrid = CleanCache::kTilePx; // of parts of these nothing would be kept
    const int x0 = wide.x / kGrid * kGrid, y0 = wide.y / kGrid * kGrid;
    const int x1 = (wide.right() + kGrid - 1) / kGrid * kGrid, y1 = (wide.bottom() + kGrid - 1) / kGrid * kGrid;
    m_all = Rect{x0, y0, x1 - x0, y1 - y0}.intersected(bounds);
    for (int y = m_all.y / m_side; y * m_side < m_all.bottom(); ++y)
        for (int x = m_all.x / m_side; x * m_side < m_all.right(); ++x)
            m_order.emplace_back(x, y);
    const auto distance = [&](Place p) {
        const Rect r = rectOf(p);
        const double dx = r.x + r.width / 2.0 - from.x, dy = r.y + r.height / 2.0 - from.y;
        return dx * dx + dy * dy;
    };
    std::stable_sort(m_order.begin(), m_order.end(), [&](Place a, Place b) { return distance(a) < distance(b); });
}

Rect PanePieces::next() const
{
    return isDone() ? Rect{} : rectOf(m_order[m_done.size()]);
}

bool PanePieces::isThere(int x, int y) const
{
    return m_done.contains({x, y}) || rectOf({x, y}).isEmpty();
}

Rect PanePieces::finish()
{
    const Place p = m_order[m_done.size()];
    m_done.insert(p);
    const auto there = [&](int dx, int dy) { return isThere(p.first + dx, p.second + dy); };
    const auto reach = [](bool neighbour) { return neighbour ? 2 * kReachPx : -kReachPx; }; // over what the neighbour left out, and some more
    const bool left = there(-1, 0), right = there(1, 0);
    // Growing up or down and sideways takes the corner, too.
    const auto rowThere = [&](int dy) { return there(0, dy) && (!left || there(-1, dy)) && (!right || there(1, dy)); };
    const int fromLeft = reach(left), fromTop = reach(rowThere(-1));
    const Rect r = rectOf(p);
    const Rect grown{r.x - fromLeft, r.y - fromTop, r.width + fromLeft + reach(right), r.height + fromTop + reach(rowThere(1))};
    return grown.width > 0 && grown.height > 0 ? grown.intersected(m_region) : Rect{};
}

} // namespace irenic
