// SPDX-License-Identifier: GPL-3.0-or-later
#include "base/parallel.h"

#include "base/cubic.h"
#include "base/grid.h"
#include "frame/linearizer.h"
#include "irenic/lens.h"
#include "irenic/text.h"
#include "lens/sensor_lens.h"

#include <cmath>

namespace irenic {

namespace {

constexpr int kBlockCells = 32;       // side of the blocks, in cells of two by two pixels
constexpr double kLeastRadius = 0.15; // nearer the middle nothing is bent aside
constexpr double kMostShiftPx = 4;
constexpr size_t kLeastBlocks = 12;
constexpr int kRounds = 4;
constexpr double kMostErrorPx = 0.3; // standard error at the corners beyond which nothing is said

/// How far one colour lies outward of green in one block.
struct Shift {
    double r;      ///< radius of the block's middle
    double px;     ///< outward
    double weight; ///< inverse variance
};

/// Means of the colours over cells of two by two pixels, and where in the cell they sit.
struct CellPlanes {
    Plane<float> colour[3];
    double atX[3] = {}, atY[3] = {}; ///< centre of the samples of a colour, in pixels from the cell's corner
};

CellPlanes cellsOf(const Frame &frame, const RunContext &run)
{
    const Linearizer levels(frame);
    const Rect &crop = frame.crop;
    CellPlanes cells;
    const Size size{crop.width / 2, crop.height / 2};
    for (auto &p : cells.colour)
        p.reset(size);
    const bool mosaic = frame.kind == FrameKind::Mosaic;
    int count[3] = {};
    for (int v = 0; v < 2; ++v)
        for (int u = 0; u < 2; ++u)
            for (int c = 0; c < 3; ++c)
                if (!mosaic || int(frame.cfa.at(crop.x + u, crop.y + v)) == c) {
                    cells.atX[c] += u + 0.5;
                    cells.atY[c] += v + 0.5;
                    ++count[c];
                }
    for (int c = 0; c < 3; ++c) {
        cells.atX[c] /= count[c];
        cells.atY[c] /= count[c];
    }
    (void)parallelFor(size.height, run, [&](int cy) {
        for (int cx = 0; cx < size.width; ++cx) {
            float sum[3] = {};
            for (int v = 0; v < 2; ++v)
                for (int u = 0; u < 2; ++u) {
                    const int x = crop.x + 2 * cx + u, y = crop.y + 2 * cy + v;
                    if (mosaic)
                        sum[size_t(frame.cfa.at(x, y))] += levels.linear(x, y);
                    else
                        for (int c = 0; c < 3; ++c)
                            sum[c] += levels.linear(x, y, c);
                }
            for (int c = 0; c < 3; ++c)
                cells.colour[c].row(cy)[cx] = sum[c] / float(count[c]);
        }
    });
    (void)parallelFor(3, run, [&](int c) { boxMean(cells.colour[c], 1); }); // the finest that cells hold is mostly aliases and noise
    return cells;
}

/// Cubic (Catmull and Rom), in cells.
float sampled(const Plane<float> &p, double x, double y)
{
    const int i = int(std::floor(x)), j = int(std::floor(y));
    const auto wx = cubicWeights(float(x - i)), wy = cubicWeights(float(y - j));
    float sum = 0;
    for (int v = 0; v < 4; ++v)
        for (int u = 0; u < 4; ++u)
            sum += wy[size_t(v)] * wx[size_t(u)] * p.at(std::clamp(i + u - 1, 0, p.width() - 1), std::clamp(j + v - 1, 0, p.height() - 1));
    return sum;
}

/// Least squares of: colour = a * green moved outward by the shift + c, with what is known of the shift already taken out.
std::vector<Shift> shiftsOf(const CellPlanes &cells, int colour, const LensCorrection::Polynomial &known, const NoiseReport &noise, const Rect &crop, const RunContext &run)
{
    const Plane<float> &green = cells.colour[1];
    const LensGeometry g({0, 0, crop.width, crop.height});
    const int across = green.width() / kBlockCells, down = green.height() / kBlockCells;
    std::vector<Shift> all(size_t(across) * size_t(down), Shift{0, 0, 0});
    (void)parallelFor(across * down, run, [&](int index) {
        const int bx = index % across * kBlockCells, by = index / across * kBlockCells;
        const int middleX = 2 * bx + kBlockCells, middleY = 2 * by + kBlockCells;
        const double mx = middleX - g.x, my = middleY - g.y, radius = std::hypot(mx, my);
        if (radius / g.unit < kLeastRadius)
            return;
        const double ex = mx / radius, ey = my / radius;
        double gg = 0, gd = 0, dd = 0, cg = 0, cd = 0, sg = 0, sd = 0, sc = 0, cc = 0, n = 0;
        for (int y = by + 2; y < by + kBlockCells - 2; ++y)
            for (int x = bx + 2; x < bx + kBlockCells - 2; ++x) {
                // Where this colour's light of the place is found, as far as is known.
                const double px = 2 * x + cells.atX[1] - g.x, py = 2 * y + cells.atY[1] - g.y, f = valueOf(known, std::hypot(px, py) / g.unit);
                const double sx = (px * f + g.x - cells.atX[colour]) / 2, sy = (py * f + g.y - cells.atY[colour]) / 2;
                const double c = double(sampled(cells.colour[colour], sx, sy)), v = double(green.at(x, y));
                const double dx = double(green.at(x + 1, y) - green.at(x - 1, y)) / 4, dy = double(green.at(x, y + 1) - green.at(x, y - 1)) / 4; // per pixel
                const double d = -(dx * ex + dy * ey);
                gg += v * v, gd += v * d, dd += d * d, cg += c * v, cd += c * d, sg += v, sd += d, sc += c, cc += c * c, n += 1;
            }
        // About the means.
        gg -= sg * sg / n, gd -= sg * sd / n, dd -= sd * sd / n, cg -= sg * sc / n, cd -= sd * sc / n, cc -= sc * sc / n;
        const double determinant = gg * dd - gd * gd;
        if (!(determinant > 0))
            return;
        const double a = (cg * dd - cd * gd) / determinant, b = (cd * gg - cg * gd) / determinant, rest = std::max(cc - a * cg - b * cd, 1e-20) / n;
        const double sigma = double(noise.cells[0].sigmaAt(float(sg / n)));
        if (a < 0.05 || gg / n < 4 * sigma * sigma || cc <= 0 || rest > 0.2 * cc / n) // flat, or of another colour than its surroundings
            return;
        const double px = b / a;
        if (std::abs(px) < kMostShiftPx)
            all[size_t(index)] = {radius / g.unit, px, a * a * dd * (1 - gd * gd / (gg * dd)) / rest};
    });
    std::erase_if(all, [](const Shift &s) { return s.weight <= 0; });
    return all;
}

/// r (k0 + k2 r^2), weights of outliers falling (Tukey's biweight). Answers the standard error at a corner, in pixels.
double fit(const std::vector<Shift> &shifts, double unit, double &k0, double &k2)
{
    double error = 1e9;
    std::vector<double> trust(shifts.size(), 1);
    k0 = k2 = 0;
    for (int round = 0; round < 10; ++round) {
        double a = 0, b = 0, c = 0, u = 0, v = 0;
        for (size_t i = 0; i < shifts.size(); ++i) {
            const double r = shifts[i].r, w = std::min(shifts[i].weight, 400.0) * trust[i], x0 = r * unit, x1 = r * r * r * unit;
            a += w * x0 * x0, b += w * x0 * x1, c += w * x1 * x1, u += w * x0 * shifts[i].px, v += w * x1 * shifts[i].px;
        }
        c += 1e-3 * a; // where the blocks do not tell the two apart, the simpler one
        const double determinant = a * c - b * b;
        if (!(determinant > 0))
            return 1e9;
        k0 = (u * c - v * b) / determinant;
        k2 = (v * a - u * b) / determinant;
        std::vector<double> off(shifts.size());
        for (size_t i = 0; i < shifts.size(); ++i)
            off[i] = std::abs(shifts[i].px - shifts[i].r * unit * (k0 + k2 * shifts[i].r * shifts[i].r));
        std::vector<double> sorted = off;
        std::nth_element(sorted.begin(), sorted.begin() + ptrdiff_t(sorted.size() / 2), sorted.end());
        const double reach = 6 * std::max(sorted[sorted.size() / 2], 0.01);
        double square = 0, weights = 0;
        size_t trusted = 0;
        for (size_t i = 0; i < shifts.size(); ++i) {
            const double w = std::min(shifts[i].weight, 400.0) * trust[i], t = off[i] / reach;
            square += w * off[i] * off[i];
            weights += w;
            trusted += trust[i] > 0.1;
            trust[i] = t < 1 ? (1 - t * t) * (1 - t * t) : 0;
        }
        // Of both coefficients together, as they act at r = 1.
        error = std::sqrt(square / weights * (weights / double(std::max<size_t>(1, trusted))) * std::max(0.0, a + c - 2 * b) / determinant) * unit;
    }
    return error;
}

} // namespace

Result<LensCorrection> measureLateral(const Frame &frame, const NoiseReport &noise, const RunContext &run)
{
    const CellPlanes cells = cellsOf(frame, run);
    LensCorrection lens;
    size_t fewest = SIZE_MAX;
    const double unit = LensGeometry(frame.crop).unit;
    double corner[2] = {};
    const Error unclear{ErrorCode::BadParameter, textOf(frame.file.filename()) + " has too few clear edges to measure lateral aberration by; nothing was changed.", {}};
    for (const int colour : {0, 2}) {
        LensCorrection::Polynomial &p = colour == 0 ? lens.red : lens.blue;
        for (int round = 0; round < kRounds; ++round) {
            const std::vector<Shift> shifts = shiftsOf(cells, colour, p, noise, frame.crop, run);
            if (run.stop.stop_requested())
                return cancelledError();
            fewest = std::min(fewest, shifts.size());
            if (shifts.size() < kLeastBlocks)
                return unclear;
            double k0, k2;
            if (fit(shifts, unit, k0, k2) > kMostErrorPx)
                return unclear;
            p[0] += k0;
            p[2] += k2;
        }
        corner[colour / 2] = (valueOf(p, 1) - 1) * unit;
    }
    if (const Status s = validate(lens); !s)
        return s.error();
    const auto moved = [](double px) { return std::string(px < 0 ? "" : "+") + fixedNumber(px, 2) + " px"; };
    lens.from = "measured on this frame by " + std::to_string(fewest) + " blocks: red " + moved(corner[0]) + ", blue " + moved(corner[1]) + " at the corners";
    lens.lateral = true;
    return lens;
}

} // namespace irenic
