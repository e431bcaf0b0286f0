// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "session/roll.h"

#include <QDateTime>
#include <QHash>

namespace irenic {

inline constexpr int kSeriesGapS = 5;

/// Invalid where the file does not say.
QDateTime takenAt(const RollFrame &frame);
/// What belongs together in a roll, of two and more frames, in the order in which they were taken: what was put together by hand, and of all others what the same camera and lens
/// took, each within kSeriesGapS of another.
std::vector<QList<int>> allSeries(const Roll &roll);
/// Frames with all that belong to one of them, in the order of the roll.
QList<int> seriesOf(const Roll &roll, const QList<int> &frames);
/// How the camera was moved between frames, found once for each pair of thumbnails.
class Shifts
{
public:
    /// By how many pixels what the picture of `from` shows lies further right and down in that of `to`; nothing where their thumbnails do not tell.
    std::optional<QPoint> between(const RollFrame &from, const RollFrame &to);

private:
    QHash<std::pair<qint64, qint64>, std::optional<QPoint>> m_found; ///< by the thumbnails' keys, both ways
};

} // namespace irenic
