// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/lab.h"

#include <cmath>
#include <numbers>

namespace irenic {

Lab labOf(const std::array<double, 3> &c)
{
    const double x = (0.4124564 * c[0] + 0.3575761 * c[1] + 0.1804375 * c[2]) / 0.95047, y = 0.2126729 * c[0] + 0.7151522 * c[1] + 0.0721750 * c[2],
                 z = (0.0193339 * c[0] + 0.1191920 * c[1] + 0.9503041 * c[2]) / 1.08883;
    const auto f = [](double t) { return t > 216.0 / 24389 ? std::cbrt(t) : (24389.0 / 27 * t + 16) / 116; };
    return {116 * f(y) - 16, 500 * (f(x) - f(y)), 200 * (f(y) - f(z))};
}

double ciede2000(const Lab &p, const Lab &q)
{
    constexpr double deg = std::numbers::pi / 180;
    const double c1 = std::hypot(p[1], p[2]), c2 = std::hypot(q[1], q[2]), mean7 = std::pow((c1 + c2) / 2, 7);
    const double g = 0.5 * (1 - std::sqrt(mean7 / (mean7 + std::pow(25.0, 7))));
    const double a1 = (1 + g) * p[1], a2 = (1 + g) * q[1], k1 = std::hypot(a1, p[2]), k2 = std::hypot(a2, q[2]);
    const auto hue = [&](double a, double b) {
        const double h = std::atan2(b, a) / deg;
        return h < 0 ? h + 360 : h;
    };
    const double h1 = k1 == 0 ? 0 : hue(a1, p[2]), h2 = k2 == 0 ? 0 : hue(a2, q[2]);
    double dh = h2 - h1, mean = h1 + h2;
    if (k1 * k2 == 0)
        dh = 0;
    else {
        if (std::abs(h2 - h1) > 180) {
            dh += dh > 180 ? -360 : 360;
            mean += mean < 360 ? 360 : -360;
        }
        mean /= 2;
    }
    const double dl = q[0] - p[0], dc = k2 - k1, dH = 2 * std::sqrt(k1 * k2) * std::sin(dh / 2 * deg);
    const double l = (p[0] + q[0]) / 2, c = (k1 + k2) / 2;
    const double t = 1 - 0.17 * std::cos((mean - 30) * deg) + 0.24 * std::cos(2 * mean * deg) + 0.32 * std::cos((3 * mean + 6) * deg) - 0.20 * std::cos((4 * mean - 63) * deg);
    const double sl = 1 + 0.015 * (l - 50) * (l - 50) / std::sqrt(20 + (l - 50) * (l - 50)), sc = 1 + 0.045 * c, sh = 1 + 0.015 * c * t;
    const double c7 = std::pow(c, 7), rc = 2 * std::sqrt(c7 / (c7 + std::pow(25.0, 7)));
    const double rt = -std::sin(2 * 30 * std::exp(-std::pow((mean - 275) / 25, 2)) * deg) * rc;
    return std::sqrt(std::pow(dl / sl, 2) + std::pow(dc / sc, 2) + std::pow(dH / sh, 2) + rt * dc / sc * dH / sh);
}

} // namespace irenic
