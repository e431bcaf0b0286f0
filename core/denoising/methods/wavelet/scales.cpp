// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/wavelet/scales.h"

#include "methods/packet/packet_kernels.h"
#include "methods/wavelet/wavelet_kernels.h"

namespace irenic {

int reachPx(Scales scales)
{
    return (2 << scales.count) - 2 + wavelet::kWindowReachPx;
}

void shrinkScales(PlaneView<float> band, const BandNoise &noise, Size size, Scales scales, float threshold, Scratch &scratch)
{
    if (threshold <= 0 || scratch.stop.stop_requested())
        return;
    const Size whole{band.width, band.height};
    std::vector<Scratch::Lent> lent;
    const auto plane = [&] { return lent.emplace_back(scratch.lend(whole)).view(); };
    const std::array<PlaneView<float>, 2> sumPlanes{plane(), plane()};
    const auto sums = [&](int level) { return sumPlanes[size_t(level % 2)]; };
    std::array<PlaneView<float>, BandNoise::kScales> detailPlanes;
    for (int level = scales.first; level < scales.count; ++level)
        detailPlanes[size_t(level)] = plane();
    const auto details = [&](int level) { return detailPlanes[size_t(level)]; };
    // Finer scales are only summed over: what changes in the coarse ones is carried back by the adjoint of the sums.
    std::vector<Size> sizes{size};
    const auto inner = [&](int level) { return Size{sizes.back().width - (2 << level), sizes.back().height - (2 << level)}; };
    PlaneView<float> fine = band;
    for (int level = 0; level < scales.first; ++level) {
        sizes.push_back(inner(level));
        packet::splitSum(fine, 2 << level, sizes.back(), sums(level));
        fine = sums(level);
    }
    const PlaneView<float> kept = scales.first > 0 ? plane() : PlaneView<float>{}; // the sum before it is cleaned
    for (int y = 0; scales.first > 0 && y < sizes.back().height; ++y)
        std::memcpy(kept.row(y), fine.row(y), size_t(sizes.back().width) * sizeof(float));
    PlaneView<const float> sum = scales.first > 0 ? kept : fine;
    const Scratch::Lent rows = scratch.lend({band.width, wavelet::scaleRows(2 << (scales.count - 1))});
    for (int level = scales.first; level < scales.count && !scratch.stop.stop_requested(); ++level) {
        const int step = 2 << level;
        sizes.push_back(inner(level));
        const float here = noise.scales[size_t(level)] * noise.scales[size_t(level)] * threshold;
        wavelet::shrinkScale(sum, step, here, sizes.back(), sums(level), details(level), rows.view());
        sum = sums(level);
    }
    const auto mutableView = [](PlaneView<const float> v) { return PlaneView<float>{const_cast<float *>(v.data), v.stride, v.width, v.height}; };
    if (scratch.stop.stop_requested())
        return;
    for (int level = scales.count - 1; level >= scales.first; --level) {
        const PlaneView<float> target = level == 0 ? band : sums(level - 1);
        packet::join({mutableView(sum), {}, {}, {}}, 2 << level, sizes[size_t(level) + 1], details(level), target);
        sum = target;
    }
    if (scales.first == 0)
        return;
    PlaneView<float> change = mutableView(sum);
    for (int y = 0; y < sizes[size_t(scales.first)].height; ++y)
        for (int x = 0; x < sizes[size_t(scales.first)].width; ++x)
            change.row(y)[x] -= kept.row(y)[x];
    for (int level = scales.first - 1; level >= 0; --level) {
        const PlaneView<float> target = level == 0 ? band : sums(level - 1);
        packet::join({change, {}, {}, {}}, 2 << level, sizes[size_t(level) + 1], level == 0 ? PlaneView<const float>(band) : PlaneView<const float>{}, target);
        change = target;
    }
}

} // namespace irenic
