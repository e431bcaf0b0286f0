// SPDX-License-Identifier: GPL-3.0-or-later
#include "session/series.h"

#include "irenic/shift.h"
#include "session/dates.h"

#include <map>
#include <tuple>

namespace irenic {

namespace {

Plane<float> toneOf(const QImage &image)
{
    const QImage grey = image.convertToFormat(QImage::Format_Grayscale8);
    Plane<float> tone(Size{grey.width(), grey.height()});
    for (int y = 0; y < grey.height(); ++y)
        std::transform(grey.constScanLine(y), grey.constScanLine(y) + grey.width(), tone.row(y), [](uchar v) { return float(v) / 255; });
    return tone;
}

std::optional<QPoint> shiftBetween(const RollFrame &from, const RollFrame &to)
{
    if (from.pictureSize() != to.pictureSize() || from.thumbnail.size() != to.thumbnail.size() || from.thumbnail.isNull())
        return {};
    const Plane<float> a = toneOf(from.thumbnail), b = toneOf(to.thumbnail);
    const PictureShift shift = shiftBetween(a.view(), b.view());
    if (!shift.isSure())
        return {};
    constexpr double kNone = 0.5; // of a thumbnail's pixels: on a tripod
    if (std::max(std::abs(shift.dx), std::abs(shift.dy)) < kNone)
        return QPoint();
    const double scale = double(from.pictureSize().width()) / from.thumbnail.width();
    return QPoint(int(std::lround(shift.dx * scale)), int(std::lround(shift.dy * scale)));
}

} // namespace

QDateTime takenAt(const RollFrame &frame)
{
    const ShootingData *s = frame.shooting();
    return s ? dateOf(s->dateTime) : QDateTime();
}

std::vector<QList<int>> allSeries(const Roll &roll)
{
    struct Shot {
        std::tuple<std::string, std::string, std::string> of; ///< camera, lens
        qint64 second;
        int index;
        auto operator<=>(const Shot &) const = default; // NOLINT(modernize-use-nullptr): clang-tidy 14 takes the compiler's own zero for a pointer
    };
    std::vector<Shot> shots;
    std::map<int, QList<int>> byHand;
    for (int i = 0; i < roll.count(); ++i) {
        const RollFrame &f = roll.frame(i);
        if (f.series != Choices::kSeriesByTime) {
            if (f.series != Choices::kNoSeries)
                byHand[f.series] << i;
        } else if (const QDateTime at = takenAt(f); at.isValid()) {
            const ShootingData &s = *f.shooting();
            shots.push_back({{s.make, s.model, s.lens}, at.toSecsSinceEpoch(), i});
        }
    }
    std::sort(shots.begin(), shots.end());
    std::vector<QList<int>> all;
    for (auto &[number, frames] : byHand) {
        std::stable_sort(frames.begin(), frames.end(), [&](int a, int b) { return takenAt(roll.frame(a)) < takenAt(roll.frame(b)); });
        if (frames.size() > 1)
            all.push_back(frames);
    }
    for (auto from = shots.begin(); from != shots.end();) {
        auto to = std::next(from);
        while (to != shots.end() && to->of == from->of && to->second - std::prev(to)->second <= kSeriesGapS)
            ++to;
        if (to - from > 1) {
            QList<int> series;
            std::transform(from, to, std::back_inserter(series), [](const Shot &s) { return s.index; });
            all.push_back(series);
        }
        from = to;
    }
    return all;
}

QList<int> seriesOf(const Roll &roll, const QList<int> &frames)
{
    QList<int> all = frames;
    for (const QList<int> &series : allSeries(roll))
        if (std::any_of(series.begin(), series.end(), [&](int i) { return frames.contains(i); }))
            all << series;
    std::sort(all.begin(), all.end());
    all.erase(std::unique(all.begin(), all.end()), all.end());
    return all;
}

std::optional<QPoint> Shifts::between(const RollFrame &from, const RollFrame &to)
{
    const std::pair pictures(from.thumbnail.cacheKey(), to.thumbnail.cacheKey());
    if (!m_found.contains(pictures)) {
        const std::optional<QPoint> found = shiftBetween(from, to);
        m_found.insert(pictures, found);
        m_found.insert({pictures.second, pictures.first}, found ? std::optional(-*found) : found);
    }
    return m_found.value(pictures);
}

} // namespace irenic
