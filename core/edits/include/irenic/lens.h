// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/noise.h"

namespace irenic {

/// What a lens did to a picture, and what of it is to be undone. Radii are counted from the middle of the frame's crop, in halves of its
/// diagonal: 1 is a corner.
struct LensCorrection {
    /// r' = r (p0 + p1 r + p2 r^2 + p3 r^3 + p4 r^4)
    using Polynomial = std::array<double, 5>;
    static constexpr Polynomial kStraight{1, 0, 0, 0, 0};

    enum class Shape : uint8_t {
        Largest,   ///< enlarged until no corner is blank
        Original,  ///< at the scale of the middle; what falls outside is cut, what is blank is black
        Everything ///< all of the picture, with blank corners
    };

    bool lateral = false, vignetting = false, distortion = false; ///< what is undone
    double fringes = 0;                                           ///< share of the coloured fringes at edges that is taken off
    Polynomial red = kStraight, blue = kStraight;                 ///< where light of that colour from a place at r of the green fell
    Polynomial bent = kStraight;                                  ///< where light that belongs at r fell
    std::array<double, 3> falloff{};                              ///< light at r: 1 + v1 r^2 + v2 r^4 + v3 r^6 of that in the middle
    Shape shape = Shape::Largest;
    std::string from; ///< where the numbers come from, in words
    bool operator==(const LensCorrection &) const = default;

    bool changesSamples() const { return lateral || vignetting; }
    bool bends() const { return distortion && bent != kStraight; }
    bool changesPicture() const { return fringes > 0 || bends(); } ///< what takes full colour at every place
};
const char *shapeName(LensCorrection::Shape shape); ///< "largest", "original", "everything"
std::optional<LensCorrection::Shape> shapeFromName(const std::string &name);
/// BadParameter where numbers are beyond what any lens does.
Status validate(const LensCorrection &lens);

/// The documented JSON (docs/lens.md), indented.
std::string lensText(const LensCorrection &lens);
Result<LensCorrection> lensFromText(const std::string &text, const std::string &from);
Result<LensCorrection> readLens(const std::filesystem::path &file);

/// `from` of a correction that the file describes.
inline constexpr const char *kDescribedByFile = "described in the file";
/// The lines that the file says are bent (Frame::warp), switched on, with its lateral aberration beside them, switched off: that would change sensor samples.
/// Nothing where it says none, or about another centre than that of the crop. A DNG that stays as it was keeps the description in its place.
LensCorrection describedLens(const FrameFacts &frame);

/// A lens of Lensfun's database that may have taken a frame.
struct LensProfile {
    std::string name;          ///< maker and model
    double likeness = 0;       ///< how well it matches what the file says, 0 to 1
    LensCorrection correction; ///< interpolated for the frame's focal length and aperture; nothing switched on
    bool hasLateral = false, hasVignetting = false, hasDistortion = false;

    /// The profile's correction with what no profile tells as it was chosen.
    LensCorrection appliedTo(const LensCorrection &chosen) const
    {
        LensCorrection out = correction;
        out.shape = chosen.shape;
        out.fringes = chosen.fringes;
        return out;
    }
};
/// Profiles for what the shooting data says; the likeliest first, none where it names no lens or the database has none.
/// @param name in place of the lens that the file names; empty: that
std::vector<LensProfile> findLensProfiles(const Frame &frame, const std::string &name = {});

/// Lateral aberration as measured on the frame: how red and blue edges lie against green ones, by radius. `from` says how well.
/// BadParameter where the frame has too few edges.
Result<LensCorrection> measureLateral(const Frame &frame, const NoiseReport &noise, const RunContext &run = {});

/// Where a picture's place is to be taken from, with what bends lines undone. Immutable.
class Unbending
{
public:
    Unbending(const LensCorrection &lens, const Rect &crop);
    bool isStraight() const { return m_straight; }
    /// Source of a place, both continuous, in stored pixels.
    void source(float x, float y, float &sx, float &sy) const;
    Rect sourceOf(const Rect &region) const; ///< all that the region needs, interpolation included; may reach beyond the crop
    bool isBlank(float sx, float sy) const;  ///< outside the picture

private:
    LensCorrection::Polynomial m_bent;
    double m_x, m_y, m_unit, m_scale = 1;
    Rect m_crop;
    bool m_straight;
};

} // namespace irenic
