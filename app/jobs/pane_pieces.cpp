// SPDX-License-Identifier: GPL-3.0-or-later
#include "jobs/pane_pieces.h"

#include <algorithm>

namespace irenic {

namespace {

constexpr int kGridPx = 64; // of what is kept of cleaned samples

} // namespace

PanePieces::PanePieces(Rect region, Rect bounds, int sidePx, PixelAt from) : m_region(region), m_side(sidePx)
{
    const Rect wide = region.grownBy(kReachPx).intersected(bounds);
    const int x0 = wide.x / kGridPx * kGridPx, y0 = wide.y / kGridPx * kGridPx;
    const int x1 = (wide.right() + kGridPx - 1) / kGridPx * kGridPx, y1 = (wide.bottom() + kGridPx - 1) / kGridPx * kGridPx;
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
    const auto reach = [&](int dx, int dy) { return isThere(p.first + dx, p.second + dy) ? 2 * kReachPx : -kReachPx; }; // over what its neighbour left out, and some more
    const int left = reach(-1, 0), right = reach(1, 0);
    int top = reach(0, -1), bottom = reach(0, 1);
    // Growing both ways takes the corner, too.
    const auto cornerThere = [&](int dx, int dy) { return isThere(p.first + dx, p.second + dy); };
    if ((left > 0 && !cornerThere(-1, -1)) || (right > 0 && !cornerThere(1, -1)))
        top = std::min(top, -kReachPx);
    if ((left > 0 && !cornerThere(-1, 1)) || (right > 0 && !cornerThere(1, 1)))
        bottom = std::min(bottom, -kReachPx);
    const Rect r = rectOf(p);
    const Rect grown{r.x - left, r.y - top, r.width + left + right, r.height + top + bottom};
    return grown.width > 0 && grown.height > 0 ? grown.intersected(m_region) : Rect{};
}

} // namespace irenic
