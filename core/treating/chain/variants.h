// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/methods.h"
#include "irenic/regions.h"

namespace irenic {

/// The settings of a treatment that change from place to place: those of the trial itself and those of the frame's regions.
struct PlaceSettings {
    double luminance, colour, detail, grain, sharpen;
};

/// One pair of strengths that some places of a frame are cleaned with.
struct Variant {
    double luminance, colour;
    bool operator==(const Variant &) const = default;
};

/// Weights of every region over one rectangle.
struct Masks : std::vector<PlaneView<const float>> {
    Masks() = default;
    template <class It>
    Masks(It first, It last)
    {
        for (; first != last; ++first)
            push_back(first->view());
    }
};
/// The same, with `px` less on every side.
inline Masks shrunkBy(const Masks &masks, int px)
{
    Masks out;
    for (const PlaneView<const float> &m : masks)
        out.push_back(m.cut({px, px, m.width - 2 * px, m.height - 2 * px}));
    return out;
}

/// Which strengths a treatment needs, and which places get how much of each.
class Variants
{
public:
    /// @param regions may be null
    Variants(const Treatment &treatment, const RegionSet *regions);

    const std::vector<Variant> &list() const { return m_list; }
    const std::vector<PlaceSettings> &settings() const { return m_settings; }     ///< of the trial, then of every region
    const std::vector<std::array<size_t, 3>> &ofSettings() const { return m_of; } ///< variants of each, in shadows, mid-tones and lights
    bool isOne() const { return m_list.size() == 1; }
    bool any(double PlaceSettings::*value) const;
    std::string text() const; ///< which strengths every setting has in every tone; tells two of them apart

    /// @param masks of every region, of the same places
    /// @param ev    brightness of the places; null where tones do not weigh
    /// @param out   a plane for every variant
    void weigh(const Masks &masks, PlaneView<const float> ev, Size size, std::vector<Plane<float>> &out) const;
    /// The share of every place in settings that have that value.
    void shareOf(const Masks &masks, double PlaceSettings::*setting, double value, PlaneView<float> out) const;
    /// One setting at every place.
    void spread(const Masks &masks, double PlaceSettings::*value, PlaneView<float> out) const;

private:
    std::vector<Variant> m_list;
    std::vector<PlaceSettings> m_settings;
    std::vector<std::array<size_t, 3>> m_of; ///< variant of every setting in shadows, mid-tones, lights
};

} // namespace irenic
