// SPDX-License-Identifier: GPL-3.0-or-later
#include "chain/variants.h"

#include "irenic/text.h"

namespace irenic {

Variants::Variants(const Treatment &t, const RegionSet *regions)
{
    m_settings.push_back({t.luminance, t.colour, t.taste.detail, t.taste.grain, t.taste.sharpen});
    if (regions)
        for (const Region &r : regions->regions())
            m_settings.push_back({r.luminance, r.colour, r.detail, r.grain, r.sharpen});
    const std::array<double, 3> luminance{t.taste.luminanceShadows, t.taste.luminanceMidtones, t.taste.luminanceLights},
        colour{t.taste.colourShadows, t.taste.colourMidtones, t.taste.colourLights};
    for (const PlaceSettings &s : m_settings) {
        std::array<size_t, 3> of{};
        for (size_t tone = 0; tone < 3; ++tone) {
            const Variant v{std::min(s.luminance * luminance[tone], kLuminanceParam.info.max), std::min(s.colour * colour[tone], kColourParam.info.max)};
            of[tone] = size_t(std::find(m_list.begin(), m_list.end(), v) - m_list.begin());
            if (of[tone] == m_list.size())
                m_list.push_back(v);
        }
        m_of.push_back(of);
    }
}

std::string Variants::text() const
{
    std::string text;
    for (const auto &of : m_of)
        for (const size_t i : of)
            text += exactNumber(m_list[i].luminance) + " " + exactNumber(m_list[i].colour) + " ";
    return text;
}

bool Variants::any(double PlaceSettings::*value) const
{
    return std::any_of(m_settings.begin(), m_settings.end(), [&](const PlaceSettings &s) { return s.*value != 0; });
}

namespace {

/// Calls `give` with the share of the trial (0) and of every region (1, ...) at every place; later regions lie over earlier ones.
template <class Give>
void forShares(const Masks &masks, int y, int width, const Give &give)
{
    for (int x = 0; x < width; ++x) {
        float left = 1;
        for (size_t r = masks.size(); r-- > 0;) {
            const float share = left * masks[r].row(y)[x];
            left -= share;
            give(x, r + 1, share);
        }
        give(x, size_t(0), left);
    }
}

} // namespace

void Variants::weigh(const Masks &masks, PlaneView<const float> ev, Size size, std::vector<Plane<float>> &out) const
{
    out.resize(m_list.size());
    for (Plane<float> &p : out) {
        p.reset(size);
        p.fill(0);
    }
    for (int y = 0; y < size.height; ++y)
        forShares(masks, y, size.width, [&](int x, size_t setting, float share) {
            if (share <= 0)
                return;
            const auto &of = m_of[setting];
            if (!ev.data || (of[0] == of[1] && of[1] == of[2])) {
                out[of[0]].row(y)[x] += share;
                return;
            }
            const auto tones = toneWeights(ev.row(y)[x]);
            for (size_t tone = 0; tone < 3; ++tone)
                out[of[tone]].row(y)[x] += share * tones[tone];
        });
}

void Variants::shareOf(const Masks &masks, double PlaceSettings::*setting, double value, PlaneView<float> out) const
{
    for (int y = 0; y < out.height; ++y) {
        std::fill_n(out.row(y), out.width, 0.f);
        forShares(masks, y, out.width, [&](int x, size_t of, float share) { out.row(y)[x] += m_settings[of].*setting == value ? share : 0; });
    }
}

void Variants::spread(const Masks &masks, double PlaceSettings::*value, PlaneView<float> out) const
{
    for (int y = 0; y < out.height; ++y) {
        std::fill_n(out.row(y), out.width, 0.f);
        forShares(masks, y, out.width, [&](int x, size_t setting, float share) { out.row(y)[x] += share * float(m_settings[setting].*value); });
    }
}

} // namespace irenic
