// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "base/scratch.h"
#include "chain/variants.h"
#include "frame/linearizer.h"
#include "frame/luminance.h"
#include "irenic/clean.h"
#include "law/stabiliser.h"
#include "methods/denoise_method.h"

#include <optional>

namespace irenic {

/// What the numbers of a tile mean between two stages.
enum class Space : uint8_t {
    Linear,     ///< of the sensor or of full colour: 0 is black, 1 is clipping
    Stabilised, ///< likewise; noise has sigma 1
};

/// Names of stages that are asked for by others.
inline constexpr const char *kSharpenStage = "sharpen", *kColoursStage = "colours";

/// All that a chain is made of. Stages keep a reference to it; the chain keeps it alive.
struct ChainFacts {
    ChainFacts(std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const Treatment &treatment, const FrameEdits &edits, const Disturbance &disturbance = {});
    ChainFacts(const ChainFacts &) = delete;

    std::shared_ptr<const Frame> frame;
    std::shared_ptr<const NoiseReport> noise;
    Treatment treatment;
    FrameEdits edits;
    Disturbance disturbance;
    const RegionSet *regions; ///< null where none take part
    Variants variants;
    bool takesNoise; ///< some noise, blotches or blocks are to be taken away
    Linearizer levels;
    std::array<Stabiliser, 4> stabilisers; ///< as NoiseReport::cells
    NoiseModel meanNoise;                  ///< of the cells
    MosaicBalance balance;                 ///< of a mosaic
    bool givesColours;                     ///< the method's own full colour takes the place of demosaicing

    bool isMosaic() const { return frame->kind == FrameKind::Mosaic; }
    size_t planes() const { return size_t(frame->channels()); }
    /// A linear sample as it comes into the chain. Stored coordinates, inside the active area.
    float untreated(int x, int y, size_t channel) const
    {
        const float v = disturbance.of ? disturbance.of->at(x, y, int(channel), int(planes())) : levels.linear(x, y, int(channel));
        return disturbance.amount == 0 ? v : v + disturbance.amount * noise->modelAt(x, y, channel, isMosaic()).sigmaAt(v) * disturbance.at(x, y, channel);
    }
    bool softensBlocks() const { return treatment.taste.blocks > 0 && frame->jpeg; }
    const Stabiliser &stabiliserAt(int x, int y) const { return stabilisers[size_t((x & 1) + 2 * (y & 1))]; }
    /// The two laws that samples of a row take by turns, from an even x on; of full colour, that of the colour twice.
    std::array<Stabiliser, 2> stabilisersOfRow(size_t plane, int y) const
    {
        return isMosaic() ? std::array{stabiliserAt(0, y), stabiliserAt(1, y)} : std::array{stabilisers[plane], stabilisers[plane]};
    }
    double strongest() const; ///< of all strengths anywhere
    /// One setting of every place, for Stage::settings(); which places those are the chain says once for all stages.
    std::string settingOfPlaces(double PlaceSettings::*setting) const;
};

/// Planes with the memory that they lie in.
struct LentPlanes {
    std::array<Scratch::Lent, 3> lent;
    TilePlanes views;
    Rect where; ///< what they cover, in stored pixels; beyond the active area lies its mirror image

    LentPlanes() = default;
    /// Rows are padded as methods want them.
    LentPlanes(Scratch &scratch, size_t count, Rect covered);
    size_t count() const;
    TilePlanes over(Rect part) const;   ///< which lies inside
    LentPlanes takenFrom(size_t first); ///< those from `first` on, which are gone from here
};

/// A tile on its way through a chain.
class Tile
{
public:
    explicit Tile(const ChainFacts &facts) : m_facts(facts) {}
    LentPlanes now;              ///< its samples
    LentPlanes noisy;            ///< stabilised, as the method got them; where no method comes, empty
    LentPlanes lacking;          ///< what a method that gives colours answered of the two that were not measured at a place; see DenoiseMethod
    bool wantsSharpened = false; ///< somebody asks for:
    Scratch::Lent sharpened;     ///< where sharpening reached, 0 to 1, of what the stage answers

    /// Forgets what lies outside.
    void cutTo(Rect part);
    LinearTile linear() const { return {now.views, now.count(), now.where}; }
    TileInput noisyOver(Rect part) const;
    /// Weights of every region over a rectangle. The first who asks asks for the largest.
    Masks masks(Rect part);

private:
    const ChainFacts &m_facts;
    std::vector<Plane<float>> m_drawn;
    Rect m_drawnWhere;
};

/// One step of a chain, configured. Immutable: one instance serves all threads.
class Stage
{
public:
    struct Traits {
        const char *name; ///< for benchmarks and for the chain's identity
        Space from, to;
        int haloPx = 0;                 ///< that it looks at on every side of what it answers
        double secondsPerMegapixel = 0; ///< of what it computes, on two cores of a middling machine
        int bestTilePx = 0;             ///< side of the tiles that suit it; 0 where it does not mind
    };
    virtual ~Stage() = default;
    virtual Traits traits() const = 0;
    /// Everything that decides about what it does, besides frame, noise and the regions themselves: two stages of one name with one text do the same.
    virtual std::string settings() const = 0;
    /// `tile.now` covers `out` with haloPx() on each side, and then `out` alone. Polls Scratch::stop at least every 50 ms; once stopped, samples may be anything.
    virtual void run(Tile &tile, Rect out, Scratch &scratch) const = 0;
};

/// Makes a stage; null where it has nothing to do.
using StageMaker = std::unique_ptr<Stage> (*)(const ChainFacts &);

/// For Stage::settings(): every number to its last bit.
std::string settingsText(std::span<const double> values);
inline std::string settingsText(std::initializer_list<double> values) { return settingsText(std::span(values.begin(), values.size())); }

bool anyAbove0(PlaneView<const float> weights);

namespace stages {

// In the order of the chain, each in a file of its own.
std::unique_ptr<Stage> linearise(const ChainFacts &facts); ///< always there
std::unique_ptr<Stage> takeOffBanding(const ChainFacts &facts);
std::unique_ptr<Stage> mendPixels(const ChainFacts &facts);
std::unique_ptr<Stage> stabilise(const ChainFacts &facts);
std::unique_ptr<Stage> cleanByMethod(const ChainFacts &facts);
std::unique_ptr<Stage> giveBackDetail(const ChainFacts &facts);
std::unique_ptr<Stage> evenBlotches(const ChainFacts &facts);
std::unique_ptr<Stage> giveBackPointLights(const ChainFacts &facts);
std::unique_ptr<Stage> returnToLinear(const ChainFacts &facts);
std::unique_ptr<Stage> lowerBlack(const ChainFacts &facts);
std::unique_ptr<Stage> leaveGrain(const ChainFacts &facts);
std::unique_ptr<Stage> mixUntreated(const ChainFacts &facts);
std::unique_ptr<Stage> sharpen(const ChainFacts &facts);
std::unique_ptr<Stage> giveColours(const ChainFacts &facts); ///< answers red, green and blue of a mosaic
std::unique_ptr<Stage> correctLens(const ChainFacts &facts);

} // namespace stages

} // namespace irenic
