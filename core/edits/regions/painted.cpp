// SPDX-License-Identifier: GPL-3.0-or-later
#include "regions/painted.h"

#include <cmath>

namespace irenic {

namespace {

/// One line of a stroke, where it gives a place more than the lines before. A place gets all within the hard part of the brush, then less;
/// the rim of a hard brush is one pixel wide. Eight places at a time where the machine can; without fused arithmetic, so that bits stay.
#ifndef __SANITIZE_THREAD__ // whose run time is not there yet when the loader chooses
__attribute__((target_clones("avx2", "default")))
#endif
void
addLine(const Stroke &s, const StrokePoint &p, const StrokePoint &q, PixelAt corner, int step, PlaneView<float> most)
{
    const float reach = s.radiusPx + 1;
    const auto cell = [&](float v, int from) { return (v - float(from)) / float(step) - 0.5f; };
    const int x0 = std::max(0, int(std::ceil(cell(std::min(p.x, q.x) - reach, corner.x)))), x1 = std::min(most.width - 1, int(std::floor(cell(std::max(p.x, q.x) + reach, corner.x))));
    const int y0 = std::max(0, int(std::ceil(cell(std::min(p.y, q.y) - reach, corner.y)))), y1 = std::min(most.height - 1, int(std::floor(cell(std::max(p.y, q.y) + reach, corner.y))));
    const float dx = q.x - p.x, dy = q.y - p.y, length = dx * dx + dy * dy, perLength = length > 0 ? 1 / length : 0;
    const bool hard = s.hardness >= 1;
    const float rim = s.radiusPx + (hard ? 0.5f : 0.f), perSoft = 1 / std::max(s.radiusPx * (1 - s.hardness), 1.f), pressure = p.pressure, more = q.pressure - p.pressure;
    for (int y = y0; y <= y1; ++y) {
        float *m = most.row(y);
        const float py = float(corner.y) + (float(y) + 0.5f) * float(step) - p.y;
        for (int x = x0; x <= x1; ++x) { // without branches, so that it is done eight at a time
            const float px = float(corner.x) + (float(x) + 0.5f) * float(step) - p.x;
            const float t = std::min(std::max((px * dx + py * dy) * perLength, 0.f), 1.f), ex = px - t * dx, ey = py - t * dy;
            const float w = std::min(std::max((rim - std::sqrt(ex * ex + ey * ey)) * perSoft, 0.f), 1.f);
            const float laid = (hard ? w : w * w * (3 - 2 * w)) * (pressure + t * more);
            m[x] = std::max(m[x], laid);
        }
    }
}

} // namespace

void paint(std::span<const Stroke> strokes, PixelAt corner, int step, PlaneView<float> weights)
{
    Plane<float> most;
    for (const Stroke &s : strokes) {
        if (s.points.empty())
            continue;
        float left = s.points[0].x, right = left, top = s.points[0].y, bottom = top;
        for (const StrokePoint &p : s.points) {
            left = std::min(left, p.x), right = std::max(right, p.x);
            top = std::min(top, p.y), bottom = std::max(bottom, p.y);
        }
        const float reach = s.radiusPx + 1;
        const int x0 = int(std::floor((left - reach - float(corner.x)) / float(step))) - 1, x1 = int(std::ceil((right + reach - float(corner.x)) / float(step))) + 1;
        const int y0 = int(std::floor((top - reach - float(corner.y)) / float(step))) - 1, y1 = int(std::ceil((bottom + reach - float(corner.y)) / float(step))) + 1;
        const Rect box = Rect{x0, y0, x1 - x0, y1 - y0}.intersected({0, 0, weights.width, weights.height});
        if (box.isEmpty())
            continue;
        most.reset(box.size());
        most.fill(0);
        const PixelAt at{corner.x + box.x * step, corner.y + box.y * step};
        for (size_t i = 0; i < std::max<size_t>(1, s.points.size() - 1); ++i)
            addLine(s, s.points[i], s.points[std::min(i + 1, s.points.size() - 1)], at, step, most.view());
        for (int y = 0; y < box.height; ++y) {
            float *w = weights.row(box.y + y) + box.x;
            const float *m = most.row(y);
            for (int x = 0; x < box.width; ++x) {
                const float laid = m[x] * s.flow;
                w[x] = s.erases ? w[x] * (1 - laid) : w[x] + (1 - w[x]) * laid;
            }
        }
    }
}

void PaintCache::paint(const std::vector<Stroke> &strokes, PixelAt corner, int step, PlaneView<float> out)
{
    constexpr int64_t kWorthIt = 256 * 256, kTooLarge = 2048 * 2048; // less is a tile, of which there are many; more would fill the memory
    constexpr size_t kMost = 6;                                      // views, and a few steps of undo
    const int64_t area = int64_t(out.width) * out.height;
    const bool keeps = area >= kWorthIt && area <= kTooLarge && strokes.size() > 1;
    size_t done = 0;
    for (int y = 0; y < out.height; ++y)
        std::fill_n(out.row(y), out.width, 0.f);
    if (keeps) {
        const std::lock_guard lock(m_mutex);
        const Entry *best = nullptr;
        for (const Entry &e : m_entries)
            if (e.corner == corner && e.step == step && e.weights.size() == Size{out.width, out.height} && e.strokes.size() <= strokes.size() && e.strokes.size() > done
                && std::equal(e.strokes.begin(), e.strokes.end(), strokes.begin())) {
                best = &e;
                done = e.strokes.size();
            }
        if (best)
            for (int y = 0; y < out.height; ++y)
                std::copy_n(best->weights.row(y), out.width, out.row(y));
    }
    irenic::paint(std::span(strokes).subspan(done), corner, step, out);
    if (!keeps || done == strokes.size())
        return;
    Entry e{strokes, corner, step, Plane<float>({out.width, out.height})};
    for (int y = 0; y < out.height; ++y)
        std::copy_n(out.row(y), out.width, e.weights.row(y));
    const std::lock_guard lock(m_mutex);
    m_entries.push_back(std::move(e));
    if (m_entries.size() > kMost)
        m_entries.pop_front();
}

} // namespace irenic
