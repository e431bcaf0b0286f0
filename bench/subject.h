// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/camera.h"

#include <algorithm>
#include <cmath>
#include <filesystem>
#include <functional>
#include <memory>

namespace irenic::bench {

/// The camera's file read back, with the truth beside it: what a photographer would have, and what nobody has.
struct Subject {
    std::shared_ptr<const Frame> frame, clean;
    std::shared_ptr<const NoiseReport> noise;
    NoiseModel law; ///< the simulated sensor's own
};

/// Linear samples as a frame of their own, in 16 bits, so that they are developed by the same code.
template <class Sample>
std::shared_ptr<const Frame> frameWith(const Frame &like, const Sample &linear)
{
    auto f = std::make_shared<Frame>();
    f->samples.reset(like.samples.size());
    f->active = like.active;
    f->crop = like.crop;
    f->cfa = like.cfa;
    f->colour = like.colour;
    f->levels.black = {1000};
    f->levels.white = 61000;
    for (int y = 0; y < f->samples.height(); ++y)
        for (int x = 0; x < f->samples.width(); ++x)
            f->samples.at(x, y) = uint16_t(std::clamp(std::lround(linear(x, y) * 60000 + 1000), 0l, 65535l));
    return f;
}

/// What `write` leaves in a file of that ending in `folder`, read back; the file is gone afterwards.
Result<std::shared_ptr<const Frame>> writtenAndRead(const std::filesystem::path &folder, const char *ending, const std::function<Status(const std::filesystem::path &)> &write);

struct SubjectOptions {
    double underexposeEv = 0, banding = 0.25;
    bool trueLaw = false;
};
/// Shoots a scene into a file in `folder`, and reads and measures it as anybody would.
Result<Subject> makeSubject(const Scene &scene, int iso, const SubjectOptions &options, const std::filesystem::path &folder);

} // namespace irenic::bench
