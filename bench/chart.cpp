// SPDX-License-Identifier: GPL-3.0-or-later
#include "chart.h"

#include <algorithm>
#include <array>
#include <cmath>
#include <cstdio>
#include <fstream>
#include <sstream>

namespace irenic::bench {

namespace {

constexpr double kWidth = 560, kHeight = 400, kLeft = 64, kRight = 150, kTop = 40, kBottom = 52;
constexpr std::array kInks{"#1c1c1c", "#4a5f7a", "#7a5a3c", "#5c7050", "#7a4a62", "#5a5a5a"};
constexpr std::array kDashes{"", "7 3", "2 3", "9 3 2 3", "1 2", "12 4"};

struct Scale {
    double low, high;
    bool logarithmic;
    double at(double v) const
    {
        const auto f = [&](double x) { return logarithmic ? std::log10(std::max(x, 1e-9)) : x; };
        return (f(v) - f(low)) / std::max(1e-12, f(high) - f(low));
    }
};

std::vector<double> ticksOf(const Scale &s)
{
    std::vector<double> ticks;
    if (s.logarithmic) {
        for (double decade = std::pow(10, std::floor(std::log10(s.low))); decade <= s.high; decade *= 10)
            for (const double m : {1, 2, 5})
                if (decade * m >= s.low && decade * m <= s.high)
                    ticks.push_back(decade * m);
        return ticks;
    }
    const double rough = (s.high - s.low) / 5, decade = std::pow(10, std::floor(std::log10(rough)));
    const double step = decade * (rough / decade > 5 ? 10 : rough / decade > 2 ? 5
                                                        : rough / decade > 1   ? 2
                                                                               : 1);
    for (double v = std::ceil(s.low / step) * step; v <= s.high + step * 1e-6; v += step)
        ticks.push_back(v);
    return ticks;
}

std::string number(double v)
{
    char text[32];
    std::snprintf(text, sizeof text, "%.4g", std::abs(v) < 1e-12 ? 0.0 : v);
    return text;
}

void draw(const Chart &c, double x0, std::ostream &out)
{
    Scale x{1e300, -1e300, c.logarithmicX}, y{1e300, -1e300, false};
    for (const auto &line : c.lines)
        for (const auto &[px, py] : line.points) {
            x.low = std::min(x.low, px);
            x.high = std::max(x.high, px);
            y.low = std::min(y.low, py);
            y.high = std::max(y.high, py);
        }
    const double spare = std::max(1e-6, (y.high - y.low) * 0.06);
    y.low -= spare;
    y.high += spare;
    const double w = kWidth - kLeft - kRight, h = kHeight - kTop - kBottom;
    const auto px = [&](double v) { return x0 + kLeft + x.at(v) * w; };
    const auto py = [&](double v) { return kTop + (1 - y.at(v)) * h; };
    out << "<text x='" << x0 + kLeft << "' y='24' font-weight='bold'>" << c.title << "</text>\n";
    for (const double t : ticksOf(x))
        out << "<line x1='" << px(t) << "' x2='" << px(t) << "' y1='" << kTop << "' y2='" << kTop + h << "' stroke='#ddd'/><text x='" << px(t) << "' y='" << kTop + h + 18
            << "' text-anchor='middle'>" << number(t) << "</text>\n";
    for (const double t : ticksOf(y))
        out << "<line x1='" << x0 + kLeft << "' x2='" << x0 + kLeft + w << "' y1='" << py(t) << "' y2='" << py(t) << "' stroke='#ddd'/><text x='" << x0 + kLeft - 8 << "' y='" << py(t) + 4
            << "' text-anchor='end'>" << number(t) << "</text>\n";
    out << "<text x='" << x0 + kLeft + w / 2 << "' y='" << kHeight - 12 << "' text-anchor='middle'>" << c.xLabel << "</text>\n<text transform='translate(" << x0 + 16 << " " << kTop + h / 2
        << ") rotate(-90)' text-anchor='middle'>" << c.yLabel << "</text>\n";
    for (size_t i = 0; i < c.lines.size(); ++i) {
        const char *ink = kInks[i % kInks.size()], *dash = kDashes[i % kDashes.size()];
        std::ostringstream path;
        for (size_t k = 0; k < c.lines[i].points.size(); ++k)
            path << (k ? " L" : "M") << px(c.lines[i].points[k].first) << " " << py(c.lines[i].points[k].second);
        out << "<path d='" << path.str() << "' fill='none' stroke='" << ink << "' stroke-width='1.8' stroke-dasharray='" << dash << "'/>\n";
        for (const auto &[vx, vy] : c.lines[i].points)
            out << "<circle cx='" << px(vx) << "' cy='" << py(vy) << "' r='2.6' fill='" << ink << "'/>\n";
        if (c.lines[i].points.size() == 1) // no line to follow: the name stands beside its mark
            out << "<text x='" << px(c.lines[i].points[0].first) + (x.at(c.lines[i].points[0].first) > 0.6 ? -8 : 8) << "' y='" << py(c.lines[i].points[0].second) - 7 << "' text-anchor='"
                << (x.at(c.lines[i].points[0].first) > 0.6 ? "end" : "start") << "'>" << c.lines[i].name << "</text>\n";
        const double ly = kTop + 14 + 20 * double(i), lx = x0 + kWidth - kRight + 14;
        out << "<line x1='" << lx << "' x2='" << lx + 30 << "' y1='" << ly << "' y2='" << ly << "' stroke='" << ink << "' stroke-width='1.8' stroke-dasharray='" << dash << "'/><text x='" << lx + 36
            << "' y='" << ly + 4 << "'>" << c.lines[i].name << "</text>\n";
    }
}

} // namespace

bool writeCharts(const std::filesystem::path &file, const std::vector<Chart> &charts)
{
    std::ofstream out(file);
    out << "<svg xmlns='http://www.w3.org/2000/svg' width='" << kWidth * double(charts.size()) << "' height='" << kHeight
        << "' font-family='Lato, sans-serif' font-size='12' fill='#1c1c1c'>\n<rect width='100%' height='100%' fill='#fbfaf6'/>\n";
    for (size_t i = 0; i < charts.size(); ++i)
        draw(charts[i], kWidth * double(i), out);
    out << "</svg>\n";
    return bool(out);
}

} // namespace irenic::bench
