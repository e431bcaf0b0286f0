// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/develop.h"

#include "base/parallel.h"
#include "irenic/screen.h"

namespace irenic {

Result<RgbImage<uint8_t>> encodedFor(const ScreenTransform &screen, const RgbImage<float> &linear, const RunContext &run)
{
    auto out = RgbImage<uint8_t>::ofSize(linear.size);
    constexpr int kRows = 16;
    const Status done = parallelFor((linear.size.height + kRows - 1) / kRows, {run.threads, run.stop, {}, run.background}, [&](int i) {
        for (int y = i * kRows; y < std::min((i + 1) * kRows, linear.size.height); ++y)
            screen.showRow(linear.row(y), linear.size.width, 0, y, out.row(y));
    });
    if (!done)
        return done.error();
    return out;
}

} // namespace irenic
