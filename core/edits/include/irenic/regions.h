// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/frame.h"
#include "irenic/noise.h"
#include "irenic/parameter.h"

#include <cstdint>
#include <mutex>

namespace irenic {

/// Places are pixels of the stored samples, continuous: (0, 0) is the corner of the first one, its centre lies at (0.5, 0.5).
struct StrokePoint {
    float x = 0, y = 0;
    float pressure = 1; ///< factor of the flow, 0 to 1
    bool operator==(const StrokePoint &) const = default;
};

/// One pass of the brush.
struct Stroke {
    float radiusPx = 60;  ///< 0.5 is one pixel
    float hardness = 0.5; ///< share of the radius that gets all of the flow
    float flow = 1;       ///< what one pass lays on (or takes off), 0 to 1
    bool erases = false;
    std::vector<StrokePoint> points;
    bool operator==(const Stroke &) const = default;
};

/// One ingredient of a mask.
struct MaskPart {
    enum class Kind : uint8_t {
        Painted,
        Gradient,   ///< 1 at `from` and beyond, 0 at `to` and beyond, smooth between
        Brightness, ///< log2 of linear signal, 0 at clipping, averaged over a few pixels
        Colour,     ///< CIE a*b* as shot, within `high` of (a, b)
        Sharpness,  ///< in focus (1) against blurred (0), as measured on the frame
        Texture     ///< fine contrast beyond the noise, 0 to 1
    };
    enum class Joins : uint8_t {
        Adds,
        Subtracts,
        Limits,
    };
    Kind kind = Kind::Painted;
    Joins joins = Joins::Adds;
    std::vector<Stroke> strokes;
    StrokePoint from, to;
    float low = 0, high = 1; ///< Brightness: from low to high; Sharpness, Texture: 0 at low, 1 at high
    float softness = 1;      ///< Brightness: EV over which it falls off; Colour: share of `high` over which it does
    float a = 0, b = 0;
    bool operator==(const MaskPart &) const = default;
};
const char *partName(MaskPart::Kind kind); ///< "painted", "gradient", ...
std::optional<MaskPart::Kind> partFromName(const std::string &name);
const char *joinName(MaskPart::Joins joins); ///< "adds", "subtracts", "limits"
std::optional<MaskPart::Joins> joinFromName(const std::string &name);
MaskPart defaultPart(MaskPart::Kind kind, const Rect &crop); ///< to start from

/// A part of a frame with strengths of its own, for any trial.
struct Region {
    std::string name;
    std::vector<MaskPart> parts;
    double featherPx = 0;
    double followEdges = 0; ///< share to which its border follows edges of the picture, 0 to 1
    bool inverted = false;
    // In place of the trial's own; sharpen is its amount.
    double luminance = 1, colour = 1, detail = 0, grain = 0, sharpen = 0;
    bool operator==(const Region &) const = default;
};
struct RegionParam {
    ParamInfo info;
    double Region::*value;
};
inline constexpr std::array kRegionParams{
    RegionParam{{"luminance", visible("luminance"), 0, 3, 1, visible("Luminance strength inside the region")}, &Region::luminance},
    RegionParam{{"colour", visible("colour"), 0, 3, 1, visible("Colour strength inside the region")}, &Region::colour},
    RegionParam{{"detail", visible("detail"), 0, 1, 0, visible("Detail given back inside the region")}, &Region::detail},
    RegionParam{{"grain", visible("grain kept"), 0, 1, 0, visible("Grain kept inside the region")}, &Region::grain},
    RegionParam{{"sharpen", visible("sharpen"), 0, 2, 0, visible("Sharpening inside the region")}, &Region::sharpen},
    RegionParam{{"feather", visible("feather"), 0, 400, 0, visible("Softens the region's border, in pixels")}, &Region::featherPx},
    RegionParam{{"follow-edges", visible("follow edges"), 0, 1, 0, visible("Draws the region's border to edges of the picture")}, &Region::followEdges},
};
inline constexpr size_t kMostRegions = 12;
/// BadParameter, naming the region and the setting.
Status validate(const std::vector<Region> &regions);

/// The documented JSON (docs/regions.md), indented.
std::string regionsText(const std::vector<Region> &regions);
/// @param from what to call the source in an error
Result<std::vector<Region>> regionsFromText(const std::string &text, const std::string &from);
Result<std::vector<Region>> readRegions(const std::filesystem::path &file);

/// Maps of a frame that masks are made of, by blocks of kBlockPx pixels of the crop. Of the untreated frame, so that every trial
/// sees the same.
struct FrameMaps {
    static constexpr int kBlockPx = 8;
    Rect crop;
    Plane<float> a, b;      ///< CIE a*b*, as shot
    Plane<float> sharpness; ///< 0 to 1
    Plane<float> texture;   ///< 0 to 1
};
/// Made when first asked for and kept with the frame; null where it was stopped.
std::shared_ptr<const FrameMaps> frameMaps(const std::shared_ptr<const Frame> &frame, const NoiseReport &noise, const RunContext &run = {});

/// CIE a*b*, as shot, of the block of a frame that a stored pixel lies in.
std::array<float, 2> colourAt(const std::shared_ptr<const Frame> &frame, PixelAt at);

class PaintCache;

/// The masks of a frame's regions. Immutable to its users; shared between threads.
class RegionSet
{
public:
    RegionSet(std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, std::vector<Region> regions);

    const std::vector<Region> &regions() const { return m_regions; }
    const std::shared_ptr<const Frame> &frame() const { return m_frame; }
    /// Tells sets apart: equal regions have the same, also when they come back by an undo (of the last few dozen that there were).
    uint64_t number() const { return m_number; }
    /// The part of the crop that a region can reach at most, its feather included, from the strokes and lines that make it: all of it where something else adds to it.
    Rect reach(size_t region) const;
    /// Weights, 0 to 1, at places `step` apart: out.at(x, y) belongs to the middle of the step x step pixels whose corner is
    /// (where.x + x * step, where.y + y * step); out.width x out.height of them. Depends on nothing but the place, for one step.
    void mask(size_t region, PixelAt corner, int step, PlaneView<float> out) const;
    /// Brightness that masks and tone weights go by: log2 of the mean of some 9 x 9 linear samples, 0 at clipping, not below -14.
    static void brightness(const Frame &frame, PixelAt corner, int step, PlaneView<float> out);

private:
    struct Coarse; ///< a whole mask on a grid, where it is feathered or follows edges
    std::shared_ptr<const Coarse> coarse(size_t region) const;
    void sharp(const Region &region, PixelAt corner, int step, PlaneView<float> out) const;
    void soft(const Region &region, PixelAt corner, int step, PlaneView<float> out) const;

    std::shared_ptr<const Frame> m_frame;
    std::shared_ptr<const NoiseReport> m_noise;
    std::vector<Region> m_regions;
    uint64_t m_number;
    std::shared_ptr<PaintCache> m_painted;
    mutable std::mutex m_mutex;
    mutable std::vector<std::shared_ptr<const Coarse>> m_coarse;
};

} // namespace irenic
