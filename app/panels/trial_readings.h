// SPDX-License-Identifier: GPL-3.0-or-later
#pragma once

#include "irenic/methods.h"
#include "irenic/nearness.h"
#include "irenic/readings.h"
#include "view/reading_bars.h"

#include <QCoreApplication>

#include <optional>

namespace irenic {

/// What a bar of full length means, for all strips of a wall.
struct ReadingScale {
    double left = 0.2, lost = 0.2, doubt = 0.2, drift = 0.5, seconds = 1; ///< bars begin at 0
    double untreatedDb = 0, nearestDb = 1;                                ///< of nearness and of the truth: where bars begin and end
    /// All have the line, whether it was read or not. By what was read the heights of strips, and with them the places that are read, would swing to and fro.
    bool hasTruth = false, hasHalo = false;
    /// Round figures, so that bars do not change with every step of a slider.
    static ReadingScale over(const std::vector<std::optional<PlaceReadings>> &trials, double seconds);
    bool operator==(const ReadingScale &) const = default;
};

/// What was read of a place in one trial, and how that stands among the others: as bars, and in words.
struct TrialReadings {
    Q_DECLARE_TR_FUNCTIONS(irenic::TrialReadings)
public:
    std::optional<PlaceReadings> place; ///< nothing while they are taken
    std::optional<Standing> standing;
    ReadingScale scale;

    QList<ReadingBars::Row> bars(double exportSeconds) const; ///< 0 where that is not known
    QString line(const Treatment &treatment) const;           ///< of a folded strip
    QString sentence() const;
    QString help() const;       ///< what they mean, and what they advise
    QString truthWords() const; ///< what only the demo roll can know

private:
    QString nearnessWords() const; ///< empty where nothing can be estimated
};

} // namespace irenic
