// SPDX-License-Identifier: GPL-3.0-or-later
#include "measure/analysis_planes.h"

#include "law/stabiliser.h"

namespace irenic {

namespace {

constexpr float kRoot2 = 0.70710678f, kRoot3 = 0.57735027f, kRoot6 = 0.40824829f;
constexpr size_t kFirstColourBand = 4; ///< of full colour, behind luminance and its three differences

void fromMosaic(const Frame &frame, const NoiseReport &noise, PlaneView<const float> in, Rect region, AnalysisPlanes &out)
{
    std::array<Stabiliser, 4> forward{Stabiliser(noise.cells[0]), Stabiliser(noise.cells[1]), Stabiliser(noise.cells[2]), Stabiliser(noise.cells[3])};
    std::array<size_t, 4> colour{};
    for (size_t i = 0; i < 4; ++i)
        colour[i] = size_t(frame.cfa.at(region.x + int(i & 1), region.y + int(i >> 1)));
    for (int y = 0; y < out.luminance.height(); ++y)
        for (int x = 0; x < out.luminance.width(); ++x) {
            float sum[3]{}, linear[3]{}, law = 0;
            for (size_t i = 0; i < 4; ++i) {
                const float v = in.row(2 * y + int(i >> 1))[2 * x + int(i & 1)];
                sum[colour[i]] += forward[i].forward(v);
                linear[colour[i]] += v;
                law += noise.cells[i].shotGain * std::max(v, 0.f) + noise.cells[i].readVariance;
            }
            out.luminance.at(x, y) = (sum[0] + sum[1] + sum[2]) / 2;
            out.redBlue.at(x, y) = (sum[0] - sum[2]) * kRoot2;
            out.greenness.at(x, y) = (sum[1] - sum[0] - sum[2]) / 2;
            out.linear.at(x, y) = (linear[0] + linear[1] + linear[2]) / 4;
            out.law.at(x, y) = law / 16;
            out.rgb[0].at(x, y) = linear[0];
            out.rgb[1].at(x, y) = linear[1] / 2;
            out.rgb[2].at(x, y) = linear[2];
        }
}

/// Luminance in windows of two by two, as the packet's first band has it; the others, whose noise was measured in single samples, at
/// the first pixel of each.
void fromFullColour(const NoiseReport &noise, PlaneView<const float> in, AnalysisPlanes &out)
{
    std::array<Stabiliser, 3> forward{Stabiliser(noise.cells[0]), Stabiliser(noise.cells[1]), Stabiliser(noise.cells[2])};
    const auto scale = [&](size_t band) { return noise.bands.size() > band ? 1 / std::max(noise.bands[band].sigma, 1e-6f) : 1.f; };
    const float luminance = kRoot3 / 2 * scale(0), first = kRoot2 * scale(kFirstColourBand), second = kRoot6 * scale(kFirstColourBand + 1);
    for (int y = 0; y < out.luminance.height(); ++y)
        for (int x = 0; x < out.luminance.width(); ++x) {
            float sum = 0, law = 0;
            for (int i = 0; i < 4; ++i)
                for (int c = 0; c < 3; ++c)
                    sum += forward[size_t(c)].forward(in.row(2 * y + (i >> 1))[3 * (2 * x + (i & 1)) + c]);
            const float *v = in.row(2 * y) + 6 * x;
            float s[3];
            for (size_t c = 0; c < 3; ++c) {
                s[c] = forward[c].forward(v[c]);
                law += noise.cells[c].shotGain * std::max(v[c], 0.f) + noise.cells[c].readVariance;
                out.rgb[c].at(x, y) = v[c];
            }
            out.luminance.at(x, y) = sum * luminance;
            out.redBlue.at(x, y) = (s[0] - s[2]) * first;
            out.greenness.at(x, y) = (2 * s[1] - s[0] - s[2]) * second;
            out.linear.at(x, y) = (v[0] + v[1] + v[2]) / 3;
            out.law.at(x, y) = law / 9;
        }
}

} // namespace

Rect analysable(Rect r)
{
    const int x = (r.x + 1) & ~1, y = (r.y + 1) & ~1;
    return {x, y, std::max(0, (r.right() - x) & ~1), std::max(0, (r.bottom() - y) & ~1)};
}

AnalysisPlanes analysisPlanes(const Frame &frame, const NoiseReport &noise, PlaneView<const float> linear, Rect region)
{
    assert(((region.x | region.y | region.width | region.height) & 1) == 0);
    AnalysisPlanes out;
    const Size size{region.width / AnalysisPlanes::kStepPx, region.height / AnalysisPlanes::kStepPx};
    for (Plane<float> *p : {&out.luminance, &out.redBlue, &out.greenness, &out.linear, &out.law, &out.rgb[0], &out.rgb[1], &out.rgb[2]})
        p->reset(size);
    if (frame.kind == FrameKind::Mosaic)
        fromMosaic(frame, noise, linear, region, out);
    else
        fromFullColour(noise, linear, out);
    return out;
}

} // namespace irenic
