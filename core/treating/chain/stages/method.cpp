// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "methods/denoise_method.h"

#include <map>
#include <numeric>
#include <set>

namespace irenic::stages {

namespace {

/// The method, with the strengths of every place.
class Method final : public Stage
{
public:
    explicit Method(const ChainFacts &facts) : m_facts(facts)
    {
        for (const Variant &v : facts.variants.list()) {
            const Treatment one{facts.treatment.method, v.luminance, v.colour, facts.treatment.colourMethod};
            m_methods.push_back(v.luminance == 0 && v.colour == 0 && !facts.givesColours ? nullptr : makeMethod(carriedOut(one, facts.frame->kind)));
        }
    }

    Traits traits() const override
    {
        Traits t{"method", Space::Stabilised, Space::Stabilised, 0, 0, 0};
        for (const auto &m : m_methods)
            if (m) {
                t.haloPx = std::max(t.haloPx, m->haloPx());
                t.bestTilePx = std::max(t.bestTilePx, m->bestTilePx());
            }
        t.secondsPerMegapixel = timesFor(m_facts.treatment.method) * secondsPerMegapixel(m_facts.treatment.method, m_facts.frame->kind);
        if (m_facts.treatment.isMixed())
            t.secondsPerMegapixel += timesFor(m_facts.treatment.colourMethod) * secondsPerMegapixel(m_facts.treatment.colourMethod, m_facts.frame->kind);
        return t;
    }

    std::string settings() const override
    {
        const Treatment &t = m_facts.treatment;
        std::string text = t.method + " ";
        text += (t.isMixed() ? t.colourMethod : t.method) + " ";
        return text += m_facts.variants.text();
    }

    void run(Tile &tile, Rect out, Scratch &scratch) const override
    {
        const size_t n = m_facts.givesColours ? 3 : m_facts.planes();
        tile.now = LentPlanes(scratch, n, out);
        clean(tile, out, scratch);
        if (m_facts.givesColours)
            tile.lacking = tile.now.takenFrom(1);
    }

private:
    void clean(Tile &tile, Rect out, Scratch &scratch) const
    {
        const size_t n = m_facts.givesColours ? 3 : m_facts.planes();
        const auto cleanAt = [&](size_t variant, const TilePlanes &to) {
            const DenoiseMethod *method = m_methods[variant].get();
            const TileInput in = tile.noisyOver(out.grownBy(method ? method->haloPx() : 0));
            if (method)
                return method->denoiseTile(in, out, to, scratch);
            for (size_t c = 0; c < m_facts.planes(); ++c)
                copyRows(in.planes[c], to[c]);
        };
        const Variants &variants = m_facts.variants;
        if (variants.isOne())
            return cleanAt(0, tile.now.views);
        std::vector<Plane<float>> weights;
        Plane<float> ev;
        if (m_facts.treatment.taste.weighsTones()) {
            ev.reset(out.size());
            RegionSet::brightness(*m_facts.frame, {out.x, out.y}, 1, ev.view());
        }
        variants.weigh(tile.masks(out), ev.constView(), out.size(), weights);
        for (size_t c = 0; c < n; ++c)
            for (int y = 0; y < out.height; ++y)
                std::fill_n(tile.now.views[c].row(y), out.width, 0.f);
        const Scratch::SameTile same(scratch);
        const LentPlanes one(scratch, n, out);
        for (size_t v = 0; v < weights.size(); ++v) {
            if (!anyAbove0(weights[v].constView()) || scratch.stop.stop_requested())
                continue;
            cleanAt(v, one.views);
            for (size_t c = 0; c < n; ++c)
                for (int y = 0; y < out.height; ++y) {
                    float *o = tile.now.views[c].row(y);
                    const float *p = one.views[c].row(y), *w = weights[v].row(y);
                    for (int x = 0; x < out.width; ++x)
                        o[x] += w[x] * p[x];
                }
        }
    }

    /// How often a method computes the frame: once for every answer, where some place of a tile asks for it.
    double timesFor(const std::string &method) const
    {
        const MethodInfo &info = *findMethod(method);
        const bool once = info.answersOnce && (m_facts.isMosaic() || !info.fullColour);
        std::map<std::pair<double, double>, double> answers; // and the share of the frame that asks for each
        for (size_t setting = 0; setting < m_facts.variants.settings().size(); ++setting) {
            std::set<std::pair<double, double>> asked;
            for (const size_t v : m_facts.variants.ofSettings()[setting])
                if (const Variant &strengths = m_facts.variants.list()[v]; m_methods[v])
                    asked.insert(once ? std::pair(std::max(1.0, strengths.luminance), std::max(1.0, strengths.colour)) : std::pair(strengths.luminance, strengths.colour));
            for (const auto &answer : asked)
                answers[answer] = std::min(1.0, answers[answer] + shareOf(setting));
        }
        return std::accumulate(answers.begin(), answers.end(), 0.0, [](double sum, const auto &answer) { return sum + answer.second; });
    }

    /// Of the frame, in whole tiles.
    double shareOf(size_t setting) const
    {
        constexpr int kHalfTilePx = 300;
        if (setting == 0)
            return 1;
        const Rect &crop = m_facts.frame->crop, reach = m_facts.regions->reach(setting - 1);
        return reach.isEmpty() ? 0 : double(reach.grownBy(kHalfTilePx).intersected(crop).size().area()) / double(crop.size().area());
    }

    const ChainFacts &m_facts;
    std::vector<std::unique_ptr<DenoiseMethod>> m_methods; ///< one for every variant; null where it leaves the samples alone
};

} // namespace

std::unique_ptr<Stage> cleanByMethod(const ChainFacts &facts)
{
    return facts.takesNoise ? std::make_unique<Method>(facts) : nullptr;
}

} // namespace irenic::stages
