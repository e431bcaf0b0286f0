// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/chain.h"

#include <chrono>
#include <cstring>
#include <map>

namespace irenic {

namespace {

constexpr StageMaker kStages[] = {
    stages::linearise,
    stages::takeOffBanding,
    stages::mendPixels,
    stages::stabilise,
    stages::cleanByMethod,
    stages::giveBackDetail,
    stages::evenBlotches,
    stages::giveBackPointLights,
    stages::returnToLinear,
    stages::lowerBlack,
    stages::leaveGrain,
    stages::mixUntreated,
    stages::sharpen,
    stages::giveColours,
    stages::correctLens,
};

constexpr int kPlainTilePx = 640; ///< where no stage minds

/// One text for all chains that have it, as long as one of them is alive.
ChainIdentity interned(std::string text)
{
    static std::mutex mutex;
    static std::map<std::string, std::weak_ptr<const std::string>> all;
    const std::lock_guard lock(mutex);
    auto &known = all[text];
    ChainIdentity identity = known.lock();
    if (!identity) {
        std::erase_if(all, [&](const auto &entry) { return entry.second.expired() && &entry.second != &known; });
        identity = std::make_shared<const std::string>(std::move(text));
        known = identity;
    }
    return identity;
}

} // namespace

Chain::Chain(std::shared_ptr<const ChainFacts> facts) : m_facts(std::move(facts))
{
    for (const StageMaker make : kStages)
        if (auto stage = make(*m_facts))
            m_stages.push_back(std::move(stage));
    if (m_stages.size() == 1 && !m_facts->takesNoise && m_facts->disturbance == Disturbance{}) // nothing but the samples themselves
        m_stages.clear();
    std::string text = m_facts->regions && !m_stages.empty() ? "regions " + std::to_string(m_facts->regions->number()) + "\n" : std::string();
    int best = 0;
    for (const auto &stage : m_stages) {
        const Stage::Traits t = stage->traits();
        assert(m_traits.empty() ? t.from == Space::Linear : t.from == m_traits.back().to);
        text += std::string(t.name) + " " + stage->settings() + "\n";
        m_haloPx += t.haloPx;
        best = std::max(best, t.bestTilePx);
        m_traits.push_back(t);
    }
    m_identity = interned(std::move(text));
    // Where further stages widen the halos, wider tiles waste less on them.
    int further = 0;
    for (const Stage::Traits &t : m_traits)
        further += t.bestTilePx > 0 ? 0 : t.haloPx;
    m_bestTilePx = (best > 0 ? best : kPlainTilePx) + 2 * further;
}

bool Chain::has(const char *name) const
{
    return std::any_of(m_traits.begin(), m_traits.end(), [&](const Stage::Traits &t) { return std::strcmp(t.name, name) == 0; });
}

double Chain::secondsPerMegapixel() const
{
    double seconds = 0;
    int halo = 0; // of the stages behind
    for (size_t i = m_traits.size(); i-- > 0;) {
        // What a stage looks at beyond its own part is in its own figure already.
        const double side = 1 + 2.0 * halo / m_bestTilePx;
        seconds += m_traits[i].secondsPerMegapixel * side * side;
        halo += m_traits[i].haloPx;
    }
    return seconds;
}

void Chain::run(Tile &tile, Rect where, Scratch &scratch, const char *last, std::vector<StageTime> *times) const
{
    size_t count = 0;
    while (count < m_stages.size() && !(last && count > 0 && std::strcmp(m_traits[count - 1].name, last) == 0))
        ++count;
    std::vector<Rect> answered(count);
    Rect needed = where;
    for (size_t i = count; i-- > 0;) {
        answered[i] = needed;
        needed = needed.grownBy(m_traits[i].haloPx);
    }
    if (times)
        times->resize(m_stages.size());
    for (size_t i = 0; i < count && !scratch.stop.stop_requested(); ++i) {
        const auto start = std::chrono::steady_clock::now();
        m_stages[i]->run(tile, answered[i], scratch);
        if (times) {
            StageTime &t = (*times)[i];
            t.name = m_traits[i].name;
            t.seconds += std::chrono::duration<double>(std::chrono::steady_clock::now() - start).count();
            t.megapixels += double(answered[i].size().area()) * 1e-6;
        }
    }
}

} // namespace irenic
