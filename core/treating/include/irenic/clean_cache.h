// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/clean.h"

#include <list>
#include <map>
#include <mutex>

namespace irenic {

/// Cleaned samples that were computed before, in tiles, within a budget of memory; the least recently seen go first.
/// Shared by all panes and threads. Frames may die while it holds tiles of them.
class CleanCache
{
public:
    explicit CleanCache(size_t budgetBytes = size_t(1) << 30) : m_budget(budgetBytes) {}

    /// The same bits as cleaner.clean(region), computing only what is missing. Identity treatments are not stored.
    Result<Plane<float>> clean(const Cleaner &cleaner, Rect region, const RunContext &run);

    Result<Plane<float>> cleanColours(const Cleaner &cleaner, Rect region, const RunContext &run); ///< likewise

    double shareHeld(const Cleaner &cleaner, Rect region); ///< of the tiles that it lies in; 1 where nothing is missing
    size_t bytesHeld() const;
    static constexpr int kTilePx = 64;

private:
    struct Key {
        const Frame *frame; ///< compared, never read
        ChainIdentity identity;
        int x, y;                                      ///< tile place
        auto operator<=>(const Key &) const = default; // NOLINT(modernize-use-nullptr): clang-tidy 14 takes the compiler's own zero for a pointer
    };
    struct Entry {
        std::shared_ptr<const Plane<float>> tile;
        std::weak_ptr<const Frame> frame; ///< the one that the tile is of: another may come to lie where it lay
        std::list<Key>::iterator seen;
    };
    /// What tiles hold: samples, or full colour where the cleaner gives it.
    Result<Plane<float>> held(const Cleaner &cleaner, Rect region, const RunContext &run);
    std::shared_ptr<const Plane<float>> find(const Key &key, const std::shared_ptr<const Frame> &frame);
    void store(const Key &key, const std::shared_ptr<const Frame> &frame, Plane<float> tile);
    void erase(std::map<Key, Entry>::iterator it);

    mutable std::mutex m_mutex;
    std::map<Key, Entry> m_tiles;
    std::list<Key> m_order; ///< most recently seen first
    size_t m_budget;
    size_t m_held = 0;
};

/// Through a cache where there is one.
Result<Plane<float>> cleaned(const Cleaner &cleaner, Rect region, CleanCache *cache, const RunContext &run);
Result<Plane<float>> cleanedColours(const Cleaner &cleaner, Rect region, CleanCache *cache, const RunContext &run);

} // namespace irenic
