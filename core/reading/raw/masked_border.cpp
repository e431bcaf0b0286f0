// SPDX-License-Identifier: GPL-3.0-or-later
#include "raw/masked_border.h"

#include "irenic/sentence.h"
#include "irenic/text.h"

#include <algorithm>
#include <cmath>

namespace irenic {

namespace {

constexpr int kMarginPx = 2; ///< light leaks past the mask's edge
constexpr size_t kFewestSamples = 1000;
constexpr double kFurthest = 0.05; ///< of the range
constexpr double kCertain = 5;     ///< standard errors
constexpr double kRounding = 0.25; ///< stored numbers that do not matter
constexpr double kUnseen = 0.1;    ///< sigma of the dark, likewise: banding moves a border by as much

struct Level {
    double mean = 0, error = 0, sigma = 0;
    size_t samples = 0;
};

/// The mean of what lies within four sigma of the median, and its standard error.
Level levelOf(std::vector<uint16_t> values)
{
    Level level;
    if (values.size() < kFewestSamples)
        return level;
    const auto quantile = [&](double share) {
        const auto at = values.begin() + std::ptrdiff_t(share * double(values.size() - 1));
        std::nth_element(values.begin(), at, values.end());
        return double(*at);
    };
    const double middle = quantile(0.5), sigma = std::max(0.5, (quantile(0.84) - quantile(0.16)) / 2);
    double sum = 0, squares = 0;
    for (const uint16_t v : values)
        if (std::abs(v - middle) <= 4 * sigma) {
            sum += v - middle;
            squares += (v - middle) * (v - middle);
            ++level.samples;
        }
    const double n = double(level.samples);
    level.mean = middle + sum / n;
    level.sigma = std::sqrt(std::max(squares / n - sum * sum / (n * n), 1.0 / 12));
    level.error = level.sigma / std::sqrt(n);
    return level;
}

/// What one place of the pattern says, counted from the active area's corner; empty where its halves, cut by sixteen rows and columns in turn, do not agree.
std::optional<Level> agreedLevel(const Frame &frame, const std::vector<Rect> &areas, int place)
{
    std::array<std::vector<uint16_t>, 2> halves;
    for (const Rect &r : areas)
        for (int y = r.y; y < r.bottom(); ++y)
            for (int x = r.x; x < r.right(); ++x)
                if (((x - frame.active.x) & 1) + 2 * ((y - frame.active.y) & 1) == place)
                    halves[size_t((x / 16 + y / 16) & 1)].push_back(frame.samples.at(x, y));
    const Level a = levelOf(halves[0]), b = levelOf(halves[1]);
    if (a.samples == 0 || b.samples == 0 || std::abs(a.mean - b.mean) > kUnseen * a.sigma + kCertain * std::hypot(a.error, b.error) + kRounding)
        return std::nullopt;
    return Level{(a.mean + b.mean) / 2, std::hypot(a.error, b.error) / 2, a.sigma, a.samples + b.samples};
}

} // namespace

std::vector<Rect> maskedAreasOf(const Frame &frame)
{
    const Rect whole{0, 0, frame.size().width, frame.size().height}, &a = frame.active;
    std::vector<Rect> areas;
    if (frame.source)
        if (const auto v = frame.source->raw.numbers(TagMaskedAreas); v.size() >= 4)
            for (size_t i = 0; i + 3 < v.size(); i += 4) // top, left, bottom, right
                areas.push_back({int(v[i + 1]), int(v[i]), int(v[i + 3] - v[i + 1]), int(v[i + 2] - v[i])});
    if (areas.empty())
        areas = {{0, 0, whole.width, a.y}, {0, a.bottom(), whole.width, whole.height - a.bottom()}, {0, a.y, a.x, a.height}, {a.right(), a.y, whole.width - a.right(), a.height}};
    for (Rect &r : areas)
        r = r.grownBy(-kMarginPx).intersected(whole);
    return areas;
}

void takeBlackFromBorder(Frame &frame, SourceTags &tags)
{
    Levels &l = frame.levels;
    if (frame.kind != FrameKind::Mosaic || !frame.source || frame.source->raw.numbers(TagMaskedAreas).size() < 4 || l.repeatRows > 2 || l.repeatCols > 2 || !l.deltaRow.empty() || !l.deltaColumn.empty())
        return;
    const std::vector<Rect> areas = maskedAreasOf(frame);
    const std::array<float, 4> told = l.blackOfCell();
    std::array<float, 4> found = told;
    double furthest = 0;
    for (int place = 0; place < 4; ++place) {
        const std::optional<Level> level = agreedLevel(frame, areas, place);
        if (!level)
            return;
        const double off = level->mean - double(told[size_t(place)]);
        if (std::abs(off) > kFurthest * double(l.white - told[size_t(place)]))
            return; // not dark, or filled with something else
        if (std::abs(off) <= std::max(kCertain * level->error, kUnseen * level->sigma) + kRounding)
            continue;
        found[size_t(place)] = float(level->mean);
        if (std::abs(off) > std::abs(furthest))
            furthest = off;
    }
    if (furthest == 0)
        return;
    l.repeatRows = l.repeatCols = 2;
    l.black.assign(found.begin(), found.end());
    tags.raw.setNumbers(TagBlackLevelRepeatDim, TiffShort, std::array{2.0, 2.0});
    tags.raw.setLevels(TagBlackLevel, std::vector<double>(found.begin(), found.end()));
    if (tags.rawIsMain)
        tags.main = tags.raw;
    const std::vector<std::string> by{fixedNumber(std::abs(furthest), 1)};
    frame.warnings.push_back(furthest > 0 ? sentence("By the sensor's masked border black lies up to %1 above what the file says; the border is believed.", by) : sentence("By the sensor's masked border black lies up to %1 below what the file says; the border is believed.", by));
}

} // namespace irenic
