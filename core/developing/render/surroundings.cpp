// SPDX-License-Identifier: GPL-3.0-or-later
#include "render/surroundings.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kRadius = 5;      // blocks: about a fiftieth of the frame
constexpr float kEdgeEv = 0.4f; // EV: what rises above this is an edge

/// Means over (2 r + 1)^2 places, fewer at the border.
std::vector<float> boxMean(const std::vector<float> &in, Size size)
{
    std::vector<float> across(in.size()), out(in.size());
    const auto pass = [](const float *from, float *to, int n, ptrdiff_t step) {
        for (int i = 0; i < n; ++i) {
            const int a = std::max(0, i - kRadius), b = std::min(n - 1, i + kRadius);
            float sum = 0;
            for (int k = a; k <= b; ++k)
                sum += from[k * step];
            to[i * step] = sum / float(b - a + 1);
        }
    };
    for (int y = 0; y < size.height; ++y)
        pass(in.data() + ptrdiff_t(y) * size.width, across.data() + ptrdiff_t(y) * size.width, size.width, 1);
    for (int x = 0; x < size.width; ++x)
        pass(across.data() + x, out.data() + x, size.height, size.width);
    return out;
}

} // namespace

int Surroundings::blockFor(Rect crop)
{
    const int longEdge = std::max(crop.width, crop.height), shortEdge = std::min(crop.width, crop.height);
    return std::max(2, std::min((longEdge / kBlocksAlong + 1) & ~1, shortEdge & ~1));
}

float Surroundings::brightnessOf(float luminance)
{
    return luminance > 1.f / (1 << 12) ? std::log2(luminance) : kDarkest;
}

Surroundings::Surroundings(const RgbImage<float> &map, int blockPx, Rect crop) : m_size(map.size), m_blockPx(float(blockPx)), m_crop(crop), m_at(size_t(map.size.area()))
{
    std::vector<float> l(m_at.size()), square(m_at.size());
    for (size_t i = 0; i < l.size(); ++i) {
        const float *p = map.samples.data() + 3 * i;
        l[i] = brightnessOf(0.2126f * p[0] + 0.7152f * p[1] + 0.0722f * p[2]);
        square[i] = l[i] * l[i];
    }
    const std::vector<float> mean = boxMean(l, m_size), meanSquare = boxMean(square, m_size);
    std::vector<float> slope(l.size()), offset(l.size());
    for (size_t i = 0; i < l.size(); ++i) {
        const float variance = std::max(0.f, meanSquare[i] - mean[i] * mean[i]);
        slope[i] = variance / (variance + kEdgeEv * kEdgeEv);
        offset[i] = mean[i] * (1 - slope[i]);
    }
    slope = boxMean(slope, m_size);
    offset = boxMean(offset, m_size);
    for (size_t i = 0; i < l.size(); ++i)
        m_at[i] = {slope[i], offset[i]};
}

void Surroundings::row(float x, float y, float step, int count, At *out) const
{
    // Blocks' middles are the nodes.
    const auto node = [](float at, int n, int &i, float &f) {
        at = std::clamp(at, 0.f, float(n - 1));
        i = std::min(int(at), std::max(0, n - 2));
        f = n > 1 ? at - float(i) : 0.f;
    };
    int j = 0;
    float v = 0;
    node((y - float(m_crop.y)) / m_blockPx - 0.5f, m_size.height, j, v);
    const At *top = m_at.data() + ptrdiff_t(j) * m_size.width, *bottom = m_size.height > 1 ? top + m_size.width : top;
    for (int k = 0; k < count; ++k) {
        int i = 0;
        float u = 0;
        node((x + step * float(k) - float(m_crop.x)) / m_blockPx - 0.5f, m_size.width, i, u);
        const int next = m_size.width > 1 ? i + 1 : i;
        const auto mix = [&](float At::*of) {
            const float a = top[i].*of + (top[next].*of - top[i].*of) * u, b = bottom[i].*of + (bottom[next].*of - bottom[i].*of) * u;
            return a + (b - a) * v;
        };
        out[k] = {mix(&At::slope), mix(&At::offset)};
    }
}

} // namespace irenic
