// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/lens.h"
#include "irenic/methods.h"
#include "irenic/regions.h"

#include <algorithm>
#include <memory>

namespace irenic {

class CleanCache;

/// Everything besides the frame and its noise that decides about the samples. Two chains do the same exactly where the pointers are the same.
using ChainIdentity = std::shared_ptr<const std::string>;

/// What is decided for a frame and serves each of its trials.
struct FrameEdits {
    std::shared_ptr<const RegionSet> regions; ///< may be null
    LensCorrection lens;
    bool operator==(const FrameEdits &) const = default;
    FrameEdits lensAlone() const { return {nullptr, lens}; } ///< as an untreated picture is shown
};

/// Samples that are taken for a frame's own.
struct OtherSamples {
    Rect where;          ///< stored coordinates, inside Frame::active; beyond it the nearest ones count
    Plane<float> linear; ///< as Cleaner::clean() answers them
    float at(int x, int y, int channel, int channels) const { return linear.at((std::clamp(x, where.x, where.right() - 1) - where.x) * channels + channel, std::clamp(y, where.y, where.bottom() - 1) - where.y); }
};

/// A change of every untreated sample of a mosaic by some of its sigma, as chance has it: how far an answer follows tells how much of the noise is left in it
/// (Ramani, Blu and Unser, IEEE Trans. Image Process. 17(9), 2008). By one sigma of a cleaned picture's samples: that picture, photographed again.
struct Disturbance {
    uint64_t seed = 0;
    float amount = 0;                                 ///< in sigmas; 0 disturbs nothing
    std::shared_ptr<const OtherSamples> of = nullptr; ///< what is disturbed in place of the frame's samples; usually null
    bool operator==(const Disturbance &) const = default;
    float at(int x, int y, size_t channel) const; ///< in sigmas, before `amount`: Gaussian, sigma 1; stored coordinates
};

/// Treats one frame, region by region: mends hot pixels, stabilises the variance, runs the method with the strengths of every place, gives
/// detail and points of light back, and returns to linear signal with the local mean kept; there grain is kept, the result laid over the
/// untreated samples, sharpened, and freed of what the lens did to single samples. Immutable; one instance serves all threads.
///
/// Any region, cut into tiles of any size and run on any number of threads, gives the same bits: what the screen
/// shows is what the export writes.
class Cleaner
{
public:
    /// `treatment` must be valid. Holds the frame.
    Cleaner(std::shared_ptr<const Frame> frame, std::shared_ptr<const NoiseReport> noise, const Treatment &treatment, const FrameEdits &edits = {});
    ~Cleaner();
    Cleaner(Cleaner &&) noexcept;

    /// Cleaned samples, linear (0 black, 1 clipping, unclipped both ways), for a region inside Frame::active, in pixels of the
    /// frame; Frame::channels() samples a pixel. Fails only with Cancelled.
    /// @param tilePx side of the tiles, >= 16, or 0 for what suits the method and the threads; a matter of speed alone
    Result<Plane<float>> clean(Rect region, const RunContext &run = {}, int tilePx = 0) const;

    /// The method answers a mosaic's full colour beside its samples (MethodInfo::givesColours).
    bool givesColours() const;
    /// Full colour of the camera, linear, three samples a pixel, from the same pass: clean() answers those of them that the sensor measures (measuredOf()).
    /// Only where givesColours(). As clean() otherwise.
    Result<Plane<float>> cleanColours(Rect region, const RunContext &run = {}, int tilePx = 0) const;

    bool sharpens() const; ///< some place
    /// What sharpening reaches over a region: 1 where it works in full, 0 where smooth parts are spared (Taste::smoothProtection). Only where
    /// sharpens(). Fails only with Cancelled.
    Result<Plane<float>> sharpened(Rect region, const RunContext &run = {}) const;

    const Frame &frame() const;
    std::shared_ptr<const Frame> sharedFrame() const;
    std::shared_ptr<const NoiseReport> sharedNoise() const;
    const Treatment &treatment() const;
    const FrameEdits &edits() const;
    bool isIdentity() const; ///< every sample stays as it is, to the last bit, hot pixels included
    const ChainIdentity &identity() const;
    /// What clean() of so many pixels takes on two cores of a middling machine.
    double expectedSeconds(Size region) const;
    int haloPx() const; ///< that clean() looks at around a region
    /// The same treatment of the same frame, whose samples are disturbed first.
    Cleaner disturbed(const Disturbance &disturbance) const;
    /// The same frame with the same corrections of the lens, and nothing else done to it.
    Cleaner untreated() const;
    /// A frame with nothing done to it but that to its lens.
    static Cleaner untreated(std::shared_ptr<const Frame> frame, const LensCorrection &lens = {});

    /// Rows that are worth cleaning at once: fewer waste time on halos, more only take memory.
    int bandRows() const;

private:
    struct Private;
    explicit Cleaner(std::unique_ptr<Private> made);
    std::unique_ptr<Private> d;
};

/// Of three samples a pixel the one that a sensor measures there. `cfa` as seen from the first.
Plane<float> measuredOf(const Plane<float> &colours, CfaPattern cfa);

/// A frame's samples after treatment, as they are to be stored: masked borders untouched.
struct CleanedSamples {
    Plane<uint16_t> samples;
    int scale = 1; ///< whole factor by which black, white and every sample were multiplied
};

/// Cleans the whole active area and rounds it to stored numbers. Treated samples are scaled up by the largest whole
/// factor that 16 bits hold, so that a smooth result is not cut back to the source's coarser steps (rendered pictures have 16 bits
/// already); an identity treatment returns the source's own samples, scale 1.
/// @param cache may be null
Result<CleanedSamples> cleanForStorage(const Cleaner &cleaner, const RunContext &run = {}, CleanCache *cache = nullptr);

/// A treatment to start from, with the reason in one sentence.
struct Suggestion {
    Treatment treatment;
    std::string reason;
};
Suggestion suggestTreatment(const NoiseReport &noise);
/// A method's own strengths for this frame, where the method is chosen already.
Treatment suggestedFor(const std::string &method, const NoiseReport &noise);

} // namespace irenic
