// SPDX-License-Identifier: GPL-3.0-or-later
#include "methods/bm3d/bm3d_kernels.h"

namespace irenic::bm3d {

namespace {

constexpr int kPaddingCells = 2 * kSearchCells + kSide; ///< a vector of candidates may be read beyond the last window

} // namespace

void Phases::reset(Size size)
{
    m_size = size;
    for (Plane<float> &p : m_planes)
        p.reset({(size.width + 1) / 2 + kPaddingCells, (size.height + 1) / 2});
}

void Phases::clear()
{
    for (Plane<float> &p : m_planes)
        p.fill(0);
}

void Phases::fillFrom(PlaneView<const float> band, Size size)
{
    reset(size);
    for (int y = 0; y < size.height; ++y) {
        const float *from = band.row(y);
        for (int phase = 0; phase < 2; ++phase) {
            float *to = at(phase, y);
            for (int x = 0; x < (size.width + 1 - phase) / 2; ++x)
                to[x] = from[2 * x + phase];
        }
    }
}

Limits limitsOf(float threshold, const std::array<float, 64> &noise)
{
    Limits l;
    for (size_t k = 0; k < kSide; ++k)
        for (size_t j = 0; j < kSide; ++j) {
            const float limit = threshold * noise[k * kSide + j];
            l[j * kSide + k] = limit * limit;
        }
    return l;
}

} // namespace irenic::bm3d
