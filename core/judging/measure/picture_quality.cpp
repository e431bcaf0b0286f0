// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/readings.h"

#include "measure/psnr.h"

#include <cmath>

namespace irenic {

namespace {

std::vector<float> lumaOf(const RgbImage<uint16_t> &image)
{
    std::vector<float> y(image.samples.size() / 3);
    for (size_t i = 0; i < y.size(); ++i)
        y[i] = (0.299f * image.samples[3 * i] + 0.587f * image.samples[3 * i + 1] + 0.114f * image.samples[3 * i + 2]) / 65535;
    return y;
}

double ssimOf(const std::vector<float> &a, const std::vector<float> &b, Size size)
{
    constexpr double c1 = 0.01 * 0.01, c2 = 0.03 * 0.03;
    double total = 0;
    int windows = 0;
    for (int y0 = 0; y0 + 8 <= size.height; y0 += 4)
        for (int x0 = 0; x0 + 8 <= size.width; x0 += 4, ++windows) {
            double sa = 0, sb = 0, saa = 0, sbb = 0, sab = 0;
            for (int y = y0; y < y0 + 8; ++y)
                for (int x = x0; x < x0 + 8; ++x) {
                    const double p = double(a[size_t(y) * size_t(size.width) + size_t(x)]), q = double(b[size_t(y) * size_t(size.width) + size_t(x)]);
                    sa += p;
                    sb += q;
                    saa += p * p;
                    sbb += q * q;
                    sab += p * q;
                }
            const double ma = sa / 64, mb = sb / 64, va = saa / 64 - ma * ma, vb = sbb / 64 - mb * mb, cov = sab / 64 - ma * mb;
            total += (2 * ma * mb + c1) * (2 * cov + c2) / ((ma * ma + mb * mb + c1) * (va + vb + c2));
        }
    return windows ? total / windows : 1;
}

} // namespace

PictureQuality pictureQuality(const RgbImage<uint16_t> &image, const RgbImage<uint16_t> &truth)
{
    assert(image.size == truth.size);
    double square = 0, colour = 0;
    for (size_t i = 0; i < image.samples.size(); i += 3) {
        double d[3];
        for (size_t c = 0; c < 3; ++c) {
            d[c] = (double(image.samples[i + c]) - double(truth.samples[i + c])) / 65535;
            square += d[c] * d[c];
        }
        const double y = 0.299 * d[0] + 0.587 * d[1] + 0.114 * d[2];
        colour += (d[0] - y) * (d[0] - y) + (d[2] - y) * (d[2] - y);
    }
    const double n = double(image.samples.size());
    return {psnrDb(square / n), ssimOf(lumaOf(image), lumaOf(truth), image.size), 255 * std::sqrt(colour / (n / 3) / 2)};
}

} // namespace irenic
