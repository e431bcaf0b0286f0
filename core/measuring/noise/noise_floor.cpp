// SPDX-License-Identifier: GPL-3.0-or-later
#include "noise/noise_floor.h"

#include "frame/linearizer.h"

#include <limits>

namespace irenic {

PatchInput patchInputOf(const Frame &frame, const Linearizer &levels, std::optional<double> censoredAt, const std::optional<BandNoise> &spectrum)
{
    const Rect &a = frame.active;
    const int left = a.x & 1, top = a.y & 1; // patches begin on the pattern's first cell
    PatchInput in{{a.x + left, a.y + top, a.width - left, a.height - top}, PatchSampling::twoByTwo(), {}, censoredAt, spectrum};
    in.values = [&frame, &levels, side = in.sampling.sidePx, whole = !censoredAt](PixelAt corner, float *linear) {
        for (int y = corner.y; y < corner.y + side; ++y)
            for (int x = corner.x; x < corner.x + side; ++x)
                *linear++ = whole && frame.samples.at(x, y) == 0 ? std::numeric_limits<float>::quiet_NaN() : levels.linear(x, y);
    };
    return in;
}

Result<std::vector<FloorPoint>> measureNoiseFloor(const Frame &frame, const std::array<NoiseModel, 4> &law, std::optional<double> censoredAt, const std::optional<BandNoise> &spectrum, const RunContext &run)
{
    const Linearizer levels(frame);
    return measurePatchFloor(patchInputOf(frame, levels, censoredAt, spectrum), {law.begin(), law.end()}, run);
}

} // namespace irenic
