// SPDX-License-Identifier: GPL-3.0-or-later
#include "irenic/spots.h"

#include "base/parallel.h"
#include "irenic/clean.h"
#include "irenic/develop.h"
#include "irenic/parameter.h"
#include "measure/block_noise.h"
#include "measure/halved.h"

#include <functional>

namespace irenic {

namespace {

constexpr SpotKindInfo kKinds[] = {
    {SpotKind::Own, "own", visible("my own"), visible("A place that you marked")},
    {SpotKind::Shadow, "shadow", visible("shadow"), visible("The deepest shadow that holds something")},
    {SpotKind::PlainTone, "plain-tone", visible("plain tone"), visible("A smooth middle tone, where blotches show first")},
    {SpotKind::Texture, "texture", visible("texture"), visible("The finest texture")},
    {SpotKind::TextureBesideSmooth, "texture-beside-smooth", visible("texture by smooth"), visible("Texture beside a smooth area")},
    {SpotKind::Edge, "edge", visible("edge"), visible("A hard edge")},
    {SpotKind::PointLights, "point-lights", visible("point lights"), visible("Small lights that look like noise")},
    {SpotKind::StrongColour, "strong-colour", visible("strong colour"), visible("The strongest colour")},
    {SpotKind::Corner, "corner", visible("corner"), visible("The corner with most in it")},
    {SpotKind::MostNoiseLeft, "most-noise-left", visible("most noise left"), visible("Where a trial left more noise than elsewhere")},
};

constexpr int kBlock = 32; ///< samples of AnalysisPlanes; 64 pixels of a mosaic

/// One block of the frame. Energies are variances beyond noise.
struct Block {
    float signal = 0;    ///< mean, linear
    float fine = 0;      ///< in single samples
    float middle = 0;    ///< in means of 2 x 2
    float coarse = 0;    ///< in means of 4 x 4
    float filled = 0;    ///< the least fine + middle of its four quarters
    float coherence = 0; ///< 0 none, 1 all slopes in one direction
    float steepest = 0;  ///< greatest slope between neighbouring 4 x 4 means, in noise sigmas of one sample
    float saturation = 0;
    int points = 0; ///< small lights
    bool smooth = false;
};

struct Grid {
    int across = 0, down = 0;
    std::vector<Block> blocks;
    const Block *at(int x, int y) const { return x >= 0 && y >= 0 && x < across && y < down ? &blocks[size_t(y * across + x)] : nullptr; }
};

/// Variances of samples, of 2 x 2 means and of 4 x 4 means, each less what pure noise has there.
struct Energies {
    float fine, middle, coarse;
};

Energies energiesOf(PlaneView<const float> luminance)
{
    const Plane<float> two = halved(luminance), four = halved(two.view());
    const double v1 = varianceAboutSlope(luminance), v2 = varianceAboutSlope(two.view()), v4 = varianceAboutSlope(four.view());
    return {float(v1 - v2 - 0.75), float(v2 - v4 - 0.1875), float(v4 - 0.0625)};
}

/// Single samples or pairs that outshine everything three samples around, by much more than noise.
int pointsIn(PlaneView<const float> luminance)
{
    constexpr int kReach = 3;
    constexpr float kHeight = 9;
    int found = 0;
    for (int y = kReach; y + kReach < luminance.height; ++y)
        for (int x = kReach; x + kReach < luminance.width; ++x) {
            const float v = luminance.row(y)[x];
            bool top = true;
            float ring = -1e9f;
            for (int dy = -kReach; dy <= kReach && top; ++dy)
                for (int dx = -kReach; dx <= kReach; ++dx) {
                    const float w = luminance.row(y + dy)[x + dx];
                    if ((dx || dy) && w > v) {
                        top = false;
                        break;
                    }
                    if (std::max(std::abs(dx), std::abs(dy)) == kReach)
                        ring = std::max(ring, w);
                }
            found += top && v - ring > kHeight;
        }
    return found;
}

void measureSlopes(PlaneView<const float> luminance, Block &block)
{
    const Plane<float> two = halved(luminance), four = halved(two.view());
    double xx = 0, yy = 0, xy = 0;
    for (int y = 0; y + 1 < four.height(); ++y)
        for (int x = 0; x + 1 < four.width(); ++x) {
            const double dx = double(four.at(x + 1, y) - four.at(x, y)), dy = double(four.at(x, y + 1) - four.at(x, y));
            xx += dx * dx;
            yy += dy * dy;
            xy += dx * dy;
            block.steepest = std::max(block.steepest, float(std::hypot(dx, dy)));
        }
    const double spread = std::hypot(xx - yy, 2 * xy);
    block.coherence = xx + yy > 0 ? float(spread / (xx + yy)) : 0;
}

Block blockOf(const AnalysisPlanes &planes, const std::array<float, 3> &balance, TileRect in)
{
    Block b;
    const auto luminance = planes.luminance.view().cut(in);
    const Energies e = energiesOf(luminance);
    b.fine = e.fine;
    b.middle = e.middle;
    b.coarse = e.coarse;
    b.filled = 1e9f;
    for (int q = 0; q < 4; ++q) {
        const Energies part = energiesOf(luminance.cut({q % 2 * kBlock / 2, q / 2 * kBlock / 2, kBlock / 2, kBlock / 2}));
        b.filled = std::min(b.filled, part.fine + part.middle);
    }
    measureSlopes(luminance, b);
    b.points = pointsIn(luminance);
    std::array<double, 3> mean{};
    double signal = 0;
    for (int y = in.y; y < in.bottom(); ++y)
        for (int x = in.x; x < in.right(); ++x) {
            signal += double(planes.linear.at(x, y));
            for (size_t c = 0; c < 3; ++c)
                mean[c] += double(planes.rgb[c].at(x, y)) * double(balance[c]);
        }
    b.signal = float(signal / double(in.size().area()));
    const auto [low, high] = std::minmax_element(mean.begin(), mean.end());
    b.saturation = *high > 0 ? float(1 - std::max(*low, 0.0) / *high) : 0;
    b.smooth = b.fine < 0.25f && b.middle < 0.1f && b.coarse < 0.1f;
    return b;
}

/// Chooses one place after the other, each apart from those before.
class Chooser
{
public:
    explicit Chooser(const Grid &grid) : m_grid(grid) {}

    /// The best block by a score above 0, or nothing.
    std::optional<std::pair<int, int>> best(const std::function<double(int, int, const Block &)> &score)
    {
        std::optional<std::pair<int, int>> found;
        double highest = 0;
        for (int y = 0; y < m_grid.down; ++y)
            for (int x = 0; x < m_grid.across; ++x) {
                const bool near = std::any_of(m_taken.begin(), m_taken.end(), [&](const auto &t) { return std::max(std::abs(t.first - x), std::abs(t.second - y)) < kApart; });
                if (near)
                    continue;
                if (const double s = score(x, y, *m_grid.at(x, y)); s > highest) {
                    highest = s;
                    found = {x, y};
                }
            }
        if (found)
            m_taken.push_back(*found);
        return found;
    }

private:
    static constexpr int kApart = 2;
    const Grid &m_grid;
    std::vector<std::pair<int, int>> m_taken;
};

float signalBelow(const Grid &grid, double share)
{
    std::vector<float> signals;
    for (const Block &b : grid.blocks)
        signals.push_back(b.signal);
    const auto at = signals.begin() + ptrdiff_t(share * double(signals.size() - 1));
    std::nth_element(signals.begin(), at, signals.end());
    return *at;
}

double scoreOf(SpotKind kind, const Grid &grid, int x, int y, const Block &b, float dark, float middle)
{
    constexpr double kClear = 0.3; // of structure, in noise variances: seen beyond doubt
    constexpr int kMostPointsInTexture = 2;
    const double structure = double(b.middle) + 4 * double(b.coarse);
    switch (kind) {
    case SpotKind::Shadow: return b.signal <= dark && structure > kClear ? structure / (structure + 1) / (std::max(double(b.signal), 0.0) + 0.001) : 0;
    case SpotKind::PlainTone: {
        int around = 0;
        for (int v = -1; v <= 1; ++v)
            for (int u = -1; u <= 1; ++u)
                around += grid.at(x + u, y + v) && grid.at(x + u, y + v)->smooth;
        const double stops = std::abs(std::log2(std::max(double(b.signal), 1e-5) / std::max(double(middle), 1e-5)));
        return b.smooth ? around / (1 + stops) : 0;
    }
    case SpotKind::Texture: return double(b.filled) > kClear && b.points <= kMostPointsInTexture ? double(b.filled) * (1 - 0.5 * double(b.coherence)) : 0;
    case SpotKind::TextureBesideSmooth: {
        if (double(b.filled) <= kClear || b.points > kMostPointsInTexture)
            return 0;
        int beside = 0;
        for (const auto &[u, v] : {std::pair{-1, 0}, {1, 0}, {0, -1}, {0, 1}, {-2, 0}, {2, 0}, {0, -2}, {0, 2}})
            beside += grid.at(x + u, y + v) && grid.at(x + u, y + v)->smooth;
        return beside * double(b.filled) / (double(b.filled) + 2) * (1 - double(b.coherence));
    }
    case SpotKind::Edge: return b.steepest > 8 && b.coherence > 0.6f ? double(b.coherence) * std::min(double(b.steepest), 60.0) / (1 + std::max(0.0, double(b.filled))) : 0;
    case SpotKind::PointLights: return b.points >= 2 ? b.points / (1 + std::max(0.0, double(b.filled))) : 0;
    case SpotKind::StrongColour: return b.saturation > 0.5f && b.signal > middle / 8 ? double(b.saturation) : 0;
    case SpotKind::Corner: {
        const bool corner = (x <= 1 || x >= grid.across - 2) && (y <= 1 || y >= grid.down - 2);
        return corner ? 1e-3 + std::max(0.0, structure + double(b.fine)) : 0;
    }
    default: return 0;
    }
}

Result<Grid> measureGrid(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, Rect area, int blockPx, const RunContext &run)
{
    const Cleaner untreated = Cleaner::untreated(frame);
    std::array<float, 3> balance{1, 1, 1};
    if (frame->kind != FrameKind::Rendered)
        for (size_t c = 0; c < 3; ++c)
            balance[c] = float(1 / std::max(frame->colour.asShotNeutral[c], 1e-3));
    Grid grid{area.width / blockPx, area.height / blockPx, {}};
    grid.blocks.resize(size_t(grid.across) * size_t(grid.down));
    const Status done = parallelFor(grid.down, run, [&](int row) {
        const Rect band{area.x, area.y + row * blockPx, grid.across * blockPx, blockPx};
        const Result<Plane<float>> linear = untreated.clean(band, {1, run.stop, {}});
        if (!linear)
            return; // stopped; parallelFor says so
        const AnalysisPlanes planes = analysisPlanes(*frame, *noise, linear.value().view(), band);
        for (int x = 0; x < grid.across; ++x)
            grid.blocks[size_t(row * grid.across + x)] = blockOf(planes, balance, {x * kBlock, 0, kBlock, kBlock});
    });
    if (!done)
        return done.error();
    return grid;
}

} // namespace

std::span<const SpotKindInfo> spotKinds()
{
    return kKinds;
}

const SpotKindInfo &infoOf(SpotKind kind)
{
    return kKinds[size_t(kind)];
}

Result<std::vector<ProposedSpot>> proposeSpots(const std::shared_ptr<const Frame> &frame, const std::shared_ptr<const NoiseReport> &noise, const RunContext &run)
{
    constexpr int blockPx = kBlock * AnalysisPlanes::kStepPx;
    const Rect area = analysable(frame->crop);
    std::vector<ProposedSpot> spots;
    if (area.width < blockPx || area.height < blockPx)
        return spots;
    const Result<Grid> grid = measureGrid(frame, noise, area, blockPx, run);
    if (!grid)
        return grid.error();
    Chooser chooser(grid.value());
    const float dark = signalBelow(grid.value(), 0.15), middle = signalBelow(grid.value(), 0.5);
    for (const SpotKindInfo &info : spotKinds()) {
        const auto best = chooser.best([&](int x, int y, const Block &b) { return scoreOf(info.kind, grid.value(), x, y, b, dark, middle); });
        if (best)
            spots.push_back({info.kind, frame->uprightOf(PixelAt{area.x + best->first * blockPx + blockPx / 2, area.y + best->second * blockPx + blockPx / 2})});
    }
    return spots;
}

} // namespace irenic
