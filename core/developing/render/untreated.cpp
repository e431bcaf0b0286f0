// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/untreated.h"

#include "base/parallel.h"
#include "frame/linearizer.h"
#include "frame/per_frame.h"

namespace irenic {

Result<Plane<float>> linearSamples(const Frame &frame, Rect region, const RunContext &run)
{
    const int n = frame.channels();
    const Linearizer levels(frame);
    Plane<float> out({region.width * n, region.height});
    constexpr int kStrip = 32;
    const Status done = parallelFor((region.height + kStrip - 1) / kStrip, {run.threads, run.stop, {}, run.background}, [&](int i) {
        for (int y = i * kStrip; y < std::min((i + 1) * kStrip, region.height); ++y)
            for (int x = 0; x < region.width; ++x)
                for (int c = 0; c < n; ++c)
                    out.row(y)[x * n + c] = levels.linear(region.x + x, region.y + y, c);
    });
    if (!done)
        return done.error();
    return out;
}

Result<RgbImage<float>> developUntreated(const Frame &frame, Rect region, int factor, const RunContext &run)
{
    const Developer developer(frame);
    auto out = RgbImage<float>::ofSize({region.width / factor, region.height / factor});
    const int bandBlocks = std::max(1, 1024 / factor); // so that no more than a band of floats is held
    for (int top = 0; top < out.size.height && out.size.width > 0; top += bandBlocks) {
        const Rect band{region.x, region.y + top * factor, out.size.width * factor, std::min(bandBlocks, out.size.height - top) * factor};
        const Result<Plane<float>> samples = linearSamples(frame, band, run);
        if (!samples)
            return samples.error();
        const auto part = developer.developReduced(samples.value().view(), frame.cfa.shifted(band.x, band.y), factor, {band.x, band.y});
        std::copy(part.samples.begin(), part.samples.end(), out.row(top));
    }
    return out;
}

std::shared_ptr<const Surroundings> surroundingsOf(const std::shared_ptr<const Frame> &frame, const RunContext &run)
{
    struct Lazy {
        std::mutex mutex;
        std::shared_ptr<const Surroundings> made;
    };
    static PerFrame<Lazy> all;
    const std::shared_ptr<Lazy> lazy = all.of(frame);
    const std::lock_guard lock(lazy->mutex);
    if (!lazy->made) {
        const int block = Surroundings::blockFor(frame->crop);
        if (const auto map = developUntreated(*frame, frame->crop, block, {run.threads, run.stop, {}, run.background}))
            lazy->made = std::make_shared<const Surroundings>(map.value(), block, frame->crop);
    }
    return lazy->made;
}

} // namespace irenic
