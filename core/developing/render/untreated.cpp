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

Result<RgbImage<float>> developInBands(const Frame &frame, const Developer &developer, Rect region, int factor, int bandRows, const RunContext &run,
                                       const std::function<Result<Plane<float>>(Rect)> &samplesOf)
{
    auto out = RgbImage<float>::ofSize({region.width / factor, region.height / factor});
    if (out.samples.empty())
        return out;
    const int bandBlocks = std::max(1, bandRows / factor);
    for (int top = 0; top < out.size.height; top += bandBlocks) {
        const int blocks = std::min(bandBlocks, out.size.height - top);
        const Rect band{region.x, region.y + top * factor, out.size.width * factor, blocks * factor};
        const Result<Plane<float>> samples = samplesOf(band);
        if (!samples)
            return samples.error();
        const auto part = developer.developReduced(samples.value().view(), frame.cfa.shifted(band.x, band.y), factor, {band.x, band.y});
        std::copy(part.samples.begin(), part.samples.end(), out.row(top));
        if (run.onProgress)
            run.onProgress(double(top + blocks) / out.size.height);
    }
    return out;
}

Result<RgbImage<float>> developUntreated(const Frame &frame, Rect region, int factor, const RunContext &run)
{
    constexpr int kBandRows = 1024;
    const RunContext quiet{run.threads, run.stop, {}, run.background};
    return developInBands(frame, Developer(frame), region, factor, kBandRows, quiet, [&](Rect band) { return linearSamples(frame, band, quiet); });
}

std::shared_ptr<const Surroundings> surroundingsOf(const std::shared_ptr<const Frame> &frame, const RunContext &run)
{
    static PerFrame<const Surroundings> all;
    return all.of(frame, [&]() -> std::shared_ptr<const Surroundings> {
        const int block = Surroundings::blockFor(frame->crop);
        const auto map = developUntreated(*frame, frame->crop, block, run);
        return map ? std::make_shared<const Surroundings>(map.value(), block, frame->crop) : nullptr;
    });
}

} // namespace irenic
