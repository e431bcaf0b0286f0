// SPDX-License-Identifier: GPL-3.0-or-later
#include "taste/blocks.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kDctSide = 8;
constexpr float kGrids = 32;   ///< every second of the 64 there are, like one colour of a chess board; all would cost twice and gain 0.1 dB
constexpr float kHold = 0.3f;  ///< of a step: the file leaves half a one open, but the middle is likelier than the rim
constexpr float kStored = 257; ///< stored numbers to one of JPEG's

using Block = std::array<float, kDctSide * kDctSide>;

/// Rows of the orthonormal DCT-II of eight samples, as JPEG scales it, and turned about.
struct Cosines {
    Block rows{}, columns{};
    Cosines()
    {
        for (size_t u = 0; u < kDctSide; ++u)
            for (size_t x = 0; x < kDctSide; ++x)
                rows[u * kDctSide + x] = columns[x * kDctSide + u] = float((u ? 0.5 : std::sqrt(0.125)) * std::cos((2 * double(x) + 1) * double(u) * 3.14159265358979323846 / 16));
    }
};

void multiplied(const Block &a, const Block &b, Block &out)
{
    for (size_t i = 0; i < kDctSide; ++i) {
        float *o = out.data() + i * kDctSide;
        std::fill_n(o, kDctSide, 0.f);
        for (size_t k = 0; k < kDctSide; ++k)
            for (size_t j = 0; j < kDctSide; ++j)
                o[j] += a[i * kDctSide + k] * b[k * kDctSide + j];
    }
}

const Cosines &cosines()
{
    static const Cosines made;
    return made;
}

void toFrequencies(Block &block)
{
    Block half;
    multiplied(cosines().rows, block, half);
    multiplied(half, cosines().columns, block);
}

void toSamples(Block &block)
{
    Block half;
    multiplied(cosines().columns, block, half);
    multiplied(half, cosines().rows, block);
}

Block blockAt(const Plane<float> &plane, int x, int y)
{
    Block b;
    for (int v = 0; v < kDctSide; ++v)
        std::copy_n(plane.row(y + v) + x, kDctSide, b.data() + v * kDctSide);
    return b;
}

/// To the nearest whole number, for what is far below 2^22; a call of the library would keep the loop from being vectorised.
float rounded(float v)
{
    constexpr float kShift = 12582912;
    return v + kShift - kShift;
}

/// JFIF (ITU-T T.871, clause 7), less 128; `rgb` are stored numbers.
float componentOf(size_t component, const uint16_t *rgb)
{
    const float r = rgb[0] / kStored, g = rgb[1] / kStored, b = rgb[2] / kStored;
    switch (component) {
    case 0: return 0.299f * r + 0.587f * g + 0.114f * b - 128;
    case 1: return -0.168735892f * r - 0.331264108f * g + 0.5f * b;
    default: return 0.5f * r - 0.418687589f * g - 0.081312411f * b;
    }
}

} // namespace

double JpegCoding::meanStep() const
{
    double sum = 0;
    int count = 0;
    for (size_t v = 0; v < 6; ++v)
        for (size_t u = 0; u + v < 6; ++u)
            if (u + v > 0) {
                sum += steps[0][v * 8 + u];
                ++count;
            }
    return sum / count;
}

BlockSoftener::BlockSoftener(const Frame &frame, double amount) : m_frame(frame), m_amount(float(amount)) {}

/// What one component gains, in JPEG's numbers, over a rectangle of its own samples.
Plane<float> BlockSoftener::change(size_t component, Rect where, const std::stop_token &stop) const
{
    const JpegCoding &jpeg = *m_frame.jpeg;
    const int across = component ? jpeg.across : 1, down = component ? jpeg.down : 1;
    const auto &steps = jpeg.steps[component];
    // Whole blocks of the file's grid, and one more each way for the blocks of the others.
    const int x0 = roundedDown(where.x, kDctSide) - kDctSide, y0 = roundedDown(where.y, kDctSide) - kDctSide;
    const Size size{roundedDown(where.right() + kDctSide - 1, kDctSide) + kDctSide - x0, roundedDown(where.bottom() + kDctSide - 1, kDctSide) + kDctSide - y0};
    Plane<float> coded(size), sum(size, 0.f);
    const Rect &a = m_frame.active;
    for (int y = 0; y < size.height; ++y)
        for (int x = 0; x < size.width; ++x) {
            float all = 0;
            for (int v = 0; v < down; ++v)
                for (int u = 0; u < across; ++u)
                    all += componentOf(component, m_frame.samples.row(mirrored((y0 + y) * down + v, a.height)) + 3 * mirrored((x0 + x) * across + u, a.width));
            coded.at(x, y) = all / float(across * down);
        }
    Block step, perStep;
    for (size_t i = 0; i < step.size(); ++i) {
        step[i] = float(steps[i]);
        perStep[i] = 1 / step[i];
    }
    for (int shiftY = 0; shiftY < kDctSide; ++shiftY)
        for (int shiftX = shiftY & 1; shiftX < kDctSide; shiftX += 2)
            for (int y = shiftY; y + kDctSide <= size.height && !stop.stop_requested(); y += kDctSide)
                for (int x = shiftX; x + kDctSide <= size.width; x += kDctSide) {
                    Block b = blockAt(coded, x, y);
                    toFrequencies(b);
                    for (size_t i = 0; i < b.size(); ++i)
                        b[i] = rounded(b[i] * perStep[i]) * step[i];
                    toSamples(b);
                    for (int v = 0; v < kDctSide; ++v)
                        for (int u = 0; u < kDctSide; ++u)
                            sum.row(y + v)[x + u] += b[size_t(v * kDctSide + u)];
                }
    Plane<float> out(where.size());
    for (int y = kDctSide; y + 2 * kDctSide <= size.height; y += kDctSide)
        for (int x = kDctSide; x + 2 * kDctSide <= size.width; x += kDctSide) {
            Block was = blockAt(coded, x, y), is = blockAt(sum, x, y);
            toFrequencies(was);
            toFrequencies(is);
            for (size_t i = 0; i < is.size(); ++i)
                is[i] = std::clamp(is[i] / kGrids - was[i], -kHold * step[i], kHold * step[i]);
            toSamples(is);
            for (int v = 0; v < kDctSide; ++v)
                for (int u = 0; u < kDctSide; ++u)
                    if (const int ox = x0 + x + u - where.x, oy = y0 + y + v - where.y; ox >= 0 && oy >= 0 && ox < where.width && oy < where.height)
                        out.at(ox, oy) = is[size_t(v * kDctSide + u)];
        }
    return out;
}

void BlockSoftener::soften(Rect where, const std::array<PlaneView<float>, 3> &out, const std::stop_token &stop) const
{
    const JpegCoding &jpeg = *m_frame.jpeg;
    const Plane<float> light = change(0, where, stop);
    // Colours lie at the middles of their groups of pixels, and straight lines between.
    const Rect coarse{roundedDown(where.x, jpeg.across) / jpeg.across - 1, roundedDown(where.y, jpeg.down) / jpeg.down - 1, where.width / jpeg.across + 4, where.height / jpeg.down + 4};
    Plane<float> blueness, redness;
    if (jpeg.components == 3) {
        blueness = change(1, coarse, stop);
        redness = change(2, coarse, stop);
    }
    for (int y = 0; y < where.height; ++y) {
        const float cy = (float(where.y + y) + 0.5f) / float(jpeg.down) - 0.5f - float(coarse.y), fy = cy - std::floor(cy);
        const int iy = int(std::floor(cy));
        for (int x = 0; x < where.width; ++x) {
            const uint16_t *was = m_frame.samples.row(where.y + y) + 3 * (where.x + x);
            float blue = 0, red = 0;
            if (jpeg.components == 3) {
                const float cx = (float(where.x + x) + 0.5f) / float(jpeg.across) - 0.5f - float(coarse.x), fx = cx - std::floor(cx);
                const int ix = int(std::floor(cx));
                const auto between = [&](const Plane<float> &p) {
                    const float top = p.at(ix, iy) + fx * (p.at(ix + 1, iy) - p.at(ix, iy)), bottom = p.at(ix, iy + 1) + fx * (p.at(ix + 1, iy + 1) - p.at(ix, iy + 1));
                    return top + fy * (bottom - top);
                };
                blue = between(blueness);
                red = between(redness);
            }
            const float gains[3] = {light.at(x, y) + 1.402f * red, light.at(x, y) - 0.344136286f * blue - 0.714136286f * red, light.at(x, y) + 1.772f * blue};
            for (size_t c = 0; c < 3; ++c)
                out[c].row(y)[x] = std::clamp(float(was[c]) + m_amount * kStored * gains[c], 0.f, 65535.f);
        }
    }
}

} // namespace irenic
