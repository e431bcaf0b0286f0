// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/clean_cache.h"

namespace irenic {

namespace {

/// Rectangles count pixels of `channels` samples.
void copyInto(const Plane<float> &from, Rect fromRect, Plane<float> &to, Rect toRect, int channels)
{
    const Rect both = fromRect.intersected(toRect);
    for (int y = both.y; y < both.bottom(); ++y)
        std::copy_n(from.row(y - fromRect.y) + (both.x - fromRect.x) * channels, both.width * channels, to.row(y - toRect.y) + (both.x - toRect.x) * channels);
}

Rect tileRect(int tx, int ty, const Rect &active)
{
    constexpr int t = CleanCache::kTilePx;
    return Rect{tx * t, ty * t, t, t}.intersected(active);
}

} // namespace

size_t CleanCache::bytesHeld() const
{
    const std::lock_guard lock(m_mutex);
    return m_held;
}

void CleanCache::erase(std::map<Key, Entry>::iterator it)
{
    m_held -= size_t(it->second.tile->stride()) * size_t(it->second.tile->height()) * sizeof(float);
    m_order.erase(it->second.seen);
    m_tiles.erase(it);
}

std::shared_ptr<const Plane<float>> CleanCache::find(const Key &key, const std::shared_ptr<const Frame> &frame)
{
    const std::lock_guard lock(m_mutex);
    const auto it = m_tiles.find(key);
    if (it == m_tiles.end())
        return nullptr;
    if (it->second.frame.owner_before(frame) || frame.owner_before(it->second.frame)) {
        erase(it);
        return nullptr;
    }
    m_order.splice(m_order.begin(), m_order, it->second.seen);
    return it->second.tile;
}

void CleanCache::store(const Key &key, const std::shared_ptr<const Frame> &frame, Plane<float> tile)
{
    const std::lock_guard lock(m_mutex);
    if (m_tiles.contains(key))
        return;
    m_held += size_t(tile.stride()) * size_t(tile.height()) * sizeof(float);
    m_order.push_front(key);
    m_tiles.emplace(key, Entry{std::make_shared<const Plane<float>>(std::move(tile)), frame, m_order.begin()});
    while (m_held > m_budget && m_order.size() > 1)
        erase(m_tiles.find(m_order.back()));
}

double CleanCache::shareHeld(const Cleaner &cleaner, Rect region)
{
    int held = 0, all = 0;
    for (int ty = region.y / kTilePx; ty <= (region.bottom() - 1) / kTilePx; ++ty)
        for (int tx = region.x / kTilePx; tx <= (region.right() - 1) / kTilePx; ++tx)
            all += 1, held += find({&cleaner.frame(), cleaner.identity(), tx, ty}, cleaner.sharedFrame()) ? 1 : 0;
    return double(held) / std::max(1, all);
}

Result<Plane<float>> CleanCache::clean(const Cleaner &cleaner, Rect region, const RunContext &run)
{
    if (cleaner.isIdentity())
        return cleaner.clean(region, run);
    Result<Plane<float>> all = held(cleaner, region, run);
    return all && cleaner.givesColours() ? measuredOf(all.value(), cleaner.frame().cfa.shifted(region.x, region.y)) : std::move(all);
}

Result<Plane<float>> CleanCache::cleanColours(const Cleaner &cleaner, Rect region, const RunContext &run)
{
    assert(cleaner.givesColours());
    return held(cleaner, region, run);
}

Result<Plane<float>> CleanCache::held(const Cleaner &cleaner, Rect region, const RunContext &run)
{
    const Rect &active = cleaner.frame().active;
    const int x0 = region.x / kTilePx, y0 = region.y / kTilePx, x1 = (region.right() - 1) / kTilePx, y1 = (region.bottom() - 1) / kTilePx;
    const int n = cleaner.givesColours() ? 3 : cleaner.frame().channels();
    Plane<float> out({region.width * n, region.height});
    Rect missing; // one rectangle around all that is missing: a halo paid once costs less than one around every tile
    for (int ty = y0; ty <= y1; ++ty)
        for (int tx = x0; tx <= x1; ++tx) {
            const Rect rect = tileRect(tx, ty, active);
            if (const auto tile = find({&cleaner.frame(), cleaner.identity(), tx, ty}, cleaner.sharedFrame())) {
                copyInto(*tile, rect, out, region, n);
                continue;
            }
            const int right = std::max(missing.right(), rect.right()), bottom = std::max(missing.bottom(), rect.bottom());
            missing = missing.isEmpty() ? rect : Rect{std::min(missing.x, rect.x), std::min(missing.y, rect.y), 0, 0};
            if (missing.isEmpty())
                missing = {missing.x, missing.y, right - missing.x, bottom - missing.y};
        }
    if (missing.isEmpty())
        return out;
    const Result<Plane<float>> fresh = cleaner.givesColours() ? cleaner.cleanColours(missing, run) : cleaner.clean(missing, run);
    if (!fresh)
        return fresh.error();
    copyInto(fresh.value(), missing, out, region, n);
    for (int ty = missing.y / kTilePx; ty <= (missing.bottom() - 1) / kTilePx; ++ty)
        for (int tx = missing.x / kTilePx; tx <= (missing.right() - 1) / kTilePx; ++tx) {
            const Rect rect = tileRect(tx, ty, active);
            if (!missing.contains(rect))
                continue;
            Plane<float> tile({rect.width * n, rect.height});
            copyInto(fresh.value(), missing, tile, rect, n);
            store({&cleaner.frame(), cleaner.identity(), tx, ty}, cleaner.sharedFrame(), std::move(tile));
        }
    return out;
}

Result<Plane<float>> cleaned(const Cleaner &cleaner, Rect region, CleanCache *cache, const RunContext &run)
{
    return cache ? cache->clean(cleaner, region, run) : cleaner.clean(region, run);
}

Result<Plane<float>> cleanedColours(const Cleaner &cleaner, Rect region, CleanCache *cache, const RunContext &run)
{
    return cache ? cache->cleanColours(cleaner, region, run) : cleaner.cleanColours(region, run);
}

} // namespace irenic
