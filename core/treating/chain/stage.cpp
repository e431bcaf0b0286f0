// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/stage.h"

#include "colour/colour.h"
#include "irenic/text.h"

namespace irenic {

namespace {

/// But near black, stabilised samples are twice the root of signal over its law's slope; so white of each colour is brought to green's by a root, too. However far
/// a file's white balance or a misread law goes, no further than a photograph's.
MosaicBalance balanceOf(const Frame &frame, const NoiseReport &noise)
{
    constexpr double kMostRatio = 4;
    MosaicBalance balance;
    const Vector3 toWhite = cameraToSrgb(frame.colour).balance;
    std::array<double, 4> roots{}; ///< of the law's slope over white
    for (int y = 0; y < 2; ++y)
        for (int x = 0; x < 2; ++x) {
            const Colour colour = frame.cfa.at(x, y);
            const size_t place = colour == Colour::Red ? 0 : colour == Colour::Blue              ? 3
                                                         : frame.cfa.at(x ^ 1, y) == Colour::Red ? 1
                                                                                                 : 2;
            const NoiseModel &law = noise.cells[size_t(x + 2 * y)];
            roots[place] = std::sqrt(std::max(double(law.shotGain), 1e-9) * toWhite[size_t(colour)]);
            balance.white[place] = Stabiliser(law).forward(1);
        }
    for (size_t place = 0; place < roots.size(); ++place)
        balance.ratio[place] = float(std::clamp(2 * roots[place] / (roots[1] + roots[2]), 1 / kMostRatio, kMostRatio));
    return balance;
}

} // namespace

ChainFacts::ChainFacts(std::shared_ptr<const Frame> f, std::shared_ptr<const NoiseReport> n, const Treatment &t, const FrameEdits &e, const Disturbance &moved)
    : frame(std::move(f)), noise(std::move(n)), treatment(t), edits(e), disturbance(moved), regions(t.regions && e.regions && !e.regions->regions().empty() ? e.regions.get() : nullptr),
      variants(t, regions), levels(*frame),
      stabilisers{Stabiliser(noise->cells[0]), Stabiliser(noise->cells[1]), Stabiliser(noise->cells[2]), Stabiliser(noise->cells[3])}
{
    takesNoise = t.taste.mix != 0 && (softensBlocks() || t.taste.blotches != 0 || strongest() != 0);
    if (isMosaic())
        balance = balanceOf(*frame, *noise);
    const MethodInfo *method = findMethod(t.method);
    givesColours = isMosaic() && takesNoise && strongest() > 0 && method && method->givesColours && !t.isMixed();
    const int cells = isMosaic() ? 4 : 3;
    for (int i = 0; i < cells; ++i) {
        meanNoise.shotGain += noise->cells[size_t(i)].shotGain / float(cells);
        meanNoise.readVariance += noise->cells[size_t(i)].readVariance / float(cells);
    }
}

double ChainFacts::strongest() const
{
    double strength = 0;
    for (const Variant &v : variants.list())
        strength = std::max({strength, v.luminance, v.colour});
    return strength;
}

std::string ChainFacts::settingOfPlaces(double PlaceSettings::*setting) const
{
    std::string text;
    for (const PlaceSettings &p : variants.settings())
        text += settingsText({p.*setting});
    return text;
}

std::string settingsText(std::span<const double> values)
{
    std::string text;
    for (const double v : values)
        text += exactNumber(v) + " ";
    return text;
}

bool anyAbove0(PlaneView<const float> weights)
{
    for (int y = 0; y < weights.height; ++y)
        if (std::any_of(weights.row(y), weights.row(y) + weights.width, [](float w) { return w > 0; }))
            return true;
    return false;
}

LentPlanes::LentPlanes(Scratch &scratch, size_t count, Rect covered) : where(covered)
{
    for (size_t c = 0; c < count; ++c) {
        lent[c] = scratch.lendPadded(where.size());
        views[c] = lent[c].view().cut({0, 0, where.width, where.height});
    }
}

TilePlanes LentPlanes::over(Rect part) const
{
    assert(where.contains(part));
    TilePlanes out;
    for (size_t c = 0; c < views.size(); ++c)
        if (views[c].data)
            out[c] = views[c].cut(part.seenFrom(where));
    return out;
}

size_t LentPlanes::count() const
{
    return size_t(std::count_if(views.begin(), views.end(), [](const PlaneView<float> &v) { return v.data != nullptr; }));
}

LentPlanes LentPlanes::takenFrom(size_t first)
{
    LentPlanes taken;
    taken.where = where;
    for (size_t c = first; c < views.size(); ++c) {
        taken.lent[c - first] = std::move(lent[c]);
        taken.views[c - first] = std::exchange(views[c], {});
    }
    return taken;
}

void Tile::cutTo(Rect part)
{
    now.views = now.over(part);
    now.where = part;
}

TileInput Tile::noisyOver(Rect part) const
{
    TileInput in{{}, m_facts.frame->cfa.shifted(part.x, part.y), m_facts.isMosaic() ? nullptr : &m_facts.noise->bands, m_facts.noise->spectrum ? &*m_facts.noise->spectrum : nullptr, m_facts.isMosaic() ? &m_facts.balance : nullptr};
    const TilePlanes views = noisy.over(part);
    std::copy(views.begin(), views.end(), in.planes.begin());
    return in;
}

Masks Tile::masks(Rect part)
{
    Masks out;
    if (!m_facts.regions)
        return out;
    if (m_drawn.empty()) {
        m_drawnWhere = part;
        for (size_t r = 0; r < m_facts.regions->regions().size(); ++r) {
            m_drawn.emplace_back(part.size());
            m_facts.regions->mask(r, {part.x, part.y}, 1, m_drawn.back().view());
        }
    }
    assert(m_drawnWhere.contains(part));
    for (const Plane<float> &mask : m_drawn)
        out.push_back(mask.view().cut(part.seenFrom(m_drawnWhere)));
    return out;
}

} // namespace irenic
